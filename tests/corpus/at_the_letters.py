"""Wordings for revising and composing letters, written before they were first played.

Written by somebody who thinks of the letter in front of them; every other one is sealed: played
for its figure only.
"""

from __future__ import annotations

from typing import Any

from tests.corpus.house import Result, Wanted, Wording

A = (
    "Dear Mrs Penrose,\n\nThank you for your letter of the third of May. The roof of the boat "
    "house leaks again, and the floor is very wet. We had twelve helpers last year.\n\nCould you "
    "send two men with a ladder? Mr Tregear will be there on Thursday from ten. He has the key.\n\n"
    "Yours sincerely,"
)
B = "The bell is slow. The slow bell rings at noon. Nobody likes a slow boat."
LIST = "Bring these:\n\n- rope\n- blue paint\n- a torch\n\nThank you."
NUMBERED = "Jobs:\n\n1. sweep the stairs\n2. oil the gate\n3. polish the lens"
HEAD = "# Open day\n\nThe gates open at ten. Dogs are welcome.\n\nTea is served at four."
BOLD = "The **lamp room** is *closed* today. Please come on **Sunday**."

WORDINGS: list[Wording] = []


def c(family: str, doc: str, said: list[str], *wanted: Wanted, **given: Any) -> None:
    half = ("open", "sealed")[len(WORDINGS) % 2]

    def all_of_it(result: Result) -> bool:
        return all(one(result) for one in wanted)

    WORDINGS.append(Wording(family, doc, tuple(said), all_of_it, given, half))


def is_(text: str) -> Wanted:
    return lambda r: plain(r["markdown"]) == plain(text)


def plain(text: str) -> str:
    for sign, straight in (("’", "'"), ("‘", "'"), ("“", '"'), ("”", '"')):
        text = text.replace(sign, straight)
    return "\n".join(line.strip() for line in text.splitlines() if line.strip())


def change(doc: str, *pairs: tuple[str, str]) -> Wanted:
    for old, new in pairs:
        assert old in doc, old
        doc = doc.replace(old, new)
    return is_(doc)


def selected(text: str) -> Wanted:
    return lambda r: (r["result"]["selection"] or {}).get("text", "") == text


def after(text: str) -> Wanted:
    """The writing place stands behind these words."""

    def wanted(r: Result) -> bool:
        caret = r["result"]["caret"]
        before = r["result"]["blocks"][caret["block"]]["text"][: caret["offset"]]
        return before.rstrip().endswith(text) if text else not before

    return wanted


def marked(mark: str, *texts: str) -> Wanted:
    def wanted(r: Result) -> bool:
        found = [
            b["text"][s["start"] : s["end"]]
            for b in r["result"]["blocks"]
            for s in b.get("spans", ())
            if s["mark"] == mark
        ]
        return found == list(texts)

    return wanted


def block(number: int, **fields: Any) -> Wanted:
    return lambda r: all(r["result"]["blocks"][number].get(k) == v for k, v in fields.items())


def played(wordings: list[Wording] = WORDINGS) -> dict[str, tuple[int, int]]:
    """For each half, open and sealed, how many of how many hold."""
    found = {}
    for name in ("open", "sealed"):
        some = [w for w in wordings if w.half == name]
        found[name] = (sum(w.holds() for w in some), len(some))
    return found


same = is_(A)
for s in [
    "i want to be right after ladder",
    "pop me in behind the word ladder would you",
    "caret after ladder",
    "take me to just past a ladder",
    "let me carry on after the word ladder",
    "stand behind ladder",
]:
    c("go", A, [s], same, after("with a ladder"))
for s in [
    "go up to the end of the first paragraph after the greeting",
    "end of the paragraph that begins thank you",
    "to the very end of paragraph two",
    "i'd like to add something at the end of the second paragraph",
    "bottom of the second paragraph please",
]:
    c("go", A, [s], same, after("last year."))
for s in [
    "right to the top please",
    "take me up to the very top of the letter",
    "back to the start of it all",
    "start of the letter",
    "go all the way up",
]:
    c("go", A, [s], same, after(""))
for s in ["one word back", "a word to the left", "step back over one word", "back up one word"]:
    c("go", B, [s], is_(B), after("likes a slow"))
for s in [
    "choose the bit about the roof",
    "i want the sentence with the roof in it selected",
    "mark the whole sentence about the boat house",
    "pick out the sentence that starts with the roof",
    "grab the roof sentence",
]:
    roof = "The roof of the boat house leaks again, and the floor is very wet."
    c("select", A, [s], same, selected(roof))
for s in [
    "select boat house up to again",
    "take everything from boat house as far as again",
    "select starting at boat house and ending with again",
    "boat house to again select that",
    "highlight from the words boat house through again",
]:
    c("select", A, [s], same, selected("boat house leaks again"))
for s in [
    "let go of it",
    "never mind the selection",
    "don't select anything",
    "nothing selected please",
    "drop the selection",
]:
    c("select", A, ["select the boat house", s], same, selected(""))
for s in [
    "and the next two words too",
    "make the selection two words longer",
    "take in two more words",
    "stretch it by two words",
    "two words more",
]:
    c("select", A, ["select boat house", s], same, selected("boat house leaks again"))
for s in [
    "lose very",
    "the word very can go",
    "take very out",
    "kill the word very",
    "i don't want the word very in there",
    "drop very",
    "rub out very",
]:
    c("delete", A, [s], change(A, ("very wet", "wet")))
for s in [
    "cut the sentence about the helpers",
    "get rid of the bit that says we had twelve helpers last year",
    "the sentence about the twelve helpers should go",
    "scrap the last sentence of the second paragraph",
    "remove the whole sentence with helpers in it",
    "throw out we had twelve helpers last year full stop",
]:
    c("delete", A, [s], change(A, (" We had twelve helpers last year.", "")))
for s in [
    "he has the key please delete that sentence",
    "take away the sentence before yours sincerely",
    "delete the sentence about the key",
    "i'd rather not say he has the key take it out",
]:
    c("delete", A, [s], change(A, (" He has the key.", "")))
for s in [
    "wipe the last three words",
    "three words back delete them",
    "strike out the last three words please remove them",
    "erase the three words before the cursor",
    "take the last three words off",
]:
    c("delete", "Bring a torch and a warm coat", [s], is_("Bring a torch and"))
for s in [
    "thursday should be friday",
    "it's friday not thursday",
    "swap thursday for friday",
    "where it says thursday put friday",
    "thursday is wrong it should say friday",
    "make thursday into friday",
    "turn thursday into friday",
    "friday instead of thursday",
    "put friday where thursday is",
    "let's have friday rather than thursday",
]:
    c("replace", A, [s], change(A, ("Thursday", "Friday")))
for s in [
    "change two men with a ladder to three women with a rope",
    "not two men with a ladder three women with a rope",
    "two men with a ladder becomes three women with a rope",
    "instead of two men with a ladder say three women with a rope",
    "overwrite two men with a ladder with three women with a rope",
]:
    c(
        "replace", A, [s],
        lambda r: "send three women with a rope? Mr" in r["markdown"]
        or "send 3 women with a rope? Mr" in r["markdown"],
    )  # fmt: skip
for s in [
    "every slow should be quick",
    "make all the slows quick",
    "change slow to quick all the way through",
    "slow becomes quick everywhere",
    "wherever you see slow write quick",
    "replace slow by quick throughout",
]:
    c("replace", B, [s], change(B, ("slow", "quick")))
for s in [
    "add please after could you",
    "after could you put please",
    "put the word please in after could you",
    "could you needs a please after it",
    "slip please in behind could you",
    "between you and send write please",
    "write please between you and send",
]:
    c("insert", A, [s], change(A, ("Could you send", "Could you please send")))
for s in [
    "comma after ladder",
    "stick a comma in after ladder",
    "there should be a comma after ladder",
    "ladder comma please",
    "ladder needs a comma after it",
]:
    doc = "We need a ladder and a rope."
    c("insert", doc, [s], change(doc, ("ladder", "ladder,")))
for s in [
    "start a new paragraph before we had",
    "new paragraph in front of we had twelve",
    "break the paragraph before we had",
    "we had twelve helpers should begin a new paragraph",
    "split the paragraph at we had",
    "put we had twelve helpers last year in a paragraph of its own",
]:
    c("insert", A, [s], change(A, ("wet. We", "wet.\n\nWe")))
for s in [
    "i want the boat house in bold",
    "boat house bold please",
    "put boat house into bold type",
    "give boat house bold letters",
    "can the words boat house be bold",
    "bold for boat house",
    "embolden boat house",
]:
    c("format", A, [s], marked("bold", "boat house"))
for s in [
    "no more bold on lamp room",
    "lamp room shouldn't be bold",
    "make lamp room normal again",
    "lamp room without the bold",
    "lamp room not in bold please",
    "take lamp room out of bold",
]:
    c("format", BOLD, [s], marked("bold", "Sunday"))
for s in [
    "underline and bold the key",
    "the key bold and underlined",
    "bold the key and underline it as well",
    "make the key both bold and underlined",
    "underline the key and make it bold",
]:
    c("format", A, [s], marked("bold", "the key"), marked("underline", "the key"))
for s in [
    "first paragraph a bit bigger eighteen points",
    "set the first line in eighteen point",
    "eighteen point for the first paragraph",
    "the first paragraph should be size eighteen",
]:
    c("format", A, [s], marked("size", "Dear Mrs Penrose,"))
for s in [
    "the open day should be a normal paragraph",
    "no heading there please just text",
    "open day isn't a heading",
    "turn the heading back to ordinary text",
    "make the heading an ordinary line",
]:
    c("format", HEAD, [s], change(HEAD, ("# ", "")))
for s in [
    "tea is served should be a heading",
    "last line as a heading",
    "make a second level heading of tea is served at four",
    "heading out of the last paragraph",
    "turn tea is served at four into a heading",
]:
    c("format", HEAD, [s], lambda r: r["result"]["blocks"][-1]["kind"] == "heading")
for s in [
    "put the first line in the middle",
    "first line centred please",
    "i want the heading in the centre",
    "centre open day",
    "open day in the middle of the line",
]:
    c("format", HEAD, [s], block(0, align="centre"))
for s in [
    "add a whistle to the list",
    "put a whistle at the bottom of the list",
    "another item a whistle",
    "a whistle goes on the list too",
    "list item a whistle at the end of the list",
]:
    c(
        "lists", LIST, [s],
        lambda r: plain(r["markdown"]).lower()
        == plain(LIST.replace("- a torch", "- a torch\n- a whistle")).lower(),
    )  # fmt: skip
for s in [
    "the torch first",
    "torch to the top of the list",
    "move a torch up to the top of the list",
    "put the torch before the rope",
    "have the torch at the head of the list",
]:
    c(
        "lists",
        LIST,
        [s],
        change(LIST, ("- rope\n- blue paint\n- a torch", "- a torch\n- rope\n- blue paint")),
    )
for s in [
    "no numbers please",
    "get rid of the numbers",
    "bullets instead of numbers",
    "dots not numbers please",
    "turn the numbers into bullets",
]:
    c(
        "lists",
        NUMBERED,
        [s],
        lambda r: all(b["kind"] != "numbered" for b in r["result"]["blocks"]),
        lambda r: "oil the gate" in r["text"] and r["trail"][-1]["read_as"] == "command",
    )
for s in [
    "number the bullets",
    "make it one two three instead of bullets",
    "numbers instead of the bullets",
    "i want that list numbered",
    "the bullets should be numbers",
]:
    c(
        "lists",
        LIST,
        [s],
        change(LIST, ("- rope", "1. rope"), ("- blue", "2. blue"), ("- a torch", "3. a torch")),
    )
for s in [
    "bell with a big b",
    "big letters for noon",
    "noon in capitals",
    "noon all in capital letters please",
    "noon in block capitals",
    "make noon all caps",
][1:]:
    c("case", "The bell rings at noon.", [s], is_("The bell rings at NOON."))
for s in [
    "last sentence up to the front",
    "put the last sentence first",
    "move nobody likes a slow boat to the beginning",
    "the last sentence belongs at the start",
    "bring the last sentence to the top",
]:
    c(
        "move",
        B,
        [s],
        is_("Nobody likes a slow boat. The bell is slow. The slow bell rings at noon."),
    )
for s in [
    "swap the first two sentences",
    "change the first two sentences round",
    "the second sentence should come before the first",
    "put the second sentence in front of the first",
    "first and second sentence the other way round",
]:
    c(
        "move",
        B,
        [s],
        is_("The slow bell rings at noon. The bell is slow. Nobody likes a slow boat."),
    )
for s in [
    "oh no put it back",
    "that was a mistake bring it back",
    "wrong undo",
    "hang on put that sentence back",
    "i didn't mean that",
    "oops",
    "take that last change back",
]:
    c("undo", B, ["delete the first sentence", s], is_(B))
for s in [
    "no do delete it",
    "do it again after all",
    "actually yes delete it again",
    "undo the undo",
    "go on then redo it",
]:
    c("undo", B, ["delete the first sentence", "undo", s], change(B, ("The bell is slow. ", "")))
for s in ["the last of them", "three", "the third please", "that last one", "the one before boat"]:
    c(
        "choice",
        B,
        ["bold slow", s],
        marked("bold", "slow"),
        lambda r: r["result"]["blocks"][0]["spans"][0]["start"] > 50,
    )
for s in ["every one of them", "do all three", "the lot", "all three please", "them all"]:
    c("choice", B, ["bold slow", s], marked("bold", "slow", "slow", "slow"))
for s in ["none of those", "forget it", "leave it then", "no never mind", "stop i don't want any"]:
    c("choice", B, ["bold slow", s], is_(B), lambda r: not r["result"].get("choices"))
for s in [
    "put last year in brackets",
    "brackets round last year",
    "last year should be in brackets",
    "bracket last year",
    "wrap last year in brackets",
]:
    c("wrap", A, [s], change(A, ("last year", "(last year)")))
for s, text in [
    ("dear nell comma new line it rained", "Dear Nell,\nit rained"),
    ("the fee is twelve pounds fifty full stop", "The fee is £12.50."),
    ("meet me at quarter past four full stop", "Meet me at quarter past four."),
    ("it is ten percent more full stop", "It is 10% more."),
    ("open bracket see below close bracket", "(see below)"),
    ("she said quote come in unquote", "She said ‘come in’"),
    ("the boat all caps gull leaves", "The boat GULL leaves"),
    ("a well hyphen known keeper", "A well-known keeper"),
    ("write to ida at saltmarsh dot org", "Write to ida@saltmarsh.org"),
    ("on the twenty first of june nineteen ninety nine", "On 21 June 1999"),
    ("is it open question mark yes exclamation mark", "Is it open? Yes!"),
    ("first semicolon second colon third", "First; second: third"),
    ("twenty three people came", "23 people came"),
    ("nell apostrophe s boat", "Nell’s boat"),
    ("the word full stop means the end literal full stop", "The word. Means the end full stop"),
]:
    c(
        "compose",
        "",
        [s],
        lambda r, t=text: plain(r["text"]).replace("\n", " ") == plain(t).replace("\n", " "),
    )


# The second set: somebody who dictates minutes and notices.
M = (
    "# Minutes\n\nPresent were Ida Marlowe, Nell Garrick and Tom Pascoe. Apologies came from Mr "
    "Brook.\n\nThe boat needs new paint. Nell offered to buy blue paint in town. The cost is £40."
    "\n\n- ask the board\n- buy paint\n- clean the hull\n\nThe next meeting is on 4 June."
)
Q = "We waited an hour. The ferry was late (again). Ida said the bell was broken."
W = "Their going to mend the stare next week. I hope its dry."
FIRST_SET = len(WORDINGS)
same_m = is_(M)
for s in [
    "let's go to the list",
    "start of the list please",
    "over to the first item",
    "jump to ask the board",
    "to the line that says ask the board",
]:
    c("go", M, [s], same_m, lambda r: r["result"]["caret"] == {"block": 3, "offset": 0})
for s in [
    "end of the line about the paint",
    "after in town please",
    "i need to be behind in town",
    "the cursor should be after in town",
    "put the cursor where it says in town just after it",
]:
    c("go", M, [s], same_m, lambda r: r["result"]["caret"]["block"] == 2)
for s in [
    "select nell garrick",
    "pick nell garrick please",
    "mark nell garrick for me",
    "i'd like nell garrick selected",
    "select where it says nell garrick",
    "take nell garrick select it",
]:
    c("select", M, [s], same_m, selected("Nell Garrick"))
for s in [
    "select the whole list",
    "all the items select them",
    "select all three items",
    "select every item of the list",
    "mark the whole list",
]:
    c("select", M, [s], same_m, lambda r: r["trail"][-1]["read_as"] == "command")
for s in [
    "select the second and third items",
    "select items two and three",
    "the last two items select them",
    "select the last two items in the list",
    "select the bottom two items",
]:
    c("select", M, [s], same_m, selected("buy paint\n\nclean the hull"))
for s in [
    "take buy paint off the list",
    "we don't need buy paint any more on the list",
    "buy paint is done delete it",
    "cross buy paint off",
    "delete the item about paint",
    "the second item can be deleted",
    "lose item two",
    "scrub the second item",
]:
    c("delete", M, [s], change(M, ("- buy paint\n", "")))
for s in [
    "delete what's in the brackets",
    "get rid of the brackets and what's in them",
    "remove again with its brackets",
    "drop the bit in brackets",
    "the part in brackets goes",
]:
    c(
        "delete", Q, [s],
        lambda r: "again" not in r["text"] and "The ferry was late" in r["text"],
    )  # fmt: skip
for s in [
    "delete from we waited up to an hour full stop",
    "delete the first sentence we don't need it",
    "first sentence out",
    "the opening sentence should go",
    "start with the ferry was late delete what's before it",
]:
    c("delete", Q, [s], change(Q, ("We waited an hour. ", "")))
for s in [
    "the word is spelled wrong there it should be they're",
    "replace their with they're",
    "their should be they're with an apostrophe",
    "it should say they're not their",
    "i meant they're not their",
    "change the first word to they're",
    "they're going not their going",
]:
    c("replace", W, [s], change(W, ("Their", "They’re")))
for s in [
    "stair not stare",
    "i said stair s t a i r",
    "stare should be spelled s t a i r",
    "the stare is wrong i meant the stair",
    "it's the stair not the stare",
]:
    c("replace", W, [s], change(W, ("stare", "stair")))
for s in [
    "tom pascoe should be first",
    "move tom pascoe to before ida",
    "put tom pascoe before ida marlowe",
    "tom pascoe goes in front of ida marlowe",
]:
    c("move", M, [s], lambda r: "were Tom Pascoe" in r["text"])
for s in [
    "make it forty five pounds",
    "the cost should be forty five pounds",
    "forty pounds should be forty five pounds",
    "change the price to forty five pounds",
    "i meant forty five pounds",
    "not forty forty five",
    "it's forty five pounds not forty",
]:
    c("replace", M, ["go to the end of the third paragraph", s], change(M, ("£40", "£45")))
for s in [
    "add and sue after pascoe",
    "pascoe and then write and sue",
    "put and sue behind tom pascoe",
    "after tom pascoe comes and sue",
    "and sue belongs after pascoe",
    "tack and sue on after pascoe",
]:
    c(
        "insert",
        M,
        [s],
        lambda r: "Tom Pascoe and Sue." in r["text"] or "Tom Pascoe and sue." in r["text"],
    )
for s in [
    "add another paragraph at the end saying the meeting closed at nine",
    "at the very end write the meeting closed at nine full stop",
    "new paragraph at the end the meeting closed at nine full stop",
    "write the meeting closed at nine full stop at the bottom",
    "go to the end new paragraph the meeting closed at nine full stop",
]:
    c(
        "insert",
        M,
        [s],
        lambda r: (
            r["text"].rstrip().endswith("The meeting closed at nine.") and "4 June" in r["text"]
        ),
    )
for s in [
    "put ida marlowe in italics",
    "ida marlowe in italic letters",
    "slant ida marlowe",
    "ida marlowe wants to be italic",
    "set ida marlowe italic",
    "i'd like italics for ida marlowe",
]:
    c("format", M, [s], marked("italic", "Ida Marlowe"))
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
for s in [
    "quote marks round the bell was broken",
    "the bell was broken in quotes",
    "put what ida said in quotes the bell was broken",
    "put speech marks round the bell was broken",
    "inverted commas round the bell was broken",
]:
    c(
        "wrap",
        Q,
        [s],
        lambda r: (
            plain(r["text"]).endswith("'the bell was broken'.")
            or plain(r["text"]).endswith("'the bell was broken.'")
        ),
    )
for s in [
    "lose the brackets round again",
    "no brackets round again",
    "take the brackets away but leave again",
    "remove the brackets",
    "get rid of both brackets",
]:
    c("wrap", Q, [s], change(Q, ("(again)", "again")))
for s in [
    "join the first two sentences with and",
    "join the first two sentences with a comma",
    "make one sentence of the first two",
    "the first two sentences should be one",
]:
    c(
        "join",
        Q,
        [s],
        lambda r: "hour. The" not in r["text"] and r["trail"][-1]["read_as"] == "command",
    )
for s in [
    "swap the first and the last item",
    "ask the board and clean the hull should change places",
    "change places of the first and last item",
    "switch item one with item three",
    "trade the first item for the last",
]:
    c(
        "move",
        M,
        [s],
        change(
            M,
            (
                "- ask the board\n- buy paint\n- clean the hull",
                "- clean the hull\n- buy paint\n- ask the board",
            ),
        ),
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
for s in [
    "item two goes up one",
    "buy paint one up",
    "buy paint up a place",
    "shift the second item up",
    "move buy paint above ask the board",
]:
    c("move", M, [s], change(M, ("- ask the board\n- buy paint", "- buy paint\n- ask the board")))
for s in [
    "undo the last two",
    "back two steps",
    "take the last two changes back",
    "undo both of those",
    "two steps back please",
]:
    c("undo", Q, ["replace ferry with boat", "replace bell with horn", s], is_(Q))
for s in [
    "undo the bold",
    "not bold after all",
    "no not bold",
    "i don't want it bold",
    "take the bold off again",
    "unbold it",
]:
    c("undo", Q, ["bold the ferry", s], is_(Q))
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
for s in [
    "what can i do with lists",
    "how do you make things bold",
    "show me what i can say",
    "i'm lost help",
    "how does one move a paragraph",
    "what are the words for deleting",
]:
    c("help", Q, [s], is_(Q), lambda r: r["trail"][-1]["read_as"] == "command")
for s in [
    "save it",
    "save the file please",
    "can you save that for me",
    "make sure it is saved",
    "is this saved",
    "check the spelling",
    "email this to tom",
    "zoom in",
    "insert a picture here",
]:
    c("wish", Q, [s], is_(Q))
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
SECOND = WORDINGS[FIRST_SET:]


# The third set: people who have used other machines, people who never did, people in a second
# language, and people who think aloud.
K = (
    "The open day is on Saturday. Visitors may climb to the lamp room. Children must be with "
    "an adult.\n\nTea is served in the boat house. The ferry leaves at half past two, weather "
    "permitting.\n\nBring warm clothes and good shoes."
)
SECOND_SET = len(WORDINGS)
same_k = is_(K)
for s in [
    "please put me at the beginning of second paragraph",
    "start of paragraph two",
    "i would like to be where the second paragraph starts",
    "go in front of tea is served",
    "cursor to the start of the second paragraph",
    "before tea is served i want to write",
]:
    c("go", K, [s], same_k, lambda r: r["result"]["caret"] == {"block": 1, "offset": 0})
for s in [
    "um end of the first sentence please",
    "after saturday full stop",
    "behind the first sentence",
    "set the cursor behind saturday",
    "i want to add something after the first sentence",
    "let me in after on saturday",
]:
    c(
        "go",
        K,
        [s],
        same_k,
        lambda r: r["result"]["caret"]["block"] == 0 or "after" in r["trail"][-1]["summary"],
    )
for s in [
    "go three words to the left",
    "cursor left three words",
    "three words left",
    "move me back by three words",
    "go backwards three words please",
    "step three words back",
]:
    c("go", K, [s], same_k, after("Bring warm clothes"))
for s in [
    "go up a paragraph",
    "one paragraph up",
    "previous paragraph",
    "back to the paragraph before",
    "up to the paragraph above",
]:
    c(
        "go",
        K,
        [s],
        same_k,
        lambda r: (
            r["result"]["caret"]["block"] == 1 or r["result"]["caret"] == {"block": 2, "offset": 0}
        ),
    )
for s in [
    "choose everything",
    "the whole text select it",
    "select all of the text",
    "mark everything",
    "select the entire page",
    "take it all select everything",
]:
    c(
        "select",
        K,
        [s],
        same_k,
        lambda r: len((r["result"]["selection"] or {}).get("text", "")) > 200,
    )
for s in [
    "select the last word of the first paragraph",
    "last word in the first paragraph please select",
    "select adult",
    "i want adult selected",
    "select for me the word adult",
]:
    c(
        "select",
        K,
        [s],
        same_k,
        lambda r: (r["result"]["selection"] or {}).get("text", "").strip(".") == "adult",
    )
for s in [
    "select the phrase weather permitting",
    "select only weather permitting",
    "weather permitting select these words",
    "make weather permitting selected",
    "please to select weather permitting",
    "can weather permitting be selected",
]:
    c("select", K, [s], same_k, selected("weather permitting"))
for s in [
    "shrink the selection by a word",
    "one word less",
    "make the selection one word shorter",
    "without the last word",
    "leave off the last word",
]:
    c("select", K, ["select the lamp room", s], same_k, selected("the lamp"))
for s in [
    "throw away the sentence with children",
    "children must be with an adult that can go",
    "away with the sentence about children",
    "please to delete the sentence of the children",
    "no need for the sentence about children",
    "the children sentence out please",
    "delete children must be with an adult",
]:
    c(
        "delete",
        K,
        [s],
        lambda r: (
            "Children" not in r["text"] and "lamp room" in r["text"] and "Tea is" in r["text"]
        ),
    )
for s in [
    "delete everything after half past two",
    "delete from weather to permitting",
    "remove the words weather permitting",
    "weather permitting is not needed",
    "no weather permitting",
    "omit weather permitting",
    "cancel the words weather permitting",
    "strike weather permitting",
]:
    c("delete", K, [s], lambda r: "permitting" not in r["text"] and "half past two" in r["text"])
for s in [
    "remove paragraph one completely",
    "delete the whole first paragraph",
    "the first paragraph can be thrown out",
    "do away with the first paragraph",
    "first paragraph away",
    "i want to get rid of the first paragraph",
]:
    c("delete", K, [s], lambda r: r["text"].lstrip().startswith("Tea is served"))
for s in [
    "delete the word before permitting",
    "remove weather",
    "weather isn't needed there",
    "cut the word weather please",
    "take away weather",
]:
    c("delete", K, [s], lambda r: "weather" not in r["text"] and "permitting" in r["text"])
for s in [
    "saturday must become sunday",
    "sunday please not saturday",
    "put sunday in place of saturday",
    "change saturday for sunday",
    "exchange saturday with sunday",
    "the day is wrong it is sunday",
    "saturday no sunday",
    "make it sunday instead of saturday",
]:
    c("replace", K, [s], change(K, ("Saturday", "Sunday")))
for s in [
    "warm clothes change that to a thick coat",
    "for warm clothes put a thick coat",
    "a thick coat instead of warm clothes",
    "swap warm clothes with a thick coat",
    "say a thick coat where it says warm clothes",
    "i'd rather have a thick coat than warm clothes",
    "delete warm clothes and write a thick coat",
]:
    c("replace", K, [s], change(K, ("warm clothes", "a thick coat")))
for s in [
    "insert strong before good",
    "in front of good put strong",
    "strong should stand before good",
    "write strong ahead of good shoes",
    "add the word strong just before good",
    "good shoes should be strong good shoes",
]:
    c("insert", K, [s], change(K, ("good", "strong good")))
for s in [
    "put three dots after shoes",
    "exclamation mark at the end instead of the full stop",
    "change the last full stop to an exclamation mark",
    "the last full stop should be an exclamation mark",
    "replace the full stop at the end with an exclamation mark",
]:
    c(
        "insert",
        K,
        [s],
        lambda r: (
            r["text"].rstrip().endswith("shoes!")
            or "shoes…" in r["text"]
            or "shoes..." in r["text"]
        ),
    )
for s in [
    "add a sentence at the end of the first paragraph dogs are welcome full stop",
    "at the end of the first paragraph write dogs are welcome full stop",
    "the first paragraph should end with dogs are welcome full stop",
    "append dogs are welcome full stop to the first paragraph",
    "go to the end of the first paragraph and write dogs are welcome full stop",
]:
    c("insert", K, [s], lambda r: "with an adult. Dogs are welcome." in r["text"])
for s in [
    "lamp room in italics and underlined",
    "underline the lamp room and put it in italics",
    "italicise and underline lamp room",
    "lamp room italic and underline please",
    "both italic and underline for lamp room",
]:
    c(
        "format",
        K,
        [s],
        lambda r: (
            {x["mark"] for x in r["result"]["blocks"][0].get("spans", ())}
            == {"italic", "underline"}
        ),
    )
for s in [
    "mark half past two with yellow",
    "put yellow over half past two",
    "highlight half past two",
    "half past two highlighted please",
    "yellow highlighter on half past two",
    "make half past two stand out in yellow",
]:
    c("format", K, [s], marked("highlight", "half past two"))
for s in [
    "write the last line bigger",
    "make last paragraph big",
    "the last paragraph in large print",
    "last paragraph a size up",
    "increase the size of the last paragraph",
    "put the last paragraph up a size",
]:
    c(
        "format",
        K,
        [s],
        lambda r: any(x["mark"] == "size" for x in r["result"]["blocks"][-1].get("spans", ())),
    )
for s in [
    "the last paragraph to the right",
    "right side for the last paragraph",
    "push the last paragraph to the right",
    "last paragraph right aligned",
    "set the last paragraph against the right margin",
    "shift the last paragraph over to the right",
]:
    c("format", K, [s], lambda r: r["result"]["blocks"][-1].get("align") == "right")
for s in [
    "make bullet points from all the paragraphs",
    "each paragraph a bullet",
    "turn all the paragraphs into bullet points",
    "bullet all three paragraphs",
    "put bullets in front of every paragraph",
    "the paragraphs as a list please",
]:
    c("lists", K, [s], lambda r: all(b["kind"] == "item" for b in r["result"]["blocks"]))
for s in [
    "start a numbered list with fetch the key",
    "numbered list fetch the key",
    "new numbered list first item fetch the key",
    "make a numbered list and write fetch the key",
    "begin numbering one fetch the key",
]:
    c(
        "lists",
        "",
        [s],
        lambda r: (
            r["result"]["blocks"][-1]["kind"] == "item"
            and r["result"]["blocks"][-1]["text"].lower().rstrip(".") == "fetch the key"
        ),
    )
for s in [
    "clothes with a capital",
    "clothes should start with a capital",
    "capitalise clothes please",
    "put a capital on clothes",
    "clothes needs a big c",
    "upper case c in clothes",
]:
    c("case", K, [s], change(K, ("clothes", "Clothes")))
for s in [
    "tea with a small t",
    "small t for tea",
    "tea in lower case",
    "no capital on tea",
    "tea should not have a capital",
    "take the capital off tea",
]:
    c("case", K, [s], change(K, ("Tea", "tea")))
for s in [
    "copy lamp room and paste it at the end",
    "copy the words lamp room to the end",
    "lamp room copy that to the end",
    "repeat lamp room at the end",
    "paste a copy of lamp room at the end",
]:
    c("clipboard", K, [s], lambda r: r["text"].count("lamp room") == 2)
for s in [
    "last paragraph goes first",
    "bring the bottom paragraph to the top",
    "start with the last paragraph",
    "the last paragraph should be the first one",
    "put the last paragraph at the very top",
    "move up the last paragraph to the beginning",
]:
    c(
        "move",
        K,
        [s],
        lambda r: (
            r["text"].startswith("Bring warm")
            and "lamp room" in r["text"]
            and r["text"].count("Bring") == 1
        ),
    )
for s in [
    "go one step back",
    "undo what you just did",
    "no that's not right undo",
    "that's not what i wanted take it back",
    "please put it how it was",
    "return to how it was before",
    "reverse that",
    "no no no go back",
]:
    c("undo", K, ["delete the last sentence", s], same_k)
for s in [
    "the first of them",
    "top one",
    "one please",
    "number one that is",
    "first one please",
    "the first",
    "let's take one",
]:
    doc = "Blue paint is dear. We like blue paint."
    c(
        "choice",
        doc,
        ["underline blue", s],
        lambda r: any(x["start"] == 0 for x in r["result"]["blocks"][0].get("spans", ())),
    )
for s in [
    "dashes round weather permitting",
    "weather permitting between dashes",
    "put weather permitting in brackets please",
    "round brackets for weather permitting",
    "in brackets weather permitting",
    "weather permitting goes in brackets",
]:
    c(
        "wrap",
        K,
        [s],
        lambda r: "(weather permitting)" in r["text"] or "– weather permitting" in r["text"],
    )
for s, text in [
    ("dear mister tregear comma new paragraph", "Dear Mr Tregear,"),
    ("the fourth of july at ten thirty", "4 July at 10.30|The fourth of July at 10.30"),
    ("two and a half miles", "2½ miles|Two and a half miles"),
    ("a hundred and one steps", "101 steps|A hundred and one steps"),
    ("nought degrees", "0 degrees|0°|Nought degrees"),
    ("saint ives", "St Ives|Saint Ives"),
    ("at sign", "@"),
    ("ida and nell apostrophe s boat", "Ida and Nell’s boat"),
    ("the ferry open brackets small close brackets leaves", "The ferry (small) leaves"),
    ("ten to fifteen people", "10 to 15 people|Ten to 15 people|Ten to fifteen people"),
    ("twenty per cent off", "20% off|Twenty per cent off|20 per cent off"),
    ("three pounds twenty each", "£3.20 each"),
    ("full stop after the last word", "."),
    ("we meet on the first monday in may", "We meet on the first Monday in May"),
    (
        "it is a well known fact semicolon nobody doubts it",
        "It is a well known fact; nobody doubts it|It is a well-known fact; nobody doubts it",
    ),
    (
        "he asked colon open quote why question mark close quote",
        "He asked: ‘why?’|He asked: ‘Why?’",
    ),
]:
    c(
        "compose",
        "",
        [s],
        lambda r, t=text: any(
            plain(r["text"]).replace("\n", " ") == plain(x).replace("\n", " ") for x in t.split("|")
        ),
    )
THIRD = WORDINGS[SECOND_SET:]
