"""The word book by voice: one's own words, how they are spoken, and words never to be written."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.by_letters import as_word
from nimble_lantern.core.commands.mending import mended
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document import units
from nimble_lantern.core.errors import BadInput, Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.desk import SPOKEN_OF
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.knowing import spoken_words
from nimble_lantern.core.mending.tray import letters_of
from nimble_lantern.core.mending.word_book import MOST_ENTRIES, BookEntry, entry_of
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.state import Done, Sitting, Turned, TurnOver, View
from nimble_lantern.core.targets.alike import Mend, mends
from nimble_lantern.core.targets.model import Places, Words, of_the_page
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.sounds import heard_alike
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.spelling import behind_spelled
from nimble_lantern.core.writing.spoken import bare

_A_WORD = 3.5
"""On wordfreq's Zipf scale: what is rarer and stands nowhere is a name, with a capital."""
_MOST_WORDS = 6
CATALOGUE.names("entry", lambda sitting: sitting.word_book.written, "a word of the book")
_BOOK = "[the | my] (word book | dictionary | vocabulary | word list)"


def _in_book(sitting: Sitting, parse: Parse) -> bool:
    """Whether what is spoken of is in the book: "the oar is said to be old" is a sentence."""
    return look_up(parse.args["entry"].words, sitting.word_book.written) is not None


def _one_word(sitting: Sitting, parse: Parse) -> bool:
    """ "Never write fairy"; "never write to him" is advice."""
    text = tuple(parse.args.get("text", ()))
    return len(text) == 1 and text[0] not in LITTLE


def _few(sitting: Sitting, parse: Parse) -> bool:
    """A word or two, or letters: "never write so small that nobody can read it" is advice."""
    text = tuple(parse.args.get("text", ()))
    return len(text) <= 2 or bool(letters_of(text))


def _of_words(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    if target is None:
        return bool(sitting.selection or sitting.that)
    return of_the_page(target) and not isinstance(target, Words)


def _added(sitting: Sitting, written: str, *spoken: str) -> Done | Refusal:
    book = sitting.word_book
    if len(book.entries) >= MOST_ENTRIES:
        return Refusal("The word book is full.", "", "Remove words that are not needed.")
    try:
        entry = entry_of(written, spoken)
    except BadInput as error:
        return Refusal(str(error))
    if entry.written in book.written:
        if not spoken:
            return Done(sitting, f"{quoted(written)} is in the word book already")
        return pronounce(sitting, entry.written, tuple(spoken[0].split()))
    said = f"; spoken “{spoken[0]}” too" if spoken else ""
    after = replace(sitting, word_book=book.added(entry))
    return Done(after, f"{quoted(entry.written)} is in the word book{said}")


def written_as(sitting: Sitting, words: Sequence[str]) -> str:
    """How words are written that are to be known: spelled, as they stand, or by their looks."""
    named, said = behind_spelled(words)
    if len(letters := letters_of(said)) > 1:
        name = not named or written_as(sitting, named)[:1].isupper()
        return capitalised(letters) if name else letters
    document = sitting.document
    found = places(document, tuple(words))
    # What was dictated in small letters was a word that the desk did not know.
    shown = [r for r in found if utterance_at(document, r.start) is None]
    stands = [t for r in shown or found if (t := document.text(r)) and (shown or t != t.lower())]
    if stands:
        # In the middle of a sentence a word shows its own capitals.
        return bare(next((t for t in stands if t[:1].islower()), stands[-1]))
    known = (capitalised(w) if zipf(w) < _A_WORD else w for w in words)
    return " ".join(known)


@command(
    f"(add | put | enter | save) [the (word | name)] {{text:words}} (to | in | into) {_BOOK}",
    Way("(learn | remember) the (word | name) {text}", when=_few),
    Way(f"(learn | remember | keep) {{text:words}} (for | in) {_BOOK}", when=_few),
    Way(f"{{text:words}} (into | goes (in | into) | belongs in) {_BOOK}", when=_few),
    Way("(add | new) (word | name) {text}", when=_few),
    Way("(learn | remember) {text:words} for (next time | the future)",
        when=_few),
    example="add ida marlowe to the word book",
    group="repair",
)  # fmt: skip
def add(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Keep a word or a name, as it stands on the page or as it is spelled, and hear it better."""
    if len(text) == 1 and text[0] in SPOKEN_OF:
        return Refusal("Nothing was just written or selected.", "", "Name the word.")
    for how in _SPOKEN:
        size = len(how)
        for i in range(1, len(text) - size):
            if text[i : i + size] == how:
                said = " ".join(text[i + size :])
                return _added(sitting, written_as(sitting, text[:i]), said)
    if len(text) > _MOST_WORDS:
        return Refusal(f"{len(text)} words are too many for an entry.", "", "Say a word or a name.")
    return _added(sitting, written_as(sitting, text))


_SPOKEN = (
    ("spoken", "as"), ("spoken",), ("pronounced", "as"), ("pronounced",), ("said", "as"),
    ("which", "sounds", "like"), ("sounds", "like"), ("sounding", "like"),
)  # fmt: skip


def _like_one_said(sitting: Sitting, parse: Parse) -> bool:
    """ "Always write it margaret", where Margit or Margaret was just written."""
    text = as_word(tuple(parse.args.get("text", ())))
    if len(sitting.that) != 1 or sitting.that[0].empty or not 0 < len(text) <= _FEW_WORDS:
        return False
    last = sitting.that[0]
    return bool(places(sitting.document, text, last)) or len(_like(sitting, text)) == 1


_FEW_WORDS = 2


def _like(sitting: Sitting, text: tuple[str, ...]) -> list[Mend]:
    """What it takes the place of in what was just written: a thing of its kind, or a like word."""
    last = sitting.that[0]
    if (found := mends(sitting.document, last, text)) or len(text) > 1:
        return found
    words = units.within(sitting.document, "word", last)
    return [Mend(r, text) for r in words if heard_alike(sitting.document.text(r).lower(), text[0])]


@command(
    Way(
        "[(please | from now on)] always (write | spell) (it | that | this | him | her)"
        " [(as | like)] {text}",
        when=_like_one_said,
    ),
    Way("(it | that) is always (spelled | spelt | written) [as] {text}", when=_like_one_said),
    example="always write it margaret",
    group="repair",
    heard=0,
)
def always(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Write a word so from now on that was just heard otherwise; and put it right here."""
    words = as_word(text)
    found = _like(sitting, words)
    here = places(sitting.document, words, sitting.that[0])
    if here or not found:
        return _added(sitting, written_as(sitting, words))
    old = " ".join(spoken_words(sitting.document.text(found[0].range)))
    right = mended(sitting, found[0].range, found[0].words)
    known = _added(right.sitting, right.sitting.document.text(right.sitting.that[0]), old)
    if isinstance(known, Refusal):
        return known
    return replace(known, summary=f"{right.summary}; {known.summary}")


def _just_written(sitting: Sitting) -> Done | Refusal:
    r = sitting.selection or (sitting.that[-1] if sitting.that else None)
    if r is None or r.empty:
        return Refusal("Nothing was just written or selected.", "", "Name the word.")
    return _of_range(sitting, Places((r,)))


def _of_range(sitting: Sitting, target: Places) -> Done | Refusal:
    written = " ".join(bare(token) for token in sitting.document.text(target.first).split())
    if not written or len(written.split()) > _MOST_WORDS:
        return Refusal("That is no word for the word book.", "", "Name a word, or select one.")
    return _added(sitting, written)


@command(
    f"(add | put) (it | that | this | the selection | (this | that | the last) (word | name))"
    f" (to | in | into) {_BOOK}",
    "(learn | remember | keep) (this | that | the last) (word | name)",
    "(learn | remember) {target}",
    example="learn this word",
    group="repair",
    when=_of_words,
)
def learn(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Keep the word that is selected or was just written, so that it is heard better."""
    return _just_written(sitting) if target is None else _of_range(sitting, target)


@command(
    Way(
        "{entry} (is | can be) (pronounced | spoken | said) [(as | like)] {spoken:words}",
        when=_in_book,
    ),
    Way("{entry} (sounds | should sound) like {spoken:words}", when=_in_book),
    Way("(i say | i pronounce) {entry} [(as | like)] {spoken:words}", when=_in_book),
    "pronounce {entry} (as | like) {spoken:words}",
    example="pronounce ida marlowe as eider marlow",
    group="repair",
)
def pronounce(sitting: Sitting, entry: str, spoken: tuple[str, ...]) -> Done:
    """Give a word of the word book one more way in which it is spoken."""
    book = sitting.word_book.spoken_also(entry, spoken)
    return Done(replace(sitting, word_book=book), f"“{' '.join(spoken)}” is {quoted(entry)} too")


@command(
    f"(remove | delete | take | drop | cross out) {{entry}} (from | out of | in) {_BOOK}",
    Way("(forget | unlearn) the (word | name) {entry}", when=_in_book),
    example="remove ida marlowe from the word book",
    group="repair",
)
def remove(sitting: Sitting, entry: str) -> Done:
    """Take a word out of the word book; the text stays as it is."""
    book = sitting.word_book
    after = replace(sitting, word_book=book.without(book.named(entry)))
    return Done(after, f"{quoted(entry)} is out of the word book")


@command(
    f"change {{entry}} to {{new:words}} in {_BOOK}",
    f"in {_BOOK} change {{entry}} to {{new:words}}",
    example="change ida marlow to ida marlowe in the word book",
    group="repair",
)
def rewrite(sitting: Sitting, entry: str, new: tuple[str, ...]) -> Done:
    """Write a word of the word book in another way; it is spoken as before."""
    old, written = sitting.word_book.named(entry), written_as(sitting, new)
    if entry[:1].isupper():
        written = " ".join(capitalised(w) for w in written.split())
    book = sitting.word_book.without(old).added(BookEntry(written, old.forms))
    said = f"{quoted(entry)} is {quoted(written)} in the word book"
    return Done(replace(sitting, word_book=book), said)


@command(
    "never write the (word | name) {text:words} [again]",
    Way("never write {text:words} [again]", when=_one_word),
    "(forbid | ban | avoid) [the] (word | name) {text}",
    "do not (ever write | write) the word {text:words} [again]",
    "(stop writing | don't write | no more of) the word {text:words}",
    Way("(do not | don't) ever write {text:words} [again]", when=_one_word),
    example="never write the word fairy",
    group="repair",
    when=_few,
)
def forbid(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Forbid a word: where it is heard, what else it may have been is written."""
    entry = BookEntry(" ".join(text), forbidden=True)
    after = replace(sitting, word_book=sitting.word_book.added(entry))
    return Done(after, f"“{entry.written}” is not written any more, unless nothing else fits")


@command(
    "(allow | permit) the (word | name) {text}",
    "(write | you may write) the word {text:words} again",
    example="allow the word fairy",
    group="repair",
)
def allow(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Write a forbidden word again."""
    entry = sitting.word_book.find(text)
    if entry is None or not entry.forbidden:
        return Refusal(f"“{' '.join(text)}” is not forbidden.")
    after = replace(sitting, word_book=sitting.word_book.without(entry))
    return Done(after, f"“{entry.written}” may be written again")


@command(
    *frames.opened(_BOOK),
    f"(what is in | where is) {_BOOK}",
    f"(which | what) words (are | do you have) in {_BOOK}",
    "(show | list) [me] my [own] words",
    "(which | what) (words | names) (have you learned | have you learnt | did i teach you"
    " | did i add | have i added)",
    "(the | my) words (you have learned | i (added | taught you))",
    "(what | which) words do you know",
    example="show the word book",
    group="desk",
    shows=True,
)
def show(sitting: Sitting) -> Done:
    """Show the word book: your own words, how they are spoken, and what was corrected."""
    count = many(len(sitting.word_book.entries), "word")
    return Done(replace(sitting, view=View.WORD_BOOK), f"the word book has {count}")


@command(
    f"(is | do you have) {{entry}} in {_BOOK}",
    f"(find | look for | look up) {{entry}} in {_BOOK}",
    Way("(do you know | how do you write) the (word | name) {entry}", when=_in_book),
    example="look up ida marlowe in the word book",
    group="repair",
)
def tell(sitting: Sitting, entry: str) -> Done:
    """Tell how a word of the word book is written and spoken."""
    forms = sitting.word_book.named(entry).forms
    spoken = ", ".join(f"“{' '.join(form)}”" for form in forms)
    return Done(sitting, f"{quoted(entry)} is in the word book, spoken {spoken}")


def _was_put_right(sitting: Sitting, parse: Parse) -> bool:
    return bool(sitting.put_right)


@command(
    "(that | it) was right before",
    "(that | it) was right [as i said it]",
    "(that | it) was right the first time",
    "(do not | don't) (correct | change) that [again]",
    "(forget | unlearn) that correction",
    example="that was right before",
    group="repair",
    when=_was_put_right,
    walks=True,
)
def right_before(sitting: Sitting) -> TurnOver:
    """Put back what a lesson of yours changed in the last text, and forget the lesson."""
    return TurnOver(Turned.AS_HEARD, sitting.put_right_in)


@command(
    "forget [all] [(my | the)] corrections",
    "forget what i corrected",
    example="forget my corrections",
    group="repair",
)
def forget(sitting: Sitting) -> Done:
    """Forget what corrections have taught; the word book and the text stay."""
    count = len(sitting.lessons)
    also = " and what your letters were taken for" if sitting.letters_known else ""
    after = replace(sitting, lessons=(), letters_known=())
    return Done(after, f"{many(count, 'correction')}{also} forgotten")
