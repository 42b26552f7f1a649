"""How many utterances it takes to put a misheard word right, played from end to end."""

from __future__ import annotations

import re
import unittest
from itertools import islice

from bench.mishearing import misheard
from nimble_lantern.core.writing.spoken import plain
from tests.desk import Driver

SEED = 20_261
PLAYED = 200


def cases() -> list[tuple[str, str, str, str]]:
    """A line of a script with all that was heard, what stands for what, and the words meant."""
    found = []
    for seed in range(SEED, SEED + 20):
        for hearing, stands, meant in misheard(seed):
            line = " | ".join(h.text for h in hearing.hypotheses)
            once = hearing.hypotheses[0].text.count(" ".join(stands)) == 1
            if once and plain(" ".join(stands)) != plain(" ".join(meant)):
                truth = hearing.hypotheses[0].text.replace(" ".join(stands), " ".join(meant))
                found.append((line, " ".join(stands), " ".join(meant), truth))
    return found


class Utterances(unittest.TestCase):
    def test_two_utterances_put_right_what_is_among_the_seven_and_three_what_is_spelled(
        self,
    ) -> None:
        chosen = spelled = 0
        for line, stands, meant, truth in islice(cases(), PLAYED):
            driver = Driver("")
            driver.hears(line, f"correct {stands}")
            if driver.sitting.question is None:
                # It stands on the page twice, or reads as something else: it is named otherwise.
                continue
            labels = [plain(option.label) for option in driver.sitting.question.options]
            if plain(meant) in labels:
                driver.hears(f"number {labels.index(plain(meant)) + 1}")
                chosen += 1
            else:
                driver.hears("spell it", " ".join(meant.replace(" ", "␣")).replace("␣", "space"))
                driver.hears("that is it")
                spelled += 1
            with self.subTest(line=line, stands=stands, meant=meant):
                well = Driver("")
                well.hears(truth)
                self.assertEqual(_letters(driver), _letters(well))
        self.assertGreater(chosen, PLAYED * 0.9)
        self.assertGreater(chosen + spelled, PLAYED - 5)


def _letters(driver: Driver) -> str:
    """All that is written, a date in whichever form its neighbours give it."""
    text = "".join(c for c in plain(driver.document.blocks[0].text) if c.isalnum())
    return re.sub(r"(the)?(firstof|1)june", "1june", text)
