"""The spring bench: free length, type, direction and what a card says of itself. Rules are common practice."""

import pytest
from msgspec.structs import replace

from engines import POINTS, Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.rocker.geometry_words import card_words, form_words, geometry_words
from honest_lift.checks.wording import reason
from honest_lift.facts.edits import Describe, Put, StrikeOut, fit_springs
from honest_lift.facts.parts import Member, SpringCard
from honest_lift.facts.place import at_position, of_spring
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.next_reading import next_steps

SIX = "head: 1e 1i 2i 2e 3e 3i"


def used(**more) -> Bench:
    """A sound engine of six with a used set."""
    one = Bench(SIX)
    one.do(Put("sets", replace(one.engine.sets[0], condition="used", **more))).complete()
    for name in ("1", "2", "3", "4", "5", "6"):
        one.look("spring_condition", of_spring(name), "reuse")
    return one


def of_spring_check(one: Bench, check: str, spring: str):
    return next((f for f in examine(one.book).by_spring.get(spring, ()) if f.check.name == check), None)


@pytest.mark.parametrize(
    ("free", "verdict"),
    [(56.0 - 1.0, Verdict.PASSES), (56.0 - 1.35, Verdict.FAILS), (56.0 - 1.26, Verdict.CLOSE)],  # 0.050 in is 1.27 mm
)
def test_a_spring_short_of_its_used_set_has_collapsed_and_condemns_it(free, verdict):
    one = used()
    one.read("free_length", of_spring("3"), free, "caliper", "solid")
    assert of_spring_check(one, "free_set", "3").verdict is verdict
    assert {of_spring_check(one, "set_shortest", str(n)).verdict for n in range(1, 7)} == {verdict}
    if verdict is Verdict.FAILS:
        assert "condemned by spring 3" in of_spring_check(one, "set_shortest", "1").remark


SIXTEEN = "left: 1e 1i 3i 3e 5e 5i 7i 7e\nright: 2e 2i 4i 4e 6e 6i 8i 8e"
WEAK = [(h, 0.84 * load) for h, load in POINTS]


def set_of(layout: str, condition: str, weak, short=2.54) -> Bench:
    """Give a measured engine some of whose springs are 16 percent weak and 0.100 in short."""
    one = Bench(layout)
    one.do(Put("sets", replace(one.engine.sets[0], condition=condition))).complete()
    for i, name in enumerate(one.names):
        if weak(name):
            one.spring(str(i + 1), WEAK)
            one.read("free_length", of_spring(str(i + 1)), 56.0 - short, "caliper", "solid")
    return one


def verdicts(one: Bench, *checks: str) -> dict[str, set[Verdict]]:
    found = examine(one.book).findings
    return {check: {each.verdict for each in found if each.check.name == check} for check in checks}


IN_SET = ("set_weakest", "set_shortest", "set_spread")


@pytest.mark.parametrize(
    ("layout", "weak"),
    [
        (SIXTEEN, lambda name: name[1] == "e"),  # a whole role sagged alike
        (SIXTEEN, lambda name: name == "8i"),
        ("front: 1e 1i\nrear: 2i 2e", lambda name: name == "1e"),  # a twin's four
        ("head: 1e 1i", lambda name: name == "1i"),  # a single's two
        ("head: 1e 1i1 1i2", lambda name: name == "1i2"),
    ],
)
def test_whatever_of_a_used_set_collapsed_condemns_all_of_it(layout, weak):
    one = set_of(layout, "used", weak)
    assert verdicts(one, *IN_SET) == {key: {Verdict.FAILS} for key in IN_SET}
    examination = examine(one.book)
    for check in ("set_share", "free_set"):
        fails = {name for name in one.names if examination.finding(check, name).verdict is Verdict.FAILS}
        assert fails == {name for name in one.names if weak(name)}, "by name, only those that went"
    said = {
        each.remark for each in examination.findings if each.check.name == "set_share" and each.verdict is Verdict.FAILS
    }
    assert all(("only the card tells" in words) == (len(one.names) <= 4) for words in said)
    good = set_of(layout, "used", lambda name: False)
    assert verdicts(good, *IN_SET) == {key: {Verdict.PASSES} for key in IN_SET}


def test_a_short_spring_condemns_its_used_set_before_every_length_is_read():
    one = set_of(SIXTEEN, "used", lambda name: name == "8i")
    for entry in one.book.journal:
        if getattr(entry, "quantity", "") == "free_length" and entry.place == of_spring("1"):
            one.do(StrikeOut(entry.id))
    found = examine(one.book)
    assert found.finding("free_set", "8i").verdict is Verdict.FAILS
    assert found.finding("free_set", "7i").verdict is Verdict.UNPROVEN
    assert {found.finding("set_shortest", name).verdict for name in one.names} == {Verdict.FAILS}


def test_the_stronger_role_is_what_a_set_is_held_against():
    one = set_of(SIXTEEN, "new", lambda name: name[1] == "e")
    share = {name: examine(one.book).finding("set_share", name).figure for name in ("1i", "1e")}
    assert share == {"1i": pytest.approx(100.0), "1e": pytest.approx(84.0)}
    assert examine(one.book).finding("free_set", "1e").figure == pytest.approx(-2.54)


def two_cards(one: Bench, *, exhaust: float) -> Bench:
    """Exhaust springs of another card, 20 percent stronger and 3 mm longer, some share of which they give; both sets used."""
    card = one.engine.cards[0]
    one.do(Put("cards", replace(card, free_length_mm=56.0)))
    stronger = replace(card, id="hot", name="hot", seat_load_n=card.seat_load_n * 1.2, free_length_mm=59.0)
    one.do(Put("cards", stronger))
    first = one.engine.sets[0]
    one.do(Put("sets", replace(first, role="intake", condition="used")))
    one.do(Put("sets", replace(first, id="hot", name="hot", card="hot", role="exhaust", condition="used")))
    for i, name in enumerate(one.names):
        if name[1] == "e":
            one.do(Put("springs", replace(one.engine.springs[i], set="hot")))
            one.spring(str(i + 1), [(h, 1.2 * exhaust * load) for h, load in POINTS])
            one.read("free_length", of_spring(str(i + 1)), 59.0, "caliper", "solid")
    return one


def test_two_roles_with_two_cards_count_by_their_own_cards_and_go_together():
    good = two_cards(Bench(SIX).complete(), exhaust=1.0)
    assert verdicts(good, *IN_SET) == {key: {Verdict.PASSES} for key in IN_SET}
    sagged = two_cards(Bench(SIX).complete(), exhaust=0.86)
    share = examine(sagged.book).finding("set_share", "1e")
    assert (share.figure, share.verdict) == (pytest.approx(86.0), Verdict.FAILS)
    assert verdicts(sagged, "set_weakest") == {"set_weakest": {Verdict.FAILS}}, (
        "intakes too: they have seen the same heat"
    )
    sagged.do(Put("cards", replace(sagged.engine.cards[0], seat_load_n=None)))
    assert examine(sagged.book).finding("set_share", "1e").figure == pytest.approx(100.0), (
        "nothing left to compare them by"
    )


def test_a_used_set_is_judged_by_its_own_limit_and_by_every_one_of_it():
    one = set_of(SIX, "used", lambda name: False)
    for check, least in (("set_weakest", 150.0), ("set_shortest", 5.0)):
        limit = next(each for each in one.engine.limits if each.check == check)
        one.do(Put("limits", replace(limit, lowest=least)))
    assert verdicts(one, "set_share", "set_weakest", "set_shortest") == {
        "set_share": {Verdict.PASSES}, "set_weakest": {Verdict.FAILS}, "set_shortest": {Verdict.FAILS},
    }  # fmt: skip
    other = set_of(SIX, "used", lambda name: False)
    other.spring("1", POINTS[:1]).do(
        Put("tools", replace(other.engine.tool("tester"), accuracy_percent=None), "corrected")
    )
    assert verdicts(other, "set_weakest") == {"set_weakest": {Verdict.UNPROVEN}}


def test_in_a_new_set_a_short_spring_is_a_wrong_part_and_the_others_stand():
    one = Bench(SIX).complete()
    one.read("free_length", of_spring("3"), 54.0, "caliper", "solid")
    assert "wrong or a bad part" in of_spring_check(one, "free_set", "3").remark
    assert of_spring_check(one, "free_set", "1").verdict is Verdict.PASSES
    assert of_spring_check(one, "set_shortest", "1") is None


def test_a_used_spring_nobody_looked_at_is_unproven_and_a_retired_one_fails():
    one = used()
    one.look("spring_condition", of_spring("2"), "retire", "pitted at the second coil")
    assert of_spring_check(one, "spring_condition", "2").verdict is Verdict.FAILS
    one.do(Put("springs", replace(one.engine.springs[0], id="9")))
    assert of_spring_check(one, "spring_condition", "9").verdict is Verdict.UNPROVEN
    assert of_spring_check(Bench(SIX).complete(), "spring_condition", "1") is None, "new ones need no look"


def test_a_linear_spring_among_progressive_ones_is_found():
    one = Bench(SIX).complete()
    assert of_spring_check(one, "spring_type", "2").verdict is Verdict.PASSES
    straight = [(height, 60.0 * (57.3 - height)) for height, _ in POINTS]
    one.spring("2", straight)
    wrong = of_spring_check(one, "spring_type", "2")
    assert wrong.verdict is Verdict.FAILS
    assert "linear among progressive" in wrong.inputs[0].note


def test_a_type_told_from_loads_that_prove_nothing_is_unproven():
    one = Bench(SIX).complete()
    one.do(
        Describe({"default_tools": {}, "tools": tuple(t for t in one.engine.tools if t.id != "tester")}, "tester sold")
    )
    assert {of_spring_check(one, "spring_type", str(n)).verdict for n in range(1, 7)} == {Verdict.UNPROVEN}
    assert "spring_type" not in {step.quantity for step in next_steps(one.book, examine(one.book))}, (
        "it is told, not read"
    )


def test_an_intake_spring_in_an_exhaust_pocket_is_found_by_its_set_and_by_its_loads():
    one = used(role="intake")
    assert of_spring_check(one, "spring_type", one.engine.spring_at("1e")).verdict is Verdict.FAILS
    assert of_spring_check(one, "spring_type", one.engine.spring_at("1i")).verdict is Verdict.PASSES
    other = Bench(SIX).complete()
    soft = [(height, load * 0.8) for height, load in POINTS]
    other.do(
        Put(
            "cards",
            SpringCard(
                "soft", "soft card", seat_height_mm=45.0, seat_load_n=578.0, open_height_mm=36.0, open_load_n=1008.0
            ),
        )
    )
    other.spring("2", soft)
    assert "fit soft card" in of_spring_check(other, "spring_type", "2").inputs[0].note


def test_a_progressive_spring_has_a_direction_and_a_linear_one_has_none():
    one = Bench(SIX).complete()
    found = examine(one.book)
    assert found.finding("spring_direction", "1e").verdict is Verdict.PASSES
    one.do(Put("cards", replace(one.engine.cards[0], form="linear")))
    assert examine(one.book).finding("spring_direction", "1e").verdict is Verdict.PASSES, "what was seen stays seen"
    assert of_spring_check(one, "spring_type", "1").verdict is Verdict.FAILS, "its card says linear, its curve does not"
    one.do(Put("cards", replace(one.engine.cards[0], form="progressive")))
    one.do(fit_springs(one.engine, {"1e": ""}, "out")).do(fit_springs(one.engine, {"1e": "1"}, "and in"))
    assert examine(one.book).finding("spring_direction", "1e").verdict is Verdict.UNPROVEN, (
        "it may stand the other way now"
    )


def test_what_a_person_saw_upside_down_fails_until_it_is_turned_or_has_no_direction():
    one = Bench(SIX).complete()
    for name in one.names:
        one.spring(one.engine.spring_at(name), POINTS[1:4:2])
    one.look("spring_direction", at_position("1e"), "upside down")
    seen = examine(one.book).finding("spring_direction", "1e")
    assert seen.verdict is Verdict.FAILS, "a card that says nothing, and a curve of two points"
    one.look("spring_direction", at_position("1e"), "no direction", "coils counted, alike")
    assert examine(one.book).finding("spring_direction", "1e").verdict is Verdict.PASSES
    one.look("spring_direction", at_position("1e"), "upside down").do(fit_springs(one.engine, {"1e": ""}, "out"))
    one.do(fit_springs(one.engine, {"1e": "1"}, "turned"))
    assert examine(one.book).finding("spring_direction", "1e").verdict is Verdict.UNPROVEN, "look again"


@pytest.mark.parametrize(
    ("goes", "intake", "exhaust"),
    [
        ("up", "up, to the retainer", "up, to the retainer"),
        ("down on intakes, up on exhausts", "down, to the head", "up, to the retainer"),
        ("", "", ""),
    ],
)
def test_a_cards_rule_of_paint_is_said_where_the_spring_stands(goes, intake, exhaust):
    one = Bench(SIX).complete()
    one.do(Put("cards", replace(one.engine.cards[0], paint="red", paint_goes=goes)))
    told = {
        name: examine(one.book).finding("spring_direction", name).remark.partition("; ")[2] for name in ("1i", "1e")
    }
    assert told == {
        "1i": intake and f"paint mark (red) goes {intake}",
        "1e": exhaust and f"paint mark (red) goes {exhaust}",
    }


RISING = [(h, load + 1.2 * (48.0 - h) ** 2) for h, load in POINTS]


@pytest.mark.parametrize(
    ("layout", "linear", "verdict"),
    [
        ("head: 1e 1i 2i 2e", {"2e"}, Verdict.UNPROVEN),
        ("head: 1e 1i", {"1i"}, Verdict.UNPROVEN),
        ("head: 1e 1i 2i 2e", set(), Verdict.PASSES),
        (SIX, {"2e"}, Verdict.FAILS),
    ],
)
def test_a_linear_spring_among_progressive_ones_passes_nowhere(layout, linear, verdict):
    one = Bench(layout).complete()
    one.do(Put("cards", replace(one.engine.cards[0], seat_load_n=None, open_load_n=None)))
    straight = [(h, 560.0 + 61.0 * (48.0 - h)) for h, _ in POINTS]
    for name in one.names:
        one.spring(one.engine.spring_at(name), straight if name in linear else RISING)
    asked = linear or {"1e"}
    assert {of_spring_check(one, "spring_type", one.engine.spring_at(name)).verdict for name in asked} == {verdict}
    if verdict is Verdict.UNPROVEN:
        assert "too few to know" in of_spring_check(one, "spring_type", one.engine.spring_at("1e")).inputs[0].note


@pytest.mark.parametrize(("points", "verdict"), [(3, Verdict.UNPROVEN), (4, Verdict.FAILS)])
def test_four_points_tell_one_springs_form(points, verdict):
    one = Bench("head: 1e 1i").complete()
    one.do(Put("cards", replace(one.engine.cards[0], form="progressive")))
    one.spring("1", [(h, 560.0 + 61.0 * (48.0 - h)) for h in (48.0, 44.0, 40.0, 36.0)[:points]])
    for height in {h for h, _ in POINTS} - {48.0, 36.0}:
        strike_at(one, "1", height)
    if points == 3:
        strike_at(one, "1", 36.0)
    assert of_spring_check(one, "spring_type", "1").verdict is verdict


def strike_at(one: Bench, spring: str, height: float) -> None:
    for entry in one.book.journal:
        if getattr(entry, "place", None) == of_spring(spring) and entry.at.get("test_height") == height:
            one.do(StrikeOut(entry.id))


@pytest.mark.parametrize(
    ("card", "told"),
    [
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 34.0, 1400.0, 33.0, 56.0, 9.0), ""),
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 34.0, 1400.0, 33.0, 56.0, 11.5), "which is no margin"),
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 46.0, 1400.0), "not below its installed height"),
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 34.0, 650.0), "not above its seat load"),
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 34.0, 1400.0, 34.5), "not above its bind height"),
        (SpringCard("a", "a", (Member("outer"),), 45.0, 700.0, 34.0, 1400.0, 33.0, 60.0), "on a line to a free length"),
    ],
)
def test_a_cards_own_arithmetic_is_checked(card, told):
    words = card_words(Bench().book, card)
    assert (words == "") if not told else told in words


def test_geometry_stands_beside_what_was_measured_with_stress_and_fatigue():
    """d 4.5, D 32, Na 4.6, Nt 6.6, free 52: rate 26.2524, solid 29.7, 561.78 MPa at 32.0 mm (independent computation)."""
    member = Member("outer", wire_mm=4.5, mean_diameter_mm=32.0, coils=6.6, active_coils=4.6, free_length_mm=52.0)
    one = Bench()
    one.do(Put("cards", SpringCard("card", "card", (member,), 43.0, 236.0, 32.0, 525.0)))
    one.spring("1", [(43.0, 236.3), (38.0, 367.5), (32.0, 525.0)], bind=31.5)
    words = geometry_words(
        one.book.__class__(
            replace(one.engine, units={"length": "mm", "rate": "N/mm", "stress": "MPa"}), one.book.journal
        ),
        "1",
    )
    assert "rate 26.3 N/mm" in words
    assert "Solid from coils 29.70 mm. It was read to bind at 31.50 mm: count its coils" in words
    assert "outer 562 MPa, fatigue safety factor" in words
    assert "linear spring" in form_words(one.book, "1")


@pytest.mark.parametrize(("mean", "free"), [(32.0, 20.0), (3.4, 52.0), (4.5, 52.0)])
def test_geometry_that_bears_nothing_or_is_no_coil_says_no_more_than_it_can(mean, free):
    member = Member("outer", wire_mm=4.5, mean_diameter_mm=mean, coils=6.6, active_coils=4.6, free_length_mm=free)
    one = Bench()
    one.do(Put("cards", SpringCard("card", "card", (member,), 43.0, 236.0, 32.0, 525.0, tensile_a=100.0)))
    assert "fatigue" not in geometry_words(one.spring("1").book, "1")


@pytest.mark.parametrize("points", [POINTS, POINTS[:3]])
def test_used_springs_without_a_card_are_compared_where_all_were_read(points):
    made = without_cards()
    for name, share in (("1", 1.0), ("2", 1.0), ("3", 0.85), ("4", 1.0)):
        made.spring(name, [(height, share * load) for height, load in points])
    shares = {one.place.name: one for one in examine(made.book).findings if one.check.name == "set_share"}
    assert {name: one.verdict for name, one in shares.items()} == {
        "1": Verdict.PASSES, "2": Verdict.PASSES, "3": Verdict.FAILS, "4": Verdict.PASSES,
    }  # fmt: skip
    assert shares["3"].figure == pytest.approx(85.0)
    weakest = [one for one in examine(made.book).findings if one.check.name == "set_weakest"]
    assert [(one.figure, one.verdict) for one in weakest] == [(pytest.approx(85.0), Verdict.FAILS)] * 4


def test_springs_read_at_no_common_height_are_unproven_and_the_reason_is_said():
    made = without_cards()
    for name, points in (("1", POINTS[:2]), ("2", POINTS[:2]), ("3", POINTS[3:]), ("4", POINTS[3:])):
        made.spring(name, points)
    found = [one for one in examine(made.book).findings if one.check.name in ("set_share", "set_spread")]
    assert {one.verdict for one in found} == {Verdict.UNPROVEN}
    assert all("not measured at one common height" in reason(one, made.engine) for one in found)
    assert not any("solid" in reason(one, made.engine) for one in found)


def test_a_load_asked_for_under_the_bind_height_says_that_the_coils_are_solid():
    made = Bench().complete(height=45.0, lift=13.0)
    found = examine(made.book).finding("open_load", "1e")
    assert found.verdict is Verdict.UNPROVEN
    assert reason(found, made.engine) == "At this height the coils are solid, so there is no load."


def without_cards() -> Bench:
    made = Bench()
    return made.do(Put("sets", replace(made.engine.sets[0], card="", condition="used")))
