"""Write the names of everybody and everywhere: `python -m tools.learn_names LISTS > names.txt`.

LISTS are word lists with a word a line, of which those with "huge" in their name tell what is a
word in small letters as well; of the others come the names.  Made from SCOWL (Kevin Atkinson,
2020.12.07) as Debian's wbritish-large, wamerican-large, wbritish-huge and wamerican-huge have it.
"""

from __future__ import annotations

import re
import sys
from collections.abc import Iterable
from pathlib import Path

_NAME = re.compile(r"[A-Z][a-z]{3,}")
"""Shorter ones are abbreviations, or beginnings of words."""
_NOTICE = """\
# Names that are no other word, from SCOWL 2020.12.07.  Copyright 2000-2018 by Kevin Atkinson.
# Permission to use, copy, modify, distribute and sell these word lists, the associated scripts, the
# output created from the scripts, and its documentation for any purpose is hereby granted without
# fee, provided that the above copyright notice appears in all copies and that both that copyright
# notice and this permission notice appear in supporting documentation.  Kevin Atkinson makes no
# representations about the suitability of this array for any purpose.  It is provided "as is"
# without express or implied warranty.  (Its parts are in the public domain or as free.)
"""


def names(of_names: Iterable[str], of_words: Iterable[str]) -> list[str]:
    """The names of one list that are no word in small letters in another, in order."""
    small = {word for word in of_words if word.islower()}
    found = {word for word in of_names if _NAME.fullmatch(word) and word.lower() not in small}
    return sorted(found)


def main(paths: list[Path]) -> None:
    lists = [(path, path.read_text(encoding="utf-8").split()) for path in paths]
    huge = [word for path, words in lists if "huge" in path.name for word in words]
    large = [word for path, words in lists if "huge" not in path.name for word in words]
    print(_NOTICE + "\n".join(names(large, [*huge, *large])))


if __name__ == "__main__":
    main([Path(path) for path in sys.argv[1:]])
