"""Beside a sheet's own drawing: where what the reading bar asks for is measured, the surfaces lit."""

from __future__ import annotations

from collections.abc import Iterable

from honest_lift.desk.steps.task import Task
from honest_lift.drawings.scene import Scene

Shared = list[tuple[float, Scene]]
_SHARE = 0.62  # of the width of what it stands in for


def beside(scenes: Shared, task: Task | None, own: Iterable[str] = ()) -> Shared:
    """Give the scenes of a sheet with the picture of a task's quantity in place of the last, or beside the only one.

    `own`: quantities that the sheet's drawing shows by itself.
    """
    if task is None or task.quantity in own:
        return scenes
    # the first window waits for no picture it does not show
    from honest_lift.drawings.measured.pictures import picture_of

    picture = picture_of(task.quantity)
    if picture is None:
        return scenes
    if len(scenes) == 1:
        return [scenes[0], (_SHARE * scenes[0][0], picture)]
    return [*scenes[:-1], (scenes[-1][0], picture)]
