"""Less memory for processes of several threads that need much of it for a moment."""

from __future__ import annotations

import ctypes

_M_ARENA_MAX = -8
"""Of `malloc.h` in the GNU C library; mallopt(3)."""
_LIBRARY = ctypes.CDLL(None)


def share_one_heap() -> None:
    """Let all threads of this process take memory from one heap, if its C library is GNU's.

    Each thread's own would keep what was once needed for a network, although it is free again.
    """
    mallopt = getattr(_LIBRARY, "mallopt", None)
    if mallopt is not None:
        mallopt(_M_ARENA_MAX, 1)


def give_back() -> None:
    """Hand memory that is free back to the system; malloc_trim(3)."""
    trim = getattr(_LIBRARY, "malloc_trim", None)
    if trim is not None:
        trim(0)
