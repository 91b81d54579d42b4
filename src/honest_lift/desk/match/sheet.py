"""The match sheet: what should be fitted, and at what height."""

from __future__ import annotations

from honest_lift.desk.match.compare_page import ComparePage
from honest_lift.desk.match.find_page import FindPage
from honest_lift.desk.match.masses_page import MassesPage
from honest_lift.desk.match.other_page import OtherPage
from honest_lift.desk.match.shelf_here import ShelfHere
from honest_lift.desk.match.shelf_page import ShelfPage
from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.facts.place import position_title


class MatchSheet(PagedSheet):
    """Find, side by side, the other way round, masses and the shelf."""

    def __init__(self, session: Session) -> None:
        self.here = ShelfHere(kept=session.keeps_shelf)
        self.find_page = FindPage(session, self.here)
        self.compare_page, self.other_page = ComparePage(session, self.find_page), OtherPage(session, self.here)
        self.masses_page, self.shelf_page = MassesPage(session), ShelfPage(session, self.here)
        super().__init__(session, "match", "Match", {
            "Find": self.find_page, "Side by side": self.compare_page, "What the fitted springs allow": self.other_page,
            "Masses": self.masses_page, "Shelf": self.shelf_page,
        })  # fmt: skip
        self.find_page.compared.connect(self.compare_page.set_beside)

    def where(self) -> str:
        """Say what is matched, or the valve whose masses are shown."""
        if self.stack.currentWidget().widget() is self.masses_page and self.session.position:
            return position_title(self.session.position)
        return self.tr("cards against pockets as measured; a card never proves anything")
