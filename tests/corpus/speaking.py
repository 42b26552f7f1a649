"""What is said to a page and what must be so afterwards: how sets of wordings are written down."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from typing import Any

from nimble_lantern.playing import run_case

Result = dict[str, Any]
Wanted = Callable[[Result], object]


@dataclass(frozen=True)
class Wording:
    """What is said to a document, the last of it being tried, and what must be so afterwards."""

    family: str
    doc: str
    said: tuple[str, ...]
    wanted: tuple[Wanted, ...]
    given: dict[str, Any]
    half: str

    def holds(self) -> bool:
        result = run_case({"id": 0, "doc": self.doc, "say": list(self.said), **self.given})
        try:
            return "error" not in result and all(one(result) for one in self.wanted)
        except (LookupError, TypeError, AttributeError):
            return False


@dataclass
class Written:
    """A set of wordings; every other one is sealed: played for its figure only, until `opened`."""

    opened: bool = False
    wordings: list[Wording] = field(default_factory=list)

    def one(self, family: str, doc: str, said: list[str], *wanted: Wanted, **given: Any) -> None:
        half = "sealed" if len(self.wordings) % 2 and not self.opened else "open"
        self.wordings.append(Wording(family, doc, tuple(said), wanted, given, half))

    def each(
        self,
        family: str,
        doc: str,
        wanted: Wanted,
        *wordings: str,
        after: Iterable[str] = (),
        **given: Any,
    ) -> None:
        """Several wordings of one job, each said after the same."""
        for said in wordings:
            self.one(family, doc, [*after, said], wanted, **given)


def played(wordings: Iterable[Wording]) -> dict[str, tuple[int, int]]:
    """For each half, open and sealed, how many of how many hold."""
    found = {"open": (0, 0), "sealed": (0, 0)}
    for wording in wordings:
        held, count = found[wording.half]
        found[wording.half] = held + wording.holds(), count + 1
    return found


def both(*wanted: Wanted) -> Wanted:
    return lambda r: all(one(r) for one in wanted)


def md(text: str) -> Wanted:
    return lambda r: r["markdown"] == text


def has(*words: str) -> Wanted:
    return lambda r: all(w in r["markdown"] for w in words)


def hasnt(*words: str) -> Wanted:
    return lambda r: not any(w in r["markdown"] for w in words)


def cell(row: int, column: int) -> Wanted:
    def wanted(r: Result) -> bool:
        block = r["result"]["blocks"][r["result"]["caret"]["block"]]
        return (block.get("row"), block.get("column")) == (row, column)

    return wanted


def size(rows: int, columns: int) -> Wanted:
    def wanted(r: Result) -> bool:
        cells = [b for b in r["result"]["blocks"] if b["kind"] == "cell"]
        high = max((b["row"] for b in cells), default=-1)
        wide = max((b["column"] for b in cells), default=-1)
        return (high, wide) == (rows - 1, columns - 1)

    return wanted


def col(number: int, texts: list[str]) -> Wanted:
    def wanted(r: Result) -> bool:
        cells = [b for b in r["result"]["blocks"] if b["kind"] == "cell"]
        return [b["text"] for b in cells if b["column"] == number] == texts

    return wanted


def n(text: str, number: int = 0) -> Wanted:
    return lambda r: text in r["result"]["notes"][number]["text"].lower()


def title(name: str) -> Wanted:
    return lambda r: r["result"]["title"] == name


def eff(name: str) -> Wanted:
    return lambda r: name in r["trail"][-1]["effects"]


def al(text: str) -> Wanted:
    return lambda r: text in (r["result"]["aloud"] or "")


def is_(text: str) -> Wanted:
    return lambda r: plain(r["markdown"]) == plain(text)


def plain(text: str) -> str:
    for sign, straight in (("’", "'"), ("‘", "'"), ("“", '"'), ("”", '"')):
        text = text.replace(sign, straight)
    return "\n".join(line.strip() for line in text.splitlines() if line.strip())


def change(doc: str, *pairs: tuple[str, str]) -> Wanted:
    for old, new in pairs:
        assert old in doc, old
        doc = doc.replace(old, new)
    return is_(doc)


def selected(text: str) -> Wanted:
    return lambda r: (r["result"]["selection"] or {}).get("text", "") == text


def after(text: str) -> Wanted:
    """The writing place stands behind these words."""

    def wanted(r: Result) -> bool:
        caret = r["result"]["caret"]
        before = r["result"]["blocks"][caret["block"]]["text"][: caret["offset"]]
        return before.rstrip().endswith(text) if text else not before

    return wanted


def marked(mark: str, *texts: str) -> Wanted:
    def wanted(r: Result) -> bool:
        found = [
            b["text"][s["start"] : s["end"]]
            for b in r["result"]["blocks"]
            for s in b.get("spans", ())
            if s["mark"] == mark
        ]
        return found == list(texts)

    return wanted


def block(number: int, **fields: Any) -> Wanted:
    return lambda r: all(r["result"]["blocks"][number].get(k) == v for k, v in fields.items())
