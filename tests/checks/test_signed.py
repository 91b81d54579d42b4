"""Signatures and hold points: no verdict changes by one, none outlives its finding, and what is signed is said everywhere."""

from __future__ import annotations

import pytest
from msgspec.structs import replace

from engines import POINTS, Bench
from honest_lift.checks.catalog import CHECKS
from honest_lift.checks.examine import examine
from honest_lift.checks.route import on_route
from honest_lift.checks.signed import is_held_up, signature_of, to_sign, verdict_words
from honest_lift.facts.book.log_edits import Log, TakeBack, Tick
from honest_lift.facts.book.written import written
from honest_lift.facts.edits import Describe, EditError, Fit, Put, fitment
from honest_lift.facts.history import History
from honest_lift.facts.job import Job
from honest_lift.facts.parts import Spring
from honest_lift.facts.route import ITEMS, route_of, slots_under
from honest_lift.sheets.book_text import book_text
from honest_lift.sheets.findings_json import findings_report
from honest_lift.sheets.findings_text import findings_text
from honest_lift.words.route import held_words

WHY = "customer wants it so"


def bench():
    """All heights pass but one."""
    made = Bench().complete().do(Describe({"hand": "Ash", "job": Job("spring change")}, "hand"))
    return made.height("1e", 48.0)


def finding(made, check="seat_load", position="1e"):
    return examine(made.book).finding(check, position)


def sign(made, one, why=WHY):
    return made.do(to_sign(made.book, one, why))


def test_a_signature_stands_beside_its_verdict_and_changes_none():
    made = bench()
    before = [(one.check.name, one.place, one.verdict) for one in examine(made.book).findings]
    one = finding(made)
    assert is_held_up(made.book, one)
    sign(made, one)
    seen = examine(made.book)
    assert [(one.check.name, one.place, one.verdict) for one in seen.findings] == before
    assert verdict_words(made.book, one) == f"{one.verdict.word}, signed"
    assert not is_held_up(made.book, one)
    text = "\n".join(findings_text(made.book, seen))
    (line,) = [row for row in text.splitlines() if row.startswith(one.verdict.word) and "1 exhaust, seat load:" in row]
    assert f"Signed by Ash on {made.book.journal[-1].when[:10]}: {WHY}." in line
    record = next(
        row for row in findings_report(made.book, seen).findings if (row.check, row.position) == ("seat_load", "1e")
    )
    assert (record.signed.by, record.signed.why, record.signed.holds) == ("Ash", WHY, True)
    book = "\n".join(book_text(made.book, seen))
    assert "Gone on with in spite of a verdict:" in book
    assert WHY in book


def test_it_speaks_of_the_finding_as_it_stood_and_no_other():
    made = bench()
    sign(made, finding(made)).height("1e", 48.2)
    one = finding(made)
    assert is_held_up(made.book, one)
    assert not signature_of(made.book, one).holds
    assert signature_of(made.book, one).words.startswith("Was signed by Ash")
    assert signature_of(made.book, finding(made, position="1i")) is None
    made.history.undo()
    assert signature_of(made.book, finding(made)).holds, "as it stood again"


def test_of_another_limit_it_speaks_no_more():
    made = bench()
    one = finding(made)
    sign(made, one)
    limit = next(each for each in made.engine.limits if each.check == "seat_load")
    made.do(Put("limits", replace(limit, lowest=1.0, highest=5000.0)))
    now = finding(made)
    assert (now.figure, now.verdict is one.verdict) == (one.figure, False)
    assert not signature_of(made.book, now).holds
    made.do(Put("limits", replace(limit, lowest=one.lowest + 5.0)))
    now = finding(made)
    assert (now.figure, now.verdict) == (one.figure, one.verdict)
    assert not signature_of(made.book, now).holds, "it fails by more than what was signed for"
    made.history.undo()
    made.history.undo()
    assert signature_of(made.book, finding(made)).holds


def test_a_spring_on_the_bench_holds_nothing_up():
    made = bench().do(Put("springs", Spring("9", "set")))
    made.spring("9", tuple((height, load / 2.0) for height, load in POINTS))
    seen = examine(made.book)
    assert any(not one.position and is_held_up(made.book, one) and one.check.step == "springs" for one in seen.findings)
    assert all(one.position for item in on_route(made.book, seen) for one in item.held_by)


def test_taken_back_it_holds_no_more_and_stays_in_the_book():
    made = bench()
    sign(made, finding(made))
    entry = made.book.journal[-1]
    made.do(TakeBack(entry.id))
    assert signature_of(made.book, finding(made)) is None
    assert entry in made.book.journal
    made.history.undo()
    assert signature_of(made.book, finding(made)).holds


def test_without_a_name_or_a_reason_nothing_is_signed():
    made = bench()
    with pytest.raises(EditError, match="needs its reason"):
        sign(made, finding(made), " ")
    made.do(Describe({"hand": ""}, "hand"))
    with pytest.raises(EditError, match="who is measuring"):
        sign(made, finding(made))
    with pytest.raises(EditError, match="who is measuring"):
        made.do(Tick("oil_paths"))
    with pytest.raises(EditError, match="no such entry"):
        made.do(TakeBack("nothing"))


def test_a_hold_point_is_held_up_by_what_fails_or_is_unproven_until_all_is_signed():
    made = bench()

    def hold():
        return next(one for one in on_route(made.book, examine(made.book)) if one.item.key == "springs_pass")

    held = hold().held_by
    own = [one for one in examine(made.book).findings if one.position and one.check.step in ("springs", "heights")]
    assert set(held) == {one for one in own if one.verdict.word in ("fails", "unproven")}
    made.do(Tick("springs_pass"))
    assert not hold().is_done, "a tick over what fails holds nothing"
    for one in held:
        sign(made, one)
    assert (hold().held_by, len(hold().signed), hold().is_done) == ((), len(held), True)
    (waiting,) = [one for one in on_route(made.book, None) if one.item.key == "springs_pass"]
    assert (waiting.is_held_up, waiting.is_done) == (True, False), "nobody has examined it yet"
    made.height("2i", 48.0)
    assert not hold().is_done, "what came later holds it up again"


def test_a_hold_point_of_which_nothing_is_measured_is_not_passed():
    less = Job("everything", less=tuple(one.name for one in CHECKS.values() if one.step in ("speed", "match")))
    made = Bench().complete().do(Describe({"hand": "Ash", "job": less}, "hand")).do(Tick("speed_pass"))
    seen = examine(made.book)
    assert not [one for one in seen.findings if one.check.step == "speed"], "nobody asks for it"
    hold = next(one for one in on_route(made.book, seen) if one.item.key == "speed_pass")
    assert (hold.held_by, hold.is_held_up, hold.is_done) == ((), True, False)
    assert held_words(hold) == "not measured"


@pytest.mark.parametrize(
    ("job", "gear"), [("new heads", "bucket"), ("spring change", "pushrod"), ("milling", "finger follower")]
)
def test_the_route_is_that_of_the_job_and_the_gear(job, gear):
    engine = Bench().do(Describe({"job": Job(job), "gear": gear}, "job")).engine
    keys = [one.key for one in route_of(engine)]
    assert keys == [one.key for one in ITEMS if one.key in keys], "in working order"
    assert ("buckets_free" in keys, "springs_pass" in keys, "turned_twice" in keys) == (
        (job, gear) == ("new heads", "bucket"), job != "milling", True,
    )  # fmt: skip
    assert len({one.key for one in ITEMS}) == len(ITEMS)


def test_the_log_is_in_the_order_of_its_days_and_says_what_makes_no_sense():
    made = bench().do(Log("run", "2026-06-01", "second", 2.0)).do(Log("run", "2026-05-01", "first", None, 4))
    assert [one.words for one in written(made.book.journal).log] == ["first", "second"]
    for bad, says in (
        (Log("run", "yesterday", "x"), "is no day"), (Log("run", "2026-06-01", "x", -1.0), "make no sense"),
        (Log("run", "2026-06-01", "x", None, -4), "make no sense"), (Log("note", "2026-06-01", " "), "says nothing"),
    ):  # fmt: skip
        with pytest.raises(EditError, match=says):
            made.do(bad)


def test_lash_that_grows_sets_that_run_and_what_was_noticed_are_told():
    from msgspec.structs import replace

    from honest_lift.facts.edits import Confirm, reading_of
    from honest_lift.facts.place import at_position
    from honest_lift.words.service import service_lines

    made = bench()
    for day, lash in (("2030-05-01", 0.40), ("2030-06-01", 0.45), ("2030-07-01", 0.60)):
        one = reading_of(
            made.book, "lash", at_position("1i"), lash, text=f"{lash}", unit="mm", way="feeler", tool="gauge"
        )
        made.do(Confirm((replace(one, when=f"{day}T10:00:00Z"),)))
    made.do(Log("run", "2030-06-02", "test day", 2.0, 5)).do(Log("symptom", "2030-07-01", "power going away"))
    lines = service_lines(made.book)
    assert (
        lines[0].startswith("Lash of 1 intake has grown by 0.0059 in from 2030-06-01 to 2030-07-01")
        or "0.006 in" in lines[0]
    )
    assert f"Set {made.engine.sets[0].name}: 2 hours and 5 passes" in lines[1]
    assert lines[2].startswith("Noticed on 2030-07-01: power going away.")
    made.do(Describe({"lifter": "hydraulic roller"}, "lifter"))
    assert not [one for one in service_lines(made.book) if one.startswith("Lash")]


@pytest.mark.parametrize("slot", ["rocker", "cam", "valve"])
def test_a_signature_for_what_is_unproven_does_not_outlive_the_parts_it_spoke_of(slot):
    made = Bench().do(Describe({"hand": "Ash", "job": Job("cam change")}, "hand")).spring("1").height("1e", 45.0)
    one = next(f for f in examine(made.book).findings if f.check.name == "open_load" and f.verdict.word == "unproven")
    sign(made, one)
    assert signature_of(made.book, one).holds
    holder = "engine" if slot == "cam" else one.position
    made.do(Fit((fitment(made.engine, slot, holder),), f"another {slot}"))
    now = examine(made.book).finding("open_load", one.position)
    assert (now.verdict, str(now.figure)) == (one.verdict, str(one.figure)), "the figures cannot tell"
    assert not signature_of(made.book, now).holds
    assert "have changed since" in signature_of(made.book, now).words
    made.history.undo()
    assert signature_of(made.book, examine(made.book).finding("open_load", one.position)).holds


@pytest.mark.parametrize(("item", "slot", "other"), [("locks_flush", "locks", "gasket"), ("gasket", "gasket", "locks")])
@pytest.mark.parametrize("older", [False, True])
def test_a_tick_does_not_outlive_the_parts_that_were_looked_at(item, slot, other, older):
    made = bench().do(Describe({"job": Job("new heads")}, "job")).do(Tick(item))
    if older:  # a file of an older program keeps no digest: what was fitted afterwards tells
        ticked = replace(made.entries[-1], rests_on="", when="2026-01-01T00:00:00Z")
        made.history = History(replace(made.book, journal=(*made.book.journal[:-1], ticked), chains=()))

    def on_it():
        return next(one for one in on_route(made.book, None) if one.item.key == item)

    def changed(name):
        head = made.engine.layout.heads[0].name
        made.do(Fit((fitment(made.engine, name, head if name == "gasket" else "1e"),), f"another {name}"))

    assert on_it().is_done
    changed(other)
    assert on_it().is_done
    changed(slot)
    assert (on_it().is_done, on_it().ticked) == (False, None)
    assert "its parts have been changed since" in "\n".join(book_text(made.book, None))
    made.do(Tick(item))
    assert on_it().is_done


def test_every_item_says_which_parts_it_speaks_of():
    assert {one.key for one in ITEMS if not slots_under(one.key)} == set()
