"""The jobs of the house, each in several wordings."""

from __future__ import annotations

import json

from tests.corpus.house_world import L, N, P, S, T, V
from tests.corpus.speaking import Written, al, cell, col, eff, has, hasnt, md, n, size, title

SET = Written()
c, each = SET.one, SET.each
# making tables
for s in [
    "could you put in a table with two columns and five rows",
    "i need a table three columns wide and four rows deep",
    "give me a four by two table",
    "table with three columns please",
    "set up a table of three rows and two columns",
    "put a two column table here",
    "new table with five rows and three columns",
]:
    exp = {
        "could": (5, 2),
        "i nee": (4, 3),
        "give ": (4, 2),
        "table": (3, 3),
        "set u": (3, 2),
        "put a": (3, 2),
        "new t": (5, 3),
    }[s[:5]]
    c("make", "Rota.", [s], size(*exp))
c(
    "cells",
    "Rota.",
    [
        "make a table with two columns and two rows",
        "name",
        "next",
        "job",
        "next",
        "ida",
        "next",
        "lamp",
    ],
    has("| Name | Job |", "| Ida | Lamp |"),
)
c(
    "cells",
    "Rota.",
    [
        "make a two by two table",
        "name",
        "next cell",
        "job",
        "go to the next row",
        "ida",
        "move to the next cell",
        "lamp",
        "leave the table",
        "done",
    ],
    has("| Ida | Lamp |", "Done"),
)
c("cells", T, ["go to row three column two"], cell(2, 1))
c("cells", T, ["take me to the cell that says nell"], cell(2, 0))
c("cells", T, ["go to the boat column in nell's row", "hello"], lambda r: True)
c(
    "cells",
    T,
    ["select nell's row"],
    lambda r: r["result"]["selection"] and "Nell" in r["result"]["selection"]["text"],
)
c("cells", T, ["make the kitchen column bold"], has("**Kitchen**", "**10**"))
c(
    "cells",
    T,
    ["bold every cell under boat"],
    lambda r: "**12**" in r["markdown"] and "**Boat**" not in r["markdown"],
)
c("cells", T, ["change the cell in row two column two to nine"], has("| Ida | 9 | 12 |"))
c(
    "cells",
    T,
    ["centre the boat column"],
    lambda r: all(
        b["align"] == "centre"
        for b in r["result"]["blocks"]
        if b["kind"] == "cell" and b["column"] == 2
    ),
)
c("cells", T, ["what nell has under kitchen should be eleven"], has("| Nell | 11 | 3 |"))
each(
    "sort",
    T,
    col(2, ["Boat", "3", "8", "12"]),
    "sort by boat",
    "sort the table by the boat column",
    "put the table in order of boat",
    "order the rows by boat please",
    "can you sort this table by how much boat",
    "arrange the table by the third column",
    after=["go to the cell that says ida"],
)
c("sort", T, ["sort the table by name backwards"], col(0, ["Name", "Tom", "Nell", "Ida"]))
each(
    "rows",
    T,
    size(5, 3),
    "add a row at the bottom",
    "one more row please",
    "add another row",
    "i need another row",
    "insert a row below tom",
    after=["go to the cell that says tom"],
)
each(
    "rows",
    T,
    lambda r: "Nell" not in r["markdown"] and size(3, 3)(r),
    "delete nell's row",
    "take out row three",
    "remove the row with nell",
    "get rid of the nell row",
    "cross out the third row",
)
each(
    "cols",
    T,
    lambda r: "Kitchen" not in r["markdown"] and size(4, 2)(r),
    "remove the kitchen column",
    "delete the second column",
    "take the kitchen column out",
    "we don't need the kitchen column",
    "drop column two",
)
each(
    "cols",
    T,
    lambda r: "Lamp" in r["markdown"] and size(4, 4)(r),
    "add a column called lamp",
    "put in another column for lamp",
    "add a lamp column",
    after=["go to the cell that says ida"],
)
c("rows", T, ["move row three up"], col(0, ["Name", "Nell", "Ida", "Tom"]))
c("rows", T, ["move tom's row to the top"], col(0, ["Name", "Tom", "Ida", "Nell"]))
c("rows", T, ["put the boat column before the kitchen column"], col(1, ["Boat", "12", "3", "8"]))
c("rows", T, ["move the boat column to the left"], col(1, ["Boat", "12", "3", "8"]))
c("total", T, ["what does the boat column add up to"], lambda r: "23" in r["trail"][-1]["summary"])
c("total", T, ["add up the boat column"], has("23"))
c("total", T, ["put the total of the boat column at the bottom"], has("23"))
c("table", T, ["delete the whole table"], md("Before.\n\nAfter it."))
c("table", T, ["turn the table back into text"], hasnt("|"))
c(
    "table",
    "Bring:\n\n- lamp: Ida\n- boat: Tom",
    ["make the list into a table"],
    lambda r: size(2, 2)(r),
)
c(
    "table",
    T,
    ["go to the table", "the first row is not a heading"],
    lambda r: not any(b.get("header") for b in r["result"]["blocks"]),
)
# passages
each(
    "pass",
    "Dear board,",
    has("With kind regards,"),
    "put my sign off here",
    "insert the sign off",
    "sign off please",
    "give me the sign off passage",
    "use my sign off",
    "write the sign off in",
    after=["new paragraph"],
    passages=P,
)
each(
    "pass",
    "Write to",
    has("Write to 2 Quay Lane, Saltmarsh"),
    "my address",
    "put in my address",
    "add my address here",
    passages=P,
)
c(
    "pass",
    "",
    ["insert visit", "tuesday", "next blank", "half past ten", "next blank", "the second one"],
    has("We come on Tuesday at", "shine permitting."),
    passages=P,
)
c(
    "pass",
    "",
    [
        "use the visit passage",
        "tuesday",
        "next one",
        "ten o'clock",
        "go on to the next blank",
        "shine",
    ],
    has("Tuesday at", "hine permitting"),
    passages=P,
)
c(
    "pass",
    "",
    ["insert visit", "leave that out", "noon", "next", "rain"],
    lambda r: "[day]" not in r["markdown"] and "at noon" in r["markdown"].lower(),
    passages=P,
)
c(
    "pass",
    "",
    ["insert visit", "fill in time with noon"],
    lambda r: "at noon" in r["markdown"].lower(),
    passages=P,
)
each(
    "pass",
    L,
    lambda r: "warning" in r["result"]["passages"],
    "store that as warning",
    "keep this as a passage called warning",
    "save this under the name warning",
    "make a passage from this called warning",
    "remember this as warning",
    after=["select the stair is wet"],
)
c(
    "pass",
    L,
    [
        "select the stair is wet",
        "keep this as warning",
        "go to the end of the document",
        "new paragraph",
        "warning passage",
    ],
    lambda r: r["markdown"].count("The stair is wet") == 2,
)
c(
    "pass",
    L,
    [
        "make monday a blank for the day",
        "select the last paragraph",
        "keep this as minutes",
        "insert minutes",
    ],
    lambda r: r["markdown"].count("[day]") >= 2 or r["markdown"].count("\\[day]") >= 2,
)
each(
    "pass",
    "x",
    lambda r: "sign off" not in r["result"]["passages"],
    "forget the passage sign off",
    "throw away the sign off passage",
    "delete the passage called sign off",
    passages=P,
)
c(
    "pass",
    "x",
    ["what does sign off say"],
    lambda r: "With kind" in r["trail"][-1]["summary"],
    passages=P,
)
c(
    "pass",
    "x",
    ["which passages do i have"],
    lambda r: r["result"]["view"] == "passages",
    passages=P,
)
# places
for s in [
    "call this spot money",
    "name this place money",
    "remember this place as money",
    "mark this spot as money",
    "put a marker here called money",
]:
    c(
        "place",
        L,
        ["go before the board", s, "go to the start", "go to money"],
        lambda r: (
            r["result"]["caret"] == {"block": 1, "offset": 0}
            and r["result"]["places"][0]["name"] == "money"
        ),
    )
c(
    "place",
    L,
    ["call this place money", "go to the start", "take me to money"],
    lambda r: r["result"]["caret"]["block"] == 1,
)
c(
    "place",
    L,
    ["call this place money", "go to the start", "hello there", "go to the place money"],
    lambda r: r["result"]["caret"]["block"] == 1,
)
c(
    "place",
    L,
    ["call this place money", "what places do i have"],
    lambda r: len(r["result"]["choices"]) == 1,
)
c(
    "place",
    L,
    ["call this place money", "forget the place money"],
    lambda r: r["result"]["places"] == [],
)
c(
    "place",
    L,
    ["call this place money", "delete the last paragraph", "undo that", "go to money"],
    lambda r: len(r["result"]["places"]) == 1,
)
# notes
each(
    "note",
    L,
    lambda r: (
        n("ask the warden")(r)
        and "stair"
        in json.dumps(
            r["result"]["blocks"][r["result"]["notes"][0]["start"]["block"]]["text"][
                r["result"]["notes"][0]["start"]["offset"] : r["result"]["notes"][0]["end"][
                    "offset"
                ]
            ]
        )
    ),
    "put a note on the second sentence saying ask the warden",
    "note on the second sentence colon ask the warden",
    "add a comment to the second sentence ask the warden",
    "leave a margin note at the stair is wet ask the warden",
    "write a note beside the second sentence that says ask the warden",
    "i want a note on the second sentence ask the warden",
)
c("note", L, ["select the budget", "add a note saying how much was it"], n("how much was it"))
each(
    "note",
    L,
    lambda r: len(r["result"]["notes"]) == 2 and r["result"]["notes"][1]["settled"],
    "settle note two",
    "note two is done",
    "mark the second note as settled",
    "tick off note two",
    "that note is settled",
    after=[*N],
)
each(
    "note",
    L,
    lambda r: (
        len(r["result"]["notes"]) == 1 and "another" in r["result"]["notes"][0]["text"].lower()
    ),
    "delete note one",
    "remove the first note",
    "take note one away",
    "get rid of the first note",
    after=[*N],
)
c("note", L, [*N, "change note one to something else"], n("something else"))
c("note", L, [*N, "note one should say something else"], n("something else"))
c("note", L, [*N, "answer note one yes we did"], n("yes we did"))
c("note", L, [*N, "what does note two say"], lambda r: "nother thing" in r["trail"][-1]["summary"])
c(
    "note",
    L,
    [*N, "go to the start", "next note", "next note"],
    lambda r: "nother thing" in r["trail"][-1]["summary"],
)
c("note", L, [*N, "show me all the notes"], lambda r: len(r["result"]["choices"]) == 2)
c(
    "note",
    L,
    [*N, "find the note about another"],
    lambda r: "nother thing" in r["trail"][-1]["summary"],
)
c("note", L, [*N, "undo that"], lambda r: len(r["result"]["notes"]) == 1)
# versions
each(
    "ver",
    L,
    lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"],
    "name this version first draft",
    "save this version as first draft",
    "keep this version and call it first draft",
    "remember this version as first draft",
    "this version is called first draft",
)
each(
    "ver",
    L,
    md(L),
    "bring back first draft",
    "go back to first draft",
    "restore the first draft",
    "put it back to first draft",
    "i want the first draft back",
    after=[*V],
)
each(
    "ver",
    L,
    lambda r: "one change" in r["trail"][-1]["summary"],
    "what has changed since first draft",
    "compare this with the first draft",
    "show me the changes since first draft",
    "how is this different from first draft",
    after=[*V],
)
c("ver", L, [*V, "compare with first draft", "next change", "take this one back"], md(L))
c("ver", L, [*V, "compare with first draft", "go to the first change", "undo this change"], md(L))
c(
    "ver",
    L,
    [
        "call this version first draft",
        "delete the first paragraph",
        "bring back the first paragraph from first draft",
    ],
    md(L),
)
c(
    "ver",
    L,
    [
        "call this version first draft",
        "replace monday with friday",
        "get the last paragraph back from first draft",
    ],
    md(L),
)
c("ver", L, [*V, "which versions are there"], lambda r: "first draft" in r["trail"][-1]["summary"])
# shelf
each(
    "shelf",
    "# Notes\n\nHello.",
    title("Rota for June"),
    "switch to the rota",
    "open the rota",
    "let me have the rota",
    "get me the rota for june",
    "go to the document rota",
    shelf=S,
)
for s in [
    "find the letter about the stair",
    "which document mentions the stair",
    "look for the stair in all my documents",
    "where did i write about the stair",
]:
    c("shelf", "# Notes\n\nHello.", [s, "one"], title("Letter to the harbour board"), shelf=S)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: "Rota for June" not in r["shelf"] and len(r["shelf"]) == 3,
    "put the rota away",
    "take the rota off the shelf",
    "put away the rota for june",
    "archive the rota",
    shelf=S,
)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: "Rota for June" in r["shelf"],
    "bring back the rota",
    "get the rota back",
    "fetch back the rota",
    "put the rota back on the shelf",
    after=["put the rota away"],
    shelf=S,
)
c(
    "shelf",
    "# Notes\n\nHello.",
    ["open ferry times", "go back to the other document"],
    title("Notes"),
    shelf=S,
)
c("shelf", "# Notes\n\nHello.", ["open ferry times", "switch back"], title("Notes"), shelf=S)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: len(r["shelf"]) == 5,
    "make a copy of this",
    "copy this document",
    "duplicate this document",
    "make a copy of this letter called spare",
    shelf=S,
)
# out
each(
    "out",
    L,
    eff("export"),
    "save this as a word document",
    "export it as a pdf",
    "make a pdf of this",
    "i need this as a word file",
    "save a pdf",
    "export as open document",
    "put it in the outbox as a pdf",
)
each(
    "out",
    L,
    eff("print"),
    "print it",
    "print two copies",
    "print page one",
    "can you print this please",
    "print the letter twice",
    "i'd like a printed copy of this",
)
c("out", L, ["show me what it looks like on paper"], lambda r: r["result"]["view"] == "print_tray")
c("out", L, ["make a backup"], eff("back_up"))
# aloud
each(
    "aloud",
    L,
    al("The board met"),
    "read it to me",
    "read the last paragraph to me",
    "read that paragraph out",
    "read me the second paragraph",
    "can you read the last paragraph",
    "let me hear the last paragraph",
    "how does the last paragraph sound",
    after=["go to the end"],
)
each(
    "aloud",
    L,
    al("The ferry leaves"),
    "read from the beginning",
    "read the whole thing",
    "read everything to me",
    "start reading from the top",
)
c("aloud", L, ["read from here"], al("Tea was served"))
c(
    "aloud",
    L,
    ["read from the top", "stop"],
    lambda r: r["result"]["aloud"] is None and eff("read_aloud")(r),
)
c(
    "aloud",
    L,
    ["read from the top", "next sentence"],
    lambda r: r["result"]["aloud"].startswith("The stair"),
)
c(
    "aloud",
    L,
    ["read from the top", "next sentence", "back a sentence"],
    lambda r: r["result"]["aloud"].startswith("The ferry"),
)
c(
    "aloud",
    L,
    ["read from the top", "skip to the next paragraph"],
    lambda r: r["result"]["aloud"].startswith("The board"),
)
c("aloud", L, ["read from the top", "change that to something else"], lambda r: True)
c("aloud", L, ["where am i"], lambda r: "line" in r["trail"][-1]["summary"])
c("aloud", L, ["what does line two say"], al("The"))
