"""The controls of each view: their visible names, which are also what is said to them.

Pressing a control is as saying its words; pages draw controls from this list only, so that there
is none that cannot be spoken to.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from nimble_lantern.core.practice.lessons import LESSONS
from nimble_lantern.core.state import Sitting, View


def numbered(sitting: Sitting) -> int:
    """How many rows of the view are done by saying their number."""
    match sitting.view:
        case View.SHELF:
            return len(sitting.shelf)
        case View.PRACTICE:
            return len(LESSONS)
        case View.PASSAGES:
            return len(sitting.passages)
        case View.VERSIONS:
            return len(sitting.milestones)
        case View.PRINT_TRAY:
            return len(sitting.jobs)
    return 0


def row_words(sitting: Sitting, number: int) -> tuple[str, ...]:
    """What a numbered row of the view stands for, in words."""
    verb = {
        View.SHELF: "open document number",
        View.PRACTICE: "start lesson",
        View.PASSAGES: "insert passage number",
        View.VERSIONS: "compare with version number",
        View.PRINT_TRAY: "show print number",
    }[sitting.view]
    return (*verb.split(), str(number))


@dataclass(frozen=True, slots=True)
class Control:
    """A control: its visible name, and the words that do the same; `on` while it is in effect."""

    name: str
    says: str
    on: bool = False


@dataclass(frozen=True, slots=True)
class SettingRow:
    """A setting as its page shows it: its name, what it is now, and what changes it."""

    name: str
    value: str
    say: str


def controls(sitting: Sitting, playing: str | None = None) -> tuple[Control, ...]:
    """What can be pressed in a sitting; `playing` is the script that the prompter speaks."""
    if not sitting.scripts:
        return ()
    if playing is not None:
        return (Control("Stop the prompter", "stop the prompter", on=True),)
    return tuple(Control(f"Play “{script}”", f"play {script}") for script in sitting.scripts)


def pressable(sitting: Sitting, hints: Iterable[str]) -> tuple[Control, ...]:
    """All that numbers are put on: the view's rows, the hints, and the controls."""
    rows: list[Control] = []
    if sitting.view is View.SETTINGS:
        rows = [Control(row.name, row.say) for row in settings_rows(sitting)]
    elif (count := numbered(sitting)) and sitting.view is not View.SHELF:
        rows = [Control(f"number {n}", " ".join(row_words(sitting, n)))
                for n in range(1, count + 1)]  # fmt: skip
    elif sitting.view is View.SHELF:
        rows = [Control(name, " ".join(row_words(sitting, n)))
                for n, name in enumerate(sitting.shelf[:MOST_ROWS], 1)]  # fmt: skip
    rows += [Control(hint, hint) for hint in hints]
    if sitting.view is not View.DESK:
        rows.append(Control("back to the desk", "back to the desk"))
    found = {control.says: control for control in (*rows, *controls(sitting))}
    return tuple(found.values())


MOST_ROWS = 20
_HEARS = {
    "builtin": "the built-in recogniser",
    "browser": "the browser’s recogniser",
    "model": "the larger model",
}


def settings_rows(sitting: Sitting) -> tuple[SettingRow, ...]:
    """Each setting in words, as it stands, and what to say to change it."""
    now = sitting.settings
    style = {"editor": "as an editor would", "digits": "in digits", "words": "in words"}
    masked = "masked" if now.masking else "written in full"
    return (
        SettingRow("Automatic punctuation", _on(now.auto_punctuation),
                   f"automatic punctuation {_on(not now.auto_punctuation)}"),
        SettingRow("Conventions", now.dialect.capitalize(),
                   f"{'american' if now.dialect == 'british' else 'british'} conventions"),
        SettingRow("Numbers", style[now.numbers],
                   "digits on" if now.numbers != "digits" else "digits off"),
        SettingRow("Text on the page", f"{now.text_size} pixels", "zoom in"),
        SettingRow("Paper", now.paper, f"{'dark' if now.paper == 'light' else 'light'} paper"),
        SettingRow("Contrast", now.contrast,
                   f"{'high' if now.contrast == 'normal' else 'normal'} contrast"),
        SettingRow("Patience", now.patience,
                   "normal patience" if now.patience != "normal" else "long patience"),
        SettingRow("Hearing", _ears(sitting), _other_ears(sitting)),
        SettingRow("Microphone", "checked when you ask", "check the microphone"),
        SettingRow("Voice learning", _on(now.learns_voice),
                   f"voice learning {_on(not now.learns_voice)}"),
        SettingRow("Answers aloud", _on(now.answers_aloud),
                   f"answers aloud {_on(not now.answers_aloud)}"),
        SettingRow("Reading pace", now.reading_pace,
                   "read slower" if now.reading_pace != "slow" else "read faster"),
        SettingRow("Offensive words", masked, "masking off" if now.masking else "masking on"),
    )  # fmt: skip


def _on(value: bool) -> str:
    return "on" if value else "off"


def _ears(sitting: Sitting) -> str:
    """What listens now, by name."""
    engine = sitting.settings.engine
    if engine in ("best", "model"):
        return f"the larger model {sitting.model}" if sitting.model else _HEARS["builtin"]
    return _HEARS[engine]


def _other_ears(sitting: Sitting) -> str:
    if sitting.settings.engine not in ("best", "model"):
        return "use the best ears"
    return "use the built in ears" if sitting.model else "fetch better ears"
