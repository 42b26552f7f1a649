"""What a request for passages is about: the one that is named, what is kept as one, a blank."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Anchor, Range
from nimble_lantern.core.document.units import block_range, in_block
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.reviewing.passages import (
    BLANK,
    open_blanks,
)
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import That, Unit, Words, of_the_page
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.words import exact, normal


def passage_names(sitting: Sitting) -> list[str]:
    return [p.name for p in sitting.passages]


def blank_names(sitting: Sitting) -> Sequence[str]:
    return [str(anchor.data["name"]) for anchor, _ in open_blanks(sitting.document)]


def exists_any(sitting: Sitting, parse: Parse) -> bool:
    return bool(sitting.passages)


def exists(sitting: Sitting, parse: Parse) -> bool:
    asked = parse.args.get("passage")
    names = [p.name for p in sitting.passages]
    return asked is not None and look_up(asked.words, names, partial=True) is not None


def in_full(sitting: Sitting, parse: Parse) -> bool:
    """Whether a passage has just this name: "see the short ending" is none."""
    asked = parse.args.get("passage")
    names = (normal(tuple(name.lower().split())) for name in passage_names(sitting))
    return asked is not None and normal(asked.words) in names


def by_name_alone(sitting: Sitting, parse: Parse) -> bool:
    """Whether the name alone is unmistakable: all of it is said, and it has several words, or it is
    a whole letter's and nothing is written yet."""
    asked = parse.args.get("passage")
    if asked is None or not sitting.passages:
        return False
    said = normal(asked.words)
    bare = said[1:] if said[:1] in (("the",), ("my",)) else said
    for passage in sitting.passages:
        name = normal(tuple(passage.name.lower().split()))
        of_it = name[1:] if name[:1] in (("the",), ("my",)) else name
        if bare == of_it:
            whole = sitting.document.whole.empty and len(passage.pieces) > 1
            return len(name) > 1 or len(said) > 1 or whole
    return False


def named_short(sitting: Sitting, parse: Parse) -> bool:
    """ "Keep this as sign off", and not "keep this as dry as you can"."""
    words = parse.args.get("text", ())
    return len(words) <= 5 and not set(words) & {"as", "a", "an", "possible", "well", "is"}


def of_what_is_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Save the last sentence for later as ..."; "save the boat for later" is of no part."""
    target = parse.args.get("target", That())
    return (isinstance(target, That) or of_the_page(target)) and named_short(sitting, parse)


def of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Keep the last sentence as thanks", and not "keep that as proof"; words that are a whole
    sentence or paragraph are a part of the page too."""
    target = parse.args.get("target")
    if isinstance(target, Words) and not target.called:
        plain_name = parse.args.get("text", ("the",))[0] not in DETERMINERS
        return plain_name and is_whole(sitting, target) and named_short(sitting, parse)
    return of_the_page(target) and named_short(sitting, parse)


def is_whole(sitting: Sitting, target: Words) -> bool:
    document = sitting.document
    return len(target.words) > 1 and any(
        document.count_words(r) == document.count_words(whole)
        for r in exact(document, target.words)
        for whole in (
            block_range(document, r.start.block),
            *in_block(document, r.start.block, Unit.SENTENCE.value),
        )
        if whole.start <= r.start and r.end <= whole.end
    )


def named_of_selection(sitting: Sitting, parse: Parse) -> bool:
    """Of what is selected; or "keep that as my address", of what was just said, where "keep that as
    proof" goes on."""
    words = tuple(parse.args.get("text", ()))
    own = words[:1] in _OF_THE_SPEAKER and len(words) > 1 or words in _USUAL
    just = bool(sitting.that) and own
    return (sitting.selection is not None or just) and named_short(sitting, parse)


def named_of_something(sitting: Sitting, parse: Parse) -> bool:
    """ "Save this as sign off", of what is selected or was just said; else a whole letter is."""
    return bool(sitting.selection or sitting.that) and named_short(sitting, parse)


_OF_THE_SPEAKER = (("my",), ("our",))
_USUAL = (("sign", "off"), ("address",), ("letterhead",), ("signature",), ("greeting",))


def exists_and_a_part(sitting: Sitting, parse: Parse) -> bool:
    return exists(sitting, parse) and of_the_page(parse.args.get("target"))


def is_a_blanks_name(sitting: Sitting, parse: Parse) -> bool:
    """ "Month", and not "month that i fill in"."""
    words = tuple(parse.args.get("text") or ())
    return not {"that", "which", "i"} & set(words) and len(words) <= _MOST_WORDS_OF_A_BLANK


def several(sitting: Sitting, parse: Parse) -> bool:
    return "or" in parse.args.get("options", ())


def among_them(sitting: Sitting, parse: Parse) -> bool:
    """Whether words are one of those to choose from: "give may a choice of may june or july"."""
    target, options = parse.args.get("target"), tuple(parse.args.get("options", ()))
    size = len(target.words) if isinstance(target, Words) else 0
    each = (options[i : i + size] for i in range(len(options))) if size else ()
    return isinstance(target, Words) and target.words in each


def blanks_open(sitting: Sitting, parse: Parse) -> bool:
    return bool(open_blanks(sitting.document))


def blank_here(sitting: Sitting) -> tuple[Anchor, Range] | None:
    """The blank that is selected."""
    held = sitting.selection
    return next(((a, r) for a, r in open_blanks(sitting.document) if r == held), None)


def is_at_blank(sitting: Sitting, parse: Parse) -> bool:
    return blank_here(sitting) is not None


def was_at_blank(sitting: Sitting, parse: Parse) -> bool:
    """At a blank, or a moment after one was filled: then "next" is said of blanks."""
    if blank_here(sitting) is not None:
        return True
    document = sitting.document
    filled_now = (r for a, r in document.anchored(BLANK) if document.text(r) != a.data.get("text"))
    return any(r.start <= t.start and t.end <= r.end for r in filled_now for t in sitting.that)


def is_a_blank(sitting: Sitting, parse: Parse) -> bool:
    """Whether an open blank has just this name: "the day is tuesday"."""
    asked = parse.args.get("blank")
    named = asked is not None and look_up(asked.words, blank_names(sitting)) is not None
    text = tuple(parse.args.get("text", ()))
    if asked is not None and len(text) == 1 and not kind_of(text) and asked.words[-1] in _OF_KINDS:
        return False  # "the day is long"
    return named and len(text) <= _MOST_WORDS_OF_A_BLANK and text[:1] not in (("of",), ("that",))


_OF_KINDS = frozenset("day date month time number price hour".split())
"""Blanks whose one word is of a kind that is known."""


def is_a_bare_value(sitting: Sitting, parse: Parse) -> bool:
    """ "April for month"."""
    words = tuple(parse.args.get("text", ()))
    return is_a_blank(sitting, parse) and VERBS.isdisjoint(words) and words[-1] not in PREPOSITIONS


_MOST_WORDS_OF_A_BLANK = 6
"""Of what it is said to be: "the day is tuesday the third of june"."""


def choices_here(sitting: Sitting) -> Sequence[str]:
    pair = blank_here(sitting)
    return [str(o) for o in (pair[0].data.get("options") or ())] if pair else ()


def nothing_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "Save it as a template", of all that is written."""
    return sitting.selection is None and not sitting.document.whole.empty
