"""Where one stands in an engine, and what comes after: along valves, springs or cylinders, or along what the plan asks for."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from honest_lift.desk.steps.order import STEPS
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import Place, at_cylinder, at_position, of_spring

if TYPE_CHECKING:
    from honest_lift.plans.next_reading import NextStep


class Walking:
    """The part of the session that walks. `walks`: the kind of place chosen last; `queue`: what is being walked, place by place."""

    step: str
    position: str
    spring: str
    walks: str
    plan: tuple[NextStep, ...]
    queue: NextStep | None
    order: tuple[str, ...] = ()  # valves are walked in it, where a plan gives one; else in head order
    moved: Any  # a signal
    told: Any

    @property
    def engine(self) -> Engine:
        """Give the present engine."""
        raise NotImplementedError

    def leave_queue(self) -> None:
        """Walk every place again, not only those that the plan asks for."""
        self.queue = None

    def is_read_again(self, quantity: str) -> bool:
        """Tell whether a quantity is walked to be read once more, beside what stands there."""
        return self.queue is not None and self.queue.repeat and self.queue.quantity == quantity

    def _left_of_queue(self) -> list[str]:
        """Give the places of the queue that still want a reading, in the order they are walked."""
        queue = self.queue
        if queue is None:
            return []
        return [place.name for one in self.plan if one.asks_as(queue) for place in one.places]

    def _next_in_queue(self) -> str:
        """Give the place after the current one that still wants a reading; "" when there is none."""
        left, (names, here) = self._left_of_queue(), self._walked()
        at = names.index(here) if here in names else -1
        return next((one for one in names[at + 1 :] + names[:at] if one in left), "")

    def _stand_at(self, name: str) -> None:
        kind = self._walk_kind
        if kind == "spring":
            self.spring, self.position = name, self.engine.position_of(name) or self.position
            return
        self.position = (*self.engine.layout.of_cylinder(name), self.position)[0] if kind == "cylinder" else name
        self.spring = self.engine.spring_at(self.position) or self.spring

    @property
    def _walk_kind(self) -> str:
        step = STEPS[self.step]
        return self.walks if step.is_walked_by_choice else step.walks

    @property
    def cylinder(self) -> str:
        """Give the current valve's cylinder; "" for none."""
        one = self.engine.position(self.position)
        return str(one.cylinder) if one else ""

    def walk_along(self, kind: str) -> None:
        """Walk along places of another kind on the sheet of all readings."""
        if kind != self.walks:
            self.walks = kind
            self.moved.emit()

    def go_place(self, place: Place) -> None:
        """Make a place the current one."""
        self._stand_at(place.name)
        self.moved.emit()

    def _step(self, by: int) -> None:
        if self.queue and by == 1:
            if there := self._next_in_queue():
                self._stand_at(there)
            else:
                self.queue = None
                self.told.emit("That was the last of these.")
            return
        names, here = self._walked()
        if not names:
            return
        self._stand_at(names[(names.index(here) + by) % len(names)] if here in names else names[0])

    def _walked(self) -> tuple[list[str], str]:
        """Give the names one walks along at the open step, and where one stands."""
        if self._walk_kind == "spring":
            return [one.id for one in self.engine.springs], self.spring
        if self._walk_kind == "cylinder":
            return [str(one) for one in self.engine.layout.cylinders], self.cylinder
        names = [one.id for one in self.engine.layout.positions]
        return [one for one in self.order if one in names] or names, self.position

    def following(self) -> str:
        """Say in words which place comes after the current one; "" when none does."""
        names, here = self._walked()
        if here not in names:
            return ""
        after = self._next_in_queue() if self.queue else names[(names.index(here) + 1) % len(names)]
        if not after:
            return ""
        return {"spring": of_spring(after), "cylinder": at_cylinder(after)}.get(
            self._walk_kind, at_position(after)
        ).title
