"""What is asked of a page that has steps, quotations, a table: by its parts, and what is there."""

from __future__ import annotations

import unittest

from nimble_lantern.core.targets.sounds import sounds_the_same
from tests.core.test_at_work import AtWork

STEW = (
    "# Fish stew\n\n## What you need\n\n- two onions\n- one leek\n- a pound of white fish\n\n"
    "## What to do\n\n1. Chop the onions and the leek.\n2. Fry them in butter.\n3. Put in the"
    " fish.\n\n## Notes\n\nIda leaves it out."
)
STORY = (
    'Nora climbed the stairs. The lamp was out, and the sea was loud. "Who is there?" she'
    " called.\n\nCaptain Hale took off his hat. He said “Good evening” and put it in his pocket."
)
FAIR = (
    "Here it is.\n\n| Stall | Who | Tables | Takings |\n|---|---|---|---|\n| Cakes | Ida | 3 |"
    " £84.50 |\n| Plants | Femi | 2 | £61.00 |\n| Raffle | Olga | 1 | £112.00 |\n\nThank you all."
)


class OnlyNearlyThere(AtWork):
    def test_it_is_asked_about_before_it_is_lost(self) -> None:
        self.refused(STORY, "take out the stars", "change the stars to a rug")
        self.has(STORY, "take out the stars / yes", "Nora climbed the. The")
        self.has(STORY, "delete captain hail", "Took off his hat.")

    def test_what_takes_nothing_away_is_done(self) -> None:
        self.has(STORY, "bold the stars", "Nora climbed the **stairs**.")


class Sounds(unittest.TestCase):
    def test_words_that_are_said_alike(self) -> None:
        for one, other in (
            ("hail", "hale"), ("rows", "rose"), ("stare", "stair"), ("week", "weak"),
            ("bear", "bare"), ("harber", "harbour"), ("great", "grate"), ("right", "write"),
        ):  # fmt: skip
            self.assertTrue(sounds_the_same(one, other), one)
            self.assertTrue(sounds_the_same(other, one), other)

    def test_words_that_are_not(self) -> None:
        for one, other in (("stars", "stairs"), ("week", "weeks"), ("coral", "carol")):
            self.assertFalse(sounds_the_same(one, other), one)


class Steps(AtWork):
    def test_they_are_those_with_numbers(self) -> None:
        self.has(STEW, "swap step one and step two", "1. Fry them in butter.\n2. Chop")
        self.has(STEW, "delete the last step", "2. Fry them in butter.\n\n## Notes")
        self.has(STEW, "bold every step", "1. **Chop", "2. **Fry", "3. **Put", "- two onions")
        self.has(STEW, "step two should say fry them in oil", "2. Fry them in oil.\n3.")
        self.has(STEW, "swap steps two and three", "2. Put in the fish.\n3. Fry")

    def test_another_one(self) -> None:
        self.has(STEW, "add a step after two taste it", "2. Fry them in butter.\n3. Taste it.\n4.")
        self.has(STEW, "insert a new step two peel them", "leek.\n2. Peel them.\n3. Fry")
        self.has(STEW, "add another step eat it hot", "3. Put in the fish.\n4. Eat it hot.")

    def test_they_are_said_one_by_one(self) -> None:
        said = "numbered list / beat the eggs full stop / it takes a minute full stop"
        said += " / stir in the milk full stop / fry them full stop"
        self.has(
            "", said, "1. Beat the eggs. It takes a minute.\n2. Stir in the milk.\n3. Fry them."
        )
        self.has("", f"{said} / undo", "2. Stir in the milk.")
        said = "bullet list / beat the eggs full stop / stir in the milk full stop"
        self.has("", said, "- Beat the eggs. Stir in the milk.")

    def test_one_that_there_is_not_is_told(self) -> None:
        self.refused(STEW, "step nine should say eat them hot", "swap steps three and four")

    def test_without_numbers_there_are_none(self) -> None:
        self.stays(STORY, "the next step is to ask the board", "add a step to the ladder")
        self.stays(STEW, "take one step at a time", "the first step is the hardest")
        self.stays("Do this.\n\n- mend the net\n- oil the lamp", "add another step into the yard")


class Items(AtWork):
    def test_a_thing_is_the_item_that_names_it(self) -> None:
        self.has(
            STEW, "put the leek above the onions", "- one leek\n- two onions", "1. Chop the on"
        )
        self.has(STEW, "put the fish first", "need\n\n- a pound of white fish\n- two onions")
        self.has(STEW, "move the leek up one", "- one leek\n- two onions")
        self.has(STEW, "add a bay leaf to the list", "- a pound of white fish\n- a bay leaf")

    def test_a_heading_goes_with_what_is_below_it(self) -> None:
        moved = "## Notes\n\nIda leaves it out.\n\n## What to do"
        self.has(STEW, "put the notes before what to do", moved)


class InParts(AtWork):
    def test_words_that_should_be_others_there(self) -> None:
        for said in (
            "in the last sentence pocket should be coat",
            "pocket should be coat in the last paragraph",
        ):
            self.has(STORY, said, "put it in his coat.")
        self.has(STORY, "nora should be called ellen throughout", "Ellen climbed the stairs.")
        self.stays(STORY, "in the first paragraph the sea should be calm")

    def test_the_bit_after_words(self) -> None:
        self.has(STORY, "delete the bit after out", "The lamp was out. ")
        self.has(STORY, "delete everything after out in that sentence", "The lamp was out. ")
        self.has(STORY, "replace the and between out and the sea with but", "out, but the sea")
        self.has(STORY, "bold the captain's sentence", "**Captain Hale took off his hat.**")

    def test_a_sentence_begins_there(self) -> None:
        for said in ("start a new sentence at and the", "make and the sea was loud a new sentence"):
            self.has(STORY, said, "was out. And the sea was loud.")
        self.has(STORY, "put and the sea was loud in brackets", "was out (and the sea was loud).")
        both = "change and the sea to the sea and make it a new sentence"
        self.has(STORY, both, "was out. The sea was loud.")

    def test_quotations(self) -> None:
        self.has(STORY, "italicise every quotation", '"*Who is there?*"', "“*Good evening*”")
        self.has(STORY, "bold the last quotation", "“**Good evening**”", '"Who is there?"')
        self.has(STORY, "change the question mark to an exclamation mark", 'there!" she called')


class Asked(AtWork):
    def told(self, page: str, said: str, *words: str) -> None:
        with self.subTest(said):
            desk = self.desk(page)
            before = desk.markdown
            entry = desk.hears(said)
            self.assertEqual(desk.markdown, before)
            for word in words:
                self.assertIn(word, entry.summary)

    def test_what_stands_beside_words(self) -> None:
        self.told(STORY, "what comes after captain hale", "took off his hat")
        self.told(STEW, "what comes after one leek", "a pound of white fish")
        self.told(STORY, "is there a comma after out", "yes")
        self.told(STORY, "is there a comma after loud", "no such mark")
        self.told(STORY, "how does it end", "put it in his pocket")
        self.told(STORY, "what is another word for loud", "cannot be looked up")
        self.stays(STORY, "what comes after the show", "how does it end in the film")

    def test_what_took_the_most(self) -> None:
        self.told(FAIR, "which stall took the most", "Raffle")
        self.told(FAIR, "who took the least", "Femi")
        self.told(FAIR, "how much did the cakes take", "£84.50")
        self.told(FAIR, "what is the total", "£257.50")
        self.stays(FAIR, "who took the most cake", "how much did the repairs cost")

    def test_totals(self) -> None:
        self.has(FAIR, "put the total at the bottom", "| Total |  |  | £257.50 |")
        self.has(FAIR, "put in the totals", "| Total |  | 6 | £257.50 |")
        self.has(FAIR, "clear femi's takings", "| Plants | Femi | 2 |  |")
        self.has(FAIR, "sort the stalls by name", "| Cakes | Ida | 3 | £84.50 |\n| Plants")

    def test_a_place_without_a_name(self) -> None:
        back = "go to the start / go to the end / back to that spot / now"
        self.has(FAIR, f"remember this spot / {back}", "Thank you all. Now")
        self.has(
            FAIR, "leave a marker here / go to the top / go back to the marker / now", "all. Now"
        )
        desk = self.desk(FAIR)
        desk.hears("remember this spot", "forget the marker")
        self.assertEqual(list(desk.document.anchored("place")), [])
        self.stays(FAIR, "remember this spot by the river", "mark my place with a spoon")

    def test_a_note_is_moved(self) -> None:
        desk = self.desk(STORY)
        desk.hears("note on the last sentence ask marta", "move the note to the first sentence")
        (note,) = desk.document.anchored("note")
        self.assertEqual(desk.document.text(note[1]), "Nora climbed the stairs.")
        desk.hears("undo that")
        (note,) = desk.document.anchored("note")
        self.assertIn("pocket", desk.document.text(note[1]))

    def test_a_passage_is_made_of_words(self) -> None:
        made = "make a passage called invite that says come to blank on blank / insert invite"
        self.has("", f"{made} / tea / next blank / monday", "Come to tea on Monday")
        kept = "keep the last sentence as thanks / go to the top / put thanks here"
        self.has("# Fair\n\nThank you all.", kept, "Thank you all.\n\n# Fair")
        self.stays(STORY, "make a passage of music")
