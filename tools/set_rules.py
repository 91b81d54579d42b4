"""How often the rules for a set of springs find a lost one, and how often they cry wolf: the figures in docs/validation.md.

    python tools/set_rules.py

Sets of sixteen: 1.5 percent scatter of manufacture, read once with a tool of 1 percent; one spring has lost some load.
"""

from __future__ import annotations

import numpy as np

from honest_lift.mechanics.spring.spring_set import share_of_median, spread, to_measure_again

_SETS, _SPRINGS, _MADE, _TOOL = 100_000, 16, 0.015, 0.01


def main() -> None:
    """Print a line for each loss."""
    draw = np.random.default_rng(16)
    print("| lost | condemned (below 90 percent) | not uniform (10 percent) | measure again |")
    print("| --- | --- | --- | --- |")
    for lost in (0.0, 0.08, 0.10, 0.12, 0.15):
        true = 600.0 * (1 + draw.normal(0, _MADE, (_SETS, _SPRINGS)))
        true[:, 0] *= 1 - lost
        read = true * (1 + draw.normal(0, _TOOL, true.shape))
        rules = (
            (share_of_median(read) < 90.0).any(axis=1), spread(read) > 10.0, to_measure_again(read, 600.0 * _TOOL).any(axis=1),
        )  # fmt: skip
        print(f"| {100 * lost:.0f} % | " + " | ".join(f"{100 * rule.mean():.1f} %" for rule in rules) + " |")


if __name__ == "__main__":
    main()
