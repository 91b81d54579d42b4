"""First pages, and what is typed beside the main way: bare clay, zeroed gauges, finish, pasted bounds, manuals, masses."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QPushButton

from engines import Bench
from hands import choose, put, type_in
from honest_lift.demo.demonstrations import DEMONSTRATIONS
from honest_lift.desk import questions
from honest_lift.facts.changes import KINDS
from honest_lift.facts.edits import Describe, State
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.place import ENGINE, at_cylinder
from honest_lift.numbers.verdict import Verdict

ENTER = Qt.Key.Key_Return


def press(page, words):
    next(one for one in page.findChildren(QPushButton) if one.text().replace("&", "") == words).click()


def metric(made: Bench) -> Bench:
    return made.do(Describe({"units": {**made.engine.units, "length": "mm", "load": "N", "roughness": "µm"}}, "metric"))


@pytest.mark.parametrize("name", DEMONSTRATIONS)
def test_demonstrations_are_offered_on_the_first_page_and_under_help(qtbot, open_window, monkeypatch, name):
    window = open_window(Book(Engine("new")))
    window.session.show_page("Begin")
    title = DEMONSTRATIONS[name].title
    page = window.sheets["engine"].pages["Begin"]
    (offered,) = [one for one in page.findChildren(QPushButton) if one.text().replace("&", "") == title]
    offered.setFocus()
    qtbot.keyClick(offered, Qt.Key.Key_Space)
    assert window.session.engine.name == title.split(",")[0]
    qtbot.waitUntil(lambda: window.session.examination is not None, timeout=5000)
    assert window.session.examination.of_engine() is Verdict.FAILS
    assert not any(one.isVisible() for one in page.findChildren(QPushButton) if one.text().replace("&", "") == title), (
        "it is no empty engine"
    )
    window.session.do(State((Fact("lash", ENGINE, 0.1),)))
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: "stay")
    window._actions[f"demo_{name}"].trigger()
    assert any(one.value == 0.1 for one in window.session.engine.facts), "nothing is left without asking"
    monkeypatch.setattr(questions, "save_first", lambda parent, unwritten: "drop")
    window._actions[f"demo_{name}"].trigger()
    assert not any(one.value == 0.1 for one in window.session.engine.facts)


def test_a_guide_is_read_by_a_gauge_zeroed_on_its_stem(qtbot, open_window):
    window = open_window(metric(Bench()).book)
    window._actions["step_head"].trigger()
    window.session.go("1i")
    choose(window, "guide_clearance")
    for text, said in (("wide", "a figure is needed"), ("-.02", "0 to 1 mm"), ("4", "0 to 1 mm")):
        type_in(qtbot, window, text)
        assert said in window.bar.understood.text()
        assert window.bar.entry.text() == text, "it stays to be mended"
        window.bar.entry.clear()
    for depth, text in zip(
        [one for one in window.bar._tasks if one.quantity == "guide_clearance"], (".05", ".055", ".06"), strict=True
    ):
        window.session.go("1i")
        window.bar.choose(depth)
        type_in(qtbot, window, text)
    (one,) = [
        f for f in window.session.examination.findings if f.check.name == "guide_clearance" and f.position == "1i"
    ]
    assert one.figure == pytest.approx(0.06)


def test_clay_without_its_gasket_and_the_finish_of_faces_are_typed_cylinder_by_cylinder(qtbot, open_window):
    made = metric(Bench().complete()).do(State((Fact("gasket_thickness", ENGINE, 0.7, tolerance=0.02),)))
    window = open_window(made.book)
    window._actions["step_squeeze"].trigger()
    choose(window, "squish", "clay_bare")
    type_in(qtbot, window, "soft")
    assert window.bar.entry.text() == "soft"
    window.bar.entry.clear()
    type_in(qtbot, window, "0.4")
    found = {f.place: f for f in window.session.examination.findings if f.check.name == "squish"}
    assert found[at_cylinder("1")].figure == pytest.approx(1.1)
    first = window.session.engine.layout.of_cylinder("1")[0]
    choose(window, "head_finish")
    window.session.go(first)
    type_in(qtbot, window, "rough")
    assert window.bar.entry.text() == "rough"
    window.bar.entry.clear()
    type_in(qtbot, window, "1.9")
    choose(window, "deck_finish")
    window.session.go(first)
    type_in(qtbot, window, "0.8")
    (one,) = [f for f in window.session.examination.findings if f.check.name == "deck_finish" and f.place.name == "1"]
    assert one.figure == pytest.approx(1.9)


def test_a_column_of_bounds_is_pasted_and_what_is_none_stays_with_its_reason(open_window):
    window = open_window(metric(Bench().complete()).book)
    window._actions["step_heights"].trigger()
    choose(window, "seal_gap")
    names = [one.id for one in window.session.engine.layout.positions]
    window.session.go(names[0])
    QGuiApplication.clipboard().setText("10 goes, 10.5 does not\n>11\n> \n12.0\n")
    window.bar.paste()
    assert "3 readings taken" in window.bar.understood.text()
    last = window.session.book.journal[-3:]
    assert [(one.low, one.high) for one in last] == [(10.0, 10.5), (11.0, None), (None, None)]
    assert "1 refused" in window.bar.understood.text()
    assert "“>” lacks its figure" in window.bar.understood.text()


def test_a_manuals_window_is_typed_on_its_card(qtbot, open_window):
    window = open_window(metric(Bench().complete()).book)
    window.session.show_page("Springs")
    page = window.sheets["engine"].pages["Springs"]
    said = []
    page.cards.records.refused.connect(said.append)
    put(qtbot, page.cards, 0, "manual: at", "45.00")
    put(qtbot, page.cards, 0, "min", "760")
    put(qtbot, page.cards, 0, "max", "700")
    assert "min load above its max" in said[-1]
    put(qtbot, page.cards, 0, "max", "many")
    assert "many" in said[-1]
    put(qtbot, page.cards, 0, "max", "800")
    found = [f for f in window.session.examination.findings if f.check.name == "manual_load"]
    assert {f.verdict for f in found} == {Verdict.FAILS}
    assert {round(f.figure) for f in found} == {722}
    put(qtbot, page.cards, 0, "min", "650")
    found = [f for f in window.session.examination.findings if f.check.name == "manual_load"]
    assert {f.verdict for f in found} == {Verdict.PASSES}


def test_masses_are_tried(qtbot, open_window):
    window = open_window()
    window._actions["step_trial"].trigger()
    page, said = window.sheets["trial"].one_page, []
    page.table.records.refused.connect(said.append)
    records = page.table.records
    before = window.session.examination.findings
    for column, text in ((0, KINDS["valve_mass"].title), (1, "intake")):
        records.setData(records.index(0, column), text)
    records.setData(records.index(0, 2), "900")
    assert "900" in said[-1]
    records.setData(records.index(0, 2), "-10")
    (change,) = page.table.changes
    assert (change.kind, change.amount) == ("valve_mass", pytest.approx(-0.010))
    moved = {row[0].text for row in page.model.cells}
    assert {one.split(",")[0] for one in moved} == {
        "Float margin over red line",
        "Float margin",
        "Bounce margin over red line",
    }
    assert window.session.examination.findings is before, "a trial changes nothing"


def test_a_set_too_small_for_every_valve_is_asked_where_it_goes(qtbot, open_window, monkeypatch):
    window = open_window(Bench().complete().book)
    window.session.show_page("Springs")
    page, asked = window.sheets["engine"].pages["Springs"], []
    monkeypatch.setattr(
        questions, "choose", lambda parent, title, question, titles, current=0: asked.append(titles) or titles[current]
    )
    page.sets.setCurrentIndex(page.sets.records.index(0, 0))
    press(page, "Fit in head order")
    assert asked == [], "a spring for every valve: nothing to ask"
    press(page, "New set of this card")
    page.sets.setCurrentIndex(page.sets.records.index(1, 0))
    page.count.setValue(2)
    press(page, "Add")
    press(page, "Fit in head order")
    assert asked == [["every valve, 4", "the exhaust valves, 2", "the intake valves, 2"]]
    fitted = {name: window.session.engine.spring_at(name) for name in ("1e", "1i", "2i", "2e")}
    assert (fitted["1e"], fitted["2e"]) == ("5", "6")
    assert (fitted["1i"], fitted["2i"]) == ("2", "3"), "the others stay as they were"
