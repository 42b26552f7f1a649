"""A harmless command that can only be meant is done, and told how it was taken."""

from __future__ import annotations

from tests.desk import DeskCase, Driver

PAGE = "The boat is late. The keeper waits by the door."


class TakenFor(DeskCase):
    def test_little_words_do_not_decide_about_looks_and_places(self) -> None:
        for said, command in (
            ("select the sentence we are in", "selecting.select"),
            ("make the font of the last sentence larger", "faces.resize"),
            ("shift the cursor left by four characters", "moving.back"),
        ):
            entry = Driver(PAGE).hears(said)
            self.assertEqual((entry.read_as, entry.command), ("command", command), said)

    def test_how_it_was_taken_is_told_and_undone_like_everything(self) -> None:
        desk = Driver(PAGE)
        entry = desk.hears("embolden the sentence i do be in")
        self.assertIn("taken for “", entry.summary)
        self.assertTrue(desk.marked("bold"))
        desk.hears("undo that")
        self.assertEqual(desk.markdown, PAGE)

    def test_what_takes_or_changes_words_is_only_offered(self) -> None:
        for said in (
            "delete the last sentence we are in",
            "remove over there the last sentence",
            "swap round the first sentence and the one we are in",
        ):
            desk = Driver(PAGE)
            desk.hears(said)
            self.assertTrue(desk.markdown.startswith(PAGE), (said, desk.markdown))

    def test_what_differs_in_a_word_that_tells_is_not_done(self) -> None:
        for said in ("select the sentence you like best", "make the boat larger next year"):
            self.assertEqual(Driver(PAGE).hears(said).read_as, "text", said)
