"""The word book: a person's own words, how each is written, and how it is spoken.

As a file it is plain text, an entry a line: "Ida Marlowe", "Ida Marlowe = ida marlowe, eider
marlow", and "never fairy" for a word that is never to be written.  A line that begins with "#" is a
comment.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.writing.spoken import bare, likeliest, plain

MOST_ENTRIES = 5_000
MOST_FORMS = 12
LONGEST = 100
"""Characters of a written or spoken form."""
_NEVER = "never "
_SPOKEN = re.compile(r"[^\W_]+(?:['-][^\W_]+)*(?: [^\W_]+(?:['-][^\W_]+)*)*")
_NO_TEXT = re.compile("[\x00-\x08\x0b-\x1f\x7f-\x9f\ud800-\udfff\ufffe\uffff]")
Form = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class BookEntry:
    """How words are written, and further ways to speak them; or that they are `forbidden`."""

    written: str
    spoken: tuple[Form, ...] = ()
    forbidden: bool = False

    @property
    def forms(self) -> tuple[Form, ...]:
        """All the ways to speak it, as it is read first."""
        read = tuple(
            p for token in self.written.split() if (w := bare(token)) for p in likeliest(w)
        )
        return tuple(dict.fromkeys((read, *self.spoken))) if read else self.spoken

    def __str__(self) -> str:
        if self.forbidden:
            return f"{_NEVER}{self.written}"
        said = ", ".join(" ".join(form) for form in self.spoken)
        return f"{self.written} = {said}" if said else self.written


@dataclass(frozen=True)
class WordBook:
    """Entries in the order they were added; the newest of those that are spoken alike counts."""

    entries: tuple[BookEntry, ...] = ()

    @cached_property
    def _by_form(self) -> dict[Form, BookEntry]:
        return {_key(form): e for e in self.entries for form in e.forms if not e.forbidden}

    @cached_property
    def _longest(self) -> dict[str, int]:
        """Of the forms that begin with a word, the length of the longest."""
        longest: dict[str, int] = {}
        for form in self._by_form:
            longest[form[0]] = max(len(form), longest.get(form[0], 0))
        return longest

    @cached_property
    def _forbidden(self) -> frozenset[Form]:
        return frozenset(_key(form) for e in self.entries if e.forbidden for form in e.forms)

    @cached_property
    def forms(self) -> tuple[Form, ...]:
        """All the ways to speak the words that are to be used."""
        return tuple(form for e in self.entries if not e.forbidden for form in e.forms)

    @cached_property
    def words(self) -> frozenset[str]:
        """Every word of those."""
        return frozenset(word for form in self.forms for word in form)

    @property
    def written(self) -> tuple[str, ...]:
        """The written forms of the words that are to be used, in alphabetical order."""
        return tuple(sorted((e.written for e in self.entries if not e.forbidden), key=str.lower))

    def match(self, words: Sequence[str], i: int) -> tuple[int, str] | None:
        """(how many words, as written) of the longest entry spoken from `i` on."""
        most = self._longest.get(plain(words[i]), 0)
        for size in range(min(most, len(words) - i), 0, -1):
            if entry := self._by_form.get(_key(words[i : i + size])):
                return size, entry.written
        return None

    def forbids(self, words: Sequence[str]) -> bool:
        return _key(words) in self._forbidden

    @property
    def forbids_any(self) -> bool:
        return bool(self._forbidden)

    def find(self, words: Sequence[str]) -> BookEntry | None:
        """The entry that is written or spoken like these words, used or forbidden."""
        key = _key(words)
        for entry in reversed(self.entries):
            if any(_key(form) == key for form in entry.forms):
                return entry
        return None

    def added(self, entry: BookEntry) -> WordBook:
        """With an entry, which takes the place of one that is written the same."""
        others = [e for e in self.entries if e.written.lower() != entry.written.lower()]
        return WordBook((*others, entry))

    def named(self, written: str) -> BookEntry:
        """The entry that is written so; there is one."""
        return next(e for e in self.entries if e.written == written)

    def spoken_also(self, written: str, form: Form) -> WordBook:
        """With one more way to speak an entry."""
        return WordBook(
            tuple(
                replace(e, spoken=tuple(dict.fromkeys((*e.spoken, form)))[-MOST_FORMS:])
                if e.written == written
                else e
                for e in self.entries
            )
        )

    def without(self, entry: BookEntry) -> WordBook:
        return WordBook(tuple(e for e in self.entries if e is not entry and e != entry))

    def to_text(self) -> str:
        return "".join(f"{entry}\n" for entry in self.entries)


def _key(words: Sequence[str]) -> Form:
    return tuple(plain(w) for w in words)


def from_text(text: str, book: WordBook | None = None) -> WordBook:
    """A word book with the entries of a file; BadInput in one sentence, and nothing is added."""
    made = {e.written.lower(): e for e in (book.entries if book else ())}
    for number, line in enumerate(text.removeprefix("\ufeff").splitlines(), 1):
        row = line.strip()
        if row and not row.startswith("#"):
            entry = entry_from(row, f"Line {number}")
            made.pop(entry.written.lower(), None)
            made[entry.written.lower()] = entry
        if len(made) > MOST_ENTRIES:
            raise BadInput(
                f"More than {MOST_ENTRIES} words come together in the word book with line "
                f"{number}; leave some out."
            )
    return WordBook(tuple(made.values()))


def entry_from(text: str, where: str) -> BookEntry:
    """An entry from a line of a file; BadInput says where it went wrong."""
    if text.startswith(_NEVER):
        return BookEntry(_checked(text.removeprefix(_NEVER).strip(), where), forbidden=True)
    written, _, said = text.partition("=")
    return entry_of(written.strip(), (part for part in said.split(",") if part.strip()), where)


def entry_of(written: str, spoken: Iterable[str] = (), where: str = "An entry") -> BookEntry:
    """An entry that can be used; BadInput if it is too long or cannot be spoken."""
    forms = tuple(dict.fromkeys(_form(text, where) for text in spoken))
    entry = BookEntry(_checked(written, where), forms)
    if len(entry.spoken) > MOST_FORMS:
        raise BadInput(f"{where} has more than {MOST_FORMS} spoken forms; leave some out.")
    if not entry.forms:
        raise BadInput(f"{where} has nothing that can be spoken; put “= ...” behind it.")
    return entry


def _checked(written: str, where: str) -> str:
    if _NO_TEXT.search(written):
        raise BadInput(f"{where} has control characters in it; it is no word.")
    if not written or len(written) > LONGEST:
        what = "has no word" if not written else f"is longer than {LONGEST} characters"
        raise BadInput(f"{where} {what}; an entry is a word or a name.")
    return " ".join(written.split())


def _form(text: str, where: str) -> Form:
    said = " ".join(text.lower().replace("’", "'").split())
    if len(said) > LONGEST or not _SPOKEN.fullmatch(said):
        raise BadInput(f"{where}: “{said[:40]}” is not spoken words; write them as they are said.")
    return tuple(said.split())
