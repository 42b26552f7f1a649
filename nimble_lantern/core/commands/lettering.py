"""A word put right by its letters, in one breath: "new with a k", "haul is hall h a double l"."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.replacing import replace_range
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.mending.alternatives import alternatives
from nimble_lantern.core.mending.knowing import taught_by
from nimble_lantern.core.mending.phones import distance, phones
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.spelling import letter, spelled

_FEWEST, _MOST_TRIED = 2, 40
_ALIKE = 1.0
"""Between the phones of two words (weighted edit distance) that one letter tells apart."""
CATALOGUE.table(
    "how_many",
    {"(a | an | one)": 1, "(two | double | a double)": 2, "(no | without | without the)": 0},
    heard=False,
)
CATALOGUE.table(
    "letter_place",
    {"(at | on) the (start | beginning | front)": "start", "at the (end | back)": "end"},
    heard=False,
)
CATALOGUE.table("extra_mark", {"apostrophe": "’", "hyphen": "-"}, heard=False)


def _said_letters(words: tuple[str, ...]) -> str:
    """What is spelled by words that are nothing but letters, perhaps after the word itself."""
    for start in range(min(2, len(words))):
        letters, end = spelled(words, start)
        whole = end == len(words) and len(letters) >= _FEWEST
        if whole and (not start or letters.lower().startswith(words[0][:1])):
            return letters
    return ""


def _place(sitting: Sitting, word: tuple[str, ...]) -> Range | None:
    """Where a word stands in what was just written, else the one place where it stands."""
    document: Document = sitting.document
    near = [r for that in sitting.that for r in places(document, word, that)]
    if near:
        return near[-1]
    found = places(document, word)
    return found[0] if len(found) == 1 else None


def _one_word(parse: Parse) -> tuple[str, ...]:
    word = tuple(parse.args.get("word", ()))
    return word if len(word) == 1 else ()


def _spelled_right(sitting: Sitting, parse: Parse) -> bool:
    """ "Too should be t o", where that word stands."""
    word, letters = _one_word(parse), _said_letters(tuple(parse.args.get("text", ())))
    named = bool(word) and word[0] not in _POINTING
    return named and bool(letters) and letters != word[0] and _place(sitting, word) is not None


_POINTING = frozenset("it that this he she what which who".split())
"""They are no word to be put right: "it is a b c"."""


def _sounds_so(sitting: Sitting, parse: Parse) -> bool:
    """ "New with a k", just after "new" was written, and "knew" sounds like it; "tea with a b" is
    written."""
    word = _one_word(parse)
    just = bool(word) and any(places(sitting.document, word, that) for that in sitting.that)
    return just and _meant(sitting, parse.args) is not None


def _meant(sitting: Sitting, args: dict[str, object]) -> tuple[Range, str] | None:
    """A word that sounds like one that stands there, and has the letters that it lacks."""
    word = _words(args.get("word"))
    r = _place(sitting, word) if len(word) == 1 else None
    if r is None:
        return None
    for other in _sounding(sitting, r):
        if _has(other, args) and not _has(word[0], args):
            return r, other
    return None


def _sounding(sitting: Sitting, r: Range) -> list[str]:
    own = phones(sitting.document.text(r).lower())
    labels = (a.label for a in alternatives(sitting, r, _MOST_TRIED))
    return [w for w in labels if " " not in w and distance(own, phones(w.lower())) <= _ALIKE]


def _has(word: str, args: dict[str, object]) -> bool:
    """Whether a word has the letters that are named, as often and where that is said."""
    word = word.lower().replace("'", "’")
    sign = _sign(args)
    if not sign:
        letters = _said_letters(_words(args.get("text")))
        return bool(letters) and letters.lower() in word
    match args.get("place"):
        case "start":
            return word.startswith(sign)
        case "end":
            return word.endswith(sign)
    times = args.get("times", 1)
    return word.count(sign) == 0 if times == 0 else sign * int(str(times)) in word


def _words(value: object) -> tuple[str, ...]:
    return value if isinstance(value, tuple) else ()


def _sign(args: dict[str, object]) -> str:
    if mark := args.get("mark"):
        return str(mark)
    said = _words(args.get("letter"))
    plural = said[0].removesuffix("'s").removesuffix("s") if len(said) == 1 else ""
    one = letter(said[0]) or letter(plural) if len(said) == 1 and plural else None
    return one.lower() if one else ""


@command(
    *each(
        _spelled_right,
        "{word:words} (should be | should read | ought to be | is | is spelled | is spelt | should"
        " be spelled | should be spelt) {text}",
        "(no | it's | sorry) {word:words} is {text}",
    ),
    *each(
        _sounds_so,
        "{word:words} [(is | spelled | spelt)] with {times:how_many} {letter:words}",
        "{word:words} [(is | spelled | spelt)] with {times:how_many} {letter:words}"
        " {place:letter_place}",
        "{word:words} (has | needs | wants | should have) {times:how_many} {letter:words}"
        " [{place:letter_place}]",
        "{word:words} {times:how_many} {letter:words}",
        "{word:words} [spelled] with (a | an | the) {mark:extra_mark}",
        "{word:words} (has | needs | wants | should have) (a | an) {mark:extra_mark}",
    ),
    Way("{word:words} {text:words}", when=_sounds_so),
    example="haul is hall h a double l",
    group="repair",
    corrects=True,
    heard=0,
)
def right(
    sitting: Sitting,
    word: tuple[str, ...],
    text: tuple[str, ...] = (),
    letter: tuple[str, ...] = (),
    times: int = 1,
    place: str = "",
    mark: str = "",
) -> Done | Refusal:
    """Put a word right by its letters, or take the one that sounds like it and has a letter."""
    args: dict[str, object] = {"word": word, "text": text, "letter": letter, "times": times}
    args |= {"place": place, "mark": mark}
    found = _meant(sitting, args)
    if found is None:
        r = _place(sitting, word)
        if r is None or not (letters := _said_letters(text)):
            return Refusal(f"“{' '.join(word)}” does not stand here.")
        found = r, letters
    r, meant = found
    old = sitting.document.text(r)
    taught = taught_by(sitting, r, (meant.lower(),), sure=True)
    wrote = replace_range(taught, r, (meant,), exactly=meant != meant.lower())
    return Done(wrote.sitting, f"{quoted(old)} is {quoted(wrote.text)} now")
