"""What a tool makes of a reading. Source: JCGM 100:2008 4.3.7; tool figures are common practice, no source."""

from math import sqrt

import numpy as np
import pytest
from msgspec.structs import replace

from honest_lift.facts.tools import KINDS, Tool, offset_doubt, scatter_doubt


def total(tool: Tool, value: float) -> float:
    """The whole doubt of a reading with a tool whose repeatability was found from repeats with it."""
    tool = replace(tool, repeatability_found=True)
    return sqrt(offset_doubt(tool, value) ** 2 + scatter_doubt(tool, value) ** 2)


@pytest.mark.parametrize(
    ("tool", "value", "u"),
    [
        (Tool("", "caliper", "", "length", resolution=0.02, accuracy=0.02, repeatability=0.015), 40, 0.019),
        (Tool("", "micrometer", "", "length", resolution=0.01, accuracy=0.01, repeatability=0.015), 46, 0.016),
        (Tool("", "rule", "", "length", resolution=25.4 / 32, accuracy=0.125), 46, 0.24),
        (Tool("", "indicator", "", "length", resolution=0.01, accuracy=0.01, repeatability=0.007), 12, 0.009),
        (Tool("", "tester", "", "load", accuracy_percent=1, repeatability_percent=0.5), 600, 4.6),
        (Tool("", "tester", "", "load", accuracy_percent=1, repeatability_percent=0.5), 1600, 12.2),
    ],
)
def test_one_reading(tool, value, u):
    assert total(tool, value) == pytest.approx(u, rel=0.03)


def test_a_rule_chain_of_two_readings():
    """Independent: two readings of a rule in 1/32 in give 0.324 mm."""
    rule = Tool("", "rule", "", "length", resolution=25.4 / 32, accuracy=0.0)
    assert scatter_doubt(rule, 46, figures=2) == pytest.approx(0.324, abs=0.0005)


def test_a_repeatability_nobody_found_has_no_rounding_in_it():
    """Monte Carlo: readings that scatter by 0.015 and are then rounded to 0.02 scatter by both."""
    tool = Tool("", "caliper", "", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
    draw = np.random.default_rng(3)
    true = draw.uniform(40.0, 40.02, 200_000)
    read = np.round((true + draw.normal(0.0, 0.015, true.size)) / 0.02) * 0.02
    assert scatter_doubt(tool, 40) == pytest.approx(np.std(read - true), rel=0.01)
    assert scatter_doubt(replace(tool, repeatability_found=True), 40) == 0.015
    assert scatter_doubt(tool, 40, figures=2) == pytest.approx(sqrt(2) * scatter_doubt(tool, 40))


def test_every_kind_shipped_states_its_doubt():
    assert all(kind.tool.is_stated for kind in KINDS)


@pytest.mark.parametrize(
    "tool",
    [
        Tool("", "x", "", "length", resolution=0.01),
        Tool("", "x", "", "length", accuracy=0.01),
        Tool("", "x", "", "load", accuracy_percent=1, resolution=1.0),
    ],
)
def test_a_tool_with_a_figure_missing_states_none(tool):
    assert not tool.is_stated
