"""Degreeing in words: what the stop readings and the equal lifts come to, and what moves the cam where it should stand."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.drawings.cam.degree_wheel import WheelWalk
from honest_lift.facts.cam import side_of
from honest_lift.mechanics.cam.degreeing import from_tdc, middle_of, middle_of_lobe, offset_for, tooth_deg
from honest_lift.numbers.units import in_words
from honest_lift.words.cam.turn import stands

_USUAL_DEG, _FAR_DEG = 110.0, 40.0
_NEAR_DEG = 0.25


class Walked(Struct, frozen=True):
    """What was read on the way, degrees on the wheel; None where it is not read yet."""

    role: str
    stops: tuple[float | None, float | None] = (None, None)
    flanks: tuple[float | None, float | None] = (None, None)
    wanted: float | None = None  # the centreline it should stand at, positive as cards print it
    radius_mm: float | None = None
    at_cam: bool = False
    teeth: int | None = None


def tdc_of(walked: Walked) -> float | None:
    """Give where the wheel stands at TDC; None before both stops are read."""
    first, other = walked.stops
    if first is None or other is None or first == other:
        return None
    return (middle_of(first, other) + 180.0) % 360.0 - 180.0


def centreline_of(walked: Walked) -> float | None:
    """Give the centreline, positive as cards print it; None before everything is read."""
    tdc, (opening, closing) = tdc_of(walked), walked.flanks
    if tdc is None or opening is None or closing is None:
        return None
    side = side_of(walked.role)
    return side * from_tdc(middle_of_lobe(opening, closing), tdc, side * _USUAL_DEG)


def stands_there(centreline: float) -> bool:
    """Tell whether any lobe stands at a centreline, positive as cards print it."""
    return abs(centreline - _USUAL_DEG) <= _FAR_DEG


def wheel_walk(walked: Walked, unit: str) -> WheelWalk:
    """Give what is on the wheel so far: stops, TDC, equal lifts, the centreline found and wanted, and what closes the two."""
    tdc, centreline, side = tdc_of(walked), centreline_of(walked), side_of(walked.role)
    there = centreline is not None and stands_there(centreline)
    found = tdc + side * centreline if tdc is not None and centreline is not None and there else None
    wanted = tdc + side * walked.wanted if tdc is not None and walked.wanted is not None else None
    words = ""
    if centreline is not None and walked.wanted is not None and there:
        off = _ahead_deg(walked.role, centreline, walked.wanted)
        words = (
            "as wanted"
            if abs(off) < _NEAR_DEG
            else f"{'retard' if off > 0 else 'advance'} by {abs(off):.1f} crank degrees"
        )
        if walked.radius_mm and abs(off) >= _NEAR_DEG:
            offset = offset_for(off, walked.radius_mm, at_cam=walked.at_cam)
            words += f": {'dowel' if walked.at_cam else 'key'} offset by {in_words(offset, 'length', unit)}"
    return WheelWalk(walked.stops, tdc, walked.flanks, found, wanted, words)


def degree_words(walked: Walked, unit: str) -> tuple[str, ...]:
    """Say what has been found so far, and what to do next."""
    tdc = tdc_of(walked)
    if tdc is None:
        same = walked.stops[0] is not None and walked.stops[0] == walked.stops[1]
        return ("Both stop readings are the same: turn onto the stop from the other side.",) if same else (
            "Fit the stop, turn the crank gently onto it one way, read; then the other way, read.",
        )  # fmt: skip
    lines = [
        f"TDC is at {tdc:+.2f} on the wheel. Move the pointer by that, or leave it: everything below counts from there."
    ]
    centreline = centreline_of(walked)
    if centreline is None:
        return (
            *lines,
            "Now the lobe: read the wheel at one lift going up the flank, and at the same lift coming down.",
        )
    where = "ATDC" if walked.role == "intake" else "BTDC"
    lines.append(f"The {walked.role} lobe centreline is {centreline:.1f}° {where}.")
    if not stands_there(centreline):
        lines.append(
            "No such lobe is there. Was the wheel read on another cylinder's lobe, or were opening and closing exchanged?"
        )
    elif walked.wanted is not None:
        lines += _moved(walked, centreline, walked.wanted, unit)
    return tuple(lines)


def _moved(walked: Walked, centreline: float, wanted: float, unit: str) -> list[str]:
    """Say how it stands against what is wanted, and what moves it there."""
    ahead = _ahead_deg(walked.role, centreline, wanted)
    lines = [f"Wanted is {wanted:.1f}: the cam is {stands(ahead)}."]
    if abs(ahead) < _NEAR_DEG:
        return lines
    do = "Retard" if ahead > 0 else "Advance"
    lines[0] += f" {do} it by {abs(ahead):.1f} crank degrees, {abs(ahead) / 2:.2f} of the cam."
    where = "dowel in the cam gear" if walked.at_cam else "key in the crank gear"
    if walked.radius_mm:
        offset = in_words(offset_for(ahead, walked.radius_mm, at_cam=walked.at_cam), "length", unit)
        lines.append(
            f"A {where} {in_words(walked.radius_mm, 'length', unit)} from the centre: offset it by {offset}, {_way(ahead)}."
        )
    if walked.teeth:
        lines.append(f"One tooth of the cam's {walked.teeth} is {tooth_deg(walked.teeth):.1f} crank degrees.")
    lines.append("Then read all four again: only that shows which way it went.")
    return lines


def _ahead_deg(role: str, centreline: float, wanted: float) -> float:
    """Give by how much a cam is early: an intake with a smaller centreline is, an exhaust with a larger one."""
    return side_of(role) * (wanted - centreline)


def _way(ahead: float) -> str:
    return f"so that the cam comes {'later than' if ahead > 0 else 'ahead of'} where it is, the way the engine turns"
