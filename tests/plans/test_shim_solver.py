"""The shim solver against every plan there is."""

from itertools import combinations_with_replacement, permutations, product

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from honest_lift.plans.spring.shim_solver import Options, least_spread, nearest


def every_plan(options):
    """Yield the options chosen by every plan that keeps within the stock."""
    for order in permutations(range(options.springs), options.pockets):
        rows = [np.flatnonzero((options.pocket == p) & (options.spring == s)) for p, s in enumerate(order)]
        for chosen in product(*rows):
            picked = np.array(chosen, dtype=int)
            if (options.uses[options.stack[picked]].sum(axis=0) <= options.stock).all():
                yield picked


def options_of(heights, sizes, counts, *, free, most=2, window=None):
    """Make options: height less stack, in thousandths, times a spring's own factor where springs are free."""
    stacks = [c for n in range(most + 1) for c in combinations_with_replacement(range(len(sizes)), n)]
    uses = np.array([[c.count(i) for i in range(len(sizes))] for c in stacks], dtype=float)
    rows = []
    for p, height in enumerate(heights):
        for s in range(len(heights)):
            if s != p and not free:
                continue
            for k, stack in enumerate(stacks):
                value = (height - sum(sizes[i] for i in stack)) * (1 + 0.01 * s * free)
                if window is None or window[0] <= value <= window[1]:
                    rows.append((p, s, k, value))
    pocket, spring, stack, value = (
        (np.array(one) for one in zip(*rows, strict=True)) if rows else [np.empty(0, int)] * 4
    )
    stock = np.array([np.inf if one is None else one for one in counts], dtype=float)
    return Options(len(heights), len(heights), pocket, spring, stack, value.astype(float), uses, stock)


small = st.tuples(
    st.lists(st.integers(1780, 1860), min_size=2, max_size=3),
    st.lists(st.sampled_from([15, 30, 60, 7]), min_size=1, max_size=2, unique=True),
    st.lists(st.one_of(st.none(), st.integers(0, 3)), min_size=2, max_size=2),
    st.booleans(),
)


@settings(max_examples=60)
@given(small)
def test_the_least_spread_is_that_of_every_plan(case):
    heights, sizes, counts, free = case
    options = options_of(heights, sizes, counts[: len(sizes)], free=free)
    answer = least_spread(options, seconds=120.0)
    best = min((np.ptp(options.value[one]) for one in every_plan(options)), default=None)
    assert answer.proven
    if best is None:
        assert len(answer.chosen) == 0
        return
    assert answer.measure == pytest.approx(best, abs=1e-6)
    assert answer.bound == pytest.approx(best, abs=1e-6)
    check(options, answer)
    low, high = options.value[answer.chosen].min() - 1e-6, options.value[answer.chosen].max() + 1e-6
    alike = [one for one in every_plan(options) if options.value[one].min() >= low and options.value[one].max() <= high]
    assert shims(options, answer.chosen) == min(shims(options, one) for one in alike), "the fewest shims among equals"


@settings(max_examples=60)
@given(small, st.integers(1750, 1850))
def test_nearest_to_a_target_is_that_of_every_plan(case, target):
    heights, sizes, counts, free = case
    options = options_of(heights, sizes, counts[: len(sizes)], free=free)
    answer = nearest(options, float(target))
    best = min((np.abs(options.value[one] - target).max() for one in every_plan(options)), default=None)
    assert answer.proven
    if best is None:
        assert len(answer.chosen) == 0
    else:
        assert answer.measure == pytest.approx(best, abs=1e-9)
        check(options, answer)


def shims(options, chosen):
    return float(options.shims[options.stack[chosen]].sum())


def check(options, answer):
    """A plan serves every pocket once, no spring twice, and keeps within the stock."""
    assert list(options.pocket[answer.chosen]) == list(range(options.pockets))
    assert len(set(options.spring[answer.chosen].tolist())) == options.pockets
    assert (options.uses[options.stack[answer.chosen]].sum(axis=0) <= options.stock).all()


def test_a_pocket_nothing_fits_leaves_no_plan():
    options = options_of([1800, 1700], [15], [None], free=False, window=(1780, 1820))
    assert len(least_spread(options).chosen) == 0
    assert len(nearest(options, 1800.0).chosen) == 0


def test_cancel_gives_the_best_found_and_does_not_call_it_proven():
    options = options_of([1800, 1815, 1830, 1811], [15, 30], [None, None], free=True)
    calls = iter(range(10**6))
    answer = least_spread(options, cancelled=lambda: next(calls) > 8)
    assert not answer.proven
    assert answer.bound <= answer.measure


@settings(max_examples=60)
@given(small, st.sampled_from([2.0, 9.0, 25.0]))
def test_proven_within_what_the_values_are_sure_of(case, within):
    """Against every plan there is: nothing is better by more than that, and the bound is one."""
    heights, sizes, counts, free = case
    options = options_of(heights, sizes, [one if one is not None else 2 for one in counts[: len(sizes)]], free=free)
    told = []
    answer = least_spread(options, seconds=120.0, within=within, told=told.append)
    assert told == sorted(told, reverse=True), "every plan on the way betters the last"
    assert not told or told[-1] == answer.measure
    best = min((np.ptp(options.value[one]) for one in every_plan(options)), default=None)
    assert answer.proven
    if best is None:
        assert len(answer.chosen) == 0
        return
    check(options, answer)
    assert answer.bound <= best + 1e-6
    assert best - 1e-6 <= answer.measure <= best + within + 1e-6
    assert np.ptp(options.value[answer.chosen]) <= answer.measure + 1e-6


def test_a_plan_whose_time_is_up_says_how_much_better_any_could_be():
    options = options_of([1800, 1815, 1830, 1811], [15, 30], [2, 2], free=True)
    calls = iter(range(10**6))
    answer = least_spread(options, cancelled=lambda: next(calls) > 30, within=1.0)
    assert not answer.proven
    assert answer.bound <= min(np.ptp(options.value[one]) for one in every_plan(options)) + 1e-6
