"""Practice: the course is found out by whoever measures by the book, and not by whoever checks two springs and two heights."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from builders import Builder
from honest_lift.checks.examine import examine
from honest_lift.checks.signed import to_sign
from honest_lift.facts.edits import Describe, Put
from honest_lift.facts.tools import scatter_doubt
from honest_lift.gauges.bench.hidden import HiddenSpring
from honest_lift.gauges.bench.tools import CARDS, PlayedTool
from honest_lift.gauges.practice.case import Case, bench_of, hidden, read_case, refusal, write_case
from honest_lift.gauges.practice.course import COURSE
from honest_lift.gauges.practice.faults import FAULTS, Fault
from honest_lift.gauges.practice.judge import Claim
from honest_lift.gauges.practice.progress import keep_result, result_of, results, results_file
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.verdict import Verdict
from honest_lift.words.practice import judged_lines, progress_lines


@pytest.mark.parametrize("case", COURSE, ids=lambda one: one.key)
def test_measuring_by_the_book_finds_every_fault_and_condemns_nothing_sound(case):
    judged = Builder(case).by_the_book().judged()
    assert [(one.kind.key, one.place) for one in judged.missed] == []
    assert judged.condemned == ()
    assert judged.passed == ()
    assert judged.readings > 0


@pytest.mark.parametrize("case", COURSE, ids=lambda one: one.key)
def test_two_springs_and_two_heights_miss_what_they_should(case):
    """What lies at the first two places may be met; all else, and every fault of the bench that is only seen, is missed."""
    builder = Builder(case).two_springs_and_two_heights()
    first = {name for quantity in case.measure for name in builder.bench.places(quantity)[:2]}
    judged = builder.judged()
    must = {one.kind for one in case.faults if one.place not in first and FAULTS[one.kind].at != "role"}
    met = {"long pushrod"}  # a bench's fault that shows at any valve
    assert {one.kind.key for one in judged.missed} >= must - met
    assert judged.missed


def test_what_was_missed_costs_and_what_is_sound_is_not_condemned_for_nothing():
    case = COURSE[2]
    builder = Builder(case)
    builder.claims |= {Claim("seat", "1i"), Claim("retainer", "2i")}
    judged = builder.judged()
    assert [(one.kind.key, one.how) for one in judged.marked] == [("dished retainer", "named"), ("wrong lock", "")]
    assert judged.condemned == ("seat, 1i",)
    lines = "\n".join(judged_lines(case, judged))
    assert "a lock for another stem, 4 exhaust. It would have meant: the valve drops." in lines
    assert "1 of 2 found" in lines


def test_a_bad_height_that_passes_by_a_gauge_nobody_zeroed_is_told_and_so_is_one_that_was_signed_for():
    """The micrometer reads 0.42 mm long: a pocket that is 0.85 short looks nearly right, and one that is 1.5 long is signed for."""
    case = Case(
        "own", "own", "twin", 7, "", ("installed_height",), faults=(Fault("not zeroed"), Fault("no spacer", "2i"))
    )
    builder = Builder(case)
    builder.bench.engine = builder.bench.engine.with_figure("installed_height", "1e", 44.0 - 0.85)
    limit = next(one for one in builder.book.engine.limits if one.check == "installed_height")
    builder.history.do(Put("limits", replace(limit, lowest=-0.6, highest=0.6, origin="shop")))
    builder.measure("installed_height")
    finding = next(
        one for one in examine(builder.book).findings if one.check.name == "installed_height" and one.position == "2i"
    )
    builder.history.do(Describe({"hand": "a hand"}, "whose hand"))
    builder.history.do(to_sign(builder.book, finding, "it will do"))
    judged = builder.judged()
    assert judged.passed == ("Installed height, 1 exhaust",)
    assert judged.signed == ("Installed height, 2 intake",)
    assert [one.kind.key for one in judged.missed] == ["not zeroed"]
    assert "Signed for, and bad in truth" in "\n".join(judged_lines(case, judged))


def test_readings_that_prove_nothing_are_counted():
    builder = Builder(COURSE[2])
    for _ in range(5):
        builder.read("installed_height", "1i")
    builder.read("valve_margin", "1i")
    judged = builder.judged()
    assert (judged.readings, judged.in_vain) == (6, 5), "four were replaced, one was not asked"


def test_every_fault_makes_a_difference_at_its_place_and_to_its_bench():
    """A sound engine has nothing to find; each kind of fault changes the truth, the bench, or what is seen."""
    for key, kind in FAULTS.items():
        engine = "six" if kind.part == "follower" else "V8"
        sound = Case("x", "x", engine, 5, "", ("installed_height",), twin_springs=kind.part == "inner spring")
        place = {"valve": "3i", "role": "exhaust", "cylinder": "2", "bench": ""}[kind.at]
        bad = replace(sound, faults=(Fault(key, place),))
        assert refusal(bad) == "", key
        assert (hidden(bad), bench_of(bad).traps) != (hidden(sound), bench_of(sound).traps), key


def test_cases_are_written_shared_and_read_and_a_wrong_one_is_named(tmp_path):
    path = tmp_path / "case.json"
    for case in COURSE:
        assert refusal(case) == ""
        write_case(case, path)
        assert read_case(path) == case
    good = COURSE[0]
    for wrong, says in ((replace(good, engine="boat"), "no engine of the bench"), (replace(good, title=" "), "has a title"),
                        (replace(good, faults=(Fault("gremlin"),)), "is no fault"),
                        (replace(good, faults=(Fault("leaking seat", "9x"),)), ""),
                        (replace(good, faults=(Fault("weak inner", "1i"),)), "no place for it"),
                        (replace(good, measure=("colour",)), "is not measured")):  # fmt: skip
        if says:
            with pytest.raises(MendableError, match=says):
                write_case(wrong, path)
    for text, says in (
        ("{", "no practice case"),
        ('{"format": "x", "version": 1, "case": {}}', "no practice case"),
        (None, "there is no such file"),
    ):
        other = tmp_path / "other.json"
        if text is not None:
            other.write_text(text)
        with pytest.raises(MendableError, match=says):
            read_case(other if text is not None else tmp_path / "none.json")


def test_results_are_kept_and_a_broken_file_is_left_alone():
    builder = Builder(COURSE[0])
    keep_result(result_of(COURSE[0], builder.judged()))
    builder.by_the_book()
    keep_result(result_of(COURSE[0], builder.judged()))
    lines = progress_lines(results(), COURSE)
    assert lines[1].split() == ["1", "A", "bare", "head", "2", "2", "of", "2", "2", "of", "2", "0", "0"]
    assert lines[2].endswith("not yet")
    results_file().write_text("no")
    with pytest.raises(MendableError, match=r"practice\.json: can't be read"):
        keep_result(result_of(COURSE[0], builder.judged()))
    assert results_file().read_text() == "no"


# --- the bench's tools ---


@settings(max_examples=60)
@given(st.integers(0, 10_000), st.sampled_from(sorted(CARDS)), st.floats(20.0, 90.0))
def test_a_tool_that_is_in_order_shows_what_is_true_within_its_card(seed, name, true):
    tool = PlayedTool(name, seed)
    true = true * 20.0 if tool.is_load else true
    shown = tool.shown(true)
    card = tool.card
    most = (
        (card.accuracy_percent / 100 * true if tool.is_load else card.accuracy)
        + 4.5 * scatter_doubt(card, true)
        + 0.003 * true * tool.is_load
    )
    assert abs(shown - true) <= most
    assert tool.instrument("").pattern.read(tool.line(shown)).value == pytest.approx(shown, abs=1e-6)


def test_a_tester_holds_back_a_drifting_dial_creeps_and_zero_brings_it_back():
    tester = PlayedTool("spring tester", 3)
    pressed, let_off = ([tester.shown(1000.0, rising=up) for _ in range(200)] for up in (False, True))
    assert sum(pressed) / 200 - sum(let_off) / 200 == pytest.approx(4.0, abs=1.5), "0.4 percent of friction, invented"
    dial = PlayedTool("indicator", 3)
    for _ in range(400):
        dial.shown(10.0)
    assert abs(dial.closed()) > 0.05
    dial.zero()
    assert abs(dial.closed()) <= 0.03
    high = PlayedTool("spring tester", 3, off=0.06)
    assert high.shown(1000.0) > 1040.0
    high.recalibrated()
    assert abs(high.shown(1000.0) - 1000.0) < 25.0


def test_a_hidden_springs_load_is_its_own_sum():
    """By hand: 58 free, 50 N/mm, from 40 on a fifth stiffer; an inner of 20 N/mm from 50 on; solid at 25 and 26."""
    spring = HiddenSpring(58.0, 50.0, 25.0, 40.0, 0.2, inner=HiddenSpring(50.0, 20.0, 26.0))
    assert spring.load_n(48.0) == pytest.approx(50.0 * 10.0 + 20.0 * 2.0)
    assert spring.load_n(35.0) == pytest.approx(50.0 * (23.0 + 0.2 * 5.0) + 20.0 * 15.0)
    assert spring.solid_mm == 26.0
    assert spring.load_n(25.0) > spring.load_n(26.0) + 2000.0


def test_what_was_left_on_the_bench_makes_a_reading_wrong_by_as_much_until_it_is_put_right():
    """By hand: each trap by its size, against the truth; tools repeat to a few hundredths, or to half a percent."""
    spoilt = {"stack": "", "shims in": "3e", "bubble": "2", "clay": "", "limber pushrod": "", "bled lifter": "3e"}
    bench = bench_of(
        Case("x", "x", "V8", 5, "", (), faults=tuple(Fault(kind, place) for kind, place in spoilt.items()))
    )
    for tool, quantity, name, by, rights in (
        ("height micrometer", "installed_height", "3e", -0.76, ["shims 3e"]),
        ("burette", "chamber_volume", "2", -0.8, ["bubble 2"]),
        ("caliper", "piston_valve_clay", "3e", 0.8, ["clay"]), ("indicator", "valve_lift", "3e", -2.1, ["pushrod", "lifter 3e"]),
        ("indicator", "valve_lift", "1e", -0.8, []),
    ):  # fmt: skip
        bench.undone.clear()
        bench.take_up(tool, quantity, name)
        true = bench.engine.true(quantity, name)
        assert bench.send().shown - true == pytest.approx(by, abs=0.45 if tool == "burette" else 0.08)
        for one in rights:
            bench.put_right(one)
        if rights:
            assert bench.send().shown - true == pytest.approx(0.0, abs=0.45 if tool == "burette" else 0.08)
    bench.take_up("spring tester", "spring_load", "3")
    bench.press(46.0)
    assert bench.send().shown == pytest.approx(bench.engine.springs["3"].load_n(46.0 - 2.6), rel=0.03)
    bench.put_right("stack")
    assert bench.send().shown == pytest.approx(bench.engine.springs["3"].load_n(46.0), rel=0.03)


def test_one_valve_of_a_role_is_not_the_whole_role():
    case = Case("x", "x", "twin", 5, "", ("installed_height", "spring_load"), faults=(Fault("weak role", "exhaust"),))
    builder = Builder(case)
    for valve, missed in (("1e", ["weak role"]), ("2e", [])):
        builder.measure("installed_height", [valve])
        builder.measure("spring_load", [builder.bench.engine.fitted[valve]])
        assert [one.kind.key for one in builder.judged().missed] == missed


def test_what_a_gauge_made_wrong_is_condemned_unless_the_gauge_was_named():
    """Sound heights read 0.42 mm long fail a limit of 0.3: condemned, and one that was signed for is not bad in truth."""
    case = Case("own", "own", "twin", 7, "", ("installed_height",), faults=(Fault("not zeroed"),))
    builder = Builder(case)
    limit = next(one for one in builder.book.engine.limits if one.check == "installed_height")
    builder.history.do(Put("limits", replace(limit, lowest=-0.3, highest=0.3, origin="shop")))
    builder.history.do(Describe({"hand": "a hand"}, "whose hand"))
    builder.measure("installed_height")
    failing = [
        one
        for one in examine(builder.book).findings
        if one.check.name == "installed_height" and one.verdict is Verdict.FAILS
    ]
    builder.history.do(to_sign(builder.book, failing[0], "it will do"))
    judged = builder.judged()
    assert len(judged.condemned) >= 1
    assert judged.signed == ()
    builder.claims.add(Claim("micrometer"))
    assert builder.judged().condemned == ()
