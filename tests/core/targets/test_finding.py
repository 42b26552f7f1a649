"""Each kind of target has one finder, and finds what it is named for."""

from __future__ import annotations

from typing import get_args

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets.finding import FINDERS
from nimble_lantern.core.targets.model import (
    At,
    Beside,
    Beyond,
    Both,
    CellAt,
    Enclosed,
    Holding,
    Marked,
    Order,
    Places,
    Reach,
    Sign,
    Target,
    That,
    Through,
    Unit,
    Units,
    Words,
    of_the_page,
)
from nimble_lantern.core.targets.resolve import Absent, Missing, resolve
from tests.desk import DeskCase

PAGE = "The crew met (late). The **boat** leaves at nine.\n\nWe need two lamps. Bring the lamp."
TABLE = "| Day | Who |\n|---|---|\n| Monday | Hob |"


def words(text: str, order: Order | None = None) -> Words:
    return Words(tuple(text.split()), order)


class Finding(DeskCase):
    def found(self, target: Target, page: str = PAGE) -> list[str]:
        sitting = self.desk(page).sitting
        answer = resolve(target, sitting)
        assert isinstance(answer, Places), answer
        return [sitting.document.text(r) for r in answer.ranges]

    def refused(self, target: Target, page: str = PAGE) -> Refusal:
        answer = resolve(target, self.desk(page).sitting)
        assert isinstance(answer, Refusal), answer
        return answer

    def test_every_kind_has_a_finder(self) -> None:
        self.assertEqual(set(FINDERS), set(get_args(Target)))

    def test_units_by_order_and_number(self) -> None:
        self.assertEqual(
            self.found(Units(Unit.SENTENCE, Order.NTH, n=2)), ["The boat leaves at nine."]
        )
        self.assertEqual(self.found(Units(Unit.WORD, Order.LAST, 2)), ["the lamp"])
        self.assertEqual(len(self.found(Units(Unit.PARAGRAPH, Order.EVERY))), 2)
        self.assertIn(
            "two paragraphs here", str(self.refused(Units(Unit.PARAGRAPH, Order.NTH, n=5)))
        )

    def test_units_in_others(self) -> None:
        second = Units(Unit.PARAGRAPH, Order.NTH, n=2)
        self.assertEqual(self.found(Units(Unit.WORD, Order.FIRST, of=second)), ["We"])

    def test_words_and_what_is_near_them(self) -> None:
        self.assertEqual(self.found(words("the lamp")), ["the lamp"])
        close = self.refused(words("the boot"))
        assert isinstance(close, Missing)
        self.assertEqual([n.text for n in close.near][:1], ["boat"])

    def test_stretches(self) -> None:
        self.assertEqual(
            self.found(Through(words("crew"), words("boat"))), ["crew met (late). The boat"]
        )
        self.assertEqual(self.found(Both(words("crew"), words("nine"))), ["crew", "nine"])
        self.assertEqual(self.found(Beyond(words("two"), True)), [" lamps. Bring the lamp."])
        self.assertEqual(
            self.found(Reach(Unit.PARAGRAPH, False)), ["We need two lamps. Bring the lamp."]
        )
        self.assertIn(
            "does not come after", str(self.refused(Through(words("nine"), words("crew"))))
        )

    def test_marks_and_what_they_enclose(self) -> None:
        self.assertEqual(self.found(Enclosed("brackets")), ["late"])
        self.assertEqual(self.found(Marked("bold")), ["boat"])
        self.assertEqual(self.found(Sign(".", Order.LAST)), ["."])
        self.assertIn("Nothing stands between", str(self.refused(Enclosed("quotes"))))

    def test_units_that_hold_words_and_those_beside(self) -> None:
        self.assertEqual(
            self.found(Holding(Unit.SENTENCE, words("boat"))), ["The boat leaves at nine."]
        )
        self.assertEqual(
            self.found(Holding(Unit.SENTENCE, words("bring"), At.START)), ["Bring the lamp."]
        )
        self.assertEqual(self.found(Beside(Unit.WORD, words("two"), after=True)), ["lamps"])

    def test_cells(self) -> None:
        self.assertEqual(self.found(CellAt(2, 1), TABLE), ["Monday"])
        self.assertEqual(self.found(Units(Unit.COLUMN, Order.LAST), TABLE), ["Who", "Hob"])
        self.assertIsInstance(self.refused(CellAt(1, 1)), Absent)
        self.assertIn("two rows", str(self.refused(CellAt(9, 1), TABLE)))

    def test_that_is_the_selection_or_what_was_just_written(self) -> None:
        self.assertIn("Nothing is selected", str(self.refused(That())))
        desk = self.desk(PAGE)
        desk.hears("it rained")
        answer = resolve(That(), desk.sitting)
        assert isinstance(answer, Places)
        self.assertEqual(desk.document.text(answer.first), "It rained")


class OfThePage(DeskCase):
    def test_what_can_only_be_part_of_a_page(self) -> None:
        for target, is_part in (
            (Units(Unit.SENTENCE, Order.LAST), True),
            (Words(("boat",), called=True), True),
            (words("the boat"), False),
            (That(), False),
            (Through(words("it"), words("the island"), close=True), False),
            (Through(words("crew"), words("boat")), True),
            (Marked("bold"), True),
            ("boat", False),
        ):
            with self.subTest(target):
                self.assertEqual(of_the_page(target), is_part)
