"""Putting right what was misheard: other readings of words, by number or by saying them again."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.alternatives import alternatives, was_heard_otherwise
from nimble_lantern.core.commands.selecting import select
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places, That, Words, of_the_page
from nimble_lantern.core.targets.words import places


def _of_the_page(sitting: Sitting, parse: Parse) -> bool:
    """ "Correct the last word" is asked of the desk; "correct the log" may be asked of the crew.

    Words that were dictated may have been misheard: those are the desk's, too.
    """
    target = parse.args.get("target")
    if target is None:
        return bool(sitting.that)
    if isinstance(target, Words) and not target.called and target.order is None:
        found = places(sitting.document, target.words)
        return any(utterance_at(sitting.document, r.start) is not None for r in found)
    ordered = isinstance(target, Words) and target.order is not None
    return ordered or isinstance(target, That) or of_the_page(target)


def _doubtful(sitting: Sitting, parse: Parse) -> bool:
    """ "The fairy is wrong", where something else was heard there, too."""
    target = parse.args.get("target")
    if not isinstance(target, Words):
        return isinstance(target, That) or of_the_page(target)
    found = places(sitting.document, target.words)
    return any(was_heard_otherwise(sitting, r) for r in found)


@command(
    Way("correct {target}", when=_of_the_page),
    Way("what else did you hear [(at | for) {target}]", when=_of_the_page),
    Way("(fix | mend | put right) {target}", when=_doubtful),
    Way("{target} (is | was) (wrong | misheard | not right | not what i said)", when=_doubtful),
    "(show | give) [me] (alternatives | other words) for {target}",
    "what else could {target} be",
    "(that is | that's | this is) not what i said",
    "you (misheard | got) (that | it | me) [wrong]",
    "you misheard {target}",
    example="correct the last word",
    group="repair",
)
def correct(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Select a target and show what else it may be; say a number, or say the words again."""
    if target is None:
        if not sitting.that or sitting.that[0].empty:
            return Refusal("Nothing was just written.", "", "Name the words: “correct ...”.")
        target = Places(sitting.that)
    selected = select(sitting, target)
    if len(target.ranges) != 1:
        return selected
    found = alternatives(sitting, target.first)
    stands = quoted(sitting.document.text(target.first))
    if not found:
        return replace(selected, summary=f"selected {stands}: say what it should be")
    options = tuple(Option(" ".join(words), (("text", words),)) for words in found)
    question = Question(
        "replacing.replace_with", {"target": target, "sure": True}, options, beside=True
    )
    after = replace(selected.sitting, question=question)
    return replace(selected, sitting=after, summary=f"{stands}: say a number, or what it should be")
