"""What people say round words of the page, and round those that are to come in their place or
beside them, in whatever order.

"Old" are the words of the page, "new" those to be put there.  A phrase stands directly before or
behind either, or anywhere else; "asking" are those of a request that names the old words first.
One with a "!" speaks of a text and of nothing else: "where it says", "the word"; one with a "?" may
as well be said of the world: "is better than".
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, IntEnum

from nimble_lantern.core.lexicon.housed import FILLING, Phrase, entries, in_full


class Zone(Enum):
    """Where phrases stand."""

    ASKING = "asking"
    OLD = "old"
    BEHIND_OLD = "behind old"
    NEW = "new"
    BEHIND_NEW = "behind new"
    ROUND = "round"


class Sure(IntEnum):
    """How plainly a phrase speaks of a text."""

    DOUBTFUL = 0
    PLAIN = 1
    TOLD = 2

    def __and__(self, other: int) -> Sure:
        """Of phrases that are said together: one that is told tells it of all."""
        return Sure.TOLD if Sure.TOLD in (self, other) else Sure(min(self, other))


_SIGNED = {"!": Sure.TOLD, "?": Sure.DOUBTFUL}


@dataclass(frozen=True, slots=True)
class Job:
    """A kind of request: where each phrase round it may stand, and how it is said plainly."""

    said: dict[Phrase, tuple[frozenset[Zone], Sure]]
    plain: str
    moving: str = ""
    """The plain way if the new words are themselves a part of the page."""
    joining: str = ""
    """That for a whole paragraph where one is added to: "add paragraph three to paragraph two"."""
    words: bool = True
    parts: bool = True
    """Whether the old ones may be words of the page, or a part of it: "the last sentence"."""
    side: int = 0
    """Where the new words must stand on the page already: before the old (-1), or behind (1)."""


_REPLACING = """
asking: !strike out, !cross out, !scratch out, scratch, strike, cross, !replace, swap out,
  exchange, switch, swap, change, !correct, fix, alter, turn, i put, i said, i wrote, i have put,
  i have said, i have written, !it says, !it said, !it reads, !the word, !the words, update,
  revise, edit, reword, up, raise, lower, put, bring, put up, the price from, the number from, the
  time from, the date from, to replace, out with, take out, take away
old: instead of, in place of, rather than, not, and not, but not, no not, in exchange for, !where
  it says, !where i wrote, !where i said, !where i put, !where i have, !where it reads, !where it
  now says, !where it now reads, !where it still says, !where we have, !where there is, !where you
  see, !where you read, and take out, and take away, instead of the word, in place of the word,
  rather than the word, not the word, !and strike out, !and cross out, ?better than, ?would be
  better than, ?is better than, ?was better than, ?fits better than, ?sounds better than, ?sounds
  nicer than, ?looks better than, ?reads better than, ?is nicer than, ?would be nicer than, ?would
  be clearer than, ?is clearer than, !should stand where, !should be where, !goes where, !belongs
  where, !should go where, !has to stand where, !ought to stand where, !must stand where, !comes
  where, should replace, is to replace, must replace, has to replace, should take the place of,
  takes the place of, to take the place of, and drop, and remove, and delete, and lose, !and
  scrap, as a substitute for, as a replacement for
behind old: is wrong, was wrong, !is the wrong word, !was the wrong word, !is the wrong name, !is
  not the right word, !isn't the right word, !is not what i meant, is not right, isn't right, is
  not correct, is incorrect, isn't correct, out, is a mistake, was a mistake, !was misheard, is no
  good, stands, stands now, is, is now, was, away, !is written, !is misspelt, is out of date, got
  in there
new: to, up to, down to, into, with, by, make, should be, ought to be, must be, has to be, have to
  be, needs to be, is to be, shall be, wants to be, should read, should say, !ought to read,
  !ought to say, !must say, !must read, !has to read, !has to say, should become, must become, has
  to become, ought to become, needs to become, wants to become, is to become, becomes, become,
  will become, to become, !to read, !to say, make it, make that, make this, let it be, put, !put
  in, !and put in, and put, and have, and use, and take, write, !write in, and write, say, and
  say, use, have, let's have, i want, i need, we need, we want, i would like, i'd like, i would
  rather have, i'd rather have, we'd rather have, i prefer, i would prefer, i'd prefer, it should
  be, !it should say, !it should read, it ought to be, !it ought to say, it must be, it has to be,
  it needs to be, it is, it's, that is, that's, should have been, it should have been, i meant, i
  mean, i meant to say, meant to be, was meant to be, is meant to be, !no that was, !no it was,
  !no that is, !no that should be, !no it should be, turned into, be turned into, changed to, be
  changed to, be changed into, !be replaced by, !be replaced with, !replaced by, !replaced with,
  !changing to, !changing into, !correcting to, be corrected to, !corrected to, swapped for, be
  swapped for, !the word, !the words, !the right word is, !the correct word is, !the new word is,
  the right one is, in with, give me, take, stick in, !pop in, !slot in, and in with, there should
  be, there ought to be, there must be, !have it say, !let it say, !let it read, actually, rather,
  better
behind new: instead, !is the right word, is right, is correct, is better, would be better, would
  be right, fits better, sounds better, reads better, was meant, !was what i meant, is what i
  meant, is what i want, is what i wanted, in its place, in its stead, there, !in there, out of
  it, out of that, of it, !should stand there, should be there, !belongs there, goes there, should
  be, should stand, in, will do, would do, it should be, it ought to be, !it should say, it must
  be, it has to be, !it ought to say, that should be
round: i suppose, sorry, oh, oh dear, oops, no, well, actually, !the word, !the words, my mistake,
  by mistake, i'm afraid, !in the text, !in the letter, !in the sentence, !on the page, up here,
  up there, somewhere, if you can, if you would, thank you, thanks, would it be possible, is it
  possible, it is wrong, that's wrong, that is wrong, but, really, of course, yes, wrongly, be
"""
_BESIDE = """
behind old: it should say, it should read, please
new: put, place, set, pop, stick, slip, squeeze, fit, work, get, tack, !add, !insert, !write,
  !type, say, !say the word, !the word, !the words, i forgot, !i left out, i missed, i'd
  forgotten, i have forgotten, i've forgotten, we forgot, there should be, there ought to be,
  there must be, there has to be, there is, there's, we need, i need, we want, i want, i would
  like, i'd like, !it should say, !it should read, it should have, !it must say, !it ought to say,
  ?have, also, i want to have, i'd like to have, move, shift, bring, carry, push, drag, ?leave
  room for, ?give me, ?let's have, ?we should have, ?we could have, ?could we have, ?can we have,
  ?include, enter, to have, ?needs, ?wants, ?could do with, ?let, ?should have, ?ought to have,
  ?must have, ?comes, ?goes, ?should come, ?must come, ?follows
behind new: ?goes, ?comes, belongs, should go, ?should come, should stand, should be, must go,
  must come, must stand, must be, has to go, has to come, has to stand, has to be, ought to go,
  ought to come, ought to stand, ought to be, needs to go, needs to come, needs to be, wants to
  go, wants to come, wants to be, is to go, is to come, is to stand, to come, to go, to stand, to
  be, is missing, missing, !is left out, was left out, was forgotten, standing, in, on, in there,
  there, forward, back, down, up, over, along, further down, further up, so it comes, so that it
  comes, so it's, so it is, so it stands, so that it's, so that it is, ?come, ?stand, ?go, ?be,
  put, placed, moved, be put, be placed, be moved, should be moved, has to be moved, must be
  moved, should be put, needs moving
round: i suppose, sorry, oh, oh dear, oops, no, well, actually, too, also, still, again, in the
  text, in the letter, somewhere, if you can, if you would, thank you, thanks, would it be
  possible, is it possible, but, really, of course, yes
"""
_DROPPING = """
new: drop, delete, remove, lose, cut, take out, strike out, cross out, no, without, without the,
  get rid of, leave out, omit, scrap, erase, i don't want, i don't need, we don't need, we don't
  want, no need for, i do not want, forget, skip, the word, dispense with
behind new: is not needed, isn't needed, is not necessary, isn't necessary, is unnecessary, is
  superfluous, is wrong, is too much, is one too many, can be dropped, should be dropped, can be
  left out, should be left out, should be removed, must be removed, should be deleted, can be
  deleted, is not wanted, isn't wanted, is not right, doesn't belong, does not belong, should not
  stand, should not be, need not be, needn't be, mustn't be, must not be, out, gone, away, is no
  longer needed, is surplus, need not stand, is redundant
round: please, word, too, also, sorry, i think
"""
_INSIDE = """
behind old: as well, too
new: !add, !write, !insert, !type, !append, !put in, put, say, with, !with the words, !one more
  sentence, !another sentence, !a new sentence, !a further sentence, !a sentence, !sentence,
  should end with, must end with, ends with, ought to end with, has to end with, should close
  with, should finish with, should begin with, should start with, must begin with, should open
  with, there should be, i want, i'd like, i would like, we need, i need, include
behind new: goes, comes, belongs, should go, should come, should stand, should be, must go, must
  come, has to go, has to come, ought to go, ought to come, !should be added, !must be added,
  added, !to be added, to go, to come, on, in, as an ending, as the last sentence, !as another
  sentence
round: too, also, still, as well, yes, sorry, oh, saying, !saying, !that says
"""
_EDGES = {
    "end": (
        "to, to the end of, at the end of, in, into, on to, on the end of, at the bottom of, at the"
        " foot of, finish, end, close, conclude, finish off, end off, at the close of, let, have"
    ),
    "start": (
        "to the start of, to the beginning of, at the start of, at the beginning of, at the front"
        " of, at the head of, at the top of, begin, start, open, start off, on the front of"
    ),
}
_SIDES = {
    "before": (
        "@before, @above, to before, at the front of, on the front of, to the front of, up before,"
        " before the word, before the words, in front of the word, in front of the words, ahead of"
        " the word"
    ),
    "after": (
        "@after, @below, to after, at the back of, after the word, after the words, behind the"
        " word, behind the words, ?should follow, ?must follow, ?to follow, ?follow, ?follows, ?has"
        " to follow, ?ought to follow"
    ),
}


def _round(text: str, old: str = "") -> dict[Phrase, tuple[frozenset[Zone], Sure]]:
    """Where each phrase may stand; `old` are those before the old words, if they stand apart."""
    said = dict.fromkeys(FILLING, (frozenset((Zone.ROUND,)), Sure.PLAIN))
    told = dict(entry.split(": ", 1) for entry in entries(text))
    for zone in Zone:
        own = old if zone is Zone.OLD and old else told.get(zone.value, "")
        for part in in_full(own).split(","):
            sure = _SIGNED.get(part.strip()[:1], Sure.PLAIN)
            if phrase := tuple(part.strip(" \n!?").split()):
                zones, before = said.get(phrase, (frozenset(), sure))
                said[phrase] = zones | {zone}, sure & before
    return said


REPLACING = Job(_round(_REPLACING), "replace {old} with {new}", parts=False)
_BESIDE_JOBS = [
    Job(_round(_BESIDE, old), f"insert {{new}} {side} {{old}}", f"move {{new}} {side} {{old}}")
    for side, old in _SIDES.items()
]
_DROPPING_JOBS = [
    Job(_round(_DROPPING, old), f"delete the word {{new}} {side} {{old}}", side=at, parts=False)
    for (side, old), at in zip(_SIDES.items(), (-1, 1), strict=True)
]
_INSIDE_JOBS = [
    Job(
        _round(_INSIDE, old),
        f"add {{new}} at the {edge} of {{old}}",
        f"move {{new}} to the {edge} of {{old}}",
        "join {old} and {new}" if edge == "end" else "",
        words=False,
    )
    for edge, old in _EDGES.items()
]
JOBS = (REPLACING, *_BESIDE_JOBS, *_DROPPING_JOBS, *_INSIDE_JOBS)
LONGEST = max(len(phrase) for job in JOBS for phrase in job.said)
"""Words of a phrase."""
