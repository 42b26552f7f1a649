"""List items: the next one, deeper, shallower, the end; and the space between lines."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.blocks import make_list
from nimble_lantern.core.commands.inserted import a_new_thing
from nimble_lantern.core.commands.when import just_dictated, last_command, there_is_a_list
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.itemising import lines_above, sentences_above, several_lines
from nimble_lantern.core.composing.reformatting import reformatted
from nimble_lantern.core.composing.starting import empty_beside
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.model import Kind, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import SPOKEN_OF
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Order, Places, Unit, Units, Words
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import exact, in_a_list
from nimble_lantern.core.writing.lexer import mark_named

DEEPEST = 6


def _in_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "Deeper" is said of the item that is being written, or is a word of the text."""
    named = parse.args.get("target") is not None
    return named or sitting.document.blocks[sitting.caret.block].kind == "item"


def _item_is_written(sitting: Sitting, parse: Parse) -> bool:
    """ "Next", said after an item's words: no item is called so, and none has two words of it."""
    block = sitting.document.blocks[sitting.caret.block]
    at_end = not block.text[sitting.caret.offset :].strip()
    selected = sitting.selection is not None and sitting.fresh
    last = last_command(sitting)
    looks = selected or last is not None and last.traits.finds
    return block.kind is Kind.ITEM and at_end and bool(block.text.strip()) and not looks


def _item_was_said(sitting: Sitting, parse: Parse) -> bool:
    """ "That is all", right after an item was dictated."""
    return just_dictated(sitting) and _item_is_written(sitting, parse)


_TOO = frozenset("too also as".split())


def _one_more_item(sitting: Sitting, parse: Parse) -> bool:
    """ "And the last one a lamp" of a list; "the next one is late" goes on with its item."""
    first = tuple(parse.args.get("text", ("is",)))[0]
    goes_on = first in AUXILIARIES | VERBS | PREPOSITIONS | SUBJECT_PRONOUNS | _OF_WHICH | _TOO
    return _item_is_written(sitting, parse) and not goes_on


_LONGEST_ITEM = 4


def _also_an_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Oh and candles", behind the words of an item; "oh and she was late" tells something."""
    text = tuple(parse.args.get("text", ("is",)))
    told = not (AUXILIARIES | VERBS).isdisjoint(text) or text[0] in PREPOSITIONS | SUBJECT_PRONOUNS
    return len(text) <= _LONGEST_ITEM and not told and _item_is_written(sitting, parse)


def _and_another(sitting: Sitting, parse: Parse) -> bool:
    """ "And cheese", right after eggs were put on the list by a command."""
    last = last_command(sitting)
    added = last is not None and last.name.endswith("_item")
    return added and _also_an_item(sitting, parse)


_OF_WHICH = frozenset("who that which whose and or came went".split())


@command(
    "(next | new | another | one more | a further) (item | bullet | point)",
    "<begin> (a | an | the) [(next | new | another)] [list] (item | bullet | point)",
    "<begin> another [list] (item | bullet | point)",
    Way("(next | new) number", when=_in_a_list),
    Way("next [one] [please]", when=_item_is_written),
    *each(_one_more_item,
        "[and] [then] [the] next (one | thing) {text}",
        "[and] (another | one more) (one | thing) {text}",
        "[and] [lastly] the last one {text}",
    ),
    Way("(oh and | oh also | and also | oh yes and) [(some | a)] {text}", when=_also_an_item),
    Way("and {text}", when=_and_another),
    example="next item",
         group="format")  # fmt: skip
def next_item(sitting: Sitting, text: tuple[str, ...] = ()) -> Done:
    """Begin the next item of a list."""
    wrote = compose(sitting, ("next", "item", *text))
    return Done(wrote.sitting, f"next item: {quoted(wrote.text)}" if text else "next item")


CATALOGUE.table("numbering", {"number": "numbered", "bullet": "bulleted"}, heard=False)
CATALOGUE.table("those_few", {"(those | these | them)": True}, heard=False)


def _several_lines(sitting: Sitting, parse: Parse) -> bool:
    return several_lines(sitting)


@command(
    "(make | turn | change | put) {few:those_few} [(in | into | as)] a [{listkind}] list",
    "(make | turn | change | put) {few:those_few} [(in | into)] {listkind:bulletpoints}",
    "[(put | add | have)] {listkind:bulletpoints} (on | to | before | by) {few:those_few}",
    "(make | turn | change | put) those [(few | short)] (lines | steps | sentences | points)"
    " [(in | into | as)] a [{listkind}] list",
    "{listkind:numbering} {few:those_few} [(lines | steps | sentences | points)]",
    example="make those lines a list",
    group="format",
    heard=0,
    when=_several_lines,
)
def of_lines(sitting: Sitting, few: bool = True, listkind: str = "bulleted") -> Done | Refusal:
    """Make items of the short paragraphs, or of the sentences, that were said one after another."""
    sentences = sentences_above(sitting)
    those = (sentences,) if sentences is not None else lines_above(sitting)
    made = make_list(sitting, Places(those, unit=Unit.SENTENCE if sentences else None), listkind)
    if isinstance(made, Refusal):
        return made
    b = made.sitting.that[-1].end.block if made.sitting.that else sitting.caret.block
    return replace(made, sitting=made.sitting.placed(block_range(made.sitting.document, b).end))


CATALOGUE.table(
    "below",
    {"(after | below | under | beneath | underneath | behind | outside)": True},
    heard=False,
)


@command("<stop> [(the | this)] list", "end of [the] list", "(out of | no more) [the] list",
         "[the] list [is] (over | finished | done)",
         "(that is | that's) the list (over | finished | done | complete)",
         "(that is | that's | this is) the end of [(the | this)] list",
         *each(
             _in_a_list,
             *frames.left("list"),
             "(go | get | back) [back] to (normal | ordinary | plain) (text | writing)",
             "(no more | stop) (items | bullets | bullet points | points) [(now | on the list"
             " | in the list)]",
         ),
         Way(
             "[and] (that's | that'll be) (all | everything | the lot | it) [then]",
             when=_item_is_written,
         ),
         Way("[and] that is (all | everything | the lot | it) [then]", when=_item_was_said),
         "(take | get | let) me out of (the | this) list",
         *each(there_is_a_list,
             "[<go> [to]] {there:below} the list",
             "<go_on> {there:below} the list",
         ),
         example="end list", group="format")  # fmt: skip
def end_list(sitting: Sitting, there: bool = False) -> Done | Refusal:
    """Go on in normal text after a list."""
    b, blocks = sitting.caret.block, sitting.document.blocks
    if not there and blocks[b].kind is Kind.HEADING:
        return Refusal("No list is here to end.", "", "“Start a list” begins one.")
    if there and blocks[b].kind is not Kind.ITEM:  # after the nearest one
        items = (n for n, block in enumerate(blocks) if block.kind is Kind.ITEM)
        b = min(items, key=lambda n: abs(n - b), default=b)
    if blocks[b].kind is Kind.ITEM and (
        b != sitting.caret.block
        or blocks[b].text[sitting.caret.offset :].strip()
        or blocks[b].text.strip()
        and blocks[b + 1 : b + 2]
        and blocks[b + 1].kind is Kind.ITEM
    ):
        # An item with the caret in its words, or others below, stays one: below the list it goes.
        item = block_range(sitting.document, b)
        sitting = sitting.placed(all_within(Unit.LIST, sitting, item)[0].end)
    return Done(compose(sitting, ("end", "list")).sitting, "normal text after the list")


def _beside_an_item(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    item = isinstance(target, Units) and target.unit is Unit.ITEM
    return item or in_a_list(sitting.document, target)


@command(
    "(new | next | another) [list] (item | bullet | point | bullet point) {side:beside} {target}",
    "(add | insert | put | make | start) (a | another | a new) [list] (bullet | point | bullet"
    " point | list item) {side:beside} {target}",
    "(add | insert | put | make | start) (an | another | a new) (item | entry) {side:beside}"
    " {target}",
    "{side:beside} {target} (new | another) [list] (item | bullet | point | bullet point)",
    heard=1,
    example="new item after the gate",
    group="format",
    when=_beside_an_item,
)
def item_beside(sitting: Sitting, target: Places, side: str) -> Done | Refusal:
    """Begin an item before or after another."""
    b = target.first.start.block if side == "before" else target.ranges[-1].end.block
    item = sitting.document.blocks[b]
    if item.kind is not Kind.ITEM:
        return Refusal("That stands in no list.")
    after = empty_beside(sitting, b, side, item.format)
    return Done(after, f"a new item {side} {quoted(item.text)}")


_BESIDE = frozenset("after before behind above below under between".split())
_GOING_ON = VERBS | PREPOSITIONS | SUBJECT_PRONOUNS | _BESIDE
_ITEM = "[new] (item | list item | point | bullet | bullet point | entry | step)"
_THAT_SAYS = "(saying | that says | which says | reading | to say | with)"
SAYING = f"[{_THAT_SAYS.replace(' | with', '')}]"


def an_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Another item a whistle"; "another item was" and "another item on the bill" go on.

    Many an item is a request: "another item bring a whistle".
    """
    text = tuple(parse.args.get("text", ()))
    if a_new_thing(text):
        return False  # "add two items after milk"
    first = text[:1]
    goes_on = first and first[0] in _GOING_ON and f"{first[0]}s" not in VERBS
    return there_is_a_list(sitting, parse) and not goes_on


def _a_new_item(sitting: Sitting, parse: Parse) -> bool:
    """The same, but "put the item that says tea first" moves the one that is there."""
    said = tuple(parse.args.get("text", ()))
    blocks = sitting.document.blocks
    there = any(blocks[r.start.block].kind is Kind.ITEM for r in exact(sitting.document, said))
    return an_item(sitting, parse) and not there


def _an_item_there(sitting: Sitting, parse: Parse) -> bool:
    return an_item(sitting, parse) and _beside_an_item(sitting, parse)


def _names_an_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Add lamp oil to the list"; "add the timber to the list" may be asked of somebody else."""
    text = tuple(parse.args.get("text", ()))
    spoken_of = len(text) == 1 and text[0] in SPOKEN_OF  # "put that on the list"
    return there_is_a_list(sitting, parse) and text[:1] != ("the",) and not spoken_of


def _a_short_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Tape goes on the list"; "nobody goes on the list" tells of one."""
    text = parse.args.get("text", ())
    plain = not set(text) & (LITTLE | ARTICLES_AND_OWNERS | _NO_ITEM)
    return _names_an_item(sitting, parse) and len(text) <= _SHORT_ITEM and plain


_SHORT_ITEM = 3
_NO_ITEM = frozenset("nobody everybody everyone somebody someone anybody who what that".split())


def _just_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "Add femi to it", of the list that was just made or stands here."""
    blocks, here = sitting.document.blocks, sitting.writing_place.block
    made = (blocks[r.start.block] for r in sitting.that)
    listed = blocks[here].kind is Kind.ITEM or any(b.kind is Kind.ITEM for b in made)
    return listed and len(parse.args.get("text", ())) <= _SHORT_ITEM and an_item(sitting, parse)


def _behind_an_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Add matches", right behind an item that says something: it does not go on so."""
    text, place = tuple(parse.args.get("text", ())), sitting.writing_place
    block = sitting.document.blocks[place.block]
    ended = block.kind is Kind.ITEM and 0 < len(block.text) == place.offset
    ended = ended and text[-1] not in ("it", "that", "this", "them") and not a_new_thing(text)
    short = len(text) <= _SHORT_ITEM + 1 and text[0] not in _GOING_ON | LITTLE - {"a", "an"}
    return ended and short and sitting.selection is None


@command(
    Way(
        "(<put> | append | put in) [(an item | the item)] {text:words} (to | on | onto | at) [the"
        " [very] (end | bottom | foot) of] the list [(as well | too | also)]",
        when=_names_an_item,
    ),
    Way("add (an item | another item) [saying] {text}", when=an_item),
    Way("(another | one more) item [saying] {text}", when=an_item),
    Way(
        "(add | put [in]) (another | one more | a new) (item | entry) [saying] {text}",
        when=an_item,
    ),
    Way(
        "(add | put) [(one more | another | one | something)] (to | on | onto) the list [saying]"
        " {text}",
        when=an_item,
    ),
    Way(
        "(add | put) (a | another) (item | point | warning | reminder | rule | line) (at | to) the"
        " [very] (end | bottom | foot) of the list [saying] {text}",
        when=an_item,
    ),
    Way(
        "[and] (one more | another | a further) (thing | item | point | entry) (for | on) the list"
        " [saying] {text}",
        when=an_item,
    ),
    Way("[add] (a | another) list item {text:words} [at the end of the list]", when=an_item),
    *each(
        there_is_a_list,
        "list item {text:words} at the end of the list",
        "[(add | put)] [(a | another)] (new | last) (item | bullet | point) [(at | on | to) the"
        " [very] (end | bottom | foot)] [of the list] [saying] {text:words}",
    ),
    Way("[and] (also | plus) {text:words} (on | to) the list", when=an_item),
    Way(
        "{text:words} (goes | belongs | <shall> (go | be)) (on | in) the list [(as well | too |"
        " also)]",
        when=_a_short_item,
    ),
    Way(
        "the list (<shall> have | needs | wants | could do with) {text:words} (on | in) it [(as"
        " well | too | also)]",
        when=an_item,
    ),
    Way(
        "(and another | another | one more) (bullet | bullet point | point) [saying] {text}",
        when=an_item,
    ),
    Way("(add | also) {text:words}", when=_behind_an_item),
    Way("[and] {text:words} on the list (as well | too | also)", when=_a_short_item),
    Way("(add | put) {text:words} (to | on) (it | that | this | them)", when=_just_a_list),
    example="add lamp oil to the list",
    group="format",
)
def add_item(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Put an item at the end of the list: of the one here, else of the nearest."""
    return item_put(sitting, _nearest_list(sitting, text)[-1], text, before=False)


def _nearest_list(sitting: Sitting, text: tuple[str, ...]) -> range:
    """The blocks of the list that is spoken of: a thing is not put among sentences."""
    blocks, here = sitting.document.blocks, sitting.caret.block
    items = [b for b, block in enumerate(blocks) if block.kind is Kind.ITEM]
    if here not in items and _a_thing(text):
        items = [b for b in items if not _of_doings(sitting, b)] or items
    first = last = min(items, key=lambda b: abs(b - here))
    while last + 1 < len(blocks) and blocks[last + 1].kind is Kind.ITEM:
        last += 1
    while first and blocks[first - 1].kind is Kind.ITEM:
        first -= 1
    return range(first, last + 1)


@CATALOGUE.rule("that_item", "[the] {position} [(one | item | point | bullet)]")
def _nth_item(position: int) -> Units:
    return Units(Unit.ITEM, Order.NTH, n=position)


@CATALOGUE.rule("that_item", "[the] last [(one | item | point | bullet)]")
def _last_item() -> Units:
    return Units(Unit.ITEM, Order.LAST)


def _between_items(sitting: Sitting, parse: Parse) -> bool:
    """ "Put benches between the lights and the tents", which are items side by side."""
    ends = [parse.args.get(slot) for slot in ("target", "other")]
    if not all(in_a_list(sitting.document, end) for end in ends):
        return False
    found = [resolve(end, sitting) for end in ends if isinstance(end, Words)]
    at = [f.first.start.block for f in found if isinstance(f, Places) and len(f.ranges) == 1]
    return len(at) == len(ends) and abs(at[0] - at[1]) == 1 and an_item(sitting, parse)


def _new_by_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Put honey before sugar on the list", which is an item of its own."""
    target = parse.args.get("target")
    listed = isinstance(target, Words) and in_a_list(sitting.document, target)
    return listed and _a_new_item(sitting, parse)


ADD_ITEM = "(<put> | put in | make | start) [(a | an | another)]"


@command(
    *each(
        _an_item_there,
        f"{ADD_ITEM} {_ITEM} {SAYING} {{text:words}} {{side:beside}} {{target}}",
        f"(new | another | one more) {_ITEM} {SAYING} {{text:words}} {{side:beside}} {{target}}",
        f"{ADD_ITEM} {_ITEM} {{side:beside}} {{target}} {_THAT_SAYS} {{text}}",
        f"{{side:beside}} {{target}} {ADD_ITEM} {_ITEM} {_THAT_SAYS} {{text}}",
    ),
    *each(
        an_item,
        f"{ADD_ITEM} {_ITEM} {SAYING} {{text:words}} {{side:beside}} {{target:that_item}}",
        f"{ADD_ITEM} {_ITEM} {{side:beside}} {{target:that_item}} {SAYING} {{text}}",
        f"{{side:beside}} {{target:that_item}} {ADD_ITEM} {_ITEM} {SAYING} {{text}}",
        f"(another | one more) {_ITEM} {{side:beside}} {{target:that_item}} {SAYING} {{text}}",
    ),
    Way("(<put> | add) {text:words} [in] between {target} and {other:target}", when=_between_items),
    Way("<put> {text:words} {side:beside} {target} (on | in | to) the list", when=_new_by_words),
    heard=0,
    example="add a point bring a lamp after the first item",
    group="format",
)
def add_item_beside(
    sitting: Sitting,
    text: tuple[str, ...],
    target: Places,
    side: str = "after",
    other: Places | None = None,
) -> Done | Refusal:
    """Put an item before or after another, or between two."""
    if other is not None and other.first.start < target.first.start:
        target = other
    b = target.first.start.block if side == "before" else target.ranges[-1].end.block
    if sitting.document.blocks[b].kind is not Kind.ITEM:
        return Refusal("That stands in no list.")
    return item_put(sitting, b, text, side == "before")


@command(
    Way(
        f"(<put> | put in) [(a | an | another | the)] {_ITEM} {SAYING} {{text:words}} (at the"
        " <beginning> [of the list] | first)",
        when=_a_new_item,
    ),
    Way(
        "(<put> | put in) {text:words} (at the <beginning> of the list | first (on | in) the list)",
        when=_names_an_item,
    ),
    heard=0,
    example="put lamp oil at the top of the list",
    group="format",
)
def add_first(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Put an item at the start of the list: of the one here, else of the nearest."""
    return item_put(sitting, _nearest_list(sitting, text)[0], text, before=True)


@command(
    *each(
        _a_new_item,
        "(<put> | put in | add) {text:words} (as | for) [the] {position} (item | bullet | point)"
        " [(of | on | in) the list]",
        "make {text:words} [the] {position} (item | bullet | point) [(of | on | in) the list]",
        "(<put> | add) {text:words} {position} (on | in) the list",
    ),
    heard=0,
    example="add lamp oil as the second item",
    group="format",
)
def add_nth(sitting: Sitting, text: tuple[str, ...], position: int) -> Done | Refusal:
    """Put an item where it will be the first, the second or the third of the list."""
    listed = _nearest_list(sitting, text)
    if not 1 <= position <= len(listed) + 1:
        return Refusal(f"The list has {many(len(listed), 'item')}.", "", "Say a number it reaches.")
    if position > len(listed):
        return item_put(sitting, listed[-1], text, before=False)
    return item_put(sitting, listed[position - 1], text, before=True)


def _a_thing(text: tuple[str, ...]) -> bool:
    """ "A bay leaf", "salt and pepper"; "stir it well" is none."""
    return len(text) <= _LONGEST_THING and not set(text) & (VERBS | SUBJECT_PRONOUNS)


_LONGEST_THING = 5


def _of_doings(sitting: Sitting, b: int) -> bool:
    """Whether the list round an item says what to do: it has numbers, and sentences."""
    span = all_within(Unit.LIST, sitting, block_range(sitting.document, b))[0]
    items = sitting.document.blocks[span.start.block : span.end.block + 1]
    numbered = all(item.format.list == "numbered" for item in items)
    return numbered and any(item.text.rstrip()[-1:] in (".", "!", "?") for item in items)


def _each_is_closed(sitting: Sitting, b: int) -> bool:
    """Whether the items of the list round one, two at least, end with a mark."""
    span = all_within(Unit.LIST, sitting, block_range(sitting.document, b))[0]
    items = sitting.document.blocks[span.start.block : span.end.block + 1]
    return len(items) > 1 and all(i.text.rstrip()[-1:] in (".", "!", "?") for i in items)


def item_put(sitting: Sitting, b: int, text: tuple[str, ...], before: bool) -> Done:
    """A new item with a text, before or after one that is there; it begins as that does."""
    item = block_range(sitting.document, b)
    if _each_is_closed(sitting, b) and not any(mark_named(text[-n:]) for n in (1, 2)):
        text = (*text, "full", "stop")
    wrote = insert_beside(sitting, item, text, before, True, True)
    after = wrote.sitting
    if not before and sitting.selection is None and sitting.writing_place == item.end:
        after = replace(after.placed(wrote.range.end), that=after.that)  # the writing goes on there
    return Done(after, f"{quoted(wrote.text)} is on the list")


CATALOGUE.table("depth", {"(deeper | further in)": 1, "(shallower | further out | less deep)": -1})


@command(
    "[(go | one | one level)] {depth}",
    "(make | move | set | put) {target} [one level] {depth}",
    "(indent | push in) {target}",
    "(push | move) {target} in",
    "(indent | push in) {target} (a bit | a little | one level | once | more | further)",
    "(put | set) an indent (on | in front of | before) {target}",
    "set {target} [a bit] (further | more) in",
    "(make | turn) {target} [into] a sub (item | point | bullet)",
    "(make | put | move | set) {target} (one level | a level | one step) (down | in)",
    "{target} (one level | a level | a bit) (further in | down | deeper | in)",
    "{target} {depth}",
    "{depth} for {target}",
    example="deeper",
    group="format",
    when=_in_a_list,
)
def deepen(sitting: Sitting, target: Places | None = None, depth: int = 1) -> Done | Refusal:
    """Set list items one level deeper or shallower."""
    here = (Range(sitting.caret, sitting.caret),) if target is None else target.ranges
    steps = []
    for b in sorted({b for r in here for b in range(r.start.block, r.end.block + 1)}):
        form = sitting.document.blocks[b].format
        level = (form.level or 1) + depth
        if form.kind == "item" and 1 <= level <= DEEPEST:
            steps.append(Reformat(b, form._replace(level=level)))
    if not steps:
        return Refusal("No list item there can go that way.")
    after = sitting.edited(Edit(tuple(steps)))
    return Done(after.about(here), f"{many(len(steps), 'item')} {'deeper' if depth > 0 else 'out'}")


@command("outdent {target}", "pull out {target}", example="outdent the last item",
         group="format")  # fmt: skip
def shallower(sitting: Sitting, target: Places) -> Done | Refusal:
    """Set list items one level less deep."""
    return deepen(sitting, target, -1)


CATALOGUE.table(
    "spacing",
    {
        "(single | normal) spacing": 1.0,
        "(one and a half | wider) spacing": 1.5,
        "double spacing": 2.0,
    },
)


CATALOGUE.table(
    "spaced",
    {
        "(single | normally) spaced": 1.0,
        "(one and a half | wider) spaced": 1.5,
        "double spaced": 2.0,
    },
    heard=False,
)
CATALOGUE.table("all_through", {"(throughout | all [the way] through)": True}, heard=False)
CATALOGUE.table(
    "all_of_it", {"(it | this | everything | all of (it | this) | it all)": True}, heard=False
)


@command(
    "{spacing} [for {target}]",
    "(set | put) {target} in {spacing}",
    "double space {target}",
    "(double space | {spacing} for) {target:whole_letter}",
    "(give | set) {target} {spacing}",
    "(make | set | print | have | put) {target} {spacing:spaced}",
    "(make | set | print | have | put) ({whole:all_of_it} | {target:whole_letter})"
    " {spacing:spaced} [all through]",
    "{spacing:spaced} [{whole:all_through}]",
    example="double spacing for everything",
    group="format",
    light=True,
)
def spacing(
    sitting: Sitting, target: Places | None = None, spacing: float = 2.0, whole: bool = False
) -> Done:
    """Set lines further apart, or close again."""
    target = Places((sitting.document.whole,)) if whole else target
    after, count = reformatted(sitting, target, spacing=spacing)
    names = {1.0: "single", 1.5: "one and a half", 2.0: "double"}
    return Done(after, f"{names[spacing]} spacing for {many(count, 'paragraph')}")
