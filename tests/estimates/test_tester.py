"""What a tester's calibration does to the loads it read. Facts of the trade: common practice, no source."""

import numpy as np
import pytest
from msgspec.structs import replace

from engines import POINTS, TESTER, Bench
from honest_lift.checks.examine import examine
from honest_lift.estimates.estimate import Estimate
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.spring.beside import loads_read_at, pressed_at_mm
from honest_lift.estimates.spring.loads import spring_curves
from honest_lift.estimates.spring.tester import corrections
from honest_lift.facts.calibrations import Calibration, CertifiedPoint, ReferenceSpring
from honest_lift.facts.edits import Put, StrikeOut
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.place import of_reference, of_spring
from honest_lift.facts.tools import Tool
from honest_lift.numbers.doubt import Ground, exact
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.next_reading import next_steps

IN, LBF = 25.4, 4.4482216152605
STEADY = replace(TESTER, repeatability_percent=0.1, height_accuracy_mm=0.05)


def calibrated(points, shown, tool=STEADY, when="2020-01-01T00:00:00Z", **more) -> Bench:
    """Give a bench whose tester was held against one reference spring: points (mm, N), and what it showed there."""
    bench = Bench()
    bench.do(Put("tools", replace(tool, **more), "corrected"))
    reference = ReferenceSpring("ref", "reference", tuple(CertifiedPoint(h, p) for h, p in points), plus_minus_n=0.5)
    bench.do(Put("references", reference))
    for (height, _), read in zip(points, shown, strict=True):
        bench.read("reference_load", of_reference("ref"), read, "tester", "tester", at={"test_height": height})
    readings = tuple(one.id for one in bench.book.journal)
    return bench.do(Put("calibrations", Calibration("cal", "tester", when, readings=readings)))


def load_at(bench: Bench, height: float) -> Estimate:
    curves = spring_curves(bench.book, ["1"])
    return curves.load(Estimate(exact(np.array([height])), ((),)))


def test_what_the_reference_spring_shows_is_taken_off():
    """58 lbf at 2.250 in and 117 at 2.000 read as 59.5 and 119: a spring read at 138 is about 136."""
    points = ((2.25 * IN, 58 * LBF), (2.0 * IN, 117 * LBF))
    bench = calibrated(points, (59.5 * LBF, 119 * LBF))
    bench.read("spring_load", of_spring("1"), 138 * LBF, "tester", "tester", at={"test_height": 45.0})
    load = resolve(bench.book, "spring_load", of_spring("1"))
    assert load.value / LBF == pytest.approx(136.2, abs=0.3)
    assert bench.book.journal[-1].value == 138 * LBF, "the raw reading stays raw"
    bench.do(Put("tools", replace(STEADY, correction="none"), "corrected"))
    assert resolve(bench.book, "spring_load", of_spring("1")).value == pytest.approx(138 * LBF)


def test_what_another_tester_read_of_a_reference_spring_calibrates_none_but_that_other():
    points = ((2.25 * IN, 58 * LBF), (2.0 * IN, 117 * LBF))
    bench = calibrated(points, (59.5 * LBF, 119 * LBF)).do(Put("tools", replace(STEADY, id="other", name="other")))
    bench.read("spring_load", of_spring("1"), 138 * LBF, "tester", "tester", at={"test_height": 45.0})
    before = resolve(bench.book, "spring_load", of_spring("1"))
    bench.read("reference_load", of_reference("ref"), 90 * LBF, "tester", "other", at={"test_height": 2.1 * IN})
    stranger = next(one.id for one in reversed(bench.entries))
    calibration = bench.engine.calibrations[0]
    bench.do(Put("calibrations", replace(calibration, readings=(*calibration.readings, stranger))))
    after = resolve(bench.book, "spring_load", of_spring("1"))
    assert (after.value, after.u) == (before.value, before.u)


def test_a_calibration_narrows_the_doubt_inside_what_was_certified_only():
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1200, 1500))
    bench = calibrated(points, tuple(load + 9.0 for _, load in points))
    for height, load in POINTS:
        bench.read("spring_load", of_spring("1"), load + 9.0, "tester", "tester", at={"test_height": height})
    inside = load_at(bench, 45.0).figure
    raw = load_at(bench.do(Put("tools", replace(STEADY, correction="none"), "corrected")), 45.0).figure
    assert inside.value[0] == pytest.approx(722.0, abs=0.2)
    assert inside.u[0] < raw.u[0] / 2
    bench.do(Put("tools", STEADY, "corrected")).read(
        "spring_load", of_spring("2"), 4000.0, "tester", "tester", at={"test_height": 40.0}
    )
    beyond = resolve(bench.book, "spring_load", of_spring("2"))
    assert {key: abs(u) for key, _, u in beyond.shared}["tool:tester"] == pytest.approx(40.0 / 3**0.5)


def test_the_height_stop_cancels_between_the_reference_and_a_spring_of_its_rate():
    """A stop 0.15 mm off reads -7.5 N on 50 N/mm; a 120 N/mm spring stays 10.5 N wrong after the correction."""
    points = tuple((60.0 - load / 50.0, float(load)) for load in (500, 900, 1300, 1500))
    soft = replace(STEADY, height_accuracy_mm=0.15 * 3**0.5, repeatability_percent=0.001)
    bench = calibrated(points, tuple(load - 30.0 for _, load in points), tool=soft)
    for name, rate in (("1", 50.0), ("2", 120.0)):
        for height in (46.0, 45.0, 44.0):
            load = 600.0 + rate * (45.0 - height)
            bench.read("spring_load", of_spring(name), load, "tester", "tester", at={"test_height": height})
    figure = spring_curves(bench.book, ["1", "2"]).load(Estimate(exact(np.array([45.2, 45.2])), ((), ()))).figure
    keys = [source.key for source in figure.sources]
    by_stop = figure.parts()[keys.index("tool:tester:stop")]
    assert by_stop == pytest.approx([0.0, 10.5], abs=0.1)


def test_a_height_carried_to_the_tester_cancels_the_gauge():
    def bind_free_u(way: str, at_tool: str) -> float:
        bench = Bench()
        bench.height("1e", 45.0)
        for height, load in ((46.0, 700.0), (45.0, 760.0), (44.0, 820.0)):
            bench.read("spring_load", of_spring("1"), load, way, "tester", at={"test_height": height}, at_tool=at_tool)
        curves = spring_curves(bench.book, ["1"])
        from honest_lift.estimates.spring.heights import installed_height

        figure = curves.load(installed_height(bench.book, ["1e"])).figure
        keys = [source.key for source in figure.sources]
        return float(figure.parts()[keys.index("tool:gauge"), 0])

    assert bind_free_u("tester", "") == pytest.approx(60.0 * 0.01 / 3**0.5, rel=0.01)
    assert bind_free_u("tester_carried", "gauge") == pytest.approx(0.0, abs=1e-9)


def test_a_gauge_nobody_names_carries_nothing():
    bench = Bench()
    for height, load in POINTS:
        bench.read("spring_load", of_spring("1"), load, "tester_carried", "tester", at={"test_height": height})
    assert load_at(bench, 45.0).figure.ground[0] & int(Ground.NO_TOOL)


@pytest.mark.parametrize(
    ("shown", "told"),
    [((500.0, 1000.0, 1530.0), "does not belong"), ((520.0, 1040.0, 1560.0), "have it recalibrated")],
)
def test_an_alarm_makes_loads_unproven(shown, told):
    points = ((50.0, 500.0), (40.0, 1000.0), (30.0, 1500.0))
    bench = calibrated(points, shown).complete()
    alarms = corrections(bench.book)["cal"].alarms
    assert any(told in one for one in alarms), alarms
    found = examine(bench.book).finding("seat_load", "1e")
    assert found.verdict is Verdict.UNPROVEN
    assert any("calibration of tester" in one.note for one in found.inputs)


def test_an_overdue_tester_proves_nothing_though_a_later_calibration_is_taken():
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1500))
    loads = tuple(load for _, load in points)
    bench = calibrated(points, loads, when="2020-01-01T00:00:00Z", due_days=30).complete()
    assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.UNPROVEN
    first = next(one for one in bench.engine.calibrations)
    bench.do(Put("calibrations", replace(first, id="later", when="2099-01-01T00:00:00Z")))
    assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.UNPROVEN, "its own is the one before it"
    bench.do(Put("tools", replace(STEADY, due_days=30, correction="later"), "corrected"))
    assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.UNPROVEN, "it did not stand then"
    bench.do(Put("tools", replace(STEADY, correction="later"), "corrected"))
    assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.PASSES, "a tool that is never due"


def test_a_tester_is_due_again_after_some_heads():
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1500))
    bench = calibrated(points, tuple(p for _, p in points), when="2020-01-01T00:00:00Z", due_heads=0).complete()
    found = examine(bench.book).finding("seat_load", "2e")
    assert found.verdict is Verdict.UNPROVEN
    assert any("springs had been read since its calibration" in one.note for one in found.inputs)
    bench.do(Put("tools", replace(STEADY, due_heads=1), "corrected"))
    assert examine(bench.book).finding("seat_load", "2e").verdict is not Verdict.UNPROVEN


def test_a_calibration_without_a_reading_left_corrects_nothing():
    bench = calibrated(((50.0, 500.0), (40.0, 1000.0)), (505.0, 1005.0))
    for entry in bench.entries:
        bench.do(StrikeOut(entry.id))
    assert corrections(bench.book) == {}
    bench.complete()
    assert examine(bench.book).finding("seat_load", "1e").figure == pytest.approx(722.0, abs=0.5)


@pytest.mark.parametrize(
    ("old", "new"), [('"plus_minus_n": 0.5', '"plus_minus_n": -0.5'), ('"load_n": 800.0', '"load_n": NaN')]
)
def test_a_certificate_of_which_something_is_set_aside_lets_nothing_pass(old, new):
    """What is left of it would be surer than the whole: two ways of telling its doubt, or a point less to check the line by."""
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1500))
    bench = calibrated(points, tuple(p for _, p in points)).complete()
    reference = replace(bench.engine.references[0], common_percent=0.1)
    text = encode_book(bench.do(Put("references", reference)).book).decode()
    assert examine(decode_book(text.encode(), "x")).finding("seat_load", "1e").verdict is Verdict.PASSES
    spoiled = decode_book(text.replace(old, new).encode(), "x")
    assert spoiled.set_aside
    assert examine(spoiled).finding("seat_load", "1e").verdict is Verdict.UNPROVEN


def test_calibrations_set_aside_or_lost_let_nothing_pass():
    """Ignoring what a reference spring shows is not offered as a pass. Common practice, no source."""
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1500))
    bench = calibrated(points, tuple(p for _, p in points)).complete()
    assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.PASSES
    for correction in ("none", "lost"):
        bench.do(Put("tools", replace(STEADY, correction=correction), "corrected"))
        assert examine(bench.book).finding("seat_load", "1e").verdict is Verdict.UNPROVEN


def test_the_testers_own_accuracy_counts_before_its_calibration_and_on_a_bare_certificate():
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1500))
    loads = tuple(p for _, p in points)

    def counts(bench: Bench) -> bool:
        bench.read("spring_load", of_spring("1"), 722.0, "tester", "tester", at={"test_height": 45.0})
        return "tool:tester" in {key for key, _, _ in resolve(bench.book, "spring_load", of_spring("1")).shared}

    assert not counts(calibrated(points, loads))
    assert counts(calibrated(points, loads, when="2099-01-01T00:00:00Z")), "read before it"
    bare = calibrated(points, loads)
    assert counts(bare.do(Put("references", replace(bare.engine.references[0], plus_minus_n=None))))


def test_testers_as_true_as_their_card_are_not_condemned_and_what_they_correct_is_covered():
    """Simulation: offset and gain within the card's 1 percent, most of them too small to be worth a value of their own."""
    draw, covered, alarms, tried = np.random.default_rng(5), 0, 0, 120
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1200, 1500))
    card = replace(STEADY, resolution=2.0, repeatability_percent=0.3)

    def shown(load, offset, gain):
        return float(np.round((offset + load * (1 + gain) + draw.normal(0.0, 0.003 * load)) / 2.0) * 2.0)

    for _ in range(tried):
        offset, gain = draw.uniform(-4.0, 4.0), draw.uniform(-0.005, 0.005)
        bench = calibrated(points, [shown(load, offset, gain) for _, load in points], tool=card)
        correction = next(iter(corrections(bench.book).values()))
        alarms += bool(correction.alarms)
        for i, true in enumerate((500.0, 900.0, 1400.0)):
            bench.read(
                "spring_load",
                of_spring(str(i + 1)),
                shown(true, offset, gain),
                "tester",
                "tester",
                at={"test_height": 45.0},
            )
            load = resolve(bench.book, "spring_load", of_spring(str(i + 1)))
            covered += abs(load.value - true) <= 2 * load.u
    assert covered / (3 * tried) >= 0.94
    assert alarms / tried <= 0.05


def test_an_insignificant_gain_is_nothing_and_no_surer_for_that():
    points = tuple((70.0 - load / 30.0, float(load)) for load in (400, 800, 1200, 1500))
    fit = next(iter(corrections(calibrated(points, [load + 9.0 for _, load in points]).book).values())).fit
    assert fit.names == ("offset",)
    assert fit.wide_names == ("offset", "gain")
    moves = np.array(fit.wide_weights) @ np.array([1.0, 0.0, 0.0, -1.0])
    assert abs(moves[1]) > 0.0


BESIDE = 1.5


def squeezed(bench: Bench, tool: str = "tester", **stated) -> Bench:
    """Press spring 1 with 1.5 mm of retainer beside it: the tester shows that much more height at every load."""
    if stated:
        bench.state("in_tester", BESIDE, **stated)
    for height, load in POINTS:
        bench.read("spring_load", of_spring("1"), load, "tester_over_parts", tool, at={"test_height": height + BESIDE})
    return bench.read("bind_height", of_spring("1"), 32.5, "tester")


def test_parts_pressed_with_a_spring_come_off_the_height_the_tester_shows():
    """Subtract the retainer's thickness where the tester squeezes it too: common practice, no source."""
    plain, bench = Bench().spring("1"), squeezed(Bench(), tolerance=0.1)
    for height in (47.0, 45.0, 36.5):
        bare, own = load_at(plain, height).figure, load_at(bench, height).figure
        assert own.value[0] == pytest.approx(bare.value[0], abs=1e-6)
        assert own.u[0] > bare.u[0], "the thickness has its tolerance"
    rate = 722.0 - load_at(plain, 46.0).figure.value[0]
    added = load_at(bench, 45.0).figure.u[0] ** 2 - load_at(plain, 45.0).figure.u[0] ** 2
    assert added**0.5 == pytest.approx(rate * 0.1 / 3**0.5, rel=0.1)


def test_a_thickness_read_at_the_spring_goes_before_one_for_all_and_what_is_not_known_bars_the_load():
    bench = squeezed(Bench(), tolerance=0.1).read("in_tester", of_spring("1"), 2.5, "caliper", "solid")
    assert load_at(bench, 44.0).figure.value[0] == pytest.approx(722.0, abs=1e-6)
    for stated, ground in (({}, Ground.MISSING), ({"kind": "assumed", "low": 1.4, "high": 1.6}, Ground.ASSUMED)):
        bench = squeezed(Bench().complete().strike("1"), **stated)
        one = next(f for f in examine(bench.book).by_position[bench.names[0]] if f.check.name == "seat_load")
        assert one.ground & ground
        assert one.verdict is Verdict.UNPROVEN
        assert "stood in the tester" in " ".join(given.note for given in one.inputs)


def test_a_planned_height_is_pressed_whatever_stood_beside_the_spring():
    bench = squeezed(Bench(), tolerance=0.1)
    asked = [n for n in next_steps(bench.book, examine(bench.book)) if n.quantity == "spring_load" and not n.stated]
    assert asked
    assert not any(place == of_spring("1") for n in asked for place in n.places)
    assert pressed_at_mm(bench.book, "1") == pytest.approx([height for height, _ in POINTS])
    (one,) = loads_read_at(bench.book, of_spring("1"), POINTS[1][0])
    assert one.reading.value == POINTS[1][1]


def test_one_tool_for_the_thickness_and_the_height_is_wrong_twice_the_same_way():
    """Both read too large by e: the load is told too low by rate x e for the height, and by as much for the thickness."""

    def spread(tool: str) -> float:
        bench = squeezed(Bench()).state("retainer_thickness", 3.3, tolerance=0.0)
        for name in ("same", "other"):
            made = Tool(name, "caliper", name, "length", resolution=0.001, accuracy=0.02, repeatability=0.001)
            bench.do(Put("tools", made, "corrected"))
        bench.read("in_tester", of_spring("1"), BESIDE, "caliper", tool)
        bench.height("1e", 45.0 + 3.3, "caliper", tool="same")
        return examine(bench.book).finding("seat_load", "1e").expanded

    rate = (722.0 - load_at(Bench().spring("1"), 46.0).figure.value[0]) / 1.0
    once = 2.0 * rate * 0.02 / 3**0.5
    assert spread("same") ** 2 - spread("other") ** 2 == pytest.approx(2.0 * once**2, rel=0.1)
