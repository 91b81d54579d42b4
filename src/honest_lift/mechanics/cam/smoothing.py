"""Smoothing a table of lifts: a quintic spline whose amount of smoothing the data themselves choose.

The fourth derivative is penalised; the amount is what generalised cross-validation asks for, its effective degrees of
freedom counted 1.4 times, since counted once it under-smooths at times. It is never fixed from an assumed
resolution: half the true one spoils an acceleration several times over.
Source: Eilers and Marx, Flexible smoothing with B-splines and penalties (1996); Wahba, Spline Models for Observational
Data (1990); the factor: Kim and Gu (2004), cited from memory; knots and weights: common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from honest_lift.mechanics.solving.bspline import Spline, basis, clamped_knots
from honest_lift.mechanics.solving.minimum import least_between
from honest_lift.numbers.doubt import Array
from honest_lift.numbers.mendable import MendableError

_DEGREE = 5
_PENALISED = 4  # derivative
_COUNTED = 1.4  # times the effective degrees of freedom count
_AMOUNTS = (-12.0, 6.0)  # decades searched, about the point where penalty and data weigh alike
_RASTER = 10
_NEVER = 1e30
_HELD = 1e-13
_LEAST_SPAN_CAM_DEG = (
    2.5  # a freedom: no lobe bends on less, but cross-validation of a very rough table at times believes it
)
_AS_GOOD = 1.1
_PASSES = 2  # the slope that the wheel's error is multiplied by is only known after the first


@dataclass(frozen=True)
class Smoothed:
    """A smoothed table. `residuals`: read less smoothed, mm, in the order of the table; `freedom`: effective degrees.

    `left_out`: read less what the curve says without that row, mm; `errors`: what each row weighed, as a standard error.
    """

    knots: Array
    coefficients: Array
    residuals: Array
    left_out: Array
    errors: Array
    freedom: float

    @cached_property
    def splines(self) -> tuple[Spline, Spline, Spline]:
        """Give the spline in mm over cam degrees, and its first and second derivatives."""
        lift = Spline(self.knots, self.coefficients, _DEGREE)
        return lift, lift.derivative(), lift.derivative().derivative()


def smooth(cam_deg: Array, lift_mm: Array, lift_error_mm: float, wheel_error_cam_deg: float) -> Smoothed:
    """Smooth lifts (n) read at rising cam degrees (n).

    The two errors only weigh rows against each other: on a flank the wheel's own counts by the slope. Raises MendableError
    for fewer rows than a quintic needs.
    """
    if len(cam_deg) < 2 * _DEGREE:
        raise MendableError(f"{len(cam_deg)} rows are too few to smooth: {2 * _DEGREE} at least.")
    problem = _Problem(cam_deg, lift_mm)
    slope = np.gradient(lift_mm, cam_deg)
    for _ in range(_PASSES):
        found = problem.best(np.sqrt(lift_error_mm**2 + (slope * wheel_error_cam_deg) ** 2))
        slope = found.splines[1](cam_deg)
    return found


class _Problem:
    """Basis and penalty of one table, both banded."""

    def __init__(self, at: Array, read: Array) -> None:
        step = max(float(np.median(np.diff(at))), 1.0)
        pieces = max(int(np.ceil((at[-1] - at[0]) / step)), 2)
        self.knots = clamped_knots(float(at[0]), float(at[-1]), pieces, _DEGREE)
        self._at, self._read = at, read
        self._basis = basis(self.knots, _DEGREE)(at)
        self._penalty = self._rough(self.knots[_DEGREE:-_DEGREE])

    def _rough(self, inner: Array) -> Array:
        """Integrate products of the fourth derivatives: straight lines on each piece, so two Gauss points are exact."""
        nodes, weights = np.polynomial.legendre.leggauss(2)
        half = np.diff(inner)[:, None] / 2
        points = ((inner[:-1] + inner[1:])[:, None] / 2 + half * nodes).ravel()
        penalised = basis(self.knots, _DEGREE)
        for _ in range(_PENALISED):
            penalised = penalised.derivative()
        fourth = penalised(points)
        scaled = fourth * np.sqrt(half * weights).reshape(-1, 1)
        return np.asarray(scaled.T @ scaled)

    def best(self, errors: Array) -> Smoothed:
        """Smooth by the amount generalised cross-validation asks for."""
        weights = 1.0 / errors**2
        weights /= weights.mean()
        turned = _Turned(self._basis, self._penalty, weights, self._read)
        span = self.knots[-1] - self.knots[0]

        def criterion(decade: float) -> float:
            if not turned.holds(decade):
                return _NEVER  # too little smoothing for the data to hold the curve at every knot
            freedom = turned.freedom(decade)
            left = 1.0 - _COUNTED * freedom / len(self._at)
            if left <= 0 or freedom * _LEAST_SPAN_CAM_DEG > span:
                return _NEVER
            return float(np.sum(weights * turned.residuals(decade) ** 2)) / left**2

        decades = np.linspace(*_AMOUNTS, _RASTER)
        told = np.array([criterion(float(one)) for one in decades])
        at = int(np.flatnonzero(told <= _AS_GOOD * told.min())[-1])  # of amounts about as good, the smoother
        ends = (float(decades[max(at - 1, 0)]), float(decades[min(at + 1, len(decades) - 1)]))
        decade = least_between(criterion, *ends, 0.05)
        residuals = turned.residuals(decade)
        left_out = residuals / np.maximum(1.0 - turned.leverage(decade), 1e-6)
        return Smoothed(self.knots, turned.coefficients(decade), residuals, left_out, errors, turned.freedom(decade))


class _Turned:
    """Data and penalty turned so that both are diagonal: any amount of smoothing then costs a product of a matrix and a vector.

    With N = B'WB, P the penalty and c the amount at which both weigh alike, N + cP = LL' and L^-1 N L^-T = Q diag(m) Q'; an amount
    of c times 10 to a decade leaves d = m + 10^decade (1 - m) on the diagonal. Source: Demmler and Reinsch (1975); Golub and
    Van Loan, Matrix Computations, the symmetric-definite generalised eigenproblem.
    """

    def __init__(self, basis: Array, penalty: Array, weights: Array, read: Array) -> None:
        normal = basis.T @ (basis * weights[:, None])
        alike = np.trace(normal) / np.trace(penalty)
        lower = np.linalg.cholesky(normal + alike * penalty)
        half = np.linalg.solve(lower, normal)
        whitened = np.linalg.solve(lower, half.T)
        data, turn = np.linalg.eigh((whitened + whitened.T) / 2.0)
        self._data = np.clip(data, 0.0, 1.0)
        self._back = np.linalg.solve(lower.T, turn)
        self._rows = basis @ self._back
        self._wanted = self._rows.T @ (weights * read)
        self._weights, self._read = weights, read

    def _left(self, decade: float) -> Array:
        return np.asarray(self._data + 10.0**decade * (1.0 - self._data))

    def holds(self, decade: float) -> bool:
        """Tell whether data and penalty together hold the curve at every knot."""
        return bool(self._left(decade).min() > _HELD)

    def freedom(self, decade: float) -> float:
        """Give the effective degrees of freedom."""
        return float(np.sum(self._data / self._left(decade)))

    def coefficients(self, decade: float) -> Array:
        """Give the spline's coefficients."""
        return np.asarray(self._back @ (self._wanted / self._left(decade)))

    def residuals(self, decade: float) -> Array:
        """Give what was read less the curve, row by row."""
        return np.asarray(self._read - self._rows @ (self._wanted / self._left(decade)))

    def leverage(self, decade: float) -> Array:
        """Give the share of each row in its own value on the curve."""
        return np.asarray(self._weights * (self._rows**2 @ (1.0 / self._left(decade))))
