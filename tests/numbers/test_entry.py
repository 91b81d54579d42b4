"""Typed entry. Source of the cases: common practice (tests/data/entry_cases.json)."""

import json
from contextlib import suppress
from fractions import Fraction
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.numbers.entry import EntryError, Field, as_difference, is_rough, parse, parse_rough
from honest_lift.numbers.units import INSIDE, UNITS, in_figures, unit_of, units_of

CASES = json.loads((Path(__file__).parents[1] / "data" / "entry_cases.json").read_text(encoding="utf-8"))["cases"]
INCH = Field("length", "in", Fraction(1, 2), Fraction(4))
LOAD = Field("load", "lbf", Fraction(10), Fraction(1500))


def field_of(case) -> Field:
    low, high = (None if case[end] is None else Fraction(case[end]) for end in ("lo", "hi"))
    return Field(case["dim"], case["unit"], low, high, case["signed"])


@pytest.mark.parametrize("case", CASES, ids=lambda case: f"{case['text']!r} in {case['field']['unit']}")
def test_what_people_type(case):
    field = field_of(case["field"])
    if case["error"] is None:
        value = parse(case["text"], field)
        assert value == case["value"] if value is None else value == pytest.approx(case["value"], rel=1e-13)
    else:
        with pytest.raises(EntryError) as said:
            parse(case["text"], field)
        assert str(said.value).endswith("."), "a person is told in a sentence"


@pytest.mark.parametrize(
    ("text", "field", "millimetres"),
    [
        ("1.815 IN", INCH, 46.101),
        ("46.1 Mm", INCH, 46.1),
        ("1815 thou", INCH, 46.101),
        ("1''", INCH, 25.4),
        ("1 + 13/16", INCH, 46.0375),
        ("2x.5+.5", INCH, 38.1),
        ("3 X 0.5", INCH, 38.1),
        ("1.000,5", Field("length", "mm"), None),
        ("1,000.5", Field("length", "mm"), 1000.5),
        ("0,750", Field("length", "in"), 19.05),
        ("1,25", Field("length", "in"), 31.75),
        ("1/2-1/8", INCH, None),
        ("3/4 - 1/8", Field("length", "in"), 15.875),
        ("1 31/32-1/32", INCH, 49.2125),
        ("-1/8", Field("length", "in", signed=True), -3.175),
        ("5 inches", Field("length", "mm"), 127.0),
        (",040", Field("length", "in"), 1.016),
        (",04", Field("length", "in"), 1.016),
        ("4.61 centimeters", Field("length", "in"), 46.1),
        ("46.1 millimeters", Field("length", "in"), 46.1),
        ("2x1.0-13/16", Field("length", "in"), 30.1625),
        ("1 1/2 mm", Field("length", "mm"), 1.5),
    ],
)  # fmt: skip
def test_more_spellings(text, field, millimetres):
    if millimetres is None:
        with pytest.raises(EntryError):
            parse(text, field)
    else:
        assert parse(text, field) == pytest.approx(millimetres, rel=1e-13)


@pytest.mark.parametrize(
    ("text", "field", "told"),
    [
        ("1,800", Field("length", "in"), "can be read as 1.8 or 1800 in"),
        ("1.803 # burr", INCH, "# means pounds here. Ctrl+T writes a note on a reading."),
        ("164#burr", LOAD, "# means pounds here"),
        ("1.78", Field("length", "mm", Fraction(5), Fraction(150)), "1.78 mm is outside 5 to 150 mm. Inches? Type 1.78 in."),
        ("9999", Field("length", "mm", Fraction(5), Fraction(150)), "Check the figure and its unit."),
        ("46.10", INCH, "46.1 in is outside 0.5 to 4 in. Millimetres? Type 46.1 mm."),
        ("1 - 13/16", INCH, "Write “1 13/16” for the sum, or “1.0-13/16” for the difference"),
        ("164 lb", INCH, "lbf is a unit of load, and this is a length field"),
        ("164 1/2", LOAD, "fractions are read in lengths and turns only"),
        ("1/3", INCH, "not in 3"),
        ("1.8OO", INCH, "“OO” is not understood"),
        ("nan", INCH, "a figure is needed in place of “nan”"),
        ("x" * 300, INCH, "300 characters long"),
        ("-.5", Field("length", "in"), "cannot be negative"),
        ("45+7/16\"", Field("length", "mm"), "write the unit on each"),
        ("1 33/32", INCH, "must be less than one"),
        ("9", Field("length", "in", None, Fraction(4)), "max 4 in"),
        (".1", Field("length", "in", Fraction(1, 2)), "min 0.5 in"),
    ],
)  # fmt: skip
def test_what_a_person_is_told(text, field, told):
    with pytest.raises(EntryError, match=r".") as said:
        parse(text, field)
    assert told in str(said.value)


@given(st.text(alphabet='0123456789.,/-+x "inmthoulbfkgN½¾', max_size=24))
def test_no_likely_text_raises_anything_else(text):
    for field in (INCH, LOAD, Field("length", "mm", signed=True)):
        try:
            value = parse(text, field)
        except EntryError:
            continue
        assert value is None or value == value


@given(st.decimals(min_value="0.001", max_value="9999", places=4), st.sampled_from(UNITS))
def test_every_spelling_of_every_unit_is_read_by_its_exact_factor(number, unit):
    for spelling in unit.spellings:
        value = parse(f"{number} {spelling}", Field(unit.dimension, units_of(unit.dimension)[0].symbol))
        assert value == float(Fraction(str(number)) * unit.factor + unit.zero)


@given(st.floats(min_value=0.01, max_value=5000), st.sampled_from([u for u in UNITS if u.dimension != "ratio"]))
def test_what_is_shown_is_read_back(value, unit):
    shown = in_figures(value, unit.dimension, unit.symbol, 6)
    again = parse(f"{shown} {unit.symbol}", Field(unit.dimension, unit.symbol))
    assert again == pytest.approx(value, abs=0.51e-6 * float(unit.factor))


def test_a_field_within_an_inside_range():
    field = Field.within("length", "in", (5.0, 150.0))
    assert field.lowest == Fraction(5) / Fraction("25.4")
    assert not field.signed
    assert Field.within("percent", "%", (-10.0, 10.0)).signed
    assert field.own is unit_of("length", "in")


@pytest.mark.parametrize(
    ("text", "field", "inside"),
    [
        ("3/4 turn", Field("turns", "turn"), 0.75),
        ("1 1/3", Field("turns", "turn"), 4 / 3),
        ("2 flats", Field("turns", "turn"), 1 / 3),
        ("270 deg", Field("turns", "turn"), 0.75),
        ("70 F", Field("temperature", "°C", signed=True), 190 / 9),
        ("-40", Field("temperature", "°F", signed=True), -40.0),
        ("100 psi", Field("pressure", "bar"), 6.894757293168),
        ("120 kPa", Field("pressure", "psi"), 1.2),
        ("1 min + 30 s", Field("time", "s"), 90.0),
        ("7200", Field("speed", "rpm"), 7200.0),
        ("50 lb ft", Field("torque", "N·m"), 67.790897416),
        (".44 oz", Field("mass", "g"), 0.012473790175),
        ("2 turns", Field("angle", "deg"), 720.0),
    ],
)  # fmt: skip
def test_the_other_dimensions(text, field, inside):
    """Source of the factors: NIST SP 811 appendix B."""
    assert parse(text, field) == pytest.approx(inside, rel=1e-9)


@pytest.mark.parametrize("text", ["20 C - 3 C", "~20 C ±2", "1/5 turn"])
def test_what_the_other_dimensions_refuse(text):
    field = Field("turns", "turn") if "turn" in text else Field("temperature", "°C", signed=True)
    with pytest.raises(EntryError, match=r"\.$"):
        (parse_rough if is_rough(text) else parse)(text, field)


@pytest.mark.parametrize(
    ("text", "value", "low", "high"),
    [
        ("~1.8", 1.8, None, None),
        ("about 1.8", 1.8, None, None),
        ("~1.8 ±.05", 1.8, 1.75, 1.85),
        ("About 1.8in +/- 50 thou", 1.8, 1.75, 1.85),
        ("≈ 1.75 to 1.85", 1.8, 1.75, 1.85),
    ],
)
def test_what_is_no_measurement_says_so(text, value, low, high):
    assert is_rough(text)
    rough = parse_rough(text, INCH)
    inches = [None if one is None else pytest.approx(25.4 * one) for one in (value, low, high)]
    assert [rough.value, rough.low, rough.high] == inches
    with pytest.raises(EntryError, match="assumed, with a range"):
        parse(text, INCH)


@pytest.mark.parametrize("text", ["~", "~1.8 ±", "~1.85 to 1.75", "~1.8 ±.01 ±.02", "~3.9 ±.2", "about lots"])
def test_a_bad_assumption_is_refused(text):
    with pytest.raises(EntryError, match=r"\.$"):
        parse_rough(text, INCH)


@given(st.text(max_size=100), st.sampled_from(list(INSIDE)))
def test_no_text_raises_anything_else(text, dimension):
    field = Field(dimension, INSIDE[dimension], signed=True)
    for read in (parse, lambda *given: parse_rough("~" + given[0], given[1])):
        with suppress(EntryError):
            read(text, field)


@pytest.mark.parametrize("text", ["2x1-13/16", "2 x 1 - 13/16", "3*1-1/2"])
def test_a_whole_number_counted_and_a_fraction_is_never_guessed(text):
    with pytest.raises(EntryError, match="mixed fraction or a difference"):
        parse(text, Field("length", "in"))


@pytest.mark.parametrize(
    ("text", "inches"),
    [
        ("2-3/32", 2 - 3 / 32),
        ("1-13/16", 3 / 16),
        ("1-13/16-.055", 3 / 16 - 0.055),
        ("2 3/32", None),
        ("1.9-.05", None),
    ],
)
def test_a_dash_that_may_be_a_minus_is_known_to_be_one(text, inches):
    found = as_difference(text, Field("length", "in"))
    assert found is None if inches is None else found == pytest.approx(inches * 25.4)
