#!/usr/bin/env python3
"""How often the rule of the seat-load trend alarms falsely, and how soon it finds a loss: the table of docs/validation.md.

Sixteen valves, a lever tester that repeats to 3 percent, a day's offset of 3 percent, a first settling of 6 percent."""

from __future__ import annotations

import sys

import numpy as np

from honest_lift.mechanics.spring.trend import ASK, BASE_DAYS, LOST, SETTLE, trend_of

VALVES, TOOL, DAY, SESSIONS, BEGINS = 16, 0.03, 0.03, 20, 12
CONFIRM, BESIDE = 3, 3


def season(rng: np.random.Generator, repeats: int, loss: float = 0.0) -> tuple[set[int], int | None]:
    """Give the valves that alarm, and how many sessions after its loss the fourth one is found; None for never."""
    days = SETTLE + BASE_DAYS + SESSIONS
    true = np.log(500.0) + rng.normal(0.0, 0.03, VALVES) + np.where(np.arange(days) < SETTLE, 0.0, -0.06)[:, None]
    true[SETTLE + BASE_DAYS + BEGINS :, 3] += np.log(1.0 - loss)
    counts = np.ones((days, VALVES))
    counts[SETTLE : SETTLE + BASE_DAYS] = repeats
    read = true + rng.normal(0.0, DAY, days)[:, None] + rng.normal(0.0, TOOL, true.shape) / np.sqrt(counts)
    found = trend_of(np.exp(read), counts)
    alarms, hit = set[int](), None
    for day in range(SETTLE + BASE_DAYS, days):
        for valve in np.flatnonzero(found.d[day] < ASK).tolist():
            beside = rng.choice([one for one in range(VALVES) if one != valve], BESIDE, replace=False)
            again = {
                one: true[day, one] + rng.normal(0.0, TOOL, CONFIRM).mean() - found.base[one]
                for one in (valve, *beside)
            }
            if again[valve] - np.mean([again[one] for one in beside]) < LOST:
                alarms.add(valve)
                at = day - SETTLE - BASE_DAYS - BEGINS
                hit = at if valve == 3 and hit is None and at >= 0 else hit
    return alarms, hit


def main(engines: int = 1000) -> None:
    """Print the table."""
    rng = np.random.default_rng(24)
    print("| baseline readings a valve | false alarms an engine in 20 sessions |\n|---|---|")
    for repeats in (1, 2, 3):
        share = np.mean([bool(season(rng, repeats)[0]) for _ in range(engines)])
        print(f"| {repeats * BASE_DAYS} | {100.0 * share:.1f} % |")
    print("\n| loss, nine baseline readings | found in three sessions | found at all |\n|---|---|---|")
    for loss in (0.05, 0.08, 0.10):
        hits = [season(rng, 3, loss)[1] for _ in range(engines)]
        soon = np.mean([one is not None and one < 3 for one in hits])
        print(
            f"| {100.0 * loss:.0f} % | {100.0 * soon:.0f} % | {100.0 * np.mean([one is not None for one in hits]):.0f} % |"
        )


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 1000)
