"""The steps of the job in working order, each with how much of it is measured and its worst verdict."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QWidget

from honest_lift.desk.alignment import RIGHT
from honest_lift.desk.painting import paint_verdict
from honest_lift.desk.session import Session
from honest_lift.desk.steps import JUDGED, STEPS
from honest_lift.desk.theme import LIGHT, font
from honest_lift.facts.engine import Engine
from honest_lift.facts.ledger import counted, standing
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.facts.quantities import follower, rocker
from honest_lift.facts.quantities.bare_head import DEPTHS
from honest_lift.facts.staleness import stale_among

_ROW = 35


class Route(QWidget):
    """Draws the steps; a click or a key opens one at any time."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session, self.theme, self.zoom = session, LIGHT, 1.0
        self.setObjectName("side")
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName(self.tr("Steps of the job"))
        self._look: list[tuple[bool, int, int, str]] = []
        for signal in (session.changed, session.examined, session.moved):
            signal.connect(self.refresh)
        self.refresh()

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.theme, self.zoom = theme, zoom
        self.setFixedWidth(round(200 * zoom))
        self.setMinimumHeight(round((10 + _ROW * len(STEPS)) * zoom))  # every step is seen, whatever stands below
        self.update()

    def refresh(self) -> None:
        """Follow the session; drawn again only when something looks otherwise."""
        found = self.session.examination
        words = {step: found.of_engine(step).word if found else "unproven" for step in STEPS}
        look = [(step == self.session.step, *progress(self.session, step), words[step]) for step in STEPS]
        if look != self._look:
            self._look = look
            self.update()

    def paintEvent(self, event) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        t, z = self.theme, self.zoom
        painter.fillRect(self.rect(), QColor(t.paper2))
        for i, (title, (here, done, whole, word)) in enumerate(zip(STEPS.values(), self._look, strict=True)):
            top = (8 + _ROW * i) * z
            if here:
                painter.fillRect(QRectF(0, top, self.width(), _ROW * z), QColor(t.paper))
                painter.fillRect(QRectF(0, top, 4 * z, _ROW * z), QColor(t.blue2 if t.name == "light" else t.faint))
            painter.setPen(QColor(t.ink))
            painter.setFont(font(14 * z, bold=here))
            painter.drawText(QPointF(42 * z, top + 17 * z), self.tr(title))
            self._paint_progress(painter, top + 26 * z, done, whole)
            if list(STEPS)[i] in JUDGED:
                paint_verdict(painter, t, word, 24 * z, top + 13 * z, 6.5 * z)
        painter.setPen(QColor(t.rule))
        painter.drawLine(self.width() - 1, 0, self.width() - 1, self.height())

    def _paint_progress(self, painter: QPainter, y: float, done: int, whole: int) -> None:
        t, z = self.theme, self.zoom
        blocks = min(whole, 16)
        filled = round(blocks * done / whole) if whole else 0
        if whole and done < whole:
            filled = min(filled, blocks - 1)
        for i in range(blocks):
            painter.fillRect(QRectF((42 + 5.4 * i) * z, y, 4.0 * z, 4.6 * z), QColor(t.ink if i < filled else t.rule))
        painter.setPen(QColor(t.muted))
        painter.setFont(font(12 * z))
        told = f"{done}/{whole}" if whole else ""
        painter.drawText(QRectF(110 * z, y - 6 * z, self.width() - 120 * z, 16 * z), RIGHT, told)

    def mousePressEvent(self, event) -> None:
        row = int((event.position().y() / self.zoom - 8) // _ROW)
        if 0 <= row < len(STEPS):
            self.session.open_step(list(STEPS)[row])

    def keyPressEvent(self, event) -> None:
        steps = list(STEPS)
        by = {Qt.Key.Key_Up: -1, Qt.Key.Key_Down: 1}.get(event.key(), 0)
        if by:
            self.session.open_step(steps[(steps.index(self.session.step) + by) % len(steps)])
        else:
            super().keyPressEvent(event)


def _proving() -> list[tuple[str, str]]:
    """Give what is read at every valve of the bare heads: (quantity, depth)."""
    once = ("seat_contact", "leak_test", "valve_margin", "stem_tip_height", "spring_seat_height", "spring_seat_runout",
            "spring_standing", "retainer_level", "parts_condition")  # fmt: skip
    return [(name, depth) for name in ("stem_diameter", "guide_bore") for depth in DEPTHS] + [
        (name, "") for name in once
    ]


def _of_head(session: Session) -> tuple[int, int]:
    places = [one.id for one in session.engine.layout.positions]
    read = counted(session.book.journal)
    asked = [(quantity, at_position(name, depth)) for name in places for quantity, depth in _proving()]
    return sum(one in read for one in asked), len(asked)


def _of_gear(engine: Engine, known: set[str]) -> tuple[int, int]:
    """Give how many dimensions of the gear are known; of buckets, how many shims."""
    fixed = engine.rocker_mount == "shaft"
    if engine.gear == "bucket":
        return sum(engine.fitted("lash shim", one.id) is not None for one in engine.layout.positions), len(
            engine.layout.positions
        )
    if engine.gear == "finger follower":
        needed = [name for name in follower.FINGER if name != "lash_pad" and (fixed or name != "pivot_up")]
        known |= {"base_circle"} if any(one.base_circle_mm for one in engine.lobes) else set()
    else:
        skipped = {"stud_lean", "pushrod_length" if fixed else "pivot_up"}
        known |= {"pushrod_length"} if known & {"pushrod_overall", "pushrod_gauge"} else set()
        needed = [name for name in rocker.GEOMETRY if name not in skipped]
    return sum(name in known for name in needed), len(needed)


def _of_cylinders(session: Session) -> tuple[int, int]:
    """Give how many cylinders have a chamber, and how many a squish, that was measured towards; of all of both."""
    read = {(place.name, name) for name, place in counted(session.book.journal) if place.kind == "cylinder"}
    cylinders = [str(one) for one in session.engine.layout.cylinders]
    ways = (("chamber_volume", "chamber_water"), ("deck_clearance", "squish"))
    return sum(any((one, name) in read for name in way) for one in cylinders for way in ways), 2 * len(cylinders)


def progress(session: Session, step: str) -> tuple[int, int]:
    """Give how much of a step is there, and of how much."""
    engine = session.engine
    if step == "heights":
        positions, read = engine.layout.positions, counted(session.book.journal)
        return sum(("installed_height", at_position(one.id)) in read for one in positions), len(positions)
    if step == "head":
        return _of_head(session)
    if step == "springs":
        of_spring = {(place.name, name) for name, place in counted(session.book.journal) if place.kind == "spring"}
        fitted = [name for p in engine.layout.positions if (name := engine.spring_at(p.id))]
        return sum((name, "spring_load") in of_spring and (name, "bind_height") in of_spring for name in fitted), len(
            engine.layout.positions
        )
    if step == "shims":
        fitted = [engine.fitted("shims", p.id) for p in engine.layout.positions]
        return sum(one is not None and one.height_mm is not None for one in fitted), len(fitted)
    if step == "cam":
        return sum(bool(one.durations) and one.centreline_deg is not None for one in engine.lobes), 2
    if step == "rocker":
        known = {fact.quantity for fact in engine.facts} | {name for name, _ in counted(session.book.journal)}
        return _of_gear(engine, known)
    if step == "turn":
        seen = counted(session.book.journal)
        towards = ("valve_drop", "piston_valve_clay", "piston_valve_room")
        places = [at_position(one.id) for one in engine.layout.positions]
        return sum(any((name, place) in seen for name in towards) for place in places), len(places)
    if step == "match":
        return _of_masses(session)
    if step == "trial":
        return len(engine.trials), len(engine.trials)
    if step == "squeeze":
        return _of_cylinders(session)
    if step == "readings":
        counting = [one for one in standing(session.book.journal) if not one.fate]
        return len(counting) - stale_among(engine, counting), len(counting)
    stated = {fact.quantity for fact in engine.facts} | {
        name for name, place in counted(session.book.journal) if place == ENGINE or place.kind == "role"
    }
    asked = {limit.check for limit in engine.limits}
    wanted = [
        bool(engine.layout.positions), bool(engine.lifter), "lobe_lift" in stated,
        "rocker_ratio" in stated or engine.gear == "bucket", "lash" in stated or engine.lifter.startswith("hydraulic"),
        "target_height" in stated, "seat_load" in asked, "open_load" in asked, bool(engine.cards), bool(engine.springs),
        bool(engine.tools), bool(engine.hand),
    ]  # fmt: skip
    return sum(wanted), len(wanted)


def _of_masses(session: Session) -> tuple[int, int]:
    """Count what is told of the red line and of what moves with the valves."""
    known = {fact.quantity for fact in session.engine.facts} | {name for name, _ in counted(session.book.journal)}
    wanted = {
        "pushrod": ("red_line", "valve_mass", "retainer_mass", "rocker_at_valve", "pushrod_mass", "lifter_mass"),
        "bucket": ("red_line", "valve_mass", "retainer_mass", "lifter_mass"),
    }.get(session.engine.gear, ("red_line", "valve_mass", "retainer_mass", "rocker_at_valve"))
    return sum(name in known for name in wanted), len(wanted)
