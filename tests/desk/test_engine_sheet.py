"""A new engine filled from nothing, through the real pages."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from hands import put, row_of
from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.fresh import empty_book
from honest_lift.facts.job import AS_BEGUN
from honest_lift.facts.limits import limit_for
from honest_lift.facts.made_at import guide_material_at, has_base_at
from honest_lift.facts.pieces import between_pieces
from honest_lift.facts.place import ENGINE, at_role

ENTER = Qt.Key.Key_Return


def shown(table, row):
    return [column.get(table.records.records[row]) for column in table.records.columns]


def press(page, words):
    from PyQt6.QtWidgets import QPushButton

    next(one for one in page.findChildren(QPushButton) if one.text().replace("&", "") == words).click()


def test_a_new_engine_from_nothing(qtbot, open_window):
    window = open_window(empty_book())
    session = window.session
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    pages = sheet.pages

    page = pages["Engine"]
    qtbot.keyClicks(page.name, "Marsh 200")
    page.name.editingFinished.emit()
    page.job.setCurrentIndex(page.job.findData(AS_BEGUN))
    page.job.activated.emit(page.job.currentIndex())
    page.order.setPlainText("head: 1e 1i 2i 2e")
    press(page, "Lay out")
    page.lifter.setCurrentText("solid flat")
    page.lifter.activated.emit(page.lifter.currentIndex())
    qtbot.keyClicks(page.people, "Ash, Rowan")
    page.people.editingFinished.emit()
    assert (session.engine.name, session.engine.lifter, session.engine.hand) == ("Marsh 200", "solid flat", "Ash")
    assert [p.id for p in session.engine.layout.positions] == ["1e", "1i", "2i", "2e"]

    page = pages["Cam card"]
    sheet.open_page("Cam card")
    for words, text in (
        ("lobe lift, intake", ".236"), ("lobe lift, exhaust", "6 mm"), ("rocker ratio", "1.5"),
        ("lash, intake", ".016"), ("lash, exhaust", ".018"), ("target installed height", "1.770"),
    ):  # fmt: skip
        put(qtbot, page.facts, row_of(page.facts, words), "value", text)
    put(qtbot, page.asked, row_of(page.asked, "seat load, both"), "min", "130")
    put(qtbot, page.asked, row_of(page.asked, "seat load, both"), "max", "200")
    put(qtbot, page.asked, row_of(page.asked, "open load, both"), "min", "230")
    stated = {fact.key: fact.value for fact in session.engine.facts}
    assert stated["lobe_lift", at_role("exhaust")] == 6.0
    assert stated["target_height", ENGINE] == 1.770 * 25.4
    asked = limit_for(session.engine.limits, "seat_load", "intake", "solid flat")
    assert (round(asked.lowest, 2), round(asked.highest, 2)) == (578.27, 889.64)

    page = pages["Springs"]
    sheet.open_page("Springs")
    press(page, "New card")
    for title, text in (
        ("card", "Ours"),
        ("installed", "1.770"),
        ("load", "162"),
        ("open", "1.430"),
        ("binds", "1.300"),
    ):
        put(qtbot, page.cards, 0, title, text)
    press(page, "New set of this card")
    put(qtbot, page.sets, 0, "heights", "1.900 1.770 1.300")
    page.sets.setCurrentIndex(page.sets.records.index(0, 0))
    page.count.setValue(4)
    press(page, "Add")
    press(page, "Fit in head order")
    assert [session.engine.spring_at(name) for name in ("1e", "1i", "2i", "2e")] == ["1", "2", "3", "4"]
    put(qtbot, page.springs, 0, "fitted", "")
    assert session.engine.position_of("1") == ""
    put(qtbot, page.springs, 0, "fitted", "1e")
    assert session.engine.position_of("1") == "1e"

    window._actions["step_springs"].trigger()
    for task, loads in (
        ("load at 1.900 in", "124"),
        ("load at 1.770 in", "162"),
        ("load at 1.300 in", "310"),
        ("bind height", "1.28"),
        ("free length", "2.15"),
    ):
        window.bar.choose(next(one for one in window.bar._tasks if one.title == task))
        for _ in range(4):
            qtbot.keyClicks(window.bar.entry, loads)
            qtbot.keyClick(window.bar.entry, ENTER)
    window._actions["step_heights"].trigger()
    for quantity, text in (("installed_height", "1.770"), ("seal_gap", ".620")):
        window.bar.choose(next(one for one in window.bar._tasks if one.quantity == quantity))
        for _ in range(4):
            qtbot.keyClicks(window.bar.entry, text)
            qtbot.keyClick(window.bar.entry, ENTER)
    examination = session.examination
    waiting = {"lock_angle", "lock_out", "retainer_rocker", "hardened_base"}
    words = {
        one.check.name: one.verdict.word
        for one in examination.by_position["1e"]
        if one.check.step != "head" and one.check.name not in waiting
    }
    assert words.pop("card_open_load") == "unproven", "the card states no open load"
    assert set(words.values()) == {"passes"}, words


def test_assumed_and_measured_figures_on_the_cam_page(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    page = window.sheets["engine"].pages["Cam card"]
    window.sheets["engine"].open_page("Cam card")
    lash = row_of(page.facts, "lash, intake")
    put(qtbot, page.facts, lash, "kind", "assumed")
    put(qtbot, page.facts, lash, "assumed from", "0")
    put(qtbot, page.facts, lash, "to", ".030")
    fact = next(one for one in window.session.engine.facts if one.key == ("lash", at_role("intake")))
    assert page.facts.records.kind_of(page.facts.records.index(lash, 2)) == "assumed", "it looks pencilled"
    assert (fact.kind, fact.low, fact.high, fact.low_is_physical) == ("assumed", 0.0, 0.762, True)
    assert window.session.examination.finding("open_load", "1i").verdict.word == "unproven"
    assert window.session.examination.finding("coil_bind_clearance", "1i").verdict.word == "passes", (
        "no lash is the worst of it"
    )
    lobe = row_of(page.facts, "lobe lift, intake")
    put(qtbot, page.facts, lobe, "kind", "measured")
    assert getattr(window.session.book.journal[-1], "quantity", "") != "lobe_lift", "a card's figure is no reading"
    put(qtbot, page.facts, lobe, "value", ".3545")
    assert shown(page.facts, lobe)[1:3] == ["measured", ".3545"]
    assert window.session.book.journal[-1].quantity == "lobe_lift"
    put(qtbot, page.facts, lobe, "value", "")
    assert shown(page.facts, lobe)[1] == "from its card", "struck out, the card stands again"


def test_a_refused_cell_keeps_its_text_and_says_why(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    sheet.open_page("Cam card")
    table = sheet.pages["Cam card"].facts
    facts = window.session.engine.facts
    ratio = row_of(table, "rocker ratio")
    put(qtbot, table, ratio, "value", "16")
    assert "16 is outside 0.8 to 2.6" in sheet.message.text()
    assert table.records.index(ratio, 2).data() == "16", "what was typed stays to be mended"
    assert window.session.engine.facts is facts
    put(qtbot, table, ratio, "value", "1.65")
    assert table.records.index(ratio, 2).data() == "1.650"
    put(qtbot, table, ratio, "assumed from", "1.6")
    assert "choose “assumed” under kind first" in sheet.message.text()


def test_mistakes_on_the_springs_page_are_explained(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    sheet.open_page("Springs")
    page = sheet.pages["Springs"]
    put(qtbot, page.springs, 0, "fitted", "9x")
    assert "there is no valve “9x” on this engine" in sheet.message.text()
    put(qtbot, page.springs, 0, "fitted", "1i")
    assert "spring 2 sits at 1 intake: exchange the two" in sheet.message.text()
    page.cards.setCurrentIndex(page.cards.records.index(0, 0))
    press(page, "Delete card")
    assert "a spring set refers to it" in sheet.message.text()
    put(qtbot, page.sets, 0, "heights", "1.9 1.9")
    assert "the same height is there twice" in sheet.message.text()
    put(qtbot, page.members, 1, "member", "outer")
    assert "a nest has one of each" in sheet.message.text()
    press(page, "Add a member")
    assert len(window.session.engine.cards[0].members) == 3
    press(page, "Add a member")
    assert "one to three members" in sheet.message.text()


def test_schools_and_own_limits(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    sheet.open_page("Limits")
    page = sheet.pages["Limits"]
    bind = row_of(page.limits, "Coil-bind clearance")
    page.limits.setCurrentIndex(page.limits.records.index(bind, 0))
    assert "room for the scatter of a set" in page.why.text()
    put(qtbot, page.limits, bind, "rule", "0.050 to 0.080 in")
    assert window.session.examination.finding("coil_bind_clearance", "1e").verdict.word == "fails", (
        "too much room is refused as well"
    )
    put(qtbot, page.limits, bind, "min", ".2")
    assert "the min is above the max" in sheet.message.text()
    put(qtbot, page.limits, bind, "max", ".2")
    assert shown(page.limits, bind)[1:4] == ["own", "0.050", "0.200"]
    page.limits.setCurrentIndex(page.limits.records.index(bind, 0))
    press(page, "Delete limit")
    assert window.session.examination.finding("coil_bind_clearance", "1e").verdict.word == "unproven"
    page.checks.setCurrentText("Coil-bind clearance")
    press(page, "Add")
    put(qtbot, page.limits, len(page.limits.records.records) - 1, "min", "40 thou")
    assert window.session.examination.finding("coil_bind_clearance", "1e").verdict.word == "passes"
    put(qtbot, page.tolerances, 1, "plus or minus", "")
    assert window.session.examination.finding("coil_bind_clearance", "1e").verdict.word == "unproven", (
        "a lobe lift without a tolerance"
    )


def test_the_tool_drawer(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    sheet = window.sheets["engine"]
    sheet.open_page("Tools")
    page = sheet.pages["Tools"]
    before = len(window.session.engine.tools)
    press(page, "Add this kind")
    assert len(window.session.engine.tools) == before + 1
    put(qtbot, page.tools, before, "tool", "gauge no. 7")
    put(qtbot, page.tools, before, "accuracy ±", ".0005")
    tool = window.session.engine.tools[-1]
    assert (tool.name, tool.accuracy) == ("gauge no. 7", 0.0127)
    put(qtbot, page.tools, 0, "accuracy ±", "")
    assert window.session.examination.finding("installed_height", "1e").verdict.word == "unproven"
    page.tools.setCurrentIndex(page.tools.records.index(0, 0))
    press(page, "Delete tool")
    assert "readings were taken with it" in sheet.message.text()
    heights = [row.id for row in page.defaults.records.records].index("installed_height/height_micrometer")
    put(qtbot, page.defaults, heights, "tool", "gauge no. 7")
    assert window.session.engine.tool_for("installed_height", "height_micrometer").name == "gauge no. 7"


def test_a_layout_that_is_mistyped_is_explained_and_nothing_changes(qtbot, open_window):
    window = open_window()
    window._actions["step_engine"].trigger()
    page = window.sheets["engine"].pages["Engine"]
    layout = window.session.engine.layout
    page.order.setPlainText("left: 1e 1e")
    press(page, "Lay out")
    assert "1e is there twice" in window.sheets["engine"].message.text()
    assert window.session.engine.layout is layout
    assert page.order.toPlainText() == "left: 1e 1e"
    page.common.setCurrentText("In-line four, sixteen valves")
    page.common.activated.emit(page.common.currentIndex())
    assert len(window.session.engine.layout.positions) == 16
    assert window.strip.height() > 122, "two rows of valves"


def test_what_differs_by_place_between_pieces_and_between_tools(qtbot, open_window):
    window = open_window()
    session = window.session
    window._actions["step_engine"].trigger()
    pages = window.sheets["engine"].pages

    session.show_page("Head parts")
    table = pages["Head parts"].made_of
    row = next(i for i, one in enumerate(table.records.records) if one.made.place == at_role("exhaust"))
    put(qtbot, table, row, "guides of", "bronze")
    assert guide_material_at(session.engine, "1e") == "bronze" != guide_material_at(session.engine, "1i")
    put(qtbot, table, row, "hardened base", "none")
    assert not has_base_at(session.engine, "3e")
    assert shown(table, row) == ["exhaust", "bronze", "none"]
    for title in ("guides of", "hardened base"):
        put(qtbot, table, row, title, "as the engine")
    assert session.engine.made_of == ()

    tolerances = pages["Limits"].tolerances
    put(qtbot, tolerances, row_of(tolerances, "head gasket, crushed"), "between pieces", "0.002")
    assert between_pieces(session.engine.tolerances, "gasket_thickness", 0.0) == 0.002 * 25.4
    retainers = row_of(tolerances, "retainer thickness at the step")
    assert shown(tolerances, retainers)[3] == "0.0010", "what is usual"
    put(qtbot, tolerances, retainers, "between pieces", "-1")
    assert between_pieces(session.engine.tolerances, "retainer_thickness", 0.0) == 0.001 * 25.4, "refused"

    tools = pages["Tools"].tools
    put(qtbot, tools, 0, "repeats, from", "repeats")
    assert session.engine.tools[0].repeatability_found


@pytest.mark.parametrize(("page", "table"), [("Head parts", "made_of"), ("Limits", "tolerances"), ("Tools", "tools")])
def test_tab_leaves_a_table_for_what_comes_next(qtbot, open_window, page, table):
    window = open_window()
    window._actions["step_engine"].trigger()
    window.sheets["engine"].open_page(page)
    cells = getattr(window.sheets["engine"].pages[page], table)
    cells.setFocus()
    assert window.focusWidget() is cells
    qtbot.keyClick(cells, Qt.Key.Key_Tab)
    assert window.focusWidget() is not cells


def test_the_job_is_chosen_and_single_checks_asked_or_left_out(qtbot, open_window):
    window = open_window(Bench().complete().book)
    window._actions["step_engine"].trigger()
    sheet, session = window.sheets["engine"], window.session
    box = sheet.pages["Engine"].job
    box.setFocus()
    box.setCurrentIndex(box.findData("spring change"))
    box.activated.emit(box.currentIndex())
    assert session.engine.job.title == "spring change"
    assert "spring change" in window.engine_name.text()
    assert session.examination.finding("guide_clearance", "1i") is None
    sheet.open_page("Job")
    page = sheet.pages["Job"]
    assert page.preset.currentData() == "spring change"
    rows = {one.id: i for i, one in enumerate(page.checks.records.records)}
    asked = page.checks.records.index(rows["piston_valve"], 2)
    assert page.checks.records.data(asked) == "not asked"
    page.checks.records.setData(asked, "asked", Qt.ItemDataRole.EditRole)
    assert session.examination.finding("piston_valve", "1i").verdict.word == "unproven"
    assert "clay" in session.examination.finding("piston_valve", "1i").inputs[0].title
    left = page.checks.records.index(rows["lock_stem"], 2)
    page.checks.records.setData(left, "not asked", Qt.ItemDataRole.EditRole)
    assert session.examination.finding("lock_stem", "1i") is None
    assert (session.engine.job.more, session.engine.job.less) == (("piston_valve",), ("lock_stem",))
    page.checks.records.setData(left, "perhaps", Qt.ItemDataRole.EditRole)
    assert session.engine.job.less == ("lock_stem",), "a word that is no answer changes nothing"
    page.back.click()
    assert session.engine.job.more == ()
    window.undo()
    assert session.engine.job.more == ("piston_valve",)
    session.open_step("heights")
    words = dict(zip(STEPS, (one[3] for one in window.route._look), strict=True))
    assert words["squeeze"] == "", "nothing of chambers is asked"
    assert words["heights"] != ""
