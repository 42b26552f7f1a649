"""Any event in any state: the document stays well formed, and undo brings it back exactly."""

from __future__ import annotations

import os
import unittest

from hypothesis import example, given, settings
from hypothesis import strategies as st

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.document.model import Document, normal_spans
from nimble_lantern.core.document.tables import tables
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown
from tests.core.strategies import documents

EXAMPLES_TRIED = int(os.environ.get("LANTERN_FUZZ", "300"))
"""Some four events each, the same in every run; LANTERN_FUZZ=25000 plays a hundred thousand others,
which takes half an hour."""
EXAMPLES = sorted(c.example for c in CATALOGUE.commands.values())
WORDS = (
    "the ferry harbour board last next two three words sentence paragraph line bold select delete"
    " replace with move before after to from that everything full stop comma new line heading one"
    " twelve may half past seven quote unquote capital no space literal spell t e r n open bracket"
    " row column table cell undo redo cancel copy paste cut"
    " insert go end start of in all first second"
).split()
LETTER = from_markdown(
    "# Letter\n\nThe ferry leaves the **harbour** at 7:30.\n\n"
    "- twelve\n- may\n\n| day | who |\n| --- | --- |\n| twelve | the board |\n\n"
    "The board met. It sat."
)
UNITS = "word sentence line paragraph heading item list section cell row column table title".split()
WORD = st.sampled_from(("the ferry", "twelve", "board", "day", "zebra"))
PART = st.builds(
    lambda form, unit, other, word: form.format(unit=unit, other=other, word=word),
    st.sampled_from((
        "the {unit} about {word}", "the {unit} that begins with {word}", "the last {unit}",
        "the next two {unit}s", "every {unit}", "the {unit} before {word}", "{word}",
        "the {unit} under {word}", "the first {unit} of the {other}", "the {unit} and the {other}",
        "from {word} to the end of the {unit}", "the {unit} below the {other} about {word}",
    )),
    st.sampled_from(UNITS),
    st.sampled_from(UNITS),
    WORD,
)  # fmt: skip
REQUEST = st.builds(
    lambda form, part, other: form.format(part=part, other=other),
    st.sampled_from((
        "delete {part}", "bold {part}", "select {part}", "move {part} before {other}",
        "replace {part} by lamp oil", "swap {part} and {other}", "copy {part}", "sort {part}",
        "capitalise {part}", "make {part} a list", "add a row after {part}", "join {part}",
        "put {part} in brackets", "make {part} wider", "note on {part} check this",
    )),
    PART,
    PART,
)  # fmt: skip
lines = st.one_of(
    st.sampled_from(EXAMPLES),
    REQUEST,
    st.lists(st.sampled_from(WORDS), max_size=9).map(" ".join),
    st.lists(st.sampled_from([*EXAMPLES, "...", "the tide is high", "that"]), max_size=3).map(
        " ... ".join
    ),
    st.text(max_size=30),
)


class AnyEvent(unittest.TestCase):
    def assertWellFormed(self, sitting: Sitting) -> None:
        document = sitting.document
        for block in document.blocks:
            self.assertEqual(block.spans, normal_spans(block.spans, len(block.text)))
        for p in (sitting.caret, sitting.writing_place, sitting.wrote):
            self.assertTrue(p is None or document.contains(p), p)
        for r in (*sitting.that, *([sitting.selection] if sitting.selection else [])):
            self.assertTrue(document.contains(r.start) and document.contains(r.end), r)
            self.assertLessEqual(r.start, r.end)
        for table in tables(document.blocks):
            held = document.blocks[table.first : table.last + 1]
            places = [b.cell[1:3] for b in held if b.cell]
            grid = [(r, c) for r in range(table.rows) for c in range(table.columns)]
            self.assertEqual(places, grid)
        for number in document.anchors:
            where = document.where(number)
            self.assertTrue(where is None or document.contains(where.end), number)

    @settings(
        max_examples=EXAMPLES_TRIED, deadline=None, derandomize="LANTERN_FUZZ" not in os.environ
    )
    @example(Document(), ["add a row", "that was a command ... leave it out"])
    @example(LETTER, ["note on the column under the ferry check this"])
    @example(LETTER, ["delete the title and the section"])
    @example(LETTER, ["swap all sections with zebra"])
    @given(st.one_of(documents, st.just(LETTER)), st.lists(lines, min_size=1, max_size=8))
    def test_undo_of_everything_gives_the_first_document_and_redo_the_last(
        self, first: Document, said: list[str]
    ) -> None:
        sitting = Sitting(document=first, caret=first.end, wrote=first.end)
        for line in said:
            outcome = advance(sitting, Heard(from_line(line)))
            self.assertWellFormed(outcome.sitting)
            assert outcome.entry is not None
            self.assertTrue(outcome.entry.summary, line)
            made, head = outcome.versions, outcome.sitting.history.head
            if len(made) == 1 and made[0] is head and head.parent is sitting.history.head:
                self.assertEqual(outcome.edit.apply(sitting.document), outcome.sitting.document)
                self.assertTrue(outcome.entry.made)
            sitting = outcome.sitting
        awake = sitting
        for line in ("start listening", "commands again", "cancel"):
            awake = advance(awake, Heard(from_line(line))).sitting
        last = awake.document
        back = advance(awake, Heard(from_line("undo everything"))).sitting
        self.assertEqual(back.document, first)
        forward = advance(back, Heard(from_line("redo everything"))).sitting
        if awake.history.head is not None and not awake.history.ahead:
            self.assertEqual(forward.document, last)


class HardInput(unittest.TestCase):
    def hears(self, line: str) -> Sitting:
        sitting = Sitting(document=LETTER, caret=LETTER.end, wrote=LETTER.end)
        outcome = advance(sitting, Heard(from_line(line)))
        assert outcome.entry is not None
        self.assertTrue(outcome.entry.summary)
        return outcome.sitting

    def test_nothing_at_all(self) -> None:
        self.assertEqual(self.hears("").document, LETTER)
        self.assertEqual(self.hears("... ...").document, LETTER)

    def test_five_thousand_words(self) -> None:
        after = self.hears("tide " * 5000)
        self.assertEqual(after.document.blocks[-1].text.lower().count("tide"), 5000)

    def test_other_scripts_emoji_and_marks_that_open_and_never_close(self) -> None:
        for line in (
            "שלום עולם",
            "🙂 the tide 🙂",
            "open quote open bracket unquote quote",
            "\u202e",
        ):
            after = self.hears(line)
            self.assertEqual(advance(after, Heard(from_line("undo"))).sitting.document, LETTER)

    def test_numbers_beyond_counting(self) -> None:
        for line in ("undo nine hundred million billion times", "delete the last 99999999 words",
                     "go to line four thousand trillion", "select word zero"):  # fmt: skip
            self.hears(line)
