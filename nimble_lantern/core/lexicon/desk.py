"""Words by which an utterance is known to be said to the desk, not to the letter's reader."""

from __future__ import annotations

TRADE_VERBS = frozenset(
    "select deselect unselect delete bold unbold italicise italicize underline highlight"
    " extend undo"
    " redo paste capitalise capitalize uppercase lowercase embolden centre center align indent"
    " outdent undelete backspace unhighlight ununderline hyphenate strikethrough reselect"
    .split()
)  # fmt: skip
"""First in an utterance, they are said to the desk: few sentences of a letter begin so."""
PLAIN_VERBS = frozenset(
    "make put change turn set use move take remove clear get give go show read leave keep let copy"
    " cut replace insert add apply format erase swap join split cancel find correct stop start"
    " narrow choose pick mark write type scrap forget drop lose close open switch scroll save"
    " convert number bullet start begin end print rub wipe try".split()
)
"""First, they may be: what follows tells."""
SPOKEN_OF = frozenset("it this that them these those selection one ones".split())
"""What stands selected, or was just done, is spoken of so."""
COUNTED = frozenset("paragraph sentence line item row column".split())
COUNTS = frozenset("first second third fourth fifth sixth seventh eighth ninth tenth last".split())
"""Parts of a letter, and which of them: "the second paragraph"."""
TRADE_NOUNS = frozenset(
    "bold italic italics underline underlined underlining highlighted highlighting highlighter"
    " strikethrough superscript subscript capitals caps capitalised uppercase lowercase font size"
    " heading subheading bullet bullets bulleted numbered list paragraph paragraphs sentence"
    " sentences word words line lines selection selected cursor caret courier literata atkinson"
    " centred centered aligned document undo redo text letters case format formatting colour color"
    " item items section title quotation dictation microphone command commands pointer bigger"
    " larger smaller".split()
)
"""Words of the trade: said of a text, not often in one."""
PARTS = frozenset(
    "paragraph paragraphs sentence sentences bullet bullets heading subheading cursor caret pointer"
    " selection underline italics capitals caps cell row column".split()
)
"""Parts and looks of a page: not what is written into one."""
OF_THE_HOUSE = frozenset(
    "note notes row rows column columns cell cells table passage passages place places version"
    " versions blank blanks change changes page pages document documents shelf comparing"
    " comparison".split()
)
"""What the desk has beside a text's own parts, and tables."""
ASIDES = tuple(
    tuple(words.split())
    for words in (
        "hang on", "hold on", "never mind", "no wait", "wait a", "wait", "oh no", "oh dear",
        "where am i", "what can i", "what do i", "how do i", "how can i", "can i",
        "what is selected",
        "which one", "not that", "no not", "no that", "leave it", "let go", "what have i",
        "did you", "where was i", "go on", "not now", "stop a", "just a", "one moment", "hold that",
        "what was", "is this", "not yet", "are you listening", "can you hear", "help me",
        "what was i", "what's",
    )
)  # fmt: skip
"""What begins like this is thought aloud, or asked."""

ALONE = frozenset(
    "bigger larger smaller shorter longer wider narrower darker lighter brighter bolder higher"
    " lower louder quieter faster slower plainer simpler softer more less again top bottom next"
    " previous everywhere".split()
)
"""A word that is said alone of what stands selected, and is hardly meant for its place."""
OF_THE_DESK = TRADE_NOUNS | frozenset(
    "screen settings microphone mike punctuation punctuate commas commands command contrast digits"
    " figures numerals aloud outbox backup pdf word shelf lessons lesson dictation wordings wording"
    " trail undo redo bold italics cursor zoom scroll spelling capitals printed printer prints"
    " recogniser ears clipboard bullets".split()
)
"""What is said of the desk, and seldom of anything else in a letter."""
