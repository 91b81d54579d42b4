"""Trials kept with an engine: named lists of changes that nobody has made yet."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.facts.changes import Change


class Trial(Struct, frozen=True, forbid_unknown_fields=True):
    """Changes that are tried together, under a name."""

    id: str
    name: str
    changes: tuple[Change, ...] = ()
