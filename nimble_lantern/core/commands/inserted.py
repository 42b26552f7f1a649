"""When words are said to be put beside others, and when it is a sentence that says so."""

from __future__ import annotations

from nimble_lantern.core.commands.instead import a_look
from nimble_lantern.core.commands.sharing import fill_a_row
from nimble_lantern.core.commands.table_here import two_headings, two_rows
from nimble_lantern.core.commands.when import in_what_was_dictated
from nimble_lantern.core.composing.replacing import STOPS, bare_mark
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import (
    ARTICLES,
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    OF_DEGREE_AND_TIME,
    OWNERS,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.manners import BEING
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.lexicon.prose import DESCRIBING
from nimble_lantern.core.lexicon.sentences import ASKS, SUBORDINATE, VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.letter import foot
from nimble_lantern.core.targets.model import (
    Order,
    Places,
    Unit,
    Units,
    Words,
    as_things,
    no_thing,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.words import (
    a_long_run,
    a_whole_heading,
    a_whole_line,
    a_whole_sentence,
    named_as_written,
    normal,
    places,
)
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.lexer import mark_named

_MOST_PUT = 4
_REACHING = frozenset("away to for and out off up down in on back".split())
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
_NOT_WISHED_FOR = _NO_THING | PREPOSITIONS | DESCRIBING
"""Words that are wished for on a page alone."""


def bare_word(text: tuple[str, ...]) -> tuple[str, ...]:
    """ "Stick a not before open" puts "not" there, and so does "the word not"."""
    if text in (("stop",), ("a", "stop"), ("the", "stop")):
        return ("full", "stop")
    if len(text) == 2 and text[0] in ("a", "an") and text[1] in _NO_THING:
        return text[1:]
    if len(text) == 3 and text[:2] == ("the", "word") or text[:2] == ("the", "words"):
        return text[2:] or text
    return text


def _names_a_look(sitting: Sitting, text: tuple[str, ...]) -> bool:
    """ "Put Bettina in bold in paragraph two", where she stands: no "in bold" is written."""
    asked = text[-2:-1] == ("in",) and bool(places(sitting.document, text[:-2]))
    return asked and a_look(text[-2:])


def plain_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words to be put in are words: "a bullet" and "me" are said of the page.

    "Put a bench in front of the stair" says where a thing goes.
    """
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if _names_a_look(sitting, text):
        return False
    scope = target.of if isinstance(target, Words) else None
    if isinstance(scope, Units) and scope.unit is Unit.LIST and not mark_named(bare_mark(text)):
        return False  # "honey before sugar on the list" is an item
    if text[:1] and text[0] in (*OWNERS, "the") and unit_named(target) in (Unit.LIST, Unit.TABLE):
        return False  # "write your name below the list" is asked of somebody else
    thing = isinstance(target, Words) and not target.called and target.words[:1] == ("the",)
    if thing and text and bare_mark(text)[0] in DETERMINERS:
        return False
    if two_headings(sitting, text, target) or text == ("on",):
        return False  # "write on at the end of the last paragraph"
    if text[:1] and text[0] in _WORN and text[1:2] and text[1] in OWNERS:
        return False  # "put on my shoes before noon"
    if text and text[0] in SUBJECT_PRONOUNS and len(text) == 1:
        return False
    if a_new_thing(text) or one_mark_for_another(text):
        return False
    if of_a_grid(target) and not mark_named(bare_mark(text)):
        return False  # "takings should come before the who column" moves a column
    if set(text) <= _OF_LISTS and of_the_page(parse.args.get("target")):
        # "Put numbers in front of the paragraphs" makes a list of them.
        return False
    if not text or text[0] in ("me", "it", "that", "them") or text[-1] in _NEARNESS | _OF_THE_CLOCK:
        return False
    return not set(text) & PARTS


def says_no_thing(sitting: Sitting, parse: Parse) -> bool:
    """ "Add with kind regards at the end", and not "add a little salt at the end"."""
    text = tuple(parse.args.get("text", ()))
    if text[:1] in (("up",), ("in",)):
        return False  # "add up the fees at the end", "put in sign off at the end"
    ended = any(text[-len(stop) :] == stop for stop in STOPS)
    return plain_words(sitting, parse) and (ended or bare_mark(text)[0] not in DETERMINERS)


def goes_on_alone(sitting: Sitting, parse: Parse) -> bool:
    """ "Add at the end he never came"; "put at the top of the hill" goes on with the place."""
    text = tuple(parse.args.get("text", ("of",)))
    return text[0] not in PREPOSITIONS | {"and", "where", "so", "that"}


def a_word_or_two(sitting: Sitting, parse: Parse) -> bool:
    """ "Very goes before cold"; "the song goes after the speech" is a sentence."""
    text = tuple(parse.args.get("text", ()))
    return plain_words(sitting, parse) and len(text) <= 2 and text[0] not in DETERMINERS


def a_word_of_the_text(sitting: Sitting, parse: Parse) -> bool:
    """ "Somebody should come before the lamp" speaks of the lamp, and not of the word."""
    words = no_thing(Words(tuple(parse.args.get("text", ()))))
    things = as_things(parse.args.get("target")) and not words
    return not things and a_word_or_two(sitting, parse)


def a_new_thing(text: tuple[str, ...]) -> bool:
    """ "One more line in the list", "empty line": a thing to be made, and no words."""
    end = next((i for i, word in enumerate(text) if i and word in _THERE), len(text))
    *told, thing = text[:end] or ("",)
    return bool(told) and thing in _MADE and all(w in _ANOTHER or cardinal((w,), 0) for w in told)


_THERE = frozenset("in on to at before after above below behind under between".split())
_MADE = frozenset(
    "space gap line lines row rows item items bullet bullets point points column columns cells"
    " paragraphs".split()
)
_ANOTHER = frozenset(
    "a an the another more new empty blank extra further spare fresh bigger larger wider smaller"
    " little small big wide".split()
)


def one_mark_for_another(text: tuple[str, ...]) -> bool:
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
    if a_new_thing(text) or text == ("one",):
        return False  # "there's no full stop after boat, after boat put one"
    ended = any(text[-len(stop) :] == stop for stop in STOPS)
    return not ended and len(text) <= _MOST_PUT and not (set(text[1:]) & _REACHING)


def not_in_a_time(sitting: Sitting, parse: Parse) -> bool:
    """ "Put in old before boat"; "put in summer before open" has that "in" as well."""
    text = tuple(parse.args.get("text", ()))
    return not (text and text[-1] in _AFTER_IN) and plain_words(sitting, parse)


_AFTER_IN = frozenset(MONTHS) | frozenset(
    "spring summer autumn winter morning afternoon evening end meantime advance time full future"
    " general person turn town fact all short".split()
)
"""Last of what begins with "in"."""


def wished(sitting: Sitting, parse: Parse) -> bool:
    """ "I would like please before reply", and not "i would like to go on after reply" nor "i would
    like you to stay after reply"."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    told = text[:2] in (("the", "word"), ("the", "words"))
    said = told or bool(mark_named(bare_mark(text))) or _NOT_WISHED_FOR.issuperset(text)
    if not (said or of_the_page(target)):
        return False  # "we need chairs before the fair" is of a fair
    someone = len(text) > 1 and text[0] in SUBJECT_PRONOUNS
    # "I'd like the fee to come before the boat."
    moved = "to" in text and text[-1] in BEING
    return text[:1] != ("to",) and not someone and not moved and plain_words(sitting, parse)


def not_there_yet(sitting: Sitting, parse: Parse) -> bool:
    """ "Drop the old before boat" takes a word away that stands there."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if two_rows(sitting, text, target) is not None or two_headings(sitting, text, target):
        return False
    if isinstance(target, Words) and fill_a_row(sitting, text, target.words):
        return False
    if text[:1] != ("the",) or not isinstance(target, Words):
        return True
    pair = ((*text[1:], *target.words), (*target.words, *text[1:]))
    return not any(places(sitting.document, words) for words in pair)


def no_part_of_a_table(sitting: Sitting, parse: Parse) -> bool:
    """ "There should be a row before nell" asks for a row, and not for that word."""
    if a_new_thing(tuple(parse.args.get("text", ()))):
        return False
    return not set(parse.args.get("text", ())) & {"row", "column", "rows", "columns"}


def left_out(sitting: Sitting, parse: Parse) -> bool:
    """ "I left out old before boat"; "i left out the key before the storm" is a sentence."""
    return quoted_and_short(sitting, parse) and a_word_of_the_text(sitting, parse)


def a_mark(sitting: Sitting, parse: Parse) -> bool:
    """ "Ladder needs a comma"."""
    return bool(mark_named(tuple(parse.args.get("text", ()))))


def a_mark_left_out(sitting: Sitting, parse: Parse) -> bool:
    """ "Full stop missing after boat"; "the crew missing after the storm" goes on."""
    return a_mark(sitting, parse) and left_out(sitting, parse)


def no_furniture(sitting: Sitting, parse: Parse) -> bool:
    """ "Could you needs a please after it"; "the stair needs a rail after it" is a sentence."""
    thing = as_things(parse.args.get("target"))
    return a_mark(sitting, parse) or not thing and a_word_or_two(sitting, parse)


def a_mark_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Comma after ladder", where none can follow, as the text so far ends with a stop or with
    that ladder; or where nobody is dictating."""
    place = sitting.writing_place
    before = sitting.document.blocks[place.block].text[: place.offset].rstrip()
    stopped = not before or before[-1] in ".,;:!?"
    last = sitting.trail[-1] if sitting.trail else None
    revising = last is None or last.read_as is not ReadAs.TEXT
    target = parse.args.get("target")
    named = target.words if isinstance(target, Words) else ()
    just_said = bool(named) and tuple(normal(before.lower().split()))[-len(named) :] == named
    just_said = just_said or in_what_was_dictated(sitting, parse)
    return (stopped or revising or just_said) and a_mark(sitting, parse)


def quoted_and_short(sitting: Sitting, parse: Parse) -> bool:
    """ "Before open there should be a not"; "before the stair there is to be a rope" tells."""
    short = len(parse.args.get("text", ())) <= 2
    return short and named_as_written(sitting.document, parse.args.get("target"))


def quoted_words(sitting: Sitting, parse: Parse) -> bool:
    quoted = named_as_written(sitting.document, parse.args.get("target"))
    return quoted and plain_words(sitting, parse)


def quoted_or_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Follow the last sentence with of course"; "follow the path with care" tells."""
    part = of_the_page(parse.args.get("target")) and plain_words(sitting, parse)
    return part or quoted_words(sitting, parse)


def new_words(sitting: Sitting, parse: Parse) -> bool:
    """A whole sentence that stands there is not put there once more, but moved."""
    text = tuple(parse.args.get("text", ()))
    placed = text[:-1] if text[-1:] in (("first",), ("last",)) else text
    there = a_whole_sentence(sitting.document, placed)
    there = there or len(placed) > 1 and a_whole_line(sitting.document, placed)
    target = parse.args.get("target")
    if isinstance(target, Words) and a_whole_heading(sitting.document, target.words):
        there = there or a_whole_heading(sitting.document, placed)  # "the notes before money"
    return not there and plain_words(sitting, parse)


def beside_a_block(sitting: Sitting, parse: Parse) -> bool:
    """ "A new paragraph after the first one"; "a bullet after the ferry" may be anything."""
    target = parse.args.get("target")
    return target is None or of_the_page(target)


_PROSE = (Unit.SENTENCE, Unit.QUESTION, Unit.PARAGRAPH, Unit.LINE, Unit.HEADING, Unit.ITEM)


def in_prose(sitting: Sitting, parse: Parse) -> bool:
    """At the end of a sentence or paragraph; that of a list has an item.

    Words are put only where it is told which: "write your name at the end of the line" is a request
    to somebody else, "put a full stop at the end of the line" is not.
    """
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Units) or target.unit not in _PROSE:
        return False
    if text[:1] in _HOW_MUCH or text[:2] in _SO_MUCH or _names_a_look(sitting, text):
        return False  # "put more detail in the second paragraph"
    told = target.order is not Order.THIS or target.unit in (Unit.HEADING, Unit.QUESTION)
    told = told or bool(mark_named(bare_mark(text)))
    return told and plain_words(sitting, parse)


def in_what_was_revised(sitting: Sitting, parse: Parse) -> bool:
    """ "And start it with my second point is", right after that got a paragraph of its own."""
    last = sitting.trail[-1:]
    made = bool(last) and last[0].made and last[0].read_as is ReadAs.COMMAND
    return made and len(sitting.that) == 1 and plain_words(sitting, parse)


def in_what_is_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "Start it with luckily", "add today to the end", while words are selected."""
    return sitting.selection is not None and sitting.fresh and plain_words(sitting, parse)


def at_an_edge_of_that(sitting: Sitting, parse: Parse) -> bool:
    """Of what is selected, or what goes on with what was just said."""
    return in_what_is_selected(sitting, parse) or goes_on_with_that(sitting, parse)


def goes_on_with_that(sitting: Sitting, parse: Parse) -> bool:
    """ "Add and my brother", right after "send it to my sister"; "add and stir" is a step."""
    last, text = sitting.trail[-1:], tuple(parse.args.get("text", ()))
    mended = bool(last) and (last[0].command or "").startswith(_PUT_RIGHT)
    said = bool(last) and last[0].read_as is ReadAs.TEXT and len(sitting.that) == 1 or mended
    names = text[:1] in (("and",), ("or",), ("but",)) and text[1:2] and text[1] in DETERMINERS
    held = sitting.fresh if sitting.selection is not None else said
    return bool(held and names) and plain_words(sitting, parse)


_PUT_RIGHT = ("mending.", "replacing.", "repunctuating.")


def beside_a_run(sitting: Sitting, parse: Parse) -> bool:
    """ "Say hurt her wrist after fell on the step", where it says so."""
    target = parse.args.get("target")
    return a_long_run(sitting.document, target) and plain_words(sitting, parse)


def at_an_end_of_it(sitting: Sitting, parse: Parse) -> bool:
    """ "Second paragraph add at the end ...": the part is told before the verb."""
    return in_prose(sitting, parse) and of_the_page(parse.args.get("target"))


_HOW_MUCH = (("more",), ("some",), ("something",), ("less",))
_SO_MUCH = (("a", "bit"), ("a", "little"), ("a", "few"), ("a", "lot"), ("a", "sentence"))


def in_a_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "Put by the sea in the heading"; "put the key in the last paragraph" tells what to write."""
    target = parse.args.get("target")
    heading = isinstance(target, Units) and target.unit is Unit.HEADING
    return heading and in_prose(sitting, parse)


def closed(text: tuple[str, ...], unit: Unit | None) -> tuple[str, ...]:
    """A clause put beside a sentence is one too, with a stop of its own."""
    ended = any(mark_named(text[-n:]) for n in (1, 2))
    clause = len(text) > _FEWEST_OF_A_CLAUSE and set(text[1:]) & (VERBS | AUXILIARIES)
    return (*text, "full", "stop") if unit is Unit.SENTENCE and clause and not ended else text


_FEWEST_OF_A_CLAUSE = 2


def a_told_clause(sitting: Sitting, parse: Parse) -> bool:
    """ "After the second sentence add that my neighbour has complained"."""
    text = tuple(parse.args.get("text", ()))
    return of_the_page(parse.args.get("target")) and bool(set(text[1:]) & (VERBS | AUXILIARIES))


def a_closed_clause(sitting: Sitting, parse: Parse) -> bool:
    """ "After the first sentence write the balance is four pounds full stop"."""
    text = tuple(parse.args.get("text", ()))
    ended = any(text[-n:] in STOPS for n in (1, 2))
    return ended and a_told_clause(sitting, parse)


def goes_on_with(text: tuple[str, ...], unit: Unit | None) -> bool:
    """Whether words put in at the end of a sentence are its own, and no sentence behind it.

    "Tomorrow" and "in the morning" go before its stop; at the end of a paragraph only what
    says where or when does.
    """
    if tuple(text[-2:]) in STOPS or tuple(text[-1:]) in STOPS or mark_named(bare_mark(text)):
        return False
    if not text or set(text) & (VERBS | SUBJECT_PRONOUNS | BEING):
        return False
    placed = text[0] in PREPOSITIONS or text[0] in _WHEN
    return placed if unit is Unit.PARAGRAPH else unit is Unit.SENTENCE


_WHEN = frozenset("every today tomorrow tonight now again too always soon and or but".split())


_OF_WHICH = frozenset("about concerning regarding".split())


def new_in_prose(sitting: Sitting, parse: Parse) -> bool:
    """New words; "the sentence about sweeping" is one that is there."""
    of_one = tuple(parse.args.get("text", ("about",)))[0] in _OF_WHICH
    return not of_one and in_prose(sitting, parse) and new_words(sitting, parse)


def a_mark_of_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Lunch should end with an exclamation mark"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    said = isinstance(target, Words) and named_as_written(sitting.document, target)
    return said and bool(mark_named(text))


def above_the_closing(sitting: Sitting, target: Places, text: tuple[str, ...]) -> bool:
    """ "Thank you for your help" before "Yours sincerely", which stands on a line of its own."""
    ends = foot(sitting.document)
    closes = ends is not None and ends.start == target.first.start and not ends.start.offset
    return closes and len(text) > 2


def is_an_item(sitting: Sitting, target: Places, text: tuple[str, ...], before: bool) -> bool:
    """Whether words named are all of an item, and others beside them one of their own.

    "Put water the beans after sweep the yard"; what goes on with the item does not: "and figs",
    "ripe" before "pears".
    """
    r = target.first
    item = sitting.document.blocks[r.start.block]
    if (
        target.unit
        or item.kind is not Kind.ITEM
        or r != block_range(sitting.document, r.start.block)
    ):
        return False
    if mark_named(bare_mark(text)) or text[0] in _GOES_ON_WITH:
        return False
    if not before:
        # "Milk" after "tea bags" is one more; "slowly" after "sweep the yard" goes on with it.
        asks = item.text.lower().split()[0] in VERBS
        return len(text) > 1 if asks else not text[-1].endswith("ly")
    counted = text[0] in ARTICLES or cardinal(text, 0) is not None
    several = text[-1].endswith("s") and not text[-1].endswith("ss")
    # "Matches" before "candles", "two eggs" before "rice", and not "ripe" pears.
    return counted or several or len(item.words) > 1 and len(text) > 1


_GOES_ON_WITH = PREPOSITIONS | OF_DEGREE_AND_TIME | {"and", "or", "but"}
