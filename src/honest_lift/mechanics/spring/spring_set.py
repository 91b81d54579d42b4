"""A set of springs judged together, by their loads at one common height.

Source of the rules: common practice, no source (a spring under 90 percent of the set has collapsed and the
used set with it; loads within 10 percent of each other).
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

_AGAIN_PERCENT, _AGAIN_Z = 93.0, 4.5
FEW = 4  # springs up to which the strongest is what the others are held against


def yardstick(values: Array, roles: NDArray[np.int64]) -> Array:
    """Give what springs (..., k) of one set are held against, (...): by loads or by lengths, of which more is better.

    It is their median, or the median of the role that stands higher: springs of one set sag by the heat they saw, and where all
    exhaust springs went together the median of the whole hides them. Of up to four it is the best one: a median of two or three
    moves with the bad one. `roles` (k,): 0 where a spring has none. Common practice, no source.

    >>> yardstick(np.array([600.0, 600.0, 600.0, 504.0, 504.0, 504.0]), np.array([1, 1, 1, 2, 2, 2])).item()
    600.0
    """
    if values.shape[-1] <= FEW:
        return np.asarray(values.max(axis=-1))
    each = [np.median(values, axis=-1)]
    each += [
        np.median(values[..., roles == role], axis=-1) for role in np.unique(roles[roles > 0]) if (roles != role).any()
    ]
    return np.asarray(np.max(each, axis=0))


def percent_of(amounts: Array, held_against: Array) -> Array:
    """Give amounts as a percentage of what they are held against, of one shape by broadcasting; NaN where that is nothing.

    A set whose springs carry no load, a file's slip, has no share: it is not known, rather than endless.
    """
    against = np.where(held_against > 0.0, held_against, np.nan)
    return np.asarray(100.0 * amounts / against)


def share_of_median(loads_n: Array) -> Array:
    """Give each spring's load as a percentage of the median of its set, (..., n) to (..., n).

    >>> share_of_median(np.array([600.0, 600.0, 540.0]))
    array([100., 100.,  90.])
    """
    return percent_of(loads_n, np.median(loads_n, axis=-1, keepdims=True))


def spread(loads_n: Array) -> Array:
    """Give (largest - smallest)/median in percent, (..., n) to (...)."""
    return percent_of(loads_n.max(axis=-1) - loads_n.min(axis=-1), np.median(loads_n, axis=-1))


def robust_z(loads_n: Array, floor_n: float) -> Array:
    """Give each spring's distance from its set's median over the set's own scatter, (..., n) to (..., n).

    The scatter is 1.4826 times the median absolute deviation, which one bad spring does not move, and never less than
    `floor_n`, what the tool repeats to: a set read alike throughout would call every difference wild. Source: robust
    statistics, common knowledge; 1.4826 makes it the standard deviation of a normal scatter.
    """
    middle = np.median(loads_n, axis=-1, keepdims=True)
    scatter = 1.4826 * np.median(np.abs(loads_n - middle), axis=-1, keepdims=True)
    return np.asarray((loads_n - middle) / np.maximum(scatter, floor_n))


def to_measure_again(loads_n: Array, floor_n: float) -> NDArray[np.bool_]:
    """Tell, (..., n), which springs to measure again three times: below 93 percent of the median, or past 4.5 scatters.

    Common practice, no source. On good sets of sixteen (1.5 percent scatter, 1 percent tool) about one set in fifty asks
    for it; the classic 3.5 scatters would in one of ten.
    """
    low = share_of_median(loads_n) < _AGAIN_PERCENT
    return np.asarray(low | (np.abs(robust_z(loads_n, floor_n)) > _AGAIN_Z))
