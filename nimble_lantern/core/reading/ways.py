"""Requests that are not put word for word as a command is: their place first, their words in
another order, for something else as well, with a reason."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import chain, pairwise
from typing import NamedTuple

from nimble_lantern.core.asking import ambiguous
from nimble_lantern.core.commands.grid.spreading import (
    goes_into_a_row_more,
    goes_into_the_next_row,
    goes_into_the_row,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.desk import COUNTED, SPOKEN_OF, TRADE_NOUNS
from nimble_lantern.core.reading.addressing import Plainer, reasoned, writes
from nimble_lantern.core.reading.any_order import in_order
from nimble_lantern.core.reading.apart import INSIDE, apart
from nimble_lantern.core.reading.exactly import (
    Verdict,
    best,
    exactly,
    fits,
    takes_the_mark,
    writes_words,
)
from nimble_lantern.core.reading.following import (
    adds_another,
    behind_sorry,
    corrected,
    follows,
    hardly_said,
    last_done,
    leaves_some,
    only_some,
    part_as_well,
    regrets,
    reworded,
    says_where,
    seen_from,
)
from nimble_lantern.core.reading.further import further, goes_on, not_that, placed_otherwise
from nimble_lantern.core.reading.housed import housed, keeping
from nimble_lantern.core.reading.in_parts import in_parts
from nimble_lantern.core.reading.otherwise import otherwise, surely
from nimble_lantern.core.reading.same_again import same_again
from nimble_lantern.core.reading.told_before import told_before
from nimble_lantern.core.reading.worded import surely as surely_worded
from nimble_lantern.core.reading.worded import worded
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Words, of_the_page
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.writing.cardinals import cardinal


class Asked(NamedTuple):
    """A plainer wording and how it is read."""

    plain: Plainer
    verdict: Verdict


def is_to_stay(words: tuple[str, ...], found: Verdict) -> bool:
    """ "Take everything out of the second column but leave it there": the column is not to go."""
    command = found.parse.command if found.parse else None
    return command is not None and command.traits.destructive and keeping(words) > 0


def named_first(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request that names its place first, and then speaks of it; refused where the part of the
    page that it names has no such words."""
    missed: list[Verdict] = []
    for plain in (Plainer(words), *(a.plain for a in asked)):
        parses = [p for p in apart(sitting.document, plain.words) if fits(sitting, p)]
        found = best(sitting, parses, near=False, missed=missed)
        if found.kind is Judged.COMMAND and found.parse and plain.allows(found.parse):
            return found
    inside = (
        m for m in missed
        if m.parse and words[0] in INSIDE
        and (_exactly_called(m.parse) or _stands_elsewhere(sitting, m.parse))
    )  # fmt: skip
    return next(inside, None)


def _stands_elsewhere(sitting: Sitting, parse: Parse) -> bool:
    """ "In the last sentence change paid to settled", where only another one says "paid"."""
    if not parse.command.name.startswith(_OF_SOME_WORDS):
        return False
    named = [v for v in parse.args.values() if isinstance(v, Words) and of_the_page(v.of)]
    return bool(named) and all(exact(sitting.document, v.words) for v in named)


_OF_SOME_WORDS = ("replacing.", "deleting.", "marks.", "faces.", "case.")


def _exactly_called(parse: Parse) -> bool:
    """ "In the last paragraph take out the word please" speaks of words, whatever stands there."""
    return any(isinstance(v, Words) and v.called for v in parse.args.values())


def _again(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """What was just done, for something else as well."""
    found = (exactly(sitting, said, whole=False) for said in same_again(sitting, words))
    return next((v for v in found if v.kind is Judged.COMMAND), None)


def _row_at_once(
    sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]
) -> Verdict | None:
    """What can only be all the cells of the empty row here: "thursday order paraffin sid"."""
    begun = False
    while len(words) > 1 and words[0] in _ASIDES:
        words, begun = words[1:], True
    last = sitting.trail[-1].command or "" if sitting.trail else ""
    lead = next((m for m in _ONE_MORE if words[: len(m)] == m), ())
    if (lead or begun) and last.startswith("grid.fill") and len(words) > len(lead) + 1:
        words = words[len(lead) :]
        if not goes_into_the_next_row(sitting, words):
            if not goes_into_a_row_more(sitting, words):
                return None
            found = exactly(sitting, ("add", "a", "row", *words), whole=False)
            return found if found.kind is Judged.COMMAND else None
    if goes_into_the_row(sitting, words):
        filling: tuple[str, ...] = ("fill", "it", "with")
    elif goes_into_the_next_row(sitting, words):
        filling = ("fill", "the", "next", "row", "with")
    else:
        return None
    found = exactly(sitting, (*filling, *words), whole=False)
    return found if found.kind is Judged.COMMAND else None


_ASIDES = frozenset("oh and then so".split())
_ONE_MORE = tuple(
    tuple(said.split())
    for said in (
        "another one with", "another one for", "another one", "one more with", "one more for",
        "one more", "another with", "another", "and", "then", "also",
    )
)  # fmt: skip


def _following(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """What makes sense only after what was just done."""
    if only_some(words) != words:
        return None  # "not all of it just the first sentence" is done instead of that
    for plain in (Plainer(words), *(a.plain for a in asked)):
        gone = not_that(sitting, plain.words)
        more = gone if regrets(words) else chain(gone, further(sitting, plain.words))
        for said in chain(follows(sitting, plain.words, regrets(words)), more):
            # "That" is all of what was done something to, and not the first place alone.
            found = exactly(sitting if "that" in said else seen_from(sitting), said, whole=False)
            told = says_where(plain.words) or leaves_some(plain.words)
            told = told or bool(part_as_well(plain.words)) or adds_another(plain.words)
            told = told or goes_on(plain.words)
            if found.kind is Judged.COMMAND and (told or _writes_nothing(found)):
                return found
    return None


def _writes_nothing(found: Verdict) -> bool:
    if found.parse is None:
        return False
    return found.parse.command.group == "selecting" or not writes(found.parse)


def in_its_place(sitting: Sitting, words: tuple[str, ...]) -> tuple[str, ...] | None:
    """The command that should have been done instead of the last, as the text was before that."""
    if (before := sitting.previous) is not None:
        for said in _elsewhere(sitting, words):
            found = exactly(before, said, whole=False)
            same = found.kind is Judged.COMMAND and _as_before(sitting, found)
            if same and _can_be(before, found):
                return said
        for said in corrected(sitting, words):
            found = exactly(before, said, whole=False)
            if found.kind is not Judged.COMMAND or not _writes_nothing(found):
                continue
            if not (hardly_said(words) and _takes_words(found)) and _can_be(before, found):
                return said
        for said in reworded(sitting, words):
            found = exactly(before, said, whole=False)
            if found.kind is Judged.COMMAND and _can_be(before, found):
                return said
    return None


def _as_before(sitting: Sitting, found: Verdict) -> bool:
    """Whether it is a command of the same family as the last one."""
    last = last_done(sitting)
    family = last[1].split(".")[0] if last is not None else ""
    return found.parse is not None and found.parse.command.name.split(".")[0] == family


def _elsewhere(sitting: Sitting, words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """The last command at another place, where words regret that one."""
    last = last_done(sitting) if regrets(words) and sitting.trail[-1:] else None
    if last is None or not sitting.trail[-1].made:
        return
    rest = behind_sorry(words)
    for before in dict.fromkeys((tuple(sitting.trail[-1].heard.split()), last[0])) if rest else ():
        yield from placed_otherwise(sitting, before, last[1], rest)


def _takes_words(found: Verdict) -> bool:
    """ "No friday", after a sentence was deleted, is not known to be said of that."""
    values = found.parse.args.values() if found.parse else ()
    named = any(isinstance(v, Words) for v in values)
    return found.parse is not None and found.parse.command.traits.destructive and named


def _can_be(sitting: Sitting, found: Verdict) -> bool:
    """Whether a command would be done, or ask, and not be refused: the last one is taken back for
    it."""
    if found.parse is None or found.args is None or ambiguous(found.parse.command, found.args):
        return found.parse is not None
    made = found.parse.command.handler(replace(sitting, question=None), **found.args)
    return not isinstance(made, Refusal)


def _in_order(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request that every word is known of, read in the usual order of its words."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in in_order(plain.words):
            found = exactly(sitting, said, whole=False)
            sure = found.kind is Judged.COMMAND and found.parse and not writes_words(found.parse)
            if sure and found.parse and plain.allows(found.parse):
                return found
    return None


def _otherwise(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request that names a part of the page or the desk, and asks as people do for any part."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in otherwise(plain.words):
            found = exactly(sitting, said, whole=False)
            parse = found.parse
            if (
                found.kind is Judged.COMMAND
                and parse
                and surely(parse, said)
                and plain.allows(parse)
                and not _tells_of_a_part(parse, plain.words)
            ):
                return found
    return None


def _tells_of_a_part(parse: Parse, words: tuple[str, ...]) -> bool:
    """Whether new words only tell which part is meant: "with the sentence | about sweeping"."""
    text = tuple(parse.args.get("text", ()))
    at = next((i for i in range(1, len(words)) if words[i : i + len(text)] == text), 0)
    return bool(text) and at > 0 and words[at - 1] in COUNTED and text[0] in _OF_WHICH


_OF_WHICH = frozenset("about with where that which of".split())


def _housed(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request about a row, a note, a version ..., all of whose words ask for one thing."""
    found = (_housed_as(sitting, p) for p in (Plainer(words), *(a.plain for a in asked)))
    return next((verdict for verdict in found if verdict is not None), None)


_TAKING = frozenset("put take send bring move shift place".split())


def _housed_as(sitting: Sitting, plain: Plainer) -> Verdict | None:
    taken = plain.words[0] in _TAKING and plain.words[1:2] and plain.words[1] in SPOKEN_OF
    for said in housed(sitting, plain.words):
        found = exactly(sitting, said, whole=False)
        parse = found.parse
        if taken and parse is not None and parse.command.name.startswith("moving."):
            continue  # "put it at the end of the list" is not said of the writing place
        done = found.kind is Judged.COMMAND and parse and plain.allows(parse)
        if (
            done
            and parse
            and parse.command.traits.destructive
            and (_leaves_a_number(plain.words, said) or _of_a_noun(parse))
        ):
            # "Two row one delete" is no request to delete two rows, nor "we don't need the words
            # any more" one to delete "the words" of a sentence.
            continue
        if done and parse and not parse.command.name.startswith(_OF_WORDS):
            return found
    return None


def _leaves_a_number(words: tuple[str, ...], said: tuple[str, ...]) -> bool:
    """Whether a number right behind a part's name was said that is none of the plain wording's."""
    behind = (w for before, w in pairwise(words) if before in COUNTED and cardinal((w,), 0))
    return any(w not in said for w in behind)


def _of_a_noun(parse: Parse) -> bool:
    """Whether words of the page are named by what parts of a page are called: "the words"."""
    named = (v.words for v in parse.args.values() if isinstance(v, Words))
    return any(TRADE_NOUNS.issuperset(w for w in words if w != "the") for words in named)


_OF_WORDS = ("replacing.", "inserting.", "writing.")
"""What is asked of a thing of the house is none of these: "put the total under paid"."""


def _worded(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request for words in the place of others or beside them, all said round those asking it."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in worded(sitting, plain.words):
            found = exactly(sitting, said.words, whole=False)
            parse = found.parse
            asks = parse and plain.allows(parse) and surely_worded(sitting, parse, said)
            if parse and asks and _tells_of_a_part(parse, plain.words):
                continue
            if found.kind is Judged.COMMAND and asks:
                return found
    return None


def _reasoned(sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]) -> Verdict | None:
    """A request that a reason is given for, or that goes on from a thing that was named in one."""
    told = (
        Plainer(said, mused=True, reasoned=True)
        for w in (words, *(p.words for p in in_parts(words)))
        for said in told_before(sitting, w)
    )
    selected = sitting.selection is not None and sitting.fresh
    for plain in (*told, *reasoned(words, selected)):
        found = exactly(sitting, plain.words, whole=False)
        if found.kind is Judged.COMMAND and found.parse and plain.allows(found.parse):
            return found
        if (put := _housed_as(sitting, plain)) is not None:
            return put
    return None


def in_other_ways(
    sitting: Sitting, words: tuple[str, ...], asked: Sequence[Asked]
) -> Verdict | None:
    """What words ask for in one of these ways; None for others."""
    for way in _WAYS:
        found = way(sitting, words, asked)
        if found is not None and found.parse and takes_the_mark(words, found.parse):
            continue
        if found is not None and (way is _housed or not is_to_stay(words, found)):
            return found
    return None


_WAYS = (
    _row_at_once, _again, _following, _in_order, _otherwise, _housed, _worded, _reasoned,
)  # fmt: skip
