"""CommonMark (0.31) with the tables and strikethrough of GitHub's specification.

Marks that Markdown has no sign for are written as the inline HTML that it allows.  What is read is
bounded: a file of a few bytes must not take minutes, nor one nested without end all the memory.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import replace

from markdown_it import MarkdownIt
from markdown_it.token import Token

from nimble_lantern.core.document.model import (
    Align,
    Block,
    Bullets,
    Document,
    Format,
    Kind,
    Piece,
    Span,
    normal_spans,
)
from nimble_lantern.core.document.styles import STYLES
from nimble_lantern.core.document.tables import Table, cells, table_at
from nimble_lantern.core.errors import BadInput
from nimble_lantern.formats.building import notes_lost, widths_lost
from nimble_lantern.formats.registry import FileFormat, Read, Written, counted, decoded
from nimble_lantern.formats.runs import nested, outside_spaces

_SIGNS = {"bold": "**", "italic": "*", "strike": "~~"}
_TAGS = {
    "underline": "u",
    "subscript": "sub",
    "superscript": "sup",
    "highlight": "mark",
}
_STYLES = {"colour": "color", "font": "font-family", "size": "font-size"}
_LAST_BREAKS = re.compile(r"(\\\n)+$")
_ESCAPED = re.compile(r"([\\`*\[\]<]|(?<![^\W_])_|_(?![^\W_])|~~|&(?=#?\w+;))")
_LINE_START = re.compile(
    r"^(\s*)(#{1,6}(?=\s|$)|[-+](?=\s|$)|>|\d{1,9}(?=[.)](?:\s|$))|-{3,}$|=+$|-{2,}$)"
)


def to_markdown(document: Document) -> str:
    """Blocks parted by a blank line, items of one list by none; empty blocks left out."""
    found: list[str] = []
    last: Block | None = None
    counters: dict[int, int] = {}
    b, blocks = 0, document.blocks
    while b < len(blocks):
        block = blocks[b]
        table = table_at(blocks, b)
        if table is not None:
            found += ["\n\n"] if found else []
            found.append(_table(blocks, table))
            last, b = block, table.last + 1
            continue
        b += 1
        if not block.text.strip():
            last = None if block.kind is not Kind.ITEM else last
            continue
        together = last is not None and _one_list(last, block)
        if found:
            found.append("\n" if together else "\n\n")
        if not together:
            counters = {}
        found.append(_block(block, counters))
        last = block
    return "".join(found)


def _one_list(last: Block, block: Block) -> bool:
    items = last.kind is block.kind is Kind.ITEM
    return items and (last.list == block.list or (last.level or 1) != (block.level or 1))


def _block(block: Block, counters: dict[int, int]) -> str:
    # A backslash at the very end would be one, and no line break.
    text = _LAST_BREAKS.sub(lambda m: "<br>" * m[0].count("\n"), _inline(block))
    match block.kind:
        case Kind.HEADING:
            # Signs at a heading's end would close it.
            text = re.sub(r"(^|\s)(#+)$", r"\1\\\2", text.replace("\\\n", " "))
            return "#" * (block.level or 1) + " " + text
        case Kind.ITEM:
            return _item(block, text, counters)
        case Kind.QUOTATION:
            return "\n".join("> " + line for line in text.split("\n"))
    return "\n".join(_guarded(line) for line in text.split("\n"))


def _guarded(line: str) -> str:
    return _LINE_START.sub(
        lambda m: m[1] + (m[2] + "\\" if m[2][0].isdigit() else "\\" + m[2]), line
    )


def _item(block: Block, text: str, counters: dict[int, int]) -> str:
    level = block.level or 1
    for deeper in [k for k in counters if k > level]:
        del counters[deeper]
    counters[level] = counters.get(level, 0) + 1
    sign = f"{counters[level]}." if block.list == "numbered" else "-"
    pad = "   " * (level - 1)
    lines = text.split("\n")
    hang = pad + " " * (len(sign) + 1)
    return f"{pad}{sign} " + ("\n" + hang).join([_guarded(lines[0]), *lines[1:]])


def _inline(block: Block) -> str:
    out: list[str] = []
    for step, what in nested(outside_spaces(block)):
        if step == "text":
            assert isinstance(what, str)
            out.append(_ESCAPED.sub(r"\\\1", what).replace("\n", "\\\n"))
        else:
            assert isinstance(what, tuple)
            out.append(_sign(what[0], what[1] or "", step == "open"))
    return "".join(out)


def _sign(mark: str, value: str, opens: bool) -> str:
    if mark in _SIGNS:
        return _SIGNS[mark]
    if mark in _TAGS:
        return f"<{_TAGS[mark]}>" if opens else f"</{_TAGS[mark]}>"
    if mark == "link":
        return "[" if opens else f"]({value})"
    unit = "pt" if mark == "size" else ""
    return f'<span style="{_STYLES[mark]}: {value}{unit}">' if opens else "</span>"


_RULES = {Align.CENTRE: ":---:", Align.RIGHT: "---:"}


def _table(blocks: Sequence[Block], table: Table) -> str:
    """A pipe table; its first row is its heading row, as there is no other way to write one."""
    lines = []
    for row in range(table.rows):
        cells = (blocks[table.cell(row, column)] for column in range(table.columns))
        lines.append("| " + " | ".join(map(_cell, cells)) + " |")
    heads = (blocks[table.cell(0, column)].align for column in range(table.columns))
    rule = "| " + " | ".join(_RULES.get(align, "---") for align in heads) + " |"
    return "\n".join([lines[0], rule, *lines[1:]])


def _cell(block: Block) -> str:
    """The text of a cell, which is one line: line breaks and pipes are written as they can be."""
    return _inline(block).replace("|", "\\|").replace("\\\n", "<br>")


MOST_BYTES = 10_000_000
MOST_PARTS = 80_000
"""Items, cells and marks, and half of the lines: each takes the parser about 60 microseconds."""
MOST_LEVELS = 9
_PARSER = MarkdownIt("commonmark", {"maxNesting": 100}).enable(["table", "strikethrough"])
_ITEM = re.compile(r"^[ \t>]*(?:[-+*]|\d{1,9}[.)])[ \t]", re.M)
_DEEP_QUOTE = re.compile(r"^((?: {0,3}> ?){9})[> ]*", re.M)
_DEEP_INDENT = re.compile(r"^( {40}) +(?=(?:[-+*]|\d{1,9}[.)])[ \t])", re.M)
_NO_TEXT = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff\ufffe\uffff]")
_OPEN_TAG = re.compile(r"<(u|sub|sup|mark|b|i|s|em|strong)>|<span style=\"([^\"]*)\">", re.I)
_CLOSE_TAG = re.compile(r"</(u|sub|sup|mark|b|i|s|em|strong|span)>", re.I)
_TAG_MARKS = {
    "u": "underline", "sub": "subscript", "sup": "superscript", "mark": "highlight",
    "b": "bold", "strong": "bold", "i": "italic", "em": "italic", "s": "strike",
}  # fmt: skip


def from_markdown(text: str) -> Document:
    """A document from Markdown.  What the document cannot hold is kept as its plain text."""
    return read_markdown(text)[0]


def read_markdown(text: str) -> tuple[Document, tuple[str, ...]]:
    """A document from Markdown, and sentences about what of it was changed or left out.

    BadInput for a text that is too large or has too many parts.
    """
    if len(text) > MOST_BYTES:
        raise BadInput(
            f"This text has {len(text) / 1e6:.0f} million characters, and {MOST_BYTES / 1e6:.0f} "
            "are the most that is opened; make several of it."
        )
    parts = _parts(text)
    if parts > MOST_PARTS:
        raise BadInput(
            f"This text has about {parts:,} items, cells, marks and lines, and {MOST_PARTS:,} are "
            "the most that is opened; make several of it."
        )
    read = _Blocks()
    bare = _NO_TEXT.sub("", text)
    flat = _DEEP_INDENT.sub(r"\1", _DEEP_QUOTE.sub(r"\1", bare))
    blocks = tuple(read.read(_PARSER.parse(flat)))
    if len(bare) < len(text):
        read.losses.add("Signs that are no text were left out.")
    return Document(blocks or (Block(),)), tuple(sorted(read.losses))


def _parts(text: str) -> int:
    signs = sum(text.count(sign) for sign in "*_`~[<&|!")
    return len(_ITEM.findall(text)) + signs + text.count("\n") // 2


class _Blocks:
    def __init__(self) -> None:
        self.lists: list[Bullets] = []
        self.quoted = self.tables = 0
        self.losses: set[str] = set()

    def read(self, tokens: Sequence[Token]) -> Iterable[Block]:
        heading = 0
        i = 0
        while i < len(tokens):
            token = tokens[i]
            match token.type:
                case "bullet_list_open":
                    self.lists.append(Bullets.BULLETED)
                case "ordered_list_open":
                    self.lists.append(Bullets.NUMBERED)
                case "bullet_list_close" | "ordered_list_close":
                    self.lists.pop()
                case "blockquote_open":
                    self.quoted += 1
                case "blockquote_close":
                    self.quoted -= 1
                case "heading_open":
                    heading = min(3, int(token.tag[1]))
                case "heading_close":
                    heading = 0
                case "inline":
                    yield self._inline_block(token, heading)
                case "fence" | "code_block":
                    yield Block(token.content.rstrip("\n"))
                case "html_block":
                    yield Block(re.sub(r"<[^>]*>", "", token.content).strip("\n"))
                case "table_open":
                    end = next(k for k in range(i, len(tokens)) if tokens[k].type == "table_close")
                    yield from self._table(tokens[i:end])
                    i = end
            i += 1

    def _inline_block(self, token: Token, heading: int) -> Block:
        text, spans = _inline_text(token.children or [], self.losses)
        form = Format()
        if heading:
            form = Format(Kind.HEADING, heading)
        elif self.lists:
            if len(self.lists) > MOST_LEVELS:
                self.losses.add(f"Items deeper than level {MOST_LEVELS} were put on that level.")
            form = Format(Kind.ITEM, min(len(self.lists), MOST_LEVELS), self.lists[-1])
        elif self.quoted:
            form = Format(Kind.QUOTATION)
        return Block(text, spans).formatted(form)

    def _table(self, tokens: Sequence[Token]) -> tuple[Block, ...]:
        rows: list[list[Piece]] = []
        aligned: list[Align] = []
        for token in tokens:
            if token.type == "tr_open":
                rows.append([])
            elif token.type in ("th_open", "td_open"):
                style = str(token.attrGet("style") or "")
                aligned.append(_ALIGNED.get(style.removeprefix("text-align:"), Align.LEFT))
            elif token.type == "inline":
                rows[-1].append(Piece(*_inline_text(token.children or [], self.losses)))
        self.tables += 1
        made = cells(rows, self.tables)
        if len(made) != len(aligned):
            return made
        return tuple(replace(b, align=align) for b, align in zip(made, aligned, strict=True))


_ALIGNED = {"center": Align.CENTRE, "right": Align.RIGHT}
_PAIRS = {"strong": "bold", "em": "italic", "s": "strike"}


class _Inline:
    """The text of one block's inline tokens, with what is open at the moment."""

    def __init__(self, losses: set[str]) -> None:
        self.losses = losses
        self.parts: list[str] = []
        self.length = 0
        self.spans: list[Span] = []
        self.opened: list[tuple[str, str | None, int]] = []

    def add(self, text: str) -> None:
        self.parts.append(text)
        self.length += len(text)

    def open(self, mark: str, value: str | None = None) -> None:
        self.opened.append((mark, value, self.length))

    def close(self, *marks: str) -> None:
        for k in range(len(self.opened) - 1, -1, -1):
            mark, value, start = self.opened[k]
            if mark in marks:
                if mark != _NOTHING:
                    self.spans.append(Span(start, self.length, mark, value))
                del self.opened[k]
                return

    def take(self, token: Token) -> None:
        kind, _, state = token.type.partition("_")
        if token.type in ("text", "code_inline", "image"):
            self.add(token.content)
        elif token.type == "softbreak":
            self.add(" ")
        elif token.type == "hardbreak":
            self.add("\n")
        elif kind in _PAIRS:
            if state == "open":
                self.open(_PAIRS[kind])
            else:
                self.close(_PAIRS[kind])
        elif token.type == "link_open":
            self.open("link", str(token.attrGet("href")))
        elif token.type == "link_close":
            self.close("link")
        elif token.type == "html_inline":
            self._tag(token.content)

    def _tag(self, tag: str) -> None:
        if found := _OPEN_TAG.match(tag):
            if found[1]:
                self.open(_TAG_MARKS[found[1].lower()])
            else:
                self._style(found[2])
        elif done := _CLOSE_TAG.match(tag):
            name = done[1].lower()
            self.close(*((*_STYLES, _NOTHING) if name == "span" else (_TAG_MARKS[name],)))
        elif tag.lower().startswith("<br"):
            self.add("\n")

    def _style(self, declaration: str) -> None:
        name, _, text = declaration.partition(":")
        for mark, style in _STYLES.items():
            if style == name.strip().lower():
                value = STYLES[mark](text.rstrip("; "))
                if value is None:
                    self.losses.add(
                        f"The {mark} “{text.strip()[:40]}” is not known and was left out."
                    )
                self.open(mark if value else _NOTHING, value)
                return
        self.open(_NOTHING)


_NOTHING = ""
"""Opened by a span that gives nothing the document holds, so that its end closes no other."""


def _inline_text(children: Sequence[Token], losses: set[str]) -> tuple[str, tuple[Span, ...]]:
    found = _Inline(losses)
    for child in children:
        found.take(child)
    text = "".join(found.parts)
    return text, normal_spans(found.spans, len(text))


def _losses(document: Document) -> tuple[str, ...]:
    blocks = [b for b in document.blocks if b.text.strip()]
    aligned = (b.align for b in blocks if b.align is not Align.LEFT and b.cell is None)
    spaced = ("wider spacing" for b in blocks if b.spacing != 1.0)
    broken = (
        "line breaks in headings" for b in blocks if b.kind is Kind.HEADING and "\n" in b.text
    )
    return (
        *counted(aligned, "Markdown cannot set paragraphs {what}: this is left out {count}."),
        *counted(spaced, "Markdown has no {what}: it is left out {count}."),
        *counted(broken, "Markdown has no {what}: they are spaces {count}."),
        *widths_lost(document, "Markdown"),
        *notes_lost(document, "Markdown"),
    )


def _read(data: bytes) -> Read:
    return Read(*read_markdown(decoded(data)))


def _write(document: Document) -> Written:
    return Written(to_markdown(document).encode(), _losses(document))


FORMAT = FileFormat("markdown", (".md", ".markdown"), "text/markdown", _read, _write)
