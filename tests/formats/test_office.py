"""Office files and HTML: round trips, files from elsewhere, and files that would do harm."""

from __future__ import annotations

import io
import resource
import shutil
import subprocess
import tempfile
import time
import unittest
from dataclasses import replace
from pathlib import Path
from unittest import mock

import docx
import pypdf
from hypothesis import HealthCheck, assume, given, settings

from nimble_lantern.core.document.layout import LineIndex, PageStyle
from nimble_lantern.core.document.model import Block, Document, Kind, Position, Range
from nimble_lantern.core.document.pages import ROOM, pages
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.core.reviewing.notes import added, changed, notes_of
from nimble_lantern.files import read_file
from nimble_lantern.formats import FORMATS, from_markdown, to_text
from nimble_lantern.formats.building import lowered_and_raised, safe_link
from nimble_lantern.formats.registry import Read
from tests.core.strategies import documents
from tests.formats.hostile import HOSTILE, office

PATIENCE_SECONDS = 5.0
LETTER = (
    "# The stair\n\nDear *Harbour* Board, see <u>the</u> [plan](https://example.org/plan).\n\n"
    "1. **oil**\n2. rope\n   - the long one\n\n> It is wet.\n\n| Name | Boat |\n| --- | ---: |\n"
    "| Ida | 12 |\n\n## End\n\nYours"
)


def bare(document: Document) -> list[Block]:
    """Blocks without anchors, and without what tables are numbered by."""
    return [
        replace(b, points=(), cell=b.cell and b.cell._replace(table=0)) for b in document.blocks
    ]


def read(name: str, data: bytes) -> Read:
    found = FORMATS.named(name).read
    assert found is not None
    return found(data)


def written(name: str, document: Document) -> bytes:
    found = FORMATS.named(name).write
    assert found is not None
    return found(document).data


class RoundTrips(unittest.TestCase):
    def comes_back(self, name: str, document: Document) -> None:
        assume(not lowered_and_raised(document))
        self.assertEqual(bare(read(name, written(name, document)).document), bare(document))

    @given(documents)
    @settings(deadline=None, max_examples=40, suppress_health_check=list(HealthCheck))
    def test_word_documents(self, document: Document) -> None:
        self.comes_back("docx", document)

    @given(documents)
    @settings(deadline=None, max_examples=60, suppress_health_check=list(HealthCheck))
    def test_open_documents(self, document: Document) -> None:
        self.comes_back("odt", document)

    @given(documents)
    @settings(deadline=None, max_examples=60, suppress_health_check=list(HealthCheck))
    def test_html(self, document: Document) -> None:
        # An item without words, with others below it, has no element of its own.
        assume(all(b.text.strip(" \n") for b in document.blocks if b.kind == Kind.ITEM))
        self.comes_back("html", document)

    def test_margin_notes_are_comments(self) -> None:
        document = from_markdown(LETTER)
        where = Range(Position(1, 5), Position(1, 12))
        noted = added(document, where, "Which one?\nAsk.").apply(document)
        settled = changed(noted, notes_of(noted)[0], settled=True).apply(noted)
        for name in ("docx", "odt"):
            for held in (noted, settled):
                [note] = notes_of(read(name, written(name, held)).document)
                [wanted] = notes_of(held)
                self.assertEqual((note.text, note.range, note.settled),
                                 (wanted.text, where, wanted.settled), name)  # fmt: skip

    def test_notes_that_a_format_cannot_hold_are_told(self) -> None:
        document = from_markdown("The stair")
        noted = added(document, Range(Position(0, 0), Position(0, 3)), "Hm").apply(document)
        for name in ("html", "pdf"):
            write = FORMATS.named(name).write
            assert write is not None
            self.assertIn("1 left out", " ".join(write(noted).losses), name)


class Elsewhere(unittest.TestCase):
    def test_a_word_document_of_another_program(self) -> None:
        file = docx.Document()
        file.add_heading("Minutes", 0)
        file.add_heading("Deep", 5)
        file.add_paragraph("oil", style="List Bullet 2")
        file.add_paragraph("first", style="List Number")
        strong = file.add_paragraph()
        strong.add_run("bold").bold = True
        strong.add_run(" and Comic").font.name = "Comic Sans MS"
        table = file.add_table(2, 2)
        table.cell(0, 0).merge(table.cell(0, 1)).text = "both"
        out = io.BytesIO()
        file.save(out)
        found = read("docx", out.getvalue())
        kinds = [(b.kind, b.level, b.list) for b in found.document.blocks[:4]]
        self.assertEqual(
            kinds,
            [("heading", 1, None), ("heading", 3, None), ("item", 2, "bulleted"),
             ("item", 1, "numbered")],
        )  # fmt: skip
        self.assertEqual(sum(1 for b in found.document.blocks if b.cell), 4)
        for word in ("third level", "Comic Sans", "joined"):
            self.assertIn(word, " ".join(found.losses))

    @unittest.skipUnless(shutil.which("soffice"), "LibreOffice is not installed here")
    def test_what_is_written_opens_in_libreoffice_and_comes_back(self) -> None:
        document = from_markdown(LETTER)
        with tempfile.TemporaryDirectory() as name:
            folder = Path(name)
            for form, other in (("docx", "odt"), ("odt", "docx")):
                path = folder / f"letter.{form}"
                path.write_bytes(written(form, document))
                subprocess.run(
                    ["soffice", "--headless", f"-env:UserInstallation=file://{folder}/profile",
                     "--convert-to", other, "--outdir", name, str(path)],
                    check=True, capture_output=True, timeout=180,
                )  # fmt: skip
                back = read(other, (folder / f"letter.{other}").read_bytes()).document
                self.assertEqual(to_text(back), to_text(document), form)
                kinds = [(b.kind, b.level, b.list) for b in back.blocks if b.text]
                wanted = [(b.kind, b.level, b.list) for b in document.blocks if b.text]
                self.assertEqual(kinds, wanted, form)

    def test_html_of_a_page(self) -> None:
        found = read(
            "html",
            b"<!doctype html><html><head><title>x</title></head><body><script>evil()</script>"
            b"<div>One <b>two</b><br>three</div><ul><li>a<ol><li>b</li></ol></li></ul>"
            b'<a href="javascript:evil()">link</a><h5 onclick="evil()">Deep</h5>'
            b"<table><tr><th>n</th></tr><tr><td>1</td><td>2</td></tr></table></body></html>",
        )
        self.assertEqual(
            [b.text for b in found.document.blocks],
            ["One two\nthree", "a", "b", "link", "Deep", "n", "", "1", "2"],
        )
        self.assertFalse(any(s.mark == "link" for b in found.document.blocks for s in b.spans))
        self.assertIn("Scripts were left out.", found.losses)

    def test_a_file_is_what_it_holds_and_not_what_it_is_called(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            path = Path(name) / "letter.txt"
            path.write_bytes(written("odt", from_markdown(LETTER)))
            self.assertEqual(
                to_text(read_file(path, "It").document), to_text(from_markdown(LETTER))
            )
            for wrong, data in (
                ("a.docx", b"just words"),
                ("b.odt", b"%PDF-1.7"),
                ("c.md", b"%PDF-"),
            ):
                other = Path(name) / wrong
                other.write_bytes(data)
                with self.assertRaises(BadInput):
                    read_file(other, "It")

    def test_links_that_run_something_are_none(self) -> None:
        for target in (
            "javascript:x",
            " JaVa\tscript:x",
            "data:text/html,x",
            "file:///etc",
            "vbscript:x",
        ):
            self.assertIsNone(safe_link(target), target)
        for target in ("https://example.org", "mailto:ida@example.org", "page.html", "#end"):
            self.assertEqual(safe_link(target), target)


class Printed(unittest.TestCase):
    def test_the_text_of_a_pdf_is_the_documents_in_its_order(self) -> None:
        document = from_markdown("\n\n".join([LETTER] * 12))
        reader = pypdf.PdfReader(io.BytesIO(written("pdf", document)))
        text = " ".join("".join(p.extract_text() for p in reader.pages).split())
        for word in ("Dear Harbour Board", "oil", "the long one", "It is wet.", "Yours"):
            self.assertIn(word, text)
        self.assertGreater(len(reader.pages), 1)
        self.assertEqual(reader.metadata.title if reader.metadata else "", "The stair")
        self.assertEqual(reader.trailer["/Root"]["/Lang"], "en-GB")
        self.assertEqual(len([x for x in reader.outline if not isinstance(x, list)]), 12)

    def test_no_line_leaves_its_page_and_no_heading_is_left_alone(self) -> None:
        document = from_markdown("\n\n".join([LETTER] * 20))
        sheets = pages(LineIndex().layout(document, PageStyle()))
        numbers = [line.number for sheet in sheets for line in sheet]
        self.assertEqual(numbers, list(range(1, len(numbers) + 1)))
        for sheet in sheets:
            self.assertLessEqual(sheet[-1].top + sheet[-1].height, ROOM)
        for sheet in sheets[:-1]:
            last = document.blocks[sheet[-1].parts[0][0]]
            self.assertNotEqual(last.kind, "heading")


class Hostile(unittest.TestCase):
    def test_each_is_refused_or_made_harmless_soon(self) -> None:
        self.assertGreaterEqual(len(HOSTILE), 60)
        with tempfile.TemporaryDirectory() as name, mock.patch("socket.socket.connect") as called:
            for title, (suffix, make) in HOSTILE.items():
                with self.subTest(title):
                    path = Path(name) / f"letter{suffix}"
                    path.write_bytes(make())
                    began = time.process_time()
                    try:
                        found = read_file(path, "The file")
                    except LanternError as error:
                        self.assertNotIn("\n", str(error))
                    else:
                        text = to_text(found.document)
                        self.assertNotIn("SECRET", text)
                        links = [s.value for b in found.document.blocks for s in b.spans
                                 if s.mark == "link"]  # fmt: skip
                        self.assertFalse([x for x in links if x and safe_link(x) is None])
                    self.assertLess(time.process_time() - began, PATIENCE_SECONDS)
            called.assert_not_called()
            self.assertEqual(sorted(p.suffix for p in Path(name).iterdir()),
                             sorted({s for s, _ in HOSTILE.values()}))  # fmt: skip
        used = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
        self.assertLess(used, 1_500, "megabytes of the whole test run")

    def test_macros_and_references_are_dropped_and_told(self) -> None:
        data = office({"word/vbaProject.bin": b"macro"})
        found = read("docx", data)
        self.assertIn("The macros in it were left out.", found.losses)
