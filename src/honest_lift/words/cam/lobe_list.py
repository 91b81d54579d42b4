"""The list of measured lobes: a column a figure."""

from __future__ import annotations

from math import isfinite

from honest_lift.estimates.cam.lobe_read import LobeRead
from honest_lift.facts.cam import side_of
from honest_lift.facts.wheel_table import StandingTable
from honest_lift.mechanics.cam.measured_lobe import EQUAL_MM
from honest_lift.numbers.units import in_figures, in_words

LOBE_COLUMNS = (  # key, title, width
    ("place", "lobe", 104), ("at", "read at", 62), ("lift", "lift, {0}", 72), ("duration", "duration at {1}", 116),
    ("middle", "centreline", 96), ("lean", "asymmetry, deg", 84), ("runout", "base runout", 92), ("out", "suspect", 0),
)  # fmt: skip


def lobe_cell(key: str, found: StandingTable, read: LobeRead | None, unit: str) -> str:
    """Give a cell of the list; "…" while the lobe is not smoothed yet, "" where it has no such figure."""
    if key == "place":
        return found.table.place.title
    if key == "at":
        return found.table.read_at
    if read is None:
        return "…"
    if read.lobe is None or read.ordered is None:
        return "no lobe" if key == "lift" else ""
    if key == "lift":
        return in_figures(read.lobe.lift_mm, "length", unit)
    if key == "duration":
        duration = read.duration_deg(EQUAL_MM)
        return "" if duration is None else f"{duration:.1f} ±{read.band.duration_deg:.1f}"
    if key == "middle":
        side = side_of(found.table.place.role)
        return "" if read.centre_deg is None else f"{side * read.centre_deg:.1f} ±{2 * read.centre_u_deg:.1f}"
    if key == "lean":
        return "" if read.asymmetry_deg is None else f"{round(read.asymmetry_deg, 1) + 0.0:+.1f}"
    if key == "runout":
        return in_words(read.ordered.runout_mm, "length", unit) if isfinite(read.ordered.runout_mm) else "not read"
    left = f"{len(found.left_out)} left out" if found.left_out else ""
    open_ones = f"{len(read.troubles)} to review" if read.troubles else ""
    return ", ".join(one for one in (open_ones, left) if one) or "nothing"
