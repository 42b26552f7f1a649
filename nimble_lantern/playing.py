"""Playing a script or a list of hearings on a desk of its own, without database or page."""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.effects import Effect, NameDocument, NewDocument, OpenDocument
from nimble_lantern.core.errors import BadInput, LanternError, WrongUse
from nimble_lantern.core.reading.hearing import Hearing, from_lines
from nimble_lantern.core.sitting import Configured, Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import WRITERS, from_markdown
from nimble_lantern.formats.report import sitting_data, trail_data


@dataclass
class Desk:
    """One person's documents in memory: the shell that `perform` and `hear` use."""

    sitting: Sitting
    shelf: dict[str, Sitting] = field(default_factory=dict)

    def hear(self, hearing: Hearing) -> None:
        outcome = advance(self.sitting, Heard(hearing))
        self.sitting = outcome.sitting
        for effect in outcome.effects:
            self._perform(effect)

    def set(self, name: str, value: str) -> None:
        self.sitting = advance(self.sitting, Configured(name, value)).sitting

    def _perform(self, effect: Effect) -> None:
        match effect:
            case NewDocument(name):
                title = name or f"Untitled {len(self.shelf) + 2}"
                self._switch(title, Sitting(page=len(self.shelf) + 1))
            case OpenDocument(name) if name in self.shelf and name != self.sitting.title:
                self._switch(name, self.shelf[name])
            case NameDocument(name):
                self.sitting = replace(self.sitting, title=name)

    def _switch(self, title: str, to: Sitting) -> None:
        now = self.sitting
        self.shelf[now.title] = now
        names = tuple({**self.shelf, title: to})
        self.sitting = replace(
            to,
            title=title,
            shelf=names,
            settings=now.settings,
            trail=now.trail,
            number=now.number,
        )


def desk_with(document: Document, settings: Mapping[str, str]) -> Desk:
    """A desk with a document, the caret at its end."""
    sitting = Sitting(document=document, caret=document.end, wrote=document.end)
    first = document.blocks[0]
    if first.kind == "heading":
        sitting = replace(sitting, title=first.text)
    desk = Desk(replace(sitting, shelf=(sitting.title,)))
    for name, value in settings.items():
        desk.set(name, value)
    return desk


def read_text(path: Path, what: str) -> str:
    """A UTF-8 file's text; BadInput in one sentence for what cannot be read."""
    try:
        return path.read_bytes().decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInput(
            f"{what} {path} is not UTF-8 text (byte {error.start + 1}); save it as UTF-8."
        ) from error
    except IsADirectoryError as error:
        raise BadInput(f"{what} {path} is a folder; name a file in it.") from error
    except OSError as error:
        raise BadInput(
            f"{what} {path} cannot be read: {error.strerror}; check its name."
        ) from error


def script_hearings(text: str) -> list[Hearing]:
    return list(from_lines(text.splitlines()))


def output(desk: Desk, form: str, trail: bool) -> str:
    """What the command line prints: the document in a format, or the trail."""
    if trail:
        return "\n".join(json.dumps(e, ensure_ascii=False) for e in trail_data(desk.sitting))
    if form == "json":
        return json.dumps(sitting_data(desk.sitting), ensure_ascii=False)
    return WRITERS[form](desk.sitting.document)


def setting_value(value: Any) -> str:
    """A setting as the cases give it: true and false stand for on and off."""
    if isinstance(value, bool):
        return "on" if value else "off"
    return str(value)


def run_case(case: Any) -> dict[str, Any]:
    """One case of a cases file on a fresh desk; an error is a sentence under "error"."""
    name = case.get("id") if isinstance(case, dict) else None
    try:
        if not isinstance(case, dict):
            raise WrongUse("A case is a JSON object with id, doc and say.")
        doc, settings, say = case.get("doc") or "", case.get("settings") or {}, case.get("say")
        if not isinstance(doc, str) or not isinstance(settings, dict):
            raise WrongUse("In a case, doc is a string and settings an object.")
        if not isinstance(say, list) or not all(isinstance(line, str) for line in say):
            raise WrongUse("In a case, say is a list of strings.")
        values = {str(k): setting_value(v) for k, v in settings.items()}
        desk = desk_with(from_markdown(doc), values)
        for hearing in from_lines(say):
            desk.hear(hearing)
    except LanternError as error:
        return {"id": name, "error": str(error)}
    document = desk.sitting.document
    return {
        "id": name,
        "result": sitting_data(desk.sitting),
        "markdown": WRITERS["markdown"](document),
        "text": WRITERS["text"](document),
        "trail": trail_data(desk.sitting),
    }


def run_cases(lines: Iterable[str]) -> Iterable[str]:
    """One JSON line of answer for each line of a cases file."""
    for number, line in enumerate(lines, 1):
        if not line.strip():
            continue
        try:
            case = json.loads(line)
        except ValueError as error:
            answer: dict[str, Any] = {"id": None, "error": f"Line {number} is not JSON: {error}."}
        else:
            answer = run_case(case)
        yield json.dumps(answer, ensure_ascii=False)
