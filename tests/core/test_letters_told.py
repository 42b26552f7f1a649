"""A letter by its parts: greeting, closing, dates, lines left empty, and how paragraphs count."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.composing.redating import redated
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.trail import Trail
from nimble_lantern.core.writing.cardinals import ordinal_in_words
from tests.core.test_at_work import AtWork

LAMP = (
    "14 Harbour Street\n\nPort Sallow\n\n2 November 2026\n\nDear Sir or Madam,\n\nI am writing"
    " about the lamp outside number 12. It has been broken since September.\n\nI rang your office"
    " on 6 October. Nobody came, but a man rang.\n\nPlease mend it soon.\n\nYours faithfully,\n\n"
    "Ida Penrose"
)
TRIP = (
    "# Choir trip\n\nDear singers,\n\nOur trip is on Saturday 8 May. Please wear something warm."
    "\n\nThe café does soup and fish. Tell me before 1 May.\n\nYours,\n\nRuth"
)


class Parts(AtWork):
    def test_the_greeting_in_the_words_people_have_for_it(self) -> None:
        for said in (
            "make it dear miss lund",
            "address it to miss lund",
            "the greeting should be dear miss lund",
            "change the greeting to dear miss lund",
            "begin the letter with dear miss lund instead",
            "it should start dear miss lund",
        ):
            self.has(LAMP, said, "2 November 2026\n\nDear Miss Lund,\n\nI am")

    def test_where_there_is_none_it_goes_below_the_date(self) -> None:
        dated = "9 February 2027\n\nDear Olga,"
        self.has("9 February 2027", "the greeting should be dear olga", dated)
        self.has("# Fair\n\nThank you.", "make the greeting dear olga", "# Fair\n\nDear Olga,\n\nT")

    def test_what_is_no_greeting_is_written(self) -> None:
        self.stays(LAMP, "address it properly", "write to the office about it", "make it dear")

    def test_the_closing(self) -> None:
        for said in (
            "end it with kind regards",
            "it should end kind regards",
            "the closing should be kind regards",
            "close with kind regards",
            "sign off with kind regards",
        ):
            self.has(LAMP, said, "soon.\n\nKind regards,\n\nIda Penrose")
        self.has("", "we are well full stop / end it with love", "We are well.\n\nWith love")
        self.stays(LAMP, "close with the curtains drawn", "it should end with a song")

    def test_whose_letter_it_is(self) -> None:
        self.has(LAMP, "sign it olga", "faithfully,\n\nOlga")
        self.has(LAMP, "sign it as the lamp committee", "faithfully,\n\nThe lamp committee")
        self.has(LAMP, "put dr before my name", "\n\nDr Ida Penrose")
        self.stays(LAMP, "sign it before friday", "sign it in ink", "sign it as soon as you can")

    def test_what_it_is_about(self) -> None:
        self.has(LAMP, "add a subject line broken lamp", "Madam,\n\n**Broken lamp**\n\nI am")
        self.has(LAMP, "put a heading above the letter that says lamps", "# Lamps\n\n14 Harbour")
        self.has(LAMP, "add a title broken lamp", "# Broken lamp\n\n14 Harbour")

    def test_lines_of_their_own(self) -> None:
        self.has(LAMP, "write by hand under the date", "2026\n\nBy hand\n\nDear")
        self.has(LAMP, "put private above the greeting", "2026\n\nPrivate\n\nDear")
        self.has(LAMP, "ps bring a ladder", "Ida Penrose\n\nPS bring a ladder")
        on = "ps bring a ladder full stop / and a lamp full stop"
        self.has(LAMP, on, "Ida Penrose\n\nPS bring a ladder. And a lamp.")
        self.stays(LAMP, "put a blanket under the greeting", "write to us under the new address")

    def test_the_address_is_one_part(self) -> None:
        moved = "2 November 2026\n\n14 Harbour Street\n\nPort Sallow\n\nDear"
        self.has(LAMP, "swap the date and the address", moved)
        self.has(
            LAMP, "copy my address to the bottom", "Penrose\n\n14 Harbour Street\n\nPort Sallow"
        )

    def test_what_is_put_at_an_edge_stays_within_the_letter(self) -> None:
        self.has(LAMP, "add and thank you at the end", "mend it soon. And thank you\n\nYours")
        said = "put i hope you are well at the beginning of the letter"
        self.has(LAMP, said, "Madam,\n\nI hope you are well. I am writing")
        said = "add thank you for your help before yours faithfully"
        self.has(LAMP, said, "soon.\n\nThank you for your help\n\nYours faithfully,")
        self.has(LAMP, "change street to road in the address", "14 Harbour Road\n\nPort")
        self.refused(LAMP, "write the date as numbers")

    def test_what_is_moved_stays_within_the_letter(self) -> None:
        self.has(LAMP, "put the second paragraph first", "Madam,\n\nI rang your office")
        self.has(LAMP, "move the first paragraph to the end", "September.\n\nYours faithfully")
        self.has(LAMP, "move the date to the top", "2 November 2026\n\n14 Harbour Street")


class Empty(AtWork):
    def empty(self, said: str, page: str = LAMP) -> list[int]:
        desk = self.desk(page)
        desk.hears(*said.split(" / "))
        return [b for b, block in enumerate(desk.document.blocks) if not block.text]

    def test_above_below_and_between(self) -> None:
        for said, at in (
            ("leave room for my signature", [8, 9, 10]),
            ("leave three lines above my name", [8, 9, 10]),
            ("put a gap for my signature", [8, 9, 10]),
            ("put two blank lines after the greeting", [4, 5]),
            ("leave a blank line between the address and the date", [2]),
            ("insert an empty line below the date", [3]),
            ("put a blank line between the last two paragraphs", [6]),
        ):
            with self.subTest(said):
                self.assertEqual(self.empty(said), at)

    def test_taken_out_again(self) -> None:
        made = "leave a line above my name / put a blank line after the greeting"
        self.assertEqual(self.empty(f"{made} / take out the blank lines"), [])
        self.assertEqual(self.empty(f"{made} / take out the blank line above my name"), [4])
        self.refused(LAMP, "take out the blank line above my name", "remove the blank lines")

    def test_within_a_paragraph_too(self) -> None:
        said = "skip three lines / goodbye / take out the blank line"
        self.has(TRIP, f"{said}s", "Ruth\\\nGoodbye")
        self.has(TRIP, f"{said}s before goodbye", "Ruth\\\nGoodbye")
        self.has(TRIP, f"{said}s / undo", "Ruth\\\n\\\n\\\n\\\nGoodbye")
        self.refused("We are well.", "leave 500 lines to sign", "leave 500 lines")

    def test_of_a_table_it_is_a_row(self) -> None:
        page = "| Crew | Fee |\n| --- | --- |\n| Otters | 30 |\n| Newts | 20 |\n\nPay."
        self.has(page, "put one more line under otters", "| Otters | 30 |\n|  |  |\n| Newts")

    def test_a_thing_takes_no_part_s_place(self) -> None:
        self.refused(LAMP, "put a note for my signature")
        self.stays(LAMP, "there is a gap between them", "leave room for the piano")


class Counted(AtWork):
    def test_a_letterhead_is_no_paragraph(self) -> None:
        self.has(LAMP, "bold the first paragraph", "**I am writing about")
        self.has(
            LAMP, "delete the last sentence of the second paragraph", "on 6 October.\n\nPlease"
        )
        self.has(LAMP, "bold the last paragraph", "**Please mend it soon.**")
        self.has(LAMP, "bold the second sentence", "**It has been broken since September.**")
        desk = self.desk(LAMP)
        self.assertIn("three paragraphs", desk.hears("how many paragraphs are there").summary)

    def test_a_greeting_is_none_to_write_in(self) -> None:
        warm = "warm. Bring a friend"
        self.has(TRIP, "add bring a friend at the end of the first paragraph", warm)
        self.has(
            TRIP, "delete the last sentence of the first paragraph", "on Saturday 8 May.\n\nThe"
        )
        self.has(
            TRIP, "move tell me before 1 may to the end of the first paragraph", "warm. Tell me"
        )

    def test_it_is_asked_about_before_it_is_deleted_as_one(self) -> None:
        self.refused(TRIP, "delete the first paragraph")
        self.has(TRIP, "delete the first paragraph / two", "Dear singers,\n\nThe café")
        self.has(TRIP, "delete the first paragraph / one", "# Choir trip\n\nOur trip")
        self.has(TRIP, "delete the greeting", "# Choir trip\n\nOur trip")


class Dates(AtWork):
    def test_what_is_not_said_of_a_date_stays(self) -> None:
        for said, date in (
            ("change the date to the ninth of november", "9 November 2026"),
            ("change the date at the top to the ninth", "9 November 2026"),
            ("the date is wrong it should be the fifth", "5 November 2026"),
            ("change the year to twenty twenty seven", "2 November 2027"),
            ("make the date the third of december", "3 December 2026"),
            ("the date should be the tenth / yes", "10 November 2026"),
            ("change the date to today", "14 June 2026"),
            ("put today's date instead of the second of november", "14 June 2026"),
        ):
            self.has(LAMP, said, f"Port Sallow\n\n{date}\n\nDear")

    def test_its_weekday_goes_with_it(self) -> None:
        for said in (
            "make it sunday the ninth",
            "change saturday the eighth to sunday the ninth",
            "change the eighth of may to sunday the ninth",
            "it should be sunday the ninth of may",
        ):
            self.has(TRIP, said, "Our trip is on Sunday 9 May.")
        self.has(TRIP, "change saturday to friday", "on Friday 8 May")
        self.has("We meet on 8 May 2026.", "make it the ninth of june", "meet on 9 June 2026.")
        self.stays(TRIP, "make it sunday or not at all", "the date should be set soon")

    @given(st.integers(1, 28), st.integers(1, 28), st.booleans())
    def test_another_day_changes_only_the_day(self, was: int, day: int, yearly: bool) -> None:
        year = " 2026" if yearly else ""
        said = ("the", *ordinal_in_words(day).replace("-", " ").split())
        self.assertEqual(
            redated(Sitting(), f"Monday {was} May{year}", said), f"Monday {day} May{year}"
        )
        self.assertIsNone(redated(Sitting(), "the pump", said))


class OfAnotherEdition(AtWork):
    def test_a_command_that_is_called_otherwise_now_is_gone_on_from_by_none(self) -> None:
        desk = self.desk(TRIP)
        entry = desk.hears("bold the last sentence")
        old = replace(entry, command="gaps.into_list")
        sitting = replace(desk.sitting, trail=Trail((old,)))
        for said in ("and the first one", "undo that", "more", "not there", "the same for soup"):
            with self.subTest(said):
                after = advance(sitting, Heard(from_line(said)))
                self.assertIsNotNone(after.entry)
