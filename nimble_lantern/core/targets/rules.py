"""How people name targets: one rule for every verb; its modules in the order of their rank."""

from nimble_lantern.core.targets import parts, stretches, described, headed, excepting  # isort: skip

__all__ = ["described", "excepting", "headed", "parts", "stretches"]
