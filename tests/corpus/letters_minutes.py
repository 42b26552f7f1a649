"""Minutes and notices, dictated."""

from __future__ import annotations

from tests.corpus.speaking import Written, both, change, is_, marked, plain, selected

SET = Written(opened=True)
c, each = SET.one, SET.each
M = (
    "# Minutes\n\nPresent were Ida Marlowe, Nell Garrick and Tom Pascoe. Apologies came from Mr "
    "Brook.\n\nThe boat needs new paint. Nell offered to buy blue paint in town. The cost is £40."
    "\n\n- ask the board\n- buy paint\n- clean the hull\n\nThe next meeting is on 4 June."
)
Q = "We waited an hour. The ferry was late (again). Ida said the bell was broken."
W = "Their going to mend the stare next week. I hope its dry."
same_m = is_(M)
each(
    "go",
    M,
    both(same_m, lambda r: r["result"]["caret"] == {"block": 3, "offset": 0}),
    "let's go to the list",
    "start of the list please",
    "over to the first item",
    "jump to ask the board",
    "to the line that says ask the board",
)
each(
    "go",
    M,
    both(same_m, lambda r: r["result"]["caret"]["block"] == 2),
    "end of the line about the paint",
    "after in town please",
    "i need to be behind in town",
    "the cursor should be after in town",
    "put the cursor where it says in town just after it",
)
each(
    "select",
    M,
    both(same_m, selected("Nell Garrick")),
    "select nell garrick",
    "pick nell garrick please",
    "mark nell garrick for me",
    "i'd like nell garrick selected",
    "select where it says nell garrick",
    "take nell garrick select it",
)
each(
    "select",
    M,
    both(same_m, lambda r: r["trail"][-1]["read_as"] == "command"),
    "select the whole list",
    "all the items select them",
    "select all three items",
    "select every item of the list",
    "mark the whole list",
)
each(
    "select",
    M,
    both(same_m, selected("buy paint\n\nclean the hull")),
    "select the second and third items",
    "select items two and three",
    "the last two items select them",
    "select the last two items in the list",
    "select the bottom two items",
)
each(
    "delete",
    M,
    change(M, ("- buy paint\n", "")),
    "take buy paint off the list",
    "we don't need buy paint any more on the list",
    "buy paint is done delete it",
    "cross buy paint off",
    "delete the item about paint",
    "the second item can be deleted",
    "lose item two",
    "scrub the second item",
)
each(
    "delete",
    Q,
    lambda r: "again" not in r["text"] and "The ferry was late" in r["text"],
    "delete what's in the brackets",
    "get rid of the brackets and what's in them",
    "remove again with its brackets",
    "drop the bit in brackets",
    "the part in brackets goes",
)
each(
    "delete",
    Q,
    change(Q, ("We waited an hour. ", "")),
    "delete from we waited up to an hour full stop",
    "delete the first sentence we don't need it",
    "first sentence out",
    "the opening sentence should go",
    "start with the ferry was late delete what's before it",
)
each(
    "replace",
    W,
    change(W, ("Their", "They’re")),
    "the word is spelled wrong there it should be they're",
    "replace their with they're",
    "their should be they're with an apostrophe",
    "it should say they're not their",
    "i meant they're not their",
    "change the first word to they're",
    "they're going not their going",
)
each(
    "replace",
    W,
    change(W, ("stare", "stair")),
    "stair not stare",
    "i said stair s t a i r",
    "stare should be spelled s t a i r",
    "the stare is wrong i meant the stair",
    "it's the stair not the stare",
)
each(
    "move",
    M,
    lambda r: "were Tom Pascoe" in r["text"],
    "tom pascoe should be first",
    "move tom pascoe to before ida",
    "put tom pascoe before ida marlowe",
    "tom pascoe goes in front of ida marlowe",
)
each(
    "replace",
    M,
    change(M, ("£40", "£45")),
    "make it forty five pounds",
    "the cost should be forty five pounds",
    "forty pounds should be forty five pounds",
    "change the price to forty five pounds",
    "i meant forty five pounds",
    "not forty forty five",
    "it's forty five pounds not forty",
    after=["go to the end of the third paragraph"],
)
each(
    "insert",
    M,
    lambda r: "Tom Pascoe and Sue." in r["text"] or "Tom Pascoe and sue." in r["text"],
    "add and sue after pascoe",
    "pascoe and then write and sue",
    "put and sue behind tom pascoe",
    "after tom pascoe comes and sue",
    "and sue belongs after pascoe",
    "tack and sue on after pascoe",
)
each(
    "insert",
    M,
    lambda r: r["text"].rstrip().endswith("The meeting closed at nine.") and "4 June" in r["text"],
    "add another paragraph at the end saying the meeting closed at nine",
    "at the very end write the meeting closed at nine full stop",
    "new paragraph at the end the meeting closed at nine full stop",
    "write the meeting closed at nine full stop at the bottom",
    "go to the end new paragraph the meeting closed at nine full stop",
)
each(
    "format",
    M,
    marked("italic", "Ida Marlowe"),
    "put ida marlowe in italics",
    "ida marlowe in italic letters",
    "slant ida marlowe",
    "ida marlowe wants to be italic",
    "set ida marlowe italic",
    "i'd like italics for ida marlowe",
)
for s in [
    "make the title bigger",
    "the title could be bigger",
    "enlarge the heading",
    "a larger heading please",
    "the heading in bigger letters",
    "bigger letters for the title",
]:
    c(
        "format",
        M,
        [s],
        lambda r: any(s["mark"] == "size" for s in r["result"]["blocks"][0].get("spans", ())),
    )
for s in [
    "cost is forty pounds in red",
    "make the forty pounds red",
    "red letters for the cost is forty pounds",
    "colour the price red",
    "colour the last sentence of the third paragraph red",
]:
    c(
        "format",
        M,
        [s],
        lambda r: any(
            s["mark"] == "colour" and s["value"] == "red"
            for b in r["result"]["blocks"]
            for s in b.get("spans", ())
        ),
    )
each(
    "wrap",
    Q,
    lambda r: (
        plain(r["text"]).endswith("'the bell was broken'.")
        or plain(r["text"]).endswith("'the bell was broken.'")
    ),
    "quote marks round the bell was broken",
    "the bell was broken in quotes",
    "put what ida said in quotes the bell was broken",
    "put speech marks round the bell was broken",
    "inverted commas round the bell was broken",
)
each(
    "wrap",
    Q,
    change(Q, ("(again)", "again")),
    "lose the brackets round again",
    "no brackets round again",
    "take the brackets away but leave again",
    "remove the brackets",
    "get rid of both brackets",
)
each(
    "join",
    Q,
    lambda r: "hour. The" not in r["text"] and r["trail"][-1]["read_as"] == "command",
    "join the first two sentences with and",
    "join the first two sentences with a comma",
    "make one sentence of the first two",
    "the first two sentences should be one",
)
each(
    "move",
    M,
    change(
        M,
        (
            "- ask the board\n- buy paint\n- clean the hull",
            "- clean the hull\n- buy paint\n- ask the board",
        ),
    ),
    "swap the first and the last item",
    "ask the board and clean the hull should change places",
    "change places of the first and last item",
    "switch item one with item three",
    "trade the first item for the last",
)
for s in [
    "alphabetical order for the list",
    "sort the items",
    "put the list in order",
    "arrange the list alphabetically",
    "list a to z please",
]:
    doc = M.replace("- ask the board\n- buy paint", "- buy paint\n- ask the board")
    c("move", doc, [s], is_(M))
each(
    "move",
    M,
    change(M, ("- ask the board\n- buy paint", "- buy paint\n- ask the board")),
    "item two goes up one",
    "buy paint one up",
    "buy paint up a place",
    "shift the second item up",
    "move buy paint above ask the board",
)
each(
    "undo",
    Q,
    is_(Q),
    "undo the last two",
    "back two steps",
    "take the last two changes back",
    "undo both of those",
    "two steps back please",
    after=["replace ferry with boat", "replace bell with horn"],
)
each(
    "undo",
    Q,
    is_(Q),
    "undo the bold",
    "not bold after all",
    "no not bold",
    "i don't want it bold",
    "take the bold off again",
    "unbold it",
    after=["bold the ferry"],
)
for s in [
    "put the second one in bold",
    "second one",
    "not the first the second",
    "number two please",
    "i mean two",
    "i'll take the second",
]:
    doc = "Blue paint is dear. We like blue paint."
    c(
        "choice",
        doc,
        ["bold blue paint", s],
        lambda r: r["result"]["blocks"][0]["spans"][0]["start"] > 20,
    )
each(
    "help",
    Q,
    both(is_(Q), lambda r: r["trail"][-1]["read_as"] == "command"),
    "what can i do with lists",
    "how do you make things bold",
    "show me what i can say",
    "i'm lost help",
    "how does one move a paragraph",
    "what are the words for deleting",
)
each(
    "wish",
    Q,
    is_(Q),
    "save it",
    "save the file please",
    "can you save that for me",
    "make sure it is saved",
    "is this saved",
    "check the spelling",
    "email this to tom",
    "zoom in",
    "insert a picture here",
)
for s, text in [
    ("dear sirs new paragraph we regret the delay full stop", "Dear Sirs\n\nWe regret the delay."),
    ("the price is one hundred and twenty pounds full stop", "The price is £120."),
    ("call me on oh one seven three six two four", "Call me on 0173624"),
    ("between two thousand and two thousand and five", "Between 2000 and 2005"),
    ("thirty first of december", "31 December"),
    ("first of all we must thank nell full stop", "First of all, we must thank Nell."),
    ("open quotes stop close quotes said the keeper", "‘Stop’ said the keeper"),
    ("it costs five p more full stop", "It costs 5p more."),
    ("the time is half past ten a m", "The time is half past 10 am"),
    ("one of us will come full stop", "One of us will come."),
    ("new line yours faithfully comma new line ida", "Yours faithfully,\nIda"),
    ("cap the cap board cap of cap trade", "The Board Of Trade"),
    ("dash that is it dash", "– that is it –"),
    ("three quarters of the board agreed", "Three quarters of the board agreed"),
    ("he said no space w quotation", "He saidw quotation"),
][:14]:
    c(
        "compose",
        "",
        [s],
        lambda r, t=text: (
            plain(r["text"]).replace("\n", " ").lower() == plain(t).replace("\n", " ").lower()
        ),
    )
