"""Which side of a target: before it or after it."""

from nimble_lantern.core.grammar.catalogue import CATALOGUE

CATALOGUE.table(
    "beside",
    {
        "(before | in front of | above | ahead of | to before | over)": "before",
        "(after | behind | below | under | underneath | beneath | following | to after)": "after",
    },
)
CATALOGUE.table("writing", {"(document | text | page | letter | notice | report)": True})
CATALOGUE.table(
    "docedge",
    {
        "(start | beginning | top) [of the <writing>]": "start",
        "(end | bottom | foot) [of the <writing>]": "end",
    },
)
CATALOGUE.table("docedge", {"(head | front)": "start"}, heard=False)
