"""Whether a spring is of the type its set and its card say, and stands at a valve it is made for."""

from __future__ import annotations

import numpy as np

from honest_lift.checks.finding import Check, Finding
from honest_lift.checks.observed import OBSERVED, findings_observed
from honest_lift.checks.on_springs import card_figures, role_of
from honest_lift.estimates.estimate import Estimate, Input
from honest_lift.estimates.spring.curves import Curves
from honest_lift.facts.engine import Book
from honest_lift.facts.parts import SpringCard
from honest_lift.facts.place import of_spring, position_title
from honest_lift.mechanics.spring.form import Form
from honest_lift.numbers.doubt import Array, Ground, exact

SPRING_TYPE = Check(
    "spring_type", "Right spring", "springs", OBSERVED,
    "Whether the spring is of its set's type, by its curve, its loads and the valve it is made for.",
)  # fmt: skip
_RISES = ("progressive", "tapered")
_BENT, _WILD, _FEWEST = 0.15, 4.5, 5  # share of the rate, scatters, springs: simulated in docs/validation.md
_OFF, _ALIKE = 0.10, 0.05  # off its own card, and on another's. Common practice, no source; the second from memory


def check_type(book: Book, springs: tuple[str, ...], curves: Curves, forms: list[Form]) -> list[Finding]:
    """Give a finding for each spring whose type can be told: from three points or more, its card's loads, or its role."""
    off = _off_own_card(book, springs, curves)
    bends = _bends(book, springs, forms)
    found: list[tuple[str, Input]] = []
    for row, name in enumerate(springs):
        owner = book.engine.set_of(name)
        own = bends.get(owner.id, []) if owner else []
        wrong = (
            _wrong_role(book, name)
            or _wrong_form(book, name, forms[row], own)
            or _wrong_card(book, name, curves, row, float(off[row]))
        )
        told = forms[row].told != "too few points" or bool(owner and owner.role and book.engine.position_of(name))
        if wrong or told:
            open_words = "" if wrong else _not_to_tell(book, name, forms[row], own)
            found.append((name, _seen(name, wrong, _of_loads(curves, row), open_words)))
    names = [name for name, _ in found]
    places, positions = [of_spring(name) for name in names], [book.engine.position_of(name) for name in names]
    return findings_observed(SPRING_TYPE, places, positions, [one for _, one in found])


def _of_loads(curves: Curves, row: int) -> Ground:
    """Give what bars the spring's loads: a type told from loads that prove nothing is not proven either."""
    return Ground(int(curves.loads.ground[row])) & ~(Ground.SPECIFIED | Ground.MISSING)


def _seen(name: str, wrong: str, ground: Ground, open_words: str) -> Input:
    place = of_spring(name)
    unread = "its loads prove nothing as they were read" if ground else ""
    note = "; ".join(part for part in (wrong, open_words, unread) if part)
    ground |= Ground.UNREAD if open_words else Ground.NONE
    return Input("spring_type", place.title, "observed", 1.0 if wrong else 0.0, ground=ground, note=note, asked=place)


def _wrong_role(book: Book, name: str) -> str:
    owner, role = book.engine.set_of(name), role_of(book, name)
    if owner is None or not owner.role or not role or owner.role == role:
        return ""
    where = position_title(book.engine.position_of(name))
    return f"{owner.name} is made for {owner.role} valves and is fitted at {where}; exchange it"


def _bends(book: Book, springs: tuple[str, ...], forms: list[Form]) -> dict[str, list[float]]:
    """Give, for each set, how much the rates of its springs rise over the travel."""
    bends: dict[str, list[float]] = {}
    for name, form in zip(springs, forms, strict=True):
        owner = book.engine.set_of(name)
        if owner and form.bend == form.bend:
            bends.setdefault(owner.id, []).append(form.bend)
    return bends


def _not_to_tell(book: Book, name: str, form: Form, bends: list[float]) -> str:
    """Say why it can't be told whether a spring has the right form; "" where it can."""
    if form.told == "too few points":
        return ""
    card = book.engine.card_of(name)
    said = card.form if card else ""
    if said in _RISES and form.told == "linear" and not form.is_certain:
        return (
            f"its {len(form.rates_n_mm) + 1} points lie on a line and its card says {said}: press it at one height more"
        )
    if said or not 1 < len(bends) < _FEWEST or max(bends) - min(bends) <= _BENT * min(bends):
        return ""
    return (
        f"the {len(bends)} springs of its set have unlike load curves, too few to know which is right; state its type"
    )


def _wrong_form(book: Book, name: str, form: Form, bends: list[float]) -> str:
    """Say how a spring's curve contradicts its card or its set; a line through few points contradicts nothing."""
    if form.told == "too few points":
        return ""
    if form.told == "falling" and form.bend < 1.0 - _BENT:
        return "its rate falls as it is compressed, which no spring does: measure it again"
    card = book.engine.card_of(name)
    rises, said = form.is_rising and form.bend > 1.0 + _BENT, card.form if card else ""
    if (said == "linear" and rises) or (said in _RISES and form.told == "linear" and form.is_certain):
        told = "progressive" if rises else "linear"
        return f"its curve is {told} and its card says {said}: a wrong spring, or one of an earlier repair"
    if len(bends) < _FEWEST:
        return ""
    middle = float(np.median(bends))
    scatter = 1.4826 * float(np.median(np.abs(np.array(bends) - middle)))
    apart = abs(form.bend - middle)
    if apart > _BENT * middle and apart > _WILD * scatter:
        own, others = ("linear", "progressive") if form.bend < middle else ("progressive", "linear")
        return f"its curve is {own} among {others} ones: a wrong spring, or one of an earlier repair"
    return ""


def _off_own_card(book: Book, springs: tuple[str, ...], curves: Curves) -> Array:
    """Give the largest share (n,) by which each spring's loads are off its own card; 0 where that can't be told."""
    worst = np.zeros(len(springs))
    for height, load in (("seat_height_mm", "seat_load_n"), ("open_height_mm", "open_load_n")):
        at, asked = card_figures(book, springs, height), card_figures(book, springs, load)
        own = curves.load(Estimate(exact(at), ((),) * len(springs))).figure.value
        worst = np.fmax(worst, np.abs(own / asked - 1.0))
    return worst


def _wrong_card(book: Book, name: str, curves: Curves, row: int, off: float) -> str:
    """Say which other card of this engine a spring's loads fit, where they do not fit its own."""
    own = book.engine.card_of(name)
    if own is None or off <= _OFF:
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
