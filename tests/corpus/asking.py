"""Every way to ask for a job with every name of a part of the page, judged by the plain wording.

The ways and names of `ways.txt` stand for some hundred thousand requests; a seed picks some.
"""

from __future__ import annotations

import random
import re
from collections import Counter
from collections.abc import Iterator
from functools import cache
from pathlib import Path
from typing import Any, NamedTuple

from nimble_lantern.playing import run_case

PAGE = """# Winter programme

Dear Nell, here is news. The boat leaves on Friday at noon. Forty people are coming (see the list).
We need more chairs.

The hall is warm in the evening. Please bring cups, plates and a lamp. The "old fox" sells tea.

- two lamps
- a rope
- the red blanket

Ida Marlowe paid twelve pounds for the tickets. The bill came to 340 pounds: it was too much.
Are we late?

Yours sincerely, Tom"""
_WHERE = "go after forty people"
_WHOLE = (
    "the second paragraph", "the last paragraph", "the third item", "the title", "the first item",
    "this paragraph", "the next paragraph", "the second item", "the second and third paragraphs",
)  # fmt: skip
_PLAINER = {"delete the title": "delete the first line"}
"""The title may be a style that is taken away; the other ways and names can only mean its words."""
_KEPT = ("markdown", "selected", "before_caret", "clipboard")


class Pair(NamedTuple):
    """A request, and what is asked in the plain wording."""

    said: str
    plain: str


@cache
def ways() -> dict[str, dict[str, tuple[str, ...]]]:
    """By section: each plain wording with the others."""
    found: dict[str, dict[str, list[str]]] = {}
    others: list[str] = []
    for line in (Path(__file__).parent / "ways.txt").read_text(encoding="utf-8").splitlines():
        if line.startswith("= "):
            section = found.setdefault(line[2:], {})
        elif line.startswith("  "):
            others.append(line.strip())
        elif line and not line.startswith("#"):
            others = section.setdefault(line, [])
    return {name: {k: tuple(v) for k, v in rows.items()} for name, rows in found.items()}


def pairs(seed: int, count: int) -> Iterator[Pair]:
    """Ways with names, picked at random: one in four is a way of whole paragraphs."""
    pick = random.Random(seed)
    parts = ways()["parts"]
    for _ in range(count):
        whole = pick.random() < 0.25
        jobs = ways()["ways of whole paragraphs" if whole else "ways"]
        job = pick.choice(list(jobs))
        part = pick.choice(_WHOLE if whole else list(parts))
        way = pick.choice((job, *jobs[job]))
        name = pick.choice((part, *parts.get(part, ())))
        plain = job.replace("{T}", part)
        yield Pair(way.replace("{T}", name), _PLAINER.get(plain, plain))


@cache
def _played(said: str) -> tuple[dict[str, Any], bool]:
    """What is on the desk afterwards, and whether a command was done."""
    answer = run_case({"id": "", "doc": PAGE, "settings": {}, "say": [_WHERE, said]})
    last = answer["trail"][-1]
    kept = {name: answer[name] for name in _KEPT if name in answer}
    if (last["command"] or "").startswith(("aloud.", "notes.")):
        kept["told"] = last["summary"]
    return kept, last["read_as"] == "command"


def outcome(pair: Pair) -> str:
    """ "done" as the plain wording is; "missed", or "harmed" where words went that it keeps; "" if
    the plain wording itself cannot be done."""
    wanted, can = _played(pair.plain)
    found, _ = _played(pair.said)
    if not can:
        return ""
    if found == wanted:
        return "done"
    lost = (_words(PAGE) & _words(wanted["markdown"])) - _words(found["markdown"])
    return "harmed" if lost else "missed"


def _words(text: str) -> Counter[str]:
    return Counter(re.findall(r"[^\W_]+", text.lower()))
