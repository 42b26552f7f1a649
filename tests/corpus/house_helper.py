"""The house's jobs by somebody who talks to the desk as to a helper."""

from __future__ import annotations

import json

from tests.corpus.house_world import L, N, P, S, T, V
from tests.corpus.speaking import Written, al, cell, col, eff, has, md, n, size, title

SET = Written(opened=True)
c, each = SET.one, SET.each
each(
    "make",
    "Rota.",
    size(2, 3),
    "can we have a table here three columns and two rows",
    "draw me a table of three columns and two rows",
    "i'd like a table three across and two down",
    "a table please two rows three columns",
    "start a table with three columns two rows",
    "make it a table with three columns and two rows",
)
each(
    "cells",
    T,
    cell(2, 1),
    "go down to nell's kitchen number",
    "the cell with ten in it",
    "nell's row kitchen column",
    "put me in the cell where nell and kitchen meet",
    "to the kitchen cell in nell's row",
)
each(
    "cells",
    T,
    has("| Nell | 11 | 3 |"),
    "nell's kitchen number should be eleven",
    "in nell's row under kitchen put eleven",
    "nell under kitchen is eleven",
    "change ten to eleven",
    "replace what nell has in the kitchen column with eleven",
    "the ten in the table should be eleven",
)
each(
    "cells",
    T,
    lambda r: r["result"]["blocks"][r["result"]["caret"]["block"]].get("row") == 3,
    "go to tom's row",
    "down to the tom row",
    "the row that starts with tom",
    "to the last row of the table",
    "take me to where tom is",
)
each(
    "sort",
    T,
    col(2, ["Boat", "3", "8", "12"]),
    "sort it by the boat numbers smallest first",
    "boat column in order please",
    "put the rows in order of the boat column",
    "i want the table sorted by boat",
    "smallest boat number first",
    "sort by the last column",
    after=["go to the cell that says ida"],
)
each(
    "rows",
    T,
    size(5, 3),
    "put an empty row after nell",
    "a new row under nell please",
    "make room for one more below nell",
    "add a line to the table after nell's row",
    "insert a row between nell and tom",
)
each(
    "rows",
    T,
    lambda r: "Nell" not in r["markdown"] and size(3, 3)(r),
    "nell's row can go",
    "take nell off the table",
    "we don't need nell's row any more",
    "scrap the row that says nell",
    "nell has left delete her row",
)
each(
    "cols",
    T,
    lambda r: "Kitchen" not in r["markdown"] and size(4, 2)(r),
    "no kitchen column please",
    "the kitchen column isn't needed",
    "throw the kitchen column out",
    "lose the kitchen column",
    "take the whole kitchen column away",
)
each(
    "total",
    T,
    lambda r: "23" in r["trail"][-1]["summary"] or "23" in r["markdown"],
    "how much is that under boat altogether",
    "what's the sum of the boat column",
    "total up boat",
    "give me the total for boat",
    "boat column total please",
)
each(
    "cells",
    T,
    has("**Name**", "**Kitchen**", "**Boat**"),
    "make the heading row bold",
    "bold the top row",
    "the top row in bold",
    "i want the headings of the table in bold",
    "put the first row in bold",
)
each(
    "pass",
    "Dear board,",
    has("With kind regards,"),
    "put my usual ending in sign off",
    "end with my sign off",
    "finish with the sign off",
    "now the sign off",
    "can you put the sign off at the end",
    "i'd like my sign off there",
    after=["new paragraph"],
    passages=P,
)
each(
    "pass",
    L,
    lambda r: "warning" in r["result"]["passages"],
    "save that so i can use it again call it warning",
    "i'll need that again call it warning",
    "keep that for another time as warning",
    "make that a passage and call it warning",
    "turn that into a passage named warning",
    after=["select the stair is wet"],
)
each(
    "pass",
    L,
    lambda r: r["result"]["view"] == "passages" or "sign off" in r["trail"][-1]["summary"],
    "what passages have i got",
    "list my stored passages",
    "which passages are there",
    "show me the texts i have stored",
    "what can i insert",
    passages=P,
)
each(
    "pass",
    L,
    lambda r: "sign off" not in r["result"]["passages"],
    "throw away the passage sign off",
    "i don't need the sign off passage any more",
    "delete the passage called sign off",
    "remove sign off from my passages",
    "forget the passage sign off",
    passages=P,
)
each(
    "place",
    L,
    lambda r: [p["name"] for p in r["result"]["places"]] == ["money"],
    "remember this spot as money",
    "put a marker here called money",
    "mark this spot money",
    "bookmark this as money",
    "name this spot money",
)
each(
    "place",
    L,
    lambda r: r["result"]["caret"]["block"] == 1,
    "jump to money",
    "take me back to the place money",
    "where is money",
    "let's go to money",
    "back to money",
    after=["call this place money", "go to the start"],
)
each(
    "note",
    L,
    n("ask the warden"),
    "make a note by the second sentence ask the warden",
    "second sentence note ask the warden",
    "remind me at the second sentence to ask the warden",
    "in the margin of the second sentence put ask the warden",
    "scribble in the margin by the second sentence ask the warden",
    "attach ask the warden as a note to the second sentence",
)
each(
    "note",
    L,
    lambda r: len(r["result"]["notes"]) == 2 and r["result"]["notes"][1]["settled"],
    "i've dealt with note two",
    "note two has been dealt with",
    "cross off note two",
    "note two is finished with",
    "check off the second note",
    after=[*N],
)
each(
    "note",
    L,
    lambda r: "one thing" in json.dumps(r).lower() and r["trail"][-1]["read_as"] == "command",
    "what notes have i made",
    "are there any notes",
    "list the notes in the margin",
    "read me my notes",
    "let me see the notes",
    after=[*N],
)
each(
    "note",
    L,
    lambda r: r["result"]["notes"] == [],
    "get rid of all the notes",
    "clear the margin",
    "remove every note",
    "all notes away please",
    "delete all my notes",
    after=[*N],
)
each(
    "ver",
    L,
    lambda r: [v["name"] for v in r["result"]["versions"]] == ["first draft"],
    "let's call this the first draft",
    "keep a copy of how it is now as first draft",
    "mark this as the first draft version",
    "save how it stands now as first draft",
    "store this state as first draft",
)
each(
    "ver",
    L,
    md(L),
    "i liked first draft better bring it back",
    "take me back to the first draft version",
    "make it like first draft again",
    "return to first draft",
    "undo everything back to first draft",
    after=[*V],
)
each(
    "ver",
    L,
    lambda r: "one change" in r["trail"][-1]["summary"],
    "what did i change since first draft",
    "what's new since first draft",
    "show me what's different from first draft",
    "compare with first draft please",
    "put this beside first draft",
    after=[*V],
)
each(
    "shelf",
    "# Notes\n\nHello.",
    title("Rota for June"),
    "can i have the rota please",
    "i need to look at the rota",
    "bring up the rota",
    "change over to the rota for june",
    "where's the rota open it",
    shelf=S,
)
each(
    "shelf",
    "# Notes\n\nHello.",
    lambda r: r["result"]["view"] == "shelf",
    "what have i got on the shelf",
    "list all my documents",
    "show me what there is",
    "which letters are there",
    "let me see my documents",
    shelf=S,
)
each(
    "shelf",
    "# Notes\n\nHello.",
    title("Scraps"),
    "call this letter scraps",
    "the name of this should be scraps",
    "give it the name scraps",
    "rename it scraps",
    "change its name to scraps",
    shelf=S,
)
each(
    "out",
    L,
    eff("print"),
    "send it to the printer",
    "print it out for me",
    "put this on paper",
    "one printed copy please",
    "i need it on paper",
)
each(
    "out",
    L,
    eff("export"),
    "give me a pdf",
    "turn it into a word document",
    "i want to send this as a pdf",
    "make a word file out of it",
    "save it as an open document",
)
each(
    "aloud",
    L,
    al("The ferry leaves"),
    "let me hear what i wrote",
    "speak the letter",
    "read the lot",
    "read it all out loud",
    "go through it aloud from the beginning",
)
each(
    "aloud",
    L,
    lambda r: r["result"]["aloud"] is None,
    "that's enough reading",
    "stop talking",
    "be quiet",
    "hush",
    "no more reading",
    "shush please",
    after=["read from the top"],
)
each(
    "aloud",
    L,
    lambda r: (r["trail"][-1]["command"] or "").startswith("aloud.") and r["result"]["aloud"],
    "go back one sentence",
    "the sentence before",
    "read the last sentence again",
    "what was that",
    "once more",
    after=["read from the top"],
)
