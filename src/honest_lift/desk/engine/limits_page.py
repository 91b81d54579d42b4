"""Limits with their rules and sources, and the tolerances of figures that are stated and not measured."""

from __future__ import annotations

from math import isfinite, nan

from msgspec.structs import replace
from PyQt6.QtWidgets import QComboBox

from honest_lift.checks.catalog import CHECKS
from honest_lift.desk.engine.page import Page, button, hint_label
from honest_lift.desk.label import Label
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.scene_view import SceneView
from honest_lift.desk.session import Session
from honest_lift.drawings.spring.height_axis import Dot, height_axis_scene
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import Drop, Put, SetTolerance, new_id
from honest_lift.facts.engine import Engine
from honest_lift.facts.limits import RULES, Limit, Tolerance, in_another_unit, is_of, rules_of
from honest_lift.facts.pieces import between_pieces, may_stand_for_others
from honest_lift.facts.sources import ORIGIN_WORDS, origin_of, published
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.in_own_unit import in_own_unit
from honest_lift.numbers.units import from_inside, in_figures, in_words

_FINE = ("guide_clearance", "spring_seat_level", "spring_seat_runout", "tip_level")  # limits in tenths of a thousandth
_OWN = "own"
_HINT = (
    "Every limit says its rule and its source. Where builders disagree, choose a rule; where none fits, put your own "
    "figure in and say whose it is. With no limit a check reports its figure and is unproven."
)
_LIFTERS = ("any", "solid flat", "solid roller", "hydraulic flat", "hydraulic roller")


class LimitsPage(Page):
    """A table of limits and one of tolerances."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self._asked = ("", "", "")
        self.limits = self.follow(RecordTable((), self.tr("Limits")), self._put_limit)
        self.column.addWidget(self.limits, 4)
        self.checks = QComboBox()
        self.checks.setAccessibleName(self.tr("check to limit"))
        self.checks.addItems([_words(name) for name in CHECKS])
        self.add = button(self.tr("Add"), self._add)
        self.add_row(
            Label(self.tr("another limit for")), self.checks, self.add,
            button(self.tr("Delete limit"), self._drop),
        )  # fmt: skip
        self.drawing = SceneView()
        self.drawing.wish(150)
        self.drawing.setAccessibleName(self.tr("This engine's figures inside the chosen limit"))
        self.column.addWidget(self.drawing)
        self.why = hint_label("")
        self.column.addWidget(self.why)
        self.column.addWidget(hint_label(self.tr("Tolerances of figures stated on a card, where the card gives none:")))
        self.tolerances = self.follow(RecordTable((), self.tr("Tolerances")), lambda one: session.do(SetTolerance(one)))
        self.column.addWidget(self.tolerances, 2)
        self.limits.selectionModel().currentRowChanged.connect(lambda *_: self._show_why())
        self._units = ("", "")
        self.refresh()

    def refresh(self) -> None:
        engine = self.session.engine
        units = (engine.unit("length"), engine.unit("load"))
        fresh = units != self._units
        self._units = units
        self.limits.show_records(engine.limits, self._columns() if fresh else None)
        self.tolerances.show_records(_shown(engine), self._tolerance_columns() if fresh else None)

    def _show_why(self) -> None:
        limit = self.limits.current
        self._draw(limit)
        lines = [self._own(f"{one.limit.rule}: {one.why}") for one in rules_of(limit.check)] if limit else []
        self.why.setText("   ".join(lines))

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.drawing.dress(theme, zoom)

    def _draw(self, limit: Limit | None) -> None:
        """Draw every figure of the engine that the chosen limit is held against, inside its window."""
        seen = self.session.examination
        if limit is None or seen is None:
            self.drawing.show_scenes([])
            return
        dimension, unit = _dimension(limit.check), self._unit(limit.check)
        here = [one for one in seen.findings if one.check.name == limit.check and is_of(one.limit, limit.id)]

        def own(value: float | None) -> float:
            return nan if value is None else from_inside(value, dimension, unit)

        dots = [
            Dot(one.position or one.place.name, own(one.figure), one.position == self.session.position) for one in here
        ]
        low, high = (here[0].lowest, here[0].highest) if here else (nan, nan)
        ends = tuple(own(end) if isfinite(end) else nan for end in (low, high))
        title = f"{_words(limit.check).lower()}, {unit}" if unit else _words(limit.check).lower()
        places = 3 if unit == "in" else 2
        self.drawing.show_scenes(
            [(1, height_axis_scene(dots, ends[0], ends[1], places, unit, title, "{low} to {high}"))]
        )

    # --- limits ---

    def _columns(self) -> list[Column]:
        return [
            Column("check", lambda r: _words(r.check), width=160, hover=lambda r: _meaning(r.check)),
            Column("rule", lambda r: self._own(r.rule), self._put_rule, self._rules, width=190),
            Column(
                "min",
                lambda r: self._figure(r, r.lowest),
                lambda r, t: self._put_end(r, t, "lowest"),
                right=True,
                width=78,
            ),
            Column(
                "max",
                lambda r: self._figure(r, r.highest),
                lambda r, t: self._put_end(r, t, "highest"),
                right=True,
                width=78,
            ),
            Column(
                "comfort",
                lambda r: self._figure(r, r.comfort),
                lambda r, t: replace(r, comfort=self._parse(r, t)),
                right=True,
                width=78,
            ),
            Column(
                "role",
                lambda r: r.role or "both",
                lambda r, t: replace(r, role="" if t == "both" else t),
                lambda: ("both", "intake", "exhaust"),
                width=70,
            ),
            Column(
                "lifters",
                lambda r: r.lifter or "any",
                lambda r, t: replace(r, lifter="" if t == "any" else t),
                lambda: _LIFTERS,
                width=110,
            ),
            Column(
                "guides",
                lambda r: r.material or "any",
                lambda r, t: replace(r, material="" if t == "any" else t),
                lambda: ("any", "iron", "bronze"),
                width=70,
            ),
            Column(
                "from",
                lambda r: ORIGIN_WORDS[r.origin],
                lambda r, t: replace(r, origin=origin_of(t)),
                lambda: tuple(ORIGIN_WORDS.values()),
                width=120,
            ),
            Column("source", lambda r: published(r.source), lambda r, t: replace(r, source=t.strip())),
        ]

    def _unit(self, check: str) -> str:
        return self.session.unit(_dimension(check))

    def _figure(self, limit: Limit, value: float | None) -> str:
        dimension, unit = _dimension(limit.check), self._unit(limit.check)
        fine = 4 if limit.check in _FINE and unit == "in" else 3 if limit.check in _FINE and unit == "mm" else None
        return "" if value is None else in_figures(value, dimension, unit, fine)

    def _parse(self, limit: Limit, text: str) -> float | None:
        dimension = _dimension(limit.check)
        return parse(text, Field.within(dimension, self._unit(limit.check), (-9000.0, 9000.0)))

    def _put_end(self, limit: Limit, text: str, which: str) -> Limit:
        value = self._parse(limit, text)
        self._ask_once(limit, which, value, text)
        changed = replace(limit, **{which: value}, set_aside=False)
        if changed.lowest is not None and changed.highest is not None and changed.lowest > changed.highest:
            raise EntryError("the min is above the max")
        return replace(changed, rule=_OWN if changed != limit else limit.rule)

    def _ask_once(self, limit: Limit, which: str, value: float | None, text: str) -> None:
        """Refuse once a limit that another unit would make one of the rules; the same typed again is taken."""
        asked, self._asked = self._asked, (limit.id, which, text)
        is_length = value is not None and _dimension(limit.check) == "length"
        meant = in_another_unit(limit.check, which, value) if is_length else None
        if meant is None or asked == (limit.id, which, text):
            return
        dimension, unit = _dimension(limit.check), self._unit(limit.check)
        other = self.tr("millimetres") if unit == "in" else self.tr("inches")
        known = in_words(meant, dimension, unit)
        raise EntryError(
            self.tr("{0} {1} would be the usual {2}: are {1} meant? Type it again to take it in {3}.").format(
                text.strip(), other, known, unit
            )
        )

    def _rules(self) -> list[str]:
        limit = self.limits.current
        return [*(self._own(one.limit.rule) for one in rules_of(limit.check)), _OWN] if limit else []

    def _own(self, text: str) -> str:
        """Tell lengths of a rule in the unit of the engine."""
        return in_own_unit(text, self.session.unit("length"))

    def _put_rule(self, limit: Limit, text: str) -> Limit:
        rule = next(
            (one.limit for one in RULES if one.limit.check == limit.check and self._own(one.limit.rule) == text), None
        )
        if rule is None:
            return replace(limit, rule=text)
        return replace(rule, id=limit.id, role=limit.role, lifter=limit.lifter)

    def _put_limit(self, limit: Limit) -> None:
        self.session.do(Put("limits", limit))

    def _add(self) -> None:
        check = list(CHECKS)[self.checks.currentIndex()]
        self.session.do(Put("limits", Limit(new_id(), check, origin="shop", rule=_OWN, source="")))
        self.limits.ready(len(self.session.engine.limits) - 1, 2)

    def land(self, about: str) -> bool:
        """Stand in the limit of a check, or at the button that adds one; tell whether it is a check."""
        if about not in CHECKS:
            return False
        row = next((i for i, one in enumerate(self.limits.records.records) if one.check == about), None)
        if row is not None:
            self.limits.ready(row, 2)
        else:
            self.checks.setCurrentIndex(list(CHECKS).index(about))
            self.add.setFocus()
        return True

    def _drop(self) -> None:
        if self.limits.current is None:
            self.session.warned.emit(self.tr("Choose the limit to take out."))
            return
        self.session.do(Drop("limits", self.limits.current.id))

    # --- tolerances ---

    def _tolerance_columns(self) -> list[Column]:
        return [
            Column("figure", lambda r: CATALOG[r.quantity].title, width=240),
            Column("plus or minus", self._plus_minus, self._put_plus_minus, right=True, width=120),
            Column(
                "percent",
                lambda r: "" if r.percent is None else f"{r.percent:g}",
                self._put_percent,
                right=True,
                width=90,
            ),
            Column("between pieces ±", self._between, self._put_between, right=True, width=130),
            Column("source", lambda r: published(r.source), lambda r, t: replace(r, source=t.strip())),
        ]

    def _between(self, row: Tolerance) -> str:
        """Show what is stated, else what is usual for the kind."""
        dimension = CATALOG[row.quantity].dimension
        if not may_stand_for_others(CATALOG[row.quantity]) or (row.between is None and dimension == "area"):
            return ""
        places = 4 if dimension == "length" else None
        return in_figures(between_pieces((row,), row.quantity, 0.0), dimension, self.session.unit(dimension), places)

    def _put_between(self, row: Tolerance, text: str) -> Tolerance:
        dimension = CATALOG[row.quantity].dimension
        return replace(row, between=parse(text, Field.within(dimension, self.session.unit(dimension), (0.0, 100.0))))

    def _plus_minus(self, row: Tolerance) -> str:
        dimension = CATALOG[row.quantity].dimension
        places = 4 if dimension == "length" else None
        return (
            ""
            if row.plus_minus is None
            else in_figures(row.plus_minus, dimension, self.session.unit(dimension), places)
        )

    def _put_plus_minus(self, row: Tolerance, text: str) -> Tolerance:
        dimension = CATALOG[row.quantity].dimension
        value = parse(text, Field.within(dimension, self.session.unit(dimension), (0.0, 100.0)))
        return replace(row, plus_minus=value, percent=None if value is not None else row.percent)

    def _put_percent(self, row: Tolerance, text: str) -> Tolerance:
        value = parse(text, Field.within("percent", "%", (0.0, 100.0)))
        return replace(row, percent=value, plus_minus=None if value is not None else row.plus_minus)


def _shown(engine: Engine) -> tuple[Tolerance, ...]:
    """Give the tolerances of an engine, and a row for whatever else may be read on one piece for others."""
    known = {one.quantity for one in engine.tolerances}
    more = (name for name, row in CATALOG.items() if name not in known and may_stand_for_others(row))
    return (*engine.tolerances, *(Tolerance(name, source="") for name in more))


def _dimension(check: str) -> str:
    """Give the dimension a check is limited in; a length of one that a file of another version names."""
    return CHECKS[check].dimension if check in CHECKS else "length"


def _meaning(check: str) -> str:
    return f"{CHECKS[check].title}: {CHECKS[check].meaning}" if check in CHECKS else ""


def _words(check: str) -> str:
    return CHECKS[check].title if check in CHECKS else check.replace("_", " ")  # one that only another version knows
