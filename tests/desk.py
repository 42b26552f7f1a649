"""The driver that tests speak to: the real desk, its page written as text with "|"."""

from __future__ import annotations

import unittest
from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import Any

from nimble_lantern.core.document.model import Document, Position
from nimble_lantern.core.reading.hearing import from_lines
from nimble_lantern.core.reviewing.passages import of_document
from nimble_lantern.core.state import Entry, Sitting
from nimble_lantern.formats import from_markdown, to_markdown
from nimble_lantern.playing import desk_with
from nimble_lantern.shell import LiveDesk


class Driver:
    """A desk with a Markdown document on it, its caret at the end."""

    def __init__(
        self,
        markdown: str = "",
        document: Document | None = None,
        caret: Position | None = None,
        shelf: Mapping[str, str] | None = None,
        passages: Mapping[str, str] | None = None,
        now: datetime | None = None,
        **settings: str,
    ) -> None:
        others = {name: from_markdown(text) for name, text in (shelf or {}).items()}
        stored = [of_document(n, from_markdown(text)) for n, text in (passages or {}).items()]
        whole = document or from_markdown(markdown)
        self.desk: LiveDesk = desk_with(whole, settings, caret, others, None, stored, now)

    def hears(self, *lines: str) -> Entry:
        """Speak lines; the trail's entry of the last."""
        for hearing in from_lines(lines):
            self.desk.hear(hearing)
        return self.sitting.trail[-1]

    @property
    def sitting(self) -> Sitting:
        return self.desk.sitting

    @property
    def document(self) -> Document:
        return self.sitting.document

    @property
    def markdown(self) -> str:
        return to_markdown(self.document)

    @property
    def page(self) -> str:
        """The text with "|" at the writing place and "[...]" round the selection."""
        marks: dict[Position, str] = {}
        if self.sitting.selection:
            marks[self.sitting.selection.start] = "["
            marks[self.sitting.selection.end] = "]"
        if not self.sitting.selection:
            marks[self.sitting.writing_place] = "|"
        blocks = []
        for b, block in enumerate(self.document.blocks):
            text = block.text
            for p in sorted((p for p in marks if p.block == b), reverse=True):
                text = text[: p.offset] + marks[p] + text[p.offset :]
            blocks.append(text)
        return "\n\n".join(blocks)

    def marked(self, mark: str) -> list[str]:
        """The texts that carry a mark, in document order."""
        return [
            b.text[s.start : s.end] for b in self.document.blocks for s in b.spans if s.mark == mark
        ]


def said(line: str) -> tuple[str, ...]:
    """An utterance, as its words."""
    return tuple(line.split())


class DeskCase(unittest.TestCase):
    """A test that reads as a script."""

    def desk(self, markdown: str = "", **given: Any) -> Driver:
        self.driver = Driver(markdown, **given)
        return self.driver

    def assertPage(self, page: str) -> None:
        self.assertEqual(self.driver.page, page)

    def assertBecomes(
        self, wanted: str, page: str, *wordings: str, after: Sequence[str] = ()
    ) -> None:
        """Each of some wordings, said to a fresh page after others, makes it the same."""
        for said in wordings:
            desk = Driver(page)
            desk.hears(*after, said)
            self.assertEqual(desk.markdown, wanted, said)

    def assertText(self, text: str) -> None:
        self.assertEqual("\n\n".join(b.text for b in self.driver.document.blocks), text)

    def assertRead(self, read_as: str, entry: Entry, command: str | None = "any") -> None:
        self.assertEqual(entry.read_as, read_as, entry.summary)
        if command != "any":
            self.assertEqual(entry.command, command, entry.summary)
