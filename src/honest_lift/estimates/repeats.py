"""Repeats at one place: their mean, their spread, and the one that stands apart. It is pointed out, never dropped."""

from __future__ import annotations

from math import sqrt

# Largest range of n readings over their standard deviation, 95 percent: the studentised range at infinite degrees of
# freedom (ISO 5725-6:1994 table 1, critical range factors; held to SciPy's distribution by a test).
_CRITICAL_RANGE = (2.77, 3.31, 3.63, 3.86, 4.03, 4.17, 4.29, 4.39, 4.47)
_SURE_RANGE = (3.64, 4.12, 4.40, 4.60, 4.76, 4.88, 4.99, 5.08, 5.16)  # the same at 99 percent


def mean_and_spread(values: list[float]) -> tuple[float, float]:
    """Give the mean and the sample standard deviation (0 for one value). Source: JCGM 100:2008 4.2.1, 4.2.2.

    Written out, because the statistics library would take longer to import than all checks together.
    """
    if len(values) == 1:
        return values[0], 0.0
    mean = sum(values) / len(values)
    return mean, sqrt(sum((one - mean) ** 2 for one in values) / (len(values) - 1))


def middle_of(values: list[float]) -> float:
    """Give the median.

    >>> middle_of([51.3, 51.1, 53.4, 51.2, 51.4])
    51.3
    """
    ordered = sorted(values)
    return (ordered[(len(ordered) - 1) // 2] + ordered[len(ordered) // 2]) / 2


def standing_apart(values: list[float], u_single: float, *, sure: bool = False) -> int | None:
    """Give which repeat stands apart from the others by more than the tool repeats to; None when none does.

    `u_single`: standard doubt of a single reading without the shared offset. `sure`: only what good repeats hardly ever
    do stands apart, where it bars something and there are many places of it. Of two that disagree the later is
    named, since neither can be told from the other. Source: ISO 5725-6:1994 4.1, critical range.

    >>> standing_apart([44.36, 44.38, 44.05], 0.015)
    2
    """
    count = len(values)
    if count < 2 or u_single <= 0:
        return None
    factors = _SURE_RANGE if sure else _CRITICAL_RANGE
    factor = factors[min(count, len(factors) + 1) - 2]
    if max(values) - min(values) <= factor * u_single:
        return None
    if count == 2:
        return 1
    middle = middle_of(values)
    return max(range(count), key=lambda i: abs(values[i] - middle))
