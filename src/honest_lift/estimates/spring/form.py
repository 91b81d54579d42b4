"""The form of each spring in hand, told from the points measured on the whole of it."""

from __future__ import annotations

import numpy as np

from honest_lift.estimates.spring.curves import Curves
from honest_lift.mechanics.spring.form import Form, recognise

_NOBODY = Form("too few points", np.empty(0))


def form_of(curves: Curves, row: int) -> Form:
    """Tell the form of one spring; too few points where it was measured member by member, or makes no sense."""
    if int(curves.present[row].sum()) != 1:
        return _NOBODY
    known = np.isfinite(curves.loads.value[row, 0])
    heights, loads = curves.heights.value[row, 0][known], curves.loads.value[row, 0][known]
    if len(heights) < 2 or (np.diff(loads) >= 0).any() or (np.diff(heights) <= 0).any():
        return _NOBODY
    return recognise(heights, loads, _own_doubt(curves, row)[known])


def forms_of(curves: Curves) -> list[Form]:
    """Tell the form of every spring (n,)."""
    return [form_of(curves, row) for row in range(len(curves.inputs))]


def _own_doubt(curves: Curves, row: int) -> np.ndarray:
    """Give the doubt of each point's load by itself: what all points share bends no curve."""
    own = [i for i, source in enumerate(curves.loads.sources) if source.key.startswith("scatter:")]
    squares = (curves.loads.parts()[own, row, 0] ** 2).sum(axis=0)
    floor = 0.002 * np.nanmax(curves.loads.value[row, 0])  # no tester repeats better. From memory
    return np.asarray(np.sqrt(squares + floor**2))
