"""A tester held against certified loads: what it showed too much at each, and the line its readings are corrected by."""

from __future__ import annotations

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series
from honest_lift.drawings.scene import Point


def tester_chart(
    read: tuple[Point, ...],
    line: tuple[Point, ...],
    band: tuple[tuple[float, float, float], ...],
    unit: str,
    places: int,
) -> Chart:
    """Draw (certified load, shown less certified), and the correction with what it is uncertain by, in one unit."""
    series = [Series("corrected by", line, "line", band=band)] if line else []
    if read:
        keys = tuple(str(i) for i in range(len(read)))
        series.append(Series("shown less certified", read, "mark", dots=True, joined=False, keys=keys))
    panel = Panel(Axis("tester high by", unit, places + 1), tuple(series), (Level(0.0, ""),))
    return Chart(
        "Tester", Axis("certified load", unit, places), (panel,), "no certified load has been read with this tester yet"
    )
