"""Valve to valve in three dimensions: the least distance between two heads whose stems lean toward each other or are canted.

A head is a body of revolution, convex: face, bevelled edge, margin, and the seat's cone carried on to the stem (the underside of
any real head lies inside it). Two such bodies are nearest along the direction in which they stand farthest apart, and along any
other direction they stand nearer: so a direction kept gives a bound that is exact there and never too large about it. Source: the
separating-plane theorem, Boyd and Vandenberghe, Convex Optimization, 2.5; projections by Nesterov's method, from memory.
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from honest_lift.numbers.doubt import Array

_TURNS = 400
_CLOSE_MM = 1e-4
_MEET_MM = 1e-3


@dataclass(frozen=True)
class Head:
    """Valve heads as they are shaped, arrays of one shape, mm: radius, margin, bevel off the edge, stem's radius; face in degrees.

    `face_deg`: the seat face from the plane of the head, 45 as a rule.
    """

    radius: Array
    margin: Array
    face_deg: Array
    bevel: Array
    stem: Array

    def outline(self) -> tuple[tuple[Array, Array], ...]:
        """Give the corners (radius, height over the face) from the face's middle outward and up to the stem."""
        r, m = self.radius, self.margin
        top = m + np.maximum(r - self.stem, 0.0) * np.tan(np.radians(self.face_deg))
        nothing = np.zeros_like(r)
        bevel = np.minimum(self.bevel, m)
        return (
            (nothing, nothing),
            (r - bevel, nothing),
            (r, bevel),
            (r, m),
            (np.minimum(self.stem, r), top),
            (nothing, top),
        )


@dataclass(frozen=True)
class Placed:
    """A head where it stands: its face's middle and its axis, up the stem, both (3, ...)."""

    head: Head
    middle: Array
    axis: Array

    def nearest(self, point: Array) -> Array:
        """Give the point of the body nearest to a point (3, ...)."""
        off = point - self.middle
        high = (off * self.axis).sum(axis=0)
        out = off - high * self.axis
        far = np.sqrt((out * out).sum(axis=0))
        found_r, found_h = _on_outline(self.head.outline(), far, high)
        away = np.where(far > 0, found_r / np.where(far > 0, far, 1.0), 0.0)
        return np.asarray(self.middle + found_h * self.axis + away * out)

    def reach(self, way: Array) -> Array:
        """Give how far the body reaches along a unit direction (3, ...), mm from the origin."""
        along = (way * self.axis).sum(axis=0)
        across = np.sqrt(np.maximum(1.0 - along * along, 0.0))
        corners = [r * across + h * along for r, h in self.head.outline()[1:-1]]
        return np.asarray((way * self.middle).sum(axis=0) + np.max(np.stack(np.broadcast_arrays(*corners)), axis=0))


def _on_outline(corners: tuple[tuple[Array, Array], ...], r: Array, h: Array) -> tuple[Array, Array]:
    """Give the point of a convex outline (and all inside it) nearest to (r, h)."""
    best, best_r, best_h = np.full(np.shape(r), np.inf), r, h
    inside = np.ones(np.shape(r), dtype=bool)
    for (r0, h0), (r1, h1) in pairwise(corners):
        dr, dh = r1 - r0, h1 - h0
        inside &= (dr * (h - h0) - dh * (r - r0)) >= 0  # the body lies to the left
        square = dr * dr + dh * dh
        t = np.clip(((r - r0) * dr + (h - h0) * dh) / np.where(square > 0, square, 1.0), 0.0, 1.0)
        pr, ph = r0 + t * dr, h0 + t * dh
        off = (r - pr) ** 2 + (h - ph) ** 2
        nearer = off < best
        best, best_r, best_h = np.where(nearer, off, best), np.where(nearer, pr, best_r), np.where(nearer, ph, best_h)
    return np.where(inside, r, best_r), np.where(inside, h, best_h)


def direction_between(one: Placed, other: Placed) -> Array:
    """Give the unit direction (3, ...) from one head to the other along which they are nearest; NaN where they meet."""
    at = one.nearest(np.broadcast_arrays(other.middle, one.middle)[0])
    before, t = at, 1.0
    for _ in range(_TURNS):
        t_next = (1.0 + np.sqrt(1.0 + 4.0 * t * t)) / 2.0
        ahead = at + (t - 1.0) / t_next * (at - before)
        there = other.nearest(ahead)
        before, at, t = at, one.nearest(there), t_next
        uphill = ((ahead - at) * (at - before)).sum(axis=0) > 0
        before = np.where(uphill, at, before)  # momentum past the nearest place is given up, case by case
        way = other.nearest(at) - at
        far = np.sqrt((way * way).sum(axis=0))
        unit = way / np.where(far > _MEET_MM, far, np.nan)
        with np.errstate(invalid="ignore"):
            if not (far - apart_along(one, other, unit) > _CLOSE_MM).any():
                break
    return np.asarray(unit)


def apart_along(one: Placed, other: Placed, way: Array) -> Array:
    """Give how far two heads stand apart along a unit direction (3, ...): their distance along the right one, less along others.

    Below nothing they overlap by as much along it.
    """
    return np.asarray(-other.reach(-way) - one.reach(way))


@dataclass(frozen=True)
class Pair:
    """Two heads of a cylinder, closed, arrays of one shape: shapes, angles, and how they stand to each other.

    `toward`: degrees by which each, opening, moves toward the other in the plane through both middles; `across`: sideways out
    of it, the same side plus for both. `over`: mm over both heads, outer edge to outer edge; `step`: mm the exhaust's face stands
    lower.
    """

    intake: Head
    exhaust: Head
    toward: tuple[Array, Array]
    across: tuple[Array, Array]
    over: Array
    step: Array

    def placed(self, intake_lift: Array, exhaust_lift: Array) -> tuple[Placed, Placed]:
        """Place both heads, open by lifts in mm; shapes broadcast."""
        ways = [
            _unit(side * np.tan(np.radians(toward)), np.tan(np.radians(across)))
            for side, toward, across in zip((1.0, -1.0), self.toward, self.across, strict=True)
        ]
        heads = (self.intake, self.exhaust)
        edges = [
            head.radius * edge_share(*own)
            for head, own in zip(heads, zip(self.toward, self.across, strict=True), strict=True)
        ]
        between = self.over - edges[0] - edges[1]
        there = np.stack(np.broadcast_arrays(between, 0.0 * between, -self.step))
        opened = [_wide(way, lift) * lift for way, lift in zip(ways, (intake_lift, exhaust_lift), strict=True)]
        middles = (opened[0], _wide(there, exhaust_lift) + opened[1])
        first, second = (
            Placed(head, middle, -_wide(way, lift))
            for head, middle, way, lift in zip(heads, middles, ways, (intake_lift, exhaust_lift), strict=True)
        )
        return first, second


def edge_share(toward_deg: Array, across_deg: Array) -> Array:
    """Give how much of a leaning head's radius reaches out square to the cylinder, in the plane through both middles.

    >>> import numpy as np
    >>> round(float(edge_share(np.array(60.0), np.array(0.0))), 3)
    0.5
    """
    return np.asarray(np.sqrt(1.0 - _unit(np.tan(np.radians(toward_deg)), np.tan(np.radians(across_deg)))[0] ** 2))


def _wide(vector: Array, lift: Array) -> Array:
    """Give a vector (3, ...) the axes that a lift has before its own."""
    return vector.reshape(3, *(1,) * (np.ndim(lift) - (vector.ndim - 1)), *vector.shape[1:])


def _unit(along: Array, across: Array) -> Array:
    way = np.stack(np.broadcast_arrays(along, across, -np.ones(np.broadcast_shapes(np.shape(along), np.shape(across)))))
    return np.asarray(way / np.sqrt((way * way).sum(axis=0)))
