"""Ports: what a flow bench read lift by lift at the current valve, drawn for its cylinder beside what the cam lifts."""

from __future__ import annotations

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.label import Label
from honest_lift.desk.series_page import Series, SeriesPage
from honest_lift.desk.session import Session
from honest_lift.drawings.chart import Axis
from honest_lift.drawings.cylinder.port_flow import FlowCurve, port_flow_chart
from honest_lift.drawings.scene import Ink
from honest_lift.facts.place import at_position, position_title
from honest_lift.numbers.units import from_inside, unit_of

_TENTHS_IN = tuple(round(2.54 * one, 6) for one in range(1, 8))
_MM = tuple(float(one) for one in range(2, 17, 2))
_SERIES = Series(
    "port_flow", "bench", (),
    "What the bench read at each lift, at one depression for all; the port's volume is read at the bar below.", "Flow of a port",
)  # fmt: skip


class PortsPage(SeriesPage):
    """Flow lift by lift, with its drawing over it."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _SERIES)
        self.drawing, self.words = CurveView(), Label()
        self.drawing.setAccessibleName(self.tr("Flow of this cylinder's ports against lift"))
        self.words.setWordWrap(True)
        self.column.insertWidget(0, self.drawing)
        self.column.addWidget(self.words)

    def usual(self) -> tuple[float, ...]:
        """Give the lifts that are usual in the engine's own unit."""
        return _TENTHS_IN if self.session.unit("length") == "in" else _MM

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        super().dress(theme, zoom)
        self.drawing.wish(190)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.cylinder.ports import port_words

        super().refresh()
        cylinder = self._cylinder()
        missing = self.tr("no port of this cylinder has been flowed: nothing rests on it")
        length, flow = self.session.unit("length"), self.session.unit("flow")
        axes = (
            Axis("valve lift", length, unit_of("length", length).places),
            Axis("flow", flow, unit_of("flow", flow).places),
        )
        self.drawing.show_chart(port_flow_chart([self._curve(one) for one in cylinder], *axes, missing))
        self.words.setText("\n".join(port_words(self.session.book, cylinder)) if cylinder else "")

    def _cylinder(self) -> tuple[str, ...]:
        layout = self.session.engine.layout
        return layout.of_cylinder(self.session.cylinder) if self.session.cylinder else ()

    def _curve(self, position: str) -> FlowCurve:
        from honest_lift.estimates.cylinder.port_flow import port_flow
        from honest_lift.words.cylinder.ports import cam_lift_mm

        length, unit = self.session.unit("length"), self.session.unit("flow")
        read = port_flow(self.session.book, position)
        points = tuple(
            (from_inside(lift, "length", length), from_inside(flow, "flow", unit))
            for lift, flow in zip(read.lift_mm, read.flow, strict=True)
        )
        ink: Ink = "mark" if at_position(position).role == "intake" else "line"
        lift = from_inside(cam_lift_mm(self.session.book, position), "length", length)
        return FlowCurve(position_title(position), points, lift, ink, read.stale)
