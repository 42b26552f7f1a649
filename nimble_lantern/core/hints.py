"""What can be said now: a few phrases that fit this moment, made from the words in view."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.kinds import Attention, Judged, Lamp
from nimble_lantern.core.lexicon.closed import DULL
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.practice.watching import lesson_of, step_of
from nimble_lantern.core.reading.nearest import round_here
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.reviewing.passages import open_blanks
from nimble_lantern.core.state import Sitting, View
from nimble_lantern.core.targets.words import normal

MOST = 6
KNOWN = 6
"""Times that a command was done, from which on its hints make room for others."""
_VERBS = ("bold {}", "select {}", "go after {}", "delete {}")


def hints(sitting: Sitting) -> tuple[str, ...]:
    """At most six phrases, each of which would be read as a command just now."""
    if sitting.lamp is not Lamp.LIT:
        return ("start listening",)
    if sitting.attention is Attention.TEXT:
        return ("commands again",)
    found: list[str] = []
    away = {
        View.SHELF: _on_shelf,
        View.SETTINGS: _in_settings,
        View.COMMANDS: _in_commands,
        View.WORD_BOOK: _in_word_book,
        View.FIGURES: _in_figures,
        View.PASSAGES: _in_passages,
        View.PRACTICE: _in_practice,
        View.PRINT_TRAY: _in_tray,
        View.VERSIONS: _in_versions,
        View.TRAIL: _in_trail,
    }
    now = _spelling if sitting.tray is not None else away.get(sitting.view, _candidates)
    known: list[str] = []
    # What is hinted at is in view, so that it need not be looked for in all of a long text.
    near = sitting if sitting.question or sitting.aloud else round_here(sitting)
    for phrase in now(sitting):
        if phrase in found or phrase in known:
            continue
        command = _command_of(near, phrase) or _command_of(sitting, phrase)
        if command is None:
            continue
        uses = dict(sitting.uses).get(command, 0)
        (known if uses >= KNOWN and sitting.question is None else found).append(phrase)
        if len(found) == MOST:
            break
    return tuple((found + known)[:MOST])


def _on_shelf(sitting: Sitting) -> Iterator[str]:
    others = [title for title in reversed(sitting.shelf) if title != sitting.title]
    yield from (f"open {title.lower()}" for title in others[:2])
    yield from ("new document", "back to the desk", "stop listening")


def _in_settings(sitting: Sitting) -> Iterator[str]:
    other = "american" if sitting.settings.dialect == "british" else "british"
    state = "off" if sitting.settings.auto_punctuation else "on"
    yield from (f"automatic punctuation {state}", f"{other} conventions", "back to the desk")


def _in_commands(sitting: Sitting) -> Iterator[str]:
    yield from ("scroll down", "scroll up", "commands for moving about", "back to the desk")


def _in_word_book(sitting: Sitting) -> Iterator[str]:
    own = sitting.word_book.written[:1]
    yield from (f"remove {word.lower()} from the word book" for word in own)
    yield from ("add the lamp room to the word book", "scroll down", "back to the desk")


def _in_figures(sitting: Sitting) -> Iterator[str]:
    yield from ("scroll down", "show the word book", "back to the desk")


def _in_passages(sitting: Sitting) -> Iterator[str]:
    for passage in sitting.passages[:2]:
        yield f"insert {passage.name.lower()}"
    yield from ("export my passages", "back to the desk")


def _in_practice(sitting: Sitting) -> Iterator[str]:
    yield from ("start lesson one", "start lesson four", "check the microphone", "back to the desk")


def _in_tray(sitting: Sitting) -> Iterator[str]:
    yield from ("scroll down", "print this", "empty the print tray", "back to the desk")


def _in_versions(sitting: Sitting) -> Iterator[str]:
    for milestone in sitting.milestones[-2:]:
        yield f"compare with {milestone.name.lower()}"
    yield "back to the desk"


def _in_trail(sitting: Sitting) -> Iterator[str]:
    yield from ("older", "show what was not understood", f"what did you do at {sitting.number}")
    yield "back to the desk"


def _reading(sitting: Sitting) -> Iterator[str]:
    yield from ("stop", "wait", "stop there", "back a sentence", "next paragraph", "slower")


def _in_lesson(sitting: Sitting) -> Iterator[str]:
    if step_of(sitting) is None:
        yield "next lesson"
    yield from ("what do i say", "leave the lesson")


def _comparing(sitting: Sitting) -> Iterator[str]:
    yield from ("next change", "take this one back", "stop comparing")


def _in_cell(sitting: Sitting) -> Iterator[str]:
    yield from ("next", "next row", "add a row", "end table", "undo that")


def _at_blank(sitting: Sitting) -> Iterator[str]:
    yield from ("next blank", "leave it out", "undo that")


def _spelling(sitting: Sitting) -> Iterator[str]:
    assert sitting.tray is not None
    if sitting.question is not None:
        yield "one"
    if sitting.tray.letters:
        yield from ("that is it", "back one", "make the last letter a d", "start again")
    yield "cancel"


def _command_of(sitting: Sitting, phrase: str) -> str | None:
    """The command that a phrase would be just now; None if it would be none."""
    words = phrase.split()
    verdict = judge(sitting, words, True)
    if verdict.kind is Judged.COMMAND and verdict.parse is not None:
        return verdict.parse.command.name
    free = next((p for p in CATALOGUE.parses(words) if p.free), None)
    return free.command.name if free is not None else None  # its words are of the text


def _candidates(sitting: Sitting) -> Iterator[str]:
    if sitting.question is not None:
        count = len(sitting.question.options)
        if sitting.question.beside:
            yield from ("one", *(("two",) if count > 1 else ()))
            if sitting.question.corrects:
                yield from ("spell it", "show me more", "keep it", "cancel")
            yield from ("none of these", "undo that")
            return
        yield from ("one", "choose two" if count > 1 else "choose one", "the last one")
        yield from ("all of them", "cancel")
        return
    if sitting.attention is Attention.COMMANDS:
        yield "write again"
    if sitting.begun:
        yield from ("never mind", "that was text")
    if sitting.aloud is not None:
        yield from _reading(sitting)
    if lesson_of(sitting) is not None:
        yield from _in_lesson(sitting)
    if sitting.compared is not None:
        yield from _comparing(sitting)
    if open_blanks(sitting.document):
        yield from _at_blank(sitting)
    elif sitting.document.blocks[sitting.writing_place.block].cell is not None:
        yield from _in_cell(sitting)
    if sitting.selection is not None:
        yield from ("bold that", "delete that", "make that title case", "copy that")
        yield from ("select nothing", "cancel")
        return
    words = tuple(_phrases(sitting))
    if words:
        yield _VERBS[0].format(words[0])
    if sitting.trail and sitting.trail[-1].made:
        yield "undo that"
    if sitting.typing:
        yield f"{sitting.typing[-1][0]} off"
    if sitting.choices:
        yield "as digits"
        yield "as words"
    if (name := _unknown_name(sitting)) is not None:
        yield f"add {name} to the word book"
    if len(words) > 1:
        yield _VERBS[1].format(words[1])
    yield from ("new paragraph", "delete the last word")
    if sitting.history.ahead:
        yield "redo that"
    yield from ("show the shelf", "read it back", "show the lessons", "show my passages")
    yield from ("call this version first draft", "print this", "new document", "stop listening")


_OFTEN = 3
"""Times that a name stands in a document until it is proposed for the word book."""
_RARE = 3.0


def _unknown_name(sitting: Sitting) -> str | None:
    """A rare name that the document repeats, and that the word book lacks."""
    named = sitting.names.follow(sitting.document.blocks)
    for form in named.repeated(_OFTEN):
        rare = min(zipf(word) for word in form) < _RARE
        if rare and all(w.isalpha() for w in form) and sitting.word_book.find(form) is None:
            return " ".join(form)
    return None


def _phrases(sitting: Sitting) -> Iterator[str]:
    """Names and things near the writing place, one a paragraph, the nearest first."""
    here = sitting.writing_place
    for b in range(here.block, max(-1, here.block - 8), -1):
        block = sitting.document.blocks[b]
        words = [(block.text[s:e], s, e) for s, e in block.words]
        for i in range(len(words) - 1, 0, -1):
            (first, _, end), (second, start, _) = words[i - 1], words[i]
            pair = normal((first.lower(), second.lower()))
            if block.text[end:start] != " " or len(pair) != 2 or DULL & set(pair):
                continue
            if not all(w.isalpha() and len(w) > 2 for w in pair):
                continue
            name = first[0].isupper() and second[0].isupper()
            thing = i > 1 and words[i - 2][0].lower() == "the"
            if name or thing:
                yield f"{'the ' if thing else ''}{first.lower()} {second.lower()}"
                break


__all__ = ["hints"]
