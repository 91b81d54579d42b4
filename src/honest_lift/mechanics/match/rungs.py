"""The rungs of a spring at a pocket by its height: (margin - U) / reserve of every check, each a straight line of the height.

With a spring that is a straight line on its card every margin is one too, so the best height is where a rising and a falling line
cross, and the window of heights is where none is below nothing. Source: linear programming in one variable; the doubts as in the
height window of common practice.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.mechanics.match.asked import Asked, CardSprings, Pockets, Window
from honest_lift.numbers.doubt import COVERAGE, Array

RISING = ("seat_load most", "open_load most", "bind_margin least", "open_stress most")
FALLING = ("seat_load least", "open_load least", "bind_margin most")
_STRESS_PERCENT = 5.0  # what wire, diameter and coils of a card leave in doubt. From memory


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
    at_nothing = (springs.load_n + springs.rate * springs.height_mm)[:, None]  # the load at height 0 on the same line
    by_height, by_lift = rate * pockets.height_u, rate * np.hypot(pockets.height_u, pockets.lift_u)
    seat_u, open_u = (
        COVERAGE * np.hypot(u, own) for u, own in ((asked.seat_u_n, by_height), (asked.open_u_n, by_lift))
    )
    bind_u = COVERAGE * np.sqrt(pockets.height_u**2 + pockets.lift_u**2 + asked.bind_u_mm**2)
    opened, solid = at_nothing + rate * lift, springs.bind_mm[:, None] + lift
    more = 1.0 + COVERAGE * _STRESS_PERCENT / 100.0 / np.sqrt(3.0)
    stress = springs.stress_mpa_n[:, None] * more
    stressed = np.isfinite(asked.open_stress.most) & np.isfinite(stress)
    one = np.ones_like(opened)
    up = (
        _most(asked.seat_load, at_nothing + seat_u, rate * one), _most(asked.open_load, opened + open_u, rate * one),
        _least(asked.bind_margin, -solid - bind_u, one),
        _most(asked.open_stress, np.where(stressed, stress * opened, -np.inf), np.where(stressed, stress * rate, 0.0)),
    )  # fmt: skip
    down = (
        _least(asked.seat_load, at_nothing - seat_u, rate * one), _least(asked.open_load, opened - open_u, rate * one),
        _most(asked.bind_margin, -solid + bind_u, one),
    )  # fmt: skip
    (up_a, up_b), (down_a, down_b) = (tuple(np.array(own) for own in zip(*group, strict=True)) for group in (up, down))
    return Lines(up_a, up_b, down_a, down_b)


def _most(limit: Window, value: Array, slope: Array) -> tuple[Array, Array]:
    """Give intercept and slope (n, p) of (most - value) / reserve, where the value falls, or rises, by `slope` a mm of height."""
    none = ~np.isfinite(limit.most)
    a = np.where(none, np.inf, (np.where(none, 0.0, limit.most) - value) / limit.reserve)
    return a, np.where(none | np.isinf(a), 0.0, slope / limit.reserve)


def _least(limit: Window, value: Array, slope: Array) -> tuple[Array, Array]:
    none = ~np.isfinite(limit.least)
    a = np.where(none, np.inf, (value - np.where(none, 0.0, limit.least)) / limit.reserve)
    return a, np.where(none, 0.0, slope / limit.reserve)


def card_lift(springs: CardSprings, pockets: Pockets, asked: Asked) -> Array:
    """Give the rung (n, p) of the most lift a card allows; infinite where it says none, or nothing is asked."""
    with np.errstate(invalid="ignore"):
        left = springs.most_lift_mm[:, None] - pockets.lift_mm - COVERAGE * pockets.lift_u
    rung = (left - np.where(np.isfinite(asked.card_lift.least), asked.card_lift.least, 0.0)) / asked.card_lift.reserve
    return np.where(np.isfinite(asked.card_lift.least) & np.isfinite(rung), rung, np.inf)


def seal(down_mm: Array, offset_mm: Array, pockets: Pockets, asked: Asked) -> Array:
    """Give the rung (q, p) of the retainer over its seal at full lift; infinite where it can't be told, or nothing is asked."""
    left = pockets.gap_mm + (offset_mm - down_mm)[:, None] - pockets.lift_mm
    doubt = COVERAGE * np.hypot(pockets.gap_u, pockets.lift_u)
    limit = asked.retainer_seal
    rung = (left - doubt - np.where(np.isfinite(limit.least), limit.least, 0.0)) / limit.reserve
    return np.where(np.isfinite(limit.least) & np.isfinite(rung), rung, np.inf)


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
        share = np.sqrt(np.maximum(held_there, 0.0) / mass_kg) / red_line_rpm
        rung = (100.0 * (share * (1.0 - COVERAGE * nose_u) - 1.0) - limit.least) / limit.reserve
    told = np.isfinite(rung) & np.isfinite(limit.least)
    return np.where(told, rung, np.inf)


def mass_allowed(held_there: Array, nose_u: Array, asked: Asked) -> Array:
    """Give the most that may move (...) for the rung of control to be nothing; infinite where it can't be told."""
    limit = asked.control
    with np.errstate(invalid="ignore", divide="ignore"):
        share = (1.0 + limit.least / 100.0) / (1.0 - COVERAGE * nose_u)
        most = np.maximum(held_there, 0.0) / (share * asked.red_line_rpm) ** 2
    return np.where(np.isnan(most) | ~np.isfinite(np.broadcast_to(limit.least, most.shape)), np.inf, most)
