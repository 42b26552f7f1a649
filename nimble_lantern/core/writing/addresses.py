"""Mail and web addresses, as they are spoken.

A mailbox and a domain are words joined by "dot", "underscore" and "hyphen" (RFC 5322, 3.4.1; RFC
1035, 2.3.1).  Whoever says one does not say that it has no spaces: "info at saltmarsh light dot
org".
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.prose import BEFORE_MAILBOX, BEFORE_SITE, MAILBOXES, TOP_LEVEL
from nimble_lantern.core.writing.cardinals import DIGITS, NUMBER_WORDS

_LINKS = {"dot": ".", "underscore": "_", "hyphen": "-", "dash": "-"}
_MOST_WORDS = 3
"""So many words of a name may be said before its first dot."""
_CUT = frozenset(("at", *_LINKS, "slash", "comma", "colon", "full", "period"))


def address(words: Sequence[str], i: int, previous: str) -> tuple[str, int] | None:
    """The address that begins at `i`, and how many words it takes; None if none does."""
    return _mail(words, i, previous) or _web(words, i) or _site(words, i, previous)


def _mail(words: Sequence[str], i: int, previous: str) -> tuple[str, int] | None:
    mailbox, at = _linked(words, i)
    if not mailbox or words[at : at + 1] != ["at"]:
        return None
    named = words[at + 1 : at + 2] in (["sign"], ["symbol"])
    told = named or len(mailbox) > 1 or mailbox[0] in MAILBOXES or previous in BEFORE_MAILBOX
    domain = _domain(words, at + 1 + named) if told else None
    if domain is None:
        return None
    return f"{''.join(mailbox)}@{domain[0]}", domain[1] - i


def _linked(words: Sequence[str], i: int) -> tuple[list[str], int]:
    """A word and those that a link joins to it: "anna underscore bell"; and the index after."""
    if i >= len(words) or words[i] in _CUT or not _is_name(words[i]):
        return [], i
    parts, j = [_written(words[i])], i + 1
    while j + 1 < len(words) and words[j] in _LINKS and _is_name(words[j + 1]):
        parts += [_LINKS[words[j]], _written(words[j + 1])]
        j += 2
    while len(parts) > 1 and words[j : j + 1] and words[j] in DIGITS:
        parts.append(DIGITS[words[j]])
        j += 1
    return parts, j


def _domain(words: Sequence[str], i: int) -> tuple[str, int] | None:
    """A name of up to three words, and "dot" with what follows it up to a top-level domain."""
    for size in range(1, _MOST_WORDS + 1):
        named = words[i : i + size]
        if len(named) < size or set(named) & _CUT or not all(map(_is_name, named)):
            return None
        if words[i + size : i + size + 1] == ["dot"]:
            if size > 1 and set(named[1:]) & LITTLE:
                return None
            return _ending("".join(map(_written, named)), words, i + size)
        if words[i + size : i + size + 1] in (["hyphen"], ["dash"]):
            head, after = _linked(words, i + size - 1)
            name = "".join([*map(_written, named[:-1]), *head])
            found = "." in name and name.rsplit(".", 1)[1] in TOP_LEVEL
            return (name, after) if found else None
    return None


def _ending(name: str, words: Sequence[str], j: int) -> tuple[str, int] | None:
    """The labels behind a name, the last of them a top-level domain; and the index after."""
    found = None
    while words[j : j + 1] == ["dot"] and j + 1 < len(words) and _is_name(words[j + 1]):
        name, j = f"{name}.{_written(words[j + 1])}", j + 2
        if words[j - 1] in TOP_LEVEL:
            found = name, j
    return _page(*found, words) if found else None


def _page(name: str, j: int, words: Sequence[str]) -> tuple[str, int]:
    """What is said behind a domain: "slash rota"."""
    for slash in (["slash"], ["forward", "slash"]) * _MOST_WORDS:
        k = j + len(slash)
        if words[j:k] == slash and k < len(words) and _is_name(words[k]):
            name, j = f"{name}/{_written(words[k])}", k + 1
    return name, j


def _web(words: Sequence[str], i: int) -> tuple[str, int] | None:
    """What is told to be a place on the web by its "www": "w w w dot gull island dot org"."""
    for opening in (("www",), ("w", "w", "w"), ("double", "u") * 3):
        at = i + len(opening)
        if tuple(words[i:at]) == opening and words[at : at + 1] == ["dot"]:
            parts, end = _linked(words, at + 1)
            name, end = _domain(words, at + 1) or ("".join(parts), end)
            return (f"www.{name}", end - i) if name else None
    return None


def _site(words: Sequence[str], i: int, previous: str) -> tuple[str, int] | None:
    """ "At gull island dot org": a domain of several words, right behind what leads to one."""
    if previous not in BEFORE_SITE or i >= len(words) or words[i] in LITTLE:
        return None
    domain = _domain(words, i)
    return (domain[0], domain[1] - i) if domain else None


def _is_name(word: str) -> bool:
    return word.isalnum()


def _written(word: str) -> str:
    return DIGITS.get(word, word) if word in NUMBER_WORDS else word
