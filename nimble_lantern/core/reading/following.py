"""What only makes sense after what was just done: "the next one", "everywhere", "i meant red"."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import product

from nimble_lantern.core.commands.instead import a_look
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import COUNTS
from nimble_lantern.core.lexicon.housed import Phrase
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import Order, Units, Words, is_target, of_the_page
from nimble_lantern.core.writing.cardinals import ordinal, ordinal_in_words
from nimble_lantern.core.writing.lexer import mark_named

_LONGEST = 10
_IT = frozenset("it that this them those these".split())


def phrases(*lines: str) -> frozenset[Phrase]:
    return frozenset(tuple(said.split()) for line in lines for said in line.split(", "))


_BEFORE_NEXT = frozenset("and now then the".split())
_ORDERS = frozenset(("next", "previous"))
_NEXT = phrases(
    "next, next one, one after, one after that, one after it, following one, one below, one under",
    "one behind it",
)
_PREVIOUS = phrases(
    "previous one, one before, one before that, one before it, one above, one above it, previous"
)
_EVERYWHERE = phrases(
    "everywhere, everywhere else, all of them, them all, all the others, the others too",
    "all the others too, the rest too, the others as well, in every place, in the whole letter",
    "throughout, every time, in the whole document, in all of it, do them all, do all of them",
    "do it everywhere, do that everywhere, do the others too, do the rest, all the way through",
)
_WHEREVER = (("everywhere", "it", "says"), ("wherever", "it", "says"), ("in", "every"))
_MORE = phrases(
    "again, once more, and again, one more time, more, a bit more, some more, a little more",
    "even bigger, even larger, even smaller, still bigger, still larger, still smaller",
    "still more, even more, further, a bit further, bigger still, larger still, smaller still",
    "a little further, more please, bit more, keep going, and more, more than that, once again",
)
_TOO_MUCH = {
    "smaller": phrases(
        "that is too large, it is too big, it is too large, that was too big, way too big",
        "too big, that's too big, it's too big, that is too big, a bit too big, too large, smaller",
        "that's too large, it's too large, not so big, not that big, a bit smaller, too much, less",
    ),
    "larger": phrases(
        "it is too small, that was too small, way too small",
        "too small, that's too small, it's too small, that is too small, a bit too small, bigger",
        "larger, not big enough, still too small, not that small, a bit bigger, a bit larger",
    ),
}
_AWAY = phrases(
    "delete it, remove it, get rid of it, take it out, take it away, delete that, remove that",
    "remove it again, delete it again, take it out again, take that out, get rid of that",
    "take it away again, delete that again, remove that again",
)
_OFF = phrases(
    "take it off, take that off, take it off again, take that off again, off again, off with it",
    "get rid of it, get rid of it again, lose it, lose that, take it away again",
)
_A_LOOK = 2
_TOO = phrases("too, as well, also")
SORRY = phrases(
    "i meant, i mean, no i meant, sorry i meant, no i mean, sorry i mean, no sorry i meant, sorry",
    "no, no sorry, oh i meant, wait i meant, actually i meant, i only meant, no only, only, just",
    "i wanted, no i wanted, i only wanted, no just, just, oh no, no wait, make that, or rather",
    "no not that one, not that one, no not that, oh not that, i just meant, i meant just",
    "wrong one, no wrong one, wait, no wait no, oh wait, hang on, no hang on, no wait i meant",
    "i meant only, i said, no i said, not that",
)
_BEFORE_NOT = frozenset("actually oh no wait sorry".split())
_HARDLY = frozenset("no sorry oh just only".split())
_ONLY = frozenset("only just".split())
_NOT = phrases(
    "not, but not, except, except for, all but, apart from, not for, but leave, not in, but not in",
    "except in, leave it in, but leave it in, not at",
)
_AFTER_ALL = phrases("though, please, after all, again")
_WITHOUT = (
    ("take", "the", "{look}", "off"), ("no", "{look}", "for"), ("un{look}",),
)  # fmt: skip


def follows(sitting: Sitting, words: Phrase, regretted: bool = False) -> Iterator[Phrase]:
    """Commands that words may be, by what was done before them; the likeliest first.

    `regretted` where something was said before them that asks for another thing instead.
    """
    if len(words) > _LONGEST or (last := last_done(sitting)) is None:
        return
    before, command, gone = last
    look = sitting.trail[-1].made and CATALOGUE.commands[command].traits.puts_on
    if words in _AWAY and _was_added(sitting, command) or look and words in _OFF:
        yield ("undo", "that")
    if look and words == ("no", look):
        yield ("undo", "that")
    if command.startswith("case.") and sitting.trail[-1].made and words in _SMALL:
        yield ("undo", "that")
    if sitting.trail[-1].made:
        yield from _not_this(before, command, words)
        yield from _and_others(before, command, words)
    if (step := _step(words)) != 0:
        if CATALOGUE.commands[command].traits.destructive and sitting.trail[-1].made:
            yield from _in_its_place(before, command, gone + step)
        yield from _the_next(before, command, gone + step)
    if says_where(words) or _wherever(before, words):
        yield from _everywhere(before, command)
    if words in _MORE and CATALOGUE.commands[command].traits.grows:
        yield before
    if command.startswith("faces.") and CATALOGUE.commands[command].traits.grows:
        yield from (("make", "that", size) for size, said in _TOO_MUCH.items() if words in said)
    if command.startswith("moving.") and regretted:
        yield from _with_another_part(before, command, behind_sorry(words) or words)
    if command.startswith("selecting."):
        yield from _to_another_end(before, words)
        yield from (("select", *words[n:]) for n in (3, 2, 1) if words[:n] in SORRY and words[n:])
    if sitting.trail[-1].made and sitting.that:
        yield from () if regretted else _as_well(words, command)
        yield from _but_not(before, command, words)


def _not_this(before: Phrase, command: str, words: Phrase) -> Iterator[Phrase]:
    """ "No not friday", right after that was changed."""
    rest = _denied(words)
    for start, end, _ in named_in(before, command) if rest else ():
        named = bare_of(before[start:end])
        if named and named == bare_of(rest):
            yield ("undo", "that")


def _denied(words: Phrase) -> Phrase:
    """What is said not to be meant: "no not friday"."""
    rest = _from_not(_without_tail(words, _AFTER_ALL))
    return rest[1:] if rest[:1] == ("not",) and not DETERMINERS.issuperset(rest[1:]) else ()


def _from_not(words: Phrase) -> Phrase:
    """ "No not friday": "not friday"."""
    while words[1:2] == ("not",) and words[0] in _BEFORE_NOT:
        words = words[1:]
    return words


def _without_tail(words: Phrase, tails: frozenset[Phrase]) -> Phrase:
    return next((words[: -len(t)] for t in tails if words[-len(t) :] == t), words)


def part_as_well(words: Phrase) -> Phrase:
    """The part of the page where the same is to be done: "and again in the title"."""
    bare = _without_tail(words, _TOO)
    while bare and bare[0] in _ALSO:
        bare = bare[1:]
    return bare[1:] if len(bare) < len(words) and _in_a_part(bare) else ()


def _in_a_part(bare: Phrase) -> bool:
    told = bare[:1] in (("in",), ("for",), ("to",)) and len(bare) > _TWO
    parts = CATALOGUE.grammar.parses("target", bare[1:]) if told else ()
    return any(of_the_page(found.value) for found in parts)


_ALSO = frozenset("and again also the same do thing it that then now".split())


def _and_others(before: Phrase, command: str, words: Phrase) -> Iterator[Phrase]:
    """ "And winter to summer", "and monday friday", after "change friday to monday"."""
    if not command.startswith("replacing.") or words[:1] != ("and",):
        return
    if _something_to_something(words):
        yield ("change", *words[1:])
    for i in range(_TWO, len(words)):
        if kind_of(words[1:i]) and kind_of(words[1:i]) == kind_of(words[i:]):
            yield ("change", *words[1:i], "to", *words[i:])


def _something_to_something(words: Phrase) -> bool:
    """ "And winter to summer", and not "and people came to the hall"."""
    link = next((i for i in range(_TWO, len(words) - 1) if words[i] in ("to", "with")), 0)
    few = link and link - 1 <= _A_FEW and len(words) - link - 1 <= _A_FEW
    plain = (VERBS | SUBJECT_PRONOUNS | AUXILIARIES).isdisjoint(words)
    return bool(few) and plain and PREPOSITIONS.isdisjoint((*words[:link], *words[link + 1 :]))


_A_FEW = 4


def adds_another(words: Phrase) -> bool:
    """Whether words name something and what it is to be as well: "and winter to summer"."""
    linked = _something_to_something(words)
    alike = (kind_of(words[1:i]) == kind_of(words[i:]) != "" for i in range(_TWO, len(words)))
    return words[:1] == ("and",) and (linked or any(alike))


def _to_another_end(before: Phrase, words: Phrase) -> Iterator[Phrase]:
    """ "No up to six", after "select from we had to lanterns"."""
    said = next((words[n:] for n in (3, 2, 1) if words[:n] in SORRY), words)
    said = said[said[:1] in (("only",), ("just",)) :]
    rest = next((said[len(to) :] for to in _UP_TO if said[: len(to)] == to), ())
    ends = [i for i, word in enumerate(before) if word in ("to", "until", "till", "through")]
    if rest and ends and ends[-1] > 1:
        yield (*before[: ends[-1]], "to", *rest)


_UP_TO = (("up", "to"), ("as", "far", "as"), ("to",), ("until",), ("till",))


def _was_added(sitting: Sitting, command: str) -> bool:
    """Whether the last utterance put something there that has no words, as a row has none yet."""
    before, traits = sitting.previous, CATALOGUE.commands[command].traits
    if before is None or not sitting.trail[-1].made or sitting.that or sitting.selection:
        return False
    otherwise = traits.destructive or traits.moves or traits.walks
    return not otherwise and len(sitting.document.blocks) > len(before.document.blocks)


def _wherever(before: Phrase, words: Phrase) -> bool:
    """ "Everywhere it says lighthouse", after one was underlined."""
    said = next((words[len(s) :] for s in _WHEREVER if words[: len(s)] == s), ())
    return bool(said) and any(before[i : i + len(said)] == said for i in range(len(before)))


def seen_from(sitting: Sitting) -> Sitting:
    """With what was found taken for the place that "next" is counted from."""
    if sitting.selection is not None or not sitting.that or last_done(sitting) is None:
        return sitting
    return replace(sitting, selection=sitting.that[0])


def says_where(words: Phrase) -> bool:
    """Whether words only say that the last command is meant of every place."""
    while words and words[0] in _BEFORE_NEXT:
        words = words[1:]
    while words and words[-1] in _AFTERWARDS:
        words = words[:-1]
    return words in _EVERYWHERE


def corrected(sitting: Sitting, words: Phrase) -> Iterator[Phrase]:
    """What should have been done instead of the last command, which is to be taken back first.

    "I meant italic", "only the first two", "sorry move it", "no on the left".
    """
    last = last_done(sitting)
    if last is None or len(words) > _LONGEST or not sitting.trail[-1].made:
        return
    before, command, _ = last
    words = only_some(_from_not(words))
    not_that = words[0] == "not" and len(words) > _TWO and words[1] not in LITTLE
    not_that = not_that and any(words[1] in (w, f"{w}d", f"{w}ed") for w in before)
    for n in (4, 3, 2, 1):
        rest = words[n:]
        if words[:n] == ("no",) and rest == (CATALOGUE.commands[command].traits.puts_on,):
            return  # "no bold", after something was made bold, takes it off
        if not_that and n == _TWO and rest[0] in _ONLY:
            rest = rest[1:]  # "not red just bold"
        if rest and (words[:n] in SORRY or not_that and n == _TWO):
            if _in_a_part(rest):
                return  # "no in the title" is where, and not what
            # "No the last one" names another part, and not where the same one is to go.
            named = rest[0] == "the" and not _NAMING.isdisjoint(rest)
            other = (_with_another_part,) if named else (_with_another_verb, _with_another_part)
            if not _ONLY.isdisjoint(words[: n + 1]):
                yield from _less_of_it(before, command, rest)
            yield from dict.fromkeys(s for made in other for s in made(before, command, rest))
            return


_NAMING = COUNTS | frozenset("one ones other first last".split())


def only_some(words: Phrase) -> Phrase:
    """ "Not the whole word just the first letter": "just the first letter"."""
    all_of_it = words[:1] == ("not",) and not _ALL.isdisjoint(words[1:3])
    only = next((i for i in range(2, len(words) - 1) if words[i] in _ONLY), 0)
    return words[only:] if all_of_it and only else words


_ALL = frozenset("all whole everything both entire".split())


def reworded(sitting: Sitting, words: Phrase) -> Iterator[Phrase]:
    """The last command with other new words, where those are of one kind with what it wrote.

    "No hosepipe" after "replace hose with pipe".
    """
    last = last_done(sitting)
    if last is None or not sitting.trail[-1].made or not regrets(words):
        return
    before, command, _ = last
    for n in (4, 3, 2, 1):
        if words[:n] in SORRY:
            yield from _first_of_all(before, command, _without_ends(words[n:]))
    done = next((p for p in CATALOGUE.parses(before) if p.command.name == command), None)
    old = tuple(done.args.get("text", ())) if done else ()
    start = next((i for i in range(1, len(before)) if before[i : i + len(old)] == old), 0)
    for n in (4, 3, 2, 1) if old and start else ():
        new = _without_ends(words[n:])
        if words[:n] in SORRY and new and _of_one_sort(old, new):
            yield (*before[:start], *new, *before[start + len(old) :])
            return


def behind_sorry(words: Phrase) -> Phrase:
    """What is said behind a regret: "no i meant the third" is "the third"; nothing for others."""
    return next((words[n:] for n in (4, 3, 2, 1) if words[:n] in SORRY and words[n:]), ())


def regrets(words: Phrase) -> bool:
    """ "No italic" asks for that instead, and "italic" for that as well."""
    return any(words[:n] in SORRY for n in (4, 3, 2, 1))


def hardly_said(words: Phrase) -> bool:
    """Whether a bare "no" or "sorry" is all that says that something else was meant."""
    return words[0] in _HARDLY and words[:2] not in SORRY


def last_done(sitting: Sitting) -> tuple[Phrase, str, int] | None:
    """The last command in its words, its name, and how many steps were gone from it since.

    Past the answers to what it asked, "the next one" and "more".
    """
    gone = 0
    for entry in reversed(sitting.trail):
        known = entry.command in CATALOGUE.commands  # another edition may have called it otherwise
        if entry.read_as is not ReadAs.COMMAND or entry.command is None or not known:
            return None
        said = tuple(entry.heard.split())
        step = _step(said)
        if entry.command.startswith("choosing.") or says_where(said) or said in _MORE:
            continue
        if not step:
            return barest(said), entry.command, gone
        gone += step
    return None


def _step(words: Phrase) -> int:
    """1 for "and the next one", -1 for "the one before", 0 for other words."""
    while words and words[0] in _BEFORE_NEXT:
        words = words[1:]
    return 1 if words in _NEXT else -1 if words in _PREVIOUS else 0


def named_in(before: Phrase, command: str) -> Iterator[tuple[int, int, object]]:
    """Where a command's words name what it is about, and what that is."""
    parses = [p for p in CATALOGUE.parses(before) if p.command.name == command]
    about = [v for p in parses for v in p.args.values() if is_target(v)]
    match = CATALOGUE.grammar.match(before)
    for i in range(len(before)) if about else ():
        for reading in match.at("target", i):
            if reading.value in about:
                yield i, reading.end, reading.value


def _the_next(before: Phrase, command: str, step: int) -> Iterator[Phrase]:
    """The same, of what comes after that, or before it."""
    for start, end, target in named_in(before, command):
        named = before[start:end]
        if isinstance(target, Words) and CATALOGUE.commands[command].traits.finds:
            way = "next" if step > 0 else "previous"
            yield (*before[:start], "the", way, *bare_of(named), *before[end:])
        elif isinstance(target, Units):
            for other in beside(named, target, step):
                yield (*before[:start], *other, *before[end:])


def _in_its_place(before: Phrase, command: str, step: int) -> Iterator[Phrase]:
    """The same words once more, after what they named is gone: the next has moved up, and what was
    before the last is the last."""
    orders = (Order.NTH, Order.FIRST, Order.THIS, Order.NEXT) if step > 0 else (Order.LAST,)
    for _, _, target in named_in(before, command) if abs(step) == 1 else ():
        if isinstance(target, Units) and target.order in orders:
            yield before


def bare_of(named: Phrase) -> Phrase:
    while named and named[0] in DETERMINERS | _ORDERS:
        named = named[1:]
    return named


def beside(named: Phrase, target: Units, step: int) -> Iterator[Phrase]:
    """Another of the same kind: "the second paragraph" is followed by the third."""
    for i in range(len(named)):
        found = ordinal(named, i)
        if found and found[0] + step > 0:
            number = ordinal_in_words(found[0] + step).replace("-", " ").split()
            yield (*named[:i], *number, *named[found[1] :])
    if target.order in (Order.NEXT, Order.PREVIOUS):
        yield named
    if target.order is Order.THIS:
        yield ("the", "next" if step > 0 else "previous", named[-1])
    if target.order is Order.LAST and target.of is None and step == -1:
        yield ("the", "second", "last", named[-1])


def _everywhere(before: Phrase, command: str) -> Iterator[Phrase]:
    yield (*before, "everywhere")
    for start, end, target in named_in(before, command):
        if isinstance(target, Words) and target.order is None:
            yield (*before[:start], "every", *bare_of(before[start:end]), *before[end:])


def _as_well(words: Phrase, command: str) -> Iterator[Phrase]:
    """A look for what was just done something to: "in red as well", "on the right hand side"."""
    tail = next((t for t in _TOO if words[-len(t) :] == t), ())
    bare = words[words[:1] in (("and",), ("try",)) : len(words) - len(tail)]
    traits = CATALOGUE.commands[command].traits
    if not tail and bare[-1:] == ("then",):
        bare = bare[bare[:1] == ("hm",) : -1]  # "hm blue then"
    alone = bool(traits.puts_on or traits.grows) and 0 < len(bare) <= _A_LOOK and a_look(bare)
    if _in_a_part(bare):
        return
    if bare and (tail or bare[0] in PREPOSITIONS or alone):
        yield from ((verb, "that", *bare) for verb in ("make", "put"))


def _but_not(before: Phrase, command: str, words: Phrase) -> Iterator[Phrase]:
    """ "Not the title", after all was made italic; of what was, if it is a part of that."""
    look = CATALOGUE.commands[command].traits.puts_on
    words = _from_not(_without_tail(words, _AFTER_ALL))
    for n in (4, 3, 2, 1):
        rest = words[n:]
        if words[:n] not in _NOT or not rest:
            continue
        if not look:
            yield from _back_in(before, command, rest)
            continue
        whole = [("of", *before[start:end]) for start, end, _ in named_in(before, command)]
        for without, of in product(_WITHOUT, (*whole, ())):
            yield (*(w.format(look=look) for w in without), *rest, *of)


def leaves_some(words: Phrase) -> bool:
    """Whether words say where something is not to be done: "not in the title"."""
    return any(words[:n] in _NOT for n in (4, 3, 2, 1))


def _back_in(before: Phrase, command: str, part: Phrase) -> Iterator[Phrase]:
    """ "Not in the title", after words were replaced everywhere."""
    parses = (p for p in CATALOGUE.parses(before) if p.command.name == command)
    done = next((p for p in parses if isinstance(p.args.get("target"), Words)), None)
    if done is not None and "text" in done.args and CATALOGUE.commands[command].traits.every_place:
        yield ("replace", *done.args["text"], "in", *part, "with", *done.args["target"].words)


def _first_of_all(before: Phrase, command: str, part: Phrase) -> Iterator[Phrase]:
    """ "Only the first one", after words were replaced everywhere."""
    parses = (p for p in CATALOGUE.parses(before) if p.command.name == command)
    done = next((p for p in parses if isinstance(p.args.get("target"), Words)), None)
    if part in _FIRST_ONE and done is not None and "text" in done.args:
        yield ("replace", "the", "first", *done.args["target"].words, "with", *done.args["text"])


_FIRST_ONE = phrases("the first, the first one, that one, the first time")


def _less_of_it(before: Phrase, command: str, rest: Phrase) -> Iterator[Phrase]:
    """ "Only the first word" of the sentence that was made bold."""
    part = _without_ends(rest)
    for start, end, _ in named_in(before, command) if part else ():
        if command.startswith("case.") and part in _INITIAL:
            yield ("capitalise", "the", "first", "letter", "of", *before[start:end])
        yield (*before[:start], *part, "of", *before[start:end], *before[end:])


_SMALL = phrases(
    "no small, small, small letter, no small letter, no a small letter, with a small letter",
    "no capital, no capitals, not capital, without a capital, no lower case, lower case, not big",
    "no with a small letter, no little, no capital letter, small letters, no small letters, little",
)
_INITIAL = phrases("the first letter, first letter, the first letters, the initial")


def _without_ends(rest: Phrase) -> Phrase:
    while rest and rest[0] in _ONLY:
        rest = rest[1:]
    while rest and rest[-1] in _AFTERWARDS:
        rest = rest[:-1]
    return rest[:-2] if rest[-2:] in (("i", "mean"), ("i", "meant")) else rest


_AFTERWARDS = frozenset("instead please rather sorry".split())


def _with_another_verb(before: Phrase, command: str, rest: Phrase) -> Iterator[Phrase]:
    """ "Move it" after "copy the last sentence to the top", "italic" after "bold the title"."""
    rest = _without_ends(rest)
    bare = rest[:-1] if rest[-1:] and rest[-1] in _IT else rest
    if not bare:
        return
    if len(bare) == 1 and CATALOGUE.may_begin(bare[0]):
        yield (*bare, *before[1:])
    for start, end, _ in named_in(before, command):
        named = before[start:end]
        yield (*bare, *named)
        yield from ((verb, *named, *bare) for verb in ("make", "put"))
        yield ("put", *named, "in", *bare)


_THE_WHOLE = 3
_AROUND = frozenset("sentence paragraph row item line column list".split())


def _with_another_part(before: Phrase, command: str, rest: Phrase) -> Iterator[Phrase]:
    """The same command with something else in the place of what it was about, or of how much.

    What leaves most of its words as they were is meant: "the first two" instead of "the first
    three" of a paragraph's words is not "the first two paragraphs".
    """
    rest = rest[:-1] if rest[-1] in ("one", "ones") else rest
    rest = _without_ends(rest)
    if not rest or LITTLE.issuperset(rest):
        return
    about = [(start, end) for start, end, _ in named_in(before, command)]
    if rest[:2] == ("the", "whole") and len(rest) == _THE_WHOLE and rest[2] in _AROUND:
        # "No the whole row", after a word of it was coloured.
        for start, end in about:
            part = ("the", rest[2], "with", *before[start:end], "in", "it")
            yield (*before[:start], *part, *before[end:])
    instead = [(*before[:start], *rest, *before[end:]) for start, end in about]
    counts = not _COUNTING.isdisjoint(rest)
    yield from instead if not counts else ()
    yield from _put_in_its_place(before, command, rest)
    yield from instead if counts else ()
    for start, end in about:
        if "of" not in before[start:end] and rest[0] == "the":
            unit = before[end - 1]
            for named in dict.fromkeys((unit, unit.removesuffix("s"))):
                yield (*before[:start], *rest, named, *before[end:])


def _put_in_its_place(before: Phrase, command: str, rest: Phrase) -> Iterator[Phrase]:
    """The same command with other words at the one place of it that is most like them."""
    done = next((p for p in CATALOGUE.parses(before) if p.command.name == command), None)
    if done is None:
        return
    found: dict[Phrase, int] = {}
    for size, start in product(range(1, _LONGEST_PLACE + 1), range(1, len(before))):
        said = (*before[:start], *rest, *before[start + size :])
        other = next(iter(CATALOGUE.parses(said)), None)
        if other and _one_differs(other, done):
            same = sum(a == b for a, b in zip(before[start : start + size], rest, strict=False))
            found[said] = 2 * same - abs(size - len(rest))
    likest = [said for said, alike in found.items() if alike == max(found.values())]
    # Of several places nobody knows which is meant.
    which = sum(word in COUNTS for word in before)
    if len(likest) == 1 and (which < _TWO or found[likest[0]] > 0):
        yield from likest


_TWO, _LONGEST_PLACE = 2, 4
_COUNTING = COUNTS | frozenset("one two three four five six seven eight nine ten".split())
"""They say which part is meant, though the same words may stand on the page."""


def _one_differs(parse: Parse, done: Parse) -> bool:
    """Whether it is the same command, in one thing another: "on the left" for "on the right"."""
    args = done.args
    marks = all(mark_named(tuple(p.args.get("text", ()))) for p in (parse, done))
    if parse.command != done.command or parse.args.keys() != args.keys():
        return False
    if "text" in args and not marks:
        return False
    other = [slot for slot, value in args.items() if parse.args[slot] != value]
    return len(other) == 1 and _alike(parse.args[other[0]], args[other[0]])


def _of_one_sort(some: Phrase, others: Phrase) -> bool:
    """ "No hosepipe" after "pipe" was put there, "no tuesday" after a day: not "no dogs please"."""
    if kind := kind_of(others):
        return kind == kind_of(some)
    a, b = "".join(some), "".join(others)
    alike = len(some) == len(others) and (a in b or b in a)
    return alike and len(min(a, b, key=len)) > _TWO


def _alike(some: object, other: object) -> bool:
    """Any words may name a target: what named a part before names one now."""
    return not is_target(other) or type(some) is type(other)
