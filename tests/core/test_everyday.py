"""What everyday tasks showed: things by their sort, places to write in, what spares the text."""

from __future__ import annotations

from tests.core.test_near_commands import words
from tests.desk import DeskCase, Driver

LETTER = "# Letter\n\nWe ask £2,450 by 4 June.\n\nRing us."


class Sorts(DeskCase):
    def test_a_price_and_a_date_go_by_their_sort(self) -> None:
        self.assertBecomes(
            "# Letter\n\nWe ask **£2,450** by 4 June.\n\nRing us.",
            LETTER,
            "put the price in bold",
            "bold the sum",
        )
        self.assertBecomes(
            "# Letter\n\nWe ask £2,450 by *4 June*.\n\nRing us.", LETTER, "make the date italic"
        )

    def test_cutting_a_price_takes_none_out(self) -> None:
        self.assertBecomes(f"{LETTER} Cut the price", LETTER, "cut the price")

    def test_of_several_one_is_asked_for(self) -> None:
        desk = Driver("One is £40, two are £75.")
        desk.hears("bold the price")
        assert desk.sitting.question is not None
        self.assertEqual(len(desk.sitting.question.options), 2)
        self.assertEqual(desk.markdown, "One is £40, two are £75.")

    def test_the_word_itself_comes_first(self) -> None:
        self.assertBecomes("The **price** is £40.", "The price is £40.", "bold the word price")


class Beside(DeskCase):
    def test_an_empty_paragraph_after_a_whole_one(self) -> None:
        for said, wanted in (
            ("new paragraph after the heading", "# Letter\n\nToday\n\nWe ask £2,450 by 4 June."),
            ("new paragraph before ring us", "by 4 June.\n\nToday\n\nRing us."),
        ):
            desk = Driver(LETTER)
            desk.hears(said, "today")
            self.assertIn(wanted, desk.markdown)
            desk.hears("undo the last two changes")
            self.assertEqual(desk.markdown, LETTER)

    def test_a_paragraph_beside_a_list_is_none_of_its_items(self) -> None:
        for said, wanted in (
            ("new paragraph after the last item", "- rope\n- oil\n\nToday\n\nDone."),
            ("new paragraph before the first item", "Buy:\n\nToday\n\n- rope\n- oil"),
        ):
            desk = Driver("Buy:\n\n- rope\n- oil\n\nDone.")
            desk.hears(said, "today")
            self.assertIn(wanted, desk.markdown)

    def test_an_item_beside_another(self) -> None:
        page = "- rope\n- lamp oil\n- paint"
        for said in ("new item after lamp oil", "add a bullet before paint"):
            desk = Driver(page)
            desk.hears(said, "brushes")
            self.assertEqual(desk.markdown, "- rope\n- lamp oil\n- brushes\n- paint", said)

    def test_a_row_by_its_heading_and_what_it_says(self) -> None:
        page = "| Week | Boat |\n| --- | --- |\n| 1 | Ida |\n| 2 | Nell |"
        wanted = page.replace("Nell", "Osric")
        self.assertBecomes(
            wanted, page, "in week two put osric under boat", "put osric under boat in week two"
        )


class Screen(DeskCase):
    def test_what_is_wished_and_what_is_complained_of(self) -> None:
        wishes = {
            "make the page larger": True,
            "the page is too small": True,
            "the page is too big": False,
            "the page is larger": None,
        }
        for said, larger in wishes.items():
            desk = Driver("Now.")
            before = int(desk.sitting.settings.text_size)
            desk.hears(said)
            after = int(desk.sitting.settings.text_size)
            self.assertEqual(None if after == before else after > before, larger, said)

    def test_a_list_is_made_of_all_that_is_selected(self) -> None:
        ways = ("numbered list", "numbered list please")
        self.assertBecomes("1. rope\n2. oil", "rope\n\noil", *ways, after=("select everything",))


class Shelf(DeskCase):
    SHELF = {"Open day notice": "The open day is near.", "Rota": "Open on every day."}

    def test_a_document_that_is_named_so_is_opened(self) -> None:
        desk = Driver("Now.", shelf=self.SHELF)
        desk.hears("open the notice about the open day")
        self.assertEqual(desk.sitting.title, "Open day notice")

    def test_number_one_is_the_first_that_was_found(self) -> None:
        desk = Driver("Now.", shelf=self.SHELF)
        desk.hears("find the letter about every day", "open number one")
        self.assertEqual(desk.sitting.title, "Rota")


class Spared(DeskCase):
    PAGE = "Ferry times\n\nThe boat is **late** today. It is small and slow."

    def test_what_speaks_of_looks_is_not_written_over_a_selection(self) -> None:
        for said in (
            "no special formatting anywhere",
            "the blue one instead of that",
            "run the selection further on",
            "hello there",
        ):
            desk = Driver(self.PAGE)
            desk.hears("select everything", said)
            self.assertEqual(words(desk.markdown), words(self.PAGE), said)

    def test_whole_paragraphs_can_be_written_over(self) -> None:
        desk = Driver(self.PAGE)
        desk.hears("select everything", "we sail on every day but sunday")
        self.assertEqual(desk.markdown, "We sail on every day but Sunday")

    def test_what_a_part_is_to_be_is_not_what_it_is_to_say(self) -> None:
        for said in (
            "turn the last sentence into a joke",
            "change the first line to a nice big title",
            "change the last paragraph into shorter lines",
            "turn the first paragraph into two",
        ):
            desk = Driver(self.PAGE)
            desk.hears(said)
            self.assertTrue(desk.markdown.startswith(self.PAGE), (said, desk.markdown))

    def test_what_begins_a_sentence_is_no_name(self) -> None:
        desk = Driver("Whoever keeps it writes. Tell Nell.")
        desk.hears("swap but tell nell")
        self.assertTrue(desk.markdown.endswith("Swap but tell Nell"), desk.markdown)
