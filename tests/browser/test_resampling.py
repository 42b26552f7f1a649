"""The page's own resampling, in the browser that does it."""

from __future__ import annotations

import math

from tests.browser.cases import BrowserCase

_TONE = """
const [hertz, from, chunk] = arguments, brings = resampler(from, 16000), out = [];
const wave = (_, n) => Math.sin(2 * Math.PI * hertz * n / from);
const tone = Float32Array.from({ length: from }, wave);
for (let n = 0; n < from; n += chunk) out.push(...brings(tone.subarray(n, n + chunk)));
return out;
"""


class Resampling(BrowserCase):
    demo = False

    def setUp(self) -> None:
        super().setUp()
        self.page = self.browser()
        self.script = self.server.get("/static/resampling.js")

    def tone(self, hertz: int, rate: int, chunk: int = 480) -> list[float]:
        """A second of a tone, recorded at a rate and brought to 16 kHz."""
        found: list[float] = self.page.execute_script(self.script + _TONE, hertz, rate, chunk)
        return found

    def test_a_tone_is_the_same_at_another_rate_whatever_the_chunks(self) -> None:
        for rate in (8000, 22050, 44100, 48000, 96000):
            found = self.tone(440, rate)
            self.assertEqual(found, self.tone(440, rate, 1003), rate)
            self.assertGreater(len(found), 15_900, rate)
            for n in range(500, 15_000):
                wanted = math.sin(2 * math.pi * 440 * n / 16_000)
                self.assertAlmostEqual(found[n], wanted, 2, (rate, n))

    def test_what_the_lower_rate_cannot_hold_is_not_folded_into_it(self) -> None:
        for rate in (22050, 44100, 48000):
            found = self.tone(9500, rate)
            self.assertLess(max(map(abs, found[500:])), 0.001, rate)
