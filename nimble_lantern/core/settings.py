"""Changing settings by name, from words or from outside."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from nimble_lantern.core.errors import WrongUse
from nimble_lantern.core.state import SETTING_CHOICES, Settings


def configured(settings: Settings, name: str, value: str) -> Settings:
    """Settings with one changed; WrongUse if there is no such setting or value."""
    if name not in SETTING_CHOICES:
        known = ", ".join(sorted(SETTING_CHOICES))
        raise WrongUse(f"There is no setting called {name!r}; there are {known}.")
    choices = SETTING_CHOICES[name]
    if value not in choices:
        raise WrongUse(f"{name} cannot be {value!r}; it can be {' or '.join(choices)}.")
    made: Any = value == "on" if choices == ("on", "off") else value
    return replace(settings, **{name: made})


def setting_text(value: bool | str) -> str:
    """A setting's value as it is stored."""
    return {True: "on", False: "off"}[value] if isinstance(value, bool) else value
