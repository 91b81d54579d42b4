"""Edits a person can get wrong: each is explained, and nothing changes."""

import pytest
from msgspec.structs import replace

from engines import Bench
from honest_lift.facts.edits import (
    Describe,
    Drop,
    EditError,
    Fit,
    LayOut,
    Put,
    SetTolerance,
    Several,
    State,
    Unstate,
    fit_springs,
    fitment,
    readings_at,
)  # fmt: skip
from honest_lift.facts.fact import Fact
from honest_lift.facts.layout import read_layout
from honest_lift.facts.limits import Tolerance, limit_for
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.staleness import is_stale


def refused(bench, edit) -> str:
    before = bench.book
    with pytest.raises(EditError) as said:
        bench.do(edit)
    assert bench.book is before
    return str(said.value)


def test_one_spring_in_two_pockets():
    bench = Bench()
    told = refused(bench, Fit((fitment(bench.engine, "spring", "1i", part="1"),), "spring 1 again"))
    assert told == "Spring 1 would sit at 1 exhaust and 1 intake: take it out of one of them first."


def test_exchanging_two_springs_is_one_edit():
    bench = Bench()
    bench.do(fit_springs(bench.engine, {"1e": "2", "1i": "1"}, "exchanged"))
    assert (bench.engine.spring_at("1e"), bench.engine.spring_at("1i")) == ("2", "1")
    assert bench.engine.position_of("1") == "1i"
    bench.history.undo()
    assert bench.engine.position_of("1") == "1e"


def test_a_spring_moved_in_leaves_its_old_place_empty():
    bench = Bench()
    bench.do(fit_springs(bench.engine, {"1e": "4"}, "moved"))
    assert bench.engine.spring_at("2e") == ""
    assert bench.engine.position_of("1") == "", "the one it took the place of lies on the bench"


@pytest.mark.parametrize(
    ("table", "name", "told"),
    [
        ("springs", "1", "it is fitted at 1 exhaust"),
        ("sets", "set", "springs belong to it"),
        ("cards", "card", "a spring set refers to it"),
        ("tools", "gauge", "readings were taken with it"),
    ],
)
def test_what_something_rests_on_can_not_be_taken_out(table, name, told):
    bench = Bench().height("1e", 45.0, tool="gauge")
    assert told in refused(bench, Drop(table, name))


def test_a_spring_with_readings_stays():
    bench = Bench().spring("1")
    bench.do(fit_springs(bench.engine, {"1e": ""}, "taken out"))
    assert "readings stand against it" in refused(bench, Drop("springs", "1"))


def test_records_are_put_replaced_and_dropped():
    bench = Bench()
    tool = replace(bench.engine.tools[0], id="new", name="another")
    bench.do(Put("tools", tool))
    assert bench.engine.tool("new") == tool
    bench.do(Put("tools", replace(tool, name="renamed")))
    assert [one.name for one in bench.engine.tools if one.id == "new"] == ["renamed"]
    bench.do(Drop("tools", "new"))
    assert bench.engine.tool("new") is None


def test_a_fact_takes_the_place_of_the_one_before():
    bench = Bench().state("lash", 0.4).state("lash", 0.5)
    assert [fact.value for fact in bench.engine.facts] == [0.5]
    bench.do(Unstate("lash", ENGINE))
    assert bench.engine.facts == ()


def test_readings_survive_another_layout_and_come_back_with_the_old_one():
    bench = Bench().height("2i", 45.0)
    bench.do(LayOut(read_layout("head: 1e 1i")))
    assert len(readings_at(bench.book, "installed_height", at_position("2i"))) == 1
    bench.do(LayOut(read_layout("head: 1e 1i 2e 2i")))
    assert bench.engine.position("2i") is not None


def test_several_edits_are_one_step():
    bench = Bench()
    fact = Fact("lash", ENGINE, 0.4)
    bench.do(Several((State((fact,)), Describe({"name": "both"}, "name")), "two at once"))
    assert (bench.engine.name, len(bench.engine.facts)) == ("both", 1)
    assert bench.history.undo_sentence == "two at once"
    bench.history.undo()
    assert (bench.engine.name, len(bench.engine.facts)) == ("bench", 0)


def test_every_edit_says_what_it_does():
    bench = Bench().height("1e", 45.0).state("lash", 0.4, text=".016").shims("1e", 0.4)
    said = []
    while bench.history.undo_sentence:
        said.append(bench.history.undo_sentence)
        bench.history.undo()
    assert said == ["shims", "lash of engine: .016", "installed height of 1 exhaust: 45.0", "springs fitted"]


def test_a_tolerance_replaces_its_own_only():
    bench = Bench()
    before = len(bench.engine.tolerances)
    bench.do(SetTolerance(Tolerance("lash", plus_minus=0.1)))
    assert len(bench.engine.tolerances) == before
    assert next(one.of(0.4) for one in bench.engine.tolerances if one.quantity == "lash") == 0.1


def test_what_a_reading_depended_on_makes_it_stale():
    bench = Bench().shims("1e", 0.4).height("1e", 45.0).height("1i", 45.0, "height_micrometer_bare")
    read = {name: readings_at(bench.book, "installed_height", at_position(name))[0] for name in ("1e", "1i")}
    bench.shims("1e", 0.8).shims("1i", 0.8)
    assert is_stale(bench.engine, read["1e"]), "read with the shims in"
    assert not is_stale(bench.engine, read["1i"]), "read on the bare pad: the shims come off by themselves"
    bench.history.undo()
    bench.history.undo()
    assert not is_stale(bench.engine, read["1e"]), "undo brings it back"


def test_the_cam_makers_limit_goes_before_the_shops_and_its_own_role_before_both():
    from honest_lift.facts.limits import Limit

    limits = (
        Limit("a", "seat_load", 1.0, origin="profile"), Limit("b", "seat_load", 2.0, origin="shop", lifter="solid flat"),
        Limit("c", "seat_load", 3.0, origin="shop"), Limit("d", "seat_load", 4.0, origin="cam card", role="intake"),
        Limit("e", "seat_load", origin="cam card", role="exhaust"),
    )  # fmt: skip

    def found(role, lifter):
        one = limit_for(limits, "seat_load", role, lifter)
        return one.id if one else ""

    assert found("intake", "solid roller") == "d"
    assert found("exhaust", "solid flat") == "b", "an empty limit is none"
    assert found("exhaust", "solid roller") == "c"
    assert limit_for(limits, "open_load", "intake", "") is None
