"""The browser's recogniser (W3C Web Speech API) beside the built-in one.

The built-in engine hears the same sound, so that commands stay exact: what it is sure is a command
is done at once, and the browser's words for it are dropped.  Otherwise its hearing waits for the
browser's words.  The interface gives no times, so results are matched to utterances by order.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from rapidfuzz import fuzz

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis

PATIENCE_SECONDS = 2.5
"""How long an utterance waits for the browser's words."""
_DROPPED_SECONDS = 4.0
_ALIKE = 55.0  # of 100, as rapidfuzz.fuzz.ratio counts
_MOST_WORDS = 400
_LETTER_SECONDS = 0.07
ADVICE = {
    "network": "The browser's recogniser cannot reach its service",
    "not-allowed": "The browser does not allow its recogniser here",
    "service-not-allowed": "The browser does not allow its recogniser here",
    "audio-capture": "The browser's recogniser has no microphone",
    "language-not-supported": "The browser's recogniser does not know this language",
    "missing": "This browser has no recogniser of its own",
}
HARMLESS = frozenset(("no-speech", "aborted"))
SOURCE = "browser"


def failure(code: str) -> str:
    """One sentence for an error of the standard interface."""
    what = ADVICE.get(code, f"The browser's recogniser failed ({code[:40]})")
    return f"{what}; the built-in one listens instead."


def alternatives(rows: object) -> tuple[Hypothesis, ...]:
    """Hypotheses from a result's alternatives: a list of {"transcript", "confidence"}.

    A confidence of 0 means that the browser does not tell.  BadInput for anything else.
    """
    if not isinstance(rows, list):
        raise BadInput("A result of the browser's recogniser is a list of alternatives.")
    found: dict[str, Hypothesis] = {}
    for row in rows:
        text = row.get("transcript") if isinstance(row, dict) else None
        if not isinstance(text, str):
            raise BadInput("An alternative of the browser's recogniser has a transcript.")
        sure = row.get("confidence")
        known = isinstance(sure, (int, float)) and 0 < sure <= 1
        words = plain_words(text)
        if words:
            heard = _timed(words, float(sure) if known else 1.0)
            found.setdefault(" ".join(words), Hypothesis(heard))
    return tuple(found.values())


def plain_words(text: str) -> list[str]:
    """A transcript as spoken words: lower case, without the marks that some browsers put in."""
    bare = text.lower().replace("’", "'")
    words = (w.strip('.,;:!?…“”‘"()[]') for w in bare.split()[:_MOST_WORDS])
    return [w for w in words if w]


def _timed(words: Sequence[str], sure: float) -> tuple[HeardWord, ...]:
    """Times are not told; as long as its letters, without pauses, is near enough."""
    found, now = [], 0.0
    for word in words:
        end = now + _LETTER_SECONDS * (len(word) + 1)
        found.append(HeardWord(word, now, end, sure))
        now = end
    return tuple(found)


@dataclass(frozen=True, slots=True)
class _Waiting:
    hearing: Hearing
    until: float


class Pairing:
    """Puts the browser's words and the built-in engine's hearings of the same speech together.

    `clock` counts seconds; `is_command` tells whether a hearing is a command without doubt.
    """

    def __init__(self, clock: Callable[[], float], is_command: Callable[[Hearing], bool]) -> None:
        self._clock, self._is_command = clock, is_command
        self._waiting: deque[_Waiting] = deque()
        self._early: deque[tuple[Hypothesis, ...]] = deque()
        self._done: deque[tuple[float, str]] = deque(maxlen=8)

    def heard(self, hearing: Hearing) -> list[Hearing]:
        """The built-in engine's hearing of an utterance; what is to be read now."""
        if self._is_command(hearing):
            text = hearing.commands[0].text if hearing.commands else hearing.text
            if self._early and self._same(self._early[0], text, hearing.text):
                self._early.popleft()
            else:
                self._done += ((self._clock(), text), (self._clock(), hearing.text))
            return [*self._flushed(), hearing]
        if self._early:
            return [self._joined(hearing, self._early.popleft())]
        self._waiting.append(_Waiting(hearing, self._clock() + PATIENCE_SECONDS))
        return []

    def result(self, found: tuple[Hypothesis, ...], speaking: bool) -> list[Hearing]:
        """A final result of the browser; `speaking` while the utterance is still going on."""
        if not found:
            return []
        now = self._clock()
        self._done = deque(
            (d for d in self._done if now - d[0] < _DROPPED_SECONDS), self._done.maxlen
        )
        if any(fuzz.ratio(found[0].text, text) >= _ALIKE for _, text in self._done):
            self._done.clear()
            return []
        if self._waiting:
            return [self._joined(self._waiting.popleft().hearing, found)]
        if speaking:
            self._early.append(found)
            return []
        return [Hearing(found, source=SOURCE)]

    def overdue(self) -> list[Hearing]:
        """Hearings that the browser had no words for in time."""
        found = []
        while self._waiting and self._waiting[0].until <= self._clock():
            found.append(self._waiting.popleft().hearing)
        return found

    def _flushed(self) -> list[Hearing]:
        """What was said before a command is read before it."""
        found = [w.hearing for w in self._waiting]
        self._waiting.clear()
        return found

    @staticmethod
    def _same(found: tuple[Hypothesis, ...], *texts: str) -> bool:
        return any(fuzz.ratio(found[0].text, text) >= _ALIKE for text in texts)

    @staticmethod
    def _joined(hearing: Hearing, found: tuple[Hypothesis, ...]) -> Hearing:
        evidence = hearing.hypotheses[0] if hearing.hypotheses else None
        return replace(hearing, hypotheses=found, source=SOURCE, tail=None, evidence=evidence)

    def flush(self) -> list[Hearing]:
        """All that still waits: the browser will not answer."""
        self._early.clear()
        return self._flushed()
