"""Text or command: from what parses, what exists, and where the pauses are."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, NamedTuple

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.controls import numbered
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Named, Parse
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import PREPOSITIONS
from nimble_lantern.core.lexicon.desk import TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.sentences import NEVER_LAST
from nimble_lantern.core.reading.addressing import (
    Plainer,
    as_wished,
    in_parts,
    of_the_whole,
    of_what_is_selected,
    plainer_than,
    reasoned,
)
from nimble_lantern.core.reading.any_order import in_order
from nimble_lantern.core.reading.apart import INSIDE, apart, within_a_part
from nimble_lantern.core.reading.housed import housed, keeping
from nimble_lantern.core.reading.otherwise import otherwise, surely
from nimble_lantern.core.reading.same_again import same_again
from nimble_lantern.core.reading.told_before import told_before
from nimble_lantern.core.reading.worded import surely as surely_worded
from nimble_lantern.core.reading.worded import worded
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import (
    Beside,
    Beyond,
    Places,
    That,
    Through,
    Words,
    is_target,
)
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.names import near as near_names
from nimble_lantern.core.targets.resolve import Absent, Missing, resolve

_MARK_ENDS = (("full", "stop"), ("question", "mark"), ("exclamation", "mark"), ("period",))
_MOST_WORDS_OF_A_SLIP = 6
_MOST_SAID_OF_IT = 5


@dataclass(frozen=True, slots=True)
class Verdict:
    """How a stretch of words is read."""

    kind: Judged
    parse: Parse | None = None
    args: dict[str, Any] | None = None
    refusal: Refusal | None = None
    slot: str = ""

    @property
    def free_words(self) -> tuple[str, ...]:
        """The words to be written, of a command that has some."""
        return tuple((self.parse.args if self.parse else {}).get("text") or ())


TEXT = Verdict(Judged.TEXT)


class _Asked(NamedTuple):
    """A plainer wording and how it is read."""

    plain: Plainer
    verdict: Verdict


def judge(sitting: Sitting, words: Sequence[str], whole: bool, forced: bool = False) -> Verdict:
    """How `words` are read; `whole` if they are all of the utterance.

    `forced` where the speaker says it is a command: then it is refused rather than text.
    """
    words = tuple(words)
    found = exactly(sitting, words, whole)
    if whole and found.kind is not Judged.TEXT and (in_full := of_the_whole(words)) != words:
        # "That paragraph", after one was named, is no longer the one with the caret.
        return judge(sitting, in_full, whole, forced)
    if found.kind is Judged.COMMAND and found.parse and not found.parse.free:
        return found
    if (said_of_it := _courteously(sitting, words, found)) is not None:
        return said_of_it
    if found.parse and found.parse.command.name.startswith("replacing."):
        parts = [p for p in within_a_part(words, found.parse) if _fits(sitting, p)]
        elsewhere: list[Verdict] = []
        inside = _best(sitting, parts, near=False, missed=elsewhere)
        if inside.kind is not Judged.TEXT or elsewhere:
            return inside if inside.kind is not Judged.TEXT else elsewhere[0]
    plainer = plainer_than(words)
    if whole:
        plainest = plainer[-1].words if plainer else words
        plainer += (*as_wished(words), *in_parts(plainest))
    asked = [_Asked(p, exactly(sitting, p.words, whole)) for p in plainer]
    if found.kind is Judged.COMMAND:
        # In "replace the hut with the barn please" the courtesy is no part of the new words, nor
        # does "the sentence before please" go by a "please" of the page.
        for plain, same in asked:
            if plain.inside:
                # "Insert please before reply" has a word to be written in the middle.
                continue
            if _on_the_page(found.parse) and words[: len(plain.words)] != plain.words:
                continue  # "no entry in capitals" names those words
            fewer = len(words) - len(plain.words)
            if fewer <= 0:
                continue
            if _ends_the_text(words, found, fewer) or _begins_the_text(words, found):
                continue
            if _thanks_on_the_page(found.parse, words[-fewer:]):
                continue
            if same.kind is Judged.COMMAND and _swallowed(sitting, found, same, fewer):
                return same
        return found
    for plain, verdict in asked:
        if not whole and (verdict.parse is None or verdict.parse.free):
            continue
        if _taken_back(verdict, words, plain) or _plainly_asked(sitting, verdict, plain):
            return verdict
    if whole and (named := _named_first(sitting, words, asked)) is not None:
        return named
    ways = (_again, _in_order, _otherwise, _housed, _worded, _reasoned)
    for other in ways if whole else ():
        put = other(sitting, words, asked)
        if put is not None and (other is _housed or not _is_to_stay(words, put)):
            return put
    # Only where nothing fits exactly does it pay to look for what comes near.
    missed: list[Verdict] = []
    refused = found if found.kind is Judged.REFUSED else None
    if refused is None and len(words) <= _MOST_WORDS_OF_A_SLIP * 2:
        tried = (Plainer(words), *(a.plain for a in asked)) if whole else (Plainer(words),)
        for wording in tried:
            parses = _parses(sitting, wording.words)
            nearest = _best(sitting, parses, near=True, missed=missed)
            if nearest.kind is Judged.COMMAND and (
                wording.words == words or _plainly_asked(sitting, nearest, wording)
            ):
                return nearest
    if whole:
        for plain, verdict in asked:
            if verdict.kind is Judged.REFUSED and _plainly_asked(sitting, verdict, plain):
                return verdict
        if refused:
            return refused
    slip = _slip(missed, words) if whole else TEXT
    if slip is TEXT and whole and _spares_the_selection(sitting, words):
        return Verdict(Judged.UNCLEAR, refusal=_NOT_OVER)
    return missed[0] if forced and slip is TEXT and missed else slip


def _courteously(sitting: Sitting, words: tuple[str, ...], found: Verdict) -> Verdict | None:
    """ "Bold please" is said of what was just written, although a letter has a "please"."""
    if not (sitting.that or sitting.selection) or words[-1:] != _PLEASE.words:
        return None
    if not found.parse or _PLEASE not in found.parse.args.values():
        return None
    of_it = exactly(sitting, (*words[:-1], "that"), whole=True)
    return of_it if of_it.kind is Judged.COMMAND else None


_PLEASE = Words(("please",))
_NEVER_FIRST = (_PLEASE, Words(("not",)), Words(("no",)))
"""They begin a request, and are no words that it is about."""


def _is_to_stay(words: tuple[str, ...], found: Verdict) -> bool:
    """ "Take everything out of the second column but leave it there": the column is not to go."""
    command = found.parse.command if found.parse else None
    return command is not None and command.traits.destructive and keeping(words) > 0


def _named_first(
    sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]
) -> Verdict | None:
    """A request that names its place first, and then speaks of it; refused where the part of the
    page that it names has no such words."""
    missed: list[Verdict] = []
    for plain in (Plainer(words), *(a.plain for a in asked)):
        parses = [p for p in apart(sitting.document, plain.words) if _fits(sitting, p)]
        found = _best(sitting, parses, near=False, missed=missed)
        if found.kind is Judged.COMMAND and found.parse and plain.allows(found.parse):
            return found
    inside = (m for m in missed if m.parse and words[0] in INSIDE and _exactly_called(m.parse))
    return next(inside, None)


def _exactly_called(parse: Parse) -> bool:
    """ "In the last paragraph take out the word please" speaks of words, whatever stands there."""
    return any(isinstance(v, Words) and v.called for v in parse.args.values())


def _again(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """What was just done, for something else as well."""
    found = (exactly(sitting, said, whole=False) for said in same_again(sitting, words))
    return next((v for v in found if v.kind is Judged.COMMAND), None)


def _in_order(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """A request that every word is known of, read in the usual order of its words."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in in_order(plain.words):
            found = exactly(sitting, said, whole=False)
            sure = found.kind is Judged.COMMAND and found.parse and not _stranger(found.parse)
            if sure and found.parse and plain.allows(found.parse):
                return found
    return None


def _otherwise(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """A request that names a part of the page or the desk, and asks as people do for any part."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in otherwise(plain.words):
            found = exactly(sitting, said, whole=False)
            parse = found.parse
            if (
                found.kind is Judged.COMMAND
                and parse
                and surely(parse, said)
                and plain.allows(parse)
            ):
                return found
    return None


def _housed(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """A request about a row, a note, a version ..., all of whose words ask for one thing."""
    found = (_housed_as(sitting, p) for p in (Plainer(words), *(a.plain for a in asked)))
    return next((verdict for verdict in found if verdict is not None), None)


def _housed_as(sitting: Sitting, plain: Plainer) -> Verdict | None:
    for said in housed(sitting, plain.words):
        found = exactly(sitting, said, whole=False)
        parse = found.parse
        done = found.kind is Judged.COMMAND and parse and plain.allows(parse)
        if done and parse and not parse.command.name.startswith(_OF_WORDS):
            return found
    return None


_OF_WORDS = ("replacing.", "inserting.", "writing.")
"""What is asked of a thing of the house is none of these: "put the total under paid"."""


def _worded(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """A request for words in the place of others or beside them, all said round those asking it."""
    for plain in (Plainer(words), *(a.plain for a in asked)):
        for said in worded(sitting, plain.words):
            found = exactly(sitting, said.words, whole=False)
            parse = found.parse
            asks = parse and plain.allows(parse) and surely_worded(sitting, parse, said)
            if found.kind is Judged.COMMAND and asks:
                return found
    return None


def _reasoned(sitting: Sitting, words: tuple[str, ...], asked: Sequence[_Asked]) -> Verdict | None:
    """A request that a reason is given for, or that goes on from a thing that was named in one."""
    told = (
        Plainer(said, mused=True, reasoned=True)
        for w in (words, *(p.words for p in in_parts(words)))
        for said in told_before(sitting, w)
    )
    selected = sitting.selection is not None and sitting.fresh
    for plain in (*told, *reasoned(words, selected)):
        found = exactly(sitting, plain.words, whole=False)
        if found.kind is Judged.COMMAND and found.parse and plain.allows(found.parse):
            return found
        if (put := _housed_as(sitting, plain)) is not None:
            return put
    return None


def _stranger(parse: Parse) -> bool:
    """Whether some of the words would be written."""
    return bool({"text", "words", "letter"} & set(parse.args))


_FEW_FOR_PARAGRAPHS = 3
"""Words in the place of whole paragraphs: asked about, as that is seldom meant."""
_NOT_OVER = Refusal(
    "Not written over what is selected, as it may be meant for the desk.",
    "",
    "“Take it anyway” writes it; “select nothing” lets go.",
)


def _parses(sitting: Sitting, words: Sequence[str]) -> list[Parse]:
    """What words may mean here; "please no capitals there" speaks of no "please" of the page, and
    "not capitals after all" of no "not"."""
    found = (p for p in CATALOGUE.parses(words) if _fits(sitting, p))
    first = Words(tuple(words[:1]))
    never = first in _NEVER_FIRST
    return [p for p in found if not never or first not in p.args.values()]


def exactly(sitting: Sitting, words: Sequence[str], whole: bool) -> Verdict:
    """The command that the words are, with targets that stand in the text as they were said."""
    parses = _parses(sitting, words)
    if sitting.question is not None:
        # While something is asked, "choose all" answers it, and does not select everything.
        parses.sort(key=lambda p: (p.free, not p.command.traits.answers))
    if sitting.selection is not None and sitting.fresh:
        # Right after "select the boat", "to the end of the line" stretches what is selected.
        parses.sort(key=lambda p: (p.free, not p.command.traits.widens))
    if sitting.aloud is not None:
        # While something is read, "back a sentence" and "stop" are said of that.
        parses.sort(key=lambda p: (p.free, not p.command.traits.reads))
    if sitting.tray is not None:
        # While a word is spelled, "back one" and "undo that" are said of its letters.
        parses.sort(key=lambda p: (not p.command.traits.spells, p.free))
        for parse in parses:
            if parse.command.traits.spells:
                return Verdict(Judged.COMMAND, parse, parse.args)
    found = _best(sitting, parses, near=False)
    if found.kind is Judged.COMMAND or not whole:
        return found
    if sitting.selection is not None and sitting.fresh and len(words) <= _MOST_SAID_OF_IT:
        # With words selected, "bold", "in capitals" and "bullets" are said of them.
        named = len(words) > 1 or words[0] in TRADE_NOUNS | TRADE_VERBS
        for said in ((*words, "that"), *((("make", "that", *words),) if named else ())):
            fitting = [p for p in CATALOGUE.parses(said) if _fits(sitting, p)]
            of_it = _best(sitting, fitting, near=False)
            if of_it.kind is Judged.COMMAND and of_it.parse and not of_it.parse.free:
                return of_it
    if sitting.question is not None and not sitting.question.beside:
        # While something is asked, the words of one option alone choose it: "friday's ferry".
        taken = CATALOGUE.parses(("take", *words))
        fitting = [p for p in taken if p.command.traits.answers and _fits(sitting, p)]
        chosen = _best(sitting, fitting, near=False)
        if chosen.kind is Judged.COMMAND:
            return chosen
    return found


def _on_the_page(parse: Parse | None) -> bool:
    """Whether the words that are not the command's own all name what was found on the page."""
    named = parse and any(isinstance(value, Named) for value in parse.args.values())
    return parse is not None and not named and not _stranger(parse)


def _begins_the_text(words: tuple[str, ...], found: Verdict) -> bool:
    """Whether a first "and" belongs to the words to be written: "and sue goes after pascoe"."""
    text = (found.parse.args if found.parse else {}).get("text")
    return words[0] in ("and", "or", "but") and isinstance(text, tuple) and text[:1] == words[:1]


def _ends_the_text(words: tuple[str, ...], found: Verdict, fewer: int) -> bool:
    """Whether a last "now" or "again" belongs to the words to be written, if they are enough."""
    least = _ALSO_TEXT.get(words[-fewer:])
    texts = (v for v in (found.parse.args if found.parse else {}).values() if isinstance(v, tuple))
    return least is not None and any(
        len(text) >= least and not kind_of(text[:-fewer]) for text in texts
    )


def _thanks_on_the_page(parse: Parse | None, last: tuple[str, ...]) -> bool:
    """Whether thanks are half of two words that stand there: "a comma after many thanks"."""
    values = parse.args.values() if parse else ()
    named = (v.goal if isinstance(v, Beyond) else v for v in values)
    told = any(isinstance(v, Words) and v.words[1:] == last for v in named)
    return told and not _THANKS.isdisjoint(last)


_THANKS = frozenset("thanks thank".split())
_ALSO_TEXT = {
    ("now",): 4, ("again",): 2, ("once", "more"): 3,
    ("completely",): 2, ("entirely",): 2, ("altogether",): 2,
    ("there",): 3, ("then",): 3, ("too",): 3, ("as", "well"): 4, ("up", "there"): 4,
    ("down", "there"): 4, ("after", "all"): 5, ("just", "now"): 5, ("for", "now"): 4,
    ("quickly",): 3, ("instead",): 4, ("a", "bit"): 4, ("a", "little"): 4,
    ("a", "little", "bit"): 5, ("a", "bit", "more"): 5,
}  # fmt: skip
"""Said after a request, or as the end of what is to be written: then that has so many words."""


def _swallowed(sitting: Sitting, found: Verdict, plainer: Verdict, fewer: int) -> bool:
    """Whether courtesy was taken for words to write, or of the page: without it fewer are free.

    "Delete please" may be said of that word, unless something is selected.
    """
    assert found.parse and plainer.parse
    if not plainer.parse.args and sitting.selection is None and not sitting.that:
        return False
    return plainer.parse.free <= found.parse.free - fewer


def _spares_the_selection(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether what is selected stays, as the words may be meant for the desk and not for it."""
    held = sitting.selection
    if held is None or not sitting.fresh:
        return False
    several = held.start.block != held.end.block and len(words) <= _FEW_FOR_PARAGRAPHS
    return several or of_what_is_selected(words)


def _best(
    sitting: Sitting, parses: Sequence[Parse], near: bool, missed: list[Verdict] | None = None
) -> Verdict:
    """The best of the parses whose targets can be found; else a literal one that is refused."""
    best: tuple[tuple[int, int, int], Verdict] | None = None
    refused = destroys = TEXT
    known: dict[Any, Any] = {}
    for parse in parses:
        verdict = _resolved(sitting, parse, known, near)
        if verdict.kind is Judged.COMMAND and not _suits(sitting, parse, verdict):
            continue
        if verdict.kind is Judged.COMMAND:
            if parse.free == 0:
                if not parse.command.traits.destructive:
                    return verdict
                # "Remove the bullets" takes the look away; the text goes only if nothing else can.
                if (
                    destroys is TEXT
                    or _goes_back(sitting, verdict)
                    and not _goes_back(sitting, destroys)
                ):
                    destroys = verdict
                continue
            if destroys is not TEXT:
                continue
            key = (_nearness(verdict), -_target_words(parse), parse.free)
            if best is None or key < best[0]:
                best = key, verdict
        elif isinstance(verdict.refusal, Absent):
            # "The table" is a thing of the room where no table is in the text.
            continue
        elif isinstance(verdict.refusal, Missing):
            if missed is not None:
                missed.append(verdict)
        elif refused is TEXT and (parse.free == 0 or isinstance(parse.args.get("target"), Beside)):
            # Of "the column after kitchen" those words are there.
            refused = verdict
    if destroys is not TEXT:
        return destroys
    return best[1] if best else refused


def _goes_back(sitting: Sitting, verdict: Verdict) -> bool:
    """ "Strike that" takes back what was just said, unless something is selected."""
    walks = verdict.parse is not None and verdict.parse.command.traits.walks
    return walks and not (sitting.selection is not None and sitting.fresh)


def _plainly_asked(sitting: Sitting, verdict: Verdict, plain: Plainer) -> bool:
    """Whether a request is surely one: "please bold the ferry", and not "please put it back"."""
    if verdict.kind not in (Judged.COMMAND, Judged.REFUSED) or verdict.parse is None:
        return False
    parse, words = verdict.parse, plain.words
    if not plain.allows(parse):
        return False
    if parse.command.traits.walks and words[0] in ("put", "take", "bring") and "it" in words:
        # "Please put it back" may be said to the letter's reader.
        return sitting.selection is not None and sitting.fresh
    if parse.command.traits.walks or sitting.selection is not None and sitting.fresh:
        return True
    targets = [v for v in parse.args.values() if is_target(v)]
    spoken_of = bool(targets) and all(isinstance(t, That) for t in targets)
    if spoken_of and parse.command.traits.destructive:
        # "Please take it out" may be said to the letter's reader.
        return False
    if parse.when or parse.command.traits.when:
        # It says itself when it makes sense.
        return True
    if any(isinstance(v, Named) for v in parse.args.values()):
        # "Open the rota please": there is one.
        return verdict.kind is Judged.COMMAND
    if targets:
        return True
    # "Stop listening please", and not "please open".
    return parse.free == 0 and len(words) > 1


def _taken_back(verdict: Verdict, words: Sequence[str], plain: Plainer) -> bool:
    """Whether what was just said is taken back: "no scrap that", "oh never mind delete it"."""
    parse = verdict.parse
    if verdict.kind is not Judged.COMMAND or parse is None or parse.free:
        return False
    before = words[: len(words) - len(plain.words)]
    takes_back = parse.command.traits.destructive or parse.command.traits.walks
    return plain.allows(parse) and takes_back and bool(set(before) & _REPAIRING)


_REPAIRING = frozenset("no not oh sorry never wait oops whoops actually wrong mistake".split())


def _suits(sitting: Sitting, parse: Parse, verdict: Verdict) -> bool:
    """Whether words said of whole paragraphs are a whole paragraph's: not "number the steps"."""
    if not parse.command.traits.of_blocks or not isinstance(parse.args.get("target"), Words):
        return True
    places = (verdict.args or {}).get("target")
    blocks = sitting.document.blocks
    return isinstance(places, Places) and all(
        r.end.offset - r.start.offset > len(blocks[r.start.block].text) / 2 for r in places.ranges
    )


def _fits(sitting: Sitting, parse: Parse) -> bool:
    if parse.command.traits.answers and sitting.question is None:
        rows = parse.command.traits.of_rows and numbered(sitting) > 0
        return rows and parse.makes_sense(sitting)
    return parse.makes_sense(sitting)


def _resolved(sitting: Sitting, parse: Parse, known: dict[Any, Any], near: bool) -> Verdict:
    """A parse with its targets looked up."""
    args: dict[str, Any] = {}
    for slot, value in parse.args.items():
        if is_target(value):
            if value not in known:
                known[value] = resolve(value, sitting, near)
            found = known[value]
            if isinstance(found, Refusal):
                if isinstance(value, That) and parse.command.traits.here:
                    # "Make this a heading", with nothing selected, is said of the paragraph here.
                    found = Places((block_range(sitting.document, sitting.caret.block),))
                else:
                    return Verdict(Judged.REFUSED, parse, parse.args, found, slot)
            args[slot] = found
        elif isinstance(value, Named):
            kind = CATALOGUE.named[value.kind]
            there = tuple(kind.of(sitting))
            name = look_up(value.words, there, kind.partial)
            if name is None:
                what = f"Nothing is called “{' '.join(value.words)}”."
                close = tuple(near_names(value.words, there))
                hint = f"Did you mean “{close[0]}”?" if close else ""
                missing = Missing(what, "", hint, value.words, names=close)
                return Verdict(Judged.REFUSED, parse, parse.args, missing, slot)
            args[slot] = name
        else:
            args[slot] = value
    return Verdict(Judged.COMMAND, parse, args)


def _nearness(verdict: Verdict) -> int:
    assert verdict.args is not None
    return sum(1 for v in verdict.args.values() if isinstance(v, Places) and v.near)


def _target_words(parse: Parse) -> int:
    """How many words name targets; a preposition at their end is as likely the verb's.

    "Put the log in red" is said of the log, although the page goes on "the log (in pencil)".
    """
    values = list(parse.args.values())
    # "Old rota to blue folder" names both of its ends.
    values += [end for v in values if isinstance(v, Through) for end in (v.first, v.last)]
    named = [v.words for v in values if isinstance(v, Words)]
    called = [len(v.words) for v in parse.args.values() if isinstance(v, Named)]
    plain = sum(len(w) - (len(w) > 1 and w[-1] in PREPOSITIONS | {"into", "as"}) for w in named)
    # What somebody gave a name goes before the same words of the text.
    return 2 * plain + sum(2 * size + 1 for size in called)


def _slip(missed: list[Verdict], words: Sequence[str]) -> Verdict:
    """Almost a command: its words are not in the text, but some like them are."""
    if len(words) > _MOST_WORDS_OF_A_SLIP or words[1:2] and words[1] in PREPOSITIONS:
        return TEXT
    close = [
        v
        for v in missed
        if isinstance(v.refusal, Missing) and v.refusal.near and _names_words(v)
        if v.parse is not None and not v.parse.command.traits.of_blocks
    ]
    if not close:
        return TEXT

    def likeness(verdict: Verdict) -> float:
        assert isinstance(verdict.refusal, Missing)
        return verdict.refusal.near[0].likeness

    best = max(close, key=likeness)
    return Verdict(Judged.UNCLEAR, best.parse, best.args, best.refusal, best.slot)


def _names_words(verdict: Verdict) -> bool:
    return verdict.args is not None and isinstance(verdict.args.get(verdict.slot), Words)


def stretches(phrases: Sequence[Sequence[str]]) -> list[tuple[str, ...]]:
    """The phrases of an utterance, cut further where a spoken stop ends a sentence."""
    found: list[tuple[str, ...]] = []
    for phrase in phrases:
        start = 0
        for i in range(1, len(phrase)):
            ended = any(tuple(phrase[max(start, i - len(m)) : i]) == m for m in _MARK_ENDS)
            if ended and i - start > 2:
                found.append(tuple(phrase[start:i]))
                start = i
        found.append(tuple(phrase[start:]))
    return [f for f in found if f]


def may_follow(text: Sequence[str]) -> bool:
    """Whether a command may come right after this text in one breath."""
    return not text or text[-1] not in NEVER_LAST


_MOST_LINKS = 6
"""Places where an utterance may fall into two commands; one with more of them is a text."""


def two_commands(
    sitting: Sitting, words: Sequence[str]
) -> tuple[tuple[str, ...], tuple[str, ...]] | None:
    """Two commands joined by "and" or "then", where the whole is none: "bold a and delete b"."""
    links = [i for i, w in enumerate(words) if w in ("and", "then") and 0 < i < len(words) - 1]
    links = [i for i in links if CATALOGUE.may_begin(words[i + 1]) or words[i + 1] == "then"]
    if not 0 < len(links) <= _MOST_LINKS or not CATALOGUE.may_begin(words[0]):
        return None
    if judge(sitting, words, whole=True).kind is not Judged.TEXT:
        return None
    for i in links:
        rest = i + 2 if words[i : i + 2] in (("and", "then"), ["and", "then"]) else i + 1
        first, second = tuple(words[:i]), tuple(words[rest:])
        if second and _sure(sitting, first) and _sure(_about_first(sitting, first), second):
            return first, second
    return None


def _about_first(sitting: Sitting, first: tuple[str, ...]) -> Sitting:
    """With what a first command is about spoken of as "it": "underline friday and make it red"."""
    verdict = judge(sitting, first, whole=True)
    places = next((v for v in (verdict.args or {}).values() if isinstance(v, Places)), None)
    return sitting if places is None else sitting.about(places.ranges)


def _sure(sitting: Sitting, words: Sequence[str]) -> bool:
    verdict = judge(sitting, words, whole=True)
    return verdict.kind is Judged.COMMAND and verdict.parse is not None and verdict.parse.free < 6
