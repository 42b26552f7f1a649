"""Putting right what was just said, in one breath: "i meant tuesday", "or rather ..."."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.becoming import SAID_OF_IT
from nimble_lantern.core.commands.by_letters import (
    as_word,
    hinted,
    spelled_there,
    spells_one,
    told_of,
)
from nimble_lantern.core.commands.instead import at_a_place, into_a_thing
from nimble_lantern.core.commands.one_of_a_kind import (
    in_last_sentence,
    nearest_like,
    of_that_kind,
    of_that_kind_here,
    one_here,
    one_measure_here,
)
from nimble_lantern.core.commands.same_words import (
    made_so,
    nearly_what_was_said,
    of_the_same_ends,
    of_the_selected_kind,
    part_said_again,
    said_over,
    said_whole_again,
)
from nimble_lantern.core.commands.selecting import select
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.replacing import replace_range, without_stop
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    HEARD_ALIKE,
    LITTLE,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS, PLAIN_VERBS, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.manners import BESIDE
from nimble_lantern.core.lexicon.sentences import AFTER_MEAN, NEVER_LAST, VERBS
from nimble_lantern.core.mending.knowing import taught_by
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.alike import Mend, kind_of, mends, of_one_kind
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.ones import place_among
from nimble_lantern.core.targets.sounds import heard_alike, phrase_key
from nimble_lantern.core.targets.words import normal, other_number, places


def _just_said_or_here(sitting: Sitting, parse: Parse) -> bool:
    if set(parse.args.get("old", ())) <= DETERMINERS:
        return False  # "not the title"
    return _just_said_alike(sitting, parse) or one_here(sitting, parse)


def _heard(words: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(HEARD_ALIKE.get(w, w) for w in words)


def _sounds_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Stair not stare", where the stare stands: the one was heard for the other."""
    old, new = _old_and_new(parse)
    alike = bool(old and new) and old != new
    sounds = phrase_key(" ".join(_heard(old))) == phrase_key(" ".join(_heard(new)))
    if alike and not sounds and len(old) == len(new) == 1 and len(sitting.that) == 1:
        # "Wool should be wood", right after it was written.
        return heard_alike(*old, *new) and bool(places(sitting.document, old, sitting.that[0]))
    return alike and sounds and bool(places(sitting.document, old))


def _takes_up(sitting: Sitting, parse: Parse) -> bool:
    """Whether "i meant ..." takes up something of what was just written.

    After "the boat is late", "i meant the ferry is late" does, and so does any word or two; "i mean
    to write to the board" is a sentence.
    """
    said = tuple(parse.args.get("text", ()))
    if (
        not said
        or said[0] in AFTER_MEAN
        or "not" in said
        or said[0] in BESIDE
        or _asks(sitting, said)
    ):
        return False
    if not sitting.that:
        # Nothing was just said: it can only be the one day, month or hour of the last sentence.
        one = kind_of(said) in _OF_TIME and len(in_last_sentence(sitting, said)) == 1
        return one or one_here(sitting, parse)
    again = _again(sitting, sitting.that[0], said)
    return again or len(said) <= 2 or bool(mends(sitting.document, sitting.that[0], said))


def _asks(sitting: Sitting, said: tuple[str, ...]) -> bool:
    """ "I mean change here to there" asks for that; after "make the bet", "i meant make the bed" is
    said of it."""
    if said[0] not in TRADE_VERBS | PLAIN_VERBS or not _BETWEEN.intersection(said[1:]):
        return False
    return not any(places(sitting.document, said[:1], r) for r in sitting.that)


_BETWEEN = frozenset("to with into by in on after before under above".split())


def _says_what(sitting: Sitting, parse: Parse) -> bool:
    """The same of "that should be the ferry"; "that should be fine by friday" tells."""
    said = tuple(parse.args.get("text", ("fine",)))
    # "A bullet" is how it is to be, and no words of it.
    looks = said[0] in DETERMINERS and not PARTS.isdisjoint(said)
    placed = at_a_place(said)
    return said[0] not in _HOW_IT_IS and not looks and not placed and _takes_up(sitting, parse)


_HOW_IT_IS = frozenset(
    "fine enough clear ready done safe good better best easy possible nice lovely great plenty true"
    " so fun okay ok simple useful helpful interesting all more less very quite no not".split()
)
_OF_TIME = ("day", "month", "hour")


def _selected(sitting: Sitting, parse: Parse) -> bool:
    """Whether words are selected, of which "it" is said; a look's name is no word for it."""
    text = tuple(parse.args.get("text", ()))
    plain = (TRADE_NOUNS | TRADE_VERBS).isdisjoint(text) and not at_a_place(text)
    held = bool(text) and sitting.selection is not None and sitting.fresh
    return held and plain and not place_among(text)


def _as_many(sitting: Sitting, parse: Parse) -> bool:
    """ "Make that last song", where two words are selected; not "make it stand out a bit"."""
    if not _selected(sitting, parse) or sitting.selection is None:
        return False
    words = sitting.document.count_words(sitting.selection)
    return into_a_thing(sitting, parse) or words == len(parse.args["text"])


def _plainly_mends(sitting: Sitting, parse: Parse) -> bool:
    """ "Sorry monday", where one day was just written: the same kind, and nothing else it mends."""
    said = tuple(parse.args.get("text", ()))
    last = sitting.trail[-1:]
    if not sitting.that or not said or not kind_of(said) or not last or not last[0].made:
        return False
    return len(mends(sitting.document, sitting.that[0], said)) == 1


_SEVERAL = 2


def _mends_several(sitting: Sitting, parse: Parse) -> bool:
    """ "Make it eleven", right after a sentence with two numbers."""
    said, last = tuple(parse.args.get("text", ())), sitting.trail[-1:]
    if (
        len(sitting.that) != 1
        or not kind_of(said)
        or not last
        or last[0].read_as is not ReadAs.TEXT
    ):
        return False
    return len(mends(sitting.document, sitting.that[0], said)) >= _SEVERAL


def _mends_behind(sitting: Sitting, parse: Parse) -> bool:
    """ "Actually on saturday", where "on friday" was just said."""
    if not _plainly_mends(sitting, parse):
        return False
    (mend,) = mends(sitting.document, sitting.that[0], tuple(parse.args["text"]))
    place = mend.range.start
    before = sitting.document.blocks[place.block].text[: place.offset].lower().split()
    return before[-1:] == [parse.args.get("link")]


def _last_word(sitting: Sitting) -> Range | None:
    """The last word of what was just written."""
    last = sitting.trail[-1:]
    if len(sitting.that) != 1 or not last or last[0].read_as is not ReadAs.TEXT:
        return None
    return next(reversed([*units.within(sitting.document, "word", sitting.that[0])]), None)


def _like_the_last_word(sitting: Sitting, parse: Parse) -> bool:
    """ "No gary", where Gaz was just written; "no tea" goes on with a list."""
    r, word = _last_word(sitting), tuple(parse.args.get("text", ("",)))[0]
    there = sitting.document.text(r).lower() if r else ""
    plain = word.isalpha() and word not in LITTLE | VERBS | SUBJECT_PRONOUNS
    return plain and bool(there) and heard_alike(there, word)


def _old_and_new(parse: Parse) -> tuple[tuple[str, ...], tuple[str, ...]]:
    return tuple(parse.args.get("old", ())), tuple(parse.args.get("text", ()))


def _was_said(sitting: Sitting, parse: Parse) -> bool:
    """ "I said rows not rose": one of them stands there, so that "not" is no word of the new."""
    old, new = _old_and_new(parse)
    stands = any(places(sitting.document, words) for words in (old, new) if words)
    return bool(old) and stands or _was_said_alike(sitting, parse)


def _was_said_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "No saturday not sunday", anywhere in the text: of one kind, or a name for a name."""
    old, new = _old_and_new(parse)
    if _just_said_alike(sitting, parse):
        return True
    told = old and new and not LITTLE.issuperset(old)
    found = places(sitting.document, old) if told else []
    named = len(old) == len(new) and any(_a_name(sitting, r) for r in found)
    return bool(found) and (of_one_kind(old, new) or named)


def _word_for_word(sitting: Sitting, parse: Parse) -> bool:
    """ "No seats not tickets", where tickets stand; "no we can not pay" is a sentence."""
    old, new = _old_and_new(parse)
    plain = not {*old, *new} & (VERBS | SUBJECT_PRONOUNS | LITTLE)
    return plain and len(old) == len(new) <= 3 and bool(places(sitting.document, old))


def _just_said_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Seven not six", where six was just said; "it was seven not six" tells something else."""
    old, new = _old_and_new(parse)
    if not old or not new or len(sitting.that) != 1 or new in _JOINING or LITTLE.issuperset(old):
        return False  # "no not the title"
    if of_one_kind(old, new):
        return bool(mends(sitting.document, sitting.that[0], new))
    if len(old) == len(new) > 1 and set(old) & set(new) and old != new:
        # "Is ill not was ill", where he was.
        return len(places(sitting.document, old, sitting.that[0])) == 1
    there = len(places(sitting.document, old, sitting.that[0])) == 1
    if there and len(old) > 1 and len(new) <= _FEW_NEW and not set(new) & _OF_A_CLAUSE:
        return True  # "thanks not thank you"
    if set(new) & (VERBS | SUBJECT_PRONOUNS) or len(old) != len(new) or len(old) > 3:
        # "We can not pay" is a sentence.
        return False
    return bool(places(sitting.document, old, sitting.that[0]))


_OF_A_CLAUSE, _FEW_NEW = SUBJECT_PRONOUNS | AUXILIARIES, 3
_JOINING = tuple(
    (word,)
    for word in "and but or so then no oh wait sorry actually oops whoops well please yes".split()
)
"""They go on with a request, or regret one: "but not the title", "no not friday"."""


def _a_name(sitting: Sitting, r: Range) -> bool:
    """Whether a place is a name: "no not tarrow marrow" is about one."""
    text = sitting.document.text(r).split()
    return bool(text) and all(word[:1].isupper() for word in text)


def _says_something(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words may be a sentence: a word or two instead of all of one is asked about."""
    text = parse.args.get("text", ("about",))
    sentence = len(text) > 2 or bool(set(text) & (VERBS | SUBJECT_PRONOUNS))
    return sentence and text[0] not in SAID_OF_IT


def _takes_up_sentence(sitting: Sitting, parse: Parse) -> bool:
    """The same of "or rather ...", which takes up the sentence before the writing place."""
    text = tuple(parse.args.get("text", ()))
    last = next(units.backward(sitting.document, "sentence", sitting.caret), None)
    return last is not None and text[:1] != ("than",) and _again(sitting, last, text)


_NO = (
    "(no | sorry | no sorry | i'm sorry | i am sorry | oh no | wait | no wait | oh | oops |"
    " actually | [i] beg your pardon | pardon | i mean | correction | make that)"
)


def _selected_instead(sitting: Sitting, text: tuple[str, ...]) -> Done | None:
    """ "Select a coat", "no I mean a stick": the nearest one that stands there is selected."""
    last, chosen = sitting.trail[-1] if sitting.trail else None, sitting.selection
    if chosen is None or last is None or not (last.command or "").startswith("selecting."):
        return None
    others = [r for r in places(sitting.document, text) if r != chosen]
    if not others:
        return None
    r = min(others, key=lambda r: (abs(r.start.block - chosen.start.block), r < chosen, r))
    return select(sitting, Places((r,)))


def _again(sitting: Sitting, before: Range, said: tuple[str, ...]) -> bool:
    """Whether at least half of the telling words, but one, were said before."""
    if not said or said[0] in AFTER_MEAN:
        return False
    text = sitting.document.text(before).lower()
    words = set(normal(re.findall(r"[^\W_]+(?:['’][^\W_]+)*", text)))
    telling = {w for w in normal(said) if w not in NEVER_LAST | LITTLE}
    return len(telling & words) * 2 >= max(1, len(telling) - 1)


CATALOGUE.table(
    "put_between",
    {word: word for word in ("at", "on", "in", "by", "from", "until", "for", "to", "of", "since")},
    heard=False,
)
CATALOGUE.table(
    "sort",
    {
        "(price | cost | amount | number | figure | total | sum | rent | fee | fare)": "number",
        "(day | date)": "day",
        "month": "month",
        "colour": "colour",
    },
    heard=False,
)


CATALOGUE.table("without", {"without": True}, heard=False)
_SHOULD_BE = "(it's | it is | that's | (that | it) should be | i (said | meant))"
CATALOGUE.table(
    "whole_again",
    {
        f"({_NO} | (scrap | scratch) that | [no] i said | try again | [no] i meant |"
        " (i'll | i will | let me) (say | try) (it | that) again | or rather)": True
    },
    heard=False,
)


@rule("one_word", "{words}", heard=False)
def _one_word(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return words if len(words) == 1 else None


@command(
    Way(
        "[(no | sorry | oh no)] (i meant | i mean | i meant to say | make that) {text}",
        when=_takes_up,
    ),
    "(say | put) (that | it) again as {text}",
    Way(
        "[(no | sorry)] (i meant | i said | i mean) {text:words} [and] not {old:words}",
        when=_was_said,
    ),
    Way("[(no | sorry)] (i said | i meant) {text}", when=_takes_up),
    Way("(that | it) should (be | read | say | have been) {text}", when=_says_what),
    Way(f"{_NO} {{text}}", when=_plainly_mends),
    Way(f"({_NO} | or rather) {{link:put_between}} {{text}}", when=_mends_behind),
    Way("or rather {text:words}", when=_plainly_mends),
    Way(
        f"{_NO} [(put | say | write | make it)] {{text}}",
        when=nearly_what_was_said,
    ),
    Way("make (it | that) {text}", when=made_so),
    Way("{again:whole_again} {text}", when=said_whole_again),
    *each(
        spells_one,
        "[(no | sorry)] [(that's | that is | it's | it is | that should be | it should be)]"
        " (spelled | spelt) {text}",
        "spell (it | that | this) [as] {text}",
        "(no | sorry | it's | it is | that's | that is | [no] (it | that) should be) {text}",
    ),
    *each(
        hinted,
        f"[(no | sorry)] [{_SHOULD_BE}] {{text:one_word}} (with | as in) [(a | an | the)]"
        " {hint:words}",
        f"[(no | sorry)] [{_SHOULD_BE}] {{text:one_word}} {{without}} [(a | an | the)]"
        " {hint:words}",
    ),
    Way(f"{_NO} [(it was | it's)] {{text:words}} not {{old:words}}", when=_was_said_alike),
    Way("(no | sorry | no sorry) {text:words} not {old:words}", when=_word_for_word),
    Way(f"{_NO} not {{old:words}} [(but | it was | it's)] {{text}}", when=_was_said_alike),
    Way("{text:words} (not | instead of | rather than) {old:words}", when=_just_said_alike),
    Way("not {old:words} [but] {text}", when=_just_said_or_here),
    Way("{text:words} i (mean | meant | said)", when=_plainly_mends),
    Way("correction {text}", when=_takes_up),
    Way(f"{_NO} [(make it | put | say)] {{text}}", when=of_the_selected_kind),
    Way("(this | that | it) should (be | read | say) {text}", when=_selected),
    Way("(write | put | say) {text:words} instead", when=_selected),
    Way("make (it | that | this) (say | read) {text}", when=_selected),
    Way("make (it | that | this) {text}", when=_as_many),
    Way(
        "(it was | that was meant to be | make it | it should have been) {text}",
        when=_plainly_mends,
    ),
    Way("(make (it | that) | (it | that) should be) {text}", when=_mends_several),
    Way("{text:words} (sorry | actually | rather | no | instead)", when=_plainly_mends),
    Way(
        "(it was | it's | it is | that should be | that is | that's) {text:words} [and] not"
        " {old:words}",
        when=_just_said_alike,
    ),
    Way("not {old:words} (it was | it's | it is) {text}", when=_just_said_alike),
    *each(
        _sounds_alike,
        "[(it's | it is | that's | it should (be | say | read) | i mean)] {text:words} [and]"
        " not {old:words}",
        "{old:words} should (be | have been | say | read) {text}",
        "(you | it) (heard | wrote | put | have | got) {old:words} [(but | and)] i said {text}",
        "(it's | it is) not {old:words} (it's | it is | but) {text}",
    ),
    Way("(make it | make that | [it] should be | it's | it is) {text}", when=one_here),
    Way("(the | that) {sort} <shall> (be | say | read) {text}", when=of_that_kind_here),
    Way("<change> (the | that) {sort} to {text}", when=of_that_kind),
    Way("(make | set) (the | that) {sort} [to] {text}", when=of_that_kind),
    Way("(it's | it is | it was | i meant) {text:words} [and] not {old:words}", when=one_here),
    example="i meant the boat is late",
    group="repair",
    corrects=True,
    destructive=True,
)
def meant(
    sitting: Sitting,
    text: tuple[str, ...],
    old: tuple[str, ...] = (),
    sort: str = "",
    link: str = "",
    hint: tuple[str, ...] = (),
    without: bool = False,
    again: bool = False,
    target: Places | None = None,
) -> Done | Refusal:
    """Put right what you just said: the word that is like the new one, or all of it said again."""
    if target is not None:
        return mended(sitting, target.first, text)
    if (r := spelled_there(sitting, text)) is not None:
        if sitting.document.text(r).lower() == as_word(text)[0]:
            return Done(sitting, f"{quoted(sitting.document.text(r))} is spelled so")
        return mended(sitting, r, as_word(text))
    text = as_word(text)
    if hint:
        return mended(sitting, told_of(sitting, text, hint, without)[0], text)
    if sort and (like := nearest_like(sitting, text)):
        return mended(sitting, like.range, like.words)
    if sitting.selection is not None and sitting.fresh and not sitting.selection.empty:
        inside = places(sitting.document, old, sitting.selection) if old else []
        if len(inside) == 1 and inside[0] != sitting.selection:
            return mended(sitting, inside[0], text)  # "bread not flour", where both are less
        other = _selected_instead(sitting, text)
        return other if other is not None else mended(sitting, sitting.selection, text)
    if old and (sitting.that or places(sitting.document, old)):
        return _instead(sitting, old, text)
    here = one_measure_here(sitting, text) or in_last_sentence(sitting, text)
    if not sitting.that and len(found := here) == 1:
        return mended(sitting, found[0].range, found[0].words)
    if len(sitting.that) != 1 or sitting.that[0].empty:
        return Refusal("Nothing was just written.", "", "Select the words first, then say others.")
    last = sitting.that[0]
    learned = [x.meant for x in sitting.put_right if x.heard == text]
    if wrongly := [r for words in learned for r in places(sitting.document, words, last)]:
        return mended(sitting, wrongly[-1], text)  # it was right before
    if again and (r := said_over(sitting, text)) is not None:
        return mended(sitting, without_stop(sitting.document, r, text), text)
    if (r := of_the_same_ends(sitting, last, text)) is not None:
        return mended(sitting, r, text)
    found = mends(sitting.document, last, text)
    if len(found) == 1 and (kind_of(text) or len(text) <= 3 or not _again(sitting, last, text)):
        return mended(sitting, found[0].range, found[0].words)
    said = sitting.document.text(last).split()
    if (r := _in_its_row(sitting, last, text)) is not None:
        return mended(sitting, r, text)
    if _of_other_kinds(text, said):
        # "I meant friday", after a number was put in digits, is said of the day beside it.
        beside = units.block_range(sitting.document, last.start.block)
        others = mends(sitting.document, beside, text)
        if len(others) == 1:
            return mended(sitting, others[0].range, others[0].words)
        return _which(sitting, text, others)
    if 2 < len(text) < len(said) and _again(sitting, last, text):
        # Less than all of it: "that should be my friend gus and i".
        if (part := part_said_again(sitting, last, text)) is not None:
            return mended(sitting, part, text)
        if len(text) * 2 <= len(said):
            return _which(sitting, text, found)
    if _again(sitting, last, text) and len(text) > 2 or len(said) <= 2:
        return mended(sitting, without_stop(sitting.document, last, text), text)
    return _which(sitting, text, found)


def _in_its_row(sitting: Sitting, last: Range, text: tuple[str, ...]) -> Range | None:
    """ "I meant Hester", when all of a row was said: the one cell of it that says a thing of that
    kind, where the last one says another."""
    blocks, b = sitting.document.blocks, last.start.block
    table = table_at(blocks, b)
    kind, cell = kind_of(text), blocks[b].cell
    if (
        table is None
        or cell is None
        or not kind
        or of_one_kind(text, blocks[b].text.lower().split())
    ):
        return None
    cells = (table.cell(cell.row, column) for column in range(table.columns))
    alike = [n for n in cells if of_one_kind(text, blocks[n].text.lower().split())]
    return units.block_range(sitting.document, alike[0]) if len(alike) == 1 else None


def _of_other_kinds(text: Sequence[str], said: Sequence[str]) -> bool:
    """Whether both are of a kind, a day and a number, and not of one."""
    kinds = kind_of(text), kind_of([word.lower().strip(".,;:?!") for word in said])
    return all(kinds) and kinds[0] != kinds[1] and not of_one_kind(text, said)


def _which(sitting: Sitting, text: tuple[str, ...], found: Sequence[Mend]) -> Done | Refusal:
    """Asks which of several things is to be put right; there may be none."""
    if len(found) < _SEVERAL:
        what = f"Nothing that was just said is like “{' '.join(text)}”."
        return Refusal(what, "", "Say which: “change ... to ...”.")
    options = (
        Option(
            quoted(sitting.document.text(m.range)), (("target", Places((m.range,))),), (m.range,)
        )
        for m in found
    )
    question = Question("mending.meant", {"text": text}, tuple(options))
    return Done(replace(sitting, question=question), f"“{' '.join(text)}” for which? Say a number")


@command(
    Way("(no | sorry | no sorry) {text:one_word}", when=_like_the_last_word),
    example="sorry gary",
    group="repair",
    corrects=True,
    heard=0,
)
def other_word(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Put right the last word of what you just said by one that sounds like it."""
    r = _last_word(sitting)
    return mended(sitting, r, text) if r else Refusal("Nothing was just written.")


def mended(sitting: Sitting, r: Range, text: tuple[str, ...]) -> Done:
    """Words in place of a range, told as what was put right."""
    wrote = replace_range(taught_by(sitting, r, text), r, text)
    return Done(wrote.sitting, f"{quoted(sitting.document.text(r))} is {quoted(wrote.text)} now")


def _instead(sitting: Sitting, old: tuple[str, ...], text: tuple[str, ...]) -> Done | Refusal:
    """The last place of the old words, those just written first."""
    near = [r for that in sitting.that for r in places(sitting.document, old, that)]
    every = near or places(sitting.document, old)
    if not every and len(sitting.that) == 1:
        found = mends(sitting.document, sitting.that[0], text)
        if len(found) == 1 and of_one_kind(old, text):
            return mended(sitting, found[0].range, found[0].words)
    if not every:
        return Refusal(f"“{' '.join(old)}” stands nowhere here now.")
    before = [r for r in every if r.end <= sitting.caret]
    return mended(sitting, _with_its_thing(sitting, (before or every)[-1], text), text)


def _with_its_thing(sitting: Sitting, r: Range, text: tuple[str, ...]) -> Range:
    """A number with what it counts, if the other one says that too: "two hives" for "one hive"."""
    rest = sitting.document.blocks[r.end.block].text[r.end.offset :]
    word = re.match(r" [^\W\d_]+", rest)
    said = word.group().strip().lower() if word else ""
    alike = bool(said) and len(text) > 1 and text[-1] in (said, other_number(said))
    if not alike or kind_of(text) != "number" or word is None:
        return r
    return Range(r.start, r.end._replace(offset=r.end.offset + word.end()))


@command(
    Way("(make | let) the last sentence (read | say | be) {text}", when=_says_something),
    Way(
        "(the last sentence | last sentence) should (read | be | say) {text}", when=_says_something
    ),
    "(say | put) the last sentence again as {text}",
    "let me (say | try | do) the last (sentence | line) again {text}",
    Way("rather {text}", when=_takes_up_sentence),
    Way("or rather {text}", when=_takes_up_sentence),
    example="or rather the ferry is late today",
    group="repair",
    destructive=True,
)
def sentence_again(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Say the last sentence again in other words; they take its place in one step."""
    last = next(units.backward(sitting.document, "sentence", sitting.caret), None)
    if last is None:
        return Refusal("There is no sentence before the writing place.")
    wrote = replace_range(sitting, without_stop(sitting.document, last, text), text)
    return Done(wrote.sitting, f"the sentence is “{wrote.text}” now")
