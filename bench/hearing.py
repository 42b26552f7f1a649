"""What the built-in engine hears rightly: commands, dictation, and which is which.

Half of the lines were never used for calibration (`held_out`); both are reported.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from bench._bare import bare
from bench._speech import NOISY_DB, Heard, errors, heard, heard_live, outcome, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.writing.spoken import plain
from nimble_lantern.engines.builtin.files import utterances


def run() -> Iterator[Figure]:
    """Shares of utterances, and word error rates."""
    quiet = heard("commands")
    for half, kept in _halves(quiet):
        right = sum(_exactly_right(one) for one in kept)
        yield Figure(f"commands_exactly_right_clean{half}", right / len(kept), _of(kept))
    fresh = heard("fresh")
    right = sum(_exactly_right(one) for one in fresh)
    yield Figure("commands_exactly_right_fresh", right / len(fresh), _of(fresh))
    live = heard_live("commands")
    right = sum(_exactly_right(one) for one in live)
    yield Figure("commands_exactly_right_live_held_out", right / len(live), _of(live))
    for half, kept in _halves([one for one in quiet if not _writes(one)]):
        right = sum(_exactly_right(one) for one in kept)
        yield Figure(f"commands_without_free_words_right{half}", right / len(kept), _of(kept))
    for half, kept in _halves(quiet):
        lost = sum("command" not in str(_came_to(one)[0]) for one in kept)
        yield Figure(f"commands_taken_as_text{half}", lost / len(kept), _of(kept))
    sentences = heard("sentences")
    for half, kept in _halves((*sentences, *heard("echoes"))):
        taken = [one for one in kept if "command" in str(_came_to(one)[0])]
        harm = sum(_destructive(one) for one in taken)
        yield Figure(f"sentences_taken_as_commands{half}", len(taken) / len(kept), _of(kept))
        yield Figure(f"sentences_taken_as_destructive{half}", harm / len(kept), _of(kept))
    for half, kept in _halves(sentences):
        yield from _dictation(kept, half)
    noisy = heard("commands", NOISY_DB)
    right = sum(_exactly_right(one) for one in noisy)
    name = f"commands_exactly_right_at_{NOISY_DB:.0f}_dB_held_out"
    yield Figure(name, right / len(noisy), _of(noisy))


def _halves(lines: Sequence[Heard]) -> Iterator[tuple[str, Sequence[Heard]]]:
    yield "", lines
    yield "_held_out", [one for one in lines if one.line.held_out]


def _of(lines: Sequence[Heard]) -> str:
    return f"share of {len(lines)}"


def _came_to(one: Heard) -> tuple[object, ...]:
    return outcome(sitting(one.line.document, one.line.before), one.hearings)


def _exactly_right(one: Heard) -> bool:
    """Whether the desk did just what it would have done for the words themselves."""
    now = sitting(one.line.document, one.line.before)
    return outcome(now, one.hearings) == outcome(now, [from_line(one.line.words)])


def _writes(one: Heard) -> bool:
    """Whether it has words to be written, which need not stand on the page."""
    now = sitting(one.line.document, one.line.before)
    return bool(judge(now, one.line.words.split(), whole=True).free_words)


def _destructive(one: Heard) -> bool:
    command = CATALOGUE.commands.get(str(_came_to(one)[1]))
    return bool(command and command.traits.destructive)


def _words(text: str) -> list[str]:
    return [plain(word) for word in text.split()]


def _dictation(lines: Sequence[Heard], half: str) -> Iterator[Figure]:
    """Word error rates, British and American spelling counted alike."""
    said = sum(len(_words(one.line.words)) for one in lines)
    rates = {"bare": 0, "bare_quieted": 0, "mixed": 0, "best_of_five": 0}
    for one in lines:
        words = _words(one.line.words)
        guesses = [_words(h.text) for hearing in one.hearings[:1] for h in hearing.hypotheses[:5]]
        rest = [w for hearing in one.hearings[1:] for w in _words(hearing.text)]
        guesses = [g + rest for g in guesses] or [rest]
        rates["bare"] += errors(words, _words(_bare(one, quieted=False)))
        rates["bare_quieted"] += errors(words, _words(_bare(one, quieted=True)))
        rates["mixed"] += errors(words, guesses[0])
        rates["best_of_five"] += min(errors(words, g) for g in guesses)
    base = f"word_errors_bare{half}"
    for name, wrong in rates.items():
        ratio = wrong / rates["bare"] if rates["bare"] else math.nan
        unit = f"share of {said} words"
        yield Figure(f"word_errors_{name}{half}", wrong / said, unit, base, ratio)


def _bare(one: Heard, quieted: bool) -> str:
    """The same sound with nothing of ours; or, quieted, with only its steady noise taken out."""
    key = one.line.words, one.voice, quieted
    if key not in _KNOWN:
        sound = spoken(one.line.words, one.voice)
        parts = utterances(iter((sound,))) if quieted else (sound,)
        _KNOWN[key] = " ".join(map(bare, parts))
    return _KNOWN[key]


_KNOWN: dict[tuple[str, str, bool], str] = {}
