"""How common English words are: what wordfreq tells.

The package takes longer to load than most commands to run, and few of them ask.
"""

from __future__ import annotations

from functools import lru_cache


@lru_cache(maxsize=65_536)
def zipf(word: str) -> float:
    """The base-10 logarithm of how often a word comes in a thousand million; 0 if it never does.

    The scale is that of van Heuven, Mandera, Keuleers and Brysbaert (2014).
    """
    from wordfreq import zipf_frequency

    return zipf_frequency(word, "en")


def commonest(count: int) -> list[str]:
    """So many of the commonest words, the commonest first."""
    from wordfreq import top_n_list

    return top_n_list("en", count)


def frequencies() -> dict[str, float]:
    """All words of plain letters that are known, with the share of each in texts."""
    from wordfreq import get_frequency_dict

    known = get_frequency_dict("en", "large")
    return {word: share for word, share in known.items() if word.isascii() and word.isalpha()}
