"""What to measure next over the whole engine, as a person would walk it: one quantity, valve by valve, in head order.

First what unproven checks lack, then what has gone stale, then what most narrows the doubt of close ones. Within each,
that which the most checks wait for comes first.
"""

from __future__ import annotations

from collections.abc import Iterator

from msgspec import Struct

from honest_lift.checks.examine import Examination
from honest_lift.checks.finding import Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.checks.unbegun import POURED_ONCE
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.motion.bending import HYDRAULIC
from honest_lift.estimates.rocker.parts import RESTS_ON
from honest_lift.estimates.spring.beside import SAME_MM, pressed_at_mm
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Book
from honest_lift.facts.place import Place, at_position, of_spring
from honest_lift.facts.wheel_table import READ_AS
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.best_way import means_of

LACKS, STALE, CLOSE = 0, 1, 2
_WHY = {
    LACKS: "not measured",
    STALE: "stale, or read with a tool that proves nothing",
    CLOSE: "would narrow what is close",
}
_MISSING, _UNSOUND, _PENDING = (
    int(Ground.MISSING),
    int(Ground.UNSOUND),
    int(Ground.PENDING),
)  # as whole numbers: every input of every finding is asked
_AGAIN = int(
    Ground.STALE
    | Ground.PREDICTED
    | Ground.ASSUMED
    | Ground.UNRANGED
    | Ground.NO_TOOL
    | Ground.SET_ASIDE
    | Ground.UNTOLERATED
)
_LIFT = frozenset({"rocker_ratio", *RESTS_ON})
_WALKED = "Measured lobes"
_SET_VALVE_BY_VALVE = frozenset({"lash"})  # stated for all, and then read at each


class NextStep(Struct, frozen=True):
    """One step: a quantity to be read at some places, or something only a person can state.

    `member` and `height_mm` tell readings of springs apart. `places` in head order; none where it is to be `stated`,
    and then `page` of engine and parts is where; `about`: what is stated there, where that is no quantity (a check's limit,
    "card", "heights", "springs"). `checks`: how many wait for it. `repeat`: it is read once more, beside what stands there.
    """

    quantity: str
    member: str
    height_mm: float | None
    places: tuple[Place, ...]
    tier: int
    checks: int
    stated: str = ""
    page: str = ""
    repeat: bool = False
    about: str = ""

    def asks_as(self, other: NextStep) -> bool:
        """Tell whether it asks for the same reading as a step of an earlier plan, at whatever places are left."""
        mine, others = ((one.quantity, one.member, one.height_mm, one.tier, one.repeat) for one in (self, other))
        return mine == others

    @property
    def why(self) -> str:
        """Say why it comes up."""
        return self.stated or _WHY[self.tier]


class _Need(Struct, frozen=True):
    tier: int
    quantity: str
    member: str = ""
    height_mm: float | None = None
    stated: str = ""
    page: str = ""
    repeat: bool = False
    about: str = ""


def next_steps(book: Book, examination: Examination) -> tuple[NextStep, ...]:
    """Rank what to do next. Only what is fitted counts."""
    if not book.engine.layout.positions:
        return (NextStep("", "", None, (), LACKS, 0, "lay the heads out", "Engine"),)
    places: dict[_Need, dict[Place, None]] = {}
    waiting: dict[_Need, int] = {}
    for finding in examination.findings:
        if not finding.position:
            continue
        needed = dict.fromkeys(_needs(book, finding))
        for need in dict.fromkeys(need for need, _ in needed):
            waiting[need] = waiting.get(need, 0) + 1
        for need, place in needed:
            if place:
                places.setdefault(need, {})[place] = None
    order = _walk(book)
    steps = [
        NextStep(need.quantity, need.member, need.height_mm,
                 tuple(sorted(places.get(need, ()), key=lambda one: order.get(one.name, len(order)))),
                 need.tier, count, need.stated, need.page, need.repeat, need.about)
        for need, count in waiting.items()
    ]  # fmt: skip
    return tuple(sorted(steps, key=lambda one: (one.tier, not _in_a_minute(one), -one.checks)))


def _in_a_minute(step: NextStep) -> bool:
    """Say whether it only has to be stated. Walking a lobe is told on a page too, but is an hour's work like any reading."""
    return bool(step.stated) and step.page != _WALKED


def _walk(book: Book) -> dict[str, int]:
    """Give the order places are walked in: valves in head order, and their springs after them."""
    names = [one.id for one in book.engine.layout.positions]
    return {name: i for i, name in enumerate([*names, *(book.engine.spring_at(one) for one in names)])}


def _needs(book: Book, finding: Finding) -> Iterator[tuple[_Need, Place | None]]:
    if finding.verdict is Verdict.UNPROVEN:
        for one in finding.inputs:
            ground = int(one.ground)
            if ground & _PENDING:
                continue  # it is being worked out: nobody has to read anything
            if ground & _MISSING:
                yield from _lacking(book, one)
            elif one.quantity == "lobe_shape" and ground & _AGAIN:
                yield (
                    _Need(STALE, one.quantity, stated="walk the lobe with a degree wheel", page=_WALKED),
                    None,
                )
            elif one.quantity == "spring_damping" and one.kind == "assumed":
                yield _Need(CLOSE, one.quantity, stated=one.note, page="Springs"), None  # of coils that nobody measured
            elif ground & _AGAIN and one.note != HYDRAULIC:
                yield from _again(book, one)
            elif ground & _UNSOUND and one.quantity in READ_AS.values() and one.way == "indicator":
                words = "judge the rows of its wheel table, or walk the lobe again"
                yield _Need(STALE, one.quantity, stated=words, page=_WALKED), None
        if finding.ground & Ground.EXTRAPOLATED:
            yield from _beyond(book, finding)
        if finding.limit is None and finding.check.dimension != OBSERVED:
            yield _unlimited(finding), None
    elif finding.verdict is Verdict.CLOSE:
        yield from _narrowing(book, finding)


def _lacking(book: Book, one: Input) -> Iterator[tuple[_Need, Place | None]]:
    place = one.asked
    if one.quantity in ("spring_load", "bind_height") and place and not place.name:
        yield _Need(LACKS, "", stated="fit a spring at every valve", page="Springs", about="springs"), None
    elif one.quantity == "spring_load" and place:
        yield from _points(book, place, LACKS)
    elif one.quantity == "bind_height" and place:
        card = book.engine.card_of(place.name)
        several = [member.name for member in card.members] if card and len(card.members) > 1 else [""]
        for member in [place.member] if place.member else several:
            yield _Need(LACKS, one.quantity, member), of_spring(place.name, member)
    elif "engine" in CATALOG[one.quantity].places and not (one.quantity in _SET_VALVE_BY_VALVE and one.is_told):
        words = f"{CATALOG[one.quantity].title}: state or measure it"
        yield _Need(LACKS, one.quantity, stated=words, page=CATALOG[one.quantity].page), None
    else:
        yield _Need(LACKS, one.quantity, place.member if place else "", repeat=one.note == POURED_ONCE), place


def _points(book: Book, place: Place, tier: int) -> Iterator[tuple[_Need, Place | None]]:
    """Give the heights of a spring's set that have no load yet; all of them where it is read again."""
    owner = book.engine.set_of(place.name)
    if owner is None or len(owner.test_heights_mm) < 2:
        yield (
            _Need(
                tier,
                "spring_load",
                stated="state two or more test heights for its set",
                page="Springs",
                about="heights",
            ),
            None,
        )
        return
    for height in sorted(owner.test_heights_mm, reverse=True):
        if tier != LACKS or not any(abs(height - one) < SAME_MM for one in pressed_at_mm(book, place.name)):
            yield _Need(tier, "spring_load", "", height), of_spring(place.name)


def _beyond(book: Book, finding: Finding) -> Iterator[tuple[_Need, Place | None]]:
    """Give what would bring a load that lies outside the measured points inside them."""
    for one in finding.inputs:
        if one.quantity == "spring_load" and one.asked and not one.ground & Ground.MISSING:
            planned = list(_points(book, one.asked, LACKS))
            words = "add a test height beyond the ones of its set: a load lies outside them"
            yield from planned or [(_Need(STALE, "spring_load", stated=words, page="Springs", about="heights"), None)]


def _again(book: Book, one: Input) -> Iterator[tuple[_Need, Place | None]]:
    row = CATALOG[one.quantity]
    if one.asked is None or not (
        row.ways or "engine" in row.places
    ):  # what is only told from others is not read itself
        return
    if one.quantity == "spring_load":
        yield from _points(book, one.asked, STALE)
    elif "engine" not in CATALOG[one.quantity].places or means_of(book.engine, one.quantity, one.value):
        yield _Need(STALE, one.quantity, one.asked.member), one.asked
    else:
        yield (
            _Need(
                STALE,
                one.quantity,
                page=CATALOG[one.quantity].page,
                stated=f"{row.title}: state {'it, it is assumed' if one.kind == 'assumed' else 'its tolerance'}",
            ),
            None,
        )


def _unlimited(finding: Finding) -> _Need:
    if finding.check.name == "installed_height":  # its limits stand about the target
        return _Need(LACKS, "target_height", stated="state the target height", page="Cam card")
    if finding.check.step == "springs":
        return _Need(LACKS, "", stated="state what the spring's card says", page="Springs", about="card")
    return _Need(
        LACKS, "", stated=f"state a limit for {finding.check.title.lower()}", page="Limits", about=finding.check.name
    )


def _narrowing(book: Book, finding: Finding) -> Iterator[tuple[_Need, Place | None]]:
    """Give what most of the doubt of a close finding comes from, if it can be measured better."""
    shares = {one.quantity: _share(finding, one) for one in finding.inputs}
    lifting = _LIFT if any(term.key == "valve_lift" for term in finding.terms) else frozenset()
    lift = sum(share for quantity, share in shares.items() if quantity in lifting)
    ranked = sorted(((share, quantity) for quantity, share in shares.items() if quantity not in lifting), reverse=True)
    if finding.position and lift and (not ranked or lift > ranked[0][0]):
        yield _Need(CLOSE, "valve_lift"), at_position(finding.position)
        return
    for _, quantity in ranked[:1]:
        one = next(each for each in finding.inputs if each.quantity == quantity)
        if one.asked and quantity != "spring_load" and means_of(book.engine, quantity, one.value):
            yield _Need(CLOSE, quantity, one.asked.member), one.asked
        elif quantity == "spring_load" and one.asked and (height := _helping_height(book, finding, one)):
            yield _Need(CLOSE, "spring_load", "", height), of_spring(one.asked.name)
        elif quantity == "spring_load":
            words = "hold the spring tester against a reference spring"
            yield _Need(CLOSE, "reference_load", stated=words, page="Tester"), None


_PRESSED = ("open_height", "installed_height")  # terms that say where a spring's load is asked


def _helping_height(book: Book, finding: Finding, one: Input) -> float | None:
    """Give the height to press a spring at where most of its load's doubt is its curve's shape; None where it is not.

    Rounded, so that neighbours are pressed alike: near a point there is hardly any room for the shape.
    """
    squares = finding.source.parts()[:, finding.case] ** 2
    shape = sum(
        float(part)
        for source, part in zip(finding.source.sources, squares, strict=True)
        if source.key.startswith("shape:")
    )
    at = next((term.value for term in finding.terms if term.key in _PRESSED), None)
    if at is None or not one.points or shape < 0.5 * float(squares.sum()):
        return None
    step = 0.02 * 25.4 if book.engine.unit("length") == "in" else 0.5
    return round(round(at / step) * step, 4)


def _share(finding: Finding, one: Input) -> float:
    """Give how much of the variance comes with an input: its own scatter, its card's tolerance, its tools."""
    keys = {f"scatter:{one.quantity}", *(key for key, _, _ in (*one.shared, *one.each))}
    squares = finding.source.parts()[:, finding.case] ** 2
    own = sum(
        float(square)
        for source, square in zip(finding.source.sources, squares, strict=True)
        if source.key in keys
        or (one.quantity == "spring_load" and source.key.startswith(("scatter:load", "tool:", "shape:")))
    )
    return own / float(squares.sum()) if squares.sum() else 0.0
