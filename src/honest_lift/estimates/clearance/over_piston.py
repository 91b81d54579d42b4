"""A valve ready to be turned over its piston: the room at TDC, the crank, what lifts it; each with what it rests on, or missing."""

from __future__ import annotations

from collections.abc import Sequence
from math import isfinite, nan

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cylinder.deck import deck_of
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.of_valve import at_each_valve
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.train.assembled import EveryTrain, Lifted, exact
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, at_position
from honest_lift.numbers.doubt import Ground

CRANK = ("stroke", "rod_length", "pin_offset")
TO_PISTON = ("valve_recess", "gasket_thickness", "deck_clearance", "pocket_depth")
ANGLES = ("valve_lean", "pocket_lean")
WALL = "wall "  # before the names of what is wanted beside the room at TDC, so that a pocket's depth stands there twice


class Through(Struct, frozen=True):
    """One valve ready to be turned over its piston, by name: room at TDC and crank, then what lifts it; or what is missing."""

    position: str
    parts: dict[str, Input]
    lifted: Lifted
    missing: tuple[Input, ...] = ()

    @property
    def inputs(self) -> tuple[Input, ...]:
        """Give its parts, and what else is wanted of it."""
        return tuple(self.parts.values())

    @property
    def alike(self) -> tuple[object, ...]:
        """Give what valves have in common that can be worked out together: how they are carried."""
        return self.lifted.alike

    @property
    def lobes(self) -> object:
        """Give what tells its lobe from others."""
        return self.lifted.lobe_key


class OverPistons:
    """What every valve is put together from over its piston, resolved once for all. `others`: what else is wanted of each."""

    def __init__(self, book: Book, others: tuple[str, ...] = ()) -> None:
        self._trains, self._others = EveryTrain(book), others
        names = ("valve_drop", *TO_PISTON, *ANGLES, *others)
        self._each: dict[str, Sequence[Input]] = {name: at_each_valve(book, name) for name in names}
        self._each["deck_clearance"] = _decks(book)  # read at points of a piston's crown, it is told of its cylinder
        self._crank = {name: resolve(book, name, ENGINE) for name in CRANK}

    def through(self, case: int, position: str) -> Through:
        """Put a valve together, or say what is missing. `case`: its place in head order."""
        room, missing = self._room(case, position)
        crank = {name: _offset(one, position) if name == "pin_offset" else one for name, one in self._crank.items()}
        lean = self._of("valve_lean", case)
        lifted = self._trains.lifted(case, position)
        parts = {**room, **crank, "valve_lean": lean, "pocket_lean": self._floor(case, position, lean), **lifted.parts}
        others = {f"{WALL}{name}": self._of(name, case) for name in self._others}
        wanted = (*crank.values(), lean, *lifted.inputs, *others.values())
        missing += [one for one in wanted if one.ground & Ground.MISSING]
        return Through(position, {**parts, **others}, lifted, tuple(dict.fromkeys(missing)))

    def _of(self, name: str, case: int) -> Input:
        return self._each[name][case]

    def _room(self, case: int, position: str) -> tuple[dict[str, Input], list[Input]]:
        """Give the room at TDC: the drop as it was measured, or what it adds up from; and what of it is missing."""
        drop, place = self._of("valve_drop", case), at_position(position)
        if isfinite(drop.value) or drop.note:
            added = {name: exact(name, place) for name in TO_PISTON}
            return {"valve_drop": drop, **added}, [drop] if not isfinite(drop.value) else []
        parts = {name: self._of(name, case) for name in TO_PISTON}
        if any(not isfinite(one.value) for one in parts.values()):
            return {"valve_drop": drop, **parts}, [drop]
        return {"valve_drop": exact("valve_drop", place, nan), **parts}, []

    def _floor(self, case: int, position: str, lean: Input) -> Input:
        """Give the pocket's angle; where nobody stated one, anything from a flat crown to a floor parallel to the valve."""
        told, place = self._of("pocket_lean", case), at_position(position)
        if isfinite(told.value):
            return told
        if not isfinite(lean.value) or (lean.value == 0.0 and not lean.u):
            return exact("pocket_lean", place)  # of an upright valve any floor gives the same
        low, high = sorted((0.0, lean.value))
        unstated = "the pocket's angle is not stated: anything from a flat crown to a floor parallel to the valve"
        ground = Ground.ASSUMED | (told.ground & Ground.SET_ASIDE)
        return Input("pocket_lean", "", "assumed", lean.value / 2.0, ground=ground, low=low, high=high,
                     note=told.note or unstated, asked=place)  # fmt: skip


def _offset(told: Input, position: str) -> Input:
    """Give the pin's offset; none where nobody stated one."""
    return told if isfinite(told.value) or told.note else exact("pin_offset", at_position(position))


def _decks(book: Book) -> list[Input]:
    of = {str(one): deck_of(book, one).told for one in book.engine.layout.cylinders}
    positions = book.engine.layout.positions
    return [replace(of[str(one.cylinder)], asked=at_position(one.id)) for one in positions]


def over_pistons(book: Book, others: tuple[str, ...] = ()) -> list[Through]:
    """Put every valve together from its parts, in head order; `others`: what else is wanted of each, named after WALL."""
    known = OverPistons(book, others)
    return [known.through(case, one.id) for case, one in enumerate(book.engine.layout.positions)]
