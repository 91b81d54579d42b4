"""Bare head, springs and heights of sixteen valves, typed from one table by keyboard alone, and every figure held to it.

A spring of 50 N/mm and 57 mm; a lobe of 6 mm at 1.5 with a hydraulic lifter lifts 9 mm. So a height h gives 50 (57 - h) on
the seat, 50 (57 - h + 9) open, and h - 9 - 33 to bind. The right-hand columns were worked by hand.
"""

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt

from engines import Bench
from honest_lift.facts.edits import Describe, Put, Several
from honest_lift.facts.engine import METRIC_UNITS
from honest_lift.facts.limits import Limit
from honest_lift.facts.parts import Member, SpringCard
from honest_lift.plans.next_reading import LACKS

HEADS = "left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e"
# valve, stem, bores, tip, seat, height as typed | worst clearance, tip to neighbours, seat N, open N, bind, verdicts
TABLE = """
1e 8.000 8.060 8.060 8.062 50.02  0.01 45.00 | 0.062  0.015 600 1050  3.00 pass pass pass
1i 8.000 8.047 8.047 8.048 50.00  0.00 45.10 | 0.047  0.00 595 1045  3.10 pass pass pass
3i 8.000 8.046 8.047 8.047 49.98 -0.01 44.90 | 0.046 -0.02 605 1055  2.90 pass pass pass
3e 8.000 8.060 8.061 8.130 50.00  0.00 45.00 | 0.130  -0.005 600 1050  3.00 fail pass pass
5e 8.000 8.059 8.060 8.060 50.01  0.00 45.20 | 0.060  0.005 590 1040  3.20 pass pass pass
5i 8.000 8.047 8.047 8.047 50.00  0.01 45.00 | 0.047  0.00 600 1050  3.00 pass pass pass
7i 8.000 8.047 8.048 8.047 50.60  0.00 45.00 | 0.047  0.60 600 1050  3.00 pass fail pass
7e 8.000 8.060 8.060 8.061 50.00  0.00 44.80 | 0.060  -0.005 610 1060  2.80 pass pass pass
2e 8.000 8.060 8.060 8.060 50.03  0.00 45.00 | 0.060  0.03 600 1050  3.00 pass pass pass
2i 8.000 8.047 8.047 8.047 50.00 -0.01 42.40 | 0.047  0.00 730 1180  0.40 pass pass fail
4i 8.000 8.047 8.046 8.047 50.00  0.00 45.00 | 0.047  0.00 600 1050  3.00 pass pass pass
4e 8.000 8.061 8.060 8.060 49.99  0.01 45.10 | 0.061 -0.01 595 1045  3.10 pass pass pass
6e 8.000 8.060 8.060 8.060 50.00  0.00 45.00 | 0.060  0.00 600 1050  3.00 pass pass pass
6i 8.000 8.047 8.047 8.047 50.00  0.00 45.00 | 0.047  0.00 600 1050  3.00 pass pass pass
8i 8.000 8.047 8.047 8.049 50.00  0.00 45.00 | 0.047  0.00 600 1050  3.00 pass pass pass
8e 8.000 8.060 8.060 8.060 50.00  0.00 45.05 | 0.060  0.00 597.5 1047.5 3.05 pass pass pass
"""
ROWS = {line.split()[0]: line.split() for line in TABLE.strip().splitlines()}
WORD = {"pass": "passes", "fail": "fails"}


def typed(task, place) -> str:
    """Give what is written in the notebook for a task at a place."""
    if task.quantity == "spring_load":
        return f"{50 * (57 - task.height_mm):g}"
    if place.kind == "spring":
        return {"bind_height": "33.00", "free_length": "57.00"}[task.quantity]
    row = ROWS[place.name]
    depth = {"top": 2, "middle": 3, "bottom": 4}
    if task.quantity == "guide_bore":
        return row[depth[place.member]]
    column = {"stem_diameter": 1, "stem_tip_height": 5, "spring_seat_height": 6, "installed_height": 7}
    plain = {
        "valve_margin": "1.60",
        "spring_seat_runout": "0.01",
        "lock_out": "0.10",
        "retainer_rocker": "2.0",
        "seal_gap": "12.0",
    }
    if task.quantity in column:
        return row[column[task.quantity]]
    return plain.get(task.quantity, "1")  # the first word of what is looked at


def job() -> Bench:
    """Heads laid out, springs fitted, cards and limits stated; nothing measured."""
    bench = Bench(HEADS, lifter="hydraulic flat")
    engine = bench.engine
    card = SpringCard("card", "card", (Member("outer"),), 45.0, 600.0, 36.0, 1050.0, 33.5, 57.0, 10.0)
    owner = replace(engine.sets[0], test_heights_mm=(46.0, 40.0, 33.2))
    mic = engine.tool("micrometer")
    kinds = ("bore_gauge", "stem_height_gauge", "indicator", "depth_gauge", "feeler")
    tools = tuple(Put("tools", replace(mic, id=kind, kind=kind, name=kind)) for kind in kinds)
    asked = (Limit("seat", "seat_load", 560.0, 660.0), Limit("open", "open_load", 1000.0, 1200.0))
    bench.do(Several((Put("cards", card), Put("sets", owner), *tools, *(Put("limits", one) for one in asked)), "parts"))
    bench.do(Describe({"units": dict(METRIC_UNITS)}, "millimetres"))
    bench.do(Describe({"default_tools": engine.default_tools | _suiting(bench.engine)}, "tools of each way"))
    bench.state("target_height", 45.0).state("lobe_lift", 6.0, tolerance=0.005).state(
        "rocker_ratio", 1.5, tolerance=0.001
    )
    bench.state("retainer_angle", 7.0).state("lock_angle", 7.0)
    return bench


def _suiting(engine) -> dict[str, str]:
    from honest_lift.facts.fresh import default_tools

    return default_tools({tool.kind: tool.id for tool in engine.tools})


def measure_all(qtbot, window) -> int:
    """Press the key for what is next, type, Enter, until nothing is missing; give how many readings it took."""
    count = 0
    for _ in range(40):
        steps = [one for one in window.session.plan if one.tier == LACKS]
        if not steps:
            return count
        window._actions["next_reading"].trigger()  # F2
        assert window.session.queue, f"nothing to type for {steps[0]}"
        while window.session.queue:
            task, place = window.bar.task, window.bar.place
            qtbot.keyClicks(window.bar.entry, typed(task, place))
            qtbot.keyClick(window.bar.entry, Qt.Key.Key_Return)
            assert not window.bar.entry.text(), (task.title, place.title, window.bar.understood.text())
            count += 1
    raise AssertionError("the plan never ends")


def test_sixteen_valves_from_bare_head_to_height_by_keyboard(qtbot, open_window):
    window = open_window(job().book)
    count = measure_all(qtbot, window)
    assert count == 16 * (6 + 4 + 2 + 5 + 2) + 16 * 5, "guides, head, locks, words, heights; and five of each spring"
    found = window.session.examination
    for name, row in ROWS.items():
        worst, tip, seat, opened, bind = (float(one) for one in row[9:14])
        figures = {
            "guide_clearance": worst, "tip_level": tip, "seat_load": seat, "open_load": opened, "coil_bind_clearance": bind,
            "installed_height": float(row[7]), "retainer_seal": 3.0, "lock_out": 0.1, "lock_angle": 0.0, "retainer_rocker": 2.0,
            "valve_margin": 1.6, "spring_seat_runout": 0.01, "card_lift": 1.0, "card_bind": 0.5, "free_set": 0.0, "free_card": 0.0,
            "spring_seat_level": float(row[6]), "set_spread": 0.0, "set_share": 100.0, "card_seat_load": 0.0,
        }  # fmt: skip
        for check, wanted in figures.items():
            assert found.finding(check, name).figure == pytest.approx(
                wanted, abs=2e-3 if check != "card_lift" else 0.01
            ), (name, check)
        guide, tips, height = (WORD[one] for one in row[14:17])
        verdicts = {
            "guide_clearance": guide,
            "tip_level": tips,
            "coil_bind_clearance": height,
            "installed_height": height,
        }
        for check, wanted in verdicts.items():
            assert found.finding(check, name).verdict.word == wanted, (name, check)
    failing = {(one.position, one.check.name) for one in found.findings if one.verdict.word == "fails"}
    assert failing == {
        ("3e", "guide_clearance"),
        ("7i", "tip_level"),
        ("2i", "installed_height"),
        ("2i", "coil_bind_clearance"),
        ("2i", "seat_load"),
    }
    assert {one.verdict.word for one in found.findings} == {"passes", "fails"}
