"""The match over the invented shelf: what passes on the card is confirmed by the ordinary checks, what is left out is not."""

from dataclasses import replace as figures

import numpy as np
import pytest
from msgspec.structs import replace

from engines import Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.checks.train.in_motion import FLEXIBLE_FLOAT
from honest_lift.demo.shelf import lay_out
from honest_lift.estimates.train.masses import moving_of
from honest_lift.facts.changes import Change
from honest_lift.facts.edits import Confirm, Put, State, reading_of
from honest_lift.facts.fact import Fact
from honest_lift.facts.history import History
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.mechanics.match.candidates import told_apart, weigh
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.match.accept import Chosen, accept
from honest_lift.plans.match.at_speed import MOST, in_train
from honest_lift.plans.match.endurance import endurance_of
from honest_lift.plans.match.left_out import why
from honest_lift.plans.match.match import Match
from honest_lift.plans.match.other_way import SPEEDS, Outcome, highest_speed, most_lift, ratios, tried
from honest_lift.plans.match.parts import on_shelf
from honest_lift.shelf.kinds import PARTS
from honest_lift.shelf.store import Shelf
from honest_lift.words.spring.match import list_text, reason_words

CHECKED = ("seat_load", "open_load", "coil_bind_clearance", "retainer_seal", "card_lift", "float_margin")


@pytest.fixture(scope="module")
def shelf():
    made = Shelf(None)
    assert lay_out(made) > 300
    return made


@pytest.fixture(scope="module")
def match(shelf):
    return Match(demo(), on_shelf(shelf))


@pytest.fixture(scope="module")
def answer(match):
    *_, last = match.search()
    return last


def chosen(shelf, one):
    return Chosen(*(shelf.part(PARTS[kind], *key) for kind, key in
                    (("springs", one.spring), ("retainers", one.retainer), ("locks", one.locks))))  # fmt: skip


def as_its_card_says(history, match, one, spring):
    """Read everything that proves a candidate, each figure exactly as its card has it."""
    book = history.book

    def read(quantity, place, value, way, **more):
        tool = book.engine.tool_for(quantity, way)
        history.do(Confirm((reading_of(history.book, quantity, place, value, text=str(value), unit="", way=way,
                                       tool=tool.id if tool else "", **more),)))  # fmt: skip

    rate = (spring.figure("open_load") - spring.figure("seat_load")) / (
        spring.figure("seat_height") - spring.figure("open_height")
    )
    group = next(own for own in book.engine.sets if own.card == "/".join(one.spring))
    for position, height in zip(match.bench.positions, one.heights_mm, strict=True):
        read("installed_height", at_position(position), height, "height_micrometer")
        name = book.engine.spring_at(position)
        for at in group.test_heights_mm:
            load = spring.figure("seat_load") + rate * (spring.figure("seat_height") - at)
            read("spring_load", of_spring(name), load, "tester", at={"test_height": at})
        read("bind_height", of_spring(name), spring.figure("bind_height"), "tester")


def without_uncertainty(match, one):
    """Give each check's rung at every pocket as the search states it, by the nearer of its limits, all uncertainty left out."""
    bench, nothing = match.bench, np.zeros(len(match.bench.positions))
    exact = figures(bench.pockets, height_u=nothing, lift_u=nothing, gap_u=nothing, nose_u=nothing)
    asked = figures(bench.asked, seat_u_n=0.0, open_u_n=0.0, bind_u_mm=0.0)
    apart = told_apart(match.springs, match.pairs, exact, asked, match._again(one))
    sides = {check: [rungs[0] for name, rungs in apart.items() if name.split()[0] == check] for check in CHECKED}
    return {check: np.min(own, axis=0) for check, own in sides.items()}


def verdicts(history, positions):
    found = examine(history.book)
    return {(check, where): one for check in CHECKED for where in positions if (one := found.finding(check, where))}


def test_what_passes_on_the_card_is_confirmed_when_its_parts_are_as_their_cards_say(shelf, match, answer):
    assert answer.is_complete
    assert answer.count >= len(answer.listed) > 20
    for one in (answer.listed[0], answer.listed[len(answer.listed) // 2]):
        history = History(demo())
        history.do(accept(history.book.engine, match, one, parts := chosen(shelf, one)))
        before = verdicts(history, match.bench.positions)
        assert all(
            own.verdict is not Verdict.PASSES for (check, _), own in before.items() if check not in ("card_lift",)
        ), "nothing of a card passes before it is measured"
        as_its_card_says(history, match, one, parts.spring)
        found = verdicts(history, match.bench.positions)
        for (check, where), own in found.items():
            assert own.provisional is Verdict.PASSES, (check, where, own.margin, own.expanded)
            weakest = min(own.weakness for own in found.values())
        assert weakest == pytest.approx(one.weakest, abs=0.25), "what a reading will leave suspect is foretold about"
        searched = without_uncertainty(match, one)
        for (check, where), own in found.items():
            rung = searched[check][match.bench.positions.index(where)]
            assert own.rung == pytest.approx(rung, abs=1e-6), (
                check,
                where,
                "one statement of a margin for search and check",
            )


def test_what_masses_and_nose_leave_in_doubt_of_the_speed(match):
    """Independent: the speed goes with one over the root of the mass, and with the root of one over the bend; the worse side."""
    moving = dict(zip((one.id for one in demo().engine.layout.positions), moving_of(demo()), strict=True))

    def spread(one):
        return (one.high - one.low) / np.sqrt(12.0) if np.isfinite(one.low) else one.u

    for position, mass, share in zip(
        match.bench.positions, match.bench.pockets.fixed_kg, match.bench.pockets.nose_u, strict=True
    ):
        one = moving[position]
        u = {name: spread(each) for name, each in one.masses.items()}
        pushed = np.hypot(u["pushrod_mass"], u["lifter_mass"]) / one.ratio**2
        of_mass = np.sqrt(u["valve_mass"] ** 2 + u["rocker_at_valve"] ** 2 + pushed**2) / mass
        of_nose = spread(one.nose) / one.nose.value
        worse = [1.0 / np.sqrt(1.0 - each) - 1.0 for each in (of_mass, of_nose)]
        assert share == pytest.approx(np.hypot(*worse), rel=1e-9)
        assert min(worse) > 0.0


def test_what_is_left_out_does_not_pass_the_check_it_was_left_out_for(shelf, match):
    seen = set()
    for key in match.found.keys["springs"]:
        reason = why(match, "springs", key)
        if reason.is_in or reason.check in seen or (reason.pair < 0 and reason.check not in ("card_lift least",)):
            continue
        seen.add(reason.check)
        pair = reason.pair if reason.pair >= 0 else 0
        one = _as_candidate(match, reason.spring, pair)
        history = History(demo())
        parts = chosen(shelf, one)
        history.do(accept(history.book.engine, match, one, parts))
        as_its_card_says(history, match, one, parts.spring)
        own = examine(history.book).finding(reason.check.split()[0], reason.position)
        assert own.provisional is not Verdict.PASSES, (key, reason)
        assert reason.amount > 0
        assert "uncertainty included" in reason_words(history.book.engine, reason)
    assert len(seen) >= 3


def test_a_part_is_left_out_just_when_it_is_in_no_candidate(match, answer):
    assert answer.count == len(answer.listed), "all of them are listed, so they can be told"
    for kind, of in (("springs", "spring"), ("retainers", "retainer"), ("locks", "locks")):
        listed = {getattr(one, of) for one in answer.listed}
        told = {key for key in match.found.keys[kind] if why(match, kind, key).is_in}
        assert told == listed


def _as_candidate(match, spring, pair):
    own = np.array([spring]), np.array([pair])
    bench = match.bench
    return match.candidates(weigh(match.springs, match.pairs, bench.pockets, bench.stacks, bench.asked, *own))[0]


def test_accepted_it_is_one_edit_its_list_counts_and_undo_takes_it_back(shelf, match, answer):
    history, one = History(demo()), answer.listed[0]
    parts = chosen(shelf, one)
    words = list_text(history.book.engine, match, one, parts)
    assert f"16 springs {parts.spring.name} {parts.spring.number}" in words
    assert "8 exhaust: measure its height first" in words
    told = [line.split() for line in words.splitlines() if line[:1].isdigit()]
    assert sum(int(one[0]) for one in told if one[1] in ("shim", "shims")) == sum(map(len, one.stacks_mm))
    before = history.book.engine
    history.do(accept(before, match, one, parts))
    engine = history.book.engine
    assert {engine.spring_at(p.id) for p in engine.layout.positions} == {f"M{n}" for n in range(1, 17)}
    assert all(engine.fitted("shims", where).thicknesses_mm == stack
               for where, stack in zip(match.bench.positions, one.stacks_mm, strict=True))  # fmt: skip
    found = examine(history.book)
    for where, height in zip(match.bench.positions, one.heights_mm, strict=True):
        own = found.finding("installed_height", where)
        assert own.figure == pytest.approx(height, abs=1e-6), "what is predicted is what was planned"
        assert own.verdict is Verdict.UNPROVEN
    history.undo()
    assert history.book.engine == before


def test_fatigue_is_told_of_the_outer_spring_where_it_is_least(shelf, match, answer):
    """Goodman over Zimmerli's data, worked from the wire at every pocket; advice, so it bars nothing."""
    one = answer.listed[0]
    spring = chosen(shelf, one).spring
    amplitude, steady = (398.0, 534.0) if spring.values["peened"] else (241.0, 379.0)
    wire, mean, free = (spring.figure(name) for name in ("wire", "mean_diameter", "free_length"))
    rate = 77200.0 * wire**4 / (8.0 * mean**3 * spring.figure("active_coils"))
    index = mean / wire
    bergstrasser = (4 * index + 2) / (4 * index - 3)

    def margin(shut, lift):
        low, high = (bergstrasser * 8 * rate * (free - h) * mean / (np.pi * wire**3) for h in (shut, shut - lift))
        strong = 0.67 * 1974.0 / wire**0.108
        return 1.0 / ((high - low) / 2 / (amplitude / (1 - steady / strong)) + (high + low) / 2 / strong)

    told = endurance_of(match, one, spring)
    by_hand = [margin(*pair) for pair in zip(one.heights_mm, match.bench.pockets.lift_mm, strict=True)]
    assert told.margin == pytest.approx(min(by_hand), rel=1e-9)
    assert told.position == match.bench.positions[int(np.argmin(by_hand))]
    assert "fatigue safety factor" in list_text(demo().engine, match, one, chosen(shelf, one))


def test_a_pocket_that_is_cut_stands_as_planned_too(shelf):
    match = Match(demo(), on_shelf(shelf), most_cut_mm=1.524)
    *_, found = match.search()
    one = next(each for each in found.listed if each.cut)
    history = History(demo())
    history.do(accept(history.book.engine, match, one, chosen(shelf, one)))
    heights = {
        where: examine(history.book).finding("installed_height", where).figure for where in match.bench.positions
    }
    assert list(heights.values()) == pytest.approx(list(one.heights_mm), abs=1e-6)


def test_pareto_marks_and_notes_say_what_they_should(match, answer):
    best = [one for one in answer.listed if one.best]
    assert 0 < len(best) < len(answer.listed)
    for one in answer.listed:
        betters = [other for other in answer.listed if other.weakest > one.weakest and other.speed_rpm > one.speed_rpm
                   and other.hardest_seat_n < one.hardest_seat_n and other.operations <= one.operations
                   and other.mass_kg < one.mass_kg]  # fmt: skip
        assert not (one.best and betters)
    assert any("8 exhaust" in note for note in match.notes)


def test_the_other_way_round_agrees_with_a_trial_and_never_takes_what_stops():
    book = demo()
    now = examine(book)
    by_ratio = {one.amount: one for one in ratios(book, now)}
    assert by_ratio[1.6].still_passes, "as it is"
    assert not by_ratio[1.7].still_passes
    *_, lift = most_lift(book, now, "intake")
    assert tried(book, now, "x", [Change("c", "lobe_lift", "intake", lift.amount)]).still_passes
    assert not tried(book, now, "x", [Change("c", "lobe_lift", "intake", lift.amount * 1.01)]).still_passes
    for check in SPEEDS:
        speed = highest_speed(now, check)
        history = History(book)
        history.do(State((Fact("red_line", ENGINE, speed.amount, tolerance=0.0),)))
        found = [one for one in examine(history.book).findings if one.check == check and one.figure == one.figure]
        assert min(one.margin - one.expanded for one in found) == pytest.approx(0.0, abs=0.05), speed.title
    assert highest_speed(now, FLEXIBLE_FLOAT).amount < highest_speed(now).amount


def test_the_other_way_round_says_nothing_of_an_engine_in_which_nothing_passes():
    book = Bench().book
    for one in ratios(book, examine(book)):
        assert "nothing that it could stop passes yet" in one.why_not
        assert one.sign is Verdict.UNPROVEN


def test_what_passes_now_and_is_no_longer_told_is_no_pass():
    told = Outcome("ratio 1.50", 1.5, passing=9, of=10, lost=1)
    assert told.sign is Verdict.UNPROVEN
    assert not told.still_passes


@pytest.mark.parametrize("mend", [False, True])
def test_only_where_every_check_concerned_would_pass_is_the_sign_green(mend):
    bench = Bench().complete()
    if not mend:
        bench.height("1e", 40.0)
    found = list(ratios(bench.book, examine(bench.book)))
    assert any(one.sign is Verdict.PASSES for one in found) == mend
    assert all((one.passing == one.of) == (one.sign is Verdict.PASSES) for one in found)


def test_without_limits_shims_or_parts_it_says_what_is_missing(shelf):
    history = History(demo())
    with pytest.raises(ValueError, match="no springs and no retainers and no locks"):
        Match(history.book, on_shelf(Shelf(None)))
    for one in [one for one in history.book.engine.limits if one.check in ("seat_load", "open_load")]:
        history.do(Put("limits", replace(one, lowest=None)))
    with pytest.raises(ValueError, match="no min seat or open load is asked for"):
        Match(history.book, on_shelf(shelf))


def test_a_candidate_in_motion_is_the_engines_own_train_with_its_spring_and_retainer(match, answer):
    """Independent: masses and loads by hand, off the cards and the engine; the speed is that of the same sweep as the sheet's."""
    moved = examine(demo()).moved
    one = answer.listed[0]
    laid = in_train(match, moved, answer.listed)
    train = next(problem.train for own, problem in zip(laid.ones, laid.problems, strict=True) if own.parts == one.parts)
    pocket = int(match.speeds(one).argmin())
    case = moved.valves.names.index(match.bench.positions[pocket])
    base, masses = moved.swept.trains[case], moved.valves.moving[case].masses
    row, card = match.row("springs", one.spring), match.found.figures["springs"]
    mass, moving = card["mass"][row], match.springs.moving_kg[row]
    rate = (card["open_load"] - card["seat_load"])[row] / (card["seat_height"] - card["open_height"])[row]
    own = train.springs[0]
    assert own.load_n[0] == pytest.approx(
        card["seat_load"][row] + rate * (card["seat_height"][row] - one.heights_mm[pocket])
    )
    assert (own.load_n[1] - own.load_n[0]) / own.shorter_mm[1] == pytest.approx(rate)
    assert own.to_bind_mm == pytest.approx(one.heights_mm[pocket] - card["bind_height"][row])
    held = masses["spring_mass"].value * masses["spring_share"].value
    lumped = base.valve_kg + sum(each.active_kg for each in base.springs) / 3.0
    assert train.valve_kg + own.active_kg / 3.0 == pytest.approx(
        lumped - held - masses["retainer_mass"].value + moving + one.mass_kg
    )
    assert own.active_kg == pytest.approx(3.0 * mass - 6.0 * moving)
    assert (train.asked, train.train_n_mm, train.gas_n) == (base.asked, base.train_n_mm, base.gas_n)
    sweeps = {problem.key: problem.solve() for problem in laid.asked[:1]}
    listed = laid.with_speeds(sweeps, answer.listed)
    rpm = {each.bends_rpm for each in listed if each.bends_rpm == each.bends_rpm}
    assert rpm == {min(next(iter(sweeps.values())).float_rpm, laid.asked[0].train.rigid_rpm)}
    assert len(laid.ones) <= MOST
    assert not in_train(match, None, answer.listed).asked
