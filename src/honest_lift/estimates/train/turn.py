"""The valves around the turn: a measured lobe where there is one, else the card's, its shape assumed; and the piston."""

from __future__ import annotations

from dataclasses import replace as with_figures
from math import isfinite

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.estimates.cam.card import centre_deg, flank_of
from honest_lift.estimates.cam.lobe_read import LobeRead, lobe_read, stale_words, table_near
from honest_lift.estimates.resolve import resolve
from honest_lift.estimates.rocker.gear import Rocker, gear_of, with_lash
from honest_lift.facts.cam import side_of
from honest_lift.facts.engine import Book
from honest_lift.facts.place import ENGINE, at_position, at_role
from honest_lift.facts.remember import last_few
from honest_lift.facts.timing import advanced_on_card, advanced_since
from honest_lift.mechanics.cam.lobe import CardLobe
from honest_lift.mechanics.cylinder.slider_crank import CrankError, SliderCrank, crank_of_stroke
from honest_lift.mechanics.train.linkage import SIDES, ByGear, ByRatio, Carried
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


class Tried(Struct, frozen=True):
    """What is tried on the turn without being stated: crank degrees of advance, and a lash and ratio in place of the stated."""

    advance_deg: float = 0.0
    lash_mm: float | None = None
    ratio: float | None = None


def turns_of(book: Book, position: str = "", tried: Tried | None = None) -> dict[str, Turn]:
    """Give the intake and the exhaust around the turn: those of a valve's cylinder, else of the roles."""
    own = book.engine.position(position)
    alike = [one for one in book.engine.layout.positions if own and one.cylinder == own.cylinder]
    found = {}
    for role in ("intake", "exhaust"):
        # a cylinder may have several of a role: the current one, else its first
        ids = [one.id for one in alike if one.role == role]
        at = position if position in ids else ids[0] if ids else ""
        found[role] = _tried(book, turn_of(book, role, at), tried)
    return found


def turn_of(book: Book, role: str, position: str = "") -> Turn:
    """Give the valve of a role, or of one position of it, around the turn. What is missing, or can't be, is said."""
    found = table_near(book, role, position)
    if found is None:
        return _by_card(book, role, position)
    read = lobe_read(book, found)
    if read.lobe is None:
        return replace(_by_card(book, role, position), doubts=(f"its wheel table can't be used: {read.missing}",))
    advanced = advanced_since(book.engine, found.table.depends_on.get("cam", "")) or 0.0
    by_stops = None if read.centre_deg is None else read.centre_deg - advanced
    centre, timed_by, doubts = _centre(book, role, position) if by_stops is None else (by_stops, "its stops", ())
    if centre is None:
        return Turn(role, position, missing=f"the {role} lobe is measured, but nothing says where its middle stands: "
                    "read both stops with its table, or state a centreline", measured=read)  # fmt: skip
    at_valve = found.table.read_at == "valve"
    carried = ByRatio(1.0, 0.0) if at_valve else carried_of(book, role, position)
    if isinstance(carried, str):
        return Turn(role, position, missing=carried, measured=read)
    valve = ValveTurn(read.lobe, centre, carried)
    return Turn(
        role,
        position,
        valve,
        "",
        read,
        at_valve,
        timed_by,
        (*_doubts(book, read), *doubts, *_swing_words(book, carried)),
    )


def _by_card(book: Book, role: str, position: str) -> Turn:
    flank = flank_of(book, role)
    if isinstance(flank, str):
        return Turn(role, position, missing=flank)
    centre, timed_by, doubts = _centre(book, role, position)
    if centre is None:
        return Turn(
            role, position, missing=f"state the centreline of the {role} lobe, its events, or the lobe separation"
        )
    carried = carried_of(book, role, position)
    if isinstance(carried, str):
        return Turn(role, position, missing=carried)
    return Turn(role, position, ValveTurn(CardLobe(flank), centre, carried), timed_by=timed_by,
                doubts=(*doubts, *_swing_words(book, carried)))  # fmt: skip


def _centre(book: Book, role: str, position: str) -> tuple[float | None, str, tuple[str, ...]]:
    """Give the middle as the wheel found it by equal lifts, else as the card says; what it is from, and what is not sure of it."""
    found = resolve(book, "lobe_centreline", at_position(position) if position else at_role(role))
    if not isfinite(found.value):
        by_card = centre_deg(book, role)
        return None if by_card is None else by_card - advanced_on_card(book.engine), "the card", ()
    stale = (f"its centreline by the wheel is stale: {found.note}",) if found.ground & Ground.STALE else ()
    return found.value * side_of(role), "the wheel, equal lifts", stale


def carried_of(book: Book, role: str, position: str, tried: Tried | None = None) -> Carried | str:
    """Give how the lobe reaches the valve, or what of it is not stated.

    By the rocker's own geometry where that is known as well as a stated ratio is; a ratio that is tried goes before both.
    """
    place = at_position(position) if position else at_role(role)
    tried = tried or Tried()
    hydraulic = book.engine.lifter.startswith("hydraulic")
    bleed = resolve(book, "lifter_bleed", at_role(role)).value if hydraulic else 0.0
    bleed = bleed if isfinite(bleed) else 0.0
    lash = 0.0 if hydraulic else resolve(book, "lash", place).value if tried.lash_mm is None else tried.lash_mm
    if tried.ratio is None and (rocker := gear_of(book, role, position)) is not None:
        return _through(rocker, lash, bleed, SIDES.get(book.engine.cam_turns, 0.0))
    stated = 1.0 if book.engine.gear == "bucket" else resolve(book, "rocker_ratio", place).value
    ratio = stated if tried.ratio is None else tried.ratio
    lacking = [name for name, value in (("rocker ratio", ratio), ("lash", lash)) if not isfinite(value)]
    if lacking:
        return f"not stated for the {role}: {', '.join(lacking)}"
    return ByRatio(ratio, lash + bleed * ratio)


def _through(rocker: Rocker, lash_mm: float, bleed_mm: float, side: float) -> ByGear:
    """Give what carries a lobe through a gear; the last few are kept, with their tables, while the cam is turned by hand."""
    for known, *given, carried in _kept:
        if known is rocker and given == [lash_mm, bleed_mm, side]:
            return carried
    made = ByGear(with_lash(rocker, lash_mm), rocker.lobe_mm, bleed_mm, side)
    _kept.insert(0, (rocker, lash_mm, bleed_mm, side, made))
    del _kept[_KEPT:]
    return made


_KEPT = 6
_kept: list[tuple[Rocker, float, float, float, ByGear]] = last_few()


def _swing_words(book: Book, carried: Carried) -> tuple[str, ...]:
    """Say that nobody knows which flank a finger's swing makes early; nothing where it is known, or read at the valve."""
    if book.engine.gear != "finger follower" or carried.swings or book.engine.cam_turns or isinstance(carried, ByRatio):
        return ()
    return ("which way the cam turns over the finger is not stated: its flanks are drawn without the swing",)


def _doubts(book: Book, read: LobeRead) -> tuple[str, ...]:
    stale = stale_words(book, read.found)
    found = [f"its wheel table is stale: {stale}"] if stale else []
    if read.troubles:
        found.append("rows of its wheel table stand out and are not judged yet")
    return tuple(found)


def _tried(book: Book, turn: Turn, tried: Tried | None) -> Turn:
    """Give a turn with what is tried on it. One read at the valve has its ratio and lash in it: only its place moves."""
    valve = turn.valve
    if valve is None or tried is None:
        return turn
    valve = with_figures(valve, centre_deg=valve.centre_deg - tried.advance_deg)
    if not turn.at_valve and (tried.lash_mm is not None or tried.ratio is not None):
        carried = carried_of(book, turn.role, turn.position, tried)
        valve = valve if isinstance(carried, str) else with_figures(valve, carried=carried)
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
