"""Documents by name: new, open, name, the shelf; and the prompter."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.effects import (
    DeleteForGood,
    Effect,
    ForgetUndone,
    NameDocument,
    NewDocument,
    OpenDocument,
    Prompt,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, rule
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.names import ALSO_GIVEN, GIVEN, KIN_TITLES, LONG_TITLES, TITLES
from nimble_lantern.core.state import Done, Question, Sitting, View
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write

CATALOGUE.names("document", of=lambda sitting: sitting.shelf, partial=True, nouns=("document",))
CATALOGUE.names("script", of=lambda sitting: sitting.scripts)


CATALOGUE.table(
    "new_paper",
    {
        **{
            name: name
            for name in (
                "letter",
                "notice",
                "newsletter",
                "report",
                "rota",
                "invitation",
                "speech",
                "poem",
                "story",
                "recipe",
                "card",
                "email",
                "message",
                "document",
            )
        },
        "[set of] minutes": "minutes",
    },
    heard=False,
)


@rule("paper_for", "{paper:new_paper} {whose:for_whom} {words}", heard=False)
def _paper_for(paper: str, whose: str, words: tuple[str, ...]) -> tuple[str, ...]:
    """ "Letter to the water company", which is a name for it."""
    return (*paper.split(), whose, *words)


CATALOGUE.table("for_whom", {"to": "to", "for": "for", "about": "about"}, heard=False)


def spoken_title(words: tuple[str, ...]) -> str:
    return capitalised(write(words, Place(), Manner()).text)


def free_name(wanted: str, taken: Collection[str]) -> str:
    """The name, with a number behind it if another document has it."""
    name, n = wanted, 2
    known = {other.casefold() for other in taken}
    while name.casefold() in known:
        name, n = f"{wanted} {n}", n + 1
    return name


def _effect(sitting: Sitting, summary: str, effect: Effect) -> Done:
    return Done(replace(sitting, question=None), summary, (effect,))


def _nothing_written(sitting: Sitting, parse: Parse) -> bool:
    """ "New page", before anything is written; later it may be a sheet of paper."""
    return not any(block.text.strip() for block in sitting.document.blocks)


_LETTER = "(letter | note | card | email | e mail | message | postcard)"
_WISH_TO = (
    "(i (want | need | have | would like) to | i'd like to | i've got to | let's | let us | let me"
    " | can we | help me [to])"
)


def _greets_nobody(sitting: Sitting, parse: Parse) -> bool:
    """ "New letter to Mr Novak" begins it where the page is empty."""
    _, *rest = parse.args.get("text", ("", ""))
    return not (rest[:1] == ["to"] and _is_somebody(rest[1:]) and _nothing_written(sitting, parse))


_OF_PEOPLE = TITLES.keys() | LONG_TITLES | KIN_TITLES | GIVEN | ALSO_GIVEN


def _is_somebody(words: Sequence[str]) -> bool:
    return bool(words) and words[0] in _OF_PEOPLE


def _to_somebody(sitting: Sitting, parse: Parse) -> bool:
    """ "A letter to Mr Novak", by somebody's name; one to the council has another greeting."""
    words = tuple(parse.args.get("words", ()))
    return _is_somebody(words) and _nothing_written(sitting, parse)


@command(
    f"{_WISH_TO} (write | do | start | begin) (a | an | another) [new] {_LETTER} to {{words}}",
    f"(start | begin | make | write) [me] (a | an | another) [new] {_LETTER} to {{words}}",
    f"[a] new {_LETTER} to {{words}}",
    example="i want to write a letter to ida",
    group="writing",
    heard=0,
    when=_to_somebody,
)
def greet(sitting: Sitting, words: tuple[str, ...]) -> Done:
    """Begin a letter on an empty page with its greeting."""
    wrote = compose(sitting, ("dear", *words, "comma", "new", "paragraph"))
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}; “that was text” writes what you said")


@command(
    "(new | start a new | make a new | begin a new | create a new) document",
    "(start | make [me] | begin | create | open | give me | get me | <wish>) (a new | another"
    " | a fresh | a blank | an empty | a clean | new) (document | letter | file | sheet)",
    "new (letter | file | sheet)",
    Way("[a] (new | fresh | clean | blank) page", when=_nothing_written),
    "start (a (letter | document) | again on a new (sheet | page))",
    "(start | begin | make | open | give me) [me] (a | some | the) new <new_paper> [for me]",
    "(save | keep | finish) (it | this | that) and (start | begin | open | make) (a new | another)"
    " (one | document | letter)",
    "(new | start a new | make a new) (document | letter) (called | named | [and] call it) {text}",
    Way(
        "[(start | make [me] | begin | create | open | give me | <wish>)] (a new | another | a"
        " fresh | new) {text:paper_for}",
        when=_greets_nobody,
    ),
    "[(start | make [me] | begin | create | open | give me | <wish>)] (a new | another | a fresh"
    " | a | new) (document | letter | file) (called | named | with the name | and call it) {text}",
    example="new document",
    group="desk",
)
def new_document(sitting: Sitting, text: tuple[str, ...] | None = None) -> Done:
    """Begin a new document, with a name if you say one."""
    taken = (*sitting.shelf, *sitting.away)
    name = free_name(spoken_title(text) if text else "Untitled", taken)
    there = replace(sitting, view=View.DESK)
    return _effect(there, f"a new document called “{name}”", NewDocument(name))


@command(
    f"{_WISH_TO} (write | do | start | begin | make) (a | an | the | my | some | another) [new]"
    " <new_paper> [{whose:for_whom} {words}]",
    "(start | begin | make) [me] (a | an | the | my | some) <new_paper> [{whose:for_whom} {words}]",
    "[a] new <new_paper> {whose:for_whom} {words}",
    example="i want to write a letter",
    group="desk",
    heard=0,
    when=_nothing_written,
)
def empty_page(sitting: Sitting, words: tuple[str, ...] = (), whose: str = "") -> Done:
    """Say how a letter is begun on a page where nothing is written yet."""
    told = "this page is empty: begin a letter with “dear” and a name, anything else with “title”"
    told += " and words for its title"
    return Done(sitting, f"{told}; “that was text” writes what you said")


@command(
    "open [up] [the | my] [(document | letter | file | text | paper)] {document}",
    "(go to | switch to | show [me]) [the] document {document}",
    "(bring up | call up | pull up) [me] [the | my] [document] {document}",
    example="open ferry times",
    group="desk",
)
def open_document(sitting: Sitting, document: str) -> Done:
    """Open a document by its name."""
    there = replace(sitting, view=View.DESK)
    return _effect(there, f"opened “{document}”", OpenDocument(document))


@command(
    *frames.opened("the shelf"),
    "(show | open | see | list) [me] [all] my (documents | letters | papers | texts)",
    "let me (see | look at) [all] my (documents | letters | papers | texts)",
    "(go | take me) to my (documents | letters)",
    "what are [all] my documents",
    *frames.listed("[other] (documents | letters | papers)"),
    "(show | tell) me what i have (written | got)",
    "what (have i | did i) (written | write) so far [besides this]",
    example="show the shelf",
    group="desk",
    shows=True,
)
def show_shelf(sitting: Sitting) -> Done:
    """Show all your documents."""
    return Done(replace(sitting, view=View.SHELF), "the shelf")


def _elsewhere(sitting: Sitting, parse: Parse) -> bool:
    """ "Back to my text", said on the shelf or the settings; at the desk it may be a place."""
    return sitting.view is not View.DESK


@command(
    "(show | back to | go [back] to) the desk",
    "close the (shelf | settings | page)",
    Way(
        "[go] (back | return) to (my | the) (text | writing | letter | page | document | work)",
        when=_elsewhere,
    ),
    Way(
        "(back | go back | close | (close | leave | exit | shut) (this | that | it | here) [page]"
        " | leave | exit | done | i'm done [here] | finished | that's enough | that's all"
        " | (get | take) me (out of here | back))",
        when=_elsewhere,
    ),
    example="back to the desk",
    group="desk",
)
def show_desk(sitting: Sitting) -> Done:
    """Go back from the shelf to the document you were writing."""
    return Done(replace(sitting, view=View.DESK), "the desk")


def _a_title(sitting: Sitting, parse: Parse) -> bool:
    """ "Call this letter scraps"; "call this letter a disgrace" is a sentence."""
    text = tuple(parse.args.get("text", ()))
    named = not LITTLE.issuperset(text)  # "call the whole thing off" names nothing
    return named and len(text) <= _LONGEST_TITLE and text[0] not in ("a", "an", "what", "it")


_LONGEST_TITLE = 5


def _a_title_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Call this one scraps"; among the versions, one of those."""
    return sitting.view is not View.VERSIONS and _a_title(sitting, parse)


def _a_paper(sitting: Sitting, parse: Parse) -> bool:
    """ "Call this the letter to the board"; "call this the end" is a sentence."""
    text = tuple(parse.args.get("text", ("",)))
    paper = text[0] in _PAPERS or text[-1] in _PAPERS
    return paper and sitting.view is not View.VERSIONS and _a_title(sitting, parse)


_PAPERS = frozenset(
    "letter notice rota minutes newsletter report recipe poem story diary invitation form speech"
    " article leaflet quiz application".split()
)


def _of_an_empty_page(sitting: Sitting, parse: Parse) -> bool:
    """ "Call it spring fair", before anything is written, after its name was told, or after
    anything was done while it has none."""
    empty = not any(block.text.strip() for block in sitting.document.blocks)
    last = sitting.trail[-1] if sitting.trail else None
    asked = last is not None and (last.command or "").endswith(".which_document")
    done = last is not None and last.read_as is ReadAs.COMMAND and _has_no_name(sitting, parse)
    place = sitting.writing_place
    left = sitting.document.blocks[place.block].text[: place.offset].rstrip()
    few = len(parse.args.get("text", ())) <= _SHORT_TITLE and left[-1:] in (*".?!",)
    return (empty or asked or done and few) and _a_title(sitting, parse)


_SHORT_TITLE = 3


def _has_no_name(sitting: Sitting, parse: Parse) -> bool:
    """A letter without a name gets one; of one that has a name, another is made, and what is
    selected is kept as a passage."""
    unnamed = sitting.title.startswith(_UNNAMED)
    return unnamed and _a_title(sitting, parse) and not (sitting.selection and sitting.fresh)


_UNNAMED = "Untitled"


@command(
    "(name | call | title) (this | the) document {text}",
    "rename (this | the) document [(as | to)] {text}",
    Way("(name | call) (this | the) (letter | text | page | paper | notice) {text}", when=_a_title),
    Way("(call | name) (it | this) {text}", when=_of_an_empty_page),
    Way("(call | name) this one {text}", when=_a_title_here),
    Way("(call | name) this the {text}", when=_a_paper),
    Way(
        "give (it | this | the (letter | document)) a (new | better | proper) name {text}",
        when=_a_title,
    ),
    Way("(call | name) the whole (thing | letter | text | document) {text}", when=_a_title),
    Way(
        "(save | store) (it | this | (the | this | my) (letter | document | file | notice | page))"
        " (as | under [the name [of]]) {text}",
        when=_has_no_name,
    ),
    Way("rename (it | this | the letter) [(as | to)] {text}", when=_a_title),
    Way("give (it | this | the (letter | document)) the name {text}", when=_a_title),
    Way("change (its name | the name [of (it | this | the document)]) to {text}", when=_a_title),
    Way("the name of (it | this | the document | the letter) <shall> be {text}", when=_a_title),
    example="name this document spring letter",
    group="desk",
)
def name_document(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Give the document on the desk another name."""
    name = spoken_title(text)
    others = (n for n in (*sitting.shelf, *sitting.away) if n != sitting.title)
    if name.casefold() in {n.casefold() for n in others}:
        return Refusal(f"Another document is called “{name}”.", "", "Say another name.")
    after = replace(sitting, title=name)
    return _effect(after, f"this document is called “{name}”", NameDocument(name))


@command(
    "(delete | remove | erase) (this | the) document for (good | ever)",
    "(delete | remove | erase) {document} for (good | ever)",
    "(delete | remove | erase) the document [called] {document} for (good | ever)",
    example="delete this document for good",
    group="desk",
    destructive=True,
)
def delete_for_good(
    sitting: Sitting, document: str | None = None, sure: bool | None = None
) -> Done | Refusal:
    """Remove a document with everything ever said to it; nothing brings it back.  Asked once."""
    name = document or sitting.title
    if sure is None:
        yes, no = f"yes: delete “{name}” for good", "no: keep it"
        question = Question.whether("documents.delete_for_good", yes, no, document=name)
        return Done(
            replace(sitting, question=question),
            f"“{name}” and all that was said to it will be gone, and “undo” cannot bring it back: "
            "“yes” or “no”?",
        )
    if not sure:
        return Done(replace(sitting, question=None), f"“{name}” is kept")
    return _effect(sitting, f"“{name}” is deleted for good", DeleteForGood(name))


@command(
    "forget (what | everything that | all that) was undone [before today]",
    "forget everything undone [before today]",
    example="forget what was undone before today",
    group="desk",
    destructive=True,
)
def forget_undone(sitting: Sitting, sure: bool | None = None) -> Done | Refusal:
    """Remove the words of all that was undone before today, in all documents.  Asked once."""
    if sure is None:
        question = Question.whether("documents.forget_undone", "yes: forget it", "no: keep it")
        return Done(
            replace(sitting, question=question),
            "what was undone before today, in all documents, will be gone, and “redo” cannot bring "
            "it back: “yes” or “no”?",
        )
    if not sure:
        return Done(replace(sitting, question=None), "nothing is forgotten")
    return _effect(sitting, "what was undone before today is forgotten", ForgetUndone())


CATALOGUE.table("misheard", {"with mistakes": True, "[and] make mistakes": True})


@command(
    "(start | play) the prompter [{mistakes:misheard}]",
    "let the prompter (speak | read) {script} [{mistakes:misheard}]",
    "(play | prompt) [[the] script] {script} [{mistakes:misheard}]",
    example="start the prompter",
    group="desk",
)
def start_prompter(
    sitting: Sitting, script: str | None = None, mistakes: bool = False
) -> Done | Refusal:
    """Let the prompter speak a script; “with mistakes”, to practise putting them right."""
    if script is None and not sitting.scripts:
        return Refusal("There is no script to speak.")
    name = script or sitting.scripts[0]
    how = " with mistakes" if mistakes else ""
    return _effect(sitting, f"the prompter speaks “{name}”{how}", Prompt(name, mistakes))


@command("stop the prompter", "(be quiet | quiet) prompter", example="stop the prompter",
         group="desk")  # fmt: skip
def stop_prompter(sitting: Sitting) -> Done:
    """Let the prompter be silent."""
    return _effect(sitting, "the prompter is silent", Prompt(None))
