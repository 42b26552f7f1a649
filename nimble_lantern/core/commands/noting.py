"""Margin notes that are moved to other words."""

from __future__ import annotations

from nimble_lantern.core.commands.note_here import of_note, there_are
from nimble_lantern.core.commands.when import names_a_part, stands_here
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import pin, unpin
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.reviewing.notes import NOTE, Note
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places


def _to_a_part(sitting: Sitting, parse: Parse) -> bool:
    there = names_a_part(sitting, parse) or stands_here(sitting, parse)
    return there_are(sitting, parse) and there


@command(
    "(move | shift | take | bring | put) {note} [(over | up | down)] (to | onto | on | beside |"
    " next to) {target}",
    "{note} (belongs | goes | <shall> (be | go | stand)) (to | on | beside | next to | at)"
    " {target}",
    example="move note one to the first sentence",
    group="revising",
    heard=0,
    when=_to_a_part,
)
@of_note
def move(sitting: Sitting, note: Note, target: Places) -> Done | Refusal:
    """Put a margin note beside other words; what it says stays."""
    edit = unpin([note.anchor])
    now = edit.apply(sitting.document)
    r = target.first
    after = sitting.edited(edit.then(pin(now, NOTE, r, **dict(note.anchor.data))))
    return Done(after.about([r]), f"the note is on {quoted(sitting.document.text(r))} now")
