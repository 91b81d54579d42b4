"""What the pages of the bare-head sheet show: what is read at every valve, and what is found of it."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.desk.steps.task import Task
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.quantities.bare_head import DEPTHS


class Page(Struct, frozen=True):
    """A page: (task, narrow title) of what is read, (check, narrow title) of what is found, and what is drawn."""

    name: str
    read: tuple[tuple[Task, str], ...]
    found: tuple[tuple[str, str], ...]
    draws: str


def _task(quantity: str, member: str = "") -> Task:
    title = CATALOG[quantity].title
    return Task(quantity, f"{title}, {member}" if member else title, member)


PAGES = (
    Page(
        "Guides",
        tuple((_task(name, depth), f"{words}\n{depth}") for name, words in (("stem_diameter", "stem"), ("guide_bore", "bore"))
              for depth in DEPTHS)
        + tuple((_task("guide_clearance", depth), f"gauge\n{depth}") for depth in DEPTHS),
        (("guide_clearance", "clearance"),), "guide",
    ),
    Page(
        "Valves and seats",
        ((_task("seat_contact"), "contact\nring"), (_task("seat_width"), "ring's\nwidth"),
         (_task("leak_test"), "leak\ntest"), (_task("valve_margin"), "margin"),
         (_task("head_diameter"), "head\nacross"), (_task("stem_tip_height"), "tip\nheight"),
         (_task("parts_condition"), "valve,\nlocks")),
        (("tip_level", "tip to its\nneighbours"),), "tips",
    ),
    Page(
        "Spring seats",
        ((_task("spring_seat_height"), "over\nspecification"), (_task("cutter_touch"), "cutter\ntouches"),
         (_task("spring_seat_runout"), "seat\nrunout"),
         (_task("spring_standing"), "spring\non floor"), (_task("retainer_level"), "retainer\nlevel")),
        (("spring_seat_level", "to the\nothers"), ("cutter_touch", "touch off\nthe map")), "seats",
    ),
    Page(
        "Locks",
        ((_task("lock_out"), "lock\nprotrusion"), (_task("retainer_rocker"), "retainer\nto rocker"),
         (_task("stem_at_lock"), "stem\nat lock"), (_task("lock_length"), "lock\nlength")),
        (("lock_out", "lock\nout"), ("lock_angle", "lock\nangle")), "lock",
    ),
)  # fmt: skip


def page_of(task: Task | None) -> Page | None:
    """Give the page a task is read on; None for none."""
    return next((page for page in PAGES if any(one == task for one, _ in page.read)), None)
