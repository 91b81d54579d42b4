"""The curves around the turn as a table: lift, velocity and acceleration of both valves, and the piston, units in the header."""

from __future__ import annotations

import csv
import io

import numpy as np

from honest_lift.estimates.train.turn import Turn
from honest_lift.mechanics.cylinder.slider_crank import SliderCrank
from honest_lift.numbers.units import from_inside

_SPAN_DEG = 360.0


def curves_csv(turns: dict[str, Turn], crank: SliderCrank | None, unit: str, step_deg: float = 1.0) -> str:
    """Write the curves as CSV over -360 to 360 crank degrees from TDC of the overlap, lengths in the unit."""
    at = np.arange(-_SPAN_DEG, _SPAN_DEG + step_deg / 2, step_deg)
    scale = from_inside(1.0, "length", unit)
    columns, heads = [at], ["crank angle (deg from overlap TDC)"]
    for role, turn in turns.items():
        if turn.valve is None:
            continue
        shape = "card, shape assumed" if turn.measured is None else "measured"
        valve = turn.valve
        kinds = (
            ("lift", valve.lift, ""),
            ("velocity", valve.velocity, "/deg"),
            ("acceleration", valve.acceleration, "/deg2"),
        )
        for name, of, per in kinds:
            columns.append(of(at) * scale)
            heads.append(f"{role} valve {name} ({unit}{per}; {shape})")
    if crank:
        columns.append(crank.drop(at) * scale)
        heads.append(f"piston below TDC ({unit})")
    held = io.StringIO()
    out = csv.writer(held, lineterminator="\n")
    out.writerow(heads)
    out.writerows([f"{value:.9g}" for value in row] for row in np.column_stack(columns).tolist())
    return held.getvalue()
