"""Where stored text is put: run on in a line, or as blocks of its own."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit, Splice, insert
from nimble_lantern.core.document.model import Block, Format, Piece, Range
from nimble_lantern.core.document.tables import as_pasted, outside
from nimble_lantern.core.state import Sitting


def within_line(sitting: Sitting, piece: Piece) -> tuple[Sitting, int, int, int, int]:
    """A lone paragraph runs on in the line, with a space where words touch."""
    if sitting.selection is not None and sitting.fresh:
        r = sitting.selection
    else:
        r = Range(sitting.writing_place, sitting.writing_place)
    block = sitting.document.blocks[r.start.block]
    left, right = block.text[: r.start.offset], block.text[r.end.offset :]
    single = r.start.block == r.end.block
    before = " " if left and left[-1] not in " \n([“‘" else ""
    after = " " if single and right and right[0] not in " \n.,;:!?)]”’" else ""
    whole = Piece(before).joined(piece).joined(Piece(after))
    stop = r.end.offset if single else len(block.text)
    edit = Edit((Splice(r.start.block, r.start.offset, stop, whole),))
    start = r.start.offset + len(before)
    made = replace(sitting.edited(edit), selection=None, fresh=False, question=None)
    return made, r.start.block, r.start.block, start, start + len(piece.text)


def as_blocks(sitting: Sitting, pieces: Sequence[tuple[Piece, Format]]) -> tuple[Sitting, int, int]:
    """Blocks of their own: in the place of an empty paragraph, else behind this one."""
    held = as_pasted(sitting.document, pieces)
    blocks = tuple(Block(p.text, p.spans).formatted(f) for p, f in held)
    here = sitting.writing_place
    at = here.block
    block = sitting.document.blocks[at]
    if not block.text and block.cell is None:
        edit = Edit((AddBlocks(at, blocks), DropBlocks(at + len(blocks), 1)))
        first = at
    elif 0 < here.offset < len(block.text) and block.cell is None:
        edit = insert(here, [(Piece(), block.format), (Piece(), block.format)])
        edit = edit.then(Edit((AddBlocks(at + 1, blocks),)))
        first = at + 1
    else:
        first = outside(sitting.document.blocks, at + 1 if here.offset or not block.text else at)
        edit = Edit((AddBlocks(first, blocks),))
    after = replace(sitting.edited(edit), selection=None, fresh=False, question=None)
    return after, first, first + len(blocks) - 1
