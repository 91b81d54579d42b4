"""A lobe from its card: the smoothest one that meets the lift and every stated duration exactly.

A flank is laid out from the nose (0) down to the end of its ramp, in cam degrees. Its acceleration is a cubic B-spline;
the integral of (w jerk)^2 is made the least under the conditions below, w^2 falling from 100 over the nose to 1 on the flank about
where the acceleration changes its sign: a weight that ends there at once makes the nose too sharp, one that ends before it lets
the lobe bend sharply between. The conditions: lift and no slope at the nose, the stated lift at each half-width (cam half-width =
crank duration / 4), no lift, slope and acceleration at the end, and one change of sign of the acceleration. Where it changes is
searched.

The durations are met exactly; the shape between them is an assumption. Of seventy lobes of two other families given only as a
card the lift came back within 0.06 mm and the nose acceleration within 3 percent for nineteen of twenty; by two durations within
0.40 mm and 9 percent.
Source: common practice; B-splines and least squares on one side of nothing: `mechanics/solving`.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

import numpy as np

from honest_lift.mechanics.solving.bspline import Spline, basis, clamped_knots
from honest_lift.mechanics.solving.sided_least_squares import sided_least_squares
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError

_COUNT = 44  # coefficients of a flank
_TAIL_DEG = 28.0  # past the lowest stated lift
_NOSE_WEIGHT = 100.0  # of the squared jerk over the nose
_NOSE_FALLS = (0.4, 1.2)  # of the way to the change of sign: where the weight begins to fall, and where it has
_EQUAL = 1e4  # weight of the conditions while bounds are sought; they are met exactly afterwards
_PLACES = (0.55, 0.95)  # of the half-width at 1.27 mm: where the acceleration may change its sign
_RASTER, _FINER = 25, 5  # a coarser raster misses the best place on some lobes
_CHECK_MM, _TWO_STATED = 1.27, 0.76
_TOLERANCE_MM = 1e-6


class CardError(MendableError):
    """A card that no lobe can have; the sentence says why and what would be right."""


@dataclass(frozen=True)
class Flank:
    """One flank from nose (0) to its end, in cam degrees and mm."""

    end_deg: float
    lift_mm: float
    coefficients: Array

    def lift(self, cam_deg: Array) -> Array:
        """Give the lift in mm at cam degrees from the nose (...); 0 past the end."""
        return self._of(cam_deg, 2) + np.where(np.asarray(cam_deg) < self.end_deg, self.lift_mm, 0.0)

    def velocity(self, cam_deg: Array) -> Array:
        """Give the slope in mm per cam degree, negative down the flank."""
        return self._of(cam_deg, 1)

    def acceleration(self, cam_deg: Array) -> Array:
        """Give the acceleration in mm per cam degree squared."""
        return self._of(cam_deg, 0)

    def jerk(self, cam_deg: Array) -> Array:
        """Give the jerk in mm per cam degree cubed."""
        return self._of(cam_deg, -1)

    @cached_property
    def _splines(self) -> dict[int, Spline]:
        """Give the splines by how often the acceleration is integrated."""
        bent = Spline(_knots(self.end_deg), self.coefficients, 3)
        return {-1: bent.derivative(), 0: bent, 1: bent.integral(), 2: bent.integral().integral()}

    def _of(self, cam_deg: Array, integrals: int) -> Array:
        taken = self._splines[integrals]
        at = np.asarray(cam_deg, dtype=np.float64)
        return np.asarray(np.where(at < self.end_deg, taken(np.clip(at, 0.0, self.end_deg)), 0.0))


def flank_from_card(lift_mm: float, durations: tuple[tuple[float, float], ...]) -> Flank:
    """Give the flank of a symmetric lobe from its lift and (stated lift in mm, duration in crank degrees) pairs.

    Raises CardError with the reason where no such lobe can exist.
    """
    stated = sorted(durations)
    _may_exist(lift_mm, stated)
    widths = [(at, duration / 4.0) for at, duration in stated]
    end = widths[0][1] + _TAIL_DEG
    around = float(np.interp(_CHECK_MM, [at for at, _ in widths], [width for _, width in widths]))
    problem = _Problem(lift_mm, widths, end)
    found = _best(problem, around) if len(stated) > 2 else problem.solve(_TWO_STATED * around)
    if found is None:
        raise CardError(
            "No smooth lobe meets these durations with one bend a flank: one of them, or the lift, is likely mistyped."
        )
    return Flank(end, lift_mm, found[1])


def _may_exist(lift_mm: float, stated: list[tuple[float, float]]) -> None:
    """Refuse what no lobe can be."""
    if len(stated) < 2:
        raise CardError("One duration does not make a lobe: two are needed, and three tell its shape far better.")
    for (low, wide), (high, narrow) in pairwise(stated):
        if low == high:
            raise CardError(f"Two durations are stated at {low:g} mm of lift: one of them belongs to another lift.")
        if narrow >= wide:
            raise CardError(
                f"The duration at {high:g} mm, {narrow:g} degrees, is not shorter than that at {low:g} mm, {wide:g} degrees: "
                "higher up a lobe is always narrower."
            )
    if stated[0][0] <= 0 or stated[-1][0] >= lift_mm:
        raise CardError(f"Durations are stated between no lift and the full {lift_mm:g} mm, not at or beyond them.")
    if stated[-1][1] <= 0 or stated[0][1] >= 600:
        raise CardError("A duration lies between 0 and 600 crank degrees.")


def _best(problem: _Problem, around: float) -> tuple[float, Array] | None:
    """Search the place where the acceleration changes its sign: a raster, then a finer one about the best."""
    low, high = _PLACES
    best: tuple[float, Array] | None = None
    for count in (_RASTER, _FINER):
        shares = np.linspace(low, high, count)
        found = [problem.solve(float(share) * around) for share in shares]
        known = [(one[0], i) for i, one in enumerate(found) if one is not None]
        if not known:
            return best
        at = min(known)[1]
        one = found[at]
        if one is not None and (best is None or one[0] < best[0]):
            best = one
        step = (high - low) / (count - 1)
        low, high = max(_PLACES[0], float(shares[at]) - step), min(_PLACES[1], float(shares[at]) + step)
    return best


def _knots(end_deg: float) -> Array:
    return clamped_knots(0.0, end_deg, _COUNT - 3, 3)


class _Problem:
    """The quadratic program of one flank: rows of the roughness, and of the conditions that must hold."""

    def __init__(self, lift_mm: float, widths: list[tuple[float, float]], end_deg: float) -> None:
        knots = _knots(end_deg)
        bent = basis(knots, 3)
        once, twice, jerk = bent.integral(), bent.integral().integral(), bent.derivative()
        nodes, weights = np.polynomial.legendre.leggauss(3)
        left, right = knots[3:-4], knots[4:-3]
        half = (right - left)[:, None] / 2
        self._at = ((left + right)[:, None] / 2 + half * nodes).ravel()
        self._weight = (half * weights).ravel()
        self._jerk = jerk(self._at)
        conditions = [twice(width) for _, width in widths] + [twice(end_deg), once(end_deg), bent(end_deg), jerk(0.0)]
        wanted = [at - lift_mm for at, _ in widths] + [-lift_mm, 0.0, 0.0, 0.0]
        self._conditions, self._wanted = np.array(conditions), np.array(wanted)
        self._scale = np.abs(self._conditions).max(axis=1)
        self._greville = np.array([knots[i + 1 : i + 4].mean() for i in range(_COUNT)])

    def solve(self, turn_deg: float) -> tuple[float, Array] | None:
        """Give the roughness and the coefficients for a place where the acceleration changes its sign; None for none."""
        first, last = _NOSE_FALLS
        nose = _NOSE_WEIGHT ** np.clip((last - self._at / turn_deg) / (last - first), 0.0, 1.0)
        rough = self._jerk * np.sqrt(self._weight * nose)[:, None]
        unit = np.abs(rough).max()
        equal, wanted = self._conditions / self._scale[:, None], self._wanted / self._scale
        below = self._greville < turn_deg
        sides = np.where(below, -1.0, 1.0)
        rows = np.vstack([rough / unit, _EQUAL * equal])
        told = np.concatenate([np.zeros(len(rough)), _EQUAL * wanted])
        exact = self._met_exactly(rough / unit, sided_least_squares(rows, told, sides), sides)
        if exact is None:
            return None
        return float(np.sum((rough @ exact) ** 2)), exact

    def _met_exactly(self, rough: Array, near: Array, sides: Array) -> Array | None:
        """Keep the coefficients that lie at zero there and meet every condition exactly with the others."""
        free = np.abs(near) > 1e-12
        square, own = rough[:, free].T @ rough[:, free], self._conditions[:, free] / self._scale[:, None]
        count = int(free.sum())
        if count < len(own):
            return None
        system = np.block([[square, own.T], [own, np.zeros((len(own), len(own)))]])
        solution = np.linalg.lstsq(system, np.concatenate([np.zeros(count), self._wanted / self._scale]), rcond=None)[0]
        exact = np.zeros_like(near)
        exact[free] = solution[:count]
        off = np.abs(self._conditions @ exact - self._wanted)
        wrong_side = float((-sides * exact).max())
        if off.max() > _TOLERANCE_MM or wrong_side > 1e-3 * np.abs(exact).max():
            return None
        return exact
