"""Things of the desk and parts of the page are asked for in any order of words."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.housed import PLAINLY, SAID, SIGNS, Thing
from nimble_lantern.core.reading.addressing import as_wished
from tests.corpus.any_order import in_any_order
from tests.desk import DeskCase, said

HIRE = (
    "# Boat hire\n\n| Boat | Seats | Price | Free |\n| --- | --- | --- | --- |\n"
    "| Gull | 4 | 30 | Monday |\n| Tern | 6 | 45 | Tuesday |\n| Auk | 2 | 18 | Friday |\n\n"
    "Ask Tom for the oars."
)
NOTICE = (
    "# Notice\n\nThe path is closed. Two rails have come loose. Take the inland road.\n\n"
    "- bread\n- lamp oil\n- soap"
)


NAMES = {
    Thing.ROW: "row two", Thing.COLUMN: "the price column", Thing.ROW_NAME: "the tern row",
    Thing.COLUMN_NAME: "the price column", Thing.NOTE: "note one", Thing.PART: "the last sentence",
    Thing.ITEM: "soap", Thing.WORDS: "rails", Thing.RUN: "two rails have come loose",
    Thing.PASSAGE: "sign off", Thing.PLACE: "budget",
    Thing.VERSION: "first draft",
}  # fmt: skip


class Lexicon(DeskCase):
    def test_every_plain_way_is_a_command(self) -> None:
        for thing, ways in PLAINLY.items():
            for signs, plain in ways.items():
                with self.subTest(thing=thing, signs=sorted(signs)):
                    self.assertTrue(CATALOGUE.parses(said(plain.format(NAMES.get(thing, "")))))

    def test_signs_that_are_asked_for_can_be_raised(self) -> None:
        for thing, ways in PLAINLY.items():
            raised = {sign for signs in SAID[thing].values() for sign in signs}
            for signs in ways:
                self.assertLessEqual(signs, raised, thing)

    def test_no_sign_is_left_without_a_use(self) -> None:
        for thing, signs in SIGNS.items():
            used = frozenset().union(*PLAINLY[thing])
            with self.subTest(thing):
                self.assertLessEqual(signs.keys() - used, {"read", "below", "above", "leaving"})


class AnyOrder(DeskCase):
    def test_it_does_what_the_plain_wording_does(self) -> None:
        wordings = list(in_any_order())
        self.assertGreater(len(wordings), 600)
        for wording in wordings[::2]:
            with self.subTest(wording.wording, plain=wording.plain):
                self.assertTrue(wording.holds())

    def test_a_line_of_a_table_is_its_row(self) -> None:
        for line in ("delete the line with tern in it", "tern's line out", "the tern line can go"):
            desk = self.desk(HIRE)
            desk.hears(line)
            self.assertNotIn("Tern", desk.markdown, line)
            self.assertEqual(desk.markdown.count("\n|"), 4, line)

    def test_a_table_that_is_to_be_none_keeps_its_words(self) -> None:
        desk = self.desk(HIRE)
        desk.hears("i don't want this as a table any more")
        self.assertNotIn("|", desk.markdown)
        self.assertIn("Tern", desk.markdown)

    def test_a_wish_for_a_row_writes_no_word(self) -> None:
        for line in ("there should be a row before auk", "i'd like free to come before seats"):
            desk = self.desk(HIRE)
            desk.hears(line)
            self.assertNotIn("Row", desk.markdown)
            self.assertNotIn("to come", desk.markdown)
            self.assertEqual(str(desk.sitting.trail[-1].read_as), "command", line)

    def test_a_cell_moved_before_another_takes_its_row_along(self) -> None:
        desk = self.desk(HIRE)
        desk.hears("move auk before gull")
        self.assertLess(desk.markdown.index("| Auk | 2 |"), desk.markdown.index("| Gull | 4 |"))
        desk.hears("undo that")
        self.assertGreater(desk.markdown.index("| Auk | 2 |"), desk.markdown.index("| Gull | 4 |"))

    def test_headings_that_change_places_take_their_columns_along(self) -> None:
        desk = self.desk(HIRE)
        desk.hears("seats and price the other way round")
        self.assertIn("| Gull | 30 | 4 |", desk.markdown)

    def test_what_a_cell_says_is_put_right_by_its_row(self) -> None:
        for line in ("the tern costs forty not forty five", "tern has forty not forty five"):
            desk = self.desk(HIRE)
            desk.hears(line)
            self.assertIn("| Tern | 6 | 40 |", desk.markdown, line)
        desk = self.desk(HIRE)
        desk.hears("the tern costs forty not fifty")
        self.assertIn("| Tern | 6 | 45 |", desk.markdown)
        self.assertIn("Forty not", desk.markdown.replace("40 not", "Forty not"))

    def test_what_is_not_wanted_is_not_put_there(self) -> None:
        text = "Wipe your boots at the door. The kettle is on the left. Please sit.\n\nTea is free."
        for line, wanted in (
            ("no full stop after left", "on the left Please sit."),
            ("no break before tea", "Please sit. Tea is free."),
            ("put a break before please", "left.\n\nPlease sit."),
            ("a semicolon instead of the full stop after left", "on the left; please sit."),
            ("new paragraph where it says please", "left.\n\nPlease sit."),
        ):
            desk = self.desk(text)
            desk.hears(line)
            self.assertIn(wanted, desk.markdown, line)
            desk.hears("undo that")
            self.assertEqual(desk.markdown.strip(), text, line)

    def test_a_look_is_no_word_and_a_word_that_stands_there_is_not_put_there(self) -> None:
        text = "Cakes are four pounds each. Please take one, please."
        for line in ("please should be capitalised throughout", "drop the each after pounds"):
            desk = self.desk(text)
            desk.hears(line)
            self.assertTrue(desk.markdown.lower().startswith(text.lower()), line)

    def test_nothing_is_taken_away_that_only_comes_near_it(self) -> None:
        for line in (
            "make the last sentence stand out", "put the last sentence off", "no last sentence yet",
            "bring the second paragraph out", "go out of the last paragraph", "get out of row two",
            "take row two out to the right", "the blank in row two", "row two has a blank",
            "what is in row two", "the contents of row two", "clear up the price column",
            "change the table", "convert the table", "no table", "undo the table",
            "the last sentence is off", "cut to the last sentence", "lead me out of row two",
        ):  # fmt: skip
            desk = self.desk(HIRE + " He rows.\n\nThe end.")
            before = desk.markdown.split()
            desk.hears(line)
            left = desk.markdown.replace("**", "").split()
            self.assertTrue(all(left.count(word) >= before.count(word) for word in before), line)

    def test_a_name_alone_asks_only_with_courtesy(self) -> None:
        for line, done in (
            ("my short ending please", True), ("we write the short ending now", False),
            ("we have to go to first draft", False), ("first draft can go", True),
        ):  # fmt: skip
            desk = self.desk(HIRE)
            desk.hears("keep the last paragraph as short ending", "call this version first draft",
                       "go to the end of the document")  # fmt: skip
            heard = desk.hears(line)
            self.assertEqual(str(heard.read_as) == "command", done, line)

    def test_nothing_is_done_where_a_word_says_something_else(self) -> None:
        for text, line in (
            (HIRE, "the price column fell on the tern row"),
            (HIRE, "the tern is out"),
            (HIRE, "the boat needs more paint"),
            (NOTICE, "two rails have come loose is what he said"),
            (NOTICE, "no soap today"),
            (NOTICE, "the last sentence was too long to read"),
        ):
            desk = self.desk(text)
            before = desk.markdown
            heard = desk.hears(line)
            self.assertEqual(str(heard.read_as), "text", line)
            self.assertTrue(all(word in desk.markdown for word in before.split()), line)

    def test_items_and_quoted_words_are_asked_for_so(self) -> None:
        for line, first in (("soap at the head of the list", "soap"), ("soap above bread", "soap")):
            desk = self.desk(NOTICE)
            desk.hears(line)
            self.assertIn(f"- {first}\n- bread", desk.markdown, line)
        desk = self.desk(NOTICE)
        desk.hears("two rails have come loose is not needed")
        self.assertNotIn("rails", desk.markdown)
        desk.hears("undo that")
        self.assertIn("Two rails have come loose.", desk.markdown)


class Wishes(DeskCase):
    def test_a_wish_says_how_something_should_be(self) -> None:
        for line, plain in (
            ("could monday be a blank called day", "monday should be a blank called day"),
            ("i'd like the title to be bold please", "the title should be bold"),
            ("could the first row come last", "the first row should come last"),
        ):
            self.assertIn(said(plain), [p.words for p in as_wished(said(line))])
        found = [p.words for p in as_wished(said("can i see my notes"))]
        self.assertEqual(found, [said("show me my notes")])

    def test_what_somebody_could_be_asked_is_no_wish(self) -> None:
        for line in ("could you be there at ten", "i want to be home by ten", "may the best win"):
            self.assertEqual(as_wished(said(line)), (), line)
