"""The migration chain of the engine file: one function a version, each lifting a raw document to the next."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

Raw = dict[str, Any]
CURRENT = 2


def _as_it_is(raw: Raw) -> Raw:
    """Version 2 only adds: what else was typed, reference springs and calibrations, how a tool is kept true."""
    return raw


CHAIN: Mapping[int, Callable[[Raw], Raw]] = {1: _as_it_is}  # from version: function


def migrate(raw: Raw, version: int, chain: Mapping[int, Callable[[Raw], Raw]] = CHAIN, current: int = CURRENT) -> Raw:
    """Lift a raw document from its version to the current one. Raises KeyError for a version nobody wrote."""
    while version < current:
        raw = chain[version](raw)
        version += 1
    return raw
