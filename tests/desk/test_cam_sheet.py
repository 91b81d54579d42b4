"""The camshaft sheet through the real window: a card typed as it is quoted, and what follows from it."""

import pytest
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.checks.examine import examine
from honest_lift.estimates.cam_turn import turn_of
from honest_lift.facts.cam import read_durations
from honest_lift.facts.place import at_role
from honest_lift.numbers.entry import EntryError


@pytest.fixture
def cam(open_window):
    """Open the sheet of an engine."""

    def opened(book=None):
        window = open_window(book)
        window._actions["step_cam"].trigger()
        return window, window.sheets["cam"]

    return opened


def put(sheet, row, column, text):
    index = sheet.lobes.records.index(row, column)
    return sheet.lobes.records.setData(index, text, Qt.ItemDataRole.EditRole)


def test_the_demonstration_tells_its_cam_in_words(cam):
    window, sheet = cam()
    words = sheet.words.text()
    assert "Lobe separation 110.0 cam degrees; the cam stands 4.0 crank degrees advanced." in words
    assert "Intake: 0.547 in at the valve" in words
    assert "Nothing that rests on it passes" in sheet.assumed.text()
    sheet.drawing.grab()
    valve = turn_of(window.session.book, "intake").valve
    opens, closes = valve.events((0.050 * 1.6 - 0.018) * 25.4)
    assert closes - opens == pytest.approx(248.0, abs=1e-3), "0.050 of lobe lift, through ratio and lash"


def test_a_card_is_typed_as_it_is_quoted_and_a_mistyped_one_is_explained(cam):
    window, sheet = cam(
        Bench().state("lobe_lift", 8.9, at_role("intake")).state("rocker_ratio", 1.5).state("lash", 0.4).book
    )
    assert "state two durations or more" in sheet.words.text().lower()
    put(sheet, 0, 1, "284 at .006, 236 at .050; 150 at 5.08 mm")
    put(sheet, 0, 2, "108")
    assert "Intake: 0.510 in at the valve" in sheet.words.text()
    put(sheet, 0, 1, "236 at .050, 240 at .200")
    assert "higher up a lobe is always narrower" in sheet.words.text()
    window._actions["undo"].trigger()
    assert "Intake: 0.510 in at the valve" in sheet.words.text()


def test_durations_read_and_refused():
    assert [(one.lift_mm, one.crank_deg) for one in read_durations("236 at .050, 284 at 0.15 mm", "in")] == [
        (0.15, 284.0),
        (1.27, 236.0),
    ]
    for wrong in ("236", "236 at", "at .050", "236 at .050 at .1", "9999 at .05", "236 at nose"):
        with pytest.raises(EntryError):
            read_durations(wrong, "in")


def test_a_lobe_by_its_card_changes_no_verdict():
    bench = Bench().complete()
    before = {(one.check.name, one.position): one.verdict for one in examine(bench.book).findings}
    from honest_lift.facts.cam import CamLobe
    from honest_lift.facts.edits import Put

    bench.do(Put("lobes", CamLobe("intake", read_durations("284 at .006, 236 at .050", "in"), 108.0)))
    assert {(one.check.name, one.position): one.verdict for one in examine(bench.book).findings} == before
