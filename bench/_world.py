"""Documents of any size from the sample world's words, the same for every run."""

from __future__ import annotations

import random

from nimble_lantern.core.document.model import Block, Document

_SUBJECTS = (
    "the ferry crew", "the lamp room", "Ida Marlowe", "the harbour", "the oil store", "the tower",
    "Osric Pell", "the kitchen door", "the early boat", "the tide", "the surveyor", "the cat",
)  # fmt: skip
_VERBS = ("waits for", "looks after", "was told of", "stands near", "remembers", "comes to see")
_ENDS = ("on the quay", "before June", "in the winter", "by the steps", "at half past seven", "")


def document(words: int, seed: int = 7, planted: tuple[str, int] = ("", 0)) -> Document:
    """About so many words in paragraphs of some sixty; `planted` puts in a phrase so many times."""
    rng = random.Random(seed)
    blocks: list[str] = []
    total = 0
    while total < words:
        sentences = []
        for _ in range(6):
            parts = (rng.choice(_SUBJECTS), rng.choice(_VERBS), rng.choice(_SUBJECTS))
            text = " ".join((*parts, rng.choice(_ENDS))).strip()
            sentences.append(text[0].upper() + text[1:] + ".")
            total += len(text.split())
        blocks.append(" ".join(sentences))
    phrase, times = planted
    for n in range(times):
        at = n * len(blocks) // times
        blocks[at] += f" We wrote to {phrase} again."
    return Document(tuple(Block(text) for text in blocks))
