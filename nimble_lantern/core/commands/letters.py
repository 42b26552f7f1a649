"""The parts of a letter by what they are to say: its greeting, its closing, its subject."""

from __future__ import annotations

from nimble_lantern.core.commands import marks
from nimble_lantern.core.commands.replacing import replace_with
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.model import Document, Kind, Range
from nimble_lantern.core.document.units import block_range, dated
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each, rule
from nimble_lantern.core.lexicon.closed import (
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.names import GIVEN, KNOWN_NAMES
from nimble_lantern.core.lexicon.sentences import CLOSINGS, TITLES, VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.letter import foot, greeting
from nimble_lantern.core.targets.model import OfLetter, Places
from nimble_lantern.core.targets.resolve import resolve

_IT = "(it | this | that | the <writing>)"
_GREETING = "(the | my) (greeting | salutation | opening)"
_CLOSING = "(the | my) (closing | ending | sign off | valediction | closing words)"
_LONGEST_NAME = 6


@rule("a_greeting", "dear {words}", heard=False)
def _dear(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return ("dear", *words) if len(words) <= _LONGEST_NAME else None


@rule("a_greeting", "hello {words}", heard=False)
def _hello(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return ("hello", *words) if len(words) <= _LONGEST_NAME else None


@rule("a_closing", "{words}", heard=False)
def _closing_words(words: tuple[str, ...]) -> tuple[str, ...] | None:
    whole = ("with", *words)  # "end it with love"
    return words if words in CLOSINGS else whole if whole in CLOSINGS else None


@rule("closing_and_name", "{words}", heard=False)
def _closing_and_name(words: tuple[str, ...]) -> tuple[tuple[str, ...], tuple[str, ...]] | None:
    """ "Yours faithfully ida marlowe"."""
    size = max((len(c) for c in CLOSINGS if words[: len(c)] == tuple(c)), default=0)
    named = 0 < len(words) - size <= _LONGEST_NAME and (LITTLE | VERBS).isdisjoint(words[size:])
    return (words[:size], words[size:]) if size and named else None


def _is_one(sitting: Sitting, parse: Parse) -> bool:
    """A letter, or nothing yet: "make it hello" is of neither."""
    document = sitting.document
    return greeting(document) is not None or not document.text(document.whole).strip()


def _says_something(sitting: Sitting, parse: Parse) -> bool:
    return not sitting.document.whole.empty


def _is_closed(sitting: Sitting, parse: Parse) -> bool:
    return isinstance(resolve(OfLetter("closing"), sitting), Places)


def _not_closed_yet(sitting: Sitting, parse: Parse) -> bool:
    """ "Finish with kind regards", of a letter that has no closing words yet."""
    return not sitting.document.whole.empty and foot(sitting.document) is None


def _greets(sitting: Sitting, parse: Parse) -> bool:
    """Somebody by name or by title, in a letter: "address it to the board" tells no name."""
    text = tuple(parse.args.get("text", ("it",)))
    named = text[0] not in DETERMINERS | LITTLE | PREPOSITIONS and len(text) <= _LONGEST_NAME
    telling = not VERBS.isdisjoint(text) and text[0] not in TITLES
    return named and not telling and greeting(sitting.document) is not None


def _to_somebody(sitting: Sitting, parse: Parse) -> bool:
    """ "It's to mrs tait", of a letter to somebody else; "it's to be hoped" goes on."""
    return tuple(parse.args.get("text", ("it",)))[0] in TITLES and _greets(sitting, parse)


def _ways(begins: str, with_it: str, kind: str) -> tuple[str, ...]:
    """What a letter itself is told to begin or to end with."""
    return (
        f"(make | have | let) {_IT} [(say | read | {begins} {with_it})] {{text:{kind}}} [instead]",
        f"{begins} {_IT} [off] {with_it} {{text:{kind}}} [instead]",
        f"[then] {_IT} <shall> {begins} {with_it} {{text:{kind}}}",
    )


def _part_ways(part: str, kind: str) -> tuple[str, ...]:
    """What one of its parts is told to be."""
    return (
        f"(make | have | let) {part} [(say | read | be)] {{text:{kind}}} [instead]",
        f"<change> {part} (to | into) {{text:{kind}}}",
        f"{part} <shall> (be | say | read) {{text:{kind}}}",
    )


_BEGIN, _END = "(begin | start | open)", "(end | close | finish | conclude)"


@command(
    *each(
        _is_one,
        *_ways(_BEGIN, "[with]", "a_greeting"),
        f"{_BEGIN} with {{text:a_greeting}} [instead]",
    ),
    *_part_ways(_GREETING, "a_greeting"),
    example="the greeting should be dear mrs quince",
    group="revising",
    heard=0,
)
def greet(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Make the greeting of a letter these words, or begin with one."""
    there = greeting(sitting.document)
    if there is None:
        r, before = _at_the_head(sitting.document)
        return _own_line(sitting, r, (*text, "comma"), before)
    mark = sitting.document.text(there)[-1:] in (",", "!", ":", ".")
    end = there.end._replace(offset=there.end.offset - mark)
    return replace_with(sitting, text, Places((Range(there.start, end),)))


def _at_the_head(document: Document) -> tuple[Range, bool]:
    """The block that a greeting goes beside, and whether before it: below a date that stands by
    itself, else below a title, else above everything."""
    date = next((b for b, block in enumerate(document.blocks) if dated(block)), None)
    if date is not None:
        return block_range(document, date), False
    return block_range(document, 0), document.blocks[0].kind is not Kind.HEADING


def _own_line(sitting: Sitting, r: Range, text: tuple[str, ...], before: bool) -> Done:
    if not sitting.document.text(sitting.document.whole).strip():
        wrote = compose(sitting, text)
    else:
        wrote = insert_beside(sitting, r, text, before, True)
    return Done(wrote.sitting, f"added {quoted(wrote.text)}")


@command(
    Way(f"(address | write) {_IT} to {{text}} [instead]", when=_greets),
    Way("(it is | it's) to {text}", when=_to_somebody),
    example="address it to mrs quince",
    group="revising",
    heard=0,
)
def address_to(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Greet somebody else in a letter."""
    return greet(sitting, ("dear", *text))


@command(
    *each(
        _says_something,
        "(end | close | finish | sign off) [(it | this | the letter)] [off] [with]"
        " {both:closing_and_name}",
    ),
    example="close with yours faithfully ida marlowe",
    group="revising",
    heard=0,
)
def close_and_sign(
    sitting: Sitting, both: tuple[tuple[str, ...], tuple[str, ...]]
) -> Done | Refusal:
    """End a letter with these closing words and this name below them."""
    closed = close(sitting, both[0])
    if isinstance(closed, Refusal):
        return closed
    name = resolve(OfLetter("signature"), closed.sitting)
    if isinstance(name, Places):
        return replace_with(closed.sitting, both[1], name)
    wrote = compose(closed.sitting, ("new", "paragraph", *both[1]))
    return Done(wrote.sitting, f"{closed.summary}; wrote {quoted(wrote.text.strip())}")


@command(
    *each(
        _says_something,
        *_ways(_END, "[(with | as)]", "a_closing"),
        "(end | close | sign off | sign it off) [(with | as)] {text:a_closing} [instead]",
    ),
    *each(_is_closed, *_part_ways(_CLOSING, "a_closing")),
    Way("finish with {text:a_closing}", when=_not_closed_yet),
    example="end it with kind regards",
    group="revising",
    heard=0,
)
def close(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Make the closing words of a letter these, or end it with them."""
    there = resolve(OfLetter("closing"), sitting)
    if isinstance(there, Places):
        mark = sitting.document.text(there.first)[-1:] == ","
        r = there.first
        end = r.end._replace(offset=r.end.offset - mark)
        return replace_with(sitting, text, Places((Range(r.start, end),)))
    greets = greeting(sitting.document)
    alike = greets is not None and sitting.document.text(greets).rstrip().endswith(",")
    wrote = compose(sitting, (*text, "comma") if alike else text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}")


def _signed_as(sitting: Sitting, parse: Parse) -> bool:
    """ "Sign it as the lamp committee", where a letter is closed; "as soon as you can" tells
    when."""
    text = tuple(parse.args.get("text", ("it",)))
    telling = (LITTLE | PREPOSITIONS | VERBS | SUBJECT_PRONOUNS) & set(text[text[0] == "the" :])
    named = not telling - {"and", "of"} and len(text) <= _LONGEST_NAME
    return named and isinstance(resolve(OfLetter("closing"), sitting), Places)


def _signs(sitting: Sitting, parse: Parse) -> bool:
    """A name alone: "sign it olga"; "sign it here", "sign it before friday" tell of none."""
    text = tuple(parse.args.get("text", ("it",)))
    known = text[0] in GIVEN | KNOWN_NAMES or text[0] in TITLES or len(text[0]) == 1
    return known and _signed_as(sitting, parse)


@command(
    Way(f"sign {_IT} [off] {{text}}", when=_signs),
    *each(
        _signed_as,
        f"sign {_IT} [off] (as | with | from) {{text}}",
        "sign as {text}",
        "(the signature | my name at the (end | bottom)) <shall> be {text}",
        "make (the signature | my name at the (end | bottom)) {text}",
    ),
    example="sign it olga penrose",
    group="revising",
    heard=0,
)
def sign(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Put a name below the closing words of a letter, in the place of the one there."""
    there = resolve(OfLetter("signature"), sitting)
    if isinstance(there, Places):
        return replace_with(sitting, text, Places((there.first,)))
    closing = resolve(OfLetter("closing"), sitting)
    if isinstance(closing, Refusal):
        return closing
    return _own_line(sitting, block_range(sitting.document, closing.first.end.block), text, False)


def _says_what(sitting: Sitting, parse: Parse) -> bool:
    text = tuple(parse.args.get("text", ("of",)))
    return text[0] not in PREPOSITIONS and greeting(sitting.document) is not None


@command(
    *each(
        _says_what,
        "(add | put [in] | write | insert | give it | <wish>) (a | the) subject [line]"
        " [(saying | that says | reading | of)] {text}",
        "the subject [line] <shall> (be | say | read) {text}",
    ),
    example="add a subject line broken street lamp",
    group="revising",
    heard=0,
)
def subject(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Write what a letter is about in bold, on a line of its own below its greeting."""
    there = greeting(sitting.document)
    if there is None:
        return Refusal("A subject stands below a greeting, and there is none.")
    wrote = insert_beside(sitting, there, text, False, True)
    after = marks.marked(wrote.sitting, (wrote.range,), ("bold",))
    return Done(after, f"added {quoted(wrote.text)}")
