"""Words beside which a number is written in figures, and what else tells kinds of numbers apart.

Units are those of the International System of Units brochure (BIPM, 2019) and of everyday trade;
the rest follows New Hart's Rules (2014), chapter 11.
"""

from __future__ import annotations

MEASURES = frozenset(
    "kilometre kilometres kilometer kilometers mile miles metre metres meter meters centimetre"
    " centimetres centimeter centimeters millimetre millimetres millimeter millimeters inch inches"
    " feet foot yards yard kilo kilos kilogram kilograms gram grams tonne tonnes ton tons litre"
    " litres liter liters millilitre millilitres milliliter milliliters milligram milligrams"
    " microgram micrograms gallon gallons pint pints ounce ounces degree"
    " degrees watt watts volt volts amp amps hertz knot knots acre acres hectare hectares mph"
    " kilowatt kilowatts megabyte megabytes gigabyte gigabytes candela lumens fathoms kg km cm mm"
    " celsius fahrenheit".split()
)
"""A number before one is in figures."""
COMPOUNDED = frozenset(
    "minute hour day week month year mile foot inch yard metre meter centimetre millimetre"
    " kilometre litre pint gallon acre degree ton tonne kilo gram watt volt stone star bedroom"
    " storey page seat part course man person bed".split()
)
"""Units that, said in the singular behind a number, tell of what sort a thing is."""
DIMENSIONS = frozenset(
    "tall high long wide deep thick square away apart above below old ago later earlier further"
    " more each full period comma question exclamation semicolon colon dash hyphen new".split()
)
"""Behind a measure these go on with it."""
LABELS = frozenset(
    "page pages chapter chapters room line lines table figure section sections paragraph"
    " paragraphs item number numbers platform unit flat appendix grade version volume part bus"
    " route channel size lot gate pier step box house suite apartment extension column row"
    " highway room rooms clause article rule level lamp force route pump berth act verse".split()
)
"""A number after one is in figures."""
LETTERED = frozenset(
    "room flat unit number gate platform bus house seat figure form page section apartment block"
    " building plot berth table shed class road route bay exhibit appendix question part model"
    " coach carriage berth cabin locker desk".split()
)
"""What is told by a number and a letter: "room twelve b"."""
CHOICES = frozenset("plan option side team group point grade answer type".split())
"""What is told by a letter alone, whatever number follows: "plan b ten times"."""
TIME_BEFORE = frozenset("at by until till from before after about around past for to".split())
"""Before a time of day."""
CLOCK_BEFORE = frozenset("at by until till about around since nearly almost before after".split())
"""Before a bare hour and minute: "at nine thirty"."""
YEAR_BEFORE = frozenset("in since of year years by from until to during before after and".split())
"""Before a year in pairs: "in nineteen eighty four"."""
STREETS = frozenset(
    "road street lane avenue close terrace quay drive place square row hill crescent gardens"
    " court mews".split()
)
"""End an address: the number before it is in figures."""
ROADS = frozenset("road street lane avenue crescent terrace gardens mews".split())
"""The last word of a road's name, which is seldom anything else after a number and a name."""
HALVES = {"half": "½", "quarter": "¼", "third": "⅓"}
"""Fractions that have a sign."""
DENOMINATORS = {
    "half": 2, "halves": 2, "third": 3, "thirds": 3, "quarter": 4, "quarters": 4,
    "fifth": 5, "fifths": 5, "sixth": 6, "sixths": 6, "sevenths": 7, "eighth": 8, "eighths": 8,
    "ninths": 9, "tenth": 10, "tenths": 10,
}  # fmt: skip
"""Of fractions."""
MONEY = {
    "pound": "£", "pounds": "£", "quid": "£", "dollar": "$", "dollars": "$",
    "euro": "€", "euros": "€",
}  # fmt: skip
"""Units of money, with their signs."""
COINS = {"pence": "p", "penny": "p", "cent": "¢", "cents": "¢"}
"""Their hundredths."""
MONTH_BEFORE = frozenset("in since until last next during early late mid every by this".split())
"""Before "march" and "may" they make it the month."""
