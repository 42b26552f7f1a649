"""Margin notes: said about words of the text, and standing beside them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import frames, noted
from nimble_lantern.core.commands.note_here import (
    NoteNamed,
    by_number,
    by_number_or_words,
    called,
    current,
    is_one,
    of_note,
    one_is_here,
    there_are,
)
from nimble_lantern.core.commands.when import names_a_part
from nimble_lantern.core.commands.wording import many, named, quoted
from nimble_lantern.core.composing.placing import manner_of
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.reviewing.notes import Note, added, changed, notes_of, removed
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.lexer import mark_named
from nimble_lantern.core.writing.writer import Place, write

MOST = 30
_LEADS = ("colon", "saying", "that", "says", "to", "comma")
_A_NOTE = "(a | another) [(margin | little | small | short)] (note | comment | remark | reminder)"
CATALOGUE.table("a_note", {_A_NOTE: True})
CATALOGUE.table(
    "settle",
    {"(settle | resolve | tick [off] | close | cross off | check off | finish [off])": True},
)


_TOLD = (("to", "say"), ("saying",), ("that", "says"), ("say",))
"""Before what a note says, where the words that it is on may have taken the rest: "to say ..."."""


def written(sitting: Sitting, words: Sequence[str], left: str = "") -> str:
    """The words of a note, written as text is, from its beginning or behind what it says."""
    told = next((s for s in _TOLD if tuple(words[: len(s)]) == s), ())
    kept = list(words[len(told) :]) or list(words)
    while len(kept) > 1 and kept[0] in _LEADS[:4]:
        kept.pop(0)
    place = Place(left=left)
    return write(kept, place, manner_of(sitting, left)).text.strip()


def _add(sitting: Sitting, r: Range, words: Sequence[str]) -> Done | Refusal:
    text = written(sitting, words)
    if not text:
        return Refusal("The note says nothing.", "", "Say it once more with its words.")
    if r.empty:
        r = block_range(sitting.document, r.start.block)
    if r.empty:
        return Refusal("There are no words to put a note on.", "", "Write something first.")
    document = sitting.document
    after = sitting.edited(added(document, r, text)).about([r])
    number = next(n.number for n in notes_of(after.document) if n.text == text and n.range == r)
    return Done(after, f"note {number} on {named(document, [r])}: {quoted(text)}")


@command(
    Way("margin note {target} {text:words}", when=names_a_part),
    "margin note (on | at | for | about | beside | by | to) {target} {text:words}",
    "(<wish> | add | put | make | write | leave | attach | place | stick) <a_note> [in the margin]"
    " (on | at | to | beside | by | against | next to | for) {target} (saying | that says"
    " | which says | colon)"
    " {text:words}",
    Way("note (at | by | to) {target} {text:words}", when=noted.words_or_part),
    Way(
        "{target} (note | make <a_note> | add <a_note> | put <a_note>) {text:words}",
        when=noted.words_or_part,
    ),
    Way(
        "(next to | beside | by | at | on) {target} (make | add | put | leave | place) <a_note>"
        " [to] {text:words}",
        when=noted.words_or_part,
    ),
    "[margin] (note | comment) (on | for | at | to) {target} (saying | that says | which says"
    " | colon) {text:words}",
    "(attach | pin | fix | append) <a_note> to {target} {text:words}",
    "(<wish> | add | put | make | write | leave | attach | place | stick) <a_note> (on | at"
    " | beside | by | against | next to) {target} {text:words}",
    Way(
        "(<wish> | add | put | make | write | leave [me]) <a_note> (for | about | to) {target}"
        " {text:words}",
        when=names_a_part,
    ),
    Way("leave me <a_note> (for | about | on) {target} {text:words}", when=noted.words_or_part),
    "(<wish> | add | put | make | write | leave) a [margin] (comment | remark) (for | about | to)"
    " {target} {text:words}",
    Way(
        "[(<wish> | add | put | make | write | leave)] (<a_note> | note) (for | about | to | next"
        " to | beside) {target} {text:words}",
        when=noted.several_there,
    ),
    "note (on | beside | by | against | where it says) {target} {text:words}",
    "(<wish> | add | put | make | write | leave | attach | place | stick) <a_note> (where it says"
    " | under | over) {target} [(saying | that says | colon | to)] {text:words}",
    Way("(query | question) {target} {text:words}", when=names_a_part),
    "(against | beside | next to | by | at) {target} (put <a_note> | write <a_note> | i want"
    " <a_note> | add <a_note>) [(saying | that says | colon | to | that)] {text:words}",
    Way(
        "(against | beside | next to | by) {target} note [(that | colon)] {text:words}",
        when=names_a_part,
    ),
    "<a_note> (on | at | by | beside | for | to | against) {target} (saying | that says | which"
    " says | colon) {text:words}",
    Way("<a_note> (on | at | by | beside | to | against) {target} {text:words}", when=names_a_part),
    Way(
        "(note | comment | remark) (about | for | on | next to | alongside | near) {target}"
        " {text:words}",
        when=names_a_part,
    ),
    Way(
        "(jot | scribble | pencil | write | put) [down] {text:words} in the margin (of | beside |"
        " by | at | next to | against) {target}",
        when=names_a_part,
    ),
    Way(
        "(jot | scribble | pencil) [down] {text:words} (beside | by | at | next to | against |"
        " on) {target}",
        when=names_a_part,
    ),
    Way(
        "(<wish> | add | put | make | write | leave | attach) <a_note> (about | saying | that says)"
        " {text:words} (to | on | by | beside | at | for) {target}",
        when=names_a_part,
    ),
    Way("{target} note {text:words}", when=names_a_part),
    Way(
        "(<wish> | add | put | make | write | leave | take) <a_note> (about | for | concerning)"
        " {target} {text:words}",
        when=noted.a_word_there,
    ),
    "in the margin (of | beside | by | at | next to) {target} (put | write | say | note)"
    " {text:words}",
    Way(
        "(attach | add | put | pin) {text:words} as a [margin] (note | comment) (to | on | beside)"
        " {target}",
        when=names_a_part,
    ),
    "(comment | remark) on {target} {text:words}",
    "(add | put) to the margin (of | at | beside) {target} {text:words}",
    "(say | note | write | remark | put | scribble | jot) in the margin"
    " (of | at | beside | by | next to) {target} {text:words}",
    Way("(remind me | remember) (at | on) {target} to {text:words}", when=names_a_part),
    Way("remind me (about | at | on | by | for) {target} [to] {text:words}", when=names_a_part),
    Way("for {target} <a_note> {text:words}", when=names_a_part),
    Way(
        "{target} (gets | needs | wants | could do with | <shall> have) <a_note> {text:words}",
        when=noted.words_or_part,
    ),
    Way(
        "(put | write | add) {text:words} (beside | next to | at | by | on | against) {target}"
        " (as a [margin] (note | comment) | in the margin)",
        when=noted.words_or_part,
    ),
    Way(
        "mark {target} with <a_note> [(saying | that says)] {text:words}", when=noted.words_or_part
    ),
    Way("remind me to {text:words} (at | on | beside | by) {target}", when=names_a_part),
    "annotate {target} [with] {text:words}",
    "add the note {text:words} to {target}",
    Way(
        "and (one | another [one]) (on | at | by | beside | for | to) {target} [(saying | that says"
        " | colon)] {text:words}",
        when=one_is_here,
    ),
    "put {text:words} in the margin (at | of | by | beside | next to) {target}",
    heard=1,
    example="note on the last sentence colon check with the ferry company",
    group="revising",
    when=noted.whole_words,
    by_rows=True,
)
def add(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done | Refusal:
    """Put a note in the margin of any words, with what it says."""
    return _add(sitting, target.first, text)


def _says_something(sitting: Sitting, parse: Parse) -> bool:
    """ "Note to self full stop" is text: no note says a mark alone."""
    return mark_named(tuple(parse.args.get("text", ()))) is None


@command(
    "(margin note | note in the margin) [here] {text:words}",
    "(add | put | make | write | leave) (a margin note | a note in the margin | a comment) [here]"
    " {text:words}",
    "(add | make | leave | put | write) a (note | remark) [here] (saying | that says | colon)"
    " {text:words}",
    "(say | write | put) in the margin {text:words}",
    "note (colon | to self | to myself | here [(colon | to | that | saying)]) {text:words}",
    "(<wish> | add | make | leave | put | write) (<a_note> | a marginal note) (here | in the margin"
    " [here]) (to | saying | that | colon | that says) {text:words}",
    "(a | one) [margin] (note | remark | comment) (here | in the margin) (saying | that says | to"
    " | colon) {text:words}",
    "(make | add | leave) (a note | a note to (self | myself)) (to | that) {text:words}",
    "leave <a_note> there (saying | that says | to | colon) {text:words}",
    "<put> <a_note> (here | there) [(saying | that says | to | colon)] {text:words}",
    "remind me here to {text:words}",
    Way("(note | comment | remark) {text:words}", when=noted.of_what_is_selected),
    "remind me in the margin (to | that) {text:words}",
    *each(
        noted.tells_itself,
        "(make | add | leave | put | write) a [margin] (note | remark | comment) [right] here"
        " {text:words}",
        "(comment | remark) here {text:words}",
    ),
    heard=1,
    example="margin note check with the ferry company",
    group="revising",
    when=_says_something,
)
def add_here(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Put a note on what is selected, or was just said."""
    if sitting.selection is not None:
        return _add(sitting, sitting.selection, text)
    if sitting.that:
        return _add(sitting, Range(sitting.that[0].start, sitting.that[-1].end), text)
    return _add(sitting, Range(sitting.caret, sitting.caret), text)


def _shown(sitting: Sitting, note: Note) -> Done:
    after = replace(sitting.about([note.range]), selection=note.range, fresh=False, question=None)
    settled = ", settled" if note.settled else ""
    where = named(sitting.document, [note.range])
    return Done(after, f"note {note.number}{settled}, on {where}: {quoted(note.text)}")


@command(
    "(read | go to | show [me] | jump to | see | open) {note}",
    Way("find {note}", when=by_number),
    "(what (does | is) | tell me) {note} [say]",
    Way("[the] note [number] {number}", when=there_are),
    Way("{note}", when=by_number_or_words),
    "read [me] {note} [(out | aloud | to me)]",
    "(what's | what is) [in | on] {note}",
    "what (did i (write | say | put) | have i (written | said | put) | do i say | is written) in"
    " {note}",
    "(let me (hear | see | have) | tell me | show me) [(what is in | what's in)] {note}",
    "(tell me | let me hear | show me) what (is | i wrote | i said) in {note}",
    "<go> [to] [where] {note} [(is | stands | belongs)]",
    "(take me to | show me | go to) what {note} is (about | on)",
    "how does {note} (go | read)",
    "(what is | what's) {note} (about | for | saying)",
    heard=1,
    example="read note one",
    group="revising",
    shows=True,
    when=is_one,
)
def show(
    sitting: Sitting, note: NoteNamed | None = None, number: int | None = None
) -> Done | Refusal:
    """Read a margin note, and select the words it stands beside."""
    found = called(sitting, note or NoteNamed(number or 0))
    return found if isinstance(found, Refusal) else _shown(sitting, found)


CATALOGUE.table("beside_it", {"before": -1, "after": 1})
CATALOGUE.table("ways_along", {"(on | forward | forwards)": 1, "(back | backward | backwards)": -1})
CATALOGUE.table("step", {"(next | following)": 1, "(previous | last | earlier)": -1})


@command(
    *frames.walked("[margin] (note | comment | remark)"),
    Way("[and] the one {step:beside_it} [(this | that)]", when=one_is_here),
    "[<go>] [to] [the] {step} open [margin] note",
    heard=1,
    example="next note",
    group="revising",
    shows=True,
    when=there_are,
)
def walk(sitting: Sitting, step: int) -> Done | Refusal:
    """Walk through the notes, one after another; at an end, on from the other."""
    found = notes_of(sitting.document)
    here = current(sitting)
    if here is not None:
        index = (here.number - 1 + step) % len(found)
    else:
        ahead = [n.number - 1 for n in found if n.range.start >= sitting.caret]
        index = ahead[0] if ahead else 0
        index = index if step > 0 else (index - 1) % len(found)
    return _shown(sitting, found[index])


@command(
    *frames.listed("[margin] (notes | comments)"),
    *frames.listed("(notes | comments) in the margin"),
    *frames.listed("[margin] remarks"),
    "what (have i noted [down] | did i note [down] | is noted [here] | is in the margin)",
    "(what | which) [margin] (notes | comments | remarks) (have i left | did i leave | have i put"
    " | did i (put | write | make) | have i written) [(here | in the margin)]",
    "(show | list | read) [me] [all] (the | my) [margin] (notes | comments | remarks) [that] i"
    " [have] (made | left | put | wrote | written) [(here | in the margin)]",
    "(what | which) [other] [margin] (notes | comments | remarks) (are [there] [still] [left]"
    " [open] | remain | are not settled [yet])",
    "how many [margin] (notes | comments) (are there | are left | have i [left | made | got])",
    "number the notes",
    heard=1,
    example="show my notes",
    group="revising",
    shows=True,
)
def list_notes(sitting: Sitting) -> Done | Refusal:
    """List the margin notes, to go to by number."""
    found = notes_of(sitting.document)
    if not found:
        return Refusal("There are no margin notes.", "", "“Margin note” and its words make one.")
    options = tuple(
        Option(n.text + (" (settled)" if n.settled else ""), (("number", n.number),), (n.range,))
        for n in found[:MOST]
    )
    asked = Question("notes.show", {}, options, beside=True)
    left = sum(1 for n in found if not n.settled)
    said = (
        f"{many(len(found), 'note')}, {left} of them open"
        if left < len(found)
        else many(len(found), "note")
    )
    return Done(replace(sitting, question=asked), said)


@command(
    "(find | look for) [(the | any | my)] (note | notes) (about | with | that says | that"
    " mentions | on | saying) {text:words} [in it]",
    "(which | what) [of (the | my)] (note | notes | comment | comments) (was | is) (it | that)"
    " (that (mentions | mentioned | says | said | is about | was about) | about | with)"
    " {text:words}",
    "(which | what) [of (the | my)] (note | notes | comment | comments) (is [there] about | is"
    " there on | says [something (about | of)] | mentions | speaks of | is on) {text:words}",
    "(go to | show [me] | read | where is | where's | take me to | let me see | find [me])"
    " (the | my) [margin] (note | comment | remark) (about | that says | with | that mentions | on"
    " | saying | mentioning) {text:words}",
    "(is there | have i) a note (about | on) {text:words}",
    "what (did i note | have i noted) about {text:words}",
    Way(
        "(what is | what's) (written | noted | said) (beside | next to | by | on | at)"
        " {text:words}",
        when=noted.is_said,
    ),
    "what (did i (say | write | note | put) | have i (said | written | noted | put)) (about | on"
    " | at | for | by) {text:words} in the margin",
    heard=1,
    example="find the note about the ferry company",
    group="revising",
    when=there_are,
)
def find(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Go to the first margin note that has these words."""
    found = called(sitting, NoteNamed(about=tuple(text)))
    return found if isinstance(found, Refusal) else _shown(sitting, found)


def _edited(sitting: Sitting, note: Note, said: str, text: str | None = None,
            settled: bool | None = None) -> Done:  # fmt: skip
    after = sitting.edited(changed(sitting.document, note, text, settled)).about([note.range])
    return Done(after, said)


CATALOGUE.table(
    "dealt_with",
    {
        "(settled | done [with] | dealt with | finished [with] | resolved | sorted [out]"
        " | taken care of | closed | seen to | over [and done with] | all done | ticked off)": True
    },
    heard=False,
)


@command(
    "(change | rewrite | replace | correct) {note} (to | with) {text:words}",
    "(change | rewrite | replace | correct | reword | alter | set | edit | update) [the (text |"
    " words) of] {note} (to | with | by | as | so [that] it says | to (say | read)) {text:words}",
    "(let | have) {note} be {text:words}",
    "(change | replace | rewrite) what {note} says (to | with | by) {text:words}",
    "in {note} (say | write | put) {text:words}",
    "{note} (should | must | ought to | has to | needs to | is to | shall) (say | read | be)"
    " {text:words}",
    "(make | let | have) {note} (say | read) {text:words}",
    "(make | let) {note} [be] {text:words} instead",
    "(make | rephrase) {note} [(as | into | to)] {text:words}",
    Way("{note} {text:words} instead", when=noted.new_words),
    "{note} (says | reads) {text:words} (now | from now on | instead)",
    "(write | put | say) {text:words} (in | into | in the place of | instead of) {note}",
    heard=1,
    example="change note one to ask the ferry company",
    group="revising",
    annotates=True,
    when=noted.new_words,
)
@of_note
def change(sitting: Sitting, note: Note, text: tuple[str, ...]) -> Done | Refusal:
    """Let a margin note say something else."""
    new = written(sitting, text)
    return _edited(sitting, note, f"note {note.number} says {quoted(new)}", new)


@command(
    "(answer | reply to) {note} [(with | saying | colon)] {text:words}",
    "(answer [to] | reply to | respond to) {note} [(with | saying | colon | by saying | comma)]"
    " {text:words}",
    "(add | write) (a reply | an answer) to {note} {text:words}",
    "(write | put | say | add) under {note} {text:words}",
    "under {note} (write | put | say | add) {text:words}",
    "(add | append | put) {text:words} (to | under) {note}",
    "(add | append) to {note} {text:words}",
    Way(
        "(answer | reply to | respond to) (it | that) [(with | saying | colon)] {text:words}",
        when=one_is_here,
    ),
    Way("(reply | answer) {text:words}", when=noted.replies),
    "{note} [the | my] answer [is] {text:words}",
    "(my | the | a | an) (answer | reply) to {note} [(is | colon | comma)] {text:words}",
    heard=1,
    example="answer note one they said yes",
    group="revising",
    annotates=True,
    when=noted.answers_it,
)
@of_note
def answer(sitting: Sitting, note: Note, text: tuple[str, ...]) -> Done | Refusal:
    """Add to a margin note, on a line of its own."""
    new = f"{note.text}\n{written(sitting, text)}"
    return _edited(sitting, note, f"note {note.number} is answered", new)


@command(
    "<settle> {note}",
    "(tick | check | cross | sign) {note} off",
    "(we | i | we've | i've) [have] [(now | just | already)] (dealt with | settled | done"
    " | resolved | finished [with] | seen to | sorted [out] | taken care of) {note}",
    "{note} (is | has been) [(now | all)] <dealt_with> [now]",
    "(mark | put | set | count | make) {note} [down] [(as | to)] [being] <dealt_with>",
    "that's {note} <dealt_with>",
    Way("(settle | resolve) (it | that)", when=one_is_here),
    Way("(tick | check | cross) (it | that) off", when=one_is_here),
    Way(
        "(that's | that is | this is | (that | this) one is) [(now | all)] <dealt_with> [now]",
        when=one_is_here,
    ),
    Way("(mark | tick | put) (it | that | this) [off] [as] <dealt_with>", when=one_is_here),
    heard=1,
    example="settle note one",
    group="revising",
    when=is_one,
)
@of_note
def settle(sitting: Sitting, note: Note) -> Done | Refusal:
    """Mark a margin note as settled; it stays."""
    return _edited(sitting, note, f"note {note.number} is settled", settled=True)


@command(
    "(reopen | open) {note} again",
    "(reopen | unsettle | unresolve | untick) {note}",
    "open {note} up again",
    Way("(reopen it | open it [up] again)", when=one_is_here),
    "{note} (is | has) [(still | not [been] | yet)] open [(again | still | after all)]",
    "{note} (is | has) (not [been] | not yet [been]) <dealt_with> [(after all | yet)]",
    "{note} (isn't | hasn't been) <dealt_with> [(after all | yet)]",
    "(make | put | mark | set | have | turn) {note} [back] [(as | to)] (open | unsettled"
    " | not <dealt_with> | still open) [again]",
    heard=1,
    example="reopen note one",
    group="revising",
    when=is_one,
)
@of_note
def reopen(sitting: Sitting, note: Note) -> Done | Refusal:
    """Take a margin note up again that was settled."""
    return _edited(sitting, note, f"note {note.number} is open again", settled=False)


@command(
    "<remove> {note}",
    "(<discard> | forget) {note}",
    "(<remove> | <discard>) the [margin] (note | comment | remark) (on | about | at | beside | by)"
    " {target}",
    "(take | get | pull) (the | my) [margin] (note | comment | remark) (off | from) {target}",
    Way("(<remove> | <discard>) it", when=one_is_here),
    "{note} (can | may | should | must | has to) [(all | now)] (go | come (off | out))"
    " [(now | away | too)]",
    "(throw | take | put | cross | strike) {note} (away | out | off)",
    "[(i'm | i am | we're | we are)] (done | finished) with {note}",
    "(we | i) (do not | don't | no longer) (need | want) {note} [<any_more>]",
    "{note} is (not | no longer) (needed | wanted) [<any_more>]",
    "no (need for | more of) {note} [<any_more>]",
    heard=1,
    example="remove note one",
    group="revising",
    when=is_one,
)
def remove(
    sitting: Sitting, note: NoteNamed | None = None, target: Places | None = None
) -> Done | Refusal:
    """Take a margin note away; the text stays."""
    if target is not None:
        r = target.first
        every = notes_of(sitting.document)
        on = [n for n in every if n.range.start <= r.end and r.start <= n.range.end]
        if not on:
            return Refusal("No note stands there.")
        note = NoteNamed(on[0].number)
    found = called(sitting, note)
    if isinstance(found, Refusal):
        return found
    after = sitting.edited(removed(found)).about([found.range])
    return Done(after, f"note {found.number} is gone: {quoted(found.text)}")


CATALOGUE.table("settled", {"(settled | resolved | finished | done)": True})
CATALOGUE.table(
    "the_settled",
    {
        "(<dealt_with> [(notes | comments | ones)] | [margin] (notes | comments | remarks | ones)"
        " (that are | which are | i have | i've | we have | we've | that have been | that i have)"
        " [already] <dealt_with>)": True
    },
    heard=False,
)


@command(
    "(<remove> | <discard>) [(all | all the | the | my | all my)] [{settled}] [margin]"
    " (notes | comments)",
    "(<remove> | <discard>) every [{settled}] [margin] (note | comment | remark)",
    "(<remove> | <discard> | forget) [all | all the | the | my | all my | all of the]"
    " {settled:the_settled}",
    "(take | put | throw | clear) [all | all the | the | my | all my] {settled:the_settled}"
    " (away | out | off)",
    "(<remove> | <discard> | forget) [all] [(the | my)] [margin] remarks",
    "(take | throw | clear) (every | each) [margin] (note | comment | remark) (away | out | off)",
    "no [more] [{settled}] margin (notes | comments)",
    "no more [{settled}] notes [(<remove> | <discard>) (them | all of them | them all)]",
    "(clear | empty) the margin [of (notes | comments)]",
    "(clear | take | throw) [all] (the | my) [margin] (notes | comments) (away | out | off)",
    "all [the] [margin] (notes | comments) (away | out | off | gone)",
    heard=1,
    example="remove the settled notes",
    group="revising",
    when=there_are,
)
def remove_all(sitting: Sitting, settled: bool = False) -> Done | Refusal:
    """Take all notes out, or those that are settled."""
    found = [n for n in notes_of(sitting.document) if n.settled or not settled]
    if not found:
        return Refusal("No note is settled.")
    return Done(sitting.edited(removed(*found)), f"{many(len(found), 'note')} taken out")


CATALOGUE.table(
    "settling",
    {
        "(settle | resolve | tick off | close)": True,
        "(reopen | open | unsettle)": False,
    },
)


@command(
    "{settling} (all | every one of) [(the | my)] [margin] notes [again]",
    "{settling} every [margin] note [again]",
    heard=1,
    example="settle all notes",
    group="revising",
    when=there_are,
)
def settle_all(sitting: Sitting, settling: bool) -> Done | Refusal:
    """Mark all margin notes as settled, or take them all up again; they stay."""
    found = [n for n in notes_of(sitting.document) if n.settled is not settling]
    if not found:
        return Refusal("All notes are settled." if settling else "No note is settled.")
    edit = Edit()
    now = sitting.document
    for note in found:
        step = changed(now, note, None, settling)
        edit, now = edit.then(step), step.apply(now)
    how = "settled" if settling else "open again"
    return Done(sitting.edited(edit), f"{many(len(found), 'note')} {how}")
