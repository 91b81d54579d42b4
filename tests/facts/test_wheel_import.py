"""Degree-wheel tables from text, in any order and notation; what can't be read is said, never guessed."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from honest_lift.facts.crank_angle import read_angle
from honest_lift.facts.wheel_import import TableError, in_mm, read_table
from honest_lift.numbers.entry import EntryError

ROWS = [(float(a), round(max(0.0, 8.0 - (a - 100) ** 2 / 500), 3)) for a in range(-20, 221, 10)]


@given(
    st.sampled_from([";", "\t", "  "]), st.sampled_from([".", ","]), st.booleans(), st.booleans(),
    st.sampled_from(["crank deg", "Wheel (deg)"]),
)  # fmt: skip
def test_any_order_and_notation_is_the_same_table(mark, decimal, lift_first, headed, title):
    pairs = [(f"{a:g}", f"{lift:.3f}") for a, lift in ROWS]
    lines = [(title, "lift mm"), *pairs] if headed and mark != "  " else pairs
    text = "\n".join(mark.join(reversed(line) if lift_first else line) for line in lines).replace(".", decimal)
    read = read_table(text)
    assert [(a, lift) for _, a, lift in read.columns[0].rows] == ROWS
    assert read.wrong == ()


def test_headings_tell_units_and_valves_and_what_is_not_used_is_said():
    text = "bench sheet\ncam deg,1i lift in,1e lift in,note\n" + "\n".join(
        f"{a / 2},{lift / 25.4:.4f},{lift / 26:.4f},ok" for a, lift in ROWS
    )
    read = read_table(text, ("1i", "1e"))
    assert (read.unit, read.cam_degrees) == ("in", True)
    assert "not used: note" in read.remarks
    rows = in_mm(read.columns[0], "in", cam_degrees=True)
    assert rows[12] == (pytest.approx(100.0), pytest.approx(8.0, abs=0.002))
    named = read_table(text.replace("1i lift in", "1 intake").replace("1e lift in", "1e"), ("1i", "1e"))
    assert [one.position for one in named.columns] == ["1i", "1e"]


def test_a_line_that_can_not_be_used_is_named_with_the_reason():
    text = "\n".join(f"{a:g} {lift}" for a, lift in ROWS) + "\n230 abc\n240\n"
    read = read_table(text)
    assert [(line, why) for line, _, why in read.wrong] == [
        (26, "“abc” is no figure: write a lift as .352 or 8,94"), (27, "the angle or the lift is missing"),
    ]  # fmt: skip
    assert len(read.columns[0].rows) == len(ROWS)


@pytest.mark.parametrize(
    ("text", "why"),
    [
        ("", "nothing in it"),
        ("lift and angle", "No line of it has two figures"),
        ("\n".join(f"{a:g},{lift:.3f}".replace(".", ",") for a, lift in ROWS), "read two ways"),
        ("\n".join(f"{a:g} {a + 1:g}" for a, _ in ROWS), "can't be told"),
        ("crank deg;lift\n" + "\n".join(f"{a:g};x" for a, _ in ROWS), "No line of it has two figures"),
        ("deg BTDC;lift\n" + "\n".join(f"{-a:g};{lift}" for a, lift in ROWS), "counted backward"),
        ("1 2\n3 2\n5 2", "No column rises|five at the least"),
    ],
)
def test_what_is_no_table_is_refused_with_what_would_be_right(text, why):
    with pytest.raises(TableError, match=why):
        read_table(text)


def test_a_lift_that_no_lobe_has_in_that_unit_is_refused_with_the_unit_that_fits():
    column = read_table("\n".join(f"{a:g} {lift / 25.4:.3f}" for a, lift in ROWS)).columns[0]
    with pytest.raises(TableError, match="would be in in"):
        in_mm(column, "mm", cam_degrees=False)


@pytest.mark.parametrize(
    ("text", "role", "degrees"),
    [("-12", "intake", -12), ("12 BTDC", "intake", -12), ("12° atdc", "exhaust", 12), ("40 ABDC", "intake", 220),
     ("50 bbdc", "exhaust", -230), ("20 before TDC", "intake", -20), ("1,5", "intake", 1.5), ("12 B", "intake", -12)],
)  # fmt: skip
def test_crank_angles_as_people_write_them(text, role, degrees):
    assert read_angle(text, role) == degrees


@pytest.mark.parametrize("text", ["", "12 TDC", "-12 BTDC", "5000", "twelve", "12 degrees up"])
def test_an_angle_that_says_nothing_is_refused(text):
    with pytest.raises(EntryError):
        read_angle(text, "intake")
