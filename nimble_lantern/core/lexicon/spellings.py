"""Spellings that differ between British and American English, and spelling by letter.

After New Hart's Rules (2014), section 21.1; the alphabet is that of the International Civil
Aviation Organization (Annex 10, volume II, 5.2.1.3) with its everyday variants.
"""

from __future__ import annotations

OUR = (
    "arbour ardour armour behaviour candour clamour clangour colour demeanour endeavour favour"
    " fervour flavour harbour honour humour labour neighbour odour parlour rancour rigour rumour"
    " savour splendour tumour valour vapour vigour"
)
"""Stems in -our."""
OUR_TAILS = (
    "", "s", "ed", "ing", "er", "ers", "able", "ful", "less", "ite", "ites", "hood", "hoods",
    "ly", "fully", "lessly", "ings", "y", "ably", "al", "ist", "ists",
)  # fmt: skip
"""What may follow them."""
RE = "calibre centre fibre litre lustre manoeuvre meagre metre sabre sombre spectre theatre"
"""In -re."""
ISE = (
    "agon apolog author capital categor character civil critic emphas equal final fertil formal"
    " general harmon hospital ideal immun item legal maxim memor minim mobil modern"
    " neutral normal organ popular priorit public real recogn scrutin social special stabil"
    " standard steril summar symbol sympath util visual western"
)
"""Stems that take -ise or -ize."""
DOUBLED = (
    "travel cancel label level model signal fuel channel counsel dial equal marshal panel"
    " quarrel rival shovel tunnel total grovel"
)
"""Double their l in British English."""
PAIRS = (
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
"""British:American."""
ONE_WAY = frozenset(
    "tire tires program programs curb curbs draft check checks story stories mom moms math plow"
    " learned burned spelled dreamed story ax mustache dialogue cancellation drafty meter meters"
    " ardor".split()
)
"""American spellings that are other words in British English: "tire", "check"."""
ALPHABET = {
    "alpha": "a", "alfa": "a", "bravo": "b", "charlie": "c", "delta": "d", "echo": "e",
    "foxtrot": "f", "golf": "g", "hotel": "h", "india": "i", "juliet": "j", "juliett": "j",
    "kilo": "k", "lima": "l", "mike": "m", "november": "n", "oscar": "o", "papa": "p",
    "quebec": "q", "romeo": "r", "sierra": "s", "tango": "t", "uniform": "u", "victor": "v",
    "whiskey": "w", "whisky": "w", "x-ray": "x", "xray": "x", "yankee": "y", "zulu": "z",
}  # fmt: skip
"""Words that stand for letters."""
SPELLED = {
    "space": " ", "hyphen": "-", "dash": "-", "apostrophe": "’", "dot": ".", "zed": "z",
    "zee": "z", "zero": "0", "one": "1", "two": "2", "three": "3", "four": "4", "five": "5",
    "six": "6", "seven": "7", "eight": "8", "nine": "9", "underscore": "_", "slash": "/",
}  # fmt: skip
"""Signs and figures, said while spelling."""
NAMES = {
    "ay": "a", "hey": "a", "eh": "a", "be": "b", "bee": "b", "see": "c", "sea": "c", "dee": "d",
    "he": "e", "eff": "f", "gee": "g", "jee": "g", "aitch": "h", "haitch": "h", "eye": "i",
    "aye": "i", "jay": "j", "kay": "k", "okay": "k", "el": "l", "ell": "l", "em": "m", "am": "m",
    "en": "n", "oh": "o", "owe": "o", "pee": "p", "pea": "p", "queue": "q", "cue": "q",
    "are": "r", "our": "r", "ess": "s", "tea": "t", "tee": "t", "you": "u", "ewe": "u", "vee": "v",
    "ex": "x", "why": "y",
}  # fmt: skip
"""Words that sound like a letter's name: what a dictation makes of letters."""
NAMES_WITH_ARTICLE = {
    "any": "e", "annie": "e", "away": "y", "white": "y", "wide": "y", "ann": "n", "anne": "n",
    "annex": "x",
}  # fmt: skip
"""The same where an article is said before it: "an e" is taken for "any"."""
