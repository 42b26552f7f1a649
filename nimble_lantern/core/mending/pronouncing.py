"""How a word is spoken that a pronouncing dictionary lacks (CMU phone set, ARPAbet)."""

from __future__ import annotations

from collections.abc import Callable

from nimble_lantern.core.writing.spelling import folded

LookUp = Callable[[str], str | None]

KNOWN: dict[str, tuple[str, ...]] = {
    "caret": ("K AE R AH T", "K EH R AH T"),
    "deselect": ("D IY S AH L EH K T",),
    "docx": ("D AA K EH K S",),
    "formatted": ("F AO R M AE T IH D",),
    "italicise": ("IH T AE L IH S AY Z", "IH T AE L AH S AY S", "AY T AE L IH S AY Z"),
    "italicised": ("IH T AE L IH S AY Z D",),
    "italicize": ("IH T AE L IH S AY Z", "AY T AE L IH S AY Z"),
    "odt": ("OW D IY T IY",),
}
"""Words of commands that neither the dictionary nor the rules pronounce rightly, the likeliest way
first."""

# Letter-to-sound rules, the longest first: rough, but within the recogniser's reach.
_RULES: tuple[tuple[str, str], ...] = (
    ("tion", "SH AH N"), ("sion", "ZH AH N"), ("ough", "AO"), ("augh", "AO"), ("eigh", "EY"),
    ("tch", "CH"), ("igh", "AY"), ("sch", "S K"), ("dge", "JH"), ("wh", "W"), ("sh", "SH"),
    ("ch", "CH"), ("th", "TH"), ("ph", "F"), ("ck", "K"), ("ng", "NG"), ("qu", "K W"),
    ("kn", "N"), ("wr", "R"), ("ee", "IY"), ("ea", "IY"), ("oo", "UW"), ("ou", "AW"),
    ("ow", "OW"), ("oa", "OW"), ("ai", "EY"), ("ay", "EY"), ("oi", "OY"), ("oy", "OY"),
    ("au", "AO"), ("aw", "AO"), ("ie", "IY"), ("ei", "EY"), ("ew", "UW"), ("ar", "AA R"),
    ("or", "AO R"), ("er", "ER"), ("ir", "ER"), ("ur", "ER"), ("bb", "B"), ("dd", "D"),
    ("ff", "F"), ("gg", "G"), ("ll", "L"), ("mm", "M"), ("nn", "N"), ("pp", "P"), ("rr", "R"),
    ("ss", "S"), ("tt", "T"), ("zz", "Z"), ("a", "AE"), ("b", "B"), ("c", "K"), ("d", "D"),
    ("e", "EH"), ("f", "F"), ("g", "G"), ("h", "HH"), ("i", "IH"), ("j", "JH"), ("k", "K"),
    ("l", "L"), ("m", "M"), ("n", "N"), ("o", "AA"), ("p", "P"), ("q", "K"), ("r", "R"),
    ("s", "S"), ("t", "T"), ("u", "AH"), ("v", "V"), ("w", "W"), ("x", "K S"), ("y", "IY"),
    ("z", "Z"),
)  # fmt: skip
_SHORTEST = 3


def pronunciation(word: str, look_up: LookUp) -> str | None:
    """Phones of a word: its other spelling's, its parts', an inflection's, else by rule."""
    bare = word.lower().replace("’", "'")
    if bare in KNOWN:
        return KNOWN[bare][0]
    for other in (bare.replace("'", ""), folded(bare), bare.replace("-", "")):
        if other and other != word and (found := look_up(other)):
            return found
    for way in (_inflected, _undone, _compound):
        if found := way(bare.replace("'", ""), look_up):
            return found
    return _by_rule(bare)


def _inflected(word: str, look_up: LookUp) -> str | None:
    for tail, phones in (("s", "Z"), ("ing", "IH NG"), ("ed", "D"), ("ly", "L IY")):
        if word.endswith(tail) and (stem := look_up(folded(word.removesuffix(tail)))):
            return f"{stem} {phones}"
    return None


def _undone(word: str, look_up: LookUp) -> str | None:
    """ "Unbold", "undelete"."""
    stem = look_up(folded(word.removeprefix("un"))) if word.startswith("un") else None
    return f"AH N {stem}" if stem else None


def _compound(word: str, look_up: LookUp) -> str | None:
    for cut in range(len(word) - _SHORTEST, _SHORTEST - 1, -1):
        head, tail = look_up(word[:cut]), look_up(word[cut:])
        if head and tail:
            return f"{head} {tail}"
    return None


def _by_rule(word: str) -> str | None:
    phones: list[str] = []
    i = 0
    while i < len(word):
        if word[i] == "e" and i == len(word) - 1 and phones:
            break
        for letters, sound in _RULES:
            if word.startswith(letters, i):
                phones.append(sound)
                i += len(letters)
                break
        else:
            i += 1
    return " ".join(phones) or None
