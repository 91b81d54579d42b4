"""Readings taken another way, and questions that are asked once, through the real window by keyboard."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from hands import choose, put, row_of, type_in
from honest_lift.desk import questions
from honest_lift.facts.edits import Describe
from honest_lift.facts.place import at_position, at_role
from honest_lift.numbers.verdict import Verdict

ENTER = Qt.Key.Key_Return


def inches(made: Bench) -> Bench:
    return made.do(Describe({"units": {**made.engine.units, "length": "in", "load": "lbf"}}, "inches"))


def test_a_load_over_parts_wants_the_height_the_tester_shows(qtbot, open_window):
    window = open_window(inches(Bench().complete()).book)
    window._actions["step_springs"].trigger()
    choose(window, "spring_load", "tester_over_parts")
    type_in(qtbot, window, "162")
    assert "lacks the height the tester showed" in window.bar.understood.text()
    assert window.bar.entry.text() == "162"
    window.bar.entry.clear()
    qtbot.keyClicks(window.bar.entry, "162 at 1.831")
    assert "not stated yet, and until it is the load proves nothing" in window.bar.understood.text()
    window.bar.entry.clear()
    choose(window, "in_tester")
    type_in(qtbot, window, ".060")
    window.session.spring = "1"
    choose(window, "spring_load", "tester_over_parts")
    qtbot.keyClicks(window.bar.entry, "162 at 1.831")
    assert "on the tester, less 0.060 in: 1.771 in of spring" in window.bar.understood.text()
    qtbot.keyClick(window.bar.entry, ENTER)
    assert window.session.book.journal[-1].at == {"test_height": pytest.approx(1.831 * 25.4)}, (
        "the raw height stays raw"
    )


def test_travel_to_bind_and_looks_are_typed_on_the_head(qtbot, open_window):
    window = open_window(inches(Bench().complete(lift=9.0)).book)
    window._actions["step_heights"].trigger()
    window.session.go("1e")
    choose(window, "bind_travel")
    assert "eye protection" in window.bar.hint.text()
    type_in(qtbot, window, "5")
    assert "5 in is outside" in window.bar.understood.text(), "farther than any spring goes"
    window.bar.entry.clear()
    type_in(qtbot, window, ".492")
    window.session.go("1e")
    choose(window, "seal_seen")
    type_in(qtbot, window, "touch")
    assert window.session.examination.finding("seal_seen", "1e").verdict is Verdict.FAILS
    window.session.go("1e")
    type_in(qtbot, window, "fine")
    assert window.session.examination.finding("seal_seen", "1e") is None
    assert "no distance" in window.session.examination.finding("retainer_seal", "1e").remark


def test_a_lash_on_a_hydraulic_engine_is_asked_about_and_taken_the_second_time(qtbot, open_window):
    made = Bench().complete().do(Describe({"lifter": "hydraulic roller"}, "hydraulic"))
    window = open_window(made.book)
    window._actions["step_rocker"].trigger()
    window.session.go("1e")
    choose(window, "lash")
    before = len(window.session.book.journal)
    type_in(qtbot, window, "0.010")
    assert "stated as hydraulic, which run without lash" in window.bar.understood.text()
    assert (len(window.session.book.journal), window.bar.entry.text()) == (before, "0.010")
    qtbot.keyClick(window.bar.entry, ENTER)
    assert len(window.session.book.journal) == before + 1
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    sheet.open_page("Cam card")
    page, told = sheet.pages["Cam card"], []
    window.session.warned.connect(told.append)
    row = row_of(page.stated.view, "lash, intake")
    put(qtbot, page.stated.view, row, "value", "0.012")
    assert "which run without lash" in told[-1]
    assert not any(one.quantity == "lash" and one.place == at_role("intake") for one in window.session.engine.facts)
    put(qtbot, page.stated.view, row, "value", "0.012")
    assert window.session.engine.facts[-1].value == pytest.approx(0.012 * 25.4)


def test_a_set_is_fitted_at_the_valves_of_one_role(open_window, monkeypatch):
    window = open_window()
    asked = []

    def answer(parent, title, question, titles, current=0):
        asked.append(titles)
        return titles[-1] if "valve" in titles[0] else titles[current]

    monkeypatch.setattr(questions, "choose", answer)
    before = {one.id: window.session.engine.spring_at(one.id) for one in window.session.engine.layout.positions}
    window._actions["fit_set"].trigger()
    assert asked[1] == ["every valve, 16", "the exhaust valves, 8", "the intake valves, 8"]
    now = {one.id: window.session.engine.spring_at(one.id) for one in window.session.engine.layout.positions}
    intakes = [name for name in now if at_position(name).role == "intake"]
    assert [now[name] for name in intakes] == [f"N{i}" for i in range(1, 9)]
    assert all(now[name] == before[name] for name in now if name not in intakes)
    window._actions["undo"].trigger()
    assert window.session.engine.spring_at(intakes[0]) == before[intakes[0]], "one edit, one undo"


def test_what_a_spring_looks_like_is_written_down_without_retiring_it(qtbot, open_window):
    window = open_window(Bench().complete().book)
    window._actions["step_springs"].trigger()
    choose(window, "spring_condition")
    type_in(qtbot, window, "reuse: light rust on the last coil")
    one = next(f for f in window.session.examination.by_spring["1"] if f.check.name == "spring_condition")
    assert (one.verdict, one.inputs[0].note) == (Verdict.PASSES, "light rust on the last coil")
    window.session.spring = "1"
    type_in(qtbot, window, "suspect")
    assert "needs its reason" in window.bar.understood.text()
    qtbot.keyClicks(window.bar.entry, ": a mark on the wire")
    qtbot.keyClick(window.bar.entry, ENTER)
    one = next(f for f in window.session.examination.by_spring["1"] if f.check.name == "spring_condition")
    assert one.verdict is Verdict.UNPROVEN


def test_the_mock_up_is_told_how_far_each_stem_is_to_protrude(qtbot, open_window):
    made = Bench("head: 1i 1e").complete()
    for name, closed, lift in (("1i", 51.05, 5.74), ("1e", 51.82, 5.49)):
        made.read("stem_tip_height", at_position(name), closed, "caliper", "solid")
        made.read("tdc_lift", at_position(name), lift, "indicator", "solid")
    window = open_window(made.do(Describe({"units": {**made.engine.units, "length": "mm"}}, "metric")).book)
    window._actions["step_turn"].trigger()
    window.session.go("1i")
    choose(window, "valve_to_valve")
    assert "stem protruding 45.31 mm, 51.05 mm less 5.74 mm (read)" in window.bar.hint.text()
    type_in(qtbot, window, "1.2")
    assert window.session.examination.finding("valve_to_valve", "1i").verdict is Verdict.FAILS


def test_cuts_are_told_on_the_rocker_sheet_before_anybody_measured_the_gear(qtbot, open_window):
    made = Bench().state("lash", 0.0).do(Describe({"lifter": "hydraulic roller"}, "hydraulic"))
    window = open_window(made.do(Describe({"units": {**made.engine.units, "length": "mm"}}, "metric")).book)
    window._actions["step_rocker"].trigger()
    sheet = window.sheets["rocker"]
    sheet.open_page("What moved it")
    page = sheet.stack.currentWidget().widget()
    put(qtbot, page.table, row_of(page.table, "head cut"), "by", "twenty")
    assert "twenty" in page.wrong.text()
    put(qtbot, page.table, row_of(page.table, "head cut"), "by", "0.5")
    put(qtbot, page.table, row_of(page.table, "block cut"), "by", "0.3")
    rows = {one.id: one for one in page.table.records.records}
    assert rows["head"].pushrod == "0.45 to 0.50 mm shorter"
    assert rows["together"].pushrod == "0.72 to 0.80 mm shorter"
    assert "preload is 0.72 to 0.80 mm more" in rows["together"].whole
