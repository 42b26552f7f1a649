"""Commands that a larger model reads once it is told of commands, and when they are done."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.cued import MOST_WORDS, Commands, cue
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.sitting import Heard, Outcome, advance
from nimble_lantern.formats import to_markdown
from tests.desk import DeskCase

PAGE = "The quay is full. The lamp room is dry."
UNSURE = "it was hard to make out"


def heard(
    said: str, cued: dict[str, float] | None, grammar: str = "", fit: float = -9.0, doubt: str = ""
) -> Hearing:
    """What two engines made of a sound, the larger one's words in the place of the other's."""
    return replace(
        from_line(said, source="model"),
        evidence=from_line(grammar or said).hypotheses[0],
        commands=from_line(grammar).hypotheses if grammar else (),
        fits=(fit,) if grammar else (),
        margin=2.0,
        doubt=doubt,
        cued=None if cued is None else tuple((tuple(w.split()), f) for w, f in cued.items()),
    )


class Read(DeskCase):
    def setUp(self) -> None:
        self.commands = Commands(self.desk(PAGE).sitting)

    def test_the_cue_has_what_is_in_view_and_what_is_said_to_a_desk(self) -> None:
        told = cue(("The quay is full.", "x" * 900), ("Tarrow",))
        self.assertTrue(told.startswith("The quay is full. xxx"))
        self.assertIn("Tarrow. Undo that.", told)
        self.assertLess(len(told), 1000)

    def test_what_is_a_command_or_long_is_not_heard_again(self) -> None:
        for said, may_be in (
            ("gold the quay", True), ("paced", True), ("bold the quay", False), ("", False),
            (" ".join(["word"] * (MOST_WORDS + 1)), False),
        ):  # fmt: skip
            self.assertIs(self.commands.may_be(said.split()), may_be, said)
        self.assertTrue(self.commands.may_be(("paste",), doubted=True))

    def test_letters_are_not_heard_again(self) -> None:
        desk = self.desk(PAGE)
        desk.hears("spell a word")
        for doubted in (False, True):
            self.assertFalse(Commands(desk.sitting).may_be(("hey",), doubted))

    def test_only_exact_commands_are_kept_and_only_words_that_were_heard_written(self) -> None:
        readings = ("gold the quay", "bold the quay", "insert hold up before the quay")
        heard = [["gold", "the", "key"]]
        found = self.commands.among([r.split() for r in (*readings, *readings)], heard)
        self.assertEqual([" ".join(w) for w in found], ["bold the quay"])
        known = self.commands.among([readings[2].split()], [["hold", "of", "a"], ["up"]])
        self.assertEqual(len(known), 1)


class Decided(DeskCase):
    def came(self, hearing: Hearing) -> Outcome:
        return advance(self.desk(PAGE).sitting, Heard(hearing))

    def read_as(self, hearing: Hearing) -> ReadAs | None:
        entry = self.came(hearing).entry
        return entry.read_as if entry else None

    def test_what_fits_about_as_well_is_done(self) -> None:
        self.assertIs(self.read_as(heard("gold the quay", {"bold the quay": -0.2})), ReadAs.COMMAND)

    def test_what_fits_worse_is_offered_beside_the_words(self) -> None:
        came = self.came(heard("gold the quay", {"bold the quay": -1.0}))
        assert came.entry is not None and came.sitting.question is not None
        self.assertIs(came.entry.read_as, ReadAs.TEXT)
        self.assertTrue(came.sitting.question.beside)

    def test_less_is_asked_where_the_grammar_heard_the_same(self) -> None:
        both = heard("gold the quay", {"bold the quay": -1.0}, "bold the quay")
        self.assertIs(self.read_as(both), ReadAs.COMMAND)

    def test_a_word_that_two_engines_made_out_is_no_short_command(self) -> None:
        both = heard("quebec", {"go back": 3.8})
        self.assertIs(self.read_as(both), ReadAs.TEXT)
        apart = replace(both, evidence=from_line("go bag").hypotheses[0])
        self.assertIs(self.read_as(apart), ReadAs.COMMAND)

    def test_more_is_asked_of_what_takes_words_away(self) -> None:
        said = "believe the quay"
        for fit, read_as in ((0.0, ReadAs.COMMAND), (-0.4, ReadAs.TEXT)):
            self.assertIs(self.read_as(heard(said, {"delete the quay": fit})), read_as)

    def test_what_was_hard_to_make_out_must_be_heard_by_both(self) -> None:
        alone = heard("co bag", {"go back": 2.0}, doubt=UNSURE)
        self.assertIs(self.read_as(alone), ReadAs.UNCLEAR)
        both = heard("co bag", {"go back": 2.0}, "go back", doubt=UNSURE)
        self.assertIs(self.read_as(both), ReadAs.COMMAND)
        longer = heard("the world kay", {"bold the quay": 0.6}, doubt=UNSURE)
        self.assertIs(self.read_as(longer), ReadAs.COMMAND)
        noise = replace(longer, hypotheses=(replace(longer.hypotheses[0], score=-1.5),))
        self.assertIs(self.read_as(noise), ReadAs.UNCLEAR)

    def test_what_it_would_have_read_and_did_not_is_not_believed_of_the_grammar(self) -> None:
        said, grammar = "start the punt", "start the prompter"
        self.assertIs(self.read_as(heard(said, None, grammar, -2.5)), ReadAs.COMMAND)
        self.assertIs(self.read_as(heard(said, {}, grammar, -2.5)), ReadAs.TEXT)

    def test_of_two_commands_that_sound_the_same_the_one_that_writes_nothing_is_meant(self) -> None:
        came = self.came(heard("put the carrot after full", None, "bold the quay"))
        self.assertNotIn("carrot", to_markdown(came.sitting.document))
        assert came.entry is not None
        self.assertEqual(came.entry.command, "moving.after")
        other = self.came(heard("put the parrot after full", None, "bold the quay"))
        self.assertIn("parrot", to_markdown(other.sitting.document))
        written = self.came(from_line("put the carrot after full"))
        self.assertIn("carrot", to_markdown(written.sitting.document))

    def test_noise_is_no_long_command_however_well_it_fits(self) -> None:
        clapped = heard("rota rota", {}, "bold the lamp room", 1.8, doubt=UNSURE)
        speech = replace(clapped.hypotheses[0], score=-0.8)
        self.assertIs(self.read_as(replace(clapped, hypotheses=(speech,))), ReadAs.COMMAND)
        noise = replace(clapped.hypotheses[0], score=-1.3)
        self.assertIs(self.read_as(replace(clapped, hypotheses=(noise,))), ReadAs.UNCLEAR)

    def test_that_was_text_writes_what_was_dictated(self) -> None:
        sitting = self.came(heard("gold the quay", {"bold the quay": -0.2})).sitting
        turned = advance(sitting, Heard(from_line("that was text"))).sitting
        self.assertIn("old the quay", to_markdown(turned.document))
