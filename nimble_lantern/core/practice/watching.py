"""Seeing whether an utterance reached what a lesson asks for."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.practice.lessons import SHEET, Lesson, Step, named
from nimble_lantern.core.state import Sitting

PATIENCE = 2
"""Tries without reaching a step, after which the lesson says what to say."""


def lesson_of(sitting: Sitting) -> Lesson | None:
    """The lesson that is being practised on the sheet."""
    now = sitting.practising
    return named(now.lesson) if now is not None and sitting.title == SHEET else None


def step_of(sitting: Sitting) -> Step | None:
    """What is asked for now; None where the lesson is done."""
    lesson, now = lesson_of(sitting), sitting.practising
    if lesson is None or now is None or now.step >= len(lesson.steps):
        return None
    return lesson.steps[now.step]


def watched(before: Sitting, after: Sitting) -> Sitting:
    """With what an utterance came to in the lesson that is being practised."""
    now, step = after.practising, step_of(after)
    if now is None or step is None or before.practising is not now:
        return after
    if step.reached(before, after):
        done = replace(now, step=now.step + 1, failures=0, told="that is it")
        known = after.practised
        if now.step + 1 == len(named(now.lesson).steps) and now.lesson not in known:
            known = (*known, now.lesson)
        return replace(after, practising=done, practised=known)
    last = after.trail[-1]
    if last.read_as is ReadAs.IGNORED and after.lamp is before.lamp:
        return after
    return replace(after, practising=replace(now, failures=now.failures + 1, told="not yet"))
