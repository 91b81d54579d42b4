"""The rungs of a spring at a pocket by its height: (margin - U) / comfort of every check, each a straight line of the height.

With a spring that is a straight line on its card every margin is one too, so the best height is where a rising and a falling line
cross, and the window of heights is where none is below nothing. Source: linear programming in one variable; the doubts as in the
height window of common practice.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from honest_lift.mechanics.clearance.retainer_seal import retainer_to_seal
from honest_lift.mechanics.match.asked import Asked, CardSprings, Pockets, Window
from honest_lift.mechanics.spring.heights import open_height
from honest_lift.mechanics.spring.margins import GEOMETRY_PERCENT, coil_bind_clearance, lift_left
from honest_lift.mechanics.train.contact import loss_rpm, over_red_line_percent
from honest_lift.numbers.doubt import COVERAGE, Array

RISING = ("seat_load most", "open_load most", "coil_bind_clearance least", "open_stress most")
FALLING = ("seat_load least", "open_load least", "coil_bind_clearance most")


@dataclass(frozen=True, slots=True)
class Lines:
    """Rungs at (n, p): rising `up_a + up_b h` (4, n, p), falling `down_a - down_b h` (3, n, p); infinite where nothing is asked."""

    up_a: Array
    up_b: Array
    down_a: Array
    down_b: Array

    def least(self, height_mm: Array) -> Array:
        """Give the least rung (n, p) at heights (n, p)."""
        up = np.min(self.up_a + self.up_b * height_mm, axis=0)
        return np.asarray(np.minimum(up, np.min(self.down_a - self.down_b * height_mm, axis=0)))

    def each(self, height_mm: Array) -> dict[str, Array]:
        """Give every rung (n, p) by its name at heights (n, p)."""
        up, down = self.up_a + self.up_b * height_mm, self.down_a - self.down_b * height_mm
        return {**dict(zip(RISING, up, strict=True)), **dict(zip(FALLING, down, strict=True))}

    def window(self) -> tuple[Array, Array]:
        """Give the lowest and the highest height (n, p) at which no rung is below nothing."""
        with np.errstate(divide="ignore", invalid="ignore"):
            low = np.max(np.where(self.up_b > 0, -self.up_a / self.up_b, -np.inf), axis=0)
            high = np.min(np.where(self.down_b > 0, self.down_a / self.down_b, np.inf), axis=0)
        return low, high

    def best(self) -> Array:
        """Give the height (n, p) at which the least rung is greatest: the lowest crossing of a rising and a falling line."""
        value = np.full(self.up_a.shape[1:], np.inf)
        height = np.full_like(value, np.nan)
        for a, b in zip(self.up_a, self.up_b, strict=True):
            for c, d in zip(self.down_a, self.down_b, strict=True):
                with np.errstate(divide="ignore", invalid="ignore"):
                    at = (c - a) / (b + d)
                    own = np.where((b > 0) & (d > 0), a + b * at, np.inf)
                lower = own < value
                value = np.where(lower, own, value)
                height = np.where(lower, at, height)
        low, high = self.window()
        alone = np.where(
            np.isfinite(low), np.inf, np.where(np.isfinite(high), -np.inf, 0.0)
        )  # as tall, or as low, as can be
        return np.where(np.isnan(height), alone, height)


def lines_of(springs: CardSprings, pockets: Pockets, asked: Asked) -> Lines:
    """Lay the rungs of springs (n,) at pockets (p,) out as lines of the installed height."""
    rate, lift = springs.rate[:, None], pockets.lift_mm
    by_height, by_lift = rate * pockets.height_u, rate * np.hypot(pockets.height_u, pockets.lift_u)
    seat_u, open_u = (
        COVERAGE * np.hypot(u, own) for u, own in ((asked.seat_u_n, by_height), (asked.open_u_n, by_lift))
    )
    bind_u = COVERAGE * np.sqrt(pockets.height_u**2 + pockets.lift_u**2 + asked.bind_u_mm**2)
    stress = springs.stress_mpa_n[:, None] * (1.0 + COVERAGE * GEOMETRY_PERCENT / 100.0 / np.sqrt(3.0))

    def seat(height: Array) -> Array:
        return card_load(springs, height)

    def opened(height: Array) -> Array:
        return card_load(springs, open_height(height, lift))

    def bind(height: Array) -> Array:
        return coil_bind_clearance(height, lift, springs.bind_mm[:, None])

    up = (
        _line(asked.seat_load, "most", seat, seat_u), _line(asked.open_load, "most", opened, open_u),
        _line(asked.coil_bind_clearance, "least", bind, bind_u),
        _line(asked.open_stress, "most", lambda height: stress * opened(height), 0.0, np.isfinite(stress)),
    )  # fmt: skip
    down = (
        _line(asked.seat_load, "least", seat, seat_u), _line(asked.open_load, "least", opened, open_u),
        _line(asked.coil_bind_clearance, "most", bind, bind_u),
    )  # fmt: skip
    (up_a, up_b), (down_a, down_b) = (tuple(np.array(own) for own in zip(*group, strict=True)) for group in (up, down))
    return Lines(up_a, up_b, down_a, -down_b)


def card_load(springs: CardSprings, height_mm: Array) -> Array:
    """Give the load (n, p) in N of springs by their cards at their own heights (n, p): a straight line."""
    return np.asarray(springs.load_n[:, None] - springs.rate[:, None] * (height_mm - springs.height_mm[:, None]))


def _line(
    limit: Window, side: str, value: Callable[[Array], Array], expanded: Array | float, told: Array | None = None
) -> tuple[Array, Array]:
    """Give the rung of a straight margin as intercept and slope (n, p), by its worth at two heights.

    Infinite where nothing is asked, or where a card does not say enough (`told`); NaN, which no search keeps, where it should.
    """
    end = limit.most if side == "most" else limit.least

    def rung(height_mm: float) -> Array:
        there = value(np.full((1, len(end)), height_mm))
        margin = end - there if side == "most" else there - end
        return np.asarray((margin - expanded) / limit.comfort)

    with np.errstate(invalid="ignore"):
        at_nothing, at_one = rung(0.0), rung(1.0)
        slope = at_one - at_nothing
    asked = np.isfinite(end) & (True if told is None else told)
    return np.where(asked, at_nothing, np.inf), np.where(asked, slope, 0.0)


def card_lift(springs: CardSprings, pockets: Pockets, asked: Asked) -> Array:
    """Give the rung (n, p) of the most lift a card allows; infinite where it says none, or nothing is asked."""
    left = lift_left(springs.most_lift_mm[:, None], pockets.lift_mm)
    return _least(asked.card_lift, left, pockets.lift_u)


def seal(down_mm: Array, offset_mm: Array, pockets: Pockets, asked: Asked) -> Array:
    """Give the rung (q, p) of the retainer over its seal at full lift; infinite where it can't be told, or nothing is asked."""
    left = retainer_to_seal(pockets.gap_mm + (offset_mm - down_mm)[:, None], pockets.lift_mm)
    return _least(asked.retainer_seal, left, np.hypot(pockets.gap_u, pockets.lift_u))


def _least(limit: Window, value: Array, u: Array) -> Array:
    """Give the rung of a value above its least; infinite where there is no value, or no limit."""
    with np.errstate(invalid="ignore"):
        rung = (value - limit.least - COVERAGE * u) / limit.comfort
    return np.where(np.isfinite(rung), rung, np.inf)


def envelope(p: Array, q: Array) -> tuple[Array, Array]:
    """Give the points (j,) of many (m,) that can be the least of F p + k q for any load F and a rate k above nothing.

    They are the lower convex hull (Andrew's monotone chain), few where a lobe has many angles.
    """
    hull: list[tuple[float, float]] = []
    for x, y in sorted(zip(p.tolist(), q.tolist(), strict=True)):
        while len(hull) > 1 and _turns_right(hull[-2], hull[-1], (x, y)):
            hull.pop()
        hull.append((x, y))
    kept = np.array(hull).reshape(-1, 2)
    return kept[:, 0], kept[:, 1]


def _turns_right(a: tuple[float, float], b: tuple[float, float], c: tuple[float, float]) -> bool:
    return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) <= 0.0


def held(springs: CardSprings, pockets: Pockets, height_mm: Array) -> Array:
    """Give what springs hold over the nose (n, p, ...) at heights (n, p, ...): kg rpm^2; infinite where the lobe is not known."""
    extra = (1,) * (height_mm.ndim - 2)
    rate = springs.rate.reshape(-1, 1, *extra)
    load = (springs.load_n + springs.rate * springs.height_mm).reshape(-1, 1, *extra) - rate * height_mm
    load = load - pockets.gas_n.reshape(1, -1, *extra)
    least = np.full(np.broadcast_shapes(load.shape, height_mm.shape), np.inf)
    for p, q in zip(pockets.held_p.T, pockets.held_q.T, strict=True):
        own = load * p.reshape(1, -1, *extra) + rate * q.reshape(1, -1, *extra)
        least = np.minimum(least, np.where(np.isnan(own), np.inf, own))
    return least


def control(held_there: Array, mass_kg: Array, nose_u: Array, limit: Window, red_line_rpm: float) -> Array:
    """Give the rung of contact over the red line, of what is held (...) and what moves (...); infinite where it can't be told.

    `limit` at the same pockets.
    """
    with np.errstate(invalid="ignore"):
        speed = loss_rpm(held_there, mass_kg) * (1.0 - COVERAGE * nose_u)
        rung = (over_red_line_percent(speed, red_line_rpm) - limit.least) / limit.comfort
    return np.where(np.isfinite(rung), rung, np.inf)


def mass_allowed(held_there: Array, nose_u: Array, asked: Asked) -> Array:
    """Give the most that may move (...) for the rung of control to be nothing; infinite where it can't be told."""
    limit = asked.control
    with np.errstate(invalid="ignore", divide="ignore"):
        share = (1.0 + limit.least / 100.0) / (1.0 - COVERAGE * nose_u)
        most = np.maximum(held_there, 0.0) / (share * asked.red_line_rpm) ** 2
    return np.where(np.isnan(most) | ~np.isfinite(np.broadcast_to(limit.least, most.shape)), np.inf, most)
