"""What people say in their own words: done, asked about or offered, and never at the text's"
" cost."""

from __future__ import annotations

import json
import os
import random
import unittest
from pathlib import Path

from hypothesis import HealthCheck, example, given, settings
from hypothesis import strategies as st

from bench.wordings import played, read
from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.learning import Wording, wording
from nimble_lantern.core.reading import nearest
from nimble_lantern.core.reading.addressing import wordings
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, Outcome, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown, to_markdown
from nimble_lantern.store import states
from tests.core.strategies import documents

OF_THE_WORLD = Path(__file__).parent.parent / "corpus" / "of_the_world.txt"
"""Sentences of letters that begin as requests do: "we can lose the boat"."""
HARBOUR = (
    "The crew met on Sunday. Hob Tarrow read the log. The boat is old and the lamp is low.\n\n"
    "The rent is due. The stair is wet, the rope is worn and the bell rings at noon. The board"
    " wants oil.\n\nThe tide was high."
)
TRIED = int(os.environ.get("LANTERN_FUZZ", "600"))
"""The same jumbles in every run; with LANTERN_FUZZ others, as many as it says."""
LETTER = (
    "The crew met on Monday. Hob Tarrow read the log (it was short). The oil costs forty"
    " pounds.\n\n"
    "The boat leaves at nine. We need two lamps. Please bring the brass lamp."
)


class Desk:
    """A desk of its own, spoken to line by line."""

    def __init__(self, text: str) -> None:
        document = from_markdown(text)
        self.sitting = Sitting(document=document, caret=document.end, wrote=document.end)

    def hears(self, *lines: str) -> Outcome:
        for line in lines:
            outcome = advance(self.sitting, Heard(from_line(line)))
            self.sitting = outcome.sitting
        return outcome

    @property
    def text(self) -> str:
        return to_markdown(self.sitting.document).strip()


def after(text: str, *lines: str) -> str:
    desk = Desk(text)
    desk.hears(*lines)
    return desk.text


class OfTheWorld(unittest.TestCase):
    """What may be said of things as well as of words leaves the words alone."""

    def setUp(self) -> None:
        self.desk = Desk(HARBOUR)
        self.desk.hears("we wrote it down full stop")
        self.before = self.desk.text

    def test_sentences_about_things_take_no_words_away(self) -> None:
        now = self.desk.sitting
        for line in OF_THE_WORLD.read_text(encoding="utf-8").splitlines():
            with self.subTest(line):
                self.desk.sitting = now
                self.desk.hears(line)
                self.assertTrue(self.desk.text.startswith(self.before), self.desk.text)

    def test_the_same_said_of_a_part_of_the_page_is_done(self) -> None:
        now = self.desk.sitting
        for line in (
            "i think we should delete the last sentence",
            "we can lose the last sentence",
            "the last sentence can go",
            "we don't need the last sentence",
            "we might cut the last sentence",
            "drop the last sentence please",
            "throw the last sentence out",
        ):
            with self.subTest(line):
                self.desk.sitting = now
                self.desk.hears(line)
                self.assertEqual(self.desk.text, HARBOUR)

    def test_a_word_called_a_word_is_of_the_page(self) -> None:
        self.desk.hears("i think we can lose the word wet")
        self.assertIn("The stair is, the rope", self.desk.text)

    def test_what_is_selected_is_of_the_page(self) -> None:
        self.desk.hears("select the last sentence", "drop it")
        self.assertEqual(self.desk.text, HARBOUR)


class OwnWords(unittest.TestCase):
    def test_wordings_written_before_the_work_are_done(self) -> None:
        cases = read("open")
        wrong = [(case["say"], why) for case, why in played(cases) if why is not None]
        self.assertLessEqual(len(wrong), len(cases) * 0.05, wrong)
        self.assertLessEqual(sum(why.startswith("harm") for _, why in wrong), 1, wrong)

    def test_courtesy_and_hesitation_change_nothing(self) -> None:
        plain = after(LETTER, "bold brass lamp")
        self.assertIn("**brass lamp**", plain)
        for said in (
            "okay um could you please bold brass lamp for me",
            "would you mind making brass lamp bold please",
            "right then i want brass lamp in bold",
            "let's have brass lamp bold thank you",
            "brass lamp should be in bold",
        ):
            self.assertEqual(after(LETTER, said), plain, said)

    def test_what_is_polite_gets_into_no_text(self) -> None:
        for tail in ("please", "thank you", "for me", "would you", "if you don't mind"):
            said = after(LETTER, f"replace brass lamp with old lantern {tail}")
            self.assertIn("Please bring the old lantern.", said)

    def test_a_selection_is_spared_what_may_be_meant_for_the_desk(self) -> None:
        for said in ("the other one", "hang on a minute", "stretch it further", "bold it twice",
                     "what can i do with this", "not that one", "paste over it",
                     "which one is it"):  # fmt: skip
            desk = Desk(LETTER)
            desk.hears("select brass lamp", said)
            self.assertIn("brass lamp", desk.text.replace("**", ""), said)
        self.assertIn("the old lantern.", after(LETTER, "select brass lamp", "old lantern"))
        spared = Desk(LETTER)
        spared.hears("select brass lamp", "the other one", "take it anyway")
        self.assertIn("Please bring the other one.", spared.text)

    def test_a_look_is_taken_off_and_never_the_text(self) -> None:
        listed = "Bring these:\n\n- rope\n- oil"
        for said in ("remove the bullets", "no bullets please", "get rid of the bullet points"):
            self.assertEqual(after(listed, said), "Bring these:\n\nrope\n\noil", said)

    def test_a_word_takes_no_sentences_place_unasked(self) -> None:
        desk = Desk(LETTER)
        desk.hears("change the last sentence to supper")
        self.assertIn("Please bring the brass lamp.", desk.text)
        self.assertIsNotNone(desk.sitting.question)
        desk.hears("yes")
        self.assertTrue(desk.text.endswith("We need two lamps. Supper."), desk.text)

    def test_what_was_meant_mends_the_like_thing(self) -> None:
        for said, meant, becomes in (
            ("hob came on sunday full stop", "i meant saturday", "Hob came on Saturday."),
            ("it took eleven days full stop", "no sorry i meant twelve", "It took 12 days."),
            ("we met by the shed full stop", "i meant the quay", "We met by the quay."),
            ("bring four lamps full stop", "five not four", "Bring five lamps."),
        ):
            self.assertTrue(after(LETTER, said, meant).endswith(becomes), (meant, becomes))

    def test_redo_reaches_what_was_undone_before_new_writing(self) -> None:
        desk = Desk(LETTER)
        desk.hears("bold brass lamp", "undo that", "we sail at dawn full stop")
        desk.hears("redo that")
        self.assertIn("**brass lamp**", desk.text)
        self.assertTrue(desk.text.endswith("We sail at dawn."))
        desk.hears("undo that")
        self.assertNotIn("**", desk.text)
        refused = Desk(LETTER)
        refused.hears("replace brass lamp with torch", "undo that", "delete brass lamp")
        entry = refused.hears("redo that").entry
        assert entry is not None
        self.assertIn("something else was written since", entry.summary)

    def test_items_stay_whole_by_some_of_their_words(self) -> None:
        listed = "- two ropes\n- lamp oil\n- dry bread"
        for said in ("put ropes after dry bread", "move two ropes to the end of the list",
                     "put ropes last"):  # fmt: skip
            self.assertEqual(after(listed, said), "- lamp oil\n- dry bread\n- two ropes", said)

    def test_sentences_stay_sentences_although_their_words_stand_there(self) -> None:
        for said in (
            "before nine put the boat in the water full stop",
            "change the oil to keep the crew happy full stop",
            "we can not read the log full stop",
            "forget it",
            "put the oil on the list for monday full stop",
        ):
            desk = Desk(LETTER)
            desk.hears(said)
            self.assertTrue(desk.text.startswith(LETTER), said)


class NearACommand(unittest.TestCase):
    def test_an_offer_stands_beside_the_text_and_a_number_takes_it(self) -> None:
        desk = Desk(LETTER)
        entry = desk.hears("zap the word brass").entry
        assert entry is not None
        self.assertEqual(entry.read_as, ReadAs.TEXT)
        self.assertTrue(desk.text.endswith("Zap the word brass"))
        assert desk.sitting.question is not None
        self.assertTrue(desk.sitting.question.beside)
        self.assertIn("delete the word brass", [o.label for o in desk.sitting.question.options])
        desk.hears("one")
        self.assertTrue(desk.text.endswith("Please bring the lamp."), desk.text)
        desk.hears("undo that")
        self.assertTrue(desk.text.endswith("Please bring the brass lamp."), desk.text)

    def test_going_on_keeps_the_text(self) -> None:
        desk = Desk(LETTER)
        desk.hears("zap the word brass", "and then came home full stop")
        self.assertTrue(desk.text.endswith("Zap the word brass and then came home."))
        self.assertIsNone(desk.sitting.question)

    def test_what_was_chosen_is_known_from_then_on_and_forgotten_when_asked(self) -> None:
        desk = Desk(LETTER)
        desk.hears("zap the word brass", "one", "zap the word two")
        self.assertIn("We need lamps.", desk.text)
        kept = states.desk_fields(json.loads(json.dumps(states.desk_state(desk.sitting))))
        self.assertEqual(kept["learned"], desk.sitting.learned)
        desk.hears("what have you learned")
        assert desk.sitting.question is not None
        self.assertIn("zap", desk.sitting.question.options[0].label)
        desk.hears("number one")
        self.assertEqual(desk.sitting.learned, ())

    def test_a_question_for_help_is_answered_with_what_can_be_done_here(self) -> None:
        for asked, expected in (
            ("how do i make a list", "list"),
            ("how do i get rid of a heading", "heading"),
            ("can i change the colour", "colour"),
            ("how do i change the font", "courier"),
        ):
            desk = Desk(LETTER)
            entry = desk.hears(asked).entry
            assert entry is not None
            self.assertEqual(entry.read_as, ReadAs.COMMAND, asked)
            self.assertEqual(desk.text, LETTER)
            self.assertIn(expected, entry.summary)
        desk = Desk(LETTER)
        desk.hears("how do i get to the island")
        self.assertTrue(desk.text.endswith("How do I get to the island"))

    def test_a_wording_is_learned_with_the_gap_where_the_pages_words_stood(self) -> None:
        new = wording("pop it behind hob".split(), "go after hob".split(), ("hob",))
        self.assertEqual(
            new.taken("pop it behind the boat".split()), ("go", "after", "the", "boat")
        )
        self.assertIsNone(new.taken("pop it behind".split()))
        self.assertIsNone(new.taken("pop it before hob".split()))
        whole = wording(("sesame",), ("undo", "that"), ())
        self.assertEqual(whole, Wording(("sesame",), ("undo", "that")))


WORDS = sorted({w for c in CATALOGUE.commands.values() for w in c.example.split()})


@st.composite
def jumbles(draw: st.DrawFn) -> str:
    """The catalogue's own words, in an order that few commands have."""
    rng = random.Random(draw(st.integers(0, 2**31)))
    words = rng.choice(sorted(c.example for c in CATALOGUE.commands.values())).split()
    words += rng.choices(WORDS, k=rng.randint(0, 4))
    rng.shuffle(words)
    return " ".join(words)


class Jumbled(unittest.TestCase):
    @settings(
        max_examples=TRIED,
        deadline=None,
        derandomize="LANTERN_FUZZ" not in os.environ,
        suppress_health_check=[HealthCheck.too_slow],
    )
    @example(from_markdown("The crew met on Monday."), "change the one to ferry note ask company")
    @example(
        from_markdown("| a | b |\n| --- | --- |\n| c | d |\n\nEnd."), "text table the turn into"
    )
    @example(from_markdown("| a | b |\n| --- | --- |\n| c | d |\n\nEnd."), "the table delete")
    @example(from_markdown("| a | b |\n| --- | --- |\n| c | d |\n\nEnd."), "two row one delete")
    @example(from_markdown("Hob met."), "line is not that it today's")
    @given(st.one_of(documents, st.just(from_markdown(LETTER))), jumbles())
    def test_no_jumble_that_is_no_command_changes_what_stood_there(self, first, said) -> None:  # type: ignore[no-untyped-def]
        sitting = Sitting(document=first, caret=first.end, wrote=first.end)
        outcome = advance(sitting, Heard(from_line(said)))
        entry = outcome.entry
        assert entry is not None
        if outcome.sitting.document == first:
            return
        words = tuple(said.split())
        # What is done with a thing may be said behind its name: "the table delete".
        exact = any(
            exactly(sitting, w[n:] + w[:n], whole=True).parse is not None
            for w in wordings(words)
            for n in range(len(w))
        )
        if entry.read_as in (ReadAs.TEXT, ReadAs.UNCLEAR, ReadAs.IGNORED) or not exact:
            held = [b.text for b in first.blocks]
            now = [b.text for b in outcome.sitting.document.blocks]
            self.assertEqual(now[: len(held) - 1], held[:-1], said)
            # New words come at the end; a space may come before them.
            self.assertTrue(now[len(held) - 1].startswith(held[-1].rstrip()), said)

    def test_what_is_offered_can_be_done(self) -> None:
        desk = Desk(LETTER)
        for said in ("zap the word brass", "shove the pointer behind brass", "make brass lamp fat"):
            for offer in nearest.offers(desk.sitting, said.split()):
                found = exactly(desk.sitting, offer.words, whole=False)
                self.assertIsNotNone(found.parse, offer.words)
