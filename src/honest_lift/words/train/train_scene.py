"""A cylinder turned by hand, as drawings: one valve with all that moves it, and its heads over the piston or against each other."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite, nan

import numpy as np

from honest_lift.checks.finding import Finding
from honest_lift.drawings.clearance.head_pair import HeadOutline, pair_scene
from honest_lift.drawings.clearance.piston_valve import OverPiston, over_piston_scene
from honest_lift.drawings.rocker.pushrod_rocker import Side
from honest_lift.drawings.scene import Scene
from honest_lift.drawings.train.valve_train import Room, Train, train_scene
from honest_lift.estimates.clearance.piston_valve import OneValve, one_valve
from honest_lift.estimates.clearance.valve_pair import OVERLAP, OnePair, opposed
from honest_lift.estimates.of_valve import at_valve
from honest_lift.estimates.rocker.gear import Rocker, rocker_of
from honest_lift.estimates.train.turn import turn_of
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import Member
from honest_lift.facts.place import at_position, position_title
from honest_lift.mechanics.clearance.valve_valve import Placed
from honest_lift.mechanics.train.valve_turn import ValveTurn
from honest_lift.numbers.units import in_words
from honest_lift.words.rocker.gear import side_of_gear

_HEAD_MM, _STEM_MM, _STEM_SHOWN_MM = 40.0, 8.0, 30.0  # drawn where no valve is measured
TURN = np.arange(-180.0, 180.1, 0.5)
Found = Callable[[str, str], Finding | None]


class CylinderTurned:
    """The valves of a cylinder as they can be turned, put together once and drawn at many angles.

    `found`: gives the finding of a check at a valve, None for none.
    """

    def __init__(self, book: Book, cylinder: tuple[str, ...], found: Found) -> None:
        self._book, self._cylinder, self._found = book, cylinder, found
        self._unit = book.engine.unit("length")
        self._valves: dict[str, ValveTurn | None] = {
            one: turn_of(book, at_position(one).role, one).valve for one in cylinder
        }
        over = {one: one_valve(book, one) for one in cylinder}
        self._over = {name: one.moving(TURN) for name, one in over.items() if isinstance(one, OneValve)}
        self._dimensions: dict[tuple[str, str], float] = {}
        self._rockers: dict[str, Rocker] = {}
        self._pairs = {
            one.position: OnePair(book, one) for one in opposed(book) if one.position in cylinder and not one.missing
        }
        self._gaps = {name: one.gaps_now() for name, one in self._pairs.items()}

    # --- one valve, with all that moves it ---

    def train(self, position: str, crank_deg: float, missing: str) -> Scene:
        """Draw a valve with its rocker, spring, seal and piston at a crank angle."""
        return train_scene(self._train(position, crank_deg), missing)

    def _train(self, position: str, crank_deg: float) -> Train | None:
        valve = self._valves.get(position)
        if valve is None:
            return None
        lift = float(valve.lift(np.array(crank_deg)))
        fitted, engine = self._book.engine.fitted("shims", position), self._book.engine
        card = engine.card_of(engine.spring_at(position))
        rooms = self._rooms(position, crank_deg, lift)
        return Train(
            lift, self._dimension(position, "head_diameter", _HEAD_MM), self._dimension(position, "stem_at_lock", _STEM_MM),
            self._term(position, "coil_bind_clearance", "installed_height"),
            self._term(position, "coil_bind_clearance", "bind_height"),
            self._dimension(position, "seal_gap"), self._dimension(position, "stem_tip_height"),
            card.members if card else (Member("outer"),), (fitted.thicknesses_mm or ()) if fitted else (),
            self._rocker(position, valve, crank_deg), rooms.get("piston_valve"), rooms.get("retainer_seal"),
            rooms.get("coil_bind_clearance"),
        )  # fmt: skip

    def _rooms(self, position: str, crank_deg: float, lift_mm: float) -> dict[str, Room]:
        """Give what is left at this angle of each clearance that moves; the tightest against its limit is marked."""
        left: dict[str, tuple[float, float]] = {}
        for check in ("coil_bind_clearance", "retainer_seal"):
            finding = self._found(check, position)
            if finding is not None and isfinite(finding.figure):
                more = max(self._term(position, check, "valve_lift") - lift_mm, 0.0)
                left[check] = (finding.figure + more, finding.lowest)
        if position in self._over:
            own = self._found("piston_valve", position)
            room = float(np.interp(crank_deg, TURN, self._over[position][1]))
            left["piston_valve"] = (room, own.lowest if own else nan)
        limited = {check: room - least for check, (room, least) in left.items() if isfinite(least)}
        tightest = min(limited, key=lambda one: limited[one]) if limited else ""
        return {check: Room(room, self._told(check, room), check == tightest) for check, (room, _) in left.items()}

    def _told(self, check: str, room_mm: float) -> str:
        name = {"coil_bind_clearance": "bind", "retainer_seal": "seal", "piston_valve": "piston"}[check]
        return f"{name} {in_words(room_mm, 'length', self._unit)}" if room_mm > 0 else f"{name}: they meet"

    def _rocker(self, position: str, valve: ValveTurn, crank_deg: float) -> Side | None:
        if position not in self._rockers:
            role = at_position(position).role
            self._rockers[position] = rocker_of(self._book, role, position, with_doubt=False)
        rocker = self._rockers[position]
        if rocker.pushrod_gear is None or not rocker.lobe_mm:
            return None
        lobe = float(valve.lobe.lift(np.array((crank_deg - valve.centre_deg) / 2.0)))
        return side_of_gear(self._book, rocker, max(lobe, 0.0) / rocker.lobe_mm)

    def _term(self, position: str, check: str, key: str) -> float:
        finding = self._found(check, position)
        return finding.term(key) if finding else nan

    def _dimension(self, position: str, quantity: str, usual_mm: float = nan) -> float:
        key = position, quantity
        if key not in self._dimensions:
            self._dimensions[key] = at_valve(self._book, quantity, position).value
        value = self._dimensions[key]
        return value if isfinite(value) else usual_mm

    def tightest_deg(self, position: str) -> float | None:
        """Give the crank angle at which a valve comes nearest to a limit, doubt off; None where nothing is known of it."""
        valve, near = self._valves.get(position), []
        for check in ("coil_bind_clearance", "retainer_seal", "piston_valve", "valve_to_valve"):
            finding = self._found(check, position)
            if finding is None or not isfinite(finding.margin) or valve is None:
                continue
            near.append((finding.margin - finding.expanded, self._nearest_deg(check, position, valve)))
        return min(near)[1] if near else None

    def _nearest_deg(self, check: str, position: str, valve: ValveTurn) -> float:
        if check == "piston_valve" and position in self._over:
            return float(TURN[np.argmin(self._over[position][1])])
        if check == "valve_to_valve":
            return float(OVERLAP[np.argmin(self._gaps[position])]) if position in self._gaps else 0.0
        return valve.centre_deg

    # --- both heads ---

    def heads(self, position: str, crank_deg: float) -> Scene:
        """Draw the heads of a pair that lean toward each other, else every valve of the cylinder over the piston."""
        layout = self._book.engine.layout
        intake = position if position in self._pairs else layout.opposite(position)
        return self._pair(intake, crank_deg) if intake in self._pairs else self._over_piston(crank_deg)

    def _pair(self, intake: str, crank_deg: float) -> Scene:
        placed = self._pairs[intake].at(crank_deg)
        names = (intake, self._book.engine.layout.opposite(intake))
        outlines = tuple(_outline(position_title(name), one) for name, one in zip(names, placed, strict=True))
        finding = self._found("valve_to_valve", intake)
        limit = finding.lowest if finding is not None else nan
        if abs(crank_deg) > OVERLAP[-1]:
            return pair_scene(outlines, "", near=False)
        gap = float(np.interp(crank_deg, OVERLAP, self._gaps[intake]))
        told = f"{in_words(gap, 'length', self._unit)} apart" if gap > 0 else "they meet"
        return pair_scene(outlines, told, near=gap < limit)

    def _over_piston(self, crank_deg: float) -> Scene:
        valves, words = [], []
        for position, moving in self._over.items():
            lift, room = (float(np.interp(crank_deg, TURN, one)) for one in moving)
            head, stem = (
                self._dimension(position, name, usual)
                for name, usual in (("head_diameter", _HEAD_MM), ("stem_at_lock", _STEM_MM))
            )
            valves.append(OverPiston(position_title(position), lift, room, head, stem))
            words.append(in_words(room, "length", self._unit) if room > 0 else "they meet")
        return over_piston_scene(valves, words)


def _outline(name: str, one: Placed) -> HeadOutline:
    """Give a section through the stem of a placed head, as it is seen along the crank: x and z of the valve's own frame."""
    middle, axis = (np.asarray(each)[(0, 2), ...].reshape(2) for each in (one.middle, one.axis))
    along = axis / float(np.hypot(*axis))
    side = np.array([along[1], -along[0]])
    corners = [(float(np.ravel(r)[0]), float(np.ravel(h)[0])) for r, h in one.head.outline()]
    right = [middle + r * side + h * along for r, h in corners]
    left = [middle - r * side + h * along for r, h in reversed(corners)]
    points = tuple((float(x), float(y)) for x, y in (*right, *left))
    top = middle + _STEM_SHOWN_MM * along
    return HeadOutline(name, points, ((float(middle[0]), float(middle[1])), (float(top[0]), float(top[1]))))
