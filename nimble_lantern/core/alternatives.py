"""What may have been meant where something else stands: heard there too, or alike in sound.

What was also heard comes first; then words that sound alike, the document's own and the commoner
ones before the others.  Never the words as they stand.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Sequence
from difflib import SequenceMatcher
from functools import cache

from rapidfuzz.distance import Levenshtein
from wordfreq import top_n_list, zipf_frequency

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.writing.spoken import bare, likeliest, plain

MOST = 7
_KNOWN_WORDS = 40_000
"""Of the commonest English words, in which words that sound alike are looked for."""
_LONGEST = 3
"""Words: what is longer is only compared with what was heard."""
_SHORTEST_KEY = 2
"""Signs of a key from which words whose sound differs a little are looked for as well."""
_SAME_VOWELS = 3.0
"""What vowels that are spoken the same are worth: "tide" and "tied", but not "that"."""
_VOWELS: tuple[tuple[re.Pattern[str], str], ...] = tuple(
    (re.compile(pattern), sign)
    for pattern, sign in (
        (r"eigh|ai|ay|ei(?=gn?)|ey|a(?=[^aeiou]e(s|d)?$)", "A"),
        (r"ee|ea|ie(?=[cv])|e(?=[^aeiou]e(s|d)?$)", "E"),
        (r"igh|ie|y$|y(?=[^aeiou]e?$)|i(?=[^aeiou]e(s|d)?$)", "I"),
        (r"oa|oe|ow|o(?=[^aeiou]e(s|d)?$)", "O"),
        (r"oo|ew|ue|oul|ou|u(?=[^aeiou]e(s|d)?$)", "U"),
    )
)
_IN_DOCUMENT = 3.0
"""What a word of the document is worth more, on wordfreq's Zipf scale."""
_A_SIGN = 4.5
"""What each sign of the sound key that differs costs, on the same scale."""
_LEAST_PART = 4.5
"""How common both halves must be where two words are taken for one ("a tension")."""
_LETTERS = 4.0
_A_PAIR = 3.0
"""What two words for one cost: a recogniser seldom makes one word of two."""
_WORD = re.compile(r"[^\W\d_]+(?:['’][^\W\d_]+)*")


def alternatives(sitting: Sitting, r: Range, most: int = MOST) -> list[tuple[str, ...]]:
    """Up to `most` other readings of a range, as spoken words, the likeliest first."""
    said = _spoken(sitting.document.text(r))
    stands = " ".join(said)
    found: dict[str, tuple[str, ...]] = {}
    for words in (*_heard(sitting, r, said), *_alike(sitting.document, said)):
        text = " ".join(words)
        if text != stands and plain(text) != plain(stands):
            found.setdefault(text, words)
        if len(found) == most:
            break
    return list(found.values())


def was_heard_otherwise(sitting: Sitting, r: Range) -> bool:
    """Whether something else was heard at a range, too."""
    said = _spoken(sitting.document.text(r))
    return any(words != said for words in _heard(sitting, r, said))


def _spoken(text: str) -> tuple[str, ...]:
    """The likeliest way to say what stands there."""
    return tuple(p for token in text.split() if (w := bare(token)) for p in likeliest(w))


def _heard(sitting: Sitting, r: Range, said: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """What other hypotheses of the same utterance have in the place of these words."""
    number = utterance_at(sitting.document, r.start)
    hearing = dict(sitting.hearings).get(number) if number is not None else None
    if hearing is None or not hearing.hypotheses or not said:
        return
    best = tuple(w.text for w in hearing.hypotheses[0].words)
    before = _written_before(sitting.document, r, number or 0)
    at = _where(best, said, before)
    if at is None:
        return
    for other in _others(hearing):
        words = _in_place_of(best, other, at, at + len(said))
        if words:
            yield words


def _others(hearing: Hearing) -> Iterator[tuple[str, ...]]:
    for hypothesis in hearing.hypotheses[1:]:
        yield tuple(w.text for w in hypothesis.words)
    if hearing.evidence is not None:
        yield tuple(w.text for w in hearing.evidence.words)


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


def _in_place_of(
    best: Sequence[str], other: Sequence[str], start: int, end: int
) -> tuple[str, ...]:
    """The words of another hypothesis that stand where [start:end] of the best one stands."""
    first: int | None = None
    last = 0
    for _, a, b, i, j in SequenceMatcher(None, best, other, autojunk=False).get_opcodes():
        if b <= start and not a == b == start or a >= end and not a == b == end:
            continue
        same = b - a == j - i
        begin = i + max(0, start - a) if same else i
        finish = j - max(0, b - end) if same else j
        first = begin if first is None else first
        last = finish
    return tuple(other[first:last]) if first is not None else ()


def _alike(document: Document, said: tuple[str, ...]) -> list[tuple[str, ...]]:
    """What sounds like these words, the likeliest first: all as one, or one of them else."""
    if not 0 < len(said) <= _LONGEST:
        return []
    here = _words_of(document)
    scored = _sounding(said, here)
    if len(said) > 1:
        for i, word in enumerate(said):
            if word in LITTLE:
                continue
            for other, worth in _sounding((word,), here).items():
                made = (*said[:i], *other, *said[i + 1 :])
                scored[made] = max(worth, scored.get(made, worth))
    return sorted(scored, key=lambda words: -scored[words])


def _sounding(said: tuple[str, ...], here: frozenset[str]) -> dict[tuple[str, ...], float]:
    """A word, or two, that sound like these all together, and what each is worth."""
    key, text = phrase_key(" ".join(said)), "".join(said)
    scored: dict[tuple[str, ...], float] = {}
    vowels = _vowels(text)
    for candidate, distance in _near_keys(key, here):
        likeness = Levenshtein.normalized_similarity(candidate, text)
        worth = zipf_frequency(candidate, "en") + _IN_DOCUMENT * (candidate in here)
        worth += _SAME_VOWELS * (_vowels(candidate) == vowels)
        scored[(candidate,)] = worth + _LETTERS * likeness - _A_SIGN * distance
    for pair in _pairs(key) if len(said) == 1 else ():
        likeness = Levenshtein.normalized_similarity("".join(pair), text)
        worth = min(zipf_frequency(w, "en") for w in pair) - _A_PAIR
        scored[pair] = worth + _LETTERS * likeness
    return scored


@cache
def _vowels(word: str) -> str:
    """The vowels that a word is spoken with, roughly: a sign for each long one."""
    for pattern, sign in _VOWELS:
        word = pattern.sub(sign, word)
    return "".join(c for c in word.rstrip("e") if c in "aeiouAEIOU")


def _words_of(document: Document) -> frozenset[str]:
    words: set[str] = set()
    for block in document.blocks:
        kept = block.__dict__.get("_plain_words")
        if kept is None:
            kept = frozenset(w.lower().replace("’", "'") for w in _WORD.findall(block.text))
            block.__dict__["_plain_words"] = kept
        words |= kept
    return frozenset(words)


@cache
def _by_key() -> dict[str, tuple[str, ...]]:
    found: dict[str, list[str]] = {}
    for word in top_n_list("en", _KNOWN_WORDS):
        if _WORD.fullmatch(word) and word.isascii():
            found.setdefault(phrase_key(word), []).append(word)
    return {key: tuple(words) for key, words in found.items()}


@cache
def _keys_of_length() -> dict[int, tuple[str, ...]]:
    found: dict[int, list[str]] = {}
    for key in _by_key():
        found.setdefault(len(key), []).append(key)
    return {size: tuple(keys) for size, keys in found.items()}


def _near_keys(key: str, here: Iterable[str]) -> Iterator[tuple[str, int]]:
    """Known words whose sound differs in one sign at most, and by how much."""
    for word in here:
        most = 1 if len(key) >= _SHORTEST_KEY else 0
        distance = Levenshtein.distance(phrase_key(word), key, score_cutoff=most)
        if distance <= most:
            yield word, distance
    for word in _by_key().get(key, ()):
        yield word, 0
    if len(key) < _SHORTEST_KEY:
        return
    for size in (len(key) - 1, len(key), len(key) + 1):
        for other in _keys_of_length().get(size, ()):
            if other != key and Levenshtein.distance(other, key, score_cutoff=1) <= 1:
                for word in _by_key()[other]:
                    yield word, 1


def _pairs(key: str) -> Iterator[tuple[str, str]]:
    """Two common words that together sound like one."""
    known = _by_key()
    for cut in range(1, len(key)):
        for first in known.get(key[:cut], ()):
            if zipf_frequency(first, "en") < _LEAST_PART:
                continue
            for second in known.get(key[cut:], ()):
                if zipf_frequency(second, "en") >= _LEAST_PART:
                    yield first, second
