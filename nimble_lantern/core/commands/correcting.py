"""Putting right what was misheard: other readings of words, by number or by saying them again."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.replacing import what_instead
from nimble_lantern.core.commands.selecting import select
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.doubts import doubts, kept
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.mending.alternatives import also_heard, alternatives
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.state import Done, Question, Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import Places, That, Words, as_things, of_the_page
from nimble_lantern.core.targets.words import named_as_written, places

_FEW_WORDS = 3
"""That name a place to be corrected, whoever wrote it: more may be a sentence."""


def _of_the_page(sitting: Sitting, parse: Parse) -> bool:
    """ "Correct the last word" is asked of the desk; "correct the log" may be asked of the crew.

    A few words that stand on the page may have been misheard, many if they were dictated.
    """
    target = parse.args.get("target")
    if target is None:
        return bool(sitting.that)
    if isinstance(target, Words) and not target.called and target.order is None:
        found = places(sitting.document, target.words)
        few = bool(found) and len(target.words) <= _FEW_WORDS
        return few or any(utterance_at(sitting.document, r.start) is not None for r in found)
    ordered = isinstance(target, Words) and target.order is not None
    return ordered or isinstance(target, That) or of_the_page(target)


def _doubtful(sitting: Sitting, parse: Parse) -> bool:
    """ "The fairy is wrong", where something else was heard there, too; "it was wrong" is text."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or target.called:
        return of_the_page(target)
    found = places(sitting.document, target.words)
    return any(also_heard(sitting, r) for r in found)


def _a_bare_word(sitting: Sitting, parse: Parse) -> bool:
    """ "Fix glasses", and not "fix the stair": a word of the page, named as no thing is."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or len(target.words) > _FEW or as_things(target):
        return False
    if target.words[0] in LITTLE or kind_of(target.words) == "number":
        return False
    return named_as_written(sitting.document, target)


_FEW = 2


def _just_dictated(sitting: Sitting, parse: Parse) -> bool:
    """ "That is not what i said", right after something was written."""
    last = sitting.trail[-1:]
    return bool(last) and last[0].made and last[0].read_as is not ReadAs.COMMAND


def _without_the(sitting: Sitting, r: Range) -> Range:
    """ "Correct the fairy" is said of the fairy, unless its article was heard as something else."""
    text = sitting.document.text(r)
    if any(words[0] != "the" for words in also_heard(sitting, r)):
        return r
    if text[:4].lower() == "the " and text[4:].strip():
        return Range(r.start._replace(offset=r.start.offset + 4), r.end)
    return r


@command(
    Way("correct {target}", when=_of_the_page),
    Way("what else did you hear [(at | for) {target}]", when=_of_the_page),
    Way("(fix | mend | put right) {target}", when=_doubtful),
    Way("(put | set) {target} right", when=_doubtful),
    Way(
        "(that is not | that's not | that isn't | this is not) what i said (in | for | at)"
        " {target}",
        when=_of_the_page,
    ),
    Way("{target} (is | was) (wrong | misheard | not right | not what i said)", when=_doubtful),
    *each(
        _a_bare_word,
        "{target} (is wrong | is not right | isn't right | (is | was) misheard | was heard wrong"
        " | (is | was) not what i said)",
        "(fix | correct) {target}",
        "you (misheard {target} | got {target} wrong)",
        "what else (could | might | may) {target} be",
    ),
    "(show | give) [me] (alternatives | other words) for {target}",
    Way("what else could {target} be", when=_of_the_page),
    Way(
        "(that is not | that's not | that isn't | that was not | that wasn't | this is not"
        " | this isn't) what i said",
        when=_just_dictated,
    ),
    Way(
        "[no] [(that's | that is | it's | it is | that was)] [(a | the)] wrong word",
        when=_just_dictated,
    ),
    Way("you (misheard (that | it | me) | got (that | it | me) wrong)", when=_just_dictated),
    Way("you misheard {target}", when=_doubtful),
    example="correct the last word",
    group="repair",
    corrects=True,
)
def correct(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Select a target and show what else it may be; say a number, or say the words again."""
    if target is None:
        if not sitting.that or sitting.that[0].empty:
            return Refusal("Nothing was just written.", "", "Name the words: “correct ...”.")
        target = Places(sitting.that)
    if len(target.ranges) == 1:
        target = replace(target, ranges=(_without_the(sitting, target.first),))
    selected = select(sitting, target)
    if len(target.ranges) != 1:
        return selected
    found = alternatives(sitting, target.first)
    stands = quoted(sitting.document.text(target.first))
    if not found:
        return replace(selected, summary=f"selected {stands}: say what it should be")
    after = replace(selected.sitting, question=what_instead(target, found))
    return replace(selected, sitting=after, summary=f"{stands}: say a number, or what it should be")


def _correcting(sitting: Sitting, parse: Parse) -> bool:
    return sitting.question is not None and sitting.question.corrects


@command(
    "[show [me]] (more | others | other ones) [of them | words] [please]",
    "what else [is there | could it be]",
    "(something | anything) else",
    example="show me more",
    group="repair",
    when=_correcting,
    keeps_question=True,
)
def more(sitting: Sitting) -> Done | Refusal:
    """Show further words that the ones being corrected may be."""
    asked = sitting.question
    assert isinstance(asked, Question)
    target, shown = asked.args["target"], asked.earlier + len(asked.options)
    found = alternatives(sitting, target.first, skip=shown)
    if not found:
        return Refusal("There are no others.", "", "Say what it should be, or “spell it”.")
    after = replace(sitting, question=what_instead(target, found, shown))
    return Done(after, f"{many(len(found), 'more word')}: say a number, or what it should be")


CATALOGUE.table("doubtorder", {"next": 1, "first": 0, "(previous | last)": -1})


def _there_are_doubts(sitting: Sitting, parse: Parse) -> bool:
    return bool(doubts(sitting.document))


@command(
    "[(go to | show [me])] [the] {order:doubtorder} (doubt | doubted word)",
    Way("(go through | show [me] | check) [all] the doubts", when=_there_are_doubts),
    Way("what are you (unsure | not sure) (of | about)", when=_there_are_doubts),
    example="next doubt",
    group="repair",
)
def next_doubt(sitting: Sitting, order: int = 1) -> Done | Refusal:
    """Select the next word that was not heard well, and show what else it may be."""
    found = [r for _, r in doubts(sitting.document)]
    if not found:
        return Refusal("No word is doubted here.")
    at = sitting.selection.start if sitting.selection else None
    if order > 0 and at is not None:
        r = next((r for r in found if r.start > at), found[0])
    elif order < 0 and at is not None:
        r = next((r for r in reversed(found) if r.start < at), found[-1])
    else:
        r = found[-1] if order < 0 else found[0]
    answer = correct(sitting, Places((r,)))
    if isinstance(answer, Refusal):
        return answer
    count = f"doubt {found.index(r) + 1} of {len(found)}"
    return replace(answer, summary=f"{count}: {answer.summary}, or “keep it”")


def _at_a_doubt(sitting: Sitting, parse: Parse) -> bool:
    return bool(_doubts_selected(sitting))


def _doubts_selected(sitting: Sitting) -> Edit:
    return kept(sitting.document, [sitting.selection] if sitting.selection else [])


@command(
    "(keep | leave) (it | that) [as it is]",
    "(it | that) is right",
    "that's right",
    example="keep it as it is",
    group="repair",
    when=_at_a_doubt,
)
def keep(sitting: Sitting) -> Done:
    """Believe the doubted word that is selected."""
    stands = quoted(sitting.document.text(sitting.selection)) if sitting.selection else ""
    after = sitting.edited(_doubts_selected(sitting))
    free = replace(after, selection=None, fresh=False, question=None)
    return Done(free, f"{stands} is kept")


@command(
    "(keep | leave) (all | everything) [as it is]",
    "keep (all [of] | every one of) (them | the doubts | the doubted words)",
    "no [more] doubts",
    example="keep all",
    group="repair",
    when=_there_are_doubts,
)
def keep_all(sitting: Sitting) -> Done:
    """Believe all words that were not heard well."""
    count = len(doubts(sitting.document))
    after = sitting.edited(kept(sitting.document))
    free = replace(after, selection=None, fresh=False, question=None)
    return Done(free, f"{many(count, 'doubted word')} kept")
