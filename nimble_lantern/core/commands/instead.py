"""When words are said to be put in the place of others, and when it is a sentence that says so."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands.columns import amount_of, price_of
from nimble_lantern.core.commands.table_here import head_two, two_headings, two_rows
from nimble_lantern.core.composing.redating import names_a_weekday, redated, whole_date
from nimble_lantern.core.composing.replacing import (
    STOPS,
    a_name,
    bare_mark,
    rare_as_names,
)
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.document.styles import COLOURS
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.lexicon.closed import (
    DETERMINERS,
    DULL,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.sentences import CLOSINGS, VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of, of_one_kind, on_another_day
from nimble_lantern.core.targets.measures import is_a_sort, names_a_sort, of_sort
from nimble_lantern.core.targets.model import (
    CellAt,
    Crossing,
    Holding,
    Order,
    Places,
    Sign,
    That,
    Through,
    Unit,
    Units,
    Words,
    as_things,
    of_the_page,
)
from nimble_lantern.core.targets.ones import place_among
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import exact, named_as_written, places
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.lexer import mark_named
from nimble_lantern.core.writing.spelling import letter


def _said(parse: Parse) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The words that are named, none if it is not by words; and those meant for their place."""
    target = parse.args.get("target")
    old = target.words if isinstance(target, Words) else ()
    return tuple(w for w in old if w not in DETERMINERS), tuple(parse.args.get("text", ()))


def _bare(words: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(w for w in words if w not in DETERMINERS)


def of_a_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "Make thursday friday" is a request; "tea instead of cake" is not known to be one."""
    return of_one_kind(*_said(parse))


def of_a_kind_or_names(sitting: Sitting, parse: Parse) -> bool:
    """ "Friday instead of monday", "wren castle instead of nell harker", "osric instead of tom"; a
    mark for the only one of its kind."""
    target = parse.args.get("target")
    if isinstance(target, Sign):
        found = resolve(target, sitting) if mark_for_mark(sitting, parse) else None
        return isinstance(found, Places)
    old, new = _said(parse)
    if old in CLOSINGS and new in CLOSINGS:
        return words_there(sitting, parse)  # "kind regards instead of yours sincerely"
    name = kind_of(old) == "name" and rare_as_names(new, 1) and words_there(sitting, parse)
    return of_one_kind(old, new) or name or _name_for_name(sitting, old, _bare(new))


def mark_for_mark(sitting: Sitting, parse: Parse) -> bool:
    """ "A semicolon instead of the full stop after left"."""
    return bool(mark_named(tuple(bare_mark(tuple(parse.args.get("text", ()))))))


def mark_for_a_mark(sitting: Sitting, parse: Parse) -> bool:
    """ "Make the semicolon a full stop", where one mark of that name stands."""
    target = parse.args.get("target")
    if not isinstance(target, Sign) or not mark_for_mark(sitting, parse):
        return False
    found = resolve(target, sitting)
    return isinstance(found, Places) and len(found.ranges) == 1 and not found.ask


def day_for_day(sitting: Sitting, parse: Parse) -> bool:
    """ "Tuesday for monday"; "six for seven" may be a score."""
    old, new = _said(parse)
    return of_one_kind(old, new) and kind_of(old) != "number" and words_there(sitting, parse)


def much_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Make second song last song": of one kind, or as many words of which some are the same;
    or the same with a word or two more, as "steep should be very steep"."""
    old, new = _said(parse)
    target = parse.args.get("target")
    if isinstance(target, Words) and target.words[-1] in DETERMINERS:
        return False  # "make friday the fifth of june"
    new = _bare(new)
    counted = kind_of(old) == "number" and len(old) > 1 and old[-1:] != new[-1:]
    if counted and as_things(parse.args.get("target")):
        # "The two men should be one" is a wish of the letter's.
        return False
    alike = 1 < len(old) == len(new) and bool(set(old) & set(new) - {"and", "or", "of"})
    thing = as_things(parse.args.get("target"))  # "i'd like the pie to be hot"
    alike = alike or _called(parse, new) or not thing and _name_for_name(sitting, old, new)
    more = with_more(old, new) and not thing
    if old and names_a_weekday(new) and _of_a_date(sitting, old, new):
        return True
    return of_one_kind(old, new) or alike or more or bool(on_another_day(new, old))


def _of_a_date(sitting: Sitting, old: tuple[str, ...], new: tuple[str, ...]) -> bool:
    """ "Monday the first of march should be monday the eighth"."""
    found = places(sitting.document, old)
    dates = [whole_date(sitting.document, r) for r in found[:1]]
    return any(redated(sitting, sitting.document.text(r), new) for r in dates)


def _called(parse: Parse, new: tuple[str, ...]) -> bool:
    """ "The word torch should be lantern": nothing else is said of words."""
    target = parse.args.get("target")
    said = isinstance(target, Words) and target.called
    few = 0 < len(new) <= _FEW_WORDS and not set(new) & (VERBS | SUBJECT_PRONOUNS | PARTS)
    return said and few and not a_way_to_be(new)


def a_look(words: tuple[str, ...]) -> bool:
    """ "Bold", "a bit bigger"."""
    made = CATALOGUE.parses(("make", "it", *words))
    looks = (p for p in made if That() in p.args.values())
    return any(p.command.group == "format" or p.command.name.startswith("case.") for p in looks)


_FEW_WORDS = 3


def a_way_to_be(new: tuple[str, ...]) -> bool:
    """ "Bold", "at the top", "gone": what a word may be instead of another word."""
    return a_look(new) or new[0] in PREPOSITIONS | LITTLE or new[-1] in _SAID_OF_WORDS


_SAID_OF_WORDS = frozenset("gone out last first away changed corrected checked there here".split())


def _name_for_name(sitting: Sitting, old: tuple[str, ...], new: tuple[str, ...]) -> bool:
    """ "Nell Harker should be Wren Castle": both are names of as many words."""
    found = places(sitting.document, old) if 1 < len(old) == len(new) else []
    return two_names(sitting.document, found, new, len(old))


def two_names(document: Document, found: Sequence[Range], new: tuple[str, ...], size: int) -> bool:
    """Whether there is a name at one of some places, and the new words are one of as many."""
    if not new or len(new) != size or not rare_as_names(new, size):
        return False
    return any(a_name(document, r) for r in found)


def with_more(old: tuple[str, ...], new: tuple[str, ...]) -> bool:
    size = len(old)
    inside = any(new[i : i + size] == old for i in range(len(new) - size + 1))
    few = 0 < len(new) - size <= 2
    return bool(old) and inside and few and not set(new) & (VERBS | SUBJECT_PRONOUNS)


def alike_or_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """The same, or what stands in a cell: "nell's boat number should be eleven"."""
    cell = isinstance(parse.args.get("target"), Crossing | CellAt)
    return cell or of_an_amount(sitting, parse) or much_alike(sitting, parse)


def alike_or_of_its_sort(sitting: Sitting, parse: Parse) -> bool:
    """The same, or what its sort is told by: "make the year eighteen ninety three"."""
    priced = _has_a_price(sitting, parse)
    return priced or of_its_sort(sitting, parse) or alike_or_a_cell(sitting, parse)


def _has_a_price(sitting: Sitting, parse: Parse) -> bool:
    """ "Make entry five pounds", where entry is told to be "£4"."""
    old, new = _said(parse)
    found = exact(sitting.document, old) if old else []
    return len(found) == 1 and price_of(sitting.document, found[0], new) is not None


def alike_or_raised(sitting: Sitting, parse: Parse) -> bool:
    """ "Put the price up to five pounds", "raise the entry to five pounds"."""
    raised = of_its_sort(sitting, parse) or _has_a_price(sitting, parse)
    return raised or much_alike(sitting, parse)


def of_its_sort(sitting: Sitting, parse: Parse) -> bool:
    """ "The date ... the ninth of november": what is called by its sort, and another of it."""
    target, (old, new) = parse.args.get("target"), _said(parse)
    if not isinstance(target, Words) or not names_a_sort(("the", *old)):
        return False
    there = of_sort(sitting.document, ("the", *old))
    was = "1 May 2000" if old == ("year",) else sitting.document.text(there[0]) if there else ""
    redates = len(there) == 1 and redated(sitting, was, new)
    return bool(there) and (kind_of(new) in _TOLD_BY.get(old, ()) or bool(redates))


_TOLD_BY: dict[tuple[str, ...], tuple[str, ...]] = {
    ("date",): ("date", "place"),
    ("year",): ("number",),
    ("time",): ("clock",),
    ("price",): ("number",),
    ("sum",): ("number",),
    ("amount",): ("number",),
}


def one_for_one(sitting: Sitting, parse: Parse) -> bool:
    """ "Make chair a bench" leaves the article away; "make the word dog a big cat" does not."""
    return len(parse.args.get("text", ())) == 1 and alike_or_a_cell(sitting, parse)


def of_an_amount(sitting: Sitting, parse: Parse) -> bool:
    """ "Hall should be fifty", where a row is called so and has one number."""
    old, new = _said(parse)
    found = exact(sitting.document, old) if old and kind_of(new) == "number" else []
    return len(found) == 1 and amount_of(sitting.document, found[0], new) is not None


def said_to_be_wrong(sitting: Sitting, parse: Parse) -> bool:
    """ "The stare is wrong i meant the stair": a part, words alike, or such as sound alike."""
    old, new = _said(parse)
    sounds = bool(old) and phrase_key(" ".join(old)) == phrase_key(" ".join(_bare(new)))
    return sounds or of_its_sort(sitting, parse) or alike_or_a_part(sitting, parse)


def alike_or_a_part(sitting: Sitting, parse: Parse) -> bool:
    """The same, or any words for a part of the page: "the last sentence should say we waited".

    What only points at something else is no new text: "the last line should be the first one".
    """
    text = tuple(parse.args.get("text", ()))
    target = parse.args.get("target")
    if text and text[-1] in _REFERRING | _EDGES:
        return False
    if becomes(target, text):
        return False
    return of_the_page(target) or much_alike(sitting, parse)


def alike_or_no_thing_for_a_part(sitting: Sitting, parse: Parse) -> bool:
    """The same; "put a note for my signature" asks for a thing to be made."""
    named = isinstance(parse.args.get("target"), Words)
    a_thing = tuple(parse.args.get("text", ("a",)))[0] in DETERMINERS
    return (named or not a_thing) and alike_or_a_part(sitting, parse)


def not_the_other(sitting: Sitting, parse: Parse) -> bool:
    """The same, but of a number alone what is counted tells where: "three pegs not two"."""
    old, new = _said(parse)
    bare, counted = cardinal(old, 0), cardinal(new, 0)
    if bare and counted and bare[1] == len(old) and counted[1] < len(new):
        return False
    return alike_or_a_part(sitting, parse)


def alike_or_words_for_a_part(sitting: Sitting, parse: Parse) -> bool:
    """The same, but what a part is made into is no text if it tells of a thing: "make the last
    paragraph into something i can use again"."""
    text = tuple(parse.args.get("text", ("a",)))
    told = text[0] in DETERMINERS or text[0] in _SOMETHING
    return alike_or_a_part(sitting, parse) and (not told or much_alike(sitting, parse))


_SOMETHING = frozenset(("something", "anything"))


def in_its_place(sitting: Sitting, parse: Parse) -> bool:
    """Whether words are to stand in the place of others: "replace the first paragraph with a short
    walk" makes nothing of it, as "turn it into a joke" would."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if _tells_which(target, text):
        return False
    prose = isinstance(target, Units | Holding) and target.unit in _PROSE
    if prose and text and not _made_of_parts(text) and not _a_look(target, text):
        return True
    return no_sentence(sitting, parse)


def of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """The same of what is only of the page: "exchange the lamp for a bell" may be about things."""
    return of_the_page(parse.args.get("target")) and in_its_place(sitting, parse)


def _tells_which(target: object, text: tuple[str, ...]) -> bool:
    """ "The paragraph | with tea in it by a plan": which paragraph is meant, and no new words."""
    here = isinstance(target, Units) and target.order is Order.THIS
    return here and any(text[i : i + 2] == ("in", "it") for i in range(1, len(text) - 2))


def _made_of_parts(text: tuple[str, ...]) -> bool:
    """ "One paragraph", "two separate sentences", "the headline"."""
    return text[-1] in PARTS | TRADE_NOUNS | _LINES | _REFERRING


def no_sentence(sitting: Sitting, parse: Parse) -> bool:
    """Whether it is the new words that come after "to", and not the rest of a sentence.

    "Change the rent to suit the young ones" and "swap the rope for a new one" go on; a stop shows
    it as well, except where a whole sentence is named.  "Turn the list into paragraphs" names what
    a page is made of.
    """
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if any(text[i : i + 3] in _AND_MAKE for i in range(1, len(text) - 3)):
        return False  # "change which to they and make it a new sentence" asks for two things
    if "instead" in text[1:-1] and text[text.index("instead", 1) + 1] == "of":
        return False  # "change ring to phone instead of ring" names the old words twice
    if text[1:2] == ("blank",) and text[0] == "a":
        return False  # "change forty to a blank called price"
    if set(text) & PARTS and set(text) <= PARTS | DETERMINERS | _MADE_OF:
        return False
    if becomes(target, text) or _tells_which(target, text):
        return False
    if sitting.holds and isinstance(target, That) and place_among(text):
        return False  # "swap it with the third"
    if isinstance(target, Words) and head_two(sitting, target.words, text):
        return False  # "swap minutes with ready" is of their columns
    if not isinstance(target, Words):
        return True
    named = names_a_sort(target.words) or target.order is Order.EVERY and is_a_sort(target.words)
    if named and not kind_of(text) and not of_its_sort(sitting, parse):
        return False  # "correct the price by friday"
    stopped = len(text) > 2 and any(text[-len(stop) :] == stop for stop in STOPS)
    thing = target.words[:1] in (("the",), ("a",), ("an",))
    acts = len(text) > 2 and text[1] in DETERMINERS and text[0] not in DETERMINERS | PREPOSITIONS
    acts = acts and not names_a_weekday(text)  # "sunday the ninth"
    acts = acts or len(text) > 1 and text[0] in _BEING
    refers = bool(text) and text[-1] in _REFERRING
    return not stopped and not (thing and (acts or refers))


_AND_MAKE = (("and", "make", "it"), ("and", "make", "that"), ("and", "put", "it"))
_BEING = frozenset("be become say read look seem".split())
"""After "to", with more behind it: "edit the budget to be clear" is no new text of it."""


def _a_look(target: object, text: tuple[str, ...]) -> bool:
    """ "Switch what is in brackets to capitals": whether a part may be made so.

    Words that are named by themselves may be such a name: "blue" becomes "grey".
    """
    if isinstance(target, Words) or not text or len(text) > _LONGEST_LOOK:
        return False
    return a_look(text)


_LONGEST_LOOK = 4


def becomes(target: object, text: tuple[str, ...]) -> bool:
    """ "Turn the first line into a main heading", "the last sentence into a joke", "what is in
    brackets to capitals": what it is to be, and not what it is to say."""
    if _a_look(target, text):
        return True
    if not isinstance(target, Units | Holding) or not text:
        return False
    prose = target.unit in _PROSE
    if len(text) <= 3 and text[-1] in PARTS | _LINES:
        return True
    if text[:1] not in (("a",), ("an",), ("the",), ("some",)) or len(text) > 5:
        return False
    said = set(text) & (VERBS | SUBJECT_PRONOUNS) or text[0] == "the"
    return text[-1] in PARTS | TRADE_NOUNS | _LINES or prose and not said


_PROSE = (Unit.SENTENCE, Unit.QUESTION, Unit.PARAGRAPH, Unit.LINE)
_LINES = frozenset("headline header banner caption lines letters pieces halves".split())
_MADE_OF = frozenset("one two single plain normal".split())
_EDGES = frozenset("first last top bottom next previous".split())
_REFERRING = frozenset("one ones it them him her us me you".split())


def words_there(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words named stand in the text, so that what is said of them is a request."""
    old, new = _said(parse)
    if new and new[-1] in PARTS | PREPOSITIONS:
        return False  # "put brackets around the sentence where it says hall"
    there = bool(old and new) and bool(places(sitting.document, old))
    return there and no_sentence(sitting, parse)


def few_words_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Ferry to boat throughout"; no verb asks for it, so that longer ones are sentences."""
    old, new = _said(parse)
    few = len(old) <= _FEW and len(new) <= _FEW and not set(new) & (VERBS | SUBJECT_PRONOUNS)
    return few and words_there(sitting, parse)


_FEW = 3


def plainly_there(sitting: Sitting, parse: Parse) -> bool:
    """ "It says torch but it should be lantern"; "it says noon and it is noon" is a sentence, and
    "take the coat out and put the torch in" is said of things."""
    old, new = _said(parse)
    if not words_there(sitting, parse) or _bare(new) == old or old[-1] == "and":
        return False
    thing = as_things(parse.args.get("target")) or bool(set(new[:1]) & (DETERMINERS | LITTLE))
    few = len(new) <= len(old) + 2 and not set(new) & (VERBS | SUBJECT_PRONOUNS | _HOW)
    return much_alike(sitting, parse) or few and not thing


def meant_for_said(sitting: Sitting, parse: Parse) -> bool:
    """ "I said gloves but i meant a veil", of words that stand there once; "i said yes but i meant
    to ask" goes on."""
    old, new = _said(parse)
    if plainly_there(sitting, parse):
        return True
    bare = _bare(new)
    few = 0 < len(bare) <= len(old) + 1 and not set(bare) & _NOT_MEANT
    return few and bool(set(old) - LITTLE) and len(exact(sitting.document, old)) == 1


_HOW = frozenset("well better more less worse best wrong right otherwise so it".split())


_NOT_MEANT = VERBS | SUBJECT_PRONOUNS | _HOW | LITTLE


def a_word_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Staircase for stair everywhere"; "a lamp for the stair everywhere" is a sentence's end."""
    old, new = _said(parse)
    if not old or not new or {old[0], new[0]} & DETERMINERS or new[0] in VERBS:
        return False
    return len(new) <= len(old) + 1 and words_there(sitting, parse)


def alike_and_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Not june but july", where it says june; "not the title but the words matter" tells."""
    named = isinstance(parse.args.get("target"), Words)
    return named and words_there(sitting, parse) and alike_or_a_part(sitting, parse)


def not_this(sitting: Sitting, parse: Parse) -> bool:
    """ "Not june july"; "not the title but the words matter" tells."""
    text = tuple(parse.args.get("text", ("but",)))
    telling = text[0] in ("but", "and", "because") or not VERBS.isdisjoint(text[1:])
    # "Not the whole word just the first letter" names parts, and no new words.
    target = parse.args.get("target")
    named = target.words if isinstance(target, Words) else ()
    parts = not (PARTS | {"just", "only"}).isdisjoint({*text, *named}) or "letter" in text
    parts = parts or bool(named) and LITTLE.issuperset(named)
    return not telling and not parts and alike_or_a_part(sitting, parse)


def stands_once(sitting: Sitting, parse: Parse) -> bool:
    """ "Make that best wishes not kind regards", where those stand in one place."""
    old, new = _said(parse)
    few = 0 < len(new) <= len(old) + 1 and not set(new) & (VERBS | SUBJECT_PRONOUNS | PARTS)
    once = bool(old) and not set(old) <= LITTLE and len(places(sitting.document, old)) == 1
    return few and once and words_there(sitting, parse)


def a_part_of_it(sitting: Sitting, parse: Parse) -> bool:
    """ "Just crane not old crane", where the old crane stands."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    old = target.words if isinstance(target, Words) else ()
    part = 0 < len(text) < len(old) and text in (old[: len(text)], old[-len(text) :])
    return part and bool(places(sitting.document, old))


def no_things_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Slow becomes quick everywhere"; "the ferry is now late everywhere" is a sentence."""
    look = a_way_to_be(tuple(parse.args.get("text", ())))
    return words_there(sitting, parse) and not look and not as_things(parse.args.get("target"))


def by_letters(sitting: Sitting, parse: Parse) -> bool:
    """ "Spell hob h o b b"; "spell that" is said of one word."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if isinstance(target, That) and not (sitting.selection and sitting.fresh):
        return False
    return len(text) > 1 and all(letter(w) for w in text)


def plain_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the new words are words, and not "the third paragraph", nor "a where b is and b"."""
    return not set(parse.args.get("text", ())) & (TRADE_NOUNS | {"where"})


def named_there(sitting: Sitting, parse: Parse) -> bool:
    """Words of the page as they stand there; "take out the bins and put in the boxes" may not be
    said of words."""
    target = parse.args.get("target")
    if not isinstance(target, Words):
        return of_the_page(target)
    there = named_as_written(sitting.document, target) and target.words[-1] not in PREPOSITIONS
    return there and no_sentence(sitting, parse)


def stretch(sitting: Sitting, parse: Parse) -> bool:
    """ "Put visitor book for everything from old rota to blue folder"."""
    return isinstance(parse.args.get("target"), Through)


def quoted_and_few(sitting: Sitting, parse: Parse) -> bool:
    """ "Exchange books for toys", and not "exchange books for toys on saturday"."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    size = len(target.words) if isinstance(target, Words) else len(text)
    few = len(text) <= size + 1 and not set(text) & (PREPOSITIONS - {"of"})
    # "Exchange bell with years" has two columns change places.
    of_two = two_headings(sitting, target, text) or two_rows(sitting, target, text)
    return few and not of_two and named_there(sitting, parse)


def plain_and_few(sitting: Sitting, parse: Parse) -> bool:
    """ "Turn cups into mugs"; "turn the lamp into a lantern" may be asked of somebody."""
    thing = as_things(parse.args.get("target")) or _said(parse)[1][:1] in (("a",), ("an",))
    return not thing and quoted_and_few(sitting, parse)


def called_or_quoted(sitting: Sitting, parse: Parse) -> bool:
    """ "Keepers cottage change to fog signal"; "lights change to red" is a sentence."""
    target = parse.args.get("target")
    several = isinstance(target, Words) and len(target.words) > 1
    return of_the_page(target) or several and named_there(sitting, parse)


def first_stands(sitting: Sitting, parse: Parse) -> bool:
    """ "Replace visitors guests", where only visitors are on the page."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    old = target.words if isinstance(target, Words) else ()
    if len(text) > _FEW_WORDS or {*old, *text} & (DULL | PREPOSITIONS | {"and", "into"}):
        return False
    plural = len(old) == len(text) and all(w[-1:].endswith("s") for w in (*old[-1:], *text[-1:]))
    # "Replace worn ropes" names but one thing.
    new = not any(exact(sitting.document, (w,)) for w in text)
    new = new and (plural or of_one_kind(old, text))
    return new and not of_the_page(parse.args.get("target")) and named_there(sitting, parse)


def in_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Nell under kitchen is eleven": no words of a text are named so."""
    return isinstance(parse.args.get("target"), Crossing | CellAt) and plain_words(sitting, parse)


def of_what_is_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "Should be the quiet path", said right after its words were selected."""
    text = tuple(parse.args.get("text", ()))
    plain = not set(text) & (TRADE_NOUNS | set(COLOURS)) and text[-1:] != ("it",)
    return sitting.selection is not None and sitting.fresh and plain and not at_a_place(text)


def into_a_thing(sitting: Sitting, parse: Parse) -> bool:
    """ "Make it a cup of tea", of what is selected; "make it a list" is about its looks."""
    text = tuple(parse.args.get("text", ()))
    told = len(text) > 1 and text[0] in ("a", "an", "the") and not PARTS & set(text)
    return told and of_what_is_selected(sitting, parse) and not a_look(text)


def at_a_place(text: tuple[str, ...]) -> bool:
    """ "It should be at the end": where something is to stand, and no words for it."""
    return len(text) > 1 and text[0] in PREPOSITIONS and text[-1] in PARTS | _ENDS


_ENDS = frozenset("end start top bottom beginning".split())
