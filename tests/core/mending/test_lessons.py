"""What corrections teach, when it is trusted, and how it is taken back."""

from __future__ import annotations

import unittest

from nimble_lantern.core.mending.lessons import Lesson, alike, found, taught
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.formats import from_markdown, to_text
from tests.desk import DeskCase


class Lessons(unittest.TestCase):
    def test_a_name_is_trusted_at_once_where_the_heard_words_are_unlikely(self) -> None:
        lesson = Lesson(("eider", "marlow"), ("ida", "marlowe"), (("thank", "for"),), (1,), True)
        self.assertTrue(lesson.trusted("", "", stands=False))
        self.assertFalse(lesson.trusted("", "", stands=True))

    def test_a_common_word_is_trusted_beside_the_same_telling_word(self) -> None:
        lesson = Lesson(("fairy",), ("ferry",), (("the", "times"),), (1,))
        self.assertTrue(lesson.trusted("our", "times", stands=False))
        self.assertFalse(lesson.trusted("the", "sang", stands=False))

    def test_the_opposite_correction_forgets(self) -> None:
        known = taught((), ("fairy",), ("ferry",), ("", ""))
        known = taught(known, ("ferry",), ("fairy",), ("", ""))
        self.assertEqual([(x.heard, x.meant) for x in known], [(("ferry",), ("fairy",))])

    def test_the_longest_lesson_counts(self) -> None:
        known = taught((), ("a", "tension"), ("attention",), ("", ""))
        known = taught(known, ("tension",), ("pension",), ("", ""))
        hits = [lesson.meant for _, lesson, _, _ in found(known, ("pay", "a", "tension"), "")]
        self.assertEqual(hits, [("attention",)])

    def test_words_that_do_not_sound_alike_are_a_revision(self) -> None:
        self.assertTrue(alike(("fairy",), ("ferry",)))
        self.assertFalse(alike(("ferry",), ("boat",)))


class OnTheDesk(DeskCase):
    def offered(self) -> list[str]:
        """What may be chosen by number just now."""
        question = self.driver.sitting.question
        assert question is not None
        return [option.label for option in question.options]

    def test_a_corrected_name_comes_out_right_the_next_ten_times(self) -> None:
        self.desk("We met Mara Tarrow and Ida Marlowe.\n\nIda Marlowe has the key.")
        self.driver.hears("we thank eider marlow for it", "correct eider marlow", "ida marlowe")
        lines = (
            "the lamp of eider marlow", "eider marlow is late", "ask eider marlow", "and so did "
            "eider marlow", "eider marlow wrote", "with eider marlow too", "for eider marlow",
            "if eider marlow agrees", "eider marlow again", "eider marlow it was",
        )  # fmt: skip
        for line in lines:
            self.driver.hears(line)
        text = self.driver.document.blocks[-1].text
        self.assertEqual(text.count("Ida Marlowe"), 12)

    def test_other_text_is_not_changed_by_what_was_learned(self) -> None:
        """Some five thousand words of the sample documents, dictated after corrections."""
        self.desk("We met Ida Marlowe. Ida Marlowe has it.")
        self.driver.hears("eider marlow came", "correct eider marlow", "ida marlowe")
        self.driver.hears("the fairy is late", "i said ferry", "a tension please")
        self.driver.hears("correct a tension", "attention")
        spoken = 0
        for file in sorted(DOCUMENTS.glob("*.md")):
            for line in to_text(from_markdown(file.read_text(encoding="utf-8"))).splitlines():
                words = [
                    w.strip(".,:;()").lower() for w in line.split() if w.strip(".,:;()").isalpha()
                ]
                spoken += len(words)
                self.driver.hears(" ".join(words)) if words else None
                self.assertEqual(self.driver.sitting.put_right, (), line)
        self.assertGreater(spoken, 500)

    def test_that_was_right_before_puts_it_back_and_forgets(self) -> None:
        self.desk("We met Ida Marlowe. Ida Marlowe has it.")
        self.driver.hears(
            "eider marlow came", "correct eider marlow", "ida marlowe", "new paragraph"
        )
        entry = self.driver.hears("eider marlow left")
        self.assertIn("that was right before", entry.summary)
        self.driver.hears("that was right before")
        self.assertText(
            "We met Ida Marlowe. Ida Marlowe has it. Ida Marlowe came\n\nEider marlow left"
        )
        self.driver.hears("and eider marlow slept")
        self.assertIn("and eider marlow slept", self.driver.document.blocks[-1].text)

    def test_it_is_the_last_text_that_was_right_before(self) -> None:
        """A command in between is not taken for it."""
        self.desk("We met Ida Marlowe. Ida Marlowe has it.")
        self.driver.hears("eider marlow came", "correct eider marlow", "ida marlowe")
        self.driver.hears("new paragraph", "eider marlow left", "bold met", "it was right before")
        self.assertEqual(self.driver.document.blocks[-1].text, "Eider marlow left")
        self.assertEqual(self.driver.sitting.lessons, ())

    def test_undoing_a_correction_withdraws_what_it_taught(self) -> None:
        self.desk("We met Ida Marlowe. Ida Marlowe has it.")
        self.driver.hears("eider marlow came", "correct eider marlow", "ida marlowe", "undo that")
        self.driver.hears("new paragraph", "eider marlow left")
        self.assertEqual(self.driver.document.blocks[-1].text, "Eider marlow left")

    def test_a_revision_teaches_nothing(self) -> None:
        self.desk("")
        self.driver.hears("the ferry is late", "replace the ferry with the boat")
        self.assertEqual(self.driver.sitting.lessons, ())

    def test_another_name_said_in_its_place_is_no_lesson(self) -> None:
        self.desk("We met Tobias Fenwick. Ask Tobias.")
        self.driver.hears("osric has the key", "correct osric", "tobias", "osric was there")
        self.assertEqual(self.driver.sitting.lessons, ())
        self.assertIn("sric was there", self.driver.document.blocks[0].text)

    def test_a_whole_sentence_goes_on_and_replaces_nothing(self) -> None:
        self.desk("")
        self.driver.hears("the fairy is late", "correct fairy", "we wait for it on the quay")
        self.assertText("The fairy is late we wait for it on the quay")

    def test_what_nobody_dictated_is_replaced_only_by_what_sounds_like_it(self) -> None:
        self.desk("The log is here.")
        self.driver.hears("correct the log", "we wait")
        self.assertText("The log is here. We wait")
        self.desk("The log is here.")
        self.driver.hears("correct the log", "lock")
        self.assertText("The lock is here.")

    def test_what_was_rejected_is_not_offered_again(self) -> None:
        self.desk("")
        self.driver.hears("the fairy is late", "correct fairy", "ferry", "correct ferry")
        self.assertNotIn("fairy", self.offered())

    def test_the_same_heard_again_takes_the_other_hypothesis_or_asks(self) -> None:
        self.desk("")
        self.driver.hears("the fairy is late", "correct fairy", "fairy | ferry")
        self.assertText("The ferry is late")
        self.driver.hears("correct ferry")
        self.assertRead("unclear", self.driver.hears("ferry"))
        self.assertText("The ferry is late")

    def test_more_shows_others(self) -> None:
        self.desk("")
        self.driver.hears("the fairy is late", "correct fairy")
        first = self.offered()
        self.driver.hears("show me more")
        more = self.offered()
        self.assertFalse(set(first) & set(more))

    def test_written_forms_are_among_them(self) -> None:
        for page, said, form in (
            ("We have eight boats.", "eight", "8"),
            ("We have 12 oars.", "12", "twelve"),
            ("The colour is red.", "colour", "color"),
            ("The lamp room is cold.", "lamp room", "lamp-room"),
            ("The keeper is here.", "keeper", "Keeper"),
        ):
            with self.subTest(said):
                self.desk(page)
                self.driver.hears(f"correct {said}")
                labels = self.offered()
                self.assertIn(form, labels)
                self.driver.hears(f"choose {labels.index(form) + 1}")
                self.assertIn(form, self.driver.document.blocks[0].text)
