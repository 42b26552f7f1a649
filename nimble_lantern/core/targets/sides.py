"""Which side of a target: before it or after it."""

from nimble_lantern.core.grammar.catalogue import CATALOGUE

CATALOGUE.table(
    "beside",
    {"(before | in front of | above)": "before", "(after | behind | below | to after)": "after"},
)
CATALOGUE.table(
    "docedge",
    {
        "(start | beginning | top) [of the (document | text | page)]": "start",
        "(end | bottom) [of the (document | text | page)]": "end",
    },
)
