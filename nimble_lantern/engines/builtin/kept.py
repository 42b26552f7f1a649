"""A network that takes seconds to make, kept on the disk for the next start.

It is known by what it was made from: the patterns of the grammar and the code that makes it.  A
file that is damaged, or cannot be written, costs the time to make it anew, and nothing else.
"""

from __future__ import annotations

import hashlib
import json
import os
from collections.abc import Callable, Iterable
from contextlib import suppress
from pathlib import Path

from platformdirs import user_cache_path

from nimble_lantern.core.grammar import automaton, export
from nimble_lantern.core.grammar.automaton import Grammar
from nimble_lantern.core.grammar.export import Network

CACHE_VARIABLE = "LANTERN_CACHE"
_PRIVATE = 0o600


def folder() -> Path:
    """Where networks are kept: LANTERN_CACHE, or the user's own cache folder."""
    named = os.environ.get(CACHE_VARIABLE)
    return Path(named) if named else user_cache_path("nimble-lantern")


def kept(grammar: Grammar, skip: Iterable[str], make: Callable[[], Network]) -> Network:
    """The network that `make` makes of a grammar without some commands, from the disk if it can."""
    path = folder() / f"network-{_fingerprint(grammar, skip)}.json"
    with suppress(OSError, ValueError, TypeError, KeyError):
        return _read(path)
    made = make()
    with suppress(OSError):
        _write(path, made)
    return made


def _fingerprint(grammar: Grammar, skip: Iterable[str]) -> str:
    found = hashlib.sha256()
    for rule, productions in sorted(grammar.productions.items()):
        for p in productions:
            owner = getattr(p.owner, "name", "")
            found.update(f"{rule}\t{p.pattern}\t{p.heard}\t{owner}\n".encode())
    found.update("\n".join(sorted(skip)).encode())
    for module in (automaton, export):
        found.update(Path(str(module.__file__)).read_bytes())
    return found.hexdigest()[:32]


def _read(path: Path) -> Network:
    data = json.loads(path.read_text(encoding="utf-8"))
    arcs = [(int(a), int(b), None if w is None else str(w)) for a, b, w in data["arcs"]]
    size, start, final = (int(data[name]) for name in ("size", "start", "final"))
    if not all(0 <= n < size for a, b, _ in arcs for n in (a, b)):
        raise ValueError("an arc leads out of the network")
    weights = {arcs[int(n)]: float(share) for n, share in data["weights"]}
    return Network(arcs, size, start, final, weights)


def _write(path: Path, net: Network) -> None:
    numbers = {arc: n for n, arc in enumerate(net.arcs)}
    data = {
        "size": net.size,
        "start": net.start,
        "final": net.final,
        "arcs": net.arcs,
        "weights": [(numbers[arc], share) for arc, share in net.weights.items() if arc in numbers],
    }
    path.parent.mkdir(parents=True, exist_ok=True)
    for old in path.parent.glob("network-*.json"):
        old.unlink(missing_ok=True)
    new = path.with_suffix(f".new-{os.getpid()}")
    new.write_text(json.dumps(data, separators=(",", ":")), encoding="utf-8")
    new.chmod(_PRIVATE)
    new.replace(path)
