"""What the automaton of a rule begins with, and that an utterance is matched once."""

from __future__ import annotations

import threading
import unittest
from collections.abc import Iterator, Sequence
from typing import Any

from nimble_lantern.core.grammar.automaton import Grammar
from nimble_lantern.core.grammar.catalogue import CATALOGUE


def grammar() -> Grammar:
    made = Grammar()
    made.add("colour", "(red | blue)", lambda: "colour")
    made.add("thing", "the {words}", lambda words: words)
    made.add("thing", "it", lambda: ("it",))
    made.add("part", "half of {part}", lambda part: part)
    made.add("part", "{thing}", lambda thing: thing)
    made.add("maybe", "[please]", lambda: None)
    made.add("paint", "paint {part} {colour}", lambda part, colour: (part, colour))
    made.add("paint", "{colour} {part}", lambda colour, part: (part, colour))
    made.terminals["words"] = some_words
    return made


def some_words(words: Sequence[str], start: int) -> Iterator[tuple[int, Any, int]]:
    for end in range(start + 1, len(words) + 1):
        yield end, tuple(words[start:end]), end - start


class Beginning(unittest.TestCase):
    def test_a_rule_begins_with_its_words_and_with_those_of_its_first_slots(self) -> None:
        made = grammar()
        self.assertEqual(made.begin("part"), {"half", "the", "it"})
        self.assertEqual(made.begin("paint"), {"paint", "red", "blue"})

    def test_any_word_may_begin_free_words_and_what_may_be_left_out(self) -> None:
        made = grammar()
        self.assertIsNone(made.begin("words"))
        self.assertIsNone(made.begin("maybe"))

    def test_a_rule_that_is_added_to_begins_with_more(self) -> None:
        made = grammar()
        self.assertEqual(made.begin("colour"), {"red", "blue"})
        made.add("colour", "green", lambda: "colour")
        self.assertEqual(made.begin("colour"), {"red", "blue", "green"})
        self.assertEqual(len(made.parses("paint", ("green", "it"))), 1)

    def test_what_is_understood_begins_as_its_rule_is_said_to(self) -> None:
        for name, command in CATALOGUE.commands.items():
            words = tuple(command.example.split())
            begin = CATALOGUE.grammar.begin("command")
            self.assertTrue(begin is None or words[0] in begin, name)
            self.assertTrue(CATALOGUE.parses(words), name)


class Matching(unittest.TestCase):
    def test_an_utterance_is_matched_once_whatever_reads_it(self) -> None:
        made = grammar()
        words = ("paint", "half", "of", "the", "old", "boat", "red")
        self.assertIs(made.match(words), made.match(list(words)))
        (found,) = made.parses("paint", words)
        self.assertEqual(found.value, (("old", "boat"), "colour"))
        self.assertEqual(made.parses("paint", words), [found])

    def test_only_the_last_utterances_are_kept(self) -> None:
        made = grammar()
        first = made.match(("red", "it"))
        for n in range(100):
            made.match((str(n),))
        self.assertIsNot(made.match(("red", "it")), first)

    def test_each_thread_matches_for_itself(self) -> None:
        made = grammar()
        kept = [made.match(("it",))]
        thread = threading.Thread(target=lambda: kept.append(made.match(("it",))))
        thread.start()
        thread.join()
        self.assertIsNot(kept[0], kept[1])
        self.assertEqual([f.value for f in kept[1].at("part", 0)], [("it",)])
