"""A row of readings at the current valve: how far it can be pushed down at crank angles around the overlap."""

from __future__ import annotations

from honest_lift.desk.curve_view import CurveView
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
        self.drawing = CurveView()
        self.drawing.setAccessibleName(self.tr("What was read, against the calculated clearance"))
        self.column.insertWidget(1, self.drawing)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        super().dress(theme, zoom)
        self.drawing.wish(210)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.estimates.clearance.piston_valve import piston_to_valve
        from honest_lift.words.clearance.turn_scene import curves_chart

        super().refresh()
        book, here, seen = self.session.book, self.session.position, self.session.examination
        finding = seen.finding("piston_valve", here) if seen and here else None
        lacking = self.tr("nothing was read here yet, and nothing is known to calculate it from")
        found = {here: finding} if finding else {}
        worked = piston_to_valve(book) if here else None
        self.drawing.show_chart(curves_chart(book, (here,) if here else (), worked, found, lacking))

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
