"""The lamp: listening, resting, and what to listen for."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.effects import CheckMicrophone, ForgetVoice
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command
from nimble_lantern.core.kinds import Attention, Lamp
from nimble_lantern.core.state import Done, Sitting

CATALOGUE.table(
    "a_while",
    {
        "(for (a (bit | while | moment | minute | little while) | now | the moment | today) | now |"
        " until i (call | say so | come back | wake you))": True
    },
    heard=False,
)


@command(
    "stop listening [now]",
    "take a rest [now]",
    "[the] lamp (low | out | off | down)",
    "(do not | don't) listen [now]",
    "(turn | switch) (off | down) the (microphone | mic | mike)",
    "(turn | switch) the (microphone | mic | mike) (off | down)",
    "(pause | mute | stop | rest) [the] (microphone | mic | mike | listening)",
    "(microphone | mic | mike) off",
    "(stop | quit) listening [to (me | us)] <a_while>",
    "(close your ears | ears off) [<a_while>]",
    "stop (hearing me | taking down what i say)",
    "(do not | don't) (listen | hear me) [(to me)] [<a_while>]",
    "(i'm | i am) (tired | going | off | done | leaving | having a break) [so] [please] stop"
    " listening",
    "that's (it | all | enough) (for (now | today) | then) [so] [please] stop listening",
    "(the microphone | the mic | listening) (off | out) [please]",
    example="stop listening",
    group="listening",
)
def stop_listening(sitting: Sitting) -> Done:
    """Let the lamp burn low: nothing is heard but “start listening”."""
    return Done(replace(sitting, lamp=Lamp.LOW, question=None), "the lamp is low")


@command(
    "start listening [again]",
    "listen (to me | again | now)",
    "wake up [(again | now | please)]",
    "(i'm | i am) back [(again | now)]",
    "[the] lamp (up | on)",
    "(turn | switch) on the (microphone | mic | mike)",
    "(turn | switch) the (microphone | mic | mike) on",
    "(microphone | mic | mike) on",
    example="start listening",
    group="listening",
    while_resting=True,
)
def start_listening(sitting: Sitting) -> Done:
    """Light the lamp again."""
    return Done(replace(sitting, lamp=Lamp.LIT), "the lamp is lit")


@command(
    "(check | test) the microphone",
    "(how is | how does | how's) (the | my) (microphone | mike | mic) [sound]",
    "(test | try [out] | check) (the | my) (microphone | mike | mic)",
    "is (the | my) (microphone | mike | mic) (all right | working | on | ok | okay | good | clear)",
    "is my voice (all right | clear | loud enough)",
    "(can | do) you hear me (now | well | clearly | all right | properly)",
    "(does the | is the) (microphone | mike | mic) (work | working)",
    "am i (loud | clear) enough [for you]",
    example="check the microphone",
    group="listening",
    shows=True,
)
def check_microphone(sitting: Sitting) -> Done:
    """Tell how loud you are, how much noise there is, and what to change."""
    return Done(sitting, "the microphone", (CheckMicrophone(),))


@command(
    "forget (my voice | how i (sound | speak | talk))",
    "forget (what | everything | all) [that] you (know | learned | [have] learned) (about | of)"
    " my voice",
    "(somebody | someone) else [is] (speaks | speaking | talking) (now | from now on)",
    "learn my voice (again | anew | afresh | from the (start | beginning))",
    example="forget my voice",
    group="listening",
    shows=True,
)
def forget_voice(sitting: Sitting) -> Done:
    """Forget what was learned of your voice: it is learned anew from what you say."""
    return Done(sitting, "your voice is strange again: it is learned anew", (ForgetVoice(),))


@command(
    "commands only",
    "(listen for | take | hear) commands only",
    "(only | just) [listen [(for | to)]] [(to | for)] commands [(for now | from now on)]",
    "(do not | don't) (write | type | take down) anything for now",
    "(write | type | take down) nothing for now",
    "no more (writing | dictation) just commands",
    example="commands only",
    group="listening",
)
def commands_only(sitting: Sitting) -> Done:
    """Write nothing until you say “write again”; commands are still done."""
    return Done(replace(sitting, attention=Attention.COMMANDS), "commands only")


@command(
    "text only",
    "(only | just) (text | write)",
    "[just | only] (write | take down) (everything | all | what | every word) [that] i say",
    "(no commands | nothing but text) [for now | now | just text]",
    "(i'm | i am) (just | only) dictating",
    example="text only",
    group="listening",
)
def text_only(sitting: Sitting) -> Done:
    """Write everything you say, commands too, until you say “commands again”."""
    return Done(replace(sitting, attention=Attention.TEXT), "text only: “commands again” leaves it")


@command(
    "(commands | text | write) again",
    "(text | commands) and (text | commands)",
    "(leave | end | stop) (text | commands) only",
    "listen for everything",
    example="commands again",
    group="listening",
    while_text_only=True,
)
def both(sitting: Sitting) -> Done:
    """Hear both text and commands, as at the start."""
    return Done(replace(sitting, attention=Attention.ALL), "text and commands")
