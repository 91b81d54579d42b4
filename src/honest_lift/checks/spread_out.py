"""A rule over a group, spread out to each of its members: against a median, a spread, a plane.

It rests on every member it was worked from, so what bars one bars every one of them, and a member nobody measured
leaves it unproven for all.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.numbers.doubt import Array, Ground

_FEWEST = 2


def among(estimate: Estimate, groups: Sequence[NDArray[np.int64]], rule: Callable[[Array], Array]) -> Estimate:
    """Evaluate a rule, (..., k) to (..., k), over the known members (k) of each group of cases."""
    return among_members(estimate, groups, lambda rows, _: rule(rows))


def among_members(
    estimate: Estimate, groups: Sequence[NDArray[np.int64]], rule: Callable[[Array, NDArray[np.int64]], Array]
) -> Estimate:
    """Evaluate a rule of values (..., k) and which cases (k,) they are of, over the known members of each group of cases.

    A case without a value stays missing and bars its group from passing; what is missing is among the inputs of each.
    A group with fewer than two known members has nothing to be compared with. An assumed range moves each member by itself, and
    one axis of a scan moves all of them together: nothing is decided by it, either way.
    """
    ranged = np.asarray(estimate.figure.assumed.any(axis=0), dtype=bool)
    apart = Estimate(estimate.figure.apart().without_ranges().on_ground(ranged, Ground.UNRANGED), estimate.inputs)
    finite = np.isfinite(apart.figure.value)

    def spread(rows: Array) -> Array:
        result = np.full(rows.shape, np.nan)
        for group in groups:
            known = group[finite[group]]
            if len(known) >= _FEWEST:
                result[..., known] = rule(rows[..., known], known)
        return result

    judged = derive(spread, apart)
    figure, inputs = judged.figure, list(judged.inputs)
    for group in groups:
        joint = Ground(int(np.bitwise_or.reduce(apart.figure.ground[group]))) & ~Ground.SPECIFIED
        own = np.zeros(len(finite), dtype=bool)
        own[group] = True
        alone = own & (finite[group].sum() < _FEWEST)
        figure = figure.on_ground(own & finite, joint & ~Ground.MISSING)
        if joint & Ground.MISSING:
            figure = figure.on_ground(own & finite, Ground.UNREAD)
            lacking = tuple(one for row in group if not finite[row] for one in estimate.inputs[row])
            for row in group[finite[group]]:
                inputs[row] += lacking
        figure = figure.on_ground(alone | (own & ~finite), Ground.MISSING)
    return Estimate(figure, tuple(inputs))
