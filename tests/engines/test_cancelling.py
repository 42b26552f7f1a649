"""The desk's own voice is taken out of the microphone's sound, and nothing else is."""

from __future__ import annotations

import io
import tempfile
import unittest
import wave
from collections.abc import Hashable
from pathlib import Path

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from numpy.typing import NDArray

from nimble_lantern.engines.cancelling import HELD, RATE, Canceller, OwnVoice, Piece, piece_of
from nimble_lantern.engines.echo_path import BLOCK
from nimble_lantern.engines.pcm import rms, samples, sound_of
from tests.speaking import speak

CHUNK = RATE // 10
Samples = NDArray[np.float64]


def said(text: str, voice: str) -> tuple[bytes, Samples]:
    """A sentence as WAV, and its samples."""
    with tempfile.TemporaryDirectory() as folder:
        wav = speak(Path(folder) / "said.wav", [text], voice, pause=0.05).read_bytes()
    return wav, piece_of(wav)


def placed(sound: Samples, at: float, seconds: float) -> Samples:
    """A sound in silence, from a second on."""
    out = np.zeros(round(seconds * RATE))
    first = round(at * RATE)
    out[first : first + sound.size] += sound[: out.size - first]
    return out


def fed(mic: Samples, pieces: dict[Hashable, Piece]) -> Samples:
    """What comes out for a stream, and for a last chunk when nothing is played any more."""
    canceller, out = Canceller(), b""
    for i in range(0, mic.size, CHUNK):
        out += canceller.feed(sound_of(mic[i : i + CHUNK]), pieces)
    return samples(out + canceller.feed(b"", {}) + canceller.feed(bytes(2), {}))[: mic.size]


def level(sound: Samples, start: float, end: float) -> float:
    """Decibels of a stretch."""
    part = sound[round(start * RATE) : round(end * RATE)]
    return float(20 * np.log10(np.sqrt(np.mean(part**2)) + 1e-9))


class Cancelling(unittest.TestCase):
    own: Samples
    near: Samples

    @classmethod
    def setUpClass(cls) -> None:
        cls.wav, cls.own = said("the ferry leaves at noon and the stair is wet today", "rms")
        cls.near = said("stop", "slt")[1]

    def test_a_piece_is_taken_out_with_what_the_room_makes_of_it(self) -> None:
        echoed = 0.5 * self.own
        echoed[80:] += 0.2 * self.own[:-80]  # a wall, 5 ms away
        mic = placed(echoed, 0.73, 4.0)
        rest = fed(mic, {"piece": Piece(self.own, 7.0)})
        self.assertLess(level(rest, 1.0, 2.5), level(mic, 1.0, 2.5) - 15)

    def test_speech_into_it_is_left(self) -> None:
        mic = placed(self.own, 0.5, 4.0) + placed(self.near, 1.6, 4.0)
        rest = fed(mic, {"piece": Piece(self.own, 7.0)})
        wanted = placed(self.near, 1.6, 4.0)
        loud = 1.6 + float(np.argmax(np.abs(self.near))) / RATE
        missing = level(rest - wanted, loud - 0.05, loud + 0.05)
        self.assertLess(missing, level(wanted, loud - 0.05, loud + 0.05) - 10)

    def test_the_second_of_two_pieces_is_found_as_well(self) -> None:
        second = said("the harbour board has met about the boat", "rms")[1]
        length = self.own.size / RATE
        mic = placed(self.own, 0.5, 7.0) + placed(second, 0.7 + length, 7.0)
        rest = fed(mic, {1: Piece(self.own, 7.0), 2: Piece(second, 7.2 + length)})
        start = 0.7 + length
        self.assertLess(level(rest, start + 0.3, start + 1.5), level(mic, start, start + 1.5) - 15)

    def test_where_the_page_said_when_the_second_begins_it_is_taken_out_from_its_first_sound(
        self,
    ) -> None:
        """Though somebody speaks into that, by a clock that has nothing to do with the stream's."""
        second = said("the harbour board has met about the boat", "rms")[1]
        start = 0.7 + self.own.size / RATE
        own = placed(self.own, 0.5, 7.0) + placed(second, start, 7.0)
        near = placed(self.near, start - 0.1, 7.0)
        pieces: dict[Hashable, Piece] = {1: Piece(self.own, 70.5), 2: Piece(second, 70.0 + start)}
        rest = fed(own + near, pieces)
        self.assertLess(level(rest - near, start, start + 0.5), level(own, start, start + 0.5) - 12)

    def test_a_page_that_is_wrong_about_it_does_no_harm(self) -> None:
        second = said("the harbour board has met about the boat", "rms")[1]
        start = 0.7 + self.own.size / RATE
        mic = placed(self.own, 0.5, 7.0) + placed(second, start, 7.0)
        rest = fed(mic, {1: Piece(self.own, 0.5), 2: Piece(second, start + 0.31)})
        self.assertLess(level(rest, start, start + 0.5), level(mic, start, start + 0.5) + 1)
        self.assertLess(level(rest, start + 1.1, start + 1.8), level(mic, start, start + 1.5) - 15)

    def test_a_page_that_is_loaded_again_and_plays_it_anew_is_heard_out(self) -> None:
        """By a clock that begins anew, too."""
        again = 1.5 + self.own.size / RATE
        mic = placed(self.own, 0.5, 9.0) + placed(self.own, again, 9.0)
        canceller, out = Canceller(), b""
        for i in range(0, mic.size, CHUNK):
            begins = 30.5 if i / RATE < again - 0.2 else 0.1
            out += canceller.feed(sound_of(mic[i : i + CHUNK]), {1: Piece(self.own, begins)})
        rest = samples(out)
        self.assertLess(level(rest, again + 1, again + 2.5), level(mic, 1.0, 2.5) - 15)

    def test_what_is_left_of_it_is_nobodys_utterance_and_speech_into_it_is_somebodys(self) -> None:
        for near, leftover in ((0.0, True), (1.0, False)):
            own, mic = OwnVoice(), placed(self.own, 0.5, 4.0) + near * placed(self.near, 1.6, 4.0)
            for i in range(0, mic.size, CHUNK):
                if i == RATE * 3 // 2 // CHUNK * CHUNK:
                    own.begins()
                own.out_of(sound_of(mic[i : i + CHUNK]), {"piece": (self.wav, 7.0)})
            self.assertEqual(own.is_left_over, leftover)

    def test_nothing_is_left_over_where_nothing_is_played_any_more(self) -> None:
        own, mic = OwnVoice(), placed(self.own, 0.5, 4.0)
        for i in range(0, mic.size, CHUNK):
            own.out_of(sound_of(mic[i : i + CHUNK]), {"piece": (self.wav, 7.0)})
        own.begins()
        self.assertTrue(own.is_left_over)
        own.out_of(sound_of(self.near / 50), {})
        self.assertFalse(own.is_left_over)
        own.begins()
        own.out_of(sound_of(self.near / 50), {})
        self.assertFalse(own.is_left_over)

    def test_other_speech_is_no_piece(self) -> None:
        other = said("please bring the red blanket to the harbour on friday", "awb")[1]
        mic = placed(other, 0.5, 4.0)
        rest = fed(mic, {"piece": Piece(self.own, 7.0)})
        self.assertGreater(level(rest, 0.6, 2.0), level(mic, 0.6, 2.0) - 1)

    @settings(max_examples=30, deadline=None)
    @given(st.lists(st.tuples(st.integers(0, 40_000), st.booleans()), max_size=12))
    def test_every_sample_comes_out_once_and_in_order(self, chunks: list[tuple[int, bool]]) -> None:
        """Whatever is played meanwhile; held back is no more than was said."""
        own, went, came = OwnVoice(), 0, 0
        for size, plays in (*chunks, (1, False)):
            came += (
                len(own.out_of(bytes(2 * size), {"piece": (self.wav, 7.0)} if plays else {})) // 2
            )
            went += size
            self.assertEqual(own.held, went - came)
            self.assertLess(own.held, HELD + BLOCK)
        self.assertEqual(came, went)

    def test_with_a_headset_nothing_is_held_back_but_at_the_first(self) -> None:
        """The desk plays, and nothing of it comes to the microphone: speech does at once."""
        own, mic, out = OwnVoice(), placed(self.near, 2.0, 4.0), b""
        for i in range(0, mic.size, CHUNK):
            out += own.out_of(sound_of(mic[i : i + CHUNK]), {"piece": (self.wav, 7.0)})
            if i > RATE * 3 // 2:
                self.assertLess(own.held, BLOCK)
        wanted, loud = placed(self.near, 2.0, 4.0), 2.0 + float(np.argmax(self.near)) / RATE
        heard = samples(out)
        self.assertLess(level(heard - wanted[: heard.size], loud - 0.05, loud + 0.05),
                        level(wanted, loud - 0.05, loud + 0.05) - 20)  # fmt: skip

    def test_without_a_piece_sound_is_as_it_came(self) -> None:
        sound = sound_of(self.near)
        self.assertEqual(OwnVoice().out_of(sound, {}), sound)

    def test_a_voice_of_another_rate_is_brought_to_this_one(self) -> None:
        tone = 8000 * np.sin(2 * np.pi * 440 * np.arange(22_050) / 22_050)
        out = io.BytesIO()
        with wave.open(out, "wb") as file:
            file.setnchannels(1)
            file.setsampwidth(2)
            file.setframerate(22_050)
            file.writeframes(sound_of(tone))
        piece = piece_of(out.getvalue())
        self.assertEqual(piece.size, RATE)
        wanted = 8000 * np.sin(2 * np.pi * 440 * np.arange(RATE) / RATE)
        self.assertLess(rms(sound_of(piece - wanted)), 100)
