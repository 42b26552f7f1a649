"""The browser draws exactly the lines that the core computed, as wide as it computed them."""

from __future__ import annotations

import tempfile
import time
import unittest
from pathlib import Path
from typing import Any

from selenium.webdriver import Chrome

from bench._world import document as prose
from nimble_lantern.core.document.layout import Layout, LineIndex, PageStyle
from nimble_lantern.core.document.metrics import FAMILIES
from nimble_lantern.core.document.model import Block, Document, Span
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from tests.browser.chromium import chromium
from tests.server import Server

PARAGRAPHS = 50
SIZES = ("12", "12", "10", "14", "20", "12", "32", "12")
MEASURE = """
await document.fonts.ready;
return [...document.querySelectorAll('.row-line')].map(row => {
  const ink = row.querySelector('.ink'), line = row.querySelector('.line');
  const drawn = [...ink.querySelectorAll('.run')].map(r => r.getBoundingClientRect());
  const words = ink.textContent.replace(/ +$/, '');
  const range = document.createRange();
  let left = Infinity, right = -Infinity;
  const runs = [...ink.querySelectorAll('.run')];
  let rest = words.length;
  for (const run of runs) {
    const text = run.firstChild, size = Math.min(rest, text.length);
    if (size <= 0) break;
    range.setStart(text, 0); range.setEnd(text, size);
    const box = range.getBoundingClientRect();
    left = Math.min(left, box.left); right = Math.max(right, box.right);
    rest -= size;
  }
  const tall = new Set(drawn.map(d => Math.round(d.bottom)));
  return {number: Number(row.dataset.line), width: rest < words.length ? right - left : 0,
          over: right - line.getBoundingClientRect().right,
          indent: parseFloat(line.style.paddingLeft), text: ink.textContent};
});
"""


def paragraphs(family: str) -> Document:
    """Fifty paragraphs in a family, some of it bold, italic, larger and smaller."""
    blocks = []
    for n, block in enumerate(prose(6_000, seed=len(family)).blocks[:PARAGRAPHS]):
        size = len(block.text)
        spans = [Span(0, size, "font", family), Span(size // 3, size // 2, "bold")]
        spans += [Span(size // 4, size // 3, "italic"), Span(size - 9, size - 1, "superscript")]
        spans += [Span(size // 2, size - 20, "size", SIZES[n % len(SIZES)])]
        kinds = ({}, {"kind": "quotation"}, {"kind": "item", "level": 1, "list": "bulleted"})
        blocks.append(Block(block.text, tuple(spans), **kinds[n % 5] if n % 5 < 3 else {}))
    return Document(tuple(blocks))


class Lines(unittest.TestCase):
    def test_every_line_of_every_family_is_as_wide_as_computed(self) -> None:
        with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as name:
            folder = Path(name)
            engine = connect(folder / "lantern.sqlite3")
            journal = open_journal(engine)
            for family in FAMILIES:
                journal.add(family, paragraphs(family))
            engine.dispose()
            server = Server(folder)
            self.addCleanup(server.stop)
            with chromium() as driver:
                for family in FAMILIES:
                    server.says(f"open {family.lower()}")
                    server.says("go to the start")
                    layout = LineIndex().layout(paragraphs(family), PageStyle())
                    driver.get(server.address)
                    self._check(server, driver, layout, family)

    def _check(self, server: Server, driver: Chrome, layout: Layout, family: str) -> None:
        expected = {n: parts[0][1] for n, parts in layout.rows(1, layout.count)}
        seen: set[int] = set()
        shown: list[int] = []
        for _ in range(60):
            rows = self._next_screen(driver, shown)
            shown = [row["number"] for row in rows]
            for row in rows:
                line = expected[row["number"]]
                what = f"{family}, line {row['number']}: {row['text']!r}"
                self.assertAlmostEqual(row["width"], line.width, delta=1.0, msg=what)
                self.assertLessEqual(row["over"], 1.0, what)
                seen.add(row["number"])
            if len(seen) == layout.count:
                break
            server.says("scroll down")
        self.assertEqual(seen, set(expected), family)

    def _next_screen(self, driver: Chrome, before: list[int]) -> list[dict[str, Any]]:
        """What is drawn, once it is another screen than before; the page may be behind."""
        deadline = time.monotonic() + 5
        while True:
            time.sleep(0.3)
            rows: list[dict[str, Any]] = driver.execute_script(MEASURE)
            if rows and [r["number"] for r in rows] != before or time.monotonic() > deadline:
                return rows
