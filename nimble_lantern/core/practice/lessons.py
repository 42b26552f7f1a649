"""The lessons: what each asks for, and how it is seen that it was reached, by whatever words."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from rapidfuzz import fuzz

from nimble_lantern.core.document.model import Block, Document, Format, Kind
from nimble_lantern.core.kinds import Lamp

if TYPE_CHECKING:
    from nimble_lantern.core.state import Sitting

SHEET = "Practice sheet"
"""The name of the document that lessons are done on; it stands on no shelf."""
Reached = Callable[["Sitting", "Sitting"], bool]
"""(before, after) -> whether an utterance reached what a step asks for."""


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do: what is asked, what to say if it does not come by itself."""

    asks: str
    says: str
    reached: Reached


@dataclass(frozen=True, slots=True)
class Lesson:
    """A lesson of about two minutes, on a sheet with these paragraphs."""

    name: str
    about: str
    sheet: tuple[str, ...]
    steps: tuple[Step, ...]


def _text(sitting: Sitting) -> str:
    return "\n".join(block.text for block in sitting.document.blocks[1:])


def _says(*words: str, without: Sequence[str] = ()) -> Reached:
    def reached(before: Sitting, after: Sitting) -> bool:
        text = _text(after).lower()
        return all(w in text for w in words) and not any(w in text for w in without)

    return reached


def _longer(before: Sitting, after: Sitting) -> bool:
    return len(_text(after).split()) >= len(_text(before).split()) + 2


def _ended(before: Sitting, after: Sitting) -> bool:
    text = _text(after).rstrip()
    return _text(before) != _text(after) and text.endswith((".", "!", "?"))


def _as_at_first(before: Sitting, after: Sitting) -> bool:
    return after.history.head is None or _text(after) == _text_of(after)


def _text_of(sitting: Sitting) -> str:
    """What the sheet said when the lesson began."""
    assert sitting.practising is not None
    return "\n".join(named(sitting.practising.lesson).sheet)


def _brought_back(before: Sitting, after: Sitting) -> bool:
    return _text(before) == _text_of(before) and _text(after) != _text_of(after)


def _asks(before: Sitting, after: Sitting) -> bool:
    return after.question is not None and len(after.question.options) == 3


def _second(before: Sitting, after: Sitting) -> bool:
    r = after.selection
    if r is None:
        return False
    return after.document.text(r).lower() == "boat" and _text(after)[: r.start.offset].count(
        "boat"
    ) == (1)


def _items(count: int) -> Reached:
    def reached(before: Sitting, after: Sitting) -> bool:
        held = (b for b in after.document.blocks if b.kind is Kind.ITEM and b.text.strip())
        return sum(1 for _ in held) >= count

    return reached


def _no_more_list(before: Sitting, after: Sitting) -> bool:
    return after.document.blocks[after.caret.block].kind is Kind.PARAGRAPH and len(
        after.document.blocks
    ) > len(before.document.blocks) - 1 and any(
        b.kind is Kind.ITEM for b in after.document.blocks
    )  # fmt: skip


def _bold(before: Sitting, after: Sitting) -> bool:
    return any(
        s.mark == "bold" and "high water" in b.text[s.start : s.end].lower()
        for b in after.document.blocks[1:]
        for s in b.spans
    )


def _before_stair(before: Sitting, after: Sitting) -> bool:
    block = after.document.blocks[after.writing_place.block]
    return block.text[after.writing_place.offset :].lstrip().lower().startswith("stair")


def _at_the_end(before: Sitting, after: Sitting) -> bool:
    return after.writing_place == after.document.end and before.writing_place != after.writing_place


def _selected_fairy(before: Sitting, after: Sitting) -> bool:
    return after.question is not None and after.question.corrects or _ferry(before, after)


_ferry = _says("ferry", without=("fairy",))


def _rests(before: Sitting, after: Sitting) -> bool:
    return after.lamp is Lamp.LOW


def _wakes(before: Sitting, after: Sitting) -> bool:
    return before.lamp is Lamp.LOW and after.lamp is Lamp.LIT


_PAGE = (
    "The lamp of the Saltmarsh light stands forty feet above high water.",
    "Volunteers climb the stair each evening and write the weather in the log.",
    "On the last Sunday of the month the ferry brings visitors at ten past eleven.",
)


def _read(line: str) -> Reached:
    def reached(before: Sitting, after: Sitting) -> bool:
        last = after.trail[-1] if after.trail else None
        said = last.heard.lower() if last is not None else ""
        return fuzz.token_set_ratio(said, line.lower().rstrip(".")) >= 70

    return reached


def _checked(before: Sitting, after: Sitting) -> bool:
    last = after.trail[-1] if after.trail else None
    return last is not None and "check_microphone" in last.effects


LESSONS = (
    Lesson(
        "Speak a sentence",
        "Words that are no request are written down.",
        ("",),
        (
            Step("Say what you see at the lighthouse, in a few words.",
                 "the lamp is lit at dusk", _longer),
            Step("Go on, and end the sentence.", "and the stair is dry full stop", _ended),
        ),
    ),
    Lesson(
        "Take it back",
        "Nothing said is ever lost.",
        ("The stair is dry today.",),
        (
            Step("Say some words after the sentence.", "the lamp room is open", _longer),
            Step("Take them back.", "undo that", _as_at_first),
            Step("Bring them back again.", "redo that", _brought_back),
        ),
    ),
    Lesson(
        "Replace a word",
        "Say what should stand there instead.",
        ("The ferry leaves the quay at nine.",),
        (
            Step("It is a boat, and no ferry.", "replace ferry with boat",
                 _says("boat", without=("ferry",))),
            Step("It leaves the harbour, and not the quay.", "change the quay to the harbour",
                 _says("harbour", without=("quay",))),
        ),
    ),
    Lesson(
        "Choose by number",
        "Where words stand in several places, the desk asks which.",
        ("The first boat is blue, the second boat is red, and the third boat is white.",),
        (
            Step("Select the word boat.", "select boat", _asks),
            Step("Take the one in the middle.", "two", _second),
        ),
    ),
    Lesson(
        "Make a list",
        "Items begin and end by saying so.",
        ("To bring:",),
        (
            Step("Begin a list, and say its first item.", "new bullet lamp oil", _items(1)),
            Step("Say a second item.", "next item a torch", _items(2)),
            Step("Leave the list.", "end list", _no_more_list),
        ),
    ),
    Lesson(
        "Make words stand out",
        "Say how they should look, and the words.",
        ("Come an hour before high water.",),
        (Step("Make “high water” bold.", "bold high water", _bold),),
    ),
    Lesson(
        "Move about",
        "Go to words by saying them.",
        ("The stair is steep. Hold the rail.",),
        (
            Step("Put the writing place before “stair”.", "go before stair", _before_stair),
            Step("Write the word iron there.", "iron", _says("iron stair")),
            Step("Go back to the end of the text.", "go to the end of the document", _at_the_end),
        ),
    ),
    Lesson(
        "Correct a word",
        "What was misheard is put right by its name.",
        ("The fairy leaves at noon.",),
        (
            Step("“Fairy” was misheard: ask for it to be corrected.", "correct fairy",
                 _selected_fairy),
            Step("Take “ferry”, or say it again.", "i said ferry", _ferry),
        ),
    ),
    Lesson(
        "Spell a name",
        "What cannot be heard is spelled.",
        ("The keeper is Ida",),
        (
            Step("Spell her second name, Marlowe, behind Ida.",
                 "spell capital m a r l o w e", _says("marlowe")),
        ),
    ),
    Lesson(
        "Rest and wake",
        "The lamp goes low when you are spoken to by others.",
        ("",),
        (
            Step("Let the desk rest.", "stop listening", _rests),
            Step("Wake it again.", "start listening", _wakes),
        ),
    ),
    Lesson(
        "Read a page aloud",
        "So the desk gets to know your voice, and you see how the microphone sounds.",
        _PAGE,
        (
            *(Step(f"Read the {nth} sentence aloud.", line.lower().rstrip("."), _read(line))
              for nth, line in zip(("first", "second", "third"), _PAGE, strict=True)),
            Step("Ask how the microphone sounds.", "check the microphone", _checked),
        ),
    ),
)  # fmt: skip
_NAMED = {lesson.name: lesson for lesson in LESSONS}


def named(name: str) -> Lesson:
    return _NAMED[name]


def sheet(name: str) -> Document:
    """The practice sheet of a lesson: a heading, and its paragraphs."""
    lesson = named(name)
    heading = Block(lesson.name).formatted(Format(Kind.HEADING, 1))
    return Document((heading, *(Block(text) for text in lesson.sheet)))
