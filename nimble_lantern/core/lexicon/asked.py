"""What people say when they ask for a look, or to have something selected: in whatever order.

Each phrase stands for what it asks; looks stand in the words in which they can be asked for after
"make it".  Everyday words for the looks follow Roget's Thesaurus (1911, in the public domain).
"""

from __future__ import annotations

from enum import Enum


class Role(Enum):
    """What a phrase around a target says of it."""

    MAKE = "make"
    WISH = "wish"
    OFF = "off"
    ON = "on"
    JOINING = ""
    SELECT = "select"


class Looks(Enum):
    """Kinds of looks: how sure it is that words so named are words on a page."""

    LETTERS = "letters"
    COLOUR = "colour"
    BLOCK = "block"
    ROUND = "round"


Phrase = tuple[str, ...]


def _phrases(*lines: str) -> tuple[Phrase, ...]:
    return tuple(tuple(phrase.split()) for line in lines for phrase in line.split(","))


_ROLES = {
    Role.MAKE: _phrases(
        "make, put, set, turn, apply, use, show, add, change, print, write, type, do, format",
        "style, render, draw, run, stick, pop, place, mark, colour, color, push, shift, move",
        "shove",
        "bring, have, get, let's have, leave, keep, want, i want, i'd like, i would like, i need",
    ),
    Role.WISH: _phrases(
        "should be, should have, ought to be, ought to have, must be, must have, needs to be",
        "needs, wants, wants to be, could do with, has to be, has to have, should get, should go",
        "should all be, should always be, should always have, has to go, to be, needs to go",
        "wants to go, need, could be, can be, would be better, might look better, should really be",
        "should go in, deserves, belongs, belong, should just be, ought really to be, is to be, are"
        " to be",
    ),
    Role.OFF: _phrases(
        "no, not, without, off, out of, remove, lose, drop, clear, get rid of, take off, take",
        "i don't want, i do not want, don't want, shouldn't be, should not be, shouldn't have",
        "should not have, no more, no longer, needn't be, i don't like, we don't need, isn't to be",
        "ought not to be, does not need, doesn't need, don't need, undo, cancel, strip, wipe off",
    ),
    Role.ON: _phrases(
        "back to, in, into, on, over, against, along, round, around, about, for, across"
        ", through, with, as"
    ),
    Role.JOINING: _phrases(
        "give, the, a, an, some, to, of, it, its, all, up, and, any, be, of it, there, plus, also"
        ", too, as well, together with, both, please, just, again, any more, anymore"
    ),
    Role.SELECT: _phrases("select, selected, highlight, pick, pick out, mark, grab, choose, find"),
}  # fmt: skip
_LOOKS = {
    Looks.LETTERS: {
        "bold": "bold, bold type, bold letters, boldface, bold face, emboldened, embolden, heavy"
        " type, heavier, thick letters, bold print",
        "italic": "italic, italics, italic letters, italic type, italicised, italicise, slanted"
        ", slanting letters, sloping letters, italicized",
        "underlined": "underlined, underline, underlining, line under, line underneath, line"
        " beneath, line below, underscored, underscore",
        "struck out": "struck out, struck through, strike through, strikethrough, strike, crossed"
        " out, crossed through, line through, cross through, line across",
        "superscript": "superscript, raised, a superscript, superscripted",
        "subscript": "subscript, lowered, a subscript, subscripted",
        "highlighted": "highlighted, highlight, highlighting, highlighter",
        "highlighted in yellow": "yellow marker, highlighting in yellow, yellow highlighter"
        ", yellow highlighting"
        ", yellow highlight, highlighted in yellow, highlighted yellow, highlight yellow"
        ", highlight in yellow"
        ", marked in yellow, marked yellow",
        "not bold": "unbold, unbolded, normal weight, usual weight, light, lighter",
        "plain": "plain, no formatting, clear formatting, without formatting, strip formatting"
        ", clear the formatting, back to normal, plain text, unformatted, normal letters"
        ", plain letters, normal type",
    },
    Looks.BLOCK: {
        "a heading": "heading, title, main heading, headline, header, main title, top heading"
        ", level one heading, heading one, first level heading",
        "a level two heading": "subheading, sub heading, level two heading, second level heading"
        ", heading two, level two",
        "a level three heading": "level three heading, third level heading, heading three",
        "a bulleted list": "bullets, bullet points, bulleted list, bullet list, bulleted, bullet"
        " point list, list with bullets, list, list of bullets",
        "a numbered list": "numbered list, numbered, numbers, list with numbers, numbering",
        "a quotation": "quotation, block quote, block quotation",
        "centred": "centred, centered, centre, center, in the centre, in the center, in the middle"
        ", middle, centre of the page, middle of the page, centrally",
        "left aligned": "left, left aligned, left hand side, left side, left margin, align left"
        ", aligned left, aligned to the left, left align, left edge",
        "right aligned": "right, right aligned, right hand side, right side, right margin, align"
        " right, aligned right, aligned to the right, right align, right edge, over to the right",
        "justified": "justified, justify, full justification, straight at both edges, straight on"
        " both sides, both edges straight, both sides straight, straight edges"
        ", straight edges on both sides"
        ", justification, fully justified, flush on both sides, flush both sides",
        "an ordinary paragraph": "ordinary paragraph, normal paragraph, plain paragraph, ordinary"
        " text, normal text, body text, ordinary paragraphs, normal paragraphs, plain paragraphs"
        ", just paragraphs, just a paragraph, ordinary lines, normal lines, plain lines",
    },
    Looks.ROUND: {
        "quotes": "quotes, quotation marks, inverted commas, speech marks, quote marks",
        "brackets": "brackets, parentheses, round brackets",
        "square brackets": "square brackets",
    },
}  # fmt: skip
COLOURS = "red blue green yellow orange purple pink brown grey gray black".split()
"""Those that letters are asked for in."""

ROLES: dict[Phrase, tuple[Role, ...]] = {}
"""What each phrase may say."""
for _role, _said in _ROLES.items():
    for _phrase in _said:
        ROLES[_phrase] = (*ROLES.get(_phrase, ()), _role)
LOOKS: dict[Phrase, tuple[Looks, Phrase]] = {
    phrase: (kind, tuple(asked.split()))
    for kind, looks in _LOOKS.items()
    for asked, said in looks.items()
    for phrase in _phrases(said)
} | {
    (colour, *of): (Looks.COLOUR, (colour,))
    for colour in COLOURS
    for of in ((), ("letters",), ("type",), ("ink",), ("print",))
}
"""The kind of each look, and how it is asked for."""
LONGEST = max(map(len, (*ROLES, *LOOKS)))
"""Words of a phrase."""
