"""The least of a function of one variable between two ends.

Source: Brent, Algorithms for Minimization without Derivatives (1973), `localmin`; held to SciPy's bounded search by a test.
"""

from __future__ import annotations

from collections.abc import Callable
from math import copysign, sqrt

_GOLDEN = (3.0 - sqrt(5.0)) / 2.0
_MOST_STEPS = 500
_ROUNDING = sqrt(2.2e-16)


def least_between(function: Callable[[float], float], low: float, high: float, tolerance: float) -> float:
    """Give where a function is least between two ends, to a tolerance: by parabolas, by the golden section where they fail."""
    best = second = third = low + _GOLDEN * (high - low)
    of_best = of_second = of_third = function(best)
    step = before = 0.0
    for _ in range(_MOST_STEPS):
        middle, near = (low + high) / 2.0, _ROUNDING * abs(best) + tolerance / 3.0
        if abs(best - middle) <= 2.0 * near - (high - low) / 2.0:
            break
        parabola = _parabola(best, second, third, of_best, of_second, of_third) if abs(before) > near else None
        if parabola is not None and abs(parabola) < abs(before / 2.0) and low < best + parabola < high:
            before, step = step, parabola
            if best + step - low < 2.0 * near or high - best - step < 2.0 * near:
                step = copysign(near, middle - best)
        else:
            before = (high if best < middle else low) - best
            step = _GOLDEN * before
        at = best + copysign(max(abs(step), near), step)
        of_at = function(at)
        if of_at <= of_best:
            low, high = (best, high) if at >= best else (low, best)
            third, second, best = second, best, at
            of_third, of_second, of_best = of_second, of_best, of_at
            continue
        low, high = (at, high) if at < best else (low, at)
        if of_at <= of_second or second == best:
            third, second, of_third, of_second = second, at, of_second, of_at
        elif of_at <= of_third or third in (best, second):
            third, of_third = at, of_at
    return best


def _parabola(a: float, b: float, c: float, of_a: float, of_b: float, of_c: float) -> float | None:
    """Give how far from `a` the top of the parabola through three points lies; None for a straight line."""
    r, q = (a - b) * (of_a - of_c), (a - c) * (of_a - of_b)
    across, under = (a - c) * q - (a - b) * r, 2.0 * (q - r)
    return -across / under if under else None
