"""Degree-wheel tables from text, in any order and notation; what can't be read is said, never guessed."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from engines import demo
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


def lines(*heads: str, mark: str = ",", scientific: bool = False) -> str:
    """Three columns: the angle, the intake's lift, and the exhaust's, which is a millimetre less."""
    write = "{:.6e}".format if scientific else "{:.3f}".format
    rows = [mark.join(map(write, (a, lift, max(lift - 1.0, 0.0)))) for a, lift in ROWS]
    return "\n".join([*heads, *rows])


@pytest.mark.parametrize("head", ['"wheel, crank deg",1i,1e', 'crank deg,"1i","1e"', "crank deg,1 intake,1 exhaust,,"])
def test_a_quoted_head_stands_over_its_own_column(head):
    read = read_table(lines(head), ("1i", "1e"))
    assert [(one.position, max(lift for _, _, lift in one.rows)) for one in read.columns] == [("1i", 8.0), ("1e", 7.0)]


@pytest.mark.parametrize("head", ["crank deg,1i", "wheel, crank deg,1i,1e"])
def test_heads_that_do_not_stand_over_the_columns_are_asked_about(head):
    with pytest.raises(TableError, match="could land at the wrong valve"):
        read_table(lines(head), ("1i", "1e"))
    assert [one.position for one in read_table(lines("a sheet of words"), ("1i",)).columns] == ["", ""]


def test_figures_as_programs_write_them():
    read = read_table(lines("crank deg,1i,1e", scientific=True), ("1i", "1e"))
    assert [(a, lift) for _, a, lift in read.columns[0].rows] == ROWS


def test_the_curves_that_are_written_read_back_take_no_velocity_for_a_lift():
    from honest_lift.estimates.train.turn import turns_of
    from honest_lift.sheets.cam_curves import curves_csv

    read = read_table(curves_csv(turns_of(demo(), "1i"), None, "mm", 2.0))
    assert [one.title.split(" (")[0] for one in read.columns] == ["intake valve lift", "exhaust valve lift"]
    assert read.unit == "mm"


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
        ("\n".join(f"{a:g} {a + 1:g}" for a, _ in ROWS), "is not clear"),
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
     ("50 bbdc", "exhaust", -230), ("20 BTDC", "intake", -20), ("1,5", "intake", 1.5), ("12 B", "intake", -12)],
)  # fmt: skip
def test_crank_angles_as_people_write_them(text, role, degrees):
    assert read_angle(text, role) == degrees


@pytest.mark.parametrize("text", ["", "12 TDC", "-12 BTDC", "5000", "twelve", "12 degrees up"])
def test_an_angle_that_says_nothing_is_refused(text):
    with pytest.raises(EntryError):
        read_angle(text, "intake")
