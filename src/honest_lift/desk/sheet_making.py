"""Makes the sheet of a step when it is first opened, and ties it to the reading bar where it takes or shows readings."""

from __future__ import annotations

from typing import Any

from PyQt6.QtWidgets import QWidget

from honest_lift.desk.reading_bar import ReadingBar
from honest_lift.desk.session import Session


def make_sheet(step: str, session: Session, bar: ReadingBar) -> QWidget:
    """Make a step's sheet; what types into it types into the bar."""
    make = {
        "finding": _finding, "springs": _springs, "head": _head, "cam": _cam, "rocker": _rocker, "turn": _turn,
        "squeeze": _squeeze, "match": _match, "trial": _trial, "shims": _shims, "readings": _readings,
    }.get(step, _engine)  # fmt: skip
    return make(session, bar)


def _typing(sheet: Any, bar: ReadingBar) -> None:
    sheet.typed.connect(bar.type_into)


def _asking(sheet: Any, bar: ReadingBar) -> None:
    """Let a sheet ask the bar for what it shows, and follow what the bar is asked for."""
    sheet.asked.connect(bar.choose)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))


def _finding(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.finding.sheet import FindingSheet

    return FindingSheet(session)


def _springs(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.springs.sheet import SpringsSheet

    sheet = SpringsSheet(session)
    _typing(sheet, bar)
    _asking(sheet, bar)
    sheet.grid.pasted.connect(bar.paste)
    return sheet


def _head(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.head.sheet import HeadSheet

    sheet = HeadSheet(session)
    _typing(sheet, bar)
    _asking(sheet, bar)
    sheet.pasted.connect(bar.paste)
    return sheet


def _cam(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.cam.sheet import CamSheet

    return CamSheet(session)


def _rocker(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.rocker.sheet import RockerSheet

    return RockerSheet(session)


def _turn(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.turn.sheet import TurnSheet

    return TurnSheet(session)


def _squeeze(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.squeeze.sheet import SqueezeSheet

    sheet = SqueezeSheet(session)
    _typing(sheet, bar)
    sheet.pasted.connect(bar.paste)
    return sheet


def _match(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.match.sheet import MatchSheet

    return MatchSheet(session)


def _trial(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.trial.sheet import TrialSheet

    return TrialSheet(session)


def _shims(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.shims.sheet import ShimsSheet

    sheet = ShimsSheet(session)
    _typing(sheet, bar)
    return sheet


def _readings(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.readings.sheet import ReadingsSheet

    sheet = ReadingsSheet(session)
    _typing(sheet, bar)
    sheet.pasted.connect(bar.paste)
    sheet.follow_task(bar.task)
    bar.what.currentIndexChanged.connect(lambda _: sheet.follow_task(bar.task))
    return sheet


def _engine(session: Session, bar: ReadingBar) -> QWidget:
    from honest_lift.desk.engine.sheet import EngineSheet

    return EngineSheet(session)
