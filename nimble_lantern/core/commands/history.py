"""Taking back and bringing back."""

from __future__ import annotations

from dataclasses import fields, replace
from itertools import takewhile
from typing import Any

from nimble_lantern.core.commands.when import after_a_command
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.document import history
from nimble_lantern.core.document.history import Version, Walk
from nimble_lantern.core.document.model import Document, Kind, Position
from nimble_lantern.core.document.taking_back import brought_back
from nimble_lantern.core.effects import Effect, NameDocument, SaveSetting
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import (
    CATALOGUE,
    Command,
    Parse,
    Way,
    command,
    each,
    rule,
)
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.mending import lessons
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.settings import setting_text
from nimble_lantern.core.state import EXPORTED, Done, Sitting
from nimble_lantern.core.targets.model import Unit
from nimble_lantern.core.targets.words import exact


def walked(sitting: Sitting, walk: Walk) -> Sitting:
    """The sitting where a walk through the versions ended."""
    return replace(
        sitting,
        document=walk.document,
        history=walk.history,
        caret=walk.caret,
        wrote=walk.caret,
        headed=walk.caret if _behind_a_heading(walk.document, walk.caret) else None,
        selection=None,
        fresh=False,
        insertion=None,
        that=(),
        choices=(),
        tray=None,
        lessons=lessons.walked(
            sitting.lessons,
            {v.utterance for v in walk.undone},
            {v.utterance for v in walk.redone},
        ),
    )


def _behind_a_heading(document: Document, caret: Position) -> bool:
    """Whether a place is behind a heading that was dictated."""
    block = document.blocks[caret.block]
    if block.kind is not Kind.HEADING or not caret.offset or block.text[caret.offset :].strip():
        return False
    return utterance_at(document, caret._replace(offset=caret.offset - 1)) is not None


def _numbers(versions: tuple[Version, ...]) -> str:
    numbers = sorted({v.utterance for v in versions})
    if len(numbers) == 1:
        return f"utterance {numbers[0]}"
    return f"utterances {numbers[0]} to {numbers[-1]}"


def _own_words_before(sitting: Sitting, walked_last: bool) -> Done | None:
    """All that is not text as it was, where the last utterance changed that and no text.

    After a walk, that is what the walk had taken back.
    """
    before, last = sitting.previous, sitting.trail[-1:]
    command = CATALOGUE.commands.get(last[0].command or "") if last else None
    if command is None or command.traits.walks is not walked_last or last[0].made:
        return None
    if before is not None and before.document is not sitting.document:
        return None
    keeps_apart = set(last[0].effects) <= {"open", "new"}
    if not walked_last and last[0].back and not keeps_apart and not _only_settings(last[0].back):
        name = next((e.name for e in last[0].back if isinstance(e, NameDocument)), sitting.title)
        return Done(replace(sitting, title=name), "that is as it was", last[0].back)
    if before is None:
        return None
    changed = [name for name in _OWN if _own(before, name) != _own(sitting, name)]
    if not changed:
        return None
    kept = {name: getattr(before, name) for name in changed}
    effects = tuple(
        SaveSetting(f.name, setting_text(getattr(before.settings, f.name)))
        for f in fields(before.settings)
        if getattr(before.settings, f.name) != getattr(sitting.settings, f.name)
    )
    said = " and ".join(_OWN[name] for name in changed)
    return Done(replace(sitting, **kept), f"{said} are as they were", effects)


def _own(sitting: Sitting, name: str) -> Any:
    """What may be changed besides the text; that something went out is no change."""
    found = getattr(sitting, name)
    if name == "milestones":
        return tuple(m for m in found if m.name != EXPORTED)
    return found


def _only_settings(back: tuple[Effect, ...]) -> bool:
    return all(isinstance(effect, SaveSetting) for effect in back)


_OWN = {
    "word_book": "the word book",
    "lessons": "your corrections",
    "letters_known": "your letters",
    "passages": "the passages",
    "milestones": "the named versions",
    "settings": "the settings",
}
"""What an utterance may change besides the text, and how it is called."""


_NO = "[(no | oh | oh no | oh dear | actually | sorry | wait | no wait | hang on | hmm)]"
_AS_BEFORE = "(as it was | the way it was | how it was | as they were | the way they were)"
_BETTER = (
    f"{_NO} (it | that | this | they) (was | were | looked | read | sounded) (better | nicer | fine"
    f" | right | good | all right | clearer) (before | {_AS_BEFORE} | without (it | that))",
    f"{_NO} [i think] (it | that | this | they) (was | were) (better | nicer | fine | right)"
    " where (it was | they were)",
    f"{_NO} [(i | we)] (like | liked | prefer | preferred) (it | that) [(better | more)] (with |"
    " without) (it | that)",
    f"{_NO} (leave | keep) (it | that | this | them) (where it was | where they were)",
    f"{_NO} (leave | keep) (it | that | this | them) {_AS_BEFORE} [before]",
    f"{_NO} [(i | we)] (like | liked | prefer | preferred) (it | that) [better] (before |"
    f" {_AS_BEFORE} [before])",
    f"{_NO} (i'd | i would | we'd) (rather | sooner) (leave | keep | have) (it | that)"
    f" {_AS_BEFORE}",
    f"{_NO} i (should not | shouldn't) have (done | said | changed | touched) (that | it)",
    f"{_NO} i (did not | didn't) mean to (do | delete | remove | change | cut | lose | move | take"
    " out) (that | it | this)",
    f"{_NO} (that | it) was a bad idea",
    f"{_NO} (i changed | i've changed | i have changed) my mind [about (it | that)]",
)
"""Said of what a command just changed."""
_NEED = (
    "i [(still | do | did | really)]"
    " (need | want | needed | wanted | (meant | wanted | want | need) to keep)"
)
_KEPT = (
    f"{_NO} {_NEED} (that | it | them | this | those) [(in | there | back)]",
    f"{_NO} {_NEED} (that | this | the) {{gone:words}}",
    f"{_NO} (keep | leave) (it | that | them | this) [(in | there | alone | after all)]",
    f"{_NO} (keep | leave) (that | the) {{gone:words}} [(in | there | after all)]",
    f"{_NO} (don't | do not) (take | cut | get) (it | that | them) (out | away | off)",
    f"{_NO} (it | that | they) (should | must | can | has to | have to) stay [(in | there)]",
)
"""Said of what a command just took away."""


def _the_kind_that_went(sitting: Sitting, parse: Parse) -> bool:
    """ "No, I need the seat column" speaks of a part, and not of anything there may be."""
    gone = tuple(parse.args.get("gone", ()))
    return _just_harmed(sitting, parse) and (not gone or gone[-1] in PARTS)


CATALOGUE.table("times", {"once": 1, "twice": 2, "thrice": 3})
CATALOGUE.table("both", {"both": 2})
CATALOGUE.table("undo_undo", {"undo undo": 2, "undo undo undo": 3}, heard=False)


@rule("times", "{number} (times | time)")
def _times(number: int) -> int:
    return number


def _last_command(sitting: Sitting) -> Command | None:
    """The command that changed the text last, if no words were written since."""
    last = sitting.trail[-1] if sitting.trail else None
    if last is None or not last.made or last.read_as is not ReadAs.COMMAND:
        return None
    return CATALOGUE.commands.get(last.command or "")


def _was_a_command(sitting: Sitting, parse: Parse) -> bool:
    """ "That was a mistake" is said of a command that was just done; else it is a sentence."""
    return _last_command(sitting) is not None


def _stood_before(sitting: Sitting, parse: Parse) -> bool:
    """ "Go back to would like", where the last command put other words in their place."""
    before, text = sitting.previous, tuple(parse.args.get("text", ()))
    if before is None or _last_command(sitting) is None:
        return False
    return len(exact(before.document, text)) > len(exact(sitting.document, text))


def _joined_or_split(sitting: Sitting, parse: Parse) -> bool:
    """ "Split them again", after two paragraphs were joined."""
    made = _last_command(sitting)
    return made is not None and made.name.startswith(("joining.", "writing.new_"))


def _just_harmed(sitting: Sitting, parse: Parse) -> bool:
    """Whether text was just taken away: then "oops" says what it does anywhere else."""
    made = _last_command(sitting)
    return made is not None and made.traits.destructive and sitting.question is None


def _look_just_put(sitting: Sitting, parse: Parse) -> bool:
    """ "I don't like the red", of what was just made so."""
    made, text = _last_command(sitting), tuple(parse.args.get("text", ()))
    said = tuple(sitting.trail[-1].heard.split()) if sitting.trail else ()
    return made is not None and made.group == "format" and said[-len(text) :] == text


def _both_harmed(sitting: Sitting, parse: Parse) -> bool:
    """ "Put both back", where the last two utterances took text away."""
    last = sitting.trail[-2:]
    made = [CATALOGUE.commands.get(entry.command or "") for entry in last if entry.made]
    both = len(sitting.trail) > 1 and len(made) == len(last)
    return both and all(command is not None and command.traits.destructive for command in made)


def _just_written(sitting: Sitting, parse: Parse) -> bool:
    """ "No, not that", where words were just written."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and bool(last.made) and last.read_as is ReadAs.TEXT


def _to_be_brought(sitting: Sitting, parse: Parse) -> bool:
    """ "Put that sentence back" is said of one that was just taken away, or undone."""
    return _harmed_lately(sitting, parse) or _lies_ahead(sitting, parse)


_MOST_SINCE = 3


def _lately(sitting: Sitting) -> bool:
    """Whether text was taken away a moment ago, with nothing but moving and looking since."""
    for entry in reversed(sitting.trail[-_MOST_SINCE:]):
        command = CATALOGUE.commands.get(entry.command or "")
        if entry.read_as is not ReadAs.COMMAND or command is None:
            return False
        if entry.made:
            return command.traits.destructive and not command.traits.walks
    return False


def _harmed_lately(sitting: Sitting, parse: Parse) -> bool:
    return _lately(sitting) and sitting.question is None


def _lies_ahead(sitting: Sitting, parse: Parse) -> bool:
    return bool(sitting.history.ahead)


@command(
    "undo [(that | it | this | what i did)]",
    "undo [(that | it)] {number:times}",
    "undo {number}",
    "undo [the] [my] last {number} [(things | steps | changes | utterances)] [i (did | made |"
    " said)]",
    "undo [the | my] last [(thing | change | step | command | one)] [i (did | made | said)]",
    "undo (that | the | my) [very] last (thing | bit | change | step | command | one) [i (did |"
    " made | said)]",
    "undo (that | this) (thing | bit | change | step | command)",
    "undo {number:both} [of (those | them)]",
    "{number:undo_undo}",
    "undo (those | these | the) {number} [(things | changes | steps)]",
    "take (that | it | this) back",
    "go back on (that | it)",
    "put (that | it | this) back (as | how | the way | where) it was [before]",
    "(revert | reverse | take back) [(that | it | this)] [(the | my)] [last (change | step |"
    " thing)]",
    "go back (one | a) (step | change | time)",
    Way("go back one", when=_was_a_command),
    Way(
        "([go] back one (step | change) | (one | a) (step | change) back [please])",
        when=_was_a_command,
    ),
    Way(
        "(put | bring | get) ({number:both} [of them] back | back {number:both} [of them]"
        " | them {number:both} back)",
        when=_both_harmed,
    ),
    Way("[no] (as | how) it was [before]", when=_was_a_command),
    "undo {number} (things | steps | changes | utterances)",
    Way(
        "[no] (i did not | i didn't) (mean | want | intend | ask for) ((that | this) [one] | it |"
        " to do (that | this | it) | you to do (that | this | it)) [(put | take | bring | change"
        " | turn | get) (it | that | this) back | undo [(it | that | this)] | go back]",
        when=_was_a_command,
    ),
    Way(
        "(that was | that is | that's) (wrong | a mistake | not what i (meant | wanted | asked"
        " for)) [(go back | take it back | undo it | put it back | reverse it)]",
        when=_was_a_command,
    ),
    "(take | put | turn) (that | the | my) [last] (change | edit | correction) back",
    "(cancel | undo | take back | reverse | revert) (that | the | my) last (change | thing | edit"
    " | step | action | command | bit)",
    "(cancel | undo | reverse | revert) what you [have] [just] (did | done)",
    "(take | put) (the | that | my) (deletion | replacement | edit | formatting | insertion) back",
    "(undo | reverse | revert | take back) (the | that | my) (deletion | delete | replacement"
    " | edit | formatting | insertion)",
    Way(
        "(undo | reverse | revert | take back) (the | that | my) (move | cut | sort | split | join"
        " | correction | swap | bold | italic |"
        " italics | underline | underlining | highlight | colour | heading | list | bullets)",
        when=_was_a_command,
    ),
    Way("(roll | wind) back [one step]", when=_was_a_command),
    Way("take (it | that | them) (off | out | away) again", when=_was_a_command),
    "(scrap | scratch | forget | drop) (that | the | my) last (change | edit | step | command)",
    Way("(no | oh) undo undo [(that | it)]", when=_was_a_command),
    Way("[no] (do not | don't) do (that | it | this)", when=_just_harmed),
    Way(
        "(change | turn | switch | swap | move | shift) (it | that | them) back [again]",
        when=_was_a_command,
    ),
    Way(
        "(split | separate | part | join | break) (it | that | them) [(up | apart | together)]"
        " (again | back)",
        when=_joined_or_split,
    ),
    Way("(no | oh no | no no) (don't | do not)", when=_was_a_command),
    Way(
        "(no | oh no | no no) (it | that | they) (shouldn't | should not | doesn't | does not"
        " | needn't) [(be | have | need (it | to))]",
        when=_was_a_command,
    ),
    Way(
        "[no] [(that's | that is | it's | it is)] [(in | at)] [the] wrong (place | one | word"
        " | line | paragraph | sentence | way | way round | spot)",
        when=_was_a_command,
    ),
    "roll (it | that) back",
    "(roll | step | go) back {number} (steps | changes | times)",
    "back {number} (steps | changes)",
    "{number} (steps | changes) back",
    "(take | put | get) [the | my] last {number} (changes | steps | things | edits) back",
    "(take | put | get) [the | my | that] last (change | step | edit | bit | thing) back",
    "(go | take me | take it) back to [how it was] before i did (that | it | this)",
    "(go | take me | take it | return) [back] to how it was [before]",
    "<wish> back what (i | you | we) [have] [just] (deleted | removed | cut | lost | took out)",
    "undo what i [have] [just] (did | done | said | wrote | deleted | removed)",
    "take back [the | my] [last] {number} (things | steps | changes | edits)",
    "take [the last] {number:both} [of (those | them)] back",
    Way("take back the last {number}", when=after_a_command),
    Way("(no | oh | oh no) go back", when=_just_harmed),
    Way("[no] (do not | don't) (delete | remove) (that | it | this | them)", when=_just_harmed),
    Way(
        "[(actually | oh | wait)] no (keep | leave) (it | that | them | this) [in] [after all]",
        when=_just_harmed,
    ),
    "(bring | put | get | give me) back what (i | you | we) [have] [just] (deleted | removed | cut"
    " | lost | took (away | out) | taken (away | out) | threw (out | away))",
    "(give | let) me [have] (that | it) back",
    *each(_was_a_command, *_BETTER),
    Way(
        f"{_NO} [i] (do not | don't) [(really | much)] like (the | that | it in | it | them in)"
        " {text:words}",
        when=_look_just_put,
    ),
    Way(
        "[no] (go back to | put back | back to | leave it as | keep) {text:words}"
        " [(after all | again | as it was)]",
        when=_stood_before,
    ),
    Way("[(oh | no | oh no)] (it is | it's | it was) {text:words} after all", when=_stood_before),
    Way(
        "[no] (bring | put | get | give me) (back {text:words} | {text:words} back)"
        " [(in | again | please)]",
        when=_stood_before,
    ),
    example="undo that",
    group="repair",
    walks=True,
    destructive=True,
    heard=4,
)
def undo(sitting: Sitting, number: int = 1, text: tuple[str, ...] = ()) -> Done | Refusal:
    """Take back the last change, or the last few; or what was begun and changed nothing yet."""
    if number == 1 and sitting.begun:
        return Done(replace(sitting, begun=()), "what was begun is dropped; nothing was changed")
    if number == 1 and (kept := _own_words_before(sitting, walked_last=False)):
        return kept
    walk = history.undo(sitting.history, sitting.document, sitting.caret, number)
    if not walk.undone:
        return Refusal("There is nothing to undo.")
    short = (
        f" (there {'was' if len(walk.undone) == 1 else 'were'} only"
        f" {many(len(walk.undone), 'change')})"
        if (len(walk.undone) < number)
        else ""
    )
    return Done(walked(sitting, walk), f"undid {_numbers(walk.undone)}{short}")


@command(
    "redo [(that | it | this)]",
    "redo [(that | it)] {number:times}",
    "redo {number}",
    "undo the undo",
    "redo [the | my] last [(change | thing | step | one)]",
    "redo (the | my | that) (change | thing | step)",
    "redo [the | my] last {number} [(things | steps | changes | utterances)]",
    "redo {number} (things | steps | changes | utterances)",
    "(put | bring) back what i (undid | took back | have undone)",
    "(put | bring) [back] (my | the) (change | changes) [back]",
    Way(
        "[no] [but] i (did want | wanted | do want | needed | do need) (that | it) [(after all |"
        " back | though)]",
        when=_lies_ahead,
    ),
    Way(
        "[no] [yes] [(do | so)] (do | <remove> | change | make) (it | that) again [after all]",
        when=_lies_ahead,
    ),
    Way("[no] [yes] do (do | <remove> | change) (it | that)", when=_lies_ahead),
    "redo {number:both} [of (those | them)]",
    "(redo | bring back | restore) what i [just] (undid | took back)",
    Way("(bring | put | get) {number} [(changes | steps | of them)] back", when=_lies_ahead),
    Way("bring back [the] [last] {number} [(changes | steps | of them)]", when=_lies_ahead),
    Way(
        "[no] [oh] [go on] [actually] [then] (do | redo | <remove> | change) (it | that) (after all"
        " | then | anyway)",
        when=_lies_ahead,
    ),
    Way("actually [do] (do | <remove> | change) (it | that)", when=_lies_ahead),
    Way(
        "[no] [actually] [please] (leave | keep | let) (it | that | them) (deleted | removed | out"
        " | gone | off | changed | as you had it)",
        when=_lies_ahead,
    ),
    example="redo that",
    group="repair",
    walks=True,
)
def redo(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Bring back what was undone."""
    if number == 1 and (kept := _own_words_before(sitting, walked_last=True)):
        return kept
    walk = history.redo(sitting.history, sitting.document, sitting.caret, number)
    if walk.redone:
        return Done(walked(sitting, walk), f"brought back {_numbers(walk.redone)}")
    if sitting.history.left:
        return _beside_what_came_since(sitting, number)
    return Refusal("There is nothing to bring back.")


@command(
    "(bring | get | put) (it | that | this | them | everything) back [again]",
    "(restore | undelete) (it | that | this | them)",
    Way("<wish> (that | it | this | them) back", when=_just_harmed),
    Way("<wish> (that | the | this) {unit} back", when=_harmed_lately),
    Way("(bring | get | put | give me) back (that | the | this) {unit}", when=_to_be_brought),
    Way("(give | get) me (that | the | this) {unit} back", when=_to_be_brought),
    Way("(put | bring | get | give) (it | that | them) back [please | again]", when=_harmed_lately),
    "(restore | undelete | recover | bring back) what (i | we | you) [have] [just] (deleted"
    " | removed | cut | lost | took out)",
    Way("(put | bring | get) (that | the | this) {unit} back [again | in]", when=_to_be_brought),
    "bring back",
    Way("(oops | oh no | no | wrong | not that | back | as it was | oh)", when=_just_harmed),
    *each(_the_kind_that_went, *_KEPT),
    example="bring it back",
    group="repair",
    walks=True,
)
def restore(
    sitting: Sitting, unit: Unit | None = None, gone: tuple[str, ...] = ()
) -> Done | Refusal:
    """Bring back what was undone, or what a command just took away; never takes words out."""
    if sitting.history.ahead:
        return redo(sitting)
    if _last_command(sitting) is not None or _lately(sitting):
        return undo(sitting)
    if sitting.history.left:
        return redo(sitting)
    return Refusal("There is nothing to bring back.", "", "“Undo that” takes back what was said.")


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
    goal = version_after(sitting, number)
    walk = history.go_to(sitting.history, sitting.document, sitting.caret, goal)
    if not walk.undone and not walk.redone:
        return Done(sitting, f"the text is as it was after utterance {number}")
    return Done(walked(sitting, walk), f"back to utterance {number}")


def version_after(sitting: Sitting, number: int) -> Version | None:
    """What the text was right after an utterance, undone later or not."""
    for entry in reversed(sitting.trail):
        if entry.number <= number and entry.page == sitting.page:
            return entry.version
    return None


@command(
    "(undo | take back) everything",
    "undo all [of it]",
    "(back | return | go back) to how it was (at the (start | beginning) | originally | when i"
    " (began | started))",
    "put (it | this | everything) back [to] how it was (at (first | the start | the beginning))",
    "(undo | take back) (it all | the lot | all [(the | my)] changes | every change | all i did)",
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
    "forget [the | that] last (bit | part | thing)",
    Way("(oh | no | oh no) not that [please]", when=_just_written),
    *each(
        _just_written,
        "(delete | remove | take out | scrap | forget) (everything | all) [that] i [have] [just]"
        " said",
        "(let me | i'll) (say (that | it) [all] (again | once more | over)"
        " | start (that | it) [all] (again | over) | start (again | over))",
    ),
    Way("(remove | delete | take out) (that | it) again", when=_just_written),
    Way(
        "(clear | wipe | bin | scrap | scratch | drop) ([all] of that | all that | that lot)",
        when=_just_written,
    ),
    Way("((bin | wipe | clear) that | (start | try) that again)", when=_just_written),
    example="scratch that",
    group="repair",
    walks=True,
    destructive=True,
)
def forget(sitting: Sitting) -> Done | Refusal:
    """Take back the last utterance that changed the text."""
    return undo(sitting)
