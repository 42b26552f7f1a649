"""Wordings for tables, passages, places, notes, versions, the shelf, paper and reading aloud.

Four sets, each written before it was first played, by somebody thinking of the speaker.
"""

from __future__ import annotations

from tests.corpus import house_helper, house_hurry, house_jobs, house_paper

SETS = tuple(m.SET.wordings for m in (house_jobs, house_hurry, house_paper, house_helper))
WORDINGS = [wording for some in SETS for wording in some]
