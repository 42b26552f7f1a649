"""Marks and breaks said on their own, and words to be taken literally."""

from __future__ import annotations

from nimble_lantern.core.commands import inserting
from nimble_lantern.core.commands.inserted import goes_on_with_that
from nimble_lantern.core.commands.when import last_command
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.emptying import left_here, too_many
from nimble_lantern.core.composing.starting import paragraph_at
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Kind, Piece
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import AUXILIARIES
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.rewriting import drop_last_mark, rewrite_last
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.writing.lexer import Manner, special
from nimble_lantern.core.writing.persons import a_full_name


def _written(sitting: Sitting, words: str, said: str) -> Done:
    return Done(compose(sitting, words.split()).sitting, said)


def _marked(sitting: Sitting, words: str) -> Done | Refusal:
    """A mark where the writing goes on; behind what is selected, unless that is a mark itself."""
    held = sitting.selection
    if held is None or not sitting.fresh or not any(map(str.isalnum, sitting.document.text(held))):
        return _written(sitting, words, words)
    return inserting.insert_after(sitting, tuple(words.split()), Places((held,)))


def _broken(sitting: Sitting, words: str) -> Done | Refusal:
    """A break where the writing goes on; before what is selected, which stays."""
    held = sitting.selection
    if held is None or held.empty or not sitting.fresh:
        return _written(sitting, words, words)
    at = held.start
    left = sitting.document.blocks[at.block].text[: at.offset].rstrip(" ")
    if not left or left.endswith("\n"):
        return Refusal("What is selected begins one already.", "", "“Select nothing” lets go.")
    if words == _LINE:
        gap = Splice(at.block, len(left), at.offset, Piece("\n"))
        return Done(sitting.edited(Edit((gap,))), words)
    after, _ = paragraph_at(sitting, at)
    return Done(after, words)


_LINE, _PARAGRAPH = "new line", "new paragraph"


@command(
    "(new | next) line",
    "line break",
    "<begin> a [new] (line | line break)",
    "<begin> [a] new line [here]",
    "go to a new line",
    "break (the | this) line [here]",
    "(a | another) new line",
    example="new line",
    group="writing",
    in_text=True,
)
def new_line(sitting: Sitting) -> Done | Refusal:
    """Begin a new line in the same paragraph."""
    return _broken(sitting, _LINE)


@command(
    "(new | next) paragraph",
    "<begin> a [new] (paragraph | paragraph break)",
    "<begin> [a] new paragraph [here]",
    "[(<begin> | <wish>)] (a | another | the next) [(new | fresh)] para [here]",
    "[a] (new | fresh) para [here]",
    "<begin> (another | a fresh | the next) paragraph [here]",
    "break (the | this) paragraph here",
    "(break | split) [(it | this | the paragraph | this paragraph)] [in two] here",
    "(let's have | a | another) new paragraph [here]",
    "another paragraph",
    "paragraph break",
    "[<begin>] [a] (new | next | another) (verse | stanza)",
    example="new paragraph",
    group="writing",
    in_text=True,
)
def new_paragraph(sitting: Sitting) -> Done | Refusal:
    """Begin a new paragraph."""
    return _broken(sitting, _PARAGRAPH)


_ON_THE_NEXT_LINE = "on (the next | a new | the following | a separate) line"
_FEW_FOR_A_LINE = 6


def _not_on_the_page(sitting: Sitting, parse: Parse) -> bool:
    """Words to be written; those that stand there get a line of their own, and so has the date."""
    text = tuple(parse.args.get("text", ()))
    return text[-1:] not in _MOMENTS and not exact(sitting.document, text)


_MOMENTS = (("date",), ("time",))


def _a_name(sitting: Sitting, parse: Parse) -> bool:
    """ "And underneath Hester Thackeray"; "and underneath the table" goes on."""
    text = tuple(parse.args.get("text", ()))
    there = sitting.document.blocks[sitting.writing_place.block].text.lower().rstrip(" ,.")
    signs = len(text) <= _LONGEST_NAME and there.endswith(_CLOSED_WITH)
    return a_full_name(text) or text in _CLOSINGS or signs


_CLOSINGS = tuple(
    tuple(said.split())
    for said in (
        "yours sincerely", "yours faithfully", "yours truly", "kind regards", "best wishes",
        "with love", "with best wishes", "love from", "many thanks", "with kind regards",
    )
)  # fmt: skip
_CLOSED_WITH = tuple(" ".join(words) for words in _CLOSINGS)
_LONGEST_NAME = 3


def _names_no_doing(sitting: Sitting, parse: Parse) -> bool:
    """ "By ida marlowe on the next line"; "the answer is on the next line" tells."""
    text = tuple(parse.args.get("text", ()))
    told = not VERBS.isdisjoint(text) or not AUXILIARIES.isdisjoint(text)
    told = told or text[:1] in (("of",), ("from",))
    return not told and len(text) <= _FEW_FOR_A_LINE and _not_on_the_page(sitting, parse)


@command(
    Way(f"<put> {{text:words}} {_ON_THE_NEXT_LINE}", when=_not_on_the_page),
    Way(f"{{text:words}} {_ON_THE_NEXT_LINE}", when=_names_no_doing),
    Way(f"{_ON_THE_NEXT_LINE} {{text}}", when=_names_no_doing),
    *each(
        _a_name,
        "[and] [then] (underneath | beneath | below) [(that | it | this)] {text}",
        "[and] [then] under (that | it | this) {text}",
        "[and] [then] {text:words} (underneath | beneath | below) [(that | it | this)]",
        "[and] [then] {text:words} on (its | a line of its) own [line]",
    ),
    Way(f"{_ON_THE_NEXT_LINE} (<put> | i want | i'd like) {{text}}", when=_not_on_the_page),
    example="on the next line put with love",
    group="writing",
    heard=0,
)
def line_with(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Begin a new line with these words; below a heading, a paragraph."""
    flows = sitting.document.blocks[sitting.writing_place.block].kind is not Kind.HEADING
    wrote = compose(sitting, ("new", "line" if flows else "paragraph", *text))
    return Done(wrote.sitting, f"a new line: {quoted(wrote.text.strip())}")


_JOINING = frozenset("and but or because so which who although though when while".split())


def _goes_on(sitting: Sitting, parse: Parse) -> bool:
    """ "Add and they were cold" goes on with the sentence; "add and stir" is one of a recipe."""
    text = tuple(parse.args.get("text", ()))
    tells = not AUXILIARIES.isdisjoint(text[1:])
    if not tells and goes_on_with_that(sitting, parse):
        return False  # "and the sail" belongs before the stop
    telling = not VERBS.isdisjoint(text[1:]) or tells
    return len(text) > 2 and text[0] in _JOINING and telling


def _in_place_of_what_went(sitting: Sitting, parse: Parse) -> bool:
    """ "Put instead i'm keeping busy", where something was just taken out."""
    last = last_command(sitting)
    return last is not None and last.traits.destructive and bool(sitting.trail[-1].made)


@command(
    Way("(add | put | write) [on] {text}", when=_goes_on),
    Way("(put | say | write) instead {text}", when=_in_place_of_what_went),
    example="add and they were cold",
    group="writing",
    writes=True,
    heard=0,
)
def go_on(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Go on with the sentence, as if nothing but its words had been said."""
    wrote = compose(sitting, text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}")


_BLANK = "(blank | empty | clear)"
_FOR = "(here | there | for (a | the | my | our) (signature | signatures | name | stamp))"


@command(
    f"(leave | give me) (a | one) [{_BLANK}] (line | gap | space) [{_FOR}]",
    f"(i need | make) (a | one) {_BLANK} (line | space) [{_FOR}]",
    "(skip | miss) (a | one) line",
    f"(leave | give me | skip | miss) {{number}} [{_BLANK}] lines [{_FOR}]",
    f"(i need | make) {{number}} {_BLANK} lines [{_FOR}]",
    "{number} (blank | empty) lines",
    "(leave | give me | i need | make | skip | miss) {number} [(blank | empty | clear)] lines"
    " [(here | there | for (a | the | my | our) (signature | signatures | name | stamp))]",
    example="leave three lines",
    group="writing",
    heard=1,
)
def gap(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Leave lines empty before the next words."""
    if refused := too_many(number):
        return refused
    if number == 1:
        return _broken(sitting, _PARAGRAPH)
    return Done(left_here(sitting, number), f"left {number} lines")


@command(
    "full stop",
    "period",
    "full point",
    "(add | insert | put [in] | write | type) a (full stop | period) [here]",
    "[(a | the)] (full stop | period) here",
    example="full stop",
    group="writing",
    in_text=True,
)
def full_stop(sitting: Sitting) -> Done | Refusal:
    """Put a full stop."""
    return _marked(sitting, "full stop")


@command(
    "comma",
    "(add | insert | put [in] | write | type) a comma [here]",
    "[(a | the)] comma here",
    example="comma",
    group="writing",
    in_text=True,
)
def comma(sitting: Sitting) -> Done | Refusal:
    """Put a comma."""
    return _marked(sitting, "comma")


@command(
    "question mark",
    "(add | insert | put [in] | write | type) a question mark [here]",
    "[(a | the)] question mark here",
    example="question mark",
    group="writing",
    in_text=True,
)
def question_mark(sitting: Sitting) -> Done | Refusal:
    """Put a question mark."""
    return _marked(sitting, "question mark")


def _names_something(sitting: Sitting, parse: Parse) -> bool:
    """Whether "literal" is said to the desk, and is not itself a word of the text.

    "Literal full stop" is, and "literal bold the tide"; "literal meaning" is not.
    """
    rest = parse.args["text"]
    return special(rest, 0, Manner()) > 0 or bool(CATALOGUE.parses(rest))


@command(
    "literal {text}",
    example="literal full stop",
    group="writing",
    when=_names_something,
    in_text=True,
    writes=True,
)
def literal(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Write the next words as words, though they name a mark, a number or a command."""
    named = special(text, 0, Manner()) > 0
    wrote = compose(sitting, ("literal", *text) if named else text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}")


def _has_a_choice(sitting: Sitting, parse: Parse) -> bool:
    return bool(sitting.choices)


@command(
    "(as | in) (digits | figures | numerals)",
    "as a (digit | figure | numeral)",
    "make (that | it) [into] (digits | figures)",
    Way(
        "[(no | sorry)] i (meant | mean | wanted | want) (the | a) (digit | figure | numeral |"
        " number)",
        when=_has_a_choice,
    ),
    "[(no | sorry)] [(i | it)] [(meant | mean | want | wanted)] [(as | in)] (the | a) (digit |"
    " figure | numeral | number) not [(as | in)] (the | a) word",
    "[(no | sorry)] not [(as | in)] (the | a) word [but] [(as | in)] (the | a) (digit | figure |"
    " numeral | number)",
    example="as digits",
    group="repair",
    in_text=True,
)
def as_digits(sitting: Sitting) -> Done | Refusal:
    """Write the last number in digits."""
    return rewrite_last(sitting, "digits")


@command(
    "(as | in) words",
    "as a word",
    "make (that | it) [into] words",
    Way("[(no | sorry)] i (meant | mean | wanted | want) (the | a) word", when=_has_a_choice),
    "[(no | sorry)] [(i | it)] [(meant | mean | want | wanted)] [(as | in)] (the | a) word not"
    " [(as | in)] (the | a) (digit | figure | numeral | number)",
    "[(no | sorry)] not [(as | in)] (the | a) (digit | figure | numeral | number) [but]"
    " [(as | in)] (the | a) word",
    example="as words",
    group="repair",
    in_text=True,
)
def as_words(sitting: Sitting) -> Done | Refusal:
    """Write the last number, or the name of the last mark, in words."""
    return rewrite_last(sitting, "words")


@command("as a (sign | mark | symbol)", example="as a sign", group="repair", in_text=True)
def as_sign(sitting: Sitting) -> Done | Refusal:
    """Write the last mark as its sign, where its name was written."""
    return rewrite_last(sitting, "sign")


@command("no (full stop | stop | period)", "take (off | away) the (stop | mark)", example="no stop",
         group="repair", in_text=True)  # fmt: skip
def no_stop(sitting: Sitting) -> Done | Refusal:
    """Take away the mark just before the writing place."""
    return drop_last_mark(sitting)
