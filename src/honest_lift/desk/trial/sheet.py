"""The trial sheet: change one thing, see what moves; several trials side by side."""

from __future__ import annotations

from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.desk.trial.one_page import OnePage
from honest_lift.desk.trial.side_page import SidePage


class TrialSheet(PagedSheet):
    """Two pages: one trial, and all kept ones beside each other."""

    def __init__(self, session: Session) -> None:
        self.one_page, self.side_page = OnePage(session), SidePage(session)
        super().__init__(session, "trial", "Trial", {"One trial": self.one_page, "Side by side": self.side_page})

    def where(self) -> str:
        """Say what a trial is."""
        return self.tr("what would move; the engine is not touched; signs in outline are not proven")
