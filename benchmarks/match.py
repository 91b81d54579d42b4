"""The match over fifty thousand invented springs, 200 retainers and 40 locks on sixteen pockets; and a plain loop on a slice."""

import resource
import sys
import time
from pathlib import Path

import numpy as np

sys.path.append(str(Path(__file__).parents[1] / "tests"))

from honest_lift.mechanics.match.asked import Pairs, rows
from honest_lift.mechanics.match.search import search
from match_by_hand import by_hand, shelf

SLICE, FEW = 40, 60
parts = shelf(1, springs=50_000, retainers=200, locks=40, pockets=16)
*_, found = search(*shelf(1, springs=500, retainers=20, locks=4, pockets=16))  # warm
start, first = time.perf_counter(), 0.0
for found in search(*parts):  # noqa: B007
    first = first or time.perf_counter() - start
whole = time.perf_counter() - start
peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
springs, retainers, pairs, pockets, stacks, asked = parts
some: Pairs = rows(pairs, np.arange(FEW))
sliced = (rows(springs, np.arange(SLICE)), retainers, some, pockets, stacks, asked)
start = time.perf_counter()
wanted = by_hand(*sliced)
plain = time.perf_counter() - start
*_, same = search(*sliced)
assert same.count == len(wanted)
ratio = plain / (SLICE * FEW) * len(springs.rate) * len(pairs.retainer) / whole
print("first_candidates_of_50,000_springs", 1000 * first, 300)
print(f"all_{found.count}_candidates_counted,_best_200_found", 1000 * whole, 2000)
print(f"peak_memory_of_the_match_({len(pairs.retainer)}_pairs,_{len(stacks.total_mm)}_stacks)", peak, 400)
print(f"times_quicker_than_a_plain_loop,_by_a_slice_of_{SLICE * FEW}", ratio)
