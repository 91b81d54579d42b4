"""The stiffness of a valve train from what its valve gives way under loads on the tip.

    lift lost = a + load / k         a, what was still slack as the indicator was zeroed

A straight line by least squares where two loads and more were read, else through nothing. Source: the definition of a stiffness;
least squares.
"""

from __future__ import annotations

import numpy as np

from honest_lift.numbers.doubt import Array


def yields_by(load_n: Array) -> Array:
    """Give the weights (n,), mm a newton a mm read, whose sum with lifts lost (n,) is what the train yields, mm a newton.

    >>> yields_by(np.array([400.0, 800.0])).tolist()
    [-0.0025, 0.0025]
    """
    if len(load_n) == 1 or float(np.ptp(load_n)) == 0.0:
        return np.asarray(1.0 / load_n / len(load_n))
    off = load_n - load_n.mean()
    return np.asarray(off / (off**2).sum())


def misfit_mm(load_n: Array, lost_mm: Array) -> float:
    """Give how far a reading stands off the line at most; 0 of fewer than three."""
    if len(load_n) < 3:
        return 0.0
    slope = float(yields_by(load_n) @ lost_mm)
    return float(np.abs(lost_mm - lost_mm.mean() - slope * (load_n - load_n.mean())).max())
