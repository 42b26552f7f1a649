"""A place named before what is to be done there; courtesy and hesitation inside a request."""

from __future__ import annotations

from tests.desk import DeskCase

PAGE = "We met Mara Tarrow at noon. It was cold and wet.\n\nThe boat is old. The cold wind is back."


class PlaceFirst(DeskCase):
    def test_a_part_is_spoken_of(self) -> None:
        self.desk(PAGE).hears("the last sentence delete it")
        self.assertText(PAGE.removesuffix(" The cold wind is back."))
        self.desk(PAGE).hears("the word noon i want it in capitals")
        self.assertText(PAGE.replace("noon", "NOON"))

    def test_words_that_stand_there_may_be_given_a_look(self) -> None:
        self.desk(PAGE).hears("mara tarrow make it bold")
        self.assertEqual(self.driver.marked("bold"), ["Mara Tarrow"])

    def test_words_are_not_taken_away_so(self) -> None:
        self.desk(PAGE).hears("mara tarrow delete it")
        self.assertText(f"{PAGE} Mara Tarrow delete it")

    def test_what_is_done_in_a_part_is_done_there(self) -> None:
        self.desk(PAGE).hears("in the last paragraph underline cold")
        [span] = self.driver.document.blocks[1].spans
        self.assertEqual(span.mark, "underline")
        self.desk(PAGE).hears("in the first paragraph replace cold with warm")
        self.assertText(PAGE.replace("cold", "warm", 1))

    def test_sentences_that_begin_with_a_place_stay_sentences(self) -> None:
        for line in (
            "in the last paragraph of his will he left it to mara",
            "in the boat it was cold and wet",
            "mara tarrow said that we should make it up to them",
            "the boat is old and nobody wants it",
        ):
            with self.subTest(line):
                self.assertRead("text", self.desk(PAGE).hears(line))


class Inside(DeskCase):
    def test_courtesy_and_hesitation_in_the_middle_say_nothing(self) -> None:
        for line in (
            "remove for me the word cold",
            "delete kindly the word cold",
            "delete the er the word um cold",
        ):
            with self.subTest(line):
                self.desk("It was cold here.").hears(line)
                self.assertText("It was here.")

    def test_words_to_be_written_are_kept_whole(self) -> None:
        for line, text in (
            ("insert please before reply", "Now please reply."),
            ("insert all of it before reply", "Now all of it reply."),
            ("replace now with for me", "For me reply."),
        ):
            with self.subTest(line):
                self.desk("Now reply.").hears(line)
                self.assertText(text)


class Title(DeskCase):
    def test_a_first_line_is_the_title_where_there_is_no_heading(self) -> None:
        self.desk("Ferry news\n\nThe boat is late.").hears("make the title bold")
        self.assertEqual(self.driver.marked("bold"), ["Ferry news"])
        self.desk("News\n\n# Ferry\n\nThe boat.").hears("make the title bold")
        self.assertEqual(self.driver.marked("bold"), ["Ferry"])

    def test_a_sentence_is_no_title(self) -> None:
        entry = self.desk("The boat is late.\n\nWe wait.").hears("make the title bold")
        self.assertEqual(self.driver.marked("bold"), [], entry.summary)


class Names(DeskCase):
    def test_a_name_takes_a_names_place_with_its_capital(self) -> None:
        self.desk("Ask Tobias about it.").hears("replace tobias with osric")
        self.assertText("Ask Osric about it.")
        self.desk("Ask Tobias about it.").hears("replace tobias with somebody")
        self.assertText("Ask somebody about it.")
