"""Wordings of ten speakers, written before the desk was widened for them; half of them sealed.

The sealed half is played for its figure only: nobody looks at which of them fail.
"""

from __future__ import annotations

import json
import re
from collections import Counter
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from nimble_lantern.benchmarks import Figure
from nimble_lantern.playing import run_cases

CORPUS = Path(__file__).resolve().parents[1] / "tests" / "corpus"
HALVES = ("open", "sealed")


def run() -> Iterator[Figure]:
    for half in HALVES:
        cases = read(half)
        held, by_style, harmed = Counter[str](), Counter[str](), 0
        for case, why in played(cases):
            by_style[case["style"]] += 1
            held[case["style"]] += why is None
            harmed += why is not None and why.startswith("harm")
        share = held.total() / len(cases)
        yield Figure(f"wordings_{half}", held.total(), "wordings", "all", share)
        yield Figure(f"wordings_{half}_harmed", harmed, "wordings", "all", harmed / len(cases))
        for style, count in sorted(by_style.items()):
            name = f"wordings_{half}_{style.replace(' ', '_')}"
            yield Figure(name, held[style], "wordings", "all", held[style] / count)


def read(half: str) -> list[dict[str, Any]]:
    lines = (CORPUS / f"wordings_{half}.jsonl").read_text(encoding="utf-8").splitlines()
    return [json.loads(line) for line in lines]


def played(cases: list[dict[str, Any]]) -> Iterator[tuple[dict[str, Any], str | None]]:
    """Each case with what is wrong afterwards, or None."""
    answers = run_cases(json.dumps(case) for case in cases)
    for case, answer in zip(cases, answers, strict=True):
        yield case, wrong(case["expect"], json.loads(answer), case["doc"])


def wrong(expect: dict[str, Any], answer: dict[str, Any], doc: str) -> str | None:
    """What does not hold, in a line; it begins with "harm" where text that stood there went."""
    if "error" in answer:
        return f"error: {answer['error']}"
    result = answer["result"]
    for name in ("text", "markdown"):
        if name in expect and _plain(answer[name]) != _plain(expect[name]):
            kept = _words(doc) & _words(expect[name])
            harmed = kept - _words(answer[name])
            return f"{'harm' if harmed else 'text'}: {answer[name]!r}"
    if "selected" in expect:
        got = (result.get("selection") or {}).get("text", "")
        if _plain(got) != _plain(expect["selected"]):
            return f"selected: {got!r}"
    if "before_caret" in expect:
        caret = result["caret"]
        before = result["blocks"][caret["block"]]["text"][: caret["offset"]]
        wanted = _plain(expect["before_caret"])
        if not _plain(before).endswith(wanted) or bool(wanted) != bool(before):
            return f"before the caret: {before[-25:]!r}"
    for mark in expect.get("has_marks", ()):
        if not _covered(result, mark):
            return f"no {mark}"
    for mark in expect.get("no_marks", ()):
        if _covered(result, mark):
            return f"still {mark}"
    if "align" in expect:
        got = result["blocks"][expect["align"]["paragraph"] - 1].get("align")
        if got != expect["align"]["is"].replace("center", "centre"):
            return f"aligned {got}"
    return None


def _plain(text: str) -> str:
    for curly, straight in zip("“”‘’", "\"\"''", strict=True):
        text = text.replace(curly, straight)
    text = re.sub(r"(?m)^(\s*)\d+\. ", r"\g<1>1. ", text)
    return "\n".join(line.strip() for line in text.splitlines() if line.strip())


def _words(text: str) -> Counter[str]:
    return Counter(re.findall(r"[^\W_]+", text.lower()))


def _covered(result: dict[str, Any], mark: dict[str, Any]) -> bool:
    for block in result["blocks"]:
        start = block["text"].find(mark["text"])
        if start < 0:
            continue
        there: set[int] = set()
        for span in block.get("spans", ()):
            if span["mark"] == mark["mark"]:
                there.update(range(span["start"], span["end"]))
        if there.issuperset(range(start, start + len(mark["text"]))):
            return True
    return False
