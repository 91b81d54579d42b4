"""Which stack, and which spring, goes into which pocket: the combinatorial heart of the shim plan, in plain arrays.

Every option is a pocket, a spring, a stack and the value it would give (a height in mm, a load in N). The question "can
every pocket have a value within [a, b]" is answered without stock by an assignment that uses the fewest shims, and with
tight stock by a mixed-integer program. Target: bisection over the distances to it. Least spread: branch and bound on the
smallest value, in which a block of smallest values goes when even its widest window can't serve every pocket. Where nothing is to
be gained by less than the doubt of the values, windows of one width are slid along a raster half that fine, and the width halved
toward: all are narrow, so that few options lie in each.

Source: assignment and integer programming by SciPy (`linear_sum_assignment`, `milp`); held to brute force by a test.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from honest_lift.numbers.doubt import Array

Ints = NDArray[np.int64]
_NEVER = 1e6  # a cost no assignment of shims reaches
_TURNS = 60  # of prices, before the integer program is asked
_HALVINGS = 6  # of a window's width while nothing but the stock-free question is asked
_INFEASIBLE = 2  # SciPy's status: only this one proves that there is no solution


@dataclass(frozen=True, slots=True)
class Options:
    """Everything that could be done. One entry an option (n,); `uses` (stacks, sizes) shims of each size in a stack.

    `stock` (sizes,): how many there are, infinite where nobody counts. `shims` (stacks,): how many a stack has.
    """

    pockets: int
    springs: int
    pocket: Ints
    spring: Ints
    stack: Ints
    value: Array
    uses: Array
    stock: Array

    @property
    def shims(self) -> Array:
        """Give how many shims each stack has, (stacks,)."""
        return np.asarray(self.uses.sum(axis=1))


@dataclass(frozen=True, slots=True)
class Answer:
    """The best found: an option for each pocket (pockets,), the measure it reaches and the best still possible.

    `proven`: nothing better exists, by more than what was asked `within`. `chosen` is empty where no option serves every pocket.
    """

    chosen: Ints
    measure: float
    bound: float
    proven: bool


class StoppedError(Exception):
    """The time is up, or somebody pressed Cancel."""


class _Search:
    """One search with its clock; `window` answers the feasibility question."""

    def __init__(self, options: Options, seconds: float, cancelled: Callable[[], bool]) -> None:
        self.options = options
        self._until = time.monotonic() + seconds
        self._cancelled = cancelled
        self._cost = options.shims[options.stack]
        self._lot = np.random.default_rng(0).random(
            len(options.value)
        )  # shims; parts what costs alike, or prices swing to and fro
        self.unsure = False

    def window(self, low: float, high: float, *, fewest: bool = False) -> Ints | None:
        """Give an option for each pocket with its value in [low, high], None where there is none; with the fewest shims."""
        if self._cancelled() or time.monotonic() > self._until:
            raise StoppedError
        inside = self._inside(low, high)
        free = self._without_stock(inside)
        if free is None or self._in_stock(free):
            return free
        if fewest:
            return self._with_stock(inside, fewest=True)
        soon = self._priced(inside)  # most windows that can be served are served by this
        if soon is not None or self._is_short(inside):
            return soon
        return self._with_stock(inside)

    def could(self, low: float, high: float) -> bool:
        """Tell whether every pocket could have a value in [low, high] were the stock endless."""
        if self._cancelled() or time.monotonic() > self._until:
            raise StoppedError
        return self._without_stock(self._inside(low, high)) is not None

    def _inside(self, low: float, high: float) -> Ints:
        slack = 1e-9 * max(1.0, abs(high))
        return np.flatnonzero((self.options.value >= low - slack) & (self.options.value <= high + slack))

    def _priced(self, inside: Ints) -> Ints | None:
        """Look for a plan within the stock by putting prices on what runs short; None where that finds none, if there is one."""
        o = self.options
        counted = np.isfinite(o.stock)
        prices = np.zeros(len(o.stock))
        for turn in range(_TURNS):
            chosen = self._without_stock(inside, prices)
            if chosen is None:
                return None
            over = np.where(counted, o.uses[o.stack[chosen]].sum(axis=0) - np.where(counted, o.stock, 0.0), 0.0)
            if (over <= 0).all():
                return chosen
            prices = np.maximum(0.0, prices + 0.1 * over / (1.0 + 0.1 * turn))
        return None

    def _without_stock(self, inside: Ints, prices: Array | None = None) -> Ints | None:
        """Assign as if the stock were endless, each shim at one, or at one and its price."""
        from scipy.optimize import linear_sum_assignment

        o = self.options
        each = self._cost if prices is None else (o.uses @ (1.0 + prices))[o.stack] + self._lot
        cost = np.full((o.pockets, o.springs), _NEVER)
        order = inside[np.argsort(-each[inside], kind="stable")]
        cost[o.pocket[order], o.spring[order]] = each[order]  # the cheapest comes last and stays
        which = np.full(cost.shape, -1)
        which[o.pocket[order], o.spring[order]] = order
        if (cost.min(axis=1) >= _NEVER).any():
            return None
        rows, columns = linear_sum_assignment(cost)
        if (cost[rows, columns] >= _NEVER).any():
            return None
        return np.asarray(which[rows, columns], dtype=np.int64)

    def _in_stock(self, chosen: Ints) -> bool:
        used = self.options.uses[self.options.stack[chosen]].sum(axis=0)
        return bool((used <= self.options.stock).all())

    def _is_short(self, inside: Ints) -> bool:
        """Tell whether the stock proves there is no plan: not even shares of shims would do."""
        return bool(self._program(inside, integral=False, presolve=True).status == _INFEASIBLE)

    def _with_stock(self, inside: Ints, *, fewest: bool = False) -> Ints | None:
        """Ask the integer program: for any plan there is, which is found soonest, or for the one with the fewest shims."""
        for presolve in (True, False):  # it may end without a solution and without a proof that there is none
            found = self._program(inside, integral=True, presolve=presolve, fewest=fewest)
            if found.x is not None:
                chosen = inside[np.flatnonzero(found.x > 0.5)]
                return np.asarray(chosen[np.argsort(self.options.pocket[chosen])], dtype=np.int64)
            if found.status == _INFEASIBLE:
                return None
        self.unsure = True
        return None

    def _program(self, inside: Ints, *, integral: bool, presolve: bool, fewest: bool = False) -> Any:
        """Solve: one option a pocket, one pocket a spring, no more shims than there are, and as few as can be where asked."""
        from scipy.optimize import LinearConstraint, milp
        from scipy.sparse import coo_array

        o, count = self.options, len(inside)
        across, one = np.arange(count), np.ones(count)
        in_pocket = coo_array((one, (o.pocket[inside], across)), shape=(o.pockets, count))
        of_spring = coo_array((one, (o.spring[inside], across)), shape=(o.springs, count))
        counted = np.flatnonzero(np.isfinite(o.stock))
        rows = [
            LinearConstraint(in_pocket, 1, 1), LinearConstraint(of_spring, 0, 1),
            LinearConstraint(coo_array(o.uses[o.stack[inside]][:, counted].T), 0, o.stock[counted]),
        ]  # fmt: skip
        left = max(self._until - time.monotonic(), 0.05)
        return milp(self._cost[inside] * fewest, integrality=one if integral else 0 * one, bounds=(0, 1), constraints=rows,
                    options={"presolve": presolve, "time_limit": left})  # fmt: skip


def nearest(
    options: Options, target: float, seconds: float = 5.0, cancelled: Callable[[], bool] = lambda: False
) -> Answer:
    """Make the largest distance of any pocket's value from a target the least, and then the shims the fewest."""
    search = _Search(options, seconds, cancelled)
    steps = np.unique(np.abs(options.value - target))
    chosen, measure, low, high = _none(), np.inf, 0, len(steps) - 1
    try:
        found = search.window(target - steps[-1], target + steps[-1]) if len(steps) else None
        if found is None:
            return Answer(_none(), np.inf, np.inf, not search.unsure)
        chosen, measure = found, float(steps[-1])
        while low < high:
            middle = (low + high) // 2
            found = search.window(target - steps[middle], target + steps[middle])
            if found is None:
                low = middle + 1
            else:
                chosen, measure, high = found, float(steps[middle]), middle
        found = search.window(target - measure, target + measure, fewest=True)
        chosen = chosen if found is None else found
    except StoppedError:
        return Answer(chosen, measure, float(steps[low]), proven=False)
    return Answer(chosen, measure, measure if not search.unsure else float(steps[0]), not search.unsure)


def least_spread(
    options: Options, seconds: float = 5.0, cancelled: Callable[[], bool] = lambda: False, within: float = 0.0,
    told: Callable[[float], None] = lambda spread: None,
) -> Answer:  # fmt: skip
    """Make the largest less the smallest of the pockets' values the least, and then the shims the fewest.

    `within`: what a narrower spread has to gain to count, such as the doubt of the values. `told` gets the spread of every
    plan that is better than those before it, while the search goes on.
    """
    search = _Search(options, seconds, cancelled)
    if within > 0.0 and len(options.value) and np.isfinite(options.stock).any():
        return _slid(search, within, told)
    values = np.unique(np.round(options.value, 9))
    best = Answer(_none(), np.inf, 0.0, proven=False)
    try:
        found = search.window(values[0], values[-1]) if len(values) else None
        if found is None:
            return Answer(_none(), np.inf, np.inf, not search.unsure)
        best = _better(search, values, best, len(values) // 2, found)
        told(best.measure)
        blocks = [(0, len(values) - 1)]
        while blocks:
            first, last = blocks.pop()
            if search.window(values[first], values[last] + best.measure - 1e-9) is None:
                continue
            if first == last:
                best = _better(search, values, best, first, None)
                told(best.measure)
                continue
            middle = (first + last) // 2
            blocks += [(first, middle), (middle + 1, last)]
        final = search.window(*_ends(options, best.chosen), fewest=True)
        best = Answer(best.chosen if final is None else final, best.measure, best.measure, not search.unsure)
    except StoppedError:
        return Answer(best.chosen, best.measure, _spread_bound(options), proven=False)
    return best


def _slid(search: _Search, within: float, told: Callable[[float], None]) -> Answer:
    """Give a spread that no plan betters by more than `within`, or the best found with its bound when the time is up.

    A plan of spread s that begins at a lies in the window [r, r + s + step] of the last raster point r below a. So a window of
    width w that serves nobody rules out every spread under w - step from there.
    """
    values = search.options.value
    step = within / 2.0
    raster = np.arange(float(values.min()), float(values.max()) + step, step)
    ruled_out = np.zeros(len(raster))  # by windows of that width, from there
    best = Answer(_none(), np.inf, 0.0, proven=False)

    def bound() -> float:
        return max(float(ruled_out.min()) - step, 0.0)

    try:
        found = search.window(float(values.min()), float(values.max()))
        if found is None:
            return Answer(_none(), np.inf, np.inf, not search.unsure)
        best = Answer(found, float(np.ptp(values[found])), 0.0, proven=False)
        told(best.measure)
        _slide_without_stock(search, raster, ruled_out, best.measure)
        while best.measure - bound() > within:
            width = (max(bound(), 0.0) + best.measure) / 2.0 + step / 2.0
            for at in np.argsort(ruled_out, kind="stable").tolist():
                if ruled_out[at] >= width:
                    continue
                one = search.window(raster[at], raster[at] + width)
                if one is not None and float(np.ptp(values[one])) < best.measure:
                    best = Answer(one, float(np.ptp(values[one])), 0.0, proven=False)
                    told(best.measure)
                    break
                ruled_out[at] = width
        final = search.window(*_ends(search.options, best.chosen), fewest=True)
        return Answer(best.chosen if final is None else final, best.measure, bound(), not search.unsure)
    except StoppedError:
        return Answer(best.chosen, best.measure, max(bound(), _spread_bound(search.options)), proven=False)


def _slide_without_stock(search: _Search, raster: Array, ruled_out: Array, most: float) -> None:
    """Rule out, from each raster point, what no stock in the world would serve: a matter of milliseconds a window."""
    for at, start in enumerate(raster.tolist()):
        low, high = 0.0, most
        for _ in range(_HALVINGS):
            middle = (low + high) / 2.0
            low, high = (low, middle) if search.could(start, start + middle) else (middle, high)
        ruled_out[at] = low


def _better(search: _Search, values: Array, best: Answer, at: int, known: Ints | None) -> Answer:
    """Find the narrowest window that starts at a value, if it is narrower than the best."""
    low, high = at, int(np.searchsorted(values, values[at] + best.measure, side="right")) - 1
    if known is None and search.window(values[at], values[high]) is None:
        return best
    if known is not None and search.window(values[at], values[-1]) is None:
        measure = float(np.ptp(search.options.value[known]))
        return Answer(known, measure, 0.0, proven=False)
    found: Ints | None = None
    while low < high:
        middle = (low + high) // 2
        one = search.window(values[at], values[middle])
        if one is None:
            low = middle + 1
        else:
            found, high = one, middle
    found = search.window(values[at], values[high]) if found is None else found
    if found is None:
        return best
    measure = float(np.ptp(search.options.value[found]))
    return Answer(found, measure, 0.0, proven=False) if measure < best.measure else best


def _ends(options: Options, chosen: Ints) -> tuple[float, float]:
    return float(options.value[chosen].min()), float(options.value[chosen].max())


def _spread_bound(options: Options) -> float:
    """Give what no plan can better: the gap between the pocket that must stay highest and the one that must stay lowest."""
    lows = [options.value[options.pocket == p] for p in range(options.pockets)]
    return max(0.0, max(float(one.min()) for one in lows) - min(float(one.max()) for one in lows))


def _none() -> Ints:
    return np.empty(0, dtype=np.int64)
