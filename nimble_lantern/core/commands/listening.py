"""The lamp: listening, resting, and what to listen for."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.effects import CheckMicrophone
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.kinds import Attention, Lamp
from nimble_lantern.core.state import Done, Sitting


@command(
    "stop listening [now]",
    "take a rest [now]",
    "lamp (low | out)",
    "(do not | don't) listen [now]",
    "(turn | switch) (off | down) the (microphone | mic | mike)",
    "(turn | switch) the (microphone | mic | mike) (off | down)",
    "(pause | mute | stop | rest) [the] (microphone | mic | mike | listening)",
    "(microphone | mic | mike) off",
    example="stop listening",
    group="listening",
)
def stop_listening(sitting: Sitting) -> Done:
    """Let the lamp burn low: nothing is heard but “start listening”."""
    return Done(replace(sitting, lamp=Lamp.LOW, question=None), "the lamp is low")


@command(
    "start listening [again]",
    "listen (to me | again | now)",
    "lamp (up | on)",
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
    "(how is | how does) the microphone [sound]",
    example="check the microphone",
    group="listening",
)
def check_microphone(sitting: Sitting) -> Done:
    """Tell how loud you are, how much noise there is, and what to change."""
    return Done(sitting, "the microphone", (CheckMicrophone(),))


@command(
    "commands only",
    "(only | just) [listen for] commands",
    example="commands only",
    group="listening",
)
def commands_only(sitting: Sitting) -> Done:
    """Write nothing until you say “write again”; commands are still done."""
    return Done(replace(sitting, attention=Attention.COMMANDS), "commands only")


@command("text only", "(only | just) (text | write)", example="text only", group="listening")
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
