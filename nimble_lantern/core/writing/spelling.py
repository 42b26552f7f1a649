"""British and American spellings, and words spelled letter by letter.

Only pairs where each dialect has one ordinary form (Oxford's and Merriam-Webster's main
entries); words whose spelling turns on their part of speech (practice, license, cheque in
"check") are left as heard.
"""

from __future__ import annotations

from collections.abc import Sequence

_OUR = (
    "arbour ardour armour behaviour candour clamour clangour colour demeanour endeavour favour"
    " fervour flavour harbour honour humour labour neighbour odour parlour rancour rigour rumour"
    " savour splendour tumour valour vapour vigour"
)
_OUR_TAILS = (
    "", "s", "ed", "ing", "er", "ers", "able", "ful", "less", "ite", "ites", "hood", "hoods",
    "ly", "fully", "lessly", "ings", "y", "ably", "al", "ist", "ists",
)  # fmt: skip
_RE = "calibre centre fibre litre lustre manoeuvre meagre metre sabre sombre spectre theatre"
_ISE = (
    "agon apolog author capital categor character civil critic emphas equal final fertil formal"
    " general harmon hospital ideal immun item legal maxim memor minim mobil modern"
    " neutral normal organ popular priorit public real recogn scrutin social special stabil"
    " standard steril summar symbol sympath util visual western"
)
_LL = (
    "travel cancel label level model signal fuel channel counsel dial equal marshal panel"
    " quarrel rival shovel tunnel total grovel"
)
_PAIRS = (
    "aeroplane:airplane aeroplanes:airplanes aluminium:aluminum analyse:analyze"
    " analysed:analyzed analysing:analyzing paralyse:paralyze paralysed:paralyzed"
    " catalogue:catalog catalogues:catalogs dialogue:dialogue defence:defense defences:defenses"
    " offence:offense offences:offenses pretence:pretense grey:gray greyer:grayer greyish:grayish"
    " jewellery:jewelry mould:mold moulds:molds mouldy:moldy moustache:mustache pyjamas:pajamas"
    " plough:plow ploughs:plows ploughed:plowed sceptical:skeptical sceptic:skeptic"
    " smoulder:smolder smouldering:smoldering tyre:tire tyres:tires programme:program"
    " programmes:programs cosy:cozy enrol:enroll enrols:enrolls fulfil:fulfill fulfils:fulfills"
    " skilful:skillful skilfully:skillfully wilful:willful instalment:installment"
    " instalments:installments marvellous:marvelous woollen:woolen traveller:traveler"
    " travellers:travelers cancellation:cancellation manoeuvring:maneuvering"
    " manoeuvre:maneuver manoeuvres:maneuvers manoeuvred:maneuvered kerb:curb kerbs:curbs"
    " draught:draft draughty:drafty sulphur:sulfur paediatric:pediatric anaemia:anemia"
    " archaeology:archeology encyclopaedia:encyclopedia cheque:check cheques:checks"
    " storey:story storeys:stories axe:ax mum:mom mums:moms maths:math"
    " learnt:learned burnt:burned spelt:spelled dreamt:dreamed"
)
# The American form is an everyday British word too, so it is never turned British.
_ONE_WAY = frozenset(
    "tire tires program programs curb curbs draft check checks story stories mom moms math plow"
    " learned burned spelled dreamed story ax mustache dialogue cancellation drafty meter meters"
    " ardor".split()
)


def _build() -> dict[str, str]:
    pairs: dict[str, str] = {}
    for word in _OUR.split():
        for tail in _OUR_TAILS:
            pairs[word + tail] = word[:-3] + "or" + tail
    for word in _RE.split():
        american = word[:-2] + "er"
        pairs |= {word: american, word + "s": american + "s"}
    pairs |= {"centred": "centered", "centring": "centering", "kilometre": "kilometer"}
    pairs |= {"kilometres": "kilometers", "centimetre": "centimeter", "millimetre": "millimeter"}
    pairs |= {"centimetres": "centimeters", "millimetres": "millimeters"}
    for stem in _ISE.split():
        for tail in ("ise", "ises", "ised", "ising", "iser", "isers", "isation", "isations"):
            pairs[stem + tail] = stem + tail.replace("is", "iz", 1)
    for stem in _LL.split():
        for tail in ("ed", "ing", "er", "ers"):
            pairs[stem + "l" + tail] = stem + tail
    pairs |= dict(pair.split(":", 1) for pair in _PAIRS.split())
    return pairs


TO_AMERICAN = _build()
TO_BRITISH = {a: b for b, a in TO_AMERICAN.items() if a not in _ONE_WAY and a != b}


def in_dialect(word: str, dialect: str) -> str:
    """A lower-case word in the dialect's spelling."""
    table = TO_AMERICAN if dialect == "american" else TO_BRITISH
    return table.get(word, word)


def folded(word: str) -> str:
    """One form for both spellings, for comparing."""
    return TO_AMERICAN.get(word, word)


# The spelling alphabet of ICAO and the ITU (Radio Regulations, Appendix 14), with its variants.
ALPHABET = {
    "alpha": "a", "alfa": "a", "bravo": "b", "charlie": "c", "delta": "d", "echo": "e",
    "foxtrot": "f", "golf": "g", "hotel": "h", "india": "i", "juliet": "j", "juliett": "j",
    "kilo": "k", "lima": "l", "mike": "m", "november": "n", "oscar": "o", "papa": "p",
    "quebec": "q", "romeo": "r", "sierra": "s", "tango": "t", "uniform": "u", "victor": "v",
    "whiskey": "w", "whisky": "w", "x-ray": "x", "xray": "x", "yankee": "y", "zulu": "z",
}  # fmt: skip
_SPELLED = {
    "space": " ", "hyphen": "-", "dash": "-", "apostrophe": "’", "dot": ".", "zed": "z",
    "zee": "z", "zero": "0", "one": "1", "two": "2", "three": "3", "four": "4", "five": "5",
    "six": "6", "seven": "7", "eight": "8", "nine": "9", "underscore": "_", "slash": "/",
}  # fmt: skip
_CAPITAL = ("capital", "cap", "uppercase")


def letter(word: str) -> str | None:
    """What one spelling word stands for; None for any other word."""
    if len(word.rstrip(".")) == 1 and word[0].isalnum():
        return word[0]
    return ALPHABET.get(word) or _SPELLED.get(word)


def spelled(words: Sequence[str], i: int) -> tuple[str, int]:
    """The letters spoken from `i` on, and the index after them."""
    text, j, upper, all_upper = "", i, False, False
    while j < len(words):
        word, repeat, k = words[j], 1, j + 1
        if word in _CAPITAL and k < len(words) and (words[k] == "double" or letter(words[k])):
            upper, j = True, k
            continue
        if list(words[j : j + 2]) == ["all", "capitals"]:
            all_upper, j = True, j + 2
            continue
        if word == "double" and k < len(words):
            repeat, word, k = 2, words[k], k + 1
        found = letter(word)
        if found is None:
            break
        if list(words[k : k + 2]) in (["as", "in"], ["for", "in"]) and k + 2 < len(words):
            k += 3
        elif words[k : k + 1] == ["for"] and k + 1 < len(words) and words[k + 1][:1] == found:
            k += 2
        text += (found.upper() if upper or all_upper else found) * repeat
        upper, j = False, k
    return text, j
