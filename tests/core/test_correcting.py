"""What was misheard is put right by a number or by saying it again."""

from __future__ import annotations

import random
import unittest
from dataclasses import replace

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.doubts import doubted, doubts
from nimble_lantern.core.mending.alternatives import MOST, alternatives
from nimble_lantern.core.reading.hearing import DOUBTED, from_line
from nimble_lantern.core.showing import rows
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.words import places
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.formats import from_markdown
from nimble_lantern.formats.report import sitting_data
from tests.desk import DeskCase

HOMOPHONES = (
    "tide tied, stair stare, read red, sea see, board bored, whole hole, week weak, meat meet,"
    " right write, their there, knew new, hear here, sale sail, rode road, plain plane, son sun,"
    " wait weight, wood would, made maid, mail male, pail pale, peace piece, rain reign, roll role,"
    " steel steal, tail tale, through threw, waste waist, way weigh, wear where, quay key"
)


class Alternatives(DeskCase):
    def of(self, words: str) -> list[str]:
        r = places(self.driver.sitting.document, tuple(words.split()))[-1]
        return [a.label for a in alternatives(self.driver.sitting, r)]

    def test_what_was_also_heard_comes_before_what_sounds_alike(self) -> None:
        self.desk("The boat is old.").hears("the fairy is late | the ferry is late")
        self.assertEqual(self.of("fairy")[0], "ferry")
        self.assertEqual(self.of("the fairy")[0], "the ferry")

    def test_what_both_engines_heard_comes_before_what_one_of_them_did(self) -> None:
        self.desk("The boat is old.")
        heard = from_line("the fairy is late | the furry is late | the ferry is late")
        both = replace(
            heard, evidence=from_line("the fiery is late").hypotheses[0],
            also=(("the", "ferry", "is", "late"),),
            commands=from_line("the berry is late").hypotheses,
        )  # fmt: skip
        self.driver.desk.hear(both)
        self.assertEqual(self.of("fairy")[:4], ["ferry", "furry", "fiery", "berry"])

    def test_of_an_article_the_others_are_offered(self) -> None:
        self.desk("").hears("we lit the lamp")
        self.assertEqual(self.of("the")[:2], ["a", "an"])
        self.assertNotIn("the", self.of("the"))

    def test_what_sounds_just_the_same_or_only_ends_otherwise_is_offered(self) -> None:
        pairs = "key quay, turn turned, thank thanked, close closed, carry carried, steps step"
        for written, meant in (pair.split() for pair in pairs.split(", ")):
            with self.subTest(written):
                self.desk("").hears(f"we {written} it")
                self.assertIn(meant, self.of(written))

    def test_what_was_heard_beside_the_place_comes_after_what_sounds_like_it(self) -> None:
        self.desk("").hears("the stair is old | the paragraph is old | the stare is old")
        self.assertLess(self.of("stair").index("stare"), self.of("stair").index("paragraph"))

    def test_a_stretch_of_another_length_is_found_by_its_neighbours(self) -> None:
        self.desk("").hears("pay a tension to the tide | pay attention to the tide")
        self.assertEqual(self.of("a tension")[0], "attention")

    def test_the_second_of_two_like_words_has_its_own(self) -> None:
        self.desk("").hears("the tied came and the tied went | the tied came and the tide went")
        last = places(self.driver.sitting.document, ("tied",))[1]
        self.assertEqual(alternatives(self.driver.sitting, last)[0].words, ("tide",))

    def test_words_as_they_stand_are_never_among_them(self) -> None:
        self.desk("").hears("the tied is high | the tied is high | the tide is high")
        self.assertNotIn("tied", self.of("tied"))
        self.assertLessEqual(len(self.of("tied")), MOST)
        self.assertEqual(len(set(self.of("tied"))), len(self.of("tied")))

    def test_the_documents_own_words_go_before_commoner_ones(self) -> None:
        self.desk("Hob Tarrow wrote it.").hears("then taro came")
        self.assertEqual(self.of("taro")[0], "tarrow")

    def test_words_that_sound_the_same_are_among_them(self) -> None:
        missed = []
        for pair in HOMOPHONES.split(","):
            meant, stands = pair.split()
            self.desk("").hears(f"we had {stands} then")
            if meant not in self.of(stands):
                missed.append(pair)
        self.assertLessEqual(len(missed), 3, missed)

    def test_misheard_words_of_sample_documents_are_found(self) -> None:
        """Words of the sample world with one letter of their vowels wrong, from a fixed seed."""
        rng, found, tried = random.Random(41), 0, 0
        for file in sorted(DOCUMENTS.glob("*.md")):
            text = file.read_text(encoding="utf-8")
            known = sorted({w for w in text.lower().split() if w.isalpha() and len(w) > 3})
            for word in rng.sample(known, 8):
                at = next((i for i, c in enumerate(word) if c in "aeiou" and i), None)
                if at is None:
                    continue
                wrong = word[:at] + rng.choice("aeiou".replace(word[at], "")) + word[at + 1 :]
                desk = self.desk(text)
                desk.hears(f"we said {wrong} then")
                r = places(self.driver.sitting.document, (wrong,))
                if not r:
                    continue
                tried += 1
                labels = [a.label for a in alternatives(self.driver.sitting, r[-1])]
                found += word in labels
        self.assertGreater(tried, 30)
        self.assertGreaterEqual(found / tried, 0.9)


class Correcting(DeskCase):
    def test_a_number_takes_it_and_writing_goes_on(self) -> None:
        desk = self.desk("The boat is old.")
        desk.hears("the fairy is late full stop | the ferry is late full stop", "correct the fairy")
        self.assertEqual(self.driver.sitting.question.options[0].label, "ferry")
        desk.hears("one", "we wait")
        self.assertText("The boat is old. The ferry is late. We wait")

    def test_saying_it_again_takes_it(self) -> None:
        self.desk("").hears("we met at the fairy", "correct the last word", "ferry", "on monday")
        self.assertText("We met at the ferry on Monday")

    def test_cancel_leaves_it(self) -> None:
        desk = self.desk("")
        desk.hears("we met at the fairy", "correct the last word", "cancel")
        self.assertIsNone(self.driver.sitting.question)
        self.assertText("We met at the fairy")

    def test_it_is_undone_in_one_step(self) -> None:
        desk = self.desk("")
        desk.hears("we met at the fairy | we met at the ferry", "correct fairy", "one", "undo that")
        self.assertText("We met at the fairy")

    def test_where_words_stand_in_several_places_the_place_is_asked_first(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy is late full stop", "the fairy is old full stop", "correct fairy")
        self.assertEqual(len([o for o in self.driver.sitting.question.options if o.ranges]), 2)
        desk.hears("two")
        self.assertIn("ferry", [o.label for o in self.driver.sitting.question.options])

    def test_is_wrong_is_said_of_the_desk_only_where_it_heard_something_else(self) -> None:
        desk = self.desk("The rent is due.")
        desk.hears("the fairy is late | the ferry is late", "the fairy is wrong", "one")
        self.assertText("The rent is due. The ferry is late")
        desk.hears("the rent is wrong")
        self.assertText("The rent is due. The ferry is late the rent is wrong")

    def test_many_words_that_were_not_dictated_may_be_a_sentence(self) -> None:
        line = "correct the log of the old lamp"
        self.desk("The log of the old lamp is here.").hears(line)
        self.assertText("The log of the old lamp is here. Correct the log of the old lamp")
        self.desk("The log is here.").hears("correct the log")
        self.assertPage("The [log] is here.")

    def test_not_what_i_said_is_a_sentence_where_nothing_was_just_written(self) -> None:
        self.desk("The log is here.").hears("that is not what i said")
        self.assertText("The log is here. That is not what I said")

    def test_everyday_sentences_are_not_taken_for_complaints(self) -> None:
        for line in (
            "it was wrong",
            "that was wrong of him",
            "you got it",
            "what are you unsure of",
            "fix it",
            "the boat is not right",
            "you misheard the crew",
        ):
            desk = self.desk("The boat is old.")
            desk.hears("we met the crew full stop")
            before = desk.sitting.document
            with self.subTest(line):
                entry = desk.hears(line)
                self.assertIsNone(desk.sitting.selection, entry.summary)
                self.assertTrue(desk.markdown.startswith("The boat is old. We met the crew."))
                self.assertNotEqual(desk.sitting.document, before)


class Scripts(unittest.TestCase):
    def test_a_line_carries_what_else_was_heard_and_doubts(self) -> None:
        hearing = from_line("the fairy? is late | the ferry is late")
        self.assertEqual(
            [h.text for h in hearing.hypotheses], ["the fairy is late", "the ferry is late"]
        )
        self.assertEqual(
            [w.confidence for w in hearing.hypotheses[0].words], [1.0, DOUBTED, 1.0, 1.0]
        )

    def test_a_bare_question_sign_is_a_word_like_any_other(self) -> None:
        self.assertEqual(from_line("why ?").text, "why ?")


class Nowhere(DeskCase):
    def test_a_range_of_nothing_has_no_alternatives(self) -> None:
        self.desk("The boat is old.")
        start = self.driver.sitting.document.whole.start
        self.assertEqual(alternatives(self.driver.sitting, Range(start, start)), [])

    def test_documents_without_a_journal_of_hearings_have_those_that_sound_alike(self) -> None:
        sitting = Sitting(document=from_markdown("The fairy."))
        r = places(sitting.document, ("fairy",))[0]
        self.assertIn("ferry", [a.label for a in alternatives(sitting, r)])


class Doubts(DeskCase):
    def doubted(self) -> list[str]:
        document = self.driver.sitting.document
        return [document.text(r) for _, r in doubts(document)]

    def test_a_complaint_in_any_short_form_is_heard(self) -> None:
        for line in (
            "that isn't what i said",
            "that's not what i said",
            "that was not what i said",
        ):
            with self.subTest(line):
                desk = self.desk("")
                entry = desk.hears("the fairy is late", line)
                self.assertRead("command", entry, "correcting.correct")

    def test_the_prompters_doubts_are_marked_as_a_scripts_are(self) -> None:
        for source in ("script", "prompter"):
            desk = self.desk("")
            desk.desk.hear(from_line("the fairy? is late", source=source))
            self.assertEqual(len(doubts(desk.document)), 1, source)

    def test_a_doubted_word_is_marked_where_it_stands(self) -> None:
        desk = self.desk("The fairy sleeps.")
        desk.hears("the fairy? is late on the second? of may")
        self.assertEqual(self.doubted(), ["fairy", "2"], "the second of May is written 2 May")
        data = sitting_data(desk.sitting)["doubts"]
        self.assertEqual(
            data[0],
            {
                "start": {"block": 0, "offset": 22},
                "end": {"block": 0, "offset": 27},
                "text": "fairy",
            },
        )

    def test_the_second_of_two_like_words_is_the_doubted_one(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy saw the fairy? go")
        self.assertEqual([r.start.offset for _, r in doubts(desk.document)], [18])

    def test_it_goes_when_the_word_is_changed_and_comes_back_with_undo(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy? is late | the ferry is late", "next doubt", "one")
        self.assertText("The ferry is late")
        self.assertEqual(self.doubted(), [])
        desk.hears("undo that")
        self.assertEqual(self.doubted(), ["fairy"])

    def test_doubts_are_walked_through_and_kept(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy? is late and the rope? is wet", "next doubt")
        self.assertPage("The [fairy] is late and the rope is wet")
        desk.hears("keep it", "next doubt")
        self.assertPage("The fairy is late and the [rope] is wet")
        desk.hears("undo that", "keep all")
        self.assertEqual(self.doubted(), [])
        self.assertText("The fairy is late and the rope is wet")

    def test_keep_it_is_text_where_nothing_is_doubted(self) -> None:
        self.desk("").hears("keep it")
        self.assertText("Keep it")

    def test_where_there_are_none_it_is_said(self) -> None:
        self.assertIn("No word is doubted", self.desk("The boat.").hears("next doubt").summary)

    def test_they_are_in_no_exported_text(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy? is late")
        self.assertEqual(desk.markdown.strip(), "The fairy is late")

    def test_they_are_drawn_and_last_over_a_restart(self) -> None:
        desk = self.desk("")
        desk.hears("the fairy? is late")
        again = desk.desk._journal.open(desk.sitting.title)
        self.assertEqual(
            [r for _, r in doubts(again.document)], [r for _, r in doubts(desk.document)]
        )
        segments = [
            s for row in rows(desk.sitting, 1, 400) for part in row.parts for s in part.segments
        ]
        self.assertEqual([s.text for s in segments if s.doubted], ["fairy"])

    def test_little_words_are_doubted_only_by_a_script(self) -> None:
        hearing = from_line("the? fairy?")
        self.assertEqual(doubted(hearing), (("the", 0), ("fairy", 0)))
        self.assertEqual(doubted(replace(hearing, source="model")), (("fairy", 0),))
