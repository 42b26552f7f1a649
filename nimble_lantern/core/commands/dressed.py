"""Words that are written with their look: "write private in bold", "in italics yours ever"."""

from __future__ import annotations

from nimble_lantern.core.commands import case
from nimble_lantern.core.commands.marks import marked
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.words import exact

_CAPITALS = "capitals"
_OF_PRINT = {
    "bold [type | letters]": ("bold",),
    "(italics | italic [type | letters])": ("italic",),
    "(bold (italic | italics) | bold and (italic | italics))": ("bold", "italic"),
    "bold [(block | all)] (capitals | caps | capital letters)": ("bold", _CAPITALS),
}
CATALOGUE.table("print_dress", _OF_PRINT, heard=False)
CATALOGUE.table(
    "dress",
    {**_OF_PRINT, "[(block | all)] (capitals | caps | capital letters)": (_CAPITALS,)},
    heard=False,
)
_MOST_WORDS = 6
_SIDES = frozenset("before after above below under behind between instead".split())
_OF_LETTERS = frozenset("type letters print writing face script capitals and or on".split())
"""After a look they go on to speak of it: "in bold letters it said"."""


def _new_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Write private in bold"; "write your name in bold type" is asked of somebody else, and so
    is "write names in capitals", which a pen can do."""
    text = tuple(parse.args.get("text", ()))
    plain = 0 < len(text) <= _MOST_WORDS and not (DETERMINERS | SUBJECT_PRONOUNS) & set(text)
    placed = not _SIDES.isdisjoint(text)  # "old before gate in italics" says where
    return (
        plain and not placed and text[0] not in PREPOSITIONS and not exact(sitting.document, text)
    )


def _begins(sitting: Sitting, parse: Parse) -> bool:
    """ "In bold private", where nothing is on the line yet; "in bold letters it said" goes on."""
    text = tuple(parse.args.get("text", ("type",)))
    empty = not sitting.document.blocks[sitting.writing_place.block].text.strip()
    tells = bool(VERBS.intersection(text[1:])) or text[0] in _OF_LETTERS
    return empty and not tells and _new_words(sitting, parse)


@command(
    *each(
        _new_words,
        "(write | type | put in | insert | dictate) {text:words} in {dress:print_dress}",
        "[now] in {dress} (write | type | put [in] | say | insert) {text}",
    ),
    Way("[now] in {dress} {text}", when=_begins),
    example="write private in bold capitals",
    group="format",
    heard=0,
)
def write(sitting: Sitting, text: tuple[str, ...], dress: tuple[str, ...]) -> Done | Refusal:
    """Write words here that are bold, italic or in capitals; what comes next is plain again."""
    wrote = compose(sitting.about(()), text)
    after = wrote.sitting
    looks = tuple(look for look in dress if look != _CAPITALS)
    if looks:
        after = marked(after, (wrote.range,), looks)
    if _CAPITALS in dress:
        made = case.upper(after, Places((wrote.range,)))
        if isinstance(made, Refusal):
            return made
        after = made.sitting
    return Done(after.about((wrote.range,)), f"wrote {quoted(after.document.text(wrote.range))}")
