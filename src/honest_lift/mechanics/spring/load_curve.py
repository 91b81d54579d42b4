"""Load of a spring at a height, from its own measured points.

Inside the measured heights a shape-preserving cubic (PCHIP), outside them the last chord; farther out than a small share
of the travel the caller must flag it as extrapolated; below coil bind there is no load, and above the free length it is zero.
Vectorised over springs and displaced copies in NumPy, because SciPy alone would take longer to import than the first window
may.

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


CARRIED_SHARE = 0.05  # of the measured travel, by which a load is carried beyond it. Common practice, no source


def is_extrapolated(height_mm: Array, heights_mm: Array) -> NDArray[np.bool_]:
    """Tell, (n,), where a height (n,) lies farther outside the measured points (n, p) than a load is carried by its rate."""
    low, high = np.fmin.reduce(heights_mm, axis=-1), np.fmax.reduce(heights_mm, axis=-1)
    slack = CARRIED_SHARE * (high - low) + 1e-9 * np.maximum(1.0, np.abs(height_mm))
    return np.asarray((height_mm < low - slack) | (height_mm > high + slack))


RATES_APART = 1.6  # how many times a spring's rate may rise over the travel that is measured. From memory


def shape_room(height_mm: Array, heights_mm: Array, loads_n: Array) -> Array:
    """Give by how much, (n,) in N, a load at heights (n,) may differ from `load_at` for what lies between its points (n, p).

    A spring's rate never falls as it is pressed, so that its curve bends one way: between two points it lies under their chord,
    and above the chords beside it carried on. Where no chord lies beside, at the ends and beyond them, a rate is taken that
    differs by RATES_APART. NaN where `load_at` is.

    >>> h, loads = np.array([[35.0, 45.0]]), np.array([[1200.0, 600.0]])
    >>> shape_room(np.array([45.0]), h, loads).round(6) + 0.0
    array([0.])
    """
    counts = np.isfinite(heights_mm).sum(axis=-1)
    room = np.full(height_mm.shape, np.nan)
    for count in np.unique(counts[counts >= _FEWEST]):
        cases = np.flatnonzero(counts == count)
        room[cases] = _room(height_mm[cases], heights_mm[cases, :count], loads_n[cases, :count])
    return room


def _room(height: Array, hs: Array, loads: Array) -> Array:
    """Give it for complete points (n, p) with heights rising."""
    chord = np.diff(loads) / np.diff(hs)
    beside = np.concatenate([chord[:, :1] * RATES_APART, chord, chord[:, -1:] / RATES_APART], axis=1)
    piece = np.clip((height[:, None] >= hs).sum(axis=1) - 1, 0, chord.shape[1] - 1)
    row = np.arange(len(height))
    below, above = hs[row, piece], hs[row, piece + 1]
    at_below, at_above = loads[row, piece], loads[row, piece + 1]
    on_chord = at_below + chord[row, piece] * (height - below)
    carried_up = at_below + beside[row, piece] * (height - below)
    carried_down = at_above + beside[row, piece + 2] * (height - above)
    low, high = np.minimum(np.maximum(carried_up, carried_down), on_chord), on_chord
    outside = (height < below) | (height > above)  # beyond the ends it lies between the last chord and the rate beyond
    low = np.where(outside, on_chord, low)
    high = np.where(height < below, carried_up, np.where(height > above, carried_down, high))
    value = _cubic(height[None], hs[None], loads[None])[0]
    return np.asarray(np.maximum(np.maximum(high - value, value - low), 0.0))


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
