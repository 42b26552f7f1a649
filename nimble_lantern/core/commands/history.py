"""Taking back and bringing back."""

from __future__ import annotations

import re
from dataclasses import replace
from itertools import takewhile

from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.composing.replacing import replace_range, without_stop
from nimble_lantern.core.document import history, units
from nimble_lantern.core.document.history import Version, Walk
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.taking_back import brought_back
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, rule
from nimble_lantern.core.lexicon.closed import SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.sentences import AFTER_MEAN, NEVER_LAST, VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.alike import kind_of, mends, of_one_kind
from nimble_lantern.core.targets.words import normal, places


def walked(sitting: Sitting, walk: Walk) -> Sitting:
    """The sitting where a walk through the versions ended."""
    return replace(
        sitting,
        document=walk.document,
        history=walk.history,
        caret=walk.caret,
        wrote=walk.caret,
        selection=None,
        fresh=False,
        insertion=None,
        that=(),
        choices=(),
    )


def _numbers(versions: tuple[Version, ...]) -> str:
    numbers = sorted({v.utterance for v in versions})
    if len(numbers) == 1:
        return f"utterance {numbers[0]}"
    return f"utterances {numbers[0]} to {numbers[-1]}"


CATALOGUE.table("times", {"once": 1, "twice": 2, "thrice": 3})
CATALOGUE.table("both", {"both": 2})


@rule("times", "{number} (times | time)")
def _times(number: int) -> int:
    return number


@command(
    "undo [(that | it | this | what i did)]",
    "undo [(that | it)] {number:times}",
    "undo {number}",
    "undo [the] [my] last {number} [(things | steps | changes | utterances)] [i (did | made |"
    " said)]",
    "undo [the | my] last [(thing | change | step | command | one)] [i (did | made | said)]",
    "undo that last (thing | change | step | command | one)",
    "undo {number:both} [of (those | them)]",
    "take (that | it | this) back",
    "put (that | it | this) back (as | how | the way) it was [before]",
    "(revert | reverse | take back) [(that | it | this)] [(the | my)] [last (change | step |"
    " thing)]",
    "go back (one | a) (step | change | time)",
    "undo {number} (things | steps | changes | utterances)",
    "(i did not | i didn't) mean (that | to do that)",
    "(that was | that's) (wrong | a mistake | not what i (meant | wanted))",
    "(cancel | undo | take back | reverse) (that | the | my) last (change | thing | edit | step)",
    "undo what i [have] [just] (did | done)",
    "[no] (do not | don't) (delete | remove) (that | it | this | them)",
    "(bring | put | get) back what i [have] [just] (deleted | removed | cut | lost)",
    example="undo that",
    group="repair",
    walks=True,
    destructive=True,
)
def undo(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Take back the last change, or the last few."""
    walk = history.undo(sitting.history, sitting.document, sitting.caret, number)
    if not walk.undone:
        return Refusal("There is nothing to undo.")
    short = (
        f" (there were only {many(len(walk.undone), 'change')})"
        if (len(walk.undone) < number)
        else ""
    )
    return Done(walked(sitting, walk), f"undid {_numbers(walk.undone)}{short}")


def _just_harmed(sitting: Sitting, parse: Parse) -> bool:
    """Whether text was just taken away: then "oops" says what it does anywhere else."""
    last = sitting.trail[-1] if sitting.trail else None
    if last is None or not last.made or last.command is None or sitting.question is not None:
        return False
    return CATALOGUE.commands[last.command].traits.destructive


@command(
    "redo [(that | it | this)]",
    "redo [(that | it)] {number:times}",
    "redo {number}",
    "undo the undo",
    "redo [the | my] last [(change | thing | step | one)]",
    "redo [the | my] last {number} [(things | steps | changes | utterances)]",
    "redo {number} (things | steps | changes | utterances)",
    "(put | bring) back what i (undid | took back | have undone)",
    "(put | bring) [back] (my | the) (change | changes) [back]",
    "i did want (that | it)",
    "redo {number:both} [of (those | them)]",
    "(redo | bring back | restore) what i [just] (undid | took back)",
    example="redo that",
    group="repair",
    walks=True,
)
def redo(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Bring back what was undone."""
    walk = history.redo(sitting.history, sitting.document, sitting.caret, number)
    if walk.redone:
        return Done(walked(sitting, walk), f"brought back {_numbers(walk.redone)}")
    if sitting.history.left:
        return _beside_what_came_since(sitting, number)
    return Refusal("There is nothing to bring back.")


@command(
    "(bring | get | put) (it | that | this | them | everything) back [again]",
    "(restore | undelete) (it | that | this | them)",
    "bring back",
    Way("(oops | oh no | no | wrong | not that | back | as it was | oh)", when=_just_harmed),
    example="bring it back",
    group="repair",
    walks=True,
)
def restore(sitting: Sitting) -> Done | Refusal:
    """Bring back what was undone; if nothing was, take back what was just done."""
    return redo(sitting) if sitting.history.ahead else undo(sitting)


def _beside_what_came_since(sitting: Sitting, number: int) -> Done | Refusal:
    """What was undone before something new was written, done again to the text of today."""
    left = sitting.history.left
    wanted = left[-number:][::-1]
    edit = brought_back(sitting.document, sitting.history, wanted)
    if edit is None:
        came = takewhile(lambda v: v is not left[-1].parent, sitting.history.path())
        return Refusal(
            "What was undone stood where something else was written since.",
            "",
            f"“Undo {len(list(came))}”, then “redo”, brings it back instead.",
        )
    after = sitting.edited(edit)
    after = replace(after, history=replace(after.history, left=left[: -len(wanted)]))
    return Done(after, f"brought back {_numbers(wanted)} beside what came since")


@command(
    "(undo | go back | take me back) [back] to [(utterance | number)] {number}",
    "back to [as it was after] utterance {number}",
    "as it was after [utterance] {number}",
    example="undo to twelve",
    group="repair",
    walks=True,
    destructive=True,
)
def undo_to(sitting: Sitting, number: int) -> Done | Refusal:
    """Bring the text back to how it was right after a numbered utterance."""
    if not 0 <= number < sitting.number:
        return Refusal(
            f"There is no utterance {number} yet.", "", "The trail shows the numbers there are."
        )
    goal = _version_after(sitting, number)
    walk = history.go_to(sitting.history, sitting.document, sitting.caret, goal)
    if not walk.undone and not walk.redone:
        return Done(sitting, f"the text is as it was after utterance {number}")
    return Done(walked(sitting, walk), f"back to utterance {number}")


def _version_after(sitting: Sitting, number: int) -> Version | None:
    """What the text was right after an utterance, undone later or not."""
    for entry in reversed(sitting.trail):
        if entry.number <= number and entry.page == sitting.page:
            return entry.version
    return None


@command(
    "(undo | take back) everything",
    "undo all [of it]",
    example="undo everything",
    group="repair",
    walks=True,
    destructive=True,
)
def undo_everything(sitting: Sitting) -> Done | Refusal:
    """Take back every change there has been.  “Redo” and a number brings them back."""
    return undo(sitting, sitting.history.count + 1)


@command("redo everything", "redo all [of it]", example="redo everything", group="repair",
         walks=True)  # fmt: skip
def redo_everything(sitting: Sitting) -> Done | Refusal:
    """Bring back everything that was undone."""
    return redo(sitting, sitting.history.count + 1)


@command(
    "(take back | take out | delete | remove | erase | forget | cancel | scrap | scratch |"
    " strike) (what i [have] [just] said | my last words | the last utterance | last utterance"
    " | what was said last)",
    "forget (that | i said that | about that) [last] [bit | part]",
    "(scrap | scratch | strike) (that | it | this)",
    "forget [the | that] last (bit | part | thing | sentence)",
    "i (did not | didn't) say that",
    example="forget that",
    group="repair",
    walks=True,
    destructive=True,
)
def forget(sitting: Sitting) -> Done | Refusal:
    """Take back the last utterance that changed the text."""
    return undo(sitting)


def _takes_up(sitting: Sitting, parse: Parse) -> bool:
    """Whether "i meant ..." takes up something of what was just written.

    After "the boat is late", "i meant the ferry is late" does, and so does any word or two; "i mean
    to write to the board" is a sentence.
    """
    said = tuple(parse.args.get("text", ()))
    if not sitting.that or not _few(said):
        return False
    if "not" in said:
        return False
    again = _again(sitting, sitting.that[0], said)
    return again or len(said) <= 2 or bool(mends(sitting.document, sitting.that[0], said))


def _selected(sitting: Sitting, parse: Parse) -> bool:
    """Whether words are selected, of which "it" is said; a look's name is no word for it."""
    text = tuple(parse.args.get("text", ()))
    plain = bool(text) and not set(text) & (TRADE_NOUNS | TRADE_VERBS)
    return plain and sitting.selection is not None and sitting.fresh


def _as_many(sitting: Sitting, parse: Parse) -> bool:
    """ "Make that last song", where two words are selected; not "make it stand out a bit"."""
    if not _selected(sitting, parse) or sitting.selection is None:
        return False
    return sitting.document.count_words(sitting.selection) == len(parse.args["text"])


def _plainly_mends(sitting: Sitting, parse: Parse) -> bool:
    """ "Sorry monday", where one day was just written: the same kind, and nothing else it mends."""
    said = tuple(parse.args.get("text", ()))
    last = sitting.trail[-1:]
    if not sitting.that or not said or not kind_of(said) or not last or not last[0].made:
        return False
    return len(mends(sitting.document, sitting.that[0], said)) == 1


def _was_said(sitting: Sitting, parse: Parse) -> bool:
    """Whether what it is "not" stands there, so that "not" is no word of what is meant."""
    old, new = tuple(parse.args.get("old", ())), tuple(parse.args.get("text", ()))
    return bool(old) and any(places(sitting.document, words) for words in (old, new) if words)


def _names(sitting: Sitting, r: Range) -> bool:
    """Whether a place is a name: "not tarrow marrow" is about one."""
    text = sitting.document.text(r).split()
    return bool(text) and all(word[:1].isupper() for word in text)


def _was_said_at_all(sitting: Sitting, parse: Parse) -> bool:
    return _was_said(sitting, parse) or _was_said_alike(sitting, parse)


def _was_said_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Seven not six": the same kind of thing, or as many words of which one is the same."""
    old, new = tuple(parse.args.get("old", ())), tuple(parse.args.get("text", ()))
    if not new or not old:
        return False
    if of_one_kind(old, new):
        near = any(mends(sitting.document, that, new) for that in sitting.that)
        return near or bool(places(sitting.document, old))
    if len(old) == len(new) and any(_names(sitting, r) for r in places(sitting.document, old)):
        return True
    if set(new) & (VERBS | SUBJECT_PRONOUNS) or len(old) != len(new) or len(old) > 3:
        # "We can not pay" is a sentence.
        return False
    return any(places(sitting.document, old, that) for that in sitting.that)


def _takes_up_sentence(sitting: Sitting, parse: Parse) -> bool:
    """The same of "or rather ...", which takes up the sentence before the writing place."""
    last = next(units.backward(sitting.document, "sentence", sitting.caret), None)
    return last is not None and _again(sitting, last, tuple(parse.args.get("text", ())))


def _few(said: tuple[str, ...]) -> bool:
    return bool(said) and said[0] not in AFTER_MEAN


def _again(sitting: Sitting, before: Range, said: tuple[str, ...]) -> bool:
    """Whether at least half of the telling words, but one, were said before."""
    if not _few(said):
        return False
    text = sitting.document.text(before).lower()
    words = set(normal(re.findall(r"[^\W_]+(?:['’][^\W_]+)*", text)))
    telling = {w for w in normal(said) if w not in NEVER_LAST}
    return len(telling & words) * 2 >= max(1, len(telling) - 1)


@command(
    Way(
        "[(no | sorry | oh no)] (i meant | i mean | i meant to say | make that) {text}",
        when=_takes_up,
    ),
    "(say | put) (that | it) again as {text}",
    Way(
        "[(no | sorry)] (i meant | i said | i mean) {text:words} [and] not {old:words}",
        when=_was_said_at_all,
    ),
    Way("[(no | sorry)] (i said | i meant) {text}", when=_takes_up),
    Way("(that | it) should (be | read | say | have been) {text}", when=_takes_up),
    Way("(no | sorry | no sorry | i'm sorry | oh no) {text}", when=_plainly_mends),
    Way("[no] [sorry] {text:words} not {old:words}", when=_was_said_alike),
    Way("[no] [sorry] not {old:words} [but] {text}", when=_was_said_alike),
    Way("{text:words} i (mean | meant)", when=_plainly_mends),
    Way("correction {text}", when=_takes_up),
    Way("(this | that | it) should (be | read | say) {text}", when=_selected),
    Way("(write | put | say) {text:words} instead", when=_selected),
    Way("make (it | that | this) (say | read) {text}", when=_selected),
    Way("make (it | that | this) {text}", when=_as_many),
    Way("(wait | oops | oh | actually | no wait) {text}", when=_plainly_mends),
    Way(
        "(it was | that was meant to be | make it | it should have been) {text}",
        when=_plainly_mends,
    ),
    Way("{text:words} sorry", when=_plainly_mends),
    Way(
        "(it was | it's | it is | that should be | that is | that's) {text:words} [and] not"
        " {old:words}",
        when=_was_said_alike,
    ),
    Way("not {old:words} (it was | it's | it is) {text}", when=_was_said_alike),
    example="i meant the boat is late",
    group="repair",
    destructive=True,
)
def meant(sitting: Sitting, text: tuple[str, ...], old: tuple[str, ...] = ()) -> Done | Refusal:
    """Put right what you just said: the word that is like the new one, or all of it said again."""
    if sitting.selection is not None and sitting.fresh and not sitting.selection.empty:
        return _mended(sitting, sitting.selection, text)
    if old:
        return _instead(sitting, old, text)
    if len(sitting.that) != 1 or sitting.that[0].empty:
        return Refusal("Nothing was just written.", "", "Select the words first, then say others.")
    last = sitting.that[0]
    found = mends(sitting.document, last, text)
    if len(found) == 1 and not (len(text) > 3 and _again(sitting, last, text)):
        return _mended(sitting, found[0].range, found[0].words)
    if (
        _again(sitting, last, text)
        and len(text) > 2
        or len(sitting.document.text(last).split()) <= 2
    ):
        return _mended(sitting, without_stop(sitting.document, last, text), text)
    what = f"“{' '.join(text)}” could put right more than one thing."
    if not found:
        what = f"Nothing that was just said is like “{' '.join(text)}”."
    return Refusal(what, "", "Say which: “change ... to ...”.")


def _mended(sitting: Sitting, r: Range, text: tuple[str, ...]) -> Done:
    wrote = replace_range(sitting, r, text)
    return Done(wrote.sitting, f"“{sitting.document.text(r)}” is “{wrote.text}” now")


def _instead(sitting: Sitting, old: tuple[str, ...], text: tuple[str, ...]) -> Done | Refusal:
    """The last place of the old words, those just written first."""
    near = [r for that in sitting.that for r in places(sitting.document, old, that)]
    every = near or places(sitting.document, old)
    if not every and len(sitting.that) == 1:
        found = mends(sitting.document, sitting.that[0], text)
        if len(found) == 1 and of_one_kind(old, text):
            return _mended(sitting, found[0].range, found[0].words)
    if not every:
        return Refusal(f"“{' '.join(old)}” stands nowhere here now.")
    before = [r for r in every if r.end <= sitting.caret]
    return _mended(sitting, (before or every)[-1], text)


@command(
    "(make | let) the last sentence (read | say | be) {text}",
    "(the last sentence | last sentence) should (read | be | say) {text}",
    "(say | put) the last sentence again as {text}",
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
