"""Each spring against its own card, and against the set it came and ran with."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import replace

import numpy as np

from honest_lift.checks.finding import Check, Finding, findings
from honest_lift.estimates.estimate import Estimate, derive
from honest_lift.estimates.loads import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.limits import Limit, limit_for
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import of_spring
from honest_lift.mechanics.bench.spring_set import share_of_median, spread
from honest_lift.numbers.doubt import Array, exact
from honest_lift.numbers.verdict import Verdict

CARD_SEAT_LOAD = Check(
    "card_seat_load", "Card seat load", "springs", "percent",
    "How far the spring's load at its card's installed height is off the card.",
)  # fmt: skip
CARD_OPEN_LOAD = Check(
    "card_open_load", "Card open load", "springs", "percent",
    "How far the spring's load at its card's open height is off the card.",
)  # fmt: skip
CARD_BIND = Check(
    "card_bind", "Card bind height", "springs", "length", "How much sooner than its card says the spring could bind."
)
SET_SHARE = Check(
    "set_share", "Share of its set", "springs", "percent", "The spring's load as a share of its set's median."
)
SET_WEAKEST = Check(
    "set_weakest", "Weakest of its set", "springs", "percent",
    "The lowest share in the whole used set: one collapsed spring condemns it, the others have seen the same heat.",
)  # fmt: skip
SET_SPREAD = Check(
    "set_spread", "Spread of its set", "springs", "percent", "Largest less smallest load of the set over its median."
)


def check_against_card(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold each spring's loads and bind height against its own card. What the card does not give is unproven."""
    cards = [book.engine.card_of(name) for name in springs]
    found: list[Finding] = []
    for check, height, load in (
        (CARD_SEAT_LOAD, "seat_height_mm", "seat_load_n"),
        (CARD_OPEN_LOAD, "open_height_mm", "open_load_n"),
    ):
        at, asked = _figures(cards, height), _figures(cards, load)
        stated = Estimate(exact(at), ((),) * len(springs))
        measured = curves.load(stated)
        off = derive(lambda own, by=asked: 100.0 * (own / by - 1.0), measured)
        terms = {"card height": (at, "length"), "card load": (asked, "load"), "its load": (measured.figure.value, "load")}
        limits = _limits(book, springs, check.name, np.isfinite(at) & np.isfinite(asked))
        found += _on_springs(book, check, springs, off, limits, terms)
    bind, card_bind = curves.bind, _figures(cards, "bind_height_mm")
    below = derive(lambda own: card_bind - own, bind)
    terms = {"card bind": (card_bind, "length"), "bind height": (bind.figure.value, "length")}
    limits = _limits(book, springs, "card_bind", np.isfinite(card_bind))
    return found + _on_springs(book, CARD_BIND, springs, below, limits, terms)


def check_in_set(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Hold springs of one set and role against each other, at the card's installed height."""
    groups: dict[tuple[str, str], list[int]] = defaultdict(list)
    for i, name in enumerate(springs):
        position = book.engine.position(book.engine.position_of(name))
        owner = book.engine.set_of(name)
        if owner:
            groups[owner.id, position.role if position else ""].append(i)
    found: list[Finding] = []
    for members in groups.values():
        if len(members) > 1:
            found += _group(book, tuple(springs[i] for i in members), curves.take(members))
    return found + _weakest(book, springs, found)


def _weakest(book: Book, springs: tuple[str, ...], found: list[Finding]) -> list[Finding]:
    """Carry the lowest share of every used set to each of its springs."""
    carried: list[Finding] = []
    for owner in book.engine.sets:
        shares = [one for one in found if one.check is SET_SHARE and book.engine.set_of(one.place.name) == owner]
        if owner.condition != "used" or not shares:
            continue
        least = max(shares, key=lambda one: (one.verdict, -one.figure))
        words = f"spring {least.place.name} is the lowest of {owner.name}"
        if least.verdict is Verdict.FAILS:
            words = f"{owner.name} is condemned by spring {least.place.name}: the others have seen the same heat"
        carried += [
            replace(least, check=SET_WEAKEST, place=of_spring(name), position=book.engine.position_of(name), remark=words)
            for name in springs
            if book.engine.set_of(name) == owner
        ]
    return carried


def _group(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Judge one group. A spring not measured leaves the spread unproven, unless it fails already without it."""
    at = _figures([book.engine.card_of(name) for name in springs], "seat_height_mm")
    loads = curves.load(Estimate(exact(at), ((),) * len(springs)))
    known = np.flatnonzero(np.isfinite(loads.figure.value))
    names = tuple(springs[i] for i in known)
    if len(known) < 2:
        return []
    figure = loads.figure.take(known).apart()
    among = Estimate(figure, tuple(loads.inputs[i] for i in known))
    share = derive(share_of_median, among)
    terms = {
        "its load": (figure.value, "load"),
        "median of the set": (np.full(len(known), np.median(figure.value)), "load"),
    }
    own = _on_springs(book, SET_SHARE, names, share, _limits(book, names, "set_share", np.isfinite(at[known])), terms)
    own = [replace(one, remark=_collapse_words(book, one)) if one.verdict is Verdict.FAILS else one for one in own]
    wide = derive(lambda values: np.repeat(spread(values)[..., None], len(known), axis=-1), among)
    joint = np.bitwise_or.reduce(figure.ground)
    wide = Estimate(wide.figure.on_ground(np.full(len(known), joint)), wide.inputs)
    unread = [name for name in springs if name not in names]
    remark = f"not measured: spring {', '.join(unread)}" if unread else ""
    limits = _limits(book, names, "set_spread", np.isfinite(at[known]))
    whole = _on_springs(book, SET_SPREAD, names, wide, limits, _ends(figure.value))
    if unread:
        whole = [one if one.verdict is Verdict.FAILS else replace(one, verdict=Verdict.UNPROVEN) for one in whole]
    return own + [replace(one, remark=remark) for one in whole]


def _ends(loads: Array) -> dict[str, tuple[Array, str]]:
    ends = {"largest load": loads.max(), "smallest load": loads.min(), "median of the set": np.median(loads)}
    return {name: (np.full(len(loads), value), "load") for name, value in ends.items()}


def _collapse_words(book: Book, finding: Finding) -> str:
    owner = book.engine.set_of(finding.place.name)
    if owner and owner.condition == "used":
        return "collapsed: it condemns its used set, the others have seen the same heat"
    return "in a new set a low spring is a wrong or a bad part: look at its wire and its card"


def _on_springs(
    book: Book, check: Check, springs: tuple[str, ...], estimate: Estimate, limits: list[Limit | None],
    terms: dict[str, tuple[Array, str]],
) -> list[Finding]:  # fmt: skip
    places = [of_spring(name) for name in springs]
    positions = [book.engine.position_of(name) for name in springs]
    return findings(check, places, positions, estimate, limits, terms=terms)


def _figures(cards: list[SpringCard | None], field: str) -> Array:
    """Give one figure of each card (n,), NaN where a card is missing or does not state it."""
    values = [getattr(card, field) if card else None for card in cards]
    return np.array([np.nan if value is None else value for value in values], dtype=np.float64)


def _limits(book: Book, springs: tuple[str, ...], check: str, stated: Array) -> list[Limit | None]:
    """Give the limit at each spring; none where the card states nothing to hold it against."""
    roles = [p.role if (p := book.engine.position(book.engine.position_of(name))) else "" for name in springs]
    return [
        limit_for(book.engine.limits, check, role, book.engine.lifter) if known else None
        for role, known in zip(roles, stated, strict=True)
    ]


