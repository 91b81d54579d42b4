"""What is drawn and carded on paper is this valve's, this cylinder's and this height's, and no other's."""

import re

import numpy as np
import pytest

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.demo.demonstrations import demonstration
from honest_lift.drawings.scene import scene_words
from honest_lift.estimates.cylinder.clearance_volume import left_over
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.facts.edits import Fit, fitment
from honest_lift.numbers.doubt import exact
from honest_lift.numbers.units import from_inside, in_words, to_inside
from honest_lift.sheets.build_sheet.content import sheet_of
from honest_lift.sheets.build_sheet.pages import pages_of, worst_at
from honest_lift.words.cylinder.left_over_drawn import left_over_drawn
from honest_lift.words.spring.load_drawn import load_curve_drawn
from honest_lift.words.spring.spring_drawn import spring_drawn

DAY = "2026-12-01"


@pytest.fixture(scope="module")
def eight():
    book = demo()
    return book, examine(book)


def test_a_valve_nobody_measured_is_not_the_one_that_is_drawn():
    book = demonstration("four")
    seen = examine(book)
    at = worst_at(book, seen, "coil_bind_clearance")
    assert seen.finding("coil_bind_clearance", at).figure == seen.finding("coil_bind_clearance", at).figure
    assert seen.finding("coil_bind_clearance", "3i").figure != seen.finding("coil_bind_clearance", "3i").figure, (
        "not known"
    )


def test_what_does_not_pass_says_so_in_its_cell(eight):
    sheet = sheet_of(*eight, DAY, appendix=False)
    rows = {row[0]: row for row in sheet.valves.rows}
    column = sheet.valves.heads.index("Installed height")
    assert [rows[one][column].split()[-1] for one in ("5i", "8e", "2e", "1e")] == ["fails", "unproven", "close", "in"]


def test_each_stack_of_shims_is_in_its_own_column():
    made = Bench()
    made.shims("1e", 0.4)
    engine = made.book.engine
    fits = (fitment(engine, "inner shims", "1e", thicknesses_mm=(0.7,)), fitment(engine, "lash shim", "1e", thicknesses_mm=(2.5,)),
            fitment(engine, "locks", "1e", note="ten degrees, blue"))  # fmt: skip
    made.do(Fit(fits, "stacks"))
    card = next(
        one for one in sheet_of(made.book, examine(made.book), DAY).parts if one.title.startswith("Spring, shim")
    )
    row = next(row for row in card.rows if row[0] == "1e")
    length = made.book.engine.unit("length")
    told = [to_inside(float(cell), "length", length) for cell in row[2:5]]
    assert told == pytest.approx([0.4, 0.7, 2.5], abs=0.02)
    assert "locks: ten degrees, blue" in row[5]


def test_drawings_are_of_the_angle_and_lift_they_say(eight):
    """The train where it comes nearest has the finding's own figure on it; a gear at half lift is near square, closed it is not."""
    book, seen = eight
    drawn = {one.key: one for page in pages_of(book, seen) for one in page.drawings}
    at = worst_at(book, seen, "piston_valve", "valve_to_valve")
    nearest = in_words(seen.finding("piston_valve", at).figure, "length", "in")
    assert drawn["train"].svg.count(f"piston {nearest}") == 1
    off = float(re.search(r"([\d.]+)° (above|below) square", drawn["rocker"].svg)[1])
    assert off < 4.0


def test_a_spring_is_drawn_at_both_its_heights(eight):
    book, seen = eight
    found = seen.finding("coil_bind_clearance", "6i")
    said = scene_words(spring_drawn(book.engine, seen, "6i"))
    for key in ("installed_height", "open_height", "bind_height"):
        assert in_words(found.term(key), "length", "in") in said, key


@pytest.mark.parametrize("cylinder", ["1", "4", "5"])
def test_what_is_left_over_is_of_the_cylinder(eight, cylinder):
    book, _ = eight
    whole = left_over(book)
    case, unit = whole.chambers.cylinders.index(cylinder), book.engine.unit("volume")
    said = scene_words(left_over_drawn(book.engine, whole, cylinder))
    chamber = from_inside(float(whole.chambers.volume.figure.value[case]), "volume", unit)
    assert f"chamber {chamber:.1f}" in said or f"{chamber:.1f}" in said
    assert f"{whole.ratio.figure.value[case]:.2f} to 1" in said


def test_the_band_of_a_load_curve_is_its_expanded_uncertainty(eight):
    """Independent: twice the standard uncertainty of the load at that very height."""
    book, _ = eight
    chart = load_curve_drawn(book, "1")
    band = next(one.band for panel in chart.panels for one in panel.series if one.band)
    at, low, high = band[len(band) // 2]
    curves = spring_curves(book, ["1"])
    load = curves.take([0]).load(Estimate(exact(np.array([to_inside(at, "length", "in")])), ((),)))
    assert (high - low) / 2 == pytest.approx(from_inside(2.0 * float(load.figure.u[0]), "load", "lbf"), rel=1e-6)
