"""Said to the desk or to the letter's reader: courtesy, musing, and words that speak of the page.

Courtesy says nothing of what is asked ("could you please bold the ferry").  Musing may be asking,
and may be a sentence of the letter: "we should delete the last sentence" can only be said of a
page, "we should remove the boat" of a harbour.
"""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from itertools import zip_longest
from typing import NamedTuple

from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.lexicon.closed import CONTRACTIONS, LITTLE, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import (
    ALONE,
    ASIDES,
    COUNTS,
    OF_THE_HOUSE,
    PLAIN_VERBS,
    SPOKEN_OF,
    TRADE_NOUNS,
    TRADE_VERBS,
)
from nimble_lantern.core.lexicon.manners import (
    ASKED_DOING,
    BEING,
    BESIDE,
    FILLERS,
    HOW_MUCH,
    INSIDE,
    JUDGED,
    LEADS,
    MUSINGS,
    REMARKED_ON,
    REMARKING,
    REMARKING_SHORT,
    SOFTENING,
    STATEMENTS,
    TAILS,
    WHOLE,
    WISHES,
)
from nimble_lantern.core.lexicon.meanings import MEANINGS
from nimble_lantern.core.targets.model import is_target, of_the_page
from nimble_lantern.core.writing.cardinals import cardinal

_QUALIFYING = frozenset("no not without with plus less only just all any every some more".split())
_MOST_ADDRESSED = 8
_BEFORE = tuple(sorted((*LEADS, *MUSINGS), key=lambda p: (-len(p), p)))
_LEADS = {first: tuple(p for p in _BEFORE if p[0] == first) for first, *_ in _BEFORE}
_TAILS = {last: tuple(p for p in TAILS if p[-1] == last) for *_, last in TAILS}
_WANTING = (("i", "want"), ("i", "like"), ("i", "need"), ("want", "to"), ("need", "to"))
_GOING = (PLAIN_VERBS | TRADE_VERBS) - TRADE_NOUNS
_MUSED, _STATED = frozenset(MUSINGS), frozenset(STATEMENTS)
_LOOKS = ("marks.", "case.")
_SHOWING = (*_LOOKS, "faces.", "selecting.")
_HOUSED = ("grid.", "tables.", "notes.", "passages.", "places.", "versions.", "headings.")


_NOT_THERE = frozenset(
    "full comma question exclamation colon semicolon dash hyphen mark space gap break new bracket"
    " quote quotes paragraph line stop period apostrophe ellipsis slash passage passages note notes"
    " table version place row rows column columns list lists numbering".split()
)
"""After "no", what is not wanted: "no full stop after boat"."""


class Plainer(NamedTuple):
    """Words without what was said around them; `mused` if they may have been said to somebody else,
    `stated` if that makes a statement of them.

    `inside` if something was left out between them, which may have been words to be written.
    """

    words: tuple[str, ...]
    mused: bool = False
    inside: bool = False
    stated: bool = False
    reasoned: bool = False
    """Whether a reason was given for it: then it must be told of the page or the desk's things."""
    softened: bool = False
    """Whether what was left out between them may be words to be written: "insert quite soon"."""
    behind: bool = False
    """Whether that came behind: "mark row two so people notice" is of looks, or goes on."""
    tabled: bool = False
    """Whether "in the table" stood behind it, which only a command of tables may go without."""

    def allows(self, parse: Parse) -> bool:
        """Whether a command may be done that was spoken so: nothing is written, moved or removed
        by what may be said of a thing of the world.

        A statement must be of parts of the page or of looks: "i will come back"
        and "we can find the lamp" are written.
        """
        if self.tabled and not parse.command.name.startswith("grid."):
            return False
        if parse.command.traits.alone or self.softened and parse.free:
            return False
        if self.behind and not parse.command.name.startswith(_SHOWING):
            return False
        if self.behind and self.words[0] in TRADE_VERBS and not writes(parse):
            return True  # "bold three hundred pounds so she sees it"
        if self.reasoned and parse.command.traits.destructive and not parse.args:
            return False  # "the table is old so throw it out"
        if self.reasoned or parse.command.name.endswith(".rename"):
            return self._of_the_desk(parse)
        traits = parse.command.traits
        written = writes(parse)
        told = not self.stated or parse.command.name.startswith(_LOOKS)
        if not self.mused or told and not (traits.destructive or traits.moves or written):
            return True
        two_headings = not written and {"name", "words"} <= parse.args.keys()
        return two_headings or _of_the_page(parse)

    def _of_the_desk(self, parse: Parse) -> bool:
        command = parse.command
        if command.traits.annotates or command.name.endswith(_NAMING):
            return True
        housed = command.name.startswith(_HOUSED) and (
            "words" not in parse.args or "name" in parse.args
        )
        return not writes(parse) and (housed or _of_the_page(parse))


def _of_the_page(parse: Parse) -> bool:
    targets = [value for value in parse.args.values() if is_target(value)]
    return bool(targets) and all(of_the_page(t) for t in targets)


def writes(parse: Parse) -> bool:
    """Whether some of the words would be written; those of a table may be headings."""
    slots = {slot for slot, value in parse.args.items() if isinstance(value, tuple)}
    return bool(slots - _HEADINGS if parse.command.name.startswith("grid.") else slots)


_HEADINGS = {"words", "name", "other"}
_NAMING = (".rename", ".keep")
"""What these write is a name, and no word of the letter."""


@lru_cache(maxsize=256)
def plainer_than(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """The words without hesitation, without what comes after a request, then without what comes
    before: "no bullets please" is "no bullets" before it is "bullets"."""
    bare = _not_spelled(_said_once(tuple(w for w in words if w not in FILLERS)))
    *longer, tailed = _without_tails(bare)
    begun = _without_leads(tailed)
    inside = begun._replace(words=_without(begun.words, INSIDE), inside=True)
    kept = sum(w in SOFTENING for w in inside.words)
    inside = inside._replace(softened=kept < sum(w in SOFTENING for w in begun.words))
    whole = inside._replace(words=_without(inside.words, WHOLE))
    opened = whole._replace(words=_part_of(_in_full(whole.words)))
    less = (Plainer(w) for w in (tailed, *reversed(longer), bare))
    spared = begun._replace(words=_part_of(_in_full(begun.words))) if inside.softened else begun
    found = {p.words: p for p in (opened, whole, inside, spared, begun, *less)}
    full = Plainer(_in_full(tailed))
    plainer = [*reversed(found.values()), *([full] if full.words not in found else [])]
    return tuple(p for p in plainer if p.words and p.words != words)


def _not_spelled(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "I said fair f a i r": the letters say the word before them once more."""
    start = next((n for n in range(len(words), 0, -1) if len(words[n - 1]) > 1), 0)
    spelled = "".join(words[start:])
    twice = len(spelled) > _FEWEST_LETTERS and words[start - 1 : start] == (spelled,)
    return words[:start] if twice else words


_FEWEST_LETTERS = 2


def as_wished(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """A wish for how something should be, as one that says so, and one to see something.

    "Could monday be a blank", "i'd like monday to be a blank": "monday should be a blank"; "can i
    see my notes": "show me my notes".
    """
    *_, words = _without_tails(tuple(w for w in words if w not in FILLERS))
    while len(words) > 1 and words[0] in _GOING_ON:
        words = words[1:]
    found = []
    for lead, to in WISHES:
        if words[: len(lead)] != lead:
            continue
        rest = words[len(lead) :]
        if to == ("show", "me"):
            found.append((*to, *rest))
            continue
        size = len(to)
        if lead[-1] == "that":
            found += [(*rest[:i], "should", "be", *rest[i + 1 :])
                      for i in range(1, len(rest) - 1) if rest[i] in ("is", "are")]  # fmt: skip
        for i in range(1, len(rest) - size):
            if rest[i : i + size] == to and rest[i + size] in BEING:
                found.append((*rest[:i], "should", *rest[i + size :]))
    found += _better_if(words)
    return tuple(Plainer(w) for w in found if w[0] not in SUBJECT_PRONOUNS - {"there"})


_GOING_ON = frozenset("and now so well yes but then also no".split())


def _better_if(words: tuple[str, ...]) -> list[tuple[str, ...]]:
    """ "It would be better if the title were larger" wishes that the title should be."""
    for i in range(2, len(words) - 2):
        if words[i] != "if" or words[i - 1] not in _BETTER or "would" not in words[:i]:
            continue
        rest = words[i + 1 :]
        at = next((n for n, w in enumerate(rest) if w in ("was", "were", "had") and n), 0)
        if at and rest[0] not in SUBJECT_PRONOUNS:
            verb = ("should", "have") if rest[at] == "had" else ("should", "be")
            return [(*rest[:at], *verb, *rest[at + 1 :]), ("make", *rest[:at], *rest[at + 1 :])]
    return []


_BETTER = frozenset("better nicer clearer best good lovely it happier".split())


def reasoned(words: tuple[str, ...], selected: bool = False) -> tuple[Plainer, ...]:
    """A request without the reason that is given for it.

    "I've forgotten one so i need another row below row two", "mark row two so people notice".
    """
    found: dict[tuple[str, ...], None] = {}
    shown: dict[tuple[str, ...], None] = {}
    for i in range(2, len(words) - 1):
        rest = words[i + 1 :]
        points = not _POINTING.isdisjoint(rest) and not selected
        if words[i] == "so" and rest[0] not in _NO_REASON and not points:
            found |= dict.fromkeys((rest, *(p.words for p in plainer_than(rest))))
        if words[i] in _REASONS and words[i - 1] not in _NO_REASON:
            shown |= dict.fromkeys((words[:i], *(p.words for p in plainer_than(words[:i]))))
    return tuple(
        Plainer(w, mused=True, reasoned=True, behind=w in shown and w not in found)
        for w in (*found, *shown)
        if len(w) > 1
    )


_POINTING = frozenset("it that this them those these both all".split())
"""In what is asked for a reason, they may speak of what the reason names."""
_REASONS = frozenset(("so", "because"))
_NO_REASON = frozenset("that much many far long as are is was do did and or not if just".split())


_PUTTING = frozenset("add put insert write append place type stick pop".split())
_SAYING = frozenset("say spell read write type".split())
_BESIDE_IT = frozenset(
    (link, it)
    for link in ("in", "before", "after", "behind", "to", "at", "round", "around")
    for it in ("front", "it", "that", "this", "them")
)


def _in_full(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "What's new" is asked as "what is new", and "what's changed" as "what has changed"."""
    said: list[str] = []
    for word, behind in zip_longest(words, words[1:]):
        full = CONTRACTIONS.get(word, (word,))
        said += (full[0], "has") if full[1:] == ("is",) and behind in _DONE else full
    return tuple(said)


_DONE = frozenset("changed been become happened gone moved got".split())
"""Behind "'s", it is "has"."""


def _part_of(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "Paragraph two's first word" is asked for as "the first word of paragraph two"."""
    for i, word in enumerate(words):
        whole = word.removesuffix("'s")
        if whole == word or not (whole in TRADE_NOUNS or cardinal((whole,), 0)):
            continue
        last = TRADE_NOUNS | {"end", "start", "beginning"}
        ends = (j for j in range(i + 2, min(len(words), i + 5) + 1) if words[j - 1] in last)
        starts = (s for s in range(i + 1) if _names_a_part((*words[s:i], whole)))
        end, start = next(ends, None), next(starts, None)
        if end is not None and start is not None:
            part = ("the", *words[i + 1 : end], "of", *words[start:i], whole)
            return (*words[:start], *part, *words[end:])
    return words


def _said_once(words: tuple[str, ...]) -> tuple[str, ...]:
    """Without what was said twice while somebody thought: "the the last line"."""
    gone: set[int] = set()
    for i in range(1, len(words)):
        if words[i] == words[i - 1] and words[i] in LITTLE:
            gone.add(i)
    return tuple(w for i, w in enumerate(words) if i not in gone)


def _without(words: tuple[str, ...], phrases: Sequence[tuple[str, ...]]) -> tuple[str, ...]:
    """Without some phrases behind the first word, wherever they stand."""
    kept = list(words[:1])
    i = 1
    while i < len(words):
        said = next((p for p in phrases if words[i : i + len(p)] == p), ())
        kept += words[i : i + 1] if not said else ()
        i += len(said) or 1
    return tuple(kept)


def wordings(words: Sequence[str]) -> tuple[tuple[str, ...], ...]:
    """The words as they were said, and plainer."""
    return tuple(words), *(p.words for p in plainer_than(tuple(words)))


def barest(words: Sequence[str]) -> tuple[str, ...]:
    """The words without anything said around them."""
    return wordings(words)[-1]


def of_what_is_selected(words: Sequence[str]) -> bool:
    """Whether words said while something is selected may speak of it, or to the desk.

    After "select the hut", "the shed" is written over it; "the other one" and "bold and italic"
    are not.
    """
    if any(tuple(words[: len(aside)]) == aside for aside in ASIDES):
        return True
    if words[0] == "and" and (words[-1] in ("too", "also") or words[-2:] == ("as", "well")):
        return True
    if words[0] in _LESS and len(words) <= _FEW_LESS or words[-1] == "more" and len(words) <= 3:
        return True  # "not the full stop", "a bit more"
    bare = barest(words)
    if not bare or len(bare) > _MOST_ADDRESSED:
        return False
    if len(words) > 1 and words[-1] == "please" and words[-2] != "yes":
        return True  # "red please"
    if bare[1:2] and bare[1] in SPOKEN_OF and bare[-1] in _EDGES:
        return True  # "send it to the end"
    if bare[0] in _PUTTING and (bare[-1] in _EDGES or bare[-2:] in _BESIDE_IT):
        return True  # "add at last to the end", "put luckily in front"
    if bare[0] in _PUTTING | _SAYING and bare[1:2] and bare[1] in SPOKEN_OF:
        return True  # "say it in capitals"
    if bare[:2] == ("the", "same"):
        return True
    if bare[-1] in SPOKEN_OF and bare[-2:-1] and bare[-2] in PREPOSITIONS | BESIDE:
        return True  # "a new line before it"
    if bare[0] in _ASKING and not SPOKEN_OF.isdisjoint(bare):
        return True  # "how often is it there"
    if any(_names_a_part(bare[i:]) for i in range(1, len(bare) - 1)):
        return True
    if len(bare) == 1 and bare[0] in ALONE:
        return True
    trade = sum(w in TRADE_NOUNS or w in TRADE_VERBS for w in bare)
    of_it = any(w in SPOKEN_OF for w in bare)
    if cardinal(bare, 0) and bare[-1] in TRADE_NOUNS:
        # "Two more words", "three words further".
        return True
    if bare[0] in TRADE_VERBS or trade * 2 >= len(bare):
        return True
    if "selection" in bare:
        return True
    if trade and {words[0], bare[0]} & _QUALIFYING or of_it and "instead" in bare:
        # "No formatting at all", "the blue one instead of that".
        return True
    if bare[0] in PLAIN_VERBS or bare[0] in MEANINGS:
        # "Leave a note there to ask Nell."
        return of_it or trade > 0 or not OF_THE_HOUSE.isdisjoint(bare[1:_FIRST_WORDS])
    if of_it and len(bare) <= 3:
        return True
    return len(bare) <= 4 and bare[-1] in ("one", "ones") or len(bare) == 1 and of_it


_ASKING = frozenset("how what where which why".split())
_EDGES = frozenset("end start top bottom beginning there".split())
_FIRST_WORDS = 4
_LESS, _FEW_LESS = frozenset("not without except minus".split()), 5


def _names_a_part(words: tuple[str, ...]) -> bool:
    """ "Include the next two words" ends with a part of the page."""
    return bool(set(words) & TRADE_NOUNS) and bool(CATALOGUE.grammar.parses("part", words))


def a_remark(words: Sequence[str]) -> bool:
    """What is thought of what stands there: "that sounds a bit sharp", "it's too long"."""
    if not words:
        return False
    whole = words[0] in REMARKED_ON and words[1:2] != () and words[1] in REMARKING
    bare = words[0] in REMARKING_SHORT or words[0] in _HOW_MUCH_TOO and len(words) > 1
    rest = words[2:] if whole else words[1:] if bare else ()
    return bool(rest) and rest[-1] in JUDGED and HOW_MUCH.issuperset(rest[:-1])


_LONGEST_REMARK = 7
_HOW_MUCH_TOO = frozenset(("too", "way", "rather"))
"""They begin a remark in which nothing else is said: "too loud, small letters again"."""


def remark_before(words: Sequence[str]) -> int:
    """How many first words are a remark; 0 where none are, or nothing comes after them."""
    ends = range(min(_LONGEST_REMARK, len(words) - 1), 1, -1)
    return next((n for n in ends if a_remark(words[:n])), 0)


def remark_after(words: Sequence[str]) -> int:
    """How many last words are a remark; 0 where none are, or nothing comes before them."""
    sizes = range(min(_LONGEST_REMARK, len(words) - 1), 1, -1)
    return next((n for n in sizes if a_remark(words[-n:])), 0)


def _without_leads(words: tuple[str, ...]) -> Plainer:
    """Without what comes before a request: "okay could you please delete it" is "delete it"."""
    mused = stated = False
    while words:
        words = words[remark_before(words) :]
        leads = (lead for lead in _LEADS.get(words[0], ()) if words[: len(lead)] == lead)
        lead = next((lead for lead in leads if len(lead) < len(words)), None)
        if lead is None and words[:2] in _WANTING and words[2:3] and words[2] in _GOING:
            lead = words[:2]  # "i want go to the end", as somebody says who learned English late
        if lead is None or lead == ("no",) and words[1] in _NOT_THERE and "instead" not in words:
            break
        mused, stated = mused or lead in _MUSED, stated or lead in _STATED
        words = words[len(lead) :]
        if lead[-1] == "mind" and words[0] in ASKED_DOING:
            words = (ASKED_DOING[words[0]], *words[1:])
    if words and words[0] in ASKED_DOING:
        # "Deleting the last sentence" can be said of a page, "adding salt" of anything.
        return Plainer((ASKED_DOING[words[0]], *words[1:]), True, stated=stated)
    if len(words) > 2 and words[0] == words[1]:
        # "Undo undo that."
        words = words[1:]
    return Plainer(words, mused, stated=stated)


def _without_tails(words: tuple[str, ...]) -> tuple[tuple[str, ...], ...]:
    """Without what comes after a request, one after another: "delete it for me please" is "delete
    it for me" and "delete it"; at least the words themselves."""
    found = [words]
    while words:
        tails = (tail for tail in _TAILS.get(words[-1], ()) if words[-len(tail) :] == tail)
        tail = next((tail for tail in tails if len(tail) < len(words)), ())
        size = len(tail) or remark_after(words)
        before = words[-size - 1 : -size] if size else ()
        if not size or before and before[0] in NEVER_BARE:
            break  # "The line that begins with thank you" names those words
        if tail == ("sorry",) and not _FEELING.isdisjoint(before):
            break  # "It should say we are sorry"
        words = words[:-size]
        found.append(words)
    return tuple(found)


NEVER_BARE = frozenset("with of the a an than from".split())
"""No request ends with one of them: "kindly instead of please", "leave out the please"."""
_OTHERS = frozenset("me us him her them".split())
_FEELING = frozenset(
    "am are is was were be been so very really terribly i'm we're she's he's they're feel say says"
    " and".split()
)


def opens_a_request(words: Sequence[str]) -> bool:
    """Whether words begin with a verb of the desk, a wish, or a part of the page.

    "Take the ...", "could you ...", "in the last paragraph ...", "the second row ...", "shorten the
    last paragraph".
    """
    bare = barest(words) or tuple(words)
    if bare[0] == "leave" and bare[-2:-1] == ("to",) and bare[-1] in _OTHERS:
        return False  # "leave it to me"
    wished = any(said[: len(lead)] == lead for lead, _ in WISHES for said in (bare, words))
    if wished or bare[0] in TRADE_VERBS | PLAIN_VERBS:
        return True
    placed = bare[1:] if bare[0] in PREPOSITIONS | BESIDE else bare
    parts = (placed, placed[1:])
    return any(part[:1] == ("the",) and not TRADE_NOUNS.isdisjoint(part[1:4]) for part in parts)


def tells_of_a_part(words: Sequence[str]) -> bool:
    """Whether something is to be done to a counted part: "turn the second bullet into a poem".

    A letter seldom says so of its own parts; "read the first paragraph before you sign" has
    somebody who does it.
    """
    bare = barest(words)
    sentence = (SUBJECT_PRONOUNS | _STOPPED) & set(bare)
    if not bare or bare[0] not in TRADE_VERBS | PLAIN_VERBS or sentence:
        return False
    named = bare[2:4] if bare[1:2] == ("the",) else bare[1:3]
    if len(named) < 2:
        return False
    counted = named[0] in COUNTS and named[1] in _WRITTEN_PARTS
    return counted or named[0] in _WRITTEN_PARTS and cardinal(named, 1) is not None


_STOPPED = frozenset("comma stop period colon semicolon".split())
_WRITTEN_PARTS = frozenset("paragraph sentence bullet heading".split())
