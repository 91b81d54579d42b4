"""A row of readings at the current valve: how far it can be pushed down at crank angles around the overlap."""

from __future__ import annotations

from honest_lift.desk.series_page import Series, SeriesPage
from honest_lift.desk.session import Session

_SERIES = Series(
    "piston_valve_room", "indicator", tuple(float(at) for at in range(-20, 21, 2)),
    "Light spring in, solid lifter or the lash taken up: at each angle push the valve down to the piston and read how far. Every "
    "two degrees from 20 before to 20 after; an angle of your own can be typed into the first column of the last line.",
    "Clearance by angle",
)  # fmt: skip


class RowsPage(SeriesPage):
    """Readings of piston to valve at crank angles, for one valve."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _SERIES)

    def odd(self, position: str) -> dict[float, str]:
        """Say which readings stand off what their neighbours make."""
        from honest_lift.estimates.clearance.piston_valve_read import room_read

        return {one.crank_deg: one.odd for one in room_read(self.session.book, position).rows}

    def tell(self, position: str) -> str:
        """Say the least of the row, or why it has none."""
        from honest_lift.estimates.clearance.piston_valve_read import room_read

        read = room_read(self.session.book, position)
        if not read.rows:
            return ""
        if read.least is None:
            return f"{read.why_not[:1].upper()}{read.why_not[1:]}."
        unit = self.session.unit("length")
        return self.tr("Least {0} {1}, {2:.1f} degrees from TDC.").format(
            self.figure(read.least.value), unit, read.at_deg
        )
