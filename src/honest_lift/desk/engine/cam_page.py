"""The cam card's figures: lifts, ratio, lash, the height to set up to, and the loads the cam's maker asks for."""

from __future__ import annotations

from msgspec.structs import replace
from PyQt6.QtWidgets import QFormLayout, QLineEdit

from honest_lift.desk.engine.page import Page, hint_label
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe, Drop, Put
from honest_lift.facts.limits import Limit
from honest_lift.numbers.entry import Field, parse
from honest_lift.numbers.units import in_figures

_PLACES = {
    "lobe_lift": ("intake", "exhaust"), "rocker_ratio": ("", "intake", "exhaust"), "lash": ("intake", "exhaust"),
    "lifter_bleed": ("intake", "exhaust"),
    "target_height": ("", "intake", "exhaust"), "locator_thickness": ("",), "retainer_thickness": ("",),
    "tip_to_step": ("",),
}  # fmt: skip
_HINT = (
    "What the cam card says. A figure from a card carries its tolerance; an assumed one needs a range and can never "
    "pass; a measured one is a reading with the drawer's tool."
)


class CamPage(Page):
    """Two tables: stated figures, and loads asked for."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.card = QLineEdit()
        self.card.setAccessibleName(self.tr("cam card"))
        form = QFormLayout()
        form.addRow(self.tr("cam card"), self.card)
        self.column.addLayout(form)
        self.stated = StatedTable(session, _PLACES, self.tr("Stated figures"))
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 3)
        self.column.addWidget(
            hint_label(
                self.tr(
                    "Loads asked for: the cam maker's, else a manual's, else the shop's by lifter kind. With none, unproven."
                )
            )
        )
        self.asked = self.follow(RecordTable(self._asked_columns(), self.tr("Loads asked for")), self._put_limit)
        self.column.addWidget(self.asked, 2)
        self.card.editingFinished.connect(self._name_card)
        self._shown = ("", "")
        self.refresh()

    def refresh(self) -> None:
        engine = self.session.engine
        self.card.setText(engine.cam_card)
        units = (engine.unit("length"), engine.unit("load"))
        fresh = units != self._shown
        self._shown = units
        self.stated.refresh()
        self.asked.show_records(self._asked(), self._asked_columns() if fresh else None)

    def _name_card(self) -> None:
        if self.card.text() != self.session.engine.cam_card:
            self.session.do(Describe({"cam_card": self.card.text()}, f"cam card: {self.card.text()}"))

    # --- loads asked for ---

    def _asked(self) -> list[Limit]:
        """Give the load limits, and an empty line for each that could be stated."""
        stated = [one for one in self.session.engine.limits if one.check in ("seat_load", "open_load")]
        free = [
            Limit(f"cam-{check}{role and '-' + role}", check, origin="cam card", role=role)
            for check in ("seat_load", "open_load")
            for role in ("", "intake", "exhaust")
        ]
        known = {(one.check, one.role) for one in stated}
        return stated + [one for one in free if (one.check, one.role) not in known]

    def _asked_columns(self) -> list[Column]:
        unit = self.session.unit("load")
        return [
            Column("load", lambda r: f"{r.check.replace('_', ' ')}, {r.role or 'both'}", width=150),
            Column(
                f"min, {unit}",
                lambda r: self._load(r.lowest),
                lambda r, t: replace(r, lowest=self._parse_load(t)),
                right=True,
                width=90,
            ),
            Column(
                f"max, {unit}",
                lambda r: self._load(r.highest),
                lambda r, t: replace(r, highest=self._parse_load(t)),
                right=True,
                width=90,
            ),
            Column(
                "asked for by",
                lambda r: r.origin,
                lambda r, t: replace(r, origin=t),
                lambda: ("cam card", "manual", "shop"),
                width=110,
            ),
            Column("source", lambda r: r.source, lambda r, t: replace(r, source=t.strip())),
        ]

    def _load(self, value: float | None) -> str:
        return "" if value is None else in_figures(value, "load", self.session.unit("load"))

    def _parse_load(self, text: str) -> float | None:
        return parse(text, Field.within("load", self.session.unit("load"), (1.0, 9000.0)))

    def _put_limit(self, limit: Limit) -> None:
        if limit.lowest is not None and limit.highest is not None and limit.lowest > limit.highest:
            self.session.warned.emit(self.tr("The min load is above the max; one of them is mistyped."))
            self.asked.show_records(self._asked(), self._asked_columns())
            return
        known = any(one.id == limit.id for one in self.session.engine.limits)
        if limit.lowest is None and limit.highest is None and known:
            self.session.do(Drop("limits", limit.id))
        else:
            source = limit.source or self.session.engine.cam_card
            self.session.do(Put("limits", replace(limit, source=source)))
