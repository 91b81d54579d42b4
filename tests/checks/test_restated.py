"""A stated figure typed anew, exchanged or told twice: nothing passes that was read of the part that is gone.

Common practice, no source: a lift read with the old cam and rocker says nothing of new ones.
"""

import pytest

from engines import Bench
from honest_lift import api
from honest_lift.checks.examine import examine
from honest_lift.desk import questions
from honest_lift.estimates.train.lift import lift_at_valve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import EditError, Put, State, Unstate
from honest_lift.facts.fact import Fact
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.facts.restated import gone_stale
from honest_lift.facts.staleness import is_stale
from honest_lift.facts.tools import Tool
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

IN = 25.4


def verdicts(bench, check):
    seen = examine(bench.book)
    return {seen.finding(check, name).verdict for name in bench.names}


def lift_read() -> Bench:
    """Sound springs and heights, and 0.522 in read at every valve: by the card 0.350 in x 1.5 - 0.003 in."""
    bench = Bench().state("lobe_lift", 0.350 * IN).state("rocker_ratio", 1.5).state("lash", 0.003 * IN)
    bench.do(
        Put("tools", Tool("dial", "indicator", "dial", "length", resolution=0.01, accuracy=0.02, repeatability=0.01))
    )
    for number, name in enumerate(bench.names, 1):
        bench.height(name, 48.0).spring(str(number))
        bench.read("valve_lift", at_position(name), 0.522 * IN, "indicator", "dial")
    return bench


@pytest.fixture
def bench():
    return lift_read()


def test_before_anything_is_restated_the_lift_that_was_read_passes(bench):
    assert verdicts(bench, "coil_bind_clearance") <= {Verdict.PASSES, Verdict.CLOSE}


@pytest.mark.parametrize(("quantity", "value"), [("rocker_ratio", 1.7), ("lobe_lift", 0.420 * IN)])
@pytest.mark.parametrize("place", [ENGINE, at_role("intake")])
def test_another_part_makes_what_was_read_of_the_old_one_stale(bench, quantity, value, place):
    bench.do(State((Fact(quantity, place, value),)))
    stale = {one.place.name for one in standing(bench.book.journal)
             if one.reading.quantity == "valve_lift" and is_stale(bench.engine, one)}  # fmt: skip
    whole = place == ENGINE or quantity == "lobe_lift"  # there is one camshaft
    assert stale == {name for name in bench.names if whole or "i" in name}
    seen = examine(bench.book)
    for check in ("coil_bind_clearance", "open_load", "card_lift"):
        passing = {name for name in bench.names if (one := seen.finding(check, name)) and one.verdict is Verdict.PASSES}
        assert not passing & stale, check


def test_a_correction_leaves_every_reading_as_it_was_and_shows_that_both_cannot_be(bench):
    """0.420 x 1.7 - 0.003 = 0.711 in was never what the dial read as 0.522 in."""
    facts = (Fact("rocker_ratio", ENGINE, 1.7), Fact("lobe_lift", ENGINE, 0.420 * IN))
    bench.do(State(facts, "corrected"))
    assert not any(is_stale(bench.engine, one) for one in standing(bench.book.journal))
    assert verdicts(bench, "coil_bind_clearance") == {Verdict.UNPROVEN}
    note = lift_at_valve(bench.book).inputs[0][0].note
    assert note == (
        "the lift was read as 0.522 in, and lobe lift, ratio and lash give 0.711 in: "
        "measure the lift again, or correct those"
    )


def test_one_undo_takes_figure_and_part_back(bench):
    before = bench.engine
    bench.do(State((Fact("rocker_ratio", ENGINE, 1.7),)))
    bench.history.undo()
    assert bench.engine == before
    assert verdicts(bench, "coil_bind_clearance") <= {Verdict.PASSES, Verdict.CLOSE}


def test_the_same_figure_typed_again_or_told_for_the_first_time_changes_no_part(bench):
    fitted = bench.engine.fitments
    bench.do(State((Fact("rocker_ratio", ENGINE, 1.5),)))
    bench.do(State((Fact("gasket_thickness", ENGINE, 1.0),)))
    bench.do(Unstate("gasket_thickness", ENGINE))
    assert bench.engine.fitments == fitted


@pytest.mark.parametrize(
    "quantity", [name for name, row in CATALOG.items() if row.speaks_of and "engine" in row.places]
)
def test_every_stated_figure_that_speaks_of_a_part_moves_what_rests_on_that_part(quantity):
    """Each reading whose way rests on the part is stale; no other is."""
    row = CATALOG[quantity]
    low, high = row.plausible
    bench = Bench().state(quantity, low + 0.4 * (high - low))
    book = bench.book
    after, _ = State((Fact(quantity, ENGINE, low + 0.6 * (high - low)),)).apply(book)
    new = {one.slot for one in after.fitments if one.id not in {each.id for each in book.engine.fitments}}
    assert new == set(row.speaks_of)
    corrected, _ = State((Fact(quantity, ENGINE, low + 0.6 * (high - low)),), "corrected").apply(book)
    assert corrected.fitments == book.engine.fitments


def test_from_python_it_has_to_be_said(tmp_path, bench):
    from honest_lift.facts.file import write_book

    write_book(bench.book, tmp_path / "a.liftbook")
    engine = api.open_engine(tmp_path / "a.liftbook")
    with pytest.raises(EditError, match=r'4 readings were taken .* rocker ratio this replaces: add meant="corrected"'):
        engine.state("rocker_ratio", 1.7)
    engine.state("rocker_ratio", 1.7, meant="another part")
    assert not any(one["check"] == "coil_bind_clearance" and one["verdict"] == "passes" for one in engine.findings())


@pytest.mark.parametrize(("answer", "stale"), [("another part", 4), ("corrected", 0), ("", 0)])
def test_in_the_window_it_is_asked_once(open_window, monkeypatch, bench, answer, stale):
    window, asked = open_window(bench.book), []
    monkeypatch.setattr(questions, "corrected_or_another", lambda *a: asked.append(a[1:]) or answer)
    window.session.open_step("engine")
    window.sheets["engine"].open_page("Cam card")
    table = window.sheets["engine"].pages["Cam card"].facts.records
    row = next(i for i, one in enumerate(table.records) if one.quantity == "rocker_ratio")
    table.setData(table.index(row, 2), "1.7")
    assert asked == [(
        "Rocker ratio, engine: 1.500 becomes 1.700.",
        "With another part, 4 readings go stale and are to be taken again: lift at the valve.",
    )]  # fmt: skip
    readings = standing(window.session.book.journal)
    assert sum(is_stale(window.session.engine, one) for one in readings) == stale
    assert gone_stale(window.session.book, window.session.engine) == ()
    ratio = next(one.value for one in window.session.engine.facts if one.quantity == "rocker_ratio")
    assert ratio == (1.7 if answer else 1.5)


def test_a_lift_that_was_read_and_one_that_is_worked_out_must_agree(bench):
    """0.420 in read beside 0.310 x 1.5 - 0.001 = 0.464 in: neither proves anything, the smaller least of all."""
    bench = lift_read()
    for name in bench.names:
        bench.read("valve_lift", at_position(name), 0.420 * IN, "indicator", "dial")
    assert verdicts(bench, "coil_bind_clearance") == {Verdict.UNPROVEN}
    figure = lift_at_valve(bench.book).figure
    assert (figure.ground & int(Ground.UNSOUND)).all()
