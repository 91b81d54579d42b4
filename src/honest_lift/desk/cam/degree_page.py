"""Degreeing: a walk from the piston stop to the centreline, and what moves the cam where it should stand."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QLabel, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row, scrolled
from honest_lift.desk.label import Label
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.cam.degree_wheel import wheel_scene
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.crank_angle import read_angle
from honest_lift.facts.edits import Confirm, reading_of
from honest_lift.facts.place import at_position, at_role, position_title
from honest_lift.numbers.entry import EntryError, Field, parse

_HINT = (
    "Spark plugs out, wheel on the crank, pointer near TDC. Angles as the wheel shows them, later positive: -28, or 28 BTDC, or "
    "332. The indicator is on the lifter, along its axis; a hydraulic lifter is changed for a solid one."
)
_ASKED = (  # key, what is read, example
    ("stop_first", "1  stop, turned onto it one way", "-28"),
    ("stop_other", "2  stop, turned onto it the other way", "31"),
    ("opening", "3  at .050, or any lift, going up", "2"),
    ("closing", "4  at the same lift coming down", "217"),
    ("wanted", "5  centreline wanted", "106"),
    ("radius", "6  key or dowel to shaft's centre", ".550"),
    ("teeth", "7  teeth of the cam's gear", "42"),
)


class DegreePage(QWidget):
    """Lines to type, and beside them what they come to; the centreline can be taken down as a reading."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.whose, self.place = QComboBox(), QComboBox()
        self.whose.setAccessibleName(self.tr("lobe degreed"))
        for title, at_cam in ((self.tr("key in the crank gear"), False), (self.tr("dowel in the cam gear"), True)):
            self.place.addItem(title, at_cam)
        self.place.setAccessibleName(self.tr("where the offset sits"))
        self.lines = {key: QLineEdit() for key, _, _ in _ASKED}
        self.words, self.wrong, self.wheel = Label(), Label(), SceneView()
        self.wheel.wish(330)
        self.wheel.setAccessibleName(self.tr("Degree wheel with what was read on it"))
        self.words.setWordWrap(True)
        self.words.setObjectName("working")
        self.words.setAccessibleName(self.tr("What degreeing comes to"))
        self.wrong.setObjectName("caution")
        self.take = button(self.tr("Record centreline"), self.take_down)
        grid = QGridLayout()
        grid.addWidget(Label(self.tr("lobe")), 0, 0)
        grid.addWidget(self.whose, 0, 1)
        for row, (key, words, example) in enumerate(_ASKED, 1):
            self.lines[key].setPlaceholderText(example)
            self.lines[key].setAccessibleName(self.tr(words))
            self.lines[key].setMaximumWidth(110)
            self.lines[key].textChanged.connect(lambda _: self._tell())
            grid.addWidget(Label(self.tr(words)), row, 0)
            grid.addWidget(self.lines[key], row, 1)
        grid.addWidget(Label(self.tr("    where the offset sits")), len(_ASKED) + 1, 0)
        grid.addWidget(self.place, len(_ASKED) + 1, 1)
        grid.addLayout(in_row(self.take), len(_ASKED) + 2, 0, 1, 2)
        grid.setRowStretch(len(_ASKED) + 3, 1)
        beside = QHBoxLayout()
        beside.addLayout(grid)
        beside.addSpacing(12)
        right = QVBoxLayout()
        right.addWidget(self.wheel, 5)
        right.addWidget(scrolled(self.words), 4)
        beside.addLayout(right, 1)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(hint_label(self.tr(_HINT)))
        column.addWidget(_caution(CATALOG["lobe_centreline"].caution))
        column.addLayout(beside, 1)
        column.addWidget(self.wrong)
        self.whose.currentIndexChanged.connect(lambda _: self._tell())
        self.place.currentIndexChanged.connect(lambda _: self._tell())

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.wheel.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session: the lobes there are."""
        known = [*self.session.engine.layout.positions]
        wanted = [(position_title(one.id), at_position(one.id)) for one in known]
        wanted += [(self.tr("every {0}, by this one").format(role), at_role(role)) for role in ("intake", "exhaust")]
        if [self.whose.itemText(i) for i in range(self.whose.count())] != [words for words, _ in wanted]:
            self.whose.clear()
            for words, place in wanted:
                self.whose.addItem(words, place)
        names = [one.id for one in known]
        if self.session.position in names and not self._read_anything():
            self.whose.setCurrentIndex(names.index(self.session.position))
        self._tell()

    def _read_anything(self) -> bool:
        return any(line.text().strip() for line in self.lines.values())

    def _walked(self) -> Any:
        """Give what is typed; a text that says nothing is told and counts as not read."""
        from honest_lift.estimates.cam.card import centre_deg
        from honest_lift.facts.cam import side_of
        from honest_lift.words.cam.degree import Walked

        role = self.whose.currentData().role
        self.wrong.setText("")
        stated = centre_deg(self.session.book, role)
        card = None if stated is None else stated * side_of(role)
        self.lines["wanted"].setPlaceholderText("106" if card is None else self.tr("card: {0}").format(f"{card:.1f}"))
        typed = self._length("wanted", "angle", "deg", (60.0, 160.0))
        teeth = self._length("teeth", "ratio", "", (8.0, 200.0))
        return Walked(
            role, (self._angle("stop_first", role), self._angle("stop_other", role)),
            (self._angle("opening", role), self._angle("closing", role)), card if typed is None else typed,
            self._length("radius", "length", self.session.unit("length"), (1.0, 150.0)), bool(self.place.currentData()),
            None if teeth is None else round(teeth),
        )  # fmt: skip

    def _angle(self, key: str, role: str) -> float | None:
        text = self.lines[key].text().strip()
        try:
            return read_angle(text, role) if text else None
        except EntryError as error:
            self.wrong.setText(str(error))
            return None

    def _length(self, key: str, dimension: str, unit: str, inside: tuple[float, float]) -> float | None:
        try:
            return parse(self.lines[key].text(), Field.within(dimension, unit, inside))
        except EntryError as error:
            self.wrong.setText(str(error))
            return None

    def _tell(self) -> None:
        from honest_lift.words.cam.degree import centreline_of, degree_words, stands_there, wheel_walk

        if self.whose.currentData() is None:
            return
        walked = self._walked()
        self.words.setText("\n\n".join(degree_words(walked, self.session.unit("length"))))
        self.wheel.show_scenes([(1, wheel_scene(wheel_walk(walked, self.session.unit("length"))))])
        found = centreline_of(walked)
        self.take.setEnabled(found is not None and stands_there(found) and not self.wrong.text())

    def take_down(self) -> None:
        """Take the centreline into the journal as a reading with everything it was worked out from."""
        from honest_lift.words.cam.degree import centreline_of

        centreline = centreline_of(self._walked())
        if centreline is None:
            return
        tool = self.session.engine.tool_for("lobe_centreline", "equal_lifts")
        also = {key: self.lines[key].text().strip() for key in ("stop_first", "stop_other", "opening", "closing")}
        reading = reading_of(
            self.session.book, "lobe_centreline", self.whose.currentData(), round(centreline, 6), text=f"{centreline:.2f}",
            unit="deg", way="equal_lifts", tool=tool.id if tool else "", also=also,
        )  # fmt: skip
        if self.session.do(Confirm((reading,))):
            self.session.told.emit(self.tr("Taken down: the turn is timed by it from here on."))


def _caution(words: str) -> QLabel:
    label = Label(words)
    label.setObjectName("caution")
    label.setWordWrap(True)
    return label
