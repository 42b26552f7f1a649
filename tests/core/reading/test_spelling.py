"""What is heard while a word is spelled, from two engines."""

from __future__ import annotations

from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis
from tests.desk import DeskCase


def said(line: str, score: float = 0.0) -> Hypothesis:
    return Hypothesis(tuple(HeardWord(w, n, n + 0.5) for n, w in enumerate(line.split())), score)


class Heard(DeskCase):
    def spells(
        self, commands: tuple[str, ...], dictated: str = "", fits: tuple[float, ...] = ()
    ) -> str:
        """The letters in the tray after a hearing of the grammar's, and perhaps of a model's."""
        driver = self.desk("Mara Tarrow is here.")
        driver.hears("spell a word")
        ours = tuple(said(line, -0.1 * n) for n, line in enumerate(commands))
        evidence = said("some thing") if dictated else None
        hypotheses = (said(dictated or "some thing"),)
        driver.desk.hear(Hearing(hypotheses, ours, 0.0, evidence=evidence, fits=fits))
        tray = driver.sitting.tray
        return tray.letters if tray else "-"

    def test_letters_alike_in_sound_are_those_of_a_known_word(self) -> None:
        self.assertEqual(self.spells(("d a r r o w", "t a r r o w")), "tarrow")

    def test_the_best_is_taken_where_none_is_known(self) -> None:
        self.assertEqual(self.spells(("x q z", "x q v")), "xqz")

    def test_a_models_runs_of_letters_are_taken_apart(self) -> None:
        self.assertEqual(self.spells(("t a l l w",), "t a rr o w"), "tarrow")
        self.assertEqual(self.spells(("p o",), "tarrow"), "tarrow")

    def test_nearly_the_alphabet_is_the_alphabet(self) -> None:
        self.assertEqual(self.spells(("p f",), "papa fox trot romeo"), "pfr")

    def test_what_is_said_of_the_letters_is_done(self) -> None:
        self.assertEqual(self.spells(("start again",), "star to gain", (0.0,)), "")

    def test_somebody_far_away_spells_nothing(self) -> None:
        driver = self.desk("")
        driver.hears("spell a word")
        heard = Hearing((said("b o"),), (said("b o"),), 0.0, quieter=30.0)
        driver.desk.hear(heard)
        tray = driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "")
        self.assertIn("quieter", driver.sitting.trail[-1].summary)

    def test_an_answer_leaves_the_tray(self) -> None:
        self.assertEqual(self.spells(("cancel",), "cancel"), "-")
