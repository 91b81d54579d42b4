"""The invented shelf: a few hundred parts with plausible figures that no maker ever gave, always the same ones.

Springs are wound on paper: wire, mean diameter and coils give rate, solid height and mass by the formulas of the trade, and the
load at the seat height follows from a free length somebody might have wound.
"""

from __future__ import annotations

from collections.abc import Iterator
from math import pi
from random import Random

from honest_lift.shelf.kinds import Part
from honest_lift.shelf.store import Shelf

NAME = "Invented shelf"
_SEED = 366
_STEEL, _SHEAR = 7850e-9, 77200.0  # kg per mm3, MPa
_SERIES = ("Alder", "Bracken", "Cobnut", "Dunlin", "Elder", "Fallow", "Gorse", "Hazel")
_IN = 25.4


def lay_out(shelf: Shelf) -> int:
    """Lay the invented parts on their own shelf, in place of those that lie there; give how many."""
    shelf.add(NAME, invented=True)
    return shelf.put(NAME, invented_parts())


def invented_parts() -> list[Part]:
    """Give every invented part."""
    dice = Random(_SEED)
    return [*_springs(dice), *_retainers(dice), *_locks(), *_locators(), *_seals(), *_valves(dice), *_rockers(), *_pushrods(),
            *_shims(), *_cams()]  # fmt: skip


def _told(series: str, what: str) -> str:
    return f"{series} {what} (invented)"


def _springs(dice: Random) -> Iterator[Part]:
    for number in range(240):
        nested = dice.random() < 0.5
        wire, mean, active = _wound(dice, dice.uniform(58.0, 112.0) * (0.74 if nested else 1.0))
        coils = active + 2.0
        rate = _SHEAR * wire**4 / (8.0 * mean**3 * active)
        mass = _STEEL * pi**2 / 4.0 * wire**2 * mean * coils
        inside = mean - wire
        if nested:
            thin, narrow = round(wire * 0.72, 2), round(inside - wire * 0.72 - 0.8, 1)
            rate += _SHEAR * thin**4 / (8.0 * narrow**3 * (active + 1.0))
            mass += _STEEL * pi**2 / 4.0 * thin**2 * narrow * (coils + 1.0)
            inside = narrow - thin
        bind, lift = coils * wire, round(dice.uniform(0.46, 0.66) * _IN, 2)
        seat = round((bind + lift + dice.uniform(0.06, 0.2) * _IN) / 0.254) * 0.254
        opened = round(seat - lift + 0.05 * _IN, 3)
        load = round(dice.uniform(560.0, 1180.0), 0)
        yield Part("springs", f"S-{number + 101}", _told(_SERIES[number % 8], "nest" if nested else "single"), {
            "seat_height": round(seat, 3), "seat_load": load, "open_height": opened,
            "open_load": round(load + rate * (seat - opened), 0), "bind_height": round(bind, 2), "most_lift": lift + 0.5,
            "free_length": round(seat + load / rate, 1), "outside": round(mean + wire, 1), "inside": round(inside, 1),
            "top_inside": round(mean - wire, 1), "members": 2.0 if nested else 1.0, "mass": round(mass, 4), "wire": wire,
            "mean_diameter": mean, "coils": coils, "active_coils": active, "peened": number % 5 > 0,
        })  # fmt: skip


def _wound(dice: Random, rate: float) -> tuple[float, float, float]:
    """Give wire, mean diameter and active coils somebody might have wound for a rate."""
    while True:
        wire, mean = round(dice.uniform(4.0, 5.8), 2), round(dice.uniform(27.0, 35.0), 1)
        active = round(_SHEAR * wire**4 / (8.0 * mean**3 * rate), 1)
        if 3.2 <= active <= 5.0:
            return wire, mean, active


def _retainers(dice: Random) -> Iterator[Part]:
    number = 101
    for angle in (7.0, 10.0):
        for members in (1.0, 2.0):
            for step in range(14):
                spigot = 21.4 + step * 0.75
                for metal, mass in (("steel", 0.021), ("light", 0.0125)):
                    offset = (0.0, 0.0, 0.0, 1.27)[(number + step) % 4]
                    yield Part("retainers", f"R-{number}", _told(_SERIES[number % 8], f"{metal} retainer"), {
                        "angle": angle, "spigot": round(spigot, 2), "covers": round(spigot + 11.5, 1), "members": members,
                        "offset": offset, "under": round(dice.uniform(4.2, 6.4), 1),
                        "mass": round(mass * (0.75 + step / 40.0), 4),
                    })  # fmt: skip
                    number += 1


def _locks() -> Iterator[Part]:
    number = 101
    for angle in (7.0, 10.0):
        for stem in (7.0, 7.95, 8.68, 9.45):
            for offset in (-1.27, 0.0, 1.27):
                yield Part("locks", f"L-{number}", _told(_SERIES[number % 8], "locks"), {
                    "angle": angle, "stem": stem, "offset": offset, "length": 8.0, "mass": round(0.0045 + stem * 0.0002, 4),
                })  # fmt: skip
                number += 1


def _locators() -> Iterator[Part]:
    for number, (spigot, thick) in enumerate((s, t) for s in (14.5, 16.0, 18.0, 20.0) for t in (1.0, 1.5)):
        yield Part("locators", f"C-{number + 101}", _told(_SERIES[number % 8], "locator"),
                   {"thickness": thick, "spigot": spigot, "hole": spigot - 2.5})  # fmt: skip


def _seals() -> Iterator[Part]:
    for number, (guide, stem) in enumerate((g, s) for g in (12.7, 13.5, 14.3) for s in (7.0, 7.95, 8.68, 9.45)):
        yield Part("seals", f"V-{number + 101}", _told(_SERIES[number % 8], "seal"),
                   {"guide": guide, "stem": stem, "outside": guide + 2.2, "height": 4.5})  # fmt: skip


def _valves(dice: Random) -> Iterator[Part]:
    for number in range(24):
        head = 38.0 + number * 0.8
        yield Part("valves", f"H-{number + 101}", _told(_SERIES[number % 8], "valve"), {
            "head": round(head, 1), "stem": (7.95, 8.68)[number % 2], "length": round(dice.uniform(120.0, 135.0), 1),
            "tip_to_groove": 6.4, "margin": 1.4, "mass": round(0.04 + head * 0.0014, 4),
        })  # fmt: skip


def _rockers() -> Iterator[Part]:
    for number, ratio in enumerate((1.5, 1.55, 1.6, 1.65, 1.7, 1.75, 1.8)):
        yield Part("rockers", f"K-{number + 101}", _told(_SERIES[number % 8], "rocker"),
                   {"ratio": ratio, "arm": 38.0, "at_valve": 0.034 + number * 0.001})  # fmt: skip


def _pushrods() -> Iterator[Part]:
    for number in range(24):
        length = 185.0 + number * 1.27
        yield Part("pushrods", f"P-{number + 101}", _told(_SERIES[number % 8], "pushrod"),
                   {"length": round(length, 2), "outside": 7.94, "mass": round(0.0003 * length, 4)})  # fmt: skip


def _shims() -> Iterator[Part]:
    for number, thousandths in enumerate((15, 20, 30, 45, 60)):
        for width in (32.0, 36.0, 40.0):
            yield Part("shims", f"T-{number + 1}{width:.0f}", _told(_SERIES[number], "shim"), {
                "thickness": round(thousandths * _IN / 1000.0, 3), "outside": width, "inside": 15.5,
                "hardened": thousandths >= 30, "pieces": 32.0,
            })  # fmt: skip


def _cams() -> Iterator[Part]:
    rows = ((0.320, 270, 222, 138), (0.334, 276, 230, 146), (0.347, 284, 240, 158), (0.353, 288, 246, 164), (0.365, 294, 254, 172),
            (0.380, 302, 262, 181), (0.395, 310, 270, 190))  # fmt: skip
    for number, (lift, seat, check, high) in enumerate(rows):
        held = [f"{seat + more} at .006 in, {check + more} at .050 in, {high + more} at .200 in" for more in (0, 6)]
        yield Part("cams", f"N-{number + 101}", _told(_SERIES[number], "cam"), {
            "intake_lift": round(lift * _IN, 4), "exhaust_lift": round((lift - 0.005) * _IN, 4), "intake_durations": held[0],
            "exhaust_durations": held[1],
        })  # fmt: skip
