"""A step of the job as one row: everything the window has to know of it."""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING, Protocol

from msgspec import Struct

if TYPE_CHECKING:
    from PyQt6.QtWidgets import QWidget

    from honest_lift.desk.reading_bar import ReadingBar
    from honest_lift.desk.session import Session
    from honest_lift.desk.steps.task import Task
    from honest_lift.desk.theme import Theme

CHOSEN = "chosen"  # walks along places of the kind that was chosen last


class Sheet(Protocol):
    """What the window asks of a sheet, which is a widget besides. It follows the session by itself (`desk/following.py`)."""

    def dress(self, theme: Theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        ...

    def refresh(self) -> None:
        """Follow the session."""
        ...


class Step(Struct, frozen=True):
    """One step. `title` on the route, `menu` with its access key, `keys` its shortcut.

    `walks`: the kind of place that one walks along, `position`, `spring`, `cylinder` or CHOSEN. `reads`: quantities that are read
    on its sheet and on no other. `tasks`: what the reading bar can be asked for there; it keeps away where not `has_bar`.
    `progress`: how much of it is there, and of how much. `make`: its sheet, made when it is first opened and tied to the bar.
    """

    key: str
    title: str
    menu: str
    keys: str
    progress: Callable[[Session], tuple[int, int]]
    make: Callable[[Session, ReadingBar], QWidget]
    tasks: Callable[[Session], list[Task]]
    walks: str = "position"
    reads: frozenset[str] = frozenset()
    is_judged: bool = False
    has_bar: bool = True
    shows: str = "coil_bind_clearance"  # the check whose figure the heads carry, until a person picks another
    counts: str = ""  # what its progress counts, in words
    pages: tuple[str, ...] = ()  # of the sheet, where other places may ask for one

    @property
    def is_walked_by_choice(self) -> bool:
        """Tell whether one walks there along whatever kind of place was chosen last."""
        return self.walks == CHOSEN
