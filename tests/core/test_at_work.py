"""What people ask for as they write a letter or fill a table, and sentences that sound like it."""

from __future__ import annotations

from datetime import datetime

from tests.desk import DeskCase

FAIR = (
    "# Summer fair\n\nDear friends, the fair is on the second Saturday of July. Doors open at"
    " ten.\n\nWe still need cakes. Mrs Adler will collect them on Friday evening.\n\n- two long"
    " tables\n- a tin for the money\n\nPlease bring a chair. Thank you for your help."
)
CREWS = (
    "Here are the crews.\n\n| name | boat | seat |\n|---|---|---|\n| Ida Marlowe | Tern | bow |\n"
    "| Hester Drew | Gull | cox |\n\nTell me if this is wrong."
)


class AtWork(DeskCase):
    def has(self, page: str, said: str, *lines: str, command: str = "") -> None:
        """Utterances parted by " / " leave these lines in the document."""
        with self.subTest(said):
            desk = self.desk(page, now=datetime(2026, 6, 14, 10, 30))
            entry = desk.hears(*said.split(" / "))
            if command:
                self.assertEqual(entry.command, command)
            for line in lines:
                self.assertIn(line, desk.markdown)

    def stays(self, page: str, *said: str) -> None:
        """Utterances are written, and nothing else of the page changes."""
        for words in said:
            with self.subTest(words):
                desk = self.desk(page)
                before = desk.markdown.strip()
                self.assertRead("text", desk.hears(words))
                self.assertIn(before, desk.markdown)

    def refused(self, page: str, *said: str) -> None:
        for words in said:
            with self.subTest(words):
                desk = self.desk(page)
                before = desk.markdown
                desk.hears(words)
                self.assertEqual(desk.markdown, before)


class Replacing(AtWork):
    def test_the_part_at_the_end_is_where_the_old_words_are(self) -> None:
        for tail in ("in the second paragraph", "but only in the second paragraph"):
            self.has(FAIR, f"change friday to sunday {tail}", "collect them on Sunday evening.")
        self.has(FAIR, "change fair to fete in the title", "# Summer fete", "the fair is on")
        self.has(FAIR, "replace fair with fete everywhere in the first paragraph", "the fete is on")

    def test_words_that_are_not_in_that_part_stay(self) -> None:
        self.refused(
            FAIR,
            "replace friday with sunday in the first paragraph",
            "replace ten with nine in the second paragraph only",
        )

    def test_a_whole_sentence_may_end_in_a_part(self) -> None:
        self.has(FAIR, "replace the last sentence with see the note in the list", "the note in the")

    def test_said_at_the_end_it_is_put_there(self) -> None:
        self.has(FAIR, "the first item should say by friday at the end", "- two long tables by Fri")
        self.has(FAIR, "the first item should read small at the beginning", "- small two long tab")


class Headings(AtWork):
    def test_with_their_words(self) -> None:
        for said in (
            "add a heading above the second paragraph saying what we need",
            "put the heading what we need over the second paragraph",
            "the second paragraph needs a heading called what we need",
            "above the second paragraph put a heading saying what we need",
        ):
            self.has(FAIR, said, "ten.\n\n## What we need\n\nWe still", command="titled.add")
        self.has(
            FAIR, "put a heading saying cakes above the second paragraph", "# Cakes\n\nWe still"
        )
        self.has(CREWS, "put a heading june above the table", "# June\n\n| name")
        self.has(FAIR, "put a subheading called lost things at the end", "help.\n\n## Lost things")

    def test_one_that_is_begun_is_where_the_next_words_go(self) -> None:
        self.has(FAIR, "the list needs a heading / bring these", "# Bring these\n\n- two long")
        self.has(FAIR, "there should be a heading above the list / bring these", "# Bring these")

    def test_on_an_empty_page(self) -> None:
        for said in ("make the title our rota", "title our rota", "put in a heading our rota"):
            self.has("", f"{said} / new paragraph / we met", "# Our rota\n\nWe met")
        self.has("", "title case stair repair appeal", "Stair Repair Appeal")
        self.has("", "heading two water", "## Water")

    def test_other_sentences(self) -> None:
        self.has("", "heading home at last", "Heading home at last")
        self.has("", "heading spring rota", "# Spring rota")
        self.stays(FAIR, "the title is summer fair", "title our rota", "we need a heading dog")


class Dates(AtWork):
    def test_where_they_are_asked_for(self) -> None:
        under = "# Summer fair\n\n14 June 2026\n\nDear friends"
        self.has(FAIR, "put today's date under the title", under)
        self.has(FAIR, "today's date goes under the heading", under)
        self.has(FAIR, "date the letter at the top", "14 June 2026\n\n# Summer fair")
        self.has("", "date it / new paragraph / dear ida", "14 June 2026\n\nDear Ida")

    def test_words_are_words(self) -> None:
        self.has(FAIR, "put the date before friday", "on the date Friday evening")


class Rows(AtWork):
    def test_they_are_filled_in_one_breath(self) -> None:
        for said in (
            "add a row olive pell comma gull comma stroke",
            "add another row with olive pell and gull and stroke",
            "go to cox / new row olive pell gull stroke",
            "put olive pell with gull and stroke in the table",
        ):
            self.has(CREWS, said, "| Gull | stroke |", command="grid.fill_row")
        self.has(CREWS, "add a row at the top with gus tern cox", "| Gus | Tern | cox |\n| Ida")
        made = (
            "make a table with columns for name boat and seat / new row ida tern bow / next box x"
        )
        self.has("", made, "| Ida | Tern | Bow |\n| X |")

    def test_what_is_not_clear_is_asked(self) -> None:
        self.refused(CREWS, "add a row with a view of the old sea wall")

    def test_many_words_and_columns_are_asked_about(self) -> None:
        """Shared out one way after another, these would take for ever."""
        wide = "|" + " a |" * 14 + "\n" + "|---" * 14 + "|\n" + ("|" + " b |" * 14 + "\n") * 9
        self.refused(wide, "add a row with " + "one two three four five six seven eight " * 4)

    def test_the_next_cell_with_its_words(self) -> None:
        self.has(CREWS, "go to cox / the sum is in the next column", "is in the next column")
        self.has(CREWS, "go to ida marlowe / heron in the next cell", "| Ida Marlowe | Heron | bow")

    def test_sentences(self) -> None:
        self.stays(
            CREWS,
            "another row of houses stood there",
            "a row with ida was what we had",
        )

    def test_names_alone_in_a_cell_or_item(self) -> None:
        self.has("", "start a list / tom pell / next item / rose bushes", "- Tom Pell\n- Rose bus")


class Regrets(AtWork):
    def test_what_a_command_took_away_comes_back(self) -> None:
        for said in ("oh no i need that", "actually keep it", "i still need that sentence"):
            self.has(FAIR, f"delete the last sentence / {said}", "Thank you for your help.")
        self.has(CREWS, "delete the seat column / no i need the seat column", "| boat | seat |")
        self.has(FAIR, "bold friday / no that was better before", "on Friday evening")

    def test_without_such_a_command_they_are_sentences(self) -> None:
        self.stays(FAIR, "i need that", "keep it", "leave it as it was", "i still need the ladder")
        desk = self.desk(FAIR)
        desk.hears("delete the last sentence", "i still need the ladder")
        self.assertIn("I still need the ladder", desk.markdown)


class Lists(AtWork):
    def test_one_more(self) -> None:
        said = (
            "start a list / a date / next one a van / and the last one a bell / that's it for the"
        )
        self.has("", f"{said} list / see you", "- A date\n- A van\n- A bell\n\nSee you")
        self.has(
            "", "start a list / a boat / the next one is late", "- A boat the next one is late"
        )

    def test_ending_it_before_an_item_keeps_that(self) -> None:
        self.has(FAIR, "go to tables / end list / see you", "- a tin for the money\n\nSee you")


class Counting(AtWork):
    def test_answers(self) -> None:
        for page, said, answer in (
            (FAIR, "how many items are there in the list", "two items"),
            (FAIR, "how often do i say fair", "stands here twice"),
            (CREWS, "how many rows are there", "two rows below the headings"),
            (CREWS, "how many columns does the table have", "three columns"),
        ):
            with self.subTest(said):
                self.assertIn(answer, self.desk(page).hears(said).summary)
        self.stays(FAIR, "how many people are there", "how often do you come")


class SameAgain(AtWork):
    def test_what_was_just_done_is_done_to_something_else(self) -> None:
        for said in ("the same for saturday", "do that to saturday as well", "and saturday too"):
            self.has(FAIR, f"bold friday / {said}", "**Saturday**", "**Friday**")
        self.has(FAIR, "bold friday / and saturday too / and raffle tin too", "And raffle tin too")
        self.has(FAIR, "bold friday / and saturday too / july as well", "**July**")
        self.has(FAIR, "delete friday / the same for saturday", "on the second of July")

    def test_else_it_is_a_sentence(self) -> None:
        self.stays(FAIR, "and saturday too", "the same for saturday")
        self.has(FAIR, "delete friday / and saturday too", "And Saturday too", "second Saturday")
        self.has(FAIR, "bold friday / the dance was fun too", "The dance was fun too")


class Said(AtWork):
    def test_praise_is_no_text(self) -> None:
        for said in ("that's better", "perfect", "that will do nicely"):
            desk = self.desk(FAIR)
            desk.hears("bold friday", said)
            self.assertNotIn(said.split()[-1], desk.markdown.lower())
            desk.hears("that was text")
            self.assertIn(said.split()[-1], desk.markdown.lower())
        self.stays(FAIR, "perfect", "that's better")
        self.has(FAIR, "new paragraph / perfect", "\n\nPerfect")

    def test_a_word_and_its_letters(self) -> None:
        self.has("", "we shared the fare / i said fair f a i r", "We shared the fair")

    def test_marks_that_are_asked_for(self) -> None:
        self.has("", "hello / put a full stop at the end of that", "Hello.")
        self.has(FAIR, "it needs a comma after july doors", "July. Doors, open at ten.")
        self.refused(FAIR, "it needs a comma after friends", "put a full stop after july")

    def test_what_is_plainly_for_the_desk_is_answered(self) -> None:
        said = "leave two inches before the last paragraph"
        self.refused(FAIR, said, "make the list into a sentence")
        self.has(FAIR, f"{said} / that was text", "Leave 2 inches before the last paragraph")
        desk = self.desk(FAIR)
        self.assertRead("unclear", desk.hears(said))

    def test_on_a_line_of_its_own(self) -> None:
        said = "see you there full stop / from all of us / put that on its own line"
        self.has("", said, "See you there.\\\nFrom all of us")
        self.has("", f"{said} / undo", "See you there. From all of us")
        self.refused(FAIR, "the first sentence should be on its own line")

    def test_what_is_not_so_is_offered_to_be_changed(self) -> None:
        for said, offer in (
            ("it's a fete not a raffle", ""),
            ("the fete is in august not july", "replace july with august"),
        ):
            with self.subTest(said):
                desk = self.desk(FAIR)
                desk.hears(said)
                asked = desk.sitting.question
                labels = [option.label for option in asked.options] if asked else []
                self.assertEqual(labels, [offer] if offer else [])


class OnTheList(AtWork):
    def test_an_item_in_everyday_words(self) -> None:
        for said in (
            "pop string on the end of the list",
            "string needs to be on the list as well",
            "the list should have string on it too",
        ):
            self.has(FAIR, said, "- a tin for the money\n- string")
