"""B-splines by de Boor's recursion: values, derivatives, integrals and the basis itself.

Source: de Boor, A Practical Guide to Splines, chapters IX and X; held to SciPy's BSpline by a test.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from math import factorial

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array


@dataclass(frozen=True)
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
        last = len(self.knots) - self.degree - 2
        span = np.clip(np.searchsorted(self.knots, flat, side="right") - 1, self.degree, last)
        piece = span - self.degree
        powers = self._pieces
        along = (flat - self.knots[span]).reshape(-1, *(1,) * (self.coefficients.ndim - 1))
        value = powers[-1][piece]
        for power in powers[-2::-1]:
            value = value * along + power[piece]
        return np.asarray(value).reshape((*places.shape, *self.coefficients.shape[1:]))

    @cached_property
    def _pieces(self) -> list[Array]:
        """Give what multiplies each power of the way into each piece: its derivatives at the piece's beginning, over factorials."""
        spline, found = self, []
        spans = np.arange(self.degree, len(self.knots) - self.degree - 1)
        starts = self.knots[spans]
        for order in range(self.degree + 1):
            found.append(spline._recursion(starts, spans - order) / factorial(order))
            spline = spline.derivative() if order < self.degree else spline
        return found

    def _recursion(self, at: Array, span: NDArray[np.int64]) -> Array:
        """Give values (k, ...) at places (k,) that lie in pieces (k,): de Boor's recursion."""
        more = (1,) * (self.coefficients.ndim - 1)
        points = [self.coefficients[span - self.degree + j] for j in range(self.degree + 1)]
        for level in range(1, self.degree + 1):
            for j in range(self.degree, level - 1, -1):
                left = self.knots[span - self.degree + j]
                right = self.knots[span + 1 + j - level]
                with np.errstate(divide="ignore", invalid="ignore"):  # a piece of no width is never asked for
                    share = ((at - left) / (right - left)).reshape(-1, *more)
                points[j] = (1.0 - share) * points[j - 1] + share * points[j]
        return np.asarray(points[self.degree])

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
