"""Limits: what each check is held against, by which rule, and who says so.

Where builders disagree, the rules stand side by side and one of them is the default, with the reason in a
line. Where no limit is stated for an engine, a check reports its figure and is unproven.
"""

from __future__ import annotations

from math import isfinite
from typing import Literal

from msgspec import Struct
from msgspec.structs import replace

_IN = 25.4
BOTH = " + "  # between the ids of the two limits that one is made of
Origin = Literal["cam card", "manual", "shop", "profile"]
ORIGINS: tuple[Origin, ...] = ("cam card", "manual", "shop", "profile")  # the first that states one counts


class Limit(Struct, frozen=True, forbid_unknown_fields=True):
    """A limit of a check, in the inside unit of its figure; for one role, lifter kind and guide material, or for all.

    `comfort` is the margin beyond which nobody asks for more: the length of a full rung on the ladder.
    """

    id: str
    check: str
    lowest: float | None = None
    highest: float | None = None
    comfort: float | None = None
    role: str = ""
    lifter: str = ""
    material: str = ""  # of the guides
    origin: Origin = "profile"
    rule: str = ""
    source: str = ""
    set_aside: bool = False  # an end of it made no sense: until it is stated anew, nothing it would have judged passes


class Tolerance(Struct, frozen=True, forbid_unknown_fields=True):
    """The default tolerance of a specified quantity: plus or minus, in the inside unit or in percent.

    `between`: plus or minus by which pieces differ from one another, where one was read for others; None for what is usual.
    """

    quantity: str
    plus_minus: float | None = None
    percent: float | None = None
    source: str = "common practice, no source"
    between: float | None = None

    def of(self, value: float) -> float | None:
        """Give the tolerance of a value in its own unit."""
        return abs(value) * self.percent / 100.0 if self.percent is not None else self.plus_minus


class Rule(Struct, frozen=True):
    """One rule's limit for a check, and why one would follow it."""

    limit: Limit
    why: str


def _rule(
    check: str,
    rule: str,
    why: str,
    *,
    lowest: float | None = None,
    highest: float | None = None,
    comfort: float | None = None,
    role: str = "",
    material: str = "",
    source: str = "common practice, no source",
) -> Rule:
    name = "-".join(part for part in ("profile", check, role, material) if part)
    return Rule(Limit(name, check, lowest, highest, comfort, role, material=material, rule=rule, source=source), why)


def _guide(role: str, material: str, least_in: float, most_in: float, why: str) -> Rule:
    return _rule(
        "guide_clearance", f"{material}, {role}", why, lowest=least_in * _IN, highest=most_in * _IN, role=role,
        material=material, source="common practice and from memory; the maker's figure goes first",
    )  # fmt: skip


RULES: tuple[Rule, ...] = (
    _rule("installed_height", "general, ±0.020 in", "the default: what shims in stock reach on any head",
            lowest=-0.020 * _IN, highest=0.020 * _IN, comfort=0.020 * _IN),
    _rule("installed_height", "careful, ±0.010 in", "for matched sets on one open load",
            lowest=-0.010 * _IN, highest=0.010 * _IN, comfort=0.010 * _IN),
    _rule("installed_height", "machined, ±0.05 mm", "after every seat was cut to one plane",
            lowest=-0.05, highest=0.05, comfort=0.05),
    _rule("coil_bind_clearance", "0.060 in min", "the default: room for the scatter of a set and for heat",
            lowest=0.060 * _IN, comfort=0.020 * _IN),
    _rule("coil_bind_clearance", "lift + 1 mm of travel", "said as travel to bind; 0.040 in comes to the same",
            lowest=1.0, comfort=0.5),
    _rule("coil_bind_clearance", "0.050 to 0.080 in", "near bind damps surge: too much room is refused as well",
            lowest=0.050 * _IN, highest=0.080 * _IN, comfort=0.015 * _IN),
    _rule("retainer_seal", "0.060 in min", "the default: room for a valve that overshoots",
            lowest=0.060 * _IN, comfort=0.040 * _IN),
    _rule("retainer_seal", "a gap merely greater than lift", "an old rule: it leaves nothing for overshoot",
            lowest=0.0, comfort=0.060 * _IN),
    _rule("card_seat_load", "within 10 percent of its card", "the default",
            lowest=-10.0, highest=10.0, comfort=10.0),
    _rule("card_open_load", "within 10 percent of its card", "the default",
            lowest=-10.0, highest=10.0, comfort=10.0),
    _rule("card_bind", "not above its card", "the default; the card's bind height is a max",
            lowest=0.0, comfort=0.020 * _IN),
    _rule("set_share", "90 percent of the set's median", "a spring below it has collapsed and condemns its set",
            lowest=90.0, comfort=10.0),
    _rule("set_weakest", "90 percent of the set's median", "replacing it alone is not offered as a pass",
            lowest=90.0, comfort=10.0),
    _rule("set_spread", "within 10 percent of each other", "the default",
            highest=10.0, comfort=10.0),
    _rule("set_spread", "within 5 percent of each other", "race engines that share one open load",
            highest=5.0, comfort=5.0),
    _guide("intake", "iron", 0.001, 0.0027, "the default for iron guides"),
    _guide("exhaust", "iron", 0.0015, 0.0032, "an exhaust stem runs hotter and needs more room"),
    _guide("intake", "bronze", 0.0007, 0.0012, "the default for bronze and lined guides: tight"),
    _guide("exhaust", "bronze", 0.0010, 0.0015, "an exhaust stem runs hotter and needs more room"),
    _rule("valve_margin", "0.030 in min", "never to a sharp edge", lowest=0.030 * _IN, comfort=0.015 * _IN,
            role="intake", source="from memory"),
    _rule("valve_margin", "0.040 in min", "the exhaust edge runs hotter", lowest=0.040 * _IN,
            comfort=0.015 * _IN, role="exhaust", source="from memory"),
    _rule("tip_level", "0.010 in over a head", "the default: half of it to each side of the median",
            lowest=-0.005 * _IN, highest=0.005 * _IN, comfort=0.005 * _IN),
    _rule("tip_level", "0.005 in over a head", "let pass by all",
            lowest=-0.0025 * _IN, highest=0.0025 * _IN, comfort=0.0025 * _IN),
    _rule("tip_height", "within 0.010 in", "0.030 in off is another valve; a shop's own figure goes first",
            lowest=-0.010 * _IN, highest=0.010 * _IN, comfort=0.010 * _IN, source="from memory"),
    _rule("spring_seat_level", "within 0.05 mm", "the default: what a cutter leaves",
            lowest=-0.05, highest=0.05, comfort=0.05),
    _rule("spring_seat_level", "within 0.1 mm", "what can still be shimmed", lowest=-0.1, highest=0.1, comfort=0.1),
    _rule("spring_seat_runout", "0.002 in max", "the seat is square to its guide",
            highest=0.002 * _IN, comfort=0.001 * _IN),
    _rule("cutter_touch", "within 0.05 mm of the map", "a cutter that touches elsewhere is not on the seat that was mapped",
            lowest=-0.05, highest=0.05, comfort=0.05),
    _rule("spring_on_floor", "not wider than its floor", "a spring on a ledge loses height",
            lowest=0.0, comfort=0.5, source="common practice, no source; the comfort margin from memory"),
    _rule("spring_over_boss", "wider than its boss", "a spring that rides on its boss wears and sits high",
            lowest=0.0, comfort=0.5, source="common practice, no source; the comfort margin from memory"),
    _rule("spring_on_retainer", "wider than the retainer's step", "a forced spring breaks at its end coil",
            lowest=0.0, comfort=0.3, source="common practice, no source; the comfort margin from memory"),
    _rule("lock_angle", "as the retainer's", "another angle carries on part of the taper",
            lowest=-1.0, highest=1.0, comfort=1.0, source="common practice, no source; the figure from memory"),
    _rule("lock_stem", "as the stem's", "a lock for another stem grips it at its edges",
            lowest=-0.05, highest=0.05, comfort=0.05, source="common practice, no source; the figure from memory"),
    _rule("lock_out", "0.020 in max", "the default", highest=0.020 * _IN, comfort=0.020 * _IN),
    _rule("lock_out", "nearly flush", "for those who trust the whole taper only",
            highest=0.008 * _IN, comfort=0.008 * _IN, source="common practice, no source; the figure from memory"),
    _rule("lock_engaged", "three quarters of the lock", "a quarter protruding leaves the rest to carry everything",
            lowest=75.0, comfort=25.0),
    _rule("retainer_rocker", "0.040 in min", "the default", lowest=0.040 * _IN, comfort=0.040 * _IN,
            source="from memory"),
    _rule("mark_centre", "within 0.020 in of the centre", "centred mark: further off the guide wears on one side",
            lowest=-0.020 * _IN, highest=0.020 * _IN, comfort=0.010 * _IN, source="from memory"),
    _rule("mark_width", "0.060 in max", "the minimum for the lift is less; the rest is rubbing",
            highest=0.060 * _IN, comfort=0.020 * _IN, source="from memory"),
    _rule("half_lift", "square within 1 degree", "the default: closed and open angles alike, the narrowest mark",
            lowest=-1.0, highest=1.0, comfort=1.0, source="common practice and from memory"),
    _rule("half_lift", "centred mark: within 5 degrees", "for those to whom the mark's place goes before the angle",
            lowest=-5.0, highest=5.0, comfort=5.0, source="from memory"),
    _rule("true_ratio", "within 1 percent of what is stated", "what a stated ratio is trusted to where nothing is measured",
            lowest=-1.0, highest=1.0, comfort=1.0, source="common practice, no source"),
    _rule("uneven_tip", "half a degree", "half of what the angle itself is allowed", lowest=-0.5, highest=0.5, comfort=0.5,
            source="from memory"),
    _rule("preload", "0.030 to 0.060 in at the plunger", "the default: half to three quarters of a turn of the nut",
            lowest=0.030 * _IN, highest=0.060 * _IN, comfort=0.010 * _IN),
    _rule("preload", "nearly none, race", "a lifter that can't pump up far", lowest=0.0, highest=0.010 * _IN,
            comfort=0.005 * _IN, source="common practice, no source; the figure from memory"),
    _rule("preload", "deep, to restore geometry", "the pushrod kept, the plunger's travel watched",
            lowest=0.030 * _IN, highest=0.120 * _IN, comfort=0.020 * _IN,
            source="common practice, no source; the figure from memory"),
    _rule("plunger_left", "within the plunger's travel", "a plunger that is solid holds its valve open",
            lowest=0.0, comfort=0.020 * _IN),
    _rule("lash_set", "card, 0.002 in either way", "the default", lowest=-0.002 * _IN, highest=0.002 * _IN,
            comfort=0.002 * _IN, source="common practice and from memory"),
    _rule("pushrod_to_head", "0.030 in all round", "a pushrod that rubs bends or wears through", lowest=0.030 * _IN,
            comfort=0.030 * _IN, source="from memory"),
    _rule("slot_stud", "0.060 in min", "a slot that meets its stud breaks it", lowest=0.060 * _IN, comfort=0.040 * _IN,
            source="from memory"),
    _rule("slot_stud", "0.040 in min", "the old rule of a bent wire", lowest=0.040 * _IN, comfort=0.040 * _IN,
            source="from memory"),
    _rule("roller_sideways", "within 0.020 in of the stem", "further off the guide is pressed sideways",
            lowest=-0.020 * _IN, highest=0.020 * _IN, comfort=0.020 * _IN, source="from memory"),
    _rule("wipe_centre", "within 0.040 in of the pad's centre", "a wipe that wanders wears the pad's edge",
            lowest=-0.040 * _IN, highest=0.040 * _IN, comfort=0.040 * _IN, source="from memory"),
    _rule("wipe_room", "0.030 in min", "a lobe that runs over the pad's edge scrapes itself and the pad",
            lowest=0.030 * _IN, comfort=0.030 * _IN, source="from memory"),
    _rule("shaft_side_play", "0.005 to 0.020 in", "free when hot, and still in line", lowest=0.005 * _IN,
            highest=0.020 * _IN, comfort=0.005 * _IN, source="from memory"),
    _rule("piston_valve", "0.080 in min", "the default for intakes", lowest=0.080 * _IN, comfort=0.040 * _IN, role="intake",
            source="common practice and from memory"),
    _rule("piston_valve", "0.100 in min", "the default for exhausts: they run hotter, and chase the piston",
            lowest=0.100 * _IN, comfort=0.040 * _IN, role="exhaust", source="common practice and from memory"),
    _rule("piston_valve", "0.100 in min, careful", "for engines that are turned past their red line",
            lowest=0.100 * _IN, comfort=0.040 * _IN, role="intake", source="common practice and from memory"),
    _rule("piston_valve", "0.120 in min, careful", "for engines that are turned past their red line",
            lowest=0.120 * _IN, comfort=0.040 * _IN, role="exhaust", source="common practice and from memory"),
    _rule("piston_valve", "0.060 in, watched", "race engines that are taken apart and looked at",
            lowest=0.060 * _IN, comfort=0.020 * _IN, role="intake", source="common practice and from memory"),
    _rule("pocket_wall", "0.050 in min", "a valve at an angle moves sideways in an upright pocket", lowest=0.050 * _IN,
            comfort=0.030 * _IN, source="from memory"),
    _rule("valve_to_valve", "0.080 in min", "more if it can be had", lowest=0.080 * _IN, comfort=0.040 * _IN),
    _rule("chamber_pours", "0.5 cc", "the default: what a burette and a greased plate repeat to", highest=0.5, comfort=0.3),
    _rule("chamber_spread", "1.0 cc over the engine", "the default", highest=1.0, comfort=0.5,
            source="common practice and from memory"),
    _rule("chamber_spread", "0.5 cc, race", "for engines whose cylinders are to pull alike", highest=0.5, comfort=0.3,
            source="common practice and from memory"),
    _rule("compression_spread", "0.1 of ratio", "the default", highest=0.1, comfort=0.05, source="from memory"),
    _rule("squish", "0.035 to 0.045 in, steel rods", "the default: near enough to stir, far enough not to touch",
            lowest=0.035 * _IN, highest=0.045 * _IN, comfort=0.005 * _IN),
    _rule("squish", "0.030 in min", "for those who know their engine's growth", lowest=0.030 * _IN, comfort=0.010 * _IN),
    _rule("squish", "about 1 mm", "metric engines: a millimetre, give or take a fifth", lowest=0.8, highest=1.2, comfort=0.2),
    _rule("deck_finish", "Ra 50 microinch max, metal gasket", "sealed metal layers fill no scratches; composition gaskets do",
            highest=1.27, comfort=0.4),
    _rule("float_margin", "float 5 percent above the red line", "an upper bound; a train that bends floats earlier",
            lowest=5.0, comfort=10.0, source="from memory"),
    _rule("flexible_float", "float 5 percent above the red line", "simulated, with the train bending", lowest=5.0, comfort=5.0,
            source="from memory"),
    _rule("bounce_margin", "bounce above the red line", "a valve that bounces hammers its seat", lowest=0.0, comfort=5.0,
            source="from memory"),
    _rule("coils_in_motion", "coils do not meet below the red line", "who lets them meet to stop surge leaves this limit out",
            lowest=0.0, comfort=0.5, source="from memory"),
    _rule("piston_valve_speed", "0.020 in left at the red line", "what is stated for rods, bearings and heat comes off first",
            lowest=0.020 * _IN, comfort=0.040 * _IN, source="from memory"),
    _rule("free_card", "within 0.030 in of its card", "where the maker states no tolerance",
            lowest=-0.030 * _IN, highest=0.030 * _IN, comfort=0.030 * _IN,
            source="common practice and from memory"),
    _rule("free_set", "less than 0.050 in short of its set", "a used spring short by that has collapsed",
            lowest=-0.050 * _IN, comfort=0.050 * _IN),
    _rule("set_shortest", "less than 0.050 in short of its set", "the whole used set goes: the others have seen the same heat",
            lowest=-0.050 * _IN, comfort=0.050 * _IN),
    _rule("card_lift", "not over the card's max lift", "the maker's word", lowest=0.0, comfort=0.020 * _IN,
            source="the spring's card"),
)  # fmt: skip

ANGLE_DEG = 0.25  # of a taper on a card
DEFAULT_TOLERANCES: tuple[Tolerance, ...] = (
    Tolerance("rocker_ratio", percent=1.0),
    Tolerance("lobe_lift", plus_minus=0.002 * _IN),
    Tolerance("lash", plus_minus=0.002 * _IN),
    Tolerance("stroke", plus_minus=0.1, source="from memory"),
    Tolerance("rod_length", plus_minus=0.2, source="from memory"),
    Tolerance("pin_offset", plus_minus=0.1, source="from memory"),
    Tolerance("bore", plus_minus=0.03, source="from memory"),
    Tolerance("gasket_thickness", plus_minus=0.05, source="from memory"),
    Tolerance("gasket_bore", plus_minus=0.2, source="from memory"),
    Tolerance("gasket_volume", percent=5.0, source="from memory"),
    Tolerance("piston_volume", plus_minus=0.5, source="from memory"),
    Tolerance("pocket_volume", plus_minus=0.3, source="from memory"),
    Tolerance("crevice_volume", plus_minus=0.0, source="stated as a convention"),
    Tolerance("deck_clearance", plus_minus=0.1, source="from memory: a catalogue's figure, never this block's"),
    Tolerance("check_lift", plus_minus=0.0, source="a convention is what it is"),
    Tolerance("chamber_area", percent=3.0, source="from memory"),
    Tolerance("shims", plus_minus=0.0005 * _IN, source="from memory"),
    Tolerance("retainer_angle", plus_minus=ANGLE_DEG, source="from memory: what a maker grinds 7 or 10 degrees to"),
    Tolerance("lock_angle", plus_minus=ANGLE_DEG, source="from memory: what a maker grinds 7 or 10 degrees to"),
    Tolerance("lock_stem", plus_minus=0.01, source="from memory"),
    Tolerance("stem_at_lock", plus_minus=0.0005 * _IN, source="from memory"),
    Tolerance("red_line", plus_minus=0.0, source="what somebody chose is what it is"),
    Tolerance("tip_height_target", plus_minus=0.0, source="a target is what it is"),
)


def default_limits() -> tuple[Limit, ...]:
    """Give the default profile: the first rule of every check, for each role and guide material it is told apart by."""
    first: dict[tuple[str, str, str], Limit] = {}
    for rule in RULES:
        first.setdefault((rule.limit.check, rule.limit.role, rule.limit.material), rule.limit)
    return tuple(first.values())


def full_rung(comfort: float | None, lowest: float, highest: float) -> float:
    """Give the margin that makes a full rung: the limit's own comfort, half its window, else a tenth of it. NaN ends: no limit.

    >>> full_rung(None, 1.0, 3.0), full_rung(None, 50.0, float("nan")), full_rung(0.5, 1.0, 3.0)
    (1.0, 5.0, 0.5)
    """
    if comfort:
        return comfort
    if isfinite(lowest) and isfinite(highest):
        return (highest - lowest) / 2
    return 0.1 * abs(lowest if isfinite(lowest) else highest)


def rules_of(check: str) -> tuple[Rule, ...]:
    """Give the rules of a check, the default first."""
    return tuple(rule for rule in RULES if rule.limit.check == check)


def limit_for(limits: tuple[Limit, ...], check: str, role: str, lifter: str, material: str = "") -> Limit | None:
    """Find the limit that holds, each side by itself: a cam card's before a manual's, a shop's, a profile's.

    Of one origin its own role first, and of those that are alike the strictest: nobody who adds a limit means to loosen another.
    Two sides from two limits are one limit with both. One that was set aside, and would have gone before what is left, bars a pass.
    A limit for one guide material holds for guides of that material only.
    """
    fitting = [
        limit
        for limit in limits
        if limit.check == check and limit.role in ("", role) and limit.lifter in ("", lifter)
        and limit.material in ("", material)
    ]  # fmt: skip
    lowest = min((one for one in fitting if one.lowest is not None), default=None,
                 key=lambda one: (*_rank(one), -(one.lowest or 0.0)))  # fmt: skip
    highest = min((one for one in fitting if one.highest is not None), default=None,
                  key=lambda one: (*_rank(one), one.highest or 0.0))  # fmt: skip
    aside = [one for one in fitting if one.set_aside]
    held = _both_sides(lowest, highest)
    if not aside:
        return held
    goes_before = any(one is None or _rank(aside_one) <= _rank(one) for aside_one in aside for one in (lowest, highest))
    return replace(held or aside[0], set_aside=True) if goes_before else held


def _rank(one: Limit) -> tuple[int, bool, bool, bool]:
    return ORIGINS.index(one.origin), one.role == "", one.lifter == "", one.material == ""


def _both_sides(lowest: Limit | None, highest: Limit | None) -> Limit | None:
    """Make one limit of what states its lower and what states its upper end."""
    if lowest is highest or lowest is None or highest is None:
        return lowest or highest
    first, second = sorted((lowest, highest), key=_rank)
    comforts = [one.comfort for one in (first, second) if one.comfort is not None]
    both = (f"min: {lowest.rule}" if lowest.rule else "", f"max: {highest.rule}" if highest.rule else "")
    return replace(
        first, id=f"{first.id}{BOTH}{second.id}", lowest=lowest.lowest, highest=highest.highest,
        comfort=min(comforts, default=None), rule="; ".join(part for part in both if part),
        source="; ".join(dict.fromkeys(part for part in (first.source, second.source) if part)),
    )  # fmt: skip


def is_of(limit: Limit | None, record: str) -> bool:
    """Tell whether a limit that holds is a record, or is made of it and another."""
    return limit is not None and record in limit.id.split(BOTH)


_UNIT, _NEAR = (
    25.4,
    0.10,
)  # inch over millimetre, and how near a figure must be to another that the unit would make of it


def in_another_unit(check: str, side: str, value: float) -> float | None:
    """Give the end of a built-in rule that a value would be if it was typed in the other unit of length; None for none.

    `side`: "lowest" or "highest". Only a value that is no such end itself is asked about.

    >>> round(in_another_unit("coil_bind_clearance", "lowest", 0.06) or 0.0, 3)
    1.524
    >>> in_another_unit("coil_bind_clearance", "lowest", 1.5)
    """
    ends = [end for one in rules_of(check) if (end := getattr(one.limit, side)) is not None and end != 0.0]
    if value == 0.0 or any(abs(value / end - 1.0) <= _NEAR for end in ends):
        return None
    meant = (end for factor in (_UNIT, 1.0 / _UNIT) for end in ends if abs(value * factor / end - 1.0) <= _NEAR)
    return next(meant, None)
