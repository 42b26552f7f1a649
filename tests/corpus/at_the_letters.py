"""Wordings for revising and composing letters, in three sets.

Each was written before it was first played, by somebody who thinks of the letter in front of them.
"""

from __future__ import annotations

from tests.corpus import letters_first, letters_minutes, letters_notice

SETS = tuple(m.SET.wordings for m in (letters_first, letters_minutes, letters_notice))
WORDINGS = [wording for some in SETS for wording in some]
