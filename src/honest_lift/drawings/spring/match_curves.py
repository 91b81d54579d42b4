"""Load curves of candidates by their cards, free end on the left and bind on the right, from shut to full lift."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Ink, Point

_INKS: tuple[Ink, ...] = ("mark", "line", "faint")


class CandidateCurve(Struct, frozen=True):
    """A candidate's spring: its name, (height, load) from shut to full lift, and where it binds, in the units it is labelled in."""

    name: str
    points: tuple[Point, ...]
    bind: float


def match_chart(curves: Sequence[CandidateCurve], places: int, length: str, load: str) -> Chart:
    """Draw up to three curves, the first in the mark's ink."""
    told = list(zip(curves, _INKS, strict=False))
    series = tuple(Series(one.name, one.points, ink, dots=True, named="end") for one, ink in told)
    levels = tuple(Level(one.bind, f"{one.name} binds", ink, upright=True) for one, ink in told)
    panel = Panel(Axis("load", load, 0), series, levels)
    return Chart(
        "Load curves side by side", Axis("height", length, places), (panel,), "no candidate is chosen yet", falling=True
    )
