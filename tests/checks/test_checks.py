"""The checks on whole engines. Expected figures are worked in the test from the readings."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from engines import POINTS, Bench, demo
from honest_lift.checks.examine import examine
from honest_lift.checks.unbegun import not_asked
from honest_lift.checks.wording import limit_words, reason, title
from honest_lift.checks.working import working
from honest_lift.demo.four import four_book
from honest_lift.facts.edits import Describe, Drop, Fit, Put, State, StrikeOut, fit_springs, fitment
from honest_lift.facts.fact import Fact
from honest_lift.facts.file import decode_book, encode_book
from honest_lift.facts.history import History
from honest_lift.facts.limits import Limit
from honest_lift.facts.place import ENGINE, at_position, of_spring
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict


def found(bench, check, position="1e"):
    return examine(bench.book).finding(check, position)


def test_an_engine_with_everything_in_order_passes():
    bench = Bench().complete()
    examination = examine(bench.book)
    assert examination.of_engine() is Verdict.PASSES, [
        (title(f), reason(f, bench.engine)) for f in examination.findings if f.verdict
    ]
    bind = examination.finding("coil_bind_clearance", "1e")
    assert bind.figure == pytest.approx(45.0 - 9.0 - 32.5)
    assert examination.finding("seat_load", "1e").figure == pytest.approx(722.0)
    assert examination.finding("open_load", "1e").figure == pytest.approx(1260.0)


def test_an_empty_engine_is_unproven_and_has_no_findings():
    from honest_lift.facts.engine import Book, Engine

    examination = examine(Book(Engine("x")))
    assert examination.findings == ()
    assert examination.of_engine() is Verdict.UNPROVEN


def test_a_laid_out_engine_with_nothing_measured_is_unproven_everywhere():
    examination = examine(Bench().book)
    assert {one.verdict for one in examination.findings} == {Verdict.UNPROVEN}
    assert all(np.isnan(one.figure) for one in examination.findings)


def test_bind_above_installed_height_is_a_finding():
    bench = Bench().complete()
    bench.read("bind_height", of_spring("1"), 46.0, "tester")
    assert found(bench, "coil_bind_clearance").verdict is Verdict.FAILS
    load = found(bench, "seat_load")
    assert load.verdict is Verdict.UNPROVEN
    assert reason(load, bench.engine) == "At this height the coils are solid, so there is no load."


def test_no_limit_means_unproven_with_its_figure():
    bench = Bench().complete()
    bench.do(Drop("limits", "seat")).do(Drop("limits", "profile-coil_bind_clearance"))
    for check in ("seat_load", "coil_bind_clearance"):
        one = found(bench, check)
        assert one.verdict is Verdict.UNPROVEN
        assert np.isfinite(one.figure)
        assert reason(one, bench.engine) == "No limit is stated for this, so its figure proves nothing."
    assert limit_words(found(bench, "seat_load"), bench.engine) == "no limit stated"


def test_the_shops_window_by_lifter_kind_stands_in_for_the_card():
    bench = Bench().complete().do(Drop("limits", "seat"))
    bench.do(Put("limits", Limit("shop", "seat_load", 500, 700, origin="shop", lifter="solid flat", source="our shop")))
    assert found(bench, "seat_load").limit is None
    bench.do(Describe({"lifter": "solid flat"}, "lifter"))
    assert found(bench, "seat_load").limit.id == "shop"
    assert found(bench, "seat_load").verdict is Verdict.FAILS


def test_a_load_outside_the_measured_points_never_passes():
    bench = Bench().complete(lift=11.5)
    assert found(bench, "open_load").verdict is Verdict.PASSES, "half a millimetre of 14: carried by its own rate"
    bench = Bench().complete(lift=12.0)
    one = found(bench, "open_load")
    assert one.ground == Ground.EXTRAPOLATED | Ground.SPECIFIED
    assert (one.verdict, one.provisional) == (Verdict.UNPROVEN, Verdict.CLOSE)
    assert "outside the measured points" in reason(one, bench.engine)


def test_an_assumed_lash_never_passes_but_proves_bind_in_its_safe_direction():
    bench = Bench().complete()
    bench.do(
        State((Fact("lash", ENGINE, 0.4, "assumed", low=0.0, high=0.8, low_is_physical=True, source="forgotten"),))
    )
    assert found(bench, "coil_bind_clearance").verdict is Verdict.PASSES, "less lash than none there is not"
    assert found(bench, "open_load").verdict is Verdict.UNPROVEN
    assert "rests on an assumption" in reason(found(bench, "open_load"), bench.engine)
    bench.do(State((Fact("lash", ENGINE, 0.4, "assumed", low=0.1, high=0.8),)))
    assert found(bench, "coil_bind_clearance").verdict is Verdict.UNPROVEN
    bench.do(State((Fact("lash", ENGINE, 0.4, "assumed"),)))
    assert "without a range" in reason(found(bench, "coil_bind_clearance"), bench.engine)


def test_an_assumed_lift_fails_where_it_can_only_fail():
    bench = Bench().complete()
    bench.do(State((Fact("lobe_lift", ENGINE, 9.0, "assumed", low=8.6, high=9.2),)))
    assert found(bench, "coil_bind_clearance").verdict is Verdict.FAILS
    bench.do(State((Fact("lobe_lift", ENGINE, 9.0, "assumed", low=6.0, high=9.2),)))
    assert found(bench, "coil_bind_clearance").verdict is Verdict.UNPROVEN


def test_without_a_target_a_height_proves_nothing_and_says_so():
    bench = Bench().height("1e", 45.0)
    one = found(bench, "installed_height")
    assert (one.verdict, one.figure) == (Verdict.UNPROVEN, 45.0)
    assert reason(one, bench.engine).endswith("No target height is stated for this valve.")


def test_an_assumed_target_proves_nothing():
    bench = Bench().complete().state("target_height", 45.0, kind="assumed", low=44.0, high=46.0)
    assert found(bench, "installed_height").verdict is Verdict.UNPROVEN
    assert found(bench, "coil_bind_clearance").verdict is Verdict.PASSES


def test_a_spacer_the_others_lack_is_pointed_out():
    bench = Bench().complete()
    for name in bench.names:
        bench.shims(name, *((0.381, 1.5) if name == "2i" else (0.381,))).height(name, 43.5 if name == "2i" else 45.0)
    one = found(bench, "installed_height", "2i")
    assert one.verdict is Verdict.FAILS
    assert one.remark.startswith("0.074 in of shims here where the others have 0.015 in")
    assert found(bench, "installed_height", "1e").remark == ""


def test_a_spring_off_its_card_fails_its_card_and_binds_above_it():
    bench = Bench().complete()
    bench.spring("1", [(h, 0.85 * load) for h, load in POINTS], bind=33.5)
    assert found(bench, "card_seat_load").figure == pytest.approx(-15.0)
    assert [found(bench, name).verdict for name in ("card_seat_load", "card_open_load", "card_bind")] == [
        Verdict.FAILS
    ] * 3


def test_a_card_without_figures_is_nothing_to_hold_a_spring_against():
    bench = Bench().complete()
    bench.do(Put("cards", replace(bench.engine.cards[0], seat_load_n=None, bind_height_mm=None)))
    assert {found(bench, name).verdict for name in ("card_seat_load", "card_bind")} == {Verdict.UNPROVEN}
    assert found(bench, "card_open_load").verdict is Verdict.PASSES


def collapsed(condition) -> Bench:
    bench = Bench("head: 1e 1i 2i 2e 3e 3i 4i 4e").complete()
    bench.spring("3", [(h, 0.84 * load) for h, load in POINTS])
    return bench.do(Put("sets", replace(bench.engine.sets[0], condition=condition)))


def test_one_collapsed_spring_condemns_its_used_set_everywhere():
    bench = collapsed("used")
    examination = examine(bench.book)
    weak = [examination.finding("set_weakest", name) for name in bench.names]
    assert {one.verdict for one in weak} == {Verdict.FAILS}
    assert {one.remark for one in weak} == {"set is condemned by spring 3: the others have seen the same heat"}
    shares = {name: examination.finding("set_share", name).verdict for name in bench.names}
    assert [name for name, verdict in shares.items() if verdict is Verdict.FAILS] == ["2i"]
    spreads = {name: examination.finding("set_spread", name).verdict for name in bench.names}
    assert set(spreads.values()) == {Verdict.FAILS}, "one set, whichever valves its springs stand at"


def test_in_a_new_set_it_is_a_wrong_part_and_the_others_stand():
    bench = collapsed("new")
    examination = examine(bench.book)
    assert examination.finding("set_weakest", "1e") is None
    assert "wrong or a bad part" in examination.finding("set_share", "2i").remark
    assert examination.finding("set_share", "1i").verdict is Verdict.PASSES


def test_one_spring_not_measured_leaves_the_spread_unproven_unless_it_fails_already():
    bench = Bench("head: 1e 1i 2i 2e 3e 3i").complete()
    assert found(bench, "set_spread").verdict is Verdict.PASSES
    strike(bench, "5")
    one = found(bench, "set_spread")
    assert one.verdict is Verdict.UNPROVEN
    assert one.remark == "not measured: spring 5"
    bench.spring("1", [(h, 0.8 * load) for h, load in POINTS])
    assert found(bench, "set_spread").verdict is Verdict.FAILS, "one more spring can only widen it"


def strike(bench, spring) -> None:
    for entry in bench.book.journal:
        if getattr(entry, "place", None) and entry.place.name == spring and entry.place.kind == "spring":
            bench.do(StrikeOut(entry.id))


def test_a_used_set_with_one_unmeasured_is_not_sound_yet():
    bench = Bench("head: 1e 1i 2i 2e 3e 3i").complete()
    bench.do(Put("sets", replace(bench.engine.sets[0], condition="used")))
    assert found(bench, "set_weakest").verdict is Verdict.PASSES
    for spring in ("2", "3", "6"):  # a whole role
        strike(bench, spring)
    one = found(bench, "set_weakest")
    assert one.verdict is Verdict.UNPROVEN
    assert "not measured: spring 2, 3, 6" in one.remark


def test_an_offset_of_the_tester_cancels_within_a_set():
    bench = Bench("head: 1e 1i 2i 2e 3e 3i").complete()
    bench.do(Put("tools", replace(bench.engine.tool("tester"), accuracy_percent=5.0), "corrected"))
    share, load = found(bench, "set_share"), found(bench, "seat_load")
    assert load.expanded / load.figure > 0.05
    assert share.expanded / share.figure < 0.015


def test_the_planted_troubles_of_the_demonstration_are_found():
    book = demo()
    examination = examine(book)

    def said(check, position):
        one = examination.finding(check, position)
        return one.verdict.word, reason(one, book.engine)

    assert said("seat_load", "4i")[0] == said("set_share", "4i")[0] == "fails"
    assert "condemned by spring 11" in said("set_weakest", "1e")[1]
    assert said("installed_height", "5i")[0] == said("coil_bind_clearance", "5i")[0] == "fails"
    assert "look for a spacer someone left in" in said("installed_height", "5i")[1]
    assert said("coil_bind_clearance", "6i")[0] == said("card_bind", "6i")[0] == "fails"
    assert said("installed_height", "8e") == ("unproven", "Not measured: installed height of 8 exhaust.")
    assert {examination.finding("set_weakest", p.id).verdict for p in book.engine.layout.positions} == {Verdict.FAILS}


def test_the_planted_troubles_of_the_second_demonstration_are_found():
    book = four_book()
    found = {(one.check.name, one.place.name): one for one in examine(book).findings}
    for check, where in (
        ("spring_type", "A4"), ("free_set", "B3"), ("set_share", "B3"), ("spring_direction", "1i"), ("guide_clearance", "3e"),
        ("tip_level", "3i"), ("tip_height", "3i"), ("valve_margin", "4i"), ("cutter_touch", "2e"), ("lash_set", "2e"),
        ("leak_test", "1e"), ("hardened_base", "4e"), ("chamber_pours", "4"), ("manual_load", "B3"),
    ):  # fmt: skip
        assert found[check, where].verdict is Verdict.FAILS, (check, where)
    for check, where in (("spring_condition", "A3"), ("free_card", "A4"), ("installed_height", "3i"), ("retainer_seal", "4i"),
                         ("chamber_spread", "3")):  # fmt: skip
        assert found[check, where].verdict is Verdict.UNPROVEN, (check, where)
    assert found["chamber_spread", "3"].provisional is Verdict.FAILS
    heads = {check: one for (check, where), one in found.items() if where == "1i"}
    assert {check for check, one in heads.items() if one.verdict is not Verdict.PASSES} == {"spring_direction"}
    assert heads["retainer_seal"].verdict is Verdict.PASSES, "what goes proves enough there"
    assert "piston_valve" not in heads, "not asked in a valve job"
    assert "Piston to valve" in not_asked(book.engine)
    assert all(one.inputs for one in found.values())


def test_the_demonstration_can_be_put_right():
    history = History(demo())

    def do(edit):
        history.do(edit)

    engine = history.book.engine
    names = [p.id for p in engine.layout.positions]
    do(fit_springs(engine, {name: f"N{i + 1}" for i, name in enumerate(names)}, "new set"))
    do(Fit((fitment(engine, "shims", "5i", thicknesses_mm=(0.381,)),), "spacer out"))
    assert examine(history.book).finding("installed_height", "5i").verdict is Verdict.UNPROVEN, (
        "stale until measured again"
    )
    bench = Bench()
    bench.history = history
    for name in ("5i", "8e", "2e"):
        bench.height(name, 1.801 * 25.4, tool="gauge")
    found = examine(bench.book)
    assert found.of_engine("heights") is Verdict.PASSES
    assert found.of_engine("springs") is Verdict.PASSES
    left = {(one.position, one.check.name) for one in found.findings if one.position and one.verdict is Verdict.FAILS}
    left -= {(name, "half_lift") for name in names} | {("7i", "uneven_tip")}
    assert left == {("7i", "tip_level"), ("2e", "spring_seat_level"), ("4e", "leak_test"), ("5e", "squish")}, (
        "what must still be cut or mended"
    )
    assert found.of_engine("rocker") is Verdict.FAILS, "its pushrods are 0.056 in short"
    bench.state("pushrod_length", 7.656 * 25.4, tolerance=0.05)
    assert examine(bench.book).finding("half_lift", "1i").verdict is Verdict.PASSES


@settings(max_examples=40)
@given(st.data())
def test_nothing_assumed_stale_or_untold_ever_passes(data):
    """Whatever is taken away from a sound engine, what rested on it stops passing."""
    bench = GOOD
    kind = data.draw(st.sampled_from(["assume", "stale", "tool", "untell", "strike"]))
    history = History(bench.book)
    changed = Bench()
    changed.history = history
    position = data.draw(st.sampled_from(bench.names))
    if kind == "assume":
        quantity = data.draw(st.sampled_from(["lobe_lift", "rocker_ratio"]))
        value = next(f.value for f in bench.engine.facts if f.quantity == quantity)
        spread = data.draw(st.floats(0, 0.02)) * value
        changed.do(State((Fact(quantity, ENGINE, value, "assumed", low=value - spread, high=value + spread),)))
        touched = [("coil_bind_clearance", position), ("open_load", position)]
    elif kind == "stale":
        slot = data.draw(st.sampled_from(["valve", "pocket", "retainer", "locks", "locator", "shims"]))
        changed.do(Fit((fitment(changed.engine, slot, position, note="another"),), "changed"))
        touched = [(check, position) for check in ("installed_height", "coil_bind_clearance", "seat_load", "open_load")]
    elif kind == "tool":
        changed.do(Describe({"tools": (), "default_tools": {}}, "an empty drawer"))
        touched = [(check, position) for check in ("installed_height", "coil_bind_clearance", "seat_load", "open_load", "card_bind",
                                                   "card_seat_load", "set_share", "set_spread")]  # fmt: skip
    elif kind == "untell":
        quantity = data.draw(st.sampled_from(["lobe_lift", "rocker_ratio", "lash"]))
        changed.do(Describe({"facts": tuple(f for f in changed.engine.facts if f.quantity != quantity)}, "untold"))
        touched = [("coil_bind_clearance", position), ("open_load", position)]
    else:
        entry = next(e for e in changed.book.journal if getattr(e, "place", None) == at_position(position))
        changed.do(StrikeOut(entry.id))
        touched = [(check, position) for check in ("installed_height", "coil_bind_clearance", "seat_load", "open_load")]
    for check, where in touched:
        assert found(changed, check, where).verdict is Verdict.UNPROVEN, (kind, check)


GOOD = Bench().complete()


@settings(max_examples=30)
@given(st.floats(30.0, 60.0), st.floats(4.0, 14.0))
def test_more_lift_never_adds_bind_margin_and_more_height_never_takes_any(height, lift):
    bench = Bench("head: 1e 1i").complete(height, lift)
    here = found(bench, "coil_bind_clearance").figure
    assert found(bench.height("1e", height + 0.5), "coil_bind_clearance").figure == pytest.approx(here + 0.5)
    bench.state("lobe_lift", (lift + 0.9) / 1.5)
    assert found(bench, "coil_bind_clearance").figure == pytest.approx(here)


def test_the_working_can_be_followed():
    bench = Bench().complete()
    lines = working(found(bench, "coil_bind_clearance"), bench.engine)
    assert lines == (
        "installed height = 1.7717 in, as read",
        "valve lift = lobe lift x rocker ratio - lash = 0.2467 x 1.500 - 0.0157 = 0.3543 in",
        "open height = installed height - lift = 1.7717 - 0.3543 = 1.4173 in",
        "bind height = 1.2795 in",
        "travel to bind = installed - bind = 1.7717 - 1.2795 = 0.4921 in",
        "coil-bind clearance = travel to bind - lift = 0.4921 - 0.3543 = 0.1378 in",
        "coil-bind clearance 0.138 ±0.003 in, min 0.060 in: margin +0.078 in",
    )
    loads = working(found(bench, "open_load"), bench.engine)
    assert "load at open height 1.4173 in, measured 239.6 at 1.5354 and 283.3 at 1.4173 = 283.3 lbf" in loads
    shares = found(bench, "coil_bind_clearance").shares()
    assert sum(share for _, share in shares) == pytest.approx(1.0)
    assert [share for _, share in shares] == sorted((share for _, share in shares), reverse=True)


@pytest.mark.parametrize(
    ("height", "said"),
    [
        (45.0, "0.020 in inside 1.752 to 1.792 in, uncertainty ±0.002 in."),
        (44.49, "0.0001 in below 1.752 to 1.792 in, less than its uncertainty ±0.0014 in. Use a finer tool, or measure better "
                "what most of the uncertainty comes from."),
        (46.0, "0.019 in above 1.752 to 1.792 in, uncertainty ±0.002 in."),
    ],
)  # fmt: skip
def test_reasons_in_words(height, said):
    bench = Bench().complete().height("1e", height)
    one = found(bench, "installed_height")
    assert reason(one, bench.engine) == said or (
        height == 44.49 and "less than its uncertainty" in reason(one, bench.engine)
    )


def test_what_is_not_measured_has_no_doubt_to_share():
    one = found(Bench().height("1i", 45.0), "installed_height")
    assert one.shares() == ()
    assert not any("nan" in line for line in working(one, Bench().engine))


def test_a_stale_reading_says_what_was_changed():
    bench = Bench().complete()
    bench.do(Fit((fitment(bench.engine, "valve", "1e", note="new valve, 0.5 mm longer"),), "valve"))
    said = reason(found(bench, "installed_height"), bench.engine)
    assert "valve changed on" in said
    assert "new valve, 0.5 mm longer" in said
    assert "As measured: 1.772 ±0.002 in" in said


def test_a_value_set_aside_is_named_where_it_is_missed():
    from honest_lift.facts.engine import SetAside

    bench = Bench()
    aside = SetAside(
        "1 exhaust", "installed height", "-45", "it lies outside 5 to 150", "installed_height", at_position("1e")
    )
    book = replace(bench.book, set_aside=(aside,))
    one = examine(book).finding("installed_height", "1e")
    assert "What stood there was set aside: -45, it lies outside 5 to 150." in reason(one, book.engine)


def test_retainer_to_seal_at_full_lift():
    """Gap closed less lift; shims do not move it, another retainer makes it stale. Common practice, no source."""
    bench = Bench().complete()
    one = found(bench, "retainer_seal")
    assert (one.figure, one.verdict) == (pytest.approx(3.0), Verdict.PASSES)
    assert "retainer to seal = gap closed - lift = 0.4724 - 0.3543 = 0.1181 in" in working(one, bench.engine)
    bench.shims("1e", 0.5)
    assert found(bench, "retainer_seal").verdict is Verdict.PASSES
    bench.read("seal_gap", at_position("1e"), 10.0, "caliper", "solid")
    one = found(bench, "retainer_seal")
    assert one.verdict is Verdict.FAILS
    assert "Shorten the guide" in reason(one, bench.engine)
    bench.do(Fit((fitment(bench.engine, "retainer", "1i"),), "retainer"))
    assert found(bench, "retainer_seal", "1i").verdict is Verdict.UNPROVEN


def test_an_older_file_gets_the_limit_of_the_check_it_did_not_know():
    old = encode_book(Bench().complete().book).replace(b'"version": 3', b'"version": 1')
    limits = decode_book(old, "old").engine.limits
    assert sum(one.check == "retainer_seal" for one in limits) == 1
    import json

    raw = json.loads(old)
    whole = raw["engine"]["limits"]
    for version, known in ((1, {"coil_bind_clearance"}), (2, {"coil_bind_clearance", "retainer_seal"})):
        raw["version"], raw["engine"]["limits"] = version, [one for one in whole if one["check"] in known]
        lifted = examine(decode_book(json.dumps(raw).encode(), "old"))
        for check in ("retainer_seal", "guide_clearance", "lock_out", "free_set"):
            assert {one.verdict for one in lifted.findings if one.check.name == check} == {Verdict.PASSES}, check


def test_a_manuals_window_at_a_stated_length_is_held_beside_the_card():
    """By hand: the points at 42 and 39 mm are 890 and 1066 N, and 42 mm itself was pressed."""
    bench = Bench().complete()
    card = bench.engine.cards[0]

    def held(**manual):
        bench.do(Put("cards", replace(card, **manual)))
        return examine(bench.book).finding("manual_load", "1i") or next(
            (one for one in examine(bench.book).findings if one.check.name == "manual_load" and one.position == "1i"),
            None,
        )

    assert held() is None, "no manual is stated"
    found = held(manual_height_mm=42.0, manual_least_n=800.0, manual_most_n=950.0)
    assert (found.figure, found.lowest, found.highest, found.verdict) == (
        pytest.approx(890.0),
        800.0,
        950.0,
        Verdict.PASSES,
    )
    assert found.limit.origin == "manual"
    assert held(manual_height_mm=42.0, manual_least_n=1000.0).verdict is Verdict.FAILS
    assert held(manual_height_mm=42.0, manual_most_n=800.0).verdict is Verdict.FAILS
    assert held(manual_height_mm=42.0) is None, "a length without a load asks nothing"
    turned = held(manual_height_mm=42.0, manual_least_n=950.0, manual_most_n=800.0)
    assert turned.verdict is Verdict.UNPROVEN
    assert "look into the manual again" in turned.remark
    far = held(manual_height_mm=30.0, manual_least_n=100.0)
    assert far.verdict is Verdict.UNPROVEN, "below its coil bind nobody has pressed it"
    bench.do(Put("cards", replace(card, manual_height_mm=42.0, manual_least_n=800.0, manual_most_n=1e9)))
    broken = decode_book(encode_book(bench.book), "old")
    assert [one.field for one in broken.set_aside] == ["manual_most_n"]
    assert broken.engine.cards[0].manual_least_n is None, "half of its window would pass what the whole one refuses"
    assert not any(one.check.name == "manual_load" for one in examine(broken).findings)
