"""The network of the grammar is kept from start to start."""

from __future__ import annotations

import os
import tempfile
import unittest
from pathlib import Path
from unittest import mock

from nimble_lantern.core.grammar.automaton import Grammar
from nimble_lantern.core.grammar.export import Network, skeleton
from nimble_lantern.engines.builtin.kept import CACHE_VARIABLE, kept


class Kept(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name) / "cache"
        around = mock.patch.dict(os.environ, {CACHE_VARIABLE: str(self.folder)})
        around.start()
        self.addCleanup(around.stop)
        self.made = 0
        self.grammar = Grammar()
        self.grammar.add("command", "(bold | italicise) the word", dict)

    def network(self) -> Network:
        def make() -> Network:
            self.made += 1
            return skeleton(self.grammar)

        return kept(self.grammar, (), make)

    def test_it_is_made_once_and_read_again_the_same(self) -> None:
        first, again = self.network(), self.network()
        self.assertEqual(self.made, 1)
        self.assertEqual(first, again)

    def test_another_grammar_has_another(self) -> None:
        self.network()
        self.grammar.add("command", "underline the word", dict)
        self.assertIn("underline", self.network().vocabulary())
        self.assertEqual(self.made, 2)
        self.assertEqual(len(list(self.folder.iterdir())), 1)

    def test_a_damaged_file_is_made_anew(self) -> None:
        self.network()
        [file] = self.folder.iterdir()
        for text in ("", "{", '{"arcs": 3}', '{"size":1,"start":0,"final":0,"arcs":[[0,9,"a"]]}'):
            file.write_text(text)
            self.assertIn("bold", self.network().vocabulary())

    def test_where_nothing_can_be_written_it_is_made_each_time(self) -> None:
        self.folder.parent.mkdir(exist_ok=True)
        self.folder.write_text("a file")
        self.network()
        self.assertIn("bold", self.network().vocabulary())
        self.assertEqual(self.made, 2)
