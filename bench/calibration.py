"""Finds the weights of core/reading/decision.py anew, from the half of the speech made for it."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from bench._speech import Heard, heard, outcome, sitting
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading import decision
from nimble_lantern.core.reading.hearing import from_line

NAMES = ("constant", "margin", "coverage", "likeness", "length", "free_words", "said_over")
_RIDGE = 0.05
_STEPS = 30


def examples(heard_lines: Sequence[Heard], command: bool) -> list[tuple[tuple[float, ...], bool]]:
    """(features, whether it was a command) wherever the grammar found one that can be done."""
    found = []
    for one in heard_lines:
        if one.line.held_out or len(one.hearings) != 1:
            continue
        hearing, now = one.hearings[0], sitting(one.line.document, one.line.before)
        weighed = decision.weighed(now, hearing.hypotheses, hearing.commands, hearing.margin)
        if weighed is None:
            continue
        words = from_line(" ".join(weighed.words))
        if command and outcome(now, [words]) != outcome(now, [from_line(one.line.words)]):
            continue  # not the command that was spoken: it teaches nothing
        found.append((weighed.evidence, command))
    return found


def fitted(rows: Sequence[tuple[tuple[float, ...], bool]]) -> list[float]:
    """Weights of a logistic regression with a small ridge, by Newton's method."""
    size = len(rows[0][0])
    weights = [0.0] * size
    for _ in range(_STEPS):
        slope = [-_RIDGE * w for w in weights]
        bend = [[_RIDGE * (i == j) for j in range(size)] for i in range(size)]
        for x, is_command in rows:
            odds = sum(w * f for w, f in zip(weights, x, strict=True))
            p = 1 / (1 + math.exp(-odds))
            for i in range(size):
                slope[i] += (is_command - p) * x[i]
                for j in range(size):
                    bend[i][j] += p * (1 - p) * x[i] * x[j]
        weights = [w + d for w, d in zip(weights, _solved(bend, slope), strict=True)]
    return weights


def _solved(matrix: Sequence[Sequence[float]], right: Sequence[float]) -> list[float]:
    """Gauss and Jordan's elimination with pivots."""
    rows = [[*row, r] for row, r in zip(matrix, right, strict=True)]
    for i in range(len(rows)):
        pivot = max(range(i, len(rows)), key=lambda k: abs(rows[k][i]))
        rows[i], rows[pivot] = rows[pivot], rows[i]
        for k in range(len(rows)):
            if k != i:
                factor = rows[k][i] / rows[i][i]
                rows[k] = [a - factor * b for a, b in zip(rows[k], rows[i], strict=True)]
    return [row[-1] / row[i] for i, row in enumerate(rows)]


def run() -> Iterator[Figure]:
    """The weights, and how far the two kinds lie apart: logarithms of odds."""
    sentences = (*heard("sentences"), *heard("echoes"))
    rows = examples(heard("commands"), True) + examples(sentences, False)
    weights = fitted(rows)
    for name, weight in zip(NAMES, weights, strict=True):
        yield Figure(f"weight_of_{name}", weight, "log odds")
    odds = [(sum(w * f for w, f in zip(weights, x, strict=True)), kind) for x, kind in rows]
    text = sorted((o for o, kind in odds if not kind), reverse=True)
    commands = sorted(o for o, kind in odds if kind)
    for n in (0, 1, 2, 4):
        yield Figure(f"sentence_{n}_from_the_top", text[n], "log odds")
    for n in (0, 3, 6, 12):
        yield Figure(f"command_{n}_from_the_bottom", commands[n], "log odds")
