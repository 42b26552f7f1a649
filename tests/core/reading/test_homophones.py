"""Commands that sound like what was dictated, and sentences that are none."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.homophones import MOST_GUESSES, guesses
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Entry
from nimble_lantern.formats import to_markdown
from tests.desk import DeskCase

PAGE = (
    "# The slip\n\nThe old boat is late. Slipway boards are new.\n\n- soap\n- matches\n- two maps"
)


class Guesses(DeskCase):
    def guessed(self, said: str) -> list[str]:
        found = guesses(self.desk(PAGE).sitting, said.split())
        self.assertLessEqual(len(found), MOST_GUESSES)
        return [" ".join(words) for words in found]

    def test_a_word_that_sounds_alike_is_exchanged(self) -> None:
        for said, meant in (
            ("start slipway with a capitol", "start slipway with a capital"),
            ("mauve matches to the top", "move matches to the top"),
            ("put so upon the list", "put soap on the list"),
            ("hat old just before slipway", "add old just before slipway"),
        ):
            self.assertEqual(self.guessed(said)[:1], [meant])

    def test_what_is_a_command_or_a_sentence_is_left(self) -> None:
        for said in (
            "delete the old boat", "we will see you on sunday", "he came with his patches",
            "the crew went ashore in the afternoon", "the boat is late", "matches", "",
        ):  # fmt: skip
            self.assertEqual(self.guessed(said), [], said)


class Decided(DeskCase):
    """A guess is done where it fits the sound about as well as the words that were dictated."""

    def heard(
        self, said: str, guess: str, fit: float, doubt: str = "", page: str = PAGE
    ) -> tuple[Entry, str]:
        """What came of it, and the page as Markdown."""
        made = replace(from_line(said, source="model"), guesses=((tuple(guess.split()), fit),))
        outcome = advance(self.desk(page).sitting, Heard(replace(made, doubt=doubt)))
        assert outcome.entry is not None
        return outcome.entry, to_markdown(outcome.sitting.document)

    def test_by_its_fit(self) -> None:
        for fit, read_as in ((-0.2, ReadAs.COMMAND), (-2.0, ReadAs.TEXT)):
            said = "start slipway with a capitol"
            entry, _ = self.heard(said, "start slipway with a capital", fit)
            self.assertIs(entry.read_as, read_as)

    def test_what_takes_words_away_must_fit_better(self) -> None:
        for said, guess in (
            ("believe the last item", "delete the last item"),
            ("mauve matches to the top", "move matches to the top"),
        ):
            entry, _ = self.heard(said, guess, -0.55)
            self.assertIs(entry.read_as is ReadAs.COMMAND, guess.startswith("move"), said)

    def test_what_was_hard_to_make_out_must_fit_better_than_the_words(self) -> None:
        for fit, done in ((0.5, True), (0.0, False)):
            doubt = "it was hard to make out"
            entry, page = self.heard("slian told boat", "slant old boat", fit, doubt)
            self.assertIs(entry.read_as is ReadAs.COMMAND, done)
            self.assertEqual("*old boat*" in page, done)

    def test_two_words_that_only_one_engine_made_out_are_none(self) -> None:
        doubt = "it was hard to make out"
        entry, _ = self.heard("co bag", "go back", 2.0, doubt)
        self.assertIs(entry.read_as, ReadAs.UNCLEAR)

    def test_one_that_the_model_read_itself_must_be_nearly_as_likely(self) -> None:
        said = "slap the old boat | slant the old boat"
        for score, fit, done in ((-0.4, -0.1, True), (-0.4, -0.5, False), (-0.1, -0.1, False)):
            first, second = from_line(said, source="model").hypotheses
            made = replace(
                from_line(said, source="model"),
                hypotheses=(replace(first, score=score), second),
                guesses=((second.said, fit),),
            )
            entry = advance(self.desk(PAGE).sitting, Heard(made)).entry
            assert entry is not None
            self.assertIs(entry.read_as is ReadAs.COMMAND, done, (score, fit))

    def test_a_guess_that_is_no_command_any_more_is_none(self) -> None:
        page = "Nothing of it stands here."
        entry, _ = self.heard("delete the old bolt", "delete the old boat", 1.0, page=page)
        self.assertIsNot(entry.read_as, ReadAs.COMMAND)

    def test_that_was_text_writes_what_was_dictated_now_and_the_next_time(self) -> None:
        said, guess = "start slipway with a capitol", "start slipway with a capital"
        made = replace(from_line(said, source="model"), guesses=((tuple(guess.split()), 0.0),))
        sitting = advance(self.desk(PAGE).sitting, Heard(made)).sitting
        turned = advance(sitting, Heard(from_line("that was text"))).sitting
        self.assertTrue(to_markdown(turned.document).endswith(said))
        again = advance(turned, Heard(made))
        assert again.entry is not None
        self.assertIs(again.entry.read_as, ReadAs.TEXT)
        self.assertEqual(to_markdown(again.sitting.document).lower().count("capitol"), 2)
