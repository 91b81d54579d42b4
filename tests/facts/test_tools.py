"""What a tool makes of a reading. Source: JCGM 100:2008 4.3.7; tool figures are common practice, no source."""

from math import sqrt

import pytest

from honest_lift.facts.tools import KINDS, Tool, offset_doubt, scatter_doubt


def total(tool: Tool, value: float) -> float:
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
    assert sqrt(2) * scatter_doubt(rule, 46) == pytest.approx(0.324, abs=0.0005)


def test_repeats_narrow_the_scatter_and_not_the_offset_nor_the_step():
    tool = Tool("", "caliper", "", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
    assert scatter_doubt(tool, 40, 4) == pytest.approx(0.0075)
    assert scatter_doubt(tool, 40, 100) == pytest.approx(0.02 / sqrt(12)), "a resolution step does not average out"
    assert offset_doubt(tool, 40) == pytest.approx(0.02 / sqrt(3))


def test_repeats_that_scatter_more_than_the_tool_count():
    tool = Tool("", "caliper", "", "length", resolution=0.02, accuracy=0.02, repeatability=0.015)
    assert scatter_doubt(tool, 40, 4, spread=0.2) == pytest.approx(0.1)


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
