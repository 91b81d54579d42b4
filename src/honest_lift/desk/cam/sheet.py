"""The camshaft sheet: the turn, the card, measured lobes and degreeing, a page each."""

from __future__ import annotations

from honest_lift.desk.cam.card_page import CardPage
from honest_lift.desk.cam.degree_page import DegreePage
from honest_lift.desk.cam.lobes_page import LobesPage
from honest_lift.desk.cam.turn_page import TurnPage
from honest_lift.desk.paged_sheet import PagedSheet
from honest_lift.desk.session import Session
from honest_lift.facts.place import position_title


class CamSheet(PagedSheet):
    """Pages behind tabs; only the open one follows the session."""

    def __init__(self, session: Session) -> None:
        self.turn, self.card, self.lobes, self.degree = (
            TurnPage(session), CardPage(session), LobesPage(session), DegreePage(session),
        )  # fmt: skip
        pages = {
            "Around the turn": self.turn,
            "Card": self.card,
            "Measured lobes": self.lobes,
            "Degreeing": self.degree,
        }
        super().__init__(session, "cam", "Camshaft", pages)

    def where(self) -> str:
        """Name the card and the current valve."""
        where = position_title(self.session.position) if self.session.position else ""
        return " · ".join(one for one in (self.session.engine.cam_card, where) if one)
