"""Where a limit or a tolerance is from, as the window says it; the exact words stand in the code and in docs/."""

from __future__ import annotations

import re

from honest_lift.facts.limits import ORIGINS, Origin

ORIGIN_WORDS: dict[Origin, str] = {one: "built-in default" if one == "profile" else one for one in ORIGINS}
_UNPUBLISHED = re.compile(r"common practice|from memory", re.IGNORECASE)


def published(source: str) -> str:
    """Say whether a figure has a published source.

    >>> published("common practice, no source"), published("card no. 3")
    ('no published source', 'card no. 3')
    """
    return "no published source" if _UNPUBLISHED.search(source) else source


def origin_of(words: str) -> Origin:
    """Give the origin that is said in these words; StopIteration for none.

    >>> origin_of("built-in default"), origin_of("shop")
    ('profile', 'shop')
    """
    return next(one for one, said in ORIGIN_WORDS.items() if said == words)
