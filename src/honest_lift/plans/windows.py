"""The window of installed heights that meets all limits of a valve with a spring: its edges by name, and the gaps between.

    lo = max of: h(seat load most), h(open load most) + lift, h(wire stress most) + lift, bind + lift + least margin
    hi = min of: h(seat load least), h(open load least) + lift, bind + lift + largest margin

and the limits of the height about its target, where one is stated.

Each edge is moved inward by its expanded doubt in height: 2 sqrt(u_height^2 + (u_load / rate)^2 [+ u_lift^2]) for loads,
2 sqrt(u_height^2 + u_bind^2 + u_lift^2) for bind. Source: common practice; the guard as in the decision rule.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from msgspec import Struct

from honest_lift.checks.stress import GEOMETRY_PERCENT, has_stress
from honest_lift.checks.valves import Gathered
from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.estimates.loads import Curves
from honest_lift.estimates.spring_geometry import predicted_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.parts import SpringCard
from honest_lift.numbers.doubt import COVERAGE, Array, Ground, exact
from honest_lift.plans.best_way import means_of

_STEPS = 48  # halvings of the bracket: 100 mm end below a nanometre
_RATE_MM = 0.05  # over which a rate is taken


class Edge(Struct, frozen=True):
    """One edge of a window: what sets it, at which guarded height, and whether it lies outside the measured points."""

    name: str
    height_mm: float
    extrapolated: bool = False


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


def windows_of(book: Book, gathered: Gathered, pairs: Sequence[tuple[int, int]]) -> list[Window]:
    """Give the window of each pair of a valve (its place in head order) and a spring (its row in the curves)."""
    if not pairs:
        return []
    at = [gathered.at[p] for p, _ in pairs]
    names = [*(one.id for one in book.engine.springs), ""]
    curves = gathered.curves.take([row for _, row in pairs]).on_own_shims([one.more_mm for one in at])
    lift = gathered.lift.take([p for p, _ in pairs])
    heights = np.array([height_doubt(book.engine, one.height) for one in at])
    bounds = _Bounds(book, [one.role for one in at])
    made = _Edges(curves, lift.figure.value, lift.figure.u, heights)
    lows = [made.at_load(bounds.most("seat_load"), lifted=False), made.at_load(bounds.most("open_load"), lifted=True),
            made.at_bind(bounds.least("bind_margin"), up=True)]  # fmt: skip
    highs = [made.at_load(bounds.least("seat_load"), lifted=False, down=True),
             made.at_load(bounds.least("open_load"), lifted=True, down=True),
             made.at_bind(bounds.most("bind_margin"), up=False)]  # fmt: skip
    target = np.array([one.target.value for one in at])
    lows.append(made.at_stress([one.card for one in at], bounds.most("open_stress")))
    lows.append(made.at_height(target + bounds.least("installed_height"), up=True))
    highs.append(made.at_height(target + bounds.most("installed_height"), up=False))
    low_names = (
        "seat load at its most",
        "open load at its most",
        "least bind margin",
        "wire stress at its most",
        "height farthest under its target",
    )
    high_names = (
        "seat load at its least",
        "open load at its least",
        "largest bind margin",
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


def height_doubt(engine: Engine, inputs: Sequence[Input]) -> float:
    """Give the standard doubt of an installed height once it is read again: as it was read, or as finely as the drawer allows."""
    return min(_doubt(inputs), _confirmed(engine, inputs[0].value))


def _doubt(inputs: Sequence[Input]) -> float:
    """Give the standard doubt an installed height will have once it is read again the way it was read."""
    return float(np.sqrt(inputs[0].own_u ** 2 + sum(u * u for _, _, u in inputs[0].shared)))


def _confirmed(engine: Engine, value_mm: float) -> float:
    """Give the standard doubt of the finest reading the drawer allows with the shims in: the one that will confirm it."""
    plain = [one.u for one in means_of(engine, "installed_height", value_mm) if not one.way.corrections]
    return plain[0] if plain else float("inf")


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
            for check in ("seat_load", "open_load", "bind_margin", "installed_height", "open_stress")
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
    """Works out edges over cases (n,): guarded heights, and where they lie outside the measured points."""

    def __init__(self, curves: Curves, lift: Array, u_lift: Array, u_height: Array) -> None:
        self._curves, self._lift, self._u_lift, self._u_height = curves, lift, u_lift, u_height
        self._bind = curves.bind.figure.value
        tops = np.nanmax(np.where(np.isfinite(curves.heights.value), curves.heights.value, -np.inf), axis=(1, 2))
        self._top = np.where(np.isfinite(tops), tops + 15.0, np.nan)

    def _load(self, height: Array) -> Estimate:
        return self._curves.load(Estimate(exact(height), ((),) * len(height)))

    def at_load(self, load_n: Array, *, lifted: bool, down: bool = False) -> tuple[Array, Array]:
        """Give the guarded heights (n,) at which the load is met, at full lift or on the seat, and which are extrapolated."""
        height = _falling(lambda h: self._load(h).figure.value, load_n, self._bind, self._top)
        found = self._load(height).figure
        near = self._load(height + _RATE_MM).figure.value
        rate = np.maximum((found.value - near) / _RATE_MM, 1e-6)
        u = np.sqrt(self._u_height**2 + (found.u / rate) ** 2 + (self._u_lift**2 if lifted else 0.0))
        moved = height + (self._lift if lifted else 0.0) + (-1.0 if down else 1.0) * COVERAGE * u
        return moved, (found.ground & int(Ground.EXTRAPOLATED)) != 0

    def at_stress(self, cards: Sequence[SpringCard | None], most_mpa: Array) -> tuple[Array, Array]:
        """Give the guarded heights (n,) at which the member that bears most meets its stress at full lift."""
        most = most_mpa * (1.0 - COVERAGE * GEOMETRY_PERCENT / 100.0 / 3**0.5)
        opened = np.array([
            max(float(one.height_at(np.array(limit))) for one in predicted_of(card)) if has_stress(card) else np.nan
            for card, limit in zip(cards, most.tolist(), strict=True)
        ])  # fmt: skip
        u = np.sqrt(self._u_height**2 + self._u_lift**2)
        return opened + self._lift + COVERAGE * u, np.zeros(len(opened), dtype=bool)

    def at_height(self, height_mm: Array, *, up: bool) -> tuple[Array, Array]:
        """Give guarded heights (n,) of limits stated for the height itself."""
        return height_mm + (1.0 if up else -1.0) * COVERAGE * self._u_height, np.zeros(len(height_mm), dtype=bool)

    def at_bind(self, margin_mm: Array, *, up: bool) -> tuple[Array, Array]:
        """Give the guarded heights (n,) at which a bind margin is met."""
        u = np.sqrt(self._u_height**2 + self._curves.bind.figure.u**2 + self._u_lift**2)
        height = self._bind + self._lift + margin_mm + (1.0 if up else -1.0) * COVERAGE * u
        return height, np.zeros(len(height), dtype=bool)


def _falling(load_of: Callable[[Array], Array], wanted: Array, low: Array, high: Array) -> Array:
    """Find where a load that falls with height meets a value, by halving; NaN where it does not within the bracket."""
    low, high = low.copy(), high.copy()
    with np.errstate(invalid="ignore"):
        outside = (load_of(low) < wanted) | (load_of(high) > wanted)
        for _ in range(_STEPS):
            middle = (low + high) / 2
            above = load_of(middle) > wanted
            low, high = np.where(above, middle, low), np.where(above, high, middle)
    return np.asarray(np.where(outside | ~np.isfinite(wanted), np.nan, (low + high) / 2))


def _edges(names: Sequence[str], columns: Sequence[tuple[Array, Array]], i: int) -> tuple[Edge, ...]:
    return tuple(
        Edge(name, float(heights[i]), bool(outside[i]))
        for name, (heights, outside) in zip(names, columns, strict=True)
        if np.isfinite(heights[i])
    )
