"""The chain over a journal: each link is the digest of the one before and of its entry, so that no entry can be altered unseen.

    link(i) = sha256(link(i-1) | entry(i) as JSON with sorted keys), its first 32 digits

Whoever writes a file can write a whole new chain: what shows that is a fingerprint of it on paper, the count of entries with the
last link. A chain is begun again, and the old one kept for the fingerprints that were printed of it, where a file's entries are
lifted to a newer form, or where values that make no sense were set aside. Source: linked timestamping, as in textbooks.
"""

from __future__ import annotations

import hashlib
import re
from collections.abc import Iterable, Sequence
from typing import Any

from msgspec import Struct

from honest_lift.facts.book.records import canonical

_DIGITS, _SHOWN = 32, 16
_FINGERPRINT = re.compile(rf"(?P<count>[0-9]{{1,9}})-(?P<shown>[0-9a-f]{{{_SHOWN}}})")  # whole: fewer digits prove less


class Chain(Struct, frozen=True, forbid_unknown_fields=True):
    """The links over a journal's entries, from the first on. `ended`: why it was begun again after it; "" for the one that goes on.

    `broken`: what did not hold as it ended; "" where all of it did.
    """

    links: tuple[str, ...] = ()
    ended: str = ""
    broken: str = ""

    @property
    def fingerprint(self) -> str:
        """Give what is written on paper; "" for an empty chain."""
        return f"{len(self.links)}-{self.links[-1][:_SHOWN]}" if self.links else ""


def extended(chain: Chain, entries: Iterable[Any]) -> Chain:
    """Give a chain with links for more entries, or for what was read of them."""
    return Chain(
        (*chain.links, *links_over(entries, chain.links[-1] if chain.links else "")), chain.ended, chain.broken
    )


def links_over(entries: Iterable[Any], before: str = "") -> list[str]:
    """Give the links over entries that follow a link.

    >>> links_over([{"id": "a"}])[0][:8]
    '8489a5de'
    """
    found = []
    for entry in entries:
        before = hashlib.sha256(before.encode() + canonical(entry)).hexdigest()[:_DIGITS]
        found.append(before)
    return found


def first_broken(chain: Chain, entries: Sequence[Any]) -> int | None:
    """Give the first entry whose link does not hold, by its number from 0, the first missing or the first without a link; None."""
    for i, (link, own) in enumerate(zip(chain.links, links_over(entries), strict=False)):
        if link != own:
            return i
    shorter = min(len(chain.links), len(entries))
    return None if len(chain.links) == len(entries) else shorter


def is_of(fingerprint: str, chains: Iterable[Chain]) -> bool:
    """Tell whether a printed fingerprint is one of some chains at any time. Raises ValueError for what is none."""
    told = _FINGERPRINT.fullmatch(fingerprint.strip().lower())
    if told is None:
        raise ValueError(f"“{fingerprint}” is no fingerprint: it is written like 128-9f86d081884c7d65")
    at = int(told["count"]) - 1
    return any(0 <= at < len(one.links) and one.links[at].startswith(told["shown"]) for one in chains)
