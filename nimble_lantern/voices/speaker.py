"""What is being spoken, piece by piece, and knowing one's own voice when it is heard again."""

from __future__ import annotations

import threading
import time
from collections import deque
from collections.abc import Callable, Hashable, Sequence
from dataclasses import dataclass
from difflib import SequenceMatcher
from typing import Any, Protocol

from rapidfuzz import fuzz

RATES = {"slowest": 0.6, "slow": 0.8, "normal": 1.0, "fast": 1.3, "fastest": 1.7}
MOST_KEPT = 16
ECHO_SECONDS = 2.5
"""How long after a sentence its echo may still be heard, with the time it takes to make it out."""
ROOM_SECONDS = 1.0
"""How long a page may go on playing, and the room ring, after it was told to be silent."""
LATE_SECONDS = 0.8
"""Between the end of an utterance and its words, in nine of ten, where the machine keeps up."""
_LIKE, _ALIKE = 72.0, 80.0


@dataclass(frozen=True, slots=True)
class Sound:
    """A piece of speech: 16-bit WAV, and when each word of its text begins, in seconds."""

    wav: bytes
    seconds: float
    words: tuple[float, ...]


class Voice(Protocol):
    """Makes speech of text.  `spoken` raises VoiceError where it cannot."""

    name: str

    def spoken(self, text: str, rate: float) -> Sound: ...


@dataclass(frozen=True, slots=True)
class Reading:
    """What is to be spoken: its number, its pieces, how fast, from which sentence on."""

    number: int
    texts: tuple[str, ...]
    rate: float
    began: int
    answer: bool = False


class Speaker:
    """One thing spoken at a time, for all pages.  Safe to call from several threads."""

    def __init__(
        self, voice: Voice | None = None, clock: Callable[[], float] = time.monotonic
    ) -> None:
        self.voice = voice
        self.trouble = "" if voice else "No voice is installed here."
        self._clock = clock
        self._lock = threading.Lock()
        self._number = 0
        self._now: Reading | None = None
        self._at = 0
        self._making = threading.Lock()
        self._sounds: dict[tuple[str, float], Sound] = {}
        self._recent: deque[tuple[float, str]] = deque(maxlen=24)
        self._read_until = float("-inf")
        self._begins: dict[tuple[int, int], tuple[tuple[str, float], float]] = {}
        self._heard_at = float("-inf")

    @property
    def began(self) -> int:
        """From which sentence of what was asked it reads."""
        return self._now.began if self._now else 0

    @property
    def reading(self) -> bool:
        """Whether a text is being spoken, and no answer."""
        return self._now is not None and not self._now.answer

    @property
    def answering(self) -> bool:
        """Whether what is being spoken is an answer, and no part of the text."""
        return self._now is not None and self._now.answer

    def read(self, texts: Sequence[str], pace: str, began: int = 0, answer: bool = False) -> None:
        """Speak these texts one after another, in the place of what is being spoken."""
        with self._lock:
            self._number += 1
            rate = RATES.get(pace, 1.0)
            self._now = Reading(self._number, tuple(texts), rate, began, answer)
            self._at = 0
            if texts:
                self._recent.append((self._clock(), texts[0]))

    def say(self, text: str, pace: str = "normal") -> None:
        """Tell something, unless a text is being read."""
        if self._now is None or self._now.answer:
            self.read([text], pace, answer=True)

    def hush(self) -> None:
        with self._lock:
            if self._now is not None:
                self._ended()
                self._number += 1
                self._recent.append((self._clock(), self._text()))
            self._now = None

    def is_about(self, number: int) -> bool:
        return self._now is not None and self._now.number == number

    def told(self, number: int, sentence: int, done: bool) -> None:
        """How far a page has come with a reading."""
        with self._lock:
            if self._now is None or self._now.number != number:
                return
            self._recent.append((self._clock(), self._text()))
            if done:
                self._ended()
                self._now = None
                return
            self._at = max(0, min(sentence, len(self._now.texts) - 1))
            self._recent.append((self._clock(), self._text()))

    def begins(self, number: int, piece: int, at: float) -> None:
        """When a page will begin to play a piece, in seconds of the clock that its sound has."""
        with self._lock:
            if (now := self._now) and now.number == number and 0 <= piece < len(now.texts):
                self._begins[number, piece] = (now.texts[piece], now.rate), at

    def _ended(self) -> None:
        if not self.answering:
            self._read_until = self._clock()

    def read_over(self, seconds: float) -> bool:
        """Whether a text was being read while an utterance of so many seconds was spoken."""
        return self.reading or self._clock() - seconds - LATE_SECONDS < self._read_until

    def likeness(self, words: Sequence[str]) -> float:
        """How like what was spoken lately these words are as a whole, from 0 to 100."""
        said = [_bare(w) for w in self.lately().split()]
        return float(fuzz.partial_ratio(" ".join(map(_bare, words)), " ".join(said)))

    def _text(self) -> str:
        return self._now.texts[self._at] if self._now and self._at < len(self._now.texts) else ""

    def playing(self) -> dict[str, Any] | None:
        """What a page is to speak: pieces from where it is, and whether their sound is here."""
        now = self._now
        if now is None:
            return None
        return {
            "number": now.number,
            "texts": list(now.texts),
            "rate": now.rate,
            "sound": self.voice is not None,
        }

    def sound(self, number: int, piece: int) -> Sound | None:
        """The sound of a piece; None if it is not to be spoken any more, or there is no voice.

        Made once, for whoever asks: a voice may say the same text otherwise the next time.
        """
        now = self._now
        if now is None or now.number != number or not 0 <= piece < len(now.texts):
            return None
        if self.voice is None:
            return None
        said = (now.texts[piece], now.rate)
        with self._making:
            made = self._sounds.pop(said, None) or self.voice.spoken(*said)
            self._sounds[said] = made  # as the last that goes
            while len(self._sounds) > MOST_KEPT:
                self._sounds.pop(next(iter(self._sounds)))
            return made

    def sounding(self) -> dict[Hashable, tuple[bytes, float]]:
        """The pieces that may be heard in the room now, by their keys.

        Each has its sound, as WAV, and when it begins by the page's clock.
        """
        with self._lock:
            if self._now is not None:
                first = self._now.number, self._at - 1
                self._begins = {key: told for key, told in self._begins.items() if key >= first}
                self._heard_at = self._clock()
            elif self._clock() - self._heard_at > ROOM_SECONDS:
                self._begins = {}
            kept = ((key, self._sounds.get(said), at) for key, (said, at) in self._begins.items())
            return {key: (sound.wav, at) for key, sound, at in kept if sound is not None}

    def left_of(self, words: Sequence[str]) -> tuple[str, ...] | None:
        """What of heard words is not the desk's own voice; None if nothing is left of them.

        All of them where nothing is spoken, or they are nothing like it.
        """
        spoken = self.lately()
        if not spoken or not words:
            return tuple(words)
        heard = [_bare(w) for w in words]
        said = [_bare(w) for w in spoken.split()]
        matcher = SequenceMatcher(None, said, heard, autojunk=False)
        own = [False] * len(heard)
        for block in matcher.get_matching_blocks():
            for i in range(block.b, block.b + block.size):
                own[i] = True
        for i, word in enumerate(heard):
            if not own[i] and any(fuzz.ratio(word, s) >= _ALIKE for s in said):
                own[i] = True
        rest = tuple(w for w, mine in zip(words, own, strict=True) if not mine)
        if not rest:
            return None
        like = fuzz.partial_ratio(" ".join(heard), " ".join(said))
        if like >= _LIKE and sum(own) >= len(own) / 2:
            # Mostly the desk's voice: what is left may be a command spoken into it.
            head = next((i for i, mine in enumerate(own) if mine), 0)
            tail = next((i for i, mine in enumerate(own[::-1]) if mine), 0)
            edge = tuple(words[len(words) - tail :]) or tuple(words[:head])
            return edge or None
        return tuple(words)

    def lately(self) -> str:
        """What was spoken so lately that it may be heard now."""
        now = self._clock()
        found = [text for at, text in self._recent if now - at <= ECHO_SECONDS]
        if self._now is not None:
            found += self._now.texts[max(0, self._at - 1) : self._at + 2]
        return " ".join(dict.fromkeys(t for t in found if t))


def _bare(word: str) -> str:
    return "".join(c for c in word.lower() if c.isalnum() or c == "'")
