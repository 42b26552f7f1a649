"""The shelf: finding documents, copying them, putting them away and bringing them back."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.documents import free_name, spoken_title
from nimble_lantern.core.commands.naming import day_meant
from nimble_lantern.core.effects import (
    BringBack,
    CopyDocument,
    FindDocuments,
    FindWritten,
    OpenDocument,
    PutAway,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.lexicon.names import DAYS
from nimble_lantern.core.state import Done, FoundDocument, Option, Question, Sitting, View
from nimble_lantern.core.targets.names import with_words
from nimble_lantern.core.targets.words import exact

CATALOGUE.names("put_away", of=lambda sitting: sitting.away, partial=True)
CATALOGUE.table(
    "paper",
    {
        "(the | a | my | that | this | every | any) (letter | document | notice | text | one"
        " | paper | page | file | piece)": True,
        "(the | my | all) (letters | documents | notices | texts | ones | papers | files)": True,
    },
)
CATALOGUE.table(
    "about",
    {
        "(about | on | with | that mentions | that says | which says | that has | mentioning"
        " | containing | where i mention | in which i mention | where it says | in which it says"
        " | that is about | that talks about | to do with)": True
    },
)
CATALOGUE.table("day", {name.lower(): number for number, name in enumerate(DAYS)})
CATALOGUE.table("ago", {"today": 0, "yesterday": 1, "the day before yesterday": 2})


def _several(sitting: Sitting, parse: Parse) -> bool:
    """Where there is but one document, a question about others is a sentence of it."""
    return len(sitting.shelf) + len(sitting.away) > 1 or sitting.view is View.SHELF


def _on_shelf(sitting: Sitting, parse: Parse) -> bool:
    return sitting.view is View.SHELF


@command(
    "(find | look for | search for | where is | get | show) [me] <paper> <about> {text:words}",
    "(find | look for | search for) {text:words} (on the shelf | in [all] my documents"
    " | in (every | any) (document | letter | paper) | in all [(the | my)] (documents | letters |"
    " papers | files) | anywhere on the shelf)",
    "(search | look through | go through) [all] [of] [(my | the)] (documents | shelf | letters"
    " | papers | files) for {text:words}",
    Way("(which | what) (document | letter | one) (mentions | is about | talks about | says"
        " | has | speaks of) {text:words}", when=_several),
    Way("where did i write (about | of) {text:words}", when=_several),
    Way("(find | look for | search for) {text:words}", when=_on_shelf),
    heard=2,
    example="find the letter about the stair",
    group="desk",
)  # fmt: skip
def find_documents(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Find documents by the words in them."""
    there = replace(sitting, view=View.SHELF)
    return Done(there, f"what says “{' '.join(text)}” on the shelf", (FindDocuments(text),))


def _called_so(sitting: Sitting, parse: Parse) -> bool:
    """ "Open the ferry letter", where one on the shelf has these words in its name, and the text
    has none of them."""
    text = tuple(parse.args.get("text", ()))
    return with_words(text, sitting.shelf) is not None and not exact(sitting.document, text)


@command(
    "(open | go to | switch to | bring up | get out) <paper> <about> {text:words}",
    Way(
        "(open | go [back] to | switch to | show me) the (one | letter) (to | for) {text:words}",
        when=_called_so,
    ),
    Way(
        "(open | go [back] to | switch to | show me) the {text:words} (letter | document | one)",
        when=_called_so,
    ),
    heard=1,
    example="open the letter about the stair",
    group="desk",
    when=_several,
)
def open_found(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Open the one document that says so; of several, choose by number."""
    named = with_words(text, sitting.shelf)
    if named is not None:
        return _opened(sitting, named)
    there = replace(sitting, view=View.SHELF)
    effect = FindDocuments(text, opens=True)
    return Done(there, f"opening what says “{' '.join(text)}”", (effect,))


@command(
    "(open | find | show [me] | go to) what i (wrote | did | said | worked on) [(on | last)]"
    " {day} [(morning | afternoon | evening)]",
    "(open | find | show [me] | go to) what i (wrote | did | said | worked on) {day:ago}",
    "what did i (write | work on) [(on | last)] {day} [(morning | afternoon | evening)]",
    "what did i (write | work on) {day:ago}",
    "(open | find | show [me]) <paper> (from | of | i wrote [on] | i wrote last) {day}",
    "(open | find | show [me]) <paper> (from | of | i wrote) {day:ago}",
    "(open | find | show [me]) (yesterday's | last night's) (letter | document | text | work)",
    heard=1,
    example="open what i wrote on tuesday",
    group="desk",
    when=_several,
)
def open_written(
    sitting: Sitting, day: int | None = None, ago: int | None = None
) -> Done | Refusal:
    """Open what was written on a day; of several documents, choose by number."""
    if sitting.now is None:
        return Refusal("The desk does not know what day it is.")
    today = sitting.now.date()
    wanted = day_meant(today, day, 1 if day is None and ago is None else ago)
    there = replace(sitting, view=View.SHELF)
    back = (today - wanted).days
    said = wanted.strftime("%A").lower() if back > 1 else ("today", "yesterday")[back]
    return Done(there, f"what was written {said}", (FindWritten(wanted.isoformat(), opens=True),))


@command(
    "open [document] number {number}",
    "document number {number}",
    "open [the] {position} (one | document | letter)",
    "open [the] document {number}",
    heard=1,
    example="open number two",
    group="desk",
    when=_on_shelf,
)
def open_numbered(
    sitting: Sitting, number: int | None = None, position: int | None = None
) -> Done | Refusal:
    """Open a document by its number on the shelf."""
    n = number if number is not None else position or 0
    names = tuple(f.name for f in sitting.found) or sitting.shelf
    if not 1 <= n <= len(names):
        return Refusal(f"There is no number {n} {'here' if sitting.found else 'on the shelf'}.")
    return _opened(sitting, names[n - 1])


def _opened(sitting: Sitting, name: str) -> Done:
    there = replace(sitting, view=View.DESK, question=None)
    return Done(there, f"opened “{name}”", (OpenDocument(name),))


@command(
    Way("{document}", when=_on_shelf), heard=1, example="ferry times", group="desk", when=_on_shelf
)
def open_named(sitting: Sitting, document: str) -> Done:
    """On the shelf, a document's name alone opens it."""
    return _opened(sitting, document)


def which(found: Sequence[FoundDocument]) -> Question | None:
    """Which of the documents that were found is to be opened."""
    options = tuple(Option(f"{f.name}: {f.words}", (("document", f.name),)) for f in found)
    return Question("shelf.open_named", {}, options, beside=True) if options else None


def _a_name(sitting: Sitting, parse: Parse) -> bool:
    """ "Save this as spring letter", and not a whole sentence about saving; what has no name yet
    gets that one."""
    words = parse.args.get("text", ())
    named = not sitting.title.startswith("Untitled")
    return named and 0 < len(words) <= 5 and words[0] not in ("a", "an")


def _named_nowhere(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words name a document, and nothing in the text."""
    named = parse.args.get("document")
    return named is not None and not exact(sitting.document, named.words)


@command(
    "(switch | change | swap) [back] [over] to [the] {document}",
    Way(
        "(i need | i want | let me) [to] (look at | see | get at | work on | get on with)"
        " [the] {document}",
        when=_named_nowhere,
    ),
    Way("where is [the] {document} open it", when=_named_nowhere),
    Way(
        "(close | leave | put down) (this [(one | letter | document)] | it)"
        " and (open | go [back] to | show me) [the] {document}",
        when=_several,
    ),
    Way("(go | go back | back | return | take me [back]) to [the] {document}", when=_named_nowhere),
    "(bring up | get out | take out | let me see) [the] {document} (again | instead)",
    Way(
        "(let me have | get me | give me | hand me | fetch me | bring up | get out | <wish>) [the]"
        " {document}",
        when=_named_nowhere,
    ),
    "(i want | let me) [to] (go | work) (on | in | with) [the] {document} (again | instead | now)",
    heard=1,
    example="switch to the rota",
    group="desk",
)
def switch(sitting: Sitting, document: str) -> Done:
    """Put another document on the desk."""
    return _opened(sitting, document)


@command(
    "[(go | switch | back | take me | change) [back] [to]] the (other | previous | last) document",
    "(switch | swap | change) (back | documents)",
    "(other | previous) document",
    "(go | switch | back | take me | change) [back] [to] the (other | previous) (one | letter |"
    " text | file)",
    "the (letter | text | one) i (had | was in) before",
    "(open | show [me] | bring back) the (other | previous | last) document",
    Way("(open | show me) the (other | previous) (one | letter | text | file)", when=_several),
    Way(
        "(close | leave | put down) (this [(one | letter)] | it) and (open | go [back] to"
        " | show me) the other (one | letter | document | text | file)",
        when=_several,
    ),
    Way(
        "(open | go [back] to | show me) the last (one | letter | document) i"
        " (was (in | working on | writing) | worked on | had [open] | wrote)",
        when=_several,
    ),
    "(go | switch) back to (what | where | the one) i was (writing | in | doing | working on)"
    " before",
    "the document [i (had | was in)] before",
    heard=1,
    example="the other document",
    group="desk",
    light=True,
)
def other_document(sitting: Sitting) -> Done | Refusal:
    """Go back to the document that was on the desk before this one."""
    before = [n for n in (*sitting.visited, *sitting.shelf)
              if n != sitting.title and n in sitting.shelf]  # fmt: skip
    if not before:
        return Refusal("There is no other document.", "", "“New document” begins one.")
    return _opened(sitting, before[0])


@command(
    "(copy | duplicate) (this | the) [whole] (document | letter)",
    "make a (copy | duplicate) of (this | it) [(called | named | and call it) {text:words}]",
    "(copy | duplicate) (this | the) (document | letter) (as | and call it) {text:words}",
    "(copy | duplicate) (this | the) (document | letter) for {whom:words}",
    "(make [me] | write | start) (another | a new) (one | letter | document) like (this | it) [one]"
    " [for {whom:words}]",
    "(another | a new) (letter | document) like this [one] [for {whom:words}]",
    "make a (copy | duplicate) of (this | the) (document | letter)"
    " [(called | named | as | and call it) {text:words}]",
    "make a (copy | duplicate) of [the] {document} [(called | named | and call it) {text:words}]",
    "(copy | duplicate) [the] {document} (as | and call it) {text:words}",
    Way(
        "save (this | it | (the | this | my) (document | letter | notice | page)) as {text:words}",
        when=_a_name,
    ),
    "(save | keep) a copy [of (this | it | (the | this | my) (document | letter))]"
    " [(called | named | as | and call it) {text:words}]",
    "<wish> a (copy | duplicate) of (this | it | (this | the) (document | letter))"
    " [(called | named | as | and call it) {text:words}]",
    heard=1,
    example="make a copy of this document",
    group="desk",
)
def copy_document(
    sitting: Sitting,
    document: str | None = None,
    text: tuple[str, ...] | None = None,
    whom: tuple[str, ...] = (),
) -> Done:
    """Put a copy of a document on the shelf, and write on in it; the first stays as it is."""
    name = document or sitting.title
    wanted = spoken_title(text) if text else f"{name} copy"
    wanted = f"{name} for {spoken_title(('for', *whom))[4:]}" if whom else wanted
    new = free_name(wanted, (*sitting.shelf, *sitting.away))
    there = replace(sitting, view=View.DESK, question=None)
    said = f"a copy of “{name}”, called “{new}”"
    return Done(there, said, (CopyDocument(name, new),))


@command(
    "put [the] {document} away",
    "put away [the] {document}",
    "put (this | the) (document | letter) away",
    Way("put this [one] away [for now]", when=_several),
    "(put | throw) (this | the) (document | letter) in the bin",
    "put away (this | the) (document | letter)",
    "away with (this | the) (document | letter)",
    "(put | take | clear) [the] {document} (off | away from) the shelf",
    "(put | take) (this | the) (document | letter) off the shelf",
    "(delete | remove | bin | throw away) the document [called] {document}",
    "(delete | remove | take) [the] {document} from the shelf",
    "(delete | remove | erase) ((this | the) [whole] (document | file) | this [whole] letter)",
    "(throw | chuck) [away] (this | the) [whole] (document | letter | file) [(away | out)]",
    "(bin | scrap | get rid of | ditch) (this | the) [whole] (document | letter | file)",
    "(archive | store away) ([the] {document} | (this | the) document)",
    heard=1,
    example="put the rota away",
    group="desk",
)
def put_away(sitting: Sitting, document: str | None = None) -> Done:
    """Take a document off the shelf; “bring back” and its name fetches it."""
    name = document or sitting.title
    return Done(
        replace(sitting, question=None),
        f"“{name}” is put away: “bring back {name.lower()}” fetches it",
        (PutAway(name),),
    )


@command(
    "(bring | get | fetch | take) back [the] {put_away}",
    "(bring | get | fetch | take | put) [the] {put_away} back [(to | on | onto) the shelf]",
    "(restore | recover | unarchive) [the] [document] {put_away}",
    "(bring | get | take) out [the] {put_away} again",
    "(bring | get | fetch | take) [the] {put_away} [back] out of the bin",
    "(bring | get | fetch | take) [the] {put_away} [back] from the bin",
    Way("(open | switch to) [the] {put_away}", when=lambda sitting, parse: bool(sitting.away)),
    heard=1,
    example="bring back the rota",
    group="desk",
)
def bring_back(sitting: Sitting, put_away: str) -> Done:
    """Put a document that was put away on the shelf again, and on the desk."""
    there = replace(sitting, view=View.DESK, question=None)
    return Done(there, f"“{put_away}” is back", (BringBack(put_away), OpenDocument(put_away)))


def _no_bin_here(sitting: Sitting, parse: Parse) -> bool:
    """A letter about bins asks that of somebody else."""
    return not exact(sitting.document, ("bin",))


def listed(names: Sequence[str], most: int = 9) -> str:
    """Names for the trail, so many that somebody takes them in."""
    found = ", ".join(f"“{name}”" for name in names[:most])
    return f"{found} and {len(names) - most} more" if len(names) > most else found


@command(
    "(what | which documents) (is | are | did i | have i) put away",
    "(what | which documents) (did i | have i) put away",
    "(show | list) [me] what (is | i) put away",
    Way("(what is | what's | show [me] what is | what have i) [got] in the bin", when=_no_bin_here),
    "(show | list) [me] the [documents] [that are] put away [documents]",
    heard=1,
    example="what is put away",
    group="desk",
    shows=True,
)
def show_away(sitting: Sitting) -> Done:
    """Tell which documents are put away."""
    if not sitting.away:
        return Done(sitting, "nothing is put away")
    return Done(replace(sitting, view=View.SHELF), f"put away: {listed(sitting.away)}")


@command(
    "(what | which) document (is this | am i in | is (on the desk | open))",
    "(what | which) (letter | text | page | paper | file) (is this | am i in | am i writing"
    " | are we in | is open)",
    "(what | which) document (am i writing | are we in | do i have open)",
    "what (is | was) (this | the) (document | letter) called",
    "[(what is | what's | tell me)] the (name | title) of (this | the) (document | letter | file)",
    "what's this (document | letter | one) called",
    "what is this (one | text | page) called",
    heard=1,
    example="which document is this",
    group="desk",
    shows=True,
)
def which_document(sitting: Sitting) -> Done:
    """Tell the name of the document on the desk, and how long it is."""
    count = sitting.document.count_words(sitting.document.whole)
    return Done(sitting, f"this is “{sitting.title}”, {count:,} words")
