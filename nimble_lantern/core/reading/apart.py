"""Requests that name their place before anything else, and then speak of it.

"In the last paragraph replace first with second", "the last sentence delete it", "the word nobody,
i want it bold": the place is put where the rest of the request speaks of one.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.reading.addressing import a_remark
from nimble_lantern.core.reading.in_parts import SHALL
from nimble_lantern.core.targets.headed import in_a_row
from nimble_lantern.core.targets.model import (
    Both,
    Order,
    Tabled,
    Target,
    That,
    Unit,
    Units,
    Words,
    is_target,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.words import a_long_run, exact

INSIDE = frozenset(("in", "within", "inside", "on", "from"))
_FOR = frozenset(("for",))
"""What goes before a row's name besides: "for saturday"."""
_OF_A_ROOM = (("the", "table"), ("the", "row"), ("the", "column"))
"""Said with a reason they may stand in a room: "the row was long so cut it"."""
_OF_A_TABLE = (Unit.TABLE, Unit.ROW, Unit.COLUMN)
_IT = frozenset(("it", "that", "them", "this", "those", "these"))
_STATING = frozenset(
    "is are was were isn't aren't has have should wants needs says sounds reads seems looks goes"
    " comes belongs doesn't does".split()
)
_NO_REQUEST = SUBJECT_PRONOUNS | AUXILIARIES | {"not", "to", "never"}
"""Before a verb, it tells what is done: "say could not clear it"."""
_LONGEST_STATED = 8
_LONGEST = 16
_LONGEST_PLACE = 8
_LONGEST_WHEREVER = 4
"""Words of a request, of the place that is named first, and of "wherever it stands"."""


def apart(document: Document, words: Sequence[str]) -> Iterator[Parse]:
    """The readings of words as a place and a request about it."""
    words = tuple(words)
    if len(words) > _LONGEST:
        return
    if words[:1] and words[0] in INSIDE | _FOR:
        yield from _scoped(document, words)
        if words[0] == "from" and _IT & set(words[1:]):
            yield from _spoken_of(document, words)
    elif _IT & set(words[1:]):
        lead = next((lead for lead in _AS_FOR if words[: len(lead)] == lead), ())
        yield from _spoken_of(document, words[len(lead) :])
    elif TRADE_NOUNS & set(words):
        yield from _place_first(words)
        yield from _place_last(words)
        yield from _everywhere(words)
    yield from _as_well(document, words)
    yield from _of_the_row(document, words)


def _everywhere(words: tuple[str, ...]) -> Iterator[Parse]:
    """ "Put gull in bold everywhere": the look stands between the words and where they are."""
    for size in range(1, min(_LONGEST_WHEREVER, len(words) - 2) + 1):
        if not CATALOGUE.grammar.parses("everywhere", words[-size:]):
            continue
        for parse in CATALOGUE.parses(words[:-size]):
            args = {slot: _each_of(value) for slot, value in parse.args.items()}
            if args != parse.args and not any(isinstance(v, tuple) for v in args.values()):
                yield replace(parse, args=args)


def _as_well(document: Document, words: tuple[str, ...]) -> Iterator[Parse]:
    """ "Put present in bold and apologies too": the look stands between the two."""
    end = next((-len(w) for w in _TOO if words[-len(w) :] == w), 0)
    at = max((i for i, w in enumerate(words[:end]) if w == "and"), default=0) if end else 0
    said = words[at + 1 : end or None]
    loose = said[1:] if said[:1] and said[0] in DETERMINERS else said  # "the lid", where "a lid" is
    more = next((Words(w) for w in (said, loose) if w and exact(document, w)), None)
    if not at or more is None:
        return
    for parse in CATALOGUE.parses(words[:at]):
        targets = [k for k, v in parse.args.items() if isinstance(v, Words)]
        if len(targets) == 1 and exact(document, parse.args[targets[0]].words):
            both = Both(parse.args[targets[0]], more)
            yield replace(parse, args={**parse.args, targets[0]: both})


def _of_the_row(document: Document, words: tuple[str, ...]) -> Iterator[Parse]:
    """ "Swap ruth and femi on monday": the row is told behind everything else."""
    for start in range(max(2, len(words) - _LONGEST_ROW), len(words) - 1):
        row = _row(document, words[start:])
        if row is None:
            continue
        for parse in CATALOGUE.parses(words[:start]):
            args = {slot: _inside(value, row) for slot, value in parse.args.items()}
            if args != parse.args and not any(isinstance(v, tuple) for v in args.values()):
                yield replace(parse, args=args)


_LONGEST_ROW = 4
_TOO = (("too",), ("as", "well"), ("also",))


def _each_of(value: object) -> object:
    if isinstance(value, Words) and value.order is None:
        return replace(value, order=Order.EVERY)
    return value


def _place_first(words: tuple[str, ...]) -> Iterator[Parse]:
    """ "Paragraph two delete the first sentence"."""
    for end in range(2, min(_LONGEST_PLACE, len(words) - 2) + 1):
        if words[end] not in TRADE_VERBS | _TAKING:
            continue
        for place in _targets(words[:end], "scope"):
            if not isinstance(place, Units):
                continue
            for parse in CATALOGUE.parses(words[end:]):
                args = {slot: _inside(value, place) for slot, value in parse.args.items()}
                if args != parse.args and not parse.free:
                    yield replace(parse, args=args)


def _place_last(words: tuple[str, ...]) -> Iterator[Parse]:
    """ "Make bettina bold in the second paragraph": a look of words, and the part they are in."""
    for end in range(2, len(words) - 1):
        if words[end] not in ("in", "within", "inside") or len(words) - end > _LONGEST_PLACE:
            continue
        for place in _targets(words[end + 1 :], "scope"):
            if not isinstance(place, Units):
                continue
            for parse in CATALOGUE.parses(words[:end]):
                args = {slot: _inside(value, place) for slot, value in parse.args.items()}
                looks = parse.command.name.startswith(_OF_LOOKS)
                if looks and args != parse.args and not {*args} - {*_SLOTS_OF_LOOKS}:
                    yield replace(parse, args=args)


_OF_LOOKS = ("marks.", "faces.", "case.")
_SLOTS_OF_LOOKS = ("target", "colour", "larger", "size", "font")
_TAKING = frozenset("remove erase".split())


def _row(document: Document, words: tuple[str, ...]) -> Tabled | None:
    """What "on saturday" names, where there is a table."""
    row = in_a_row(words[1:]) if words[0] in INSIDE | _FOR else None
    return row if row and any(block.cell for block in document.blocks) else None


def _scoped(document: Document, words: tuple[str, ...]) -> Iterator[Parse]:
    for end in range(2, min(_LONGEST_PLACE, len(words) - 2) + 1):
        if not CATALOGUE.may_begin(words[end]) and not SHALL & set(words[end:]):
            continue
        row = _row(document, words[:end])
        parts = () if words[0] in _FOR else _targets(words[1:end], "scope")
        for place in (*parts, *([row] if row else [])):
            for parse in CATALOGUE.parses(words[end:]):
                args = {slot: _inside(value, place) for slot, value in parse.args.items()}
                if args != parse.args:
                    yield replace(parse, args=args)


def within_a_part(document: Document, words: Sequence[str], read: Parse) -> Iterator[Parse]:
    """ "Replace friday with sunday but only in the second paragraph", read as words for words: the
    part of the page at the end is where the old ones stand, and no end of the new ones."""
    words, text = tuple(words), tuple(read.args.get("text", ()))
    if not isinstance(read.args.get("target"), Words) or words[-len(text) :] != text:
        return
    for start in range(len(words) - len(text) + 1, len(words) - 1):
        last = words[start + 1 :]
        last = last[:-1] if last[-1] in _ONLY else last
        row = _row(document, (words[start], *last))
        if row is None and (words[start] not in INSIDE or not _OF_A_PART & set(last)):
            continue
        end = next(n for n in range(start, 0, -1) if words[n - 1] not in _ONLY)
        group = read.command.name.partition(".")[0]
        parses = [p for p in CATALOGUE.parses(words[:end]) if p.command.name.startswith(group)]
        parts = _targets(last, "scope") if words[start] in INSIDE else ()
        for place in (*(p for p in parts if of_the_page(p)), *([row] if row else [])):
            for parse in parses:
                yield replace(parse, args={k: _inside(v, place) for k, v in parse.args.items()})


_OF_A_PART = TRADE_NOUNS | frozenset("one address greeting closing date signature title".split())
_ONLY = frozenset("but only just".split())


def _inside(value: object, place: Target) -> object:
    """A target with the place that it stands in, unless it says another itself."""
    return _narrowed(value, place) if is_target(value) else value


def _narrowed(target: Target, place: Target) -> Target:
    if isinstance(target, Words) and target.of is None:
        return replace(target, of=place)
    if isinstance(target, Both):
        return Both(_narrowed(target.first, place), _narrowed(target.second, place))
    if isinstance(target, Units) and target.of is None:
        same = isinstance(place, Units) and place.unit is target.unit
        return target if same else replace(target, of=place)
    return target


def _spoken_of(document: Document, words: tuple[str, ...]) -> Iterator[Parse]:
    """ "The second item delete it", "the second item is done with delete it"."""
    said = [n for n, word in enumerate(words) if n and word in _STATING]
    for cut in range(1, min(_LONGEST_PLACE + _LONGEST_STATED, len(words) - 1) + 1):
        rest = words[cut:]
        if not _IT & set(rest) or rest[0] in _IT or words[cut - 1] in _NO_REQUEST:
            continue  # "the last two paragraphs were long so we cut them"
        if rest[0] == "not" and words[cut - 1] in _STATING:
            continue  # "the paragraph is not that long"
        rest = _begun(rest)
        parses = [p for p in CATALOGUE.parses(rest) if any(_is_it(v) for v in p.args.values())]
        named = {cut, *(n for n in said if cut - _LONGEST_STATED <= n < cut)} if parses else set()
        # "The quay was wet ... italicise that" is a sentence, and a request about it.
        places = [
            (place, judged)
            for end in sorted(named)
            if end <= _LONGEST_PLACE and words[:end] not in _OF_A_ROOM
            for judged in (a_remark(("it", *words[end:cut])),)
            for place in _targets(words[:end], "target")
            if end == cut or judged or of_the_page(place) or a_long_run(document, place)
        ]
        for place, judged in places:
            for parse in parses:
                if parse.free and unit_named(place) in _OF_A_TABLE:
                    continue  # "the table is too long so turn it into text"
                if (
                    _sure(document, place, parse, rest[0])
                    or judged
                    and _keeps(document, place, parse)
                ):
                    args = {k: place if _is_it(v) else v for k, v in parse.args.items()}
                    yield replace(parse, args=args)


def _begun(words: tuple[str, ...]) -> tuple[str, ...]:
    """Without what a request goes on with after a statement: "so make it bold"."""
    while len(words) > 1 and (words[0] in _GOING_ON or words[:2] in _ASKING):
        words = words[2:] if words[:2] in _ASKING else words[1:]
    return words


_GOING_ON = frozenset("so please and then just kindly therefore".split())
_ASKING = (("can", "you"), ("could", "you"), ("would", "you"), ("will", "you"), ("can", "we"))


_AS_FOR = tuple(
    tuple(lead.split())
    for lead in (
        "i don't like", "i do not like", "i'm not happy with", "i am not happy with", "as for",
        "as to", "about", "concerning", "i'm not sure about", "i am not sure about", "look at",
        "you see", "see", "there is", "there's", "where it says", "i hate",
    )
)  # fmt: skip
"""Before a place that is then spoken of: "i don't like the last sentence, take it out"."""


def _is_it(value: object) -> bool:
    return isinstance(value, That)


def _sure(document: Document, place: Target, parse: Parse, verb: str) -> bool:
    """Words are spoken of if they stand there; they are taken away only if called words."""
    if of_the_page(place) or a_long_run(document, place):
        return True
    stands = isinstance(place, Words) and bool(exact(document, place.words))
    words = place.words if isinstance(place, Words) else ()
    outright = verb in TRADE_VERBS | _TAKING
    if stands and outright and len(words) > 1 and words[0] in PREPOSITIONS and not parse.free:
        return True  # no thing is called "at half past nine"
    return stands and not parse.free and not parse.command.traits.destructive


def _keeps(document: Document, place: Target, parse: Parse) -> bool:
    """ "Quay lane sounds odd change it to quay street": what is thought of words that stand there
    once says that they are spoken of, but not that they should go."""
    stands = isinstance(place, Words) and len(exact(document, place.words)) == 1
    return stands and not parse.command.traits.destructive


def _targets(words: tuple[str, ...], rule: str) -> Iterator[Target]:
    for found in CATALOGUE.grammar.parses(rule, words):
        if is_target(found.value):
            yield found.value
