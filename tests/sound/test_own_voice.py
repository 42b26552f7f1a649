"""The desk reads aloud into its own microphone, and is told to stop in the midst of it."""

from __future__ import annotations

import unittest
from pathlib import Path

from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.engines.cancelling import RATE, piece_of
from nimble_lantern.engines.pcm import samples, scaled, sound_of
from nimble_lantern.formats import from_markdown, to_text
from nimble_lantern.playing import desk_with
from nimble_lantern.voices import espeak
from nimble_lantern.voices.espeak import Espeak
from nimble_lantern.voices.speaker import Speaker
from tests.browser.cases import SOUND_SECONDS, BrowserCase
from tests.browser.chromium import wait_until
from tests.speaking import speak, write

TEXT = (
    "The board met on the island and talked about the stair. Nobody was pleased with the paint.",
    "The ferry leaves the quay at noon. Please bring warm clothes and a lamp for the cellar.",
)
_BEGINS = 2.2
"""Seconds after the request, by which the page has begun to read."""
_STOP_AFTER = 3.2
"""Seconds of reading."""


@unittest.skipUnless(espeak.found(), "espeak-ng is not installed here")
class OwnVoice(BrowserCase):
    demo = False

    def setUp(self) -> None:
        super().setUp()
        for sentence in TEXT:
            self.server.says(f"{sentence.lower()[:-1].replace('. ', ' full stop ')} full stop")
            self.server.says("new paragraph")

    def test_it_stops_at_a_word_and_takes_nothing_of_itself_for_speech(self) -> None:
        before = to_text(self.kept().document)
        self.page = self.browser(self._mixed(before, 0.5))
        wait_until(lambda: "aloud.stop" in self._done(), SOUND_SECONDS, "the end of the reading")
        self.assertEqual(self._done()[-2:], ["aloud.read_all", "aloud.stop"])
        self.assertNotIn("text", [e.read_as for e in self.kept().trail[-3:]])
        self.assertEqual(to_text(self.kept().document), before)

    def _done(self) -> list[str]:
        """Commands, in turn; what is left of the voice may stand there as unclear."""
        return [e.command for e in self.kept().trail if e.command]

    def _mixed(self, text: str, level: float) -> Path:
        """A request, the desk's voice as loud as `level` of what it makes, and "stop" into it."""
        request, stop = (
            samples(speak(self.folder / f"{word[:4]}.wav", [word], "rms", 0.3).read_bytes()[44:])
            for word in ("read from the top", "stop")
        )
        own = samples(scaled(self._read(text), level))
        quiet = [RATE * 2, round(RATE * _BEGINS)]
        begins = quiet[0] + request.size + quiet[1]
        whole = samples(bytes(2 * (begins + own.size + 3 * RATE)))
        whole[quiet[0] :][: request.size] += request
        stops = round(RATE * _STOP_AFTER)
        own = own[: stops + stop.size]  # it is silent soon after
        whole[begins:][: own.size] += own
        whole[begins + stops :][: stop.size] += stop
        return write(self.folder / "mixed.wav", sound_of(whole))

    def _read(self, text: str) -> bytes:
        """What the desk plays of a text, one sentence after another."""
        voice = Espeak()
        try:
            desk = desk_with(from_markdown(text), {})
            desk.speaker = speaker = Speaker(voice)
            desk.hear(from_line("read from the top"))
            now = speaker.playing()
            assert now is not None
            pieces = (speaker.sound(now["number"], n) for n in range(len(now["texts"])))
            gap = bytes(2 * round(0.05 * RATE))
            return b"".join(sound_of(piece_of(p.wav)) + gap for p in pieces if p is not None)
        finally:
            voice.close()
