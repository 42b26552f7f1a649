"""Capitals and small letters of words already written."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.when import is_selected, names_no_thing
from nimble_lantern.core.commands.wording import named, quoted
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.lexicon.closed import ARTICLES
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, That, Unit, Units, Words
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import named_as_written
from nimble_lantern.core.writing.capitals import capitalised, starts_sentence, title_case


def _each_word(text: str) -> str:
    return " ".join(capitalised(w) for w in text.split(" "))


def recased(sitting: Sitting, target: Places, change: Callable[[str], str]) -> Done:
    """Write every range anew with `change`, marks kept; a text may not change its length."""
    after = sitting
    for r in target.ranges:
        for b in range(r.start.block, r.end.block + 1):
            block = after.document.blocks[b]
            start = r.start.offset if b == r.start.block else 0
            end = r.end.offset if b == r.end.block else len(block.text)
            old = block.text[start:end]
            new = change(old)
            if len(new) != len(old) or new == old:
                continue
            spans = block.piece(start, end).spans
            edit = Edit((Splice(b, start, end, Piece(new, spans)),))
            inside = after.caret.block == b and start < after.caret.offset < end
            caret = after.caret
            after = after.edited(edit)
            if inside:
                after = after.placed(Position(*caret))
    after = after.about(Range(*r) for r in target.ranges)
    old = named(sitting.document, target.ranges)
    return Done(after, f"{old} is {quoted(after.document.text(target.first))} now")


def _several_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Make bee club start with capitals" is of each word; "make the items", of each item."""
    target = parse.args.get("target")
    return isinstance(target, Words) and len(target.words) > 1


def _a_word_or_part(sitting: Sitting, parse: Parse) -> bool:
    return not _several_words(sitting, parse)


@command(
    "(capitalise | capitalize) {target}",
    "(capitalise | capitalize) (every | each) word (of | in) {target}",
    "[initial] capitals (on | at the start of) {target}",
    "<make> {target} in capital letters at the start of (each | every) word",
    Way(
        "(make | have | let | <wish>) {target} [to] (start | begin) with (capitals |"
        " capital letters)",
        when=_several_words,
    ),
    "initial capitals for {target}",
    "give {target} [initial] capitals",
    "(put | add) capitals (on | to) {target}",
    "(write | put) {target} with [initial] capitals",
    "{target} (with | in) initial capitals",
    *frames.made("(capitalised | capitalized)"),
    "(every | each) word (of | in) {target} [<shall> (have | get | start with)] [with] a capital"
    " [letter]",
    "(put | add | give) [a] (capital | capitals) [letter] (on | to | for) (every | each) word (of |"
    " in) {target}",
    "(capitals | a capital) (on | for) (every | each) word (of | in) {target}",
    "give (every | each) word (of | in) {target} a capital [letter]",
    "(capitalise | capitalize) (every | each) word",
    Way(
        "(capitals | a capital) (on | for | at the start of) (every | each) word", when=is_selected
    ),
    example="capitalise the harbour board",
    group="revising",
)
def capitals(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Give every word of a target a capital: of what is selected, or was just said."""
    held = target or resolve(That(), sitting)
    if isinstance(held, Refusal):
        return held
    return recased(sitting, held, _each_word)


def _its_letter(sitting: Sitting, parse: Parse) -> bool:
    """ "Clothes needs a big c": the letter that the word begins with."""
    target, said = parse.args.get("target"), tuple(parse.args.get("letter", ()))
    word = target.words[-1] if isinstance(target, Words) else ""
    return len(said) == 1 and len(said[0].rstrip(".")) == 1 and word[:1] == said[0][0]


def _quoted(sitting: Sitting, parse: Parse) -> bool:
    """ "Saltmarsh begins with a capital", of a word that stands there; no thing is named."""
    return named_as_written(sitting.document, parse.args.get("target"))


def _not_by_all(sitting: Sitting, parse: Parse) -> bool:
    """ "Make it all capitals", right after something was said, is about all of its letters."""
    target = parse.args.get("target")
    everything = isinstance(target, Units) and target.unit is Unit.DOCUMENT and target.bare
    return not everything or not sitting.that


def _first_letter(text: str) -> str:
    return capitalised(text)


@command(
    *frames.given("(capital [letter] | initial capital | big letter)"),
    "give {target} capital letters",
    "(put | write) a capital (on | at the start of | at the beginning of) {target}",
    "(make | start | begin) {target} [(start | begin)] [with] a capital [letter]",
    "(make | have | let | <wish>) {target} [to] (start | begin) with a capital [letter]",
    Way(
        "(make | have | let | <wish>) {target} [to] (start | begin) with (capital letters |"
        " capitals)",
        when=_a_word_or_part,
    ),
    Way("{target} (begins | starts | is written) with a capital [letter]", when=_quoted),
    "{target} <shall> (have | get | start with | begin with | be given | take) a capital [letter]",
    "{target} (wants | needs | takes | gets) a capital [letter]",
    Way("[a] (big | capital) {letter:words} (on | for) {target}", when=_its_letter),
    Way("give {target} a (big | capital) {letter:words}", when=_its_letter),
    Way("make {target} capital", when=_quoted),
    "(make | set | write) the first letter of {target} [(in | as | into)] a capital [letter]",
    Way(
        "{target} (needs | wants | with | <shall> have) a (big | capital) {letter:words}",
        when=_its_letter,
    ),
    "(capitalise | capitalize) the first letter of {target}",
    "(uppercase | upper case) the first letter of {target}",
    "(put | have | write) the first letter of {target} in (capitals | a capital | upper case)",
    example="start the last sentence with a capital",
    group="revising",
)
def initial(sitting: Sitting, target: Places, letter: tuple[str, ...] = ()) -> Done:
    """Begin a target with a capital; of words in a sentence, those behind an article."""
    ranges = target.ranges
    if target.heard.split(" ")[0] in ARTICLES:
        ranges = tuple(_behind_the_article(sitting, r) for r in ranges)
    return recased(sitting, replace(target, ranges=ranges), _first_letter)


def _behind_the_article(sitting: Sitting, r: Range) -> Range:
    """ "The weir" of a sentence is "the Weir" with a capital."""
    first, _, rest = sitting.document.text(r).partition(" ")
    begins = starts_sentence(sitting.document.blocks[r.start.block].text[: r.start.offset])
    if first not in ARTICLES or not rest or begins:
        return r
    return Range(r.start._replace(offset=r.start.offset + len(first) + 1), r.end)


@command(
    *frames.made(
        "([all] [in] (capitals | caps | capital letters | (block | full) capitals | block letters"
        " | big letters) | [in] (upper case | uppercase))"
    ),
    "(all (capitals | caps) | (block | capital) letters | block capitals | big letters)"
    " (for | on) {target}",
    "capitals for {target}",
    Way(
        "all [in] (capitals | caps | [(block | big)] capital letters | upper case"
        " | block capitals)",
        when=is_selected,
    ),
    "(uppercase | upper case) {target}",
    "(capitalise | capitalize) (every letter (of | in) {target} | all of {target} | {target}"
    " completely)",
    example="make the title all capitals",
    group="revising",
    when=_not_by_all,
)
def upper(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Write a target in capitals throughout."""
    held = target or resolve(That(), sitting)
    if isinstance(held, Refusal):
        return held
    return recased(sitting, held, str.upper)


@command(
    *frames.made(
        "([all] [in] (lower case | lowercase | small letters | little letters | no capitals))"
    ),
    *frames.taken("(capital | capital letter | capitals | caps)"),
    "([all] (lower case | lowercase | small letters) | no capitals) [(for | on)] {target}",
    Way(
        "[a] (small | little | lower case) (letter | letters) (for | on) {target}",
        when=names_no_thing,
    ),
    "(decapitalise | uncapitalise | uncapitalize | decapitalize) {target}",
    "{target} with a small letter",
    "(write | spell | type | put | make) {target} with a (small | little) letter",
    Way(
        "{target} (needs | wants | with | <shall> have) a (small | little) {letter:words}",
        when=_its_letter,
    ),
    Way("[a] (small | little) {letter:words} (on | for) {target}", when=_its_letter),
    "{target} <should_not> have (a capital [letter] | capitals | a big letter)",
    "{target} <should_not> be [(in | all)] [all] (capitals | caps | capital letters | upper case)",
    example="make that lower case",
    group="revising",
)
def lower(sitting: Sitting, target: Places, letter: tuple[str, ...] = ()) -> Done:
    """Write a target in small letters throughout."""
    return recased(sitting, target, str.lower)


@command(
    *frames.made("[in] (title case | headline case | title style | (headline | title) capitals)"),
    "(title case | headline case) [(for | on)] {target}",
    "(every | each) word (in | of) {target} (starts | begins | <shall> (start | begin)) with a"
    " capital [letter]",
    "(<make> | write | start | begin | give) (every | each) word (in | of) {target} [with] (a"
    " capital [letter] | capitalised | capitalized)",
    "capitalise {target} (like | as) a (title | headline | heading)",
    example="make the last sentence title case",
    group="revising",
)
def title(sitting: Sitting, target: Places) -> Done:
    """Give a target a headline's capitals: all words but the small ones."""
    return recased(sitting, target, lambda text: capitalised(title_case(text)))
