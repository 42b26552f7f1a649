"""Names of the page that were heard as other words."""

from __future__ import annotations

from nimble_lantern.core.mending.names_here import names_heard
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from tests.desk import DeskCase

PAGE = (
    "The Saltmarsh Light needs a lamp.\n\nWe asked Tobias Fenwick of Quay Lane, and so did Ida"
    " Marlowe. The key is lost."
)


class NamesHere(DeskCase):
    def heard(self, line: str) -> dict[tuple[str, ...], str]:
        return dict(names_heard(self.desk(PAGE).sitting.document.blocks, line.split()))

    def test_what_sounds_just_so_is_the_name(self) -> None:
        for line, words, name in (
            ("turn into key lane", ("key", "lane"), "Quay Lane"),
            ("the salt marsh trust", ("salt", "marsh"), "Saltmarsh"),
            ("so eye da mar low said", ("mar", "low"), "Marlowe"),
        ):
            self.assertEqual(self.heard(line).get(words), name, line)

    def test_other_words_are_left_alone(self) -> None:
        for line in ("the key is lost", "a narrow lane", "salt and marsh", "ida marlowe came", "a"):
            self.assertEqual(self.heard(line), {}, line)
        self.assertEqual(dict(names_heard((), ["key", "lane"])), {})

    def test_what_has_no_sound_is_never_swallowed(self) -> None:
        desk = self.desk("We saw the Marlowe. It is a boat.")
        for line in ("marlowe 29 came", "marlowe ... marlowe", "the marlowe xyzzy- came"):
            self.assertEqual(dict(names_heard(desk.document.blocks, line.split())), {}, line)
        desk.hears("marlowe 29 came in")
        self.assertIn("Marlowe 29 came in", desk.markdown)

    def test_it_is_written_as_it_stands_on_the_page(self) -> None:
        desk = self.desk(PAGE)
        after = advance(
            desk.sitting, Heard(from_line("we met in key lane by the salt marsh light"))
        )
        text = after.sitting.document.blocks[-1].text
        self.assertIn("We met in Quay Lane by the Saltmarsh", text)
