"""The browser's recogniser (W3C Web Speech API) beside the built-in one.

The built-in engine hears the same sound, so that commands stay exact: what it is sure is a command
is done at once, and the browser's words for it are dropped.  Otherwise its hearing waits for the
browser's words.  The interface gives no times of words, but a result's first words show while they
are spoken: so a result is of the utterance that had begun last when it first showed.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import (
    LONGEST_WORD,
    HeardWord,
    Hearing,
    Hypothesis,
    well_formed,
)

PATIENCE_SECONDS = 2.5
"""How long an utterance waits for the browser's words."""
EXPIRES_SECONDS = 4.0
"""After an utterance, how long words of the browser may still be of it."""
_MOST_WORDS, _MOST_LETTERS = 400, 20_000
_MOST_ALTERNATIVES = 10
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
    for row in rows[:_MOST_ALTERNATIVES]:
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
    bare = well_formed(text[:_MOST_LETTERS]).lower().replace("’", "'")
    words = (w.strip('.,;:!?…“”‘"()[]')[:LONGEST_WORD] for w in bare.split()[:_MOST_WORDS])
    return [w for w in words if w]


def _timed(words: Sequence[str], sure: float) -> tuple[HeardWord, ...]:
    """Times are not told; as long as its letters, without pauses, is near enough."""
    found, now = [], 0.0
    for word in words:
        end = now + _LETTER_SECONDS * (len(word) + 1)
        found.append(HeardWord(word, now, end, sure))
        now = end
    return tuple(found)


@dataclass
class _Utterance:
    """What somebody says, or said: when it began and ended, and what came of it."""

    began: float
    ended: float | None = None
    hearing: Hearing | None = None  # until it is decided
    finals: list[tuple[Hypothesis, ...]] = field(default_factory=list)
    decided: float | None = None
    wanted: bool = True  # whether the browser's words are; not those of a command


class Pairing:
    """Puts the browser's words and the built-in engine's hearings of the same speech together.

    `clock` counts seconds; `is_command` tells whether a hearing is a command without doubt.
    """

    def __init__(self, clock: Callable[[], float], is_command: Callable[[Hearing], bool]) -> None:
        self._clock, self._is_command = clock, is_command
        self._said: deque[_Utterance] = deque(maxlen=8)
        self._showing: float | None = None  # since when the browser has words that are not final

    @property
    def waits(self) -> bool:
        """Whether some hearing is not decided yet."""
        return any(u.hearing is not None for u in self._said)

    def began(self) -> None:
        """Somebody began to speak."""
        self._said.append(_Utterance(self._clock()))

    def dropped(self) -> None:
        """That was no speech."""
        if self._said and self._said[-1].ended is None:
            self._said.pop()

    def heard(self, hearing: Hearing) -> list[Hearing]:
        """The built-in engine's hearing of the utterance that began last; what is read now."""
        now = self._clock()
        if not self._said or self._said[-1].ended is not None:
            self._said.append(_Utterance(now))
        said = self._said[-1]
        said.ended = now
        if self._is_command(hearing):
            earlier = self._flushed()
            said.decided, said.wanted = now, False
            return [*earlier, hearing]
        said.hearing = hearing
        more = self._showing is not None and self._of(self._showing) is said
        return [] if more or not said.finals else self._decided(said)

    def interim(self) -> None:
        """The browser has words that it may yet change."""
        if self._showing is None:
            self._showing = self._clock()

    def result(self, found: tuple[Hypothesis, ...]) -> list[Hearing]:
        """A final result of the browser; what is read now."""
        now = self._clock()
        since, self._showing = self._showing, None
        if not found:
            return []
        waiting = (u for u in self._said if u.hearing is not None and not u.finals)
        # Where nothing showed before it was final, it is of what waits for it the longest.
        said = self._of(since) if since is not None else next(waiting, self._of(now))
        if said is None:
            # The built-in engine took this for no speech at all.
            return [Hearing(found, source=SOURCE)]
        if not said.wanted:
            return []
        if said.decided is not None:
            # The rest of what was said, if its beginning was the browser's; else it comes too late.
            return [Hearing(found, source=SOURCE)] if said.finals else []
        said.finals.append(found)
        return self._decided(said) if said.hearing is not None else []

    def overdue(self) -> list[Hearing]:
        """Hearings that the browser had no words for in time."""
        found, now = [], self._clock()
        for said in self._said:
            if said.hearing is None or said.ended is None:
                continue
            if now >= said.ended + PATIENCE_SECONDS:
                found += self._decided(said)
        return found

    def flush(self) -> list[Hearing]:
        """All that still waits: the browser will not answer."""
        self._showing = None
        return self._flushed()

    def _of(self, moment: float) -> _Utterance | None:
        """The utterance that had begun last at a moment, unless it was over long before."""
        for said in reversed(self._said):
            if said.began <= moment:
                over = said.ended is not None and moment - said.ended > EXPIRES_SECONDS
                return None if over else said
        return None

    def _decided(self, said: _Utterance) -> list[Hearing]:
        """What an utterance is read from: the browser's words if it had any, else ours."""
        hearing = said.hearing
        assert hearing is not None
        said.hearing, said.decided = None, self._clock()
        return [_joined(hearing, said.finals) if said.finals else hearing]

    def _flushed(self) -> list[Hearing]:
        """What was said before is read before."""
        waiting = [u for u in self._said if u.hearing is not None]
        return [h for u in waiting for h in self._decided(u)]


def _joined(hearing: Hearing, finals: Sequence[tuple[Hypothesis, ...]]) -> Hearing:
    """A hearing with the browser's words: of several results, one after the other."""
    found = finals[0]
    for later in finals[1:]:
        end = found[0].words[-1].end
        moved = (replace(w, start=w.start + end, end=w.end + end) for w in later[0].words)
        found = (Hypothesis((*found[0].words, *moved)),)
    evidence = hearing.hypotheses[0] if hearing.hypotheses else None
    return replace(hearing, hypotheses=found, source=SOURCE, tail=None, evidence=evidence)
