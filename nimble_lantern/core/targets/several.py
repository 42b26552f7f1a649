"""All parts that a description fits: "every sentence about the tent", "the rows with blue"."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import rule
from nimble_lantern.core.targets.model import Each, EmptyCell, Holding, Target, Unit, Words

_SAYING = (
    "(with | about | containing | mentioning | that are about | on | saying"
    " | (that | which | where it) (say | says | have | has | contain | contains | mention"
    " | mentions)"
    " | where it is | having | to do with | concerning)"
)
_EVERY = "(every [single] | each [of the] | each and every | any)"
_ALL = "(all [of] [the] | the | both | both [of] the)"


@rule("target", f"{_EVERY} {{of:described}}", heard=False)
def _each_described(of: Target) -> Each | None:
    return Each(of) if isinstance(of, Holding) else None


@rule(
    "target",
    f"{_ALL} {{unit:units}} {_SAYING} [the (word | words)] {{words}} [in (it | them)]",
    f"{_EVERY} {{unit}} {_SAYING} [the (word | words)] {{words}} [in it]",
    heard=False,
)
def _all_with(unit: Unit, words: tuple[str, ...]) -> Each | None:
    return None if unit in (Unit.DOCUMENT, Unit.CHARACTER) else Each(Holding(unit, Words(words)))


@rule("target", "(all [of] [the] | the) {words} cells", "(every | each) {words} cell", heard=False)
def _cells_so_called(words: tuple[str, ...]) -> Each:
    return Each(Holding(Unit.CELL, Words(words)))


@rule("target", "(all [of] [the] | the) {words} rows", "(every | each) {words} row", heard=False)
def _rows_so_called(words: tuple[str, ...]) -> Each:
    return Each(Holding(Unit.ROW, Words(words)))


@rule(
    "target",
    "(every | each | all | all the | the | any) (empty | blank | free) (cells | cell)"
    " [(in | of) (the | this) table]",
    heard=False,
)
def _empty_cells() -> Each:
    return Each(EmptyCell())
