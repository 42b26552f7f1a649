"""Parts of a letter by what they are: its greeting, its closing words, the name below them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.document.model import Document, Kind, Position, Range
from nimble_lantern.core.document.units import block_range, dated
from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.sentences import CLOSINGS
from nimble_lantern.core.targets.finding import Absent, Answer, View, finds
from nimble_lantern.core.targets.measures import of_sort
from nimble_lantern.core.targets.model import OfLetter, Places, Unit

_GREETING = frozenset("dear hello hi".split())
_HEAD = 8
"""Paragraphs from the top among which the greeting is: an address and a date come before."""
GREETING, CLOSING, SIGNATURE = "greeting", "closing", "signature"
POSTSCRIPT, ADDRESS, DATE = "postscript", "address", "date"
CATALOGUE.table(
    "of_a_letter",
    {
        "(greeting | salutation)": GREETING,
        "(closing | sign off | valediction | closing words)": CLOSING,
        "signature": SIGNATURE,
        "address [at the top]": ADDRESS,
        "date (at the top | of (the | this | my) letter)": DATE,
        "(ps | p s | postscript)": POSTSCRIPT,
    },
    heard=False,
)


@rule("described", "(the | my) {of_a_letter}", heard=False)
def _part_of_a_letter(of_a_letter: str) -> OfLetter:
    return OfLetter(of_a_letter)


@rule("signing_off", "(sign | close) [it] off", heard=False)
def _signing_off() -> OfLetter:
    return OfLetter(CLOSING)


@rule(
    "described",
    "my name [at the (end | bottom | foot)]",
    "the name at the (end | bottom | foot) [of the letter]",
    heard=False,
)
def _my_name() -> OfLetter:
    return OfLetter(SIGNATURE)


@finds(OfLetter)
def _of_letter(target: OfLetter, view: View, near: bool) -> Answer:
    finders = {GREETING: greeting, POSTSCRIPT: _postscript, ADDRESS: _address, DATE: _date}
    finder = finders.get(target.part, _closing)
    found = finder(view.document)
    if found is not None and target.part == SIGNATURE:
        found = _below(view.document, found)
    if found is None:
        return Absent(f"There is no {target.part} here.")
    if target.part == ADDRESS:
        return Places((found,), unit=Unit.PARAGRAPH, named=target.part)
    unit = Unit.PARAGRAPH if _is_whole(view.document, found) else None
    return Places((found,), unit=unit, named=target.part)


def greeting(document: Document) -> Range | None:
    for b, block in enumerate(document.blocks[:_HEAD]):
        if block.text.lower().split()[:1] and block.text.lower().split()[0] in _GREETING:
            return block_range(document, b)
    return None


def _address(document: Document) -> Range | None:
    """The paragraphs above a greeting, or above a date before there is one, that are no heading and
    no date; none where the text speaks of an address."""
    greets = greeting(document)
    above_a_date = next((b for b, block in enumerate(document.blocks) if dated(block)), 0)
    end = greets.start.block if greets is not None else above_a_date
    if any("address" in block.text.lower() for block in document.blocks):
        return None
    above = [
        b
        for b, block in enumerate(document.blocks[:end])
        if block.kind is Kind.PARAGRAPH and block.text.strip() and not dated(block)
    ]
    if not above or above[-1] - above[0] != len(above) - 1:
        return None
    first, last = (block_range(document, b) for b in (above[0], above[-1]))
    return Range(first.start, last.end)


def _date(document: Document) -> Range | None:
    """The first date that stands by itself, else the first one of the text."""
    alone = (block_range(document, b) for b, block in enumerate(document.blocks) if dated(block))
    return next(alone, None) or next(iter(of_sort(document, ("the", "date"))), None)


def _postscript(document: Document) -> Range | None:
    """The last paragraph that begins with "PS"."""
    for b in range(len(document.blocks) - 1, -1, -1):
        first = document.blocks[b].text.split(maxsplit=1)[:1]
        if first and first[0].replace(".", "").rstrip(":") in ("PS", "PPS"):
            return block_range(document, b)
    return None


def _closing(document: Document) -> Range | None:
    """The last line that closes a letter."""
    for b in range(len(document.blocks) - 1, -1, -1):
        at = len(document.blocks[b].text)
        for line in reversed(document.blocks[b].text.split("\n")):
            last = line.rpartition(". ")[2]  # it may stand behind a sentence
            words = tuple(last.strip().rstrip(",.").lower().split())
            if words in CLOSINGS or words[:1] == ("yours",):
                return Range(Position(b, at - len(last)), Position(b, at))
            at -= len(line) + 1
    return None


def foot(document: Document) -> Range | None:
    """The closing words of a letter and the name below them, which nobody counts as sentences."""
    closing = _closing(document)
    if closing is None or document.text(closing)[-1:] == ".":
        return None
    name = _below(document, closing)
    signed = name is not None and document.count_words(name) <= _LONGEST_SIGNATURE
    ended = signed and name is not None and document.text(name)[-1] not in ".!?"
    if not ended or name is None:
        return Range(closing.start, closing.end)
    return Range(closing.start, _with_lines_below(document, name).end)


def _with_lines_below(document: Document, name: Range) -> Range:
    """A name with what stands below it on short lines: "Secretary", a telephone number."""
    end = name.end
    for b in range(end.block + 1, len(document.blocks)):
        block = document.blocks[b]
        text = block.text.strip()
        short = 0 < len(text.split()) <= _LONGEST_SIGNATURE and text[-1] not in ".!?,"
        if block.kind is not Kind.PARAGRAPH or not short or text.startswith("PS"):
            break
        end = block_range(document, b).end
    return Range(name.start, end)


_LONGEST_SIGNATURE = 6


def head(document: Document) -> Range | None:
    """The greeting of a letter, the address and date above it and the line below it that says what
    it is about, which nobody counts as paragraphs; none where a text stands above it."""
    greets = greeting(document)
    if greets is None:
        return None
    said = document.text(greets).rstrip()
    if said[-1] in ".?" or said[-1] != "," and len(said.split()) > _BARE_GREETING:
        return None
    above = document.blocks[: greets.start.block + 1]
    lines = [line.strip() for block in above for line in block.text.split("\n") if line.strip()]
    short = all(len(line.split()) <= _LONGEST_LINE and line[-1] not in ".?" for line in lines)
    return Range(Position(0, 0), _with_its_subject(document, greets).end) if short else None


def _with_its_subject(document: Document, greets: Range) -> Range:
    """A greeting with a short line below it that is no sentence, above those of the text."""
    b = greets.end.block + 1
    if b + 1 >= len(document.blocks):
        return greets
    text, below = document.blocks[b].text.strip(), document.blocks[b + 1].text.strip()
    line = 0 < len(text.split()) <= _LONGEST_LINE and text[-1].isalnum()
    told = document.blocks[b].kind in (Kind.PARAGRAPH, Kind.HEADING)
    if not line or not told or below[-1:] not in (".", "?", "!"):
        return greets
    return Range(greets.start, block_range(document, b).end)


_BARE_GREETING = 4
"""Words of a greeting without a comma at its end."""
_LONGEST_LINE = 8
"""Words of a line above a letter, or of its greeting."""


def edge(document: Document, at: str) -> Position:
    """Where words at the "start" or at the end of a text go: below a letter's greeting, and above
    the closing words that stand on a line of their own with a name below them."""
    above, below = head(document), foot(document)
    if at == "start":
        b = above.end.block + 1 if above is not None else 0
        return Position(b if b < len(document.blocks) else 0, 0)
    if below is None or below.start.offset or below.start.block == below.end.block:
        return document.end
    text = [b for b in range(below.start.block) if document.blocks[b].text.strip()]
    if not text or document.blocks[text[-1]].kind is not Kind.PARAGRAPH:
        return document.end
    return Position(text[-1], len(document.blocks[text[-1]].text))


def to_write_in(document: Document, target: Places) -> Places:
    """The paragraph below a greeting, where the first one is told of, which is none to write in:
    "add we met at the end of the first paragraph"; "at the end of the greeting" names it."""
    if target.unit is not Unit.PARAGRAPH or target.named or len(target.ranges) != 1:
        return target
    return replace(target, ranges=(first_of_the_text(document, target.first),))


def first_of_the_text(document: Document, paragraph: Range) -> Range:
    """The paragraph below a greeting for that, any other for itself."""
    above, greets = head(document), greeting(document)
    if above is None or greets is None or paragraph != greets:
        return paragraph
    below = range(above.end.block + 1, len(document.blocks))
    b = next((b for b in below if document.blocks[b].text.strip()), None)
    if b is None or document.blocks[b].kind is not Kind.PARAGRAPH:
        return paragraph
    return block_range(document, b)


def body(document: Document, paragraphs: Sequence[Range]) -> Sequence[Range]:
    """The paragraphs that are counted below a letterhead: nobody counts its address and date, nor
    the greeting below them, nor the name below the closing words.

    A greeting at the very top counts as the first paragraph, and closing words in one paragraph
    with a name as the last.
    """
    above, below = head(document), foot(document)
    if above is None or above.start.block == above.end.block:
        return paragraphs
    if document.blocks[above.start.block].kind is Kind.HEADING and above.end.block == 1:
        return paragraphs
    if below is not None and document.text(below)[-1] != ",":
        below = below if below.start.block != below.end.block else None
    around = [r for r in (above, below) if r is not None]
    counted = [
        r for r in paragraphs if not any(e.start <= r.start and r.end <= e.end for e in around)
    ]
    return counted or paragraphs


def _below(document: Document, closing: Range) -> Range | None:
    """What stands below a line: in its paragraph, else the next one that says something."""
    b, end = closing.end
    rest = document.blocks[b].text[end:]
    if rest.strip():
        lead = len(rest) - len(rest.lstrip())
        return Range(Position(b, end + lead), Position(b, end + len(rest)))
    for n in range(b + 1, len(document.blocks)):
        block = document.blocks[n]
        if block.text.strip():
            return block_range(document, n) if block.kind is Kind.PARAGRAPH else None
    return None


def _is_whole(document: Document, r: Range) -> bool:
    return r == block_range(document, r.start.block)
