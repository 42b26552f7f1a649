"""Requests in whatever order their words come, and what goes on from the last one."""

from __future__ import annotations

import unittest

from nimble_lantern.core.document.tables import settled_shares
from nimble_lantern.core.reading.any_order import in_order
from tests.desk import DeskCase, Driver

PAGE = (
    "# Ferry times\n\nCross only at low tide, never alone. The ferry is late.\n\n"
    "Mind the danger zone by the quay."
)


class Looks(DeskCase):
    def looks(self, said: str, mark: str, words: list[str], page: str = PAGE) -> None:
        desk = Driver(page)
        desk.hears(said)
        self.assertEqual(desk.marked(mark), words, said)

    def test_a_look_comes_before_or_behind_what_it_is_for(self) -> None:
        for said in (
            "yellow highlighter over low tide",
            "low tide with the yellow highlighter please",
            "run the highlighter over low tide",
        ):
            self.looks(said, "highlight", ["low tide"])
        self.looks("danger zone in red letters", "colour", ["danger zone"])
        self.looks("heavy type for danger zone", "bold", ["danger zone"])

    def test_several_looks_are_put_on_at_once(self) -> None:
        for said in ("put low tide in bold with an underline", "low tide bold plus underlined"):
            for mark in ("bold", "underline"):
                self.looks(said, mark, ["low tide"])

    def test_a_look_goes_wherever_the_words_stand(self) -> None:
        page = "Our trust owns it. The trust pays."
        wanted = "Our Trust owns it. The Trust pays."
        self.assertBecomes(wanted, page, "trust always with a capital")

    def test_a_look_is_taken_off(self) -> None:
        self.looks("i don't want low tide in bold", "bold", [], "The **low tide** is early.")

    def test_everything_is_made_plain(self) -> None:
        self.assertBecomes(
            "The tide is early.", "The **tide** is *early*.", "plain text throughout"
        )

    def test_a_thing_with_a_colour_is_a_thing(self) -> None:
        for said in ("the ferry in red", "a red ferry", "give the ferry a red colour"):
            desk = Driver(PAGE)
            desk.hears(said)
            self.assertEqual(desk.marked("colour"), [], said)
            self.assertIn(said.split()[-1], desk.markdown.split("\n\n")[-1], said)

    def test_a_list_of_things_is_another_list(self) -> None:
        desk = Driver("We had twelve helpers.")
        desk.hears("make a list of helpers and send it")
        self.assertEqual(desk.document.blocks[0].kind, "paragraph")

    def test_a_part_goes_by_whatever_words(self) -> None:
        ways = ("the last item can come off", "the last item isn't needed please")
        self.assertBecomes("- rope\n- oil", "- rope\n- oil\n- paint", *ways)

    def test_all_places_go_only_where_it_is_said_outright(self) -> None:
        desk = Driver("A lamp is lit, the lamp too.")
        desk.hears("every lamp out")
        self.assertTrue(desk.markdown.startswith("A lamp is lit"), desk.markdown)
        desk.hears("scratch that", "every lamp delete it")
        self.assertNotIn("lamp", desk.markdown)

    def test_words_that_say_several_things_cost_no_time(self) -> None:
        self.assertEqual(list(in_order(["off"] * 15 + ["ferry"])), [])

    def test_a_wish_for_a_part_says_nothing_of_where_it_goes(self) -> None:
        desk = Driver("- rope\n- oil\n- paint")
        desk.hears("i want the last item")
        self.assertTrue(desk.markdown.startswith("- rope\n- oil\n- paint"), desk.markdown)

    def test_a_part_is_moved_to_an_edge(self) -> None:
        page, wanted = "- rope\n- oil\n- paint", "- paint\n- rope\n- oil"
        self.assertBecomes(wanted, page, "make the last item the first")

    def test_words_that_say_nothing_known_make_it_no_request(self) -> None:
        for said in ("the red lamp by the door is bold", "yellow oilskins for the crew", "go on"):
            self.assertEqual(list(in_order(said.split())), [], said)


class GoingOn(DeskCase):
    def selects(self, wanted: str, *said: str, page: str = PAGE) -> None:
        desk = Driver(page)
        desk.hears(*said)
        held = desk.sitting.selection
        self.assertIsNotNone(held, said)
        assert held is not None
        self.assertEqual(desk.document.text(held), wanted, said)

    def test_a_selection_goes_on(self) -> None:
        self.selects("low tide, never alone", "select low tide", "and two more words")
        self.selects("ferry is late.", "select ferry is", "as far as the end of the sentence")
        self.selects("low tide, never alone. The ferry is late.", "select low tide",
                     "carry it on to the end of the paragraph")  # fmt: skip

    def test_going_elsewhere_lets_go_of_it(self) -> None:
        desk = Driver(PAGE)
        desk.hears("select low tide", "go to the end of the document")
        self.assertEqual(desk.sitting.caret, desk.document.end)
        desk.hears("select low tide", "copy that", "to the end of the paragraph")
        self.assertIsNone(desk.sitting.selection)

    def test_so_many_words_are_selected_from_here(self) -> None:
        self.selects("Cross only", "go before cross only", "select two words")
        self.selects("only at", "go after only at", "select two words back")
        self.selects("by the quay", "select three words")

    def test_what_was_just_taken_away_comes_back(self) -> None:
        ways = ("put it back please", "bring the sentence back", "restore what i deleted")
        gone = ("delete the second sentence", "go to the start")
        self.assertBecomes(PAGE, PAGE, *ways, after=gone)

    def test_put_it_back_is_a_sentence_where_nothing_was_taken(self) -> None:
        desk = Driver(PAGE)
        desk.hears("please put it back when you are done")
        self.assertIn("put it back", desk.markdown)

    def test_what_was_copied_is_put_where_one_says(self) -> None:
        desk = Driver("The bell hangs by a door. The brass is bright.")
        desk.hears("copy brass", "before door", "put it there")
        self.assertIn("a brass door", desk.markdown)

    def test_before_and_put_it_there_are_words_of_a_letter(self) -> None:
        desk = Driver("The bell hangs by a door.")
        desk.hears("before door", "put it there")
        self.assertIn("efore door put it there", desk.markdown)

    def test_a_selection_should_be_other_words(self) -> None:
        desk = Driver(PAGE)
        desk.hears("select low tide", "should be the last of the ebb")
        self.assertIn("only at the last of the ebb, never", desk.markdown)

    def test_what_was_just_set_is_set_otherwise(self) -> None:
        desk = Driver("One.\n\nTwo.")
        desk.hears("centre the first paragraph", "no left")
        self.assertEqual([b.align for b in desk.document.blocks], ["left", "left"])

    def test_next_alone_begins_an_item_and_is_a_word_elsewhere(self) -> None:
        desk = Driver("")
        desk.hears("numbered list please", "saturday", "next", "sunday")
        self.assertEqual(desk.markdown, "1. Saturday\n2. Sunday")
        desk = Driver("The boat comes")
        desk.hears("next")
        self.assertEqual(desk.markdown, "The boat comes next")


class Instead(DeskCase):
    def test_a_statement_is_written_and_the_replacement_offered(self) -> None:
        for said in ("visitors should be guests", "guests instead of visitors"):
            desk = Driver("Mind the step. Visitors must hold the rail.")
            desk.hears(said)
            self.assertIn("isitors", desk.markdown.split(". ")[-1], said)
            desk.hears("one")
            self.assertEqual(desk.markdown, "Mind the step. Guests must hold the rail.", said)

    def test_words_named_one_after_the_other(self) -> None:
        desk = Driver("Visitors must hold the rail.")
        desk.hears("replace visitors guests")
        self.assertEqual(desk.markdown, "Guests must hold the rail.")
        desk = Driver("The stair is steep.")
        desk.hears("replace is another")
        self.assertTrue(desk.markdown.startswith("The stair is steep."), desk.markdown)

    def test_whose_word_it_is(self) -> None:
        desk = Driver("Tea is free.\n\nDogs stay outside.")
        desk.hears("bold paragraph two's first word")
        self.assertEqual(desk.marked("bold"), ["Dogs"])


class Mending(DeskCase):
    def test_what_sounds_alike_is_put_right_wherever_it_stands(self) -> None:
        desk = Driver("Their going to mend the stare. I hope so.")
        desk.hears("they're going not their going", "stair not stare")
        self.assertEqual(desk.markdown, "They’re going to mend the stair. I hope so.")

    def test_the_one_price_here_is_put_right(self) -> None:
        page, wanted = "We meet on 4 June. The cost is £40.", "We meet on 4 June. The cost is £45."
        ways = ("the cost should be forty five pounds", "make it forty five pounds")
        self.assertBecomes(wanted, page, *ways, after=("go to the end",))
        self.assertBecomes(wanted, page, "change the price to forty five pounds")

    def test_a_wish_for_another_price_is_a_sentence(self) -> None:
        desk = Driver("The cost is £40.")
        desk.hears("the cost should be forty five pounds")
        self.assertEqual(desk.markdown, "The cost is £40. The cost should be £45")

    def test_a_date_is_no_price(self) -> None:
        desk = Driver("We meet on 4 June.")
        desk.hears("go to the end", "make it forty five pounds")
        self.assertIn("We meet on 4 June.", desk.markdown)

    def test_an_answer_says_again_what_was_asked(self) -> None:
        page = "Blue paint is here. Buy blue paint."
        wanted = "Blue paint is here. Buy **blue paint**."
        ways = ("put the second one in bold", "not the first the second", "i mean two")
        self.assertBecomes(wanted, page, *ways, after=("bold blue paint",))

    def test_an_answer_that_spares_one_does_nothing_to_it(self) -> None:
        for said in ("leave the second one", "not the second one", "keep the first one"):
            desk = Driver("The slow ferry is full. The slow boat is not.")
            desk.hears("delete the word slow", said)
            self.assertIn("slow boat", desk.markdown, said)
            self.assertIn("slow ferry", desk.markdown, said)

    def test_words_that_stand_there_are_moved_and_not_written_twice(self) -> None:
        desk = Driver("The bell hangs by a door. It is brass.")
        desk.hears("brass should go before door")
        self.assertEqual(desk.markdown.count("brass"), 1)

    def test_no_words_take_the_place_of_a_table(self) -> None:
        page = "Rota\n\n| Name | Boat |\n| --- | --- |\n| Ida | 12 |"
        desk = Driver(page)
        desk.hears("replace the table with hello there")
        self.assertEqual(desk.markdown, page)


class AsWritten(DeskCase):
    """Words that stand on the page are no courtesy, and not said twice by mistake."""

    def test_no_entry_keeps_its_no(self) -> None:
        page, wanted = "The sign says no entry here.", "The sign says NO ENTRY here."
        self.assertBecomes(wanted, page, "no entry in capital letters", "no entry in capitals")

    def test_with_said_twice_names_the_word(self) -> None:
        page = "Come with boots and a spare torch please."
        self.assertBecomes(
            "Come please.", page, "delete starting with with boots up to spare torch"
        )

    def test_what_takes_words_away_is_said_in_a_known_order(self) -> None:
        for said in ("two item delete the", "all capitals set", "out every rope"):
            desk = Driver("- rope\n- oil\n- paint")
            desk.hears(said)
            self.assertTrue(desk.markdown.startswith("- rope\n- oil\n- paint"), said)

    def test_two_numbers_are_two(self) -> None:
        self.assertBecomes(
            "Between 2,000 and 2005", "", "between two thousand and two thousand and five"
        )


class Cells(DeskCase):
    PAGE = (
        "The rota.\n\n| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n"
        "| Nell | 10 | 3 |"
    )

    def test_a_cell_is_named_by_its_row_and_its_column(self) -> None:
        ways = (
            "nell under kitchen is eleven",
            "in nell's row under kitchen put eleven",
            "replace what nell has in the kitchen column with eleven",
        )
        self.assertBecomes(self.PAGE.replace("| 10 |", "| 11 |"), self.PAGE, *ways)

    def test_it_is_gone_to(self) -> None:
        for said in ("nell's row kitchen column", "put me in the cell where nell and kitchen meet"):
            desk = Driver(self.PAGE)
            desk.hears(said, "comma", "or so")
            self.assertIn("| 10, or so |", desk.markdown, said)

    def test_a_row_goes_by_its_name(self) -> None:
        ways = ("take nell off the table", "nell has left delete her row")
        self.assertBecomes(self.PAGE.replace("\n| Nell | 10 | 3 |", ""), self.PAGE, *ways)


class Shares(unittest.TestCase):
    def test_they_add_up_to_one_and_stay_as_they_are(self) -> None:
        for widths in ([1, 1, 1], [2, 1], [7, 3, 5, 1], [1000, 1, 1], [0.3334, 0.3333, 0.3333]):
            shares = settled_shares(widths)
            self.assertAlmostEqual(sum(shares), 1, places=9)
            self.assertEqual(settled_shares(shares), shares)
            twips = [round(9026 * s) for s in shares]
            self.assertEqual(settled_shares(twips), shares, widths)
