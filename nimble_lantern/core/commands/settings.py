"""Settings, by voice."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from nimble_lantern.core.commands import frames
from nimble_lantern.core.effects import FetchEars, SaveSetting
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting, View

CATALOGUE.table("onoff", {"on": True, "off": False})


def _set(sitting: Sitting, name: str, value: bool | str, said: str) -> Done:
    change: dict[str, Any] = {name: value}
    settings = replace(sitting.settings, **change)
    stored = {True: "on", False: "off"}.get(value, value) if isinstance(value, bool) else value
    return Done(replace(sitting, settings=settings), said, (SaveSetting(name, str(stored)),))


CATALOGUE.table("doing", {"(start | begin)": True, "(stop | no more)": False}, heard=False)
CATALOGUE.table(
    "by_the_desk",
    {
        "((do | put in | add) (the | my) punctuation | put [in] the (full stops | commas |"
        " punctuation) [in] | punctuate [(it | everything | this)]) (yourself | for me | by"
        " yourself | automatically)": True,
        "(i'll | i will | i want to | let me) (say | speak | do) the (punctuation | commas | full"
        " stops | stops) [myself]": False,
        "(i'll | i will | i want to | let me) (do | say) my own (punctuation | commas | full"
        " stops | stops)": False,
        "(no | without | no more) automatic punctuation": False,
        "(i (do not | don't) want | stop) [the] automatic punctuation": False,
        "automatic punctuation please": True,
        "(turn off | switch off | stop) the [automatic] (full stops | commas)": False,
        "(do not | don't | stop) (put | putting) [the] (full stops | punctuation | commas) in"
        " [(for me | yourself | any more | by yourself)]": False,
        "(i want | i'd like | use | switch to | give me) [the] automatic punctuation": True,
    },
    heard=False,
)


@command(
    "[(turn | switch)] [(automatic | auto)] punctuation {onoff}",
    "(turn | switch) {onoff} [(automatic | auto)] punctuation",
    "(turn | switch) the [(automatic | auto)] punctuation {onoff}",
    "{onoff:doing} (punctuating | putting in (full stops | punctuation | commas)) [for me]",
    "{onoff:by_the_desk}",
    example="automatic punctuation on",
    group="writing",
    light=True,
)
def punctuation(sitting: Sitting, onoff: bool) -> Done:
    """Let the desk put full stops, question marks and obvious commas, or not."""
    said = f"automatic punctuation {'on' if onoff else 'off'}"
    return _set(sitting, "auto_punctuation", onoff, said)


CATALOGUE.table("dialect", {"british": "british", "american": "american"})


@command(
    "(use | write) {dialect} (english | spelling | conventions)",
    "{dialect} (english | spelling | conventions)",
    "(switch | change) to {dialect} [(english | spelling)]",
    "(<adopt> | write (in | with)) {dialect} (english | spelling | spellings | conventions)",
    "<adopt> the {dialect} (conventions | way of spelling)",
    "spell [(it | words | everything)] the {dialect} way",
    example="british spelling",
    group="writing",
    light=True,
)
def dialect(sitting: Sitting, dialect: str) -> Done:
    """Write with British or American spelling, quotation marks and dates."""
    return _set(sitting, "dialect", dialect, f"{dialect.capitalize()} conventions")


CATALOGUE.table(
    "learning",
    {
        "(learn | get to know | get used to | remember)": True,
        "((do not | don't) (learn | get used to | remember) | (stop | quit) (learning | getting"
        " used to))": False,
    },
    heard=False,
)


@command(
    "voice learning {onoff}",
    "(turn | switch) [the] voice learning {onoff}",
    "(turn | switch) {onoff} [the] voice learning",
    "{onoff:learning} (my voice | how i (speak | sound | talk))",
    example="voice learning off",
    group="listening",
    light=True,
)
def voice_learning(sitting: Sitting, onoff: bool) -> Done:
    """Let the built-in recogniser get used to your voice, or not."""
    return _set(sitting, "learns_voice", onoff, f"voice learning {'on' if onoff else 'off'}")


CATALOGUE.table("patience", {"short": "short", "normal": "normal", "long": "long"})
CATALOGUE.table(
    "more_patience", {"(longer | more)": "long", "(shorter | less)": "short"}, heard=False
)
CATALOGUE.table("more_time", {"(more | longer | a bit more | a little more) [time]": "long"})
CATALOGUE.table("waiting", {"(longer | a little longer)": "long", "less [long]": "short"})


@command(
    "{patience} patience",
    "patience {patience}",
    "[a] [(a bit | a little | have)] {patience:more_patience} patience",
    "wait {patience:waiting} [for me] [when i pause]",
    "wait for me {patience:waiting}",
    "wait a (bit | little) {patience:more_patience} [for me] [when i pause]",
    "be [more] patient",
    "wait the usual time",
    "(give me | i need | allow me) {patience:more_time} (to speak | to talk | between words)",
    "(do not | don't) cut me off",
    "you keep cutting me off",
    "(make | set | change) the patience [to] {patience}",
    "(wait | pause) {patience:waiting} (before (you (write | type | answer)) | after i (speak |"
    " stop))",
    example="long patience",
    group="listening",
    light=True,
)
def patience(sitting: Sitting, patience: str = "") -> Done:
    """Wait a short, normal or long silence before an utterance counts as over."""
    return _set(sitting, "patience", patience or "long", f"{patience or 'long'} patience")


CATALOGUE.table(
    "engine",
    {
        "[the] (usual | best) (recogniser | recognizer | ears)": "best",
        "[the] (built in | desk's own) (recogniser | recognizer | ears)": "builtin",
        "[the] browser's (recogniser | recognizer | ears)": "browser",
        "[the] browser": "browser",
        "[the] (larger | big | bigger) model": "model",
    },
)
_HEARS = {
    "best": "the best recogniser there is",
    "builtin": "the built-in recogniser",
    "browser": "the browser",
    "model": "a larger model",
}


@command(
    "(listen with | listen through | switch to | use) {engine}",
    "<adopt> {engine}",
    "(hear | listen to) me with {engine}",
    example="listen with the browser",
    group="listening",
)
def engine(sitting: Sitting, engine: str) -> Done:
    """Let the built-in recogniser, the browser's or a larger model on this machine hear you."""
    return _set(sitting, "engine", engine, f"{_HEARS[engine]} listens")


@command(
    "(which | what) ears (are there | do you have | are you using)",
    "(what | who) (are you listening with | do you listen with | listens [to me])",
    "how well do you hear",
    example="which ears are there",
    group="listening",
    shows=True,
)
def which_ears(sitting: Sitting) -> Done:
    """Tell what the desk listens with."""
    said = "the built-in recogniser hears everything; “fetch better ears” gets a larger model"
    if sitting.model:
        said = f"the larger model {sitting.model} is here, and the built-in recogniser for commands"
    if sitting.settings.engine not in ("best", "model"):
        said = f"{_HEARS[sitting.settings.engine]} listens; {said}"
    return Done(sitting, said)


@command(
    "(fetch | get | find) [me] [some] better ears",
    "(fetch | get) [me] [the | a] (larger | bigger | better) model",
    example="fetch better ears",
    group="listening",
)
def fetch_ears(sitting: Sitting) -> Done:
    """Fetch a larger speech model to this machine, about 150 megabytes, and listen with it."""
    if sitting.model:
        return Done(sitting, f"the larger model {sitting.model} listens already")
    said = "fetching a larger model, about 150 megabytes; go on writing meanwhile"
    return Done(sitting, said, (FetchEars("base"),))


@command(
    *frames.opened("[(the | my | all the)] settings"),
    "(show | open | see) [me] [(the | my)] (options | preferences)",
    "(i want to | i'd like to | i need to | let me) (change | set) (a | a few | some | the)"
    " (setting | settings)",
    "how is (the desk | everything) set [up]",
    "what can i (set | change) (here | on the desk | about the desk)",
    example="show the settings",
    group="desk",
    shows=True,
)
def show_settings(sitting: Sitting) -> Done:
    """Show how the desk is set, and what to say to set it otherwise."""
    return Done(replace(sitting, view=View.SETTINGS), "the settings")


CATALOGUE.table("shade", {"(light | white | bright)": "light", "(dark | black)": "dark"})


CATALOGUE.table("plain_shade", {"(light | bright)": "light", "dark": "dark"}, heard=False)
CATALOGUE.table(
    "inked",
    {
        "(black on white | dark on light)": "light",
        "(white on black | light on dark)": "dark",
    },
    heard=False,
)
CATALOGUE.table("too", {"(dark | black)": "light", "(light | bright | white)": "dark"}, heard=False)


def _paper_was_changed(sitting: Sitting, parse: Parse) -> bool:
    """ "Back to light", where the paper was made dark in this sitting."""
    other = parse.args.get("shade") != sitting.settings.paper
    return other and any(entry.command == "settings.paper" for entry in sitting.trail)


@command(
    "{shade} paper",
    "<adopt> {shade} (paper | page | mode | background | screen)",
    "<adopt> (the | a) {shade} (paper | page | mode | background | screen)",
    "{shade} (background | page | mode)",
    "(i prefer | i'd prefer | i would prefer) [the] {shade} (paper | page | mode | screen)",
    "back to [the] {shade} (paper | page | mode | screen | background)",
    "(switch | change) the (paper | page | screen | background) [over] to {shade}",
    "make the (paper | page | background | screen) {shade} [again]",
    "the (paper | page | background | screen) <shall> [be] {shade} [again]",
    "(turn | put | set) the (paper | page | background | screen) [to] {shade}",
    "(turn | switch) (the lights (off | out) | off the lights)",
    "(use | switch to | change to) {shade:plain_shade}",
    Way("[back to] {shade:plain_shade} [again] [please]", when=_paper_was_changed),
    "{shade:inked} [(please | for the screen)]",
    "(turn | set | make | have) (everything | the lot) {shade:plain_shade}",
    "(the | this) (page | screen | background) is too {shade:too}",
    example="dark paper",
    group="desk",
    light=True,
)
def paper(sitting: Sitting, shade: str = "dark") -> Done:
    """Write on light or on dark paper."""
    return _set(sitting, "paper", shade, f"{shade} paper")


CATALOGUE.table(
    "contrast",
    {"(high | higher | more | strong | stronger)": "high", "(normal | usual | less)": "normal"},
)


CATALOGUE.table("turned", {"up": "high", "(down | back)": "normal"}, heard=False)


@command(
    "{contrast} contrast",
    "<adopt> {contrast} contrast",
    "contrast {contrast}",
    "(set | turn) the contrast to {contrast} [again]",
    "make the contrast {contrast} [again]",
    "(turn | put) {contrast:turned} the contrast",
    "(turn | put) the contrast {contrast:turned}",
    "(<wish> | give me) {contrast} contrast",
    example="high contrast",
    group="desk",
    light=True,
)
def contrast(sitting: Sitting, contrast: str) -> Done:
    """Draw everything in the strongest contrast, or as usual."""
    return _set(sitting, "contrast", contrast, f"{contrast} contrast")


@command("(mask | hide) (rude | offensive | bad) words", "masking {onoff}",
         "(show | (do not | don't) (mask | hide)) {shown:shown}",
         example="mask offensive words", group="writing", light=True)  # fmt: skip
def masking(sitting: Sitting, onoff: bool = True, shown: bool = False) -> Done:
    """Write offensive words with asterisks, or in full."""
    on = onoff and not shown
    return _set(sitting, "masking", on, "offensive words are masked" if on else "no masking")


CATALOGUE.table("shown", {"(rude | offensive | bad) words": True})


@command(
    "(digits | numerals) on",
    "(write | put) [all] numbers (in | as) (digits | figures)",
    "<adopt> (digits | figures | numerals) for [(all | the)] numbers",
    "numbers <shall> be [written] (in | as) (digits | figures)",
    "(write | put) all [(the | my)] numbers (in | as) (digits | figures)",
    "[always] (use | write) (digits | figures | numerals) [for numbers] [always]",
    "(<wish> | give me) (digits | figures | numerals) [for (all [the] | the) numbers]",
    "[all] numbers (as | in) (digits | figures)",
    example="digits on",
    group="writing",
    light=True,
)
def digits_on(sitting: Sitting) -> Done:
    """Write every number in digits."""
    return _set(sitting, "numbers", "digits", "numbers in digits")


@command("(write | put) [all] numbers (in | as) words", "number words on",
         example="write numbers in words", group="writing", light=True)  # fmt: skip
def words_on(sitting: Sitting) -> Done:
    """Write every number in words."""
    return _set(sitting, "numbers", "words", "numbers in words")


@command(
    "(digits | numerals) off",
    "number words off",
    "(write | put) numbers (as an editor would | the usual way)",
    example="digits off",
    group="writing",
    light=True,
)
def digits_off(sitting: Sitting) -> Done:
    """Write numbers as an editor would: words up to nine, digits from ten."""
    return _set(sitting, "numbers", "editor", "numbers as an editor writes them")
