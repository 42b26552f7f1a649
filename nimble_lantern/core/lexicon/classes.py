"""Words that mean the same to the desk, as patterns: every command is said with any of them.

The groups follow Roget's Thesaurus (1911, in the public domain), under Removal, Insertion, Change,
Motion and their like, kept to what people say of words on a page.
"""

from __future__ import annotations

CLASSES = {
    "remove": "(delete | remove | erase | rub out | take out | cross out | get rid of | drop | lose"
              " | wipe [out] | take (off | away) | throw (out | away) | scrap | bin | scratch [out]"
              " | scrub [out] | chuck out | strike [out] | clear [out | away] | do away with"
              " | dispense with | we (can | could) (lose | do without))",
    "undress": "(remove | take off | get rid of | clear | lose | drop | turn off | switch off | undo"
               " | cancel | delete | strip | strip off)",
    "change": "(change | replace | swap | switch | alter | correct | amend | exchange | substitute"
              " | edit)",
    "select": "(select | pick out | mark | choose | grab | take hold of | make [a] selection of)",
    "put": "(insert | put | add | write | type | place | pop | stick | slip | squeeze | slot | drop)",
    "shift": "(move | put | shift | bring | place | pop | stick | send | carry | drag | slide)",
    "make": "(make | set | turn | put | have | get | change | convert | format | write | style"
            " | render | show | print)",
    "into": "(in | into | to | as | back to | back into)",
    "wish": "(i want | i'd like | i would like | i wanted | i should like | i need | we want"
            " | we need | let's have | let us have | have | can we have | could we have"
            " | might we have | may i have | could i have | can i have | might i have)",
    "shall": "(should | ought to | must | has to | have to | needs to | need to | wants to | is to"
             " | are to | would be better as | should really)",
    "should_not": "(should not | shouldn't | ought not to | must not | mustn't | need not | needn't"
                  " | does not need to | doesn't need to | is not to | isn't to)",
    "caret": "[the | my] (cursor | caret | pointer | insertion (point | place) | writing place"
             " | typing (point | place))",
    "go": "(go | move | jump | hop | head | get | come | (take | put | get | bring | move) me | skip"
          " | (put | move | place | position | set | bring | take | get) <caret>)",
    "beginning": "[very] (start | beginning | top | front | head)",
    "finish": "[very] (end | bottom | finish | foot | close)",
    "the_text": "[of] [the | this | my] (document | text | page | letter | whole thing | everything)",
    "ahead_of": "(before | in front of | ahead of)",
    "behind": "(after | behind | following | past)",
    "exactly": "[to] [just | right | immediately | straight | directly]",
    "upon": "(on | to | under | underneath | through | over | around | round | for | in | at | from"
            " | of | with | beneath | across | onto)",
    "everywhere": "(everywhere | throughout | every time | each time | in (all | every) (place | places)"
                  " | wherever it (appears | occurs | stands | says that)"
                  " | everywhere it (appears | occurs | stands | says that) | all the way through"
                  " | in the whole (document | text | letter))",
    "begin": "(start | begin | make | create | open | give me | add | insert)",
    "stop": "(end | stop | finish | close | leave | get out of | come out of)",
    "occurrence": "(occurrence of | occurrences of | instance of | instances of | mention of"
                  " | mentions of)",
}  # fmt: skip
"""By name: a pattern says <name> for any of them."""
