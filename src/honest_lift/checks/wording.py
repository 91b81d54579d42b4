"""What a finding says in words: its reason in a sentence, and its working in lines, in the engine's own units."""

from __future__ import annotations

from math import isfinite

from honest_lift.checks.finding import Finding
from honest_lift.checks.observed import OBSERVED
from honest_lift.estimates.estimate import Input
from honest_lift.estimates.observed import choice_of
from honest_lift.facts.catalog import CATALOG
from honest_lift.facts.engine import Engine
from honest_lift.facts.place import position_title
from honest_lift.facts.quantities.rocker import GEOMETRY
from honest_lift.facts.sources import ORIGIN_WORDS, published
from honest_lift.numbers.doubt import COVERAGE, Ground
from honest_lift.numbers.in_own_unit import in_own_unit
from honest_lift.numbers.units import doubt_in_figures, in_figures, in_words, places_for, unit_of
from honest_lift.numbers.verdict import Verdict

_SAID_WHOLE = 1e-9  # of a unit: a limit rounded by less than this is said whole
_GROUNDS = (
    (
        Ground.UNSOUND,
        "its readings contradict each other; measure again, and strike out the wrong one",
    ),
    (Ground.SUSPECT, "something that was seen speaks against it; settle that first"),
    (Ground.SET_ASIDE, "a value made no sense and was set aside; what replaces it proves nothing"),
    (Ground.UNREAD, "not all it is compared with was measured"),
    (Ground.STALE, "a reading it needs is stale; measure it again"),
    (Ground.EXTRAPOLATED, "the height is outside the measured points, so the load is extrapolated"),
    (Ground.NO_TOOL, "the tool of a reading is not known, so its uncertainty is not known"),
    (Ground.UNTOLERATED, "a figure from a card has no tolerance"),
    (Ground.UNRANGED, "it rests on an assumption without a range"),
    (Ground.ASSUMED, "it rests on an assumption"),
    (Ground.PREDICTED, "it is predicted, not measured"),
)


_CAUSE_IN_NOTE = (Ground.UNSOUND, Ground.STALE, Ground.SET_ASIDE)  # where something is noted, it is the cause itself

_ONLY_BOUNDS = "what goes and what does not leaves it open"


def title(finding: Finding) -> str:
    """Name the finding: `3 exhaust, bind margin`."""
    where = position_title(finding.position) if finding.position else finding.place.title
    return f"{where}, {finding.check.title.lower()}"


def reason(finding: Finding, engine: Engine) -> str:
    """Give the reason of the verdict in one sentence or two."""
    if finding.check.dimension == OBSERVED:
        return observed_reason(finding)
    words = [_unproven(finding, engine) if finding.verdict is Verdict.UNPROVEN else _proven(finding, engine)]
    words += dict.fromkeys(
        _sentence(f"{one.title} of {one.at}: {one.warning}") for one in finding.inputs if one.warning
    )
    remark = "" if finding.verdict is Verdict.UNPROVEN and finding.ground & Ground.SUSPECT else finding.remark
    return " ".join(part for part in (*words, _sentence(remark)) if part)


def observed_reason(finding: Finding) -> str:
    """Say what was seen, when, and what it comes to."""
    one = finding.inputs[0]
    if one.ground & Ground.MISSING:
        return _sentence(one.note or f"not looked at: {one.title} of {one.at}")
    stale = "before a part was changed, so it proves nothing now" if one.ground & Ground.STALE else ""
    seen = ", ".join(
        part for part in (f"{one.title}: {finding.word or 'a word not known here'}", one.when[:10], stale) if part
    )
    return " ".join(part for part in (_sentence(seen), _sentence(finding.remark), _sentence(one.note)) if part)


def figure_words(finding: Finding, engine: Engine) -> str:
    """Give the figure with its doubt: `0.083 ±0.004 in`."""
    if finding.figure != finding.figure:
        return finding.word or "–"
    places = digits(finding, engine)
    figure, unit = _say(finding, engine, finding.figure, bare=True, places=places), engine.unit(finding.check.dimension)
    return f"{figure} ±{_doubt(finding, engine, places)} {unit}".rstrip()


def figure_alone(finding: Finding, engine: Engine) -> str:
    """Give the figure without its uncertainty, with as many decimals as that allows: `0.083 in`."""
    if finding.figure != finding.figure:
        return finding.word or "–"
    return _say(finding, engine, finding.figure, places=digits(finding, engine))


def _doubt(finding: Finding, engine: Engine, places: int | None) -> str:
    dimension = finding.check.dimension
    return doubt_in_figures(finding.expanded, dimension, engine.unit(dimension), places)


def digits(finding: Finding, engine: Engine) -> int | None:
    """Give how many decimals a finding's figure deserves by its doubt; None for the unit's own."""
    dimension = finding.check.dimension
    return places_for(finding.expanded, dimension, engine.unit(dimension))


def margin_words(finding: Finding, engine: Engine) -> str:
    """Give the margin with its sign: `+0.012 in`, `-0.029 in`, a dash for none."""
    if finding.figure != finding.figure or finding.margin != finding.margin:
        return "–"
    amount = _say(finding, engine, abs(finding.margin), places=digits(finding, engine))
    return f"{'-' if finding.margin < 0 else '+'}{amount}"


def limit_words(finding: Finding, engine: Engine) -> str:
    """Give the limit in words: `min 0.060 in`, `195 to 230 lbf`, `±1.0 deg`, `no limit stated`."""
    low, high = finding.lowest, finding.highest
    if finding.check.dimension == OBSERVED:
        return "looked at, not measured"
    places = limit_places(finding, engine)
    if low == -high:
        return f"±{_say(finding, engine, high, places=places)}"
    if low == low and high == high:
        return f"{_say(finding, engine, low, bare=True, places=places)} to {_say(finding, engine, high, places=places)}"
    if low == low:
        return f"min {_say(finding, engine, low, places=places)}"
    return f"max {_say(finding, engine, high, places=places)}" if high == high else "no limit stated"


def limit_places(finding: Finding, engine: Engine) -> int | None:
    """Give how many decimals the limits are written with: as many as the figure deserves, and enough to say them whole.

    None stands for the unit's own, which a figure without a doubt is written with too.
    """
    dimension = finding.check.dimension
    own, unit = digits(finding, engine), unit_of(dimension, engine.unit(dimension))
    if own is None or own == unit.places:
        return None
    limits = [one / float(unit.factor) for one in (finding.lowest, finding.highest) if isfinite(one)]
    whole = all(abs(one - round(one, own)) < _SAID_WHOLE for one in limits)
    return own if own > unit.places or whole else None


def source_words(finding: Finding, engine: Engine) -> str:
    """Say who the limit is from."""
    if finding.limit is None:
        return ""
    one = finding.limit
    rule = in_own_unit(one.rule, engine.unit("length"))
    return ", ".join(part for part in (rule, ORIGIN_WORDS[one.origin], published(one.source)) if part)


def _proven(finding: Finding, engine: Engine) -> str:
    amount, doubt = _apart(finding, engine)
    stated = dict.fromkeys(
        "the rocker's dimensions" if one.quantity in GEOMETRY else one.title
        for one in finding.inputs if one.kind == "specified"
    )  # fmt: skip
    given = f" Rests on figures stated, not measured: {', '.join(stated)}." if stated else ""
    limit, narrow = limit_words(finding, engine), finding.narrow
    if finding.verdict is Verdict.PASSES:
        return _capital(f"{amount} inside {limit}, uncertainty {doubt}.{given}")
    if finding.verdict is Verdict.FAILS:
        return _capital(f"{amount} {_beyond(finding)} {limit}, uncertainty {doubt}.")
    side = "inside" if finding.margin >= 0 else _beyond(finding)
    return _capital(f"{amount} {side} {limit}, less than its uncertainty {doubt}. {_NARROW if narrow else _FINER}")


_NARROW = "The window is narrower than the uncertainty, so no reading with this tool can prove it."
_FINER = "Use a finer tool, or measure better what most of the uncertainty comes from."


def _apart(finding: Finding, engine: Engine) -> tuple[str, str]:
    """Write the margin and its doubt with as many decimals as it takes to tell them apart."""
    unit = engine.unit(finding.check.dimension)
    places = digits(finding, engine)
    if places is None:
        places = unit_of(finding.check.dimension, engine.unit(finding.check.dimension)).places
    for more in range(3):
        doubt = f"±{_doubt(finding, engine, places + more)} {unit}".rstrip()
        words = _say(finding, engine, abs(finding.margin), places=places + more), doubt
        if words[0] != words[1].removeprefix("±"):
            break
    return words[0], words[1]


def _beyond(finding: Finding) -> str:
    if finding.lowest == -finding.highest:
        return "outside"
    return "below" if finding.figure < finding.lowest else "above"


def _unproven(finding: Finding, engine: Engine) -> str:
    absent = [one for one in finding.inputs if one.ground & Ground.MISSING]
    if absent:
        return " ".join([*dict.fromkeys(_sentence(one.note) for one in absent if one.note), *_not_measured(absent)])
    if finding.ground & Ground.MISSING:
        return "" if finding.remark else "These figures together give no result: one of them must be wrong."
    if finding.limit is None:
        return "No limit is stated for this, so its figure proves nothing."
    causes = _causes(finding)
    if not causes and finding.remark:
        return _as_it_stands(finding, engine)
    return f"{_sentence('; '.join(causes))} {_as_it_stands(finding, engine)}"


def _causes(finding: Finding) -> list[str]:
    """Say what bars the finding: at each place where something is known of it, else in general; a cause is said once."""
    only_bounds = all(one.is_bound for one in finding.inputs if one.ground & Ground.ASSUMED)
    causes: list[str] = []
    for flag, words in _GROUNDS:
        if not finding.ground & flag:
            continue
        if flag is Ground.SUSPECT and finding.remark:
            causes.append(finding.remark)
        elif flag is Ground.ASSUMED and only_bounds:
            causes.append(_ONLY_BOUNDS)
        elif flag in _CAUSE_IN_NOTE:
            causes += _noted(finding, flag) or [words]
        else:
            causes += [words, *_noted(finding, flag)]
    return list(dict.fromkeys(causes))


def _noted(finding: Finding, flag: Ground) -> list[str]:
    return [f"{one.title} of {one.at}: {one.note}" for one in finding.inputs if one.note and one.ground & flag]


def _not_measured(absent: list[Input]) -> list[str]:
    """Say what was not measured, a sentence for each quantity with all its places."""
    places: dict[str, dict[str, list[str]]] = {}
    for one in absent:
        if not one.note:
            member = one.asked.member if one.asked and one.asked.kind == "position" else ""
            whole = one.at.removesuffix(member).rstrip()
            places.setdefault(one.title, {}).setdefault(whole, []).append(member)
    return [
        _sentence(f"not measured: {title} of {', '.join(_at(whole, parts) for whole, parts in where.items())}")
        for title, where in places.items()
    ]


def _at(whole: str, parts: list[str]) -> str:
    """Say a place with its parts: `1 exhaust top, bottom`."""
    return f"{whole} {', '.join(one for one in parts if one)}".rstrip()


def _as_it_stands(finding: Finding, engine: Engine) -> str:
    """Say what it would be if all were measured as it stands, with best and worst where something is assumed."""
    if finding.provisional is Verdict.UNPROVEN:
        return ""
    words = f"As measured: {figure_words(finding, engine)}, {limit_words(finding, engine)}, {finding.provisional.word}."
    if finding.ground & Ground.ASSUMED and finding.least < finding.most:
        low, high = _say(finding, engine, finding.least, bare=True), _say(finding, engine, finding.most)
        words += f" Over the assumed range the margin is {low} to {high}."
    return words


def input_words(one: Input, engine: Engine) -> str:
    """Give an input's value in words; a curve says how many points it has."""
    if one.ground & Ground.MISSING:
        return "missing"
    if CATALOG[one.quantity].choices:
        choice = choice_of(one)
        return choice.key if choice else "a word not known here"
    if one.quantity == "spring_load":
        return f"{len(one.points)} points" if one.points else "its members' points"
    dimension = CATALOG[one.quantity].dimension
    unit = engine.unit(dimension)
    places = places_for(COVERAGE * one.u, dimension, unit)
    doubt = f" ±{doubt_in_figures(COVERAGE * one.u, dimension, unit, places)}" if one.u else ""
    return f"{in_figures(one.value, dimension, unit, places)}{doubt} {unit}".rstrip()


def _say(finding: Finding, engine: Engine, value: float, *, bare: bool = False, places: int | None = None) -> str:
    dimension = finding.check.dimension
    unit = engine.unit(dimension)
    words = in_words(value, dimension, unit, places)
    return words.removesuffix(unit).rstrip() if bare and unit else words


def _sentence(text: str) -> str:
    return f"{_capital(text.strip())}." if text.strip() else ""


def _capital(text: str) -> str:
    return text[:1].upper() + text[1:]
