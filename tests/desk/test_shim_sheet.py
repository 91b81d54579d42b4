"""The shim plan through the real window."""

from PyQt6.QtCore import Qt

from honest_lift.desk import questions
from honest_lift.numbers.verdict import Verdict


def worked(qtbot, sheet):
    sheet.make.click()
    qtbot.waitUntil(lambda: not sheet.is_working, timeout=10000)
    return sheet.result.text()


def test_a_plan_from_the_stock_to_proven_pockets(qtbot, open_window, tmp_path, monkeypatch):
    window = open_window()
    window._actions["step_shims"].trigger()
    sheet = window.sheets["shims"]
    window.session.go("6i")
    assert sheet.subtitle.text().startswith("6 intake: empty: ")
    said = []
    sheet.stock.records.refused.connect(said.append)
    sheet.stock.records.setData(sheet.stock.records.index(0, 0), "-.015")
    sheet.stock.records.setData(sheet.stock.records.index(0, 1), "many")
    assert "is outside" in said[0]
    assert "a whole number of shims" in said[1]
    assert "Not measured: installed height of 8 exhaust." in worked(qtbot, sheet)
    window.session.go("8e")
    qtbot.keyClicks(window.bar.entry, "1.801")
    qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
    assert "4 intake, spring 11: its window is empty" in worked(qtbot, sheet), "the collapsed spring is named"
    sheet.goal.setCurrentIndex(sheet.goal.findData("seat load"))
    sheet.springs.setCurrentIndex(sheet.springs.findData("new"))
    on_the_way = []
    sheet.make.click()
    sheet._errand.told.connect(lambda _: on_the_way.append(sheet.result.text()))
    qtbot.waitUntil(lambda: not sheet.is_working, timeout=20000)
    assert "proven: no plan" in sheet.result.text()
    assert all("Cancel takes it" in words for words in on_the_way)
    assert on_the_way, "what is found on the way is said"
    assert sheet.model.rowCount() == 16
    monkeypatch.setattr(questions, "card_to_save", lambda parent, suggestion: tmp_path / "card.txt")
    sheet.card.click()
    assert "Reedmace 366" in (tmp_path / "card.txt").read_text(encoding="utf-8")
    sheet.accept.click()
    examination = window.session.examination
    assert examination.of_engine("heights") is Verdict.UNPROVEN
    heights = [one.provisional for one in examination.findings if one.position and one.check.step == "heights"]
    assert Verdict.FAILS not in heights
    assert "work the plan out again" in sheet.result.text()
    assert window.session.plan[0].quantity == "installed_height", "what comes next is the reading that confirms it"
    window.undo()
    assert window.session.engine.spring_at("1e") == "1", "one undo takes it all back"


def test_cancel_leaves_the_window_alive(qtbot, open_window):
    window = open_window()
    window._actions["step_shims"].trigger()
    sheet = window.sheets["shims"]
    for _ in window.session.engine.shim_stock:
        sheet.stock.setCurrentIndex(sheet.stock.records.index(0, 0))
        sheet._drop()
    assert "There are no shims in stock" in worked(qtbot, sheet)
    sheet._add()
    sheet.make.click()
    assert not sheet.make.isEnabled()
    assert sheet.cancel.isEnabled()
    sheet.cancel.click()
    qtbot.waitUntil(lambda: not sheet.is_working, timeout=10000)
    assert sheet.make.isEnabled()
