"""Sentences, lines and items that are asked for with their words: "add a line saying no pets"."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import blocks, lists
from nimble_lantern.core.commands.frames import ADD, SAYING
from nimble_lantern.core.commands.inserted import beside_a_block, says_no_thing
from nimble_lantern.core.commands.when import (
    beside_a_line,
    names_a_part,
    stands_here,
)
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document import broken
from nimble_lantern.core.document.model import Document, Kind, Position, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    OWNERS,
    PREPOSITIONS,
)
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.letter import foot, to_write_in
from nimble_lantern.core.targets.model import (
    OfLetter,
    Order,
    Places,
    Target,
    That,
    Unit,
    Units,
    Words,
    is_target,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.writing.lexer import mark_named

CATALOGUE.table(
    "part_said",
    {
        "[(new | short | further)] (line | paragraph)": Unit.PARAGRAPH,
        "[(new | short | further)] sentence": Unit.SENTENCE,
        "[(new | list)] (item | bullet | bullet point | point)": Unit.ITEM,
    },
    heard=False,
)
CATALOGUE.table("block_said", {"paragraph": Unit.PARAGRAPH, "(item | point | bullet)": Unit.ITEM})
CATALOGUE.table("say", {"say": Unit.SENTENCE}, heard=False)
CATALOGUE.table(
    "edge_verb", {"(finish | end | close)": "end", "(start | begin | open)": "start"}, heard=False
)
_SAID = "(saying | that says | with | which says)"
_ADD_BLOCK = "(add | put | insert | write | start) a [new] {unit:block_said}"
_SAYING = f"({SAYING} | to say)"
_ONE = "(a | an | another | one | one more) {unit:part_said}"
_ADD_ONE = f"{ADD} {_ONE}"


def _said_at_the_end(sitting: Sitting, parse: Parse) -> bool:
    """ "Say bills are included at the end"; "say it at the end of the show" goes on."""
    text = tuple(parse.args.get("text", ("at",)))
    telling = len(text) > 1 and text[0] not in PREPOSITIONS and not VERBS.isdisjoint(text)
    return telling and says_no_thing(sitting, parse)


def _told_in_full(sitting: Sitting, parse: Parse) -> bool:
    """ "Add a sentence the board will come"; "add a sentence about the board" says no words."""
    text = tuple(parse.args.get("text", ()))
    if text[:1] and text[0] in _SIDES and exact(sitting.document, text[1:2]):
        return False  # "a sentence after tea": the tea may be the page's
    plain = bool(text) and text[0] not in PREPOSITIONS | _ABOUT_IT and not _doing(text[0])
    if "edge" in parse.args:
        return plain and len(text) > 1
    telling = not VERBS.isdisjoint(text[1:]) or not AUXILIARIES.isdisjoint(text[1:])
    telling = telling or len(text) > 2 and f"{text[0]}s" in VERBS  # "bring a cup"
    return plain and telling and parse.args.get("unit") is not Unit.ITEM


_JOINING = frozenset("and but so or because".split())
_SIDES = frozenset("before after behind above below under".split())
_ABOUT_IT = frozenset("that which who whose so if when where because but and or to as".split())
"""First, they tell what it is to be like: "a sentence that nobody understands"."""


def _told_beside(sitting: Sitting, parse: Parse) -> bool:
    """ "Under the title write one sentence she likes tea", "... after the cat but we did"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if isinstance(target, Words) and LITTLE.issuperset(target.words):
        return False
    joins = text[:1] and text[0] in _JOINING and len(text) > 2
    return _stands_beside(sitting, parse) and bool(joins or _told_in_full(sitting, parse))


def _doing(word: str) -> bool:
    """ "Saying", "telling"; "bring" asks for something."""
    return word.endswith("ing") and word not in _BASE


_BASE = frozenset("bring sing ring cling fling sting string swing spring".split())


def _told_in_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Add a sentence at the end of the second paragraph bring a cup"."""
    return names_a_part(sitting, parse) and _told_in_full(sitting, parse)


def _stands_beside(sitting: Sitting, parse: Parse) -> bool:
    """A part of the page; a sentence and an item may stand beside any words of it."""
    anywhere = parse.args.get("unit") in (Unit.SENTENCE, Unit.ITEM)
    return beside_a_line(sitting, parse) or anywhere and stands_here(sitting, parse)


@command(
    *each(
        beside_a_block,
        f"{_ADD_BLOCK} {{side:beside}} {{target}} [{_SAID}] {{text}}",
        f"{_ADD_BLOCK} {{side:beside}} the {{position}} [one] {_SAID} {{text}}",
        f"(add | put | insert) (an | another) item {{side:beside}} {{target}} [{_SAID}] {{text}}",
        "(add | put | insert | write | start) (a | another) [new] paragraph at the [very]"
        f" {{edge:docedge}} [{_SAID}] {{text}}",
        f"[a] new paragraph at the [very] {{edge:docedge}} [{_SAID}] {{text}}",
    ),
    f"{_ADD_ONE} [here] {_SAYING} {{text}}",
    *each(
        _told_in_full,
        f"(add | insert | append) {_ONE} {{text}}",
        f"(add | insert | append | put | write) {_ONE} (at | to) the [very] {{edge:docedge}}"
        " {text}",
    ),
    f"{_ADD_ONE} (at | to) the [very] {{edge:docedge}} {_SAYING} {{text}}",
    f"{_ADD_ONE} {_SAYING} {{text:words}} (at | to) the [very] {{edge:docedge}}",
    f"{{edge:edge_verb}} (it | this | the <writing>) with (a | one) {{unit:part_said}} {_SAYING}"
    " {text}",
    f"{{edge:edge_verb}} with (a | one) {{unit:part_said}} {_SAYING} {{text}}",
    *each(
        _stands_beside,
        f"{_ADD_ONE} {{side:beside}} {{target}} {_SAYING} {{text}}",
        f"{_ADD_ONE} {_SAYING} {{text:words}} {{side:beside}} {{target}}",
        f"{{side:beside}} {{target}} {_ADD_ONE} {_SAYING} {{text}}",
    ),
    *each(
        _told_beside,
        f"{{side:beside}} {{target}} (add | insert | put | write) {_ONE} {{text}}",
        f"(add | insert | append | put | write) {_ONE} {{side:beside}} {{target}} {{text}}",
    ),
    Way(
        f"{_ADD_ONE} (at | to) the [very] {{edge:docedge}} of {{target}} {{text}}",
        when=_told_in_a_part,
    ),
    *each(
        names_a_part,
        f"{_ADD_ONE} (at | to) the [very] {{edge:docedge}} of {{target}} {_SAYING} {{text}}",
        f"{_ADD_ONE} (to | onto | in) {{target}} {_SAYING} {{text}}",
        f"{_ADD_ONE} {_SAYING} {{text:words}} (at | to) the [very] {{edge:docedge}} of {{target}}",
    ),
    *each(_said_at_the_end, "{unit:say} {text:words} (at | on) the [very] {edge:docedge}"),
    Way("add {text:words} as a [new] {unit:part_said}", when=says_no_thing),
    example="add a paragraph after the first paragraph saying tea is free",
    group="revising",
    heard=3,
)
def add(
    sitting: Sitting,
    text: tuple[str, ...],
    unit: Unit = Unit.PARAGRAPH,
    target: Places | None = None,
    side: str = "after",
    edge: str = "",
    position: int = 0,
) -> Done | Refusal:
    """Write a sentence, a line or an item of its own: here, beside a part, or at an end."""
    if position:
        nth = resolve(Units(Unit.PARAGRAPH, Order.NTH, 1, position), sitting)
        if isinstance(nth, Refusal):
            return nth
        target = nth
    document, at = sitting.document, sitting.writing_place.block
    before = side == "before"
    if edge and target is None:
        at, before = (0, True) if edge == "start" else (len(document.blocks) - 1, False)
    elif target is not None:
        target = to_write_in(sitting.document, target) if edge else target
        before = edge == "start" if edge else before
        at = (target.first.start if before else target.first.end).block
    block, whole = document.blocks[at], block_range(document, at)
    if target is not None and not edge and broken.parted(document, line := _line(target, document)):
        whole = line  # one more line of an address, and no paragraph
    placed = bool(edge) or target is not None
    if unit is Unit.SENTENCE and block.kind in (Kind.PARAGRAPH, Kind.QUOTATION):
        where = whole if target is None or edge else _sentence_of(sitting, target.first)
        return _sentence(sitting, text, where if placed else None, before)
    if unit is Unit.ITEM and not placed and block.kind is Kind.ITEM:
        return lists.next_item(sitting, text)
    if not placed and not block.text.strip():
        wrote = compose(replace(sitting.about(()), insertion=whole.start), text)
    else:
        wrote = insert_beside(sitting, whole, text, before, True)
    after = replace(wrote.sitting, insertion=None)
    if block.kind is Kind.ITEM and _beside_the_list(target, edge, unit):
        plain = blocks.normal(after, Places((wrote.range,)))
        after = plain.sitting if isinstance(plain, Done) else after
    return Done(after if placed else after.placed(wrote.range.end), f"added {quoted(wrote.text)}")


def _line(target: Places, document: Document) -> Range:
    """The line of a block that a target is, or begins."""
    return broken.around(document, target.first)


CATALOGUE.table(
    "below_the_name",
    {
        "(cc | c c)": ("cc",),
        "copy to": ("copy", "to"),
        "(enclosures | enclosure | enclosed)": ("enclosures",),
    },
    heard=False,
)


def _below_a_letter(sitting: Sitting, parse: Parse) -> bool:
    """ "PS bring a torch", said behind the name that ends a letter."""
    ended = foot(sitting.document)
    return ended is not None and sitting.writing_place >= ended.end and not sitting.holds


@command(
    "(add | put [in] | write | <wish>) a (ps | p s | postscript) [at the end] (saying | that says)"
    " {text}",
    "(add | put [in] | write | <wish>) [a] (ps | p s | postscript) [at the end] {text}",
    Way("(ps | p s) {text}", when=_below_a_letter),
    Way("{copies:below_the_name} {text}", when=_below_a_letter),
    example="add a postscript saying bring a torch",
    group="revising",
)
def postscript(
    sitting: Sitting, text: tuple[str, ...], copies: tuple[str, ...] = ("ps",)
) -> Done | Refusal:
    """Write a paragraph below everything that begins with PS, or tells who has a copy."""
    added = add(sitting, (*copies, *text), edge="end")
    if isinstance(added, Refusal) or sitting.writing_place != sitting.document.end:
        return added
    # Somebody who was writing at the end goes on behind it.
    return replace(added, sitting=added.sitting.placed(added.sitting.document.end))


def _beside_the_list(target: Places | None, edge: str, unit: Unit) -> bool:
    """A line above or below a whole list or at the end of all, and a sentence in any place, is none
    of its items."""
    if target is None:
        return unit is Unit.SENTENCE or bool(edge) and unit is not Unit.ITEM
    return unit is Unit.SENTENCE or not edge and target.unit is Unit.LIST


def _sentence_of(sitting: Sitting, r: Range) -> Range:
    """The sentence that words end in, with its stop."""
    block = r.end.block
    for start, end in sitting.document.blocks[block].sentences:
        if start < r.end.offset <= end:
            return Range(Position(block, start), Position(block, end))
    return r


def _sentence(sitting: Sitting, text: tuple[str, ...], beside: Range | None, before: bool) -> Done:
    """A sentence is closed by a full stop of its own, and the one before it as well."""
    said = text if any(mark_named(text[-n:]) for n in (1, 2)) else (*text, "full", "stop")
    end = sitting.writing_place if beside is None else beside.end
    left = sitting.document.blocks[end.block].text[: end.offset].rstrip()
    if left[-1:].isalnum() and not before:
        said = ("full", "stop", *said)
    if beside is None:
        wrote = compose(sitting.about(()), said)
    else:
        wrote = insert_beside(sitting, beside, said, before, False)
    return Done(wrote.sitting, f"added {quoted(wrote.text)}")


CATALOGUE.table(
    "on_a_line",
    {"(under | below | underneath | beneath)": "after", "(above | over)": "before"},
    heard=False,
)
_LINES = (Unit.PARAGRAPH, Unit.HEADING, Unit.LINE)


def _new_line(sitting: Sitting, parse: Parse) -> bool:
    """ "Write by hand under the date"; "put my phone number under my name" tells no words, and what
    stands there is moved."""
    text, target = tuple(parse.args.get("text", ("the",))), parse.args.get("target")
    if not is_target(target):
        return False
    if isinstance(target, That):
        that = sitting.that[0] if len(sitting.that) == 1 else None
        return that is not None and that == block_range(sitting.document, that.start.block)
    lined = isinstance(target, OfLetter | Words)
    lined = lined or isinstance(target, Units) and target.unit in _LINES
    lined = lined and beside_a_line(sitting, parse)
    if not lined and isinstance(target, Words):
        found = resolve(target, sitting)  # "the date", where it stands by itself
        at = found.first if isinstance(found, Places) and len(found.ranges) == 1 else None
        lined = at is not None and at == block_range(sitting.document, at.start.block)
    if not lined or text[0] in (DETERMINERS | OWNERS | {"it", "that", "this"} | PARTS) - {"the"}:
        return False
    if text[0] == "the" and not _parted(sitting, target):
        return False  # "the net loft" may be a line of an address
    if exact(sitting.document, text) or text[-1] in PARTS | TRADE_NOUNS:
        return False
    found = resolve(target, sitting)
    return isinstance(found, Places) and not any(
        sitting.document.blocks[r.start.block].cell for r in found.ranges
    )


def _parted(sitting: Sitting, target: Target) -> bool:
    """Whether a target is, or begins, one of the lines that breaks part a block into."""
    found = resolve(target, sitting)
    if not isinstance(found, Places) or len(found.ranges) != 1:
        return False
    return broken.parted(sitting.document, _line(found, sitting.document))


@command(
    *each(
        _new_line,
        "(put | write | add | type | insert) {text:words} {side:on_a_line} {target}",
        "{side:on_a_line} {target} (put | write | add | type | insert) {text}",
        "(put | write | add | type | insert) {side:on_a_line} {target} {text}",
    ),
    example="under the greeting write by hand",
    group="revising",
    heard=0,
)
def on_a_line(sitting: Sitting, text: tuple[str, ...], target: Places, side: str) -> Done | Refusal:
    """Write words on a line of their own, above or below a part of the page."""
    return add(sitting, text, Unit.PARAGRAPH, target, side)
