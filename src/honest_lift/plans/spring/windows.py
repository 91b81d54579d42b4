"""The window of installed heights that meets all limits of a valve with a spring: its edges by name, and the gaps between.

    lo = max of: h(seat load most), h(open load most) + lift, h(wire stress most) + lift, bind + lift [+ least margin]
    hi = min of: h(seat load least), h(open load least) + lift, bind + lift + largest margin

and the limits of the height about its target, where one is stated.

Each edge is moved inward by its expanded doubt in height: 2 u(load at the height, with the height's doubt and the lift's)/rate
for loads, 2 u(height - lift - bind) for bind. Source: common practice; the guard as in the decision rule. A limit that cannot be
met empties the window: it never drops out of it.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import hypot, isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace
from numpy.typing import NDArray

from honest_lift.checks.spring.stress import has_stress
from honest_lift.checks.valves import Gathered
from honest_lift.estimates.estimate import Estimate, Input, figure_of
from honest_lift.estimates.spring.curves import Curves
from honest_lift.estimates.spring.geometry import predicted_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.tools import offset_doubt, offset_source, scatter_doubt
from honest_lift.mechanics.solving.roots import roots_between
from honest_lift.mechanics.spring.margins import GEOMETRY_PERCENT, coil_bind_clearance, height_of_clearance
from honest_lift.mechanics.spring.nest import nest_free
from honest_lift.numbers.doubt import COVERAGE, Array, Figure, Ground, combine, exact
from honest_lift.plans.best_way import means_of

_TO_MM = 1e-9
_RATE_MM = 0.05  # over which a rate is taken


class Edge(Struct, frozen=True):
    """One edge of a window: what sets it, at which guarded height, and whether it lies outside the measured points.

    `unreached`: the spring does not give the load that is asked for, not even at coil bind, where the edge then lies.
    """

    name: str
    height_mm: float
    extrapolated: bool = False
    unreached: bool = False


class Window(Struct, frozen=True):
    """Where a valve's installed height may lie with a spring. `missing`: why there is no window to give."""

    position: str
    spring: str
    lows: tuple[Edge, ...] = ()
    highs: tuple[Edge, ...] = ()
    missing: str = ""

    @property
    def low(self) -> Edge | None:
        """Give the edge below."""
        return max(self.lows, key=lambda one: one.height_mm, default=None)

    @property
    def high(self) -> Edge | None:
        """Give the edge above."""
        return min(self.highs, key=lambda one: one.height_mm, default=None)

    @property
    def width_mm(self) -> float:
        """Give how wide it is; negative by how much it is empty, NaN without both edges."""
        if self.low is None or self.high is None or self.missing:
            return float("nan")
        return self.high.height_mm - self.low.height_mm

    @property
    def conflicts(self) -> tuple[tuple[Edge, Edge, float], ...]:
        """Give every pair of edges that leave nothing between them, with the gap."""
        pairs = ((low, high, low.height_mm - high.height_mm) for low in self.lows for high in self.highs)
        return tuple(one for one in pairs if one[2] > 0)


class _Row(Struct, frozen=True, eq=False):
    """An edge over cases (n,): guarded heights, NaN where nothing sets it, and what its `Edge` says of it."""

    height_mm: Array
    extrapolated: NDArray[np.bool_]
    unreached: NDArray[np.bool_]


def windows_of(book: Book, gathered: Gathered, pairs: Sequence[tuple[int, int]]) -> list[Window]:
    """Give the window of each pair of a valve (its place in head order) and a spring (its row in the curves)."""
    if not pairs:
        return []
    at = [gathered.at[p] for p, _ in pairs]
    names = [*(one.id for one in book.engine.springs), ""]
    curves = gathered.curves.take([row for _, row in pairs]).on_own_shims([one.more_mm for one in at])
    lift = gathered.lift.take([p for p, _ in pairs])
    bounds = _Bounds(book, [one.role for one in at])
    made = _Edges(curves, lift.figure, height_doubts(book.engine, [one.height for one in at]))
    lows = [made.at_load(bounds.most("seat_load"), lifted=False), made.at_load(bounds.most("open_load"), lifted=True),
            made.at_bind(bounds.least("coil_bind_clearance"), up=True), made.at_bind(np.zeros(len(at)), up=True)]  # fmt: skip
    highs = [made.at_load(bounds.least("seat_load"), lifted=False, down=True),
             made.at_load(bounds.least("open_load"), lifted=True, down=True),
             made.at_bind(bounds.most("coil_bind_clearance"), up=False)]  # fmt: skip
    target = np.array([one.target.value for one in at])
    lows.append(made.at_stress([one.card for one in at], bounds.most("open_stress")))
    lows.append(made.at_height(target + bounds.least("installed_height"), up=True))
    highs.append(made.at_height(target + bounds.most("installed_height"), up=False))
    low_names = (
        "seat load at its max",
        "open load at its max",
        "min coil-bind clearance",
        "coil bind at full lift",
        "wire stress at its max",
        "height farthest under its target",
    )
    high_names = (
        "seat load at its min",
        "open load at its min",
        "max coil-bind clearance",
        "height farthest over its target",
    )
    barred = lift.figure.ground | curves.bind.figure.ground | curves.loads.ground
    return [
        Window(
            one.name, names[row] if row < len(names) else "", _edges(low_names, lows, i), _edges(high_names, highs, i),
            _missing(int(barred[i]), bounds, i),
        )
        for i, (one, (_, row)) in enumerate(zip(at, pairs, strict=True))
    ]  # fmt: skip


def height_doubts(engine: Engine, heights: Sequence[Sequence[Input]]) -> Figure:
    """Give the doubt (n,) in mm, about nothing, that installed heights will have once they are read again.

    As each was read, or as finely as the drawer allows with the shims in: by that reading it will be confirmed.
    """
    return figure_of([_confirmed(engine, one[0]) for one in heights])


def _confirmed(engine: Engine, raw: Input) -> Input:
    as_read = replace(raw, value=0.0, ground=Ground.NONE, kind="measured")
    plain = [one for one in means_of(engine, "installed_height", raw.value) if not one.way.corrections]
    if not plain or plain[0].u >= raw.u:
        return as_read
    tool, figures = plain[0].tool, plain[0].way.figures
    shared = (offset_source(tool, offset_doubt(tool, raw.value)),)
    return replace(as_read, own_u=scatter_doubt(tool, raw.value, figures), shared=shared, each=())


def _missing(ground: int, bounds: _Bounds, i: int) -> str:
    if ground & int(Ground.MISSING):
        return "its spring or its lift is not measured"
    if ground & int(Ground.UNSOUND | Ground.STALE | Ground.NO_TOOL):
        return "what its spring or its lift rests on proves nothing"
    if ground & int(Ground.ASSUMED | Ground.UNRANGED | Ground.UNTOLERATED | Ground.SET_ASIDE):
        return "its lift or its spring rests on an assumption"
    if not any(bounds.stated(check, i) for check in ("seat_load", "open_load")):
        return "no limit is stated for its loads"
    return ""


class _Bounds:
    """The limits of each case by its role."""

    def __init__(self, book: Book, roles: list[str]) -> None:
        self._roles = roles
        self._by_role: dict[tuple[str, str], Limit | None] = {
            (check, role): limit_for(book.engine.limits, check, role, book.engine.lifter)
            for check in ("seat_load", "open_load", "coil_bind_clearance", "installed_height", "open_stress")
            for role in set(roles)
        }

    def _each(self, check: str, field: str) -> Array:
        limits = [self._by_role[check, role] for role in self._roles]
        values = [getattr(one, field) if one else None for one in limits]
        return np.array([np.nan if value is None else value for value in values])

    def least(self, check: str) -> Array:
        """Give the least a check asks for at each role."""
        return self._each(check, "lowest")

    def most(self, check: str) -> Array:
        """Give the most it allows."""
        return self._each(check, "highest")

    def stated(self, check: str, i: int) -> bool:
        """Tell whether a role has a limit of it."""
        return self._by_role[check, self._roles[i]] is not None


class _Edges:
    """Works out edges over cases (n,): guarded heights, and what is to be said of them.

    `height` and `lift` hold the doubts of both about nothing: what is displaced is added to wherever an edge lies, so that a
    tool which the height shares with the load, or with the lift, cancels where it cancels in the checks.
    """

    def __init__(self, curves: Curves, lift: Figure, height: Figure) -> None:
        self._curves, self._lift_mm = curves, lift.value
        self._height, self._lift = height, combine(lambda own: own - lift.value, lift)
        self._bind = curves.bind.figure.value
        self._free = nest_free(curves.heights.value, curves.loads.value, curves.steps.value, curves.present)

    def at_load(self, load_n: Array, *, lifted: bool, down: bool = False) -> _Row:
        """Give the guarded heights at which a load is met, at full lift or on the seat.

        Down: the load is a least, so that no height above the edge will do. A least that the spring does not give even at coil
        bind leaves no height at all: the edge is then the bind itself. A most that it does not reach there limits nothing.
        """
        most_n = self._load(exact(self._bind)).value
        with np.errstate(invalid="ignore"):
            beyond = (most_n < load_n) & np.isfinite(most_n)
        height = np.where(beyond, self._bind if down else np.nan, self._met(load_n))
        figure = self._load(self._around(height, lifted=lifted))
        rate = np.maximum((most_n - figure.value) / np.maximum(height - self._bind, _RATE_MM), 1e-6)
        near = self._load(exact(height + _RATE_MM)).value
        rate = np.where(np.isfinite(near), np.maximum((figure.value - near) / _RATE_MM, 1e-6), rate)
        moved = height + (self._lift_mm if lifted else 0.0) + (-COVERAGE if down else COVERAGE) * figure.u / rate
        return _Row(moved, (figure.ground & int(Ground.EXTRAPOLATED)) != 0, beyond & down)

    def at_stress(self, cards: Sequence[SpringCard | None], most_mpa: Array) -> _Row:
        """Give the guarded heights at which the member that bears most meets its stress at full lift."""
        rows = zip(cards, most_mpa.tolist(), strict=True)
        members = [predicted_of(card) if has_stress(card) and isfinite(most) else () for card, most in rows]
        opened, u = np.full(len(members), np.nan), np.zeros(len(members))
        for row, own in enumerate(members):
            card = cards[row]
            for one, member in zip(own, card.members if own and card else (), strict=True):
                met = float(one.height_at(most_mpa[row]))
                if not opened[row] >= met:  # the stress falls evenly with height, from none at the free length
                    by_geometry = (one.free_mm + one.step_mm - met) * GEOMETRY_PERCENT / 100.0
                    opened[row], u[row] = met, hypot(by_geometry, member.step_tolerance_mm or 0.0) / 3**0.5
        around = self._around(opened, lifted=True)
        return _plain(opened + self._lift_mm + COVERAGE * np.hypot(around.u, u))

    def at_height(self, height_mm: Array, *, up: bool) -> _Row:
        """Give guarded heights of limits stated for the height itself."""
        return _plain(height_mm + (COVERAGE if up else -COVERAGE) * self._height.u)

    def at_bind(self, margin_mm: Array, *, up: bool) -> _Row:
        """Give the guarded heights at which a bind margin is met."""
        bind = self._curves.bind.figure
        at = height_of_clearance(margin_mm, self._lift_mm, self._bind)
        left = combine(
            lambda height, lift, bind: coil_bind_clearance(at + height, self._lift_mm + lift, bind),
            self._height, self._lift, bind,
        )  # fmt: skip
        return _plain(at + (COVERAGE if up else -COVERAGE) * left.u)

    def _load(self, height: Figure) -> Figure:
        return self._curves.load(Estimate(height, ((),) * len(height.value))).figure

    def _around(self, height_mm: Array, *, lifted: bool) -> Figure:
        """Give heights of the spring with the doubt of the installed one, and of the lift where it is open."""
        if not lifted:
            return combine(lambda doubt: height_mm + doubt, self._height)
        return combine(lambda doubt, lift: height_mm + doubt - lift, self._height, self._lift)

    def _met(self, load_n: Array) -> Array:
        """Find where a load, which falls from bind to free length, meets a value.

        Where it is less already at bind that is the bind, where more at the free length that; NaN where nothing is asked.
        """
        low, high = self._bind, np.maximum(self._free, self._bind)

        def over(height: Array) -> Array:
            return np.asarray(self._load(exact(height)).value - load_n)

        with np.errstate(invalid="ignore"):
            met, at_low = roots_between(over, low, high, _TO_MM), over(low)
        met = np.where(np.isnan(met), np.where(at_low > 0, high, low), met)
        return np.asarray(np.where(np.isfinite(load_n), met, np.nan))


def _plain(height_mm: Array) -> _Row:
    nowhere = np.zeros(len(height_mm), dtype=bool)
    return _Row(height_mm, nowhere, nowhere)


def _edges(names: Sequence[str], columns: Sequence[_Row], i: int) -> tuple[Edge, ...]:
    return tuple(
        Edge(name, float(row.height_mm[i]), bool(row.extrapolated[i]), bool(row.unreached[i]))
        for name, row in zip(names, columns, strict=True)
        if np.isfinite(row.height_mm[i])
    )
