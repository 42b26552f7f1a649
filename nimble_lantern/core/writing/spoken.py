"""The other way round: how a written word may be spoken, for finding it and for recognisers."""

from __future__ import annotations

import re
from functools import lru_cache
from itertools import islice, product

from nimble_lantern.core.writing.cardinals import by_hundreds, in_words, ordinal_in_words
from nimble_lantern.core.writing.printed import printed
from nimble_lantern.core.writing.spelling import folded

Forms = tuple[tuple[str, ...], ...]
_SIGNS: dict[str, Forms] = {
    "&": (("and",), ("ampersand",)),
    "%": (("percent",), ("per", "cent")),
    "@": (("at",), ("at", "sign")),
    "+": (("plus",), ("plus", "sign")),
    "=": (("equals",), ("equals", "sign")),
    "#": (("hash",), ("number",)),
    "°": (("degrees",), ("degree", "sign")),
    "©": (("copyright",), ("copyright", "sign")),
    "§": (("section",), ("section", "sign")),
    "*": (("asterisk",), ("star",)),
}
_EXPANDED = {
    "can't": ("can", "not"), "won't": ("will", "not"), "shan't": ("shall", "not"),
    "let's": ("let", "us"), "it's": ("it", "is"), "that's": ("that", "is"),
    "there's": ("there", "is"), "what's": ("what", "is"), "he's": ("he", "is"),
    "she's": ("she", "is"), "i'm": ("i", "am"),
}  # fmt: skip
_TAILS = {"n't": "not", "'re": "are", "'ll": "will", "'ve": "have", "'d": "would"}
_SHORT = {
    "cannot": "can not",
    "mr": "mister", "mrs": "missus", "dr": "doctor", "st": "saint", "am": "a m", "pm": "p m",
    "a.m": "a m", "p.m": "p m", "kg": "kilograms", "km": "kilometres", "cm": "centimetres",
    "mm": "millimetres", "mph": "miles per hour",
    "lb": "pounds", "lbs": "pounds", "oz": "ounces", "etc": "et cetera",
}  # fmt: skip
_TIME = re.compile(r"(\d{1,2})[:.](\d\d)$")
_MONEY = re.compile(r"([£$€])(\d[\d,]*)(?:\.(\d\d))?$")
_UNITS = {"£": ("pound", "pounds", "pence"), "$": ("dollar", "dollars", "cents")}
_PIECES = re.compile(r"\d[\d,]*(?:\.\d+)?|[^\W\d_]+(?:'[^\W\d_]+)*")
_LETTERS = re.compile(r"[^\W\d_]+(?:'[^\W\d_]+)*")
_ROUND = "“”\"'‘’()[]{}«»‹›.,;:!?…–—-*_~|♪"
_MOST_FORMS = 24


def plain(word: str) -> str:
    """Lower case, American spelling, no apostrophes: the form in which words are compared."""
    return folded(word.lower().replace("’", "'")).replace("'", "")


def bare(token: str) -> str:
    """A written word without the marks round it: "(late)," is "late"."""
    return token.strip(_ROUND)


def likeliest(word: str) -> tuple[str, ...]:
    """The likeliest way to speak a written word; one of letters stays as it is, in small ones."""
    lower = word.lower().replace("’", "'")
    return (lower,) if _LETTERS.fullmatch(lower) else spoken_forms(word)[0]


def _numeral(text: str) -> Forms:
    digits = text.replace(",", "")
    value = int(digits)
    forms = [in_words(value)] if value < 10**12 else []
    if value < 10**12:
        forms.append(in_words(value, "american"))
    if len(digits) == 4 and digits[0] != "0" and value % 1000:
        forms.append(by_hundreds(value))
    if len(digits) == 3 and digits[1:] != "00":
        forms.append(f"{in_words(value // 100)} {in_words(value % 100)}")
    if len(digits) > 2 or digits[0] == "0":
        forms += [" ".join(in_words(int(d)) for d in digits)]
        forms.append(one_by_one(digits))
    if 100 <= value < 200:
        forms.append("a " + in_words(value).partition(" ")[2])
    return _split(forms)


def _split(forms: list[str]) -> Forms:
    return tuple(dict.fromkeys(tuple(f.replace("-", " ").split()) for f in forms))


def _clock(hour: int, minute: int) -> Forms:
    h = in_words(hour)
    after = in_words(hour % 12 + 1)
    forms = [f"{h} {in_words(minute)}"] if minute >= 10 else [f"{h} oh {in_words(minute)}"]
    if minute == 0:
        forms = [h, f"{h} o'clock", f"{h} hundred"]
    elif minute == 30:
        forms.append(f"half past {h}")
    elif minute in (15, 45):
        side = f"quarter past {h}" if minute == 15 else f"quarter to {after}"
        forms += [side, f"a {side}"]
    elif minute < 30:
        forms.append(f"{in_words(minute)} past {h}")
    else:
        forms.append(f"{in_words(60 - minute)} to {after}")
    return tuple(tuple(f.replace("o'clock", "oclock").replace("-", " ").split()) for f in forms)


def _amount(sign: str, whole: str, rest: str | None) -> Forms:
    one, many, coins = _UNITS.get(sign, ("euro", "euros", "cents"))
    value = int(whole.replace(",", ""))
    names = (one, many) if value == 1 else (many, one)
    found = []
    for number in _numeral(whole):
        for name in names:
            head = (*number, name)
            if rest is None or rest == "00":
                found.append(head)
            else:
                small = tuple(in_words(int(rest)).replace("-", " ").split())
                found += [(*head, *small), (*head, "and", *small, coins), (*head, *small, coins)]
    return tuple(found)


@lru_cache(maxsize=100_000)
def spoken_forms(word: str) -> Forms:
    """Every way to speak a written word, as plain words; the likeliest first."""
    return tuple(dict.fromkeys((*printed(word), *_forms(word))))


def _forms(word: str) -> Forms:
    lower = word.lower().replace("’", "'")
    if lower in _SIGNS:
        return _SIGNS[lower]
    if lower.isalpha():
        short = _SHORT.get(lower)
        base = (plain(lower),)
        return (base, tuple(short.split())) if short else (base,)
    if clock := _TIME.match(lower):
        hour, minute = int(clock[1]), int(clock[2])
        if hour < 24 and minute < 60:
            dotted = decimal_forms(lower) if "." in lower else ()
            return (*_clock(hour, minute), *dotted)
    if money := _MONEY.match(lower):
        return _amount(*money.groups())
    if lower.endswith("%"):
        return tuple((*f, *p) for f in spoken_forms(lower[:-1]) for p in _SIGNS["%"])
    if lower[:-2].isdecimal() and lower[-2:] in ("st", "nd", "rd", "th"):
        return _split([ordinal_in_words(int(lower[:-2]))])
    if lower in _SHORT:
        return (tuple(_SHORT[lower].split()), (lower.replace(".", ""),))
    if "'" in lower:
        return _apostrophe(lower)
    if re.fullmatch(r"\d[\d,]*", lower):
        return _numeral(lower)
    if re.fullmatch(r"\d[\d,]*\.\d+", lower):
        return decimal_forms(lower)
    return _compound(lower)


def one_by_one(digits: str) -> str:
    """Digits as those of a telephone number are said."""
    return " ".join("oh" if d == "0" else in_words(int(d)) for d in digits)


def decimal_forms(lower: str) -> Forms:
    """A number with a decimal point, and no time of the day."""
    whole, _, rest = lower.partition(".")
    tail = tuple(in_words(int(d)) for d in rest)
    return tuple((*head, "point", *tail) for head in _numeral(whole))


def _apostrophe(lower: str) -> Forms:
    found: list[tuple[str, ...]] = [(plain(lower),)]
    if lower in _EXPANDED:
        found.append(_EXPANDED[lower])
    for tail, full in _TAILS.items():
        if lower.endswith(tail) and lower not in _EXPANDED:
            found.append((plain(lower.removesuffix(tail)), full))
    if "-" in lower:
        found += _compound(lower)
    return tuple(found)


def _compound(lower: str) -> Forms:
    pieces = _PIECES.findall(lower)
    if not pieces:
        return ((lower,),)
    if pieces == [lower]:
        return ((plain(lower),),)
    parts = [spoken_forms(p) for p in pieces]
    made = [tuple(w for form in forms for w in form) for forms in product(*parts)]
    joined = plain("".join(pieces))
    return tuple(dict.fromkeys([*islice(made, _MOST_FORMS), (joined,)]))


def ordinal_forms(word: str) -> Forms:
    """The further forms of a day's number in front of a month: "the third of"."""
    if not word.isdecimal() or not 1 <= int(word) <= 31:
        return ()
    base = tuple(ordinal_in_words(int(word)).replace("-", " ").split())
    return (("the", *base, "of"), (*base, "of"), base, ("the", *base))
