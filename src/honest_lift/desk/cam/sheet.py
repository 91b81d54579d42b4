"""The camshaft sheet: what the card says of both lobes, the valves around the turn, and what follows in words."""

from __future__ import annotations

from msgspec.structs import replace
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.desk.sheet_head import sheet_head
from honest_lift.drawings.cam_turn import Curve, cam_turn_scene
from honest_lift.drawings.scene import Scene
from honest_lift.facts.cam import CamLobe, durations_text, read_durations
from honest_lift.facts.edits import Put
from honest_lift.numbers.entry import Field, parse
from honest_lift.numbers.units import from_inside, in_figures, unit_of

_SPAN_DEG = 280.0
_STEP_DEG = 3.0


class CamSheet(QWidget):
    """Drawing, table of the card, figures in words."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setObjectName("sheet")
        self.subtitle, self.words = QLabel(), QLabel()
        self.words.setWordWrap(True)
        self.words.setAccessibleName(self.tr("What the valves do around the turn"))
        self.assumed = QLabel()
        self.assumed.setObjectName("caution")
        self.assumed.setWordWrap(True)
        self.drawing = SceneView()
        self.drawing.setAccessibleName(self.tr("Lift of intake and exhaust around the overlap"))
        self.lobes = RecordTable(self._columns(), self.tr("Lobes by their card"))
        self.lobes.records.put.connect(lambda lobe: session.do(Put("lobes", lobe)))
        self.lobes.records.refused.connect(session.warned)
        column = QVBoxLayout(self)
        column.setContentsMargins(14, 8, 14, 6)
        column.addLayout(sheet_head(self.tr("Camshaft"), self.subtitle))
        column.addWidget(self.drawing)
        column.addWidget(self.assumed)
        column.addWidget(self.lobes)
        column.addWidget(self.words)
        column.addStretch(1)
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.dress(theme, zoom)
        self.drawing.setFixedHeight(round(230 * zoom))
        self.lobes.setFixedHeight(round(104 * zoom))
        self.lobes.verticalHeader().setDefaultSectionSize(round(27 * zoom))
        self.lobes.records.fails, self.lobes.records.muted, self.lobes.records.zoom = theme.fails, theme.muted, zoom

    def refresh(self) -> None:
        """Follow the session, while it is looked at."""
        if self.session.step != "cam":
            return
        from honest_lift.sheets.cam_words import ASSUMED, cam_words

        engine = self.session.engine
        stated = {one.id: one for one in engine.lobes}
        self.lobes.show_records([stated.get(role, CamLobe(role)) for role in ("intake", "exhaust")])
        self.subtitle.setText(engine.cam_card)
        self.words.setText("\n".join(cam_words(self.session.book)))
        self.drawing.show_scenes([(1, self._scene())])
        self.assumed.setText(self.tr(ASSUMED))

    def _columns(self) -> list[Column]:
        return [
            Column(self.tr("lobe"), lambda lobe: lobe.id, width=70),
            Column(
                self.tr("durations, crank degrees at lobe lift"),
                lambda lobe: durations_text(lobe, self.session.unit("length")),
                lambda lobe, text: replace(lobe, durations=read_durations(text, self.session.unit("length"))),
                width=340,
            ),
            Column(
                self.tr("centreline"),
                lambda lobe: "" if lobe.centreline_deg is None else in_figures(lobe.centreline_deg, "angle", "deg"),
                lambda lobe, text: replace(
                    lobe, centreline_deg=parse(text, Field.within("angle", "deg", (1.0, 359.0)))
                ),
                right=True,
                width=90,
            ),
            Column(self.tr("source"), lambda lobe: lobe.source, lambda lobe, text: replace(lobe, source=text.strip())),
        ]

    def _scene(self) -> Scene:
        import numpy as np

        from honest_lift.estimates.cam_turn import turn_of
        from honest_lift.sheets.cam_words import CHECK_MM

        unit = self.session.unit("length")
        crank = np.arange(-_SPAN_DEG, _SPAN_DEG + _STEP_DEG / 2, _STEP_DEG)
        curves = []
        for role, ink in (("exhaust", "line"), ("intake", "mark")):
            valve = turn_of(self.session.book, role).valve
            if valve:
                lifts = [from_inside(one, "length", unit) for one in valve.lift(crank).tolist()]
                at_tdc = from_inside(float(valve.lift(np.array(0.0))), "length", unit)
                points = tuple((at, lift) for at, lift in zip(crank.tolist(), lifts, strict=True))
                curves.append(Curve(role, points, at_tdc, valve.events(CHECK_MM), ink))
        return cam_turn_scene(
            curves, _SPAN_DEG, unit_of("length", unit).places, unit, from_inside(CHECK_MM, "length", unit)
        )
