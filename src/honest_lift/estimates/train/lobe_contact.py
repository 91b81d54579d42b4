"""What every valve's follower presses on the nose of its lobe while the engine turns slowly, and the pressure in that contact.

Turned slowly nothing takes load off the nose: what the spring bears open goes through the rocker to the lobe. Fast, the spring
turns the train round there, and the flanks carry more. A lifter with a crown on a tapered lobe touches in a point: not modelled.
"""

from __future__ import annotations

from math import inf, isfinite, pi

import numpy as np
from msgspec.structs import replace

from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.rocker.parts import base_by_card
from honest_lift.estimates.train.masses import Moving
from honest_lift.facts.engine import Book
from honest_lift.facts.place import at_position
from honest_lift.mechanics.motion.lift_table import ROWS
from honest_lift.mechanics.train.lobe_contact import line_pressure_mpa, nose_radius_mm
from honest_lift.numbers.doubt import Array, Ground

_CAM_RADIAN = 360.0 / pi  # crank degrees of a radian of the cam, by two
_EDGES = 0.06  # share of the face's width by which what bears may differ, standard: chamfers, tilt, crown. From memory
_ABOUT = 8  # rows of the lift table to each side of the nose over which its bend is taken: 4 crank degrees
CROWNED = "a crowned lifter on a tapered lobe touches in a point: not modelled"


def nose_load(open_load: Estimate, moving: tuple[Moving, ...]) -> Estimate:
    """Give the load on every lobe's nose (n,), N, turned slowly."""
    return derive(lambda load, ratio: load * ratio, open_load, estimate_of([one.carried for one in moving]))


def nose_pressure(book: Book, load: Estimate, moving: tuple[Moving, ...]) -> Estimate:
    """Give the greatest pressure between every lobe's nose and what runs on it (n,), MPa."""
    names = [at_position(one.id) for one in book.engine.layout.positions]
    base = [base_by_card(book, one, at) for one, at in zip(at_each_valve(book, "base_circle"), names, strict=True)]
    lift, bend = (np.array(own) for own in zip(*map(_nose, moving), strict=True))

    def pressure(load_n: Array, ratio: Array, nose: Array, width: Array, across: Array, follower: Array) -> Array:
        rho = nose_radius_mm(across / 2.0, lift / ratio, bend / ratio * nose, follower)
        return line_pressure_mpa(load_n, width, rho, follower)

    found = derive(
        pressure, load, estimate_of([one.carried for one in moving]), estimate_of([one.nose for one in moving]),
        estimate_of(_bearing(at_each_valve(book, "lobe_width"))), estimate_of(base), estimate_of(_followers(book)),
    )  # fmt: skip
    nothing = ~np.isfinite(found.figure.value)
    return Estimate(found.figure.on_ground(nothing, Ground.MISSING), found.inputs)


def _bearing(widths: tuple[Input, ...]) -> list[Input]:
    """Give the widths with the doubt of how much of each bears: 3 percent of the pressure."""
    bears = "how much of the lobe's face bears"
    return [replace(one, each=(*one.each, ("lobe_contact:edges", bears, _EDGES * one.value))) if isfinite(one.value) else one
            for one in widths]  # fmt: skip


def _nose(one: Moving) -> tuple[float, float]:
    """Give what the nose lifts a rigid valve with its lash, mm, and its bend there, mm a radian of the cam squared."""
    if not one.asked:
        return float("nan"), float("nan")
    asked, slope = (np.frombuffer(body, dtype=np.float64) for body in (one.asked, one.slope))
    top = int(asked.argmax())
    step = 720.0 / (ROWS - 1)
    bend = (slope[top + _ABOUT] - slope[top - _ABOUT]) / (2 * _ABOUT * step)
    return float(asked.max() - asked.min()), float(bend) * _CAM_RADIAN**2


def _followers(book: Book) -> list[Input]:
    """Give the radius that runs on every lobe: of a roller or pad as it is told; flat of a bucket."""
    engine = book.engine
    if engine.gear == "bucket" or engine.lifter.endswith("flat"):
        crowned = engine.gear != "bucket"
        ground = Ground.ASSUMED | Ground.UNRANGED if crowned else Ground.NONE
        return [Input("follower_radius", at_position(one.id).title, "assumed" if crowned else "not applicable", inf, ground=ground,
                      note=CROWNED if crowned else "", asked=at_position(one.id))
                for one in engine.layout.positions]  # fmt: skip
    return list(at_each_valve(book, "follower_radius"))
