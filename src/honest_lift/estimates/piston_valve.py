"""Piston to valve at every valve: the least clearance through the turn with its doubt, and what it rests on.

The curve is worked out over the whole turn once, and displaced, source by source and over every assumed range, around its
least and next-least local minimum (house design: a minimum over a turn). A lobe by its card, or a middle nobody found with the
wheel, is assumed with a range: what rests on it never passes.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from math import isfinite, nan, sqrt

import numpy as np
from msgspec import Struct

from honest_lift.estimates.cam_card import centre_deg, durations_of, flank_of, lobe_of
from honest_lift.estimates.estimate import Estimate, Input, derive, estimate_of
from honest_lift.estimates.lift import either
from honest_lift.estimates.lobe_read import LobeRead, lobe_read, stale_words, table_near
from honest_lift.estimates.nose import nose_of_table
from honest_lift.estimates.of_valve import at_each_valve, at_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker_parts import kind_of, told_everywhere
from honest_lift.estimates.rockers import plain, rockers_of
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.tools import offset_doubt, scatter_doubt
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.mechanics.cam.lobe import CardLobe, Lobe
from honest_lift.mechanics.clearance.piston_valve import (
    LobeTables,
    along_stem,
    local_minima,
    piston_drop,
    refined_least,
)
from honest_lift.numbers.doubt import Array, Ground

SPAN_DEG, STEP_DEG = 120.0, 0.5
TURN = np.arange(-SPAN_DEG, SPAN_DEG + STEP_DEG / 2, STEP_DEG)
_WINDOW = np.arange(-8.0, 8.01, STEP_DEG)
_FIRST = 12  # parts before those of the gear
_NEAR_MM, _SAMPLES = 1.0, 241
_SHAPED_MM = 0.5  # a lobe drawn from its card ends where it ends: the doubt of its shape grows to this lift
_CARD_MM = {2: 0.74, 3: 0.15}  # how far a lobe drawn from so many stated durations may be off, docs/validation.md
_TIMING_DEG = 4.0  # how far a cam nobody has degreed may stand off its card. Common practice, no source
_CRANK = ("stroke", "rod_length", "pin_offset")
_TO_PISTON = ("valve_recess", "gasket_thickness", "deck_clearance", "pocket_depth")
_ANGLES = ("valve_lean", "pocket_lean")


Shared = tuple[tuple[str, str, float], ...]


class Through(Struct, frozen=True):
    """One valve ready to be turned: its parts, its lobe and how it is timed, or what is missing."""

    position: str
    inputs: tuple[Input, ...] = ()
    lobe: Lobe | None = None
    lobe_key: object = None
    by_gear: bool = False
    at_valve: bool = False
    missing: tuple[Input, ...] = ()


class ThroughTurn(Struct, frozen=True):
    """The least clearance of every valve (n,), the crank angle it stands at (n,), and its curve over TURN (n, k); NaN for none."""

    least: Estimate
    at_deg: np.ndarray
    curves: np.ndarray


def piston_to_valve(book: Book) -> ThroughTurn:
    """Give the clearance of every valve in head order. Valves with the very same parts and lobe are worked out once."""
    known = _Parts(book)
    valves = [_through(book, known, case, one.id) for case, one in enumerate(book.engine.layout.positions)]
    count = len(valves)
    at, curves = np.full(count, nan), np.full((count, len(TURN)), nan)
    least = estimate_of([_unknown(one) for one in valves])
    least = Estimate(least.figure, tuple((*one.inputs, *one.missing) for one in valves))
    for by_gear, read_there in ((True, False), (False, False), (False, True)):
        rows = [
            i
            for i, one in enumerate(valves)
            if not one.missing and (one.by_gear, one.at_valve) == (by_gear, read_there)
        ]
        if not rows:
            continue
        alike: dict[tuple[object, ...], int] = {}
        of_row = [alike.setdefault((valves[i].lobe_key, *map(plain, valves[i].inputs)), len(alike)) for i in rows]
        first = [valves[rows[of_row.index(case)]] for case in range(len(alike))]
        found, found_at, found_curves = _turned(book, first)
        at[rows], curves[rows] = found_at[of_row], found_curves[of_row]
        figure = found.figure.take(np.array(of_row, dtype=np.int64))
        least = _placed(least, rows, Estimate(figure, tuple(valves[i].inputs for i in rows)), count)
    return ThroughTurn(least, at, curves)


class _Parts:
    """What every valve is put together from, resolved once for all."""

    def __init__(self, book: Book) -> None:
        self.each = {name: at_each_valve(book, name) for name in ("valve_drop", *_TO_PISTON, *_ANGLES)}
        self.crank = [resolve(book, name, ENGINE) for name in _CRANK]
        self.rockers = rockers_of(book)
        self.gears = told_everywhere(book) if self.rockers is not None else []

    def of(self, name: str, case: int) -> Input:
        """Give a part at a valve."""
        return self.each[name][case]


def _unknown(one: Through) -> Input:
    ground = Ground.MISSING
    return Input("valve_drop", "", "missing", ground=ground, asked=at_position(one.position))


def _placed(whole: Estimate, rows: Sequence[int], found: Estimate, count: int) -> Estimate:
    """Put the answers of some valves where they belong."""
    order = np.zeros(count, dtype=np.int64)
    order[list(rows)] = np.arange(len(rows))
    spread = found.take(order.tolist())
    first = np.zeros(count, dtype=bool)
    first[list(rows)] = True
    return either(first, spread, whole)


def _through(book: Book, known: _Parts, case: int, position: str) -> Through:
    role = at_position(position).role
    parts, missing = _drop(known, case, position)
    crank = [
        one if isfinite(one.value) or i < 2 else _exact("pin_offset", position) for i, one in enumerate(known.crank)
    ]
    lean = known.of("valve_lean", case)
    floor = _floor(known, case, position, lean)
    shape, lobe, key, centre = _lobe(book, role, position)
    read_there = shape.kind == "at valve"
    gear = _gear(book, known, case, position, read_at_valve=read_there)
    told = [*parts, *crank, lean, floor, centre, shape, *gear]
    missing += [one for one in (*crank, lean, centre, shape, *gear) if one.ground & Ground.MISSING]
    return Through(position, tuple(told), lobe, key, len(gear) > 3, read_there, tuple(dict.fromkeys(missing)))


def _exact(name: str, position: str, value: float = 0.0) -> Input:
    return Input(name, "", "not applicable", value, asked=at_position(position))


def _drop(known: _Parts, case: int, position: str) -> tuple[list[Input], list[Input]]:
    """Give the room at TDC: the drop as it was measured, or what it adds up from; and what of it is missing."""
    drop = known.of("valve_drop", case)
    if isfinite(drop.value) or drop.note:
        return [drop, *(_exact(name, position) for name in _TO_PISTON)], [drop] if not isfinite(drop.value) else []
    parts = [known.of(name, case) for name in _TO_PISTON]
    if any(not isfinite(one.value) for one in parts):
        return [drop, *parts], [drop]
    return [_exact("valve_drop", position, nan), *parts], []


def _floor(known: _Parts, case: int, position: str, lean: Input) -> Input:
    """Give the pocket's angle; where nobody stated one, anything from a flat crown to a floor parallel to the valve."""
    told = known.of("pocket_lean", case)
    if isfinite(told.value):
        return told
    if not isfinite(lean.value) or (lean.value == 0.0 and not lean.shared and not lean.own_u):
        return _exact("pocket_lean", position)  # of an upright valve any floor gives the same
    low, high = sorted((0.0, lean.value))
    note = (
        told.note or "nobody has stated the pocket's angle: anything from a flat crown to a floor parallel to the valve"
    )
    ground = Ground.ASSUMED | (told.ground & Ground.SET_ASIDE)
    return Input("pocket_lean", "", "assumed", lean.value / 2.0, ground=ground, low=low, high=high, note=note,
                 asked=at_position(position))  # fmt: skip


def _gear(book: Book, known: _Parts, case: int, position: str, *, read_at_valve: bool) -> list[Input]:
    """Give what carries the lobe: the gear's own parts where they are proven, else lobe lift, ratio and lash."""
    place = at_position(position)
    if read_at_valve:
        return [at_valve(book, "valve_lift", position), _exact("rocker_ratio", position, 1.0), _exact("lash", position)]
    if known.rockers is not None and known.rockers.proven[case]:
        return list(known.gears[case].inputs)
    hydraulic = book.engine.lifter.startswith("hydraulic")
    ratio = (
        _exact("rocker_ratio", position, 1.0) if book.engine.gear == "bucket" else resolve(book, "rocker_ratio", place)
    )
    lash = _exact("lash", position) if hydraulic else resolve(book, "lash", place)
    return [at_valve(book, "lobe_lift", position), ratio, lash]


def _lobe(book: Book, role: str, position: str) -> tuple[Input, Lobe | None, object, Input]:
    """Give the lobe's shape as an input, the lobe, what tells it from others, and its middle as an input."""
    found = table_near(book, role, position)
    read = lobe_read(book, found) if found else None
    if found is None or read is None or read.lobe is None:
        return _by_card(book, role, position)
    ground = Ground.STALE if stale_words(book, found) else Ground.NONE
    ground |= Ground.UNSOUND if read.troubles else Ground.NONE
    nose = nose_of_table(book, READ_AS[found.table.read_at], found.table.place)
    ground |= nose.ground if nose else Ground.NONE
    kind = "at valve" if found.table.read_at == "valve" else "measured"
    dial = book.engine.tool(found.table.tool)
    own = scatter_doubt(dial, 0.0) if dial else 0.0
    shape = Input("lobe_shape", found.table.place.title, kind, 0.0, own, ground=ground, asked=at_position(position))
    return shape, read.lobe, found.key, _middle(book, role, position, read)


def _by_card(book: Book, role: str, position: str) -> tuple[Input, Lobe | None, object, Input]:
    flank, place = flank_of(book, role), at_position(position)
    middle = _middle(book, role, position, None)
    if isinstance(flank, str):
        return Input("lobe_shape", "", "missing", ground=Ground.MISSING, note=flank, asked=place), None, "", middle
    card = lobe_of(book.engine, role)
    off = _CARD_MM[2 if card is None or len(durations_of(card)) < 3 else 3]
    shape = Input("lobe_shape", "the cam card", "assumed", 0.0, ground=Ground.ASSUMED, low=-off, high=off,
                  note="drawn from the card: its shape between the durations is assumed", asked=place)  # fmt: skip
    return shape, CardLobe(flank), role, middle


def _middle(book: Book, role: str, position: str, read: LobeRead | None) -> Input:
    """Give where the lobe's middle stands, crank degrees from TDC: its own stops, the wheel, else the card within a range."""
    place, side = at_position(position), side_of(role)
    if read is not None and read.centre_deg is not None:
        wheel = book.engine.tool(read.found.table.wheel)
        ground = Ground.NONE if wheel and wheel.is_stated else Ground.NO_TOOL
        shared: tuple[tuple[str, str, float], ...] = (
            ((f"tool:{wheel.id}", f"{wheel.name}, its accuracy", offset_doubt(wheel, 0.0)),) if wheel else ()
        )
        scatter = scatter_doubt(wheel, 0.0) if wheel else 0.0
        own = sqrt(read.centre_u_deg**2 + scatter**2 / 2.0)  # the stop was read both ways
        return Input("lobe_centreline", place.title, "measured", read.centre_deg, own, shared, ground, asked=place,
                     tool=wheel.name if wheel else "")  # fmt: skip
    told = resolve(book, "lobe_centreline", place)
    if told.kind == "measured":
        shared = tuple((key, label, side * u) for key, label, u in told.shared)
        return replace(told, value=told.value * side, shared=shared)
    centre = centre_deg(book, role)
    if centre is None:
        return Input("lobe_centreline", "", "missing", ground=Ground.MISSING, asked=place)
    return Input("lobe_centreline", "the cam card", "assumed", centre, ground=Ground.ASSUMED, low=centre - _TIMING_DEG,
                 high=centre + _TIMING_DEG, note="nobody has degreed the cam: it may stand off its card", asked=place)  # fmt: skip


def tables_of(lobes: Sequence[Lobe]) -> LobeTables:
    """Lay lobes out as tables of one length."""
    starts, steps, lifts, slopes = [], [], [], []
    for lobe in lobes:
        cam = np.linspace(lobe.start_deg, lobe.end_deg, _SAMPLES)
        starts.append(cam[0])
        steps.append(cam[1] - cam[0])
        lifts.append(np.maximum(lobe.lift(cam), 0.0))
        slopes.append(lobe.velocity(cam))
    return LobeTables(np.array(starts), np.array(steps), np.array(lifts), np.array(slopes))


class _Turning:
    """Valves that are carried alike, ready to be turned: clearances at crank degrees from arrays of their parts."""

    def __init__(self, book: Book, valves: Sequence[Through]) -> None:
        lobes = [one.lobe for one in valves if one.lobe is not None]
        self.lobes, self.peaks = tables_of(lobes), np.array([one.lift_mm for one in lobes])
        self.kind, self.by_gear = kind_of(book.engine), valves[0].by_gear
        self.names = [one.quantity for one in valves[0].inputs]

    def carried(self, *parts: Array) -> Callable[[Array], Array]:
        """Give what makes the valve's lift of the lobe's, for parts (..., n): put together once, turned many times."""
        rest = parts[_FIRST:]
        if self.by_gear:
            assert self.kind is not None
            return self.kind.make(0.0, *np.broadcast_arrays(*rest)).lift
        return lambda raised: np.asarray(np.maximum(raised * rest[1] - rest[2], 0.0))

    def clearance(
        self, turn_deg: Array, *parts: Array, carried: Callable[[Array], Array] | None = None, lift_by: float = 1.0
    ) -> Array:
        """Give clearances (k, ..., n) at crank degrees (k, 1.., n) from parts (..., n). `lift_by`: a ratio tried over the one."""
        drop, recess, gasket, deck, pocket, stroke, rod, offset, lean, floor, centre, shape = parts[:_FIRST]
        g = along_stem(lean, floor)
        room = np.where(np.isfinite(drop), drop, (recess + gasket + deck + pocket) * g)
        lobe = self.lobes.at((turn_deg - centre) / 2.0)
        top = parts[-2] if self.by_gear else parts[_FIRST]
        raised = np.where(lobe > 0, lobe * (top / self.peaks) + shape * np.minimum(lobe / _SHAPED_MM, 1.0), 0.0)
        lift = (carried or self.carried(*parts))(raised)
        return np.asarray(room + g * piston_drop(turn_deg, stroke, rod, offset) - lift_by * lift)


def _turned(book: Book, valves: Sequence[Through]) -> tuple[Estimate, Array, Array]:
    """Work out valves that are carried alike: least clearance, the angle it stands at, and the curves."""
    turning, inputs = _Turning(book, valves), [one.inputs for one in valves]
    estimates = [estimate_of([own[part] for own in inputs]) for part in range(len(inputs[0]))]
    curves = turning.clearance(TURN[:, None], *(one.figure.value for one in estimates)).T
    minima = local_minima(np.nan_to_num(curves, nan=np.inf), _NEAR_MM)

    alone = bool((minima[:, 0] == minima[:, 1]).all())

    def least(*parts: Array) -> Array:
        parts = tuple(np.broadcast_arrays(*parts))
        carried = turning.carried(*parts)
        around = (TURN[minima[:, which]] + _WINDOW[:, None, None] for which in ((0,) if alone else (0, 1)))
        found = [refined_least(turning.clearance(one, *parts, carried=carried)) for one in around]
        return found[0] if alone else np.minimum(*found)

    with np.errstate(invalid="ignore"):
        whole = derive(least, *estimates)
    figure = whole.figure.on_ground(~np.isfinite(whole.figure.value), Ground.MISSING)
    return Estimate(figure, whole.inputs), TURN[minima[:, 0]], curves


class Tried(Struct, frozen=True):
    """What is changed at one valve to see what it moves: degrees of advance, mm at TDC, of lash, a ratio over the one."""

    advance_deg: float = 0.0
    room_mm: float = 0.0
    lash_mm: float = 0.0
    ratio: float = 1.0


class OneValve:
    """One valve turned again and again with something changed, without doubts. `valve` has nothing missing."""

    def __init__(self, book: Book, valve: Through) -> None:
        self._turning = _Turning(book, [valve])
        self._parts = np.array([[one.value] for one in valve.inputs])

    def curve(self, tried: Tried) -> Array:
        """Give its clearance over TURN."""
        parts, names = self._parts.copy(), self._turning.names
        parts[names.index("lobe_centreline")] -= tried.advance_deg
        parts[-1] += tried.lash_mm
        return self._turning.clearance(TURN[:, None], *parts, lift_by=tried.ratio)[:, 0] + tried.room_mm

    def least(self, tried: Tried | None = None) -> float:
        """Give its least clearance."""
        return float(refined_least(self.curve(tried or Tried())))

    def along_stem(self) -> float:
        """Give mm along the stem a mm along the cylinder."""
        names = self._turning.names
        lean, floor = (self._parts[names.index(name)] for name in _ANGLES)
        return float(along_stem(lean, floor)[0])


def one_valve(book: Book, position: str) -> OneValve | tuple[Input, ...]:
    """Give a valve that can be turned, or what of it is missing."""
    positions = [one.id for one in book.engine.layout.positions]
    valve = _through(book, _Parts(book), positions.index(position), position)
    return valve.missing if valve.missing else OneValve(book, valve)
