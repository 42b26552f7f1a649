"""The jobs of the house by somebody in a hurry."""

from __future__ import annotations

from tests.corpus.house_world import L, N, P, S, T, V
from tests.corpus.speaking import Written, al, cell, col, eff, has, md, n, size, title

SET = Written()
c, each = SET.one, SET.each
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
