"""How well a lobe comes back from a degree-wheel table: figures in docs/validation.md and the bands of the camshaft sheet.

    PYTHONPATH=tests python tools/lobe_bands.py

Forty known lobes of two families, walked in steps with an indicator of 0.01 mm and a wheel misread by a normal error.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.cam.measured_lobe import measured_lobe, width
from honest_lift.mechanics.cam.wheel_table import ordered
from lobes import LIFT_ERROR, twenty, walked

_STEPS, _WHEELS, _SEEDS = (1.0, 2.0, 5.0, 10.0, 20.0), (0.2, 0.5, 1.0), (5, 6)


def main() -> None:
    """Print, for each wheel and step: acceleration off (share of peak), middle, duration and lift, median and worst."""
    for wheel in _WHEELS:
        for step in _STEPS:
            rows = np.array([one for seed in _SEEDS for one in _off(seed, step, wheel)])
            told = "  ".join(f"{np.median(one):.3f} {one.max():.3f}" for one in rows.T)
            print(
                f"wheel {wheel:g}, steps of {step:g}: acceleration, middle deg, duration deg, lift mm  {told}",
                flush=True,
            )


def _off(seed: int, step: float, wheel: float) -> list[tuple[float, float, float, float]]:
    lobes, rng = twenty(seed)
    rows = []
    for lobe in lobes:
        found = measured_lobe(ordered(*walked(lobe, rng, step, wheel=wheel)), LIFT_ERROR, wheel)
        cam = np.linspace(-lobe.end_deg, lobe.end_deg, 2001)
        true, both = lobe.acceleration(cam), width(found, 1.27)
        fine = np.linspace(0.0, lobe.end_deg, 20001)
        duration = 4.0 * float(np.interp(-1.27, -lobe.lift(fine), fine))
        told = 2.0 * (both[1] - both[0]) if both else 0.0
        rms = float(np.sqrt(np.mean((found.acceleration(cam) - true) ** 2)) / np.abs(true).max())
        rows.append((rms, abs(found.centre_deg), abs(told - duration), abs(found.lift_mm - lobe.lift_mm)))
    return rows


if __name__ == "__main__":
    main()
