"""A voice that makes no sound: it keeps what it was to say, and how long that would take."""

from __future__ import annotations

import io
import wave

from nimble_lantern.voices.speaker import Sound

WORD_SECONDS = 0.3


class StandIn:
    """Silence as long as the words would be, each word of the same length."""

    name = "stand-in"

    def __init__(self) -> None:
        self.said: list[str] = []

    def spoken(self, text: str, rate: float) -> Sound:
        self.said.append(text)
        count = len(text.split())
        length = WORD_SECONDS / rate
        out = io.BytesIO()
        with wave.open(out, "wb") as file:
            file.setnchannels(1)
            file.setsampwidth(2)
            file.setframerate(16_000)
            file.writeframes(bytes(2 * round(16_000 * length * count)))
        return Sound(out.getvalue(), count * length, tuple(i * length for i in range(count)))
