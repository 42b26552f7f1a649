"""What people ask of a desk and this one does otherwise, or not at all: answered, never written."""

from __future__ import annotations

from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import AUXILIARIES
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places


@command(
    "save [(it | that | this | everything | my work)] [now]",
    "save (the | this | my) (document | letter | text | file | work | page) [now]",
    "have you saved (it | that | this | everything)",
    "did you save (it | that | this | everything)",
    "(is | has) (it | everything | this) [been] saved",
    "(is | was) (this | it | that) (saved | stored)",
    "(is | are) (everything | my (letter | letters | text | document | documents)) (saved | safe"
    " | kept | stored)",
    "(did | have) you (save | saved | store | stored) (it | that | this | everything)",
    "make sure (it | this | everything | the letter) (is | gets | has been) saved",
    example="save the document",
    group="desk",
)
def save(sitting: Sitting) -> Done:
    """Nothing needs saving: every utterance is kept as soon as it is done."""
    return Done(sitting, "everything is saved as you say it")


def _of_what_was_done(sitting: Sitting, parse: Parse) -> bool:
    """Right after a command that changed the text; "lovely" may be written over a selection."""
    last = sitting.trail[-1] if sitting.trail else None
    held = sitting.selection is not None and sitting.fresh
    changed = last is not None and last.made and last.read_as is ReadAs.COMMAND
    if not changed or held or last is None or last.command is None:
        return False
    chosen = last.command.startswith("choosing.")
    return chosen or CATALOGUE.commands[last.command].group in ("format", "revising", "repair")


CATALOGUE.table(
    "agreed", {"(yes | right | ah | oh | oh yes | ah yes | ok | okay)": True}, heard=False
)
_THANKS = "(thanks | thank you | please | cheers)"


@command(
    f"(i'm | i am | we're | we are) (done | finished) [for (today | now | the day)] {_THANKS}",
    f"(i have | i've) finished [for (today | now | the day)] {_THANKS}",
    f"(that's | that is) (all | it | everything) [for (today | now | the day)] {_THANKS}",
    f"(that will | that'll) do [(nicely | for (today | now | the day))] {_THANKS}",
    f"[(let's | let us | i'll | we'll)] (stop | leave it) there [for (today | now)] {_THANKS}",
    example="that's all for today thank you",
    group="desk",
    heard=0,
)
def done(sitting: Sitting) -> Done:
    """Said at the end of the work: nothing needs doing."""
    return Done(sitting, "everything is saved; “stop listening” rests, “that was text” writes it")


def _ends_nothing(sitting: Sitting, parse: Parse) -> bool:
    """ "That's it" ends a list or a table, where one is written."""
    block = sitting.document.blocks[sitting.caret.block]
    return block.cell is None and block.kind is not Kind.ITEM


@command(
    "[<agreed>] [(that's | that is)] (right | better | perfect | lovely | great | brilliant"
    " | excellent | more like it | just right | how i want it | what i (wanted | meant))",
    "[<agreed>] (that will | that'll) do [nicely]",
    "[<agreed>] (that's | that is) (fine | good | the one)",
    Way("[<agreed>] (that's | that is) it", when=_ends_nothing),
    "(much | far) better",
    "well done",
    example="that's better",
    group="desk",
    when=_of_what_was_done,
    heard=0,
)
def praise(sitting: Sitting) -> Done:
    """Said of what the desk just did, it is no text."""
    return Done(sitting, "good; “that was text” writes it")


@command(
    "(email | mail) (it | this | that | the letter | the document) [to {words}]",
    "send (the | this | my) (letter | document | text) [to {words}]",
    "send (it | this | that) [(off | away | out)] [now]",
    example="email this",
    group="desk",
)
def send(sitting: Sitting, words: tuple[str, ...] = ()) -> Refusal:
    """Sending is not done here: the desk speaks to nobody."""
    return Refusal("Sending cannot be done here: this desk is connected to nothing.")


@command(
    "(check | correct) (the | my) (spelling | grammar)",
    "(spell check | spellcheck | proofread | proof read) [(it | this | that | the document | the"
    " letter)]",
    "check the spelling of {words}",
    "is {words} (spelt | spelled) (right | correctly | properly | like that)",
    "are there any mistakes",
    "(is | are) there any (spelling | typing) (mistake | mistakes | error | errors)"
    " [(here | in here | anywhere | left | in (it | this | (the | this) (letter | document)))]",
    "is there a (spelling | typing) (mistake | error) [(here | in here | anywhere | somewhere)]",
    "any (spelling | typing) (mistakes | errors)",
    "is (it | that | this | everything) [all] (spelt | spelled) (right | correctly | properly)",
    "is [there] (anything | something) [in here] (spelt | spelled) (wrong | wrongly)",
    "(have i | did i) (spell | spelt | spelled | misspelt | misspelled | misspell) (anything |"
    " something) [(wrong | wrongly)]",
    "are there [any] (mistakes | errors) (in (it | this | here | there | the letter) | here)",
    example="check the spelling",
    group="desk",
)
def check_spelling(sitting: Sitting, words: tuple[str, ...] = ()) -> Refusal:
    """Spelling is not checked: words are written as the dictionary has them."""
    return Refusal("Spelling cannot be checked here: words come out of a word list as they are.")


CATALOGUE.table(
    "of_mine",
    {
        "[name and] address": "address",
        "email [address]": "email",
        "(phone | telephone | mobile) number": "phone number",
        **{name: name for name in ("postcode", "signature", "details", "letterhead", "name")},
    },
    heard=False,
)


def _not_kept(sitting: Sitting, parse: Parse) -> bool:
    """No passage is called so: "put my address at the top" would write it."""
    return not any(str(parse.args["mine"]) in p.name for p in sitting.passages)


def _a_word_or_two(sitting: Sitting, parse: Parse) -> bool:
    """ "Another word for thanks"; "another word for thanks is cheers" tells."""
    words = tuple(parse.args["words"])
    return len(words) <= _FEW and AUXILIARIES.isdisjoint(words)


_FEW = 3
_BETTER = "(another | a better | a different | a softer | a stronger | a simpler | some other)"


@command(
    "(what is | what's | find [me] | give me | is there | tell me | think of | i need | i want |"
    f" look up | suggest) {_BETTER} (word | words) (for | than | instead of) {{words}}",
    f"{_BETTER} word for {{words}} [please]",
    f"(use | put) {_BETTER} word (for | instead of) {{words}}",
    "(look up | define) {words} in [a | the] (dictionary | thesaurus)",
    example="what is another word for loud",
    group="desk",
    heard=0,
    when=_a_word_or_two,
)
def another_word(sitting: Sitting, words: tuple[str, ...]) -> Refusal:
    """Words are not looked up here."""
    return Refusal("Words cannot be looked up here.", "", "Say the one to put in its place.")


@command(
    "(insert | put | add | write | type | fill in) (my | our) {mine:of_mine} [(here | in | there"
    " | underneath | below | under (it | that) | below (it | that))]",
    "[and] [(insert | put | add | write)] (my | our) {mine:of_mine} (above | below | under"
    " | underneath | beneath | over) (that | it | this)",
    "(insert | put | add | write | type) (my | our) {mine:of_mine} (at | in | on) the [very]"
    " {edge:docedge}"
    " [[on the] (right | left) [hand] [(corner | side)]]",
    example="put my address at the top",
    group="desk",
    heard=0,
    when=_not_kept,
)
def of_mine(sitting: Sitting, mine: str, edge: str = "") -> Refusal:
    """What the desk was never told: it can be kept as a passage."""
    return Refusal(
        "The desk does not know that yet.",
        "",
        f"Say it; then “keep that as my {mine}”, and it is there from then on.",
    )


@command(
    "(can | could | do | did) you [still] hear me (now | ok | okay | all right | desk)",
    "are you [still] (listening | awake | hearing me)",
    "is (this | it | this thing) [still] (on | listening | working)",
    "(am i | are we) on",
    example="are you listening",
    group="desk",
    heard=1,
)
def hears(sitting: Sitting) -> Done:
    """Whether the desk listens: whoever asks is heard."""
    return Done(sitting, "yes: heard and listening")


CATALOGUE.table(
    "thing",
    {
        "(picture | image | photo | photograph | drawing)": "Pictures",
        "(page number | page numbers)": "Page numbers",
        "(footnote | endnote)": "Footnotes",
        "(hyperlink | web link)": "Links",
        "(horizontal (line | rule) | ruled line | dividing line)": "Ruled lines",
        "(signature | stamp | logo)": "Signatures and stamps",
        "(page break | column break)": "Page breaks",
        "(text box | border | frame | chart | graph)": "Boxes and charts",
        "(contents list | list of contents | table of contents | index)": "Lists of contents",
    },
)


CATALOGUE.table("a_link", {"link": "Links"}, heard=False)
CATALOGUE.table("a_box", {"(box | frame)": "Boxes and charts"}, heard=False)
CATALOGUE.table("new_page", {"page": "Page breaks"}, heard=False)
CATALOGUE.table("page_break", {"page break": "Page breaks"}, heard=False)
CATALOGUE.table(
    "across",
    {"a [straight] (line | rule) (across | right across) [(the page | here | it)]": "Ruled lines"},
    heard=False,
)
CATALOGUE.table(
    "line_over",
    {"a [(straight | ruled | thin | thick)] (line | rule) (above | over)": "Ruled lines"},
    heard=False,
)
CATALOGUE.table("pages", {"pages": "Page numbers"}, heard=False)
CATALOGUE.table("foot_of_pages", {"footer": "Footers"}, heard=False)
CATALOGUE.table("in_columns", {"columns": "Columns of text"}, heard=False)
CATALOGUE.table("margins", {"margins": "Margins of another width"}, heard=False)


@command(
    "(translate | turn | put) (it | this | that | the (letter | text | document)) [over]"
    " (into | to) (welsh | french | german | spanish | italian | polish | irish | gaelic | urdu"
    " | hindi)",
    example="translate it into welsh",
    group="desk",
    heard=0,
)
def translate(sitting: Sitting) -> Refusal:
    """Nothing is translated here."""
    return Refusal("Translating cannot be done here: the desk writes what you say.")


@command(
    "(insert | add | put [in] | give me | make) [(a | an | the | some | my)] {thing}"
    " [(here | (at | on) the (top | end | start | front | back | beginning | bottom))]",
    "(insert | add | put [in] | make) [(a | an | the | some | my)] {thing}"
    " [of {words}] (before | after | above | below | under | beneath | behind | between | beside"
    " | next to | round | around | at | in | on | to | for) {target}",
    "(insert | add | put [in] | make) a {thing:a_link} (to | for | on | from) {target}",
    "(make | turn) {target} [into] a {thing:a_link}",
    "(put | draw | add) a {thing:a_box} (round | around) {target}",
    "[a] new {thing:new_page} [here]",
    "(start | begin) [a] new {thing:new_page} [here]",
    "[a] {thing:page_break} (before | after | above | below | at) {target}",
    "(start | begin | put | move) {target} (on | onto | to) a new {thing:new_page}",
    "(put | draw | add) {thing:across} [(before | after | above | below | under) {target}]",
    "(put | draw | add) {thing:line_over} {target}",
    "(put | insert | add) [the] {thing} in",
    "(put | make | set | turn | lay) (it | this | that | the (list | letter | text | page)) [out]"
    " (in | into) (two | three) {thing:in_columns}",
    "(wider | narrower | bigger | smaller) {thing:margins}",
    "(number | put numbers on) the {thing:pages}",
    "(put | add | make) (a | the) {thing:foot_of_pages} [(with | saying) {words}]",
    "[a] {thing:page_break} here",
    "(make | set) the {thing:margins} (wider | narrower | bigger | smaller)",
    example="insert a picture",
    group="desk",
)
def put_thing(
    sitting: Sitting, thing: str, target: Places | None = None, words: tuple[str, ...] = ()
) -> Refusal:
    """Pictures, footnotes and their like cannot be put in here yet."""
    return Refusal(f"{thing} cannot be put in here yet.")


CATALOGUE.table(
    "unknown_look",
    {
        "small (caps | capitals)": "Small capitals",
        "(a drop cap | drop caps | a dropped capital)": "Dropped capitals",
        "(outlined | hollow | shadowed) letters": "Letters of that kind",
        "(a double underline | double underlining)": "Double lines under words",
    },
    heard=False,
)


@command(
    "<make> {target} [(in | into)] {look:unknown_look}",
    "(put | set | write | print | have | use) {target} (in | into) {look:unknown_look}",
    "(put | use | have | apply) {look:unknown_look} (on | for | to | in | under) {target}",
    "{look:unknown_look} (on | for | under) {target}",
    "{target} (in | with) {look:unknown_look}",
    "(i want | i'd like | give) {target} (in | with) {look:unknown_look}",
    example="put the title in small capitals",
    group="format",
    heard=0,
)
def no_such_look(sitting: Sitting, target: Places, look: str) -> Refusal:
    """A look that this desk does not have."""
    return Refusal(
        f"{look} cannot be made here.", "", "“Upper case”, “bold” and “larger” can be said."
    )
