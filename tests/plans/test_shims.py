"""Height windows and the shim plan on small engines. Sources: independent check values; every plan tried (solver)."""

import numpy as np
import pytest
from msgspec.structs import replace

from engines import RULE, Bench, demo
from honest_lift.checks.examine import examine, gathered_of
from honest_lift.facts.edits import Confirm, Describe, Drop, Put, Several, reading_of
from honest_lift.facts.history import History
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import at_position, of_spring
from honest_lift.facts.shims import ShimSize
from honest_lift.facts.tools import Tool
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.remedies import remedies_of, remedies_tried
from honest_lift.plans.spring.shims import plan_shims
from honest_lift.plans.spring.shopping import shims_wanted
from honest_lift.plans.spring.windows import windows_of
from honest_lift.sheets.bench_card import bench_card

SURE = {"accuracy": 0.0, "repeatability": 1e-9}
TRUE = [Tool("gauge", "height_micrometer", "gauge", "length", **SURE), Tool("solid", "caliper", "caliper", "length", **SURE),
        Tool("tester", "spring_tester", "tester", "load", height_accuracy_mm=0.0, **SURE)]  # fmt: skip


def handbook_bench(seat_least: float) -> Bench:
    """Points 31.5 1590, 38.1 1120, 45.72 600, bind 29.2, lift 14.15; tools without doubt."""
    bench = Bench("head: 1e")
    for tool in TRUE:
        bench.do(Put("tools", tool, "corrected"))
    bench.do(Put("limits", Limit("seat", "seat_load", seat_least, seat_least + 100.0, origin="cam card")))
    bench.do(Put("limits", Limit("open", "open_load", 1450.0, 1700.0, origin="cam card")))
    bench.do(Put("limits", Limit("bind", "coil_bind_clearance", 1.5, origin="cam card")))
    bench.do(Put("cards", replace(bench.engine.cards[0], form="linear")))
    bench.height("1e", 45.5).read("valve_lift", at_position("1e"), 14.15, "indicator", "gauge")
    return bench.spring("1", ((45.72, 600.0), (38.1, 1120.0), (31.5, 1590.0)), 29.2)


def window(bench):
    gathered = gathered_of(bench.book)
    return windows_of(bench.book, gathered, [(0, gathered.rows[0])])[0]


def test_a_window_and_what_sets_its_edges():
    """Independent: 44.850 (bind) to 46.306 (seat at its least, beyond the points)."""
    found = window(handbook_bench(560.0))
    assert (found.low.name, found.low.height_mm) == ("min coil-bind clearance", pytest.approx(44.850, abs=1e-6))
    assert (found.high.name, found.high.extrapolated) == ("seat load at its min", False), (
        "carried 4 percent of the travel"
    )
    assert found.high.height_mm == pytest.approx(46.306, abs=0.03), "straight there, a shape-preserving cubic here"


def test_an_empty_window_says_by_how_much_and_between_what():
    """Independent: with a least seat load of 720 it is empty by 0.888."""
    found = window(handbook_bench(720.0))
    assert found.width_mm == pytest.approx(-0.888, abs=0.04)  # straight there
    low, high, _ = max(found.conflicts, key=lambda one: one[2])
    assert (low.name, high.name) == ("min coil-bind clearance", "seat load at its min")


def test_every_edge_is_guarded_by_the_doubt_of_what_sets_it():
    sure, bench = window(handbook_bench(560.0)), handbook_bench(560.0)
    bench.do(Put("tools", replace(TRUE[0], accuracy=0.02 * 3**0.5), "corrected"))
    shared = window(bench)
    for before, after in zip(sure.lows, shared.lows, strict=True):
        by_lift = before.name in ("open load at its max", "min coil-bind clearance", "coil bind at full lift")
        assert after.height_mm - before.height_mm == pytest.approx(0.0 if by_lift else 0.04, abs=1e-5), (
            "one gauge reads height and lift: its offset cancels in what is open, and nowhere else"
        )
    bench.do(Put("tools", replace(TRUE[0], id="dial", accuracy=0.03 * 3**0.5), "corrected"))
    bench.read("valve_lift", at_position("1e"), 14.15, "indicator", "dial")
    apart = window(bench)
    for edges in ("lows", "highs"):
        for before, after in zip(getattr(sure, edges), getattr(apart, edges), strict=True):
            u = np.hypot(0.02, 0.0 if before.name.startswith("seat") else 0.03)
            inward = 2 * u if edges == "lows" else -2 * u
            assert after.height_mm - before.height_mm == pytest.approx(inward, rel=0.02), before.name


def test_a_height_that_the_same_gauge_will_confirm_shares_its_offset_with_the_lift():
    bench = handbook_bench(560.0)
    bench.do(Put("tools", RULE, "corrected")).height("1e", 45.5, "rule", tool="rule")
    sure = window(bench)
    bench.do(Put("tools", replace(TRUE[0], accuracy=0.02 * 3**0.5), "corrected"))
    off = window(bench)
    moved = {after.name: after.height_mm - before.height_mm for before, after in zip(sure.lows, off.lows, strict=True)}
    assert moved["min coil-bind clearance"] == pytest.approx(0.0, abs=1e-5)
    assert moved["seat load at its max"] == pytest.approx(0.04, abs=1e-5)


def falling_straight(**limits) -> Bench:
    """Points 20 N/mm from 45.72 mm at 548 N up, 548 1040 1485 N below it; bind 29.2, lift 14.15. Figures of a worked example."""
    bench = handbook_bench(560.0)
    for check, (lowest, highest) in limits.items():
        bench.do(Put("limits", Limit(check.partition("_")[0], check, lowest, highest, origin="cam card")))
    return bench.spring("1", ((45.72, 548.0), (38.1, 1040.0), (31.5, 1485.0)), 29.2)


@pytest.mark.parametrize("least", [1700.0, 1640.0])
def test_a_load_the_spring_never_gives_leaves_no_window(least):
    """At bind, carried on by the last chord, it gives 1485 + 2.3 x 67.4 = 1640 N: no height asks for more."""
    found = window(falling_straight(seat_load=(500.0, None), open_load=(least, None)))
    never = next(one for one in found.highs if one.name == "open load at its min")
    gives = 1485.0 + (31.5 - 29.2) * (1485.0 - 1040.0) / (38.1 - 31.5)
    assert never.unreached is (least > gives)
    assert found.width_mm < 0
    assert never.height_mm == pytest.approx(29.2 + 14.15, abs=0.02)


def test_a_load_beyond_bind_ends_the_plan_with_its_reason():
    bench = stocked(falling_straight(seat_load=(500.0, None), open_load=(1700.0, None)), 0.4, 0.5).shims("1e")
    plan = plan_shims(bench.book, "seat load")
    assert not plan.pockets
    assert "open load at its min is more than the spring gives, even at coil bind" in plan.problems[0]


def test_a_most_that_only_a_free_spring_meets_begins_the_window_there():
    """20 N/mm: 200 N stand 17.4 mm above 548 N, far outside the points, and none at all at the free length."""
    bench = falling_straight(seat_load=(None, 200.0)).spring("1", ((45.72, 548.0), (38.1, 700.4), (31.5, 832.4)), 29.2)
    low = next(one for one in window(bench).lows if one.name == "seat load at its max")
    assert (low.height_mm, low.extrapolated) == (pytest.approx(45.72 + (548.0 - 200.0) / 20.0, abs=1e-4), True)


def test_a_spring_shorter_than_its_pocket_bears_nothing():
    from honest_lift.mechanics.spring.load_curve import load_at

    heights, loads = np.array([[38.1, 45.72]]), np.array([[700.4, 548.0]])
    assert load_at(np.array([[80.0]]), heights, loads)[0, 0] == 0.0


def test_without_a_least_margin_the_coils_still_bind():
    bench = falling_straight(seat_load=(500.0, None))
    bench.do(Drop("limits", "bind")).do(Drop("limits", "profile-coil_bind_clearance"))
    assert window(bench).low.name == "coil bind at full lift"


def stocked(bench: Bench, *thicknesses: float, count: int | None = None) -> Bench:
    for t in thicknesses:
        bench.do(Put("shim_stock", ShimSize(f"{t}", t, count)))
    return bench


def four(*heights: float) -> Bench:
    """Give four pockets with springs measured and no shims in them; each stands above its target."""
    bench = Bench().complete()
    for name, height in zip(bench.names, heights, strict=True):
        bench.shims(name).height(name, height)
    return bench


def test_a_plan_brings_every_height_to_its_target_with_the_fewest_shims():
    bench = stocked(four(45.4, 45.9, 45.0, 46.2), 0.4, 0.5, 0.9, 1.2)
    plan = plan_shims(bench.book, "target")
    assert plan.proven
    assert [one.after_mm for one in plan.pockets] == [(0.4,), (0.9,), (), (1.2,)]
    assert plan.measure == pytest.approx(0.0, abs=1e-9)


def test_loads_are_made_alike_to_within_what_they_are_sure_of(monkeypatch):
    from honest_lift.plans.spring import shims

    asked = []
    real = shims.least_spread
    monkeypatch.setattr(shims, "least_spread", lambda *given: asked.append(given[3]) or real(*given))
    bench = stocked(four(45.4, 45.9, 45.0, 46.2), 0.4, 0.5, 0.9, 1.2, count=9)
    for tool in bench.engine.tools:  # nothing that all loads share: the doubt of each is then its own
        shared = {"accuracy": 0.0, "accuracy_percent": None}
        bench.do(Put("tools", replace(tool, **shared), "corrected"))
    loads = [examine(bench.book).finding("seat_load", name).expanded for name in bench.names]
    plan_shims(bench.book, "seat load")
    assert asked == [pytest.approx(np.median(loads), rel=1e-6)]


def test_an_accepted_plan_is_one_edit_and_predicted_until_each_pocket_is_read():
    bench = stocked(four(45.4, 45.9, 45.0, 46.2), 0.4, 0.5, 0.9, 1.2)
    bench.do(plan_shims(bench.book, "target").edit(bench.engine))
    found = examine(bench.book).finding("installed_height", "1i")
    assert found.figure == pytest.approx(45.0)
    assert found.ground & Ground.PREDICTED
    assert (found.verdict, found.provisional) == (Verdict.UNPROVEN, Verdict.PASSES)
    assert examine(bench.book).finding("installed_height", "2i").verdict is Verdict.PASSES, "nothing changed there"
    bench.height("1i", 45.0)
    assert examine(bench.book).finding("installed_height", "1i").verdict is Verdict.PASSES
    bench.history.undo()
    bench.history.undo()
    assert examine(bench.book).finding("installed_height", "1i").figure == pytest.approx(45.9)


def test_a_part_changed_besides_the_shims_leaves_nothing_to_predict():
    from honest_lift.facts.edits import Fit, fitment

    bench = four(45.4, 45.9, 45.0, 46.2).shims("1i", 0.4)
    bench.do(Fit((fitment(bench.engine, "seat", "1i"),), "cut"))
    found = examine(bench.book).finding("installed_height", "1i")
    assert found.ground & Ground.STALE
    assert not found.ground & Ground.PREDICTED


def test_shims_lie_on_a_hardened_base_where_one_is_asked_for():
    bench = stocked(four(45.4, 45.9, 45.4, 46.2), 0.2, 0.5).do(Put("shim_stock", ShimSize("base", 0.4, hardened=True)))
    bench.do(Describe({"hardened_base": True}, "base"))
    plan = plan_shims(bench.book, "target")
    assert all(0.4 in one.after_mm for one in plan.pockets)
    assert max(len(one.after_mm) for one in plan.pockets) <= 3


@pytest.mark.parametrize(
    ("heights", "stock", "count", "said"),
    [
        ((45.4, 45.9, 44.0, 46.2), (0.4, 0.9, 1.2), None, "2 intake: too short by 0.021 in for height farthest under its target"),
        ((45.4, 45.9, 45.0, 50.0), (0.4, 0.9, 1.2), None, "2 exhaust: too tall by"),
        ((45.4, 45.9, 45.0, 46.2), (0.1, 3.0), None, "no stack of the stock lies in"),
        ((45.9, 45.9, 45.9, 45.9), (0.9,), 2, "the stock is short"),
        ((45.4, 45.9, 45.0, 46.2), (), None, "no shims in stock"),
        ((45.4, 45.9, 45.0, 46.2), (-0.4,), None, "has no thickness"),
    ],
)  # fmt: skip
def test_why_there_is_no_plan(heights, stock, count, said):
    plan = plan_shims(stocked(four(*heights), *stock, count=count).book, "target")
    assert plan.pockets == ()
    assert any(said in one for one in plan.problems), plan.problems


def test_what_is_not_known_is_asked_for():
    bench = stocked(Bench().complete(), 0.4)
    assert "not stated: the shims at 1e, 1i, 2i, 2e now" in plan_shims(bench.book, "target").problems[0]
    assert "the set has 0 springs" in plan_shims(bench.book, "seat load", "other").problems[-1]


def test_springs_free_to_move_spread_less_than_in_place():
    bench = stocked(four(45.2, 45.3, 45.1, 45.4), 0.2)
    for name, less in zip("1234", (0.0, 25.0, -20.0, 12.0), strict=True):
        bench.spring(
            name, tuple((h, f - less) for h, f in ((48.0, 560.0), (45.0, 722.0), (36.0, 1260.0), (34.0, 1412.0)))
        )
    fixed, free = plan_shims(bench.book, "seat load"), plan_shims(bench.book, "seat load", "set")
    assert free.proven
    assert free.measure < fixed.measure
    assert sorted(one.spring for one in free.pockets) == ["1", "2", "3", "4"]
    loads = [one.seat_load_n for one in free.pockets]
    assert max(loads) - min(loads) == pytest.approx(free.measure)
    edit = free.edit(bench.engine)
    assert isinstance(edit, Several)
    bench.do(edit)
    assert {p: bench.engine.spring_at(p) for p in bench.names} == {one.position: one.spring for one in free.pockets}
    figures = [examine(bench.book).finding("seat_load", name).figure for name in bench.names]
    assert max(figures) - min(figures) == pytest.approx(free.measure, abs=1e-6), "the checks see what the plan promised"


def test_the_demonstration_is_put_right_by_the_new_set_and_a_plan():
    history = History(demo())

    def read(position: str, value_mm: float) -> None:
        one = reading_of(history.book, "installed_height", at_position(position), value_mm, text="", unit="mm",
                         way="height_micrometer", tool="gauge")  # fmt: skip
        history.do(Confirm((one,)))

    read("8e", 45.75)
    plan = plan_shims(history.book, "open load", "new")
    assert plan.proven
    history.do(plan.edit(history.book.engine))
    predicted = examine(history.book)
    told = {one.verdict for one in predicted.findings if one.check.step == "heights"}
    assert Verdict.FAILS not in told
    assert Verdict.UNPROVEN in told
    for one in plan.pockets:
        read(one.position, one.height_mm)
    found = examine(history.book)
    assert {found.of_engine(step) for step in ("heights", "springs")} == {Verdict.PASSES}
    card = bench_card(history.book.engine, plan)
    assert "put an eye out" in card
    assert card.count("________") == 16


def test_a_spring_in_hand_is_no_spring_measured():
    bench = stocked(four(45.2, 45.3, 45.1, 45.4), 0.2)
    for entry in [one for one in bench.book.journal if getattr(one, "place", None) == of_spring("2")]:
        from honest_lift.facts.edits import StrikeOut

        bench.do(StrikeOut(entry.id))
    assert plan_shims(bench.book, "target").problems == ("1 intake: its spring or its lift is not measured",)


def test_no_plan_is_built_on_a_stale_height_or_an_assumed_lift():
    from honest_lift.facts.edits import Fit, Unstate, fitment
    from honest_lift.facts.place import ENGINE

    bench = stocked(four(45.4, 45.9, 45.0, 46.2), 0.4)
    bench.do(Fit((fitment(bench.engine, "seat", "1i"),), "cut"))
    assert plan_shims(bench.book, "target").problems[0].startswith("the reading for the height of 1i proves nothing")
    bench.history.undo()
    bench.do(Unstate("lash", ENGINE)).state("lash", 0.4, kind="assumed", low=0.3, high=0.5)
    assert "rests on an assumption" in plan_shims(bench.book, "target").problems[0]


# --- remedies ---


def test_a_remedy_says_what_to_do_and_what_it_does_to_the_rest():
    """The spacer someone left in 5 intake: the smallest change is to take it out."""
    book = demo()
    finding = examine(book).finding("coil_bind_clearance", "5i")
    first = remedies_of(remedies_tried(book, finding))[0]
    assert first.what == "take 0.060 in of shims out"
    assert first.words.startswith(
        "take 0.060 in of shims out: installed height 1.739 to 1.799 in, coil-bind clearance 0.039 to 0.099 in"
    )
    engine, _ = first.edit.apply(book)
    assert examine(replace(book, engine=engine)).finding("coil_bind_clearance", "5i").provisional is Verdict.PASSES


def test_no_remedy_breaks_something_else_or_is_offered_where_nothing_is_wrong():
    book = demo()
    examination = examine(book)
    assert remedies_of(remedies_tried(book, examination.finding("coil_bind_clearance", "1e"))) == ()
    for check in ("coil_bind_clearance", "seat_load", "open_load"):
        for position in ("4i", "6i"):
            for one in remedies_of(remedies_tried(book, examination.finding(check, position))):
                engine, _ = one.edit.apply(book)
                after = examine(replace(book, engine=engine)).by_position[position]
                assert Verdict.FAILS not in {f.provisional for f in after if f.check.step == "heights"}


def test_a_bad_spring_is_cured_by_another_one():
    book = demo()
    offered = remedies_of(remedies_tried(book, examine(book).finding("coil_bind_clearance", "6i")))
    assert offered
    assert all(one.what.startswith("fit spring N") for one in offered)


def test_shims_are_counted_over_the_whole_plan_and_what_is_short_is_to_be_bought():
    bench = Bench().complete(height=46.5)
    bench.do(Put("shim_stock", ShimSize("a", 0.5, 3))).do(Put("shim_stock", ShimSize("b", 1.0, 3)))
    for name in bench.names:
        bench.shims(name)
    plan = plan_shims(bench.book, "target")
    assert "the stock is short" in plan.problems[0]
    assert "Bought beside what is there, 1 of 0.039 in, 1 of 0.020 in would do" in plan.problems[0]
    for size, count in (("a", 4), ("b", 4)):
        bench.do(Put("shim_stock", ShimSize(size, {"a": 0.5, "b": 1.0}[size], count)))
    wanted = plan_shims(bench.book, "target").wanted(bench.engine)
    assert [(one.thickness_mm, one.count, one.lacking) for one in wanted] == [(1.0, 4, 0), (0.5, 4, 0)]


def test_a_shim_under_both_members_is_counted_once():
    bench = Bench()
    for one in (ShimSize("a", 0.5, None, "both"), ShimSize("b", 0.3, 1, "outer"), ShimSize("c", 0.2, 1, "inner")):
        bench.do(Put("shim_stock", one))
    wanted = shims_wanted(bench.engine, [((0.5, 0.3), (0.5, 0.2)), ((0.3,), None), ((0.9,), None)])
    assert [(one.thickness_mm, one.fits, one.count, one.lacking) for one in wanted] == [
        (0.9, "outer", 1, 1), (0.5, "both", 1, 0), (0.3, "outer", 2, 1), (0.2, "inner", 1, 0),
    ]  # fmt: skip
