"""The desk reads aloud into its own microphone, and is told to stop in the midst of it."""

from __future__ import annotations

import urllib.request
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from nimble_lantern.engines.cancelling import RATE, piece_of
from nimble_lantern.engines.pcm import samples, sound_of
from nimble_lantern.formats import to_text
from tests.browser.cases import SOUND_SECONDS, BrowserCase
from tests.browser.chromium import wait_until
from tests.speaking import speak, write

Samples = NDArray[np.float64]
TEXT = (
    "The board met on the island and talked about the stair. Nobody was pleased with the paint.",
    "The ferry leaves the quay at noon. Please bring warm clothes and a lamp for the cellar.",
)
_SENTENCES = 4
_PAUSE = 0.2
"""Seconds between sentences, as the page makes them."""
_BEGINS = 2.2
"""Seconds after the request, by which the page has begun to read."""
_STOP_AFTER = 3.2
"""Seconds of reading."""


class OwnVoice(BrowserCase):
    demo = False

    def setUp(self) -> None:
        super().setUp()
        for sentence in TEXT:
            self.server.says(f"{sentence.lower()[:-1].replace('. ', ' full stop ')} full stop")
            self.server.says("new paragraph")

    def test_it_stops_at_a_word_and_takes_nothing_of_itself_for_speech(self) -> None:
        mixed = self._mixed(self._read(), 0.5)
        before, told = to_text(self.kept().document), len(self.kept().trail)
        page = self.browser(mixed)
        wait_until(lambda: "aloud.stop" in self._done(told), SOUND_SECONDS, "its end")
        self.assertEqual(self._done(told), ["aloud.read_all", "aloud.stop"])
        self.assertNotIn("text", [e.read_as for e in self.kept().trail[told:]])
        self.assertEqual(to_text(self.kept().document), before)
        wait_until(lambda: not self.value(page, "#voice", "data-voice"), what="silence")

    def _done(self, told: int) -> list[str]:
        """Commands, in turn; what is left of the voice may stand between them as unclear."""
        return [e.command for e in self.kept().trail[told:] if e.command]

    def _mixed(self, own: Samples, level: float) -> Path:
        """A request, the desk's voice as loud as `level` of what it makes, and "stop" into it."""
        request, stop = (
            samples(speak(self.folder / f"{word[:4]}.wav", [word], "rms", 0.3).read_bytes()[44:])
            for word in ("read from the top", "stop")
        )
        quiet = [RATE * 2, round(RATE * _BEGINS)]
        begins = quiet[0] + request.size + quiet[1]
        whole = samples(bytes(2 * (begins + own.size + 3 * RATE)))
        whole[quiet[0] :][: request.size] += request
        stops = round(RATE * _STOP_AFTER)
        own = own[: stops + stop.size + RATE] * level  # it is silent soon after
        whole[begins:][: own.size] += own
        whole[begins + stops :][: stop.size] += stop
        return write(self.folder / "mixed.wav", sound_of(whole))

    def _read(self) -> Samples:
        """What the desk plays of the text, one sentence after another."""
        self.server.says("read from the top")
        gap = np.zeros(round(_PAUSE * RATE))
        played: list[Samples] = []
        for n in range(_SENTENCES):
            with urllib.request.urlopen(f"{self.server.address}/aloud/1/{n}") as answer:
                played += [piece_of(answer.read()), gap]
        self.server.says("stop reading")
        return np.concatenate(played)
