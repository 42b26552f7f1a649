"""Replacing words by other words."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.wording import many, near, quoted
from nimble_lantern.core.composing.replacing import STOPS, replace_many, replace_range, without_stop
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Question, Sitting
from nimble_lantern.core.targets.alike import mends, of_one_kind
from nimble_lantern.core.targets.model import Places, Unit, Words
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.spelling import letter

_FEW = 20


def _said(parse: Parse) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The words that are named, none if it is not by words; and those meant for their place."""
    target = parse.args.get("target")
    old = target.words if isinstance(target, Words) else ()
    return tuple(w for w in old if w not in DETERMINERS), tuple(parse.args.get("text", ()))


def _of_a_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "Make thursday friday" is a request; "turn the key twice" and "tea instead of cake" are not
    known to be one."""
    return of_one_kind(*_said(parse))


def _no_sentence(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the rent to suit the young ones full stop" is one, as its stop shows.

    Not where a whole sentence is named, whose new words may bring their own.
    """
    text = tuple(parse.args.get("text", ()))
    if (
        set(text) <= PARTS | DETERMINERS | {"one", "two", "single", "plain", "normal"}
        and len(text) > 1
        or (len(text) == 1 and text[0] in PARTS)
    ):
        # "Turn the list into paragraphs" names what a page is made of, not new words.
        return False
    stopped = len(text) > 2 and any(text[-len(stop) :] == stop for stop in STOPS)
    return not stopped or not isinstance(parse.args.get("target"), Words)


def _by_letters(sitting: Sitting, parse: Parse) -> bool:
    text = tuple(parse.args.get("text", ()))
    return len(text) > 1 and all(letter(w) for w in text)


def _much_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Make second song last song": of one kind, or as many words of which some are the same."""
    old, new = _said(parse)
    return of_one_kind(old, new) or 1 < len(old) == len(new) and bool(set(old) & set(new))


def _words_there(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words named stand in the text, so that what is said of them is a request."""
    old, new = _said(parse)
    there = bool(old and new) and bool(places(sitting.document, old))
    return there and _no_sentence(sitting, parse)


def _same_size(sitting: Sitting, parse: Parse) -> bool:
    """ "Blue lamp should be brass lantern"; "the door should be closed at night" is a sentence."""
    old, new = _said(parse)
    target = parse.args.get("target")
    bare = isinstance(target, Words) and target.words[:1] != ("the",)
    if not new or new[0] in PREPOSITIONS:
        return False
    return of_one_kind(old, new) or bare and len(old) == len(new) == 2


def _plain_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the new words are words, and not "the third paragraph"."""
    return not set(parse.args.get("text", ())) & TRADE_NOUNS


def _of_much(sitting: Sitting, target: Places, text: tuple[str, ...]) -> bool:
    """Whether a word or two would take the place of a whole sentence or paragraph."""
    if target.unit not in (Unit.SENTENCE, Unit.PARAGRAPH, Unit.SECTION, Unit.DOCUMENT):
        return False
    words = sum(sitting.document.count_words(r) for r in target.ranges)
    clause = set(text) & (VERBS | SUBJECT_PRONOUNS)  # "make the last sentence say we waited"
    return len(text) <= 2 and words > 3 and not clause


@command(
    Way("replace {target} (with | by) {text}", when=_no_sentence),
    Way("<change> {target} (to | into | with | by) {text}", when=_no_sentence),
    Way("(swap | exchange | switch | trade) {target} for {text}", when=_no_sentence),
    "(put | write | say) {text:words} for {target}",
    "instead of {target} (write | put | say) {text}",
    "substitute {text:words} for {target}",
    "turn {target} into {text}",
    "(make | let | have) {target} (read | say) {text}",
    "make {target} into {text}",
    "make it {text:words} instead of {target}",
    "<change> {target} (with | by | to | into) the (word | words) {text}",
    "<change> the spelling of {target} to {text}",
    Way("put {text:words} where {target} is", when=_plain_words),
    Way("(make | turn) {target} [a | an] {text}", when=_much_alike),
    Way("<change> {target} in {text}", when=_of_a_kind),
    Way("{target} to {text}", when=_of_a_kind),
    Way("{text:words} (instead of | in place of | rather than) {target}", when=_of_a_kind),
    Way(
        "it (should | ought to) (say | be | read) {text:words} [and] not {target}",
        when=_words_there,
    ),
    Way(
        "it (is not | isn't | should not be | shouldn't be) {target} it (is | it's | should"
        " be) {text}",
        when=_words_there,
    ),
    Way("it's not {target} it's {text}", when=_words_there),
    Way("{target} is wrong it (should be | is) {text}", when=_words_there),
    Way("{target} <shall> (read | say | be changed to | become) {text}", when=_words_there),
    Way("{target} <shall> be {text}", when=_same_size),
    Way("{target} be changed to {text}", when=_words_there),
    "(put | write | say | use | have) {text:words} (instead of | in place of | rather than)"
    " {target}",
    "<wish> {target} (changed | corrected | altered) to {text}",
    "(rewrite | reword | rephrase) {target} (as | to) {text}",
    Way(
        "where it (says | has | reads) {target} (put | write | say | make it) {text}",
        when=_words_there,
    ),
    Way("<remove> {target} and (put | write | say | use) {text}", when=_no_sentence),
    Way("<remove> {target} and (put | write | say | use) {text:words} instead", when=_no_sentence),
    Way("<change> {target} {text}", when=_of_a_kind),
    Way("{text:words} for {target}", when=_of_a_kind),
    Way("spell {target} [as] {text}", when=_by_letters),
    Way("{target} (is | should be | must be) (spelt | spelled) {text}", when=_by_letters),
    example="replace the ferry with the boat",
    group="revising",
    destructive=True,
)
def replace_with(
    sitting: Sitting, target: Places, text: tuple[str, ...], sure: bool | None = None
) -> Done | Refusal:
    """Put other words in the place of a target.  The writing place stays where it is."""
    if sure is False:
        return Done(replace(sitting, question=None), "left as it is")
    if sure is None and target.ranges == sitting.that and sitting.selection is None:
        # "Change that to monday", of a sentence just said, mends the day in it.
        found = mends(sitting.document, target.first, text) if len(target.ranges) == 1 else []
        if len(found) == 1 and sitting.document.count_words(target.first) > len(text) + 2:
            wrote = replace_range(sitting, found[0].range, found[0].words)
            was = sitting.document.text(found[0].range)
            return Done(wrote.sitting, f"{quoted(was)} is {quoted(wrote.text)} now")
    if sure is None and _of_much(sitting, target, text):
        much = f"all of it by “{' '.join(text)}”"
        question = Question.whether(
            "replacing.replace_with",
            "yes: replace it",
            "no: leave it",
            target=target,
            text=text,
        )
        asked = replace(sitting, question=question)
        return Done(asked, f"replace {much}: “yes” or “no”?")
    old = sitting.document.text(target.first)
    ranges = target.ranges
    if target.unit is Unit.SENTENCE:
        ranges = tuple(without_stop(sitting.document, r, text) for r in ranges)
    after, written = _replaced(sitting, ranges, text)
    count = f" in {many(len(target.ranges), 'place')}" if len(target.ranges) > 1 else ""
    return Done(after, f"{quoted(old)} is now {quoted(written)}{count}{near(target)}")


@command(
    "<change> {target} (with | by | to | into | for) {text:words} <everywhere>",
    "<everywhere> <change> {target} (with | to | by | into) {text}",
    "<change> (every | all | each | any) {target} (with | to | by | into) {text}",
    "<change> (every | all | each | any) [of] [the] <occurrence> {target} (with | to | by |"
    " into) {text}",
    "(wherever | everywhere) [it] [(says | has | reads)] {target} (put | write | say | make it"
    " | use) {text}",
    Way("{target} to {text:words} <everywhere>", when=_words_there),
    example="replace the ferry with the boat everywhere",
    group="revising",
    destructive=True,
    every_place=True,
)
def replace_everywhere(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done | Refusal:
    """Put other words in every place where a target stands."""
    return replace_with(sitting, replace(target, ask=False), text)


def _replaced(
    sitting: Sitting, ranges: tuple[Range, ...], words: tuple[str, ...]
) -> tuple[Sitting, str]:
    """Replace from the last range to the first, so that those before keep their places."""
    if len(ranges) > _FEW:
        return replace_many(sitting, ranges, words)
    after, written = sitting, ""
    done: list[Range] = []
    for r in reversed(ranges):
        step = replace_range(after, r, words)
        edit = Edit(step.sitting.pending.steps[len(after.pending.steps) :])
        done = [m for d in done if (m := edit.moved_range(d))]
        done.append(step.range)
        after, written = step.sitting, step.text
    return after.about(sorted(done)), written
