"""Reading aloud: a target, from here, the doubts; stopping, going back, and where one is."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.when import (
    after_a_command,
    is_found,
    last_command,
    names_a_list,
    of_prose,
    over,
    plainly_read,
    to_be_read,
)
from nimble_lantern.core.commands.wording import many, named, quoted, words_in
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.doubts import doubts
from nimble_lantern.core.effects import ReadAloud, SaveSetting, Say
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.speaking.aloud import Aloud
from nimble_lantern.core.speaking.saying import sentence_said, spelled, stretches, word_range
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, of_the_page

PACES = ("slowest", "slow", "normal", "fast", "fastest")
MOST_SENTENCES = 5_000
SILENT = Refusal("Nothing is being read.", "", "“Read it back”, or “read from here”.")


def spoken(sitting: Sitting, aloud: Aloud) -> ReadAloud:
    """The effect that reads on from where somebody is."""
    book = sitting.word_book
    rest = aloud.stretches[aloud.at :]
    return ReadAloud(
        tuple(
            (sentence_said(sitting.document, r, book, aloud.marks),
             r.start.block, r.start.offset, r.end.offset)
            for r in rest
        )
    )  # fmt: skip


def _reading(sitting: Sitting, ranges: Sequence[Range], what: str, marks: bool = False) -> (
    Done | Refusal
):  # fmt: skip
    found = [s for r in ranges for s in stretches(sitting.document, r)][:MOST_SENTENCES]
    if not found:
        return Refusal("There are no words to read there.")
    aloud = Aloud(tuple(found), marks=marks)
    after = replace(sitting, aloud=aloud, question=None)
    return Done(after, f"reading {what}", (spoken(after, aloud),))


CATALOGUE.table("read_out", {"(back [to me] | aloud [to me] | out loud | out aloud)": True})


def _has_read(sitting: Sitting, parse: Parse | None = None) -> bool:
    """Reading, or just done with it: "stop" is not written when it comes a moment late."""
    last = sitting.trail[-1] if sitting.trail else None
    return sitting.aloud is not None or last is not None and "read_aloud" in last.effects


def _nothing_grew(sitting: Sitting, parse: Parse) -> bool:
    """ "Once more", after something was made bigger, is said of that."""
    last = last_command(sitting)
    return last is None or not last.traits.grows or last.traits.reads


def _read_lately(sitting: Sitting, parse: Parse) -> bool:
    """ "The second sentence again", after reading."""
    return _has_read(sitting) and of_the_page(parse.args.get("target"))


CATALOGUE.table(
    "named_marks", {"with [the] (marks | punctuation | stops)": True, "marks and all": True}
)


@command(
    Way("read {target} [(aloud | out | out loud | back | to me | back to me)] [{named_marks}]",
        when=plainly_read),
    Way("read [me] {target} (aloud | out | out loud | back | to me | back to me) [{named_marks}]",
        when=to_be_read),
    Way(
        "read [(me | to me | back to me | for me | us)] [back] {target} [(again | please)]",
        when=plainly_read,
    ),
    Way("(read | say) out [loud] {target}", when=plainly_read),
    Way("read (aloud | out loud | me out) {target}", when=plainly_read),
    Way("say {target} [(aloud | out loud | to me)]", when=of_prose),
    Way("recite {target}", when=plainly_read),
    Way("[and] [now] {target} (again | once more)", when=_read_lately),
    Way("(and | now | and now | then | next) {target}", when=_read_lately),
    Way(
        "(let me | let's | let us | i want to | i'd like to | i need to | (can | could | may)"
        " (i | we)) hear {target} [again]",
        when=plainly_read,
    ),
    Way("(say | tell me) what {target} says", when=plainly_read),
    Way("(what does | what do | what's) {target} say", when=plainly_read),
    Way("what (does | do) {target:crossed} say", when=is_found),
    "(what is | what's) in ({target:cell_part} | {target:crossed})",
    Way(
        "(who is | what is | what's | when is | how (much | many) (is | are) | tell me | give me"
        " | read [(me | out)]) {target:crossed}",
        when=is_found,
    ),
    Way(
        "((read [me] [out] | tell me | let me hear) what (i | we | it) [have] (said | says | wrote"
        " | written) | what (have | did) (i | we) (write | written | say | said | put)) about"
        " {target:what_about}",
        when=is_found,
    ),
    Way("what (does it say | is written | is there | is it) in {target}", when=plainly_read),
    Way("what (have | did) i (said | say | written | write | put) in {target}", when=plainly_read),
    Way("how does {target} (start | begin | end | finish | go)", when=plainly_read),
    Way("(what's | what is) (in | at) {target}", when=of_prose),
    Way(
        "(what's | what is | what have (i | we) got | what do (i | we) have) on {target} [(so far |"
        " now | already)]",
        when=names_a_list,
    ),
    Way("(what's | what is) {target} [again]", when=of_prose),
    Way("how does {target} (sound | read)", when=plainly_read),
    heard=1,
    example="read the last paragraph",
    group="reading",
    by_rows=True,
)  # fmt: skip
def read(sitting: Sitting, target: Places, named_marks: bool = False) -> Done | Refusal:
    """Read any part of the text aloud; the word being read is marked."""
    return _reading(sitting, target.ranges, named(sitting.document, target.ranges[:1]),
                    named_marks)  # fmt: skip


@command(
    "what did i (just (say | write | dictate) | say last)",
    "what (was | were) the last (thing | words) [that] i [have] [just] (said | wrote)",
    "what did you (hear | get | catch | think i said | take down | write [down]) [just now]",
    "did you (get | catch | hear | take down) (that | it | all [of] that | what i said)",
    "read [me] [back] the last (thing | bit | words) [that] i [have] [just] (said | wrote)",
    "read (it | this | that) (back | to me | aloud | out | back to me | out loud)",
    "read me (it | this | that) [back]",
    Way("read (it | this | that)", when=after_a_command),
    *each(
        over,
        "(read | say) (it | this | that) (again | once more) [(slowly | quietly)]",
        "(let's | let us | let me) hear (it | this | that) [(again | once more | so far)]",
        "(what does | what's) (it | this) say [(now | so far)]",
    ),
    "read [me] the (last | latest) (bit | part) [again]",
    "read back [to me] [what i (said | wrote | have written)]",
    "read [me] [back] what i [just] (said | wrote)",
    "let me hear what i [just | have] (said | wrote | written)",
    "(can you | could you) read (it | that) [back] [to me]",
    "say (it | this | that) (back | back to me | out loud | aloud)",
    "how does (it | that | this | that last (bit | part)) (sound | read)",
    heard=1,
    example="read it back",
    group="reading",
)
def read_back(sitting: Sitting) -> Done | Refusal:
    """Read what is selected, or was just said; else the paragraph you are in."""
    if sitting.selection is not None:
        return _reading(sitting, [sitting.selection], "what is selected")
    if sitting.that:
        return _reading(sitting, sitting.that, "what was just said")
    here = block_range(sitting.document, sitting.caret.block)
    return _reading(sitting, [here], "this paragraph")


@command(
    "read [on] from here [on] [{named_marks}]",
    "read (the rest | on)",
    "read [on] from (this (place | point | spot | bit) | the cursor | where i am) [on | onwards]",
    "[start] reading from (here | this (place | point | spot) | where i am) [on | onwards]",
    "from here [(on | onwards)] read [it] [out | aloud | to me]",
    heard=1,
    example="read from here",
    group="reading",
)
def read_on(sitting: Sitting, named_marks: bool = False) -> Done | Refusal:
    """Read aloud from the sentence you are in to the end."""
    block = sitting.document.blocks[sitting.caret.block]
    at = max((s for s, e in block.sentences if s <= sitting.caret.offset), default=0)
    r = Range(Position(sitting.caret.block, at), sitting.document.end)
    return _reading(sitting, [r], "from here", named_marks)


@command(
    "read from the (top | start | beginning) [{named_marks}]",
    "read (it | this | the (letter | text | document)) from the [very] (top | start | beginning)",
    "[the] whole (letter | text | thing) please read it",
    "(everything | all of it | it all | the whole (letter | text | thing)) [read [it]] (aloud"
    " | out loud) [(please | read | read it)]",
    "read (everything | it all | all of it | the whole thing | the whole (letter | text))"
    " [aloud] [to me] [(from | at) the <beginning>] [{named_marks}]",
    "start reading [(aloud | from the <beginning> | at the <beginning>)]",
    "read [me] [(it | that | this | everything)] all <read_out> [from the <beginning>]",
    "read [me] (it | that | this | everything) all [through]",
    "read [me] (it | that | this | everything) through",
    "what (have i | do i have | have we | do we have) [(got | written)] so far",
    "read [me] (it | that | this | everything) [all] from the <beginning>",
    "read [me] the (whole | entire) (document | text | letter | thing)",
    "(speak | say [out loud]) (the | my) [whole] (letter | document)",
    "read [me | back] [to me] what (i've | i have | we've | we have) [(got | written | said)] [so"
    " far]",
    "read [me] (the | my) [whole] (letter | document) [back] [(aloud | to me | from the start)]",
    "(go | run) through (it | this | the (letter | document)) aloud [from the <beginning>]",
    heard=1,
    example="read from the top",
    group="reading",
)
def read_all(sitting: Sitting, named_marks: bool = False) -> Done | Refusal:
    """Read the whole text aloud."""
    return _reading(sitting, [sitting.document.whole], "from the top", named_marks)


@command(
    "read [it] [on] from {target}",
    "start reading (at | from) {target}",
    heard=1,
    example="read from the second paragraph",
    group="reading",
)
def read_from(sitting: Sitting, target: Places) -> Done | Refusal:
    """Read aloud from a target to the end."""
    r = Range(target.first.start, sitting.document.end)
    return _reading(sitting, [r], f"from {named(sitting.document, target.ranges[:1])}")


@command(
    "read [me] [out] the (doubts | doubted words | doubtful words | words in doubt)",
    "(what | which words) did you doubt",
    heard=1,
    example="read the doubts",
    group="reading",
)
def read_doubts(sitting: Sitting) -> Done | Refusal:
    """Read the sentences with words that were not heard well."""
    found: list[Range] = []
    for _, r in doubts(sitting.document):
        block = sitting.document.blocks[r.start.block]
        held = next(((s, e) for s, e in block.sentences if s <= r.start.offset < e), None)
        if held is not None:
            whole = Range(Position(r.start.block, held[0]), Position(r.start.block, held[1]))
            if whole not in found:
                found.append(whole)
    if not found:
        return Refusal("No words are in doubt.")
    return _reading(sitting, found, many(len(found), "sentence"))


def _reads(sitting: Sitting, parse: Parse) -> bool:
    return sitting.aloud is not None


@command(
    "(stop | end) reading [aloud]",
    Way("(stop | end | enough)", when=_has_read),
    Way("(be quiet | quiet | silence | hush | shush)", when=_has_read),
    Way("that is enough [reading]", when=_has_read),
    Way("stop (it | that) [now]", when=_has_read),
    Way("no more (reading | talking)", when=_has_read),
    Way("(that is enough | enough) [of] (reading | talking | that)", when=_has_read),
    Way("stop (talking | speaking)", when=_has_read),
    heard=2,
    example="stop reading",
    group="reading",
    reads=True,
    ends_reading=True,
    hushes=True,
)
def stop(sitting: Sitting) -> Done | Refusal:
    """Stop reading; the writing place stays where it was."""
    if not _has_read(sitting):
        return SILENT
    return Done(replace(sitting, aloud=None), "silent", (ReadAloud(()),))


@command(
    "stop (there | here | right there)",
    "(that is | that's) (it | the place | where i want to be)",
    "(go | write) there",
    heard=1,
    example="stop there",
    group="reading",
    when=_has_read,
    reads=True,
    ends_reading=True,
)
def stop_there(sitting: Sitting) -> Done:
    """Stop reading, and write on at the word that was just read."""
    word = word_read(sitting)
    after = replace(sitting, aloud=None)
    if word is None:
        return Done(after, "silent", (ReadAloud(()),))
    said = sitting.document.text(word)
    after = replace(after.about([word]), caret=word.end, insertion=None)
    return Done(after, f"at {quoted(said)}", (ReadAloud(()),))


def word_read(sitting: Sitting) -> Range | None:
    """The word that is being read, else the first of its sentence."""
    aloud = sitting.aloud
    here = aloud.here if aloud is not None else None
    if aloud is None or here is None:
        return None
    return word_range(sitting.document, here, aloud.word, sitting.word_book, aloud.marks)


@command(
    Way("(wait | pause | hold on | one moment | hang on)", when=_has_read),
    "pause reading",
    Way("(pause | stop) for a (moment | second)", when=_has_read),
    heard=1,
    example="pause reading",
    group="reading",
    reads=True,
    hushes=True,
)
def wait(sitting: Sitting) -> Done | Refusal:
    """Pause the reading; “go on” takes it up again."""
    if sitting.aloud is None:
        return SILENT
    after = replace(sitting, aloud=replace(sitting.aloud, waiting=True))
    return Done(after, "waiting: “go on” reads on", (ReadAloud(()),))


@command(
    Way("(go on | carry on | continue | resume | keep (going | on) | proceed)", when=_reads),
    "(go on | carry on | continue | resume | keep [on] | start) reading [aloud] [again]",
    Way("read on", when=_reads),
    heard=1,
    example="go on reading",
    group="reading",
    reads=True,
)
def go_on(sitting: Sitting) -> Done | Refusal:
    """Read on after a pause."""
    if sitting.aloud is None:
        return SILENT
    return _from(sitting, sitting.aloud.at, "reading on")


def _from(sitting: Sitting, at: int, said: str) -> Done:
    assert sitting.aloud is not None
    last = len(sitting.aloud.stretches) - 1
    aloud = replace(sitting.aloud, at=max(0, min(at, last)), waiting=False, word=0)
    after = replace(sitting, aloud=aloud)
    return Done(after, said, (spoken(after, aloud),))


@command(
    "[(say | read)] (that | it | this) again",
    Way("(again | once more | one more time)", when=_nothing_grew),
    "(repeat | say) (that | it) [again]",
    "(pardon | what was that | come again)",
    heard=1,
    example="say that again",
    group="reading",
    when=_reads,
    reads=True,
)
def again(sitting: Sitting) -> Done:
    """Read the sentence once more."""
    assert sitting.aloud is not None
    return _from(sitting, sitting.aloud.at, "once more")


@command(
    "(back | go back) [(a | one)] sentence",
    "(the | go to the) (previous | last) sentence",
    "the sentence before [that]",
    "(back | go back) {number} sentences",
    heard=1,
    example="back a sentence",
    group="reading",
    when=_reads,
    reads=True,
)
def sentence_back(sitting: Sitting, number: int = 1) -> Done:
    """Read on from a sentence further back."""
    assert sitting.aloud is not None
    return _from(sitting, sitting.aloud.at - number, "further back")


@command(
    "(skip | skip this | next) [(a | one | the)] sentence",
    "[the] next sentence",
    "skip (it | this | that)",
    heard=1,
    example="next sentence",
    group="reading",
    when=_reads,
    reads=True,
)
def sentence_on(sitting: Sitting) -> Done:
    """Read on from the next sentence."""
    assert sitting.aloud is not None
    return _from(sitting, sitting.aloud.at + 1, "further on")


CATALOGUE.table("whole_paragraph", {"paragraph": True})


@command(
    "(skip | skip this | next | [(go [on] | skip | on)] [to] the next) [(a | one | the)] paragraph",
    "(back | go back) [(a | one)] {paragraph:whole_paragraph}",
    "(go | back | go back) to the (start | beginning) of (the | this) {again:whole_paragraph}",
    heard=1,
    example="skip this paragraph",
    group="reading",
    when=_reads,
    reads=True,
)
def paragraph(sitting: Sitting, paragraph: bool | None = None, again: bool | None = None) -> Done:
    """Read on from the next paragraph, the one before, or from the start of this one."""
    assert sitting.aloud is not None
    held, at = sitting.aloud.stretches, sitting.aloud.at
    block = held[at].start.block
    if again:
        first = next(i for i, r in enumerate(held) if r.start.block == block)
        return _from(sitting, first, "from the start of the paragraph")
    if paragraph:
        before = [i for i, r in enumerate(held) if r.start.block < block]
        first = held[before[-1]].start.block if before else block
        goal = next(i for i, r in enumerate(held) if r.start.block == first)
        return _from(sitting, goal, "a paragraph back")
    goal = next((i for i, r in enumerate(held) if i > at and r.start.block > block), len(held))
    if goal == len(held):
        return Done(replace(sitting, aloud=None), "that was the last", (ReadAloud(()),))
    return _from(sitting, goal, "the next paragraph")


CATALOGUE.table(
    "pace",
    {
        "(slower | slow down | more slowly | too fast | too quick)": -1,
        "not [quite] so (fast | quick | quickly)": -1,
        "(faster | speed up | more quickly | quicker | too slow)": 1,
        "not [quite] so (slow | slowly)": 1,
    },
)


CATALOGUE.table("too_fast", {"so (fast | quickly)": -1, "so slowly": 1}, heard=False)


@command(
    "(read | speak | talk) {pace}",
    Way("[a (little | bit)] {pace} [please]", when=_has_read),
    "(read | speak) [a (little | bit)] {pace}",
    "(do not | don't) read [(it | things | that)] [(out | aloud)] {pace:too_fast}",
    heard=1,
    example="read slower",
    group="reading",
    reads=True,
    grows=True,
)
def pace(sitting: Sitting, pace: int) -> Done:
    """Read slower or faster, from now on."""
    now = PACES.index(sitting.settings.reading_pace)
    wanted = PACES[max(0, min(len(PACES) - 1, now + pace))]
    after = replace(sitting, settings=replace(sitting.settings, reading_pace=wanted))
    effects: tuple[SaveSetting | ReadAloud, ...] = (SaveSetting("reading_pace", wanted),)
    if after.aloud is not None and not after.aloud.waiting:
        effects += (spoken(after, after.aloud),)
    return Done(after, f"reading {wanted if wanted != 'normal' else 'as usual'}", effects)


@command(
    Way("spell (that | this | the) word", when=_reads),
    "how (is {target} (spelled | spelt) | (do | would) (you | i | we) spell {target})",
    "(spell | spell out) {target} (aloud | to me | for me)",
    heard=0,
    example="how is ferry spelled",
    group="reading",
    every_place=True,
)
def spell(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Say a word letter by letter."""
    r = target.first if target is not None else word_read(sitting)
    if r is None:
        return Refusal("No word is being read.")
    word = sitting.document.text(r)
    if len(word) > 60:
        return Refusal("That is too long to be spelled.", "", "Name a word.")
    return Done(sitting, f"{quoted(word)}: {spelled(word)}", (Say(f"{word}: {spelled(word)}"),))


@command(
    "where am i [(now | in the text)]",
    "[now] where was i [up to] [again]",
    "(read | say) where i am",
    "(what | which) (line | sentence | paragraph | row | column | cell | list | item | part) (is"
    " this | am i (on | in | at) | are we in)",
    "(where is | where's) (the | my) (cursor | caret | pointer | writing place)",
    "(where | at which (line | place)) have i got to [now]",
    "tell me (where i am | which (line | sentence | paragraph) (i am in | i am on | this is))",
    "i don't know where i am in the (text | letter | document)",
    heard=1,
    example="where am i",
    group="reading",
)
def where(sitting: Sitting) -> Done:
    """Tell where the writing place is: the line, and the words round it."""
    place = sitting.writing_place
    line = sitting.layout.number(place)
    block = sitting.document.blocks[place.block]
    before = " ".join(block.text[: place.offset].split()[-4:])
    behind = " ".join(block.text[place.offset :].split()[:4])
    said = f"line {line} of {sitting.layout.count}"
    if before:
        said += f", after {quoted(before)}"
    if behind:
        said += f", before {quoted(behind)}"
    if not before and not behind:
        said += ", an empty paragraph"
    return Done(sitting, said)


@command(
    "(what | which (words | part)) (is | are | have i [got]) selected [now]",
    "what (have i [got] | did i) (selected | select)",
    "(read | say) [me] the selection [(aloud | out | back)]",
    heard=0,
    example="what is selected",
    group="reading",
)
def selected(sitting: Sitting) -> Done | Refusal:
    """Tell which words are selected, and how many they are."""
    chosen = sitting.selection
    if chosen is None:
        return Refusal("Nothing is selected.", "", "“Select” and some words of the text do.")
    words = quoted(sitting.document.text(chosen))
    return Done(sitting, f"{words_in(sitting, [chosen])}: {words}")


CATALOGUE.table("until_now", {"(so far | by now | until now | now | here)": True})


@command(
    "(count | tell me the number of) [the | my] (words | lines)",
    "tell me how long (it | this | that) is",
    "how many (words | lines) (are there | do i have | does it have) [<until_now>]",
    "how many (words | lines) (is | are | does) (this | it | these | the letter) [have]"
    " [<until_now>]",
    "how many (words | lines) [(are there | are | do i have)] in (it | this | all | total)",
    "how many (words | lines) (are there | are | do i have) in <paper> [<until_now>]",
    "how (long | many words) is <paper> [<until_now>]",
    "how long is (it | this) [<until_now>]",
    "(what is | tell me) the (word count | number of words)",
    "(count the words | word count) [please]",
    Way("how many (words | lines) (are there | are | do i have) in {target}", when=plainly_read),
    Way("how (long | many words) is {target}", when=plainly_read),
    Way("(count the words | word count) (in | of | for) {target}", when=plainly_read),
    heard=0,
    example="how many words are there",
    group="reading",
)
def count(sitting: Sitting, target: Places | None = None) -> Done:
    """Tell how many words the document, what is selected, or a part of it has."""
    document = sitting.document
    if target is not None:
        found = words_in(sitting, target.ranges)
        return Done(sitting, f"{found} in {named(document, target.ranges)}")
    said = f"{words_in(sitting, [document.whole])}, {many(sitting.layout.count, 'line')}"
    if sitting.selection is not None:
        said += f"; {words_in(sitting, [sitting.selection])} selected"
    return Done(sitting, said)


@command(
    "(answer | answers | talk | speak) (aloud | to me | out loud)",
    "(speak | say | read [out]) (your | the) answers [aloud]",
    "(answers | spoken answers) aloud {onoff}",
    "(turn | switch) {onoff} (answers aloud | spoken answers | talking)",
    "(spoken answers | talking) {onoff}",
    "(answer | tell | talk to | speak to) me (aloud | out loud | by voice)",
    "(tell me | say) (aloud | out loud) what you (do | did | are doing)",
    "(tell me | say) what you (do | did | are doing) (aloud | out loud)",
    "(i can't | i cannot) see the screen [(tell me | speak to me | talk to me)]",
    "(do not | don't | stop) (talk | talking | speak | speaking | answer | answering)"
    " [to me | aloud]",
    heard=1,
    example="answers aloud on",
    group="reading",
)
def answers(sitting: Sitting, onoff: bool | None = None) -> Done:
    """Tell by voice what was done and what may be chosen, or be silent about it."""
    on = onoff if onoff is not None else not sitting.settings.answers_aloud
    after = replace(sitting, settings=replace(sitting.settings, answers_aloud=on))
    said = "answers are spoken" if on else "answers are only shown"
    return Done(after, said, (SaveSetting("answers_aloud", "on" if on else "off"),))
