"""What can be said now: a few phrases that fit this moment, made from the words in view."""

from __future__ import annotations

from collections.abc import Iterator

from wordfreq import zipf_frequency

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.kinds import Attention, Judged, Lamp
from nimble_lantern.core.lexicon.closed import DULL
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.state import Sitting, View
from nimble_lantern.core.targets.words import normal

MOST = 6
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
    }
    now = _spelling if sitting.tray is not None else away.get(sitting.view, _candidates)
    for phrase in now(sitting):
        if phrase not in found and _would_do(sitting, phrase):
            found.append(phrase)
        if len(found) == MOST:
            break
    return tuple(found)


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


def _spelling(sitting: Sitting) -> Iterator[str]:
    assert sitting.tray is not None
    if sitting.question is not None:
        yield "one"
    if sitting.tray.letters:
        yield from ("that is it", "back one", "make the last letter a d", "start again")
    yield "cancel"


def _would_do(sitting: Sitting, phrase: str) -> bool:
    words = phrase.split()
    if any(p.free for p in CATALOGUE.parses(words)):
        return True  # its words were just taken from the text
    return judge(sitting, words, True).kind is Judged.COMMAND


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
    yield from ("show the shelf", "new document", "stop listening")


_OFTEN = 3
"""Times that a name stands in a document until it is proposed for the word book."""
_RARE = 3.0


def _unknown_name(sitting: Sitting) -> str | None:
    """A rare name that the document repeats, and that the word book lacks."""
    named = sitting.names.follow(sitting.document.blocks)
    for form in named.repeated(_OFTEN):
        rare = min(zipf_frequency(word, "en") for word in form) < _RARE
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
