"""Fragments: the parts of the page that change, each sent only when it looks different.

A page is known by an id.  For each, the server keeps what its fragments showed last and the first
line shown, so that an answer carries only what is new (htmx out-of-band swaps).
"""

from __future__ import annotations

import secrets
import threading
from collections import OrderedDict
from dataclasses import dataclass, field
from typing import Any

from flask import current_app
from markupsafe import Markup

from nimble_lantern.core.grammar.catalogue import GROUPS
from nimble_lantern.core.hints import hints
from nimble_lantern.core.reference import reference
from nimble_lantern.core.showing import Segment, rows, scrolled, top_line
from nimble_lantern.core.sitting import undone
from nimble_lantern.core.state import Sitting
from nimble_lantern.shell import LiveDesk, Scene

TRAIL_LENGTH = 8
ENTRIES_A_SCREEN = 5
SHEET_HEIGHT = 470.0
_MOST_PAGES = 32
SHADES = {
    "red": "#a3161a", "blue": "#14509e", "green": "#1c6324", "orange": "#994200",
    "purple": "#6b2a8c", "brown": "#6b4423", "grey": "#55606a", "pink": "#a3195b",
    "teal": "#0a5f63",
}  # fmt: skip
"""Colours by name, in shades that can be read on the paper (4.5:1 and more)."""


@dataclass
class PageState:
    """What one open page shows."""

    revision: int = 0
    top: int = 1
    document: int = 0
    room: float = SHEET_HEIGHT
    sent: dict[str, dict[str, Any]] = field(default_factory=dict)


class Pages:
    """The pages that are open, the oldest forgotten first."""

    def __init__(self) -> None:
        self._states: OrderedDict[str, PageState] = OrderedDict()
        self._lock = threading.Lock()

    def opened(self) -> str:
        name = secrets.token_hex(8)
        self.state(name)
        return name

    def state(self, name: str) -> PageState:
        with self._lock:
            state = self._states.setdefault(name, PageState())
            self._states.move_to_end(name)
            while len(self._states) > _MOST_PAGES:
                self._states.popitem(last=False)
            return state

    def news(self, name: str, desk: LiveDesk) -> str:
        """The fragments that changed since this page was last answered; "" for none."""
        state = self.state(name)
        if state.revision == desk.revision:
            return ""
        found = []
        with desk.lock:
            scene = desk.scene()
            for fragment, values in shown(scene, state).items():
                if state.sent.get(fragment) != values:
                    state.sent[fragment] = values
                    found.append(_out_of_band(_rendered(fragment, values)))
            state.revision = scene.revision
        return "\n".join(found)

    def whole(self, name: str, desk: LiveDesk) -> dict[str, Markup]:
        """Every fragment, for a page that is drawn from nothing."""
        state = self.state(name)
        with desk.lock:
            scene = desk.scene()
            state.sent = shown(scene, state)
            state.revision = scene.revision
        return {n: Markup(_rendered(n, values)) for n, values in state.sent.items()}


def _rendered(name: str, values: dict[str, Any]) -> str:
    template = current_app.jinja_env.get_template(f"fragments/{name}.html")
    return template.render(values).strip()


def _out_of_band(html: str) -> str:
    return html.replace(" id=", ' hx-swap-oob="true" id=', 1)


def shown(scene: Scene, state: PageState) -> dict[str, dict[str, Any]]:
    """What each fragment is to show; a fragment whose values are as before is not sent again.

    Moves the page's window so that what matters is in it.
    """
    sitting = scene.sitting
    return {
        "lamp": {
            "lamp": sitting.lamp,
            "engine": sitting.settings.engine,
            "dialect": sitting.settings.dialect,
        },
        "heard": {"partial": scene.partial, "entry": _last(sitting), "notice": scene.notice},
        "manner": {"title": sitting.title, "manner": manner(sitting)},
        "stage": _stage(scene, state),
        "trail": {"trail": trail(sitting)},
        "hints": {"hints": hints(sitting, scene.view)},
        "prompter": {"scripts": sitting.scripts, "playing": scene.playing},
    }


def _stage(scene: Scene, state: PageState) -> dict[str, Any]:
    sitting = scene.sitting
    if scene.view == "shelf":
        return {"view": "shelf", "shelf": scene.shelf}
    if scene.view == "commands":
        entries = dict(reference())[GROUPS[scene.group]]
        pages = max(1, -(-len(entries) // ENTRIES_A_SCREEN))
        page = min(max(0, scene.screens), pages - 1)
        shown = entries[page * ENTRIES_A_SCREEN : (page + 1) * ENTRIES_A_SCREEN]
        return {
            "view": "commands",
            "group": GROUPS[scene.group],
            "groups": tuple(GROUPS.values()),
            "entries": shown,
            "page": page + 1,
            "pages": pages,
        }
    if scene.view == "settings":
        return {"view": "settings", "settings": settings_shown(sitting)}
    if state.document != sitting.page:
        state.document, state.top = sitting.page, 1
    state.top = top_line(sitting, state.top, state.room)
    top = scrolled(sitting, state.top, state.room, scene.screens)
    return {
        "view": "desk",
        "title": sitting.title,
        "rows": rows(sitting, top, state.room),
        "lines": sitting.layout.count,
    }


def settings_shown(sitting: Sitting) -> list[dict[str, Any]]:
    """Each setting in words, as it stands, and what to say to change it."""
    now = sitting.settings
    style = {"editor": "as an editor would", "digits": "in digits", "words": "in words"}
    return [
        {
            "name": "Automatic punctuation",
            "value": "on" if now.auto_punctuation else "off",
            "say": f"automatic punctuation {'off' if now.auto_punctuation else 'on'}",
        },
        {
            "name": "Conventions",
            "value": now.dialect.capitalize(),
            "say": f"{'american' if now.dialect == 'british' else 'british'} conventions",
        },
        {
            "name": "Numbers",
            "value": style[now.numbers],
            "say": "digits on" if now.numbers != "digits" else "digits off",
        },
        {
            "name": "Text on the page",
            "value": f"{now.text_size} pixels",
            "say": "zoom in",
        },
        {
            "name": "Patience",
            "value": now.patience,
            "say": "normal patience" if now.patience != "normal" else "long patience",
        },
        {
            "name": "Hearing",
            "value": _HEARS[now.engine],
            "say": "listen with the browser"
            if now.engine == "builtin"
            else "use the built in ears",
        },
        {
            "name": "Microphone",
            "value": "checked when you ask",
            "say": "check the microphone",
        },
        {
            "name": "Offensive words",
            "value": "masked" if now.masking else "written in full",
            "say": "masking off" if now.masking else "masking on",
        },
    ]


_HEARS = {
    "builtin": "the built-in recogniser",
    "browser": "the browser’s recogniser",
    "model": "the larger model",
}


def _last(sitting: Sitting) -> Any:
    return sitting.trail[-1] if sitting.trail else None


def trail(sitting: Sitting) -> list[dict[str, Any]]:
    """The last utterances, the newest first, each with whether it is undone."""
    entries = sitting.trail[-TRAIL_LENGTH:]
    gone = undone(sitting, entries)
    return [{"entry": e, "undone": e.number in gone} for e in reversed(entries)]


def manner(sitting: Sitting) -> list[str]:
    """What is on, in words."""
    found = [f"{mark}{f' {value}' if value else ''} on" for mark, value in sitting.typing]
    names = {"title": "capitals on", "upper": "all capitals on", "lower": "no capitals on"}
    if sitting.capitals in names:
        found.append(names[sitting.capitals])
    if sitting.attention == "commands":
        found.append("commands only")
    elif sitting.attention == "text":
        found.append("text only")
    if sitting.insertion is not None:
        found.append("the next words go in here")
    elif sitting.selection is not None and sitting.fresh:
        found.append("the next words replace the selection")
    return found


def classes(segment: Segment) -> str:
    """The CSS classes of a piece of a line."""
    found = ["run", *sorted({f"mark-{s.mark}" for s in segment.marks})]
    if segment.selected:
        found += ["chosen-text", *(f"edge-{e}" for e in segment.edges)]
    if segment.chosen:
        found.append("flagged")
    return " ".join(found)


def face(segment: Segment) -> str:
    """The inline style of a piece of a line, in the face that the core measured it in."""
    own = segment.face
    weight, slant = (700 if own.bold else 400), ("italic" if own.italic else "normal")
    style = f"font: {slant} {weight} {own.size:g}px/1 '{own.family}'"
    colour = next((s.value for s in segment.marks if s.mark == "colour" and s.value), None)
    if colour in SHADES:
        style += f"; color: {SHADES[colour]}"
    elif colour and colour.replace("#", "").isalnum():
        style += f"; color: {colour}"
    return style
