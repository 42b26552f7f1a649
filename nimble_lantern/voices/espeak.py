"""espeak-ng, where Debian's package of it is installed: found at run time, never shipped.

Its library tells when each word begins.  It runs in a process of its own, as the recognisers do:
it keeps one global state, and a fault in it must not end the desk.
"""

from __future__ import annotations

import base64
import ctypes
import ctypes.util
import io
import json
import subprocess
import sys
import threading
import wave
from typing import Any

from nimble_lantern.core.errors import VoiceError
from nimble_lantern.voices.speaker import Sound

USUAL_RATE = 165
"""Words a minute."""
_TIMEOUT = 20.0
_LIBRARY = "espeak-ng"
_RETRIEVAL, _UTF8, _WORD, _END = 1, 1, 1, 0


def found() -> str | None:
    """Where the library is; None if it is not installed."""
    return ctypes.util.find_library(_LIBRARY)


class Espeak:
    """Speech by espeak-ng, made in a process that is started when it is first wanted."""

    name = "espeak-ng"

    def __init__(self, voice: str = "en-gb") -> None:
        self._voice = voice
        self._lock = threading.Lock()
        self._process: subprocess.Popen[str] | None = None

    def spoken(self, text: str, rate: float) -> Sound:
        with self._lock:
            for _ in range(2):
                answer = self._asked(text, rate)
                if answer is not None:
                    break
            else:
                raise VoiceError("The voice does not answer; the text is on the page.")
        words = len(text.split())
        times = list(answer["words"][:words])
        while len(times) < words:
            times.append(times[-1] if times else 0.0)
        wav = base64.b64decode(answer["wav"])
        return Sound(wav, answer["seconds"], tuple(times))

    def _asked(self, text: str, rate: float) -> dict[str, Any] | None:
        process = self._process
        if process is None or process.poll() is not None:
            process = self._process = subprocess.Popen(
                [sys.executable, "-m", __name__, self._voice],
                stdin=subprocess.PIPE,
                stdout=subprocess.PIPE,
                stderr=subprocess.DEVNULL,
                text=True,
                encoding="utf-8",
            )
        assert process.stdin and process.stdout
        timer = threading.Timer(_TIMEOUT, process.kill)
        timer.start()
        try:
            process.stdin.write(json.dumps({"text": text, "rate": rate}) + "\n")
            process.stdin.flush()
            line = process.stdout.readline()
            found: dict[str, Any] | None = json.loads(line) if line else None
        except (OSError, ValueError):
            found = None
        finally:
            timer.cancel()
        if found is None:
            process.kill()
            process.wait()
        return found

    def close(self) -> None:
        if self._process is not None:
            self._process.kill()
            self._process.wait()


class _Event(ctypes.Structure):
    """espeak_EVENT of speak_lib.h."""

    _fields_ = (
        ("type", ctypes.c_int),
        ("unique_identifier", ctypes.c_uint),
        ("text_position", ctypes.c_int),
        ("length", ctypes.c_int),
        ("audio_position", ctypes.c_int),
        ("sample", ctypes.c_int),
        ("user_data", ctypes.c_void_p),
        ("id", ctypes.c_char * 8),
    )


_CALLBACK = ctypes.CFUNCTYPE(
    ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.POINTER(_Event)
)


class _Library:
    def __init__(self, voice: str) -> None:
        self.library: Any = ctypes.CDLL(found() or "")
        self.rate = self.library.espeak_Initialize(_RETRIEVAL, 0, None, 0)
        self.library.espeak_SetVoiceByName(voice.encode())
        self.samples = bytearray()
        self.words: list[tuple[int, float]] = []
        self.callback = _CALLBACK(self._heard)
        self.library.espeak_SetSynthCallback(self.callback)

    def _heard(self, wav: Any, count: int, events: Any) -> int:
        if wav and count > 0:
            self.samples += ctypes.string_at(wav, count * 2)
        i = 0
        while events and events[i].type != _END:
            if events[i].type == _WORD:
                self.words.append((events[i].text_position - 1, events[i].audio_position / 1000))
            i += 1
        return 0

    def spoken(self, text: str, rate: float) -> dict[str, Any]:
        self.samples, self.words = bytearray(), []
        self.library.espeak_SetParameter(1, round(USUAL_RATE * rate), 0)
        data = text.encode()
        self.library.espeak_Synth(data, len(data) + 1, 0, 1, 0, _UTF8, None, None)
        self.library.espeak_Synchronize()
        out = io.BytesIO()
        with wave.open(out, "wb") as file:
            file.setnchannels(1)
            file.setsampwidth(2)
            file.setframerate(self.rate)
            file.writeframes(bytes(self.samples))
        return {
            "wav": base64.b64encode(out.getvalue()).decode(),
            "seconds": len(self.samples) / 2 / self.rate,
            "words": self._times(text),
        }

    def _times(self, text: str) -> list[float]:
        """When each word of the text begins: words of its own may be several of the voice's."""
        times: list[float] = []
        at = 0
        for token in text.split():
            start = text.index(token, at)
            at = start + len(token)
            inside = [t for p, t in self.words if start <= p < at]
            times.append(inside[0] if inside else (times[-1] if times else 0.0))
        return times


def main() -> None:
    library = _Library(sys.argv[1])
    for line in sys.stdin:
        asked = json.loads(line)
        print(json.dumps(library.spoken(asked["text"], asked["rate"])), flush=True)


if __name__ == "__main__":
    main()
