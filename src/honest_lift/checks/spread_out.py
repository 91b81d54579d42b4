"""A rule over a group, spread out to each of its members: against a median, a spread, a plane.

It rests on every member it was worked from, so what bars one bars every one of them, and a member nobody measured
leaves it unproven for all.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.numbers.doubt import Array, Ground

_FEWEST = 2


def among(estimate: Estimate, groups: Sequence[NDArray[np.int64]], rule: Callable[[Array], Array]) -> Estimate:
    """Evaluate a rule, (..., k) to (..., k), over the known members (k) of each group of cases.

    A case without a value stays missing and bars its group from passing; what is missing is among the inputs of each.
    A group with fewer than two known members has nothing to be compared with.
    """
    apart = Estimate(estimate.figure.apart(), estimate.inputs)
    finite = np.isfinite(apart.figure.value)

    def spread(rows: Array) -> Array:
        result = np.full(rows.shape, np.nan)
        for group in groups:
            known = group[finite[group]]
            if len(known) >= _FEWEST:
                result[..., known] = rule(rows[..., known])
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
        assumed = figure.assumed.copy()
        assumed[:, group] |= assumed[:, group].any(axis=1, keepdims=True)  # what one of them rests on, all do
        figure = replace(figure, assumed=assumed)
        figure = figure.on_ground(alone | (own & ~finite), Ground.MISSING)
    return Estimate(figure, tuple(inputs))
