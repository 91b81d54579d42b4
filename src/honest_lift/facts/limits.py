"""Limits: what each check is held against, by which school, and who says so.

Where builders disagree, the schools stand side by side and one of them is the default, with the reason in a
line. Where no limit is stated for an engine, a check reports its figure and is unproven.
"""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

_IN = 25.4
Origin = Literal["cam card", "manual", "shop", "profile"]
ORIGINS: tuple[Origin, ...] = ("cam card", "manual", "shop", "profile")  # the first that states one counts


class Limit(Struct, frozen=True, forbid_unknown_fields=True):
    """A limit of a check, in the inside unit of its figure; for one role and lifter kind, or for all.

    `reserve` is the margin beyond which nobody asks for more: the length of a full rung on the ladder.
    """

    id: str
    check: str
    lowest: float | None = None
    highest: float | None = None
    reserve: float | None = None
    role: str = ""
    lifter: str = ""
    origin: Origin = "profile"
    school: str = ""
    source: str = ""


class Tolerance(Struct, frozen=True, forbid_unknown_fields=True):
    """The default tolerance of a specified quantity: plus or minus, in the inside unit or in percent."""

    quantity: str
    plus_minus: float | None = None
    percent: float | None = None
    source: str = "common practice, no source"

    def of(self, value: float) -> float | None:
        """Give the tolerance of a value in its own unit."""
        return abs(value) * self.percent / 100.0 if self.percent is not None else self.plus_minus


class School(Struct, frozen=True):
    """One school's limit for a check, and why one would follow it."""

    limit: Limit
    why: str


def _school(
    check: str,
    school: str,
    why: str,
    *,
    lowest: float | None = None,
    highest: float | None = None,
    reserve: float | None = None,
    source: str = "common practice, no source",
) -> School:
    return School(Limit(f"profile-{check}", check, lowest, highest, reserve, school=school, source=source), why)


SCHOOLS: tuple[School, ...] = (
    _school("installed_height", "general, ±0.020 in", "the default: what shims in stock reach on any head",
            lowest=-0.020 * _IN, highest=0.020 * _IN, reserve=0.020 * _IN),
    _school("installed_height", "careful, ±0.010 in", "for matched sets on one open load",
            lowest=-0.010 * _IN, highest=0.010 * _IN, reserve=0.010 * _IN),
    _school("installed_height", "machined, ±0.05 mm", "after every seat was cut to one plane",
            lowest=-0.05, highest=0.05, reserve=0.05),
    _school("bind_margin", "0.060 in at least", "the default: room for the scatter of a set and for heat",
            lowest=0.060 * _IN, reserve=0.020 * _IN),
    _school("bind_margin", "lift + 1 mm of travel", "said as travel to bind; 0.040 in comes to the same",
            lowest=1.0, reserve=0.5),
    _school("bind_margin", "0.050 to 0.080 in", "near bind damps surge: too much room is refused as well",
            lowest=0.050 * _IN, highest=0.080 * _IN, reserve=0.015 * _IN),
    _school("retainer_seal", "0.060 in at least", "the default: room for a valve that overshoots",
            lowest=0.060 * _IN, reserve=0.040 * _IN),
    _school("retainer_seal", "a gap merely greater than lift", "an old rule: it leaves nothing for overshoot",
            lowest=0.0, reserve=0.060 * _IN),
    _school("card_seat_load", "within 10 percent of its card", "the default",
            lowest=-10.0, highest=10.0, reserve=10.0),
    _school("card_open_load", "within 10 percent of its card", "the default",
            lowest=-10.0, highest=10.0, reserve=10.0),
    _school("card_bind", "not above its card", "the default: the card's bind height is a most",
            lowest=0.0, reserve=0.020 * _IN),
    _school("set_share", "90 percent of the set's median", "a spring below it has collapsed and condemns its set",
            lowest=90.0, reserve=10.0),
    _school("set_weakest", "90 percent of the set's median", "replacing it alone is not offered as a pass",
            lowest=90.0, reserve=10.0),
    _school("set_spread", "within 10 percent of each other", "the default",
            highest=10.0, reserve=10.0),
    _school("set_spread", "within 5 percent of each other", "race engines that share one open load",
            highest=5.0, reserve=5.0),
)  # fmt: skip

DEFAULT_TOLERANCES: tuple[Tolerance, ...] = (
    Tolerance("rocker_ratio", percent=1.0),
    Tolerance("lobe_lift", plus_minus=0.002 * _IN),
    Tolerance("lash", plus_minus=0.002 * _IN),
    Tolerance("shims", plus_minus=0.0005 * _IN, source="from memory"),
)


def default_limits() -> tuple[Limit, ...]:
    """Give the default profile: the first school of every check."""
    first: dict[str, Limit] = {}
    for school in SCHOOLS:
        first.setdefault(school.limit.check, school.limit)
    return tuple(first.values())


def schools_of(check: str) -> tuple[School, ...]:
    """Give the schools of a check, the default first."""
    return tuple(school for school in SCHOOLS if school.limit.check == check)


def limit_for(limits: tuple[Limit, ...], check: str, role: str, lifter: str) -> Limit | None:
    """Find the limit that holds: a cam card's before a manual's, a shop's, a profile's; its own role first."""
    fitting = [
        limit
        for limit in limits
        if limit.check == check and limit.role in ("", role) and limit.lifter in ("", lifter)
        and (limit.lowest is not None or limit.highest is not None)
    ]  # fmt: skip
    return min(fitting, key=lambda one: (ORIGINS.index(one.origin), one.role == "", one.lifter == ""), default=None)
