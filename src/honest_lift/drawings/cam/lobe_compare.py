"""A measured lobe over its card's, the difference magnified under them, and what each row was off the smoothed curve."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec import Struct

from honest_lift.drawings.chart import Axis, Chart, Level, Panel, Series

Points = Sequence[tuple[float, float]]


class Compared(Struct, frozen=True):
    """Points over cam degrees from the middle, in the unit they are labelled in.

    `card` and `difference` are empty where no card tells a lobe; `rows`: what was read less the smoothed curve, `numbers` their
    rows in the table as read, `suspect` which of them do not go with their neighbours.
    """

    measured: Points
    card: Points
    difference: Points
    rows: Points
    unit: str
    places: int
    numbers: tuple[int, ...] = ()
    suspect: tuple[int, ...] = ()


def lobe_chart(shown: Compared | None) -> Chart:
    """Draw it; with nothing to draw it says so."""
    x = Axis("cam", "deg from the lobe's centreline", 1)
    if shown is None or not shown.measured:
        return Chart(
            "Measured lobe", x, (), "no lobe has been measured yet" if shown is None else "this table is no lobe"
        )
    fine = shown.places + 1
    lift = [Series("card, dashed", tuple(shown.card), "line", dashed=True)] if shown.card else []
    panels = [
        Panel(
            Axis("lobe lift", shown.unit, shown.places),
            (*lift, Series("measured", tuple(shown.measured), "mark", named="top")),
            (),
            2,
        )
    ]
    zero = (Level(0.0, ""),)
    if shown.difference:
        panels.append(
            Panel(
                Axis("less card", shown.unit, fine), (Series("measured less card", tuple(shown.difference)),), zero, 2
            )
        )
    keys = tuple(str(one) for one in shown.numbers)
    rows = Series(
        "row less the smoothed curve", tuple(shown.rows), dots=True, joined=False, keys=keys, suspect=shown.suspect
    )
    panels.append(Panel(Axis("row off", shown.unit, fine), (rows,), zero, 2))
    return Chart("Measured lobe", x, tuple(panels))
