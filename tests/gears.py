"""A pushrod gear for tests: the handbook's independent one, square at half lift, every dimension stated with a tolerance."""

from __future__ import annotations

import numpy as np

from engines import Bench
from honest_lift.facts.edits import Describe
from honest_lift.facts.place import at_role

GEAR = {
    "pivot_out": 37.692, "valve_arm": 38.0, "pushrod_arm": 24.757, "arm_angle": 165.0, "tip_radius": 5.5, "lifter_across": 113.83,
    "lifter_below": 187.39, "lifter_lean": 23.0, "pushrod_length": 195.0, "stud_lean": 0.0,
}  # fmt: skip


def dimensioned(made: Bench, without: str = "", tolerance: float | None = 0.1, **changed: float) -> Bench:
    """State the gear's dimensions on an engine."""
    for name, value in (GEAR | changed).items():
        if name != without:
            made.state(name, value, tolerance=tolerance)
    return made


def bench(without: str = "", tolerance: float | None = 0.1, **changed: float) -> Bench:
    """Give an engine with the gear, its intake lobe and no lash, in millimetres."""
    made = Bench().state("lobe_lift", 8.966, at_role("intake"), tolerance=0.01).state("lash", 0.0, tolerance=0.0)
    dimensioned(made, without, tolerance, **changed)
    return made.do(Describe({"units": {**made.engine.units, "length": "mm"}}, "metric"))


def figures(found) -> np.ndarray:
    """Give FIGURES of one valve's gear."""
    mark = found.mark
    return np.array([found.lift_mm, mark.width, mark.middle, mark.full - mark.closed, mark.off_square_deg,
                     found.lift_mm / found.lobe_mm], dtype=float)  # fmt: skip
