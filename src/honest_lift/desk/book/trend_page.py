"""Seat load on the engine: every valve's history in small, in head order, with what asks for something named under it."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import hint_label, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.facts.catalog import CATALOG

_HINT = (
    "Read the seat load with a lever tester at the bar below, every valve, right after assembly and from time to time. Each small "
    "picture is one valve from its first day to the last, the line its baseline, the dashed one 7 percent below it."
)


class TrendPage(QWidget):
    """Small multiples above, words below."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.drawing, self.told = SceneView(), Label()
        self.drawing.setAccessibleName(self.tr("Seat load of every valve over the engine's life"))
        self.told.setWordWrap(True)
        caution = Label(CATALOG["seat_load_engine"].caution)
        caution.setObjectName("caution")
        caution.setWordWrap(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(caution)
        column.addWidget(self.drawing, 3)
        column.addWidget(scrolled(self.told), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.wish(250)
        self.drawing.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.drawings.spring.trend import Small, trend_scene
        from honest_lift.estimates.spring.seat_trend import OfSpring, seat_trend
        from honest_lift.mechanics.spring.trend import ASK
        from honest_lift.words.spring.trend import bench_words, kept_words, trend_lines
        from honest_lift.words.train.speed import loss_words

        engine, trend = self.session.engine, seat_trend(self.session.book)
        flagged = {one.spring for one in trend.flagged}

        def small(name: str, one: OfSpring | None) -> Small:
            here = name == self.session.position
            if one is None:
                return Small(name, (), (), "", current=here)
            at = tuple(trend.share_of(day) for day in one.days)
            return Small(name, at, one.moved, kept_words(one), one.spring in flagged, here)

        rows = [[small(one.id, trend.at(one.id)) for one in head.positions] for head in engine.layout.heads]
        missing = self.tr("nothing was read on the engine yet")
        self.drawing.show_scenes([(1, trend_scene(rows, ASK, missing))])
        here, seen = trend.at(self.session.position), self.session.examination
        bench = seen.finding("seat_load", self.session.position) if seen and self.session.position else None
        beside = bench_words(engine, here, bench.figure if bench else float("nan"))
        moved, case = self.session.in_motion
        loss = loss_words(moved, case) if moved is not None else ""
        self.told.setText("\n".join(one for one in (*trend_lines(trend, engine), beside, loss) if one))
