"""Words of the page are replaced, put beside others, moved and dropped in any order of words."""

from __future__ import annotations

from itertools import groupby
from operator import itemgetter

from nimble_lantern.core.lexicon.worded import JOBS, Sure, Zone
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.in_parts import in_parts, of_the_whole
from nimble_lantern.core.sitting import Heard, advance
from tests.corpus.any_order import in_any_order, near_them
from tests.desk import DeskCase, said

OUTING = (
    "# Outing\n\nWe meet at the slipway at nine. Bring a packed lunch and a warm jacket.\n\n"
    "Tickets cost seven pounds. Children travel free. Tom Fenwick sells them until Friday.\n\n"
    "The post is rusty. Nobody came."
)


class Lexicon(DeskCase):
    def test_every_zone_of_a_job_has_phrases_but_what_fills_in_stands_anywhere(self) -> None:
        for job in JOBS:
            zones = {zone for found, _ in job.said.values() for zone in found}
            with self.subTest(job.plain):
                self.assertLessEqual({Zone.OLD, Zone.NEW, Zone.ROUND}, zones)
                self.assertIn(Zone.ROUND, job.said[said("please")][0])

    def test_what_is_told_is_told_beside_anything(self) -> None:
        self.assertIs(Sure.DOUBTFUL & Sure.TOLD, Sure.TOLD)
        self.assertIs(Sure.PLAIN & Sure.DOUBTFUL, Sure.DOUBTFUL)
        self.assertIs(Sure.PLAIN & Sure.PLAIN, Sure.PLAIN)


class AnyWords(DeskCase):
    def test_it_does_what_the_plain_wording_does(self) -> None:
        wordings = list(in_any_order("any_words.txt"))
        self.assertGreater(len(wordings), 150)
        for wording in wordings:
            with self.subTest(wording.wording, plain=wording.plain):
                self.assertTrue(wording.holds())

    def test_sentences_near_them_are_written(self) -> None:
        sentences = list(near_them("near_the_words.txt"))
        self.assertGreater(len(sentences), 350)
        for page, lines in groupby(sentences, key=itemgetter(0)):
            desk = self.desk(page)
            desk.hears("go to the end of the document")
            for _, line in lines:
                with self.subTest(line):
                    entry = advance(desk.sitting, Heard(from_line(line))).entry
                    self.assertEqual(str(entry.read_as), "text")

    def check(self, line: str, *wanted: str) -> None:
        desk = self.desk(OUTING)
        before = desk.markdown
        desk.hears(line)
        for words in wanted:
            self.assertIn(words, desk.markdown, line)
        desk.hears("undo that")
        self.assertEqual(desk.markdown, before, line)

    def test_what_is_said_of_the_same_thing_with_another_word_takes_its_place(self) -> None:
        self.check("tickets are eight pounds not seven pounds", "Tickets cost £8. Children")
        self.check("tickets are eight not seven", "Tickets cost eight pounds.")
        self.check("we meet at half past eight and not at nine", "slipway at half past eight.")
        self.check("nine is far too late make it half past eight", "slipway at half past eight.")
        self.check("the post is rusty and crooked it should say", "Nobody came.")

    def test_a_number_is_not_cut(self) -> None:
        desk = self.desk("Visitors climb one hundred steps.")
        desk.hears("one hundred and twenty steps not one hundred")
        self.assertIn("climb 120 steps.", desk.markdown)

    def test_words_beside_others_that_stand_there_so_are_dropped(self) -> None:
        for line in (
            "delete warm before jacket", "warm is not needed in front of jacket",
            "no warm before jacket",
        ):  # fmt: skip
            self.check(line, "lunch and a jacket.")
        desk = self.desk(OUTING)
        desk.hears("no children before nine")
        self.assertIn("Children travel free.", desk.markdown)

    def test_parts_are_called_what_a_part_before_them_was_called(self) -> None:
        self.assertEqual(
            of_the_whole(said("begin the third paragraph with its last sentence")),
            said("begin the third paragraph with the last sentence of the third paragraph"),
        )
        self.assertEqual(of_the_whole(said("its last line")), said("its last line"))
        found = in_parts(said("the second paragraph should follow the third"))
        self.assertEqual(
            [p.words for p in found],
            [said("the second paragraph should follow the third paragraph")],
        )
        self.check("the last sentence of paragraph two should come first in that paragraph",
                   "until Friday. Tickets cost seven pounds. Children travel free.\n")  # fmt: skip

    def test_a_part_goes_where_it_is_said_to_belong(self) -> None:
        self.check(
            "the last sentence belongs in front of the post is rusty", "Nobody came. The post"
        )
        self.check("nobody came at the very end please", "rusty. Nobody came.")
        self.check("start the document with nobody came", "# Outing\n\nNobody came. We meet")

    def test_what_may_be_said_of_the_world_is_offered_beside_the_text(self) -> None:
        for line in ("crooked would be better than rusty", "could rusty be turned into crooked"):
            desk = self.desk(OUTING)
            desk.hears("go to the end of the document", line)
            self.assertIn("rusty", desk.markdown, line)
            question = desk.sitting.question
            assert question is not None
            self.assertEqual(question.options[0].label, "replace rusty with crooked", line)
            desk.hears("number one")
            self.assertIn("The post is crooked.", desk.markdown, line)

    def test_what_is_to_be_done_is_no_word(self) -> None:
        for line in ("go and stand before rusty", "stop before rusty"):
            desk = self.desk(OUTING)
            desk.hears(line)
            self.assertIn("The post is rusty.", desk.markdown, line)

    def test_a_sentence_goes_to_an_edge_of_its_own_paragraph(self) -> None:
        for line in (
            "move nobody came to the start of its paragraph",
            "the last sentence should come first in its paragraph",
        ):
            desk = self.desk(OUTING)
            desk.hears("go to the start of the document", line)
            self.assertIn("Nobody came. The post is rusty.", desk.markdown, line)

    def test_a_name_that_is_said_in_full_keeps_its_capitals(self) -> None:
        desk = self.desk("Osric will come.")
        desk.hears("osric should be osric bellamy")
        self.assertEqual(desk.markdown.strip(), "Osric Bellamy will come.")

    def test_a_preposition_is_not_taken_for_another_of_the_page(self) -> None:
        desk = self.desk("We meet in the village hall at three.")
        desk.hears("village hall with big letters")
        self.assertIn("VILLAGE HALL at", desk.markdown)

    def test_a_short_sentence_may_be_said_again(self) -> None:
        page = "Thank you. We wait. The tower opens at noon."
        for line in (
            "thank you out there", "i don't want to thank you", "no thank you not today",
            "you could put tea before noon", "let me put on my shoes before noon",
            "i will write a word before noon", "what if we put tea before noon",
        ):  # fmt: skip
            desk = self.desk(page)
            desk.hears("go to the end of the document")
            self.assertEqual(str(desk.hears(line).read_as), "text", line)
            self.assertTrue(desk.markdown.startswith(page), line)
        desk = self.desk(page)
        desk.hears("we wait has to be deleted")
        self.assertNotIn("We wait", desk.markdown)
