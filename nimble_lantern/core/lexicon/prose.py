"""Names of marks and breaks that are ordinary words too, and the neighbours that tell which.

Made from the commonest neighbours in running text: "a long period", "colon cancer", "mad dash".
"""

from __future__ import annotations

NOT_CAPITAL_BEFORE = frozenset(
    "of city cities is was and or letters letter gains gain punishment investment works sum"
    " expenditure project fund funds appeal are on off were for".split()
)
""""capital city", "capital gains": the word, not how the next is written."""
TOP_LEVEL = frozenset("com org net uk co example edu gov info eu ie io scot".split())
"""Ends of addresses (IANA root zone database, the usual ones)."""
FILE_ENDINGS = frozenset(
    "pdf doc docx odt txt rtf csv xls xlsx ods jpg jpeg png gif svg html htm zip exe".split()
)
"""After "dot", the end of a file's name."""
BEFORE_MAILBOX = frozenset("dot to is email mail address at contact".split())
"""Before "at" they are no part of an address."""
BEFORE_SITE = frozenset("at see visit on from to website site page".split())
"""Before the name of a place on the web."""
MAILBOXES = frozenset(
    "info office mail post hello contact enquiries inquiries admin secretary treasurer bookings"
    " help support sales shop press news editor".split()
)
"""Mailboxes by their usual names (RFC 2142 has some of them)."""
NOT_BEFORE: dict[str, frozenset[str]] = {
    "period": frozenset("of pieces piece drama costume furniture property for when in".split()),
    "colon": frozenset("cancer surgery".split()),
    "dash": frozenset("of off to into for out across back".split()),
    "hash": frozenset("browns brown out".split()),
    "quote": frozenset("for from of".split()),
    "hyphen": frozenset("key".split()),
    "comma": frozenset("key splice".split()),
    "slash": frozenset("prices and the costs".split()),
    "underscore": frozenset("the how why that our".split()),
    "pipe": frozenset(),
}
"""A mark's name in front of one of these is the word: "period of time"."""
NOT_AFTER: dict[str, frozenset[str]] = {
    "period": frozenset(
        "long short same trial first second last this which whole any time holiday grace"
        " busy quiet dry wet cold warm difficult two three four five six notice half".split()
    ),
    "dash": frozenset("mad quick to final last hundred metre will must could and i we".split()),
    "quote": frozenset(
        "to i we they you can will and or price written first single double one second"
        " please always may should must could would let's lowest highest".split()
    ),
    "slash": frozenset("to will must can should".split()),
    "colon": frozenset("spastic bowel".split()),
    "hash": frozenset("to corned".split()),
    "underscore": frozenset("to will which".split()),
    "asterisk": frozenset(),
}
"""A mark's name after one of these is the word: "a long period"."""
NOUNS_TOO = frozenset(
    "period full question exclamation semicolon colon hyphen dash apostrophe quote ellipsis slash"
    " asterisk underscore hash".split()
)
"""First words of the names of marks that a sentence may speak of."""
DESCRIBING = frozenset(
    "big small large huge tiny long short brief lengthy difficult easy recent extra missing strange"
    " funny busy happy sad lovely terrible nice unpaid probationary smooth dull wrong".split()
)
"""Adjectives that never stand for a thing by themselves, as "the old" and "the last" may."""
