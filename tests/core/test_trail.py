"""The trail behaves as a tuple would, whatever part of it has been read."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.trail import CHUNK, Trail


def trail_of(kept: int, said: int) -> tuple[Trail[int], tuple[int, ...]]:
    """`kept` entries that are read when asked for, and `said` since."""
    trail: Trail[int] = Trail((), lambda: tuple(range(kept)), kept)
    for n in range(said):
        trail = trail.added(kept + n)
    return trail, tuple(range(kept + said))


class TheTrail(unittest.TestCase):
    @settings(max_examples=150, deadline=None)
    @given(
        st.integers(0, 20),
        st.sampled_from((0, 1, CHUNK, 2 * CHUNK - 1, 2 * CHUNK, 5 * CHUNK + 3)),
        st.slices(40),
        st.integers(-30, 30),
    )
    def test_it_is_the_tuple_of_its_entries(
        self, kept: int, said: int, part: slice, index: int
    ) -> None:
        trail, plain = trail_of(kept, said)
        self.assertEqual(trail[part], plain[part])
        self.assertEqual(len(trail), len(plain))
        self.assertEqual(tuple(trail), plain)
        self.assertEqual(tuple(reversed(trail)), plain[::-1])
        self.assertEqual(bool(trail), bool(plain))
        if -len(plain) <= index < len(plain):
            self.assertEqual(trail[index], plain[index])
        else:
            with self.assertRaises(IndexError):
                trail[index]

    def test_what_is_kept_elsewhere_is_read_once_and_only_when_asked_for(self) -> None:
        reads: list[int] = []

        def older() -> tuple[int, ...]:
            reads.append(1)
            return (1, 2, 3)

        trail = Trail((4,), older, 3).added(5)
        self.assertEqual((trail[-1], trail[-2:], len(trail)), (5, (4, 5), 5))
        self.assertEqual(reads, [])
        self.assertEqual(tuple(trail), (1, 2, 3, 4, 5))
        self.assertEqual(trail[0], 1)
        self.assertEqual(len(reads), 1)

    def test_the_trail_of_before_is_not_changed_by_what_is_added(self) -> None:
        before, plain = trail_of(3, 2 * CHUNK - 1)
        after = before.added(-1).added(-2)
        self.assertEqual(tuple(before), plain)
        self.assertEqual(tuple(after), (*plain, -1, -2))
        self.assertNotEqual(before, after)
