"""The steps in working order, and the one whose sheet a quantity is read on. A new step is a file of its own, named here."""

from __future__ import annotations

from honest_lift.desk.steps import (
    book,
    cam,
    engine,
    head,
    heights,
    match,
    readings,
    rocker,
    shims,
    speed,
    springs,
    squeeze,
    trial,
    turn,
)
from honest_lift.desk.steps.step import Step

STEPS: dict[str, Step] = {
    one.STEP.key: one.STEP
    for one in (engine, head, springs, heights, shims, cam, rocker, turn, squeeze, speed, match, trial, book, readings)
}
FIRST = heights.STEP.key


def sheet_of(quantity: str, place_kind: str) -> str:
    """Give the step whose sheet a quantity is read on."""
    if place_kind == "spring":
        return springs.STEP.key
    of = (rocker, turn, squeeze, head, book)
    return next((one.STEP.key for one in of if quantity in one.STEP.reads), FIRST)
