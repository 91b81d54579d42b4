"""How head bolts are pulled down: order, steps, torque, lubricant, and those that enter water. The manual's figures, no others."""

from __future__ import annotations

import re

from msgspec import Struct

from honest_lift.facts.layout import Head
from honest_lift.numbers.mendable import MendableError

STEPS, MOST_STEPS = 3, 6
TORQUE_NM = (1.0, 500.0)
_SIDE_MM = 48.0  # drawing only: of a row of bolts from the middle of its head
_PITCH_MM = 100.0


class BoltPlan(Struct, frozen=True, forbid_unknown_fields=True):
    """The plan of every head. `order`: places in the order they are pulled, own; empty for from the middle out. `wet`: places that
    enter water and want sealer. `torque_nm`: the last step's, from the manual; None until somebody states it. `after_heat`: what
    the manual says of pulling again.
    """

    order: tuple[int, ...] = ()
    wet: tuple[int, ...] = ()
    steps: int = STEPS
    torque_nm: float | None = None
    lubricant: str = ""
    after_heat: str = ""

    def at_step(self, step: int) -> float | None:
        """Give the torque of a step from 1 on: equal shares of the last; None where nobody stated it.

        >>> BoltPlan(torque_nm=90.0).at_step(2)
        60.0
        """
        return None if self.torque_nm is None else self.torque_nm * step / self.steps


def bolts_are_odd(plan: BoltPlan) -> str:
    """Say why a plan makes no sense, whatever the head; "" when it does."""
    if not 1 <= plan.steps <= MOST_STEPS:
        return f"Steps are a whole number from 1 to {MOST_STEPS}"
    low, high = TORQUE_NM
    if plan.torque_nm is not None and not low <= plan.torque_nm <= high:
        return f"A torque lies between {low:g} and {high:g} N·m"
    return ""


class Place(Struct, frozen=True):
    """A bolt's place: its number along the head, from 1, first the row above, and where it is drawn."""

    number: int
    x_mm: float
    y_mm: float


def places_of(head: Head) -> tuple[Place, ...]:
    """Give the bolt places of a head: two rows, between its cylinders and past both ends."""
    cylinders = list(dict.fromkeys(one.cylinder for one in head.positions))
    middles = sorted(
        sum(own) / len(own) for own in ([p.x_mm for p in head.positions if p.cylinder == one] for one in cylinders)
    )
    pitch = (middles[-1] - middles[0]) / (len(middles) - 1) if len(middles) > 1 else _PITCH_MM
    columns = [middles[0] - pitch / 2.0 + pitch * i for i in range(len(middles) + 1)]
    rows = [(x, y) for y in (_SIDE_MM, -_SIDE_MM) for x in columns]
    return tuple(Place(i, x, y) for i, (x, y) in enumerate(rows, 1))


def pulled(head: Head, plan: BoltPlan) -> tuple[Place, ...]:
    """Give the places in the order they are pulled: an own one that fits the head, else from the middle out, crosswise."""
    places = places_of(head)
    if sorted(plan.order) == [one.number for one in places]:
        by_number = {one.number: one for one in places}
        return tuple(by_number[one] for one in plan.order)
    centre = sum(one.x_mm for one in places) / len(places)

    def turn(one: Place) -> tuple[float, int]:
        side = 0 if one.x_mm <= centre else 1
        above = one.y_mm > 0
        return round(abs(one.x_mm - centre), 3), (0 if above else 2) if side == 0 else (3 if above else 1)

    return tuple(sorted(places, key=turn))


def read_numbers(text: str, most: int, *, whole: bool = False) -> tuple[int, ...]:
    """Read places typed in a row, `5 6 4 7`. `whole`: all of them once. Raises MendableError with what would be right."""
    words = re.findall(r"[^\s,;–-]+", text)
    if any(not re.fullmatch("[0-9]{1,4}", one) or not 1 <= int(one) <= most for one in words):
        raise MendableError(f"Places are written as numbers from 1 to {most}, such as “5 6 4 7”.")
    numbers = tuple(int(one) for one in words)
    if len(set(numbers)) < len(numbers):
        raise MendableError("A place stands there twice.")
    if whole and numbers and len(numbers) < most:
        raise MendableError(f"An own order names all {most} places once; leave it empty for from the middle out.")
    return numbers
