"""Headings that are asked for with their words: "put a heading saying water above that"."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import blocks
from nimble_lantern.core.commands.frames import ADD, SAYING
from nimble_lantern.core.commands.instead import a_look
from nimble_lantern.core.commands.when import begins_a_block, names_a_block
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.breaths import breaths
from nimble_lantern.core.document.model import Kind, Position
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, That, Unit, Units
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.writing.lexer import Manner, special

_TITLE, _USUAL = 0, -1
CATALOGUE.table(
    "titled",
    {
        "[new] (heading | header | headline)": _USUAL,
        "[new] (big | large | main | proper) (heading | header | headline)": 1,
        "[main] title": _TITLE,
        "[new] (subheading | sub heading | smaller heading | second level heading)": 2,
        "[new] heading [level] two": 2,
        "[new] heading level one": 1,
        "[new] heading [level] three": 3,
    },
    heard=False,
)
CATALOGUE.table(
    "saying",
    {f"({SAYING} | called)": True},
    heard=False,
)
CATALOGUE.table(
    "over_all",
    {
        "(above | over) (everything | all of it | the <writing>)": "start",
        "(below | under | underneath) (everything | all of it | the <writing>)": "end",
    },
    heard=False,
)
CATALOGUE.table("main_title", {"[main] title": _TITLE}, heard=False)
CATALOGUE.table("headed_so", {"(heading | header)": True}, heard=False)
CATALOGUE.table("a_section", {"(section | chapter | part)": True}, heard=False)
CATALOGUE.table("levelled", {"one": 1, "two": 2, "three": 3}, heard=False)
_SAID = frozenset("saying that which called reading with".split())
_ADD_ONE = f"{ADD} (a | another | the) {{level:titled}}"
_NEXT = "([now] [the] (next | new | another) | (next | then) (a | the)) {level:titled}"


def _of_a_part(sitting: Sitting, parse: Parse) -> bool:
    return _at_a_block(sitting, parse) and _new(sitting, parse)


def _at_a_block(sitting: Sitting, parse: Parse) -> bool:
    that = isinstance(parse.args.get("target"), That) and bool(sitting.that)
    return that or names_a_block(sitting, parse) or begins_a_block(sitting, parse)


def _goes_on(sitting: Sitting, parse: Parse) -> bool:
    """ "Put a heading above the pump repairs": the paragraph's first words, then new ones."""
    return begins_a_block(sitting, parse) and _new(sitting, parse)


def _of_several(sitting: Sitting, parse: Parse) -> bool:
    """ "The list needs a heading": its items are to be none."""
    target = parse.args.get("target")
    return isinstance(target, Units) and target.unit in (Unit.LIST, Unit.TABLE)


def _new(sitting: Sitting, parse: Parse) -> bool:
    """Words that do not stand on the page, which would be moved, and are no part of it; or any,
    where it is said that the heading says them."""
    text = tuple(parse.args.get("text", ("that",)))
    if parse.args.get("said") or text[0] in _SAID:
        return text[0] not in _SAID
    return not exact(sitting.document, text) and not PARTS.issuperset(text)


def _on_an_empty_page(sitting: Sitting, parse: Parse) -> bool:
    """ "The title is bins" is a sentence of any other letter."""
    empty = not any(block.text.strip() for block in sitting.document.blocks)
    return empty and _on_an_empty_line(sitting, parse)


def _without_a_title(sitting: Sitting, parse: Parse) -> bool:
    """ "Title jumble sale", where nothing is written yet or a sentence has ended and no heading
    stands; "title deeds are kept" goes on."""
    text, place = tuple(parse.args.get("text", ("is",))), sitting.writing_place
    if text[:1] in (("this",), ("it",), ("that",)):
        return False  # "title this document stairs"
    left = sitting.document.blocks[place.block].text[: place.offset].rstrip()
    headed = any(block.kind is Kind.HEADING for block in sitting.document.blocks)
    ended = left[-1:] in (".", "?", "!") and not headed and not _on_its_own(text)
    named = (AUXILIARIES | VERBS).isdisjoint(text) and len(text) <= _LONGEST_HEADING
    return _on_an_empty_page(sitting, parse) or ended and named


def _untitled(sitting: Sitting, parse: Parse) -> bool:
    """ "Add a title spring fair", above a text that has none; "add a title to the picture"."""
    text = tuple(parse.args.get("text", ("is",)))
    headed = any(block.kind is Kind.HEADING for block in sitting.document.blocks)
    named = text[0] not in PREPOSITIONS | _SAID and len(text) <= _LONGEST_HEADING
    return not headed and named and not _on_its_own(text)


def _on_its_own(text: tuple[str, ...]) -> bool:
    return text[:1] in _LEVELS or special(("title", *text), 0, Manner()) > 0 or a_look(text)


def _on_an_empty_line(sitting: Sitting, parse: Parse) -> bool:
    """ "Heading two water" and "title case water" are written by their own rules."""
    text = tuple(parse.args.get("text", ()))
    empty = not sitting.document.blocks[sitting.writing_place.block].text.strip()
    by_its_rule = text[:1] in _LEVELS or special(("title", *text), 0, Manner()) > 0
    return empty and not by_its_rule and not a_look(text)


def _after_a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """ "Next heading any other business", where a sentence has ended and the page has headings."""
    place = sitting.writing_place
    text = sitting.document.blocks[place.block].text
    ended = not text[place.offset :].strip() and text[: place.offset].rstrip()[-1:] in (*".?!", "")
    headed = any(block.kind is Kind.HEADING for block in sitting.document.blocks)
    first = tuple(parse.args.get("text", ("is",)))[0]
    return ended and headed and first not in AUXILIARIES | VERBS | PREPOSITIONS


def _below_a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """ "Add a heading costs", which is no title of anything else: "put a title page in"."""
    text = tuple(parse.args.get("text", ("that",)))
    heads = parse.args.get("level", _TITLE) != _TITLE and text[0] not in _SAID
    return heads and not PARTS.issuperset(text) and _after_a_sentence(sitting, parse)


def _names_the_page(sitting: Sitting, parse: Parse) -> bool:
    """ "Heading spring rota"; "heading home at last" may begin a letter."""
    first = tuple(parse.args.get("text", ("",)))[0]
    return first not in PREPOSITIONS | _WHITHER and _on_an_empty_page(sitting, parse)


def _heads_on(sitting: Sitting, parse: Parse) -> bool:
    """ "Heading any other business", below a text that is over or has other headings; "heading
    south", "we were / heading the queue" go on."""
    text = tuple(parse.args.get("text", ("",)))
    place = sitting.writing_place
    left = sitting.document.blocks[place.block].text[: place.offset].split()
    behind = sitting.document.blocks[place.block].text[place.offset :].strip()
    goes_on = text[0] in PREPOSITIONS | _WHITHER or text[:1] in _LEVELS or behind
    ended = not left or left[-1][-1:] in (".", "?", "!") or _a_line_of_its_own(sitting)
    begins = ended or sitting.document.blocks[place.block].kind is Kind.HEADING
    asks = text[0] in _ASKING and (text[1:2] == ("to",) or begins)  # "what to do", "what is on"
    tells = not asks and not AUXILIARIES.isdisjoint(text)
    if goes_on or len(text) > _LONGEST_HEADING or tells:
        return False
    headings = sum(block.kind is Kind.HEADING for block in sitting.document.blocks)
    open_end = not ended and left[-1].lower() in LITTLE | AUXILIARIES
    if text[0] in DETERMINERS:
        usual = headings > 1 or headings and ended
        return bool(usual) and not open_end and VERBS.isdisjoint(text[1:])
    return ended or headings > 0 and not open_end


def _a_line_of_its_own(sitting: Sitting) -> bool:
    """Whether what stands before the writing place is all one breath and no sentence: "shopping
    list"."""
    place = sitting.writing_place
    text = sitting.document.blocks[place.block].text
    words = text.lower().split()
    named = len(words) <= _LONGEST_LINE and (AUXILIARIES | SUBJECT_PRONOUNS).isdisjoint(words)
    return bool(
        named and words[-1] not in LITTLE and len(breaths(sitting.document, place.block)) == 1
    )


_LONGEST_HEADING, _LONGEST_LINE = 6, 4
_ASKING = frozenset("what how where when who".split())


def _behind_a_text(sitting: Sitting, parse: Parse) -> bool:
    """ "Big heading saying coffee morning", where nothing goes on behind the writing place."""
    place = sitting.writing_place
    return not sitting.document.blocks[place.block].text[place.offset :].strip()


def _usual_level(sitting: Sitting, at: int) -> int:
    """That of the last heading above a block; below a title, one less than it."""
    blocks = sitting.document.blocks
    last = next((b for b in reversed(blocks[:at]) if b.kind is Kind.HEADING), None)
    if last is None:
        return 1
    level = last.level or 1
    return level + 1 if last is blocks[0] and level == 1 else level


_WHITHER = frozenset(
    "home back there straight north south east west towards toward into along past inland upstream"
    " downstream uphill downhill upwards downwards northward southward eastward westward seaward"
    " ashore abroad away forward forwards outside inside indoors outdoors upstairs downstairs"
    " overseas left right somewhere nowhere everywhere anywhere wherever down up out off".split()
)
_LEVELS = (("one",), ("two",), ("three",), ("level",))


@command(
    f"{_ADD_ONE} [here] {{said:saying}} {{text}}",
    f"{_ADD_ONE} {{said:saying}} {{text:words}} here",
    f"{_ADD_ONE} {{side:beside}} {{target}} {{said:saying}} {{text}}",
    f"{_ADD_ONE} (at | to) the [very] {{edge:docedge}} {{said:saying}} {{text}}",
    f"{_ADD_ONE} {{edge:over_all}} {{said:saying}} {{text}}",
    f"{_ADD_ONE} {{said:saying}} {{text:words}} {{edge:over_all}}",
    *each(
        _of_a_part,
        f"{_ADD_ONE} [{{said:saying}}] {{text:words}} {{side:beside}} {{target}}",
        "<put> {text:words} as (a | the) {level:titled} {side:beside} {target}",
        "{target} (needs | wants | <shall> have) (a | the) {level:titled} [{said:saying}] {text}",
        "give {target} (a | the) {level:titled} [{said:saying}] {text}",
        "head {target} with {text}",
    ),
    Way(
        f"{_ADD_ONE} [{{said:saying}}] {{text:words}} (at | to) the [very] {{edge:docedge}}",
        when=_new,
    ),
    f"{ADD} (a | another) [new] {{usual:a_section}} (called | named | headed | titled) {{text}}",
    f"{ADD} (a | another) [new] {{usual:a_section}} (called | named | headed | titled)"
    " {text:words} (at | to) the [very] {edge:docedge}",
    Way(
        f"{ADD} (a | another) [new] {{usual:a_section}} (called | named | headed | titled)"
        " {text:words} {side:beside} {target}",
        when=_at_a_block,
    ),
    Way(
        f"{{side:beside}} {{target}} {_ADD_ONE} [{{said:saying}}] {{text}}",
        when=_of_a_part,
    ),
    *each(
        _on_an_empty_page,
        "(<begin> with | make | give (it | this | the <writing>)) (a | the) {level:titled}"
        " [{said:saying}] {text}",
        "(a | the) {level:titled} (is | <shall> (be | say) | will be) {text}",
        "title (it | this | the <writing>) {text}",
        "head (it | this | the <writing>) [with] {text}",
    ),
    *each(
        _untitled,
        "(add | give (it | this | the <writing>) | put [in]) (a | the) {level:main_title} {text}",
    ),
    Way("(heading | headline | header) {text}", when=_names_the_page),
    Way("title {text}", when=_without_a_title),
    Way("{usual:headed_so} {text}", when=_heads_on),
    Way("{usual:headed_so} {text:words} {side:beside} {target}", when=_at_a_block),
    Way("heading level {level:levelled} {text}", when=_on_an_empty_line),
    Way("[(a | the)] {level:titled} {said:saying} {text}", when=_behind_a_text),
    Way(f"{_NEXT} [{{said:saying}}] {{text}}", when=_after_a_sentence),
    Way(f"{_NEXT} (for | about) {{text}}", when=_after_a_sentence),
    *each(
        _on_an_empty_line,
        "(a | another | the) {level:titled} {said:saying} {text}",
        f"{_ADD_ONE} {{text}}",
        "[a] new heading {text}",
    ),
    Way("<put> (a | another | the) {level:titled} {text}", when=_below_a_sentence),
    Way(f"{_ADD_ONE} {{side:beside}} {{target}} {{text}}", when=_goes_on),
    *each(
        _at_a_block,
        f"{_ADD_ONE} {{side:beside}} {{target}}",
        f"{{side:beside}} {{target}} {_ADD_ONE}",
    ),
    *each(
        _of_several,
        "{target} (needs | wants | <shall> have) (a | the) {level:titled} [(above | over) it]",
        "give {target} (a | the) {level:titled}",
    ),
    example="put a heading saying water above the second paragraph",
    group="format",
    heard=0,
)
def add(
    sitting: Sitting,
    text: tuple[str, ...] = (),
    level: int = _TITLE,
    target: Places | None = None,
    side: str = "before",
    edge: str = "",
    said: bool = False,
    usual: bool = False,
) -> Done:
    """Write a heading of these words, or begin one, beside a part of the page, at its top or here.

    One that is begun is where the next words go.
    """
    document, here = sitting.document, sitting.writing_place
    level = _USUAL if usual else level
    at, before = here.block, here.offset == 0
    if target is not None:
        before = side == "before"
        at = (target.first.start if before else target.first.end).block
    elif edge or level == _TITLE and any(b.text for b in document.blocks):
        edge = edge or "start"
        at, before = (0, True) if edge == "start" else (len(document.blocks) - 1, False)
    if level == _USUAL:
        level = _usual_level(sitting, at + (not before))
    if target is None and not edge and not document.blocks[at].text.strip():
        wrote = compose(replace(sitting.about(()), insertion=Position(at, 0)), text)
        wrote = replace(wrote, sitting=replace(wrote.sitting, insertion=None))
    else:
        wrote = insert_beside(sitting, block_range(document, at), text, before, True)
    first = block_range(wrote.sitting.document, wrote.range.start.block)
    made = blocks.heading(wrote.sitting, Places((first,)), level or 1)
    assert isinstance(made, Done)
    after = made.sitting
    if target is None and not edge or not text:
        after = after.placed(wrote.range.end)
    after = after.about((wrote.range,)) if text else after
    if text and after.caret == wrote.range.end:
        after = replace(after, headed=after.caret)
    which = f"{quoted(wrote.text)} is" if text else "the next words are"
    return Done(after, f"{which} heading {level or 1}")


def _called_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "Start a shopping list", where nothing is written or a sentence has ended; on a page with
    words on it "make a shopping list" may be a thing to do."""
    text, place = tuple(parse.args.get("text", ())), sitting.writing_place
    named = 0 < len(text) <= _LONGEST_LIST_NAME and text[0] not in DETERMINERS | PREPOSITIONS
    if not named or not (TRADE_NOUNS | _OF_THE_LIST).isdisjoint(text):
        return False
    block = sitting.document.blocks[place.block]
    if block.cell is not None or block.kind is not Kind.PARAGRAPH:
        return False  # a cell, or an item, may say so
    if not _says_something(sitting):
        return True
    over = block.text[: place.offset].rstrip()[-1:] in (*".?!:", "")
    ends = not block.text[place.offset :].strip()
    return ends and over and not parse.args.get("made")


_LONGEST_LIST_NAME = 3
_OF_THE_LIST = frozenset("new next other another long short nested sub simple plain list".split())
CATALOGUE.table(
    "made",
    {
        "(start | begin | i want to start | i'd like to start)": False,
        "(make | create | write | new | i need | i want)": True,
    },
    heard=False,
)


@command(
    "{made} [(a | an | my | the)] [new] {text:words} list [please]",
    heard=0,
    example="start a shopping list",
    group="format",
    when=_called_a_list,
)
def headed_list(sitting: Sitting, text: tuple[str, ...], made: bool = False) -> Done | Refusal:
    """Begin a list below a heading that says what it is of."""
    headed = add(sitting, (*text, "list"), _USUAL if _says_something(sitting) else _TITLE)
    begun = blocks.begin_list(replace(headed.sitting, headed=None))
    if isinstance(begun, Refusal):
        return begun
    return Done(begun.sitting, f"{quoted(' '.join((*text, 'list')))}: say its items one by one")


def _says_something(sitting: Sitting) -> bool:
    return any(block.text.strip() for block in sitting.document.blocks)
