"""What stood in the tester beside a spring: retainer, shims or locator, pressed with it, come off the height the tester shows."""

from __future__ import annotations

from math import isfinite, nan

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.estimate import Doubts, Input
from honest_lift.estimates.resolve import counting_readings, resolve
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.edits import readings_at
from honest_lift.facts.engine import Book
from honest_lift.facts.ledger import Standing
from honest_lift.facts.memory.by_quantity import recalled
from honest_lift.facts.place import Place, of_spring
from honest_lift.numbers.doubt import Ground

AT = "test_height"


class Beside(Struct, frozen=True):
    """The parts that were pressed with a spring; `told` is None where nothing else stood in the tester."""

    told: Input | None = None

    @property
    def thick_mm(self) -> float:
        """Give what comes off the height that was shown; 0 where nobody knows it, and then the load proves nothing."""
        return self.told.value if self.told is not None and isfinite(self.told.value) else 0.0

    @property
    def doubts(self) -> Doubts:
        """Give what the height is in doubt of by it: (key, label, u), with the sign it moves the spring's height by."""
        if self.told is None:
            return ()
        own = ((f"scatter:in_tester:{self.told.where}", self.told.title, self.told.own_u),) if self.told.own_u else ()
        return tuple((key, label, -u) for key, label, u in (*self.told.shared, *self.told.each, *own))

    def barring(self, load: Input) -> Input:
        """Bar a load whose height rests on a thickness that is not known, assumed, or not to be trusted."""
        if self.told is None or not self.told.ground:
            return load
        ground = self.told.ground | (Ground.UNRANGED if self.told.ground & Ground.ASSUMED else Ground.NONE)
        words = "not stated" if ground & Ground.MISSING else "assumed" if ground & Ground.ASSUMED else self.told.note
        note = f"what stood in the tester beside it is {words}" if ground & (Ground.MISSING | Ground.ASSUMED) else words
        return replace(load, ground=load.ground | ground, note="; ".join(part for part in (load.note, note) if part))


def beside(book: Book, one: Standing) -> Beside:
    """Give what stood in the tester beside the spring of a reading, by its way."""
    way = CATALOG["spring_load"].way(one.reading.way)
    if way is None or not way.squeezes:
        return Beside()
    return Beside(resolve(book, way.squeezes, of_spring(one.place.name)))


SAME_MM = 0.01  # heights nearer than that are one


def stood_mm(book: Book, one: Standing) -> float:
    """Give the height a spring stood at when its load was read, its own; NaN where the reading names none."""
    return one.reading.at[AT] - beside(book, one).thick_mm if AT in one.reading.at else nan


def pressed_at_mm(book: Book, spring: str) -> tuple[float, ...]:
    """Give the heights a spring was read at, its own, with what stood beside it taken off. Remembered."""
    place = of_spring(spring)
    return recalled(
        book, ("spring_load", "in_tester"), ("pressed at", place),
        lambda: tuple(stood_mm(book, one) for one in counting_readings(book, "spring_load", place)),
    )  # fmt: skip


def loads_read_at(book: Book, place: Place, height_mm: float) -> list[Standing]:
    """Give every load ever read of a spring, or a member of it, standing at a height of its own, oldest first."""
    return [one for one in readings_at(book, "spring_load", place) if abs(stood_mm(book, one) - height_mm) < SAME_MM]
