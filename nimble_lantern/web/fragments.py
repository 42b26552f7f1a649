"""Fragments: the parts of the page that change, each sent only when it looks different.

A page is known by an id.  For each, the server keeps what its fragments were to show last and the
first line shown, so that an answer carries only what the page lacks (htmx out-of-band swaps).
"""

from __future__ import annotations

import secrets
import sys
import threading
import time
import traceback
from collections import OrderedDict
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from typing import Any

from flask import current_app
from markupsafe import Markup

from nimble_lantern.core.commands.numbering import numbers_of
from nimble_lantern.core.commands.trailing import A_SCREEN, lines_of
from nimble_lantern.core.commands.wording import many, shortened
from nimble_lantern.core.controls import controls, settings_rows
from nimble_lantern.core.document import styles
from nimble_lantern.core.document.layout import LineIndex
from nimble_lantern.core.document.metrics import DEFAULT_FAMILY, FAMILIES
from nimble_lantern.core.document.pages import PAPER, POINTS, TOP, pages
from nimble_lantern.core.document.styles import SHADES
from nimble_lantern.core.doubts import doubts
from nimble_lantern.core.grammar.catalogue import GROUPS
from nimble_lantern.core.hints import hints
from nimble_lantern.core.kinds import Attention, Capitals
from nimble_lantern.core.mending.knowing import own_words
from nimble_lantern.core.mending.letters import letters_misheard
from nimble_lantern.core.mending.tray import unsure
from nimble_lantern.core.practice.lessons import LESSONS
from nimble_lantern.core.practice.watching import PATIENCE, lesson_of, step_of
from nimble_lantern.core.reference import ENTRIES_A_SCREEN, reference, screens_of
from nimble_lantern.core.reviewing.comparing import compare
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.core.showing import (
    SHELF_A_SCREEN,
    Segment,
    book_screens,
    book_shown,
    printed_rows,
    rows,
    shelf_screens,
    top_line,
)
from nimble_lantern.core.sitting import undone
from nimble_lantern.core.state import Sitting, View, page_style
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.cardinals import in_words
from nimble_lantern.shell import LiveDesk, Scene

TRAIL_LENGTH = 8
PASSAGES_SHOWN, NOTES_SHOWN, CHANGES_SHOWN = 8, 40, 5
SHEETS_SHOWN, SHEET_SCALE = 2, 0.31
SHEET_HEIGHT = 470.0
TRAY_HEIGHT = 130.0
"""Pixels of the sheet that the spelling tray covers."""
LESSONS_SHOWN = 5
LETTERS_SHOWN = 6
FIGURES_DAYS = 7
_MOST_PAGES = 32
_UNDRAWN = "undrawn"


@dataclass
class PageState:
    """What one open page is to show: of each fragment its values, with the stamp of their change.

    `room` and `top` are the height of its sheet and the first line it shows, `lines` all of them:
    none on other views than the desk.
    """

    revision: int = 0
    top: int = 1
    document: int = 0
    room: float = SHEET_HEIGHT
    lines: range = range(0)
    sent: dict[str, tuple[int, dict[str, Any]]] = field(default_factory=dict)


class Pages:
    """The pages that are open, the oldest forgotten first.

    A page says up to which stamp it shows what it was sent: an answer that was lost on its way is
    so sent again with the next.  Stamps rise for ever, over restarts too.
    """

    def __init__(self) -> None:
        self._states: OrderedDict[str, PageState] = OrderedDict()
        self._lock = threading.Lock()
        self._stamp = time.time_ns() // 1000

    def opened(self, desk: LiveDesk) -> tuple[str, dict[str, Markup], int]:
        """A new page: its name, all its fragments, and their stamp."""
        name = secrets.token_hex(8)
        with desk.lock:
            state = self.state(name)
            self._look(state, desk)
            whole = {n: Markup(_drawn(n, values)) for n, (_, values) in state.sent.items()}
            return name, whole, self._stamp

    def state(self, name: str) -> PageState:
        with self._lock:
            state = self._states.setdefault(name, PageState())
            self._states.move_to_end(name)
            while len(self._states) > _MOST_PAGES:
                self._states.popitem(last=False)
            return state

    def news(
        self, name: str, desk: LiveDesk, shows: int = 0, room: float | None = None
    ) -> tuple[str, int]:
        """The fragments that changed since the stamp that the page shows, and their stamp."""
        with desk.lock:
            state = self.state(name)
            if room is not None and room != state.room:
                state.room, state.revision = room, 0
            if state.revision != desk.revision:
                self._look(state, desk)
            newer = [(n, v) for n, (stamp, v) in state.sent.items() if stamp > shows]
            html = "\n".join(_out_of_band(_drawn(n, values)) for n, values in newer)
            return html, max(stamp for stamp, _ in state.sent.values())

    def _look(self, state: PageState, desk: LiveDesk) -> None:
        """Take what the page is to show now; what changed gets a new stamp."""
        scene = desk.scene()
        self._stamp += 1
        for fragment, values in shown(scene, state).items():
            if fragment not in state.sent or state.sent[fragment][1] != values:
                state.sent[fragment] = self._stamp, values
        state.revision = scene.revision
        if scene.sitting.view is View.DESK and scene.top is None:
            desk.window = state.top, state.room


def _drawn(name: str, values: dict[str, Any]) -> str:
    """A fragment's HTML; where it cannot be drawn, a sentence in its place with the way back."""
    if values.get("view") == _UNDRAWN:
        return _undrawn(name)
    try:
        template = current_app.jinja_env.get_template(f"fragments/{name}.html")
        html: str = template.render(values).strip()
        return html.encode("utf-8", "replace").decode()
    except Exception:
        traceback.print_exc(file=sys.stderr)
        return _undrawn(name)


def _undrawn(name: str) -> str:
    return (
        f'<section id="{name}" class="undrawn">This part of the page cannot be drawn. Say “undo '
        "that”, or “show the shelf” and “open” and a name, to go on.</section>"
    )


def _out_of_band(html: str) -> str:
    return html.replace(" id=", ' hx-swap-oob="true" id=', 1)


def shown(scene: Scene, state: PageState) -> dict[str, dict[str, Any]]:
    """What each fragment is to show; a fragment whose values are as before is not sent again.

    Moves the page's window so that what matters is in it: the stage comes before the trail, which
    tells of choices that are not.  A part that cannot be worked out shows
    nothing, and takes no other with it.
    """
    sitting = scene.sitting
    parts: dict[str, Callable[[], dict[str, Any]]] = {
        "lamp": lambda: {
            "lamp": sitting.lamp,
            "engine": sitting.settings.engine,
            "dialect": sitting.settings.dialect,
            "paper": sitting.settings.paper,
            "contrast": sitting.settings.contrast,
        },
        "heard": lambda: {
            "partial": scene.partial,
            "entry": _last(sitting),
            "notice": scene.notice,
            "trouble": scene.trouble,
        },
        "manner": lambda: {"title": sitting.title, "manner": manner(sitting)},
        "stage": lambda: _stage(scene, state),
        "trail": lambda: {
            "trail": trail(sitting),
            "offers": _offers(sitting, state.lines),
            "offered": _offered(sitting, state.lines),
            "notes": notes_shown(sitting) if sitting.view is View.DESK else [],
            "changes": changes_shown(sitting),
        },
        "hints": lambda: {"hints": hints(sitting), "numbers": numbers(sitting)},
        "controls": lambda: {
            "controls": controls(sitting, scene.playing),
            "numbers": numbers(sitting),
        },
        "voice": lambda: {"voice": scene.voice},
    }
    return {name: _values(part) for name, part in parts.items()}


def _values(part: Callable[[], dict[str, Any]]) -> dict[str, Any]:
    try:
        return part()
    except Exception:
        traceback.print_exc(file=sys.stderr)
        return {"view": _UNDRAWN}


def _stage(scene: Scene, state: PageState) -> dict[str, Any]:
    sitting = scene.sitting
    state.lines = range(0)
    if sitting.view is View.SHELF:
        return {
            "view": "shelf",
            "shelf": scene.shelf,
            "first": scene.screens * SHELF_A_SCREEN,
            "page": scene.screens + 1,
            "pages": shelf_screens(sitting),
            "found": sitting.found,
            "away": sitting.away,
        }
    if sitting.view is View.PASSAGES:
        return {"view": "passages", "passages": sitting.passages[:PASSAGES_SHOWN]}
    if sitting.view is View.PRACTICE:
        return {"view": "practice", "lessons": LESSONS, "practised": sitting.practised}
    if sitting.view is View.VERSIONS:
        return {
            "view": "versions",
            "milestones": sitting.milestones[::-1],
            "number": sitting.number,
        }
    if sitting.view is View.TRAIL:
        return {"view": "trail", **trail_shown(sitting)}
    if sitting.view is View.PRINT_TRAY:
        return {"view": "print_tray", **printed(scene)}
    if sitting.view is View.COMMANDS:
        entries = dict(reference())[GROUPS[sitting.group]]
        pages, page = screens_of(sitting.group), scene.screens
        shown = entries[page * ENTRIES_A_SCREEN : (page + 1) * ENTRIES_A_SCREEN]
        return {
            "view": "commands",
            "group": GROUPS[sitting.group],
            "groups": tuple(GROUPS.values()),
            "entries": shown,
            "page": page + 1,
            "pages": pages,
        }
    if sitting.view is View.SETTINGS:
        return {"view": "settings", "settings": settings_rows(sitting), "numbers": numbers(sitting)}
    if sitting.view is View.WORD_BOOK:
        return {
            "view": "word_book",
            "entries": book_shown(sitting, scene.screens),
            "count": len(sitting.word_book.entries),
            "page": scene.screens + 1,
            "pages": book_screens(sitting),
            "lessons": [x for x in sitting.lessons[::-1] if x.count][:LESSONS_SHOWN],
            "letters": letters_misheard(sitting.letters_known, LETTERS_SHOWN),
        }
    if sitting.view is View.FIGURES:
        return {"view": "figures", **figures(scene)}
    if state.document != sitting.page:
        state.document, state.top = sitting.page, 1
    covered = sitting.tray is not None or lesson_of(sitting) is not None
    room = state.room - (TRAY_HEIGHT if covered else 0.0)
    state.top = top_line(sitting, state.top, room)
    top = state.top if scene.top is None else scene.top
    drawn = rows(sitting, top, room)
    state.lines = range(drawn[0].number, drawn[-1].number + 1) if drawn else range(0)
    return {
        "view": "desk",
        "title": sitting.title,
        "rows": drawn,
        "lines": sitting.layout.count,
        "tray": tray_shown(sitting),
        "practice": practice_shown(sitting),
    }


def numbers(sitting: Sitting) -> dict[str, int]:
    """The numbers that were put on what can be said here, by its words."""
    return numbers_of(sitting.question)


def practice_shown(sitting: Sitting) -> dict[str, Any] | None:
    """The lesson that is being practised: what it asks for, and how far one is."""
    lesson, now = lesson_of(sitting), sitting.practising
    if lesson is None or now is None:
        return None
    step = step_of(sitting)
    return {
        "name": lesson.name,
        "step": min(now.step + 1, len(lesson.steps)),
        "steps": len(lesson.steps),
        "asks": step.asks if step else "That was all. “Next lesson”, or “leave the lesson”.",
        "says": step.says if step and now.failures >= PATIENCE else "",
        "told": now.told,
    }


def notes_shown(sitting: Sitting) -> list[dict[str, Any]]:
    """The margin notes, those that are open first."""
    found = [
        {"number": n.number, "text": n.text, "settled": n.settled,
         "line": sitting.layout.number(n.range.start)}
        for n in notes_of(sitting.document)[:NOTES_SHOWN]
    ]  # fmt: skip
    return sorted(found, key=lambda n: bool(n["settled"]))


def changes_shown(sitting: Sitting) -> dict[str, Any] | None:
    """The changes since a version, while those are looked at."""
    if sitting.compared is None:
        return None
    changes = compare(sitting.compared.base, sitting.document)
    first = max(0, min(sitting.compared.at - 1, len(changes) - CHANGES_SHOWN))
    return {
        "since": sitting.compared.since,
        "count": len(changes),
        "at": sitting.compared.at,
        "changes": [
            {"number": n, "was": shortened(c.was), "now": shortened(c.now), "looks": c.looks,
             "here": n - 1 == sitting.compared.at}
            for n, c in enumerate(changes, 1)
        ][first : first + CHANGES_SHOWN],
    }  # fmt: skip


def trail_shown(sitting: Sitting) -> dict[str, Any]:
    """A screen of the trail, with how much there is."""
    lines = lines_of(sitting)
    at = sitting.trail_view.screens
    shown = lines[at * A_SCREEN : (at + 1) * A_SCREEN]
    gone = undone(sitting, shown)
    return {
        "entries": [{"entry": e, "undone": e.number in gone} for e in shown],
        "missed": sitting.trail_view.missed,
        "page": at + 1,
        "pages": max(1, -(-len(lines) // A_SCREEN)),
    }


def printed(scene: Scene) -> dict[str, Any]:
    """The pages of a print, or of the document as it prints, as lines on paper."""
    sitting = scene.sitting
    chosen = sitting.shown_print
    job = scene.prints[chosen - 1] if 1 <= chosen <= len(scene.prints) else None
    document = job.document if job else sitting.document
    size = job.text_size if job else sitting.settings.text_size
    style = page_style(size)
    sheets = pages(LineIndex().layout(document, style))
    first = scene.screens * SHEETS_SHOWN
    return {
        "jobs": scene.prints,
        "job_shown": chosen,
        "title": job.title if job else sitting.title,
        "count": len(sheets),
        "first": first,
        "scale": SHEET_SCALE,
        "top": TOP / POINTS,
        "width": PAPER[0] / POINTS,
        "height": PAPER[1] / POINTS,
        "sheets": [
            printed_rows(document, size, sheet) for sheet in sheets[first : first + SHEETS_SHOWN]
        ],
    }


def tray_shown(sitting: Sitting) -> dict[str, Any] | None:
    """The spelling tray: each letter with whether it may be another, and what it stands for."""
    tray = sitting.tray
    if tray is None:
        return None
    doubtful = unsure(tray, own_words(sitting), sitting.letters_known)
    place = tray.place
    return {
        "letters": [(c, i in doubtful) for i, c in enumerate(tray.letters)],
        "instead": sitting.document.text(place) if place is not None else "",
    }


CHART_WIDTH, CHART_HEIGHT = 330.0, 110.0
"""Of a chart of figures, in pixels."""


def figures(scene: Scene) -> dict[str, Any]:
    """The person's own figures: charts as bars in pixels, a table, and the words misheard most."""
    days = scene.days[-FIGURES_DAYS:]
    stand = (x for x in scene.sitting.lessons if x.count)
    most = sorted(stand, key=lambda x: -x.count)[:LESSONS_SHOWN]
    return {
        "days": days,
        "words": _bars([d.words for d in days]),
        "corrections": _bars([d.per_hundred for d in days]),
        "width": CHART_WIDTH,
        "height": CHART_HEIGHT,
        "most": most,
    }


def _bars(values: Sequence[float]) -> list[dict[str, float]]:
    """A bar for each value: where it begins, how wide and high it is, in pixels; and the value."""
    most = max(values, default=0) or 1
    step = CHART_WIDTH / max(7, len(values))
    return [
        {"x": i * step + 4, "width": step - 8, "height": v / most * CHART_HEIGHT, "value": v}
        for i, v in enumerate(values)
    ]


def _offers(sitting: Sitting, lines: range) -> list[str]:
    """What may be chosen by number, unless all of it stands in the lines that are in view."""
    asked = sitting.question
    if asked is None or numbers_of(asked) or sitting.found:
        return []
    places = _places(sitting)
    if places and all(line in lines for line in places):
        return []
    return [option.label for option in asked.options]


def _offered(sitting: Sitting, lines: range) -> str:
    """What stands over the offers: "13 places, 9 in view"."""
    places = _places(sitting)
    if not places:
        return "By number"
    seen = sum(line in lines for line in places)
    return capitalised(f"{many(len(places), 'place')}, {in_words(seen)} in view")


def _places(sitting: Sitting) -> list[int]:
    """The lines in which stands what may be chosen."""
    options = sitting.question.options if sitting.question is not None else ()
    return [sitting.layout.number(o.ranges[0].start) for o in options if o.ranges]


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
    names = {
        Capitals.TITLE: "capitals on",
        Capitals.UPPER: "all capitals on",
        Capitals.LOWER: "no capitals on",
    }
    if sitting.capitals in names:
        found.append(names[sitting.capitals])
    if sitting.attention is Attention.COMMANDS:
        found.append("commands only")
    elif sitting.attention is Attention.TEXT:
        found.append("text only")
    if unsure := len(doubts(sitting.document)):
        found.append(f"{many(unsure, 'word')} in doubt: “next doubt”")
    if sitting.tray is not None:
        found.append("spelling a word")
    elif sitting.insertion is not None:
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
    if segment.doubted:
        found.append("doubted")
    found += (f"looks-{name}" for name in segment.looks)
    return " ".join(found)


def face(segment: Segment) -> str:
    """The inline style of a piece of a line, in the face that the core measured it in."""
    own = segment.face
    family = own.family if own.family in FAMILIES else DEFAULT_FAMILY
    weight, slant = (700 if own.bold else 400), ("italic" if own.italic else "normal")
    style = f"font: {slant} {weight} {own.size:g}px/1 '{family}'"
    found = next((s.value for s in segment.marks if s.mark == "colour" and s.value), None)
    # Whatever a file brought: nothing but a colour goes into the attribute.
    shade = styles.colour(found) if found else None
    if shade and shade != "black":
        style += f"; color: {SHADES.get(shade, shade)}"
    return style
