"""Plurals that follow no rule, and nouns of which there is but one form."""

from __future__ import annotations

_PAIRS = (
    "child children, man men, woman women, person people, foot feet, tooth teeth, goose geese,"
    " mouse mice, leaf leaves, knife knives, life lives, wife wives, half halves, loaf loaves,"
    " shelf shelves, wolf wolves, thief thieves, calf calves, scarf scarves, ox oxen, penny pence,"
    " potato potatoes, tomato tomatoes, hero heroes, echo echoes,"
    " bus buses, gas gases, lens lenses, bonus bonuses, glass glasses, class classes,"
    " boss bosses, loss losses, pass passes, dress dresses, address addresses, business businesses,"
    " crisis crises, quiz quizzes, headache headaches, axe axes, toe toes, shoe shoes, canoe canoes"
)
PLURALS = {one: many for one, _, many in (pair.partition(" ") for pair in _PAIRS.split(", "))}
SINGULARS = {many: one for one, many in PLURALS.items()}
ALIKE = frozenset("sheep fish deer aircraft series species salmon trout".split())


def plural(noun: str) -> str:
    """The plural of a singular: by the list, else by the regular rules."""
    if noun in ALIKE or noun in PLURALS:
        return PLURALS.get(noun, noun)
    if noun.endswith("y") and noun[-2:-1] not in tuple("aeiou"):
        return noun[:-1] + "ies"
    return noun + ("es" if noun.endswith(("ch", "sh", "x", "ss", "z")) else "s")


def singular(noun: str) -> str:
    """The singular of a plural: by the list, else by the regular rules."""
    if noun in ALIKE or noun in SINGULARS:
        return SINGULARS.get(noun, noun)
    if noun.endswith("ies") and len(noun) > len("ties"):
        return noun[:-3] + "y"
    if noun.endswith(("ches", "shes", "xes", "sses", "zes")):
        return noun[:-2]
    return noun.removesuffix("s")


def is_plural(noun: str) -> bool:
    """Whether a noun looks like a plural: "boats", "children", and not "glass"."""
    return noun in SINGULARS or noun.endswith("s") and not noun.endswith(("ss", "us", "is"))
