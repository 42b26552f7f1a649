"""Wordings for tables, passages, places, notes, versions, the shelf, paper and reading aloud.

Four sets, each written before it was first played, by somebody thinking of the speaker; every other
one is sealed: played for its figure only.
"""

from __future__ import annotations

import json
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from nimble_lantern.playing import run_case

Result = dict[str, Any]
Wanted = Callable[[Result], object]
T = (
    "Before.\n\n| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n| Nell | 10 | 3 |"
    "\n| Tom | 7 | 8 |\n\nAfter it."
)
L = (
    "The ferry leaves at noon. The stair is wet.\n\n"
    "The board met on Monday and agreed the budget. Tea was served."
)
P = {
    "sign off": "With kind regards,\n\nIda Marlowe",
    "visit": "We come on [day] at [time], [weather: rain / shine] permitting.",
    "my address": "2 Quay Lane, Saltmarsh",
}
S = {
    "Letter to the harbour board": "The stair is wet and steep.",
    "Ferry times": "Ten past eleven.",
    "Rota for June": "Ida keeps the lamp.",
}
N = ["note on the first sentence one thing", "note on the last sentence another thing"]
V = ["call this version first draft", "delete the first sentence"]


@dataclass(frozen=True)
class Wording:
    """What is said to a document, the last of it being tried, and what must be so afterwards."""

    family: str
    doc: str
    said: tuple[str, ...]
    wanted: Wanted
    given: dict[str, Any]
    half: str

    def holds(self) -> bool:
        result = run_case({"id": 0, "doc": self.doc, "say": list(self.said), **self.given})
        try:
            return "error" not in result and bool(self.wanted(result))
        except (LookupError, TypeError, AttributeError):
            return False


WORDINGS: list[Wording] = []
_BEGUN = [0]
"""Where the set begins that is being added."""


def c(family: str, doc: str, said: list[str], wanted: Wanted, **given: Any) -> None:
    half = ("open", "sealed")[(len(WORDINGS) - _BEGUN[0]) % 2]
    WORDINGS.append(Wording(family, doc, tuple(said), wanted, given, half))


def md(text: str) -> Wanted:
    return lambda r: r["markdown"] == text


def has(*words: str) -> Wanted:
    return lambda r: all(w in r["markdown"] for w in words)


def hasnt(*words: str) -> Wanted:
    return lambda r: not any(w in r["markdown"] for w in words)


def cell(row: int, column: int) -> Wanted:
    def wanted(r: Result) -> bool:
        block = r["result"]["blocks"][r["result"]["caret"]["block"]]
        return (block.get("row"), block.get("column")) == (row, column)

    return wanted


def size(rows: int, columns: int) -> Wanted:
    def wanted(r: Result) -> bool:
        cells = [b for b in r["result"]["blocks"] if b["kind"] == "cell"]
        high = max((b["row"] for b in cells), default=-1)
        wide = max((b["column"] for b in cells), default=-1)
        return (high, wide) == (rows - 1, columns - 1)

    return wanted


def col(number: int, texts: list[str]) -> Wanted:
    def wanted(r: Result) -> bool:
        cells = [b for b in r["result"]["blocks"] if b["kind"] == "cell"]
        return [b["text"] for b in cells if b["column"] == number] == texts

    return wanted


def n(text: str, number: int = 0) -> Wanted:
    return lambda r: text in r["result"]["notes"][number]["text"].lower()


def title(name: str) -> Wanted:
    return lambda r: r["result"]["title"] == name


def eff(name: str) -> Wanted:
    return lambda r: name in r["trail"][-1]["effects"]


def al(text: str) -> Wanted:
    return lambda r: text in (r["result"]["aloud"] or "")


def played() -> dict[str, tuple[int, int]]:
    """For each half, open and sealed, how many of how many hold."""
    found = {}
    for name in ("open", "sealed"):
        some = [w for w in WORDINGS if w.half == name]
        found[name] = (sum(w.holds() for w in some), len(some))
    return found


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
for s in [
    "sort by boat",
    "sort the table by the boat column",
    "put the table in order of boat",
    "order the rows by boat please",
    "can you sort this table by how much boat",
    "arrange the table by the third column",
]:
    c("sort", T, ["go to the cell that says ida", s], col(2, ["Boat", "3", "8", "12"]))
c("sort", T, ["sort the table by name backwards"], col(0, ["Name", "Tom", "Nell", "Ida"]))
for s in [
    "add a row at the bottom",
    "one more row please",
    "add another row",
    "i need another row",
    "insert a row below tom",
]:
    c("rows", T, ["go to the cell that says tom", s], size(5, 3))
for s in [
    "delete nell's row",
    "take out row three",
    "remove the row with nell",
    "get rid of the nell row",
    "cross out the third row",
]:
    c("rows", T, [s], lambda r: "Nell" not in r["markdown"] and size(3, 3)(r))
for s in [
    "remove the kitchen column",
    "delete the second column",
    "take the kitchen column out",
    "we don't need the kitchen column",
    "drop column two",
]:
    c("cols", T, [s], lambda r: "Kitchen" not in r["markdown"] and size(4, 2)(r))
for s in ["add a column called lamp", "put in another column for lamp", "add a lamp column"]:
    c(
        "cols",
        T,
        ["go to the cell that says ida", s],
        lambda r: "Lamp" in r["markdown"] and size(4, 4)(r),
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
for s in [
    "put my sign off here",
    "insert the sign off",
    "sign off please",
    "give me the sign off passage",
    "use my sign off",
    "write the sign off in",
]:
    c("pass", "Dear board,", ["new paragraph", s], has("With kind regards,"), passages=P)
for s in ["my address", "put in my address", "add my address here"]:
    c("pass", "Write to", [s], has("Write to 2 Quay Lane, Saltmarsh"), passages=P)
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
for s in [
    "store that as warning",
    "keep this as a passage called warning",
    "save this under the name warning",
    "make a passage from this called warning",
    "remember this as warning",
]:
    c("pass", L, ["select the stair is wet", s], lambda r: "warning" in r["result"]["passages"])
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
for s in [
    "forget the passage sign off",
    "throw away the sign off passage",
    "delete the passage called sign off",
]:
    c("pass", "x", [s], lambda r: "sign off" not in r["result"]["passages"], passages=P)
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
for s in [
    "put a note on the second sentence saying ask the warden",
    "note on the second sentence colon ask the warden",
    "add a comment to the second sentence ask the warden",
    "leave a margin note at the stair is wet ask the warden",
    "write a note beside the second sentence that says ask the warden",
    "i want a note on the second sentence ask the warden",
]:
    c(
        "note",
        L,
        [s],
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
    )
c("note", L, ["select the budget", "add a note saying how much was it"], n("how much was it"))
for s in [
    "settle note two",
    "note two is done",
    "mark the second note as settled",
    "tick off note two",
    "that note is settled",
]:
    c(
        "note",
        L,
        [*N, s],
        lambda r: len(r["result"]["notes"]) == 2 and r["result"]["notes"][1]["settled"],
    )
for s in [
    "delete note one",
    "remove the first note",
    "take note one away",
    "get rid of the first note",
]:
    c(
        "note",
        L,
        [*N, s],
        lambda r: (
            len(r["result"]["notes"]) == 1 and "another" in r["result"]["notes"][0]["text"].lower()
        ),
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
for s in [
    "name this version first draft",
    "save this version as first draft",
    "keep this version and call it first draft",
    "remember this version as first draft",
    "this version is called first draft",
]:
    c("ver", L, [s], lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"])
for s in [
    "bring back first draft",
    "go back to first draft",
    "restore the first draft",
    "put it back to first draft",
    "i want the first draft back",
]:
    c("ver", L, [*V, s], md(L))
for s in [
    "what has changed since first draft",
    "compare this with the first draft",
    "show me the changes since first draft",
    "how is this different from first draft",
]:
    c("ver", L, [*V, s], lambda r: "one change" in r["trail"][-1]["summary"])
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
for s in [
    "switch to the rota",
    "open the rota",
    "let me have the rota",
    "get me the rota for june",
    "go to the document rota",
]:
    c("shelf", "# Notes\n\nHello.", [s], title("Rota for June"), shelf=S)
for s in [
    "find the letter about the stair",
    "which document mentions the stair",
    "look for the stair in all my documents",
    "where did i write about the stair",
]:
    c("shelf", "# Notes\n\nHello.", [s, "one"], title("Letter to the harbour board"), shelf=S)
for s in [
    "put the rota away",
    "take the rota off the shelf",
    "put away the rota for june",
    "archive the rota",
]:
    c(
        "shelf",
        "# Notes\n\nHello.",
        [s],
        lambda r: "Rota for June" not in r["shelf"] and len(r["shelf"]) == 3,
        shelf=S,
    )
for s in [
    "bring back the rota",
    "get the rota back",
    "fetch back the rota",
    "put the rota back on the shelf",
]:
    c(
        "shelf",
        "# Notes\n\nHello.",
        ["put the rota away", s],
        lambda r: "Rota for June" in r["shelf"],
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
for s in [
    "make a copy of this",
    "copy this document",
    "duplicate this document",
    "make a copy of this letter called spare",
]:
    c("shelf", "# Notes\n\nHello.", [s], lambda r: len(r["shelf"]) == 5, shelf=S)
# out
for s in [
    "save this as a word document",
    "export it as a pdf",
    "make a pdf of this",
    "i need this as a word file",
    "save a pdf",
    "export as open document",
    "put it in the outbox as a pdf",
]:
    c("out", L, [s], eff("export"))
for s in [
    "print it",
    "print two copies",
    "print page one",
    "can you print this please",
    "print the letter twice",
    "i'd like a printed copy of this",
]:
    c("out", L, [s], eff("print"))
c("out", L, ["show me what it looks like on paper"], lambda r: r["result"]["view"] == "print_tray")
c("out", L, ["make a backup"], eff("back_up"))
# aloud
for s in [
    "read it to me",
    "read the last paragraph to me",
    "read that paragraph out",
    "read me the second paragraph",
    "can you read the last paragraph",
    "let me hear the last paragraph",
    "how does the last paragraph sound",
]:
    c("aloud", L, ["go to the end", s], al("The board met"))
for s in [
    "read from the beginning",
    "read the whole thing",
    "read everything to me",
    "start reading from the top",
]:
    c("aloud", L, [s], al("The ferry leaves"))
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


_BEGUN[0] = len(WORDINGS)
# second fresh batch, written before playing
for s in [
    "i'd like a table here with four columns",
    "let's have a three by three table",
    "pop a table in with two columns and four rows please",
    "draw me a table",
    "can you make a table for me with the columns name day and job",
]:
    k = {"i'd l": (3, 4), "let's": (3, 3), "pop a": (4, 2), "draw ": (3, 2), "can y": (3, 3)}[s[:5]]
    c("make", "Rota.", [s], size(*k))
c(
    "cells",
    T,
    ["go to the cell that says ida", "move right", "99"],
    has("| Ida | 4 99 |")
    if False
    else (lambda r: "99" in r["markdown"].split("\n")[4].split("|")[2]),
)
c("cells", T, ["go to the cell that says ida", "next cell", "next cell"], cell(1, 2))
c("cells", T, ["go to the cell that says tom", "up one"], cell(2, 0))
c(
    "cells",
    T,
    ["go to row two", "go to the last column"],
    lambda r: r["result"]["blocks"][r["result"]["caret"]["block"]]["kind"] == "cell",
)
c("cells", T, ["replace twelve with thirteen"], has("| Ida | 4 | 13 |"))
c(
    "cells",
    T,
    ["clear the boat column"],
    lambda r: col(2, ["", "", "", ""])(r) or col(2, ["Boat", "", "", ""])(r),
)
c("cells", T, ["make the header row italic"], has("*Name*"))
c("cells", T, ["highlight nell's kitchen"], lambda r: True)
c("sort", T, ["sort this by kitchen largest first"], lambda r: True)
c(
    "sort",
    T,
    ["go to the cell that says tom", "sort by kitchen largest first"],
    col(1, ["Kitchen", "10", "7", "4"]),
)
c("rows", T, ["add two more rows to the table"], size(6, 3))
c("rows", T, ["insert a row above nell's row"], lambda r: size(5, 3)(r))
c("rows", T, ["swap row two and row three"], col(0, ["Name", "Nell", "Ida", "Tom"]))
c("rows", T, ["remove the empty row"], lambda r: size(4, 3)(r))
c("cols", T, ["insert a column before boat"], size(4, 4))
c("cols", T, ["make the boat column narrower"], lambda r: r["trail"][-1]["read_as"] == "command")
c(
    "total",
    T,
    ["what is the sum of the kitchen column"],
    lambda r: "21" in r["trail"][-1]["summary"],
)
c("pass", "Hello", ["new paragraph", "my sign off"], has("With kind regards"), passages=P)
c("pass", "Hello", ["finish with my sign off"], lambda r: True, passages=P)
c(
    "pass",
    "",
    ["start the visit passage", "friday", "next", "nine", "next", "one"],
    has("Friday at", "rain permitting"),
    passages=P,
)
c(
    "pass",
    "",
    ["insert visit", "skip this one", "noon"],
    lambda r: "[day]" in r["markdown"] or "\\[day]" in r["markdown"],
    passages=P,
)
c(
    "pass",
    "",
    ["insert visit", "thursday", "undo that"],
    lambda r: "[day]" in r["result"]["blocks"][0]["text"],
    passages=P,
)
c(
    "pass",
    L,
    ["select the budget", "remember that as money"],
    lambda r: "money" in r["result"]["passages"],
)
c(
    "pass",
    L,
    ["keep the last sentence as a passage called tea"],
    lambda r: "tea" in r["result"]["passages"],
)
c("pass", "x", ["list my passages"], lambda r: r["result"]["view"] == "passages", passages=P)
c(
    "pass",
    "x",
    ["rename the passage visit to invitation"],
    lambda r: "invitation" in r["result"]["passages"],
    passages=P,
)
c(
    "place",
    L,
    ["go before the board", "i want to call this place money", "go to the top", "jump to money"],
    lambda r: r["result"]["caret"]["block"] == 1,
)
c(
    "place",
    L,
    ["mark this place as start of minutes", "go to the top", "go back to start of minutes"],
    lambda r: r["result"]["caret"]["block"] == 1,
)
c(
    "place",
    L,
    ["call this place money", "rename the place money to cash"],
    lambda r: r["result"]["places"][0]["name"] == "cash",
)
c(
    "place",
    L,
    ["call this place money", "show me the places"],
    lambda r: len(r["result"]["choices"]) == 1,
)
c("note", L, ["make a margin note on the ferry that says which one"], n("which one"))
c("note", L, ["comment on the last sentence who made it"], n("who made it"))
c("note", L, ["select tea was served", "margin note who made it"], n("who made it"))
c("note", L, ["attach a note to the first paragraph saying too long"], n("too long"))
c("note", L, [*N, "go to the second note"], lambda r: "nother" in r["trail"][-1]["summary"])
c("note", L, [*N, "delete all the notes"], lambda r: r["result"]["notes"] == [])
c(
    "note",
    L,
    [*N, "settle note one", "remove the settled notes"],
    lambda r: len(r["result"]["notes"]) == 1,
)
c(
    "note",
    L,
    [*N, "reply to note two i will ask her"],
    lambda r: "ask her" in r["result"]["notes"][1]["text"],
)
c("note", L, [*N, "how many notes are there"], lambda r: "two" in r["trail"][-1]["summary"])
c(
    "ver",
    L,
    ["save this version as before lunch"],
    lambda r: r["result"]["versions"] == [{"name": "before lunch"}],
)
c(
    "ver",
    L,
    [*V, "show me what is different from first draft"],
    lambda r: "one change" in r["trail"][-1]["summary"],
)
c(
    "ver",
    L,
    [*V, "compare with first draft", "next change", "keep this one"],
    lambda r: r["trail"][-1]["read_as"] == "command",
)
c("ver", L, [*V, "revert to first draft"], md(L))
c("ver", L, [*V, "bring back the first sentence from first draft"], md(L))
c(
    "ver",
    L,
    ["call this version first draft", "delete the budget", "what did i change"],
    lambda r: "change" in r["trail"][-1]["summary"],
)
c(
    "ver",
    L,
    [*V, "rename the version first draft to old one"],
    lambda r: r["result"]["versions"] == [{"name": "old one"}],
)
c("ver", L, [*V, "forget the version first draft"], lambda r: r["result"]["versions"] == [])
c("shelf", "# Notes\n\nHello.", ["go to the rota"], title("Rota for June"), shelf=S)
c(
    "shelf",
    "# Notes\n\nHello.",
    ["open the letter to the board"],
    title("Letter to the harbour board"),
    shelf=S,
)
c(
    "shelf",
    "# Notes\n\nHello.",
    ["show me the letter that mentions the stair", "one"],
    title("Letter to the harbour board"),
    shelf=S,
)
c("shelf", "# Notes\n\nHello.", ["i want to work on the rota now"], title("Rota for June"), shelf=S)
c(
    "shelf",
    "# Notes\n\nHello.",
    ["show the shelf", "the second one"],
    lambda r: r["result"]["view"] == "desk",
    shelf=S,
)
c("shelf", "# Notes\n\nHello.", ["rename this document to scraps"], title("Scraps"), shelf=S)
c("shelf", "# Notes\n\nHello.", ["delete the rota"], lambda r: True, shelf=S)
c("shelf", "# Notes\n\nHello.", ["start a new letter"], lambda r: len(r["shelf"]) == 5, shelf=S)
c("shelf", "# Notes\n\nHello.", ["new document called oil list"], title("Oil list"), shelf=S)
c("set", L, ["use dark paper please"], eff("save_setting"))
c("set", L, ["i need more contrast"], eff("save_setting"))
c("set", L, ["switch to light mode"], eff("save_setting"))
c("set", L, ["speak your answers"], eff("save_setting"))
c("set", L, ["stop talking to me"], eff("save_setting"))
c("out", L, ["turn this into a pdf"], eff("export"))
c("out", L, ["export the letter as word"], eff("export"))
c("out", L, ["save it as plain text"], eff("export"))
c("out", L, ["print three copies please"], eff("print"))
c("out", L, ["print pages one to two"], eff("print"))
c("out", L, ["back up my documents"], eff("back_up"))
c("out", L, ["is everything safe"], eff("check"))
c("aloud", L, ["go to the end", "read this paragraph aloud"], al("The board"))
c("aloud", L, ["read me what i just wrote"], lambda r: r["trail"][-1]["read_as"] == "command")
c("aloud", L, ["please read from the second paragraph on"], al("The board"))
c("aloud", L, ["read from the top", "pause"], lambda r: r["trail"][-1]["command"] == "aloud.wait")
c("aloud", L, ["read from the top", "pause", "carry on"], al("The ferry"))
c(
    "aloud",
    L,
    ["read from the top", "go back one sentence"],
    lambda r: r["trail"][-1]["command"] == "aloud.sentence_back",
)
c("aloud", L, ["read from the top", "say that again"], al("The ferry"))
c("aloud", L, ["read from the top", "a bit slower please"], eff("save_setting"))
c("aloud", L, ["read from the top", "that's enough"], lambda r: r["result"]["aloud"] is None)
c("aloud", L, ["read from the top", "hang on"], lambda r: r["trail"][-1]["command"] == "aloud.wait")
c("aloud", L, ["what line am i on"], lambda r: "line" in r["trail"][-1]["summary"])
c("prac", L, ["i want to practise"], lambda r: r["result"]["view"] == "practice")
c("prac", L, ["start the lesson about lists"], lambda r: r["result"]["title"] == "Practice sheet")
c("trail", L, ["what have i said so far"], lambda r: r["trail"][-1]["command"] == "trailing.show")
c("nums", L, ["put numbers on everything"], lambda r: len(r["result"]["choices"]) > 3)

_BEGUN[0] = len(WORDINGS)
for s, k in [
    ("i want to make a table of two columns and six rows", (6, 2)),
    ("could we have a small table here two by two", (2, 2)),
    ("make me a five column table please", (3, 5)),
    ("start a new table with three rows", (3, 2)),
    ("table of four columns", (3, 4)),
]:
    c("make", "Rota.", [s], size(*k))
for s in [
    "go to nell's boat cell",
    "move to the boat cell of nell",
    "go to the cell in nell's row under boat",
    "nell under boat",
]:
    c("cells", T, ["go to the cell that says ida", s], cell(2, 2))
for s in ["go down a row", "down one row", "move down", "next row same column"]:
    c("cells", T, ["go to the cell that says ida", s], lambda r: cell(2, 0)(r))
for s in ["go back a cell", "back one cell", "previous cell please", "the cell before"]:
    c("cells", T, ["go to row two column two", s], cell(1, 0))
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
for s in [
    "put the kitchen column first",
    "move kitchen to the front",
    "make kitchen the first column",
]:
    c("cols", T, ["go to the cell that says ida", s], col(0, ["Kitchen", "4", "10", "7"]))
for s in [
    "put a column between kitchen and boat",
    "add a column after kitchen",
    "insert a new column to the right of kitchen",
]:
    c("cols", T, ["go to the cell that says ida", s], size(4, 4))
for s in [
    "make the name column twice as wide",
    "widen the name column",
    "give the name column more room",
]:
    c("cols", T, [s], lambda r: r["trail"][-1]["command"] == "grid.width")
for s in [
    "right align the boat column",
    "align the boat column to the right",
    "set the boat column to the right",
]:
    c(
        "cols",
        T,
        [s],
        lambda r: all(
            b["align"] == "right"
            for b in r["result"]["blocks"]
            if b["kind"] == "cell" and b["column"] == 2
        ),
    )
for s in [
    "add the numbers under boat",
    "how much is the boat column altogether",
    "what do the boats come to",
    "total up the boat column",
]:
    c("total", T, [s], lambda r: "23" in r["trail"][-1]["summary"] or "23" in r["markdown"])
for s in [
    "put in the sign off passage",
    "close with the sign off",
    "add the sign off",
    "sign off passage",
    "paste my sign off",
]:
    c("pass", "Dear board,", ["new paragraph", s], has("With kind regards,"), passages=P)
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
for s in [
    "leave it blank",
    "leave this one out",
    "i don't need that one",
    "drop this blank",
    "take this blank out",
]:
    c(
        "pass",
        "",
        ["insert visit", "tuesday", "next blank", s],
        lambda r: "[time]" not in r["markdown"] and "\\[time]" not in r["markdown"],
        passages=P,
    )
for s in [
    "save this passage as warning",
    "call this passage warning",
    "make this a passage called warning",
    "keep what i selected as warning",
]:
    c("pass", L, ["select the stair is wet", s], lambda r: "warning" in r["result"]["passages"])
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
for s in ["bring me to money", "go to the spot called money", "back to money", "show me money"]:
    c(
        "place",
        L,
        ["go before the board", "call this place money", "go to the start", s],
        lambda r: r["result"]["caret"] == {"block": 1, "offset": 0},
    )
for s in [
    "make a note on the second sentence ask the warden",
    "note for the second sentence ask the warden",
    "add to the margin of the second sentence ask the warden",
    "put ask the warden in the margin of the second sentence",
    "margin note at the second sentence saying ask the warden",
]:
    c("note", L, [s], n("ask the warden"))
for s in [
    "read me note two",
    "what is note two",
    "tell me note two",
    "open note two",
    "read the second note",
]:
    c("note", L, [*N, s], lambda r: "nother thing" in r["trail"][-1]["summary"])
for s in [
    "note two is finished",
    "resolve the second note",
    "we have dealt with note two",
    "close note two",
    "tick note two off",
]:
    c("note", L, [*N, s], lambda r: r["result"]["notes"][1]["settled"])
for s in [
    "keep a version called first draft",
    "call it first draft",
    "this is my first draft remember it",
    "store this version as first draft",
]:
    c("ver", L, [s], lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"])
for s in [
    "what is different since first draft",
    "compare it to first draft",
    "show changes since first draft",
    "what have i changed since first draft",
]:
    c("ver", L, [*V, s], lambda r: "one change" in r["trail"][-1]["summary"])
for s in ["go to the next difference", "show me the next change", "the next one", "next"]:
    c(
        "ver",
        L,
        [*V, "compare with first draft", s],
        lambda r: "change 1 of 1" in r["trail"][-1]["summary"],
    )
for s in ["undo that one", "put it back as it was", "reject this change", "no take that one back"]:
    c("ver", L, [*V, "compare with first draft", "next change", s], md(L))
for s in [
    "show me what i wrote yesterday",
    "what did i write yesterday",
    "open yesterday's letter",
]:
    c(
        "shelf",
        "# Notes\n\nHello.",
        [s],
        lambda r: r["trail"][-1]["command"] == "shelf.open_written",
        shelf=S,
        now="2026-03-14T10:30",
    )
for s in [
    "get the document with the stair in it",
    "open the one about the steep stair",
    "bring up the letter about the steep stair",
]:
    c(
        "shelf",
        "# Notes\n\nHello.",
        [s],
        lambda r: r["result"]["title"] == "Letter to the harbour board" or r["result"]["choices"],
        shelf=S,
    )
for s in [
    "close this document",
    "put this one away",
    "i am finished with this document put it away",
]:
    c("shelf", "# Notes\n\nHello.", [s], lambda r: r["result"]["title"] != "Notes", shelf=S)
for s in [
    "keep reading",
    "read the next paragraph",
    "go back to the beginning of the paragraph",
    "read it again",
    "quicker",
    "too fast",
]:
    c(
        "aloud",
        L,
        ["read from the top", s],
        lambda r: (
            r["trail"][-1]["read_as"] == "command"
            and (r["trail"][-1]["command"] or "").startswith("aloud.")
        ),
    )
for s in [
    "read line two",
    "read the title",
    "read the first sentence out loud",
    "read what i have so far",
    "read the last two sentences",
]:
    c("aloud", "# Stair\n\n" + L, [s], lambda r: r["result"]["aloud"])


# The fourth set: somebody who is helped by nobody, and talks to the desk as to a helper.
_BEGUN[0] = len(WORDINGS)
for s in [
    "can we have a table here three columns and two rows",
    "draw me a table of three columns and two rows",
    "i'd like a table three across and two down",
    "a table please two rows three columns",
    "start a table with three columns two rows",
    "make it a table with three columns and two rows",
]:
    c("make", "Rota.", [s], size(2, 3))
for s in [
    "go down to nell's kitchen number",
    "the cell with ten in it",
    "nell's row kitchen column",
    "put me in the cell where nell and kitchen meet",
    "to the kitchen cell in nell's row",
]:
    c("cells", T, [s], cell(2, 1))
for s in [
    "nell's kitchen number should be eleven",
    "in nell's row under kitchen put eleven",
    "nell under kitchen is eleven",
    "change ten to eleven",
    "replace what nell has in the kitchen column with eleven",
    "the ten in the table should be eleven",
]:
    c("cells", T, [s], has("| Nell | 11 | 3 |"))
for s in [
    "go to tom's row",
    "down to the tom row",
    "the row that starts with tom",
    "to the last row of the table",
    "take me to where tom is",
]:
    c(
        "cells",
        T,
        [s],
        lambda r: r["result"]["blocks"][r["result"]["caret"]["block"]].get("row") == 3,
    )
for s in [
    "sort it by the boat numbers smallest first",
    "boat column in order please",
    "put the rows in order of the boat column",
    "i want the table sorted by boat",
    "smallest boat number first",
    "sort by the last column",
]:
    c("sort", T, ["go to the cell that says ida", s], col(2, ["Boat", "3", "8", "12"]))
for s in [
    "put an empty row after nell",
    "a new row under nell please",
    "make room for one more below nell",
    "add a line to the table after nell's row",
    "insert a row between nell and tom",
]:
    c("rows", T, [s], size(5, 3))
for s in [
    "nell's row can go",
    "take nell off the table",
    "we don't need nell's row any more",
    "scrap the row that says nell",
    "nell has left delete her row",
]:
    c("rows", T, [s], lambda r: "Nell" not in r["markdown"] and size(3, 3)(r))
for s in [
    "no kitchen column please",
    "the kitchen column isn't needed",
    "throw the kitchen column out",
    "lose the kitchen column",
    "take the whole kitchen column away",
]:
    c("cols", T, [s], lambda r: "Kitchen" not in r["markdown"] and size(4, 2)(r))
for s in [
    "how much is that under boat altogether",
    "what's the sum of the boat column",
    "total up boat",
    "give me the total for boat",
    "boat column total please",
]:
    c("total", T, [s], lambda r: "23" in r["trail"][-1]["summary"] or "23" in r["markdown"])
for s in [
    "make the heading row bold",
    "bold the top row",
    "the top row in bold",
    "i want the headings of the table in bold",
    "put the first row in bold",
]:
    c("cells", T, [s], has("**Name**", "**Kitchen**", "**Boat**"))
for s in [
    "put my usual ending in sign off",
    "end with my sign off",
    "finish with the sign off",
    "now the sign off",
    "can you put the sign off at the end",
    "i'd like my sign off there",
]:
    c("pass", "Dear board,", ["new paragraph", s], has("With kind regards,"), passages=P)
for s in [
    "save that so i can use it again call it warning",
    "i'll need that again call it warning",
    "keep that for another time as warning",
    "make that a passage and call it warning",
    "turn that into a passage named warning",
]:
    c("pass", L, ["select the stair is wet", s], lambda r: "warning" in r["result"]["passages"])
for s in [
    "what passages have i got",
    "list my stored passages",
    "which passages are there",
    "show me the texts i have stored",
    "what can i insert",
]:
    c(
        "pass",
        L,
        [s],
        lambda r: r["result"]["view"] == "passages" or "sign off" in r["trail"][-1]["summary"],
        passages=P,
    )
for s in [
    "throw away the passage sign off",
    "i don't need the sign off passage any more",
    "delete the passage called sign off",
    "remove sign off from my passages",
    "forget the passage sign off",
]:
    c("pass", L, [s], lambda r: "sign off" not in r["result"]["passages"], passages=P)
for s in [
    "remember this spot as money",
    "put a marker here called money",
    "mark this spot money",
    "bookmark this as money",
    "name this spot money",
]:
    c("place", L, [s], lambda r: [p["name"] for p in r["result"]["places"]] == ["money"])
for s in [
    "jump to money",
    "take me back to the place money",
    "where is money",
    "let's go to money",
    "back to money",
]:
    c(
        "place",
        L,
        ["call this place money", "go to the start", s],
        lambda r: r["result"]["caret"]["block"] == 1,
    )
for s in [
    "make a note by the second sentence ask the warden",
    "second sentence note ask the warden",
    "remind me at the second sentence to ask the warden",
    "in the margin of the second sentence put ask the warden",
    "scribble in the margin by the second sentence ask the warden",
    "attach ask the warden as a note to the second sentence",
]:
    c("note", L, [s], n("ask the warden"))
for s in [
    "i've dealt with note two",
    "note two has been dealt with",
    "cross off note two",
    "note two is finished with",
    "check off the second note",
]:
    c(
        "note",
        L,
        [*N, s],
        lambda r: len(r["result"]["notes"]) == 2 and r["result"]["notes"][1]["settled"],
    )
for s in [
    "what notes have i made",
    "are there any notes",
    "list the notes in the margin",
    "read me my notes",
    "let me see the notes",
]:
    c(
        "note",
        L,
        [*N, s],
        lambda r: "one thing" in json.dumps(r).lower() and r["trail"][-1]["read_as"] == "command",
    )
for s in [
    "get rid of all the notes",
    "clear the margin",
    "remove every note",
    "all notes away please",
    "delete all my notes",
]:
    c("note", L, [*N, s], lambda r: r["result"]["notes"] == [])
for s in [
    "let's call this the first draft",
    "keep a copy of how it is now as first draft",
    "mark this as the first draft version",
    "save how it stands now as first draft",
    "store this state as first draft",
]:
    c("ver", L, [s], lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"])
for s in [
    "i liked first draft better bring it back",
    "take me back to the first draft version",
    "make it like first draft again",
    "return to first draft",
    "undo everything back to first draft",
]:
    c("ver", L, [*V, s], md(L))
for s in [
    "what did i change since first draft",
    "what's new since first draft",
    "show me what's different from first draft",
    "compare with first draft please",
    "put this beside first draft",
]:
    c("ver", L, [*V, s], lambda r: "one change" in r["trail"][-1]["summary"])
for s in [
    "can i have the rota please",
    "i need to look at the rota",
    "bring up the rota",
    "change over to the rota for june",
    "where's the rota open it",
]:
    c("shelf", "# Notes\n\nHello.", [s], title("Rota for June"), shelf=S)
for s in [
    "what have i got on the shelf",
    "list all my documents",
    "show me what there is",
    "which letters are there",
    "let me see my documents",
]:
    c("shelf", "# Notes\n\nHello.", [s], lambda r: r["result"]["view"] == "shelf", shelf=S)
for s in [
    "call this letter scraps",
    "the name of this should be scraps",
    "give it the name scraps",
    "rename it scraps",
    "change its name to scraps",
]:
    c("shelf", "# Notes\n\nHello.", [s], title("Scraps"), shelf=S)
for s in [
    "send it to the printer",
    "print it out for me",
    "put this on paper",
    "one printed copy please",
    "i need it on paper",
]:
    c("out", L, [s], eff("print"))
for s in [
    "give me a pdf",
    "turn it into a word document",
    "i want to send this as a pdf",
    "make a word file out of it",
    "save it as an open document",
]:
    c("out", L, [s], eff("export"))
for s in [
    "let me hear what i wrote",
    "speak the letter",
    "read the lot",
    "read it all out loud",
    "go through it aloud from the beginning",
]:
    c("aloud", L, [s], al("The ferry leaves"))
for s in [
    "that's enough reading",
    "stop talking",
    "be quiet",
    "hush",
    "no more reading",
    "shush please",
]:
    c("aloud", L, ["read from the top", s], lambda r: r["result"]["aloud"] is None)
for s in [
    "go back one sentence",
    "the sentence before",
    "read the last sentence again",
    "what was that",
    "once more",
]:
    c(
        "aloud",
        L,
        ["read from the top", s],
        lambda r: (r["trail"][-1]["command"] or "").startswith("aloud.") and r["result"]["aloud"],
    )
