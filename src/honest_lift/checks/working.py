"""The working of a finding in lines, as a good notebook has it: name = formula = figures = result."""

from __future__ import annotations

from collections.abc import Callable
from math import isfinite

from honest_lift.checks.finding import Finding
from honest_lift.checks.terms import TERMS
from honest_lift.checks.wording import figure_words, limit_words, margin_words
from honest_lift.estimates.estimate import Input
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.units import in_figures, in_words, unit_of

Say = Callable[[float, str], str]


def working(finding: Finding, engine: Engine) -> tuple[str, ...]:
    """Give the working in lines, from what was read to the margin; an input that is missing says so."""
    lines = [f"{one.title} of {one.at}: missing" for one in finding.inputs if one.ground & Ground.MISSING]
    page = _Page(finding, engine)
    for write in _WORKED.get(finding.check.name, ()):
        lines += [line for line in write(page) if line]
    if isfinite(finding.figure):
        lines.append(f"{finding.check.title.lower()} {figure_words(finding, engine)}, {limit_words(finding, engine)}: "
                     f"margin {margin_words(finding, engine)}")  # fmt: skip
    return tuple(dict.fromkeys(lines))


class _Page:
    """A finding with its terms and inputs at hand, figures written with one digit more than they deserve."""

    def __init__(self, finding: Finding, engine: Engine) -> None:
        self.finding, self.engine = finding, engine

    def input(self, quantity: str) -> Input | None:
        """Give the input of a quantity, where the finding rests on one that is not missing."""
        return next((i for i in self.finding.inputs if i.quantity == quantity and isfinite(i.value)), None)

    def term(self, key: str) -> float:
        """Give a term's value; NaN for none."""
        return self.finding.term(key)

    def bare(self, value: float, dimension: str = "length") -> str:
        """Write a value without its unit."""
        unit = self.engine.unit(dimension)
        return in_figures(value, dimension, unit, unit_of(dimension, unit).places + (dimension != "ratio"))

    def whole(self, value: float, dimension: str = "length") -> str:
        """Write a value with its unit."""
        unit = self.engine.unit(dimension)
        return in_words(value, dimension, unit, unit_of(dimension, unit).places + (dimension != "ratio"))

    def line(self, name: str, formula: str, figures: str, result: float, dimension: str = "length") -> str:
        """Write name = formula = figures = result; nothing where there is no result."""
        if not isfinite(result):
            return ""
        parts = (part for part in (name, formula, figures, self.whole(result, dimension)) if part)
        return " = ".join(parts)


def _installed(page: _Page) -> list[str]:
    raw = page.input("installed_height")
    way = CATALOG["installed_height"].way(raw.way) if raw else None
    if raw is None or way is None:
        return []
    if not way.corrections:
        return [f"installed height = {page.whole(raw.value)}, as read"]
    formula, figures, result = "reading", page.bare(raw.value), raw.value
    for sign, quantity in way.corrections:
        part = page.input(quantity)
        if part is None:
            return []
        mark = "-" if sign < 0 else "+"
        formula += f" {mark} {part.title}"
        figures += f" {mark} {page.bare(part.value)}"
        result += sign * part.value
    return [page.line("installed height", formula, figures, result)]


def _lift(page: _Page) -> list[str]:
    if read := page.input("valve_lift"):
        return [f"valve lift = {page.whole(read.value)}, as read"]
    if page.input("valve_arm"):
        return _by_geometry(page)
    lobe, ratio, lash = (page.input(quantity) for quantity in ("lobe_lift", "rocker_ratio", "lash"))
    if lobe is None or ratio is None or lash is None:
        return []
    figures = f"{page.bare(lobe.value)} x {page.bare(ratio.value, 'ratio')} - {page.bare(lash.value)}"
    result = lobe.value * ratio.value - lash.value
    return [page.line("valve lift", "lobe lift x rocker ratio - lash", figures, result)]


def _by_geometry(page: _Page) -> list[str]:
    """Give the lift that the rocker's own dimensions make of the lobe's."""
    lift, lobe, lash = page.term("valve_lift"), page.input("lobe_lift"), page.input("lash")
    if lobe is None or not isfinite(lift):
        return []
    slack = lash.value if lash else 0.0
    return [
        f"valve lift = lobe lift {page.bare(lobe.value)} through the rocker's own dimensions = {page.whole(lift)}",
        f"true ratio = (lift + lash) / lobe lift = ({page.bare(lift)} + {page.bare(slack)}) / {page.bare(lobe.value)} = "
        f"{(lift + slack) / lobe.value:.3f}",
    ]


def _open(page: _Page) -> list[str]:
    height, lift, opened = (page.term(title) for title in ("installed_height", "valve_lift", "open_height"))
    return [page.line("open height", "installed height - lift", f"{page.bare(height)} - {page.bare(lift)}", opened)]


def _inner(page: _Page) -> list[str]:
    """Say at which height of its own the inner of a nest stands."""
    height, inner = page.term("installed_height"), page.term("inner_height")
    figures = f"{page.bare(height)} - {page.bare(height - inner)}"
    return [page.line("inner height", "installed - its step", figures, inner)]


def _bind_margin(page: _Page) -> list[str]:
    read, lift = page.input("bind_travel"), page.term("valve_lift")
    if read is not None:  # what was read on the head stands; nothing was worked out of heights
        figures = f"{page.bare(read.value)} - {page.bare(lift)}"
        return [page.line("coil-bind clearance", "travel to bind, read - lift", figures, read.value - lift)]
    height, lift, bind, travel = (
        page.term(title) for title in ("installed_height", "valve_lift", "bind_height", "travel_to_bind")
    )
    members = [one for one in page.finding.inputs if one.quantity == "bind_height" and one.asked and one.asked.member]
    each = ", ".join(f"{one.asked.member} {page.bare(one.value)}" for one in members if one.asked)
    formula = f"the largest of bind + step: {each}" if each else ""
    return [
        page.line("bind height", formula, "", bind),
        page.line("travel to bind", "installed - bind", f"{page.bare(height)} - {page.bare(bind)}", travel),
        page.line(
            "coil-bind clearance", "travel to bind - lift", f"{page.bare(travel)} - {page.bare(lift)}", travel - lift
        ),
    ]


def _load_at(term: str) -> Callable[[_Page], list[str]]:
    """Give the line of a load at a height, between the spring's own points on both sides."""

    def write(page: _Page) -> list[str]:
        height, curve = page.term(term), page.input("spring_load")
        if not isfinite(height) or not isfinite(page.finding.figure):
            return []
        around = _between(page, height, curve.points if curve else ())
        load = page.whole(page.finding.figure, "load")
        return [f"load at {TERMS[term][0]} {page.whole(height)}{around} = {load}"]

    return write


def _between(page: _Page, height: float, points: tuple[tuple[float, float], ...]) -> str:
    below = max((one for one in points if one[0] <= height), default=None)
    above = min((one for one in points if one[0] > height), default=None)
    told = [f"{page.bare(load, 'load')} at {page.bare(at)}" for at, load in filter(None, (above, below))]
    return f", measured {' and '.join(told)}" if told else ""


def _seal(page: _Page) -> list[str]:
    gap, lift = page.term("gap_closed"), page.term("valve_lift")
    figures = f"{page.bare(gap)} - {page.bare(lift)}"
    return [page.line("retainer to seal", "gap closed - lift", figures, page.finding.figure)]


def _card_load(page: _Page) -> list[str]:
    own, card, at = (page.term(title) for title in ("its_load_there", "card_load", "card_height"))
    figures = f"{page.bare(own, 'load')} / {page.bare(card, 'load')} - 1"
    return [
        page.line(
            f"off its card at {page.whole(at)}", "own load / card load - 1", figures, page.finding.figure, "percent"
        )
    ]


def _card_bind(page: _Page) -> list[str]:
    card, own = page.term("card_bind"), page.term("bind_height")
    figures = f"{page.bare(card)} - {page.bare(own)}"
    return [page.line("below card bind", "card bind - bind height", figures, page.finding.figure)]


def _share(page: _Page) -> list[str]:
    own, against = page.term("its_load"), page.term("held_against")
    figures = f"{page.bare(own, 'load')} / {page.bare(against, 'load')}"
    return [page.line("share", "its load / what its set is held against", figures, page.finding.figure, "percent")]


def _spread(page: _Page) -> list[str]:
    most, least, median = (page.term(t) for t in ("largest_load", "smallest_load", "median_of_the_set"))
    figures = f"({page.bare(most, 'load')} - {page.bare(least, 'load')}) / {page.bare(median, 'load')}"
    return [page.line("spread", "(largest - smallest) / median", figures, page.finding.figure, "percent")]


def _less(name: str, first: str, second: str, dimension: str = "length") -> Callable[[_Page], list[str]]:
    """Give the line of a difference of two terms; none where the difference was read as such."""

    def write(page: _Page) -> list[str]:
        if not (isfinite(page.term(first)) and isfinite(page.term(second))):
            return []
        figures = f"{page.bare(page.term(first), dimension)} - {page.bare(page.term(second), dimension)}"
        return [page.line(name, f"{TERMS[first][0]} - {TERMS[second][0]}", figures, page.finding.figure, dimension)]

    return write


def _ratio_off(page: _Page) -> list[str]:
    true, stated = page.term("true_ratio"), page.term("stated_ratio")
    figures = f"{page.bare(true, 'ratio')} / {page.bare(stated, 'ratio')} - 1"
    return [page.line("off the stated ratio", "true / stated - 1", figures, page.finding.figure, "percent")]


def _engaged(page: _Page) -> list[str]:
    out, long = page.term("protrusion"), page.term("lock_length")
    figures = f"1 - {page.bare(out)} / {page.bare(long)}"
    return [page.line("lock engaged", "1 - protrusion / lock length", figures, page.finding.figure, "percent")]


def _seen(page: _Page) -> list[str]:
    one = page.finding.inputs[0]
    return [f"{one.title} of {one.at}: {page.finding.word}"] if page.finding.word and one.asked else []


_SEEN = ("seat_contact", "leak_test", "parts_condition", "spring_standing", "retainer_level", "spring_condition",
         "spring_direction", "spring_type")  # fmt: skip
_WORKED: dict[str, tuple[Callable[[_Page], list[str]], ...]] = {
    "installed_height": (_installed,),
    "coil_bind_clearance": (_installed, _inner, _lift, _open, _bind_margin),
    "seat_load": (_installed, _load_at("installed_height")),
    "open_load": (_installed, _lift, _open, _load_at("open_height")),
    "retainer_seal": (_lift, _seal),
    "card_seat_load": (_card_load,),
    "manual_load": (_load_at("card_height"),),
    "card_open_load": (_card_load,),
    "card_bind": (_card_bind,),
    "set_share": (_share,),
    "set_weakest": (_share,),
    "set_spread": (_spread,),
    "guide_clearance": (_less("guide clearance", "bore", "stem"),),
    "tip_level": (_less("tip to neighbours", "tip_height", "median_tip_of_its_head"),),
    "tip_height": (_less("off its height", "tip_height", "specified"),),
    "spring_on_floor": (_less("room on the floor", "floor", "spring_outside"),),
    "spring_over_boss": (_less("room over the boss", "spring_inside", "boss"),),
    "spring_on_retainer": (_less("room on the retainer", "spring_inside", "retainer_step"),),
    "lock_angle": (_less("lock angle", "lock", "retainer", "angle"),),
    "lock_stem": (_less("lock to stem", "made_for", "stem"),),
    "lock_engaged": (_engaged,),
    "true_ratio": (_ratio_off,),
    "plunger_left": (_less("travel left", "plunger_travel", "preload"),),
    "lash_set": (_less("off the card", "lash", "asked_for"),),
    "card_lift": (_lift, _less("card's max lift", "card_max_lift", "valve_lift")),
    "free_card": (_less("off its card", "free_length", "its_card"),),
    **dict.fromkeys(_SEEN, (_seen,)),
}
