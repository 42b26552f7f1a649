"""The spelling tray: a word said letter by letter, in one breath or in many."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.when import last_command
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.replacing import a_name, replace_range
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.mending.knowing import own_words, spoken_words, taught_by
from nimble_lantern.core.mending.letters import counted
from nimble_lantern.core.mending.tray import Tray, completions, letters_told, one_letter
from nimble_lantern.core.reading.hearing import Might
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places, Words, of_the_page
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.capitals import capitalised

CATALOGUE.table("spelledkind", {"word": False, "name": True})
_MOST_WORDS = 4
"""Of a target that is spelled: more is said again, not spelled."""
_FEW_WORDS = 2
"""That name a place to be spelled: more are a sentence that begins with "spell"."""


def _spelling(sitting: Sitting, parse: Parse) -> bool:
    return sitting.tray is not None


def _spelling_still(sitting: Sitting, parse: Parse) -> bool:
    """Whether a word is spelled, or the last one was just finished: "that is it" said twice."""
    made = last_command(sitting)
    just = made is not None and made.traits.spells and sitting.selection is None
    return sitting.tray is not None or just


def _something_to_spell(sitting: Sitting, parse: Parse) -> bool:
    """ "Spell it" is meant for the desk where something is selected, corrected or just written."""
    return sitting.tray is None and (sitting.selection is not None or bool(sitting.that))


def _of_the_page(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    if isinstance(target, Words) and not target.called and target.order is None:
        few = len(target.words) <= _FEW_WORDS and sitting.tray is None
        return few and bool(places(sitting.document, target.words))
    ordered = isinstance(target, Words) and (target.called or target.order is not None)
    return sitting.tray is None and (ordered or of_the_page(target))


def _writing(sitting: Sitting, parse: Parse) -> bool:
    return sitting.tray is None


def _named(sitting: Sitting, text: tuple[str, ...]) -> str:
    said = " ".join(text)
    options = sitting.question.options if sitting.question is not None else ()
    return next((o.label for o in options if o.label.lower() == said), "")


def _offered(sitting: Sitting, parse: Parse) -> bool:
    return sitting.tray is not None and bool(_named(sitting, parse.args.get("text", ())))


def _names_letter(sitting: Sitting, parse: Parse) -> bool:
    return sitting.tray is not None and bool(one_letter(parse.args.get("text", ())))


def _names_letters(sitting: Sitting, parse: Parse) -> bool:
    return sitting.tray is not None and bool(letters_told(parse.args.get("text", ())))


def _begun(sitting: Sitting, place: Range | None, name: bool = False) -> Done:
    heard = spoken_words(sitting.document.text(place)) if place is not None else ()
    selected = replace(sitting, selection=place, fresh=True) if place is not None else sitting
    tray = Tray("", place, heard, name=name)
    stands = f" {quoted(sitting.document.text(place))}" if place is not None else ""
    what = f"spell{stands}: say its letters, then “that is it”"
    return Done(replace(selected, tray=tray, question=None), what)


@command(
    Way("[let me | i will | i'll] spell (it | that | this) [for me]",
        when=_something_to_spell),
    Way("[let me | i will | i'll] spell [out] {target}", when=_of_the_page),
    example="spell the last word",
    group="repair",
    corrects=True,
)  # fmt: skip
def spell(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Spell what is being corrected, is selected or was just written, letter by letter."""
    asked = sitting.question
    if target is not None:
        if len(target.ranges) > 1:
            return Refusal("Only one place can be spelled at a time.", "", "Name one of them.")
        return _checked(sitting, target.first)
    if asked is not None and asked.corrects:
        return _checked(sitting, asked.args["target"].first)
    if sitting.selection is not None and not sitting.selection.empty:
        return _checked(sitting, sitting.selection)
    if sitting.that and (words := list(units.within(sitting.document, "word", sitting.that[-1]))):
        # Of several just written it is the last, unless they are somebody's name.
        named = len(words) <= _MOST_WORDS and a_name(sitting.document, sitting.that[-1])
        return _checked(sitting, sitting.that[-1] if named or len(words) == 1 else words[-1])
    return _begun(sitting, None)


@command(
    Way("[let me | i will | i'll | i want to] spell [out] [(a | the next | one)]"
        " {name:spelledkind}",
        when=_writing),
    Way("(begin | start) spelling [[(a | the next)] {name:spelledkind}]", when=_writing),
    Way("spelling (on | mode | tray)", when=_writing),
    Way("let me spell", when=_writing),
    example="spell a word",
    group="repair",
)  # fmt: skip
def spell_word(sitting: Sitting, name: bool = False) -> Done:
    """Say a new word letter by letter, where the writing stopped or in place of a selection.

    A name begins with a capital.
    """
    return _begun(sitting, None, name)


def _checked(sitting: Sitting, r: Range) -> Done | Refusal:
    words = len(sitting.document.text(r).split())
    if r.start.block != r.end.block or words > _MOST_WORDS:
        return Refusal(
            f"That is {words} words, too many to spell.", "", "Name a word: “spell the last word”."
        )
    return _begun(sitting, r)


LETTERS = "spelling.spell_word"
"""What the trail calls it when letters are said."""


def spelled_on(sitting: Sitting, letters: str, might: Sequence[Might] = ()) -> Done:
    """With more letters in the tray; `might` is what each may be, by its sound."""
    assert sitting.tray is not None
    own = own_words(sitting) if any(might) else ()
    return _shown(sitting, sitting.tray.more(letters, might, own, sitting.letters_known))


def _shown(sitting: Sitting, tray: Tray) -> Done:
    """With the tray as it is now, and the words that its letters begin."""
    found = completions(tray, own_words(sitting), sitting.letters_known)
    options = tuple(Option(word, (("word", word),)) for word in found)
    question = Question("spelling.take", {}, options, beside=True) if options else None
    after = replace(sitting, tray=tray, question=question)
    return Done(after, f"spelled {quoted(tray.letters)}" if tray.letters else "no letters yet")


@command(
    "(the word is | it is | it's) {text}",
    example="the word is ferry",
    group="repair",
    when=_offered,
    keeps_question=True,
    spells=True,
)
def take(sitting: Sitting, text: tuple[str, ...] = (), word: str = "") -> Done | Refusal:
    """Take one of the words that the letters begin."""
    return _placed(sitting, word or _named(sitting, text))


@command(
    "that is it",
    "that's it",
    "that is (all | right | the word)",
    "(done | finished | enter | accept | take it | use it)",
    "(end | stop | leave | finish) spelling",
    "(i am | i'm) (done | finished)",
    "spelling off",
    example="that is it",
    group="repair",
    when=_spelling_still,
    spells=True,
    keeps_question=True,
)
def finish(sitting: Sitting) -> Done | Refusal:
    """Put the spelled word in its place, and go on writing."""
    if sitting.tray is None:
        return Done(sitting, "the word is written already")
    if not sitting.tray.letters.strip():
        return Refusal("Nothing is spelled yet.", "", "Say letters, or “cancel”.")
    return _placed(sitting, sitting.tray.letters.strip())


def _placed(sitting: Sitting, word: str) -> Done:
    """A spelled word written where it belongs, with the capitals it is known by."""
    tray = sitting.tray
    assert tray is not None
    word = _known_form(sitting, word)
    known = tray.teaches(sitting.letters_known, word)
    bare = replace(sitting, tray=None, question=None, letters_known=known)
    if tray.place is None:
        at = bare.writing_place
        r = Range(at, at)
        if bare.selection is not None and bare.fresh:
            r = bare.selection
    else:
        r = tray.place
        if bare.document.text(r)[:1].isupper():
            word = capitalised(word)
        bare = taught_by(bare, r, spoken_words(word), sure=True)
    wrote = replace_range(replace(bare, selection=None, fresh=False), r, (word,), exactly=True)
    after = wrote.sitting
    if tray.place is None:
        after = replace(after, caret=wrote.range.end, wrote=wrote.range.end, insertion=None)
    tip = "" if sitting.word_book.find(spoken_words(word)) else "; “learn this word” keeps it"
    return Done(after, f"{quoted(wrote.text)} is written as spelled{tip}")


def _known_form(sitting: Sitting, word: str) -> str:
    """How the word book or the document writes it, where it was spelled in small letters."""
    if not word.islower():
        return word
    own = {w.lower(): w for w in own_words(sitting)}
    found = own.get(word)
    in_book = word in (w.lower() for w in sitting.word_book.written)
    names = sitting.names.follow(sitting.document.blocks).match((word,), 0)
    return found if found is not None and (in_book or names) else word


@command(
    "(back | go back) [one] [letter]",
    "(delete | take back | remove | scratch | cross out) [(that | the last)] [one] [letter]",
    "[(go)] back {number} [letters]",
    "(delete | take back | remove) the last {number} [letters]",
    "(backspace | rub out) [{number}]",
    example="back one",
    group="repair",
    when=_spelling,
    spells=True,
)
def back(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Take the last letter back, or several."""
    assert sitting.tray is not None
    return _shown(sitting, sitting.tray.without_last(number))


@command(
    "(start | begin) (again | over) [from the (start | beginning)]",
    "clear [(it | that | the tray | all [of it] | everything)]",
    "(delete | take back) (all [of it] | everything | all [the] letters)",
    example="start again",
    group="repair",
    when=_spelling,
    spells=True,
)
def restart(sitting: Sitting) -> Done:
    """Take all letters back, and go on spelling."""
    assert sitting.tray is not None
    return _shown(sitting, sitting.tray.spelling("", ()))


@command(
    "(undo | take back) [(that | it | this)] [please]",
    "put (it | that) back",
    example="undo that",
    group="repair",
    when=_spelling,
    spells=True,
)
def undo(sitting: Sitting) -> Done | Refusal:
    """Have the letters as they were before the last change."""
    assert sitting.tray is not None
    if not sitting.tray.past:
        return Refusal("No letters were said before.", "", "“Cancel” leaves the spelling.")
    return _shown(sitting, sitting.tray.undone())


def _letter_at(tray: Tray, order: int) -> int | Refusal:
    """Where the nth letter is, counted from 0, or the nth from the end for a negative number."""
    n = len(tray.letters) + order if order < 0 else order - 1
    if 0 <= n < len(tray.letters):
        return n
    count = len(tray.letters)
    there = f"there are {count}" if count != 1 else "there is one"
    return Refusal(f"There is no letter {n + 1}: {there}.", "", "Say which: “the third letter”.")


CATALOGUE.table("letterorder", {"last": -1, "(second to last | last but one)": -2})


@command(
    "(make | change | turn) [the] {position} (letter | one) [(to | into | be)] [(a | an)] {text}",
    "(make | change | turn) letter {number} [(to | into | be)] [(a | an)] {text}",
    "(make | change | turn) [the] {order:letterorder} (letter | one) [(to | into | be)] [(a | an)]"
    " {text}",
    "[the] {position} (letter | one) (is | as | should be | must be) [(a | an | the)] {text}",
    "[the] {order:letterorder} (letter | one) (is | should be | must be) [(a | an)] {text}",
    "(make | change) (it | that) [(to | into)] [(a | an)] {text}",
    "(make | change | turn) [(the | a)] {position} (letter | one) [(to | into | be | of | o)]"
    " [(a | an | o)] {text}",
    "makes [(the | a)] {position} letter [(to | into | be | of | o)] [(a | an | o)] {text}",
    example="make the third letter a y",
    group="repair",
    when=_names_letter,
    spells=True,
)
def change(
    sitting: Sitting,
    text: tuple[str, ...],
    position: int | None = None,
    number: int | None = None,
    order: int = -1,
) -> Done | Refusal:
    """Put another letter in the place of the nth, or of the last."""
    tray = sitting.tray
    assert tray is not None
    n = _letter_at(tray, position or number or order)
    if isinstance(n, Refusal):
        return n
    new = one_letter(text)
    if tray.letters[n].isupper():
        new = new.upper()
    known = counted(sitting.letters_known, tray.might[n : n + 1], new)
    # One that is sure may decide others: "plat" with an "o" for its second letter was "boat".
    changed = tray.with_letter(n, new).decided(own_words(sitting), known)
    return _shown(replace(sitting, letters_known=known), changed)


@command(
    "(delete | remove | take out | drop | cross out) [the] {position} (letter | one)",
    "(delete | remove | take out | drop | cross out) letter {number}",
    "(delete | remove | take out | drop) [the] {order:letterorder} (letter | one)",
    "[the] {position} (letter | one) is too many",
    example="delete the second letter",
    group="repair",
    when=_spelling,
    spells=True,
)
def delete_letter(
    sitting: Sitting, position: int | None = None, number: int | None = None, order: int = -1
) -> Done | Refusal:
    """Take the nth letter out."""
    tray = sitting.tray
    assert tray is not None
    n = _letter_at(tray, position or number or order)
    if isinstance(n, Refusal):
        return n
    return _shown(sitting, tray.with_letter(n, ""))


CATALOGUE.table("letterside", {"(before | in front of)": 0, "(after | behind)": 1})


@command(
    "(insert | put | add) [(a | an | the letter)] {text:words} [in] {side:letterside} [the]"
    " {position} (letter | one)",
    "(insert | put | add) [(a | an | the letter)] {text:words} [in] {side:letterside} letter"
    " {number}",
    "(insert | put | add) [(a | an | the letter)] {text:words} (at the (start | beginning | front)"
    " | first)",
    "(insert | put | add) [(a | an | the letter)] {text:words} [in] {side:letterside} [the]"
    " {order:letterorder} [(letter | one)]",
    example="insert an e after the second letter",
    group="repair",
    when=_names_letters,
    spells=True,
)
def insert_letter(
    sitting: Sitting,
    text: tuple[str, ...],
    side: int = 0,
    position: int | None = None,
    number: int | None = None,
    order: int = 1,
) -> Done | Refusal:
    """Put letters in before or after the nth or the last, or at the start."""
    tray = sitting.tray
    assert tray is not None
    n = _letter_at(tray, position or number or order) if tray.letters else 0
    if isinstance(n, Refusal):
        return n
    return _shown(sitting, tray.with_letter(n + side, letters_told(text), 0))


CATALOGUE.table(
    "lettercase",
    {
        "[all] (capitals | caps | capital letters | upper case) [on]": True,
        "(small letters | lower case | no capitals | [all] (capitals | caps) off)": False,
    },
)


@command("{on:lettercase}", example="all capitals", group="repair", when=_spelling, spells=True)
def upper(sitting: Sitting, on: bool) -> Done:
    """Spell in capitals from here on, or in small letters again."""
    tray = sitting.tray
    assert tray is not None
    said = f"{'capitals' if on else 'small letters'} from here on"
    return Done(replace(sitting, tray=replace(tray, upper=on)), said)
