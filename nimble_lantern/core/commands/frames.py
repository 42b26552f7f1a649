"""The word orders in which people ask for a look: written once for bold, capitals, lists and all.

A frame is a pattern with a place for the look's adjective ("italic", "in capitals", "a list") or
its noun ("a highlight", "bullets").  Frames that are whole statements ("the title should be bold")
are left out where a sentence of a letter may well say the same ("the door should be red").
"""

from __future__ import annotations

ADD = "(<begin> | <put> | put in | make me | give me | i need | <wish> | there <shall> be)"
SAYING = (
    "saying | that says | which says | reading | that reads | which reads | with the (words | text)"
)
"""Before what is asked for with its words, and between the two: "add a line saying ..."."""


def made(adjective: str, stated: bool = True) -> tuple[str, ...]:
    """A target is made so: "make the title bold", "i want the title in capitals"."""
    said = (
        f"<make> {{target}} [(to be | stand out)] [<into>] {adjective}",
        f"<wish> {{target}} [to be] [<into>] {adjective}",
    )
    return (*said, f"{{target}} [<into>] {adjective}", *told(adjective)) if stated else said


def told(adjective: str) -> tuple[str, ...]:
    """It is said of a target how it should be: "the title should be bold"."""
    return (
        f"{{target}} <shall> [(just | only)] (be | stand out) [<into>] {adjective}",
        f"(can | could | may | might | let | have) {{target}} be [<into>] {adjective}",
        f"(make it so | make sure | see to it | see) [that] {{target}} is [<into>] {adjective}",
        f"{{target}} (goes | should go) <into> {adjective}",
        f"(make | let) {{target}} (appear | look) [<into>] {adjective}",
        f"{{target}} could do with being [<into>] {adjective}",
        f"{{target}} would look (better | good | nice | nicer) [<into>] {adjective}",
    )


def standing(slot: str, how: str, *, stated: bool = True) -> tuple[str, ...]:
    """Something is to be so: "leave row two blank", "the first column should be wider"."""
    said = (
        f"(make | set | get | have | leave | keep | put | turn) {slot} [to be] {how}",
        f"<wish> {slot} [to be] {how}",
        f"{slot} <shall> [(just | only)] [be] {how}",
        f"(let | may | can | could) {slot} be {how}",
    )
    return (*said, f"{slot} {how}") if stated else said


def made_of(noun: str) -> tuple[str, ...]:
    """It is made of a target: "make a heading of the first line"."""
    return (f"(make | create | form) {noun} [out] (of | from) {{target}}",)


def given(noun: str) -> tuple[str, ...]:
    """A target is given it: "put a highlight on the title", "give the title a line under it"."""
    a = "[(a | an | some | the)]"
    return (
        f"apply {a} {noun} to {{target}}",
        f"give {{target}} {a} {noun}",
        f"(<put> | draw | set | use | apply) {a} {noun} <upon> {{target}}",
        f"(mark | show | set | write | have | make) {{target}} with {a} {noun}",
        f"{{target}} with {a} {noun}",
        f"{{target}} (needs | wants | could do with | <shall> have | <shall> get) {a} {noun}",
        f"{a} {noun} (for | on) {{target}}",
    )


def listed(things: str) -> tuple[str, ...]:
    """All of a kind are asked for: "show my notes", "which notes are there"."""
    return (
        f"(show | list | tell | read) [me] [all] [(my | the | all my | all the)] {things}",
        f"(what | which | how many) {things} (are there | do i have | have i [got]"
        " | have i (made | kept | named | stored | marked | saved | put) | did i (make | keep"
        " | name | save))",
        f"let me (see | hear) [all] [(my | the)] {things}",
        f"(are there | do i have | have i got) any {things}",
        f"(what | which | how many) {things} (are | have been) (kept | saved | named | stored"
        " | made | marked | set | put in)",
    )


def left(thing: str) -> tuple[str, ...]:
    """Nothing more goes into it: "that's enough of the list", "i've finished the table"."""
    the = f"(the | this | that) {thing}"
    return (
        f"[(i'm | i am | we're | we are | that's | i've | i have | we've | we have)] [(all | now)]"
        f" (done | finished | through) [with] {the} [now]",
        f"[i think] (that's | that is | that'll be | that will be) ({the} [(done | finished |"
        f" complete)] | [(all | it | everything | enough | the end | plenty)] (on | of | for | in |"
        f" with) {the}) [(now | then)]",
        f"{the} is (done | finished | complete | full | over) [now]",
        f"(enough | no more) (of | for | in | on) {the} [now]",
        f"(let me | can i | i want to | i'd like to) (get | come | go) out of {the} [now]",
        f"(get | come | go | let's get) out of {the} [now]",
    )


def opened(thing: str) -> tuple[str, ...]:
    """A page is asked for: "let me see the settings", "my figures please"."""
    return (
        f"(show | open | display | see | view | bring up | pull up | call up) [me] {thing}",
        f"(let me | i want to | i'd like to | i need to | can i | could i) (see | look at | have a"
        f" look at | check | open | go to | get to) {thing}",
        f"(go | switch | over | take me | bring me | get me | back) [back] [over] to {thing}",
        f"what are {thing}",
        f"<wish> {thing}",
        f"{thing} please",
    )


def running_on(style: str) -> tuple[str, ...]:
    """What is written next is to look so: "blue letters from here", "use courier from now on"."""
    on = "(from (here | now) [(on | onwards)] | now)"
    return (
        f"(write | type | go on | carry on | continue) [(writing | typing)] (in | with) {style}"
        f" [{on}]",
        f"(use | switch to | change to | start with | start writing [in] | let me write in) {style}"
        f" {on}",
        f"[(everything | the next words)] [in] {style} {on}",
        f"{on} [(write | use)] [in] {style}",
        f"the next words [(are | should be)] [in] {style}",
    )


def walked(noun: str) -> tuple[str, ...]:
    """One after another is gone to: "next note", "and the change after that", "back a blank"."""
    return (
        f"[and] [<go>] [(on | back)] [to] [the] {{step}} {noun}",
        f"[and] (show [me] | read [me] | take me to | bring me to | let me (see | hear) | what is"
        f" | what's | where is | where's | <wish> | skip to | jump to) the {{step}} {noun}",
        f"[and] [<go>] [(back | on)] [to] [the] {noun} {{step:beside_it}} [(this | that)] [one]",
        f"[<go>] {{step:ways_along}} (a | one) {noun}",
        f"one {noun} {{step:ways_along}}",
    )


def unmade(adjective: str) -> tuple[str, ...]:
    """A target is so no more: "make the title not bold", "the title needn't be a heading"."""
    return (
        f"<make> {{target}} (not | no longer | no more) [<into>] {adjective}",
        f"<wish> {{target}} (not | no longer) [to be] [<into>] {adjective}",
        f"{{target}} (not | no longer) [<into>] {adjective}",
        f"{{target}} <should_not> be [<into>] {adjective}",
        f"[(i | we)] (do not | don't) (want | need | like) {{target}} [<into>] {adjective}",
        f"(take | bring | get) {{target}} out of {adjective}",
        f"stop {{target}} [from] being [<into>] {adjective}",
    )


def taken(noun: str) -> tuple[str, ...]:
    """It is taken off a target: "get rid of the bold on the title", "no capitals in that"."""
    the = "[all] [(the | its | their | any)]"
    return (
        f"<undress> {the} {noun} <upon> {{target}}",
        f"(take | get | lift) {the} {noun} (off | away from | from | out of) {{target}}",
        f"(no | not | not any | no more) {noun} <upon> {{target}}",
        f"{noun} off {{target}}",
        f"{{target}} without [(a | an | any | the)] {noun}",
    )


def gone(noun: str) -> tuple[str, ...]:
    """Said of what is selected, or was just done: "remove the bullets", "bullets off"."""
    the = "[(all | both)] [(the | its | their | any | that | this | of the)]"
    return (
        f"<undress> {the} {noun}",
        f"(take | get) {the} {noun} (off | away | out)",
        f"(turn | switch) {the} {noun} off",
        f"(no | no more | not any) {noun}",
        f"{noun} (off | away | gone | out)",
        f"(i do not | i don't) want {the} {noun} [(<any_more> | here | there)]",
    )


def _thing(slot: str, noun: str) -> str:
    """A thing called by its kind and its name, in either order."""
    return f"((the | my) {noun} [(called | named)] {{{slot}}} | [(the | my)] {{{slot}}} {noun})"


def called(noun: str) -> tuple[str, ...]:
    """Where one is, or how the text is, gets a name: "make a version and call it first draft"."""
    by_name = (
        "(called | named | and call it | by the name [of] | with the name [of] | under the name"
    )
    return (
        f"(make | save | keep | set | put | store | create | mark | leave | drop | start) (a |"
        f" this |"
        f" the) [new] {noun} [here] {by_name} | name | as) {{text:words}}",
        f"this is [(the | a)] {noun} [(called | named)] {{text:name_given}}",
        f"(this | the present | the current) {noun} (gets | has | shall have) the name"
        f" {{text:words}}",
        f"(the | [the] name of (the | this)) {noun} [here] (is called | is named | shall be called"
        f" | should be called) {{text:words}}",
        f"(save | make | keep | store | mark | create | name | call) (a | the) {noun}"
        f" {{text:name_given}} [(here | in here)]",
        f"(set | put | drop | leave | add) a {noun} {{text:name_given}} [(here | in here)]",
        f"[new] {noun} (name | called | named) {{text:name_given}}",
    )


def renamed(slot: str, noun: str) -> tuple[str, ...]:
    """A named thing gets another name: "the place budget should be called costs"."""
    thing = _thing(slot, noun)
    it = f"({thing} | [(the | my)] {{{slot}}})"
    last = "[(instead | from now on | now | from here on)]"
    return (
        f"rename {it} [(to | as | into)] {{text:words}} {last}",
        f"(call | name) {thing} [(to | as | into)] {{text:words}} {last}",
        f"(call | name) {it} {{text:words}} (instead | from now on | from here on)",
        f"(let | have) {it} be [now] (called | named | renamed) {{text:words}} {last}",
        f"{it} <shall> be [now] (called | named | known as | renamed [(to | as)]) {{text:words}}"
        f" {last}",
        f"<wish> {it} [to be] (known as | called | named) {{text:words}} {last}",
        f"{thing} (is [to be] | gets) [now] (called | named | renamed [(to | as)]) {{text:words}}"
        f" {last}",
        f"(change | alter) the name of {it} (to | into) {{text:words}}",
        f"(change | alter) the name of (the | my) {noun} from {{{slot}}} to {{text:words}}",
        f"(change | alter) {{{slot}:owned_{slot}}} name (to | into) {{text:words}}",
        f"(give | let) {it} [have] (the name | another name | a new name) {{text:words}}",
        f"the name of {it} (<shall> be | is [now]) {{text:words}}",
        f"{thing} is {{text:words}} (from now on | from here on)",
    )


def renamed_alone(slot: str) -> tuple[str, ...]:
    """The same of the name alone, which has to be unmistakable: "call first draft spring letter";
    "call nell tomorrow" gives no name."""
    it = f"[(the | my)] {{{slot}}}"
    return (
        f"(call | name) {it} [(to | as)] {{text:words}}",
        f"{it} ([is] [to be] | gets) [now] (called | named | renamed [(to | as)]) {{text:words}}",
        f"{it} is from now on {{text:words}}",
    )


def unnamed(slot: str, noun: str, nouns: str) -> tuple[str, ...]:
    """A named thing is wanted no more: "i don't need the sign off passage any more"."""
    return _dropped(_thing(slot, noun)) + (
        f"(<remove> | <discard> | forget | take | strike) [(the | my)] {{{slot}}} (from | out of |"
        f" off) (the | my) [list of] {nouns}",
    )


def unnamed_alone(slot: str) -> tuple[str, ...]:
    """The same of the name alone, which has to be unmistakable."""
    it = f"[(the | my)] {{{slot}}}"
    return (
        f"(forget | unname) {it}",
        f"(throw | put) {it} away",
        f"(throw away | discard | scrap) {it}",
        f"[(i | we)] (do not | don't) need {it} <any_more>",
    )


def _dropped(it: str) -> tuple[str, ...]:
    return (
        f"(<remove> | <discard> | forget | unname) {it}",
        f"(take | throw | put) {it} (away | out | off)",
        f"{it} (can | may | should | must | has to) [(all | now)] (go | come out) [(now | away)]",
        f"[(i | we)] (do not | don't | no longer) (need | want) {it} [<any_more>]",
        f"{it} is (not | no longer) (needed | wanted) [<any_more>]",
        f"no (need for | more of) {it} [<any_more>]",
        f"[(i'm | i am | we're | we are)] (done | finished) with {it}",
    )
