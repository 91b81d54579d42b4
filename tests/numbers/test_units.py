"""Units. Source: NIST SP 811 appendix B; held to Pint, a general-purpose unit library."""

from fractions import Fraction

import pint
import pytest

from honest_lift.numbers.units import (
    INSIDE,
    UNITS,
    doubt_in_figures,
    from_inside,
    in_figures,
    in_words,
    places_for,
    to_inside,
    unit_of,
)

PINT_NAMES = {
    "mm": "millimeter", "cm": "centimeter", "um": "micrometer", "in": "inch", "thou": "thou", "N": "newton",
    "daN": "decanewton", "kN": "kilonewton", "kgf": "kilogram_force", "lbf": "pound_force", "N/mm": "newton/millimeter",
    "kgf/mm": "kilogram_force/millimeter", "lbf/in": "pound_force/inch", "cc": "centimeter**3", "in^3": "inch**3",
    "kg": "kilogram", "g": "gram", "mm²": "millimeter**2", "cm²": "centimeter**2", "in²": "inch**2", "l/s": "liter/second",
    "m³/h": "meter**3/hour", "cfm": "foot**3/minute", "oz": "ounce", "lb": "pound", "deg": "degree", "%": "percent",
    "turn": "turn", "flat": "turn/6", "bar": "bar", "kPa": "kilopascal", "psi": "psi", "MPa": "megapascal",
    "m/s": "meter/second", "mm/s": "millimeter/second", "ft/s": "foot/second", "in/s": "inch/second", "Hz": "1/second",
    "kHz": "1000/second", "ksi": "kpsi", "µm": "micrometer", "µin": "microinch", "s": "second", "min": "minute",
    "h": "hour", "rpm": "rpm", "N·m": "newton*meter", "lbf·ft": "foot_pound", "°C": "delta_degC", "°F": "delta_degF",
}  # fmt: skip


@pytest.mark.parametrize(
    ("symbol", "dimension", "exact"),
    [
        ("in", "length", "25.4"),
        ("lbf", "load", "4.4482216152605"),
        ("kgf", "load", "9.80665"),
        ("in^3", "volume", "16.387064"),
        ("lb", "mass", "0.45359237"),
    ],
)
def test_exact_factors(symbol, dimension, exact):
    assert unit_of(dimension, symbol).factor == Fraction(exact)


@pytest.mark.parametrize("unit", [u for u in UNITS if u.symbol], ids=lambda unit: unit.symbol)
def test_factors_against_pint(unit):
    registry = pint.UnitRegistry(cache_folder=None)
    inside = PINT_NAMES[INSIDE[unit.dimension]]
    assert float(unit.factor) == pytest.approx(registry(PINT_NAMES[unit.symbol]).to(inside).magnitude, rel=1e-12)


@pytest.mark.parametrize("fahrenheit", [-40.0, 32.0, 68.0, 212.0])
def test_temperatures_against_pint(fahrenheit):
    registry = pint.UnitRegistry(cache_folder=None)
    celsius = registry.Quantity(fahrenheit, "degF").to("degC").magnitude
    assert to_inside(fahrenheit, "temperature", "°F") == pytest.approx(celsius, abs=1e-9)
    assert from_inside(celsius, "temperature", "°F") == pytest.approx(fahrenheit, abs=1e-9)


def test_figures_end_where_their_doubt_ends():
    """Source: JCGM 100:2008 7.2.6."""
    for doubt_in, places, shown in (
        (0.0043, 3, "0.005"), (0.0012, 3, "0.002"), (0.0255, 2, "0.03"), (0.95, 1, "1.0"), (1.4, 0, "2"),
        (32.0, 0, "32"), (0.0, None, "0"), (0.002, 3, "0.002"),
    ):  # fmt: skip
        assert places_for(25.4 * doubt_in, "length", "in") == places, doubt_in
        assert doubt_in_figures(25.4 * doubt_in, "length", "in", places) == shown


def test_conversion_there_and_back():
    assert to_inside(1.8, "length", "in") == 45.72
    assert from_inside(45.72, "length", "in") == pytest.approx(1.8, rel=1e-15)


def test_no_spelling_stands_for_two_units_of_one_dimension():
    seen = [(unit.dimension, spelling) for unit in UNITS for spelling in unit.spellings]
    assert len(seen) == len(set(seen))


@pytest.mark.parametrize(
    ("value", "dimension", "symbol", "shown"),
    [
        (46.101, "length", "in", "1.815 in"),
        (46.101, "length", "mm", "46.10 mm"),
        (947.47, "load", "lbf", "213 lbf"),
        (-0.000001, "length", "in", "0.000 in"),
        (1.6, "ratio", "", "1.600"),
        (12.34, "percent", "%", "12.3 %"),
        (None, "length", "in", "– in"),
        (float("nan"), "load", "N", "– N"),
    ],
)
def test_how_figures_are_written(value, dimension, symbol, shown):
    assert in_words(value, dimension, symbol) == shown


def test_a_column_carries_no_unit():
    assert in_figures(45.72, "length", "in") == "1.800"


def test_an_unknown_unit_is_named():
    with pytest.raises(KeyError, match="no unit 'furlong' of length"):
        unit_of("length", "furlong")
