"""CommonMark (0.31) with the tables and strikethrough of GitHub's specification.

Marks that Markdown has no sign for are written as the inline HTML that it allows.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence

from markdown_it import MarkdownIt
from markdown_it.token import Token

from nimble_lantern.core.document.model import Block, Document, Format, Span, normal_spans
from nimble_lantern.formats.runs import nested, outside_spaces

_SIGNS = {"bold": "**", "italic": "*", "strike": "~~"}
_TAGS = {
    "underline": "u",
    "subscript": "sub",
    "superscript": "sup",
    "highlight": "mark",
}
_STYLES = {"colour": "color", "font": "font-family", "size": "font-size"}
_ESCAPED = re.compile(r"([\\`*\[\]<]|(?<![^\W_])_|_(?![^\W_])|~~|&(?=#?\w+;))")
_LINE_START = re.compile(
    r"^(\s*)(#{1,6}(?=\s|$)|[-+](?=\s|$)|>|\d{1,9}(?=[.)](?:\s|$))|-{3,}$|=+$|-{2,}$)"
)


def to_markdown(document: Document) -> str:
    """Blocks parted by a blank line, items of one list by none; empty blocks left out."""
    found: list[str] = []
    last: Block | None = None
    counters: dict[int, int] = {}
    for block in document.blocks:
        if not block.text.strip() and block.kind != "item":
            last = None if block.kind != "item" else last
            continue
        if not block.text.strip():
            continue
        together = (
            last is not None
            and last.kind == block.kind == "item"
            and (last.list == block.list or (last.level or 1) != (block.level or 1))
        )
        if found:
            found.append("\n" if together else "\n\n")
        if not together:
            counters = {}
        found.append(_block(block, counters))
        last = block
    return "".join(found)


def _block(block: Block, counters: dict[int, int]) -> str:
    if block.kind == "table":
        return _table(block)
    text = _inline(block)
    match block.kind:
        case "heading":
            # Signs at a heading's end would close it.
            text = re.sub(r"(^|\s)(#+)$", r"\1\\\2", text.replace("\\\n", " "))
            return "#" * (block.level or 1) + " " + text
        case "item":
            return _item(block, text, counters)
        case "quotation":
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


def _table(block: Block) -> str:
    rows = [row.split("\t") for row in block.text.split("\n")]
    width = max(len(r) for r in rows)
    rows = [r + [""] * (width - len(r)) for r in rows]
    lines = ["| " + " | ".join(c.replace("|", "\\|") for c in r) + " |" for r in rows]
    return "\n".join([lines[0], "|" + " --- |" * width, *lines[1:]])


_PARSER = MarkdownIt("commonmark").enable(["table", "strikethrough"])
_OPEN_TAG = re.compile(r"<(u|sub|sup|mark|b|i|s|em|strong)>|<span style=\"([^\"]*)\">", re.I)
_CLOSE_TAG = re.compile(r"</(u|sub|sup|mark|b|i|s|em|strong|span)>", re.I)
_TAG_MARKS = {
    "u": "underline", "sub": "subscript", "sup": "superscript", "mark": "highlight",
    "b": "bold", "strong": "bold", "i": "italic", "em": "italic", "s": "strike",
}  # fmt: skip


def from_markdown(text: str) -> Document:
    """A document from Markdown.  What the document cannot hold is kept as its plain text."""
    blocks = list(_Blocks().read(_PARSER.parse(text)))
    return Document(tuple(blocks)) if blocks else Document()


class _Blocks:
    def __init__(self) -> None:
        self.lists: list[str] = []
        self.quoted = 0

    def read(self, tokens: Sequence[Token]) -> Iterable[Block]:
        heading = 0
        i = 0
        while i < len(tokens):
            token = tokens[i]
            match token.type:
                case "bullet_list_open":
                    self.lists.append("bulleted")
                case "ordered_list_open":
                    self.lists.append("numbered")
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
                    yield self._table(tokens[i:end])
                    i = end
            i += 1

    def _inline_block(self, token: Token, heading: int) -> Block:
        text, spans = _inline_text(token.children or [])
        form = Format()
        if heading:
            form = Format("heading", heading)
        elif self.lists:
            form = Format("item", len(self.lists), self.lists[-1])
        elif self.quoted:
            form = Format("quotation")
        return Block(text, spans).formatted(form)

    @staticmethod
    def _table(tokens: Sequence[Token]) -> Block:
        rows: list[list[str]] = []
        for token in tokens:
            if token.type == "tr_open":
                rows.append([])
            elif token.type == "inline":
                rows[-1].append(_inline_text(token.children or [])[0])
        return Block("\n".join("\t".join(r) for r in rows), kind="table")


def _inline_text(children: Sequence[Token]) -> tuple[str, tuple[Span, ...]]:
    text = ""
    spans: list[Span] = []
    opened: list[tuple[str, str | None, int]] = []
    pairs = {"strong": "bold", "em": "italic", "s": "strike"}

    def close(*marks: str) -> None:
        nonlocal opened
        for k in range(len(opened) - 1, -1, -1):
            mark, value, start = opened[k]
            if mark in marks:
                spans.append(Span(start, len(text), mark, value))
                opened = opened[:k] + opened[k + 1 :]
                return

    for child in children:
        kind, _, state = child.type.partition("_")
        if child.type in ("text", "code_inline"):
            text += child.content
        elif child.type == "softbreak":
            text += " "
        elif child.type == "hardbreak":
            text += "\n"
        elif child.type == "image":
            text += child.content
        elif kind in pairs and state == "open":
            opened.append((pairs[kind], None, len(text)))
        elif kind in pairs:
            close(pairs[kind])
        elif child.type == "link_open":
            opened.append(("link", str(child.attrGet("href")), len(text)))
        elif child.type == "link_close":
            close("link")
        elif child.type == "html_inline":
            found = _OPEN_TAG.match(child.content)
            if found:
                opened.append((*_tag_mark(found), len(text)))
            elif done := _CLOSE_TAG.match(child.content):
                tag = done[1].lower()
                close(*(_STYLES if tag == "span" else (_TAG_MARKS[tag],)))
            elif child.content.lower().startswith("<br"):
                text += "\n"
    return text, normal_spans(spans, len(text))


def _tag_mark(found: re.Match[str]) -> tuple[str, str | None]:
    if found[1]:
        return _TAG_MARKS[found[1].lower()], None
    name, _, value = found[2].partition(":")
    for mark, style in _STYLES.items():
        if style == name.strip():
            return mark, value.strip().removesuffix("pt") if mark == "size" else value.strip()
    return "colour", None
