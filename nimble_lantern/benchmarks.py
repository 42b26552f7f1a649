"""Running the benchmarks of the source tree's bench/ folder.

A benchmark is a function of no arguments that yields Figures; its module is named after it.
"""

from __future__ import annotations

import importlib
import json
import sys
from collections.abc import Iterator, Sequence
from dataclasses import asdict, dataclass
from pathlib import Path

from nimble_lantern.core.errors import BadInput, WrongUse

ROOT = Path(__file__).resolve().parents[1]
FOLDER = ROOT / "bench"


@dataclass(frozen=True, slots=True)
class Figure:
    """One measurement; `ratio` is value over the figure named by `against`, in the same run."""

    name: str
    value: float
    unit: str
    against: str | None = None
    ratio: float | None = None


def names() -> list[str]:
    """The benchmarks there are; BadInput outside a source tree."""
    if not FOLDER.is_dir():
        raise BadInput(f"The benchmarks are not installed: there is no {FOLDER}; run from a clone.")
    return sorted(p.stem for p in FOLDER.glob("*.py") if not p.stem.startswith("_"))


def run_benchmarks(wanted: Sequence[str]) -> Iterator[str]:
    """One JSON line a figure."""
    known = names()
    for name in wanted:
        if name not in known:
            raise WrongUse(f"No benchmark is called {name!r}; there are {', '.join(known)}.")
    sys.path.insert(0, str(ROOT))
    for name in wanted or known:
        for figure in importlib.import_module(f"bench.{name}").run():
            rounded = asdict(figure)
            rounded["value"] = float(f"{figure.value:.4g}")
            rounded["ratio"] = None if figure.ratio is None else round(figure.ratio, 3)
            yield json.dumps(rounded)
