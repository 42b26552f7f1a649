"""What the network for recognisers accepts beyond the commands."""

from __future__ import annotations

import unittest
from collections.abc import Iterator

from nimble_lantern.core.grammar.export import Network, with_wordings
from nimble_lantern.core.learning import GAP


class OwnWordings(unittest.TestCase):
    def test_a_speakers_wording_is_a_path_with_the_page_in_its_gap(self) -> None:
        net = Network()
        net.start, net.final = net.state(), net.state()
        texts = [[(("old",),), (("lamp",),)]]
        made = with_wordings(net, [("zap", GAP, "now"), ("tidy", "up"), (GAP, "gone")], texts)
        said = set(_accepted(made))
        self.assertEqual(said, {"zap old now", "zap lamp now", "zap old lamp now", "tidy up"})


def _accepted(net: Network) -> Iterator[str]:
    """All that a network without circles accepts."""
    todo: list[tuple[int, tuple[str, ...]]] = [(net.start, ())]
    while todo:
        state, words = todo.pop()
        if state == net.final:
            yield " ".join(words)
        todo += [(b, (*words, w) if w else words) for a, b, w in net.arcs if a == state]
