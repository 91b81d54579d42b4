"""Rows of a table that the rest of it contradicts: a figure mistyped, an indicator knocked, a wheel misread.

A row is held against the curve the others give without it, in units of its own error, and the scatter of all rows is the
measure. The worst goes first and the rest are judged without it, since a slip draws the curve toward itself.
Source: deleted residuals, Belsley, Kuh and Welsch (1980); the robust scale 1.4826 times the median absolute value.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.cam.measured_lobe import measured_lobe, rows_of_lobe
from honest_lift.mechanics.cam.wheel_table import Ordered, Trouble

COARSE_DEG = 6.0  # in wider steps (crank degrees) a slip can't be told from the shape of the lobe
_LEAST_MM = 0.04
_SCALES = 6.0
_MOST = 6
_TO_SCALE = 1.4826


def slipped_rows(
    table: Ordered, lift_error_mm: float, wheel_error_deg: float, most: int = _MOST
) -> tuple[list[Trouble], Ordered]:
    """Give the rows that slipped, worst first, and the table without them. Errors as in `measured_lobe`.

    None are told in a table of wider steps than COARSE_DEG. Raises ValueError.
    """
    found: list[Trouble] = []
    if float(np.median(np.diff(table.crank_deg))) > COARSE_DEG:
        return found, table
    while len(found) < most:
        smoothed = measured_lobe(table, lift_error_mm, wheel_error_deg).smoothed
        told = np.abs(smoothed.left_out) / smoothed.errors
        steep = smoothed.errors > lift_error_mm * 1.5  # where the wheel's error shows, if anywhere
        scale = max(_TO_SCALE * float(np.median(told[steep] if steep.any() else told)), 1.0)
        told[np.abs(smoothed.left_out) < _LEAST_MM] = 0.0
        worst = int(np.argmax(told))
        if told[worst] < _SCALES * scale:
            break
        at = int(np.flatnonzero(rows_of_lobe(table))[worst])
        expected = table.lift_mm[at] - smoothed.left_out[worst] + table.base_mm
        found.append(Trouble(int(table.rows[at]), "slip", float(expected)))
        table = _without(table, at)
    return found, table


def _without(table: Ordered, at: int) -> Ordered:
    rows, crank, lift = (np.delete(one, at) for one in (table.rows, table.crank_deg, table.lift_mm))
    return Ordered(rows, crank, lift, table.base_mm, table.runout_mm, int(np.argmax(lift)), table.dwelling)
