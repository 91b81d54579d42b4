"""The decision rule: what may be said of a figure with doubt against a limit.

Guarded acceptance and guarded rejection (ISO 14253-1; JCGM 106:2012, 8.3). With the margin m, the distance to
the nearest limit, positive inside, and the expanded doubt U:

    passes  m >= U        fails  m < -U        close  between, and the side is said

A figure without any doubt is one whose doubt nobody stated: it never passes either.
A figure resting on anything assumed, missing, stale, extrapolated or predicted never passes. It fails only
where every point of the assumed ranges lies beyond the same limit by more than U. The one exception the
other way: against a limit on one side, an assumed range whose worst end is a physical bound is proven in its
safe direction; in a window too, where both ends of every range are such bounds (a gauge that goes and one that does not).
"""

from __future__ import annotations

import numpy as np
from msgspec import Struct
from numpy.typing import NDArray

from honest_lift.numbers.doubt import SCAN, Array, Figure, Ground
from honest_lift.numbers.verdict import Verdict

_EDGE = 1e-9  # an edge counts as met within this share of the figure (or this much, below one)
BARS = int(
    Ground.MISSING
    | Ground.ASSUMED
    | Ground.UNRANGED
    | Ground.STALE
    | Ground.EXTRAPOLATED
    | Ground.PREDICTED
    | Ground.UNTOLERATED
    | Ground.NO_TOOL
    | Ground.UNSOUND
    | Ground.SET_ASIDE
    | Ground.UNREAD
    | Ground.SUSPECT
    | Ground.PENDING
)


class Decision(Struct, frozen=True, eq=False):
    """What the rule says, over cases (n,).

    `provisional` is what it would be if all were measured as it stands; `least` and `most` are the smallest
    and largest margin over the assumed ranges; `narrow`: the window is less than 2 U wide, so that no reading
    with this tool can prove it.
    """

    margin: Array
    expanded: Array
    verdict: NDArray[np.int64]
    provisional: NDArray[np.int64]
    least: Array
    most: Array
    narrow: NDArray[np.bool_]


def decide(figure: Figure, lowest: Array, highest: Array) -> Decision:
    """Judge a figure (n,) against limits (n,); NaN where a limit does not exist on that side.

    >>> from honest_lift.numbers.doubt import exact
    >>> decide(exact(np.array([1.7])), np.array([1.5]), np.array([np.nan])).verdict
    array([2])
    """
    value, expanded = figure.value, figure.expanded
    above, below = _margins(value, lowest, highest)
    margin = np.fmin(above, below)
    edge = _EDGE * np.maximum(1.0, np.abs(value))
    known = np.isfinite(margin) & np.isfinite(expanded)

    provisional = np.full(value.shape, int(Verdict.UNPROVEN))
    provisional[known] = np.select(
        [margin[known] >= expanded[known] - edge[known], margin[known] < -expanded[known] - edge[known]],
        [int(Verdict.PASSES), int(Verdict.FAILS)],
        int(Verdict.CLOSE),
    )
    exact = (expanded == 0.0) & ~figure.assumed.any(axis=0)  # no figure is: a doubt was left out
    provisional[exact & (provisional == int(Verdict.PASSES))] = int(Verdict.UNPROVEN)
    grid_above, grid_below = _margins(figure.grid, lowest, highest)
    grid = np.fmin(grid_above, grid_below)
    barred = figure.ground & BARS
    verdict = np.where(barred != 0, int(Verdict.UNPROVEN), provisional)

    only_assumed = (barred == int(Ground.ASSUMED)) & known & np.isfinite(grid).all(axis=0)
    beyond = [np.all(side < -expanded - edge, axis=0) for side in (grid_above, grid_below)]
    verdict[only_assumed & (beyond[0] | beyond[1])] = int(Verdict.FAILS)
    # in a window the other side lies open beyond the range, unless nothing passes either of its ends
    one_sided = np.isnan(lowest) | np.isnan(highest) | _all_ends_are_physical(figure)
    ranged = figure.assumed.any(axis=0)  # an assumption that scans no range proves nothing in any direction
    proven = (
        only_assumed & ranged & one_sided & (grid.min(axis=0) >= expanded - edge) & _worst_is_physical(figure, grid)
    )
    verdict[proven] = int(Verdict.PASSES)
    return Decision(
        margin, expanded, verdict, provisional, grid.min(axis=0), grid.max(axis=0),
        np.asarray(highest - lowest < 2 * expanded),
    )  # fmt: skip


def _margins(value: Array, lowest: Array, highest: Array) -> tuple[Array, Array]:
    """Give the distance above the lowest and below the highest limit; NaN where there is no such limit."""
    return value - lowest, highest - value


def _all_ends_are_physical(figure: Figure) -> NDArray[np.bool_]:
    """Tell, per case, whether nothing passes either end of any range it rests on."""
    soft = np.array([not (one.hard_low and one.hard_high) for one in figure.ranges], dtype=bool)
    return np.asarray(~(figure.assumed & soft.reshape(-1, 1)).any(axis=0))


def _worst_is_physical(figure: Figure, grid: Array) -> NDArray[np.bool_]:
    """Tell, per case, whether the least margin lies at a hard end of every range the case rests on.

    An assumption that does not move the margin, or has no width, is an assumption all the same.
    """
    cases = grid.shape[1]
    shaped = grid.reshape(*(SCAN,) * len(figure.ranges), cases)
    safe = np.ones(cases, dtype=bool)
    for axis, one in enumerate(figure.ranges):
        along = np.moveaxis(shaped, axis, 0).reshape(SCAN, -1, cases)
        least = along.min(axis=1)
        low_is_worst = one.hard_low & (least[0] <= least.min(axis=0))
        high_is_worst = one.hard_high & (least[-1] <= least.min(axis=0))
        safe &= ~figure.assumed[axis] | low_is_worst | high_is_worst
    return safe
