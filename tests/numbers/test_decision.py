"""The decision rule. Sources: ISO 14253-1, JCGM 106:2012 8.3; figures from common practice, worked independently."""

import numpy as np
import pytest
from test_doubt import assumed, figure

from honest_lift.numbers.decision import BARS, decide
from honest_lift.numbers.doubt import Figure, Ground, combine, exact
from honest_lift.numbers.verdict import Verdict, worst

NONE = np.array([np.nan])


def verdict(one: Figure, low=np.nan, high=np.nan) -> str:
    return Verdict(int(decide(one, np.array([low]), np.array([high])).verdict[0])).word


@pytest.mark.parametrize(
    ("value", "said"), [(1.70, "passes"), (1.66, "passes"), (1.60, "close"), (1.45, "close"), (1.30, "fails")]
)
def test_least_one_and_a_half_with_u_of_eight_hundredths(value, said):
    assert verdict(figure(value, 0.08, "u"), low=1.5) == said


@pytest.mark.parametrize(("value", "said"), [(620, "passes"), (650, "close"), (560, "fails"), (700, "fails")])
def test_a_window_of_loads(value, said):
    assert verdict(figure(value, 8, "u"), 580, 660) == said


def test_a_window_narrower_than_the_doubt_can_never_be_proven():
    said = decide(figure(620, 8, "u"), np.array([606.0]), np.array([634.0]))
    assert bool(said.narrow[0])
    assert said.verdict[0] == Verdict.CLOSE


@pytest.mark.parametrize(
    "flag",
    [Ground.ASSUMED | Ground.UNRANGED, Ground.STALE, Ground.EXTRAPOLATED, Ground.PREDICTED, Ground.UNTOLERATED, Ground.NO_TOOL,
     Ground.UNSOUND],
)  # fmt: skip
@pytest.mark.parametrize("value", [-1e6, 0.0, 1e6])
def test_nothing_barred_passes_or_fails_whatever_its_size(flag, value):
    one = exact(np.array([value]), flag)
    assert verdict(one, low=1.0) == "unproven"
    assert verdict(one, high=1.0) == "unproven"


def test_a_figure_without_any_doubt_never_passes_and_fails_all_the_same():
    assert verdict(exact(np.array([2.0]), Ground.SPECIFIED), low=1.0) == "unproven"
    assert verdict(exact(np.array([2.0])), low=1.0, high=3.0) == "unproven"
    assert verdict(exact(np.array([0.5])), low=1.0) == "fails"


def test_no_limit_and_no_figure_are_unproven():
    assert verdict(figure(1.0, 0.1, "u")) == "unproven"
    assert verdict(exact(np.array([np.nan]), Ground.MISSING), low=1.0) == "unproven"


def test_assumed_fails_only_beyond_the_same_limit_at_every_corner():
    assert verdict(assumed(1.0, 0.5, 1.5, "a"), low=2.0) == "fails"
    assert verdict(assumed(1.0, 0.5, 2.5, "a"), low=2.0) == "unproven"
    assert verdict(assumed(1.0, 0.0, 10.0, "a"), 4.0, 6.0) == "unproven", "corners on opposite sides prove nothing"


def test_assumed_must_fail_by_more_than_the_doubt():
    doubtful = combine(lambda a, b: a + b, assumed(1.0, 0.5, 1.9, "a"), figure(0.0, 0.1, "u"))
    assert verdict(doubtful, low=2.0) == "unproven"
    assert verdict(doubtful, low=2.2) == "fails"


def test_a_minimum_inside_the_range_is_scanned():
    dip = combine(lambda a: np.abs(a - 1.0), assumed(0.0, 0.0, 2.0, "a"))
    said = decide(dip, np.array([0.5]), NONE)
    assert said.least[0] == pytest.approx(-0.5)
    assert said.most[0] == pytest.approx(0.5)


def test_a_physical_bound_is_proven_in_its_safe_direction():
    """Lash is never below zero, and less lash only lifts further: a bind margin that passes at zero is proven."""
    margin = combine(lambda lash: 1.0 + lash, assumed(0.4, 0.0, 0.8, "lash", hard_low=True))
    assert verdict(margin, low=0.9) == "passes"
    assert verdict(margin, low=1.2) == "unproven"
    open_load = combine(lambda lash: 1000 - 100 * lash, assumed(0.4, 0.0, 0.8, "lash", hard_low=True))
    assert verdict(open_load, low=900) == "unproven", "its worst end is no physical bound"


@pytest.mark.parametrize("width", [0.0, 1.0])
def test_a_soft_range_never_passes_however_narrow(width):
    assert verdict(assumed(100.0, 100.0 - width, 100.0 + width, "a"), low=1.0) == "unproven"
    without_weight = combine(lambda a: 0 * a + 100.0, assumed(1.0, 0.0, 2.0, "a"))
    assert verdict(without_weight, low=1.0) == "unproven"


@pytest.mark.parametrize(("low", "high"), [(1.0, np.nan), (1.0, 3.0)])
def test_an_assumption_that_scans_no_range_never_passes(low, high):
    one = figure(2.0, 0.01, "u").on_ground(np.array([True]), Ground.ASSUMED)
    assert verdict(one, low, high) == "unproven"


def test_worst_of_many():
    assert worst([]) is Verdict.UNPROVEN
    assert worst([Verdict.PASSES, Verdict.CLOSE]) is Verdict.CLOSE
    assert worst([Verdict.UNPROVEN, Verdict.CLOSE]) is Verdict.UNPROVEN
    assert worst([Verdict.UNPROVEN, Verdict.FAILS, Verdict.PASSES]) is Verdict.FAILS


@pytest.mark.parametrize("u", [0.036, 0.081])
def test_by_simulation_few_bad_items_pass(u):
    """True margins scattered 0.15 mm about 0.25 mm inside: a naive comparison passes 16 to 27 percent of the bad."""
    rng = np.random.default_rng(7)
    true = rng.normal(0.25, 0.15, 200_000)
    read = true + rng.normal(0.0, u, true.size)
    moves = np.full((1, true.size), u)
    from honest_lift.numbers.doubt import Source

    nothing, ground = np.empty((0, true.size), dtype=bool), np.zeros(true.size, dtype=np.int64)
    one = Figure(read, (Source("u", "u", False),), read + moves, read - moves, (), read[None], nothing, ground)
    said = decide(one, np.zeros(true.size), np.full(true.size, np.nan)).verdict
    bad = true < 0
    passed = np.mean(said[bad] == Verdict.PASSES)
    naive = np.mean(read[bad] > 0)
    assert passed < 0.025
    assert naive > 0.1
    good = np.mean(said[~bad] == Verdict.FAILS)
    assert good < 0.005, "a good item is hardly ever failed"


def test_every_ground_but_a_cards_own_tolerance_bars_a_pass():
    assert sum(int(one) for one in Ground if one is not Ground.SPECIFIED) == BARS
