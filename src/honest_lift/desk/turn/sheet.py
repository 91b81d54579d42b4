"""Through the turn: a crank turned by hand, and rows of readings typed angle by angle."""

from __future__ import annotations

from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.desk.turn.crank_page import CrankPage
from honest_lift.desk.turn.rows_page import RowsPage
from honest_lift.facts.place import position_title


class TurnSheet(PagedSheet):
    """Two pages: the crank handle with all that moves, and the row of readings at the current valve."""

    def __init__(self, session: Session) -> None:
        self.crank_page, self.rows_page = CrankPage(session), RowsPage(session)
        pages = {"Piston and valve": self.crank_page, "Clearance by angle": self.rows_page}
        super().__init__(session, "turn", "Clearances", pages)
        self.crank_page.rows_asked.connect(self._show_row)
        self.rows_page.drawing.picked.connect(lambda key: self._show_row(float(key.split()[1])))

    def _show_row(self, crank_deg: float) -> None:
        """Stand on the line of a reading that was chosen on a curve."""
        self.open_page("Clearance by angle")
        self.rows_page.stand_at(crank_deg)

    def where(self) -> str:
        """Name the current valve."""
        here = self.session.position
        return position_title(here) if here else self.tr("no valve laid out yet")
