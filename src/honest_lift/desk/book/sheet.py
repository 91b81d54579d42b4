"""The sheet of the book."""

from __future__ import annotations

from honest_lift.desk.book.bolts_page import BoltsPage
from honest_lift.desk.book.chain_page import ChainPage
from honest_lift.desk.book.log_page import LogPage
from honest_lift.desk.book.route_page import RoutePage
from honest_lift.desk.book.trend_page import TrendPage
from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session


class BookSheet(PagedSheet):
    """Pages of the whole engine."""

    def __init__(self, session: Session) -> None:
        self.route_page, self.log_page = RoutePage(session), LogPage(session)
        self.bolts_page = BoltsPage(session)
        self.trend_page, self.chain_page = TrendPage(session), ChainPage(session)
        super().__init__(session, "book", "Book", {
            "Route": self.route_page, "Head bolts": self.bolts_page, "Log": self.log_page,
            "Seat load on the engine": self.trend_page, "Entries": self.chain_page,
        })  # fmt: skip

    def where(self) -> str:
        """Say whose book it is."""
        return self.session.engine.name
