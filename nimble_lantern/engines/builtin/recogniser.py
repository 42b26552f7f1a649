"""Two decodings of the same sound, side by side: the command grammar and the language model."""

from __future__ import annotations

import threading
from functools import cache

from wordfreq import top_n_list

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.grammar.export import Network, Page, filled, skeleton
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.writing.spoken import spoken_forms
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.decoder import Decoded
from nimble_lantern.engines.builtin.worker import Worker

MOST_WORDS_IN_VIEW = 400
_FREE_WORDS = 150
_FORMS = 2


@cache
def _skeleton(resting: bool) -> Network:
    waking = {c.name for c in CATALOGUE.commands.values() if c.while_resting}
    skip = set(CATALOGUE.commands) - waking if resting else set()
    return skeleton(CATALOGUE.grammar, skip=skip)


@cache
def _common_words() -> tuple[str, ...]:
    return tuple(w for w in top_n_list("en", _FREE_WORDS) if w.isalpha() and w.isascii())


def grammar_for(scene: Scene) -> Network:
    """The network of everything that can be said now."""
    if scene.resting:
        return filled(_skeleton(True), Page())
    texts, room, seen = [], MOST_WORDS_IN_VIEW, set()
    for text in scene.view:
        words = text.split()[:room]
        room -= len(words)
        forms = [tuple(_sayable(w)) for w in words]
        texts.append([f for f in forms if f])
        seen.update(w for f in forms for form in f for w in form)
    names = [tuple(spoken_forms(w)[0] for w in name.split()) for name in scene.documents]
    scripts = [tuple(spoken_forms(w)[0] for w in name.split()) for name in scene.scripts]
    free = tuple(dict.fromkeys((*sorted(seen), *_common_words())))
    page = Page(
        texts,
        [tuple(w for part in n for w in part) for n in names],
        [tuple(w for part in n for w in part) for n in scripts],
        free,
    )
    return filled(_skeleton(False), page)


def _sayable(word: str) -> list[tuple[str, ...]]:
    bare = word.strip(".,;:!?…“”‘’\"'()[]{}—–")
    if not bare:
        return []
    return [f for f in spoken_forms(bare)[:_FORMS] if all(w.isascii() for w in f)]


class BuiltIn:
    """The engine behind `hear` and the desk: one dictation and one command decoder."""

    def __init__(self) -> None:
        self.dictation, self.command = Worker("dictation"), Worker("command")
        self.lock = threading.RLock()
        self._scene: Scene | None = None

    def look(self, scene: Scene) -> None:
        """Listen for what this scene allows, from the next utterance on."""
        if scene == self._scene:
            return
        self._scene = scene
        net = grammar_for(scene)
        self.command.grammar(net.arcs, net.start, net.final)

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        with self.lock:
            self.look(scene)
            self.dictation.ask_whole(sound)
            self.command.ask_whole(sound)
            return self._hearing(self.dictation.result(), self.command.result())

    def begin(self, scene: Scene) -> None:
        """An utterance begins in a live stream."""
        self.look(scene)
        self.dictation.start()
        self.command.start()

    def sound(self, sound: bytes) -> None:
        self.dictation.sound(sound)
        self.command.sound(sound)

    @property
    def partial(self) -> str:
        return self.dictation.partial

    def end(self) -> Hearing:
        self.dictation.ask_end()
        self.command.ask_end()
        return self._hearing(self.dictation.result(), self.command.result())

    def _hearing(self, text: Decoded, command: Decoded) -> Hearing:
        best = command.hypotheses[0] if command.hypotheses else None
        margin = command.score - text.score if best and text.hypotheses else None
        resting = self._scene is not None and self._scene.resting
        if best and not text.hypotheses:
            best = None
        return Hearing(() if resting else text.hypotheses, best, margin, source="built-in")

    def close(self) -> None:
        self.dictation.close()
        self.command.close()
