"""The spring of a valve as drawings: closed and open to scale, and where its installed height stands among all others."""

from __future__ import annotations

from math import isfinite, nan
from typing import TYPE_CHECKING

from honest_lift.drawings.scene import Scene
from honest_lift.drawings.spring.height_axis import Dot, height_axis_scene
from honest_lift.drawings.spring.spring import SpringView, spring_scene
from honest_lift.facts.engine import Engine
from honest_lift.facts.parts import Member
from honest_lift.numbers.units import from_inside, in_words, unit_of

if TYPE_CHECKING:
    from honest_lift.checks.examine import Examination  # the window draws it before anything is examined


def spring_drawn(engine: Engine, seen: Examination | None, position: str, *, lit: bool = False) -> Scene:
    """Draw a valve's spring closed and at full lift, with its shims and where it binds. `lit`: its height is what is asked for."""
    length, load = engine.unit("length"), engine.unit("load")
    card = engine.card_of(engine.spring_at(position)) if position else None
    bind = _term(seen, position, "bind_height")
    shims = engine.fitted("shims", position)

    def view(title: str, height: float, check: str) -> SpringView:
        force = _figure(seen, check, position)
        words = in_words(force, "load", load) if isfinite(force) else "load not proven"
        return SpringView(title, height, in_words(height, "length", length), words)

    return spring_scene(
        card.members if card else (Member("outer"),),
        (view("closed, seat load", _term(seen, position, "installed_height"), "seat_load"),
         view("full lift, open load", _term(seen, position, "open_height"), "open_load")),
        (shims.thicknesses_mm or ()) if shims else (), bind, f"binds {in_words(bind, 'length', length)}",
        card.form if card else "", lit=lit,
    )  # fmt: skip


def heights_drawn(engine: Engine, seen: Examination | None, position: str) -> Scene:
    """Draw all installed heights on one axis, with the band they are set up to and one valve filled."""
    unit = engine.unit("length")
    found = {one.id: seen.finding("installed_height", one.id) for one in engine.layout.positions} if seen else {}
    known = {name: one for name, one in found.items() if one}
    dots = [Dot(name, from_inside(one.figure, "length", unit), name == position) for name, one in known.items()]
    current = known.get(position) or next(iter(known.values()), None)
    ends = (current.lowest, current.highest) if current else (nan, nan)
    low, high = (from_inside(one, "length", unit) for one in ends)
    return height_axis_scene(dots, low, high, unit_of("length", unit).places, unit)


def _term(seen: Examination | None, position: str, key: str) -> float:
    """Give a value of the working of coil-bind clearance; NaN for none."""
    found = seen.finding("coil_bind_clearance", position) if seen else None
    return found.term(key) if found else nan


def _figure(seen: Examination | None, check: str, position: str) -> float:
    found = seen.finding(check, position) if seen else None
    return found.figure if found else nan
