"""Putting words in before or after others."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.table_here import two_headings, two_rows
from nimble_lantern.core.commands.wording import named, quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.replacing import STOPS, bare_mark, replace_range, without_stop
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import (
    DETERMINERS,
    LITTLE,
    OF_DEGREE_AND_TIME,
    OWNERS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.manners import BEING
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.lexicon.sentences import ASKS, SUBORDINATE
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import (
    Order,
    Places,
    Unit,
    Units,
    Words,
    as_things,
    no_thing,
    of_the_page,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import a_whole_sentence, named_as_written, places
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.lexer import mark_named

_MOST_PUT = 4
_REACHING = frozenset("away to for and out off up down in on back".split())
_WHOLE = (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM)


def _beside(sitting: Sitting, target: Places, text: tuple[str, ...], before: bool) -> Done:
    whole = target.unit in _WHOLE
    text = bare_word(text)
    if not before and (closed := _other_stop(sitting, target.first, text)):
        return closed
    wrote = insert_beside(sitting, target.first, text, before, whole)
    side = "before" if before else "after"
    where = named(sitting.document, target.ranges[:1])
    return Done(wrote.sitting, f"put {quoted(wrote.text)} {side} {where}")


def _other_stop(sitting: Sitting, r: Range, text: tuple[str, ...]) -> Done | None:
    """ "End the first paragraph with a question mark": it takes the place of the mark there is."""
    if tuple(bare_mark(text)) not in STOPS:
        return None
    block = sitting.document.blocks[r.end.block]
    bare = without_stop(sitting.document, r, ())
    closed = Range(bare.end, r.end)
    if closed.empty and block.text[r.end.offset : r.end.offset + 1] in _CLOSING:
        closed = Range(r.end, r.end._replace(offset=r.end.offset + 1))
    if closed.empty:
        return None
    wrote = replace_range(sitting, closed, text)
    return Done(wrote.sitting, f"it ends in {quoted(wrote.text)} now")


_CLOSING = (".", "?", "!")


def bare_word(text: tuple[str, ...]) -> tuple[str, ...]:
    """ "Stick a not before open" puts "not" there, and so does "the word not"."""
    if text in (("stop",), ("a", "stop"), ("the", "stop")):
        return ("full", "stop")
    if len(text) == 2 and text[0] in ("a", "an") and text[1] in _NO_THING:
        return text[1:]
    if len(text) == 3 and text[:2] == ("the", "word") or text[:2] == ("the", "words"):
        return text[2:] or text
    return text


_WORN = frozenset("on off out up down away in".split())
_NO_THING = (
    LITTLE
    | OF_DEGREE_AND_TIME
    | ASKS
    | SUBORDINATE
    | frozenset(
        "please some any many much more most both each every few other no yes thanks well".split()
    )
)
"""Words that no thing is called by: "a please" is that word."""


def plain_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words to be put in are words: "a bullet" and "me" are said of the page.

    "Put a bench in front of the stair" says where a thing goes.
    """
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    thing = isinstance(target, Words) and not target.called and target.words[:1] == ("the",)
    if thing and text and bare_mark(text)[0] in DETERMINERS:
        return False
    if two_headings(sitting, text, target) or text == ("on",):
        return False  # "write on at the end of the last paragraph"
    if text[:1] and text[0] in _WORN and text[1:2] and text[1] in OWNERS:
        return False  # "put on my shoes before noon"
    if text and text[0] in SUBJECT_PRONOUNS and len(text) == 1:
        return False
    if _a_new_thing(text) or _one_mark_for_another(text):
        return False
    if set(text) <= _OF_LISTS and of_the_page(parse.args.get("target")):
        # "Put numbers in front of the paragraphs" makes a list of them.
        return False
    if not text or text[0] in ("me", "it", "that", "them") or text[-1] in _NEARNESS | _OF_THE_CLOCK:
        return False
    return not set(text) & PARTS


def _no_thing(sitting: Sitting, parse: Parse) -> bool:
    """ "Add with kind regards at the end", and not "add a little salt at the end"."""
    text = tuple(parse.args.get("text", ()))
    if text[:1] == ("up",):
        return False  # "add up the fees at the end"
    ended = any(text[-len(stop) :] == stop for stop in STOPS)
    return plain_words(sitting, parse) and (ended or bare_mark(text)[0] not in DETERMINERS)


def _a_word_or_two(sitting: Sitting, parse: Parse) -> bool:
    """ "Very goes before cold"; "the song goes after the speech" is a sentence."""
    text = tuple(parse.args.get("text", ()))
    return plain_words(sitting, parse) and len(text) <= 2 and text[0] not in DETERMINERS


def a_word_of_the_text(sitting: Sitting, parse: Parse) -> bool:
    """ "Somebody should come before the lamp" speaks of the lamp, and not of the word."""
    words = no_thing(Words(tuple(parse.args.get("text", ()))))
    things = as_things(parse.args.get("target")) and not words
    return not things and _a_word_or_two(sitting, parse)


def _a_new_thing(text: tuple[str, ...]) -> bool:
    """ "One more line in the list", "empty line": a thing to be made, and no words."""
    end = next((i for i, word in enumerate(text) if i and word in _THERE), len(text))
    *told, thing = text[:end] or ("",)
    return bool(told) and thing in _MADE and all(w in _ANOTHER or cardinal((w,), 0) for w in told)


_THERE = frozenset("in on to at".split())
_MADE = frozenset("line lines row rows item items bullet bullets point points column".split())
_ANOTHER = frozenset("a an the another more new empty blank extra further spare fresh".split())


def _one_mark_for_another(text: tuple[str, ...]) -> bool:
    """ "A comma and not a full stop" is no text, nor "a comma instead of the full stop"."""
    marks = (mark_named(text[1:size]) for size in (2, 3) if not _BUT.isdisjoint(text[size:][:2]))
    return text[:1] in (("a",), ("an",)) and any(marks)


_BUT = frozenset("not instead rather".split())
_OF_LISTS = frozenset("number numbers bullet bullets point points a the".split())
_OF_THE_CLOCK = frozenset(("half", "quarter"))
"""Before "past", they are a time: "half past two" is no place after "two"."""
_NEARNESS = frozenset("just right immediately straight directly there in to".split())


def not_a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """ "After the ferry put every day", and not "after the show put the chairs away full stop".

    New words that reach past themselves, with a stop or with what a verb takes, make a sentence of
    it all.
    """
    text = tuple(parse.args.get("text", ()))
    if _a_new_thing(text) or text == ("one",):
        return False  # "there's no full stop after boat, after boat put one"
    ended = any(text[-len(stop) :] == stop for stop in STOPS)
    return not ended and len(text) <= _MOST_PUT and not (set(text[1:]) & _REACHING)


def _not_in_a_time(sitting: Sitting, parse: Parse) -> bool:
    """ "Put in old before boat"; "put in summer before open" has that "in" as well."""
    text = tuple(parse.args.get("text", ()))
    return not (text and text[-1] in _AFTER_IN) and plain_words(sitting, parse)


_AFTER_IN = frozenset(MONTHS) | frozenset(
    "spring summer autumn winter morning afternoon evening end meantime advance time full future"
    " general person turn town fact all short".split()
)
"""Last of what begins with "in"."""


def _wished(sitting: Sitting, parse: Parse) -> bool:
    """ "I would like please before reply", and not "i would like to go on after reply" nor "i would
    like you to stay after reply"."""
    text = tuple(parse.args.get("text", ()))
    someone = len(text) > 1 and text[0] in SUBJECT_PRONOUNS
    # "I'd like the fee to come before the boat."
    moved = "to" in text and text[-1] in BEING
    return text[:1] != ("to",) and not someone and not moved and plain_words(sitting, parse)


def _not_there_yet(sitting: Sitting, parse: Parse) -> bool:
    """ "Drop the old before boat" takes a word away that stands there."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if two_rows(sitting, text, target) is not None or two_headings(sitting, text, target):
        return False
    if text[:1] != ("the",) or not isinstance(target, Words):
        return True
    pair = ((*text[1:], *target.words), (*target.words, *text[1:]))
    return not any(places(sitting.document, words) for words in pair)


def _no_part_of_a_table(sitting: Sitting, parse: Parse) -> bool:
    """ "There should be a row before nell" asks for a row, and not for that word."""
    if _a_new_thing(tuple(parse.args.get("text", ()))):
        return False
    return not set(parse.args.get("text", ())) & {"row", "column", "rows", "columns"}


def _left_out(sitting: Sitting, parse: Parse) -> bool:
    """ "I left out old before boat"; "i left out the key before the storm" is a sentence."""
    return _quoted_and_short(sitting, parse) and a_word_of_the_text(sitting, parse)


def _left_out_ways(side: str) -> tuple[str, ...]:
    return (
        "(i | we | you) [have] (forgot | missed | left out | missed out | forgot to put)"
        f" [(the word | the words)] {{text:words}} <exactly> <{side}> {{target}}",
        f"{{text:words}} (is | was) (missing | left out | missed out) <exactly> <{side}>"
        " {target}",
        f"<go> <exactly> <{side}> {{target}} and (write | put | say | type | insert | add)"
        " {text}",
        f"(drop | work | fit) [(the word | the words)] {{text:words}} in <exactly> <{side}>"
        " {target}",
    )


def _a_mark(sitting: Sitting, parse: Parse) -> bool:
    """ "Ladder needs a comma"."""
    return bool(mark_named(tuple(parse.args.get("text", ()))))


def _only_a_mark(sitting: Sitting, parse: Parse) -> bool:
    """ "A question mark on the end", of a text that is open there."""
    document = sitting.document
    ends = document.blocks[-1].text.rstrip()
    return _a_mark(sitting, parse) and ends[-1:] not in (".", "?", "!")


def _no_furniture(sitting: Sitting, parse: Parse) -> bool:
    """ "Could you needs a please after it"; "the stair needs a rail after it" is a sentence."""
    thing = as_things(parse.args.get("target"))
    return _a_mark(sitting, parse) or not thing and _a_word_or_two(sitting, parse)


def _a_mark_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Comma after ladder", where none can follow: the text so far ends with a stop."""
    place = sitting.writing_place
    before = sitting.document.blocks[place.block].text[: place.offset].rstrip()
    stopped = not before or before[-1] in ".,;:!?"
    return stopped and _a_mark(sitting, parse)


def _quoted_and_short(sitting: Sitting, parse: Parse) -> bool:
    """ "Before open there should be a not"; "before the stair there is to be a rope" tells."""
    short = len(parse.args.get("text", ())) <= 2
    return short and named_as_written(sitting.document, parse.args.get("target"))


def _quoted_words(sitting: Sitting, parse: Parse) -> bool:
    quoted = named_as_written(sitting.document, parse.args.get("target"))
    return quoted and plain_words(sitting, parse)


def _quoted_or_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Follow the last sentence with of course"; "follow the path with care" tells."""
    part = of_the_page(parse.args.get("target")) and plain_words(sitting, parse)
    return part or _quoted_words(sitting, parse)


def _new_words(sitting: Sitting, parse: Parse) -> bool:
    """A whole sentence that stands there is not put there once more, but moved."""
    text = tuple(parse.args.get("text", ()))
    placed = text[:-1] if text[-1:] in (("first",), ("last",)) else text
    there = a_whole_sentence(sitting.document, placed)
    return not there and plain_words(sitting, parse)


def _beside_a_block(sitting: Sitting, parse: Parse) -> bool:
    """ "A new paragraph after the first one"; "a bullet after the ferry" may be anything."""
    target = parse.args.get("target")
    return target is None or of_the_page(target)


_PROSE = (Unit.SENTENCE, Unit.PARAGRAPH, Unit.LINE, Unit.HEADING, Unit.ITEM)


def _in_prose(sitting: Sitting, parse: Parse) -> bool:
    """At the end of a sentence or paragraph; that of a list has an item.

    Words are put only where it is told which: "write your name at the end of the line" is a request
    to somebody else, "put a full stop at the end of the line" is not.
    """
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Units) or target.unit not in _PROSE:
        return False
    told = target.order is not Order.THIS or bool(mark_named(bare_mark(text)))
    return told and plain_words(sitting, parse)


@command(
    Way(
        "(insert | add | write | type) [(the word | the words)] {text:words} <exactly> <ahead_of>"
        " {target}",
        when=plain_words,
    ),
    Way(
        "<put> [(the word | the words)] {text:words} <exactly> <ahead_of> {target}",
        when=_new_words,
    ),
    Way(
        "(pop | stick | slip | squeeze | slot | put | get | bung | shove)"
        " [(the word | the words)] {text:words} in <exactly> <ahead_of> {target}",
        when=plain_words,
    ),
    Way(
        "<ahead_of> {target} [you] (insert | put [in] | add | write [in] | type | say) {text}",
        when=not_a_sentence,
    ),
    Way(
        "there <shall> be [a | an] {text:words} <exactly> <ahead_of> {target}",
        when=_no_part_of_a_table,
    ),
    Way(
        "<exactly> <ahead_of> {target} (it | that) <shall> (say | read | have) {text:words}",
        when=plain_words,
    ),
    Way(
        "<exactly> <ahead_of> {target} there <shall> be [a | an] {text:words}",
        when=_quoted_and_short,
    ),
    Way(
        "(put | pop | stick | write | add | squeeze | slip | slot) in {text:words} <exactly>"
        " <ahead_of> {target}",
        when=_not_in_a_time,
    ),
    Way(
        "{text:words} (goes | belongs | <shall> (go | come | stand | be)) <exactly> <ahead_of>"
        " {target}",
        when=a_word_of_the_text,
    ),
    Way("<wish> {text:words} <exactly> <ahead_of> {target}", when=_wished),
    *each(_left_out, *_left_out_ways("ahead_of")),
    Way(
        "(it | there | that) <shall> (say | read | have) {text:words} <exactly> <ahead_of>"
        " {target}",
        when=plain_words,
    ),
    Way("<ahead_of> {target} (i want | i'd like | i would like) {text}", when=not_a_sentence),
    Way(
        "{target} (needs | wants | <shall> have) [a | an] {text:words} <ahead_of> it",
        when=_no_furniture,
    ),
    Way("[(a | the | another)] {text:words} <ahead_of> {target}", when=_a_mark_here),
    Way(
        "(i (forgot | left out | missed | missed out | want | need) | we need | there is | there's)"
        " (a | the | another) {text:words} [missing] <ahead_of> {target}",
        when=_a_mark,
    ),
    Way("<put> <ahead_of> {target} the (word | words) {text}", when=plain_words),
    Way("(prefix | precede) {target} with {text}", when=_quoted_or_part),
    Way("<exactly> <ahead_of> {target} (insert | put | add | write) {text}", when=not_a_sentence),
    Way("(insert | add) <ahead_of> {target} {text}", when=not_a_sentence),
    example="insert old before the ferry",
    group="revising",
    when=_not_there_yet,
)
def insert_before(sitting: Sitting, text: tuple[str, ...], target: Places) -> Done:
    """Put words in before a target.  The writing place stays where it is."""
    return _beside(sitting, target, text, before=True)


@command(
    Way(
        "(insert | add | write | type) [(the word | the words)] {text:words} <exactly> <behind>"
        " {target}",
        when=plain_words,
    ),
    Way(
        "<put> [(the word | the words)] {text:words} <exactly> <behind> {target}",
        when=_new_words,
    ),
    Way(
        "(pop | stick | slip | squeeze | slot | put | get | bung | shove)"
        " [(the word | the words)] {text:words} in <exactly> <behind> {target}",
        when=plain_words,
    ),
    Way(
        "<behind> {target} [you] (insert | put [in] | add | write [in] | type | say) {text}",
        when=not_a_sentence,
    ),
    Way(
        "there <shall> be [a | an] {text:words} <exactly> <behind> {target}",
        when=_no_part_of_a_table,
    ),
    Way(
        "<exactly> <behind> {target} (it | that) <shall> (say | read | have) {text:words}",
        when=plain_words,
    ),
    Way(
        "<exactly> <behind> {target} there <shall> be [a | an] {text:words}",
        when=_quoted_and_short,
    ),
    Way(
        "(put | pop | stick | write | add | squeeze | slip | slot) in {text:words} <exactly>"
        " <behind> {target}",
        when=_not_in_a_time,
    ),
    Way(
        "{text:words} (goes | belongs | <shall> (go | come | stand | be)) <exactly> <behind>"
        " {target}",
        when=a_word_of_the_text,
    ),
    Way("<wish> {text:words} <exactly> <behind> {target}", when=_wished),
    *each(_left_out, *_left_out_ways("behind")),
    Way(
        "(it | there | that) <shall> (say | read | have) {text:words} <exactly> <behind> {target}",
        when=plain_words,
    ),
    Way("<behind> {target} (i want | i'd like | i would like) {text}", when=not_a_sentence),
    Way(
        "{target} (needs | wants | <shall> have) [a | an] {text:words} <behind> it",
        when=_no_furniture,
    ),
    Way("{target} (needs | wants) a {text}", when=_a_mark),
    Way("[(a | the | another)] {text:words} <behind> {target}", when=_a_mark_here),
    Way(
        "(i (forgot | left out | missed | missed out | want | need) | we need | there is | there's)"
        " (a | the | another) {text:words} [missing] <behind> {target}",
        when=_a_mark,
    ),
    Way(
        "(tack | add | stick | put | append) {text:words} on <exactly> <behind> {target}",
        when=plain_words,
    ),
    Way("<behind> {target} (comes | goes | should come) {text}", when=_a_word_or_two),
    Way("{target} <shall> be followed by {text}", when=_quoted_words),
    Way("follow {target} with {text}", when=_quoted_or_part),
    Way("<put> <behind> {target} the (word | words) {text}", when=plain_words),
    Way("<exactly> <behind> {target} (insert | put | add | write) {text}", when=not_a_sentence),
    Way("(insert | add) <behind> {target} {text}", when=not_a_sentence),
    example="insert every day after the ferry",
    group="revising",
    when=_not_there_yet,
)
def insert_after(sitting: Sitting, text: tuple[str, ...], target: Places) -> Done:
    """Put words in after a target.  The writing place stays where it is."""
    return _beside(sitting, target, text, before=False)


_SIDE = {"start": "before", "end": "after"}


@command(
    "(add | put | insert | write | start) a [new] (paragraph | item | point | bullet) {side:beside}"
    " {target} [(saying | that says | with | which says)] {text}",
    "(add | put | insert | write | start) a [new] (paragraph | item | point | bullet) {side:beside}"
    " the {position} [one] (saying | that says | with | which says) {text}",
    "(add | put | insert) (an | another) item {side:beside} {target} [(saying | that says)] {text}",
    "(add | put | insert | write | start) (a | another) [new] paragraph at the [very]"
    " {edge:docedge} [(saying | that says | with | which says)] {text}",
    "[a] new paragraph at the [very] {edge:docedge} [(saying | that says | with)] {text}",
    example="add a paragraph after the first paragraph saying tea is free",
    group="revising",
    when=_beside_a_block,
)
def insert_block(
    sitting: Sitting,
    text: tuple[str, ...],
    target: Places | None = None,
    side: str = "after",
    position: int = 0,
    edge: str = "",
) -> Done | Refusal:
    """Write a paragraph or an item of its own before or after another.  The writing place stays."""
    if edge:
        last = 0 if edge == "start" else len(sitting.document.blocks) - 1
        target, side = Places((block_range(sitting.document, last),)), _SIDE[edge]
    if target is None:
        found = resolve(Units(Unit.PARAGRAPH, Order.NTH, 1, position), sitting)
        if isinstance(found, Refusal):
            return found
        target = found
    whole = Range(*block_range(sitting.document, target.first.start.block))
    return _beside(sitting, Places((whole,), unit=Unit.PARAGRAPH), text, side == "before")


CATALOGUE.table("inner", {"the <finish>": False, "the <beginning>": True})
CATALOGUE.table("joining", {"append": False, "prepend": True})
CATALOGUE.table("opening", {"(end | finish)": False, "(start | begin)": True})


CATALOGUE.table(
    "of_it",
    {
        "the [very] (start | beginning | top | front)": True,
        "the [very] (end | bottom | close)": False,
    },
    heard=False,
)


def _new_in_prose(sitting: Sitting, parse: Parse) -> bool:
    return _in_prose(sitting, parse) and _new_words(sitting, parse)


def _a_mark_of_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Lunch should end with an exclamation mark"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    said = isinstance(target, Words) and named_as_written(sitting.document, target)
    return said and bool(mark_named(text))


@command(
    Way(
        "(insert | add | write | type) {text:words} (at | to | on | in) {inner} of {target}",
        when=_in_prose,
    ),
    Way("<put> {text:words} (at | to | on | in) {inner} of {target}", when=_new_in_prose),
    Way("(at | to | on) {inner} of {target} (insert | put | add | write) {text}", when=_in_prose),
    Way(
        "(in | to | on) {target} (insert | put | add | write) {text:words} (at | to | on)"
        " {inner:of_it}",
        when=_in_prose,
    ),
    Way("{inner:joining} {text:words} to {target}", when=plain_words),
    Way("{target} <shall> {inner:opening} with {text}", when=_in_prose),
    Way("{target} <shall> {inner:opening} (with | in) [(a | an)] {text}", when=_a_mark_of_words),
    Way("{inner:opening} {target} with {text}", when=_in_prose),
    example="add every day at the end of the first paragraph",
    group="revising",
)
def insert_inside(
    sitting: Sitting, text: tuple[str, ...], target: Places, inner: bool = False
) -> Done:
    """Put words in at the start or end of a paragraph or sentence.  The writing place stays."""
    return _beside(sitting, replace(target, unit=None), text, before=inner)


@command(
    "(insert | write [on] | type | continue | carry on | go on) [(something | words | text)]"
    " <exactly> <ahead_of> {target}",
    "(add | put | say) (something | words | text) <exactly> <ahead_of> {target}",
    "(add | put | insert | write | i need | we need | i want) (a | another | one more | an extra"
    " | a new | a further) sentence <exactly> <ahead_of> {target}",
    "(add | write | put | insert | type) [(a bit | some)] (something | more | text | words)"
    " (at | to) the [very] (start | beginning) of {target}",
    example="insert before the last sentence", group="revising")  # fmt: skip
def write_before(sitting: Sitting, target: Places) -> Done:
    """The next thing you say goes in before a target; then writing goes on where it stopped."""
    after = replace(sitting.about(()), insertion=target.first.start)
    where = named(sitting.document, target.ranges[:1])
    return Done(after, f"the next words go before {where}")


@command(
    "(insert | write [on] | type | continue | carry on | go on) [(something | words | text)]"
    " <exactly> <behind> {target}",
    "(add | put | say) (something | words | text) <exactly> <behind> {target}",
    "(add | put | insert | write | i need | we need | i want) (a | another | one more | an extra"
    " | a new | a further) sentence <exactly> <behind> {target}",
    "(add | write | put | insert | type) [(a bit | some)] (something | more | text | words)"
    " (at | to) the [very] (end | close) of {target}",
    example="insert after the last sentence", group="revising")  # fmt: skip
def write_after(sitting: Sitting, target: Places) -> Done:
    """The next thing you say goes in after a target; then writing goes on where it stopped."""
    after = replace(sitting.about(()), insertion=target.first.end)
    where = named(sitting.document, target.ranges[:1])
    return Done(after, f"the next words go after {where}")


@command(
    Way("(add | write | put | insert) {text:words} at the [very] {edge:docedge}", when=_no_thing),
    "at the [very] {edge:docedge} (add | write | put | insert) {text}",
    Way("{text:words} (at | on) the [very] {edge:docedge}", when=_only_a_mark),
    Way(
        "(add | write | put | insert) {text:words} (to | on) the [very] {edge:docedge}",
        when=_only_a_mark,
    ),
    Way(
        "[it <shall>] (end | finish | close) [(it | that | this)] (with | on) [a] {text}",
        when=_only_a_mark,
    ),
    example="add with kind regards at the end",
    group="revising",
    heard=2,
)
def at_edge(sitting: Sitting, text: tuple[str, ...], edge: str = "end") -> Done:
    """Write words at the very start or end of the text."""
    document = sitting.document
    at = document.end if edge == "end" else document.whole.start
    wrote = compose(replace(sitting.about(()), insertion=at), bare_mark(text))
    after = replace(wrote.sitting, insertion=None)
    if edge == "end" and sitting.caret == at:
        after = replace(after, caret=after.document.end)
    return Done(after, f"put {quoted(wrote.text)} at the {edge}")


@command("(new line | line break) {side:beside} {target}",
         "(put | insert | add) a (new line | line break) {side:beside} {target}",
         example="new line after the first sentence", group="revising")  # fmt: skip
def line_beside(sitting: Sitting, target: Places, side: str) -> Done:
    """Break the line before or after a target."""
    wrote = insert_beside(sitting, target.first, ("new", "line"), side == "before", False)
    where = named(sitting.document, target.ranges[:1])
    return Done(wrote.sitting, f"new line {side} {where}")


def _gap(document: Document, a: Sequence[Range], b: Sequence[Range]) -> Range | None:
    """Where one range stands right before another, with marks between them at most."""
    for x in a:
        for y in b:
            if x.end.block == y.start.block and x.end <= y.start:
                gap = Range(x.end, y.start)
                if not any(c.isalnum() for c in document.text(gap)):
                    return gap
    return None


def _side_by_side(sitting: Sitting, parse: Parse) -> bool:
    """ "Between two and slates" names a place of the page; "between the boat and the bell" is one
    of the island."""
    a, b = parse.args.get("a"), parse.args.get("b")
    if not isinstance(a, Words) or not isinstance(b, Words):
        return of_the_page(a) and of_the_page(b)
    document = sitting.document
    return _gap(document, places(document, a.words), places(document, b.words)) is not None


@command(
    "<put> {text:words} between {a:target} and {b:target}",
    "between {a:target} and {b:target} (insert | put | add | write | type) {text}",
    "<go> between {a:target} and {b:target}",
    example="put old between the and boat",
    group="revising",
    every_place=True,
    when=_side_by_side,
)
def between(
    sitting: Sitting, a: Places, b: Places, text: tuple[str, ...] | None = None
) -> Done | Refusal:
    """Put words between two others, or write there."""
    gap = _gap(sitting.document, a.ranges, b.ranges)
    if gap is None:
        return Refusal("They do not stand side by side.", "", "Say one: “after ...”.")
    if text is not None:
        behind = next(r for r in a.ranges if r.end == gap.start)
        return insert_after(sitting, text, Places((behind,)))
    return Done(sitting.placed(gap.start), f"before {quoted(sitting.document.text(b.first))}")
