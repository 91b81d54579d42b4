"""Candidates weighed exactly: of a spring with a retainer and locks, the stack at each pocket that leaves its weakest rung most.

Source: by definition, every stack looked at.
"""

from __future__ import annotations

from dataclasses import dataclass, fields

import numpy as np

from honest_lift.mechanics.match.asked import Asked, CardSprings, Ints, Pairs, Pockets, Stacks, rows
from honest_lift.mechanics.match.rungs import card_lift, control, held, lines_of, seal
from honest_lift.numbers.doubt import Array

_BATCH = 128


@dataclass(frozen=True, slots=True)
class Weighed:
    """Candidates (c,): rows of their springs and pairs, the stack (c, p) at each pocket, its height, and the least rung there."""

    spring: Ints
    pair: Ints
    stack: Ints
    height_mm: Array
    rung: Array

    @property
    def weakest(self) -> Array:
        """Give the least rung (c,) over all pockets."""
        return np.asarray(self.rung.min(axis=1)) if self.rung.size else np.empty(0)

    def take(self, which: Ints) -> Weighed:
        """Give some candidates, in the order given."""
        return Weighed(*(getattr(self, one.name)[which] for one in fields(self)))

    def joined(self, other: Weighed) -> Weighed:
        """Give these candidates and others after them."""
        return Weighed(*(np.concatenate([getattr(self, one.name), getattr(other, one.name)]) for one in fields(self)))


def none_weighed(pockets: Pockets) -> Weighed:
    """Give no candidates at all."""
    nothing, none = np.empty((0, len(pockets.bare_mm))), np.empty(0, dtype=np.int64)
    return Weighed(none, none, nothing.astype(np.int64), nothing, nothing)


def weigh(
    springs: CardSprings, pairs: Pairs, pockets: Pockets, stacks: Stacks, asked: Asked, spring: Ints, pair: Ints
) -> Weighed:
    """Weigh candidates (c,) of spring and pair rows: every stack at every pocket is looked at."""
    found = none_weighed(pockets)
    for i in range(0, len(spring), _BATCH):
        s, q = spring[i : i + _BATCH], pair[i : i + _BATCH]
        stack, height, rung = _weigh(rows(springs, s), rows(pairs, q), pockets, stacks, asked)
        found = found.joined(Weighed(s, q, stack, height, rung))
    return found


def _weigh(
    springs: CardSprings, pairs: Pairs, pockets: Pockets, stacks: Stacks, asked: Asked
) -> tuple[Ints, Array, Array]:
    lines, bare = lines_of(springs, pockets, asked), pockets.bare_mm + pairs.offset_mm[:, None]
    moving = pockets.fixed_kg + (springs.moving_kg + pairs.mass_kg)[:, None]
    best = np.full(bare.shape, -np.inf)
    chosen = np.zeros(bare.shape, dtype=np.int64)
    for k in range(_first(lines.best(), bare, stacks), len(stacks.total_mm)):
        height = bare - stacks.total_mm[k]
        there = held(springs, pockets, height)
        own = np.minimum(lines.least(height), control(there, moving, pockets.nose_u, asked.control, asked.red_line_rpm))
        better = own > best
        best, chosen = np.where(better, own, best), np.where(better, k, chosen)
    same = np.minimum(card_lift(springs, pockets, asked), seal(pairs.down_mm, pairs.offset_mm, pockets, asked))
    return chosen, np.asarray(bare - stacks.total_mm[chosen]), np.minimum(best, same)


def _first(best_mm: Array, bare_mm: Array, stacks: Stacks) -> int:
    """Give the first stack worth a look: control wants a spring lower than the rest does, and never taller."""
    return max(int(np.searchsorted(stacks.total_mm, (bare_mm - best_mm).min())) - 1, 0)


def told_apart(
    springs: CardSprings, pairs: Pairs, pockets: Pockets, asked: Asked, weighed: Weighed
) -> dict[str, Array]:
    """Give every rung (c, p) of candidates by its check and side, at the heights they were weighed at."""
    own, at = rows(springs, weighed.spring), rows(pairs, weighed.pair)
    moving = pockets.fixed_kg + (own.moving_kg + at.mass_kg)[:, None]
    there = held(own, pockets, weighed.height_mm)
    return {
        **lines_of(own, pockets, asked).each(weighed.height_mm),
        "card_lift least": card_lift(own, pockets, asked),
        "retainer_seal least": seal(at.down_mm, at.offset_mm, pockets, asked),
        "float_margin least": control(there, moving, pockets.nose_u, asked.control, asked.red_line_rpm),
    }


def speed_rpm(springs: CardSprings, pairs: Pairs, pockets: Pockets, weighed: Weighed) -> Array:
    """Give the crank speed (c, p) at which a rigid train would let go; NaN where masses or lobe are not known."""
    own, at = rows(springs, weighed.spring), rows(pairs, weighed.pair)
    moving = pockets.fixed_kg + (own.moving_kg + at.mass_kg)[:, None]
    there = held(own, pockets, weighed.height_mm)
    with np.errstate(invalid="ignore"):
        return np.where(np.isfinite(there), np.sqrt(np.maximum(there, 0.0) / moving), np.nan)
