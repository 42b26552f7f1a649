"""A newcomer's missing step fails here, with what to do."""

from __future__ import annotations

import inspect
import re
import unittest

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.errors import CatalogueError
from nimble_lantern.core.grammar.catalogue import GROUPS, Catalogue
from nimble_lantern.core.grammar.export import Network, Page, bundled, either, filled, skeleton
from nimble_lantern.core.state import Sitting


class Completeness(unittest.TestCase):
    def test_every_pattern_adds_up_and_asks_for_rules_that_are_there(self) -> None:
        CATALOGUE.grammar.check()

    def test_every_command_has_help_an_example_and_a_group(self) -> None:
        for name, made in CATALOGUE.commands.items():
            self.assertTrue(made.summary.endswith("."), f"{name}: its help is a sentence")
            self.assertIn(made.group, GROUPS, f"{name}: put it in a group of GROUPS")
            self.assertTrue(made.example.islower(), f"{name}: an example is as spoken")

    def test_every_example_is_read_as_its_own_command_first(self) -> None:
        for name, made in CATALOGUE.commands.items():
            parses = CATALOGUE.parses(made.example.split())
            self.assertTrue(parses, f"{name}: “{made.example}” matches no pattern")
            # While a word is spelled, only what is said of its letters counts.
            first = next(p for p in parses if p.command.traits.spells == made.traits.spells)
            self.assertEqual(first.command.name, name, f"“{made.example}”")

    def test_a_handler_takes_whatever_its_patterns_name(self) -> None:
        for name, made in CATALOGUE.commands.items():
            taken = set(inspect.signature(made.handler).parameters) - {"sitting"}
            for pattern in made.patterns:
                slots = re.findall(r"\{(\w+)(?::\w+)?\}", pattern)
                self.assertLessEqual(set(slots), taken, f"{name}: {pattern}")

    def test_there_is_a_command_of_every_family(self) -> None:
        self.assertGreaterEqual(len(CATALOGUE.commands), 25)
        self.assertEqual({c.group for c in CATALOGUE.commands.values()}, set(GROUPS))

    def test_what_destroys_says_so(self) -> None:
        for name in ("deleting.delete", "replacing.replace_with", "clipboard.cut", "history.undo"):
            self.assertTrue(CATALOGUE.commands[name].traits.destructive, name)


class Registering(unittest.TestCase):
    def test_a_command_without_a_docstring_is_refused(self) -> None:
        def silent(sitting: Sitting) -> None: ...

        with self.assertRaisesRegex(CatalogueError, "docstring"):
            Catalogue().command("hush", example="hush", group="desk")(silent)

    def test_a_pattern_that_may_leave_out_what_is_needed_is_refused(self) -> None:
        def hush(sitting: Sitting, target: object) -> None:
            """Hush."""

        with self.assertRaisesRegex(CatalogueError, "may leave out target"):
            Catalogue().command("hush [(it | {target})]", example="hush", group="desk")(hush)

    def test_an_unknown_group_is_refused(self) -> None:
        def hush(sitting: Sitting) -> None:
            """Hush."""

        with self.assertRaisesRegex(CatalogueError, "group"):
            Catalogue().command("hush", example="hush", group="nowhere")(hush)


def accepts(net: Network, said: str) -> bool:
    """Whether these words are a path, silent arcs followed once after each."""
    arcs: dict[tuple[int, str | None], set[int]] = {}
    for a, b, word in net.arcs:
        arcs.setdefault((a, word), set()).add(b)

    def rest(states: set[int]) -> set[int]:
        return states | {b for s in states for b in arcs.get((s, None), ())}

    states = rest({net.start})
    for word in said.split():
        states = rest({b for s in states for b in arcs.get((s, word), ())})
    return net.final in states


class Bundled(unittest.TestCase):
    """Arcs that many states share stand once, and say the same."""

    VERBS, NAMES = ("bold", "select", "delete"), tuple(f"word{c}" for c in "abcdefghij")

    def setUp(self) -> None:
        self.net = Network()
        self.net.start, self.net.final = self.net.state(), self.net.state()
        for verb in self.VERBS:
            here = self.net.state()
            self.net.arc(self.net.start, here, verb)
            for name in self.NAMES:
                self.net.arc(here, self.net.final, name)
        self.net.arc(here, self.net.final, "back")  # of the last verb alone
        self.made = bundled(self.net)

    def test_there_are_fewer_arcs_for_the_same_words(self) -> None:
        self.assertLess(len(self.made.arcs), len(self.net.arcs) * 0.7)
        for verb in self.VERBS:
            for name in (*self.NAMES, "back", "wordk"):
                said = f"{verb} {name}"
                with self.subTest(said):
                    self.assertEqual(accepts(self.made, said), accepts(self.net, said))

    def test_each_word_is_as_likely_as_it_was(self) -> None:
        silent = {(a, b): share for (a, b, w), share in self.made.weights.items() if w is None}
        for (_, hub), share in silent.items():
            ways = sum(a == hub for a, _, _ in self.made.arcs)
            here = 11 if share < 1 else 10
            self.assertAlmostEqual(share / ways, 1 / here)

    def test_what_would_save_nothing_stays_as_it_is(self) -> None:
        net = Network()
        net.start, net.final = net.state(), net.state()
        net.arc(net.start, net.final, "undo")
        self.assertEqual(bundled(net).arcs, net.arcs)


class Exported(unittest.TestCase):
    """The network for recognisers says what the grammar says, with the page in its slots."""

    @classmethod
    def setUpClass(cls) -> None:
        words = [(("the",),), (("harbour",),), (("board",),)]
        cls.page = Page([words], {"document": [("rota",)], "script": [("tea",)]}, {"boat": 0.5})
        cls.net = filled(skeleton(CATALOGUE.grammar, CATALOGUE.named), cls.page)

    def accepts(self, said: str) -> bool:
        return accepts(self.net, said)

    def test_commands_with_words_in_view_are_paths(self) -> None:
        for said in (
            "bold the harbour board",
            "bold harbour",
            "delete the last twenty three words",
            "replace the harbour with boat",
            "open rota",
            "undo that",
            "go to the end",
        ):
            self.assertTrue(self.accepts(said), said)

    def test_words_out_of_view_are_not(self) -> None:
        for said in ("bold the kitchen", "bold board the", "open minutes", "the harbour board"):
            self.assertFalse(self.accepts(said), said)

    def test_what_is_skipped_is_no_path_and_nothing_else_is_lost(self) -> None:
        bare = skeleton(
            CATALOGUE.grammar, CATALOGUE.named, skip=("choosing.choose", "choosing.choose_last")
        )
        net = filled(bare, self.page)
        for said in ("choose two", "number three", "the last one", "align three"):
            self.assertFalse(accepts(net, said), said)
        for said in ("bold the harbour board", "undo that", "select the harbour", "both of them"):
            self.assertTrue(accepts(net, said), said)

    def test_either_of_two_networks_is_heard_as_likely_as_it_is_told(self) -> None:
        skip = CATALOGUE.commands.keys() - {"choosing.choose"}
        choices = filled(skeleton(CATALOGUE.grammar, CATALOGUE.named, skip=skip), Page())
        net = either(choices, self.net, 0.5)
        for said in ("choose two", "the second one", "two", "bold the harbour board", "open rota"):
            self.assertTrue(accepts(net, said), said)
        for said in ("bold the kitchen", "choose open rota", "choose two choose two", ""):
            self.assertFalse(accepts(net, said), said)
        self.assertEqual(len(net.arcs), len(set(net.arcs)))
        silent = [net.weights[arc] for arc in net.arcs if arc[0] == net.start]
        self.assertEqual(silent.count(0.5), 2)
        self.assertTrue(all(0 < share <= 0.5 for share in silent))
        kept = sum(share is not None for share in self.net.weights.values())
        self.assertGreaterEqual(len(net.weights), kept)
