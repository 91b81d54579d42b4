"""A job walked from its first reading to its last pass by the key for what is next alone, through the real window.

What the key asks to be read is typed into the bar as a person would; where it opens a page of engine and parts, what that page asks
for is stated. Nothing else is done.
"""

import numpy as np
import pytest
from PyQt6.QtCore import Qt

from engines import POINTS, SOUND, Bench
from honest_lift.checks.unbegun import asked_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Describe, Put, State
from honest_lift.facts.fact import Fact
from honest_lift.facts.fresh import default_tools
from honest_lift.facts.job import Job
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import ENGINE
from honest_lift.facts.tools import KINDS
from honest_lift.numbers.verdict import Verdict

ENTER = Qt.Key.Key_Return
LOADS = tuple(zip(*sorted(POINTS), strict=True))
READ = {  # mm, cc
    "installed_height": "45.00", "seal_gap": "12.0", "retainer_rocker": "2.0", "free_length": "56.0", "lock_out": "0.10",
    "spring_outside": "36.0", "spring_inside": "26.0", "bind_height": "32.5", "guide_bore": "8.050", "stem_diameter": "8.000",
    "valve_margin": "1.60", "stem_tip_height": "50.0", "spring_seat_height": "0.00", "spring_seat_runout": "0.01",
    "mark_centre": "0.1", "mark_width": "0.7", "lash": "0.40", "pushrod_to_head": "2.0", "slot_stud": "2.5",
    "roller_sideways": "0.1", "piston_valve_clay": "4.0", "chamber_volume": "60.0",
}  # fmt: skip
STATED = {
    "lash": 0.4, "lobe_lift": 6.267, "rocker_ratio": 1.5, "lock_angle": 7.0, "retainer_angle": 7.0, "floor_diameter": 40.0,
    "pilot_diameter": 20.0, "retainer_spigot": 25.6, "lock_stem": 8.0, "stem_at_lock": 8.0, "lock_length": 8.0,
    "deck_clearance": 0.2, "gasket_thickness": 0.8, "bore": 100.0, "stroke": 88.0, "gasket_bore": 102.0, "piston_volume": 4.0,
    "crevice_volume": 0.0,
}  # fmt: skip
SEEN = {**SOUND, "guide_plate": "free"}


def begun(job: str, layout: str) -> Bench:
    """Heads with springs fitted and a drawer of tools; nothing is measured, little is stated."""
    made = Bench(layout)
    fine = {"outside_micrometer": "micrometer", "height_micrometer": "gauge", "spring_tester": "tester"}
    tools = {one.kind: one.tool for one in reversed(KINDS)}
    exact = made.engine.tool("micrometer")
    for kind, tool in tools.items():
        if kind not in fine:
            like = exact if tool.dimension == "length" else tool
            made.do(Put("tools", type(tool)(**{**{f: getattr(like, f) for f in tool.__struct_fields__}, "id": kind, "kind": kind,
                                               "name": kind, "dimension": tool.dimension})))  # fmt: skip
    drawer = default_tools({one.kind: one.id for one in made.engine.tools})
    made.do(Describe({"default_tools": drawer | made.engine.default_tools}, "tools of each way"))
    units = {**made.engine.units, "length": "mm", "load": "N"}
    made.do(Describe({"job": Job(job), "rod_material": "steel", "units": units}, "job"))
    made.do(Put("limits", Limit("asked", "compression", 9.5, 13.5, 0.3, origin="shop")))
    return made.state("target_height", 45.0)


def typed(task) -> str:
    if task.quantity == "spring_load":
        return f"{np.interp(task.height_mm, *LOADS):.0f}"
    return SEEN.get(task.quantity) or READ[task.quantity]


def walk(qtbot, window) -> tuple[int, list[str]]:
    """Press the key until nothing is left; give how many readings it took, and what was asked in turn."""
    count, asked = 0, []
    for _ in range(120):
        plan = window.session.plan
        if not plan:
            return count, asked
        window._actions["next_reading"].trigger()  # F2
        if window.session.queue is None:
            assert plan[0].stated
            page = window.sheets["engine"].tabs.currentWidget().widget()
            assert window.session.step == "engine"
            assert page is window.sheets["engine"].pages[plan[0].page]
            fact = Fact(plan[0].quantity, ENGINE, STATED[plan[0].quantity], tolerance=0.003)
            assert window.session.do(State((fact,)))
            asked.append(plan[0].quantity)
            continue
        asked.append(window.session.queue.quantity)
        while window.session.queue:
            task, place = window.bar.task, window.bar.place
            assert CATALOG[task.quantity]
            qtbot.keyClicks(window.bar.entry, typed(task))
            qtbot.keyClick(window.bar.entry, ENTER)
            assert not window.bar.entry.text(), (task.title, place.title, window.bar.understood.text())
            count += 1
    raise AssertionError(f"the plan never ends: {[one.quantity for one in window.session.plan]}")


@pytest.mark.parametrize(
    ("job", "layout", "least"),
    [
        ("new heads", "left: 1e 1i 3i 3e\nright: 2e 2i 4i 4e", 300),
        ("spring change", "head: 1i 1e 2e 2i", 50),
    ],  # on the eight's own: tests/checks/test_job.py
)
def test_a_job_is_walked_to_all_pass_by_the_key_alone(qtbot, open_window, job, layout, least):
    window = open_window(begun(job, layout).book)
    assert window.session.examination.of_engine() is Verdict.UNPROVEN
    count, asked = walk(qtbot, window)
    found = window.session.examination
    left = [
        (one.check.name, one.place.title, one.verdict.word)
        for one in found.findings
        if one.verdict is not Verdict.PASSES
    ]
    assert left == []
    assert found.of_engine() is Verdict.PASSES
    assert set(asked_of(window.session.engine)) <= {one.check.name for one in found.findings}
    assert count > least
    of_the_head = {"guide_bore", "stem_diameter", "chamber_volume", "piston_valve_clay", "valve_margin"}
    assert of_the_head <= set(asked) if job == "new heads" else not of_the_head & set(asked)
    assert asked.count("chamber_volume") == (2 if job == "new heads" else 0), "every chamber is poured twice"
