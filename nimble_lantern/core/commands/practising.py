"""Guided practice: lessons that watch what is done."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.effects import BeginPractice, OpenDocument
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.practice.lessons import LESSONS, SHEET
from nimble_lantern.core.practice.practising import Practising
from nimble_lantern.core.practice.watching import lesson_of, step_of
from nimble_lantern.core.state import Done, Sitting, View

CATALOGUE.names("lesson", of=lambda sitting: [lesson.name for lesson in LESSONS], partial=True)


def _practises(sitting: Sitting, parse: Parse) -> bool:
    return lesson_of(sitting) is not None


def _at_lessons(sitting: Sitting, parse: Parse) -> bool:
    return sitting.view is View.PRACTICE or _practises(sitting, parse)


@command(
    "(practice | practise) now",
    *frames.opened("(the | my) (lessons | practice [page])"),
    "(show | open) [me] (lessons | practice)",
    "(what | which) lessons are there",
    "(i want to | let me | let's) (practise | practice | learn)",
    "(go to | show me) practice",
    "teach me how to use (this | the desk)",
    heard=1,
    example="show the lessons",
    group="desk",
    shows=True,
)
def show(sitting: Sitting) -> Done:
    """Show the lessons: ten of about two minutes, and a page to read aloud."""
    done = many(len(sitting.practised), "lesson")
    return Done(replace(sitting, view=View.PRACTICE), f"the lessons; {done} finished")


def _begun(sitting: Sitting, name: str) -> Done:
    after = replace(
        sitting, view=View.DESK, question=None, practising=Practising(name), compared=None
    )
    return Done(after, f"the lesson “{name}”", (BeginPractice(name),))


@command(
    "(start | begin | do | take | open) [the] lesson {number}",
    Way("lesson {number}", when=_at_lessons),
    "(start | begin | do | take) [the] lesson [called | about] {lesson}",
    "(practise | practice) (how to | to) {lesson}",
    "start [the] {position} lesson",
    heard=1,
    example="start lesson one",
    group="desk",
)
def begin(
    sitting: Sitting,
    number: int | None = None,
    lesson: str | None = None,
    position: int | None = None,
) -> Done | Refusal:
    """Begin a lesson on a sheet of its own; your document waits."""
    if lesson is None:
        n = number if number is not None else position or 0
        if not 1 <= n <= len(LESSONS):
            return Refusal(f"There is no lesson {n}.", "", f"There are {len(LESSONS)}.")
        lesson = LESSONS[n - 1].name
    return _begun(sitting, lesson)


@command(
    "[the] next lesson",
    "(go on to | start) the next lesson",
    Way("next", when=_practises),
    heard=1,
    example="next lesson",
    group="desk",
    when=_practises,
)
def next_lesson(sitting: Sitting) -> Done | Refusal:
    """Go on to the lesson after this one."""
    assert sitting.practising is not None
    names = [lesson.name for lesson in LESSONS]
    at = names.index(sitting.practising.lesson) + 1
    if at == len(names):
        return Refusal("That was the last lesson.", "", "“Leave the lesson” goes back.")
    return _begun(sitting, names[at])


@command(
    "[start] [(this | the)] lesson again",
    "(repeat | start over) (this | the) lesson",
    heard=1,
    example="the lesson again",
    group="desk",
    when=_practises,
)
def again(sitting: Sitting) -> Done:
    """Begin the lesson once more from its start."""
    assert sitting.practising is not None
    return _begun(sitting, sitting.practising.lesson)


@command(
    "(what do i say | give me a hint | help me | i do not know | i don't know | how)",
    heard=1,
    example="what do i say",
    group="desk",
    when=_practises,
)
def hint(sitting: Sitting) -> Done:
    """Tell what could be said for what the lesson asks."""
    step = step_of(sitting)
    if step is None or sitting.practising is None:
        return Done(sitting, "this lesson is done: “next lesson”, or “leave the lesson”")
    after = replace(sitting, practising=replace(sitting.practising, failures=2))
    return Done(after, f"say “{step.says}”")


@command(
    "(leave | stop | end | finish) ([the] lesson | practising | practicing | [the] practice)",
    "(no more | enough) practice",
    Way("(i am done | that is enough)", when=_practises),
    heard=1,
    example="leave the lesson",
    group="desk",
    when=_practises,
)
def leave(sitting: Sitting) -> Done:
    """Go back to the document you were writing."""
    there = [n for n in (*sitting.visited, *sitting.shelf) if n in sitting.shelf and n != SHEET]
    after = replace(sitting, practising=None, view=View.DESK)
    effects = (OpenDocument(there[0]),) if there else ()
    return Done(after, "the lesson is left", effects)
