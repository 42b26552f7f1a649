"""The commands, one file a family.  Importing this package fills the catalogue."""

from nimble_lantern.core.commands import (
    blocks,
    case,
    choosing,
    clipboard,
    deleting,
    documents,
    enclosing,
    faces,
    history,
    inserting,
    joining,
    listening,
    lists,
    looking,
    marks,
    moving,
    replacing,
    selecting,
    settings,
    turning,
    wishes,
    writing,
)
from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.targets import rules, sides

__all__ = [
    "CATALOGUE",
    "blocks",
    "case",
    "choosing",
    "clipboard",
    "deleting",
    "documents",
    "enclosing",
    "faces",
    "history",
    "inserting",
    "joining",
    "listening",
    "lists",
    "looking",
    "marks",
    "moving",
    "replacing",
    "rules",
    "selecting",
    "settings",
    "sides",
    "turning",
    "wishes",
    "writing",
]

CATALOGUE.grammar.check()
