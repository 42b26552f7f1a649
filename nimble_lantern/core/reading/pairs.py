"""Two requests in one breath: "bold monday and underline the card", "change ten to eleven and six
to seven"."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.commands.instead import a_look
from nimble_lantern.core.grammar.catalogue import Command
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_VERBS
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.exactly import Verdict, exactly
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.reading.ways import in_its_place
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, Words, is_target

_VERBS = PLAIN_VERBS | TRADE_VERBS
_SHORT = 8
_FEWEST_TOLD = 2
_REPLACING = {"target", "text"}
_MOST_LINKS = 6
"""Places where an utterance may fall into two commands; one with more of them is a text."""


Pair = tuple[tuple[str, ...], tuple[str, ...]]


def two_commands(sitting: Sitting, words: Sequence[str]) -> Pair | None:
    """Two commands joined by "and" or "then", where the whole is none: "bold a and delete b"; or
    one verb for two looks: "make the title big and in the middle"."""
    words = _cornered(tuple(words))
    bare = barest(words)  # "and put action before it in bold"
    first = _pair(sitting, bare) if len(bare) > 2 and bare != tuple(words) else None
    return first or _pair(sitting, tuple(words))


def _cornered(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "In the top right hand corner" said as an edge and a side."""
    for i in range(2, len(words) - 1):
        edge, side = words[i : i + 2]
        told = words[i - 2] in ("at", "in", "on") and words[i - 1] in ("the", "my")
        if told and edge in ("top", "bottom") and side in ("right", "left"):
            rest = words[i + 2 + (words[i + 2 : i + 3] == ("hand",)) :]
            rest = rest[1:] if rest[:1] in (("corner",), ("side",)) else rest
            return (*words[: i - 2], "at", "the", edge, "on", "the", side, *rest)
    return words


def _pair(sitting: Sitting, words: tuple[str, ...]) -> Pair | None:
    if not CATALOGUE.may_begin(words[0]):
        return _two_in_print(sitting, words)
    looked = (p for i in range(2, len(words) - 3) if (p := _placed_in_print(sitting, words, i)))
    if "in" in words and (both := next(looked, None)) is not None:
        return both
    links = [i for i, w in enumerate(words) if w in _LINKS and 0 < i < len(words) - 1]
    looks = [i for i in range(2, len(words) - 1) if _ends_in_a_look(words, i)]
    short = len(words) <= _SHORT
    may = (i for i in range(2, len(words) - 1) if short and words[i] in _VERBS)
    bare = [i for i in may if _whole_and_harmless(exactly(sitting, tuple(words[:i]), True), 0)]
    if not (links or looks or bare) or len(links) + len(looks) > _MOST_LINKS:
        return None
    below = (p for i in links if (p := _then_written(sitting, words, i)) is not None)
    if (both := next(below, None)) is not None:
        return both
    twice = (p for i in links if (p := _two_replacements(sitting, words, i)) is not None)
    dressed = (p for i in looks if (p := _replaced_in_print(sitting, words, i)) is not None)
    if (both := next(twice, None) or next(dressed, None)) is not None:
        return both
    if judge(sitting, words, whole=True).kind is not Judged.TEXT:
        return None
    if (both := _two_verbs(sitting, words)) is not None:
        return both
    for pair in (_two_looks(sitting, words, i) for i in links):
        if pair is not None:
            return pair
    found = (p for i in links if (p := _two(sitting, words, i)) is not None)
    then = (p for i in looks if (p := _then_a_look(sitting, words, i)) is not None)
    beside = (p for i in bare if (p := _side_by_side(sitting, words, i)) is not None)
    return next(found, None) or next(then, None) or next(beside, None)


def _two_in_print(sitting: Sitting, words: tuple[str, ...]) -> Pair | None:
    """ "Ropes in bold and oil in italics"."""
    for i in (n for n, w in enumerate(words) if w in _LINKS):
        first, second = words[:i], words[i + 1 :]
        told = all("in" in part and part[-1] in _PRINT for part in (first, second))
        if told and _a_look(sitting, first) and _a_look(sitting, second):
            return first, second
    return None


def _then_written(sitting: Sitting, words: tuple[str, ...], i: int) -> Pair | None:
    """ "Add a heading called costs and under it write one pound each": a heading and a text."""
    rest = words[i + 1 + (words[i + 1] == "then") :]
    size = next((len(said) for said in _BELOW if rest[: len(said)] == said), 0)
    told = 2 if size or words[i + 1] == "then" else 3  # "arts and write ups"
    if rest[size : size + 1] not in _WRITING or len(rest) < size + told:
        return None
    first = (*_HEADED, *words[2:i]) if words[:2] == ("new", "heading") else words[:i]
    found = exactly(sitting, first, whole=True)
    if found.kind is not Judged.COMMAND or found.parse is None or "text" not in found.parse.args:
        return None
    heads = found.parse.command.name.startswith("titled.")
    return (first, ("under", "that", *rest[size:])) if heads else None


_HEADED = ("add", "a", "heading", "called")
_WRITING = (("write",), ("put",), ("say",), ("type",))
_BELOW = tuple(
    tuple(f"{side}{it}".split())
    for side in ("under", "below", "underneath", "beneath")
    for it in (" it", " that", "")
)


def _two_replacements(sitting: Sitting, words: tuple[str, ...], i: int) -> Pair | None:
    """ "Change ten to eleven and six to seven", where a six stands: said with one verb; or what is
    put there ends before another request: "change ten to eleven and delete six"."""
    first, rest = words[:i], words[i + 1 + (words[i + 1] == "then") :]
    found = exactly(sitting, first, whole=True)
    if not (rest and _words_for_words(found)):
        return None
    if _a_look_at_it(sitting, first, rest):
        return first, rest
    for second in (rest, (words[0], *rest)):
        then = exactly(sitting, second, whole=True)
        if _words_for_words(then) or second is rest and _is_another(then, rest):
            return first, second
    return None


def _a_look_at_it(sitting: Sitting, first: tuple[str, ...], rest: tuple[str, ...]) -> bool:
    """ "Change ten to eleven and make it bold"."""
    told = len(rest) <= _LONGEST_LOOK and not _IT.isdisjoint(rest)
    return told and _a_look(_about_first(sitting, first), rest)


_IT = frozenset(("it", "that", "them"))


def names_all(found: Verdict) -> bool:
    """Whether that is a request whose words are all its own, or stand on the page."""
    parse = found.parse
    if found.kind is Judged.TEXT or parse is None:
        return False
    targets = (value for value in parse.args.values() if isinstance(value, Words))
    return parse.free <= sum(len(target.words) for target in targets)


def _is_another(found: Verdict, words: Sequence[str]) -> bool:
    """Whether words behind a replacement are a request of their own, and no more of it."""
    parse = found.parse
    if found.kind is not Judged.COMMAND or not names_all(found) or len(words) < _FEWEST_TOLD:
        return False
    assert parse is not None
    named = any(map(is_target, parse.args.values()))
    sure = named and words[0] in TRADE_VERBS
    return sure or not (parse.command.traits.destructive or parse.free) and words[0] in _VERBS


def _words_for_words(found: Verdict) -> bool:
    """Whether words that stand there are to have others in their place."""
    parse = found.parse
    if found.kind is not Judged.COMMAND or parse is None:
        return False
    replaces = parse.command.name.startswith("replacing.") and parse.args.keys() == _REPLACING
    return replaces and isinstance(parse.args["target"], Words)


def _side_by_side(sitting: Sitting, words: Sequence[str], i: int) -> Pair | None:
    """ "New letter call it party": two that are whole, none of them taking anything away."""
    first, second = tuple(words[:i]), tuple(words[i:])
    found = judge(_about_first(sitting, first), second, whole=True)
    return (first, second) if _whole_and_harmless(found, 2) else None


def _whole_and_harmless(found: Verdict, most: int) -> bool:
    """Whether that is a command, with so many free words, which takes nothing away."""
    parse = found.parse
    if found.kind is not Judged.COMMAND or parse is None or parse.free > most:
        return False
    return not (parse.command.traits.destructive or parse.command.traits.walks)


_LONGEST_LOOK = 4
_SAYING = ("sayings.", "titled.")
_PUTTING = ("inserting.", "passages.", "sayings.", "titled.")


def _ends_in_a_look(words: Sequence[str], i: int) -> bool:
    """ "Put the date at the top on the right": what is put there is to look so."""
    last = tuple(words[i:])
    return last[0] in PREPOSITIONS and len(last) <= _LONGEST_LOOK and _names_a_look(last)


@lru_cache(maxsize=256)
def _names_a_look(words: tuple[str, ...]) -> bool:
    return a_look(words)


def _replaced_in_print(sitting: Sitting, words: tuple[str, ...], i: int) -> Pair | None:
    """ "Change ten to eleven in bold": no words for the page end so."""
    first = words[:i]
    told = words[i] == "in" and _PRINT.issuperset(words[i + 1 :]) and words[i - 1] not in _NO_END
    if not told:
        return None
    found = exactly(sitting, first, whole=True)
    says = found.parse is not None and found.parse.command.name.startswith(_SAYING)
    made = _words_for_words(found) or says and found.kind is Judged.COMMAND
    if not made or _names_what_is_there(sitting, words):
        return None  # "put the words nine to noon in bold" is said of those words
    return first, ("make", "that", *words[i:])


def _placed_in_print(sitting: Sitting, words: tuple[str, ...], i: int) -> Pair | None:
    """ "Put urgent in red at the top": how it looks is said before where it goes."""
    end = next((n for n in (i + 2, i + 3) if words[n : n + 1] in _WHERE), 0)
    if words[i] != "in" or not end or words[i - 1] in _NO_END or not _names_a_look(words[i:end]):
        return None
    first = (*words[:i], *words[end:])
    found = exactly(sitting, first, whole=True)
    made = found.parse is not None and found.parse.command.name.startswith(_PUTTING)
    if found.kind is not Judged.COMMAND or not made or "text" not in (found.args or {}):
        return None
    return first, ("make", "that", *words[i:end])


_WHERE = tuple((side,) for side in "at before after above below under over".split())


def _names_what_is_there(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether a look is asked for of a part that stands there, and nothing is written."""
    verdict = judge(sitting, words, whole=True)
    parse = verdict.parse
    looks = parse is not None and (parse.command.group == "format" or _cased(parse.command))
    writes = parse is not None and "text" in parse.args
    return verdict.kind is Judged.COMMAND and looks and not writes


_PRINT = frozenset("bold italic italics capitals caps capital block letters type and".split())
_NO_END = DETERMINERS | {"one", "ones"}


def _then_a_look(sitting: Sitting, words: Sequence[str], i: int) -> Pair | None:
    first, second = tuple(words[:i]), ("make", "that", *words[i:])
    made = judge(sitting, first, whole=True)
    writes = made.parse is not None and made.parse.command.name.startswith(_PUTTING)
    if made.kind is Judged.COMMAND and writes and _a_look(_about_first(sitting, first), second):
        return first, second
    return None


_LINKS = frozenset(("and", "then"))


def _two(sitting: Sitting, words: Sequence[str], link: int) -> Pair | None:
    if not CATALOGUE.may_begin(words[link + 1]) and words[link + 1] != "then":
        return None
    rest = link + (2 if tuple(words[link : link + 2]) == ("and", "then") else 1)
    first, second = tuple(words[:link]), tuple(words[rest:])
    if second and _sure(sitting, first) and _sure(_about_first(sitting, first), second):
        return first, second
    return None


def _two_verbs(sitting: Sitting, words: tuple[str, ...]) -> Pair | None:
    """ "Centre and enlarge the heading": two looks of one part."""
    if len(words) < _FEWEST_OF_TWO or words[1] != "and" or words[2] not in _LOOK_VERBS:
        return None
    first, second = (words[0], *words[3:]), (words[2], "that")
    if _a_look(sitting, first) and _a_look(_about_first(sitting, first), second):
        return first, second
    return None


_FEWEST_OF_TWO = 5
_LOOK_VERBS = TRADE_VERBS | {"enlarge", "colour", "color", "shrink"}


def _two_looks(sitting: Sitting, words: Sequence[str], link: int) -> Pair | None:
    first, second = tuple(words[:link]), ("make", "that", *words[link + 1 :])
    if _a_look(sitting, first) and _a_look(_about_first(sitting, first), second):
        return first, second
    return None


def _cased(command: Command) -> bool:
    return command.name.startswith("case.")


def _a_look(sitting: Sitting, words: tuple[str, ...]) -> bool:
    verdict = judge(sitting, words, whole=True)
    command = verdict.parse.command if verdict.parse else None
    looks = command is not None and (command.group == "format" or _cased(command))
    return verdict.kind is Judged.COMMAND and looks


def taken_back_for(sitting: Sitting, words: tuple[str, ...]) -> Pair | None:
    """Two commands where words say what should have been done instead: "sorry i meant italic"."""
    said = in_its_place(sitting, words)
    if said is None:
        return None
    found = judge(sitting, words, whole=True)
    command = found.parse.command if found.parse else None
    moves_the_caret = command is not None and command.group == "moving"
    otherwise = command is not None and not command.traits.corrects and not moves_the_caret
    return None if found.kind is Judged.COMMAND and otherwise else (UNDO, said)


UNDO = ("undo", "that")


def _about_first(sitting: Sitting, first: tuple[str, ...]) -> Sitting:
    """With what a first command is about spoken of as "it": "underline friday and make it red"."""
    verdict = judge(sitting, first, whole=True)
    places = next((v for v in (verdict.args or {}).values() if isinstance(v, Places)), None)
    return sitting if places is None else sitting.about(places.ranges)


def _sure(sitting: Sitting, words: Sequence[str]) -> bool:
    verdict = judge(sitting, words, whole=True)
    return verdict.kind is Judged.COMMAND and verdict.parse is not None and verdict.parse.free < 6
