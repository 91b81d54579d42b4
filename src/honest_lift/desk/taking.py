"""How what was typed becomes an edit: a reading, a stack of shims, or an assumption."""

from __future__ import annotations

from msgspec import Struct

from honest_lift.desk.session import Session
from honest_lift.desk.steps.task import Task
from honest_lift.desk.typed_value import HEIGHT, Typed
from honest_lift.facts.edits import Confirm, Edit, EditError, Fit, State, fitment, now, reading_of, readings_at
from honest_lift.facts.fact import Fact
from honest_lift.facts.fitments import STACKS
from honest_lift.facts.journal import Reading
from honest_lift.facts.place import Place
from honest_lift.facts.quantity import Way
from honest_lift.facts.reach import refusal


class Taken(Struct, frozen=True):
    """What is read and how: the task, its place, the way and tool chosen, and what else was typed."""

    task: Task
    place: Place
    way: Way | None
    tool: str = ""
    also: dict[str, str] = {}
    repeat: bool = False


def edit_for(session: Session, taken: Taken, typed: Typed, text: str) -> Edit:
    """Give the edit that takes what was typed. Raises EditError with a sentence."""
    task, place = taken.task, taken.place
    if typed.is_assumed:
        return _assumption(session, taken, typed, text)
    if task.quantity in STACKS:
        thicknesses = (typed.value,) if typed.value else ()
        one = fitment(session.engine, STACKS[task.quantity], place.name, thicknesses_mm=thicknesses)
        return Fit((one,), f"{task.title} at {place.title}: {text}")
    return Confirm((reading_for(session, taken, typed, text),))


def reading_for(session: Session, taken: Taken, typed: Typed, text: str) -> Reading:
    """Give the reading of what was typed; an observation is written down by its own word, its reason as a note.

    Raises EditError where its way lacks a gauge, or its tool cannot have read it.
    """
    task, way, value = taken.task, taken.way, typed.value or 0.0
    if task.row.choices:
        text = task.row.choices[int(value)].key
    gauge = _carrying_gauge(session, way)
    also = {one.key: taken.also.get(one.key, "") or one.usual for one in way.asked} if way else {}
    made = reading_of(
        session.book, task.quantity, taken.place, value, text=text, unit=session.unit(task.row.dimension),
        way=way.key if way else "", tool=taken.tool, repeat=taken.repeat, also=also, at_tool=gauge,
        note=typed.note, at=task.at if typed.at is None else {HEIGHT: typed.at},
        low=typed.low if typed.is_bound else None, high=typed.high if typed.is_bound else None,
    )  # fmt: skip
    if why := refusal(session.engine, made):
        raise EditError(why)
    return made


def _carrying_gauge(session: Session, way: Way | None) -> str:
    """Give the gauge that carries a height to the tester: the drawer's default, else the first of its kind."""
    if way is None or not way.carried_by:
        return ""
    engine = session.engine
    default = engine.tool_for("installed_height", "height_micrometer")
    fitting = [one.id for one in engine.tools if one.kind in way.carried_by]
    if not fitting:
        raise EditError("There is no height micrometer in the drawer to carry the height: add it under Tools.")
    return default.id if default and default.id in fitting else fitting[0]


def _assumption(session: Session, taken: Taken, typed: Typed, text: str) -> State:
    """State an assumption where nobody has measured; a reading there would count instead of it."""
    task, place, row = taken.task, taken.place, taken.task.row
    if row.at or place.kind not in row.places or task.quantity in STACKS:
        raise EditError(f"{task.title[:1].upper()}{task.title[1:]} can't be assumed: it is measured.")
    if any(not one.fate for one in readings_at(session.book, task.quantity, place, task.at)):
        raise EditError(
            "There is a reading here, which counts before an assumption. Strike it out first if it is wrong."
        )
    bound = typed.low == 0.0 == row.physical[0]  # nothing lies below zero; other ends of what is taken are no bounds
    return State((Fact(
        task.quantity, place, typed.value or 0.0, "assumed", text, session.unit(row.dimension), low=typed.low,
        high=typed.high, low_is_physical=bound, source="typed as an assumption", when=now(),
    ),))  # fmt: skip
