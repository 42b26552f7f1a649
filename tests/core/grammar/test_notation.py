from __future__ import annotations

import unittest

from nimble_lantern.core.errors import CatalogueError
from nimble_lantern.core.grammar.automaton import Grammar
from nimble_lantern.core.grammar.notation import Choice, Sequence, Slot, Word, parse
from nimble_lantern.core.grammar.terminals import TERMINALS


class Notation(unittest.TestCase):
    def test_words_options_groups_and_slots(self) -> None:
        self.assertEqual(parse("bold {target}"), Sequence((Word("bold"), Slot("target", "target"))))
        self.assertEqual(parse("(a | b)"), Choice((Word("a"), Word("b"))))
        self.assertEqual(parse("[the]"), Choice((Word("the"), Sequence(()))))
        self.assertEqual(parse("{x:words}"), Slot("words", "x"))
        self.assertEqual(parse("<unit>"), Slot("unit", None))

    def test_what_does_not_add_up_is_named(self) -> None:
        for wrong in ("(a | b", "a ]", "[a", "a )", "{a"):
            with self.assertRaises(CatalogueError):
                parse(wrong)


class Matching(unittest.TestCase):
    def grammar(self, *patterns: str) -> Grammar:
        grammar = Grammar()
        grammar.terminals.update(TERMINALS)
        for pattern in patterns:
            grammar.add("top", pattern, lambda pattern=pattern, **found: (pattern, found))
        return grammar

    def test_a_pattern_matches_its_words_and_nothing_else(self) -> None:
        grammar = self.grammar("(go | move) [back] to the end")
        for said in ("go to the end", "move back to the end"):
            self.assertEqual(len(grammar.parses("top", said.split())), 1)
        for said in ("go to the", "go to the end now", "back to the end", "go go to the end"):
            self.assertEqual(grammar.parses("top", said.split()), [])

    def test_options_of_one_pattern_do_not_leak_into_another(self) -> None:
        grammar = self.grammar("a (b | c)", "a d")
        self.assertEqual([f.value[0] for f in grammar.parses("top", ["a", "d"])], ["a d"])

    def test_all_readings_are_found_the_most_literal_first(self) -> None:
        grammar = self.grammar("say {x:words}", "say {n:number} {x:words}", "say two boats")
        found = grammar.parses("top", "say two boats".split())
        self.assertEqual([f.free for f in found], [0, 1, 2])
        self.assertEqual(found[1].value[1], {"n": 2, "x": ("boats",)})

    def test_a_pattern_may_stand_only_once(self) -> None:
        with self.assertRaises(CatalogueError):
            self.grammar("a b", "a  b")

    def test_a_rule_that_nobody_defined_is_named(self) -> None:
        with self.assertRaisesRegex(CatalogueError, "nobody"):
            self.grammar("a {nothing}").check()
