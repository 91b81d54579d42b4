"""The changes of a trial as a table edited in place: what is changed, where, and by how much."""

from __future__ import annotations

from collections.abc import Sequence

from msgspec.structs import replace
from PyQt6.QtCore import pyqtSignal

from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.card_text import read_durations
from honest_lift.facts.changes import KINDS, Change, ChangeKind, places_of
from honest_lift.facts.edits import new_id
from honest_lift.facts.place import position_title
from honest_lift.numbers.entry import EntryError, Field, parse
from honest_lift.numbers.units import in_figures

_ANOTHER = "choose a change…"
_EVERYWHERE = "everywhere"


class ChangesTable(RecordTable):
    """Rows of changes, and one more to choose another in. `changed`: there are other changes."""

    changed = pyqtSignal()

    def __init__(self, session: Session) -> None:
        self.session = session
        self.changes: tuple[Change, ...] = ()
        self._next = Change(new_id(), "")
        self._unit = session.unit("length")
        super().__init__(self._columns(), session.tr("Changes of this trial"))
        self.records.put.connect(self._take)
        self.records.refused.connect(session.warned)

    def show_changes(self, changes: Sequence[Change]) -> None:
        """Show other changes, without telling anyone."""
        self.changes = tuple(changes)
        fresh = self._unit != self.session.unit("length")
        self._unit = self.session.unit("length")
        self.show_records([*self.changes, self._next], self._columns() if fresh else None)

    def drop(self) -> None:
        """Take the chosen change out."""
        chosen = self.current
        if chosen is not None and chosen.kind:
            self.show_changes([one for one in self.changes if one.id != chosen.id])
            self.changed.emit()

    @property
    def chosen(self) -> Change | None:
        """Give the chosen change, else the last one; None where there is none."""
        own = self.current
        return own if own is not None and own.kind else (self.changes[-1] if self.changes else None)

    def put_amount(self, change: Change, amount: float) -> None:
        """Give a change another amount."""
        self._take(replace(change, amount=amount))

    def _take(self, change: Change) -> None:
        if not change.kind:
            return
        known = any(one.id == change.id for one in self.changes)
        others = tuple(change if one.id == change.id else one for one in self.changes)
        if not known:
            self._next = Change(new_id(), "")
        self.show_changes(others if known else (*self.changes, change))
        self.changed.emit()

    # --- the columns ---

    def _columns(self) -> tuple[Column, ...]:
        tr, titles = self.session.tr, [one.title for one in KINDS.values()]
        return (
            Column(tr("what is changed"), self._kind_words, self._put_kind, lambda: titles, width=250),
            Column(tr("where"), self._where_words, self._put_where, choices_of=self._wheres, width=118),
            Column(tr("by, or to"), self._amount_words, self._put_amount, right=True),
        )  # fmt: skip

    def _kind_words(self, one: Change) -> str:
        return KINDS[one.kind].title if one.kind else _ANOTHER

    def _put_kind(self, one: Change, text: str) -> Change:
        kind = next((kind for kind in KINDS.values() if kind.title == text), None)
        if kind is None:
            raise EntryError(f"“{text}” is no change that can be tried: choose one of the list.")
        return Change(one.id, kind.key, "", self._present(kind))

    def _present(self, kind: ChangeKind) -> float:
        """Give the figure a change starts from: nothing, or what stands now where the amount is the new figure."""
        from honest_lift.words.present_figures import present_figure

        return present_figure(self.session.book, kind) if kind.how == "to" else 0.0

    def _wheres(self, one: Change) -> list[str]:
        if not one.kind:
            return [_EVERYWHERE]
        return [self._where(KINDS[one.kind], where) for where in places_of(self.session.engine.layout, KINDS[one.kind])]

    def _where(self, kind: ChangeKind, where: str) -> str:
        if not where:
            return _EVERYWHERE
        if kind.slot == "piston":
            return f"cylinder {where}"
        return position_title(where) if self.session.engine.position(where) else where

    def _where_words(self, one: Change) -> str:
        return self._where(KINDS[one.kind], one.where) if one.kind else ""

    def _put_where(self, one: Change, text: str) -> Change:
        if not one.kind:
            raise EntryError("Choose what is changed first.")
        kind = KINDS[one.kind]
        for where in places_of(self.session.engine.layout, kind):
            if text in (self._where(kind, where), where):
                return replace(one, where=where)
        raise EntryError(f"“{text}”: choose one of {', '.join(self._wheres(one))}.")

    def _amount_words(self, one: Change) -> str:
        if not one.kind:
            return ""
        kind = KINDS[one.kind]
        if kind.how == "part":
            owner = next((each.name for each in self.session.engine.sets if each.id == one.part), one.part)
            return owner or self.session.tr("name it")
        sign = "+" if kind.how == "by" and one.amount > 0 else ""
        unit = self.session.unit(kind.dimension)
        return f"{sign}{in_figures(one.amount, kind.dimension, unit)} {unit}".rstrip()

    def _put_amount(self, one: Change, text: str) -> Change:
        if not one.kind:
            raise EntryError("Choose what is changed first.")
        kind = KINDS[one.kind]
        if kind.how == "part":
            return replace(one, part=self._part(kind, text.strip()))
        value = parse(text, Field.within(kind.dimension, self.session.unit(kind.dimension), kind.inside))
        return replace(one, amount=value or 0.0)

    def _part(self, kind: ChangeKind, text: str) -> str:
        if kind.key == "cam":
            unit = self.session.unit("length")
            return ", ".join(f"{one.crank_deg:g} at {one.lift_mm:.6g}" for one in read_durations(text, unit))
        sets = self.session.engine.sets
        found = next((one.id for one in sets if text in (one.name, one.id)), None)
        if found is None:
            raise EntryError(
                f"“{text}”: a set of springs is wanted: {', '.join(one.name for one in sets) or 'there is none yet'}."
            )
        return found
