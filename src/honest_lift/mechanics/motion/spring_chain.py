"""A spring as a chain of segments with mass, whose gaps close: what surges, and what grows stiff as coils lie on each other.

A spring of n segments has its active mass in n - 1 nodes and two half ones at its ends. A segment yields by its own rate until
its gap is closed, and as a coil pressed on a coil from there on. Segments stand in the order of the spring, that at the
retainer first: close coils stand on the head (common practice), so that what closes first is last.

    rate while a share of the segments is open = segment's rate / segments that are open

From which follows, backwards, where each gap must close for the chain to give a measured curve. Source: springs in series; EN
13906-1 for the wave of a helical spring, of which the chain is the lumped form.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from honest_lift.numbers.doubt import Array

CONTACT = 25.0  # times a segment's rate, of coil on coil. From memory
SEGMENTS = 9


@dataclass(frozen=True, slots=True)
class Chain:
    """Springs (k,) of n segments about the height at which their valves are shut. Absent ones of a nest bear nothing.

    `seat_n` (k,): load there; `rate_n_mm` (k, n): of each segment; `room_mm` (k, n): by how much it may still shorten before
    its coils touch, below 0 where they do already; `active_kg` (k,): mass of the coils that move; `damping` (k,): of its first
    surge, as a share of the critical one.
    """

    seat_n: Array
    rate_n_mm: Array
    room_mm: Array
    active_kg: Array
    damping: Array

    @property
    def segments(self) -> int:
        """Give how many segments each has."""
        return int(self.rate_n_mm.shape[-1])

    def load(self, lift_mm: Array) -> Array:
        """Give the load (k, ...) in N at lifts (...), at rest: every segment bears the same."""
        closing = self._loads_at_closing()
        reach = self._shortened(closing)
        return np.stack([np.interp(lift_mm, reach[k], closing[k]) for k in range(len(reach))])

    def _loads_at_closing(self) -> Array:
        """Give the loads at which something changes, rising, with one far beyond all (k, n + 2)."""
        own = np.maximum(self.seat_n[:, None] + self.rate_n_mm * self.room_mm, self.seat_n[:, None])
        own = np.where(np.isfinite(own), own, self.seat_n[:, None])
        beyond = own.max(axis=1, keepdims=True) * 3.0 + 1e4
        return np.sort(np.concatenate([self.seat_n[:, None], own, beyond], axis=1), axis=1)

    def _shortened(self, load_n: Array) -> Array:
        """Give by how much springs are shorter (k, j) under loads (k, j) of at least that on the seat."""
        more = (load_n - self.seat_n[:, None])[..., None]
        rate, room = self.rate_n_mm[:, None], np.maximum(self.room_mm, 0.0)[:, None]
        free = np.minimum(more / rate, room)
        closed = np.maximum(more - rate * room, 0.0) / (rate * (1.0 + CONTACT))
        return np.asarray((free + closed).sum(axis=-1))


def chain_of_curve(
    load_n: Array, shorter_mm: Array, to_bind_mm: float, active_kg: float, damping: float, segments: int = SEGMENTS
) -> Chain:
    """Give the chain of one spring whose loads (p,) at shortenings (p,) from its shut height are measured, both rising from 0.

    `to_bind_mm`: shortening at which it binds. Its rate must not fall by more than scatter: what falls is levelled. Where the
    curve is straight all segments close together, at coil bind.

    >>> chain = chain_of_curve(np.array([600.0, 900.0]), np.array([0.0, 10.0]), 14.0, 0.05, 0.015, 5)
    >>> chain.rate_n_mm.round(6).tolist(), chain.room_mm.round(6).tolist()
    ([[150.0, 150.0, 150.0, 150.0, 150.0]], [[2.8, 2.8, 2.8, 2.8, 2.8]])
    """
    raster = np.linspace(shorter_mm[0], shorter_mm[-1], 257)
    loads = np.interp(raster, shorter_mm, load_n)
    rates = np.maximum.accumulate(np.diff(loads) / np.diff(raster))
    first = rates[0]
    closed_share = 1.0 - first / rates  # of the segments, after each piece of the raster
    own = first * segments
    closes_at = np.array([_where(closed_share, (j + 0.5) / segments) for j in range(segments)])
    room = np.empty(segments)
    closing = np.flatnonzero(closes_at < len(rates))
    room[closing] = (loads[closes_at[closing]] - load_n[0]) / own
    last = np.flatnonzero(closes_at >= len(rates))
    left = to_bind_mm - room[closing].sum()
    room[last] = max(left, 0.0) / max(len(last), 1)
    return Chain(
        np.array([load_n[0]]), np.full((1, segments), own), room[None, ::-1].copy(),
        np.array([active_kg]), np.array([damping]),
    )  # fmt: skip


def _where(rising: Array, level: float) -> int:
    """Give the first place of a rising row at which it is over a level; its length where it never is."""
    return int(np.searchsorted(rising, level, side="right"))


def stacked(chains: list[Chain]) -> Chain:
    """Give many springs as one table, in the order given."""
    return Chain(*(np.concatenate([getattr(one, name) for one in chains]) for name in Chain.__slots__))
