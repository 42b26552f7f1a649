"""Automatic punctuation: stops and question marks from pauses and form, obvious commas.

Sources: New Oxford Style Manual ch. 4 (commas after introductory clauses and phrases, round
names that are addressed, in lists); Quirk et al., A Comprehensive Grammar of the English Language
(1985), ch. 11, for the forms of questions.  It works on elements, so that spoken marks, breaks
and numbers are known already; it never marks a heading or a list item.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from nimble_lantern.core.lexicon.asked import COLOURS
from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.names import DAYS, GIVEN, MONTHS
from nimble_lantern.core.lexicon.prose import DESCRIBING
from nimble_lantern.core.lexicon.sentences import (
    ADVERBS,
    ASKS,
    BIDDING,
    CLOSINGS,
    CONTINUES,
    HANGING,
    INVERTED,
    INVERTED_BY_PRONOUN,
    MEASURED,
    NEGATIVE,
    OPENERS,
    PHRASES,
    SUBJECTS,
    SUBORDINATE,
    TAGS,
    THANKS,
    TITLES,
    UNFINISHED,
    VERBS,
)
from nimble_lantern.core.writing.lexer import Element, Kind
from nimble_lantern.core.writing.marks import Spacing

MARKED = frozenset(("paragraph", "quotation"))
_ENDS = frozenset(".?!…:;,–—")
_GREETING = frozenset(("dear",))
_LISTED = frozenset(DAYS) | frozenset(MONTHS)
_LONGEST_GREETING = 6


def punctuated(
    elements: Sequence[Element], pauses: frozenset[int], kind: str, continues: bool
) -> list[Element]:
    """Elements with marks put in.

    `pauses`: counts of spoken words after which the speaker paused.  `kind` is the kind of the
    block that the first of them go into; with `continues`, they go on with a sentence.
    """
    found: list[Element] = []
    clause: list[Element] = []
    cuts: list[int] = []
    spoken, going_on = 0, continues
    for element in elements:
        if element.kind is Kind.BREAK:
            whole = element.text not in ("line",)
            found += _clause(clause, cuts, kind, going_on, whole) + [element]
            kind = _kind_after(element.text, kind)
            clause, cuts, going_on = [], [], False
        else:
            clause.append(element)
        spoken += element.used
        if spoken in pauses and clause:
            cuts.append(len(clause))
    return found + _clause(clause, cuts, kind, going_on, True)


def _kind_after(text: str, kind: str) -> str:
    if text == "line":
        return kind
    return {"item": "item", "bulleted": "item", "numbered": "item"}.get(
        text, "heading" if text.startswith("heading") else "paragraph"
    )


def _mark(text: str) -> Element:
    return Element(Kind.MARK, text, 0, Spacing.CLOSE)


def _clause(
    clause: list[Element], cuts: list[int], kind: str, continues: bool, whole: bool
) -> list[Element]:
    """One stretch between breaks, with its marks; no stop at its end unless it is `whole`."""
    if kind not in MARKED or not clause:
        return clause
    clause, cuts = _in_a_list(clause, cuts)
    sentences = _sentences(clause, cuts)
    made: list[Element] = []
    for n, sentence in enumerate(sentences):
        last = n + 1 == len(sentences)
        begins = n == 0 and not continues
        made += _commas(sentence) if begins or n else list(sentence)
        if not last or whole:
            end = _ending(sentence, continues and n == 0, last)
            made += [_mark(end)] if end else []
    return made


def _in_a_list(clause: list[Element], cuts: list[int]) -> tuple[list[Element], list[int]]:
    """With commas at the pauses of a list: "bread ... milk ... and eggs".

    Its parts are a few words without a verb, and the last of them has "and" or "or" before it.
    """
    parts = [_words(clause[a:b]) for a, b in pairwise([*cuts, len(clause)])]
    last = next((n for n, part in enumerate(parts) if part[:1] in (["and"], ["or"])), None)
    linked = last is None and parts and {"and", "or"} & set(parts[-1][1:-1])
    listed = parts[:last] if last is not None else parts if linked else []
    whole = last in (None, len(parts) - 1)
    if not listed or not whole or not all(map(_is_a_thing, parts)):
        return clause, cuts
    made = list(clause)
    for cut in reversed(cuts[: len(listed)]):
        if Kind.MARK not in (made[cut - 1].kind, made[cut].kind):
            made.insert(cut, _mark(","))
    return made, []


def _is_a_thing(part: list[str]) -> bool:
    """A few words of a list without a verb: "boots", "a long rope", "and a torch"."""
    bare = part[1:] if part[:1] in (["and"], ["or"]) else part
    begins = bool(bare) and bare[0] not in LITTLE - ARTICLES_AND_OWNERS
    return begins and len(bare) <= _LONGEST_PART and not has_verb(bare)


_LONGEST_PART = 3


def _words(elements: Sequence[Element]) -> list[str]:
    """The spoken words, in order; a mark as its sign."""
    return [
        w for e in elements for w in ((e.text,) if e.kind is Kind.MARK else e.spoken or (e.text,))
    ]


def _sentences(clause: list[Element], cuts: list[int]) -> list[list[Element]]:
    """Cut where a pause parts two clauses that could each stand alone, and after spoken stops."""
    found: list[list[Element]] = [[]]
    for n, element in enumerate(clause):
        if n in cuts and found[-1] and _parts(_words(found[-1]), _words(clause[n:])):
            found.append([])
        found[-1].append(element)
        if element.kind is Kind.MARK and element.text in ".?!" and n + 1 < len(clause):
            following = clause[n + 1]
            if following.kind is not Kind.MARK:
                found.append([])
    return found


def _parts(before: list[str], after: list[str]) -> bool:
    if not before or before[-1] in UNFINISHED or before[-1] in _ENDS:
        return False
    if before[0] in SUBORDINATE or after[0] in CONTINUES and not is_a_retort(after):
        return False
    starts = after[0] in SUBJECTS | ASKS | INVERTED | {"please", "thank"} or _is_name(after)
    return starts and has_verb(before) and has_verb(after[:8])


def is_a_retort(words: Sequence[str]) -> bool:
    """ "So am I" is a sentence, and "so we left" goes on with one."""
    return words[0] in ("so", "nor") and len(words) > 1 and words[1] in AUXILIARIES


def _is_name(words: list[str]) -> bool:
    return words[0] in ("mister", "missus", "miss", "doctor")


def has_verb(words: Sequence[str]) -> bool:
    return any(w in VERBS or w.endswith("ed") and len(w) > 4 for w in words)


def _acts(words: list[str]) -> bool:
    """ "They fit": what stands behind a pronoun is its verb."""
    return len(words) > 1 and words[0] in SUBJECT_PRONOUNS and words[1] not in _NO_VERBS


_NO_VERBS = DETERMINERS | PREPOSITIONS | SUBJECT_PRONOUNS | frozenset("and or but too".split())


def _ending(sentence: Sequence[Element], continues: bool, last: bool) -> str:
    """The mark that a sentence asks for: a stop, a question mark, a comma or none."""
    words = _words(sentence)
    if not words or sentence[-1].kind in (Kind.MARK, Kind.NOSPACE, Kind.CAPITAL):
        closes = sentence and sentence[-1].kind is Kind.MARK and sentence[-1].text in "”’)]"
        return "." if closes and words[-2:-1] and words[-2] not in _ENDS else ""
    if tuple(words) in CLOSINGS:
        return ","
    if words[0] in _GREETING and len(words) <= _LONGEST_GREETING:
        titled = words[1:2] and words[1] in TITLES  # "dear mrs drew"
        if titled and not has_verb(words[3:]) or not has_verb(words):
            return ","
    if sentence[-1].kind is not Kind.NUMBER and _hangs(words) or names_a_paper(words):
        return ""
    if last and len(words) < 4 and not has_verb(words) and not continues and not _acts(words):
        # A few words without a verb are more often a name, a title or the end of a thought.
        return "?" if is_question(words) else _short_ending(words)
    return "?" if not continues and is_question(words) else "."


_PAPERS = frozenset(
    "minutes agenda notice newsletter report rota programme invitation recipe notes".split()
)
_LONGEST_NAME_OF_A_PAPER = 8


def names_a_paper(words: Sequence[str]) -> bool:
    """ "Minutes of the boat club" is the name of a paper, and no sentence."""
    named = 2 < len(words) <= _LONGEST_NAME_OF_A_PAPER and words[0] in _PAPERS
    return named and words[1] in PREPOSITIONS and not has_verb(words)


def _hangs(words: list[str]) -> bool:
    """Whether a sentence cannot be over at its last word."""
    if words[-1] in HANGING:
        return True
    if words[-1] not in AUXILIARIES or len(words) > 1 and words[-2] in ("since", "in", "until"):
        return False
    return not (ASKS | {"yes", "no", "so", "as", "than"}) & set(words)


def _short_ending(words: list[str]) -> str:
    return "." if tuple(words[:2]) in THANKS or words[0] in ("thanks", "yes", "no") else ""


_RETORT = 3


def is_question(words: Sequence[str]) -> bool:
    """Whether a sentence has the form of a question, by its first words or its tag."""
    words = list(words)
    if _tagged(words):
        return True
    if len(words) == _RETORT and is_a_retort(words):
        return False
    while words and words[0] in OPENERS | _ENDS:
        words = words[1:]
    if words and words[0] in SUBORDINATE:
        # What follows the opening clause decides: "if it rains, will it sail".
        main = words.index(",") + 1 if "," in words else _main_clause(words)
        if main:
            return _asks(words[main:])
    return _asks(words)


def _asks(words: list[str]) -> bool:
    if not words:
        return False
    first, rest = words[0], words[1:]
    second = rest[0] if rest else ""
    if first in ASKS:
        return _asks_openly(first, rest)
    if first in ("will", "may") and second in AUXILIARIES:
        return False  # somebody's name: "will is coming"
    if first == "had" and {"would", "could", "might"} & set(rest):
        return False
    if first in INVERTED_BY_PRONOUN:
        return (
            second in SUBJECT_PRONOUNS | {"the", "any", "your", "our", "my"}
            and first != "have"
            or (first == "have" and second in SUBJECT_PRONOUNS)
        )
    return first in INVERTED and bool(rest)


def _asks_openly(first: str, rest: list[str]) -> bool:
    if not rest:
        return True
    if first in ("who", "whose", "why"):
        return True
    if first == "which" and rest[0] in ("is", "was") and rest[1:2] and rest[1] in ASKS:
        return False  # "which is why we stopped"
    if first in ("when", "where"):
        return rest[0] in AUXILIARIES
    if first == "how" and rest[0] in MEASURED:
        return True
    if first == "what" and rest[0] in ("a", "an"):
        return False
    if first == "what" and rest[0] in SUBJECT_PRONOUNS | {"the"}:
        return False
    if first == "how" and rest[0] in {"to"} | SUBJECT_PRONOUNS | DETERMINERS:
        return False  # "how the children have grown"
    if rest[0] in ("about", "if"):
        return True
    ahead = [w for w in rest[:6] if w in AUXILIARIES]
    return bool(ahead) or first == "which" and has_verb(rest[:4])


def _tagged(words: Sequence[str]) -> bool:
    """ "..., isn't it", "..., will you"."""
    if len(words) < 4 or words[-1] not in TAGS:
        return False
    if words[-2] not in AUXILIARIES:
        return False
    denied = bool(NEGATIVE & set(words[:-2])) or any(w.endswith("n't") for w in words[:-2])
    return words[-2].endswith("n't") or words[-3] == "," or denied


def _commas(sentence: Sequence[Element]) -> list[Element]:
    """With the obvious commas: after an opening, before a name addressed, in a list of days."""
    made = list(sentence)
    words = [e.spoken[0] if e.spoken else e.text for e in made]
    at: set[int] = set()
    if words and words[0] in ADVERBS and len(words) > 2:
        at.add(1)
    if words[:1] == ["well"] and len(words) > 2 and words[1] in SUBJECT_PRONOUNS | _POINTING:
        at.add(1)
    for phrase in PHRASES:
        if tuple(words[: len(phrase)]) == phrase and len(words) > len(phrase) + 2:
            at.add(len(phrase))
    if words and words[0] in SUBORDINATE and (main := _main_clause(words)):
        at.add(main)
    if at_name := _addressed(made, words):
        at.add(at_name)
    at |= (
        _listed(words)
        | _qualities_in_a_row(words)
        | _plurals_in_a_row(words)
        | _names_in_a_row(words)
    )
    if _tagged(words):
        at.add(len(words) - 2)
    for i in sorted(at, reverse=True):
        if (
            0 < i < len(made)
            and made[i].kind is not Kind.MARK
            and made[i - 1].kind is not Kind.MARK
        ):
            made.insert(i, _mark(","))
    return made


def _plurals_in_a_row(words: list[str]) -> set[int]:
    """Where commas stand in "gloves boots and a torch": between plurals, before an "and"."""
    found: set[int] = set()
    for i, word in enumerate(words):
        if word != "and" or i < 2 or i + 1 == len(words):
            continue
        first = i - 1
        while first > 0 and _plural(words[first]) and _plural(words[first - 1]):
            found.add(first)
            first -= 1
    return found


def _qualities_in_a_row(words: list[str]) -> set[int]:
    """Where commas stand in "she was cold wet and tired", whose last one ends the clause."""
    end = len(words) - 2
    if end < 0 or words[end] not in ("and", "or"):
        return set()
    first = end - 1
    while first > 0 and words[first] in _QUALITIES and words[first - 1] in _QUALITIES:
        first -= 1
    return set(range(first + 1, end)) if first and words[first - 1] in _SEEMING else set()


_QUALITIES = (
    DESCRIBING
    | frozenset(COLOURS)
    | frozenset(
        "white tired hungry wide tall thin cold warm hot wet dry dark bright old new heavy light"
        " slow quick good bad quiet loud clean hard soft rough cheap".split()
    )
)
_SEEMING = frozenset("is was are were am be been feel feels felt look looks looked seems".split())


def _names_in_a_row(words: list[str]) -> set[int]:
    """Where commas stand in "ida tom and nell": between given names, before an "and"."""
    found: set[int] = set()
    for i in range(2, len(words) - 1):
        first = i - 1
        while words[i] in ("and", "or") and first > 0 and {*words[first - 1 : first + 1]} <= GIVEN:
            if tuple(words[first - 1 : first + 1]) not in _OF_TWO:
                found.add(first)
            first -= 1
    last = {w for i in found for w in _behind_the_link(words, i)}
    return found if last & (GIVEN | TITLES | {"i", "me"}) else set()


def _behind_the_link(words: list[str], i: int) -> list[str]:
    """The word after the first "and" behind `i`."""
    at = next(j for j in range(i, len(words)) if words[j] in ("and", "or"))
    return words[at + 1 : at + 2]


_OF_TWO = {("mary", "ann"), ("mary", "anne"), ("anna", "maria"), ("john", "paul"), ("mary", "jane")}
"""Two given names of one person."""


def _plural(word: str) -> bool:
    return len(word) > 3 and word.endswith("s") and not word.endswith("ss") and word not in VERBS


def _main_clause(words: list[str]) -> int | None:
    """Where the main clause begins after a subordinate one; None if that is not plain."""
    verb_seen = False
    for i in range(2, len(words) - 1):
        if words[i] == ",":
            return None
        noun = words[i] in ("the", "our", "his", "her") and _is_subject_of(words[i + 1 : i + 4])
        asks = words[i] in INVERTED and words[i + 1] in SUBJECTS
        starts = words[i] in SUBJECT_PRONOUNS | _ANYBODY | {"please", "then", "let"} or noun or asks
        settled = words[i - 1] not in UNFINISHED and words[i - 1] not in ASKS
        if verb_seen and starts and settled and has_verb(words[i : i + 4]):
            return i
        if words[i] in ("please", "then") and verb_seen and settled:
            return i
        verb_seen = verb_seen or words[i] in VERBS or words[i].endswith("ed")
        verb_seen = verb_seen or words[i - 1] in VERBS
    return _bidding(words)


def _is_subject_of(words: list[str]) -> bool:
    """Whether a noun has its verb here: "the room is", and not "the key tell ida", "the key he"."""
    bids = words[1:2] and words[1] in BIDDING and not words[0].endswith("s")
    return has_verb(words[1:]) and not bids and not SUBJECT_PRONOUNS & set(words[1:2])


def _bidding(words: list[str]) -> int | None:
    """Where somebody is told what to do: "when the bell rings | leave the room"."""
    for i in range(3, len(words) - 1):
        if words[i] not in BIDDING or words[i + 1] not in _BIDDEN | GIVEN:
            continue
        before = words[i - 1]
        who = words[1] in SUBJECT_PRONOUNS | _ANYBODY
        acts = i == 4 and words[1] in DETERMINERS and not words[2].endswith("s")
        acts = acts and before.endswith("s") and not before.endswith("ss")
        goes_on = before in UNFINISHED | SUBJECT_PRONOUNS | _GOING_ON or before.endswith("ly")
        whom = 2 if before in _OBJECTS else 3 if words[i - 2] in DETERMINERS else 0
        made = whom > 0 and words[i - whom] in _MAKING
        if acts or who and not goes_on and not made:
            return i
    return None


_BIDDEN = DETERMINERS | frozenset(
    "it them him her me us everything everybody everyone somebody alone inside outside out down"
    " back home off up over away again".split()
)
_GOING_ON = frozenset(
    "never always ever just also not often only both all each still even help helps two".split()
)
_MAKING = frozenset("let lets make makes made help helps see saw hear heard watch have".split())
_OBJECTS = frozenset("him her them us me it you".split())


_ANYBODY = frozenset(
    "nobody everybody somebody anybody everyone someone anyone nothing everything something".split()
)
"""Subjects by themselves."""


def _addressed(made: Sequence[Element], words: list[str]) -> int | None:
    """Where the name of someone addressed begins: "thank you Ida"."""
    if not made:
        return None
    name = made[-1].fixed and made[-1].text[:1].isupper() or words[-1] in _EVERYBODY
    return len(made) - 1 if name and tuple(words[:-1]) in THANKS else None


_POINTING = frozenset(("there", "that", "this", "that's", "there's"))
_EVERYBODY = frozenset("everybody everyone sir madam".split())


def _listed(words: list[str]) -> set[int]:
    """Between days or months in a row that end in "and" or "or"."""
    found: set[int] = set()
    for i in range(len(words) - 3):
        if words[i] in _LISTED and words[i + 1] in _LISTED:
            j = i + 1
            while j < len(words) and words[j] in _LISTED:
                j += 1
            if words[j : j + 1] in (["and"], ["or"]):
                found |= set(range(i + 1, j))
    return found
