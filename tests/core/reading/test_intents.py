"""What a wording that no pattern fits may ask for, by the wordings that are known."""

from __future__ import annotations

import hashlib
import unittest
from pathlib import Path

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.effects import Say
from nimble_lantern.core.reading import intents
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.slots import KINDS, fillers
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from tests.corpus.any_order import near_them
from tests.desk import DeskCase, Driver, said
from tools.learn_wordings import SOURCES, request_of

PICNIC = (
    "# Picnic\n\nWe leave at nine. Bring a blanket and a kite. The river is high.\n\n"
    "| Dish | Cook | Plates |\n| --- | --- | --- |\n| Pie | Wren | 14 |\n| Soup | Tom | 9 |\n\n"
    "The bus waits at the inn. Pay the driver."
)


class Fillers(unittest.TestCase):
    def named(self, line: str, kind: str) -> set[str]:
        sitting = Driver(PICNIC).sitting
        return {" ".join(f.words) for f in fillers(sitting, said(line)) if f.kind == kind}

    def test_parts_rows_columns_numbers_and_colours_are_found(self) -> None:
        line = "the soup line has nine plates and the last sentence is red"
        self.assertIn("the soup row", self.named(line, "row"))
        self.assertIn("the plates column", self.named(line, "column"))
        self.assertIn("the last sentence", self.named(line, "part"))
        self.assertEqual(self.named(line, "number"), {"nine"})
        self.assertEqual(self.named(line, "colour"), {"red"})

    def test_names_are_known_of_what_has_one(self) -> None:
        desk = Driver(PICNIC)
        for line in ("call this version dawn", "keep the last sentence as fare"):
            desk.hears(line)
        found = fillers(desk.sitting, said("fare was fine at dawn"))
        kinds = {f.kind: f.words for f in found if f.kind in ("version", "passage")}
        self.assertEqual(kinds, {"version": ("dawn",), "passage": ("fare",)})

    def test_no_little_word_and_no_verb_names_a_part(self) -> None:
        parts = self.named("make the blanket will be before it", "part")
        self.assertIn("the blanket", parts)
        self.assertFalse(parts & {"will", "be", "before", "it", "make", "make the blanket"})


class Tokens(unittest.TestCase):
    def test_what_may_as_well_be_another_is_left_open(self) -> None:
        sitting = Driver(PICNIC).sitting
        told = intents.tokens(sitting, said("make the third kite's blanket blue please"))
        self.assertEqual(told, ("make", "the", "N", "X", "X", "C", "please"))

    def test_an_unknown_word_stands_for_a_known_one_of_its_meaning(self) -> None:
        self.assertNotIn("plonk", intents.known().tokens)
        self.assertIn(intents.known().meant(("plonk",))[0], ("put", "insert", "add"))
        self.assertEqual(intents.known().meant(("blanket",)), ("blanket",))


class Known(unittest.TestCase):
    def test_every_request_is_of_a_command_and_names_what_can_be_found(self) -> None:
        for request in intents.known().requests:
            self.assertIn(request.command, CATALOGUE.commands)
            for part in request.wording.split():
                if part.startswith("{"):
                    self.assertIn(part.strip("{}"), (*KINDS, "new"), request.wording)

    def test_a_plain_wording_is_left_open_where_it_names_something(self) -> None:
        sitting = Driver(PICNIC).sitting
        for plain, request in (
            ("delete the soup row", "delete {row}"),
            ("make the last sentence bold", "make {part} bold"),
            ("replace blanket with two rugs", "replace {part} with {new}"),
            ("move the cook column before the plates column", "move {column} before {column}"),
        ):
            found = request_of(sitting, plain)
            assert found is not None
            self.assertEqual(found.request, request)
        self.assertIsNone(request_of(sitting, "the river is high"))

    def test_what_ships_is_what_the_corpora_say(self) -> None:
        """Else: `python -m tools.learn_wordings`."""
        digest = hashlib.sha256(b"".join(path.read_bytes() for path in SOURCES)).hexdigest()
        shipped = Path(intents.__file__).parents[1] / "lexicon" / "wordings.txt"
        self.assertIn(digest[:16], shipped.read_text(encoding="utf-8").splitlines()[1])


class AsItComes(DeskCase):
    def offered(self, line: str, *before: str) -> list[str]:
        desk = self.desk(PICNIC)
        for earlier in before:
            desk.hears(earlier)
        page = desk.markdown
        entry = desk.hears(line)
        self.assertEqual(entry.read_as, "text", line)
        self.assertGreater(len(desk.markdown), len(page))  # nothing is done unasked
        return self.labels()

    def labels(self) -> list[str]:
        """What is offered by number."""
        question = self.driver.sitting.question
        return [option.label for option in question.options] if question else []

    def take(self, wanted: str) -> None:
        """Say the number of what is offered."""
        self.driver.hears(("one", "two", "three")[self.labels().index(wanted)])

    def test_what_is_likely_is_offered_and_done_in_the_place_of_the_text(self) -> None:
        for line, likely in (
            ("tom cannot come so his soup has to go from the table", "delete the soup row"),
            ("nobody wants to know the cook so that column isn't needed", "delete the cook column"),
        ):
            self.assertIn(likely, self.offered(line), line)
            desk = self.driver
            self.take(likely)
            other = Driver(PICNIC)
            other.hears(likely)
            self.assertEqual(desk.markdown, other.markdown, line)
            desk.hears("undo that")
            self.assertEqual(desk.markdown, Driver(PICNIC).markdown, line)

    def test_what_was_taken_is_known_from_then_on_with_another_name(self) -> None:
        desk = self.desk(PICNIC)
        desk.hears("kite is not wanted here so be rid of it")
        self.take("delete kite")
        self.assertNotIn("kite", desk.markdown)
        desk.hears("blanket is not wanted here so be rid of it")
        self.assertNotIn("blanket", desk.markdown)

    def test_what_only_shows_is_done_at_once_and_told(self) -> None:
        desk = self.desk(PICNIC)
        entry = desk.hears("i need to know how many words i have got")
        self.assertEqual(entry.read_as, "command")
        self.assertIn("words", entry.summary)

    def test_what_was_surely_asked_and_is_not_known_can_be_taken_out_again(self) -> None:
        desk = self.desk(PICNIC)
        page = desk.markdown
        entry = desk.hears("take me to where the letter begins")
        self.assertEqual(entry.read_as, "text")
        self.assertIn("that was a command", entry.summary)
        desk.hears("that was a command")
        self.assertEqual(desk.markdown, page)
        entry = desk.hears("take me right up to where the letter begins")
        self.assertEqual((entry.read_as, desk.markdown), ("unclear", page))
        desk.hears("that was text")
        self.assertIn("where the letter begins", desk.markdown)
        self.assertNotIn("command", desk.hears("the river was higher in spring").summary)

    def test_that_it_was_not_known_is_said_aloud(self) -> None:
        for line, told in (
            ("take me to where the letter begins", "that was a command"),
            ("take me right up to where the letter begins", "that was text"),
        ):
            desk = self.desk(PICNIC)
            desk.hears("answers aloud on")
            after = advance(desk.sitting, Heard(from_line(line)))
            said = " ".join(effect.text for effect in after.effects if isinstance(effect, Say))
            self.assertIn(told, said)

    def test_what_was_undone_before_an_offer_is_what_redo_brings_back(self) -> None:
        desk = self.desk(PICNIC)
        desk.hears("delete the last sentence")
        desk.hears("undo that")
        desk.hears("i did want that change after all so put it in again")
        self.take("redo that")
        self.assertNotIn("driver", desk.markdown)

    def test_a_page_that_is_offered_is_gone_to(self) -> None:
        desk = self.desk(PICNIC)
        desk.hears("keep the last sentence as fare")
        desk.hears("call this version dawn")
        desk.hears("delete the soup row")
        entry = desk.hears("which of my versions do i still have then")
        if entry.read_as == "text":
            desk.hears("one")
        self.assertEqual(desk.sitting.view, "versions")

    def test_sentences_of_letters_are_written_and_seldom_offered_anything(self) -> None:
        pages: dict[str, Sitting] = {}
        shown, count = [], 0
        for page, line in near_them("near_the_end.txt"):
            if page not in pages:
                pages[page] = Driver(page).sitting
            after = advance(pages[page], Heard(from_line(line)))
            assert after.entry is not None
            self.assertEqual(after.entry.read_as, "text", line)
            count += 1
            if after.sitting.question is not None or "was a command" in after.entry.summary:
                shown.append(line)
        self.assertLessEqual(len(shown), count / 50, shown)
