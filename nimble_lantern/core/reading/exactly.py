"""What words mean exactly: the best of their parses whose targets can be found here."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import chain
from typing import Any

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.controls import numbered
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Named, Parse
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import ARTICLES_AND_OWNERS, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import SPOKEN_OF, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.manners import BESIDE
from nimble_lantern.core.reading.among import among_its_like
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import (
    Beside,
    Holding,
    Order,
    Places,
    Sign,
    That,
    Through,
    Unit,
    Units,
    Words,
    is_target,
)
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.names import near as near_names
from nimble_lantern.core.targets.resolve import Absent, Missing, resolve
from nimble_lantern.core.writing.lexer import mark_named

_MOST_SAID_OF_IT = 6


@dataclass(frozen=True, slots=True)
class Verdict:
    """How a stretch of words is read."""

    kind: Judged
    parse: Parse | None = None
    args: dict[str, Any] | None = None
    refusal: Refusal | None = None
    slot: str = ""

    @property
    def free_words(self) -> tuple[str, ...]:
        """The words to be written, of a command that has some."""
        return tuple((self.parse.args if self.parse else {}).get("text") or ())


TEXT = Verdict(Judged.TEXT)


PLEASE = Words(("please",))


_NEVER_FIRST = (PLEASE, Words(("not",)), Words(("no",)))
"""They begin a request, and are no words that it is about."""


_GOING = (("move",), ("go",), ("jump",), ("put",), ("take",), ("bring",))
"""Before "to", they are the verb."""


def writes_words(parse: Parse) -> bool:
    """Whether some of the words would be written."""
    return bool({"text", "words", "letter"} & set(parse.args))


def parses_here(sitting: Sitting, words: Sequence[str]) -> list[Parse]:
    """What words may mean here; "please no capitals there" speaks of no "please" of the page, and
    "not capitals after all" of no "not"."""
    found = (
        p for p in CATALOGUE.parses(words) if fits(sitting, p) and not takes_the_mark(words, p)
    )
    first = Words(tuple(words[:1]))
    never = first in _NEVER_FIRST
    parses = [p for p in found if not never or first not in p.args.values()]
    if tuple(words[:1]) == ("all",) and not sitting.holds and tuple(words[1:2]) != ("of",):
        # "The leaves were", and then "all red": nobody asks for the whole letter so.
        parses = [p for p in parses if not _of_all(p)]
    if tuple(words[:1]) in _GOING:
        # "Move to the end of item two" does nothing to a "Move" of the page.
        parses = [p for p in parses if p.args.get("target") != first]
    return [p for p in parses if not _cuts_short(p, parses)]


def _cuts_short(parse: Parse, parses: Sequence[Parse]) -> bool:
    """ "A note on the money | section check it", where "the money section" may be meant."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Words) or len(text) < 2 or text[0] not in _NAMED_PARTS:
        return False
    bare = tuple(w for w in target.words if w != "the")
    others = (p.args.get("target") for p in parses if p.command is parse.command)
    named = (o.words.words for o in others if isinstance(o, Holding) and isinstance(o.words, Words))
    return any(tuple(w for w in words if w != "the") == bare for words in named)


_NAMED_PARTS = frozenset("section paragraph sentence heading item line".split())


def _of_all(parse: Parse) -> bool:
    all_of_it = Units(Unit.DOCUMENT, Order.THIS, bare=True) in parse.args.values()
    return all_of_it and parse.pattern.lstrip("[(").startswith("{target")


def ends_in_a_mark(words: Sequence[str]) -> int:
    """How many last words name a mark, as those of a sentence do."""
    sizes = (n for n in (2, 1) if len(words) > n and mark_named(tuple(words[-n:])))
    size = next(sizes, 0)
    return 0 if size and words[-size - 1] in ARTICLES_AND_OWNERS else size


def takes_the_mark(words: Sequence[str], parse: Parse) -> bool:
    """Whether "in red ink full stop" would be said of a full stop of the page: "delete full stop"
    is, and "select comma"."""
    bare = any(isinstance(v, Sign) and v == Sign(v.text) for v in parse.args.values())
    if not bare or parse.command.name.startswith(_OF_MARKS):
        return False
    size = ends_in_a_mark(words)
    return size > 0 and (len(words) - size > 1 or not parse.command.name.startswith(_TO_MARKS))


_OF_MARKS = ("deleting.", "replacing.", "repunctuating.", "inserting.", "mending.", "correcting.")
_TO_MARKS = ("selecting.", "moving.")


_WHOLE = frozenset(("whole", "entire"))


def _just_found(sitting: Sitting) -> bool:
    last = CATALOGUE.commands.get(sitting.trail[-1].command or "") if sitting.trail else None
    found = last is not None and last.traits.finds
    return found and sitting.selection is None and len(sitting.that) == 1


def exactly(sitting: Sitting, words: Sequence[str], whole: bool) -> Verdict:
    """The command that the words are, with targets that stand in the text as they were said."""
    parses = parses_here(sitting, words)
    if not _WHOLE.isdisjoint(words) and _just_found(sitting):
        # "Select the whole sentence", of what was found.
        sitting = replace(sitting, selection=sitting.that[0], fresh=False)
    if sitting.question is not None:
        # While something is asked, "choose all" answers it, and does not select everything.
        parses.sort(key=lambda p: (p.free, not p.command.traits.answers))
    if sitting.holds:
        # Right after "select the boat", "to the end of the line" stretches what is selected.
        parses.sort(key=lambda p: (p.free, not p.command.traits.widens))
    if sitting.compared is not None:
        # While changes are looked at, "put that back" is said of the one that is shown.
        parses.sort(key=lambda p: (p.free, not p.command.name.startswith("versions.")))
    if sitting.aloud is not None:
        # While something is read, "back a sentence" and "stop" are said of that.
        parses.sort(key=lambda p: (p.free, not p.command.traits.reads))
    if sitting.tray is not None:
        # While a word is spelled, "back one" and "undo that" are said of its letters.
        parses.sort(key=lambda p: (not p.command.traits.spells, p.free))
        for parse in parses:
            if parse.command.traits.spells:
                return Verdict(Judged.COMMAND, parse, parse.args)
    found = best(sitting, parses, near=False)
    if found.kind is Judged.COMMAND or not whole:
        return found
    if sitting.holds and len(words) <= _MOST_SAID_OF_IT:
        of_its_place = among_its_like(sitting, tuple(words))
        for said in chain(of_its_place, _said_of_it(tuple(words))):
            fitting = [p for p in CATALOGUE.parses(said) if fits(sitting, p)]
            of_it = best(sitting, fitting, near=False)
            if of_it.kind is Judged.COMMAND and of_it.parse and not of_it.parse.free:
                return of_it
    if sitting.that and not sitting.holds and _asked_of_it(sitting, words):
        made = CATALOGUE.parses(("make", "that", *words[:-1]))
        of_it = best(sitting, [p for p in made if fits(sitting, p)], near=False)
        if of_it.kind is Judged.COMMAND and of_it.parse and not of_it.parse.free:
            return of_it
    if sitting.question is not None and not sitting.question.beside:
        # While something is asked, the words of one option alone choose it: "friday's ferry".
        taken = CATALOGUE.parses(("take", *words))
        fitting = [p for p in taken if p.command.traits.answers and fits(sitting, p)]
        chosen = best(sitting, fitting, near=False)
        if chosen.kind is Judged.COMMAND:
            return chosen
    return found


def _said_of_it(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """What words may say in full that are said while something is selected: "bold", "in capitals",
    "bullets", "red please", "end of that"."""
    asked = len(words) > 1 and words[-1] == "please"
    bare = words[:-1] if asked else words
    yield (*bare, "that")
    if asked or len(bare) > 1 or bare[0] in TRADE_NOUNS | TRADE_VERBS:
        yield ("make", "that", *(bare[:-1] if bare[-1] == "text" and len(bare) > 1 else bare))
        yield ("give", "that", *bare)
        yield (*bare, "round", "that")
        yield (*bare, "of", "that")
    if bare[0] in _ENDS_OF_IT and bare[1:2] == ("of",):
        yield ("go", "to", "the", *bare)


def _asked_of_it(sitting: Sitting, words: Sequence[str]) -> bool:
    """ "Bold please", right after words were said that are to be bold; "in italics please" may go
    on with a sentence that is not over."""
    if not 1 < len(words) <= _LONGEST_LOOK or words[-1] != "please":
        return False
    over = sitting.document.text(sitting.that[-1])[-1:] in (".", "?", "!")
    if sitting.dressing:
        return True  # "red please", of what was selected and made bold
    return not TRADE_NOUNS.isdisjoint(words[:-1]) and (over or words[0] not in PREPOSITIONS)


_LONGEST_LOOK = 4
_SELECTING = "selecting."
_ENDS_OF_IT = frozenset("end start beginning".split())


def best(
    sitting: Sitting, parses: Sequence[Parse], near: bool, missed: list[Verdict] | None = None
) -> Verdict:
    """The best of the parses whose targets can be found; else a literal one that is refused."""
    best: tuple[tuple[int, int, int], Verdict] | None = None
    refused = destroys = TEXT
    known: dict[Any, Any] = {}
    for parse in parses:
        verdict = _resolved(sitting, parse, known, near)
        if verdict.kind is Judged.COMMAND and not _suits(sitting, parse, verdict):
            continue
        if verdict.kind is Judged.COMMAND:
            if parse.free == 0:
                if not parse.command.traits.destructive:
                    return verdict
                # "Remove the bullets" takes the look away; the text goes only if nothing else can.
                if (
                    destroys is TEXT
                    or _goes_back(sitting, verdict)
                    and not _goes_back(sitting, destroys)
                ):
                    destroys = verdict
                continue
            if destroys is not TEXT:
                continue
            key = (_nearness(verdict), -_target_words(parse), parse.free)
            if best is None or key < best[0]:
                best = key, verdict
        elif isinstance(verdict.refusal, Absent):
            # "The table" is a thing of the room where no table is in the text.
            continue
        elif isinstance(verdict.refusal, Missing):
            if missed is not None:
                missed.append(verdict)
        elif refused is TEXT and (
            parse.free == 0
            or isinstance(parse.args.get("target"), Beside)
            or _surely_of_text(parse)
        ):
            # Of "the column after kitchen" those words are there.
            refused = verdict
    if destroys is not TEXT:
        return destroys
    return best[1] if best else refused


def _surely_of_text(parse: Parse) -> bool:
    """ "Change the comma to a dash", "delete the colon after keys", where there is no such mark:
    said of nothing but a text."""
    text = tuple(parse.args.get("text") or ())
    bare = text[1:] if text[:1] and text[0] in ARTICLES_AND_OWNERS else text
    target = parse.args.get("target")
    if isinstance(target, Units) and target.unit in (Unit.STEP, Unit.ITEM) and text:
        # "Step four should say stir", where there are three.
        return target.order is Order.NTH and parse.command.name.startswith("replacing.")
    if isinstance(target, Words):
        # "Bold the third tent", where there are two.
        counted = target.order is Order.NTH and target.of is None
        return counted and not text and parse.command.name.startswith(_OF_LOOKS)
    named = isinstance(target or parse.args.get("mark"), Sign)
    asks = parse.command.group == "reading"  # "is there a comma after again"
    of_it = asks or parse.command.traits.destructive
    return named and (mark_named(bare) is not None if text else of_it)


def _goes_back(sitting: Sitting, verdict: Verdict) -> bool:
    """ "Strike that" takes back what was just said, unless something is selected."""
    walks = verdict.parse is not None and verdict.parse.command.traits.walks
    return walks and not sitting.holds


def _suits(sitting: Sitting, parse: Parse, verdict: Verdict) -> bool:
    """Whether words said of whole paragraphs are a whole paragraph's: not "number the steps"."""
    if not parse.command.traits.of_blocks or not isinstance(parse.args.get("target"), Words):
        return True
    places = (verdict.args or {}).get("target")
    blocks = sitting.document.blocks
    return isinstance(places, Places) and all(
        r.end.offset - r.start.offset > len(blocks[r.start.block].text) / 2 for r in places.ranges
    )


def _points_beside(words: Sequence[str]) -> bool:
    """ "Put it under the title" names no "it under"."""
    return len(words) > 1 and words[0] in SPOKEN_OF and _WHERE.issuperset(words[1:])


_WHERE = PREPOSITIONS | BESIDE


_ASKS_WHETHER = frozenset("is are was were do does did".split())
"""First of all, they ask: "is steep bold", where it says "is steep"."""


def fits(sitting: Sitting, parse: Parse) -> bool:
    if any(isinstance(v, Words) and _points_beside(v.words) for v in parse.args.values()):
        return False
    first = parse.args.get("target") if parse.pattern.startswith("{target}") else None
    if isinstance(first, Words) and first.words[0] in _ASKS_WHETHER and len(first.words) > 1:
        return False
    if parse.command.traits.answers and sitting.question is None:
        rows = parse.command.traits.of_rows and numbered(sitting) > 0
        return rows and parse.makes_sense(sitting)
    return parse.makes_sense(sitting)


def _resolved(sitting: Sitting, parse: Parse, known: dict[Any, Any], near: bool) -> Verdict:
    """A parse with its targets looked up."""
    args: dict[str, Any] = {}
    values = _without_it(parse)
    of_it = sitting.selection is None and any(isinstance(v, That) for v in values.values())
    for slot, value in values.items():
        if of_it and isinstance(value, Units):
            value = _beside_it(sitting, value)
        if _too_much(parse, value):
            return Verdict(Judged.REFUSED, parse, parse.args, _ALL_OF_THEM, slot)
        if is_target(value):
            if (
                isinstance(value, Units)
                and value.bare
                and parse.command.name.startswith(_SELECTING)
            ):
                value = replace(value, bare=value.unit is not Unit.DOCUMENT)  # "select all"
            if value not in known:
                known[value] = resolve(value, sitting, near)
            found = known[value]
            if isinstance(found, Refusal):
                if isinstance(value, That) and parse.command.traits.here:
                    # "Make this a heading", with nothing selected, is said of the paragraph here.
                    found = Places((block_range(sitting.document, sitting.caret.block),))
                else:
                    return Verdict(Judged.REFUSED, parse, parse.args, found, slot)
            if isinstance(value, Words) and found.unit is Unit.ROW and not _by_rows(parse):
                # "Put oil after week two" is of no words of that row.
                found = Missing(
                    f"I heard “{' '.join(value.words)}”.",
                    "That is a row.",
                    "Name a cell.",
                    value.words,
                )
                return Verdict(Judged.REFUSED, parse, parse.args, found, slot)
            args[slot] = found
        elif isinstance(value, Named):
            name = _named(sitting, value)
            if isinstance(name, Refusal):
                return Verdict(Judged.REFUSED, parse, parse.args, name, slot)
            args[slot] = name
        else:
            args[slot] = value
    return Verdict(Judged.COMMAND, parse, args)


def _beside_it(sitting: Sitting, value: Units) -> Units | Beside:
    """ "Swap that with the sentence before": the one before that, and not before the caret, which
    would be that itself."""
    told = value.order in (Order.PREVIOUS, Order.NEXT, Order.LAST) and value.of is None
    if not told or value.unit not in (Unit.SENTENCE, Unit.PARAGRAPH, Unit.ITEM, Unit.LINE):
        return value
    if value.order is Order.LAST:
        found = resolve(value, sitting)
        if not isinstance(found, Places) or found.first not in sitting.that:
            return value
    return Beside(value.unit, That(), value.order is Order.NEXT, count=value.count)


def _named(sitting: Sitting, value: Named) -> str | Refusal:
    """What is called so, or the newest of its kind."""
    kind = CATALOGUE.named[value.kind]
    if kind.newest is not None and not value.words:
        return kind.newest(sitting)
    there = tuple(kind.of(sitting))
    name = look_up(value.words, there, kind.partial)
    if name is not None:
        return name
    what = f"Nothing is called “{' '.join(value.words)}”."
    close = tuple(near_names(value.words, there))
    hint = f"Did you mean “{close[0]}”?" if close else ""
    return Missing(what, "", hint, value.words, names=close)


def _too_much(parse: Parse, value: object) -> bool:
    """Whether text would go of which nothing says that it is all of them: "delete the words"."""
    if not isinstance(value, Units) or not value.bare or value.of is not None:
        return False
    if parse.command.name.startswith(_INSERTING):
        return value.unit in (Unit.WORD, Unit.CHARACTER)  # "doors before the words"
    return parse.command.traits.destructive and value.unit in _OF_ALL_TEXT


_OF_LOOKS = ("marks.", "faces.", "case.", "selecting.")
_INSERTING = "inserting."
_OF_ALL_TEXT = (Unit.WORD, Unit.CHARACTER, Unit.LINE, Unit.SENTENCE, Unit.PARAGRAPH)
_ALL_OF_THEM = Refusal(
    "That would be all of them.", "", "Say which: “the last two words”, or “all the words”."
)


def _without_it(parse: Parse) -> Mapping[str, Any]:
    """ "Move the last sentence of paragraph three to the front of it": of that paragraph."""
    wholes = [v.of for v in parse.args.values() if isinstance(v, Units | Words) and v.of]
    if len(wholes) != 1 or That() not in parse.args.values():
        return parse.args
    return {slot: wholes[0] if v == That() else v for slot, v in parse.args.items()}


def _by_rows(parse: Parse) -> bool:
    """Whether a command may be said of a row that is named by what stands under a heading."""
    traits = parse.command.traits
    return traits.by_rows or traits.finds or parse.command.group == "format"


def _nearness(verdict: Verdict) -> int:
    assert verdict.args is not None
    return sum(1 for v in verdict.args.values() if isinstance(v, Places) and v.near)


_PARTS = {("the", unit.value) for unit in Unit if unit not in (Unit.WORD, Unit.CHARACTER)}


def _target_words(parse: Parse) -> int:
    """How many words name targets; a preposition at their end is as likely the verb's.

    "Put the log in red" is said of the log, although the page goes on "the log (in pencil)".
    """
    values = list(parse.args.values())
    # "Old rota to blue folder" names both of its ends.
    values += [end for v in values if isinstance(v, Through) for end in (v.first, v.last)]
    named = [v.words for v in values if isinstance(v, Words)]
    # "The list" is the list, although a heading says "Shopping list".
    named = [w for w in named if w not in _PARTS]
    called = [len(v.words) for v in parse.args.values() if isinstance(v, Named)]
    plain = sum(len(w) - (len(w) > 1 and w[-1] in PREPOSITIONS | {"into", "as"}) for w in named)
    # What somebody gave a name goes before the same words of the text.
    return 2 * plain + sum(2 * size + 1 for size in called)
