"""Everyday words, with the words of the desk that mean the same; for what comes near a command.

Groups follow Roget's Thesaurus (1911, in the public domain), kept to what is said of words on a
page.  What a command may be said with exactly stands in `classes`; these only lead to an offer.
"""

from __future__ import annotations

_GROUPS = (
    "delete remove erase rub zap kill nuke obliterate ditch axe trash discard eliminate purge omit"
    " exclude expunge cull chop banish destroy",
    "put insert add shove stuff plonk plop dump chuck lob squash jam wedge tack append prefix",
    "move shift relocate transfer reposition drag hoist nudge push pull slide bump",
    "change replace alter swap switch amend modify edit revise substitute adjust rewrite fix mend"
    " correct",
    "select mark choose grab pick capture lasso tag designate isolate",
    "go move jump hop skip navigate return leap travel scoot zip nip dash",
    "caret cursor pointer marker position place spot point",
    "start beginning top front head outset opening",
    "end bottom finish close tail conclusion foot",
    "bold thick heavy strong dark bolder fat",
    "italic italics slanted slanting slanty sloping sloped leaning cursive",
    "underline underlined underscore underscored",
    "highlight highlighted mark shade shaded fluorescent marker",
    "capitals caps uppercase capital shouting",
    "bullets bullet points dots blobs spots",
    "list lists listing",
    "numbered number numbers numerals",
    "heading title header headline caption banner",
    "larger bigger enlarge grow increase huge enormous",
    "smaller shrink reduce decrease tiny little",
    "centre center middle central",
    "undo reverse revert rewind unmake retract rescind cancel",
    "redo restore reinstate reapply repeat",
    "copy duplicate clone replicate",
    "paste insert drop place",
    "join combine merge unite fuse glue connect",
    "split break divide separate part",
    "paragraph para block passage",
    "word term",
    "sentence line phrase",
    "everything all whole entire lot",
    "find locate search seek",
    "colour color tint paint ink dye",
    "font typeface lettering type",
    "quotes quotation inverted commas speech",
    "brackets parentheses round",
    "plain normal ordinary regular standard",
    "next following after",
    "previous before preceding earlier prior",
    "last final latest",
    "show display reveal view see open",
    "stop end halt quit cease finish",
    "begin start commence open new create make",
)
MEANINGS: dict[str, tuple[str, ...]] = {}
"""For each word the others of its groups, those that the desk knows first in line."""
for _group in _GROUPS:
    _words = _group.split()
    for _word in _words:
        _others = tuple(w for w in _words if w != _word)
        MEANINGS[_word] = (*MEANINGS.get(_word, ()), *_others)
