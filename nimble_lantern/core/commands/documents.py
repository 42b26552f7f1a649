"""Documents by name: new, open, name, the shelf; and the prompter."""

from __future__ import annotations

from dataclasses import dataclass, replace

from rapidfuzz import fuzz, process

from nimble_lantern.core.effects import (
    Effect,
    NameDocument,
    NewDocument,
    OpenDocument,
    Prompt,
    ShowDesk,
    ShowShelf,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command, rule
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.words import normal
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write

SURE = 85.0


@dataclass(frozen=True, slots=True)
class Name:
    """A document or script named by words, not yet looked up."""

    words: tuple[str, ...]
    kind: str = "document"


@rule("document", "{words}")
def _document(words: tuple[str, ...]) -> Name:
    return Name(words)


@rule("script", "{words}")
def _script(words: tuple[str, ...]) -> Name:
    return Name(words, "script")


def look_up(name: Name, sitting: Sitting) -> str | None:
    """The document or script that is meant; None if nothing is called like that."""
    names = sitting.shelf if name.kind == "document" else sitting.scripts
    by_words = {normal(tuple(n.lower().split())): n for n in names}
    wanted = normal(name.words)
    for attempt in (wanted, wanted[1:] if wanted[:1] == ("the",) else wanted):
        if attempt in by_words:
            return by_words[attempt]
    spoken = {" ".join(k): n for k, n in by_words.items()}
    bare = " ".join(w for w in wanted if w != "the")
    best = process.extractOne(bare, list(spoken), scorer=fuzz.ratio, score_cutoff=SURE)
    return spoken[best[0]] if best else None


def _title(words: tuple[str, ...]) -> str:
    return capitalised(write(words, Place(), Manner()).text)


def _effect(sitting: Sitting, summary: str, effect: Effect) -> Done:
    return Done(replace(sitting, question=None), summary, (effect,))


@command(
    "(new | start a new | make a new | begin a new | create a new) document",
    "(new | start a new | make a new) document (called | named) {text}",
    example="new document",
    group="desk",
)
def new_document(sitting: Sitting, text: tuple[str, ...] | None = None) -> Done:
    """Begin a new document, with a name if you say one."""
    name = _title(text) if text else None
    return _effect(sitting, f"a new document{f' called “{name}”' if name else ''}",
                   NewDocument(name))  # fmt: skip


@command(
    "open [the] [document] {document}",
    "(go to | switch to | show [me]) [the] document {document}",
    example="open ferry times",
    group="desk",
)
def open_document(sitting: Sitting, document: str) -> Done:
    """Open a document by its name."""
    return _effect(sitting, f"opened “{document}”", OpenDocument(document))


@command(
    "(show | open) [me] the shelf",
    "(show | what are) [me] [all] my documents",
    "go to the shelf",
    example="show the shelf",
    group="desk",
)
def show_shelf(sitting: Sitting) -> Done:
    """Show all your documents."""
    return _effect(sitting, "the shelf", ShowShelf())


@command(
    "(show | back to | go [back] to) the desk",
    "close the (shelf | settings | page)",
    example="back to the desk",
    group="desk",
)
def show_desk(sitting: Sitting) -> Done:
    """Go back from the shelf to the document you were writing."""
    return _effect(sitting, "the desk", ShowDesk())


@command(
    "(name | call) (this | the) document {text}",
    "rename (this | the) document [(as | to)] {text}",
    example="name this document spring letter",
    group="desk",
)
def name_document(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Give the document on the desk another name."""
    name = _title(text)
    if name in sitting.shelf and name != sitting.title:
        return Refusal(f"Another document is called “{name}”.", "", "Say another name.")
    after = replace(sitting, title=name)
    return _effect(after, f"this document is called “{name}”", NameDocument(name))


CATALOGUE.table("misheard", {"with mistakes": True, "[and] make mistakes": True})


@command(
    "(start | play) the prompter [{mistakes:misheard}]",
    "let the prompter (speak | read) {script} [{mistakes:misheard}]",
    "(play | prompt) [the] script {script} [{mistakes:misheard}]",
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
