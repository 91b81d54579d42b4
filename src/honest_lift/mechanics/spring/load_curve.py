"""Load of a spring at a height, from its own measured points.

Inside the measured heights a shape-preserving cubic (PCHIP), outside them the last chord, which the caller
must flag as extrapolated; below coil bind there is no load, and above the free length it is zero. Vectorised
over springs and displaced copies in NumPy, because SciPy alone would take longer to import than the first window may.

Source: Fritsch and Butland 1984 (SIAM J. Sci. Stat. Comput. 5, 300), three-point ends after Moler, Numerical
Computing with MATLAB 3.6, from memory; held to scipy.interpolate.PchipInterpolator by test.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

_FEWEST = 2  # points that make a curve


def load_at(height_mm: Array, heights_mm: Array, loads_n: Array) -> Array:
    """Give loads (..., n) in N at heights (..., n), from points (..., n, p) with heights rising.

    Points end in NaN where a spring has fewer; one with fewer than two gives NaN.
    """
    shape = np.broadcast_shapes(height_mm.shape, heights_mm.shape[:-1])
    if 0 in shape:  # no case, no load
        return np.empty(shape)
    height = np.broadcast_to(height_mm, shape).reshape(-1, shape[-1])
    points = (*shape, heights_mm.shape[-1])
    hs = np.broadcast_to(heights_mm, points).reshape(-1, *points[-2:])
    loads = np.broadcast_to(loads_n, points).reshape(-1, *points[-2:])
    counts = np.isfinite(hs[0]).sum(axis=-1)
    result = np.full(height.shape, np.nan)
    for count in np.unique(counts[counts >= _FEWEST]):
        cases = np.flatnonzero(counts == count)
        result[:, cases] = _cubic(height[:, cases], hs[:, cases, :count], loads[:, cases, :count])
    return result.reshape(shape)


def free_at(heights_mm: Array, loads_n: Array) -> Array:
    """Give the height (n,) in mm at which the last chord of points (n, p), heights rising, comes to no load; NaN for under two.

    >>> free_at(np.array([[40.0, 45.0, np.nan]]), np.array([[800.0, 600.0, np.nan]]))
    array([60.])
    """
    counts = np.isfinite(heights_mm).sum(axis=-1)
    result = np.full(len(heights_mm), np.nan)
    told = np.flatnonzero(counts >= _FEWEST)
    last = counts[told] - 1
    (h0, h1), (f0, f1) = ((own[told, last - 1], own[told, last]) for own in (heights_mm, loads_n))
    with np.errstate(divide="ignore", invalid="ignore"):
        result[told] = h1 + f1 * (h1 - h0) / (f0 - f1)
    return result


def is_extrapolated(height_mm: Array, heights_mm: Array) -> NDArray[np.bool_]:
    """Tell, (n,), where a height (n,) lies outside the measured points (n, p)."""
    low, high = np.fmin.reduce(heights_mm, axis=-1), np.fmax.reduce(heights_mm, axis=-1)
    slack = 1e-9 * np.maximum(1.0, np.abs(height_mm))
    return np.asarray((height_mm < low - slack) | (height_mm > high + slack))


def are_contradictory(heights_mm: Array, loads_n: Array) -> NDArray[np.bool_]:
    """Tell, (n,), whose points (n, p), heights rising, are no spring: load must rise strictly as height falls."""
    with np.errstate(invalid="ignore"):
        wrong = (np.diff(loads_n, axis=-1) >= 0) | (np.diff(heights_mm, axis=-1) <= 0)
    return np.asarray(wrong.any(axis=-1))


def _cubic(height: Array, hs: Array, loads: Array) -> Array:
    """Evaluate over complete points (rows, n, p) with heights rising."""
    step = hs[..., 1:] - hs[..., :-1]
    chord = (loads[..., 1:] - loads[..., :-1]) / step
    slope = _slopes(step, chord)
    piece = np.minimum((height[..., None] >= hs[..., 1:-1]).sum(axis=-1), hs.shape[-1] - 2).ravel()
    each = np.arange(piece.size)

    def at(values: Array, shift: int = 0) -> Array:
        picked = values.reshape(piece.size, -1)[each, piece + shift]
        return np.asarray(picked.reshape(height.shape))

    below, wide, load = at(hs), at(step), at(loads)
    t = (height - below) / wide
    rest = 1 - t
    inside = (
        load * (1 + 2 * t) * rest**2
        + wide * at(slope) * t * rest**2
        + at(loads, 1) * t**2 * (3 - 2 * t)
        - wide * at(slope, 1) * t**2 * rest
    )
    straight = np.maximum(load + at(chord) * (height - below), 0.0)
    return np.where((t < 0) | (t > 1), straight, inside)


def _slopes(step: Array, chord: Array) -> Array:
    """Give the slopes at the points from steps and chords (rows, n, p - 1)."""
    if step.shape[-1] == 1:
        return np.repeat(chord, 2, axis=-1)
    slope = np.empty((*step.shape[:-1], step.shape[-1] + 1))
    w1 = 2 * step[..., 1:] + step[..., :-1]
    w2 = step[..., 1:] + 2 * step[..., :-1]
    left, right = chord[..., :-1], chord[..., 1:]
    with np.errstate(divide="ignore", invalid="ignore"):
        mean = (w1 + w2) / (w1 / left + w2 / right)
    slope[..., 1:-1] = np.where(left * right > 0, mean, 0.0)
    slope[..., 0] = _end(step[..., 0], step[..., 1], chord[..., 0], chord[..., 1])
    slope[..., -1] = _end(step[..., -1], step[..., -2], chord[..., -1], chord[..., -2])
    return slope


def _end(step: Array, next_step: Array, chord: Array, next_chord: Array) -> Array:
    slope = ((2 * step + next_step) * chord - step * next_chord) / (step + next_step)
    slope = np.where(np.sign(slope) != np.sign(chord), 0.0, slope)
    turning = (np.sign(chord) != np.sign(next_chord)) & (np.abs(slope) > 3 * np.abs(chord))
    return np.where(turning, 3 * chord, slope)
