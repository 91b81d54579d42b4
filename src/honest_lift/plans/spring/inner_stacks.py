"""Shims under the inner members of a nest, where what lies under the outer does not reach under them too."""

from __future__ import annotations

from itertools import combinations_with_replacement

from honest_lift.checks.valves import more_under_outer
from honest_lift.facts.engine import Engine

INNER_MM = 0.1  # an inner member that far off its height is told. From memory
_MOST = 3


def inner_stack(
    engine: Engine, position: str, spring: str, outer_mm: tuple[float, ...], more_mm: float
) -> tuple[float, ...] | None:
    """Give the stack that keeps the inner members as they stand against the outer; None where one stack serves both.

    Shims that fit both lie under both; what only fits the outer is matched by what fits the inner. `more_mm`: how much
    more lies under the outer now.
    """
    card = engine.card_of(spring)
    if card is None or len(card.members) < 2:
        return None
    both = {one.thickness_mm for one in engine.shim_stock if one.fits == "both"}
    shared = tuple(one for one in outer_mm if one in both)
    alone = engine.fitted("inner shims", position) is not None
    if not alone and len(shared) == len(outer_mm):
        return None
    wanted = sum(outer_mm) - more_mm - sum(shared)
    sizes = [one.thickness_mm for one in engine.shim_stock if one.fits == "inner" and one.count != 0]
    stacks = [one for n in range(_MOST + 1) for one in combinations_with_replacement(sizes, n)]
    return shared + min(stacks, key=lambda one: (round(abs(sum(one) - wanted), 6), len(one)))


def inner_error(engine: Engine, position: str, outer_mm: tuple[float, ...], inner_mm: tuple[float, ...]) -> float:
    """Give how far the inner members then stand off the height they have against the outer now, in mm."""
    return sum(outer_mm) - sum(inner_mm) - more_under_outer(engine, position)
