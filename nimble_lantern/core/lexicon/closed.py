"""Closed classes of words: articles, pronouns, prepositions, auxiliaries and their like.

The classes follow Quirk, Greenbaum, Leech and Svartvik, A Comprehensive Grammar of the English
Language (1985), chapters 3 to 9; each set says what its words decide.
"""

from __future__ import annotations

ARTICLES = ("the", "a", "an")
ARTICLES_AND_OWNERS = frozenset("a an the every each another my your our their its".split())
"""After one a mark's name is the word: "came to a full stop"."""
OWNERS = frozenset("my your his her its our their".split())
"""Before what somebody has."""
DETERMINERS = frozenset("the a an this that these those my our your his her their its".split())
"""May stand before words of the page that are named: "bold the ferry"."""
SLIGHT = frozenset("the a an and or of to in on at by for from with it is as".split())
"""Count little when words are compared with those of the page."""
LITTLE = frozenset(
    "a an the to of in on at and or but is are was were be it if as by for from with we you he she"
    " they her his him its our us me my no not do done all off out up that this then i am".split()
)
"""Too short to be told apart by ear; a command that names only these is doubted."""
DULL = frozenset(
    "the a an of to in on at and or but is was are were will be been has have had we you i it he"
    " she they our your their his her its this that with for from by as not do so if when which"
    " there would could should may can all more most than then".split()
)
"""Never offered in a hint: "select of the" would teach nobody anything."""
PREPOSITIONS = frozenset("on in to at of for with from up out over about off down by".split())
"""Second in what is said, they make it prose: "select from the best"."""
SUBJECT_PRONOUNS = frozenset("i you he she it we they there".split())
"""May begin a clause."""
AUXILIARIES = frozenset(
    "is are was were am do does did can could will would shall should may might must has have had"
    " isn't aren't wasn't weren't don't doesn't didn't can't couldn't won't wouldn't shan't"
    " shouldn't haven't hasn't hadn't mustn't i'm i'll i've i'd you're you'll you've we're we'll"
    " we've we'd he's she's it's they're they'll they've there's that's cannot".split()
)
"""With their contracted forms."""
OF_DEGREE_AND_TIME = frozenset(
    "very really quite rather just also too so only even almost nearly ever never always often"
    " sometimes soon again already still yet perhaps maybe however therefore indeed somewhat fairly"
    " pretty extremely usually probably hopefully unfortunately actually absolutely".split()
)
"""Adverbs: no thing is called so, and nobody takes one away but from a text."""
CONTRACTIONS = {
    short: tuple(full.split())
    for short, full in (
        ("what's", "what is"), ("where's", "where is"), ("that's", "that is"), ("it's", "it is"),
        ("who's", "who is"), ("how's", "how is"), ("there's", "there is"), ("i've", "i have"),
        ("we've", "we have"), ("i'm", "i am"), ("isn't", "is not"), ("aren't", "are not"),
        ("don't", "do not"), ("doesn't", "does not"), ("didn't", "did not"),
        ("shouldn't", "should not"), ("haven't", "have not"), ("hasn't", "has not"),
        ("goto", "go to"),
    )
}  # fmt: skip
"""In full, as patterns have them."""
HEARD_ALIKE = {
    "they're": "their", "there": "their", "you're": "your", "it's": "its", "who's": "whose",
    "there's": "theirs",
}  # fmt: skip
"""Contractions with the words that sound the same."""
SPEAKERS = frozenset("he she they i we it you".split())
"""Before a verb of saying, who says it: "she said"."""
CONTRACTED = frozenset("s t d m ll re ve".split())
"""Ends of words that some recognisers part from them: "it s"."""
