"""Text or command: from what parses, what exists, and where the pauses are."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.styles import COLOURS
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Named, Parse
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    LITTLE,
    PREPOSITIONS,
)
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.sentences import NEVER_LAST
from nimble_lantern.core.reading.addressing import (
    NEVER_BARE,
    Plainer,
    a_remark,
    as_wished,
    barest,
    of_what_is_selected,
    plainer_than,
)
from nimble_lantern.core.reading.apart import within_a_part
from nimble_lantern.core.reading.exactly import (
    PLEASE,
    TEXT,
    Verdict,
    best,
    ends_in_a_mark,
    exactly,
    fits,
    parses_here,
    writes_words,
)
from nimble_lantern.core.reading.in_parts import in_parts, of_the_whole
from nimble_lantern.core.reading.repeated import nearly_stands, quotes, stands_there
from nimble_lantern.core.reading.self_repair import Repair, repairs
from nimble_lantern.core.reading.uncalled import of_nothing_there
from nimble_lantern.core.reading.ways import Asked, in_other_ways, named_first
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import (
    Beyond,
    Holding,
    Places,
    That,
    Units,
    Words,
    is_target,
)
from nimble_lantern.core.targets.resolve import Absent, Missing, resolve
from nimble_lantern.core.targets.sounds import sounds_the_same
from nimble_lantern.core.targets.words import exact, near, places
from nimble_lantern.core.writing.lexer import BREAKS, mark_named
from nimble_lantern.core.writing.spoken import plain
from nimble_lantern.core.writing.spoken_of import is_the_word

_VERBS = PLAIN_VERBS | TRADE_VERBS
_MARK_ENDS = (("full", "stop"), ("question", "mark"), ("exclamation", "mark"), ("period",))
_MOST_WORDS_OF_A_SLIP = 6


def judge(sitting: Sitting, words: Sequence[str], whole: bool, forced: bool = False) -> Verdict:
    """How `words` are read; `whole` if they are all of the utterance.

    `forced` where the speaker says it is a command: then it is refused rather than text.
    """
    verdict = _judged(sitting, tuple(words), whole, forced)
    asked = verdict.parse if whole and not forced and verdict.kind is Judged.COMMAND else None
    if asked is not None and quotes(asked) and nearly_stands(sitting, words):
        return TEXT
    return verdict


def _judged(sitting: Sitting, words: tuple[str, ...], whole: bool, forced: bool) -> Verdict:
    found = exactly(sitting, words, whole)
    if whole and found.kind is not Judged.TEXT and (in_full := of_the_whole(words)) != words:
        # "That paragraph", after one was named, is no longer the one with the caret.
        return _judged(sitting, in_full, whole, forced)
    if found.kind is Judged.COMMAND and found.parse and not found.parse.free:
        return found
    if whole and not forced and stands_there(sitting, words):
        return TEXT
    if (said_of_it := _courteously(sitting, words, found)) is not None:
        return said_of_it
    if (inside := _within_a_part(sitting, words, found)) is not None:
        return inside
    plainer = plainer_than(words)
    if whole and (mended := _mended(sitting, words, plainer, found)) is not None:
        return mended
    if whole:
        plainest = plainer[-1].words if plainer else words
        plainer += (*as_wished(words), *in_parts(plainest))
    plainer = tuple(p for p in plainer if not _is_said_beside_a_mark(words, p.words))
    asked = [Asked(p, exactly(sitting, p.words, whole)) for p in plainer]
    if found.kind is Judged.COMMAND:
        # In "replace the hut with the barn please" the courtesy is no part of the new words, nor
        # does "the sentence before please" go by a "please" of the page.
        for plain, same in sorted(asked, key=lambda a: len(a.plain.words)):
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
            if _thanks_on_the_page(found.parse, words[-fewer:]) or _called_so(found.parse):
                continue
            if _stands_with(sitting, found.parse, words[-fewer:]):
                continue
            if _put_beside(found.parse, plain.words) and exact(sitting.document, words[-fewer:]):
                continue
            if same.kind is Judged.COMMAND and _swallowed(sitting, found, same, fewer):
                return same
        return found
    for plain, verdict in asked:
        if not whole and (verdict.parse is None or verdict.parse.free):
            continue
        if _taken_back(verdict, words, plain) or _plainly_asked(sitting, verdict, plain):
            return verdict
    if whole and (named := named_first(sitting, words, asked)) is not None:
        return named
    if whole and (other := in_other_ways(sitting, words, asked)) is not None:
        return other
    # Only where nothing fits exactly does it pay to look for what comes near.
    missed: list[Verdict] = []
    refused = found if found.kind is Judged.REFUSED else None
    if refused is None and len(words) <= _MOST_WORDS_OF_A_SLIP * 2:
        tried = (Plainer(words), *(a.plain for a in asked)) if whole else (Plainer(words),)
        for wording in tried:
            parses = parses_here(sitting, wording.words)
            nearest = best(sitting, parses, near=True, missed=missed)
            if (asked_first := _only_nearly_there(sitting, nearest)) is not None:
                return asked_first
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
    if whole and (unknown := of_nothing_there(sitting, missed, barest(words))) is not None:
        return unknown
    slip = _slip(missed, words) if whole else TEXT
    if slip is TEXT and whole and _spares_the_selection(sitting, words):
        return Verdict(Judged.UNCLEAR, refusal=_NOT_OVER)
    if slip is TEXT and missed and (forced or whole and _only_of_the_desk(words)):
        return missed[0] if forced else replace(missed[0], kind=Judged.REFUSED)
    return slip


def _only_nearly_there(sitting: Sitting, found: Verdict) -> Verdict | None:
    """What would be lost for words that only come near it is asked about: "take out the stars",
    where it says "stairs"."""
    parse, args = found.parse, found.args
    if found.kind is not Judged.COMMAND or parse is None or args is None:
        return None
    if not parse.command.traits.destructive:
        return None
    for slot, value in parse.args.items():
        places = args.get(slot)
        if not isinstance(value, Words) or not isinstance(places, Places) or not places.near:
            continue
        if not sounds_the_same(" ".join(value.words), places.near):
            close = tuple(near(sitting.document, value.words, sitting.caret))
            what = f"I heard “{' '.join(value.words)}”."
            hint = f"Did you mean “{places.near}”?"
            missing = Missing(what, "No such words are in this text.", hint, value.words, close)
            return Verdict(Judged.UNCLEAR, parse, parse.args, missing, slot)
    return None


def _only_of_the_desk(words: Sequence[str]) -> bool:
    """Whether a few words that name nothing on the page are no sentence either: "italicise soup";
    "bold colours" and "underline the point" may be one."""
    bare = barest(words)
    if ends_in_a_mark(words) or not 2 <= len(bare) <= _FEW_OF_THE_DESK:
        return False
    return bare[0] in _LOOK_VERBS


_FEW_OF_THE_DESK = 5
_LOOK_VERBS = frozenset(
    "italicise italicize embolden unbold unhighlight ununderline deselect unselect".split()
)
"""They begin hardly any sentence of a letter."""


def _mended(
    sitting: Sitting, words: tuple[str, ...], plainer: Sequence[Plainer], found: Verdict
) -> Verdict | None:
    """What words ask for that were put right while they were said; None where nothing tells so.

    "Put a comma after coat no after water" writes no "coat no".
    """
    for wording in (words, *(p.words for p in reversed(plainer))):
        for repair in repairs(wording):
            if exact(sitting.document, repair.seam) or _quotes_all(sitting, found, wording, repair):
                continue
            said = exactly(sitting, repair.words, whole=True)
            if said.kind is not Judged.COMMAND or said.parse is None:
                continue
            if found.parse is not None and said.parse.free >= found.parse.free:
                continue
            if repair.surely or _same_request(sitting, repair.first, said):
                return said
    return None


def _quotes_all(sitting: Sitting, found: Verdict, words: tuple[str, ...], repair: Repair) -> bool:
    """Whether what a repair would leave out is quoted from the page: "put the rest are well in
    bold", where they are."""
    named = found.parse.args.values() if found.parse is not None else ()
    quoted = [v.words for v in named if isinstance(v, Words) and exact(sitting.document, v.words)]
    left_out = [w for w in words if w not in repair.words]
    return any(set(left_out) <= set(q) for q in quoted) and bool(left_out)


def _same_request(sitting: Sitting, first: tuple[str, ...], said: Verdict) -> bool:
    """Whether a request with what was wrong in it is of the same family, and writes the same."""
    begun = exactly(sitting, first, whole=True)
    if begun.kind is not Judged.COMMAND or begun.parse is None or said.parse is None:
        return False
    alike = begun.parse.command.group == said.parse.command.group
    return alike and begun.free_words == said.free_words


def _is_said_beside_a_mark(words: tuple[str, ...], plain: tuple[str, ...]) -> bool:
    """Whether courtesy is text, as it stands beside nothing but a mark or a break: "thank you full
    stop", "new line thank you"; "okay new line" and "new line please" break one."""
    mark, more = mark_named(plain) is not None, len(words) - len(plain)
    if not (mark or plain in BREAKS) or more <= 0:
        return False
    if words[more:] == plain:
        return mark or not _GETTING_ON.issuperset(words[:more])
    return words[:-more] == plain and not _ASKING_FOR_IT.issuperset(words[-more:])


_GETTING_ON = frozenset("please okay ok now and then so right next just well yes no".split())
_ASKING_FOR_IT = frozenset("please now here there for me".split())


def _within_a_part(sitting: Sitting, words: tuple[str, ...], found: Verdict) -> Verdict | None:
    """Words for words "in the second paragraph": refused where that part has no such words."""
    if found.parse is None or not found.parse.command.name.startswith("replacing."):
        return None
    missed: list[Verdict] = []
    parses = [p for p in within_a_part(sitting.document, words, found.parse) if fits(sitting, p)]
    inside = best(sitting, parses, near=False, missed=missed)
    if inside.kind is not Judged.TEXT:
        return inside
    return next(iter(missed), None) or next(_without_that_part(sitting, parses), None)


def _without_that_part(sitting: Sitting, parses: Sequence[Parse]) -> Iterator[Verdict]:
    """ "Change ida to nell in the money section", where there is none: refused, as well."""
    for parse in parses:
        for value in parse.args.values():
            place = value.of if isinstance(value, Words | Units) else None
            found = resolve(place, sitting) if place is not None else None
            if isinstance(found, Refusal) and not isinstance(found, Absent):
                yield Verdict(Judged.REFUSED, parse, parse.args, found)


def _courteously(sitting: Sitting, words: tuple[str, ...], found: Verdict) -> Verdict | None:
    """ "Bold please" is said of what was just written, although a letter has a "please"."""
    if not (sitting.that or sitting.selection) or words[-1:] != PLEASE.words:
        return None
    if not found.parse or PLEASE not in found.parse.args.values():
        return None
    if words[-2] in NEVER_BARE or _put_beside(found.parse, words[:-1]):
        return None
    if _takes_that_word_away(sitting, found):
        return None
    of_it = exactly(sitting, (*words[:-1], "that"), whole=True)
    return of_it if of_it.kind is Judged.COMMAND else None


def _takes_that_word_away(sitting: Sitting, found: Verdict) -> bool:
    """Whether a word of what was just said would go, and not all of it: less is lost then."""
    target = found.parse.args.get("target") if found.parse else None
    said = isinstance(target, Words) and any(
        places(sitting.document, target.words, that) for that in sitting.that
    )
    return said and found.parse is not None and found.parse.command.traits.destructive


_FEW_FOR_PARAGRAPHS = 3
"""Words in the place of whole paragraphs: asked about, as that is seldom meant."""
_NOT_OVER = Refusal(
    "Not written over what is selected, as it may be meant for the desk.",
    "",
    "“Take it anyway” writes it; “select nothing” lets go.",
)


def _on_the_page(parse: Parse | None) -> bool:
    """Whether the words that are not the command's own all name what was found on the page."""
    named = parse and any(isinstance(value, Named) for value in parse.args.values())
    return parse is not None and not named and not writes_words(parse)


def _begins_the_text(words: tuple[str, ...], found: Verdict) -> bool:
    """Whether a first "and" belongs to the words to be written: "and sue goes after pascoe"."""
    text = (found.parse.args if found.parse else {}).get("text")
    return words[0] in ("and", "or", "but") and isinstance(text, tuple) and text[:1] == words[:1]


def _ends_the_text(words: tuple[str, ...], found: Verdict, fewer: int) -> bool:
    """Whether a last "now" or "again" belongs to the words to be written, if they are enough."""
    least = _ALSO_TEXT.get(words[-fewer:])
    texts = (v for v in (found.parse.args if found.parse else {}).values() if isinstance(v, tuple))
    return least is not None and any(
        len(text) >= least and not kind_of(text[:-fewer]) and not _is_a_mark(text[:-fewer])
        for text in texts
    )


def _is_a_mark(text: tuple[str, ...]) -> bool:
    """ "A full stop": words that a mark is called by, with an article or without."""
    return mark_named(text[1:] if text[:1] in (("a",), ("an",), ("the",)) else text) is not None


def _thanks_on_the_page(parse: Parse | None, last: tuple[str, ...]) -> bool:
    """Whether thanks are half of two words that stand there: "a comma after many thanks"."""
    values = tuple(parse.args.values()) if parse else ()
    named = (v.goal if isinstance(v, Beyond) else v for v in values)
    told = any(isinstance(v, Words) and v.words[1:] == last for v in named)
    begun = any(isinstance(v, Holding) and v.at and v.words == Words(last) for v in values)
    return (told or begun) and not _THANKS.isdisjoint(last)


def _stands_with(sitting: Sitting, parse: Parse | None, last: tuple[str, ...]) -> bool:
    """ "Remove on sundays there", where all of that stands; "please" is courtesy in any case."""
    if not _COURTEOUS.isdisjoint(last):
        return False
    values = parse.args.values() if parse else ()
    named = (v for v in values if isinstance(v, Words) and v.words[-len(last) :] == last)
    return any(len(v.words) > len(last) and exact(sitting.document, v.words) for v in named)


_COURTEOUS = frozenset("please thanks thank now".split())


def _put_beside(parse: Parse | None, words: tuple[str, ...]) -> bool:
    """ "Put a comma after please", where that stands; "select the one before please" is polite."""
    return words[-1] in _BESIDE and parse is not None and writes_words(parse)


_BESIDE = frozenset("after before behind".split())


def _called_so(parse: Parse | None) -> bool:
    """ "The words if you like" are words, and no courtesy."""
    values = parse.args.values() if parse else ()
    return any(isinstance(v, Words) and v.called for v in values)


_THANKS = frozenset("thanks thank".split())
_ALSO_TEXT = {
    ("now",): 4, ("again",): 2, ("sorry",): 4, ("once", "more"): 3,
    ("in", "this", "one"): 4, ("in", "this", "letter"): 3, ("in", "this", "document"): 3,
    ("in", "this", "text"): 3, ("completely",): 2, ("entirely",): 2, ("altogether",): 2,
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
    if not plainer.parse.args and _takes_that_word_away(sitting, found):
        return False
    return plainer.parse.free <= found.parse.free - fewer


def _spares_the_selection(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether what is selected stays, as the words may be meant for the desk and not for it."""
    held = sitting.selection
    if held is None and sitting.holds:
        chosen = (sitting.trail[-1].command or "").startswith("selecting.")
        return chosen and of_what_is_selected(words)
    if held is None or not sitting.fresh:
        return False
    several = held.start.block != held.end.block and len(words) <= _FEW_FOR_PARAGRAPHS
    if several or of_what_is_selected(words) or _puts_right(sitting, held, words):
        return True
    mark = mark_named(words)
    if mark and mark.text in _STOPS and any(map(str.isalnum, sitting.document.text(held))):
        return True  # "ampersand" may take the place of "and", but no stop that of words
    return _of_less_of_it(_words_of(sitting, held), words)


def _words_of(sitting: Sitting, held: Range) -> frozenset[str]:
    return frozenset(plain(w.strip(".,;:!?")) for w in sitting.document.text(held).split())


def _of_less_of_it(there: frozenset[str], words: tuple[str, ...]) -> bool:
    """ "From for", "up to flour", "flour should be bread", of a selection with these words in it;
    "red", of one that names no colour; "with the full stop"."""
    if len(words) == 1:
        return words[0] in COLOURS and there.isdisjoint(COLOURS)
    if len(words) > _FEW_TO_MEND:
        return False
    rest = {*words[1:]} - LITTLE - {"to", "at", "with"}
    reaches = words[0] in _REACHING_OUT and (rest <= there or bool(mark_named(words[-2:])))
    return reaches or words[0] in there and words[1:3] == ("should", "be")


_STOPS = tuple(".,;:!?…")
_REACHING_OUT = frozenset("from up until till start starting begin end ending with".split())


def _puts_right(sitting: Sitting, held: Range, words: tuple[str, ...]) -> bool:
    """ "No up to six", "not the lanterns": another stretch of it is meant, in a few words."""
    there = _words_of(sitting, held)
    reaches = not _REACHING.isdisjoint(words[1:]) or not there.isdisjoint({*words[1:]} - LITTLE)
    reaches = reaches or bool({*words[1:]} - LITTLE) and bool(exact(sitting.document, words[1:]))
    return words[0] in _REGRETTING and len(words) <= _FEW_TO_MEND and reaches


_FEW_TO_MEND = 6
_REGRETTING = frozenset("no sorry actually not only just oh wait".split())
_REACHING = frozenset("to until till from only just including up".split())


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
    if spoken_of and parse.command.traits.destructive and words[0] not in TRADE_VERBS:
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
    # "Please add a line saying no dogs": what comes before the new words is said of a page.
    told = words[: len(words) - parse.free]
    if parse.free and len(told) >= _FEWEST_TOLD and not TRADE_NOUNS.isdisjoint(told):
        return told[0] in _VERBS
    # "Stop listening please", and not "please open".
    return parse.free == 0 and len(words) > 1


_FEWEST_TOLD = 3


def _taken_back(verdict: Verdict, words: Sequence[str], plain: Plainer) -> bool:
    """Whether what was just said is taken back: "no scrap that", "oh never mind delete it"."""
    parse = verdict.parse
    if verdict.kind is not Judged.COMMAND or parse is None or parse.free:
        return False
    more = len(words) - len(plain.words)
    before = words[:more]
    takes_back = parse.command.traits.destructive or parse.command.traits.walks
    said = bool(set(before) & _REPAIRING) or a_remark(before) or a_remark(words[-more:])
    return plain.allows(parse) and takes_back and more > 0 and said


_REPAIRING = frozenset("no not oh sorry never wait oops whoops actually wrong mistake".split())


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
            ended = [m for m in _MARK_ENDS if tuple(phrase[max(start, i - len(m)) : i]) == m]
            if ended and i - start > 2 and not _is_spoken_of(phrase, i - len(ended[0]), i):
                found.append(tuple(phrase[start:i]))
                start = i
        found.append(tuple(phrase[start:]))
    return [f for f in found if f]


def _is_spoken_of(phrase: Sequence[str], first: int, end: int) -> bool:
    """Whether a mark's name is a word: "there is a full stop at the end"."""
    return phrase[first - 1] in ARTICLES_AND_OWNERS or is_the_word(phrase, first, end - first)


def may_follow(text: Sequence[str]) -> bool:
    """Whether a command may come right after this text in one breath."""
    return not text or text[-1] not in NEVER_LAST
