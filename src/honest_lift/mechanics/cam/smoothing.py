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
from typing import TYPE_CHECKING

import numpy as np

from honest_lift.numbers.doubt import Array

if TYPE_CHECKING:
    from scipy.interpolate import BSpline

_DEGREE = 5
_PENALISED = 4  # derivative
_COUNTED = 1.4  # times the effective degrees of freedom count
_AMOUNTS = (-12.0, 6.0)  # decades searched, about the point where penalty and data weigh alike
_RASTER = 10
_NEVER = 1e30
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
    def spline(self) -> BSpline:
        """Give the spline in mm over cam degrees."""
        from scipy.interpolate import BSpline

        return BSpline(self.knots, self.coefficients, _DEGREE, extrapolate=False)


def smooth(cam_deg: Array, lift_mm: Array, lift_error_mm: float, wheel_error_cam_deg: float) -> Smoothed:
    """Smooth lifts (n) read at rising cam degrees (n).

    The two errors only weigh rows against each other: on a flank the wheel's own counts by the slope. Raises ValueError
    for fewer rows than a quintic needs.
    """
    if len(cam_deg) < 2 * _DEGREE:
        raise ValueError(f"{len(cam_deg)} rows are too few to smooth: {2 * _DEGREE} at least.")
    problem = _Problem(cam_deg, lift_mm)
    slope = np.gradient(lift_mm, cam_deg)
    for _ in range(_PASSES):
        found = problem.best(np.sqrt(lift_error_mm**2 + (slope * wheel_error_cam_deg) ** 2))
        slope = found.spline(cam_deg, 1)
    return found


class _Problem:
    """Basis and penalty of one table, both banded."""

    def __init__(self, at: Array, read: Array) -> None:
        from scipy.interpolate import BSpline

        step = max(float(np.median(np.diff(at))), 1.0)
        pieces = max(int(np.ceil((at[-1] - at[0]) / step)), 2)
        inner = np.linspace(at[0], at[-1], pieces + 1)
        self.knots = np.concatenate([np.full(_DEGREE, at[0]), inner, np.full(_DEGREE, at[-1])])
        self.count = len(self.knots) - _DEGREE - 1
        self._at, self._read = at, read
        self._basis = BSpline.design_matrix(at, self.knots, _DEGREE).toarray()
        self._penalty = self._rough(inner)

    def _rough(self, inner: Array) -> Array:
        """Integrate products of the fourth derivatives: straight lines on each piece, so two Gauss points are exact."""
        from scipy.interpolate import BSpline

        nodes, weights = np.polynomial.legendre.leggauss(2)
        half = np.diff(inner)[:, None] / 2
        points = ((inner[:-1] + inner[1:])[:, None] / 2 + half * nodes).ravel()
        fourth = BSpline(self.knots, np.eye(self.count), _DEGREE).derivative(_PENALISED)(points)
        scaled = fourth * np.sqrt(half * weights).reshape(-1, 1)
        return np.asarray(scaled.T @ scaled)

    def best(self, errors: Array) -> Smoothed:
        """Smooth by the amount generalised cross-validation asks for."""
        from scipy.optimize import minimize_scalar

        weights = 1.0 / errors**2
        weights /= weights.mean()
        weighted = self._basis * weights[:, None]
        normal, wanted = self._basis.T @ weighted, weighted.T @ self._read
        middle = float(np.log10(np.trace(normal) / np.trace(self._penalty)))
        normal_band, penalty_band = _banded(normal), _banded(self._penalty)
        span = self.knots[-1] - self.knots[0]

        def solved(decade: float, right: Array) -> Array:
            from scipy.linalg import cho_solve_banded, cholesky_banded

            factor = cholesky_banded(normal_band + 10.0**decade * penalty_band, lower=True, check_finite=False)
            return np.asarray(cho_solve_banded((factor, True), right, check_finite=False))

        def fitted(decade: float) -> tuple[Array, float]:
            both = solved(decade, np.column_stack([wanted, normal]))
            return both[:, 0], float(np.trace(both[:, 1:]))

        def criterion(decade: float) -> float:
            try:
                coefficients, freedom = fitted(decade)
            except np.linalg.LinAlgError:
                return _NEVER  # too little smoothing for the data to hold the curve at every knot
            left = 1.0 - _COUNTED * freedom / len(self._at)
            if left <= 0 or freedom * _LEAST_SPAN_CAM_DEG > span:
                return _NEVER
            return float(np.sum(weights * (self._read - self._basis @ coefficients) ** 2)) / left**2

        decades = middle + np.linspace(*_AMOUNTS, _RASTER)
        told = np.array([criterion(float(one)) for one in decades])
        at = int(np.flatnonzero(told <= _AS_GOOD * told.min())[-1])  # of amounts about as good, the smoother
        ends = (float(decades[max(at - 1, 0)]), float(decades[min(at + 1, len(decades) - 1)]))
        decade = float(minimize_scalar(criterion, bounds=ends, method="bounded", options={"xatol": 0.05}).x)
        coefficients, freedom = fitted(decade)
        residuals = self._read - self._basis @ coefficients
        leverage = np.einsum("ij,ji->i", weighted, solved(decade, self._basis.T))
        left_out = residuals / np.maximum(1.0 - leverage, 1e-6)
        return Smoothed(self.knots, coefficients, residuals, left_out, errors, freedom)


def _banded(matrix: Array) -> Array:
    """Give the lower band of a symmetric matrix as LAPACK wants it."""
    count = len(matrix)
    band = np.zeros((_DEGREE + 1, count))
    for below in range(_DEGREE + 1):
        band[below, : count - below] = np.diagonal(matrix, -below)
    return band
