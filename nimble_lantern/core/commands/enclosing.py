"""Quotation marks, brackets, braces and commas round words, or off them."""

from __future__ import annotations

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.when import just_made
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Words
from nimble_lantern.core.targets.resolve import resolve

_MARKS = {
    ("quotes", "british"): ("‘", "’"),
    ("quotes", "american"): ("“", "”"),
    ("single", ""): ("‘", "’"),
    ("double", ""): ("“", "”"),
    ("brackets", ""): ("(", ")"),
    ("square", ""): ("[", "]"),
    ("braces", ""): ("{", "}"),
    ("commas", ""): (",", ","),
    ("dashes", ""): (" –", " –"),
}
_OFF = {
    "quotes": ("‘“\"'", "’”\"'"),
    "single": ("‘'", "’'"),
    "double": ('“"', '”"'),
    "brackets": ("(", ")"),
    "square": ("[", "]"),
    "braces": ("{", "}"),
    "commas": (",", ","),
    "dashes": ("–—", "–—"),
}
CATALOGUE.table(
    "round",
    {
        "(quotes | quotation marks | quote marks | inverted commas | speech marks)": "quotes",
        "single (quotes | quotation marks)": "single",
        "double (quotes | quotation marks)": "double",
        "([round] brackets | parentheses)": "brackets",
        "square brackets": "square",
        "(braces | curly brackets)": "braces",
        "commas": "commas",
        "dashes": "dashes",
    },
)
CATALOGUE.table("about", {"(round | around | about)": True})


def _names_something(sitting: Sitting, parse: Parse) -> bool:
    """ "The brackets" puts none round a "the"."""
    target = parse.args.get("target")
    return not isinstance(target, Words) or not set(target.words) <= {"the", "a", "an"}


@command(
    "(<put> | set | draw) {round} <about> {target}",
    *frames.made("{round}"),
    "(enclose | wrap | surround | close) {target} (in | with) {round}",
    "(quote | put quotes on) {target}",
    "(<put> | set) {target} (between | inside | within | in between) {round}",
    "{target} (between | inside | within) {round}",
    "{round} <about> {target}",
    "(add | give) {round} to {target}",
    "give {target} {round}",
    Way("in {round}", when=just_made),
    example="put brackets round the last two words",
    group="revising",
    when=_names_something,
)
def enclose(sitting: Sitting, target: Places | None = None, round: str = "") -> Done:
    """Put quotation marks, brackets, braces, commas or dashes round a target."""
    target = target or Places(sitting.that)
    kind = round or "quotes"
    dialect = sitting.settings.dialect if kind == "quotes" else ""
    before, after_mark = _MARKS[kind, dialect]
    after = sitting
    for r in sorted(target.ranges, reverse=True):
        after = after.edited(_round(after, r, before, after_mark, kind))
    first = target.first
    shown = Range(first.start, first.end)
    grown = Range(
        Position(first.start.block, first.start.offset),
        Position(shown.end.block, shown.end.offset + len(before) + len(after_mark)),
    )
    if kind in ("commas", "dashes") or grown.end.block != grown.start.block:
        grown = shown
    return Done(after.about([grown]), f"{quoted(sitting.document.text(first))} is in {kind} now")


@command("(bracket | parenthesise) [off] {target}", "(put | set) a bracket <about> {target}",
         "make {target} bracketed",
         example="bracket the last two words", group="revising")  # fmt: skip
def bracket(sitting: Sitting, target: Places) -> Done:
    """Put brackets round a target."""
    return enclose(sitting, target, "brackets")


def _round(sitting: Sitting, r: Range, before: str, after: str, kind: str) -> Edit:
    left = sitting.document.blocks[r.start.block].text[: r.start.offset]
    right = sitting.document.blocks[r.end.block].text[r.end.offset :]
    opening = Splice(r.start.block, r.start.offset, r.start.offset, Piece(before))
    if kind in ("commas", "dashes"):
        # They stand against the word before, and none is needed at a sentence's edge.
        at = len(left.rstrip(" "))
        opening = Splice(r.start.block, at, at, Piece(before if left.strip() else ""))
        after = "" if right[:1] in (",", ".", ";", "?", "!", "") else after
    elif kind == "brackets" and left.rstrip(" ").endswith(","):
        # A comma before brackets is none after them: "the café (which does soup)".
        at = len(left.rstrip(" ")) - 1
        opening = Splice(r.start.block, at, r.start.offset, Piece(f" {before}"))
    closing = Splice(r.end.block, r.end.offset, r.end.offset, Piece(after))
    return Edit((closing, opening))


def _stands_in_them(sitting: Sitting, parse: Parse) -> bool:
    """ "The blue one without brackets", of words that have them."""
    found = resolve(parse.args["target"], sitting, near=False)
    kind = str(parse.args["round"])
    ranges = found.ranges if isinstance(found, Places) else ()
    return any(_enclosing(sitting, r, kind) is not None for r in ranges)


@command(
    "<undress> [the] {round} (off | from | on | of) {target}",
    "(take | lift | get) [the] {round} (off | away from | from) {target}",
    "(<undress> | take | take out) [the] {round} <about> {target}",
    "<make> {target} out of [(the | its | their)] {round}",
    "(take | get | bring) {target} out of [(the | its | their)] {round}",
    Way("{target} without [(the | its | their)] {round}", when=_stands_in_them),
    "no {round} <about> {target}",
    "(unquote | unbracket) {target}",
    "(<undress> | take | take out) [(the | both | both the | those)] {round} [(off | away | out)]",
    "no {round}",
    example="take the quotes off that",
    group="revising",
)
def release(sitting: Sitting, target: Places | None = None, round: str = "") -> Done | Refusal:
    """Take quotation marks, brackets, braces or commas off a target, or off those round here."""
    kinds = [round] if round else ["quotes", "brackets", "square", "braces"]
    here = (Range(sitting.writing_place, sitting.writing_place),)
    ranges = target.ranges if target else sitting.that or here
    after, freed = sitting, 0
    for r in sorted(ranges, reverse=True):
        found = next((f for k in kinds if (f := _enclosing(after, r, k))), None)
        if found is None:
            continue
        b, opened, closed = found
        steps = (Splice(b, closed, closed + 1, Piece()), Splice(b, opened, opened + 1, Piece()))
        after, freed = after.edited(Edit(steps)), freed + 1
    if not freed and target is None:
        after, freed = _only_pair(sitting, kinds)
    if not freed:
        return Refusal(f"There are no {round or 'quotes or brackets'} round that.")
    kept = tuple(m for r in ranges if not r.empty and after.document.contains((m := r).end))
    return Done(after.about(kept if freed == 0 else ()), f"took the {round or 'marks'} off")


def _only_pair(sitting: Sitting, kinds: list[str]) -> tuple[Sitting, int]:
    """Without the one pair of marks that the text has; as it is if it has several, or none."""
    found: set[tuple[int, int, int]] = set()
    for kind in kinds:
        for b, block in enumerate(sitting.document.blocks):
            for i, c in enumerate(block.text):
                if c in _OFF[kind][0] and c not in "'’":
                    inside = Position(b, i + 1)
                    if pair := _enclosing(sitting, Range(inside, inside), kind):
                        found.add(pair)
    if len(found) != 1:
        return sitting, 0
    b, opened, closed = found.pop()
    steps = (Splice(b, closed, closed + 1, Piece()), Splice(b, opened, opened + 1, Piece()))
    return sitting.edited(Edit(steps)), 1


def _enclosing(sitting: Sitting, r: Range, kind: str) -> tuple[int, int, int] | None:
    """(block, opening, closing) of the marks just inside or round a range."""
    openers, closers = _OFF[kind]
    b, text = r.start.block, sitting.document.blocks[r.start.block].text
    if r.end.block != b:
        return None
    start, end = r.start.offset, r.end.offset
    if end - start > 1 and text[start] in openers and text[end - 1] in closers:
        return b, start, end - 1
    left, right = start - 1, end
    while left >= 0 and text[left] not in openers:
        left -= 1
    while right < len(text) and text[right] not in closers:
        right += 1
    return (b, left, right) if left >= 0 and right < len(text) else None
