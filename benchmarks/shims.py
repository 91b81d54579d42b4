"""Shim plans of invented pockets, springs free, stock ample and tight: loads as alike as can be, proven to within their doubt."""

import time
from itertools import combinations_with_replacement

import numpy as np

from honest_lift.plans.spring.shim_solver import Options, least_spread

SIZES = (0.38, 0.50, 0.76, 1.52)
STOCKS = {
    "ample": (np.inf,) * 4,
    "tight": (0.45, 0.4, 0.3, 0.12),
    "short": (0.35, 0.35, 0.25, 0.1),
}  # of each, a pocket
TARGETS = {16: 2000, 48: 6000}
DOUBT_N = 10.0


def pockets(count: int, stock: str) -> Options:
    """Invent pockets, springs and every stack of up to three shims that stands within half a millimetre of 45."""
    rng = np.random.default_rng(1)
    stacks = [one for k in range(4) for one in combinations_with_replacement(range(len(SIZES)), k)]
    thick = np.array([sum(SIZES[i] for i in one) for one in stacks])
    bare, rate = 45.9 + rng.normal(0, 0.25, count), 60 + rng.normal(0, 1, count)
    at_45 = 720 * (1 + rng.normal(0, 0.015, count))
    pocket, spring, stack = (one.ravel() for one in np.indices((count, count, len(stacks))))
    height = bare[pocket] - thick[stack]
    fits = np.abs(height - 45.0) <= 0.5
    load = at_45[spring] + rate[spring] * (45.0 - height)
    uses = np.array([[one.count(i) for i in range(len(SIZES))] for one in stacks], dtype=float)
    own = (pocket[fits], spring[fits], stack[fits], load[fits])
    return Options(count, count, *own, uses, np.ceil(np.array(STOCKS[stock]) * count))


for count, target in TARGETS.items():
    for stock in STOCKS:
        options = pockets(count, stock)
        start = time.perf_counter()
        found = least_spread(options, 10.0, within=DOUBT_N)
        proven = "proven" if found.proven else "best_found,_not_proven"
        print(
            f"shim_plan,_{count}_pockets,_springs_free,_stock_{stock},_{proven}",
            1000 * (time.perf_counter() - start),
            target,
        )
