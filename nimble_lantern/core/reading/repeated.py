"""Sentences of the page that are said once more: they ask for nothing, whatever else they may mean.

"The gate can go" may be a request where the page has a gate, and is none where it says just that.
"""

from __future__ import annotations

import re
from collections.abc import Sequence

from rapidfuzz.distance import LCSseq

from nimble_lantern.core.document.units import in_block
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Words
from nimble_lantern.core.targets.words import exact, normal

_FEWEST, _FEWEST_NEARLY = 3, 5
_REACH = 60
"""Paragraphs on either side of the writing place that are looked through."""
_WORD = re.compile(r"[\w']+")
_NEARLY = 0.75
"""Of the words that are in a sentence in the same order."""


def stands_there(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether the page says just this; what is said of a selection is not asked so."""
    return len(words) >= _FEWEST and not sitting.holds and bool(exact(sitting.document, words))


def quotes(parse: Parse) -> bool:
    """Whether a request takes some words for those of the page, and nobody called them words."""
    named = (v for v in parse.args.values() if isinstance(v, Words))
    return any(not v.called and v.order is None and len(v.words) > 1 for v in named)


def nearly_stands(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether a sentence near the writing place has most of these words in this order, the first
    one among them: a request begins with a word of its own."""
    said = normal(words)
    if len(said) < _FEWEST_NEARLY or sitting.holds:
        return False
    document, here = sitting.document, sitting.writing_place.block
    few, telling = len(said) * _NEARLY, set(said)
    last = min(len(document.blocks) - 1, here + _REACH)
    for b in range(max(0, here - _REACH), last + 1):
        for r in in_block(document, b, "sentence"):
            there = normal(_WORD.findall(document.text(r).lower().replace("’", "'")))
            alike = telling & set(there)
            most = said[0] in alike and len(alike) >= _NEARLY * len(telling)
            if most and LCSseq.similarity(said, there) >= few:
                return True
    return False
