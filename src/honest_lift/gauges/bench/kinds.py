"""Kinds of engine the bench is made of, each drawn from a seed: sound, every part a little other than its neighbour. Invented."""

from __future__ import annotations

import random
from typing import NamedTuple

from honest_lift.facts.layout import read_layout
from honest_lift.gauges.bench.hidden import HiddenEngine, HiddenSpring


class Kind(NamedTuple):
    """A kind: its layout and gear, its spring, the height it stands at, the lift at the valve, and its chamber."""

    title: str
    layout: str
    gear: str
    lifter: str
    free_mm: float
    rate_n_mm: float
    bind_mm: float
    outside_mm: float
    wire_mm: float
    height_mm: float
    lift_mm: float
    ratio: float
    chamber_cc: float


KINDS = {
    "V8": Kind("V8, pushrods", "left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e", "pushrod", "solid roller",
               58.0, 56.0, 30.0, 39.0, 4.9, 46.0, 13.2, 1.5, 64.0),
    "four": Kind("in-line four on buckets", "head: 1e 1i 2i 2e 3e 3i 4i 4e", "bucket", "solid flat",
                 48.5, 34.0, 22.0, 29.5, 3.8, 37.0, 9.6, 1.0, 48.0),
    "six": Kind("in-line six on fingers", "head: 1e 1i 2i 2e 3e 3i 4i 4e 5e 5i 6i 6e", "finger follower", "solid flat",
                51.0, 38.0, 23.5, 31.0, 4.0, 39.0, 10.8, 1.75, 52.0),
    "twin": Kind("V-twin, pushrods", "front: 1e 1i\nrear: 2i 2e", "pushrod", "solid roller",
                 55.0, 44.0, 27.0, 36.0, 4.5, 44.0, 12.0, 1.6, 70.0),
    "single": Kind("single, two valves", "head: 1e 1i", "pushrod", "solid flat",
                   50.0, 30.0, 24.0, 32.0, 3.9, 39.0, 9.5, 1.2, 60.0),
}  # fmt: skip


REFERENCE = HiddenSpring(62.0, 40.0, 20.0)  # a straight spring with a certificate, that lies on every bench
CERTIFIED_MM = (54.0, 50.0, 44.0, 36.0)


def sound_engine(key: str, seed: int, *, twin_springs: bool = False, progressive: bool = True) -> HiddenEngine:
    """Give a sound engine of a kind. `twin_springs`: each spring has an inner one; `progressive`: with close coils at the floor."""
    kind, draw = KINDS[key], random.Random(seed)
    names = [one.id for one in read_layout(kind.layout).positions]
    springs = {
        str(i): _spring(kind, draw, twin=twin_springs, progressive=progressive) for i in range(1, len(names) + 1)
    }
    around = draw.gauss
    figures: dict[str, dict[str, float]] = {
        "installed_height": {one: kind.height_mm + around(0.0, 0.12) for one in names},
        "valve_lift": {one: kind.lift_mm + around(0.0, 0.05) for one in names},
        "seal_gap": {one: kind.lift_mm + 2.4 + around(0.0, 0.15) for one in names},
        "valve_margin": {one: 1.7 + around(0.0, 0.06) for one in names},
        "retainer_thickness": {one: 2.6 + around(0.0, 0.015) for one in names},
        "locator_thickness": {"": 1.52},
        "lock_out": {one: 0.25 + around(0.0, 0.05) for one in names},
        "piston_valve_clay": {one: (3.3 if one[-1] == "e" else 2.9) + around(0.0, 0.12) for one in names},
        "gasket_thickness": {"": 1.04},
        "mark_centre": {one: around(0.0, 0.25) for one in names},
        "stem_tip_height": {one: 48.0 + around(0.0, 0.05) for one in names},
        "chamber_volume": {str(c): kind.chamber_cc + around(0.0, 0.12) for c in read_layout(kind.layout).cylinders},
    }
    if kind.gear == "finger follower":
        figures["wipe_centre"] = {one: around(0.0, 0.2) for one in names}
    fitted = dict(zip(names, springs, strict=True))
    lobes = {role: (kind.lift_mm / kind.ratio + 0.25 / kind.ratio, 236.0 + more, middle)
             for role, more, middle in (("intake", 0.0, 106.0), ("exhaust", 8.0, 112.0))}  # fmt: skip
    return HiddenEngine(key, kind.layout, kind.gear, kind.lifter, springs, fitted, figures, lobes=lobes)


def _spring(kind: Kind, draw: random.Random, *, twin: bool, progressive: bool) -> HiddenSpring:
    share = 0.72 if twin else 1.0
    outer = HiddenSpring(
        kind.free_mm + draw.gauss(0.0, 0.12), kind.rate_n_mm * share * (1.0 + draw.gauss(0.0, 0.007)),
        kind.bind_mm + draw.gauss(0.0, 0.08), kind.height_mm - 0.35 * kind.lift_mm, 0.22 if progressive else 0.0,
        "down" if progressive else "", "up" if progressive else "", kind.outside_mm, kind.wire_mm,
    )  # fmt: skip
    if not twin:
        return outer
    inner = HiddenSpring(
        kind.free_mm - 3.0 + draw.gauss(0.0, 0.1), kind.rate_n_mm * 0.36 * (1.0 + draw.gauss(0.0, 0.007)),
        kind.bind_mm - 1.5 + draw.gauss(0.0, 0.06), outside_mm=kind.outside_mm - 2.0 * kind.wire_mm - 1.2,
        wire_mm=kind.wire_mm * 0.62,
    )  # fmt: skip
    return HiddenSpring(
        outer.free_mm, outer.rate_n_mm, outer.bind_mm, outer.kink_mm, outer.stiffer, outer.closes, outer.paint,
        outer.outside_mm, outer.wire_mm, inner,
    )  # fmt: skip
