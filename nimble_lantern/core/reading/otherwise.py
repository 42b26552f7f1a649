"""The ways in which people ask for anything, put as the commands ask for it.

"On to the next note", "the second row can go", "what does note one say": commands know their own
verbs, and each of a few things asked of a part is said in many ways, whatever the part.  Here a
request in one of those ways is put in the plain one, and then read as any other wording is.  As
most of them are ordinary sentences, it counts only where the rest names a part of a page or of the
desk, and nothing would be written but what a note or a cell says.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import partial

from nimble_lantern.core.grammar.catalogue import CATALOGUE, Named, Parse
from nimble_lantern.core.lexicon.desk import OF_THE_HOUSE
from nimble_lantern.core.targets.model import (
    CellAt,
    Crossing,
    Order,
    Units,
    is_target,
    of_the_page,
)

_Said = tuple[str, ...]
_LONGEST = 14
"""Words of a request."""
_ALIKE = {
    "reminder": "note", "reminders": "notes",
    "comment": "note", "comments": "notes", "remark": "note", "remarks": "notes",
    "bookmark": "place", "bookmarks": "places", "difference": "change", "differences": "changes",
    "gap": "blank", "gaps": "blanks", "snippet": "passage", "snippets": "passages",
}  # fmt: skip
"""Other names of the desk's things, as the patterns have them."""


_WAYS = {
    "go to": (
        "(<go> | lead me) [(on | over | back | straight | right | down | up)] (to | in | at | on)"
        " {rest:words}",
        "[and] [now] (on | over | down | up | along | across | off | straight) to {rest:words}",
        "(where is | where's | find [me] | let me go to | visit) {rest:words}",
        "i (want | need) to (be | go) (at | to | in) {rest:words}",
        "(i want to | let me | i'd like to | i will | i'll) (write | go | carry) on (at | from)"
        " {rest:words}",
    ),
    "select": (
        "(i want to | let me | let us | let's | i'd like to | i would like to | i need to)"
        " (work on | deal with | look after | change | do something with) {rest:words}",
        "(take | choose) {rest:words} [for me]",
    ),
    "delete": (
        "{rest:words} (can | could | may | should | must | has to | have to | needs to)"
        " [(all | now)] (go | come out | be left out | be dropped) [(away | now)]",
        "(i | we) (can | could) [(well | easily)] (do | manage) without {rest:words}",
        "{rest:words} (is | are) (superfluous | unnecessary | one too many | too much | surplus)",
        "{rest:words} (is | are) (not | no longer) (needed | wanted) [(<any_more> | now)]",
        "(i | we) (do not | don't | no longer) (need | want) {rest:words} [<any_more>]",
        "(<remove> | <discard> | forget about | (away | out | off) with | no need for)"
        " {rest:words}",
        "forget (the | that | this) {rest:words}",
        "(take | get | throw | clear) {rest:words} (out | away | off)",
    ),
    "read": (
        "(read [me] [out] [aloud] | say | speak | recite | (let me | i want to | i would like to"
        " | i'd like to) (hear | listen to))"
        " {rest:words} [(aloud | out [loud] | to me)]",
        "(what does | what do) {rest:words} say",
        "how does {rest:words} (sound | go | read)",
        "(tell me | i want to know | let me know) what {rest:words} says",
    ),
    "show": (
        "(what | which) {rest:words} (are there | have (i | we) [got] | do (i | we) have)",
        "(display | list | let me (see | look at | have) | i want to see | (call | bring | pull) up"
        " | what is | what's | give me | [give me] a list of | where are | what are | show me)"
        " [all] {rest:words}",
    ),
    "bring back": (
        "(<wish> | get | bring | put | fetch | let me have) {rest:words} back [again]",
        "(get | have) back {rest:words}",
        "(restore | recover | retrieve | reinstate | revive | return to | back to) {rest:words}",
    ),
    "add a": (
        "(<wish> | <put> | create | make | give me) (<more> | an additional) {rest:words}",
        "(another | one more | an extra | an additional | a further) {rest:words}",
        "(<wish> | i need | there is to be) a {rest:words} (as well | too | also)",
    ),
    "stop": (
        "([(that's | that is)] enough [of] | no more | leave | quit | exit | close | end | finish"
        " | [(i am | i'm | we are | we're)] (done | finished) with) {rest:words}",
        "(get | take | let) me out of {rest:words}",
    ),
}
"""The plain way to ask, and others."""
_WAYS |= {
    plain: (f"{{rest:words}} (needs | wants | could do with) {gerund}",)
    for plain, gerund in {
        "bold": "(bolding | emboldening)",
        "italicise": "(italicising | italicizing)",
        "underline": "underlining",
        "centre": "(centring | centering)",
        "capitalise": "(capitalising | capitalizing)",
        "sort": "sorting",
        "indent": "indenting",
    }.items()
}
_WAYS_TO_CHANGE = (
    "{rest:words} (should | must | ought to | has to | needs to | is to) (say | read) {text:words}",
    "make {rest:words} [(say | read)] {text:words}",
    "(<change> | set | reword | update | turn) {rest:words} (to | into | as) [(say | read)]"
    " {text:words}",
    "(let | have) {rest:words} (say | read) {text:words}",
)


def _plainly(plain: str, rest: _Said, text: _Said = ()) -> _Said:
    return (*plain.split(), *rest, *(("to", *text) if text else ()))


for _plain, _ways in (*_WAYS.items(), ("change", _WAYS_TO_CHANGE)):
    CATALOGUE.rule("otherwise", *_ways, heard=False)(partial(_plainly, _plain))


def otherwise(words: Sequence[str]) -> Iterator[_Said]:
    """The plain ways to say a request that names a part in another way; the same may come twice."""
    words = tuple(words)
    if not 2 <= len(words) <= _LONGEST:
        return
    alike = tuple(_ALIKE.get(w, w) for w in words)
    if not OF_THE_HOUSE.isdisjoint(alike) and alike != words:
        yield alike
    for wording in dict.fromkeys((words, alike)):
        for found in CATALOGUE.grammar.parses("otherwise", wording):
            if found.value != words:
                yield found.value


def surely(parse: Parse, words: Sequence[str]) -> bool:
    """Whether a request put so is one: nothing but a part of the page or the desk is named."""
    values = list(parse.args.values())
    targets = [v for v in values if is_target(v)]
    cells = [t for t in targets if isinstance(t, Crossing | CellAt)]
    if any(isinstance(v, tuple) for v in values):
        return bool(cells) and cells == targets or not targets and parse.command.traits.annotates
    if not all(map(of_the_page, targets)):
        return False
    called = any(isinstance(v, Named) for v in values)
    housed = not OF_THE_HOUSE.isdisjoint(words)
    if parse.command.traits.destructive or parse.command.traits.moves or words[0] == "delete":
        # "We do not need notes", "the cell is no longer needed": nothing is told apart by that.
        if not values or any(isinstance(t, Units) and t.order is Order.THIS for t in targets):
            return False
        return housed or not called
    if called:
        return housed
    return housed or bool(targets)
