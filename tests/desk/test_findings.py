"""The finding page, what is worth measuring again, and the plan of next readings, through the real window."""

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import QPoint, Qt

from engines import GAUGE, SOUND, Bench
from honest_lift.checks.examine import examine
from honest_lift.facts.edits import Fit, Put, State, StrikeOut, Unstate, fitment
from honest_lift.facts.fact import Fact
from honest_lift.facts.ledger import standing
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.next_reading import CLOSE, LACKS, STALE, next_steps
from honest_lift.plans.worth import worth_of, worth_tried


@pytest.fixture
def page(qtbot, open_window):
    """Open the finding page of a check at a valve of the demonstration and wait for what is worth measuring."""

    def opened(valve, check, window=None):
        window = window or open_window()
        window.session.go(valve)
        window.session.look_into(check)
        sheet = window.sheets["finding"]
        qtbot.waitUntil(lambda: not sheet.at_work.is_at_work, timeout=60000)
        return window, sheet

    return opened


def offers(sheet):
    return [one.text() for one in sheet.worth if not one.isHidden()]


def test_a_rung_opens_its_whole_finding_and_escape_goes_back(qtbot, open_window):
    window = open_window()
    window.session.go("6i")
    qtbot.mouseDClick(window.ladder.rungs, Qt.MouseButton.LeftButton, pos=QPoint(60, 64 + 36 + 10))
    sheet = window.sheets["finding"]
    assert window.stack.currentWidget() is sheet
    assert sheet.title.text() == "6 intake, coil-bind clearance: fails"
    assert sheet.figure.text() == "0.034 ±0.007 in"
    assert "coil-bind clearance = travel to bind - lift = 0.5840 - 0.5498 = 0.0342 in" in sheet.working.text()
    window._actions["back"].trigger()
    assert window.stack.currentWidget() is window.heights


def test_a_valve_opens_its_weakest_finding(qtbot, open_window):
    window = open_window()
    window.grab()
    middle = next(point for name, point in valve_points(window.strip) if name == "4i")
    qtbot.mouseClick(window.strip, Qt.MouseButton.LeftButton, pos=middle)
    qtbot.mouseDClick(window.strip, Qt.MouseButton.LeftButton, pos=middle)
    assert window.sheets["finding"].title.text() == "4 intake, seat load: fails"


def valve_points(strip):
    """Give each valve of the strip with a point on it."""
    for x in range(0, strip.width(), 8):
        point = QPoint(x, strip.height() // 2)
        if name := strip.valve_at(point.toPointF()):
            yield name, point


def test_the_page_walks_the_heads_with_its_check(page):
    window, sheet = page("5i", "coil_bind_clearance")
    window.session.walk(1)
    assert sheet.title.text() == "7 intake, coil-bind clearance: passes"
    kinds = [cells[2].text for cells in sheet.model.cells]
    assert kinds[0] == "measured"
    assert kinds[-2:] == ["measured", "measured"]
    assert set(kinds) == {"measured", "specified"}
    assert sheet.model.cells[0][1].measured
    assert "height micrometer no. 2" in sheet.model.cells[0][4].text
    assert sheet.model.cells[0][5].text == "2026-03-14"
    assert sum(share for _, share in sheet.budget.shares) == pytest.approx(1.0)


def test_what_is_worth_measuring_is_started_with_its_way_and_tool(qtbot, page):
    window, sheet = page("2e", "installed_height")
    assert offers(sheet) == ["installed height of 2 exhaust, height micrometer no. 2: ±0.02 → ±0.002 in, passes"]
    sheet.worth[0].click()
    assert window.stack.currentWidget() is window.heights
    assert (window.bar.way.currentData(), window.bar.tool.currentData()) == ("height_micrometer", "gauge")
    assert window.bar.place == at_position("2e")
    qtbot.keyClicks(window.bar.entry, "1.800")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert window.session.examination.finding("installed_height", "2e").verdict is Verdict.PASSES


def test_lift_at_the_valve_is_worth_most_for_a_lift_worked_out(page):
    _, sheet = page("5e", "coil_bind_clearance")
    assert offers(sheet)[0] == "lift at the valve of 5 exhaust, indicator no. 2: ±0.006 → ±0.003 in, passes"


def test_what_is_missing_is_offered_to_be_measured(page):
    window, sheet = page("8e", "coil_bind_clearance")
    assert sheet.budget.isHidden()
    offered = offers(sheet)
    assert [one.split(",")[0] for one in offered] == ["installed height", "bind height", "bind height"], "and no loads"
    sheet.worth[1].click()
    assert window.session.step == "springs"
    assert window.bar.place == of_spring("16", "outer")


def test_nothing_is_called_worth_measuring_that_changes_nothing():
    bench = Bench().complete()
    finding = examine(bench.book).finding("installed_height", "1e")
    assert [one.quantity for one in worth_of(finding, worth_tried(bench.book, finding))] == []


# --- the plan ---


def test_the_plan_asks_first_for_what_is_missing_then_stale_then_close():
    bench = Bench().complete()
    bench.height("2e", 44.49)  # close
    bench.do(Fit((fitment(bench.engine, "seal", "1i"),), "another seal"))
    bench.do(Fit((fitment(bench.engine, "spring", "2i", part=""),), "spring out"))
    for quantity in ("spring_standing", "retainer_level"):
        bench.look(quantity, at_position("2i"), SOUND[quantity])
    bench.read("bind_height", of_spring("3"), 32.5, "tester")
    steps = next_steps(bench.book, examine(bench.book))
    told = [(one.tier, one.stated or one.quantity, [place.name for place in one.places]) for one in steps]
    assert told == [
        (LACKS, "fit a spring at every valve", []),
        (STALE, "seal_gap", ["1i"]),
        (CLOSE, "installed_height", ["2e"]),
    ]


def test_an_engine_in_which_all_passes_leaves_nothing_to_measure():
    bench = Bench().complete()
    assert next_steps(bench.book, examine(bench.book)) == ()


def test_an_empty_engine_is_told_what_to_state():
    bench = Bench()
    told = [one.stated for one in next_steps(bench.book, examine(bench.book)) if one.stated]
    assert any(one.endswith(": state or measure it") for one in told)
    assert "state the target height" in told


def test_the_queue_walks_one_quantity_in_head_order_and_ends(qtbot, open_window):
    bench = Bench("left: 1e 1i\nright: 2e 2i").complete()
    for valve in ("1i", "2i"):
        bench.do(Fit((fitment(bench.engine, "seal", valve),), "another seal"))
    window = open_window(bench.book)
    window._actions["next_reading"].trigger()
    assert window.session.position == "1i"
    assert window.bar.then.text() == "Enter, then 2 intake"
    for text, there in ((".472", "2i"), (".473", "2i")):
        qtbot.keyClicks(window.bar.entry, text)
        qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
        assert window.session.position == there, "2e between them wants nothing"
    assert window.session.queue is None
    assert window.session.plan == ()
    window._actions["next_reading"].trigger()
    assert "Nothing is missing" in window.bar.understood.text()


def test_a_step_that_can_only_be_stated_opens_its_page(open_window):
    window = open_window(Bench().book)
    index = next(i for i, one in enumerate(window.session.plan) if one.page == "Cam card")
    window.next.start(index)
    assert window.sheets["engine"].tabs.currentWidget().widget() is window.sheets["engine"].pages["Cam card"]


def test_the_list_is_walked_with_keys(qtbot, open_window):
    window = open_window()
    window.next.setFocus()
    steps = [(one.quantity, round((one.height_mm or 0) / 25.4, 3)) for one in window.session.plan]
    for _ in range(steps.index(("spring_load", 1.8))):
        qtbot.keyClick(window.next, Qt.Key.Key_Down)
    qtbot.keyClick(window.next, Qt.Key.Key_Return)
    assert window.bar.task.title == "load at 1.800 in"


def test_an_assumption_is_asked_for_again_as_a_reading():
    bench = Bench().complete().do(Unstate("lash", ENGINE))
    for name in ("1i", "2i", "2e"):
        bench.state("lash", 0.4, at_position(name), tolerance=0.02)
    feeler = replace(GAUGE, id="feeler", kind="feeler")
    bench.do(Put("tools", feeler)).do(State((Fact("lash", at_position("1e"), 0.4, "assumed", low=0.3, high=0.5),)))
    steps = next_steps(bench.book, examine(bench.book))
    assert [(one.tier, one.quantity, one.places) for one in steps] == [(STALE, "lash", (at_position("1e"),))]


def test_a_failed_look_offers_its_cure_and_a_missing_height_the_height(page):
    window, sheet = page("4e", "leak_test")
    assert sheet.worth_words.text() == "It leaks; repair the seat, then test again."
    at = at_position("7i")
    for one in standing(window.session.book.journal):
        if (one.reading.quantity, one.place, one.fate) == ("installed_height", at, ""):
            assert window.session.do(StrikeOut(one.reading.id, "gauge dropped"))
    window, sheet = page("7i", "installed_height", window)
    assert sheet.worth_words.text() == "First what is missing:"
    assert offers(sheet) == ["installed height, 7 intake"]
