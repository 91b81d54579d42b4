"""Whether a spring is of the type its set and its card say, and stands at a valve it is made for."""

from __future__ import annotations

from collections import Counter

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED, findings_observed
from honest_lift.checks.on_springs import role_of
from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.estimates.loads import Curves
from honest_lift.estimates.spring_form import form_of
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import of_spring, position_title
from honest_lift.mechanics.spring.form import Form
from honest_lift.numbers.doubt import exact

SPRING_TYPE = Check(
    "spring_type", "Right spring", "springs", OBSERVED,
    "Whether the spring is of its set's type, by its curve, its loads and the valve it is made for.",
)  # fmt: skip
_RISES = ("progressive", "tapered")
_OFF, _ALIKE = 0.10, 0.05  # off its own card, and on another's. Common practice, no source; the second from memory


def check_type(book: Book, springs: tuple[str, ...], curves: Curves) -> list[Finding]:
    """Give a finding for each spring whose type can be told: from three points or more, its card's loads, or its role."""
    forms = [form_of(curves, row) for row in range(len(springs))]
    usual = _usual_forms(book, springs, forms)
    found: list[tuple[str, Input]] = []
    for row, name in enumerate(springs):
        wrong = (
            _wrong_role(book, name)
            or _wrong_form(book, name, forms[row], usual)
            or _wrong_card(book, name, curves, row)
        )
        owner = book.engine.set_of(name)
        told = forms[row].told != "too few points" or bool(owner and owner.role and book.engine.position_of(name))
        if wrong or told:
            found.append((name, _seen(name, wrong)))
    names = [name for name, _ in found]
    places, positions = [of_spring(name) for name in names], [book.engine.position_of(name) for name in names]
    return findings_observed(SPRING_TYPE, places, positions, [one for _, one in found])


def _seen(name: str, wrong: str) -> Input:
    place = of_spring(name)
    return Input("spring_type", place.title, "observed", 1.0 if wrong else 0.0, note=wrong, asked=place)


def _wrong_role(book: Book, name: str) -> str:
    owner, role = book.engine.set_of(name), role_of(book, name)
    if owner is None or not owner.role or not role or owner.role == role:
        return ""
    where = position_title(book.engine.position_of(name))
    return f"{owner.name} is made for {owner.role} valves and it stands at {where}: exchange it"


def _usual_forms(book: Book, springs: tuple[str, ...], forms: list[Form]) -> dict[str, str]:
    """Give whether most springs of each set rise or are linear; a set that is split evenly has no usual form."""
    told: dict[str, Counter[str]] = {}
    for name, form in zip(springs, forms, strict=True):
        owner = book.engine.set_of(name)
        if owner and form.told != "too few points":
            told.setdefault(owner.id, Counter())["rising" if form.is_rising else form.told] += 1
    return {
        one: kinds.most_common(1)[0][0] for one, kinds in told.items() if kinds.most_common(1)[0][1] * 2 > kinds.total()
    }


def _wrong_form(book: Book, name: str, form: Form, usual: dict[str, str]) -> str:
    """Say how a spring's curve contradicts its card or its set."""
    if form.told == "too few points":
        return ""
    if form.told == "falling":
        return "its rate falls as it is compressed, which no spring does: measure it again"
    card, owner = book.engine.card_of(name), book.engine.set_of(name)
    own = "rising" if form.is_rising else "linear"
    said = "" if card is None or not card.form else "rising" if card.form in _RISES else "linear"
    if card and said and said != own:
        return f"its curve is {_word(own)} and its card says {card.form}: a wrong spring, or one of an earlier repair"
    among = usual.get(owner.id, own) if owner else own
    if among != own:
        return f"its curve is {_word(own)} among {_word(among)} ones: a wrong spring, or one of an earlier repair"
    return ""


def _word(form: str) -> str:
    return "progressive" if form == "rising" else form


def _wrong_card(book: Book, name: str, curves: Curves, row: int) -> str:
    """Say which other card of this engine a spring's loads fit, where they do not fit its own."""
    own = book.engine.card_of(name)
    if own is None or _off(own, curves, row) <= _OFF:
        return ""
    others = [card for card in book.engine.cards if card.id != own.id and _off(card, curves, row) <= _ALIKE]
    return f"its loads are off its own card and fit {others[0].name}: a spring of that type" if others else ""


def _off(card: SpringCard, curves: Curves, row: int) -> float:
    """Give the largest share by which a spring's loads are off a card at the card's heights; NaN where it can't be told."""
    pairs = [(card.seat_height_mm, card.seat_load_n), (card.open_height_mm, card.open_load_n)]
    stated = [(height, load) for height, load in pairs if height is not None and load]
    if not stated:
        return float("nan")
    only = curves.take([row] * len(stated))
    heights = Estimate(exact(np.array([height for height, _ in stated])), ((),) * len(stated))
    loads = only.load(heights).figure.value
    return float(np.max(np.abs(loads / np.array([load for _, load in stated]) - 1.0)))
