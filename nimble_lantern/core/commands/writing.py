"""Marks and breaks said on their own, and words to be taken literally."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command
from nimble_lantern.core.rewriting import drop_last_mark, rewrite_last
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.writing.lexer import Manner, special


def _written(sitting: Sitting, words: str, said: str) -> Done:
    return Done(compose(sitting, words.split()).sitting, said)


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
def new_line(sitting: Sitting) -> Done:
    """Begin a new line in the same paragraph."""
    return _written(sitting, "new line", "new line")


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
    example="new paragraph",
    group="writing",
    in_text=True,
)
def new_paragraph(sitting: Sitting) -> Done:
    """Begin a new paragraph."""
    return _written(sitting, "new paragraph", "new paragraph")


@command(
    "full stop",
    "period",
    "full point",
    "(add | insert | put [in] | write | type) a (full stop | period)",
    example="full stop",
    group="writing",
    in_text=True,
)
def full_stop(sitting: Sitting) -> Done:
    """Put a full stop."""
    return _written(sitting, "full stop", "full stop")


@command(
    "comma",
    "(add | insert | put [in] | write | type) a comma",
    example="comma",
    group="writing",
    in_text=True,
)
def comma(sitting: Sitting) -> Done:
    """Put a comma."""
    return _written(sitting, "comma", "comma")


@command(
    "question mark",
    "(add | insert | put [in] | write | type) a question mark",
    example="question mark",
    group="writing",
    in_text=True,
)
def question_mark(sitting: Sitting) -> Done:
    """Put a question mark."""
    return _written(sitting, "question mark", "question mark")


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


@command(
    "(as | in) (digits | figures | numerals)",
    "make (that | it) [into] (digits | figures)",
    example="as digits",
    group="repair",
    in_text=True,
)
def as_digits(sitting: Sitting) -> Done | Refusal:
    """Write the last number in digits."""
    return rewrite_last(sitting, "digits")


@command(
    "(as | in) words",
    "make (that | it) [into] words",
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
