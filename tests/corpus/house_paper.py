"""The house's jobs by somebody who thinks of the paper, not of the desk."""

from __future__ import annotations

from tests.corpus.house_world import L, N, P, S, T, V
from tests.corpus.speaking import Written, cell, col, has, md, n, size

SET = Written()
c, each = SET.one, SET.each
for s, k in [
    ("i want to make a table of two columns and six rows", (6, 2)),
    ("could we have a small table here two by two", (2, 2)),
    ("make me a five column table please", (3, 5)),
    ("start a new table with three rows", (3, 2)),
    ("table of four columns", (3, 4)),
]:
    c("make", "Rota.", [s], size(*k))
each(
    "cells",
    T,
    cell(2, 2),
    "go to nell's boat cell",
    "move to the boat cell of nell",
    "go to the cell in nell's row under boat",
    "nell under boat",
    after=["go to the cell that says ida"],
)
each(
    "cells",
    T,
    lambda r: cell(2, 0)(r),
    "go down a row",
    "down one row",
    "move down",
    "next row same column",
    after=["go to the cell that says ida"],
)
each(
    "cells",
    T,
    cell(1, 0),
    "go back a cell",
    "back one cell",
    "previous cell please",
    "the cell before",
    after=["go to row two column two"],
)
for s in [
    "we are done with the table",
    "finish the table",
    "that is the end of the table",
    "go below the table",
    "get out of the table",
    "continue after the table",
]:
    c(
        "cells",
        T,
        ["go to the cell that says ida", s, "zebra"],
        lambda r: "zebra" in r["markdown"].lower().split("|")[-1],
    )
each(
    "cols",
    T,
    col(0, ["Kitchen", "4", "10", "7"]),
    "put the kitchen column first",
    "move kitchen to the front",
    "make kitchen the first column",
    after=["go to the cell that says ida"],
)
each(
    "cols",
    T,
    size(4, 4),
    "put a column between kitchen and boat",
    "add a column after kitchen",
    "insert a new column to the right of kitchen",
    after=["go to the cell that says ida"],
)
each(
    "cols",
    T,
    lambda r: r["trail"][-1]["command"] == "grid.width",
    "make the name column twice as wide",
    "widen the name column",
    "give the name column more room",
)
each(
    "cols",
    T,
    lambda r: all(
        b["align"] == "right"
        for b in r["result"]["blocks"]
        if b["kind"] == "cell" and b["column"] == 2
    ),
    "right align the boat column",
    "align the boat column to the right",
    "set the boat column to the right",
)
each(
    "total",
    T,
    lambda r: "23" in r["trail"][-1]["summary"] or "23" in r["markdown"],
    "add the numbers under boat",
    "how much is the boat column altogether",
    "what do the boats come to",
    "total up the boat column",
)
each(
    "pass",
    "Dear board,",
    has("With kind regards,"),
    "put in the sign off passage",
    "close with the sign off",
    "add the sign off",
    "sign off passage",
    "paste my sign off",
    after=["new paragraph"],
    passages=P,
)
for s in [
    "on to the next blank",
    "fill in the next one",
    "next gap",
    "go to the blank called time",
    "do the time",
]:
    c(
        "pass",
        "",
        ["insert visit", "tuesday", s, "noon"],
        lambda r: "at noon" in r["markdown"].lower(),
        passages=P,
    )
each(
    "pass",
    "",
    lambda r: "[time]" not in r["markdown"] and "\\[time]" not in r["markdown"],
    "leave it blank",
    "leave this one out",
    "i don't need that one",
    "drop this blank",
    "take this blank out",
    after=["insert visit", "tuesday", "next blank"],
    passages=P,
)
each(
    "pass",
    L,
    lambda r: "warning" in r["result"]["passages"],
    "save this passage as warning",
    "call this passage warning",
    "make this a passage called warning",
    "keep what i selected as warning",
    after=["select the stair is wet"],
)
for s in [
    "this place is called money",
    "give this place the name money",
    "let's call this place money",
    "name this spot money",
]:
    c(
        "place",
        L,
        ["go before the board", s, "go to the start", "go to money"],
        lambda r: r["result"]["caret"] == {"block": 1, "offset": 0},
    )
each(
    "place",
    L,
    lambda r: r["result"]["caret"] == {"block": 1, "offset": 0},
    "bring me to money",
    "go to the spot called money",
    "back to money",
    "show me money",
    after=["go before the board", "call this place money", "go to the start"],
)
each(
    "note",
    L,
    n("ask the warden"),
    "make a note on the second sentence ask the warden",
    "note for the second sentence ask the warden",
    "add to the margin of the second sentence ask the warden",
    "put ask the warden in the margin of the second sentence",
    "margin note at the second sentence saying ask the warden",
)
each(
    "note",
    L,
    lambda r: "nother thing" in r["trail"][-1]["summary"],
    "read me note two",
    "what is note two",
    "tell me note two",
    "open note two",
    "read the second note",
    after=[*N],
)
each(
    "note",
    L,
    lambda r: r["result"]["notes"][1]["settled"],
    "note two is finished",
    "resolve the second note",
    "we have dealt with note two",
    "close note two",
    "tick note two off",
    after=[*N],
)
each(
    "ver",
    L,
    lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"],
    "keep a version called first draft",
    "call it first draft",
    "this is my first draft remember it",
    "store this version as first draft",
)
each(
    "ver",
    L,
    lambda r: "one change" in r["trail"][-1]["summary"],
    "what is different since first draft",
    "compare it to first draft",
    "show changes since first draft",
    "what have i changed since first draft",
    after=[*V],
)
each(
    "ver",
    L,
    lambda r: "change 1 of 1" in r["trail"][-1]["summary"],
    "go to the next difference",
    "show me the next change",
    "the next one",
    "next",
    after=[*V, "compare with first draft"],
)
each(
    "ver",
    L,
    md(L),
    "undo that one",
    "put it back as it was",
    "reject this change",
    "no take that one back",
    after=[*V, "compare with first draft", "next change"],
)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: r["trail"][-1]["command"] == "shelf.open_written",
    "show me what i wrote yesterday",
    "what did i write yesterday",
    "open yesterday's letter",
    shelf=S,
    now="2026-03-14T10:30",
)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: r["result"]["title"] == "Letter to the harbour board" or r["result"]["choices"],
    "get the document with the stair in it",
    "open the one about the steep stair",
    "bring up the letter about the steep stair",
    shelf=S,
)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: r["result"]["title"] != "Notes",
    "close this document",
    "put this one away",
    "i am finished with this document put it away",
    shelf=S,
)
each(
    "aloud",
    L,
    lambda r: (
        r["trail"][-1]["read_as"] == "command"
        and (r["trail"][-1]["command"] or "").startswith("aloud.")
    ),
    "keep reading",
    "read the next paragraph",
    "go back to the beginning of the paragraph",
    "read it again",
    "quicker",
    "too fast",
    after=["read from the top"],
)
each(
    "aloud",
    "# Stair\n\n" + L,
    lambda r: r["result"]["aloud"],
    "read line two",
    "read the title",
    "read the first sentence out loud",
    "read what i have so far",
    "read the last two sentences",
)
