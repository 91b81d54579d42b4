"""A finger follower for tests, invented: about 1.8 to 1, its cam over the middle, every dimension stated with a tolerance."""

from __future__ import annotations

from engines import Bench
from honest_lift.facts.cam import CamLobe, Duration
from honest_lift.facts.edits import Describe, Put

FINGER = {
    "pivot_out": 34.0, "valve_arm": 34.0, "tip_radius": 8.0, "finger_arm": 19.0, "finger_angle": 12.0, "follower_radius": 9.0,
    "cam_across": 16.0, "cam_above": 35.8, "base_circle": 34.0,
}  # fmt: skip


def fingered(tolerance: float | None = 0.05, mount: str = "stud", without: str = "", **changed: float) -> Bench:
    """Give an engine with the finger, its lobe and lash, in millimetres. A fixed pivot (`shaft`) wants `pivot_up`."""
    made = Bench().do(Describe({"gear": "finger follower", "rocker_mount": mount}, "fingers"))
    made.state("lobe_lift", 5.5, tolerance=0.02).state("lash", 0.2, tolerance=0.0)
    more = {"pivot_up": 3.3} if mount == "shaft" else {}
    for name, value in (FINGER | more | changed).items():
        if name != without:
            made.state(name, value, tolerance=tolerance)
    durations = (Duration(0.1524, 262.0), Duration(1.27, 222.0), Duration(2.54, 180.0))
    for role in ("intake", "exhaust"):
        made.do(Put("lobes", CamLobe(role, durations, 108.0, "invented")))
    return made.do(Describe({"units": {**made.engine.units, "length": "mm"}}, "metric"))


def sliding(**changed: float) -> Bench:
    """Give the same engine with a sliding pad of 30 mm in place of the roller."""
    return fingered(
        **{"follower_radius": 30.0, "finger_arm": 23.1, "finger_angle": -46.9, "pad_centre": 129.0} | changed
    )
