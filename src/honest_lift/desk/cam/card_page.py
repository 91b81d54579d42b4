"""The cam card, line by line as cards quote it, intake and exhaust beside each other, and what they come to."""

from __future__ import annotations

from collections.abc import Callable

from msgspec import Struct
from msgspec.structs import replace
from PyQt6.QtWidgets import QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, hint_label, in_row
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts import card_text
from honest_lift.facts.cam import CamLobe
from honest_lift.facts.edits import Describe, Put, now
from honest_lift.facts.place import Role
from honest_lift.numbers.entry import EntryError, Field, parse

Get = Callable[[CamLobe, str], str]
Set = Callable[[CamLobe, str, str], CamLobe]


class _Line(Struct, frozen=True):
    """A line of the card: how a lobe's cell is written and read, or the engine's field it is of."""

    id: str
    title: str
    example: str
    get: Get | None = None
    put: Set | None = None
    field: str = ""  # of the engine, for what is said of the whole cam
    inside: tuple[float, float] = (0.0, 0.0)
    shown: tuple[str, str, str] = ("", "", "")  # both, intake, exhaust as they stand


def _plain(field: str, inside: tuple[float, float]) -> tuple[Get, Set]:
    return (
        lambda lobe, unit: card_text.length_text(lobe, field, unit),
        lambda lobe, text, unit: card_text.read_length(lobe, field, text, unit, inside),
    )


_LINES = (
    _Line("durations", "durations at lobe lift", "271 at .006, 227 at .050",
          card_text.durations_text, lambda lobe, text, unit: _with(lobe, durations=card_text.read_durations(text, unit))),
    _Line("centreline", "centreline", "108", lambda lobe, unit: card_text.centreline_text(lobe),
          lambda lobe, text, unit: card_text.read_centreline(lobe, text)),
    _Line("events", "opens, closes at lobe lift", "9 BTDC, 44 ABDC at .050", card_text.events_text, card_text.read_events),
    _Line("tdc", "lift at TDC", ".080, or .120 valve", card_text.tdc_lift_text, card_text.read_tdc_lift),
    _Line("gross", "gross valve lift at a ratio", ".517 at 1.45", card_text.gross_text, card_text.read_gross),
    _Line("cold", "lash, cold", ".018", *_plain("lash_cold_mm", (0.0, 3.0))),
    _Line("hot", "lash, hot", ".016", *_plain("lash_hot_mm", (0.0, 3.0))),
    _Line("base", "base circle, diameter", "1.250", *_plain("base_circle_mm", (5.0, 120.0))),
    _Line("source", "card", "whose card it is", lambda lobe, unit: lobe.source,
          lambda lobe, text, unit: _with(lobe, source=text.strip())),
    _Line("separation", "lobe separation", "110", field="cam_separation_deg", inside=(60.0, 160.0)),
    _Line("advance", "advance ground in", "4, or -2 retarded", field="cam_advance_deg", inside=(-30.0, 30.0)),
)  # fmt: skip
_ROLES: tuple[Role, Role] = ("intake", "exhaust")


class CardPage(QWidget):
    """Each line is typed as cards print it; what contradicts another line is named below."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.table = RecordTable(self._columns(), self.tr("The cam card"))
        self.table.records.refused.connect(session.warned)
        self.written = hint_label("")
        self.table.selectionModel().currentRowChanged.connect(lambda *_: self._say_how())
        self.found = Label()
        self.found.setWordWrap(True)
        self.found.setObjectName("working")
        self.found.setAccessibleName(self.tr("What the card comes to"))
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(hint_label(self.tr(
            "Type what the card prints, in its own way; leave the rest blank. Lobe lift, ratio, lash and the loads asked for "
            "are stated with their tolerances on the engine's own page."
        )))  # fmt: skip
        column.addWidget(self.table)
        column.addWidget(self.written)
        column.addWidget(self.found)
        column.addLayout(in_row(button(self.tr("Lobe lift, ratio, lash…"), lambda: session.show_page("Cam card"))))
        column.addStretch(1)
        self._unit = ""

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.table.setFixedHeight(round((27 * len(_LINES) + 34) * zoom))
        self.table.verticalHeader().setDefaultSectionSize(round(27 * zoom))
        self.table.dress(theme, zoom)

    def refresh(self) -> None:
        """Follow the session."""
        from honest_lift.words.cam.card import card_words

        unit = self.session.unit("length")
        fresh = unit != self._unit
        self._unit = unit
        self.table.show_records([self._line(one) for one in _LINES], self._columns() if fresh else None)
        if self.table.current is None:
            self.table.setCurrentIndex(self.table.records.index(0, 1))
        self._say_how()
        self.found.setText("\n".join(card_words(self.session.book)))

    def _say_how(self) -> None:
        line = self.table.current
        self.written.setText(self.tr("Written as: {0}").format(line.example) if line else "")

    def _line(self, line: _Line) -> _Line:
        """Give a line with what stands in its cells."""
        if line.field:
            value = getattr(self.session.engine, line.field)
            return _shown(line, ("" if value is None else f"{value:g}", "", ""))
        return _shown(line, ("", *(line.get(self._lobe(role), self._unit) if line.get else "" for role in _ROLES)))

    def _lobe(self, role: Role) -> CamLobe:
        return next((one for one in self.session.engine.lobes if one.id == role), CamLobe(role))

    def _columns(self) -> list[Column]:
        return [
            Column(self.tr("the card says"), lambda line: line.title, width=170),
            Column(
                self.tr("intake"), lambda line: line.shown[1], lambda line, text: self._put(line, text, 0), width=258
            ),
            Column(
                self.tr("exhaust"), lambda line: line.shown[2], lambda line, text: self._put(line, text, 1), width=258
            ),
            Column(self.tr("both"), lambda line: line.shown[0], lambda line, text: self._put(line, text, None)),
        ]

    def _put(self, line: _Line, text: str, side: int | None) -> _Line:
        if line.field:
            if side is not None:
                raise EntryError("this is said of the whole cam: type it under both")
            value = _signed(text, line.inside)
            self.session.do(Describe({line.field: value}, f"{line.title} {text.strip() or 'not stated'}"))
        elif side is None:
            raise EntryError("intake and exhaust apart: type it under one of them")
        elif line.put:
            before = self._lobe(_ROLES[side])
            lobe = line.put(before, text, self._unit)
            anew = lobe.gross_lobe_mm != before.gross_lobe_mm  # a lift stated now speaks of the camshaft there is now
            self.session.do(Put("lobes", replace(lobe, when=now()) if anew else lobe))
        return self._line(line)


def _shown(line: _Line, cells: tuple[str, str, str]) -> _Line:
    return _Line(line.id, line.title, line.example, line.get, line.put, line.field, line.inside, cells)


def _with(lobe: CamLobe, **changed) -> CamLobe:
    from msgspec.structs import replace

    return replace(lobe, **changed)


def _signed(text: str, inside: tuple[float, float]) -> float | None:
    """Read degrees that may be negative: retarded."""
    plain = text.strip().replace("\u2212", "-")
    sign = -1.0 if plain.startswith("-") or plain.lower().endswith("retarded") else 1.0
    figure = plain.removeprefix("-").removeprefix("+").lower().removesuffix("retarded").removesuffix("advanced").strip()
    value = parse(figure, Field.within("angle", "deg", (0.0, inside[1])))
    if value is None:
        return None
    if sign * value < inside[0]:
        raise EntryError(f"“{plain}”: it lies within {inside[0]:g} to {inside[1]:g} degrees.")
    return sign * value
