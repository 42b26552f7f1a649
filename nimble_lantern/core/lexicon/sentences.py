"""How sentences begin, go on and end: what automatic punctuation and the reader go by.

Subordinators, conjuncts and question words follow Quirk, Greenbaum, Leech and Svartvik (1985),
sections 8.134 to 8.147, 11.14 and 14.12.
"""

from __future__ import annotations

from nimble_lantern.core.lexicon.closed import AUXILIARIES, SUBJECT_PRONOUNS

AFTER_MEAN = frozenset("to what it that well every how no not by".split())
"""After "i mean", they go on with a sentence: "i mean to write"."""
UNFINISHED = frozenset(
    "a an the this these those my your our their his its her and or but nor to of in on at by for"
    " from with into onto than as if when while because that who which whose is are was were be"
    " been will would can could shall should may might must do does did has have had not very"
    " please so until unless although though whether between about over under through after"
    " before every each any some no mr mrs ms dr".split()
)
"""After one of these a sentence goes on, so no comma or stop comes there."""
NEVER_LAST = (UNFINISHED - {"no"}) | frozenset(
    "i you we they he she let us could never always just also said says called".split()
)
"""After one of these in one breath comes no command: in "we said delete the word" nothing is
deleted.  "No" is left out, as it comes before one: "no delete that"."""
HANGING = frozenset(
    "a an the my our your their his its and or but nor to of at for from with into onto than as if"
    " because whose very until unless although whether between every each mr mrs ms dr".split()
)
"""Last in an utterance, they get no full stop, however long the pause."""
CONTINUES = frozenset(
    "and but or nor because although though unless until which who whose whom so if while than"
    " whereas except including especially with without to of for".split()
)
"""First after a pause, they go on with the sentence before it."""
NEEDS_COMMA = frozenset("but which who whose although though whereas except including so".split())
"""Of those, the ones that a comma stands before."""
SUBJECTS = SUBJECT_PRONOUNS | frozenset(
    "this that these those the a an my your our his her its their all both some many most"
    " nobody everybody everyone somebody no one each".split()
)
"""May begin a clause of its own, or its subject."""
VERBS = AUXILIARIES | frozenset(
    "go goes went come comes came get gets got take takes took make makes made see saw sees know"
    " knew think thought thinks say says said tell tells told ask asks asked want wants wanted"
    " need needs needed like likes liked leave leaves left keep keeps kept give gives gave bring"
    " brings brought find finds found put puts let lets write writes wrote read reads send sends"
    " sent meet meets met stay stays stayed wait waits waited work works worked start starts"
    " started stop stops stopped open opens opened close closes closed look looks looked hope"
    " hopes hoped thank thanks sit sits sat stand stands stood run runs ran fall falls fell turn"
    " turns turned move moves moved belong belongs seem seems seemed feel feels felt begin begins"
    " began hold holds held agree agrees agreed mend mends mended climb climbed sail sails sailed"
    " leak leaks leaked arrive arrives arrived pay pays paid cost costs help helps helped live"
    " lives lived call calls called try tries tried burn burns burned rain rained rains lit drove"
    " drives spoke speaks swam slept sleeps spent built bought caught taught lost won led fed rose"
    " grew flew drew threw wore broke chose woke sang rang sank drank shut cut set hit forgot"
    " understood became stole shook rode ate eats hear hears heard lay lie lies".split()
)
"""In all their forms, the common ones; they tell a clause from a phrase."""
ASKS = frozenset("who whom whose what which when where why how".split())
"""Begin a question."""
INVERTED = AUXILIARIES - frozenset(
    "i'm i'll i've i'd you're you'll you've we're we'll we've we'd"
    " he's she's it's they're they'll they've there's that's must may do have had cannot".split()
)
"""First, they begin a question: "is the boat in"."""
INVERTED_BY_PRONOUN = frozenset("do don't may might must have had".split())
"""They do so only before a pronoun: "do you", and not "do the dishes"."""
OPENERS = frozenset("and but so well now then or please tell me".split()) - {"please", "tell", "me"}
"""May stand before a question: "and where is it"."""
MEASURED = frozenset("many much long often far soon old big high deep wide late".split())
"""After "how", they begin a question."""
NEGATIVE = frozenset("nobody never no not nothing hardly none".split())
"""Turn a tag round: "nobody came, did they"."""
TAGS = frozenset("it he she they we you i there".split())
"""End a tag question."""
SUBORDINATE = frozenset(
    "if when although though because while since unless after before until once whenever as"
    " wherever whether".split()
)
"""Begin a clause that a comma ends before the main one."""
BIDDING = frozenset(
    "leave keep put give bring stop open close call turn move come go tell ask send write read wait"
    " hold push pull lift press shake rinse ring wash add mix stir cover switch lock shut check"
    " take use try pour cut mind start begin find look stay sit stand clean dry hang remove sand"
    " sweep empty fill light feed water pack load show follow".split()
)
"""Imperatives with which a main clause begins behind a subordinate one."""
ADVERBS = frozenset(
    "however therefore unfortunately fortunately finally meanwhile moreover furthermore sadly"
    " luckily otherwise besides nevertheless consequently incidentally yes firstly secondly"
    " thirdly lastly hooray hurray hurrah goodness gosh".split()
)
"""Joining adverbs and calls, which a comma follows first in a sentence."""
PHRASES = (
    ("for", "example"), ("for", "instance"), ("in", "fact"), ("of", "course"), ("in", "short"),
    ("in", "addition"), ("by", "the", "way"), ("on", "the", "other", "hand"), ("as", "a", "result"),
    ("at", "first"), ("in", "my", "opinion"), ("after", "all"), ("in", "the", "meantime"),
    ("to", "be", "honest"), ("in", "other", "words"),
)  # fmt: skip
"""Joining phrases, which do as those do."""
CLOSINGS = (
    ("yours", "faithfully"), ("yours", "sincerely"), ("yours", "truly"), ("yours", "ever"),
    ("kind", "regards"), ("best", "wishes"), ("with", "best", "wishes"), ("best", "regards"),
    ("with", "kind", "regards"), ("warm", "regards"), ("all", "the", "best"), ("with", "love"),
    ("lots", "of", "love"), ("much", "love"), ("with", "much", "love"), ("kindest", "regards"),
    ("warmest", "regards"), ("warm", "wishes"), ("warmest", "wishes"), ("yours", "always"),
    ("with", "warm", "wishes"), ("with", "all", "good", "wishes"), ("good", "wishes"),
    ("love", "from"), ("with", "love", "from"), ("lots", "of", "love", "from"), ("regards",),
    ("with", "many", "thanks"),
    ("sincerely", "yours"), ("yours", "respectfully"), ("respectfully", "yours"),
)  # fmt: skip
"""End a letter, with a comma and no full stop."""
TITLES = frozenset("mr mrs ms miss dr mister missus doctor professor reverend sir lady".split())
"""Before a name: "dear mrs drew" has no verb in it."""
THANKS = (("thank", "you"), ("thanks",), ("good", "morning"), ("well", "done"), ("hello",))
"""Whole sentences without a verb."""
SAYING = frozenset(
    "said asked replied cried called shouted wrote answered whispered added says asks".split()
)
"""Verbs of saying, after which words are quoted."""
COMMON_OPENINGS = frozenset(
    "the a an this that these those our my your his her their its in on at for from and but if"
    " when while as dear yours thank please to with by we he she it they there here all no".split()
)
"""Often begin a sentence, so that a capital there says nothing of the word."""
