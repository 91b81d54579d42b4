"""How often the form of a spring is told right, and a short or a mixed one found: figures in docs/validation.md.

    python tools/form_rates.py

Chains of coils of known form, read at some heights with a tester that repeats to 0.5 percent; free lengths of sets of
sixteen made within 0.15 mm and read with a caliper that repeats to 0.015 mm.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.spring.form import recognise
from honest_lift.mechanics.spring.helix import chain_load
from honest_lift.mechanics.spring.spring_set import robust_z

_DRAWS, _SETS, _SPRINGS = 2000, 50_000, 16
_SHARE = 0.005


def loads_of(kind: str, heights: np.ndarray) -> np.ndarray:
    """Give a chain's loads in N at heights in mm."""
    if kind == "linear":
        return 30.0 * (52.0 - heights)
    if kind == "progressive":
        return chain_load(heights, 52.0, np.full(8, 240.0), np.array([1.5] * 4 + [4.0] * 4))
    return chain_load(heights, 52.0, np.linspace(180.0, 900.0, 40) * 5, np.linspace(0.04, 1.6, 40))


def main() -> None:
    """Print both tables."""
    draw = np.random.default_rng(4)
    print("| form | points | linear | rising | progressive | tapered |")
    print("| --- | --- | --- | --- | --- | --- |")
    for kind in ("linear", "progressive", "tapered"):
        for count in (3, 4, 6, 8):
            heights = np.linspace(34.5, 48.0, count)
            true = loads_of(kind, heights)
            told = [
                recognise(heights, true * (1 + draw.normal(0, _SHARE, count)), true * _SHARE).told
                for _ in range(_DRAWS)
            ]
            shares = (100 * told.count(name) / _DRAWS for name in ("linear", "rising", "progressive", "tapered"))
            print(f"| {kind} | {count} | " + " | ".join(f"{share:.1f} %" for share in shares) + " |")
    print()
    print("| short by | found short (0.050 in) | measure again |")
    print("| --- | --- | --- |")
    for short in (0.0, 0.5, 1.0, 1.27, 1.5):
        free = 55.0 + draw.normal(0, 0.15, (_SETS, _SPRINGS)) + draw.normal(0, 0.015, (_SETS, _SPRINGS))
        free[:, 0] -= short
        low = (free - np.median(free, axis=1, keepdims=True) < -1.27).any(axis=1)
        wild = (np.abs(robust_z(free, 0.015)) > 4.5).any(axis=1)
        print(f"| {short:.2f} mm | {100 * low.mean():.1f} % | {100 * wild.mean():.1f} % |")
    print()
    print("| sets of sixteen, 4 points | one linear among 15 progressive found | one of 16 alike called wrong |")
    print("| --- | --- | --- |")
    heights = np.linspace(34.5, 48.0, 4)
    bend = np.empty((_DRAWS, _SPRINGS))
    for kind in ("linear", "progressive"):
        loads = loads_of(kind, heights) * (1 + draw.normal(0, _SHARE, (_DRAWS, _SPRINGS, 4)))
        rates = -np.diff(loads, axis=-1) / np.diff(heights)
        bend[...] = rates[..., 0] / rates[..., -1]
        alone = _wrong(bend).any(axis=1).mean()
        if kind == "progressive":
            lone = loads_of("linear", heights) * (1 + draw.normal(0, _SHARE, (_DRAWS, 4)))
            bend[:, 0] = (lone[:, 0] - lone[:, 1]) / (lone[:, 2] - lone[:, 3])
            found = f"{100 * _wrong(bend)[:, 0].mean():.1f} %"
        else:
            found = "–"
        print(f"| {kind} | {found} | {100 * alone:.1f} % |")


def _wrong(bend: np.ndarray) -> np.ndarray:
    """Tell which springs (sets, springs) the rule of `checks/spring/type_words.py` calls another type."""
    middle = np.median(bend, axis=1, keepdims=True)
    apart = np.abs(bend - middle)
    scatter = 1.4826 * np.median(apart, axis=1, keepdims=True)
    return (apart > 0.15 * middle) & (apart > 4.5 * scatter)


if __name__ == "__main__":
    main()
