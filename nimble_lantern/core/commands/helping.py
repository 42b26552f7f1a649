"""Help by voice, and the wordings that were learned."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.manners import ASKED_DOING
from nimble_lantern.core.lexicon.meanings import MEANINGS
from nimble_lantern.core.state import Done, Help, Option, Question, Sitting

_SEEN = frozenset(("see", "hear"))
"""What somebody asks to have, and not how: "can i see the versions"."""
_THINGS = frozenset("table tables passage passages note notes version versions".split())


def _of_the_trade(sitting: Sitting, parse: Parse) -> bool:
    """ "How do i make a list" is asked of the desk; "how do i get to the island" of a reader."""
    words = as_asked(parse.args.get("words", ()))
    trade = TRADE_NOUNS | TRADE_VERBS
    telling = [w for w in words if w in trade or w.removesuffix("s") in trade or w in _THINGS]
    if words[:1] and words[0] in _SEEN:
        return False
    verb = bool(words) and (words[0] in PLAIN_VERBS or words[0] in MEANINGS)
    return bool(telling) and (verb or len(telling) * 2 >= len(words))


def as_asked(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "The words for deleting" are asked as "delete"."""
    return (ASKED_DOING.get(words[0], words[0]), *words[1:]) if words else words


@command(
    "what can i say about [the | a] {words}",
    Way("what can i (say | do) (about | for | with | to) [the | a] {words}", when=_of_the_trade),
    Way("how (do | can | would | could | should) (i | you | we) {words}", when=_of_the_trade),
    Way("(can | could) (i | you) {words} here", when=_of_the_trade),
    Way("(can i | is there a way to | is it possible to | how to) {words}", when=_of_the_trade),
    Way("what (do i | should i) say to {words}", when=_of_the_trade),
    Way("help [me] (with | on | about) {words}", when=_of_the_trade),
    Way(
        "(show | tell) me (how to | what i can say (about | for | with)) {words}",
        when=_of_the_trade,
    ),
    Way(
        "what (is | are) the (command | commands | word | words) (for | to) {words}",
        when=_of_the_trade,
    ),
    Way("how does (one | anyone | somebody) {words}", when=_of_the_trade),
    example="how do i make a list",
    group="desk",
)
def how(sitting: Sitting, words: tuple[str, ...]) -> Help:
    """Show how something is said, with the words in view; a number does it."""
    return Help(as_asked(words))


@command(
    "what have you learned [from me]",
    "(show | list) [me] [all] [the | my] (learned wordings | own wordings | wordings)",
    "[show] my own words for commands",
    example="what have you learned",
    group="desk",
)
def learned(sitting: Sitting) -> Done | Refusal:
    """Show the wordings that were learned from you; a number forgets one."""
    if not sitting.learned:
        return Refusal("Nothing is learned yet.", "", "What you choose from the offers is learned.")
    newest = sitting.learned[::-1][:_MOST_SHOWN]
    options = tuple(Option(str(w), (("said", w.said),)) for w in newest)
    question = Question("helping.unlearn", {}, options, beside=True)
    count = many(len(sitting.learned), "wording")
    return Done(replace(sitting, question=question), f"{count} learned; a number forgets one")


_MOST_SHOWN = 9


@command(
    "forget (that wording | what you [have] [just] learned | the last wording)",
    "(do not | don't) learn that",
    example="forget that wording",
    group="desk",
)
def unlearn(sitting: Sitting, said: tuple[str, ...] = ()) -> Done | Refusal:
    """Forget a wording that was learned, the last one unless it is chosen."""
    if not sitting.learned:
        return Refusal("Nothing is learned yet.")
    gone = next((w for w in sitting.learned if w.said == said), sitting.learned[-1])
    kept = tuple(w for w in sitting.learned if w is not gone)
    after = replace(sitting, learned=kept, question=None)
    return Done(after, f"“{' '.join(gone.said)}” is forgotten")
