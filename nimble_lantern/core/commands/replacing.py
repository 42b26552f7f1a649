"""Replacing words by other words."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.mending import mended
from nimble_lantern.core.commands.table_here import fits_the_cell
from nimble_lantern.core.commands.wording import many, near, quoted
from nimble_lantern.core.composing.replacing import (
    STOPS,
    a_name,
    rare_as_names,
    replace_many,
    replace_range,
    without_stop,
)
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.document.styles import COLOURS
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.lexicon.closed import (
    DETERMINERS,
    DULL,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.mending.again import put_right
from nimble_lantern.core.mending.alternatives import Alternative
from nimble_lantern.core.mending.knowing import taught_by
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.alike import kind_of, mends, of_one_kind
from nimble_lantern.core.targets.model import (
    CellAt,
    Crossing,
    Holding,
    Order,
    Places,
    Through,
    Unit,
    Units,
    Words,
    as_things,
    of_the_page,
)
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import exact, named_as_written, places
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.spelling import letter
from nimble_lantern.core.writing.spoken import plain

_FEW = 20


def _said(parse: Parse) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The words that are named, none if it is not by words; and those meant for their place."""
    target = parse.args.get("target")
    old = target.words if isinstance(target, Words) else ()
    return tuple(w for w in old if w not in DETERMINERS), tuple(parse.args.get("text", ()))


def _bare(words: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(w for w in words if w not in DETERMINERS)


def _of_a_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "Make thursday friday" is a request; "tea instead of cake" is not known to be one."""
    return of_one_kind(*_said(parse))


def _much_alike(sitting: Sitting, parse: Parse) -> bool:
    """ "Make second song last song": of one kind, or as many words of which some are the same;
    or the same with a word or two more, as "steep should be very steep"."""
    old, new = _said(parse)
    new = _bare(new)
    counted = kind_of(old) == "number" and len(old) > 1 and old[-1:] != new[-1:]
    if counted and as_things(parse.args.get("target")):
        # "The two men should be one" is a wish of the letter's.
        return False
    alike = 1 < len(old) == len(new) and bool(set(old) & set(new))
    alike = alike or _called(parse, new) or _name_for_name(sitting, old, new)
    more = _with_more(old, new) and not as_things(parse.args.get("target"))
    return of_one_kind(old, new) or alike or more


def _called(parse: Parse, new: tuple[str, ...]) -> bool:
    """ "The word torch should be lantern": nothing else is said of words."""
    target = parse.args.get("target")
    said = isinstance(target, Words) and target.called
    few = 0 < len(new) <= _FEW_WORDS and not set(new) & (VERBS | SUBJECT_PRONOUNS | PARTS)
    return said and few and not _a_way_to_be(new)


def _a_way_to_be(new: tuple[str, ...]) -> bool:
    """ "Bold", "at the top", "gone": what a word may be instead of another word."""
    made = CATALOGUE.parses(("make", "it", *new))
    looks = any(p.command.group == "format" or p.command.name.startswith("case.") for p in made)
    return looks or new[0] in PREPOSITIONS | LITTLE or new[-1] in _SAID_OF_WORDS


_SAID_OF_WORDS = frozenset("gone out last first away changed corrected checked there here".split())


def _name_for_name(sitting: Sitting, old: tuple[str, ...], new: tuple[str, ...]) -> bool:
    """ "Nell Harker should be Wren Castle": both are names of as many words."""
    found = places(sitting.document, old) if 1 < len(old) == len(new) else []
    return any(a_name(sitting.document, r) and rare_as_names(new, len(old)) for r in found)


def _with_more(old: tuple[str, ...], new: tuple[str, ...]) -> bool:
    size = len(old)
    inside = any(new[i : i + size] == old for i in range(len(new) - size + 1))
    few = 0 < len(new) - size <= 2
    return bool(old) and inside and few and not set(new) & (VERBS | SUBJECT_PRONOUNS)


def _alike_or_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """The same, or what stands in a cell: "nell's boat number should be eleven"."""
    cell = isinstance(parse.args.get("target"), Crossing | CellAt)
    return cell or _much_alike(sitting, parse)


def _said_to_be_wrong(sitting: Sitting, parse: Parse) -> bool:
    """ "The stare is wrong i meant the stair": a part, words alike, or such as sound alike."""
    old, new = _said(parse)
    sounds = bool(old) and phrase_key(" ".join(old)) == phrase_key(" ".join(_bare(new)))
    return sounds or _alike_or_a_part(sitting, parse)


def _alike_or_a_part(sitting: Sitting, parse: Parse) -> bool:
    """The same, or any words for a part of the page: "the last sentence should say we waited".

    What only points at something else is no new text: "the last line should be the first one".
    """
    text = tuple(parse.args.get("text", ()))
    target = parse.args.get("target")
    if text and text[-1] in _REFERRING | _EDGES:
        return False
    if _becomes(target, text):
        return False
    return of_the_page(target) or _much_alike(sitting, parse)


def _no_sentence(sitting: Sitting, parse: Parse) -> bool:
    """Whether it is the new words that come after "to", and not the rest of a sentence.

    "Change the rent to suit the young ones" and "swap the rope for a new one" go on; a stop shows
    it as well, except where a whole sentence is named.  "Turn the list into paragraphs" names what
    a page is made of.
    """
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    if set(text) & PARTS and set(text) <= PARTS | DETERMINERS | _MADE_OF:
        return False
    if _becomes(target, text):
        return False
    if not isinstance(target, Words):
        return True
    stopped = len(text) > 2 and any(text[-len(stop) :] == stop for stop in STOPS)
    thing = target.words[:1] in (("the",), ("a",), ("an",))
    acts = len(text) > 2 and text[1] in DETERMINERS and text[0] not in DETERMINERS | PREPOSITIONS
    acts = acts or len(text) > 1 and text[0] in _BEING
    refers = bool(text) and text[-1] in _REFERRING
    return not stopped and not (thing and (acts or refers))


_BEING = frozenset("be become say read look seem".split())
"""After "to", with more behind it: "edit the budget to be clear" is no new text of it."""


def _a_look(target: object, text: tuple[str, ...]) -> bool:
    """ "Switch what is in brackets to capitals": whether a part may be made so.

    Words that are named by themselves may be such a name: "blue" becomes "grey".
    """
    if isinstance(target, Words) or not text or len(text) > _LONGEST_LOOK:
        return False
    made = CATALOGUE.parses(("make", "it", *text))
    return any(p.command.group == "format" or p.command.name.startswith("case.") for p in made)


_LONGEST_LOOK = 4


def _becomes(target: object, text: tuple[str, ...]) -> bool:
    """ "Turn the first line into a main heading", "the last sentence into a joke", "what is in
    brackets to capitals": what it is to be, and not what it is to say."""
    if _a_look(target, text):
        return True
    if not isinstance(target, Units | Holding) or not text:
        return False
    prose = target.unit in (Unit.SENTENCE, Unit.PARAGRAPH, Unit.LINE)
    if len(text) <= 3 and text[-1] in PARTS | _LINES:
        return True
    if text[:1] not in (("a",), ("an",), ("the",), ("some",)) or len(text) > 5:
        return False
    said = set(text) & (VERBS | SUBJECT_PRONOUNS) or text[0] == "the"
    return text[-1] in PARTS | TRADE_NOUNS | _LINES or prose and not said


_LINES = frozenset("headline header banner caption lines letters pieces halves".split())
_COUNTS = frozenset("two three four several".split())
_MADE_OF = frozenset("one two single plain normal".split())
_EDGES = frozenset("first last top bottom next previous".split())
_REFERRING = frozenset("one ones it them him her us me you".split())


def _of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "The last sentence should be we waited": of a part that is less than all of the text."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    whole = isinstance(target, Units) and target.unit is Unit.DOCUMENT
    clause = bool(set(text) & (VERBS | SUBJECT_PRONOUNS)) or len(text) > _FEW_WORDS
    told = isinstance(target, Units) and target.order is not Order.THIS
    return told and not whole and clause and not set(text[:1]) & _SAID_OF_IT


_FEW_WORDS = 3
_SAID_OF_IT = frozenset("about of for in on at to not kept left sent read written".split())
"""After "should be", they say something of a sentence and are none."""


def _of_a_told_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Good news instead of the last two words": no sentence speaks of such a part."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    told = isinstance(target, Holding) or isinstance(target, Units) and target.order != Order.THIS
    few = len(text) <= _FEW_WORDS and not set(text) & (VERBS | SUBJECT_PRONOUNS | PARTS)
    return told and few and not _becomes(target, text)


def _words_there(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words named stand in the text, so that what is said of them is a request."""
    old, new = _said(parse)
    if new and new[-1] in PARTS | PREPOSITIONS:
        return False  # "put brackets around the sentence where it says hall"
    there = bool(old and new) and bool(places(sitting.document, old))
    return there and _no_sentence(sitting, parse)


def _plainly_there(sitting: Sitting, parse: Parse) -> bool:
    """ "It says torch but it should be lantern"; "it says noon and it is noon" is a sentence, and
    "take the coat out and put the torch in" is said of things."""
    old, new = _said(parse)
    if not _words_there(sitting, parse) or _bare(new) == old or old[-1] == "and":
        return False
    thing = as_things(parse.args.get("target")) or bool(set(new[:1]) & (DETERMINERS | LITTLE))
    few = len(new) <= len(old) + 2 and not set(new) & (VERBS | SUBJECT_PRONOUNS | _HOW)
    return _much_alike(sitting, parse) or few and not thing


_HOW = frozenset("well better more less worse best wrong right otherwise so it".split())


def _a_word_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Staircase for stair everywhere"; "a lamp for the stair everywhere" is a sentence's end."""
    old, new = _said(parse)
    if not old or not new or {old[0], new[0]} & DETERMINERS or new[0] in VERBS:
        return False
    return len(new) <= len(old) + 1 and _words_there(sitting, parse)


def _alike_and_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Not june but july", where it says june."""
    return _words_there(sitting, parse) and _alike_or_a_part(sitting, parse)


def _a_part_of_it(sitting: Sitting, parse: Parse) -> bool:
    """ "Just crane not old crane", where the old crane stands."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    old = target.words if isinstance(target, Words) else ()
    part = 0 < len(text) < len(old) and text in (old[: len(text)], old[-len(text) :])
    return part and bool(places(sitting.document, old))


def _no_things_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Slow becomes quick everywhere"; "the ferry is now late everywhere" is a sentence."""
    return _words_there(sitting, parse) and not as_things(parse.args.get("target"))


def _by_letters(sitting: Sitting, parse: Parse) -> bool:
    """ "Spell hob h o b b"."""
    text = tuple(parse.args.get("text", ()))
    return len(text) > 1 and all(letter(w) for w in text)


def _plain_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the new words are words, and not "the third paragraph"."""
    return not set(parse.args.get("text", ())) & TRADE_NOUNS


def _of_several_cells(sitting: Sitting, r: Range) -> bool:
    blocks = sitting.document.blocks[r.start.block : r.end.block + 1]
    return len(blocks) > 1 and any(block.cell for block in blocks)


def _of_much(sitting: Sitting, target: Places, text: tuple[str, ...]) -> bool:
    """Whether a word or two would take the place of a whole sentence or paragraph."""
    if target.unit not in (Unit.SENTENCE, Unit.PARAGRAPH, Unit.SECTION, Unit.DOCUMENT):
        return False
    words = sum(sitting.document.count_words(r) for r in target.ranges)
    clause = set(text) & (VERBS | SUBJECT_PRONOUNS)  # "make the last sentence say we waited"
    return len(text) <= 2 and (words > 3 or text[-1] in _COUNTS) and not clause


def _quoted(sitting: Sitting, parse: Parse) -> bool:
    """Words of the page as they stand there; "take out the bins and put in the boxes" may not be
    said of words."""
    target = parse.args.get("target")
    if not isinstance(target, Words):
        return of_the_page(target)
    there = named_as_written(sitting.document, target) and target.words[-1] not in PREPOSITIONS
    return there and _no_sentence(sitting, parse)


def _stretch(sitting: Sitting, parse: Parse) -> bool:
    """ "Put visitor book for everything from old rota to blue folder"."""
    return isinstance(parse.args.get("target"), Through)


def _quoted_and_few(sitting: Sitting, parse: Parse) -> bool:
    """ "Exchange books for toys", and not "exchange books for toys on saturday"."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    size = len(target.words) if isinstance(target, Words) else len(text)
    few = len(text) <= size + 1 and not set(text) & (PREPOSITIONS - {"of"})
    return few and _quoted(sitting, parse)


def _plain_and_few(sitting: Sitting, parse: Parse) -> bool:
    """ "Turn cups into mugs"; "turn the lamp into a lantern" may be asked of somebody."""
    thing = as_things(parse.args.get("target")) or _said(parse)[1][:1] in (("a",), ("an",))
    return not thing and _quoted_and_few(sitting, parse)


def _called_or_quoted(sitting: Sitting, parse: Parse) -> bool:
    """ "Keepers cottage change to fog signal"; "lights change to red" is a sentence."""
    target = parse.args.get("target")
    several = isinstance(target, Words) and len(target.words) > 1
    return of_the_page(target) or several and _quoted(sitting, parse)


def _first_stands(sitting: Sitting, parse: Parse) -> bool:
    """ "Replace visitors guests", where only visitors are on the page."""
    text, target = tuple(parse.args.get("text", ())), parse.args.get("target")
    old = target.words if isinstance(target, Words) else ()
    if len(text) > _FEW_WORDS or {*old, *text} & (DULL | PREPOSITIONS | {"and", "into"}):
        return False
    plural = len(old) == len(text) and all(w[-1:].endswith("s") for w in (*old[-1:], *text[-1:]))
    # "Replace worn ropes" names but one thing.
    new = not any(exact(sitting.document, (w,)) for w in text)
    new = new and (plural or of_one_kind(old, text))
    return new and not of_the_page(parse.args.get("target")) and _quoted(sitting, parse)


def _in_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Nell under kitchen is eleven": no words of a text are named so."""
    return isinstance(parse.args.get("target"), Crossing) and _plain_words(sitting, parse)


def _of_what_is_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "Should be the quiet path", said right after its words were selected."""
    text = tuple(parse.args.get("text", ()))
    plain = not set(text) & (TRADE_NOUNS | set(COLOURS)) and text[-1:] != ("it",)
    return sitting.selection is not None and sitting.fresh and plain


@rule("from_what", "from {words}", heard=False)
def _from_what(words: tuple[str, ...]) -> bool:
    """What a cell says now, and anybody can see."""
    return True


@command(
    *each(
        _no_sentence,
        "replace {target} (with | by) {text}",
        "<change> {target} (to | into | with | by) {text}",
        "put {text:words} (instead of | in place of) {target}",
        "(write | say) {text:words} (instead of | in place of | rather than) {target}",
        "instead of {target} (write | put | say) {text}",
        "swap [out] {target} for {text}",
        "(find | look for) {target} and (replace | change) (it | that | this) (with | to | by)"
        " {text}",
        "substitute {text:words} for {target}",
        "(rewrite | reword | rephrase) {target} (as | to) {text}",
        "<remove> {target} and (put | write | say) {text:words} instead",
        "<wish> {target} (changed | corrected | altered) to {text}",
        "<change> {target} so [that] it (says | reads | is) {text}",
    ),
    *each(
        _alike_or_a_part,
        "write {text:words} over {target}",
        "(i would | i'd) rather have {text:words} than {target}",
        "(instead of | in place of) {target} [(write | put | say | have)] {text}",
        "{target} to be replaced (by | with) {text}",
        "put {text:words} for {target}",
    ),
    Way("{text:words} (instead of | in place of) {target}", when=_of_a_told_part),
    "make (it | that) {text:words} (instead of | rather than | in place of) {target}",
    "<change> {target} (with | by | to | into) the (word | words) {text}",
    "<change> the spelling of {target} to {text}",
    Way("put {text:words} where {target} is", when=_plain_words),
    *each(
        _words_there,
        "it (should | ought to) (say | read) {text:words} ([and] not | rather than | instead of)"
        " {target}",
        "{target} <shall> be changed to {text}",
        "{target} be changed to {text}",
        "where it (says | has | reads) {target} (put | write | say | make it | it (should | ought"
        " to | must) (be | say | read)) {text}",
        "(change | alter) (the | that) (day | date | time | name | number | word | price"
        " | place | month | year | hour) from {target} to {text}",
        "(put | write | say | have) {text:words} where (it says | i said | i wrote) {target}",
        "where i (said | wrote) {target} i [really | actually] (meant | mean) {text}",
    ),
    *each(
        _plainly_there,
        "(i (said | wrote | put) | it (says | said | reads)) {target} [(but | and)] (it | that)"
        " (should | ought to | must) (be | say | read | have been | have said) {text}",
        "(i (said | wrote | put) | it (says | said | reads)) {target} [(but | and)]"
        " (it's | it is | make (it | that) | change (it | that) to) {text}",
        "i (said | wrote | put) {target} [(but | and)] i (meant | mean | wanted) {text}",
        "i (meant | mean | wanted) {text:words} (when | where) i (said | wrote | put) {target}",
        "{target} (needs | wants) (changing | correcting | altering | to be changed | to be"
        " corrected) to {text}",
        "take {target} out and (put | write) {text:words} in",
        "take {target} out and (put | write) in {text}",
        "(<change> | edit | revise) {target} to (read | say) {text}",
        "(update | revise | edit) {target} to {text}",
        "(for | instead of) {target} (read | it should (be | say | read)) {text}",
        "read {text:words} (for | instead of) {target}",
        "(strike | scratch | strike out | scratch out | cross out) {target} [and] (write | put |"
        " say) {text}",
    ),
    Way("not {target} but {text}", when=_alike_and_there),
    Way("rather than {target} (write | put | say | have) {text}", when=_alike_and_there),
    Way("(make | turn) {target} [(a | an)] {text}", when=_much_alike),
    Way("(let | could | can) {target} (be | become) {text}", when=_much_alike),
    Way("{target} <shall> (be | become) {text}", when=_alike_or_a_cell),
    Way("(put | write | say | have) {text:words} for {target}", when=_stretch),
    Way("{target:crossed} (is | are | becomes | has) [now] {text}", when=_in_a_cell),
    Way("<change> {target:crossed} <from_what> to {text}", when=_in_a_cell),
    Way(
        "(in | into | under | for) {target:crossed} (put | write | say | type | enter) {text}",
        when=_in_a_cell,
    ),
    Way(
        "(put | write | type | enter) {text:words} (in | into | under) {target:crossed}",
        when=_in_a_cell,
    ),
    *each(
        _alike_or_a_part,
        "(make | turn) {target} into {text}",
        "(make | let | have) {target} (read | say) {text}",
        "(fix | switch | exchange | trade | alter | change) {target} (to | for) {text}",
        "(put | use | have | <wish>) {text:words} (instead of | in place of | rather than)"
        " {target}",
        "[it] (should | ought to) be {text:words} ([and] not | rather than | instead of) {target}",
        "not {target} {text}",
        "it (is not | isn't | should not be | shouldn't be) {target} it (is | it's | should be)"
        " {text}",
        "it's not {target} it's {text}",
        "this is {text:words} [and] not {target}",
        "(i would | i'd) (prefer | sooner have) {text:words} (to | than) {target}",
        "(bump | raise | lower | up | bring | put) {target} [(up | down)] to {text}",
        "(i would | i'd) rather (say | put | write) {text:words} than {target}",
        "(it | that) (was not | wasn't | isn't | is not) {target} (it | that) (was | is | should"
        " have been) {text}",
        "{target} becomes {text}",
        "(it's | it is | that's | make it | make that) {text:words} [and] not {target}",
        "{target} <shall> (read | say) {text}",
        "<remove> {target} and (put | write | say) {text}",
        "(<discard> | cut) {target} and (put | write | say) {text}",
    ),
    *each(
        _quoted,
        "<remove> {target} and (put | write | say) [in] {text}",
        "{target} replace [it | that] (with | by) {text}",
    ),
    Way("replace {target} {text}", when=_first_stands),
    Way("{target} change [it | that] (to | into) {text}", when=_called_or_quoted),
    Way("[just | only | simply | plain] {text:words} [and] not {target}", when=_a_part_of_it),
    Way("[it | that] (should | ought to) (be | say | read) {text}", when=_of_what_is_selected),
    Way("<wish> {text:words} (there | here) [instead]", when=_of_what_is_selected),
    Way("(overwrite | replace) [it | that] (with | by) {text}", when=_of_what_is_selected),
    Way("(change | turn) [it | that] (to | into) {text}", when=_of_what_is_selected),
    *each(_quoted_and_few, "(exchange | switch) {target} (for | with) {text}"),
    Way("turn {target} into {text}", when=_plain_and_few),
    Way("put {text:words} there [instead]", when=_of_what_is_selected),
    Way(
        "(<wish> | i'd rather have | i would rather have | i prefer | give me | use) {text:words}"
        " (instead | in its place) [of (that | it | this | those | them)]",
        when=_of_what_is_selected,
    ),
    *each(
        _said_to_be_wrong,
        "{target} is (wrong | not right) i (meant | said | want | wanted) {text}",
        "{target} is (wrong | not right) it (should (be | say | read) | is | must be) {text}",
        "{target} is (wrong | not right) (make it | put | change it to) {text}",
    ),
    *each(
        _of_a_kind,
        "<change> {target} [in] {text}",
        "for {target} (put | write | say) {text}",
        "(put | write | say) {text:words} for {target}",
        "{text:words} (instead of | in place of | rather than) {target}",
    ),
    *each(
        _by_letters,
        "spell {target} [as] {text}",
        "{target} (is | should be | must be) (spelt | spelled) {text}",
    ),
    example="replace the ferry with the boat",
    group="revising",
    destructive=True,
    when=fits_the_cell,
)
def replace_with(
    sitting: Sitting,
    text: tuple[str, ...],
    target: Places | None = None,
    sure: bool | None = None,
    exactly: bool = False,
) -> Done | Refusal:
    """Put other words in the place of a target.  The writing place stays where it is."""
    if target is None:
        target = Places((sitting.selection,) if sitting.selection else sitting.that)
    if sure is False:
        return Done(replace(sitting, question=None), "left as it is")
    if any(_of_several_cells(sitting, r) for r in target.ranges):
        return Refusal(
            "Words cannot take the place of several cells.", "", "Name one, or delete the table."
        )
    if sure is None and target.ranges == sitting.that and sitting.selection is None:
        # "Change that to monday", of a sentence just said, mends the day in it.
        found = mends(sitting.document, target.first, text) if len(target.ranges) == 1 else []
        if len(found) == 1 and sitting.document.count_words(target.first) > len(text) + 2:
            return mended(sitting, found[0].range, found[0].words)
    if sure is None and _of_much(sitting, target, text):
        return _whether(sitting, target, text, "all of it")
    old = sitting.document.text(target.first)
    ranges = target.ranges
    if target.unit is Unit.SENTENCE:
        ranges = tuple(without_stop(sitting.document, r, text) for r in ranges)
    if exactly:
        wrote = replace_range(sitting, target.first, text, exactly=True)
        return Done(wrote.sitting, f"{quoted(old)} is now {quoted(wrote.text)}")
    if len(ranges) == 1:
        sitting = taught_by(sitting, ranges[0], text, sure=sure is True)
    after, written = _replaced(sitting, ranges, text, said_again=sure is None)
    if sure and len(ranges) == 1 and after.that:
        after = put_right(sitting, ranges[0], after, after.that[0])
    count = f" in {many(len(target.ranges), 'place')}" if len(target.ranges) > 1 else ""
    return Done(after, f"{quoted(old)} is now {quoted(written)}{count}{near(target)}")


def _behind_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    """Where old words stand behind the first of some words, and the others of these."""
    found: list[tuple[Range, tuple[str, ...]]] = []
    for r in places(document, old):
        left = document.blocks[r.start.block].text[: r.start.offset]
        before = tuple(plain(word) for word in left.split())
        most = min(len(old) + _MORE_NEW, len(text) - _LEAST_SAME)
        for size in range(len(text) - 1, len(text) - 1 - most, -1):
            if before[-size:] == text[:size]:
                found.append((r, text[size:]))
                break
    return found


def _before_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    """Where old words stand before the last of some words, and the others of these.

    "Three maps not two": of one kind, or before as many words as are said behind others.
    """
    found = []
    for r in places(document, old):
        after = tuple(map(plain, document.blocks[r.end.block].text[r.end.offset :].split()))
        for size in range(1, len(text)):
            new = text[:size]
            alike = of_one_kind(new, old) or len(text) - size >= _LEAST_SAME
            if alike and size <= len(old) + 1 and after[: len(text) - size] == text[size:]:
                found.append((r, new))
                break
    return found


def _beside_the_same_words(
    document: Document, text: tuple[str, ...], old: tuple[str, ...]
) -> list[tuple[Range, tuple[str, ...]]]:
    behind = _behind_the_same_words(document, text, old)
    return behind or _before_the_same_words(document, text, old)


_LEAST_SAME, _MORE_NEW = 2, 3
"""Words before the old ones that must be said as well, and how many more the new ones may be."""


def _one_beside_the_same_words(sitting: Sitting, parse: Parse) -> bool:
    text, old = tuple(parse.args.get("text", ())), tuple(parse.args.get("old", ()))
    return len(_beside_the_same_words(sitting.document, text, old)) == 1


@command(
    Way("{text:words} where it says {old:words}", when=_one_beside_the_same_words),
    Way(
        "[(it should be | it's | it is | make it)] {text:words} ([and] not | rather than | instead"
        " of) {old:words}",
        when=_one_beside_the_same_words,
    ),
    heard=0,
    example="the stair has forty steps where it says thirty eight",
    group="revising",
    destructive=True,
)
def rather_than(sitting: Sitting, text: tuple[str, ...], old: tuple[str, ...]) -> Done | Refusal:
    """Put new words in the place of those that stand beside the same words as the new ones."""
    ((r, new),) = _beside_the_same_words(sitting.document, text, old)
    return replace_with(sitting, new, Places((r,)))


def _fuller(document: Document, text: tuple[str, ...]) -> Range | None:
    """The one place of the words of which some are said with a word or two more at an edge.

    "The old boat" for "the boat", or another number of the same: "three maps" for "two maps".
    """
    if len(text) > _LONGEST_FULLER or places(document, text):
        return None
    number = cardinal(text, 0)
    parts = [text[number[1] :]] if number and number[1] < len(text) else []
    parts += [part for n in (1, 2) for part in (text[n:], text[:-n]) if part]
    for part in parts:
        if set(part) <= LITTLE or {part[0], part[-1]} & PREPOSITIONS:
            continue
        found = places(document, part)
        if found:
            return found[0] if len(found) == 1 else None
    return None


_LONGEST_FULLER = 6


def _plainly_fuller(sitting: Sitting, parse: Parse) -> bool:
    """ "It should say old boat", where one boat stands."""
    text = tuple(parse.args.get("text", ()))
    plain_words = not set(text) & (VERBS | PARTS | SUBJECT_PRONOUNS)
    return plain_words and _fuller(sitting.document, text) is not None


def _of_another_number(sitting: Sitting, parse: Parse) -> bool:
    """ "It should be three maps", where two are; "it should be warm socks" may be a sentence."""
    text = tuple(parse.args.get("text", ()))
    number = cardinal(text, 0)
    if number is None or not _plainly_fuller(sitting, parse):
        return False
    r = _fuller(sitting.document, text)
    assert r is not None
    before = sitting.document.blocks[r.start.block].text[: r.start.offset].split()
    return bool(before) and kind_of((plain(before[-1]),)) == "number"


@command(
    Way("(it | that) (should | ought to | must) (say | read) {text:words}", when=_plainly_fuller),
    Way("make it (say | read) {text:words}", when=_plainly_fuller),
    *each(
        _of_another_number,
        "(it | that) (should | ought to | must) be {text:words}",
        "make (it | that) {text:words}",
    ),
    heard=0,
    example="it should say the harbour ferry",
    group="revising",
    destructive=True,
)
def fuller(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Say words of the page again with a word or two more, or with another number."""
    r = _fuller(sitting.document, text)
    assert r is not None
    return replace_with(sitting, text, Places((r,)))


@command(
    Way("{target} <shall> (become | be) {text}", when=_of_a_part),
    example="the last sentence should be we waited an hour",
    group="revising",
)
def should_be(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done:
    """Ask whether a part of the page is to be these words: it may be said of it in a letter."""
    return _whether(sitting, target, text, quoted(sitting.document.text(target.first)))


def _whether(sitting: Sitting, target: Places, text: tuple[str, ...], what: str) -> Done:
    question = Question.whether(
        "replacing.replace_with", "yes: replace it", "no: leave it", target=target, text=text
    )
    asked = f"replace {what} by “{' '.join(text)}”: “yes” or “no”?"
    return Done(replace(sitting, question=question), asked)


def what_instead(target: Places, others: Sequence[Alternative], earlier: int = 0) -> Question:
    """The question which of its alternatives takes the place of a target, beside other answers."""
    options = (
        Option(a.label, (("text", a.words), *((("exactly", True),) if a.exactly else ())))
        for a in others
    )
    args = {"target": target, "sure": True}
    return Question(
        "replacing.replace_with", args, tuple(options), beside=True, corrects=True, earlier=earlier
    )


@command(
    "<change> {target} (with | by | to | into | for) {text:words} <everywhere>",
    "<everywhere> <change> {target} (with | to | by | into) {text}",
    "(exchange | swap | switch) (every | all | each | any) [of] [the] {target} (for | with) {text}",
    "<change> (every | all | each | any) {target} (with | to | by | into) {text}",
    "<change> (every | all | each | any) [of] [the] <occurrence> {target} (with | to | by |"
    " into) {text}",
    "(wherever | everywhere | every time | each time) [(it (says | has | reads) | you (find | see"
    " | read) | there is | i (said | wrote))] {target} (put"
    " | write | say | make it | use | change (it | that) to | replace (it | that) with | it should"
    " (say | be | read)) {text}",
    Way("{target} to {text:words} <everywhere>", when=_words_there),
    Way(
        "(every | each | all [the]) {target} <shall> (be | say | read) {text:words}",
        when=_words_there,
    ),
    Way("{text:words} (for | instead of | in place of) {target} <everywhere>", when=_a_word_there),
    Way(
        "{target} (becomes | is now | <shall> be) {text:words} <everywhere>", when=_no_things_there
    ),
    example="replace the ferry with the boat everywhere",
    group="revising",
    destructive=True,
    every_place=True,
)
def replace_everywhere(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done | Refusal:
    """Put other words in every place where a target stands."""
    return replace_with(sitting, text, replace(target, ask=False))


def _replaced(
    sitting: Sitting, ranges: tuple[Range, ...], words: tuple[str, ...], said_again: bool = False
) -> tuple[Sitting, str]:
    """Replace from the last range to the first, so that those before keep their places."""
    if len(ranges) > _FEW:
        return replace_many(sitting, ranges, words)
    after, written = sitting, ""
    done: list[Range] = []
    for r in reversed(ranges):
        step = replace_range(after, r, words, said_again=said_again)
        edit = Edit(step.sitting.pending.steps[len(after.pending.steps) :])
        done = [m for d in done if (m := edit.moved_range(d))]
        done.append(step.range)
        after, written = step.sitting, step.text
    return after.about(sorted(done)), written
