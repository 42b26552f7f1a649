"""Numbers that stand there, in digits or in words: "four as a number", "the eight in words"."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Block, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.rewriting import rewrite_last
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, That, is_target
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.writing.capitals import capitalised, starts_sentence
from nimble_lantern.core.writing.cardinals import NUMBER_WORDS
from nimble_lantern.core.writing.forms import Around
from nimble_lantern.core.writing.numbers import number_at

DIGITS, WORDS = "digits", "words"
CATALOGUE.table(
    "figured",
    {
        "[a] (digit | figure | numeral | number)": DIGITS,
        "(digits | figures | numerals)": DIGITS,
        "[a] word": WORDS,
        "words": WORDS,
    },
    heard=False,
)


class _Found(NamedTuple):
    """A number in a block, from character `start` to `end`, and how it is written otherwise."""

    block: int
    start: int
    end: int
    new: str

    @property
    def range(self) -> Range:
        return Range(Position(self.block, self.start), Position(self.block, self.end))


def _in_block(
    block: Block, n: int, form: str, dialect: str, within: tuple[int, int] | None = None
) -> Iterator[_Found]:
    """The numbers of a block, or of the words `within` it, that are written in the other form."""
    first, last = within or (0, len(block.text))
    held = [(s, e) for s, e in block.words if first <= s and s < last]
    spans = [(s, s + len(block.text[s:e].rstrip(_CLOSING))) for s, e in held]
    words = [block.text[s:e].lower().replace(",", "") for s, e in spans]
    i = 0
    while i < len(words):
        of_words = words[i].split("-")[0] in NUMBER_WORDS
        around = Around(tuple(words[:i]), dialect, DIGITS)
        found = number_at(words, i, around) if of_words or words[i].isdigit() else None
        if found is None:
            i += 1
            continue
        start, end = spans[i][0], spans[i + found.used - 1][1]
        old, new = block.text[start:end], getattr(found, form)
        if form == WORDS and starts_sentence(block.text[:start]):
            new = capitalised(new)
        if new != old and old[:1].isdigit() == (form == WORDS):
            yield _Found(n, start, end, new)
        i += found.used


_CLOSING = ".,;:?!…’”)"


def _numbers(sitting: Sitting, ranges: tuple[Range, ...], form: str) -> list[_Found]:
    """The numbers in some ranges that are written in the other form."""
    blocks, dialect = sitting.document.blocks, sitting.settings.dialect
    numbers: list[_Found] = []
    for r in ranges:
        inside = [
            found
            for b in range(r.start.block, r.end.block + 1)
            for found in _in_block(blocks[b], b, form, dialect)
            if r.start <= found.range.start and found.range.end <= r.end
        ]
        if not inside and r.start.block == r.end.block:
            # "Forty" of "forty pounds", which is a price when it is read on.
            b, part = r.start.block, (r.start.offset, r.end.offset)
            inside = list(_in_block(blocks[b], b, form, dialect, part))
        numbers += inside
    return numbers


def _has_numbers(sitting: Sitting, parse: Parse) -> bool:
    """ "Four as a number", where it is in words; "the ferry as a number" is no request."""
    target = parse.args.get("target")
    form = str(parse.args.get("figured", DIGITS))
    there = resolve(target, sitting) if is_target(target) else None
    if isinstance(target, That) and any(getattr(c.choice, form) for c in sitting.choices):
        return True
    return isinstance(there, Places) and bool(_numbers(sitting, there.ranges, form))


def _any_numbers(sitting: Sitting, parse: Parse) -> bool:
    return bool(_all_numbers(sitting, str(parse.args.get("figured", DIGITS))))


def _all_numbers(sitting: Sitting, form: str) -> list[_Found]:
    """Every number of the text but those of dates: "4 May" stays."""

    def dated(found: _Found) -> bool:
        text = sitting.document.blocks[found.block].text
        beside = (*text[: found.start].split()[-1:], *text[found.end :].split()[:1])
        return not MONTHS.keys().isdisjoint(w.strip(".,;:()").lower() for w in beside)

    return [n for n in _numbers(sitting, (sitting.document.whole,), form) if not dated(n)]


def _changed(sitting: Sitting, found: list[_Found]) -> Done:
    """Written in the other form, the last first, so that places stay where they are."""
    after = sitting
    for one in reversed(found):
        block = after.document.blocks[one.block]
        marks = {(s.mark, s.value) for s in block.marks_at(one.start)}
        edit = Edit((Splice(one.block, one.start, one.end, Piece(one.new).marked(marks)),))
        after = after.edited(edit)
    first = found[0]
    end = Position(first.block, first.start + len(first.new))
    old = sitting.document.text(first.range)
    more = f", and {len(found) - 1} more" if len(found) > 1 else ""
    made = after.about([Range(first.range.start, end)])
    return Done(made, f"“{old}” is “{first.new}” now{more}")


@command(
    *each(
        _has_numbers,
        "(<make> | write | put | turn | change | set | show) {target} (in | into | as | to)"
        " {figured}",
        "make {target} {figured}",
        "{target} (in | as | into) {figured}",
        "{target} <shall> be [(in | as | written as)] {figured}",
        "<wish> {target} (in | as | to be | as) {figured}",
    ),
    Way(
        "(<make> | write) [all] [of] (the | these | those | my) (numbers | figures | digits)"
        " [in (the | this) (letter | text | document | page)] (in | into | to | as) {figured}",
        when=_any_numbers,
    ),
    example="four as a number",
    group="repair",
    every_place=True,
    heard=0,
)
def figured(sitting: Sitting, figured: str, target: Places | None = None) -> Done | Refusal:
    """Write a number that stands there in digits or in words; all of them, where none is named."""
    if target is None:
        return _changed(sitting, _all_numbers(sitting, figured))
    found = _numbers(sitting, target.ranges, figured)
    if not found:
        return rewrite_last(sitting, figured, numbers=True)
    if target.ask and len(target.ranges) > 1:
        # Of several places the one is meant that was just said, or is nearest before.
        lately = [f for f in found if any(r.start <= f.range.start < r.end for r in sitting.that)]
        before = [f for f in found if f.range.end <= sitting.writing_place]
        found = lately[-1:] or before[-1:] or found[:1]
    return _changed(sitting, found)


def _tells_a_number(sitting: Sitting, parse: Parse) -> bool:
    return _value(tuple(parse.args.get("words", ()))) is not None


@command(
    "[(no | sorry)] i (meant | mean | wanted | want | said) (the | a) (number | digit | figure |"
    " numeral) {words}",
    example="i meant the number four",
    group="repair",
    when=_tells_a_number,
    heard=0,
)
def meant_number(sitting: Sitting, words: tuple[str, ...]) -> Done | Refusal:
    """Write a number of what was just said in digits."""
    said = [f for f in _numbers(sitting, sitting.that, DIGITS) if f.new == str(_value(words))]
    if not said:
        return Refusal(
            f"No {quoted(' '.join(words))} in words is among what was just said.",
            "",
            "Say which: “four as a number”.",
        )
    return _changed(sitting, said[-1:])


def _value(words: tuple[str, ...]) -> int | None:
    """A number alone, as it is said."""
    found = number_at(words, 0, Around(style=DIGITS)) if words else None
    whole = found is not None and found.used == len(words) and found.digits.isdigit()
    return int(found.digits) if found is not None and whole else None
