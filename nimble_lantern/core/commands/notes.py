"""Margin notes: said about words of the text, and standing beside them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.when import names_a_part
from nimble_lantern.core.commands.wording import many, named, quoted
from nimble_lantern.core.composing.placing import manner_of
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.lexicon.closed import DETERMINERS, DULL, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.reviewing.notes import Note, added, changed, notes_of, removed
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places, Words
from nimble_lantern.core.writing.writer import Place, write

MOST = 30
_LEADS = ("colon", "saying", "that", "says", "to", "comma")
CATALOGUE.table("a_note", {"(a | another) [margin] (note | comment | remark)": True})
CATALOGUE.table(
    "settle", {"(settle | resolve | tick off | close | cross off | check off | finish [off])": True}
)
CATALOGUE.table("the_note", {"[the] [margin] (note | comment | remark)": True})


def _no_letter(sitting: Sitting, parse: Parse) -> bool:
    """ "Answer the note she says yes"; "answer the note from the board" is of a letter."""
    text = tuple(parse.args.get("text", ()))
    return bool(text) and text[0] not in PREPOSITIONS


def written(sitting: Sitting, words: Sequence[str], left: str = "") -> str:
    """The words of a note, written as text is, from its beginning or behind what it says."""
    kept = list(words)
    while len(kept) > 1 and kept[0] in _LEADS[:4]:
        kept.pop(0)
    place = Place(left=left)
    return write(kept, place, manner_of(sitting, left)).text.strip()


def _there_are(sitting: Sitting, parse: Parse) -> bool:
    return bool(notes_of(sitting.document))


def _one_is_here(sitting: Sitting, parse: Parse) -> bool:
    """Whether "it" may be a note: one was just made, walked to or read."""
    return _current(sitting) is not None and _last_was_a_note(sitting)


def _last_was_a_note(sitting: Sitting) -> bool:
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and (last.command or "").startswith("notes.")


def _current(sitting: Sitting) -> Note | None:
    """The note of the words that are selected or spoken of; else the one at the writing place."""
    found = notes_of(sitting.document)
    for r in (sitting.selection, *sitting.that):
        for note in found:
            if r is not None and note.range == r:
                return note
    here = sitting.caret
    return next((n for n in found if n.range.start <= here <= n.range.end), None)


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


def _whole_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words of a target are some: "the", "the last" and "the last sentence check" are
    the beginning of another."""
    target, text = parse.args.get("target"), parse.args.get("text", ())
    if not isinstance(target, Words):
        return True
    words = target.words
    if set(text[:1]) & PARTS:
        return False
    if words[-1] in DETERMINERS | PREPOSITIONS | _ORDERS or set(words) <= DULL:
        return False
    ordered = any(a in _ORDERS and b in PARTS for a, b in pairwise(words))
    return target.called or not ordered and not set(words) <= PARTS | DULL | _ORDERS


_ORDERS = frozenset("last first next previous second third this that".split())


@command(
    "margin note (on | at | for | about | beside | by | to) {target} {text:words}",
    "(<wish> | add | put | make | write | leave | attach | place | stick) <a_note> (on | at | to"
    " | beside | by | against | next to | for) {target} (saying | that says | which says | colon)"
    " {text:words}",
    "[margin] (note | comment) (on | for | at | to) {target} (saying | that says | which says"
    " | colon) {text:words}",
    "(attach | pin | fix | append) <a_note> to {target} {text:words}",
    "(<wish> | add | put | make | write | leave | attach | place | stick) <a_note> (on | at"
    " | beside | by | against | next to) {target} {text:words}",
    Way(
        "(<wish> | add | put | make | write | leave) <a_note> (for | about | to) {target}"
        " {text:words}",
        when=names_a_part,
    ),
    "(<wish> | add | put | make | write | leave) a [margin] (comment | remark) (for | about | to)"
    " {target} {text:words}",
    "note (on | beside) {target} {text:words}",
    Way("note (about | for) {target} {text:words}", when=names_a_part),
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
    Way("{target} note {text:words}", when=names_a_part),
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
    Way("remind me to {text:words} (at | on | beside | by) {target}", when=names_a_part),
    "annotate {target} [with] {text:words}",
    "add the note {text:words} to {target}",
    "put {text:words} in the margin (at | of | by | beside | next to) {target}",
    heard=1,
    example="note on the last sentence colon check with the ferry company",
    group="revising",
    when=_whole_words,
)
def add(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done | Refusal:
    """Put a note in the margin of any words, with what it says."""
    return _add(sitting, target.first, text)


@command(
    "(margin note | note in the margin) [here] {text:words}",
    "(add | put | make | write | leave) (a margin note | a note in the margin | a comment) [here]"
    " {text:words}",
    "(add | make | leave | put | write) a (note | remark) [here] (saying | that says | colon)"
    " {text:words}",
    "(say | write | put) in the margin {text:words}",
    "note (colon | to self) {text:words}",
    heard=1,
    example="margin note check with the ferry company",
    group="revising",
)
def add_here(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Put a note on what is selected, or was just said."""
    if sitting.selection is not None:
        return _add(sitting, sitting.selection, text)
    if sitting.that:
        return _add(sitting, Range(sitting.that[0].start, sitting.that[-1].end), text)
    return _add(sitting, Range(sitting.caret, sitting.caret), text)


def _numbered(sitting: Sitting, number: int | None) -> Note | Refusal:
    """The note of a number; without one, the one that is here, or the only one."""
    found = notes_of(sitting.document)
    if not found:
        return Refusal("There are no margin notes.", "", "“Margin note” and its words make one.")
    if number is None:
        here = _current(sitting)
        if here is not None:
            return here
        if len(found) == 1:
            return found[0]
        return Refusal(f"There are {len(found)} notes.", "", "Say which: “note two”.")
    if not 1 <= number <= len(found):
        return Refusal(f"There is no note {number}.", "", f"There are {many(len(found), 'note')}.")
    return found[number - 1]


def _shown(sitting: Sitting, note: Note) -> Done:
    after = replace(sitting.about([note.range]), selection=note.range, fresh=False, question=None)
    settled = ", settled" if note.settled else ""
    where = named(sitting.document, [note.range])
    return Done(after, f"note {note.number}{settled}, on {where}: {quoted(note.text)}")


@command(
    "(go to | show [me] | find | jump to | see | open) <the_note> [number] {number}",
    "(read | what (does | is) | tell me) [me] [the] note [number] {number} [(say | out | aloud)]",
    Way("[the] note [number] {number}", when=_there_are),
    "(go to | show [me] | read) the {position} note",
    "(read | what does) (this | that | the) note [say]",
    "((tell | give | show) me | what is (in | on) | what's (in | on)) (this | that | the) note",
    heard=1,
    example="read note one",
    group="revising",
)
def show(
    sitting: Sitting, number: int | None = None, position: int | None = None
) -> Done | Refusal:
    """Go to a margin note, and tell what it says."""
    note = _numbered(sitting, number if number is not None else position)
    return note if isinstance(note, Refusal) else _shown(sitting, note)


CATALOGUE.table("beside_it", {"before": -1, "after": 1})
CATALOGUE.table("ways_along", {"(on | forward | forwards)": 1, "(back | backward | backwards)": -1})
CATALOGUE.table("step", {"(next | following)": 1, "(previous | last | earlier)": -1})


@command(
    "[<go>] [to] [the] {step} [margin] (note | comment)",
    "(show | read) [me] the {step} [margin] (note | comment)",
    "[<go>] [to] [the] {step} open [margin] note",
    "[<go>] [(back | on)] [to] the [margin] (note | comment) {step:beside_it}",
    "<go> {step:ways_along} (a | one) [margin] (note | comment)",
    heard=1,
    example="next note",
    group="revising",
    when=_there_are,
)
def walk(sitting: Sitting, step: int) -> Done | Refusal:
    """Walk through the notes, one after another; at an end, on from the other."""
    found = notes_of(sitting.document)
    here = _current(sitting)
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
    "number the notes",
    heard=1,
    example="show my notes",
    group="revising",
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
    "find the note (about | with | that says | that mentions | on | saying) {text:words}",
    "(which | what) note (is about | says | mentions) {text:words}",
    "(go to | show [me] | read) the note (about | that says | with | that mentions) {text:words}",
    heard=1,
    example="find the note about the ferry company",
    group="revising",
    when=_there_are,
)
def find(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Find a note by its words."""
    wanted = [w for w in text if w not in ("the", "a", "an")]
    found = notes_of(sitting.document)
    said = [n for n in found if all(w in n.text.lower() for w in wanted)]
    if not said:
        return Refusal(f"No note says “{' '.join(text)}”.")
    return _shown(sitting, said[0])


def _new_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the note to a higher one" is of music, and tells no words of a note."""
    text = tuple(parse.args.get("text", ()))
    return _there_are(sitting, parse) and text[-1:] not in (("one",), ("ones",))


_NOTE_N = "(note [number] {number} | the {position} note | (this | that | the) note)"


def _edited(sitting: Sitting, note: Note, said: str, text: str | None = None,
            settled: bool | None = None) -> Done:  # fmt: skip
    after = sitting.edited(changed(sitting.document, note, text, settled)).about([note.range])
    return Done(after, said)


@command(
    "(change | rewrite | replace | correct) note [number] {number} (to | with) {text:words}",
    "(change | rewrite | replace | correct) (the {position} | this | that | the) note (to | with)"
    " {text:words}",
    "note [number] {number} (should | must) (say | read) {text:words}",
    "(make | let) note [number] {number} (say | read) {text:words}",
    "(this | that | the) note (should | must) (say | read) {text:words}",
    heard=1,
    example="change note one to ask the ferry company",
    group="revising",
    annotates=True,
    when=_new_words,
)
def change(
    sitting: Sitting,
    text: tuple[str, ...],
    number: int | None = None,
    position: int | None = None,
) -> Done | Refusal:
    """Give a note other words."""
    note = _numbered(sitting, number if number is not None else position)
    if isinstance(note, Refusal):
        return note
    new = written(sitting, text)
    return _edited(sitting, note, f"note {note.number} says {quoted(new)}", new)


@command(
    "(answer | reply to | respond to) note [number] {number} [(with | saying | colon | by saying)]"
    " {text:words}",
    "(answer | reply to) (the {position} | this | that | the) note (with | saying | colon)"
    " {text:words}",
    "(answer [to] | reply to | respond to | (write | put | say | add) under)"
    " (<the_note> [number] {number} | [the] {position} (note | comment)) {text:words}",
    Way(
        "(answer | reply to | respond to | (add | write) (a reply | an answer) to)"
        " (<the_note> | this note | that note) {text:words}",
        when=_no_letter,
    ),
    "(add | append) to note [number] {number} {text:words}",
    "(add | append) {text:words} to note [number] {number}",
    heard=1,
    example="answer note one they said yes",
    group="revising",
    annotates=True,
    when=_there_are,
)
def answer(
    sitting: Sitting,
    text: tuple[str, ...],
    number: int | None = None,
    position: int | None = None,
) -> Done | Refusal:
    """Put an answer under a note."""
    note = _numbered(sitting, number if number is not None else position)
    if isinstance(note, Refusal):
        return note
    new = f"{note.text}\n{written(sitting, text)}"
    return _edited(sitting, note, f"note {note.number} is answered", new)


@command(
    "<settle> note [number] {number}",
    "(tick | check) note [number] {number} off",
    "(we | i) have (dealt with | settled | done | resolved) note [number] {number}",
    "note [number] {number} (is | has been) (settled | done [with] | dealt with | finished [with]"
    " | resolved | sorted [out] | taken care of)",
    "<settle> (the {position} | this | that | the) note",
    "(this | that | the) note is (settled | done | dealt with | finished | resolved)",
    "mark (note [number] {number} | the {position} note | (this | that | the) note) [as]"
    " (settled | done | resolved | dealt with)",
    "the {position} note is (settled | done | dealt with | finished | resolved)",
    Way("(settle | resolve) (it | that)", when=_one_is_here),
    heard=1,
    example="settle note one",
    group="revising",
    when=_there_are,
)
def settle(
    sitting: Sitting, number: int | None = None, position: int | None = None
) -> Done | Refusal:
    """Mark a note as dealt with; it stays, paler."""
    note = _numbered(sitting, number if number is not None else position)
    if isinstance(note, Refusal):
        return note
    return _edited(sitting, note, f"note {note.number} is settled", settled=True)


@command(
    "(reopen | open) note [number] {number} again",
    "(reopen | unsettle) note [number] {number}",
    "note [number] {number} is (open | not settled | not done)",
    "(reopen | unsettle) (this | that | the) note",
    heard=1,
    example="reopen note one",
    group="revising",
    when=_there_are,
)
def reopen(sitting: Sitting, number: int | None = None) -> Done | Refusal:
    """Open a note again that was settled."""
    note = _numbered(sitting, number)
    if isinstance(note, Refusal):
        return note
    return _edited(sitting, note, f"note {note.number} is open again", settled=False)


@command(
    "<remove> note [number] {number}",
    "<discard> note [number] {number}",
    "(<remove> | <discard>) (the {position} | this | that | the) [margin] note",
    "(<remove> | <discard>) the [margin] note (on | about | at | beside) {target}",
    Way("(<remove> | <discard>) it", when=_one_is_here),
    # Elsewhere such ways need a name or a number to be told from a sentence: here is a note.
    "(this | that | the) [margin] (note | comment) (can | may | should) go [now]",
    "(throw | take | put) (this | that | the) [margin] (note | comment) (away | out | off)",
    "[(i'm | i am | we're | we are)] (done | finished) with (this | that | the) [margin] (note |"
    " comment)",
    heard=0,
    example="remove note one",
    group="revising",
    when=_there_are,
)
def remove(
    sitting: Sitting,
    number: int | None = None,
    position: int | None = None,
    target: Places | None = None,
) -> Done | Refusal:
    """Take a note out of the margin; the text stays."""
    if target is not None:
        r = target.first
        every = notes_of(sitting.document)
        on = [n for n in every if n.range.start <= r.end and r.start <= n.range.end]
        if not on:
            return Refusal("No note stands there.")
        number = on[0].number
    note = _numbered(sitting, number if number is not None else position)
    if isinstance(note, Refusal):
        return note
    after = sitting.edited(removed(note)).about([note.range])
    return Done(after, f"note {note.number} is gone: {quoted(note.text)}")


CATALOGUE.table("settled", {"(settled | resolved | finished | done)": True})


@command(
    "(<remove> | <discard>) [(all | all the | the | my | all my)] [{settled}] [margin]"
    " (notes | comments)",
    "(<remove> | <discard>) every [{settled}] [margin] (note | comment)",
    "no [more] [{settled}] margin (notes | comments)",
    "(clear | empty) the margin [of (notes | comments)]",
    "(clear | take | throw) [all] (the | my) [margin] (notes | comments) (away | out | off)",
    "all [the] [margin] (notes | comments) (away | out | off | gone)",
    heard=1,
    example="remove the settled notes",
    group="revising",
    when=_there_are,
)
def remove_all(sitting: Sitting, settled: bool = False) -> Done | Refusal:
    """Take all notes out, or those that are settled."""
    found = [n for n in notes_of(sitting.document) if n.settled or not settled]
    if not found:
        return Refusal("No note is settled.")
    return Done(sitting.edited(removed(*found)), f"{many(len(found), 'note')} taken out")
