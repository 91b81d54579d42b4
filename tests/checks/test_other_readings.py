"""Readings a builder takes another way: travel to bind on the head, guides with a gauge zeroed on the stem, clay without its
gasket, a set square, a look, the finish under a gasket. Facts of the trade: common practice, no source."""

import pytest

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.wording import reason
from honest_lift.checks.working import working
from honest_lift.facts.edits import Confirm, Describe, Put, StrikeOut, reading_of
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import at_cylinder, at_position
from honest_lift.facts.quantities.bare_head import DEPTHS
from honest_lift.facts.tools import Tool
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

AT = at_position("1e")
GAUGE = Tool("stylus", "roughness_tester", "stylus", "roughness", resolution=0.01, accuracy=0.05)


def found(bench: Bench, check: str, position: str = "1e"):
    return examine(bench.book).finding(check, position)


def test_travel_to_bind_on_the_head_is_the_same_check_said_another_way():
    """12.5 mm of travel, 2 mm of spacer left in the pocket: 10.5 of it left, bind before full lift."""
    bench = Bench().complete(lift=9.0)
    worked = found(bench, "coil_bind_clearance")
    assert worked.figure == pytest.approx(45.0 - 9.0 - 32.5)
    bench.read("bind_travel", AT, 12.48, "indicator", "micrometer")
    read = found(bench, "coil_bind_clearance")
    assert read.figure == pytest.approx(12.48 - 9.0)
    assert read.expanded < worked.expanded, "the surer of two that agree stands"
    assert any("travel to bind, read - lift" in line for line in working(read, bench.engine))
    bench.read("bind_travel", AT, 10.5, "indicator", "micrometer", repeat=False)
    apart = found(bench, "coil_bind_clearance")
    assert apart.verdict is Verdict.UNPROVEN
    assert apart.ground & Ground.UNSOUND
    assert "which of them is wrong" in apart.remark
    assert found(bench, "coil_bind_clearance", "1i").verdict is worked.verdict


def test_travel_alone_proves_bind_where_nobody_pressed_the_spring_solid():
    bench = Bench().complete(lift=9.0)
    for entry in bench.book.journal:
        if getattr(entry, "quantity", "") == "bind_height":
            bench.do(StrikeOut(entry.id))
    assert found(bench, "coil_bind_clearance").verdict is Verdict.UNPROVEN
    bench.read("bind_travel", AT, 12.5, "indicator", "micrometer")
    assert found(bench, "coil_bind_clearance").verdict is Verdict.PASSES
    bench.shims("1e", 2.0)
    stale = found(bench, "coil_bind_clearance")
    assert stale.verdict is Verdict.UNPROVEN
    assert stale.ground & Ground.STALE, "another stack: what was travelled before says nothing of it"


def clearance(bench: Bench, value: float, depths=DEPTHS) -> Bench:
    made = [reading_of(bench.book, "guide_clearance", at_position("1e", depth), value, text=f"{value}", unit="mm",
                       way="bore_gauge", tool="micrometer") for depth in depths]  # fmt: skip
    return bench.do(Confirm(tuple(made)))


def test_a_guide_may_be_read_by_a_gauge_zeroed_on_its_stem():
    bench = Bench().complete()
    assert found(bench, "guide_clearance").figure == pytest.approx(0.06)
    clearance(bench, 0.0602)
    one = found(bench, "guide_clearance")
    assert one.figure == pytest.approx(0.0602)
    assert one.verdict is Verdict.PASSES
    clearance(bench, 0.12, ("bottom",))
    apart = found(bench, "guide_clearance")
    assert apart.verdict is Verdict.UNPROVEN
    assert "worst at the bottom" in apart.remark
    assert "can't be both" in apart.remark


def test_clay_pressed_without_its_gasket_has_the_crushed_gasket_added():
    """Clay 0.015 in without its 0.027 gasket: 0.042 in of squish; to subtract the gasket is wrong."""
    inch = 25.4
    bench = Bench().do(Describe({"rod_material": "steel"}, "rods"))
    plain = {"tolerance": 0.02}
    bench.state("gasket_thickness", 0.027 * inch, **plain)
    bench.do(Put("limits", Limit("own", "squish", 0.035 * inch, 0.060 * inch, origin="shop")))
    bench.read("squish", at_cylinder("1"), 0.015 * inch, "clay_bare", "solid")

    def squish():
        return next(f for f in examine(bench.book).findings if f.check.name == "squish" and f.place == at_cylinder("1"))

    one = squish()
    assert one.figure == pytest.approx(0.042 * inch)
    assert {given.quantity for given in one.inputs} >= {"squish"}
    bench.state("gasket_thickness", 0.027 * inch, tolerance=0.1)
    more = (squish().expanded ** 2 - one.expanded**2) * 3 / 4
    assert more == pytest.approx(0.1**2 - 0.02**2, rel=1e-3), "the gasket's tolerance is the clay's, evenly spread"
    bench.do(Put("limits", Limit("own", "squish", 0.020 * inch, 0.080 * inch, origin="shop")))
    bench.state("gasket_thickness", 0.027 * inch, kind="assumed", low=0.026 * inch, high=0.028 * inch)
    assert (squish().verdict, squish().provisional) == (Verdict.UNPROVEN, Verdict.PASSES), (
        "by an assumed gasket nothing passes"
    )


@pytest.mark.parametrize(("quantity", "check"), [("seal_seen", "retainer_seal"), ("rocker_seen", "retainer_rocker")])
def test_what_looks_fine_proves_the_look_and_what_touches_fails(quantity, check):
    bench = Bench().complete()
    before = found(bench, check)
    bench.look(quantity, AT, "fine")
    after = found(bench, check)
    assert (after.verdict, after.figure) == (before.verdict, before.figure)
    assert "it proves the look, and no distance" in after.remark
    assert found(bench, quantity) is None
    bench.look(quantity, AT, "touches")
    assert found(bench, quantity).verdict is Verdict.FAILS
    assert found(bench, quantity, "1i") is None
    assert "proves the look" not in found(bench, check).remark


def test_a_set_square_tells_which_way_and_not_how_far():
    bench = Bench().complete()
    bench.look("half_lift_seen", AT, "square")
    assert found(bench, "half_lift_seen").verdict is Verdict.PASSES
    bench.look("half_lift_seen", AT, "above")
    one = found(bench, "half_lift_seen")
    assert one.verdict is Verdict.UNPROVEN
    assert "longer pushrod" in one.remark


def test_the_rougher_face_speaks_for_a_metal_gasket():
    bench = Bench().do(Put("tools", GAUGE))
    micro = 0.0254
    assert found(bench, "deck_finish", "1i") is None, "nobody has to read it"
    bench.state("deck_finish", 30 * micro, tolerance=2 * micro)
    assert found(bench, "deck_finish", first(bench)).verdict is Verdict.UNPROVEN, "the head's face is not known"
    for value, verdict in ((40 * micro, Verdict.PASSES), (62 * micro, Verdict.FAILS)):
        bench.read("head_finish", at_cylinder("1"), value, "tester", "stylus")
        one = found(bench, "deck_finish", first(bench))
        assert one.verdict is verdict
        assert one.figure == pytest.approx(value)


def first(bench: Bench) -> str:
    return bench.engine.layout.of_cylinder("1")[0]


def test_a_seat_bears_its_load_over_its_ring_as_advice():
    """722 N over a ring of 1.5 mm in a 40 mm head: 722 / (pi x 38.5 x 1.5) = 3.98 MPa."""
    bench = Bench().complete()
    verdict = found(bench, "seat_load").verdict
    bench.read("seat_width", AT, 1.5, "caliper", "solid").read("head_diameter", AT, 40.0, "caliper", "solid")
    bench.engine.units["stress"] = "MPa"
    one = found(bench, "seat_load")
    assert "3.98 MPa: advice, no limit" in one.remark
    assert one.verdict is verdict
    assert "advice" not in found(bench, "seat_load", "1i").remark
    assert reason(one, bench.engine)
