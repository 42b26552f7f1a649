"""Words that mean the same to the desk, as patterns: every command is said with any of them.

The groups follow Roget's Thesaurus (1911, in the public domain), under Removal, Insertion, Change,
Motion and their like, kept to what people say of words on a page.
"""

from __future__ import annotations

from typing import NamedTuple


class WordClass(NamedTuple):
    """The usual words, which recognisers listen for too, and the others that are understood."""

    usual: str
    others: str = ""


CLASSES = {
    "remove": WordClass(
        "(delete | remove | erase | take out | get rid of)",
        "(rub out | cross out | scratch out | scrub out | strike out)",
    ),
    "discard": WordClass(
        "(drop | lose | cut out)",
        "(wipe [out] | take (off | away) | throw (out | away) | scrap | bin | scratch | scrub"
        " | (cut | knock | chop | lop | snip | trim | lift) off | chuck [out] | strike"
        " | clear [out | away] | do away with | dispense with | leave out"
        " | ditch | axe | kill | chop | chop out | knock out | discard | dump | blot out)",
    ),
    "undress": WordClass(
        "(remove | take off | get rid of | clear)",
        "(lose | drop | turn off | switch off | undo | cancel | delete | strip [off] | lift"
        " | take away | do away with)",
    ),
    "change": WordClass(
        "(change | replace | swap)",
        "(alter | correct | amend | edit | overwrite | rewrite)",
    ),
    "select": WordClass("(select | pick out)", "(make [a] selection of | put the selection on)"),
    "pick": WordClass(
        "(choose | pick)", "(mark | grab | (choose | pick) me | (take | get) hold of)"
    ),
    "put": WordClass(
        "(insert | put | add | write)",
        "(type | place | pop | stick | slip | squeeze | slot | drop | bung | shove | tuck | fit)",
    ),
    "shift": WordClass("(move | shift)", "(drag | slide | transfer | relocate | shove)"),
    "set_down": WordClass("(put | bring)", "(place | pop | stick)"),
    "make": WordClass(
        "(make | put | set | turn | change)",
        "(have | get | convert | format | write | style | render | show | print | stick | pop"
        " | switch)",
    ),
    "into": WordClass("(in | into | to)", "(as | back to | back into)"),
    "wish": WordClass(
        "(i want | let's have)",
        "(i'd [(quite | rather | just)] like | i would [(quite | rather | just)] like | i wanted"
        " | i should like | i need | we want | we need"
        " | let us have | have | can we have | could we have | might we have | may i have"
        " | could i have | can i have | might i have | i'd like to see | i want to see"
        " | i would like to see | how about | what about | i fancy | could do with | let's see"
        " | we could do with | i could do with | i would prefer | i'd prefer)",
    ),
    "adopt": WordClass(
        "(use | switch to)",
        "(change [it] [over] to | go (over to | for) | put on | give me | turn on | set (it | the"
        " desk) to | let's use | <wish>)",
    ),
    "shall": WordClass(
        "(should | must)",
        "(ought to | has to | have to | needs to | need to | wants to | is to | are to"
        " | would be better as | should really)",
    ),
    "should_not": WordClass(
        "(should not | shouldn't)",
        "(ought not to | must not | mustn't | need not | needn't | does not need to"
        " | doesn't need to | is not to | isn't to)",
    ),
    "caret": WordClass(
        "the (cursor | caret)",
        "[the | my] (cursor | caret | pointer | insertion (point | place) | writing place"
        " | typing (point | place))",
    ),
    "go": WordClass(
        "(go | move | jump | take me | put <caret> | move <caret>)",
        "(hop | head | get | come | go over | come over | (put | get | bring | move | place |"
        " set | pop | stick) me"
        " [down | back | over] | hop over | back up | skip | <caret>"
        " | (place | position | set | bring | take | get | shift | push | nudge) <caret>)",
    ),
    "go_over": WordClass("(step | skip | jump | hop)", "(go | move)"),
    "beginning": WordClass(
        "(start | beginning | top)", "[very] (start | beginning | top | front | head)"
    ),
    "finish": WordClass("(end | bottom)", "[very] (end | bottom | finish | foot | close)"),
    "the_text": WordClass(
        "of the (document | text | letter)",
        "[of] [the | this | my] (document | text | page | letter | whole thing | everything)"
        " | [of] (the | this | my) (story | essay | article | report | notice | speech | poem"
        " | recipe | minutes | newsletter | invitation | draft | chapter)",
    ),
    "ahead_of": WordClass("(before | in front of)", "ahead of"),
    "behind": WordClass("(after | behind)", "(following | past)"),
    "exactly": WordClass("[to]", "[to] (just | right | immediately | straight | directly)"),
    "upon": WordClass(
        "(on | to | under | from | in)",
        "(underneath | through | over | around | round | for | at | of | with | beneath | across"
        " | onto)",
    ),
    "everywhere": WordClass(
        "(everywhere | throughout | every time | all [the way] through)",
        "(always | each time [it (occurs | appears | comes)]"
        " | every time it (occurs | appears | comes) | in (all | every) (place | places)"
        " | (all the | right the | the whole) way through"
        " | (wherever | everywhere | every time | each time) (it | he | she) (appears | occurs"
        " | stands | comes [up] | turns up | crops up | is | says that)"
        " | (wherever | everywhere | every time | each time) ((it | he | she) is | it's | he's"
        " | she's | they are | they're) (mentioned | named | written | used)"
        " | (wherever | everywhere | every time | each time) they (appear | occur | come [up])"
        " | in the whole (document | text | letter))",
    ),
    "begin": WordClass("(start | begin | make)", "(create | open | give me | add | insert)"),
    "stop": WordClass("(end | stop | finish)", "(close | leave | get out of | come out of)"),
    "go_on": WordClass(
        "(carry on | go on | continue | write)",
        "((carry on | go on | continue | keep on | keep | start | begin | resume) [with] (writing |"
        " dictating | typing) | write on | keep going)",
    ),
    "any_more": WordClass("any more", "(anymore | any longer)"),
    "own_paragraph": WordClass(
        "its own paragraph",
        "(its own [(new | separate | little)] paragraph | a [(new | separate)] paragraph (of its"
        " own | by itself | on its own | to itself) | a (new | separate | second | fresh |"
        " different) paragraph)",
    ),
    "of_list": WordClass("(of | on | in) the list", "(of | on | in) (this | that | my | our) list"),
    "having": WordClass("(with | of)", "(that has | which has | having | that has got | to have)"),
    "occurrence": WordClass(
        "(occurrence of | occurrences of)",
        "(instance of | instances of | mention of | mentions of)",
    ),
}
"""By name: a pattern says <name> for any of them."""
