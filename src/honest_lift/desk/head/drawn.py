"""The drawings of the bare-head pages, from the findings of the engine on the desk."""

from __future__ import annotations

from math import isfinite, nan
from typing import TYPE_CHECKING

from honest_lift.desk.session import Session
from honest_lift.drawings.head.guide import guide_scene
from honest_lift.drawings.head.lock import lock_scene
from honest_lift.drawings.profile import Stand, profile_scene
from honest_lift.drawings.scene import Scene
from honest_lift.facts.place import position_title
from honest_lift.numbers.units import from_inside, in_words

if TYPE_CHECKING:
    from honest_lift.checks.finding import Finding


def draw(session: Session, what: str, planned: dict[str, float]) -> Scene:
    """Draw a page. `planned`: where a plan brings the seat of each spring, in mm over specification."""
    if what == "guide":
        return _guide(session)
    if what == "lock":
        return _lock(session)
    if what == "tips":
        return _profile(session, "tip_level", "stem tips over the median of their head", None, {})
    return _profile(session, "spring_seat_level", "spring seats over specification", "over_specification", planned)


def _finding(session: Session, check: str, position: str) -> Finding | None:
    return session.examination.finding(check, position) if session.examination else None


def _term(finding: Finding | None, key: str) -> float:
    return finding.term(key) if finding else nan


def _profile(session: Session, check: str, title: str, term: str | None, planned: dict[str, float]) -> Scene:
    unit = session.unit("length")
    places = 3 if unit == "in" else 2
    stands, bounds = [], (nan, nan)
    for one in session.engine.layout.positions:
        finding = _finding(session, check, one.id)
        height = _term(finding, term) if term else (finding.figure if finding else nan)
        if finding and term is None:
            bounds = finding.lowest, finding.highest
        stands.append(
            Stand(one.id, _shown(height, unit), one.id == session.position, _shown(planned.get(one.id, nan), unit))
        )
    low, high = (_shown(end, unit) for end in bounds)
    return profile_scene(stands, low, high, f"{title}, {unit}", places)


def _shown(value_mm: float, unit: str) -> float:
    return from_inside(value_mm, "length", unit) if isfinite(value_mm) else nan


def _guide(session: Session) -> Scene:
    from honest_lift.checks.head.guides import clearances_mm

    position, unit = session.position, session.unit("length")
    if not position or session.examination is None:
        return guide_scene((nan, nan, nan), nan, nan, ("", "", ""), "")
    gaps = clearances_mm(session.book, position)
    finding = _finding(session, "guide_clearance", position)
    low, high = (finding.lowest, finding.highest) if finding else (nan, nan)
    places = 4 if unit == "in" else 3
    words = [in_words(gap, "length", unit, places) if isfinite(gap) else "–" for gap in gaps]
    return guide_scene(
        gaps, low, high, words, f"guide of {position_title(position)}, clearance drawn far larger than it is"
    )


def _lock(session: Session) -> Scene:
    from honest_lift.estimates.of_valve import at_valve

    position, unit = session.position, session.unit("length")
    if not position or session.examination is None:
        return lock_scene(nan, nan, nan, nan, "", "")
    out, long, lock, retainer = (
        at_valve(session.book, quantity, position).value
        for quantity in ("lock_out", "lock_length", "lock_angle", "retainer_angle")
    )
    told = in_words(out, "length", unit) if isfinite(out) else "not measured"
    angles = f"locks {_degrees(lock)}, retainer {_degrees(retainer)}"
    return lock_scene(out, long, lock, retainer, f"protrudes {told}", angles)


def _degrees(value: float) -> str:
    return f"{value:g} deg" if isfinite(value) else "not stated"
