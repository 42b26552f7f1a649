"""Names of the page that are heard as other words, and how they are left."""

from __future__ import annotations

from nimble_lantern.core.mending.names_here import names_heard
from tests.desk import DeskCase, Driver

PAGE = (
    "The Saltmarsh Light needs a lamp.\n\nWe asked Tobias Fenwick of Quay Lane, and so did Ida"
    " Marlowe. The key is lost."
)


class NamesHere(DeskCase):
    def heard(self, line: str) -> dict[tuple[str, ...], tuple[str, ...]]:
        blocks = self.desk(PAGE).document.blocks
        return {lesson.heard: lesson.meant for lesson in names_heard(blocks, line.split())}

    def after(self, *lines: str) -> Driver:
        desk = self.desk(PAGE)
        desk.hears("go to the end of the document", *lines)
        return desk

    def test_what_sounds_just_so_is_the_name(self) -> None:
        for line, heard, name in (
            ("turn into key lane", ("key", "lane"), ("quay", "lane")),
            ("the salt marsh trust", ("salt", "marsh"), ("saltmarsh",)),
            ("so eye da mar low said", ("mar", "low"), ("marlowe",)),
        ):
            self.assertEqual(self.heard(line).get(heard), name, line)

    def test_other_words_are_left_alone(self) -> None:
        for line in ("the key is lost", "a narrow lane", "salt and marsh", "ida marlowe came", "a"):
            self.assertEqual(self.heard(line), {}, line)
        self.assertEqual(list(names_heard((), ["key", "lane"])), [])

    def test_what_has_no_sound_is_never_swallowed(self) -> None:
        for line in ("marlowe 29 came", "marlowe ... marlowe", "quay 7 lane"):
            self.assertEqual(self.heard(line), {}, line)
        self.assertIn("Marlowe 29 came in", self.after("marlowe 29 came in").markdown)

    def test_it_is_written_as_it_stands_and_told(self) -> None:
        desk = self.after("we met in key lane by the salt marsh light")
        self.assertIn("We met in Quay Lane by the Saltmarsh Light", desk.markdown)
        last = desk.sitting.trail[-1].summary
        self.assertIn("“key lane” is “quay lane”, ", last)
        self.assertIn(", as it stands here: “that was right before” puts it back", last)

    def test_what_was_said_is_had_in_every_way_that_people_ask_for_it(self) -> None:
        for line in (
            "that was right before",
            "i meant key lane",
            "replace quay lane in the last sentence with key lane",
        ):
            with self.subTest(line):
                desk = self.after("we met in key lane full stop", line)
                self.assertEqual(desk.document.blocks[-1].text[-20:], " We met in Key Lane.")
                # It is not put right again, now that it stands there.
                desk.hears("so key lane it was full stop")
                self.assertIn("So Key Lane it was.", desk.markdown)

    def test_what_is_said_over_words_or_to_the_desk_is_as_it_was_said(self) -> None:
        for lines in (
            ("select quay lane", "key lane"),
            ("insert key lane after ida marlowe",),
            ("we met in literal key lane",),
        ):
            self.assertIn("key lane", self.after(*lines).markdown.lower(), lines)
