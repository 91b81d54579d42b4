"""Repeats, and the reading that is unlike."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import studentized_range

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.estimates.repeats import _CRITICAL_RANGE, _SURE_RANGE, mean_and_spread, standing_apart
from honest_lift.estimates.resolve import _of_repeats, resolve
from honest_lift.facts.place import at_cylinder, at_position
from honest_lift.facts.tools import KINDS, Tool, scatter_doubt


def test_critical_ranges_are_those_of_the_distribution():
    """Source: ISO 5725-6 table 1 (from memory), held to SciPy's studentised range."""
    for share, factors in ((0.95, _CRITICAL_RANGE), (0.99, _SURE_RANGE)):
        for i, factor in enumerate(factors):
            assert factor == pytest.approx(studentized_range.ppf(share, i + 2, 1e5), abs=0.006)


@given(st.lists(st.floats(40, 50), min_size=2, max_size=12), st.floats(0.001, 1.0))
def test_only_a_wide_range_points_at_one_and_it_is_an_end(values, u):
    found = standing_apart(values, u)
    if found is None:
        assert max(values) - min(values) <= 4.48 * u or len(values) > 10
    elif len(values) > 2:
        assert values[found] in (min(values), max(values))


def test_two_that_disagree_ask_for_a_third_and_a_third_tells_which():
    bench = Bench().height("1e", 45.00).height("1e", 45.20, repeat=True)
    assert "a third reading tells which" in resolve(bench.book, "installed_height", at_position("1e")).warning
    told = resolve(bench.height("1e", 45.21, repeat=True).book, "installed_height", at_position("1e"))
    assert told.warning.startswith("45.0 is unlike")
    assert told.value == pytest.approx((45.0 + 45.2 + 45.21) / 3), "it is pointed out, not dropped"
    assert told.own_u == pytest.approx(mean_and_spread([45.0, 45.2, 45.21])[1] / 3**0.5)


def test_what_stands_apart_is_said_whatever_the_verdict():
    bench = Bench().complete()
    for value in (45.0, 45.15):
        bench.height("1e", value, repeat=True)
    found = examine(bench.book).finding("installed_height", "1e")
    assert "is unlike" in reason(found, bench.engine)


def test_a_burette_is_read_twice():
    """One burette reading of 0.2 cc has u 0.15 cc in all (handbook table): two share its offset, not their scatter."""
    bench = Bench()
    bench.read("chamber_volume", at_cylinder(1), 63.9, "burette", "burette", also={"start": "0.3"})
    from msgspec.structs import replace

    from honest_lift.facts.edits import Put
    from honest_lift.facts.tools import KINDS

    tool = next(kind.tool for kind in KINDS if kind.kind == "burette")
    bench.do(Put("tools", replace(tool, id="burette")))
    volume = resolve(bench.book, "chamber_volume", at_cylinder(1))
    assert volume.own_u == pytest.approx((2 * (0.1**2 + 0.2**2 / 12)) ** 0.5)
    assert volume.shared[0][2] == pytest.approx(0.2 / 3**0.5)
    assert (0.1**2 + volume.shared[0][2] ** 2) ** 0.5 == pytest.approx(0.15, abs=0.005)


def test_pours_that_agree_are_no_surer_than_the_burette_repeats_to():
    """Monte Carlo: the mean of two, and the middle one of five, of pours whose single scatter the tool states."""

    tool, draw = Tool("b", "burette", "b", "volume", resolution=0.02, accuracy=0.0), np.random.default_rng(2)
    read = draw.normal(0.0, 0.16, (100_000, 5))
    assert _of_repeats(tool, 0.16, 2, 0.0, by_middle=False) == pytest.approx(np.std(read[:, :2].mean(axis=1)), rel=0.01)
    middle = _of_repeats(tool, 0.16, 5, 0.0, by_middle=True)
    assert np.std(np.median(read, axis=1)) < middle < 1.06 * np.std(np.median(read, axis=1))


@pytest.mark.parametrize("pours", [2, 3])
def test_sound_chambers_of_a_v8_are_seldom_barred_by_pours_that_do_not_agree(pours):
    """Simulation: a burette read to 0.2 cc that repeats to 0.1, at its start and at its end; one engine in five at most."""
    tool = next(kind.tool for kind in KINDS if kind.kind == "burette")
    draw, single = np.random.default_rng(8), scatter_doubt(tool, 60.0, figures=2)
    start = draw.uniform(0.0, 1.0, (3000, 8, pours))

    def as_read(level):
        return np.round((level + draw.normal(0.0, 0.1, level.shape)) / 0.2) * 0.2

    read = (as_read(start + 60.0) - as_read(start)).tolist()
    barred = [any(standing_apart(one, single, sure=True) is not None for one in engine) for engine in read]
    assert 0.0 < np.mean(barred) < 0.2
