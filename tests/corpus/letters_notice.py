"""A notice, by people of other habits, in a second language, or thinking aloud."""

from __future__ import annotations

from tests.corpus.speaking import Written, after, both, change, is_, marked, plain, selected

SET = Written()
c, each = SET.one, SET.each
K = (
    "The open day is on Saturday. Visitors may climb to the lamp room. Children must be with "
    "an adult.\n\nTea is served in the boat house. The ferry leaves at half past two, weather "
    "permitting.\n\nBring warm clothes and good shoes."
)
same_k = is_(K)
each(
    "go",
    K,
    both(same_k, lambda r: r["result"]["caret"] == {"block": 1, "offset": 0}),
    "please put me at the beginning of second paragraph",
    "start of paragraph two",
    "i would like to be where the second paragraph starts",
    "go in front of tea is served",
    "cursor to the start of the second paragraph",
    "before tea is served i want to write",
)
each(
    "go",
    K,
    both(
        same_k, lambda r: r["result"]["caret"]["block"] == 0 or "after" in r["trail"][-1]["summary"]
    ),
    "um end of the first sentence please",
    "after saturday full stop",
    "behind the first sentence",
    "set the cursor behind saturday",
    "i want to add something after the first sentence",
    "let me in after on saturday",
)
each(
    "go",
    K,
    both(same_k, after("Bring warm clothes")),
    "go three words to the left",
    "cursor left three words",
    "three words left",
    "move me back by three words",
    "go backwards three words please",
    "step three words back",
)
each(
    "go",
    K,
    both(
        same_k,
        lambda r: (
            r["result"]["caret"]["block"] == 1 or r["result"]["caret"] == {"block": 2, "offset": 0}
        ),
    ),
    "go up a paragraph",
    "one paragraph up",
    "previous paragraph",
    "back to the paragraph before",
    "up to the paragraph above",
)
each(
    "select",
    K,
    both(same_k, lambda r: len((r["result"]["selection"] or {}).get("text", "")) > 200),
    "choose everything",
    "the whole text select it",
    "select all of the text",
    "mark everything",
    "select the entire page",
    "take it all select everything",
)
each(
    "select",
    K,
    both(same_k, lambda r: (r["result"]["selection"] or {}).get("text", "").strip(".") == "adult"),
    "select the last word of the first paragraph",
    "last word in the first paragraph please select",
    "select adult",
    "i want adult selected",
    "select for me the word adult",
)
each(
    "select",
    K,
    both(same_k, selected("weather permitting")),
    "select the phrase weather permitting",
    "select only weather permitting",
    "weather permitting select these words",
    "make weather permitting selected",
    "please to select weather permitting",
    "can weather permitting be selected",
)
each(
    "select",
    K,
    both(same_k, selected("the lamp")),
    "shrink the selection by a word",
    "one word less",
    "make the selection one word shorter",
    "without the last word",
    "leave off the last word",
    after=["select the lamp room"],
)
each(
    "delete",
    K,
    lambda r: "Children" not in r["text"] and "lamp room" in r["text"] and ("Tea is" in r["text"]),
    "throw away the sentence with children",
    "children must be with an adult that can go",
    "away with the sentence about children",
    "please to delete the sentence of the children",
    "no need for the sentence about children",
    "the children sentence out please",
    "delete children must be with an adult",
)
each(
    "delete",
    K,
    lambda r: "permitting" not in r["text"] and "half past two" in r["text"],
    "delete everything after half past two",
    "delete from weather to permitting",
    "remove the words weather permitting",
    "weather permitting is not needed",
    "no weather permitting",
    "omit weather permitting",
    "cancel the words weather permitting",
    "strike weather permitting",
)
each(
    "delete",
    K,
    lambda r: r["text"].lstrip().startswith("Tea is served"),
    "remove paragraph one completely",
    "delete the whole first paragraph",
    "the first paragraph can be thrown out",
    "do away with the first paragraph",
    "first paragraph away",
    "i want to get rid of the first paragraph",
)
each(
    "delete",
    K,
    lambda r: "weather" not in r["text"] and "permitting" in r["text"],
    "delete the word before permitting",
    "remove weather",
    "weather isn't needed there",
    "cut the word weather please",
    "take away weather",
)
each(
    "replace",
    K,
    change(K, ("Saturday", "Sunday")),
    "saturday must become sunday",
    "sunday please not saturday",
    "put sunday in place of saturday",
    "change saturday for sunday",
    "exchange saturday with sunday",
    "the day is wrong it is sunday",
    "saturday no sunday",
    "make it sunday instead of saturday",
)
each(
    "replace",
    K,
    change(K, ("warm clothes", "a thick coat")),
    "warm clothes change that to a thick coat",
    "for warm clothes put a thick coat",
    "a thick coat instead of warm clothes",
    "swap warm clothes with a thick coat",
    "say a thick coat where it says warm clothes",
    "i'd rather have a thick coat than warm clothes",
    "delete warm clothes and write a thick coat",
)
each(
    "insert",
    K,
    change(K, ("good", "strong good")),
    "insert strong before good",
    "in front of good put strong",
    "strong should stand before good",
    "write strong ahead of good shoes",
    "add the word strong just before good",
    "good shoes should be strong good shoes",
)
each(
    "insert",
    K,
    lambda r: (
        r["text"].rstrip().endswith("shoes!") or "shoes…" in r["text"] or "shoes..." in r["text"]
    ),
    "put three dots after shoes",
    "exclamation mark at the end instead of the full stop",
    "change the last full stop to an exclamation mark",
    "the last full stop should be an exclamation mark",
    "replace the full stop at the end with an exclamation mark",
)
each(
    "insert",
    K,
    lambda r: "with an adult. Dogs are welcome." in r["text"],
    "add a sentence at the end of the first paragraph dogs are welcome full stop",
    "at the end of the first paragraph write dogs are welcome full stop",
    "the first paragraph should end with dogs are welcome full stop",
    "append dogs are welcome full stop to the first paragraph",
    "go to the end of the first paragraph and write dogs are welcome full stop",
)
each(
    "format",
    K,
    lambda r: (
        {x["mark"] for x in r["result"]["blocks"][0].get("spans", ())} == {"italic", "underline"}
    ),
    "lamp room in italics and underlined",
    "underline the lamp room and put it in italics",
    "italicise and underline lamp room",
    "lamp room italic and underline please",
    "both italic and underline for lamp room",
)
each(
    "format",
    K,
    marked("highlight", "half past two"),
    "mark half past two with yellow",
    "put yellow over half past two",
    "highlight half past two",
    "half past two highlighted please",
    "yellow highlighter on half past two",
    "make half past two stand out in yellow",
)
each(
    "format",
    K,
    lambda r: any(x["mark"] == "size" for x in r["result"]["blocks"][-1].get("spans", ())),
    "write the last line bigger",
    "make last paragraph big",
    "the last paragraph in large print",
    "last paragraph a size up",
    "increase the size of the last paragraph",
    "put the last paragraph up a size",
)
each(
    "format",
    K,
    lambda r: r["result"]["blocks"][-1].get("align") == "right",
    "the last paragraph to the right",
    "right side for the last paragraph",
    "push the last paragraph to the right",
    "last paragraph right aligned",
    "set the last paragraph against the right margin",
    "shift the last paragraph over to the right",
)
each(
    "lists",
    K,
    lambda r: all(b["kind"] == "item" for b in r["result"]["blocks"]),
    "make bullet points from all the paragraphs",
    "each paragraph a bullet",
    "turn all the paragraphs into bullet points",
    "bullet all three paragraphs",
    "put bullets in front of every paragraph",
    "the paragraphs as a list please",
)
each(
    "lists",
    "",
    lambda r: (
        r["result"]["blocks"][-1]["kind"] == "item"
        and r["result"]["blocks"][-1]["text"].lower().rstrip(".") == "fetch the key"
    ),
    "start a numbered list with fetch the key",
    "numbered list fetch the key",
    "new numbered list first item fetch the key",
    "make a numbered list and write fetch the key",
    "begin numbering one fetch the key",
)
each(
    "case",
    K,
    change(K, ("clothes", "Clothes")),
    "clothes with a capital",
    "clothes should start with a capital",
    "capitalise clothes please",
    "put a capital on clothes",
    "clothes needs a big c",
    "upper case c in clothes",
)
each(
    "case",
    K,
    change(K, ("Tea", "tea")),
    "tea with a small t",
    "small t for tea",
    "tea in lower case",
    "no capital on tea",
    "tea should not have a capital",
    "take the capital off tea",
)
each(
    "clipboard",
    K,
    lambda r: r["text"].count("lamp room") == 2,
    "copy lamp room and paste it at the end",
    "copy the words lamp room to the end",
    "lamp room copy that to the end",
    "repeat lamp room at the end",
    "paste a copy of lamp room at the end",
)
each(
    "move",
    K,
    lambda r: (
        r["text"].startswith("Bring warm")
        and "lamp room" in r["text"]
        and (r["text"].count("Bring") == 1)
    ),
    "last paragraph goes first",
    "bring the bottom paragraph to the top",
    "start with the last paragraph",
    "the last paragraph should be the first one",
    "put the last paragraph at the very top",
    "move up the last paragraph to the beginning",
)
each(
    "undo",
    K,
    same_k,
    "go one step back",
    "undo what you just did",
    "no that's not right undo",
    "that's not what i wanted take it back",
    "please put it how it was",
    "return to how it was before",
    "reverse that",
    "no no no go back",
    after=["delete the last sentence"],
)
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
each(
    "wrap",
    K,
    lambda r: "(weather permitting)" in r["text"] or "– weather permitting" in r["text"],
    "dashes round weather permitting",
    "weather permitting between dashes",
    "put weather permitting in brackets please",
    "round brackets for weather permitting",
    "in brackets weather permitting",
    "weather permitting goes in brackets",
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
