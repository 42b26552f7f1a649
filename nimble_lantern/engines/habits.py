"""How one speaker usually sounds: from it come the limits beyond which it may be nobody's speech.

Of the last hundred utterances that stood, numbers are kept, and no sound and no words.
"""

from __future__ import annotations

import json
from collections import deque
from collections.abc import Iterable
from dataclasses import asdict, dataclass, fields, replace

from nimble_lantern.core.reading.hearing import Hearing, Usual, pace
from nimble_lantern.engines.builtin.cutter import PATIENCE, Patience

MOST = 100
LEAST = 20
"""Utterances from which a speaker's own limits are known."""
_TOLD_EVERY = 5
"""Utterances between two writings to the disk."""
_THOUGHT = 0.75
"""Seconds: who goes on with a text before that was thinking, and not at an end."""
_ENDING, _CLIPPED = 0.25, 0.15
"""Seconds of a pause that ends an utterance, and of it that the detector counts to the speech."""
_MOST_HELD, _STEP = 0.6, 0.1
_EVERYBODY = Usual()
_SURE_LIMITS, _QUIET_LIMITS = (0.2, 0.45), (10.0, 20.0)
_PACE_LIMITS = (4.0, _EVERYBODY.fastest)
_HALF, _BELOW, _FASTER = 0.5, 8.0, 1.6
"""How far from what is usual the limits are: half as sure as the least sure in twenty, so many
decibels below the quietest in twenty, and so much faster than the fastest in twenty."""


@dataclass(frozen=True, slots=True)
class Measured:
    """One utterance: decibels `below` the usual level of its hour, words a second (`pace`), the
    longest pause in a thought in seconds, and the mean posterior with the engine that gave it.

    0 for a pace and a `sure` that cannot be told.
    """

    below: float
    pace: float
    pause: float
    sure: float
    source: str = ""


def measured(hearing: Hearing, goes_on: bool, text: bool) -> Measured:
    """What a hearing tells of its speaker; `goes_on` where a text goes on, `text` where it is one.

    The words of a command are the grammar's, and their posteriors tell nothing.
    """
    words = hearing.hypotheses[0].words if hearing.hypotheses else ()
    inner = max((b.start - a.end for a, b in zip(words, words[1:], strict=False)), default=0.0)
    before = hearing.pause if goes_on and hearing.pause < _THOUGHT else 0.0
    sure = sum(w.confidence for w in words) / len(words) if words and text else 0.0
    return Measured(hearing.quieter, pace(words), max(inner, before), sure, hearing.source)


class Habits:
    """The last hundred utterances of a speaker, and what follows from them."""

    def __init__(self) -> None:
        self._kept: deque[Measured] = deque(maxlen=MOST)
        self._told = 0

    def accustom(self, kept: bytes) -> None:
        """Go on from what was kept; from nothing, if that is damaged."""
        names = {f.name for f in fields(Measured)}
        self._kept.clear()
        self._told = 0
        try:
            rows = json.loads(kept.decode("utf-8")) if kept else []
            found = [Measured(**{k: v for k, v in row.items() if k in names}) for row in rows]
            numbers = [n for m in found for n in (m.below, m.pace, m.pause, m.sure)]
            if not all(isinstance(n, int | float) for n in numbers):
                return
        except (ValueError, TypeError, AttributeError):
            return
        self._kept.extend(found)

    def accepted(self, utterance: Measured) -> None:
        self._kept.append(utterance)
        self._told += 1

    def learned(self) -> bytes | None:
        """What is to be kept, if enough was learned since the last time."""
        if self._told < _TOLD_EVERY:
            return None
        self._told = 0
        return json.dumps([asdict(m) for m in self._kept]).encode("utf-8")

    @property
    def measured(self) -> tuple[Measured, ...]:
        """The utterances, the oldest first."""
        return tuple(self._kept)

    @property
    def known(self) -> bool:
        return len(self._kept) >= LEAST

    def usual(self, source: str) -> Usual:
        """The speaker's own limits, for what an engine heard; everybody's before they are known."""
        sure = [m.sure for m in self._kept if m.sure and m.source == source]
        paces = [m.pace for m in self._kept if m.pace]
        below = [m.below for m in self._kept]
        usual = _EVERYBODY
        if len(sure) >= LEAST:
            least = _within(_HALF * _share(sure, 0.05), _SURE_LIMITS)
            usual = replace(usual, least_confidence=least)
        if len(below) >= LEAST:
            most = _within(_share(below, 0.95) + _BELOW, _QUIET_LIMITS)
            usual = replace(usual, most_quieter=most)
        if len(paces) >= LEAST:
            fastest = _within(_FASTER * _share(paces, 0.95), _PACE_LIMITS)
            usual = replace(usual, fastest=fastest)
        return usual

    def patience(self, named: str) -> Patience:
        """As the setting says; with the usual one, who pauses to think is waited for longer."""
        usual = PATIENCE[named]
        return replace(usual, hold=usual.hold + self.hold) if named == "normal" else usual

    @property
    def advice(self) -> str:
        """What there is to tell of how they speak; nothing of most."""
        if not (hold := self.hold):
            return ""
        return f" You pause while you think, so {hold:.1f} seconds more are waited for."

    @property
    def hold(self) -> float:
        """Seconds that are waited besides, before an utterance counts as ended: as long as three
        quarters of the speaker's utterances need, in steps of a tenth."""
        if not self.known:
            return 0.0
        usual = _share([m.pause for m in self._kept], 0.75)
        needed = min(_MOST_HELD, usual + _CLIPPED) if usual > _ENDING else 0.0
        return round(needed / _STEP) * _STEP


def _share(values: Iterable[float], share: float) -> float:
    """The value that such a share of all is not above."""
    ordered = sorted(values)
    return ordered[min(len(ordered) - 1, round(share * (len(ordered) - 1)))]


def _within(value: float, limits: tuple[float, float]) -> float:
    return min(limits[1], max(limits[0], value))
