"""Is one valve's seat load going away? Each against its own baseline and against its neighbours of the same day.

    d = ln(reading) - baseline - median over the valves that day        baseline: mean of ln over its first settled days

The median takes off what the day's tool and hand are off by; a median that moves means settling, or the tool. A day on which
d < ln(0.93) asks for it, and at least three neighbours, to be read three times at once: their mean below ln(0.94) is a loss.
Source: the handbook's rule; false alarms and delay by simulation in docs/validation.md.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import log

import numpy as np

from honest_lift.numbers.doubt import Array

ASK, LOST, REPLACE = log(0.93), log(0.94), log(0.90)
SETTLE = 1  # days at the beginning that show the first settling, and are no baseline
BASE_DAYS = 3  # settled days that make the baseline
LEAST_BESIDE = 3  # valves read on a day, fewer are too few to tell the day by


@dataclass(frozen=True, slots=True)
class Trend:
    """Days (t) by valves (n), NaN where none was read: `ln` of each reading, `d` as told; `median` (t,) of what all moved by.

    `base` (n,): ln of the baselines, NaN of one that has none yet; `base_count` (n,): readings in it.
    """

    ln: Array
    d: Array
    median: Array
    base: Array
    base_count: Array


def trend_of(loads_n: Array, counts: Array, settle: int = SETTLE, base_days: int = BASE_DAYS) -> Trend:
    """Work out the trend of readings (t, n), each the mean of `counts` (t, n); NaN and 0 for none.

    >>> made = trend_of(np.full((6, 4), 500.0), np.ones((6, 4)))
    >>> made.d[-1].tolist()
    [0.0, 0.0, 0.0, 0.0]
    """
    with np.errstate(invalid="ignore", divide="ignore"):
        ln = np.log(loads_n)
    read = np.isfinite(ln)
    nth = np.cumsum(read, axis=0) * read  # the how manieth day each valve is read on, from 1
    in_base = (nth > settle) & (nth <= settle + base_days)
    weights = np.where(in_base, counts, 0.0)
    whole = weights.sum(axis=0)
    with np.errstate(invalid="ignore", divide="ignore"):
        base = (np.where(in_base, ln, 0.0) * weights).sum(axis=0) / whole  # NaN without a reading
    moved = np.where(nth > settle, ln - base, np.nan)
    median = _median(moved)
    return Trend(ln, moved - median[:, None], median, base, whole)


def _median(moved: Array) -> Array:
    """Give the median of each day over the valves read on it; 0 where fewer than three were, too few to tell a day by."""
    many = np.isfinite(moved).sum(axis=1) >= LEAST_BESIDE
    return np.array([float(np.nanmedian(row)) if own else 0.0 for row, own in zip(moved, many, strict=True)])
