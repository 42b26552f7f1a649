"""A letter, as somebody speaks who thinks of the letter."""

from __future__ import annotations

from tests.corpus.speaking import Written, after, block, both, change, is_, marked, plain, selected

SET = Written()
c, each = SET.one, SET.each
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


same = is_(A)
each(
    "go",
    A,
    both(same, after("with a ladder")),
    "i want to be right after ladder",
    "pop me in behind the word ladder would you",
    "caret after ladder",
    "take me to just past a ladder",
    "let me carry on after the word ladder",
    "stand behind ladder",
)
each(
    "go",
    A,
    both(same, after("last year.")),
    "go up to the end of the first paragraph after the greeting",
    "end of the paragraph that begins thank you",
    "to the very end of paragraph two",
    "i'd like to add something at the end of the second paragraph",
    "bottom of the second paragraph please",
)
each(
    "go",
    A,
    both(same, after("")),
    "right to the top please",
    "take me up to the very top of the letter",
    "back to the start of it all",
    "start of the letter",
    "go all the way up",
)
each(
    "go",
    B,
    both(is_(B), after("likes a slow")),
    "one word back",
    "a word to the left",
    "step back over one word",
    "back up one word",
)
for s in [
    "choose the bit about the roof",
    "i want the sentence with the roof in it selected",
    "mark the whole sentence about the boat house",
    "pick out the sentence that starts with the roof",
    "grab the roof sentence",
]:
    roof = "The roof of the boat house leaks again, and the floor is very wet."
    c("select", A, [s], same, selected(roof))
each(
    "select",
    A,
    both(same, selected("boat house leaks again")),
    "select boat house up to again",
    "take everything from boat house as far as again",
    "select starting at boat house and ending with again",
    "boat house to again select that",
    "highlight from the words boat house through again",
)
each(
    "select",
    A,
    both(same, selected("")),
    "let go of it",
    "never mind the selection",
    "don't select anything",
    "nothing selected please",
    "drop the selection",
    after=["select the boat house"],
)
each(
    "select",
    A,
    both(same, selected("boat house leaks again")),
    "and the next two words too",
    "make the selection two words longer",
    "take in two more words",
    "stretch it by two words",
    "two words more",
    after=["select boat house"],
)
each(
    "delete",
    A,
    change(A, ("very wet", "wet")),
    "lose very",
    "the word very can go",
    "take very out",
    "kill the word very",
    "i don't want the word very in there",
    "drop very",
    "rub out very",
)
each(
    "delete",
    A,
    change(A, (" We had twelve helpers last year.", "")),
    "cut the sentence about the helpers",
    "get rid of the bit that says we had twelve helpers last year",
    "the sentence about the twelve helpers should go",
    "scrap the last sentence of the second paragraph",
    "remove the whole sentence with helpers in it",
    "throw out we had twelve helpers last year full stop",
)
each(
    "delete",
    A,
    change(A, (" He has the key.", "")),
    "he has the key please delete that sentence",
    "take away the sentence before yours sincerely",
    "delete the sentence about the key",
    "i'd rather not say he has the key take it out",
)
each(
    "delete",
    "Bring a torch and a warm coat",
    is_("Bring a torch and"),
    "wipe the last three words",
    "three words back delete them",
    "strike out the last three words please remove them",
    "erase the three words before the cursor",
    "take the last three words off",
)
each(
    "replace",
    A,
    change(A, ("Thursday", "Friday")),
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
)
each(
    "replace",
    A,
    lambda r: (
        "send three women with a rope? Mr" in r["markdown"]
        or "send 3 women with a rope? Mr" in r["markdown"]
    ),
    "change two men with a ladder to three women with a rope",
    "not two men with a ladder three women with a rope",
    "two men with a ladder becomes three women with a rope",
    "instead of two men with a ladder say three women with a rope",
    "overwrite two men with a ladder with three women with a rope",
)
each(
    "replace",
    B,
    change(B, ("slow", "quick")),
    "every slow should be quick",
    "make all the slows quick",
    "change slow to quick all the way through",
    "slow becomes quick everywhere",
    "wherever you see slow write quick",
    "replace slow by quick throughout",
)
each(
    "insert",
    A,
    change(A, ("Could you send", "Could you please send")),
    "add please after could you",
    "after could you put please",
    "put the word please in after could you",
    "could you needs a please after it",
    "slip please in behind could you",
    "between you and send write please",
    "write please between you and send",
)
for s in [
    "comma after ladder",
    "stick a comma in after ladder",
    "there should be a comma after ladder",
    "ladder comma please",
    "ladder needs a comma after it",
]:
    doc = "We need a ladder and a rope."
    c("insert", doc, [s], change(doc, ("ladder", "ladder,")))
each(
    "insert",
    A,
    change(A, ("wet. We", "wet.\n\nWe")),
    "start a new paragraph before we had",
    "new paragraph in front of we had twelve",
    "break the paragraph before we had",
    "we had twelve helpers should begin a new paragraph",
    "split the paragraph at we had",
    "put we had twelve helpers last year in a paragraph of its own",
)
each(
    "format",
    A,
    marked("bold", "boat house"),
    "i want the boat house in bold",
    "boat house bold please",
    "put boat house into bold type",
    "give boat house bold letters",
    "can the words boat house be bold",
    "bold for boat house",
    "embolden boat house",
)
each(
    "format",
    BOLD,
    marked("bold", "Sunday"),
    "no more bold on lamp room",
    "lamp room shouldn't be bold",
    "make lamp room normal again",
    "lamp room without the bold",
    "lamp room not in bold please",
    "take lamp room out of bold",
)
each(
    "format",
    A,
    both(marked("bold", "the key"), marked("underline", "the key")),
    "underline and bold the key",
    "the key bold and underlined",
    "bold the key and underline it as well",
    "make the key both bold and underlined",
    "underline the key and make it bold",
)
each(
    "format",
    A,
    marked("size", "Dear Mrs Penrose,"),
    "first paragraph a bit bigger eighteen points",
    "set the first line in eighteen point",
    "eighteen point for the first paragraph",
    "the first paragraph should be size eighteen",
)
each(
    "format",
    HEAD,
    change(HEAD, ("# ", "")),
    "the open day should be a normal paragraph",
    "no heading there please just text",
    "open day isn't a heading",
    "turn the heading back to ordinary text",
    "make the heading an ordinary line",
)
each(
    "format",
    HEAD,
    lambda r: r["result"]["blocks"][-1]["kind"] == "heading",
    "tea is served should be a heading",
    "last line as a heading",
    "make a second level heading of tea is served at four",
    "heading out of the last paragraph",
    "turn tea is served at four into a heading",
)
each(
    "format",
    HEAD,
    block(0, align="centre"),
    "put the first line in the middle",
    "first line centred please",
    "i want the heading in the centre",
    "centre open day",
    "open day in the middle of the line",
)
each(
    "lists",
    LIST,
    lambda r: (
        plain(r["markdown"]).lower()
        == plain(LIST.replace("- a torch", "- a torch\n- a whistle")).lower()
    ),
    "add a whistle to the list",
    "put a whistle at the bottom of the list",
    "another item a whistle",
    "a whistle goes on the list too",
    "list item a whistle at the end of the list",
)
each(
    "lists",
    LIST,
    change(LIST, ("- rope\n- blue paint\n- a torch", "- a torch\n- rope\n- blue paint")),
    "the torch first",
    "torch to the top of the list",
    "move a torch up to the top of the list",
    "put the torch before the rope",
    "have the torch at the head of the list",
)
each(
    "lists",
    NUMBERED,
    both(
        lambda r: all(b["kind"] != "numbered" for b in r["result"]["blocks"]),
        lambda r: "oil the gate" in r["text"] and r["trail"][-1]["read_as"] == "command",
    ),
    "no numbers please",
    "get rid of the numbers",
    "bullets instead of numbers",
    "dots not numbers please",
    "turn the numbers into bullets",
)
each(
    "lists",
    LIST,
    change(LIST, ("- rope", "1. rope"), ("- blue", "2. blue"), ("- a torch", "3. a torch")),
    "number the bullets",
    "make it one two three instead of bullets",
    "numbers instead of the bullets",
    "i want that list numbered",
    "the bullets should be numbers",
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
each(
    "move",
    B,
    is_("Nobody likes a slow boat. The bell is slow. The slow bell rings at noon."),
    "last sentence up to the front",
    "put the last sentence first",
    "move nobody likes a slow boat to the beginning",
    "the last sentence belongs at the start",
    "bring the last sentence to the top",
)
each(
    "move",
    B,
    is_("The slow bell rings at noon. The bell is slow. Nobody likes a slow boat."),
    "swap the first two sentences",
    "change the first two sentences round",
    "the second sentence should come before the first",
    "put the second sentence in front of the first",
    "first and second sentence the other way round",
)
each(
    "undo",
    B,
    is_(B),
    "oh no put it back",
    "that was a mistake bring it back",
    "wrong undo",
    "hang on put that sentence back",
    "i didn't mean that",
    "oops",
    "take that last change back",
    after=["delete the first sentence"],
)
each(
    "undo",
    B,
    change(B, ("The bell is slow. ", "")),
    "no do delete it",
    "do it again after all",
    "actually yes delete it again",
    "undo the undo",
    "go on then redo it",
    after=["delete the first sentence", "undo"],
)
each(
    "choice",
    B,
    both(marked("bold", "slow"), lambda r: r["result"]["blocks"][0]["spans"][0]["start"] > 50),
    "the last of them",
    "three",
    "the third please",
    "that last one",
    "the one before boat",
    after=["bold slow"],
)
each(
    "choice",
    B,
    marked("bold", "slow", "slow", "slow"),
    "every one of them",
    "do all three",
    "the lot",
    "all three please",
    "them all",
    after=["bold slow"],
)
each(
    "choice",
    B,
    both(is_(B), lambda r: not r["result"].get("choices")),
    "none of those",
    "forget it",
    "leave it then",
    "no never mind",
    "stop i don't want any",
    after=["bold slow"],
)
each(
    "wrap",
    A,
    change(A, ("last year", "(last year)")),
    "put last year in brackets",
    "brackets round last year",
    "last year should be in brackets",
    "bracket last year",
    "wrap last year in brackets",
)
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
