"""Which valve sat where: valves with a number are told apart from the seats they sit in.

A fitment in the valve's slot names the valve by its number in `part`. One that only names the valve that is there already
(`NUMBERED`), or puts a valve that is known somewhere else (`PUT`), changes nothing of the valve itself.
"""

from __future__ import annotations

from collections.abc import Sequence

from honest_lift.facts.fitments import Fitment, Slot, in_place, since

VALVE: Slot = "valve"
NUMBERED, PUT, EXCHANGED = "numbered", "put", "exchanged"
ITSELF = (NUMBERED, PUT, EXCHANGED)  # what leaves a valve as it was


def valve_at(fitments: tuple[Fitment, ...], position: str) -> str:
    """Give the number of the valve that sits at a position; "" for one without a number, or none."""
    now = in_place(fitments).get((VALVE, position))
    return now.part if now else ""


def place_of_valve(fitments: tuple[Fitment, ...], number: str) -> str:
    """Give the position a valve sits at; "" for one that lies on the bench."""
    if not number:
        return ""
    return next((at for (slot, at), one in in_place(fitments).items() if slot == VALVE and one.part == number), "")


def valve_of(fitments: tuple[Fitment, ...], position: str, then: str) -> str:
    """Give the number of the valve that sat at a position with a fitment ("" for before any); "" for one that never had one."""
    own = next((one for one in fitments if one.id == then), None)
    if own is not None and own.part:
        return own.part
    after = since(fitments, VALVE, position, then)
    return after[0].part if after and after[0].change == NUMBERED else ""


def worked_on(fitments: tuple[Fitment, ...], number: str, then: str) -> tuple[Fitment, ...]:
    """Give what was done to a valve itself, wherever it sat, after a fitment ("" for from the beginning)."""
    at = next((i for i, one in enumerate(fitments) if one.id == then), -1)
    return tuple(
        one for one in fitments[at + 1 :] if one.slot == VALVE and one.part == number and one.change not in ITSELF
    )


def valves_known(fitments: Sequence[Fitment]) -> tuple[str, ...]:
    """Give the numbers of all valves there ever were, in the order they came."""
    return tuple(dict.fromkeys(one.part for one in fitments if one.slot == VALVE and one.part))


def tried_at(fitments: Sequence[Fitment], position: str) -> tuple[str, ...]:
    """Give the numbers of the valves that ever sat at a position, in the order they came."""
    return tuple(
        dict.fromkeys(one.part for one in fitments if (one.slot, one.position) == (VALVE, position) and one.part)
    )
