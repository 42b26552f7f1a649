"""Targets to ranges.  What cannot be found is a Refusal; what was misheard is a Missing.

Importing this module brings the finders of all kinds of targets.
"""

from __future__ import annotations

from nimble_lantern.core.targets import cells, counted, reaching, standing
from nimble_lantern.core.targets.finding import Absent, Missing
from nimble_lantern.core.targets.finding import find as resolve

__all__ = ["Absent", "Missing", "cells", "counted", "reaching", "resolve", "standing"]
