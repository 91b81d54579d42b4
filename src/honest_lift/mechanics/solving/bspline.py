"""B-splines by de Boor's recursion: values, derivatives, integrals and the basis itself.

Source: de Boor, A Practical Guide to Splines, chapters IX and X; held to SciPy's BSpline by a test.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array


@dataclass(frozen=True, slots=True)
class Spline:
    """A spline of a degree over rising knots (n + degree + 1,): coefficients (n,), or (n, m) of m splines at once.

    Outside its knots the first and last pieces go on.
    """

    knots: Array
    coefficients: Array
    degree: int

    def __call__(self, at: Array | float) -> Array:
        """Give values (...), or (..., m), at places (...)."""
        places = np.asarray(at, dtype=np.float64)
        flat = places.ravel()
        span = self._span(flat)
        more = (1,) * (self.coefficients.ndim - 1)
        points = [self.coefficients[span - self.degree + j] for j in range(self.degree + 1)]
        for level in range(1, self.degree + 1):
            for j in range(self.degree, level - 1, -1):
                left = self.knots[span - self.degree + j]
                right = self.knots[span + 1 + j - level]
                share = ((flat - left) / (right - left)).reshape(-1, *more)
                points[j] = (1.0 - share) * points[j - 1] + share * points[j]
        return np.asarray(points[self.degree]).reshape((*places.shape, *self.coefficients.shape[1:]))

    def _span(self, at: Array) -> NDArray[np.int64]:
        """Give the piece of each place: the knot before it, of those that bound pieces."""
        last = len(self.knots) - self.degree - 2
        return np.clip(np.searchsorted(self.knots, at, side="right") - 1, self.degree, last).astype(np.int64)

    def derivative(self) -> Spline:
        """Give the derivative, a spline of one degree less."""
        k, inner = self.degree, self.knots[1:-1]
        widths = (inner[k:] - inner[:-k]).reshape(-1, *(1,) * (self.coefficients.ndim - 1))
        return Spline(inner, k * np.diff(self.coefficients, axis=0) / widths, k - 1)

    def integral(self) -> Spline:
        """Give the integral from the first knot, a spline of one degree more."""
        k = self.degree + 1
        widths = (self.knots[k:] - self.knots[:-k]).reshape(-1, *(1,) * (self.coefficients.ndim - 1))
        summed = np.cumsum(self.coefficients * widths / k, axis=0)
        knots = np.concatenate([self.knots[:1], self.knots, self.knots[-1:]])
        return Spline(knots, np.concatenate([np.zeros_like(summed[:1]), summed]), k)


def basis(knots: Array, degree: int) -> Spline:
    """Give every basis spline over knots at once: values (..., n)."""
    return Spline(knots, np.eye(len(knots) - degree - 1), degree)


def clamped_knots(low: float, high: float, pieces: int, degree: int) -> Array:
    """Give the knots of so many equal pieces from `low` to `high`, each end as often as a spline of the degree wants."""
    inner = np.linspace(low, high, pieces + 1)
    return np.concatenate([np.full(degree, low), inner, np.full(degree, high)])
