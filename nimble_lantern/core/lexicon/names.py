"""Names: of days, months and peoples, titles, abbreviations, and what is written small in titles.

After New Hart's Rules (Oxford University Press, 2014), chapters 4, 5 and 10.
"""

from __future__ import annotations

MONTHS = {
    name: name.capitalize()
    for name in "january february march april may june july august september october november"
    " december".split()
}
"""As spoken, and as written."""
DAYS = {
    name: name.capitalize()
    for name in "monday tuesday wednesday thursday friday saturday sunday".split()
}
"""As spoken, and as written."""
PROPER = (
    "english british american scottish welsh irish french german spanish italian dutch european"
    " african asian chinese japanese indian russian polish portuguese greek roman norwegian"
    " swedish danish finnish england britain scotland wales ireland london edinburgh cardiff"
    " dublin europe france germany spain italy america africa asia australia canada china india"
    " japan russia norway sweden denmark finland iceland paris berlin rome madrid christmas easter"
    " christian muslim jewish hindu buddhist atlantic pacific mediterranean"
)
"""Always with a capital."""
INITIALS = "UK USA BBC NASA EU NHS RNLI VAT PDF TV DVD USB URL HTML FAQ GPS CEO DIY AGM OK PhD NGO"
"""Written as they stand here."""
ABBREVIATIONS = frozenset(
    "mr mrs ms dr st prof rev capt e.g i.e etc vs no approx dept cf a.m p.m".split()
)
"""A full stop after one of these ends no sentence."""
TITLES = {"mr": "Mr", "mrs": "Mrs", "ms": "Ms", "dr": "Dr", "mister": "Mr", "missus": "Mrs"}
"""Before a name."""
SMALL_IN_TITLES = frozenset(
    "a an and as at but by for from in nor of off on or per so the to up via with".split()
)
"""Without a capital in a title, but for its first and last word."""
