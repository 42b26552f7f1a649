"""Words that stand beside the same words as others that are said: "the stair has forty steps where
it says thirty eight"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rapidfuzz.distance import Indel

from nimble_lantern.core.commands.instead import a_look, two_names, with_more
from nimble_lantern.core.commands.when import just_dictated
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.document.units import block_range, within
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import (
    ARTICLES,
    AUXILIARIES,
    DETERMINERS,
    DULL,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.inflections import inflections
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of, of_one_kind
from nimble_lantern.core.targets.words import index_of, places
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.lexer import mark_named
from nimble_lantern.core.writing.spoken import bare, plain


def _behind_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    """Where old words stand behind the first of some words, and the others of these."""
    found: list[tuple[Range, tuple[str, ...]]] = []
    for r in places(document, old):
        left = document.blocks[r.start.block].text[: r.start.offset]
        before = tuple(plain(word) for word in left.split())
        ended = max((n for n, word in enumerate(left.split()) if word[-1] in ".?!"), default=-1)
        clause = frozenset(before[ended + 1 :])
        for size in range(len(text) - 1, 0, -1):
            new = text[size:]
            if _cuts_a_number(text, size):
                continue
            # "Ring ida marlowe not tom fenwick": name for name, one word is enough.
            alike = of_one_kind(new, old) or two_names(document, [r], new, len(old))
            alike = alike or with_more(old, new)
            enough = size >= _LEAST_SAME or alike
            same = before[-size:] == text[:size]
            # "Breakfast at ten not seven", where breakfast is at seven.
            short = alike and before[-1:] == text[size - 1 : size]
            same = same or short and clause.issuperset(text[:size])
            if enough and len(new) <= len(old) + _MORE_NEW and same:
                found.append((r, new))
                break
    return found


def _between_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    """Where old words stand among some words that are said again, with others in their place.

    "Tom has eight tickets not seven"; a little word may come first that does not stand there: "it
    has been dark since may not june".
    """
    found = []
    for r in places(document, old):
        left = document.blocks[r.start.block].text[: r.start.offset]
        right = document.blocks[r.end.block].text[r.end.offset :]
        before, after = tuple(map(plain, left.split())), tuple(map(plain, right.split()))
        same = [
            (i, j)
            for i in range(len(text))
            for j in range(i + 1, min(len(text), i + len(old) + _MORE_NEW) + 1)
            if after[: len(text) - j] == text[j:]
            and not (_cuts_a_number(text, i) or _cuts_a_number(text, j))
            and max(_ends_alike(before, text[:i]), len(text) - j)
            >= (1 if of_one_kind(text[i:j], old) else _LEAST_SAME)
        ]
        if same:
            i, j = min(same, key=lambda span: span[1] - span[0])
            found.append((r, text[i:j]))
    return found


def _cuts_a_number(text: tuple[str, ...], at: int) -> bool:
    """Whether words are parted within a number: "one hundred | and twenty"."""
    numbers = (cardinal(text, i) for i in range(max(0, at - _LONGEST_NUMBER), at))
    return any(number is not None and number[1] > at for number in numbers)


_LONGEST_NUMBER = 6


def _of_the_same_sentence(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    """Where old words stand in a sentence that has all that is spoken of, with others alike.

    "Tickets are eight pounds not seven pounds", where tickets cost that.
    """
    found = []
    for r in places(document, old):
        about = _sentence_round(document, r)
        behind = document.blocks[r.end.block].text[r.end.offset :].split()
        after = tuple(plain(word.rstrip(",.;:!?")) for word in behind)
        for i, j in _by_length(len(text), len(old) + _MORE_NEW):
            new, rest = text[i:j], {*text[:i], *text[j:]} - _SAYING - {*old}
            if _cuts_a_number(text, i) or _cuts_a_number(text, j) or new[-1] in PREPOSITIONS:
                continue
            if not (of_one_kind(new, old) or two_names(document, [r], new, len(old))):
                continue
            number = cardinal(new, 0) if kind_of(old) == "number" else None
            if number and _is_a_number(old) and number[1] < len(new):
                # "Five pounds not four", where it is at four pounds; "three pegs not two", where
                # two of the pegs are bent.
                counted = new[number[1] :]
                one_of_several = bool(after) and _same_thing(after[0], counted[0])
                if not one_of_several or after[: len(counted)] == counted:
                    new, rest = new[: number[1]], rest | {*counted} - _SAYING
            if rest and about.issuperset(rest):
                found.append((r, new))
                break
    return found


def _is_a_number(words: tuple[str, ...]) -> bool:
    said = cardinal(words, 0)
    return said is not None and said[1] == len(words)


def _same_thing(one: str, other: str) -> bool:
    """Whether two words name the same, one of them or several."""
    return one == other or one in inflections(other) or other in inflections(one)


_SAYING = DULL | VERBS | PREPOSITIONS | frozenset("now o'clock it's that's really also".split())
"""They say nothing of what is spoken of."""


def _by_length(size: int, most: int) -> Iterator[tuple[int, int]]:
    """The stretches of so many words, the longest first."""
    for length in range(min(size, most), 0, -1):
        for i in range(size - length + 1):
            yield i, i + length


def _sentence_round(document: Document, r: Range) -> frozenset[str]:
    """The words of the sentence that a place is in; of a cell, those of its row and its heading."""
    block = document.blocks[r.start.block]
    table = table_at(document.blocks, r.start.block)
    if block.cell is not None and table is not None:
        row = [table.cell(block.cell.row, column) for column in range(table.columns)]
        cells = (document.blocks[b] for b in (*row, table.cell(0, block.cell.column)))
        return frozenset(plain(word) for cell in cells for word in cell.text.split())
    within = (block.text[i:j] for i, j in block.sentences if i <= r.start.offset < j)
    return frozenset(plain(word.rstrip(",.;:!?")) for word in next(within, "").split())


def _ends_alike(before: tuple[str, ...], said: tuple[str, ...]) -> int:
    """How many words stand before a place and are said again; 0 if more than a little word of
    those said does not stand there."""
    same = 0
    while same < min(len(before), len(said)) and before[-1 - same] == said[-1 - same]:
        same += 1
    rest = said[: len(said) - same]
    return same if len(rest) <= 1 and set(rest) <= LITTLE | SUBJECT_PRONOUNS else 0


def beside_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    found = _behind_the_same_words(document, text, old)
    found = found or _between_the_same_words(document, text, old)
    found = found or _of_the_same_sentence(document, text, old)
    if not found and len(old) > 1 and old[0] in PREPOSITIONS | DETERMINERS and old[0] in text:
        # "Closed from tuesday not from monday".
        return beside_the_same_words(document, text, old[1:])
    bare = ((r, new[1:] if _tells_only(new, old) else new) for r, new in found)
    found = [(r, new) for r, new in bare if new and not _says_that_it_is(new, old)]
    whole = ((_with_what_is_counted(document, r, new), new) for r, new in found)
    return [(_without_article(document, r, text, new), new) for r, new in whole]


def _says_that_it_is(new: tuple[str, ...], old: tuple[str, ...]) -> bool:
    return new[0] in AUXILIARIES and old[0] not in AUXILIARIES


def _tells_only(new: tuple[str, ...], old: tuple[str, ...]) -> bool:
    """ "The hall is orange not yellow", of "painting the hall yellow"."""
    return _says_that_it_is(new, old) and of_one_kind(new[1:], old)


def _with_what_is_counted(document: Document, r: Range, new: tuple[str, ...]) -> Range:
    """ "One bag not two", where it says "two bags"."""
    block = document.blocks[r.end.block]
    behind = next(((a, b) for a, b in block.words if a >= r.end.offset), None)
    if behind is None or not new[1:] or kind_of(new[:-1]) != "number":
        return r
    word = block.text[behind[0] : behind[1]].lower()
    same = _same_thing(word, new[-1])
    return Range(r.start, r.end._replace(offset=behind[1])) if same else r


def _without_article(
    document: Document, r: Range, text: tuple[str, ...], new: tuple[str, ...]
) -> Range:
    """ "The fifth of may not the fourth" leaves the article where it was."""
    first = document.text(r).split(" ")[0]
    at = next((i for i in range(len(text)) if text[i : i + len(new)] == new), 0)
    told = at > 0 and text[at - 1] == first.lower()
    if not told or first.lower() not in ARTICLES or new[0] in DETERMINERS:
        return r
    return Range(r.start._replace(offset=r.start.offset + len(first) + 1), r.end)


_LEAST_SAME, _MORE_NEW = 2, 3
"""Words before the old ones that must be said as well, and how many more the new ones may be."""


_MOST_OF_ONE_BREATH = 9
"""Words of what should be and of what should not; longer ones are sentences."""


_SAID_ASIDE = tuple((word,) for word in "actually really now please sorry rather".split())


def one_beside_the_same_words(sitting: Sitting, parse: Parse) -> bool:
    text, old = tuple(parse.args.get("text", ())), tuple(parse.args.get("old", ()))
    if text[-1:] in _SAID_ASIDE:
        return False  # "fifteen actually not twelve"
    if len(text) + len(old) > _MOST_OF_ONE_BREATH:
        return False
    found = beside_the_same_words(sitting.document, text, old)
    if len(found) != 1:
        return False
    # "Bring nine plates and not fourteen" is said to somebody, unless it says "bring" there.
    there = sitting.document.blocks[found[0][0].start.block]
    return text[0] not in VERBS - AUXILIARIES or text[0] in index_of(there).vocabulary


def nearly_what_was_said(sitting: Sitting, parse: Parse) -> bool:
    """ "Actually grandma ida", where "Ida" was just said; "no mill street", after "mill lane"."""
    text, last = tuple(parse.args.get("text", ())), sitting.trail[-1:]
    if len(sitting.that) != 1 or not last or last[0].read_as is not ReadAs.TEXT:
        return False
    if text[:1] == ("not",):
        return False  # "oops not milk" says no other word
    said = tuple(map(plain, sitting.document.text(sitting.that[0]).rstrip(".,").split()))
    ends = (text[: len(said)], text[-len(said) :]) if said else ()
    more = len(said) <= 2 and len(said) < len(text) <= len(said) + 2 and said in ends
    same = {a for a, b in zip(said, text, strict=False) if a == b} - LITTLE
    other = 1 < len(said) == len(text) <= _FEW_WORDS and len(same) == len(text) - 1
    return more or other


_FEW_WORDS = 3


def made_so(sitting: Sitting, parse: Parse) -> bool:
    """The same of "make it ...", and "make it stroke", where a cell was just said: "bow"."""
    text, that = tuple(parse.args.get("text", ())), sitting.that
    if len(that) == 1 and just_dictated(sitting) and that[0].start.block == that[0].end.block:
        whole = that[0] == block_range(sitting.document, that[0].start.block)
        cell = sitting.document.blocks[that[0].start.block].cell is not None
        plain = len(text) <= _FEW_WORDS and LITTLE.isdisjoint(text)
        if cell and whole and plain and PARTS.isdisjoint(text) and not a_look(text):
            return True
    return nearly_what_was_said(sitting, parse)


def said_whole_again(sitting: Sitting, parse: Parse) -> bool:
    """ "No she bought the flour for my sister", after "she bought the flower for my sister": all of
    what was just said once more, but for a few words."""
    return said_over(sitting, tuple(parse.args.get("text", ()))) is not None


def said_over(sitting: Sitting, text: tuple[str, ...]) -> Range | None:
    """What was just said, or its last sentence, if words say nearly the same; or none."""
    if len(sitting.that) != 1 or not just_dictated(sitting):
        return None
    size = next((n for n in (2, 1) if mark_named(text[-n:])), 0)
    new = [plain(word) for word in text[: len(text) - size]]
    that = sitting.that[0]
    for r in (that, *list(within(sitting.document, "sentence", that))[-1:]):
        said = [plain(bare(word)) for word in sitting.document.text(r).split()]
        alike = Indel.normalized_similarity(said, new)
        if min(len(said), len(new)) > _FEW_WORDS and said != new and alike >= _ALIKE:
            return r
    return None


_ALIKE = 0.7
"""One less the words to be put in or taken out (Levenshtein's insertions and deletions), by all."""


def of_the_selected_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "No fifty", where "forty" is selected."""
    if sitting.selection is None or not sitting.fresh:
        return False
    there = tuple(sitting.document.text(sitting.selection).lower().rstrip(".,;:!?").split())
    return bool(there) and of_one_kind(tuple(parse.args.get("text", ())), there)


def of_the_same_ends(sitting: Sitting, last: Range, text: Sequence[str]) -> Range | None:
    """ "Three nil", after "three to nil": the words from the first to the last of those that are
    said again, with others between them."""
    if not 1 < len(text) <= _SAID_AGAIN or not LITTLE.isdisjoint((text[0], text[-1])):
        return None
    said = _words_inside(sitting.document, last)
    runs = [
        (i, j)
        for i in range(len(said))
        for j in range(i + 1, min(len(said), i + len(text) + _MORE_BETWEEN))
        if said[i][2] == text[0] and said[j][2] == text[-1] and j - i + 1 != len(text)
    ]
    if len(runs) != 1:
        return None
    i, j = runs[0]
    return Range(last.start._replace(offset=said[i][0]), last.start._replace(offset=said[j][1]))


_SAID_AGAIN, _MORE_BETWEEN = 5, 2


def _words_inside(document: Document, r: Range) -> list[tuple[int, int, str]]:
    """The words of a range in one block, in small letters, with where they begin and end."""
    block = document.blocks[r.start.block]
    return [
        (a, b, block.text[a:b].lower())
        for a, b in block.words
        if r.start.offset <= a and b <= r.end.offset
    ]


_ONE_PERSON = (
    frozenset("i me".split()), frozenset("he him".split()), frozenset("she her".split()),
    frozenset("we us".split()), frozenset("they them".split()), frozenset("who whom".split()),
)  # fmt: skip


def part_said_again(sitting: Sitting, last: Range, text: tuple[str, ...]) -> Range | None:
    """The words of it that a part of it puts otherwise: from the first to the last that is the same
    or means the same person; None where other words stand between them."""
    inside = _words_inside(sitting.document, last)
    meant = set(text)
    for people in _ONE_PERSON:
        meant |= people if meant & people else set()
    same = [n for n, (_, _, word) in enumerate(inside) if word in meant]
    enough = len(same) > 1 and len(same) * 2 >= len(text)
    if last.start.block != last.end.block or not enough or same[-1] - same[0] >= len(text):
        return None
    start, end = inside[same[0]][0], inside[same[-1]][1]
    return Range(Position(last.start.block, start), Position(last.start.block, end))
