"""What is computed right reaches the right place: a plan its slots, a reading its unit, a column its heading, a wish its worker."""

import csv
import io

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt

from engines import GAUGE, SOLID, Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.desk import taking
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Confirm, Describe, Fit, Put, fitment, reading_of
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import at_position
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.tools import Tool
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.spring.shims import Pocket, ShimPlan, plan_shims
from honest_lift.plans.spring.windows import Window
from honest_lift.plans.train.bucket_shims import plan_bucket_shims
from honest_lift.plans.worth import worth_of, worth_tried
from honest_lift.sheets.bench_grid import bench_grid
from honest_lift.sheets.tables import exports
from honest_lift.workers import tasks


def planned() -> Bench:
    made = Bench().complete(height=45.4)
    for name in made.names:
        made.shims(name).height(name, 45.4)
    return made.do(Put("shim_stock", ShimSize("a", 0.4)))


def test_a_plans_outer_and_inner_stacks_are_noted_each_under_its_own_member():
    made = Bench().complete()
    pocket = Pocket(
        "1e", made.engine.spring_at("1e"), 45.0, (), (0.5, 0.2), 44.3, 700.0, 1300.0, 2.0, Window("1e", "1"), (0.3,)
    )
    made.do(ShimPlan("target", (pocket,)).edit(made.engine))
    assert made.engine.fitted("shims", "1e").thicknesses_mm == (0.5, 0.2)
    assert made.engine.fitted("inner shims", "1e").thicknesses_mm == (0.3,)


def test_what_a_plan_foretells_of_a_pocket_is_what_is_found_once_it_is_made():
    made = planned()
    plan = plan_shims(made.book, "target")
    made.do(plan.edit(made.engine))
    for pocket in plan.pockets:
        made.height(pocket.position, pocket.height_mm)
    seen = examine(made.book)
    for pocket in plan.pockets:
        for check, told in (("coil_bind_clearance", pocket.bind_margin_mm), ("seat_load", pocket.seat_load_n),
                            ("open_load", pocket.open_load_n), ("installed_height", pocket.height_mm)):  # fmt: skip
            assert seen.finding(check, pocket.position).figure == pytest.approx(told, abs=1e-6), check


@pytest.mark.parametrize(("off_mm", "stays"), [(0.030, True), (0.042, False)])
def test_a_bucket_shim_stays_only_where_the_lash_is_surely_within_its_window(off_mm, stays):
    """The window is 0.0508 mm to either side; feelers of 0.010 mm leave a guard of 0.0116 mm: within 0.0392 mm it stays."""
    feeler = Tool("feeler", "feeler", "feeler", "length", resolution=0.0, accuracy=0.010, repeatability=0.0)
    made = Bench().do(Describe({"gear": "bucket"}, "buckets")).do(Put("tools", feeler))
    for role in ("intake", "exhaust"):
        made.do(Put("lobes", CamLobe(role, lash_cold_mm=0.25)))
    for name in made.names:
        made.do(Fit((fitment(made.engine, "lash shim", name, thicknesses_mm=(2.5,)),), "shim"))
        made.read("lash", at_position(name), 0.25 + off_mm, "feeler", "feeler")
    assert {one.source == "stays" for one in plan_bucket_shims(made.book).shims} == {stays}


@pytest.mark.parametrize(
    ("step", "text", "noted"),
    [("springs", "200", ("spring_load", "lbf")), ("heights", "1.77", ("installed_height", "in"))],
)
def test_a_reading_is_noted_in_the_unit_of_its_own_quantity(open_window, qtbot, step, text, noted):
    window = open_window(Bench().book)
    window._actions[f"step_{step}"].trigger()
    qtbot.keyClicks(window.bar.entry, text)
    for _ in range(2):  # once more where the figure is unusual
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    read = next(one for one in reversed(window.session.book.journal) if isinstance(one, Reading))
    assert (read.quantity, read.unit, read.text) == (*noted, text)


def test_a_table_labels_its_values_in_the_unit_they_are_in_and_keeps_what_was_typed():
    made = Bench()
    made.do(Confirm((reading_of(made.book, "installed_height", at_position("1e"), 45.085, text="1.775", unit="in",
                                way="height_micrometer"),)))  # fmt: skip
    rows = list(csv.DictReader(io.StringIO(dict(exports(made.book, examine(made.book)))["readings.csv"])))
    assert [(float(one["value"]), one["unit"], one["as_typed"]) for one in rows] == [(45.085, "mm", "1.775 in")]


def test_every_column_of_a_blank_grid_is_in_the_unit_of_its_quantity():
    grid = bench_grid(Bench().engine, ("installed_height", "seat_load_engine", "guide_bore"))
    assert [unit for _, unit, _ in grid.columns] == ["in", "lbf", "in"]


def test_what_would_be_read_over_a_retainer_is_the_height_and_the_retainer():
    """By a rule nothing is settled; a caliper over the retainer settles it, at the height that stands, and not one 4 mm off."""
    made = Bench().state("target_height", 45.0).state("retainer_thickness", 2.0, tolerance=0.001)
    made.do(Describe({"tools": tuple(one for one in made.engine.tools if one.id != GAUGE.id)}, "no micrometer"))
    made.height("1e", 45.2, "rule")
    finding = examine(made.book).finding("installed_height", "1e")
    assert finding.verdict is not Verdict.PASSES
    best = worth_of(finding, worth_tried(made.book, finding))[0]
    assert (best.quantity, best.way, best.tool, best.verdict) == (
        "installed_height",
        "caliper",
        SOLID.id,
        Verdict.PASSES,
    )


def test_the_spring_in_hand_follows_the_valve_and_the_valve_the_spring(open_window):
    session = open_window(demo()).session
    session.go("3i")
    assert session.spring == session.engine.spring_at("3i")
    session.go_spring(session.engine.spring_at("5e"))
    assert session.position == "5e"


def test_the_height_is_carried_by_the_drawers_own_gauge(open_window):
    other = replace(GAUGE, id="other", name="other")
    made = Bench().do(Put("tools", other))
    made.do(
        Describe(
            {"default_tools": {**made.engine.default_tools, "installed_height/height_micrometer": "other"}}, "other"
        )
    )
    carried = next(way for way in CATALOG["spring_load"].ways if way.carried_by)
    assert taking._carrying_gauge(open_window(made.book).session, carried) == "other"


def test_a_plan_that_is_cancelled_hears_it():
    made, told = planned(), []
    assert tasks.plan_shims(told.append, lambda: True, made.book, "target", "").proven
    assert not tasks.plan_shims(told.append, lambda: False, made.book, "target", "").proven
