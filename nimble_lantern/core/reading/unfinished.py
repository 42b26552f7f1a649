"""Requests that stop before their last words: "note on the last sentence", and then what it says.

Somebody who thinks while speaking pauses there; what comes next is the rest.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_VERBS
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.exactly import Verdict
from nimble_lantern.core.reading.pairs import names_all
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import is_target

_REST = "qqq"
"""Stands for what is not said yet; no word of any page."""
_LINKS = frozenset("with to by into saying as for say says colon".split())
_NOTING = frozenset("note comment annotate query".split())
_LONGEST, _MOST_OF_REST = 12, 10
"""Words of what is begun, and of what may take the place of words; a note may be longer."""


def is_unfinished(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether a request names a part that is there, and stops before the words to be written."""
    bare = barest(words)
    if not 1 < len(bare) <= _LONGEST or bare[0] not in TRADE_VERBS | PLAIN_VERBS | _NOTING:
        return False
    notes = not _NOTING.isdisjoint(bare)
    if bare[-1] not in _LINKS and not notes:
        return False
    found = judge(sitting, (*words, _REST), whole=True)
    parse = found.parse
    if found.kind is not Judged.COMMAND or parse is None or parse.args.get("text") != (_REST,):
        return False
    annotates = parse.command.traits.annotates or parse.command.name.startswith("notes.")
    return any(map(is_target, parse.args.values())) and (annotates or bare[-1] in _LINKS)


def finished(sitting: Sitting, begun: Sequence[str], words: Sequence[str]) -> Verdict | None:
    """The request that was begun with its last words; None where these ask for something else."""
    if names_all(judge(sitting, words, whole=True)):
        return None
    if any(not parse.free for parse in CATALOGUE.parses(barest(words))):
        return None
    found = judge(sitting, (*begun, *words), whole=True)
    done = found.kind is Judged.COMMAND and (_NOTING & set(begun) or len(words) <= _MOST_OF_REST)
    return found if done else None
