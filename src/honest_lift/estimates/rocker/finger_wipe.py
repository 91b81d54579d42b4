"""What the lobe wipes on a sliding finger's pad at a valve, and the pad on the tip that centres it."""

from __future__ import annotations

from math import isfinite

import numpy as np

from honest_lift.estimates.rocker.gear import Rocker
from honest_lift.estimates.rocker.parts import part_at
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.engine import Book
from honest_lift.mechanics.rocker.finger import PAD_REACH_MM, FingerGear, Wipe, pad_for_centred_wipe, wipe_of
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.units import in_words

_SAMPLES = 361


def lobe_samples(book: Book, role: str, position: str) -> tuple[Array, Array] | str:
    """Give lifts (k,) of a valve's lobe and its slopes there (k,) in mm a cam radian, or why there are none."""
    turn = turn_of(book, role, position)
    if turn.valve is None:
        return turn.missing
    if turn.at_valve:
        return (
            "its lobe was walked at the valve; the wipe needs the lobe's own lift, walked at the finger or by its card"
        )
    lobe = turn.valve.lobe
    cam = np.linspace(lobe.start_deg, lobe.end_deg, _SAMPLES)
    return np.maximum(lobe.lift(cam), 0.0), lobe.velocity(cam) * (180.0 / np.pi)


def wipe_at(book: Book, role: str, position: str, gear: FingerGear) -> Wipe | str:
    """Give the wipe a finger's pad gets, or what is missing to tell it."""
    middle = part_at(book, "pad_centre", role, position).value
    if not isfinite(middle):
        return "state where the centre of the cam pad lies (Dimensions), if the finger slides; a roller wipes nothing"
    samples = lobe_samples(book, role, position)
    return samples if isinstance(samples, str) else wipe_of(gear, np.array(middle), *samples)


def centring_pad_mm(book: Book, rocker: Rocker, position: str) -> float | str:
    """Give by how much the pad on the tip has to grow for a centred wipe, the pivot set anew; or why that is not told."""
    role = rocker.place.role
    gear, middle = rocker.gear, part_at(book, "pad_centre", role, position).value
    samples = lobe_samples(book, role, position)
    if not isinstance(gear, FingerGear) or not isfinite(middle):
        return "where the centre of the cam pad lies is not stated"
    if rocker.on_shaft:
        return "on a fixed pivot the pad sets the lash, and not the wipe: towers or pivot have to be shimmed"
    if isinstance(samples, str):
        return samples
    found = pad_for_centred_wipe(gear, middle, rocker.lash_mm, *samples)
    if isfinite(found):
        return found
    reach = in_words(PAD_REACH_MM, "length", book.engine.unit("length"))
    return f"no pad within {reach} centres the wipe: towers or pivot have to be shimmed"
