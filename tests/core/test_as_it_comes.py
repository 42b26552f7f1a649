"""What is said as it comes to mind: wishes, parts of a selection, sentences made one, questions."""

from __future__ import annotations

from tests.desk import DeskCase, Driver

LATE = "We waited an hour. The ferry was late. Ida wrote to the board."


class Wishes(DeskCase):
    """Said of a target how it should be; of a thing of the world it is a sentence."""

    def test_a_look_is_wished_of_a_part(self) -> None:
        desk = Driver("# Rota\n\nIda keeps the lamp.")
        desk.hears("the title should be size thirty six")
        self.assertIn("Rota", desk.marked("size"))
        desk.hears("the last paragraph should be red")
        self.assertEqual(desk.marked("colour"), ["Ida keeps the lamp."])

    def test_a_look_is_not_wished_of_a_door(self) -> None:
        desk = Driver("The door is blue.")
        desk.hears("the door should be red")
        self.assertEqual(desk.marked("colour"), [])
        self.assertIn("door should be red", desk.markdown)

    def test_a_name_of_a_look_never_takes_the_place_of_a_paragraph(self) -> None:
        desk = Driver("Tea at four.\n\nCake at five.")
        desk.hears("the first paragraph should be size eighteen")
        self.assertEqual(desk.marked("size"), ["Tea at four."])
        self.assertEqual([b.text for b in desk.document.blocks], ["Tea at four.", "Cake at five."])

    def test_a_part_that_should_be_other_words_is_asked_about(self) -> None:
        desk = Driver(LATE)
        desk.hears("the last sentence should be nobody came to the quay")
        self.assertEqual(desk.markdown, LATE)
        desk.hears("yes")
        self.assertIn("late. Nobody came to the quay.", desk.markdown)

    def test_no_leaves_it(self) -> None:
        desk = Driver(LATE)
        desk.hears("the last sentence should be nobody came to the quay", "no")
        self.assertEqual(desk.markdown, LATE)

    def test_an_edge_is_where_a_part_goes(self) -> None:
        desk = Driver("One.\n\nTwo.\n\nThree.")
        desk.hears("the last paragraph should be the first one")
        self.assertEqual(desk.markdown, "Three.\n\nOne.\n\nTwo.")


class NotReplaced(DeskCase):
    """What looks like a replacement and may be a range, a likeness or a wish of the letter's."""

    def stays(self, page: str, said: str) -> None:
        desk = Driver(page)
        desk.hears(said)
        self.assertTrue(desk.markdown.startswith(page), desk.markdown)

    def test_ranges(self) -> None:
        self.stays("We open on Monday.", "monday to thursday")
        self.stays("Two boats came.", "two to one")

    def test_words_that_sound_alike(self) -> None:
        self.stays("The bell rang.", "the bell should be pale")
        self.stays("The door shut.", "the door should be dear")

    def test_counted_people(self) -> None:
        self.stays("The two men came.", "the two men should be one")

    def test_what_is_wrong_may_be_put_right_by_sound(self) -> None:
        desk = Driver("They mended the stare.")
        desk.hears("the stare is wrong i meant the stair")
        self.assertEqual(desk.markdown, "They mended the stair.")

    def test_an_again_at_the_end_is_one_of_the_new_words(self) -> None:
        desk = Driver("It was never late.")
        desk.hears("replace never with never again")
        self.assertEqual(desk.markdown, "It was never again late.")

    def test_words_said_and_spelled_are_the_word(self) -> None:
        desk = Driver("They mended the stare.")
        desk.hears("change stare to stair s t a i r")
        self.assertEqual(desk.markdown, "They mended the stair.")


class OneSentence(DeskCase):
    def test_two_are_joined_by_a_word_or_a_mark(self) -> None:
        for said, made in (
            ("with and", "We waited an hour and the ferry was late."),
            ("with a comma", "We waited an hour, the ferry was late."),
            ("using a semicolon", "We waited an hour; the ferry was late."),
            ("with a dash", "We waited an hour – the ferry was late."),
        ):
            with self.subTest(said):
                desk = Driver(LATE)
                desk.hears(f"join the first two sentences {said}")
                self.assertEqual(desk.markdown, f"{made} Ida wrote to the board.")
                desk.hears("undo that")
                self.assertEqual(desk.markdown, LATE)

    def test_a_name_keeps_its_capital(self) -> None:
        desk = Driver("The ferry was late. Ida wrote. We and Ida met.")
        desk.hears("join the first two sentences with and")
        self.assertTrue(desk.markdown.startswith("The ferry was late and Ida wrote."))

    def test_by_what_is_asked_where_nobody_said(self) -> None:
        desk = Driver(LATE)
        desk.hears("the first two sentences should be one")
        assert desk.sitting.question is not None
        self.assertEqual(len(desk.sitting.question.options), 4)
        desk.hears("three")
        self.assertTrue(desk.markdown.startswith("We waited an hour; the ferry"))

    def test_sentences_of_two_paragraphs_join_those(self) -> None:
        desk = Driver("We waited.\n\nIt left.")
        desk.hears("join the last two sentences")
        self.assertEqual(desk.markdown, "We waited. It left.")

    def test_three_are_refused(self) -> None:
        desk = Driver(LATE)
        desk.hears("join the last three sentences with and")
        self.assertEqual(desk.markdown, LATE)


class Counted(DeskCase):
    """ "Delete two words": before the writing place at the end, and asked in the middle."""

    def test_at_the_end_those_before(self) -> None:
        desk = Driver("Bring a torch and warm clothes")
        desk.hears("delete two words")
        self.assertEqual(desk.markdown, "Bring a torch and")

    def test_in_the_middle_it_is_asked(self) -> None:
        for answer, left in (("one", "Bring and warm"), ("two", "Bring a torch")):
            with self.subTest(answer):
                desk = Driver("Bring a torch and warm")
                desk.hears("go after torch", "delete two words", answer)
                self.assertEqual(desk.markdown, left)

    def test_what_is_not_there_is_told(self) -> None:
        desk = Driver("")
        self.assertIn("not so many", desk.hears("delete two words").summary)

    def test_letters_are_no_mail(self) -> None:
        desk = Driver("We sent mail")
        desk.hears("get rid of two letters")
        self.assertTrue(desk.markdown.startswith("We sent mail"))


class PartOfASelection(DeskCase):
    def test_words_are_let_go_of_at_the_end_and_at_the_start(self) -> None:
        for said, left in (
            ("one word less", "[The ferry] was late"),
            ("two words shorter", "[The] ferry was late"),
            ("leave off the last word", "[The ferry] was late"),
            ("without the first word", "The [ferry was] late"),
        ):
            with self.subTest(said):
                desk = Driver("The ferry was late.")
                desk.hears("select the ferry was", said)
                self.assertTrue(desk.page.startswith(left), desk.page)

    def test_nothing_is_left_is_told(self) -> None:
        desk = Driver("The ferry was late.")
        heard = desk.hears("select ferry", "one word less")
        self.assertIn("nothing left", heard.summary)
        self.assertIn("[ferry]", desk.page)

    def test_more_is_taken_in(self) -> None:
        desk = Driver("The ferry was late today.")
        desk.hears("select the ferry", "include the next two words")
        self.assertTrue(desk.page.startswith("[The ferry was late]"), desk.page)

    def test_what_may_be_meant_for_the_selection_is_not_written_over_it(self) -> None:
        desk = Driver("The ferry was late today.")
        desk.hears("select the ferry", "reckon in the next two words")
        self.assertIn("[The ferry]", desk.page)


class Asked(DeskCase):
    """Answers to a question, as people give them."""

    PAGE = "The south gate is white. The north gate is red."

    def answered(self, *said: str) -> list[str]:
        desk = Driver(self.PAGE)
        desk.hears("bold gate", *said)
        return [
            b.text[max(0, s.start - 6) : s.end]
            for b in desk.document.blocks
            for s in b.spans
            if s.mark == "bold"
        ]

    def test_by_the_words_beside_it(self) -> None:
        self.assertEqual(self.answered("the north one"), ["north gate"])

    def test_all_of_them(self) -> None:
        for said in ("the lot", "every one of them", "them both", "all two of them"):
            with self.subTest(said):
                self.assertEqual(len(self.answered(said)), 2)

    def test_none_of_them(self) -> None:
        for said in ("forget it", "neither of them", "leave it", "forget that"):
            with self.subTest(said):
                self.assertEqual(self.answered(said), [])

    def test_forget_that_takes_nothing_back_while_something_is_asked(self) -> None:
        desk = Driver(self.PAGE)
        desk.hears("it is late full stop", "bold gate", "forget that")
        self.assertIn("It is late.", desk.markdown)

    def test_the_edges(self) -> None:
        self.assertEqual(self.answered("the top one"), ["south gate"])
        self.assertEqual(self.answered("the last of them"), ["north gate"])


class Beside(DeskCase):
    def test_the_end_of_a_paragraph_is_in_it(self) -> None:
        desk = Driver("Tea is free.\n\nThe gate is shut.")
        desk.hears("put bring a mug full stop at the end of the first paragraph")
        self.assertEqual(desk.markdown, "Tea is free. Bring a mug.\n\nThe gate is shut.")

    def test_a_paragraph_of_its_own_after_another(self) -> None:
        desk = Driver("Tea is free.\n\nThe gate is shut.")
        desk.hears("add a new paragraph after the first one saying bring a mug full stop")
        self.assertEqual(desk.markdown, "Tea is free.\n\nBring a mug.\n\nThe gate is shut.")

    def test_an_item_after_another(self) -> None:
        desk = Driver("- oil\n- rope")
        desk.hears("add an item after the first item saying paint")
        self.assertEqual(desk.markdown.lower(), "- oil\n- paint\n- rope")

    def test_a_mark_where_none_can_follow(self) -> None:
        desk = Driver("We need a ladder and rope.")
        desk.hears("comma after ladder")
        self.assertEqual(desk.markdown, "We need a ladder, and rope.")

    def test_the_same_words_go_on_with_a_sentence(self) -> None:
        desk = Driver("We meet for lunch.")
        desk.hears("we need a ladder")
        desk.hears("comma after lunch")
        self.assertTrue(desk.markdown.endswith("need a ladder, after lunch"))

    def test_half_past_two_is_no_place_after_two(self) -> None:
        desk = Driver("The ferry leaves at half past two.")
        desk.hears("put early half past two")
        self.assertIn("leaves at half past two.", desk.markdown)


class House(DeskCase):
    TABLE = "| Name | Boat |\n| --- | --- |\n| Ida | 4 |\n| Nell | 10 |"

    def test_a_row_by_the_name_beside_it(self) -> None:
        for said in (
            "put an empty row after ida",
            "insert a row between ida and nell",
            "insert a row between nell and ida",
            "make room for one more above nell",
        ):
            with self.subTest(said):
                desk = Driver(self.TABLE)
                desk.hears("go to the cell that says nell", said)
                names = [b.text for b in desk.document.blocks if b.cell and b.cell.column == 0]
                self.assertEqual(names, ["Name", "Ida", "", "Nell"])

    def test_between_two_that_are_apart_is_refused(self) -> None:
        desk = Driver(f"{self.TABLE}\n| Tom | 3 |")
        desk.hears("go to the cell that says nell")
        page = desk.markdown
        self.assertIn("side by side", desk.hears("insert a row between ida and tom").summary)
        self.assertEqual(desk.markdown, page)

    def test_a_column_between_two_whichever_is_named_first(self) -> None:
        for said in ("name and boat", "boat and name"):
            with self.subTest(said):
                desk = Driver(self.TABLE)
                desk.hears("go to the cell that says nell", f"add a column between {said}")
                heads = [b.text for b in desk.document.blocks if b.cell and b.cell.row == 0]
                self.assertEqual(heads, ["Name", "", "Boat"])

    def test_a_cell_by_whose_it_is(self) -> None:
        desk = Driver(self.TABLE)
        desk.hears("nell's boat number should be eleven")
        self.assertIn("| Nell | 11 |", desk.markdown)

    def test_contractions_are_asked_in_full(self) -> None:
        desk = Driver(self.TABLE)
        self.assertIn("14", desk.hears("what's the sum of the boat column").summary)

    def test_no_notes_is_a_sentence_and_no_margin_notes_a_request(self) -> None:
        desk = Driver("The ferry leaves at noon.")
        desk.hears("note on the first sentence check it", "no notes")
        self.assertIn("No notes", desk.markdown)
        self.assertIn("1 note", desk.hears("remove every note").summary.replace("one", "1"))

    def test_a_title_is_short(self) -> None:
        desk = Driver("Dear board")
        desk.hears("call this letter spring letter")
        self.assertEqual(desk.sitting.title, "Spring letter")
        desk.hears("call this letter a disgrace to us all")
        self.assertEqual(desk.sitting.title, "Spring letter")


class SaidAsItComes(DeskCase):
    """Wordings of people who had not seen the desk, and what must not be taken for them."""

    LIST = "Bring with you:\n\n- a coat\n- boots that grip\n- a lamp"

    def assertItems(self, line: str, *items: str) -> None:
        with self.subTest(line):
            desk = self.desk(self.LIST)
            desk.hears(line)
            self.assertEqual([b.text for b in desk.document.blocks[1:]], list(items))

    def test_an_item_with_its_words_goes_beside_another(self) -> None:
        old = "a coat", "boots that grip", "a lamp"
        after = (old[0], "leave the dog", *old[1:])
        self.assertItems("add a point leave the dog after the first item", *after)
        self.assertItems("put in a new point after the first one saying leave the dog", *after)
        self.assertItems("after the first one put another point leave the dog", *after)
        self.assertItems("another item above the second leave the dog", *after)
        self.assertItems("put leave the dog at the top of the list", "leave the dog", *old)
        self.assertItems("add an item leave the dog", *old, "leave the dog")
        self.assertItems("sort the points", "a coat", "a lamp", "boots that grip")

    def test_a_note_is_answered_without_its_number(self) -> None:
        for line in ("answer the note she says yes", "reply to the note she says yes",
                     "add a reply to the note she says yes"):  # fmt: skip
            with self.subTest(line):
                desk = self.desk("Tell Nell.")
                desk.hears("attach a note to the last sentence ask her first")
                self.assertIn("answered", desk.hears(line).summary)
                self.assertEqual(desk.markdown, "Tell Nell.")

    def test_words_said_again_with_the_new_ones_stand_once(self) -> None:
        desk = self.desk("We expect 42 people on the quay.")
        desk.hears("replace forty two with fifty people")
        self.assertEqual(desk.markdown, "We expect 50 people on the quay.")
        desk = self.desk("We expect 42 *people* on the quay.")
        desk.hears("replace forty two with fifty people")
        self.assertEqual(desk.markdown, "We expect 50 people *people* on the quay.")

    def test_every_word_in_capitals_is_said_of_what_was_just_said(self) -> None:
        desk = self.desk("")
        self.assertIn("Nothing is selected", desk.hears("capitalise every word").summary)
        desk.hears("the harbour board", "capitalise every word")
        self.assertEqual(desk.markdown, "The Harbour Board")

    def test_reverse_that_takes_back_and_swaps_no_halves(self) -> None:
        desk = self.desk("The lamp and the stair.")
        desk.hears("bold the first sentence", "reverse that")
        self.assertEqual(desk.markdown, "The lamp and the stair.")

    def test_what_is_said_of_things_is_no_word_before_them(self) -> None:
        for line in ("somebody should come before the lamp", "a lamp for the stair everywhere",
                     "mr fenwick goes before the lamp"):  # fmt: skip
            with self.subTest(line):
                desk = self.desk("We light the lamp on the stair.")
                self.assertRead("text", desk.hears(line))

    def test_overlapping_parts_go_once(self) -> None:
        desk = self.desk("# Rota\n\nWe meet.\n\n## June\n\nWe sail.")
        desk.hears("delete the title and the first section")
        self.assertNotIn("We meet", desk.markdown)
        desk.hears("undo that")
        self.assertIn("We meet", desk.markdown)
