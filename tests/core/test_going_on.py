"""What is said right after something was done: at another place, of another thing, less of it, not
that; and which of several places is meant."""

from __future__ import annotations

from datetime import datetime

from tests.core.test_at_work import AtWork

ROOM = (
    "# The reading room\n\nDear members,\n\n- bring an idea\n- tell us soon\n- wear a coat\n\n"
    "The roof of the reading room leaks. Mr Thwaite looked at it on Friday. The slates are forty"
    " years old.\n\nA new roof costs nine thousand pounds. Please bring a cup, because the kitchen"
    " is shut.\n\nWith kind regards\n\nNora Quill"
)
CHOIR = (
    "# Choir\n\nPresent were Hanna, Olek and Mrs Bright. Olek prints the programme.\n\n"
    "## Concert\n\nOlek asks for chairs.\n\n## Music\n\nWe sing in three parts.\n\n"
    "| What | Who | Pounds |\n|---|---|---|\n| Hall | Olek | 45 |\n| Printing | Olek | 18 |\n"
    "| Flowers | Hanna | 12 |\n\nThe end."
)


class Further(AtWork):
    def test_the_same_at_another_place(self) -> None:
        self.has(ROOM, "put really before forty / and before soon", "tell us really soon")
        self.has(ROOM, "put really before forty / no after it", "are forty really years")
        self.has(ROOM, "put really before forty / no before shut", "kitchen is really shut")
        self.has(
            ROOM,
            "bold roof in the second paragraph / and in the third paragraph",
            "new **roof** costs",
        )

    def test_the_same_of_another_thing(self) -> None:
        self.has(ROOM, "change friday to monday / and forty to fifty", "fifty years")
        self.has(ROOM, "bold the second item / and the third", "- **wear a coat**")
        self.has(ROOM, "capitalise cup / and coat", "wear a Coat")
        self.has(ROOM, "delete the second item / and the third", "- bring an idea\n\nThe roof")
        self.has(ROOM, "delete the last sentence / and the one before it", "old.\n\nWith")

    def test_once_more(self) -> None:
        self.has(ROOM, "move the last item up / one more", "- wear a coat\n- bring an idea")
        self.has(CHOIR, "move the flowers row up / and again", "| Flowers | Hanna | 12 |\n| Hall")
        self.has(ROOM, "make the title bigger / even bigger", "28pt")

    def test_what_was_not_meant_is_taken_back(self) -> None:
        for said in (
            "change friday to monday / no not friday", "bold friday / not that one",
            "bold the title / no not the title", "delete the second item / wrong one",
            "put the third paragraph before the second / no the other way round",
            "give cup a capital / no small",
        ):  # fmt: skip
            with self.subTest(said):
                desk = self.desk(ROOM)
                before = desk.markdown
                desk.hears(*said.split(" / "))
                self.assertEqual(desk.markdown, before)

    def test_what_was_not_meant_mends_no_word(self) -> None:
        for said in (
            "bold years / no not the title", "make friday bold / no not friday",
            "bold roof / and in the title", "put years in capitals / not the whole thing at all",
        ):  # fmt: skip
            with self.subTest(said):
                desk = self.desk(ROOM)
                words = desk.document.text(desk.document.whole).lower()
                desk.hears(*said.split(" / "))
                self.assertIn(words, desk.document.text(desk.document.whole).lower())

    def test_less_of_it(self) -> None:
        self.has(
            ROOM,
            "bold the third paragraph / not all of it just the first sentence",
            "**A new roof costs nine thousand pounds.** Please",
        )
        self.has(
            ROOM, "put coat in capitals / not the whole word just the first letter", "wear a Coat"
        )
        self.has(CHOIR, "bold the hall row / no the flowers row", "| **Flowers** |")
        self.assertIn("| Flowers |", self.after(CHOIR, "delete the printing row / no the hall row"))

    def test_a_selection_grows_and_shrinks(self) -> None:
        for said, wanted in (
            ("select forty years / a bit more", "forty years old"),
            ("select the slates / and the next two words", "The slates are forty"),
            ("select the last sentence / not the last word", "because the kitchen is"),
        ):
            with self.subTest(said):
                desk = self.desk(ROOM)
                desk.hears(*said.split(" / "))
                chosen = desk.sitting.selection
                self.assertIsNotNone(chosen)
                assert chosen is not None
                self.assertIn(wanted, desk.document.text(chosen))

    def after(self, page: str, said: str) -> str:
        desk = self.desk(page)
        desk.hears(*said.split(" / "))
        return desk.markdown


class WhichOfThem(AtWork):
    def bold(self, answer: str) -> list[str]:
        desk = self.desk(CHOIR)
        desk.hears("bold olek", *answer.split(" / "))
        lines = [line for line in desk.markdown.splitlines() if "**" in line]
        return [line[:14] for line in lines]

    def test_by_where_they_stand(self) -> None:
        rows = ["| Hall | **Ole", "| Printing | *"]
        for answer, wanted in (
            ("in the table", rows),
            ("only in the table please", rows),
            ("the one in the hall row", rows[:1]),
            ("all but the ones in the table", ["Present were H", "**Olek** asks "]),
            ("the last two", rows),
            ("the third", ["**Olek** asks "]),
            ("the third and the fourth", ["**Olek** asks ", *rows[:1]]),
            ("one three and five", ["Present were H", "**Olek** asks ", *rows[1:]]),
        ):
            with self.subTest(answer):
                self.assertEqual(self.bold(answer), wanted)

    def test_by_what_stands_beside_them(self) -> None:
        for answer, wanted in (
            ("the one after hanna", ["Present were H"]),
            ("the one that asks", ["**Olek** asks "]),
            ("the one with the forty five", ["| Hall | **Ole"]),
            ("which ones are they / the printing one", ["| Printing | *"]),
            ("not in the table / the one that asks", ["**Olek** asks "]),
        ):
            with self.subTest(answer):
                self.assertEqual(self.bold(answer), wanted)

    def test_none_where_none_stands(self) -> None:
        desk = self.desk(CHOIR)
        desk.hears("bold olek")
        self.assertIn("None of them", desk.hears("the one in the title").summary)
        self.assertIsNotNone(desk.sitting.question)

    def test_the_other_of_two(self) -> None:
        said = "change hanna to anna / the first one / no the other one"
        self.has(CHOIR, said, "| Flowers | Anna |")


class Told(AtWork):
    def test_an_amount_by_the_name_of_its_row(self) -> None:
        for said in ("hall is fifty", "change hall to fifty", "put fifty for the hall"):
            with self.subTest(said):
                self.has(CHOIR, said, "| Hall | Olek | 50 |")
        self.has(CHOIR, "add a row tea olek nine / and cups hanna five", "| Cups | Hanna | 5 |")
        self.stays(CHOIR, "hall is cold")

    def test_rows_are_filled_only_by_what_suits_them(self) -> None:
        desk = self.desk(CHOIR)
        desk.hears("add a row tea olek nine", "and we were happy")
        self.assertNotIn("| We |", desk.markdown)

    def test_sections_stand_beside_sections(self) -> None:
        music = "## Music\n\nWe sing in three parts."
        for said in (
            "put the music part first", "i want the music section ahead of the concert one",
            "the music part should come before the concert one",
        ):  # fmt: skip
            with self.subTest(said):
                desk = self.desk(CHOIR)
                desk.hears(said)
                self.assertLess(desk.markdown.index(music), desk.markdown.index("## Concert"))
                self.assertIn("## Concert\n\nOlek asks", desk.markdown)

    def test_numbers_keep_what_they_count(self) -> None:
        self.has(ROOM, "it's not forty years it's fifty", "slates are fifty years old")
        self.has(ROOM, "forty years should be sixty years", "are sixty years old")
        self.has(ROOM, "change nine thousand to eleven thousand", "eleven thousand pounds")

    def test_the_foot_of_a_letter_is_no_sentence(self) -> None:
        self.has(ROOM, "delete the last sentence", "thousand pounds.\n\nWith")
        self.has(
            ROOM,
            "delete everything after cup in the last sentence of the third paragraph",
            "Please bring a cup.",
        )
        self.has(ROOM, "it was only a small leak", "Nora Quill\n\nIt was only a small leak")
        said = "thank you full stop / love from / will marsh / treasurer / ps see you soon"
        self.has("", said, "Love from\n\nWill Marsh\n\nTreasurer\n\nPS see you soon")

    def test_things_said_one_by_one_are_a_list(self) -> None:
        begun = "milk / bread / two lemons / make those a list"
        self.has("", begun, "- milk\n- bread\n- two lemons")
        said = f"{begun} / add eggs / and cheese / tick bread / that's all / see you"
        self.has("", said, "- milk\n- two lemons\n- eggs\n- cheese\n\nSee you")

    def test_words_said_again_that_only_sounded_right(self) -> None:
        self.has("", "it was standing buy the weir / by the weir", "It was standing by the weir")
        self.has("", "i live buy the sea / b y", "I live by the sea")
        self.has("", "we saw the sea / and the sea", "We saw the sea and the sea")

    def test_the_other_number_of_a_noun(self) -> None:
        self.has(ROOM, "make slates singular", "The slate are forty")
        self.has(ROOM, "make idea plural", "- bring ideas")
        self.has(ROOM, "make coat plural / undo that", "wear a coat")

    def test_a_table_in_few_words_and_who_is_in_it(self) -> None:
        said = (
            "heading boats / a table with boat skipper and crew / lark mina four / wren otto two"
            " / and teal mina three / lark is five / that's it / see you on sunday"
        )
        rows = "| Lark | Mina | 5 |\n| Wren | Otto | 2 |\n| Teal | Mina | 3 |\n\nSee you"
        self.has("", said, rows)
        begun = "make a table with name and lamp and oil"
        self.has("", f"{begun} / mara tarrow / next row / the baker", "| Mara Tarrow |  |  |")
        self.has("", f"{begun} / mara tarrow / next row / nobody yet", "| Nobody yet |")
        self.has("", "a table with legs stood there", "A table with legs stood there")

    def test_accounts_in_few_words(self) -> None:
        said = (
            "title pond / date today / heading money / a table with what and who and pounds"
            " / hose mr orr twenty / boots bella thirty five / and soup bella twelve"
            " / boots is thirty / total at the bottom / that's it / see you there"
        )
        desk = self.desk(now=datetime(2026, 11, 30))
        desk.hears(*said.split(" / "))
        self.assertIn("30 November 2026\n\n## Money", desk.markdown)
        rows = "| Hose | Mr Orr | 20 |\n| Boots | Bella | 30 |\n| Soup | Bella | 12 |"
        self.assertIn(f"{rows}\n| Total |  | 62 |\n\nSee you there", desk.markdown)

    def test_a_letter_is_closed(self) -> None:
        self.has(ROOM, "sign off with yours sincerely", "shut.\n\nYours sincerely\n\nNora")
        said = "we were glad to see you full stop / finish with kind regards / ida marlowe"
        self.has("", said, "you.\n\nKind regards\n\nIda Marlowe")
        self.stays(ROOM, "end with a bang")

    def test_parts_told_by_their_headings(self) -> None:
        plain = CHOIR[: CHOIR.index("| What")].strip()
        music = "## Music\n\nWe sing in three parts.\n\n## Concert\n\nOlek asks for chairs."
        self.has(plain, "swap the concert and music sections", music)
        said = self.desk(CHOIR).hears("read me what we said about the concert")
        self.assertIn("Olek asks for chairs", said.summary)

    def test_paragraphs_with_a_heading_between_them_stay_two(self) -> None:
        page = "Tea at four.\n\n## Cups\n\nBring one."
        desk = self.desk(page)
        self.assertIn("heading stands between", desk.hears("join the two paragraphs").summary)
        self.assertEqual(desk.markdown.strip(), page)
        self.has(page, "delete the last two paragraphs", "## Cups")
        self.has(page, "bold the two paragraphs", "**Tea at four.**\n\n## Cups\n\n**Bring one.**")
        both = "## Cups\n\nTea at four.\n\nBring one."
        self.has(page, "cut the last two paragraphs / go to the end / paste", both)

    def test_a_not_of_the_page_is_no_note(self) -> None:
        page = "Mum was not amused."
        desk = self.desk(page)
        desk.hears("get rid of the note")
        self.assertIn(page, desk.markdown)
