"""Stiffness: what the current valve gives way under loads on its tip, with the line through it."""

from __future__ import annotations

from honest_lift.desk.curve_view import CurveView
from honest_lift.desk.label import Label
from honest_lift.desk.series_page import Series, SeriesPage
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG
from honest_lift.numbers.units import in_words, to_inside

_NEWTONS = (200.0, 400.0, 600.0, 800.0)
_POUNDS = tuple(to_inside(float(one), "load", "lbf") for one in (50, 100, 150, 200))
_SERIES = Series(
    "lift_lost", "indicator", (),
    "Checking spring in, cam near full lift, lash and slack taken up, indicator on the retainer zeroed. Load the tip and read what "
    "the valve gives way, at two loads and more. Without a lever: read the lift under a checking spring, then under the real one; "
    "write 0 at the checking spring's load, and what is lost at the real one's. One valve of a role speaks for the others within "
    "a few percent.",
    "Lift lost to a load on the tip",
)  # fmt: skip


class StiffnessPage(SeriesPage):
    """Lift lost load by load, with its drawing over it."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _SERIES)
        self.drawing = CurveView()
        self.drawing.setAccessibleName(self.tr("Lift lost against the load on the tip"))
        caution = Label(CATALOG["lift_lost"].caution)
        caution.setObjectName("caution")
        self.column.insertWidget(1, caution)
        self.column.insertWidget(2, self.drawing)

    def usual(self) -> tuple[float, ...]:
        """Give the loads that are usual in the engine's own unit."""
        return _POUNDS if self.session.unit("load") == "lbf" else _NEWTONS

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        super().dress(theme, zoom)
        self.drawing.wish(190)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.train.speed_charts import chart_of_stiffness

        super().refresh()
        units = self.session.unit("load"), self.session.unit("length")
        missing = self.tr("nothing was read here: its stiffness is stated, read at another valve, or guessed")
        self.drawing.show_chart(chart_of_stiffness(self.session.book, self.session.position, *units, missing))

    def tell(self, position: str) -> str:
        """Say what the readings come to, or why they come to nothing."""
        from honest_lift.estimates.motion.stiffness_read import stiffness_read

        read = stiffness_read(self.session.book, position)
        if read.stiffness is None:
            return f"{read.why_not[:1].upper()}{read.why_not[1:]}." if read.why_not else ""
        unit = self.session.unit("rate")
        amount, u = (in_words(one, "rate", unit) for one in (read.stiffness.value, 2.0 * read.stiffness.u))
        return self.tr("Stiffness of this train: {0} ±{1}.").format(amount, u)
