"""Marks and symbols, under their everyday names, with the spacing each asks for.

Names are plain English and the character names of the Unicode standard.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum


class Spacing(Enum):
    """How a mark stands to its neighbours."""

    CLOSE = "against the left, space on the right"
    OPEN = "space on the left, against the right"
    JOIN = "against both"
    SPACED = "space on both sides"


@dataclass(frozen=True, slots=True)
class Mark:
    """One mark; `american` where it differs from the British form."""

    name: str
    text: str
    spacing: Spacing
    american: str | None = None
    american_spacing: Spacing | None = None

    def written(self, dialect: str) -> tuple[str, Spacing]:
        if dialect == "american":
            return self.american or self.text, self.american_spacing or self.spacing
        return self.text, self.spacing


_C, _O, _J, _S = Spacing.CLOSE, Spacing.OPEN, Spacing.JOIN, Spacing.SPACED
_ROWS: tuple[tuple[str, str, Spacing], ...] = (
    ("full stop | period | full point", ".", _C),
    ("comma", ",", _C),
    ("semicolon | semi colon", ";", _C),
    ("colon", ":", _C),
    ("question mark | query mark | interrogation mark", "?", _C),
    ("exclamation mark | exclamation point | exclamation sign", "!", _C),
    ("hyphen", "-", _J),
    ("em dash | long dash", "—", _J),
    ("ellipsis | dot dot dot | three dots", "…", _C),
    ("apostrophe", "’", _C),
    ("open double quote | open double quotes | open double quotation mark", "“", _O),
    ("open double quotation marks | left double quote | begin double quote", "“", _O),
    ("close double quote | close double quotes | close double quotation mark", "”", _C),
    ("close double quotation marks | right double quote | end double quote", "”", _C),
    ("open single quote | open single quotes | open single quotation mark", "‘", _O),
    ("left single quote | begin single quote | open inverted comma", "‘", _O),
    ("close single quote | close single quotes | close single quotation mark", "’", _C),
    ("right single quote | end single quote | close inverted comma", "’", _C),
    ("open inverted commas", "‘", _O),
    ("close inverted commas", "’", _C),
    ("open parenthesis | open parentheses | left parenthesis | open paren", "(", _O),
    ("open round bracket | open round brackets | left round bracket", "(", _O),
    ("close parenthesis | close parentheses | right parenthesis | close paren", ")", _C),
    ("close round bracket | close round brackets | right round bracket", ")", _C),
    ("open square bracket | open square brackets | left square bracket", "[", _O),
    ("close square bracket | close square brackets | right square bracket", "]", _C),
    ("open brace | open braces | left brace | open curly bracket", "{", _O),
    ("open curly brackets | left curly bracket | open curly brace", "{", _O),
    ("close brace | close braces | right brace | close curly bracket", "}", _C),
    ("close curly brackets | right curly bracket | close curly brace", "}", _C),
    ("open angle bracket | left angle bracket | less than sign", "<", _O),
    ("close angle bracket | right angle bracket | greater than sign", ">", _C),
    ("slash | forward slash | oblique | solidus", "/", _J),
    ("backslash | back slash", "\\", _J),
    ("ampersand | and sign", "&", _S),
    ("at sign | at symbol", "@", _J),
    ("hash | hash sign | hash mark | hashtag | hash tag | number sign", "#", _O),
    ("percent sign | per cent sign | percentage sign | percent symbol", "%", _C),
    ("degree sign | degrees sign | degree symbol", "°", _C),
    ("plus sign | plus symbol", "+", _S),
    ("minus sign | minus symbol", "−", _S),
    ("plus or minus sign | plus minus sign", "±", _S),
    ("times sign | multiplication sign", "×", _S),
    ("division sign | divided by sign", "÷", _S),
    ("equals sign | equal sign | equals symbol", "=", _S),
    ("asterisk | star sign", "*", _C),
    ("underscore | under score", "_", _J),
    ("tilde", "~", _O),
    ("vertical bar | pipe sign", "|", _S),
    ("dollar sign | dollar symbol", "$", _O),
    ("euro sign | euro symbol", "€", _O),
    ("pound sterling sign | sterling sign | pounds sign", "£", _O),
    ("yen sign", "¥", _O),
    ("cent sign | cents sign", "¢", _C),
    ("bullet sign | bullet symbol | bullet mark", "•", _S),
    ("paragraph sign | paragraph mark | pilcrow", "¶", _O),
    ("section sign | section mark", "§", _O),
    ("copyright sign | copyright symbol", "©", _S),
    ("registered sign | registered symbol | registered trademark sign", "®", _C),
    ("trademark sign | trade mark sign | trademark symbol", "™", _C),
    ("dagger sign", "†", _C),
    ("middle dot", "·", _S),
)
_DIALECT: tuple[tuple[str, Mark], ...] = (
    ("dash | en dash | short dash", Mark("dash", "–", _S, "—", _J)),
    ("pound sign | pound symbol", Mark("pound sign", "£", _O, "#", _O)),
    ("open bracket | open brackets | left bracket", Mark("open bracket", "(", _O, "[", _O)),
    ("close bracket | close brackets | right bracket", Mark("close bracket", ")", _C, "]", _C)),
    (
        "open quote | open quotes | quote | begin quote | open quotation mark"
        " | open quotation marks | open speech marks | left quote",
        Mark("open quote", "‘", _O, "“", _O),
    ),
    (
        "close quote | close quotes | unquote | end quote | end quotes | close quotation mark"
        " | close quotation marks | close speech marks | right quote",
        Mark("close quote", "’", _C, "”", _C),
    ),
)


def _table() -> dict[tuple[str, ...], Mark]:
    table: dict[tuple[str, ...], Mark] = {}
    for names, text, spacing in _ROWS:
        phrases = [n.strip() for n in names.split("|")]
        for phrase in phrases:
            table[tuple(phrase.split())] = Mark(phrases[0], text, spacing)
    for names, mark in _DIALECT:
        for phrase in names.split("|"):
            table[tuple(phrase.split())] = mark
    table["en", "dash"] = table["short", "dash"] = Mark("en dash", "–", _S)
    return table


MARKS = _table()
DIGITS_BESIDE = frozenset("#$£€¥§+−=×÷±%°¢")
"""A number next to one of these is in digits."""
LONGEST = max(len(phrase) for phrase in MARKS)

# A mark's name right after one of these is the word, not the mark: "came to a full stop".
# Nor is it the mark in front of these: "period of time", "colon cancer", "dash of salt".
# Nor after these, which only fit the word: "a long period", "mad dash".
