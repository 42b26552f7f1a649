"""Marks and breaks said on their own, and words to be taken literally."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing import compose
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.rewriting import drop_last_mark, rewrite_last
from nimble_lantern.core.state import Done, Sitting


def _written(sitting: Sitting, words: str, said: str) -> Done:
    return Done(compose(sitting, words.split()).sitting, said)


@command("(new | next) line", "line break", "start a new line", example="new line", group="writing")
def new_line(sitting: Sitting) -> Done:
    """Begin a new line in the same paragraph."""
    return _written(sitting, "new line", "new line")


@command(
    "(new | next) paragraph",
    "start a new paragraph",
    "paragraph break",
    example="new paragraph",
    group="writing",
)
def new_paragraph(sitting: Sitting) -> Done:
    """Begin a new paragraph."""
    return _written(sitting, "new paragraph", "new paragraph")


@command("full stop", "period", "full point", example="full stop", group="writing")
def full_stop(sitting: Sitting) -> Done:
    """Put a full stop."""
    return _written(sitting, "full stop", "full stop")


@command("comma", example="comma", group="writing")
def comma(sitting: Sitting) -> Done:
    """Put a comma."""
    return _written(sitting, "comma", "comma")


@command("question mark", example="question mark", group="writing")
def question_mark(sitting: Sitting) -> Done:
    """Put a question mark."""
    return _written(sitting, "question mark", "question mark")


@command("literal {text}", example="literal full stop", group="writing")
def literal(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Write the next words as words, though they name a mark, a number or a command."""
    wrote = compose(sitting, ("literal", *text))
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}")


@command(
    "(as | in) (digits | figures | numerals)",
    "make (that | it) [into] (digits | figures)",
    example="as digits",
    group="repair",
)
def as_digits(sitting: Sitting) -> Done | Refusal:
    """Write the last number in digits."""
    return rewrite_last(sitting, "digits")


@command(
    "(as | in) words",
    "make (that | it) [into] words",
    example="as words",
    group="repair",
)
def as_words(sitting: Sitting) -> Done | Refusal:
    """Write the last number, or the name of the last mark, in words."""
    return rewrite_last(sitting, "words")


@command("as a (sign | mark | symbol)", example="as a sign", group="repair")
def as_sign(sitting: Sitting) -> Done | Refusal:
    """Write the last mark as its sign, where its name was written."""
    return rewrite_last(sitting, "sign")


@command("no (full stop | stop | period)", "take (off | away) the (stop | mark)", example="no stop",
         group="repair")  # fmt: skip
def no_stop(sitting: Sitting) -> Done | Refusal:
    """Take away the mark just before the writing place."""
    return drop_last_mark(sitting)
