"""What was said, in order: as cheap to add to and to open after years as on the first day."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from itertools import islice
from typing import Generic, TypeVar, overload

CHUNK = 128
T = TypeVar("T")


class Trail(Sequence[T], Generic[T]):
    """Entries, oldest first, in chunks that are shared between one sitting and the next.

    Adding costs the same however many there are.  `older` reads `count` entries of before from
    where they are kept; it is called once, when one of them is first asked for.
    """

    __slots__ = ("_below", "_count", "_older", "_recent")

    def __init__(
        self,
        recent: Sequence[T] = (),
        older: Callable[[], Sequence[T]] | None = None,
        count: int = 0,
    ) -> None:
        self._recent = tuple(recent)
        self._below: Trail[T] | None = None
        self._older = older
        self._count = count

    def added(self, entry: T) -> Trail[T]:
        """This trail with one entry more."""
        longer: Trail[T] = Trail((*self._recent, entry), self._older, self._count)
        longer._below = self._below
        if len(longer._recent) < 2 * CHUNK:
            return longer
        below: Trail[T] = Trail(longer._recent[:CHUNK], self._older, self._count)
        below._below = self._below
        upper: Trail[T] = Trail(longer._recent[CHUNK:], None, self._count + CHUNK)
        upper._below = below
        return upper

    def _under(self) -> Trail[T] | None:
        """The chunk before this one, read from where it is kept if need be."""
        if self._below is None and self._older is not None:
            self._below = Trail(self._older())
            self._count, self._older = len(self._below), None
        return self._below

    def __len__(self) -> int:
        return self._count + len(self._recent)

    def __reversed__(self) -> Iterator[T]:
        chunk: Trail[T] | None = self
        while chunk is not None:
            yield from reversed(chunk._recent)
            chunk = chunk._under()

    def __iter__(self) -> Iterator[T]:
        return reversed(list(reversed(self)))

    @overload
    def __getitem__(self, index: int) -> T: ...
    @overload
    def __getitem__(self, index: slice) -> tuple[T, ...]: ...
    def __getitem__(self, index: int | slice) -> T | tuple[T, ...]:
        if isinstance(index, slice):
            start, stop, step = index.indices(len(self))
            if step != 1:
                return tuple(self)[index]
            last = islice(reversed(self), len(self) - stop, len(self) - start)
            return tuple(last)[::-1] if start < stop else ()
        size = len(self)
        place = index + size if index < 0 else index
        if not 0 <= place < size:
            raise IndexError(f"there is no entry {index} in a trail of {size}")
        return next(islice(reversed(self), size - 1 - place, None))

    def __eq__(self, other: object) -> bool:
        if not isinstance(other, Trail):
            return NotImplemented
        return self is other or tuple(self) == tuple(other)

    def __repr__(self) -> str:
        return f"Trail({len(self)} entries)"
