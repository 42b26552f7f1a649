"""What may have been meant where something else stands: heard there too, or alike in sound.

What was also heard comes first; then words that sound alike, the document's own and the commoner
ones before the others.  Never the words as they stand.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Sequence, Set
from dataclasses import dataclass
from functools import cache
from heapq import nlargest
from itertools import pairwise

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.document.edits import Edit, pin, unpin
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.lexicon.closed import ARTICLES, LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.by_sound import BySound
from nimble_lantern.core.mending.forms import Form, figures_and_signs, spellings
from nimble_lantern.core.mending.knowing import beside, in_place_of, same, spoken_words
from nimble_lantern.core.mending.phones import Phones, distance, phones, sound_class, spoken
from nimble_lantern.core.mending.vocabulary import common_words, words_of
from nimble_lantern.core.origins import anchors_gone, utterance_at
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.writing.capitals import starts_sentence
from nimble_lantern.core.writing.spoken import plain

MOST = 7
_MOST_MORE = 2
"""Words that another hypothesis may have more in the same place: more are out of line."""
_FUSED = 1.0
"""Added to the ranks at which engines have some words; less counts the first of each for more.
Reciprocal rank fusion, after Cormack, Clarke and Buettcher, 2009.
"""
_LEAST_LIKE = 0.05
"""What a hypothesis counts that does not sound like what it stands for at all."""
_A_COMMAND = 0.2
"""What the words of a command count beside those of a dictation, where text was heard."""
_SHAPES = 2
"""Ways to write the same words that are among the first seven, if there are any."""
_LONGEST = 3
"""Words: what is longer is only compared with what was heard."""
_A_SIGN, _BY_LETTERS = 1.2, 0.2
"""How many phones a sign of a key made of letters stands for; and how much less it tells."""
_COMMON = 0.7
"""What how common a word is counts, on wordfreq's Zipf scale."""
_IN_DOCUMENT = 4.0
"""What a word of the document is worth more, on wordfreq's Zipf scale."""
_A_SOUND = 4.0
"""What each phone that differs wholly costs, on the same scale; those easily confused cost less."""
_MOST_WEIGHED, _MOST_RANKED = 400, 80
"""Words whose sound is weighed phone by phone, and of which the best are shown page by page."""
_LEAST_PART = 4.5
"""How common both halves must be where two words are taken for one ("a tension")."""
_LETTERS = 4.0
_NEAR_BLOCKS = 200
"""Paragraphs on either side in which neighbours are looked for."""
_FITS = 1.5
"""What it is worth that a word stands beside the same neighbour elsewhere in the document."""
_A_NAME = 6.0
"""What a name of several words is worth that is known here."""
_FARTHEST_NAME, _NAMES_DIFFER, _PHONES_OF_A_WORD = 0.4, 5, 5
_SAME_SOUND, _INFLECTED = 2.5, 2.0
"""What it is worth that words sound just the same; or that one is a form of the other: its ending
is what is heard worst."""
_ENDINGS = frozenset(("s", "es", "ies", "d", "ed", "ied", "ing", "n", "en", "er", "ly"))
_SHORTEST_STEM = 3
_A_PAIR = 5.0
"""What two words for one cost: a recogniser seldom makes one word of two."""


@dataclass(frozen=True, slots=True)
class Alternative:
    """What else may have been meant: how it is shown, and its words, `exactly` or by rule."""

    label: str
    words: tuple[str, ...]
    exactly: bool = False


def alternatives(sitting: Sitting, r: Range, most: int = MOST, skip: int = 0) -> list[Alternative]:
    """Up to `most` other readings of a range, the likeliest first, some left out before them.

    What was rejected there before is none.
    """
    text = sitting.document.text(r)
    said = spoken_words(text)
    out = {plain(" ".join(said)), *rejected_at(sitting.document, r)}
    few = len(text.split()) <= _LONGEST
    figures = _shaped(figures_and_signs(text, sitting.settings.dialect) if few else ())
    opens = starts_sentence(sitting.document.blocks[r.start.block].text[: r.start.offset])
    shapes = _shaped(spellings(text, opens) if few else ())
    certain = [*_corrected(sitting, said), *_heard(sitting, r, said), *_articles(said)]
    alike = _alike(sitting, r, said)
    room = max(0, most - len(figures) - len(certain) - min(_SHAPES, len(shapes)))
    ranked = (
        *figures, *_readings(certain, out), *_readings(alike[:room], out),
        *shapes[:_SHAPES], *_readings(alike[room:], out), *shapes[_SHAPES:],
    )  # fmt: skip
    return list({a.label: a for a in ranked}.values())[skip : skip + most]


def _readings(found: Iterable[tuple[str, ...]], out: Collection[str]) -> Iterator[Alternative]:
    """Spoken words as alternatives, but for those that are ruled out."""
    labels = ((" ".join(words), words) for words in found)
    return (
        Alternative(label, words) for label, words in labels if label and plain(label) not in out
    )


def _shaped(forms: Iterable[Form]) -> list[Alternative]:
    return [Alternative(form.written, form.words, form.exactly) for form in forms]


def _corrected(sitting: Sitting, said: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """What the same words were corrected to; and what was heard where a lesson put it right."""
    yield from (x.heard for x in sitting.put_right if same(x.meant, said))
    yield from (x.meant for x in reversed(sitting.lessons) if same(x.heard, said))


def _articles(said: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """The other articles: nothing of them is heard but that there is one."""
    if len(said) == 1 and said[0] in ARTICLES:
        yield from ((article,) for article in ARTICLES)


REJECTED = "rejected"


def rejecting(document: Document, r: Range, words: Iterable[str]) -> Edit:
    """Remember that some wordings, in their plain form, are not what was meant at a range."""
    gone = anchors_gone(document, r, REJECTED)
    gone += [a for a, where in document.anchored(REJECTED) if where == r]
    return unpin(gone).then(pin(document, REJECTED, r, words=sorted(words)))


def rejected_at(document: Document, r: Range) -> frozenset[str]:
    """The wordings that were rejected at a range before."""
    near = {p.anchor for p in document.blocks[r.start.block].points}
    found: set[str] = set()
    for number in near:
        anchor, where = document.anchors.get(number), document.where(number)
        mine = anchor is not None and anchor.kind == REJECTED and where is not None
        if mine and anchor and where and where.start <= r.start and r.end <= where.end:
            found.update(anchor.data.get("words", ()))
    return frozenset(found)


def also_heard(sitting: Sitting, r: Range) -> list[tuple[str, ...]]:
    """What else was heard at a range."""
    said = spoken_words(sitting.document.text(r))
    return [words for words in _heard(sitting, r, said) if words != said]


def _heard(sitting: Sitting, r: Range, said: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """What other hypotheses of the same utterance have in the place of these words."""
    number = utterance_at(sitting.document, r.start)
    hearing = dict(sitting.hearings).get(number) if number is not None else None
    if hearing is None or not hearing.hypotheses or not said:
        return
    best = hearing.hypotheses[0].said
    before = _written_before(sitting.document, r, number or 0)
    at, size = _where(best, said, before), len(said)
    for lesson in sitting.lessons if at is None else ():
        # A lesson has put it right since it was heard.
        if same(lesson.meant, said):
            at, size = _where(best, lesson.heard, before), len(lesson.heard)
            break
    if at is None:
        return
    worth: dict[tuple[str, ...], float] = {}
    for weight, others in _others(hearing):
        for rank, other in enumerate(others, 1):
            words = in_place_of(best, other, at, at + size)
            if words and len(words) <= size + _MOST_MORE:
                worth[words] = worth.get(words, 0.0) + weight / (_FUSED + rank)
    own = spoken(said)
    near = {words: worth[words] * _likeness(own, spoken(words)) for words in worth}
    yield from sorted(near, key=lambda words: -near[words])


def _likeness(some: Phones, other: Phones) -> float:
    """How alike two wordings sound, from near 0 to 1: other words were heard beside the place."""
    return max(_LEAST_LIKE, 1 - distance(some, other) / max(1, len(some), len(other)))


def _others(hearing: Hearing) -> Iterator[tuple[float, list[tuple[str, ...]]]]:
    """What else each engine heard, the likeliest first, and what that is worth.

    The command grammar turns every sound into some command.
    """
    yield 1.0, [h.said for h in hearing.hypotheses[1:]]
    evidence = [hearing.evidence.said] if hearing.evidence is not None else []
    yield 1.0, [*evidence, *hearing.also]
    yield _A_COMMAND, [command.said for command in hearing.commands]


def _written_before(document: Document, r: Range, number: int) -> int:
    """How many times the same words were written before a range by the same utterance."""
    text, block = document.text(r).lower(), document.blocks[r.start.block]
    count, at = 0, block.text.lower().find(text)
    while 0 <= at < r.start.offset:
        place = r.start._replace(offset=at)
        count += utterance_at(document, place) == number
        at = block.text.lower().find(text, at + 1)
    return count


def _where(words: Sequence[str], part: Sequence[str], skip: int) -> int | None:
    """Where a part stands among words, `skip` places left out."""
    plainly = [plain(w) for w in words]
    wanted = [plain(w) for w in part]
    size = len(wanted)
    starts = [i for i in range(len(words) - size + 1) if plainly[i : i + size] == wanted]
    return starts[min(skip, len(starts) - 1)] if starts else None


def _alike(sitting: Sitting, r: Range, said: tuple[str, ...]) -> list[tuple[str, ...]]:
    """What sounds like these words, the likeliest first: all as one, or one of them else."""
    if not 0 < len(said) <= _LONGEST:
        return []
    document = sitting.document
    here = sitting.written.follow(document.blocks).words | sitting.word_book.words
    scored = _sounding(said, here)
    scored |= _own_phrases(sitting, said)
    if len(said) > 1:
        for i, word in enumerate(said):
            if word in LITTLE:
                continue
            for other, worth in _sounding((word,), here).items():
                made = (*said[:i], *other, *said[i + 1 :])
                scored[made] = max(worth, scored.get(made, worth))
    fitting = _neighbours(document, r)
    for words in scored:
        scored[words] += _FITS * ((words[0] in fitting[0]) + (words[-1] in fitting[1]))
    return nlargest(_MOST_RANKED, scored, key=lambda words: scored[words])


def _own_phrases(sitting: Sitting, said: tuple[str, ...]) -> dict[tuple[str, ...], float]:
    """Names of the document and the word book, of several words, that sound nearly like these."""
    own = spoken(said)
    named = sitting.names.follow(sitting.document.blocks).phrases
    scored = {}
    for form in dict.fromkeys((*sitting.word_book.forms, *named)):
        if len(form) > 1 and abs(len("".join(form)) - len("".join(said))) <= _NAMES_DIFFER:
            other = spoken(form)
            far = distance(own, other) / max(len(own), len(other), 1)
            if far <= _FARTHEST_NAME:
                scored[form] = _A_NAME - _A_SOUND * far * _PHONES_OF_A_WORD
    return scored


def _neighbours(document: Document, r: Range) -> tuple[set[str], set[str]]:
    """The words that stand behind the word before a range elsewhere, and before the one after it.

    Little words have all kinds of neighbours, so theirs say nothing.
    """
    left, right = (word if word not in LITTLE else "" for word in beside(document, r))
    behind: set[str] = set()
    ahead: set[str] = set()
    start = max(0, r.start.block - _NEAR_BLOCKS)
    for block in document.blocks[start : r.end.block + _NEAR_BLOCKS]:
        for a, b in pairwise(words_of(block)) if left or right else ():
            if a == left:
                behind.add(b)
            if b == right:
                ahead.add(a)
    return behind, ahead


def _sounding(said: tuple[str, ...], here: Set[str]) -> dict[tuple[str, ...], float]:
    """A word, or two, that sound like these all together, and what each is worth."""
    own, text = spoken(said), "".join(said)
    key, letters = sound_class(own), phrase_key(text)
    near = {*_by_class().near(key, here), *_by_letters().near(letters, here)}
    rough: dict[tuple[str, ...], float] = {
        (word,): _COMMON * zipf(word)
        + _IN_DOCUMENT * (word in here)
        + _LETTERS * Levenshtein.normalized_similarity(word, text)
        for word in near
    }
    pairs: Set[tuple[str, str]] = frozenset()
    if len(said) < 3:
        pairs = {*_by_class().pairs(key, _a_part), *_by_letters().pairs(letters, _a_part)}
    split = _A_PAIR if len(said) == 1 else 0.0
    for pair in pairs:
        likeness = Levenshtein.normalized_similarity("".join(pair), text)
        common = min(zipf(w) for w in pair)
        mine = _IN_DOCUMENT * sum(w in here for w in pair) / 2
        rough[pair] = _COMMON * common + mine + _LETTERS * likeness - split
    homophones = set(_by_class().words.get(key, ()))
    likely = nlargest(_MOST_WEIGHED, rough, key=lambda words: rough[words])
    scored: dict[tuple[str, ...], float] = {}
    for words in {*likely, *((word,) for word in homophones)}:
        far = distance(own, spoken(words))
        worth = rough[words] + _SAME_SOUND * (far == 0)
        if len(words) == 1:
            far = min(far, _apart(letters, phrase_key(words[0])))
            worth += _INFLECTED * _one_inflects(text, words[0])
        scored[words] = worth - _A_SOUND * far
    return scored


def _a_part(word: str) -> bool:
    return zipf(word) >= _LEAST_PART


def _one_inflects(word: str, other: str) -> bool:
    """Whether one of two words is the other with an ending."""
    stem, longer = sorted((word, other), key=len)
    if len(stem) < _SHORTEST_STEM:
        return False
    if stem[-1] in "ey" and not longer.startswith(stem):
        stem = stem[:-1]
    ending = longer.removeprefix(stem)
    return ending != longer and bool({ending, ending.removeprefix(stem[-1])} & _ENDINGS)


def _apart(key: str, other: str) -> float:
    """How far apart two words sound by their letters, as if counted in phones."""
    return _A_SIGN * Levenshtein.distance(key, other) + _BY_LETTERS


@cache
def _by_class() -> BySound:
    return BySound(lambda word: sound_class(phones(word)), common_words)


@cache
def _by_letters() -> BySound:
    return BySound(phrase_key, common_words)
