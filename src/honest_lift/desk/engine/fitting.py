"""Fitting a set of springs in head order, at every valve or at those of a role, with what their paint says."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.session import Session
from honest_lift.facts.edits import fit_springs
from honest_lift.facts.paint import paint_words
from honest_lift.facts.parts import SpringSet
from honest_lift.facts.place import at_position


def fit_set(session: Session, owner: SpringSet, role: str = "") -> bool:
    """Fit a set's springs in head order, in the order they are numbered, at the valves of a role or at all; too few is said."""
    names = [one.id for one in session.engine.springs if one.set == owner.id]
    positions = [one.id for one in session.engine.layout.positions if role in ("", one.role)]
    if len(names) < len(positions):
        what = f"{role} valves" if role else "valves"
        session.warned.emit(
            f"{owner.name} has {len(names)} springs for {len(positions)} {what}: the last ones would stay as they are."
        )
        return False
    places = dict(zip(positions, names, strict=False))
    where = f" at the {role} valves" if role else ""
    done = session.do(fit_springs(session.engine, places, f"{owner.name} fitted in head order{where}"))
    tell_of_paint(session, positions)
    return done


def fit_set_or_ask(parent: QWidget, session: Session, owner: SpringSet) -> None:
    """Fit a set at every valve where it has a spring for each; a smaller one is asked where it goes."""
    springs = sum(one.set == owner.id for one in session.engine.springs)
    if springs < len(session.engine.layout.positions):
        ask_where_to_fit(parent, session, owner)
    else:
        fit_set(session, owner)


def ask_where_to_fit(parent: QWidget, session: Session, owner: SpringSet) -> None:
    """Ask at which valves a set goes, the ones it is enough for first, and fit it there."""
    springs = sum(one.set == owner.id for one in session.engine.springs)
    roles = ("", *dict.fromkeys(one.role for one in session.engine.layout.positions))
    counts = {role: sum(role in ("", one.role) for one in session.engine.layout.positions) for role in roles}
    titles = {role: f"the {role} valves, {counts[role]}" if role else f"every valve, {counts['']}" for role in roles}
    enough = next((role for role in roles if counts[role] <= springs), "")
    answer = questions.choose(
        parent, parent.tr("Fit a set"), parent.tr("{0}, {1} springs, in head order at").format(owner.name, springs),
        list(titles.values()), roles.index(enough),
    )  # fmt: skip
    if answer:
        fit_set(session, owner, next(role for role, title in titles.items() if title == answer))


def tell_of_paint(session: Session, positions: Sequence[str]) -> None:
    """Say at fitting which way the paint mark goes, where the springs' cards say so; by role, where it differs."""
    by_words: dict[str, list[str]] = {}
    for name in positions:
        if words := paint_words(session.engine, name):
            by_words.setdefault(words, []).append(at_position(name).role)
    told = [words if len(by_words) == 1 else f"{roles[0]}: {words}" for words, roles in by_words.items()]
    if told:
        session.told.emit(f"{'; '.join(told)[:1].upper()}{'; '.join(told)[1:]}.")
