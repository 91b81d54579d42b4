"""Units of the trade, each by an exact factor.

Inside the program a length is in millimetres, a load in newtons, a rate in newtons per millimetre, a volume
in cubic centimetres, a mass in kilograms, an angle in degrees of crank, a pressure in bar, a time in seconds,
a temperature in degrees Celsius, a torque in newton metres, an area in square millimetres, a flow in litres per
second, a roughness in micrometres, a velocity in metres per second, a frequency in hertz.
Conversion happens here, at the edge, once.

Source of the factors: NIST SP 811 appendix B / ISO 80000 (1 in = 25.4 mm, 1 lbf = 4.4482216152605 N,
1 kgf = 9.80665 N, 1 in^3 = 16.387064 cc, 1 lb = 0.45359237 kg, t/C = (t/F - 32)/1.8; all exact).
"""

from __future__ import annotations

from fractions import Fraction
from math import ceil, floor, inf, log10
from typing import NamedTuple

LENGTH, LOAD, RATE, VOLUME = "length", "load", "rate", "volume"
MASS, ANGLE, RATIO, PERCENT = "mass", "angle", "ratio", "percent"
PRESSURE, TIME, TURNS, TEMPERATURE = "pressure", "time", "turns", "temperature"
SPEED, TORQUE, OBSERVED, STRESS = "speed", "torque", "observed", "stress"
AREA, FLOW, ROUGHNESS = "area", "flow", "roughness"
VELOCITY, FREQUENCY = "velocity", "frequency"


class Unit(NamedTuple):
    """A unit: its symbol, dimension, exact factor to the inside unit, and how people spell it.

    `system` is "inch" or "metric": bare terms of a sum may stand beside units of their own system only.
    `places` is how many decimals a figure without a doubt of its own is shown with. `zero` is where the unit's
    zero lies in the inside unit: only temperatures have one.
    """

    symbol: str
    dimension: str
    factor: Fraction
    system: str
    places: int
    spellings: tuple[str, ...]
    zero: Fraction = Fraction(0)


_INCH = Fraction("25.4")
_POUND_FORCE = Fraction("4.4482216152605")
_KILOGRAM_FORCE = Fraction("9.80665")
_POUND = Fraction("0.45359237")

UNITS: tuple[Unit, ...] = (
    Unit("mm", LENGTH, Fraction(1), "metric", 2, ("mm", "millimetre", "millimetres", "millimeter", "millimeters")),
    Unit("cm", LENGTH, Fraction(10), "metric", 3, ("cm", "centimetre", "centimetres", "centimeter", "centimeters")),
    Unit("um", LENGTH, Fraction(1, 1000), "metric", 0, ("um", "µm", "μm", "micron", "microns")),
    Unit("in", LENGTH, _INCH, "inch", 3, ("in", "in.", '"', "inch", "inches")),
    Unit("thou", LENGTH, _INCH / 1000, "inch", 1, ("thou", "thous", "thousandths", "mil", "mils")),
    Unit("N", LOAD, Fraction(1), "metric", 0, ("n", "newton", "newtons")),
    Unit("daN", LOAD, Fraction(10), "metric", 1, ("dan",)),
    Unit("kN", LOAD, Fraction(1000), "metric", 3, ("kn",)),
    Unit("kgf", LOAD, _KILOGRAM_FORCE, "metric", 1, ("kgf", "kg", "kp")),
    Unit("lbf", LOAD, _POUND_FORCE, "inch", 0, ("lbf", "lb", "lb.", "lbs", "lbs.", "pound", "pounds", "#")),
    Unit("N/mm", RATE, Fraction(1), "metric", 1, ("n/mm",)),
    Unit("kgf/mm", RATE, _KILOGRAM_FORCE, "metric", 2, ("kgf/mm", "kg/mm")),
    Unit("lbf/in", RATE, _POUND_FORCE / _INCH, "inch", 0, ("lbf/in", "lb/in", "lbs/in", "#/in")),
    Unit("cc", VOLUME, Fraction(1), "metric", 1, ("cc", "cm3", "cm³", "ml", "ccm")),
    Unit("in^3", VOLUME, _INCH**3 / 1000, "inch", 2, ("ci", "in3", "in³", "in^3", "cu in", "cu.in.", "cuin")),
    Unit("mm²", AREA, Fraction(1), "metric", 0, ("mm2", "mm²", "sq mm")),
    Unit("cm²", AREA, Fraction(100), "metric", 2, ("cm2", "cm²", "sq cm")),
    Unit("in²", AREA, _INCH**2, "inch", 3, ("in2", "in²", "sq in", "sq.in.")),
    Unit("l/s", FLOW, Fraction(1), "metric", 1, ("l/s", "lps")),
    Unit("m³/h", FLOW, Fraction(5, 18), "metric", 0, ("m3/h", "m³/h", "cbm/h")),
    Unit("cfm", FLOW, (12 * _INCH) ** 3 / 1_000_000 / 60, "inch", 1, ("cfm", "cu ft/min", "ft3/min", "ft³/min")),
    Unit("µm", ROUGHNESS, Fraction(1), "metric", 2, ("um", "µm", "μm", "micron", "microns")),
    Unit("µin", ROUGHNESS, _INCH / 1000, "inch", 0, ("uin", "µin", "μin", "microinch", "microinches")),
    Unit("m/s", VELOCITY, Fraction(1), "metric", 2, ("m/s", "mps")),
    Unit("mm/s", VELOCITY, Fraction(1, 1000), "metric", 0, ("mm/s",)),
    Unit("ft/s", VELOCITY, 12 * _INCH / 1000, "inch", 2, ("ft/s", "fps", "ft/sec")),
    Unit("in/s", VELOCITY, _INCH / 1000, "inch", 1, ("in/s", "ips", "in/sec")),
    Unit("Hz", FREQUENCY, Fraction(1), "metric", 0, ("hz", "1/s")),
    Unit("kHz", FREQUENCY, Fraction(1000), "metric", 3, ("khz",)),
    Unit("kg", MASS, Fraction(1), "metric", 4, ("kg",)),
    Unit("g", MASS, Fraction(1, 1000), "metric", 1, ("g", "gram", "grams")),
    Unit("oz", MASS, _POUND / 16, "inch", 2, ("oz", "ounce", "ounces")),
    Unit("lb", MASS, _POUND, "inch", 3, ("lb", "lbs")),
    Unit("deg", ANGLE, Fraction(1), "metric", 1, ("deg", "deg.", "°", "degree", "degrees")),
    Unit("turn", ANGLE, Fraction(360), "metric", 3, ("turn", "turns", "rev")),
    Unit("bar", PRESSURE, Fraction(1), "metric", 2, ("bar",)),
    Unit("kPa", PRESSURE, Fraction(1, 100), "metric", 0, ("kpa",)),
    Unit("psi", PRESSURE, _POUND_FORCE / _INCH**2 * 10, "inch", 1, ("psi", "lb/in2", "lb/in²")),
    Unit("s", TIME, Fraction(1), "metric", 0, ("s", "sec", "sec.", "secs", "second", "seconds")),
    Unit("min", TIME, Fraction(60), "metric", 1, ("min", "min.", "mins", "minute", "minutes")),
    Unit("h", TIME, Fraction(3600), "metric", 2, ("h", "hour", "hours")),
    Unit("turn", TURNS, Fraction(1), "metric", 3, ("turn", "turns", "rev")),
    Unit("flat", TURNS, Fraction(1, 6), "metric", 1, ("flat", "flats")),
    Unit("deg", TURNS, Fraction(1, 360), "metric", 0, ("deg", "deg.", "°", "degree", "degrees")),
    Unit("°C", TEMPERATURE, Fraction(1), "metric", 1, ("c", "°c", "deg c", "celsius")),
    Unit("°F", TEMPERATURE, Fraction(5, 9), "inch", 1, ("f", "°f", "deg f", "fahrenheit"), Fraction(-160, 9)),
    Unit("rpm", SPEED, Fraction(1), "metric", 0, ("rpm", "r/min", "1/min")),
    Unit("N·m", TORQUE, Fraction(1), "metric", 1, ("nm", "n·m", "n m")),
    Unit(
        "lbf·ft",
        TORQUE,
        _POUND_FORCE * 12 * _INCH / 1000,
        "inch",
        1,
        ("lbf·ft", "lb-ft", "lb ft", "ft-lb", "ft lb", "ft·lbf", "ftlb", "lbft", "ft-lbs", "ft lbs"),
    ),
    Unit("", RATIO, Fraction(1), "metric", 3, (":1",)),
    Unit("MPa", STRESS, Fraction(1), "metric", 0, ("mpa", "n/mm2", "n/mm²")),
    Unit("ksi", STRESS, _POUND_FORCE * 1000 / _INCH**2, "inch", 1, ("ksi",)),
    Unit("", OBSERVED, Fraction(1), "metric", 0, ()),  # a word chosen from a list is no figure
    Unit("%", PERCENT, Fraction(1), "metric", 1, ("%", "percent", "pct")),
)

_BY_SYMBOL = {(unit.dimension, unit.symbol): unit for unit in UNITS}
INSIDE = {
    LENGTH: "mm",
    LOAD: "N",
    RATE: "N/mm",
    VOLUME: "cc",
    MASS: "kg",
    ANGLE: "deg",
    RATIO: "",
    PERCENT: "%",
    PRESSURE: "bar",
    TIME: "s",
    TURNS: "turn",
    TEMPERATURE: "°C",
    SPEED: "rpm",
    TORQUE: "N·m",
    OBSERVED: "",
    STRESS: "MPa",
    AREA: "mm²",
    FLOW: "l/s",
    ROUGHNESS: "µm",
    VELOCITY: "m/s",
    FREQUENCY: "Hz",
}


def unit_of(dimension: str, symbol: str) -> Unit:
    """Give the unit of a dimension by its symbol; KeyError names both when there is none."""
    try:
        return _BY_SYMBOL[dimension, symbol]
    except KeyError:
        raise KeyError(f"no unit {symbol!r} of {dimension}") from None


def units_of(dimension: str) -> tuple[Unit, ...]:
    """Give every unit of a dimension, in the table's order."""
    return tuple(unit for unit in UNITS if unit.dimension == dimension)


def to_inside(value: float, dimension: str, symbol: str) -> float:
    """Convert a value in a unit to the inside unit (mm, N, N/mm, cc, kg, degree).

    >>> to_inside(1.8, "length", "in")
    45.72
    """
    unit = unit_of(dimension, symbol)
    return float(Fraction(value).limit_denominator(10**12) * unit.factor + unit.zero)


def from_inside(value: float, dimension: str, symbol: str) -> float:
    """Convert an inside value to a unit.

    >>> round(from_inside(600.0, "load", "lbf"), 3)
    134.885
    """
    unit = unit_of(dimension, symbol)
    return (value - float(unit.zero)) / float(unit.factor)


def places_for(doubt: float, dimension: str, symbol: str) -> int | None:
    """Give how many decimals a figure deserves by its expanded doubt (inside unit); None where it has none.

    The doubt keeps one digit, and the figure ends where its doubt ends. Source: JCGM 100:2008 7.2.6 (no more than
    two digits of the doubt, the figure rounded to agree with it).

    >>> places_for(0.11, "length", "in")  # 0.0043 in
    3
    """
    if not 0.0 < doubt < inf:
        return None
    return min(max(-floor(log10(doubt / float(unit_of(dimension, symbol).factor))), 0), 9)


def doubt_in_figures(doubt: float, dimension: str, symbol: str, places: int | None) -> str:
    """Write an expanded doubt without its unit, rounded up: nobody is promised more than is known (JCGM 100 7.2.6)."""
    if not 0.0 < doubt < inf:
        return "–" if doubt != 0.0 else "0"
    own = unit_of(dimension, symbol)
    step = 10.0 ** -(own.places if places is None else places)
    up = ceil(doubt / float(own.factor) / step - 1e-6) * step
    return f"{up:.{own.places if places is None else places}f}"


def in_words(value: float | None, dimension: str, symbol: str, places: int | None = None) -> str:
    """Write an inside value with its unit, as it stands in a sentence: `1.783 in`, `213 lbf`, `1.60`."""
    figure = in_figures(value, dimension, symbol, places)
    return f"{figure} {symbol}".rstrip() if symbol != "%" else f"{figure} %"


def in_figures(value: float | None, dimension: str, symbol: str, places: int | None = None) -> str:
    """Write an inside value without its unit, as it stands in a column headed by the unit; a dash for none."""
    if value is None or value != value:
        return "–"
    unit = unit_of(dimension, symbol)
    text = f"{from_inside(value, dimension, symbol):.{unit.places if places is None else places}f}"
    return text.removeprefix("-") if float(text) == 0 else text
