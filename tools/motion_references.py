"""Writes tests/references/motion.json: invented valve trains moved by SciPy's DOP853 at tight tolerance. Takes half an hour.

.venv/bin/python tools/motion_references.py
"""

from __future__ import annotations

import json
import sys
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

import numpy as np

ROOT = Path(__file__).resolve().parent.parent
sys.path[:0] = [str(ROOT / "tests"), str(ROOT / "src")]

from trains import CASES, by_integrator  # noqa: E402

SPEEDS = {
    "pushrod, one mass": (4500.0, 6500.0, 7900.0), "pushrod, two masses": (4500.0, 6500.0, 8200.0), "finger": (5500.0, 7000.0),
    "bucket": (5000.0, 6000.0), "progressive": (4500.0, 5500.0), "nest of two": (4500.0, 6500.0),
}  # fmt: skip
SWEPT = {
    "pushrod, one mass": np.linspace(4800.0, 6600.0, 13).tolist(),
    "bucket": np.linspace(4800.0, 7200.0, 13).tolist(),
}
ANGLES = np.linspace(-180.0, 300.0, 97)


def one_of(what: tuple[str, float]) -> dict[str, object]:
    """Move one train at one speed."""
    name, rpm = what
    crank, asked, lift, gap = by_integrator(CASES[name], rpm)
    order = np.argsort(crank)
    return {
        "train": name, "rpm": rpm, "loft_mm": max(float(gap[asked > 1.0].max()), 0.0),
        "bounce_mm": max(float(lift[asked <= 0.0].max()), 0.0),
        "lift_mm": [round(float(one), 6) for one in np.interp(ANGLES, crank[order], lift[order])],
    }  # fmt: skip


def main() -> None:
    """Move them all."""
    wanted = [(name, rpm) for name, speeds in SPEEDS.items() for rpm in speeds]
    swept = [(name, rpm) for name, speeds in SWEPT.items() for rpm in speeds]
    with ProcessPoolExecutor() as pool:
        found = list(pool.map(one_of, [*wanted, *swept], chunksize=1))
    sweeps: dict[str, list[list[float]]] = {name: [] for name in SWEPT}
    for one in found[len(wanted) :]:
        sweeps[str(one["train"])].append([one[key] for key in ("rpm", "loft_mm", "bounce_mm")])  # type: ignore[misc]
    told = {"angles_deg": ANGLES.tolist(), "single": found[: len(wanted)], "sweeps": sweeps}
    path = ROOT / "tests" / "references" / "motion.json"
    path.parent.mkdir(exist_ok=True)
    path.write_text(json.dumps(told) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main()
