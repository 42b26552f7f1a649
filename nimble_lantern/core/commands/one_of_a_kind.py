"""The one thing of a kind in the sentence, the paragraph or the text: "make it forty pounds"."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.figures import MONEY
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import Mend, kind_of, mends
from nimble_lantern.core.targets.words import places


def _after_moving(sitting: Sitting) -> bool:
    """Whether the writing place was just put where something is to be mended."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and last.read_as is ReadAs.COMMAND and not last.made


def one_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Make it forty five pounds", right after going to where another price stands."""
    said = tuple(parse.args.get("text", ()))
    if not _after_moving(sitting) or not kind_of(said):
        return False
    found, old = one_measure_here(sitting, said), tuple(parse.args.get("old", ()))
    if len(found) != 1:
        return False
    return not old or found[0].range in places(sitting.document, old)


def one_measure_here(sitting: Sitting, said: tuple[str, ...]) -> list[Mend]:
    here = in_last_sentence(sitting, said)
    return [mend for mend in here if _of_one_measure(sitting, mend, said)]


def _of_one_measure(sitting: Sitting, mend: Mend, said: tuple[str, ...]) -> bool:
    """A price for a price, metres for metres; and no price for the day of a date."""
    r = mend.range
    text = sitting.document.blocks[r.start.block].text
    before, own = text[: r.start.offset], text[r.start.offset : r.end.offset]
    after = text[r.end.offset :].split(" ", 2)
    sign = MONEY.get(said[-1])
    if sign is not None:
        return sign in before[-1:] + own or said[-1] in (after[1:2] or [""])
    if kind_of(said) == "number" and (before[-1:] in MONEY.values() or own[:1] in MONEY.values()):
        return True
    beside = {w.strip(".,;").lower() for w in (*before.split()[-1:], *after[1:2])}
    return kind_of(said) != "number" or not beside & set(MONTHS)


def of_that_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the price to forty pounds", where one price stands nearest."""
    said, named = tuple(parse.args.get("text", ())), parse.args.get("sort")
    if named is None or kind_of(said) != named:
        return False
    return nearest_like(sitting, said) is not None


def of_that_kind_here(sitting: Sitting, parse: Parse) -> bool:
    """ "The price should be forty pounds" may be said of another; right after going to it, no."""
    return _after_moving(sitting) and of_that_kind(sitting, parse)


def nearest_like(sitting: Sitting, said: tuple[str, ...]) -> Mend | None:
    """The one thing of its kind in the sentence here, else in its paragraph, else in the text."""
    here = units.block_range(sitting.document, sitting.caret.block)
    for found in (
        in_last_sentence(sitting, said),
        mends(sitting.document, here, said),
        mends(sitting.document, sitting.document.whole, said),
    ):
        found = [m for m in found if _of_one_measure(sitting, m, said)]
        if found:
            return found[0] if len(found) == 1 else None
    return None


def in_last_sentence(sitting: Sitting, said: tuple[str, ...]) -> list[Mend]:
    """What of its kind stands in the sentence before the writing place."""
    last = next(units.backward(sitting.document, "sentence", sitting.caret), None)
    return mends(sitting.document, last, said) if last is not None else []
