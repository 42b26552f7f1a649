"""How people name targets: one rule for every verb; its modules in the order of their rank."""

from nimble_lantern.core.targets import (  # isort: skip
    parts, stretches, described, past, ordered, headed, several, excepting,
)  # fmt: skip

__all__ = ["described", "excepting", "headed", "ordered", "parts", "past", "several", "stretches"]
