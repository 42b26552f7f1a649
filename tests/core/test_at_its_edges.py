"""What is selected has words put in at its edges and is told by its place; spaces and numbers."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

PAGE = (
    "# Roof of the hall\n\nDear Mrs Quince,\n\nThank you for your letter. Ida met Tom at noon. The"
    " rest is due on 4 May.\n\nThe cheaper one asks for £2,400. Ida holds forty pounds."
)
HELD = "select the second sentence / "


class Held(AtWork):
    def test_words_at_its_edges(self) -> None:
        for said in ("add today to the end", "put today at the end of it", "end it with today"):
            self.has(PAGE, HELD + said, "Ida met Tom at noon today. The rest")
        for said in ("put luckily in front", "start it with luckily"):
            self.has(PAGE, HELD + said, "letter. Luckily Ida met Tom")

    def test_the_end_of_the_letter_is_not_its_own(self) -> None:
        self.has(PAGE, HELD + "add thanks at the end of the letter", "forty pounds. Thanks")

    def test_marks_at_its_end(self) -> None:
        for said in ("end it with a question mark", "make it a question"):
            self.has(PAGE, HELD + said, "Tom at noon? The rest", "forty pounds.")
        self.has(PAGE, "end it with an exclamation mark", "forty pounds!", "at noon. The")

    def test_its_place_among_others(self) -> None:
        self.has(PAGE, HELD + "make it the first", "\nIda met Tom at noon. Thank you")
        for said in ("swap it with the third", "swap it with the next one"):
            self.has(PAGE, HELD + said, "The rest is due on 4 May. Ida met Tom at noon.")

    def test_words_that_stand_in_it(self) -> None:
        self.has(PAGE, HELD + "change ida to ruth", "Ruth met Tom", "Ida holds")
        self.has(PAGE, HELD + "bold ida", "**Ida** met", "Ida holds")
        self.has(PAGE, HELD + "note check this", "Ida met Tom at noon", command="notes.add_here")

    def test_it_is_not_written_over(self) -> None:
        for said in ("say it in capitals", "the same word everywhere", "join it to the next"):
            self.refused(PAGE, HELD + said)


class JustSaid(AtWork):
    def test_it_is_a_question(self) -> None:
        self.has(PAGE, "ida met bob / make that a question", "Ida met Bob?")

    def test_one_word_is_no_paragraph(self) -> None:
        self.has(PAGE, "we met at noon / change the last word to one", "We met at one", "\n\nDear")


class Spaces(AtWork):
    def test_words_as_one(self) -> None:
        for said in ("make forty pounds one word", "no space between forty and pounds"):
            self.has(PAGE, said, "holds fortypounds.")
        self.has(PAGE, "hyphenate forty pounds", "holds forty-pounds.")
        self.has(PAGE, "hyphenate forty pounds / undo", "holds forty pounds.")

    def test_a_space_is_no_words(self) -> None:
        self.refused(PAGE, "put a space between forty and pounds", "put a space after tom")
        self.stays(PAGE, "leave a space after the hall", "ida holds is one word")


class Numbers(AtWork):
    def test_the_names_of_forms_are_forms(self) -> None:
        for said in ("change forty to digits", "turn forty into a number", "put forty in figures"):
            self.has(PAGE, said, "holds 40 pounds")

    def test_all_of_them_but_dates(self) -> None:
        self.has(PAGE + " There are 7 of us.", "put the numbers in words", "are seven", "4 May")

    def test_a_price_keeps_its_sign(self) -> None:
        self.has(PAGE, "change the price to two thousand six hundred", "asks for £2,600.")


class Places(AtWork):
    def test_the_letter_is_the_text(self) -> None:
        said = "move the sentence about noon to the top of the letter"
        self.has(PAGE, said, "Quince,\n\nIda met Tom at noon. Thank you for your letter.")

    def test_todays_date_beside_words(self) -> None:
        self.has(PAGE, "insert today's date after noon", "Tom at noon 14 June 2026. The")

    def test_wishes(self) -> None:
        self.refused(PAGE, "put a line across before dear", "add a footnote to forty pounds")
        self.refused(PAGE, "make noon a link", "put a box round the title")
        self.stays(PAGE, "please read it and sign it", "i'd like tea after the hall")


class Versions(AtWork):
    def test_every_change_is_taken_back(self) -> None:
        said = "call this version plan / change forty to fifty / compare with plan / "
        for asked in ("take all of them back", "undo all the changes", "reject everything"):
            self.has(PAGE, said + asked, "holds forty pounds", command="versions.take_back_all")

    def test_a_note_is_replied_to(self) -> None:
        self.has(PAGE, "note on forty which / reply the last", "forty", command="notes.answer")
