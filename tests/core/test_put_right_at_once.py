"""What is put right while it is said, or right after, and what a revision asks of the words beside
it: their marks, their capitals, their articles."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

WALK = (
    "Walking group\n\nWe meet at the green gate on Tuesday at ten. Bring water, a coat and a stick."
    " Gerald will lead the walk and Nell will bring the map.\n\nTea is at the Anchor afterwards. It"
    " costs four pounds each. Dogs must stay outside."
)
LETTER = (
    "Dear Mr Okafor,\n\nThe drains are blocked again. A man came on Friday with rods but he did no"
    " good. The smell is worse after rain.\n\nPlease send somebody with a camera.\n\nYours"
    " faithfully,\n\nMaud Esher"
)


class WhileItIsSaid(AtWork):
    def test_what_takes_the_place_of_what_was_said_wrong(self) -> None:
        self.has(WALK, "delete the first no the last sentence / full stop", "pounds each.")
        self.has(WALK, "bold the title no wait italic", "*Walking group*")
        self.has(WALK, "underline gerald no nell", "<u>Nell</u> will bring", "Gerald will lead")
        self.has(WALK, "delete the last two no three words", "each. Dogs.")
        self.has(WALK, "change tuesday no ten to eleven", "on Tuesday at 11.")
        self.has(WALK, "insert muddy before walk no before map", "the walk and", "the muddy map")
        self.has(
            WALK, "make the title no the last sentence bold please", "**Dogs must stay outside.**"
        )

    def test_another_request_begun_instead(self) -> None:
        desk = self.desk(WALK)
        desk.hears("go to the no wait select the last sentence")
        assert desk.sitting.selection is not None
        self.assertEqual(
            desk.sitting.document.text(desk.sitting.selection), "Dogs must stay outside."
        )
        self.has(WALK, "replace stick with staff no wait pole", "a coat and a pole.")

    def test_words_that_are_no_repair_are_those_that_were_said(self) -> None:
        page = "The notice says no entry. We wait no more."
        self.has(page, "put the words no entry in capital letters", "says NO ENTRY.")
        self.has(WALK, "replace stick with caps no hoods", "a coat and a caps no hoods.")
        self.stays(
            WALK, "move on no thanks", "there is no rush no rush at all", "bold green no red"
        )


class RightAfter(AtWork):
    def test_letters_put_the_word_right_and_not_the_sentence(self) -> None:
        for said in ("it's spelled p e r t h", "p e r t h", "no p e r t h", "spell that p e r t h"):
            self.has("", f"she lives in earth full stop / {said}", "She lives in Perth.")
        self.has("", "we met gale / gayle g a y l e", "We met Gayle")
        desk = self.desk("")
        desk.hears("she lives in perth")
        self.assertIn("spelled so", desk.hears("p e r t h").summary)
        self.has("", "we met john / b b c", "We met John BBC")

    def test_a_hint_of_a_letter(self) -> None:
        self.has("", "we need wool full stop / it's wood with a d", "We need wood.")
        self.has("", "we met ann full stop / anne with an e", "We met Anne.")
        self.has("", "it was a whole full stop / hole without a w", "It was a hole.")
        self.has("", "its cold full stop / it's with an apostrophe", "It’s cold.")
        self.has("", "we need wool full stop / wool should have been wood", "We need wood.")
        self.has("", "we need wool full stop / you heard wool i said wood", "We need wood.")
        self.has("", "we met ann full stop / tea with a friend", "We met Ann. Tea with a friend")

    def test_another_mark_than_the_one_just_written(self) -> None:
        self.has("", "thank you full stop / no exclamation mark", "Thank you!")
        self.has("", "we met full stop / sorry comma", "We met,")
        self.has("", "we met comma / no comma", "We met")
        self.has("", "no comma thanks", "No, thanks")

    def test_all_of_it_again(self) -> None:
        for said in ("let me start again", "i'll say that again", "delete everything i just said"):
            self.has("", f"the rain stopped full stop / {said} / it rained full stop", "It rained.")
        self.stays("The rain stopped.", "let me start again")

    def test_looks_and_marks_of_what_was_just_written(self) -> None:
        self.has("", "come in full stop / in quotes", "‘Come in.’")
        two = "one is here full stop / two is there full stop"
        self.has("", f"{two} / make that two paragraphs", "One is here.\n\nTwo is there.")
        desk = self.desk("")
        self.assertIn("“spell", "“" + desk.hears("we saw sean", "spell that").summary)
        assert desk.sitting.selection is not None
        self.assertEqual(desk.sitting.document.text(desk.sitting.selection), "Sean")

    def test_a_selection_goes_to_other_words_that_stand_there(self) -> None:
        desk = self.desk(WALK)
        desk.hears("select a coat", "no i mean a stick")
        assert desk.sitting.selection is not None
        self.assertEqual(desk.sitting.document.text(desk.sitting.selection), "a stick")
        self.has(WALK, "select a coat / no i meant an umbrella", "water, an umbrella and a stick.")

    def test_too_big_after_a_size(self) -> None:
        desk = self.desk(WALK)
        desk.hears("make the title bigger", "bigger", "too big")
        self.assertIn("14pt", desk.markdown)


class SwitchedAlone(AtWork):
    def test_on_where_something_begins_and_off_again(self) -> None:
        self.has("", "bold / important / bold / please read", "**Important** please read")
        self.has("We met.", "italics / the tide / italics off / is a book", "*The tide* is a book")

    def test_within_a_sentence_and_with_other_words_it_is_a_word(self) -> None:
        self.has("", "she was / bold / and brave", "She was bold and brave")
        for said in ("actually no bold there", "so bold", "please bold"):
            desk = self.desk("")
            desk.hears(said)
            self.assertFalse(desk.sitting.typing, said)
        self.has("", "underline / that was text", "Underline")


class BesideARevision(AtWork):
    def test_a_mark_takes_the_place_of_the_one_there(self) -> None:
        self.has(WALK, "put a comma after afterwards", "afterwards, it costs")
        self.has(WALK, "put a full stop after water", "Bring water. A coat and")
        self.has(WALK, "change the comma after water to a full stop", "Bring water. A coat")
        self.has(WALK, "make the full stop after each a semicolon", "each; dogs must")
        self.has(WALK, "put a comma after each", "pounds each, dogs must")
        self.has(
            WALK, "the last sentence wants an exclamation mark instead of a full stop", "outside!"
        )
        self.has("Ask Mr Pell.", "put a full stop after mr", "Ask Mr. Pell.")
        self.has("It was late. Gerald slept.", "put a comma after late", "late, Gerald slept.")

    def test_it_is_written_over_while_dictating_too(self) -> None:
        self.has(LETTER, "go after again / and again full stop", "blocked again and again. A man")
        self.has(LETTER, "go after again / question mark", "blocked again? A man")
        self.has(LETTER, "go after friday / full stop", "on Friday. With rods")

    def test_what_comes_before_a_sentence_takes_its_capital(self) -> None:
        self.has(LETTER, "go to the start of the third paragraph / and", "And please send")
        self.has(LETTER, "go before a man / after that / full stop", "After that. A man came")
        self.has(LETTER, "go before a man / nobody helped full stop", "Nobody helped. A man came")
        self.has("# Spring Fair\n\nCome.", "go to the top / the", "# The Spring Fair")

    def test_articles_go_with_the_word_behind_them(self) -> None:
        self.has(LETTER, "put old before camera", "with an old camera.")
        self.has(LETTER, "replace man with engineer", "An engineer came")
        self.has(LETTER, "insert a good before camera", "with a good camera.")
        self.has(LETTER, "put my before camera", "with my camera.")
        self.has(LETTER, "go before camera / old", "with an old camera.")
        self.has("We need an old hat.", "delete old", "We need a hat.")
        self.has("It is a test.", "replace test with honour", "It is an honour.")
        self.has("It is a test.", "insert eleven year old before test", "an 11-year-old test.")
        self.has("It is a test.", "insert useful before test", "It is a useful test.")
        self.has("This is plan A today.", "insert only before today", "plan A only today.")
        desk = self.desk(LETTER)
        desk.hears("put old before camera", "undo that")
        self.assertEqual(desk.markdown.strip(), LETTER)

    def test_a_hyphen_joins_and_a_comma_does_not(self) -> None:
        self.has(WALK, "put a hyphen between green and gate", "the green-gate on")
        self.has(WALK, "put a comma between green and gate", "the green, gate on")

    def test_what_is_moved_first_stands_below_the_greeting(self) -> None:
        self.has(LETTER, "put the last sentence of the second paragraph first",
                 "Okafor,\n\nThe smell is worse after rain. The drains")  # fmt: skip


class AskedOtherwise(AtWork):
    def test_words_that_are_nearly_the_same_with_to_between_them(self) -> None:
        self.has(LETTER, "dear mr okafor to dear mrs okafor", "Dear Mrs Okafor,")
        self.stays("From Monday on.", "monday to friday is fine by me")

    def test_it_is_what_was_gone_to(self) -> None:
        self.has(LETTER, "go to camera and add good before it", "a good camera.")
        self.has(LETTER, "find camera and make it bold", "a **camera**.")

    def test_a_part_without_such_words_is_told(self) -> None:
        self.refused(WALK, "in the last paragraph change gerald to hector")
        entry = self.desk(WALK).hears("in the last paragraph change gerald to hector")
        self.assertIn("in that part", entry.summary)

    def test_what_is_said_not_to_be_done_is_no_request(self) -> None:
        self.stays(LETTER, "he did no good is a bit strong say could not clear it")

    def test_no_verb_is_lost_behind_its_auxiliary(self) -> None:
        self.has(
            WALK, "below the last paragraph write nell will come", "outside.\n\nNell will come"
        )

    def test_what_the_desk_cannot_do_is_answered(self) -> None:
        self.refused(
            WALK, "insert a page break before tea", "put a picture of the gate in the title"
        )

    def test_a_document_that_is_deleted_is_put_away(self) -> None:
        for said in ("delete this document", "throw this letter away", "bin the whole document"):
            desk = self.desk(WALK)
            self.assertEqual(desk.hears(said).command, "shelf.put_away")
        desk.hears("undo that")
        self.assertIn("Walking group", desk.markdown)
