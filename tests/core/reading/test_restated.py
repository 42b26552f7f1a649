"""What is said again with a change: it is written, and the change offered beside it."""

from __future__ import annotations

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.restated import restated
from tests.desk import DeskCase, Driver

FAIR = (
    "The spring fair is on the third of May. Gates open at eleven. Entry costs three pounds.\n\n"
    "Hob Tarrow runs the cake stall. Bring a chair and a hat. Parking is behind the mill."
)
BOATS = (
    "| boat | crew | leaves |\n| --- | --- | --- |\n| Wren | 4 | nine |\n| Tern | 6 | ten |\n\n"
    "Be on the quay in time."
)


TOLD = st.sampled_from(
    "the a lamp stair six seven half past monday june red hob tarrow two pounds is has open"
    " with to and not instead of bring old".split()
)
SENTENCES = st.lists(TOLD, min_size=3, max_size=8)


class Restated(DeskCase):
    def assertOffered(self, page: str, said: str, wanted: str) -> None:
        """`said` is written as text; its first offer makes the page this instead."""
        desk = Driver(page)
        entry = desk.hears(said)
        self.assertIs(entry.read_as, ReadAs.TEXT, said)
        assert desk.sitting.question is not None, said
        self.assertTrue(desk.sitting.question.beside, said)
        desk.hears("number one")
        self.assertIn(wanted, desk.markdown, said)
        self.assertEqual(len(desk.document.blocks), len(Driver(page).document.blocks))
        desk.hears("undo that")
        self.assertNotIn(wanted, desk.markdown, "it comes back in one step")

    def test_another_number_day_or_name_of_the_same_thing(self) -> None:
        for said, wanted in (
            ("gates open at ten", "Gates open at ten."),
            ("it opens at ten", "Gates open at ten."),
            ("entry is four pounds now", "Entry costs £4."),
            ("the fair is on the fourth of may", "fair is on the fourth of May."),
        ):
            self.assertOffered(FAIR, said, wanted)

    def test_the_same_sentence_with_other_words_in_it(self) -> None:
        for said, wanted in (
            ("bring a small chair and a hat", "Bring a small chair and a hat."),
            ("bring a small chair", "Bring a small chair and a hat."),
            ("parking is beside the mill", "Parking is beside the mill."),
            ("parking is behind the barn", "Parking is behind the barn."),
            ("della tarrow runs the cake stall", "Della Tarrow runs the cake stall."),
            ("bring a coat instead of a hat", "Bring a chair and a coat."),
            ("the old mill", "behind the old mill."),
        ):
            self.assertOffered(FAIR, said, wanted)

    def test_of_several_numbers_the_one_beside_the_same_words(self) -> None:
        page = "The stair has 38 steps, and 12 of them are worn through at the edge."
        self.assertOffered(page, "fourteen of them are worn through", "and 14 of them are worn")
        self.assertOffered(page, "the stair has forty steps", "The stair has 40 steps")

    def test_a_cell_by_its_row_and_heading(self) -> None:
        self.assertOffered(BOATS, "tern has a crew of seven", "| Tern | 7 | ten |")
        self.assertOffered(BOATS, "the wren leaves at eleven", "| Wren | 4 | 11 |")

    def test_what_only_sounds_alike_is_text_and_nothing_is_offered(self) -> None:
        for said in (
            "gates were made of oak at ten places", "the chair and the secretary came at noon",
            "the cake was good", "bring your friends and a chair if you have one",
            "the mill is old", "hob tarrow runs the tea stall and the cake stall as well",
            "the stall was open until the third", "parking is free",
        ):  # fmt: skip
            desk = Driver(FAIR)
            self.assertIs(desk.hears(said).read_as, ReadAs.TEXT, said)
            self.assertIsNone(desk.sitting.question, said)

    @settings(max_examples=120, deadline=None)
    @given(st.lists(SENTENCES, min_size=1, max_size=4), st.data())
    def test_whatever_is_offered_comes_back_in_one_step(
        self, sentences: list[list[str]], data: st.DataObject
    ) -> None:
        page = "\n\n".join(f"{' '.join(words).capitalize()}." for words in sentences)
        said = list(data.draw(st.sampled_from(sentences)))
        said[data.draw(st.integers(0, len(said) - 1))] = data.draw(TOLD)
        before = Driver(page).markdown
        count = len(list(restated(Driver(page).sitting, said)))
        for number in range(1, count + 1):
            desk = Driver(page)
            entry = desk.hears(" ".join(said))
            question = desk.sitting.question
            if entry.read_as is not ReadAs.TEXT or question is None or not question.beside:
                return
            self.assertTrue(desk.markdown.startswith(before), "what stood there stays")
            if number <= len(question.options):
                desk.hears(f"number {number}", "undo that")
                self.assertEqual(desk.markdown, before, said)

    def test_one_more_of_a_list_is_no_change_of_another(self) -> None:
        page = "- pack the tent\n- pack the stove\n\nCall me."
        desk = Driver(page)
        desk.hears("pack the kettle")
        self.assertIsNone(desk.sitting.question)
        self.assertOffered(page, "pack the blue tent", "- pack the blue tent")
        self.assertOffered(page + " We leave at six.", "we leave at seven full stop", "at seven.")

    def test_going_on_keeps_the_text(self) -> None:
        desk = Driver(FAIR)
        desk.hears("gates open at ten", "and close at five")
        self.assertIn("Gates open at eleven.", desk.markdown)
        self.assertIn("open at 10 and close at five", desk.markdown)
