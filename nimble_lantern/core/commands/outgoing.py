"""Out of the desk: files in the outbox, paper, backups; and closing the window."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.documents import spoken_title
from nimble_lantern.core.commands.versions.kept import with_milestone
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.effects import (
    BackUp,
    CheckAll,
    DropPrints,
    Export,
    Leave,
    PrintDocument,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command
from nimble_lantern.core.state import EXPORTED, Done, Question, Sitting, View

CATALOGUE.table(
    "format",
    {
        "[a | an] (word [document | file] | docx [file | document])": "docx",
        "[a | an] (open document [text | file] | o d t [file] | odt [file])": "odt",
        "[a] (p d f | pdf) [file | document]": "pdf",
        "[a | an] (html [file | page] | web page | h t m l [file])": "html",
        "[a] (markdown [file] | mark down [file])": "markdown",
        "[a] (plain text [file] | text file)": "text",
    },
)
NAMES = {
    "docx": "a Word document", "odt": "an open document", "pdf": "a PDF", "html": "a web page",
    "markdown": "Markdown", "text": "plain text",
}  # fmt: skip
CATALOGUE.table(
    "all_of_it", {"(this | it | the (document | letter | text | file) | everything)": True}
)
CATALOGUE.table("whole_text", {"[<all_of_it>]": True})


def _out(sitting: Sitting, document: str | None, form: str, text: tuple[str, ...] | None) -> Done:
    name = spoken_title(text) if text else document or sitting.title
    after = with_milestone(sitting, EXPORTED) if document is None else sitting
    said = f"{quoted(name)} goes into the outbox as {NAMES[form]}"
    return Done(replace(after, question=None), said, (Export(name, form),))


@command(
    "(save | export | keep | write out | put out | store) <whole_text> (as | to | in) {format}",
    "(save | export | keep) <whole_text> as {format} (called | named | under the name"
    " [of] | with the name) {text:words}",
    "(export | save) {format} [of (this | the document)]",
    "make {format} (of | from | out of) (this | it | the (document | letter | text))"
    " [(called | named) {text:words}]",
    "(turn | convert | make) (this | it | the (document | letter)) [into] {format}",
    "(i need | i want | give me) (this | it | the letter | the document) as {format}",
    "(export | save | write | put it) (as | to | into | in) {format}",
    "(<wish> | make | make me | create | produce | do me) {format} [(of | from | out of) (this | it"
    " | the (letter | document | text))]",
    "(this | it | the letter | the document) (as | in) {format} [please]",
    "(send | get | have | export | save | make | put) (this | it | the (letter | document) | a copy"
    " [of (this | it | the (letter | document))]) [(in | into | to) the (outbox | out box)] as"
    " {format} [(in | into | to) the (outbox | out box)]",
    "(give me | <wish>) {format}",
    heard=2,
    example="save this as a word document",
    group="desk",
    light=True,
)
def export(sitting: Sitting, format: str, text: tuple[str, ...] | None = None) -> Done:
    """Put the document into a file of the outbox, in the format you say."""
    return _out(sitting, None, format, text)


@command(
    "(send | put | move | copy) (this | it | the (document | letter)) [(to | in | into)] [the]"
    " (outbox | out box) [as {format}]",
    "export (this | it | the (document | letter)) [(to | into) the outbox]",
    heard=1,
    example="send this to the outbox",
    group="desk",
    light=True,
)
def send(sitting: Sitting, format: str = "docx") -> Done:
    """Put the document into the outbox, as a Word document unless you say otherwise."""
    return _out(sitting, None, format, None)


CATALOGUE.table("copies", {"(a copy | one copy | it once)": 1})


def _not_many(sitting: Sitting, parse: Parse) -> bool:
    number = parse.args.get("number", 1)
    return number is None or 1 <= number <= 99


def _printed(sitting: Sitting, copies: int = 1, first: int = 0, last: int = 0) -> Done | Refusal:
    if not any(b.text.strip() for b in sitting.document.blocks):
        return Refusal("There is nothing to print.", "", "Write something first.")
    pages = "" if not first else f", pages {first} to {last}" if last > first else f", page {first}"
    said = f"printing {quoted(sitting.title)}{pages}"
    if copies > 1:
        said += f", {copies} copies"
    effect = PrintDocument(copies, first, last)
    return Done(with_milestone(sitting, EXPORTED), said, (effect,))


@command(
    "print [out] [(this | it | that | the (document | letter | text) | everything)] [please | now]",
    "print [out] [me | us | for me] {number} copies [of (this | it | the (document | letter))]",
    "print [out] (this | it | the (document | letter)) {number:times}",
    "print [out] (this | it | the (document | letter)) in {number} copies",
    "print the (page | pages | lot)",
    "print (this | my) (letter | document | page | text | notice | list)",
    "print {number} of (these | them | this)",
    "(i want | i'd like | i need | make) {number} copies (printed | on paper | in print)",
    "(i need | i want | make) {number} (printed copies | prints | copies on paper)"
    " [of (this | it)]",
    "put (this | it | the (letter | document)) on paper",
    "print (it | this | the (letter | document)) out [(please | for me)]",
    "<wish> {number} printed (copy | copies) [of (this | it)]",
    "(send | pass) (that | <all_of_it>) to the printer",
    "run (that | <all_of_it>) off [on paper]",
    "(<wish> | make me | give me | get me | do me) a (print | printed copy | paper copy | printout)"
    " [of <all_of_it>]",
    "<wish> (it | this | the (letter | document)) on paper",
    "{number} copies [(on paper | printed)] [(please | and)] print (them | it | this)",
    "{number} (copies on paper | prints of (this | it | the (letter | document)))",
    "(print (a | one) copy | make (a | one) (printed | paper) copy) [of (this | it | the"
    " (document | letter))] [on paper]",
    heard=2,
    example="print this",
    group="desk",
    when=_not_many,
)
def print_document(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Print the document, as many copies as you say."""
    return _printed(sitting, number)


@command(
    "print [only | just] page {number}",
    "print [only | just] the {position} page",
    "print [only | just] pages {first:number} (to | through | and) {last:number}",
    "print [only | just] (the first | page one) page",
    heard=1,
    example="print page one",
    group="desk",
)
def print_pages(
    sitting: Sitting,
    number: int | None = None,
    position: int | None = None,
    first: int | None = None,
    last: int | None = None,
) -> Done | Refusal:
    """Print some pages of the document."""
    start = first or number or position or 1
    end = last or start
    if not 1 <= start <= end:
        return Refusal("There are no such pages.")
    return _printed(sitting, 1, start, end)


@command(
    *frames.opened("the print tray"),
    "what is in the print tray",
    "(show | list) [me] [the | my] (prints | printed pages)",
    "(show | see) [me] (it | this | the (document | letter)) as it (prints | will print | is"
    " printed)",
    "show [me] (how | what) (it | this) (looks | will look | is going to look) [like]"
    " (on paper | printed | when printed)",
    "(show | let) [me] [see] how (it | this | the (document | letter)) (prints | will print"
    " | comes out [on paper] | will come out [on paper])",
    "(what will it look like | how will it look | how does (it | this) look | what does (it | this)"
    " look like) (printed | on paper | when [it is] printed)",
    "how (will | would | does) (it | this) (print | come out | look) (on paper | printed)",
    "how (will | would | does) (it | this) (print | come out)",
    "[(show | see | open) [me]] [(the | a)] print preview",
    "preview please",
    "(let me see | show me | can i see) the (printed (page | pages | letter) | paper | print)",
    "show print number {number}",
    heard=1,
    example="show it as it prints",
    group="desk",
    shows=True,
)
def show_tray(sitting: Sitting, number: int = 0) -> Done:
    """Show the document as it prints, and what lies in the print tray."""
    after = replace(sitting, view=View.PRINT_TRAY, shown_print=number)
    count = many(len(sitting.jobs), "print")
    return Done(after, f"as it prints; {count} in the tray")


@command(
    "(empty | clear) the print tray",
    "(<remove> | <discard>) [all] the prints",
    "take print [number] {number} out of the tray",
    "(<remove> | <discard>) print [number] {number}",
    heard=1,
    example="empty the print tray",
    group="desk",
)
def empty_tray(sitting: Sitting, number: int = 0) -> Done | Refusal:
    """Take prints out of the tray; the documents stay."""
    if not sitting.jobs or number > len(sitting.jobs):
        return Refusal("There is no such print in the tray.")
    left = () if not number else tuple(j for n, j in enumerate(sitting.jobs, 1) if n != number)
    said = "the print tray is empty" if not number else f"print {number} is taken out"
    return Done(replace(sitting, jobs=left), said, (DropPrints(number),))


@command(
    "back everything up",
    "back up everything",
    "back (it | everything) [all] up",
    "back it all up",
    "(make | take | <wish> | do) a (backup | back up) [of (everything | it all)] [now]",
    "(save | copy) everything (somewhere safe | in a safe place)",
    "back up [(my | the | all [my])] (documents | letters | work | desk) [now]",
    heard=1,
    example="back everything up",
    group="desk",
    light=True,
)
def back_up(sitting: Sitting) -> Done:
    """Copy all documents, and everything that was said, into one file of the outbox."""
    return Done(sitting, "everything is being copied", (BackUp(),))


@command(
    "check (everything | all [my] documents | the desk | my documents) [now]",
    "is everything (saved | kept | safe)",
    heard=1,
    example="check everything",
    group="desk",
    light=True,
)
def check(sitting: Sitting) -> Done:
    """Build every document anew from what was said, and see that it is the same."""
    return Done(sitting, "checking", (CheckAll(),))


@command(
    "(close | quit | exit) [(the | this)] (nimble lantern | window | desk | program | application"
    " | app)",
    "(shut down | log out | sign out)",
    heard=1,
    example="close the window",
    group="desk",
)
def close(sitting: Sitting, sure: bool | None = None) -> Done:
    """Close the desk's window.  Everything is kept; asked once, as a helper may have to open it."""
    if sure is None:
        question = Question.whether("outgoing.close", "yes: close it", "no: leave it open")
        said = "the window will be closed, and opening it may take a hand: “yes” or “no”?"
        return Done(replace(sitting, question=question), said)
    if not sure:
        return Done(replace(sitting, question=None), "it stays open")
    return Done(replace(sitting, question=None), "closing", (Leave(),))


@command(
    "(restart | reload) [the] (desk | window | page | nimble lantern | program)",
    "start [the] (desk | nimble lantern | window) (again | anew)",
    heard=1,
    example="restart the desk",
    group="desk",
)
def restart(sitting: Sitting) -> Done:
    """Close the window and open it again; nothing is lost."""
    return Done(sitting, "starting again", (Leave(again=True),))
