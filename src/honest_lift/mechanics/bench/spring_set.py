"""A set of springs judged together, by their loads at one common height.

Source of the rules: common practice, no source (a spring under 90 percent of the set has collapsed and the
used set with it; loads within 10 percent of each other).
"""

from __future__ import annotations

import numpy as np

from honest_lift.numbers.doubt import Array


def share_of_median(loads_n: Array) -> Array:
    """Give each spring's load as a percentage of the median of its set, (..., n) to (..., n).

    >>> share_of_median(np.array([600.0, 600.0, 540.0]))
    array([100., 100.,  90.])
    """
    return 100.0 * loads_n / np.median(loads_n, axis=-1, keepdims=True)


def spread(loads_n: Array) -> Array:
    """Give (largest - smallest)/median in percent, (..., n) to (...)."""
    widest = loads_n.max(axis=-1) - loads_n.min(axis=-1)
    return np.asarray(100.0 * widest / np.median(loads_n, axis=-1))
