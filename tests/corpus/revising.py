"""Targets and revisions: reading the corpora, and running a case of each."""

from __future__ import annotations

from dataclasses import dataclass, replace

from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.formats import from_markdown
from tests.corpus.corpora import FOLDER, rows
from tests.desk import Driver

ROTA = from_markdown((FOLDER / "rota.md").read_text(encoding="utf-8"))


@dataclass(frozen=True, slots=True)
class TargetCase:
    """What something is called, the texts that are meant, and words the caret stands before."""

    section: str
    called: str
    meant: tuple[str, ...]
    caret: str = ""


def target_cases() -> list[TargetCase]:
    found = []
    for section, (called, meant, *more) in rows("targets.tsv"):
        caret = more[0].removeprefix("@ ") if more else ""
        found.append(TargetCase(section, called, tuple(meant.split(" || ")), caret))
    return found


def place_of(document: Document, words: str) -> Position:
    """Before the first place of some words; the end for none."""
    if not words:
        return document.end
    for b, block in enumerate(document.blocks):
        if words in block.text:
            return Position(b, block.text.index(words))
    raise AssertionError(f"{words!r} does not stand in the document")


def said_about(case: TargetCase, verb: str) -> Driver:
    """A desk on which a verb was said with the target."""
    driver = Driver(document=ROTA, caret=place_of(ROTA, case.caret))
    driver.hears(verb.format(case.called))
    return driver


def texts_of(driver: Driver, ranges: tuple[Range, ...]) -> tuple[str, ...]:
    return tuple(driver.document.text(r).replace("\n\n", "¶") for r in ranges)


def with_mark(driver: Driver, mark: str) -> tuple[str, ...]:
    """Texts that carry a mark; across blocks they count as one, as a range does."""
    found: list[str] = []
    last = (-2, False)
    for b, block in enumerate(driver.document.blocks):
        for s in block.spans:
            if s.mark != mark:
                continue
            text = block.text[s.start : s.end]
            if last == (b - 1, True) and s.start == 0:
                found[-1] += "¶" + text
            else:
                found.append(text)
            last = (b, s.end == len(block.text))
    return tuple(found)


@dataclass(frozen=True, slots=True)
class Task:
    """A job on a page, the page it should come to, and ways that people put it."""

    name: str
    start: str
    end: str
    ways: tuple[str, ...]


def tasks(name: str) -> list[Task]:
    """Tasks of a file: "## name", a line of start, a line "=> end", then ways, one a line.

    Pages are Markdown on one line, "¶" between blocks; ways may hold " / " between utterances.
    """
    found: list[Task] = []
    for section, (line, *_) in rows(name):
        if not found or found[-1].name != section:
            found.append(Task(section, line, "", ()))
        elif line.startswith("=> "):
            found[-1] = replace(found[-1], end=line[3:])
        else:
            found[-1] = replace(found[-1], ways=(*found[-1].ways, line))
    return found


def page_of(markdown: str) -> str:
    return markdown.replace("¶", "\n\n").replace("⏎", "\\\n")


def done(task: Task, way: str) -> str:
    """The page as Markdown on one line, with "|" or "[...]" where the task's end has them."""
    start, caret = task.start, task.start.find("|")
    at = None
    if caret >= 0:
        before = Driver(page_of(start[:caret])).document
        spaces = len(start[:caret]) - len(start[:caret].rstrip(" "))
        at = before.end._replace(offset=before.end.offset + spaces)
    driver = Driver(page_of(start.replace("|", "")), caret=at)
    driver.hears(*way.split(" / "))
    if "|" in task.end or "[" in task.end:
        return shown(driver.page)
    return shown(driver.markdown)


def shown(page: str) -> str:
    return page.replace("\\\n", "⏎").replace("\n\n", "¶").replace("\n", "¶")
