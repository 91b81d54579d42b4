"""The job in hand: what each preset asks, what is unproven for it, what is no verdict, and walking it to the end."""

import json

import numpy as np
import pytest
from msgspec.structs import replace

from engines import POINTS, SOUND, Bench
from honest_lift.checks.examine import examine
from honest_lift.checks.unbegun import asked_of, every_check, not_asked
from honest_lift.demo.engine import demo_book
from honest_lift.facts.edits import Confirm, Describe, State, reading_of
from honest_lift.facts.engine import Book, Engine
from honest_lift.facts.fact import Fact
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.job import AS_BEGUN, EVERY, EVERYTHING, PRESETS, Job
from honest_lift.facts.layout import read_layout
from honest_lift.facts.place import at_position
from honest_lift.numbers.verdict import Verdict
from honest_lift.plans.next_reading import next_steps

BARE = {"tip_level", "spring_seat_level", "spring_seat_runout", "valve_margin", "guide_clearance"}
STANDING = {"spring_on_floor", "spring_over_boss", "spring_on_retainer"}
LOCKS = {"lock_angle", "lock_stem", "lock_out", "lock_engaged"}
POURED = {"chamber_pours", "chamber_spread"}
CYLINDER = {"squish", "compression", "compression_spread"}
GEAR = {  # what else is asked of the gear: (lifter, gear, mount): contact and set-up, what comes near it, its dimensions
    ("solid roller", "pushrod", "stud"): ({"lash_set", "mark_centre", "mark_width"},
        {"pushrod_to_head", "slot_stud", "roller_sideways", "guide_plate"}, {"half_lift", "true_ratio"}, set()),
    ("hydraulic roller", "pushrod", "shaft"): ({"preload", "plunger_left", "mark_centre", "mark_width"},
        {"pushrod_to_head", "roller_sideways", "shaft_side_play"}, {"half_lift", "true_ratio"}, set()),
    ("solid flat", "bucket", "stud"): ({"lash_set"}, set(), set(), {"valve_to_valve"}),
    ("solid flat", "finger follower", "stud"): ({"lash_set", "mark_centre", "mark_width"}, {"roller_sideways"},
        {"half_lift", "true_ratio"}, {"valve_to_valve"}),
}  # fmt: skip


def expected(preset, gear):
    """What a job asks readings for by itself, written down by hand."""
    set_up, near, dimensions, pair = GEAR[gear]
    springs = STANDING | ({"retainer_rocker"} if gear[1] != "bucket" else set())
    through = {"piston_valve"} | pair
    whole = BARE | LOCKS | springs | set_up | near | through | POURED | CYLINDER
    return {
        EVERYTHING: whole
        | dimensions
        | {"float_margin", "flexible_float", "bounce_margin", "coils_in_motion", "piston_valve_speed"},
        "new heads": whole,
        "valve job": BARE | LOCKS | springs | POURED | set_up,
        "spring change": springs | LOCKS,
        "cam change": springs | through | set_up | near,
        "ratio change": springs | through | set_up | near | dimensions,
        "milling": POURED | CYLINDER | through | set_up,
        "check-up": set_up,
        "bare heads": BARE | LOCKS | STANDING | POURED,
        AS_BEGUN: set(),
    }[preset]


@pytest.mark.parametrize("gear", GEAR)
@pytest.mark.parametrize("preset", PRESETS)
def test_each_job_asks_exactly_its_checks(preset, gear):
    lifter, kind, mount = gear
    engine = Engine(
        "x", layout=read_layout("head: 1e 1i 2i 2e"), lifter=lifter, gear=kind, rocker_mount=mount, job=Job(preset)
    )
    asked = expected(preset, gear)
    assert set(asked_of(engine)) == asked
    found = {one.check.name: one for one in examine(Book(engine)).findings}
    assert asked <= set(found), "asked and not begun is there"
    assert all(found[name].verdict is Verdict.UNPROVEN for name in asked)
    assert set(found) <= engine.job.asks or preset == AS_BEGUN


def test_what_is_not_asked_is_no_verdict_unless_it_fails_and_is_listed_once():
    made = Bench().complete().bare_head()
    everything = {one.check.name for one in examine(made.book).findings}
    assert "guide_clearance" in everything
    made.do(Describe({"job": Job("spring change")}, "job"))
    assert "guide_clearance" not in {one.check.name for one in examine(made.book).findings}
    told = not_asked(made.engine)
    assert "Guide clearance" in told
    assert "Piston to valve" in told
    assert not set(told) & {one.check.title for one in examine(made.book).findings}
    for depth in ("top", "middle", "bottom"):
        made.read("guide_bore", at_position("1i", depth), 8.4, "bore_gauge", "micrometer")
    found = examine(made.book)
    assert [(one.position, one.verdict) for one in found.findings if one.check.name == "guide_clearance"] == [
        ("1i", Verdict.FAILS)
    ], "what was measured and is bad stands, whatever was ordered"
    assert found.of_engine() is Verdict.FAILS


def test_single_checks_are_asked_besides_or_left_out_and_kept_in_the_file():
    job = Job("spring change", more=("piston_valve",), less=("lock_stem", "no such check of ours"))
    made = Bench()
    made.do(Describe({"job": job}, "job"))
    assert "piston_valve" in asked_of(made.engine)
    assert "lock_stem" not in asked_of(made.engine)
    assert job.title == "spring change, changed"
    assert decode_book(encode_book(made.book), "a file").engine.job == job
    unknown = replace(made.engine, job=Job("a job of next year"))
    assert set(asked_of(unknown)) == set(asked_of(replace(made.engine, job=Job(EVERYTHING))))


def test_a_file_without_a_job_is_asked_for_everything():
    raw = encode_book(Bench().book).replace(b'"version": 9', b'"version": 8')
    document = json.loads(raw)
    del document["engine"]["job"]
    assert decode_book(json.dumps(document).encode(), "a file").engine.job == Job(EVERYTHING)


def test_the_demonstration_builds_new_heads():
    book = demo_book()
    assert book.engine.job == Job("new heads")
    found = examine(book)
    assert {one.check.name for one in found.findings if one.position} >= set(asked_of(book.engine))
    assert set(every_check()) >= set(asked_of(book.engine))


HEIGHTS_LOADS = tuple(zip(*sorted(POINTS), strict=True))
VALUES = {  # what a good spring change reads, mm, N and words
    "installed_height": 45.0, "seal_gap": 12.0, "valve_lift": 9.0, "retainer_rocker": 2.0, "free_length": 56.0, "lock_out": 0.1,
    "lock_length": 8.0, "lock_stem": 8.0, "stem_at_lock": 8.0, "retainer_angle": 7.0, "lock_angle": 7.0, "floor_diameter": 40.0,
    "spring_outside": 36.0, "spring_inside": 26.0, "pilot_diameter": 20.0, "retainer_spigot": 25.6, "bind_height": 32.5,
    "lash": 0.4, "lobe_lift": 6.267, "rocker_ratio": 1.5,
}  # fmt: skip


def test_a_spring_change_is_walked_to_its_end_by_what_comes_next_alone():
    made = Bench()
    made.do(Describe({"job": Job("spring change")}, "job"))
    made.state("target_height", 45.0)
    walked, steps = set(), []
    for _ in range(200):
        plan = next_steps(made.book, examine(made.book))
        if not plan:
            break
        step = plan[0]
        steps.append(step.quantity)
        if not step.places:
            assert step.quantity not in walked, f"{step.stated} is asked again and again"
            walked.add(step.quantity)
            made.state(step.quantity, VALUES[step.quantity], tolerance=0.003)
            continue
        key = (step.quantity, step.member, step.height_mm, step.places)
        assert key not in walked, f"{key} is asked again and again"
        walked.add(key)
        for place in step.places:
            give(made, step, place)
    found = examine(made.book)
    left = [
        (one.check.name, one.position, one.verdict.word) for one in found.findings if one.verdict is not Verdict.PASSES
    ]
    assert left == []
    assert not {"guide_bore", "stem_diameter", "chamber_volume", "piston_valve_clay", "valve_margin"} & set(steps)


def give(made, step, place):
    quantity = step.quantity
    if quantity in SOUND or quantity in ("spring_condition", "coil_light"):
        word = SOUND.get(quantity, "reuse" if quantity == "spring_condition" else "none")
        made.look(quantity, place, word)
        return
    value = float(np.interp(step.height_mm, *HEIGHTS_LOADS)) if quantity == "spring_load" else VALUES[quantity]
    way = {"spring_load": "tester", "bind_height": "tester", "installed_height": "height_micrometer"}.get(quantity)
    if way is None:
        from honest_lift.facts.catalog import CATALOG

        ways = CATALOG[quantity].ways
        if not ways:
            made.do(State((Fact(quantity, place, value, tolerance=0.01),), "corrected"))
            return
        way = ways[0].key
    at = {"test_height": step.height_mm} if step.height_mm is not None else {}
    tool = {"tester": "tester"}.get(way, "micrometer")
    made.do(
        Confirm((reading_of(made.book, quantity, place, value, text=f"{value}", unit="mm", way=way, tool=tool, at=at),))
    )


def test_a_lash_that_is_stated_is_read_valve_by_valve():
    made = Bench().complete()
    made.do(Describe({"job": Job("own", more=("lash_set",), less=tuple(EVERY - {"lash_set"}))}, "job"))
    (step,) = [one for one in next_steps(made.book, examine(made.book)) if one.quantity == "lash"]
    assert [one.name for one in step.places] == made.names
    for place in step.places:
        made.read("lash", place, 0.4, "feeler", "micrometer")
    told = {one.verdict for one in examine(made.book).findings if one.check.name == "lash_set"}
    assert told == {Verdict.PASSES}
    assert not next_steps(made.book, examine(made.book))
