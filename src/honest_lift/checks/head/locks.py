"""Locks and retainer: one angle, one stem, the whole taper at work, and room to the rocker."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.on_valves import everywhere, is_given, on_valves, where_stated
from honest_lift.estimates.estimate import derive, estimate_of
from honest_lift.estimates.of_spring import inside_of_outer
from honest_lift.facts.engine import Book
from honest_lift.numbers.doubt import Array

LOCK_ANGLE = Check(
    "lock_angle", "Lock angle", "heights", "angle", "Angle of the locks less that of the retainer's taper."
)
LOCK_STEM = Check(
    "lock_stem", "Lock to stem", "heights", "length", "Stem the locks are made for, less the stem where they grip it.",
)  # fmt: skip
LOCK_OUT = Check(
    "lock_out", "Lock protrusion", "heights", "length", "How far the locks protrude over the retainer.",
)  # fmt: skip
LOCK_ENGAGED = Check(
    "lock_engaged", "Lock engaged", "heights", "percent", "Share of the lock's length that is inside the retainer.",
)  # fmt: skip
SPRING_ON_RETAINER = Check(
    "spring_on_retainer", "Spring on retainer", "heights", "length",
    "Inside of the spring less the step of the retainer that centres it.",
)  # fmt: skip


def check_locks(book: Book) -> list[Finding]:
    """Hold locks against retainer and stem, and the retainer against the spring and the rocker."""
    retainer, lock = everywhere(book, "retainer_angle"), everywhere(book, "lock_angle")
    angles = {"lock": lock.figure.value, "retainer": retainer.figure.value}
    found = [*on_valves(book, LOCK_ANGLE, derive(np.subtract, lock, retainer), angles), *_standing_out(book)]
    if is_given(book, "lock_stem"):
        made_for, stem = everywhere(book, "lock_stem"), everywhere(book, "stem_at_lock")
        stems = {"made_for": made_for.figure.value, "stem": stem.figure.value}
        found += where_stated(on_valves(book, LOCK_STEM, derive(np.subtract, made_for, stem), stems), "lock_stem")
    if is_given(book, "retainer_spigot"):
        found += _on_retainer(book)
    return found


def _standing_out(book: Book) -> list[Finding]:
    out = everywhere(book, "lock_out")
    found = on_valves(book, LOCK_OUT, out, {})
    if is_given(book, "lock_length"):
        long = everywhere(book, "lock_length")
        terms = {"protrusion": out.figure.value, "lock_length": long.figure.value}
        found += where_stated(on_valves(book, LOCK_ENGAGED, derive(_share_inside, out, long), terms), "lock_length")
    return found


def _share_inside(out_mm: Array, long_mm: Array) -> Array:
    return np.asarray(100.0 * (1.0 - np.maximum(out_mm, 0.0) / long_mm))


def _on_retainer(book: Book) -> list[Finding]:
    spigot = everywhere(book, "retainer_spigot")
    bore = estimate_of([inside_of_outer(book, book.engine.spring_at(one.id)) for one in book.engine.layout.positions])
    terms = {"spring_inside": bore.figure.value, "retainer_step": spigot.figure.value}
    return where_stated(
        on_valves(book, SPRING_ON_RETAINER, derive(np.subtract, bore, spigot), terms), "retainer_spigot"
    )
