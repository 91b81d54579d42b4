"""The migration chain of the engine file: one function a version, each lifting a raw document to the next."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from msgspec import to_builtins

from honest_lift.facts.limits import schools_of

Raw = dict[str, Any]
CURRENT = 2


def _to_second(raw: Raw) -> Raw:
    """Version 2 adds fields, and a check whose default limit the first version could not hold."""
    engine = raw.get("engine")
    limits = engine.get("limits") if isinstance(engine, dict) else None
    if isinstance(limits, list) and not any(
        isinstance(one, dict) and one.get("check") == "retainer_seal" for one in limits
    ):
        limits.append(to_builtins(schools_of("retainer_seal")[0].limit))
    return raw


CHAIN: Mapping[int, Callable[[Raw], Raw]] = {1: _to_second}  # from version: function


def migrate(raw: Raw, version: int, chain: Mapping[int, Callable[[Raw], Raw]] = CHAIN, current: int = CURRENT) -> Raw:
    """Lift a raw document from its version to the current one. Raises KeyError for a version nobody wrote."""
    while version < current:
        raw = chain[version](raw)
        version += 1
    return raw
