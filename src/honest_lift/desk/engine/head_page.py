"""Parts of the head that valves share: tips, pockets, retainers and locks, stated or measured for all alike."""

from __future__ import annotations

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.desk.engine.page import Page, hint_label
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.record_table import Column, RecordTable
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Describe
from honest_lift.facts.engine import Engine
from honest_lift.facts.made_of import MadeOf
from honest_lift.facts.place import Place, at_position, at_role

_PLACES = {
    "seat_plane": ("",), "tip_height_target": ("", "intake", "exhaust"), "retainer_angle": ("",), "lock_angle": ("",),
    "lock_stem": ("", "intake", "exhaust"), "stem_at_lock": ("", "intake", "exhaust"), "lock_length": ("",),
    "retainer_spigot": ("",), "retainer_under": ("", "intake", "exhaust"), "parts_offset": ("",),
    "floor_diameter": ("",), "pilot_diameter": ("",),
    "retainer_mass": ("", "intake", "exhaust"), "valve_mass": ("intake", "exhaust"),
}  # fmt: skip
_HINT = (
    "What holds for all valves alike. Locks and retainer must have one angle; 7 and 10 degrees look alike. Where another "
    "part is fitted at one valve later, only a reading of its own speaks of it. What is left blank is not checked, but for "
    "the angles, which are."
)


_DIFFERS = (
    "Guides and hardened bases, where they differ from what is stated for the whole engine; the nearest place counts:"
)
_AS_ENGINE = "as the engine"


class _Row(Struct, frozen=True):
    """A place, and what differs there."""

    id: str
    made: MadeOf


class HeadPage(Page):
    """A table of stated and measured figures, and one of what differs by place."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _HINT)
        self.stated = StatedTable(session, _PLACES, self.tr("Parts of the head"), 330)
        self.facts = self.follow(self.stated.view, lambda row: None)
        self.column.addWidget(self.facts, 3)
        self.column.addWidget(hint_label(self.tr(_DIFFERS)))
        self.made_of = self.follow(RecordTable(self._columns(), self.tr("Guides and bases by place")), self._put)
        self.column.addWidget(self.made_of, 2)
        self.refresh()

    def refresh(self) -> None:
        self.stated.refresh()
        self.made_of.show_records(_rows(self.session.engine))

    def _columns(self) -> list[Column]:
        def chooser(title: str, field: str, words: tuple[str, ...]) -> Column:
            return Column(
                self.tr(title),
                lambda row: getattr(row.made, field) or _AS_ENGINE,
                lambda row, text: replace(row, made=replace(row.made, **{field: "" if text == _AS_ENGINE else text})),
                lambda: (_AS_ENGINE, *words),
                width=170,
            )

        return [
            Column(self.tr("place"), lambda row: row.made.place.title, width=200),
            chooser("guides of", "guides", ("iron", "bronze")),
            chooser("hardened base", "base", ("fitted", "none")),
        ]

    def _put(self, row: _Row) -> bool:
        others = tuple(one for one in self.session.engine.made_of if one.place != row.made.place)
        made = (*others, row.made) if row.made.guides or row.made.base else others
        return self.session.do(Describe({"made_of": made}, f"guides and bases of {row.made.place.title}"))


def _rows(engine: Engine) -> list[_Row]:
    """Give every head, role and valve with what differs there."""
    stated = {one.place: one for one in engine.made_of}
    places = [Place("head", one.name) for one in engine.layout.heads]
    places += [at_role(role) for role in ("intake", "exhaust")] + [
        at_position(one.id) for one in engine.layout.positions
    ]
    return [_Row(f"{one.kind}/{one.name}", stated.get(one, MadeOf(one))) for one in places]
