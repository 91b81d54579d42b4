"""The valves around the turn: a measured lobe where there is one, else the card's, its shape assumed; and the piston."""

from __future__ import annotations

from dataclasses import replace as with_figures
from math import isfinite

import numpy as np
from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cam.lobe_read import LobeRead, stale_words
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.parts import kind_of
from honest_lift.estimates.train.assembled import BY_WHEEL, OF_LOBE, Lifted, lifted_of
from honest_lift.estimates.train.motion import figures, linkage_of, side_of_cam
from honest_lift.facts.engine import Book
from honest_lift.facts.memory.remember import by_identity, remembered_in
from honest_lift.facts.place import ENGINE
from honest_lift.mechanics.cam.lobe import of_lift
from honest_lift.mechanics.cylinder.slider_crank import CrankError, SliderCrank, crank_of_stroke
from honest_lift.mechanics.train.linkage import Linkage, RatioLinkage
from honest_lift.mechanics.train.valve_turn import ValveTurn
from honest_lift.numbers.doubt import Ground


class Turn(Struct, frozen=True):
    """One valve around the turn, or why there is none to show.

    `measured`: the lobe it was drawn from, None for the card's. `at_valve`: it was read at the valve, lash and ratio in it.
    `timed_by`: what places it: its own stop readings, the wheel by equal lifts, or the card. `doubts`: what is not sure of it.
    """

    role: str
    position: str = ""
    valve: ValveTurn | None = None
    missing: str = ""
    measured: LobeRead | None = None
    at_valve: bool = False
    timed_by: str = ""
    doubts: tuple[str, ...] = ()
    lifted: Lifted | None = None
    bled: bool = False


class Tried(Struct, frozen=True):
    """What is tried on the turn without being stated: crank degrees of advance, and a lash and ratio in place of the stated."""

    advance_deg: float = 0.0
    lash_mm: float | None = None
    ratio: float | None = None


def turns_of(book: Book, position: str = "", tried: Tried | None = None) -> dict[str, Turn]:
    """Give intake and exhaust around the turn, less a lifter's bleed-down: those of a valve's cylinder, else of the roles."""
    own = book.engine.position(position)
    alike = [one for one in book.engine.layout.positions if own and one.cylinder == own.cylinder]
    found = {}
    for role in ("intake", "exhaust"):
        # a cylinder may have several of a role: the current one, else its first
        ids = [one.id for one in alike if one.role == role]
        at = position if position in ids else ids[0] if ids else ""
        found[role] = _tried(book, turn_of(book, role, at, bled=True), tried)
    return found


def turn_of(book: Book, role: str, position: str = "", *, bled: bool = False) -> Turn:
    """Give the valve of a role, or of one position of it, around the turn. What is missing, or can't be, is said.

    `bled`: less what a hydraulic lifter bleeds down by, as the cam's own curves are shown; else with the lifter hard, as everything
    is checked.
    """
    known = _turns(book)
    return remembered_in(
        known, (role, position, bled), lambda: _turn(book, lifted_of(book, role, position), role, position, bled=bled)
    )


@by_identity
def _turns(book: Book) -> dict[tuple[str, str, bool], Turn]:
    """Give what is remembered of one book's turns: a cam turned by hand asks for the same again and again."""
    return {}


def _turn(book: Book, lifted: Lifted, role: str, position: str, *, bled: bool) -> Turn:
    walked = lifted.read if lifted.read is not None and lifted.read.lobe is not None else None
    unusable = () if walked or lifted.read is None else (f"its wheel table can't be used: {lifted.read.missing}",)
    if lacking := _lacking(lifted, role):
        return Turn(role, position, missing=lacking, measured=walked, doubts=unusable)
    assert lifted.lobe is not None
    linkage = _linkage(book, lifted, Tried(), bled=bled)
    top = next(one.value for name, one in lifted.gear.items() if name in ("lobe_lift", "valve_lift"))
    lobe = of_lift(lifted.lobe, top) if isfinite(top) else lifted.lobe
    valve = ValveTurn(lobe, lifted.parts["lobe_centreline"].value, linkage)
    doubts = (
        *(_doubts(book, walked) if walked else ()),
        *_timing_doubts(lifted),
        *_swing_words(book, linkage),
        *unusable,
    )
    return Turn(role, position, valve, "", walked, lifted.at_valve, lifted.timed_by, doubts, lifted, bled)


def _lacking(lifted: Lifted, role: str) -> str:
    """Say what a lobe can't be turned for; "" where nothing lacks."""
    centre, shape = (lifted.parts[name] for name in OF_LOBE)
    if lifted.lobe is None:
        return shape.note
    if not isfinite(centre.value):
        if shape.kind == "measured":
            return (f"the {role} lobe is measured, but its centreline is not known; read both stops with its table, "
                    "or state it")  # fmt: skip
        return f"state the centreline of the {role} lobe, its events, or the lobe separation"
    names = {"rocker_ratio": "rocker ratio", "lash": "lash"}
    lacking = [words for name, words in names.items() if name in lifted.gear and not isfinite(lifted.gear[name].value)]
    return f"not stated for the {role}: {', '.join(lacking)}" if lacking else ""


def _timing_doubts(lifted: Lifted) -> tuple[str, ...]:
    centre = lifted.parts["lobe_centreline"]
    is_stale = lifted.timed_by == BY_WHEEL and centre.ground & Ground.STALE
    return (f"its centreline by the wheel is stale: {centre.note}",) if is_stale else ()


def _linkage(book: Book, lifted: Lifted, tried: Tried, *, bled: bool) -> Linkage:
    """Give how the lobe reaches the valve. A lash that is tried is set anew; a ratio that is tried goes before the gear."""
    parts = figures(lifted.gear)
    if tried.lash_mm is not None:
        parts["lash"] = np.array(tried.lash_mm)
    if tried.ratio is not None:
        parts["rocker_ratio"] = np.array(tried.ratio)
    return linkage_of(
        kind_of(book.engine), parts, by_gear=lifted.by_gear and tried.ratio is None, side=side_of_cam(book),
        bleed_mm=lifted.bleed_mm if bled else 0.0,
    )  # fmt: skip


def _swing_words(book: Book, linkage: Linkage) -> tuple[str, ...]:
    """Say that nobody knows which flank a finger's swing makes early; nothing where it is known, or read at the valve."""
    if book.engine.gear != "finger follower" or book.engine.cam_turns or isinstance(linkage, RatioLinkage):
        return ()
    return ("which way the cam turns over the finger is not stated: its flanks are drawn without the swing",)


def _doubts(book: Book, read: LobeRead) -> tuple[str, ...]:
    stale = stale_words(book, read.found)
    found = [f"its wheel table is stale: {stale}"] if stale else []
    if read.troubles:
        found.append("its wheel table has suspect rows to review")
    return tuple(found)


def _tried(book: Book, turn: Turn, tried: Tried | None) -> Turn:
    """Give a turn with what is tried on it. One read at the valve has its ratio and lash in it: only its place moves."""
    valve = turn.valve
    if valve is None or tried is None or turn.lifted is None:
        return turn
    valve = with_figures(valve, centre_deg=valve.centre_deg - tried.advance_deg)
    if not turn.at_valve and (tried.lash_mm is not None or tried.ratio is not None):
        valve = with_figures(valve, linkage=_linkage(book, turn.lifted, tried, bled=turn.bled))
    return replace(turn, valve=valve)


def separation_deg(turns: dict[str, Turn]) -> float | None:
    """Give the lobe separation in cam degrees: half the way between both middles."""
    intake, exhaust = turns["intake"].valve, turns["exhaust"].valve
    return None if not intake or not exhaust else (intake.centre_deg - exhaust.centre_deg) / 2.0


def advance_deg(turns: dict[str, Turn]) -> float | None:
    """Give the advance in crank degrees: how much earlier the cam stands than with both middles alike; retard is negative."""
    intake, exhaust = turns["intake"].valve, turns["exhaust"].valve
    return None if not intake or not exhaust else -(intake.centre_deg + exhaust.centre_deg) / 2.0


def crank_of(book: Book) -> SliderCrank | str:
    """Give the crank that carries the piston, or what is missing or wrong of it."""
    stroke, rod, offset = (resolve(book, name, ENGINE).value for name in ("stroke", "rod_length", "pin_offset"))
    lacking = [words for words, value in (("stroke", stroke), ("rod length", rod)) if not isfinite(value)]
    if lacking:
        return f"the piston is not drawn: {' and '.join(lacking)} not stated"
    try:
        return crank_of_stroke(stroke, rod, offset if isfinite(offset) else 0.0)
    except CrankError as error:
        return f"the piston can't be drawn: {error}"
