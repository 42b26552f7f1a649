"""Words for rows and columns: where they go, how they are sorted, how wide they are."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.targets.model import Unit

CATALOGUE.table(
    "side",
    {
        "(on top of | ahead of | [just] before | just above)": -1,
        "(just (after | below) | next to)": 1,
        "(before | above | left of | to the left of | on the left of | in front of | over)": -1,
        "(after | following | below | right of | to the right of | on the right of | behind | under"
        " | beneath | underneath)": 1,
    },
)
CATALOGUE.table(
    "ended",
    {
        "(at | on | to | onto) the [(very | far)] (end | bottom | foot | right [hand side])"
        " [of <the_table>]": 1,
        "(at | on | to) the [(very | far)] (start | top | left [hand side]) [of <the_table>]": -1,
    },
)
CATALOGUE.table("outermost", {"(last | bottom)": 1, "(first | top)": -1}, heard=False)
CATALOGUE.table("the_table", {"(the | this | that) table": True})
CATALOGUE.table("adding", {"(add | append | insert | put [in])": True})
CATALOGUE.table("grid", {"(row | rows)": Unit.ROW, "(column | columns)": Unit.COLUMN})
CATALOGUE.table("a_row", {"(row | rows | line | lines | more)": Unit.ROW})
CATALOGUE.table(
    "add_one",
    {
        "(<adding> | <wish> | leave [me] | make [room for] | squeeze in | slip in | fit in | <put>)"
        " [(a | an"
        " | another | one | one more)] [(new | empty | blank | extra | further |"
        " additional)]": True,
        "(extra | empty | blank | another | one more | [a] new | an extra | a further | one extra"
        " | an additional | an empty"
        " | an additional) [(new | empty | blank)]": True,
    },
)
CATALOGUE.table("one_more", {"(<add_one> | a)": True})
CATALOGUE.table("row_or_line", {"(row | line)": Unit.ROW}, heard=False)
CATALOGUE.table(
    "steps",
    {
        "(up | left | to the left | forward | one up | one to the left)": -1,
        "(down | right | to the right | one down | one to the right)": 1,
        "(up (one | a (row | place | line) | by one | once) | (one | a | one (row | place | line) |"
        " a (row | place | line)) (up | higher) | higher [up] | further up)": -1,
        "(down (one | a (row | place | line) | by one | once) | (one | a | one (row | place |"
        " line) |"
        " a (row | place | line)) (down | lower) | lower [down] | further down)": 1,
        "(left (one | a (column | place) | by one | once) | (one (column | place) | a (column |"
        " place) | further) [to the] left)": -1,
        "(right (one | a (column | place) | by one | once) | (one (column | place) | a (column |"
        " place) | further) [to the] right)": 1,
    },
)
CATALOGUE.table(
    "step_by_rows",
    {
        "(one | a) (row | line) (up | higher)": -1,
        "(one | a) (row | line) (down | lower)": 1,
    },
    heard=False,
)
_TOP, _BOTTOM = -9_999, 9_999
CATALOGUE.rule("adds_a_row", "(<adding> | a row for)", heard=False)(lambda: Unit.ROW)
CATALOGUE.table("steps_back", {"back": 1}, heard=False)
CATALOGUE.table("little", {"(little | small | simple | quick | nice | proper)": True}, heard=False)
CATALOGUE.table("first_row", {"the first row": _TOP, "the last row": _BOTTOM})
CATALOGUE.table(
    "far_column",
    {
        "(at | to | on) the (far | very) left": _TOP,
        "(at | to | on) the (far | very) right": _BOTTOM,
    },
    heard=False,
)
CATALOGUE.rule("first_column", "{steps:far_column}", heard=False)(lambda steps: steps)
CATALOGUE.table(
    "first_column",
    {
        "the first column": _TOP,
        "the (last | final) column": _BOTTOM,
        "the column on the left": _TOP,
        "the column on the right": _BOTTOM,
    },
    heard=False,
)
CATALOGUE.table(
    "ending_to",
    {
        "[right] [up] to the [very] top": _TOP,
        "[right] [down] to the [very] (bottom | end)": _BOTTOM,
    },
    heard=False,
)
CATALOGUE.table(
    "ending_of_table",
    {
        "[(up | down)] (to | at) the [very] (top | start | front | left end) of <the_table>": _TOP,
        "first (in | of) <the_table>": _TOP,
        "[(up | down)] (to | at) the [very] (bottom | end | right end) of <the_table>": _BOTTOM,
        "last (in | of) <the_table>": _BOTTOM,
    },
)
CATALOGUE.table(
    "ending",
    {
        "(to | in | into) (first place | the first place)": _TOP,
        "(to | in | into) (last place | the last place)": _BOTTOM,
        "(first | [(up | down)] (to | at) the [very] (top | start | front | left end)"
        " | to the (far | very) left)": _TOP,
        "(last | [(up | down)] (to | at) the [very] (bottom | end | right end)"
        " | to the (far | very) right)": _BOTTOM,
    },
)
CATALOGUE.table(
    "at_its_edge", {"(begin | start | open)": _TOP, "(end | finish | close)": _BOTTOM}, heard=False
)
CATALOGUE.rule("ending", "{steps:ending_of_table}")(lambda steps: steps)
CATALOGUE.table(
    "falling",
    {
        "(z to a | from z to a | in reverse | [with the] (dearest | most expensive | highest"
        " | greatest) (first | at the top | on top))": True,
        "(a to z | in alphabetic order | in the order of the alphabet | [with the] (cheapest |"
        " lowest | smallest) (first | at the top | on top) | in order of size)": False,
        "(backwards | [in] descending [order] | in reverse [order] | the other way [round]"
        " | [from] (high | highest | largest | biggest | most) to (low | lowest | smallest | least)"
        " | [with the] (largest | biggest | highest | newest | latest | longest | most | last)"
        " [(number | figure | amount | one | date | value)] (first | at the top | on top)"
        " | downwards"
        " | from z to a)": True,
        "([in] ascending [order] | upwards | alphabetically | in alphabetical order"
        " | by the alphabet | numerically | [from] (low | lowest | smallest) to (high | highest"
        " | largest) | [with the] (smallest | lowest | least | oldest | earliest | fewest)"
        " [(number | figure | amount | one | date | value)] (first | at the top | on top)"
        " | from a to z)": False,
    },
)
CATALOGUE.table(
    "extreme",
    {
        "(smallest | lowest | least | fewest | earliest | oldest | worst)": False,
        "(largest | biggest | highest | greatest | most | latest | newest | best"
        " | most recent)": True,
    },
)
CATALOGUE.rule("least_extreme", "{extreme}", heard=False)(lambda extreme: not extreme)
CATALOGUE.table("price", {"cheapest": False, "(dearest | most expensive)": True}, heard=False)
CATALOGUE.table(
    "priced",
    {
        "[with] [the] cheapest (first | at the top | on top)": False,
        "[from] [the] cheapest to [the] (dearest | most expensive | priciest)": False,
        "[with] [the] (dearest | most expensive | priciest) (first | at the top | on top)": True,
        "[from] [the] (dearest | most expensive | priciest) to [the] cheapest": True,
    },
    heard=False,
)
CATALOGUE.table(
    "wide",
    {
        "[(a bit | a little | somewhat | slightly | rather)] (wider | broader | bigger)": 1.4,
        "[(a bit | a little | somewhat | slightly | rather)] (narrower | thinner | smaller |"
        " tighter)": 1 / 1.4,
        "(as wide again | two times as wide)": 2.0,
        "(twice | double) (as wide | the width)": 2.0,
        "(much wider | far wider)": 2.0,
        "half (as wide | the width)": 0.5,
        "much narrower": 0.5,
    },
)
CATALOGUE.table(
    "widen",
    {"(widen | broaden | stretch)": 1.4, "(narrow | squeeze | shrink | slim [down])": 1 / 1.4},
)
CATALOGUE.table(
    "more_room",
    {
        "[(a bit | a little | some)] more (room | space | width)": 1.4,
        "[(a bit | a little)] less (room | space | width)": 1 / 1.4,
    },
)
CATALOGUE.table(
    "too_wide",
    {
        "(is | looks | seems) [(a bit | a little | much | rather)] too (narrow | thin | tight |"
        " small)": 1.4,
        "(is | looks | seems) [(a bit | a little | much | rather)] too (wide | broad | big)": 1
        / 1.4,
    },
    heard=False,
)
CATALOGUE.table(
    "blank_out",
    {"(empty | blank | clear | with nothing in it | cleared [out] | emptied | bare)": True},
    heard=False,
)
CATALOGUE.table(
    "same_width",
    {
        "(equal | even | equally (wide | broad) | [of] equal (width | widths | size)"
        " | (as (wide | broad | big) as (each other | one another | the others | the rest))"
        " | ([of] (the | one) same (width | size)) | the same)": True
    },
    heard=False,
)
