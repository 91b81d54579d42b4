"""Reference springs of known loads, and the calibrations of spring testers made with them."""

from __future__ import annotations

from msgspec import Struct


class CertifiedPoint(Struct, frozen=True, forbid_unknown_fields=True):
    """A height and the load the reference spring is certified to give there."""

    height_mm: float
    load_n: float


class ReferenceSpring(Struct, frozen=True, forbid_unknown_fields=True):
    """A spring with a certificate: two or more heights and loads.

    `plus_minus_n`: what the certificate says of a single load; `common_percent`: what it says of all of them
    together, as a share of the load.
    """

    id: str
    name: str
    points: tuple[CertifiedPoint, ...] = ()
    plus_minus_n: float | None = None
    common_percent: float | None = None
    note: str = ""


class Calibration(Struct, frozen=True, forbid_unknown_fields=True):
    """A tester held against reference springs: which of its readings it is made of. What follows is computed."""

    id: str
    tool: str
    when: str
    by: str = ""
    readings: tuple[str, ...] = ()
    note: str = ""


NO_CORRECTION = "none"


def calibration_for(
    calibrations: tuple[Calibration, ...], tool: str, correction: str, read_on: str
) -> Calibration | None:
    """Give the calibration that corrects a reading: the one chosen for the tool, else the last one before it.

    A reading taken before any calibration takes the first one made after it: the tester was the same.
    """
    own = sorted((one for one in calibrations if one.tool == tool), key=lambda one: one.when)
    if correction:
        return next((one for one in own if one.id == correction), None)
    before = [one for one in own if one.when <= read_on]
    return before[-1] if before else own[0] if own else None
