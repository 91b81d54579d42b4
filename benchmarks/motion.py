"""Valve trains in motion: fifty speeds at once, fine and quick, and one of them beside a general integrator, in turn in one run."""

from __future__ import annotations

import statistics
import sys
import time
from pathlib import Path

import numpy as np

sys.path.append(str(Path(__file__).resolve().parent.parent / "tests"))

from honest_lift.mechanics.motion.simulate import FINE, QUICK, simulate
from trains import CASES, by_integrator, trains

_ROUNDS, _SPEEDS = 5, 50
_NAME, _RPM = "pushrod, one mass", 5000.0


def main() -> None:
    """Print what each took."""
    fine, quick = trains(CASES[_NAME]), trains(type(CASES[_NAME])(segments=7))
    speeds = np.linspace(4000.0, 8000.0, _SPEEDS)
    cases = np.zeros(_SPEEDS, dtype=np.int64)
    took: dict[str, list[float]] = {"fine": [], "quick": []}
    for _ in range(_ROUNDS):
        for name, whole, pace in (("fine", fine, FINE), ("quick", quick, QUICK)):
            start = time.perf_counter()
            simulate(whole, cases, speeds, pace)
            took[name].append(time.perf_counter() - start)
    start = time.perf_counter()
    by_integrator(CASES[_NAME], _RPM)
    alone = time.perf_counter() - start
    medians = {name: statistics.median(each) for name, each in took.items()}
    print("fifty_speeds_at_full_settings", medians["fine"] * 1000.0, 1200.0)
    print("fifty_speeds_quick", medians["quick"] * 1000.0, 400.0)
    print("a_general_integrator_one_speed", alone * 1000.0, 0.0)
    print("times_it_took_for_one_speed_over_ours", alone / (medians["fine"] / _SPEEDS), 0.0)


main()
