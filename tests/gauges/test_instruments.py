"""Instruments on a line: whatever comes, no figure that was not sent, none twice, none lost; unplugged, it goes on."""

import os
import threading
import time
import tracemalloc
from contextlib import suppress

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from msgspec.structs import replace

from honest_lift.gauges.instruments.hearing import Heard, Hearing
from honest_lift.gauges.instruments.instrument import Instrument, keep_instruments, kept_instruments
from honest_lift.gauges.instruments.listening import Listening
from honest_lift.gauges.instruments.oddities import Zero, other_unit
from honest_lift.gauges.instruments.pattern import Pattern, Shown, learned_from
from honest_lift.gauges.instruments.port import port_of
from honest_lift.gauges.instruments.recorder import Recorder, Replay
from honest_lift.gauges.line import LineError
from honest_lift.numbers.mendable import MendableError
from wires import Wire

FIXED = Instrument("gauge", pattern=Pattern(decimals=2, sign="must", digits=6))
STREAM = replace(FIXED, streams=True)


def figures(heard):
    return [one.shown for one in heard if one.kind == "figure"]


def heard_of(instrument, chunks, *, opened=True):
    hearing, found = Hearing(instrument), []
    if opened:
        hearing.opened(0.0)
    for i, chunk in enumerate(chunks):
        found += hearing.fed(chunk, 10.0 + i)
    return found


# --- patterns ---


@pytest.mark.parametrize(
    ("pattern", "line", "says"),
    [(Pattern(), "46.10 mm", "46.10 mm"), (Pattern(), '1.815"', "1.815 in"), (Pattern(), "- 0.05mm", "-0.05 mm"),
     (Pattern(unit="in"), "1,815", "1.815 in"), (Pattern(), "46.10", "names no unit"),
     (Pattern(), "46.10 bananas", "no unit of length"),
     (Pattern(), "4 6.10 mm", "not a number and a unit"), (Pattern(), "46.10.2 mm", "not a number"),
     (Pattern(sign="behind"), "0.05- mm", "-0.05 mm"), (Pattern(sign="must"), "0.05 mm", "sign is missing"),
     (Pattern(decimals=3), "46.1 mm", "1 decimals where there are 3"),
     (Pattern(digits=6), "+46.10 mm", "4 digits where there are 6"),
     (Pattern(before="A", after="ok"), "A46.10 mm ok", "46.10 mm"), (Pattern(before="A"), "46.10 mm", "lacks what stands round"),
     (Pattern(codes={"M": "mm"}), "46.10 M", "46.10 mm"), (Pattern("load"), "137.5 lb", "137.5 lbf"),
     (Pattern("mass"), "0.250 kg", "0.250 kg"), (Pattern("load"), "25.0 kg", "25.0 kgf"), (Pattern(), "1" * 80, "longer than"),
     (Pattern(point=False, decimals=3, unit="mm"), "12.345", "has a point"), (Pattern(), "٤٦ mm", "not a number")],
)  # fmt: skip
def test_a_line_is_read_whole_or_not_at_all(pattern, line, says):
    read = pattern.read(line)
    assert (read.text == says) if isinstance(read, Shown) else (says in read)


@given(
    st.text(max_size=80), st.sampled_from(["may", "must", "behind"]), st.integers(0, 8), st.none() | st.integers(0, 4)
)
def test_no_text_breaks_a_pattern_and_what_is_read_stands_in_it(text, sign, digits, decimals):
    read = Pattern(sign=sign, digits=digits, decimals=decimals, unit="mm").read(text)
    if isinstance(read, Shown):
        plain = text.replace(",", ".")
        assert read.figure.lstrip("-").lstrip("0").rstrip(".") in plain
        assert ("-" in plain) >= (read.value < 0)


@given(st.decimals(-999, 999, places=3), st.sampled_from(["{:+09.3f}", "{:.3f} mm", "CH {:+09.3f} mm OK", "{:8.3f}in"]))
def test_what_is_learned_from_a_line_reads_its_like(figure, how):
    line = how.format(figure)
    pattern = learned_from(line, "length", "mm")
    assert pattern.read(line.strip()).value == float(figure)
    assert isinstance(pattern.read(line.strip()[:-1] if line[-1].isdigit() else line.strip().replace(".", "")), str)


@pytest.mark.parametrize("line", ["", "no figure", "1.0 2.0 mm"])
def test_a_line_with_no_figure_teaches_nothing(line):
    with pytest.raises(MendableError, match="figure"):
        learned_from(line, "length", "mm")


# --- hearing: what is sent is heard, in order, once ---

sent = st.lists(st.tuples(st.sampled_from("+-"), st.integers(0, 999_999)), min_size=1, max_size=12)


def line_of(sign, digits):
    return f"{sign}{digits // 100:04d}.{digits % 100:02d} mm".encode()


@given(sent, st.sampled_from([b"\r\n", b"\n", b"\r"]), st.data())
def test_however_it_is_parted_every_line_is_heard_once(lines, end, data):
    whole = b"".join(line_of(*one) + end for one in lines)
    cuts = sorted(data.draw(st.lists(st.integers(0, len(whole)), max_size=10)))
    chunks = [whole[a:b] for a, b in zip([0, *cuts], [*cuts, len(whole)], strict=True)]
    assert [one.value for one in figures(heard_of(FIXED, chunks))] == [float(line_of(*one)[:-3]) for one in lines]


@settings(max_examples=400)
@given(sent, st.data())
def test_noise_cuts_and_lost_bytes_never_make_a_figure_that_was_not_sent(lines, data):
    """Bytes dropped, spoiled and put in, ends lost: each figure heard is one that was sent, in order."""
    whole = bytearray(b"".join(line_of(*one) + b"\r\n" for one in lines))
    for _ in range(data.draw(st.integers(1, 6))):
        at = data.draw(st.integers(0, max(len(whole) - 1, 0)))
        fault = data.draw(st.sampled_from(["drop", "spoil", "put in", "end lost"]))
        if fault == "drop":
            del whole[at : at + data.draw(st.integers(1, 9))]
        elif fault == "spoil" and whole:
            whole[at] = data.draw(st.sampled_from([0, 7, 127, 255, 200]))
        elif fault == "put in":
            whole[at:at] = data.draw(
                st.binary(min_size=1, max_size=5).filter(lambda one: not set(one) & set(b"0123456789"))
            )
        else:
            whole = bytearray(bytes(whole).replace(b"\r\n", b"", 1))
    heard, was = figures(heard_of(FIXED, [bytes(whole)])), [float(line_of(*one)[:-3]) for one in lines]
    left = iter(was)
    assert all(any(abs(one.value) == abs(each) for each in left) for one in heard)


@settings(max_examples=200)
@given(st.lists(st.binary(max_size=60), max_size=12), st.booleans())
def test_any_bytes_are_borne(chunks, streams):
    for one in heard_of(replace(FIXED, streams=streams, pattern=Pattern(unit="mm")), chunks):
        assert one.kind in ("figure", "odd")


def test_what_goes_on_without_an_end_is_said_and_its_tail_is_no_line():
    heard = heard_of(Instrument("gauge"), [b"x" * 500, b"12.34 mm\r\n45.00 mm\r\n"])
    assert [one.kind for one in heard] == ["odd", "figure"]
    assert "is its speed, or its parity, another?" in heard[0].words
    assert heard[1].shown.text == "45.00 mm"


def test_a_spoiled_line_is_said_to_be_that():
    heard = heard_of(FIXED, [b"+0012.34 mm\xff\r\n+0012.34 \xb5m\r\n"])
    assert "a line was spoiled on its way" in heard[0].words
    assert "is no unit" not in heard[1].words


def test_a_line_that_was_under_way_when_the_port_was_opened_is_let_go():
    hearing = Hearing(Instrument("gauge"))
    hearing.opened(0.0)
    assert figures(hearing.fed(b"2.34 mm\r\n12.34 mm\r\n", 0.01)) == [Shown("12.34", "mm")]
    hearing.opened(1.0)
    assert figures(hearing.fed(b"12.34 mm\r\n", 3.0)) == [Shown("12.34", "mm")], "it was silent: the line is whole"
    assert list(hearing.fed(b"12.", 3.1)) == []
    assert "“12.”, is not taken" in hearing.lost("unplugged").words
    hearing.opened(4.0)
    assert figures(hearing.fed(b"34 mm\r\n12.35 mm\r\n", 4.01)) == [Shown("12.35", "mm")]


def stands(sent, every_s=0.1, **more):
    """Feed a line every so often to a gauge that sends all the time."""
    hearing = Hearing(replace(STREAM, **more))
    return [one for i, text in enumerate(sent) for one in hearing.fed(f"{text}\n".encode(), i * every_s)]


def test_a_gauge_that_sends_all_the_time_counts_once_it_stands_still():
    sent = ["+0010.00", "+0010.40", *["+0011.00"] * 4, "+0011.01", "+0011.01", "+0013.00", *["+0014.00"] * 6]
    heard = stands([f"{one} mm" for one in sent])
    steady = {one.stand: one.shown.figure for one in heard if one.is_steady}
    assert steady == {1: "11.01", 2: "14.00"}, "one reading a stand, and its last figure"
    assert [one.is_steady for one in heard][:8] == [False] * 6 + [True, True], "five lines within a step"
    assert max(one.moving_by for one in heard) == pytest.approx(3.0)
    inches = stands(["+0011.00 mm"] * 4 + ["+0011.00 in"] * 4)
    assert not any(one.is_steady for one in inches), "another unit is another stand"


def test_a_stand_lasts_and_one_that_creeps_away_is_another():
    quick = stands(["+0011.00 mm"] * 40, every_s=0.01)
    assert [one.is_steady for one in quick].index(True) == 30, "0.3 s at a hundred lines a second"
    creeping = stands([f"+{1100 + i // 12:06d}"[:5] + f".{i // 12 % 100:02d} mm" for i in range(120)], every_s=0.1)
    found = {one.stand: one.shown.figure for one in creeping if one.is_steady}
    assert len(found) >= 4, "0.09 mm in twelve seconds: each step is next to the last, and it is not one stand"
    assert not stands(["+0011.00 mm"] * 6, steady_s=0.0, steady_lines=7)[-1].is_steady


# --- oddities ---


@given(st.floats(5.0, 60.0), st.floats(0.9, 1.1), st.sampled_from([("mm", "in"), ("in", "mm")]))
def test_a_gauge_in_the_wrong_unit_is_seen_by_its_neighbours(usual, off, units):
    taken_for, is_set = units
    jump = 25.4 if is_set == "mm" else 1 / 25.4
    assert other_unit(usual * off * jump, [usual] * 3, (0.0, 1e9), "length", taken_for) == is_set
    assert other_unit(usual * off, [usual] * 3, (0.0, 1e9), "length", taken_for) == ""
    assert other_unit(0.0, [usual], (0.0, 1e9), "length", taken_for) == ""


def test_without_neighbours_what_such_a_thing_is_tells_and_loads_have_units_too():
    assert other_unit(137.0, [], (200.0, 4000.0), "load", "N") == "lbf"
    assert other_unit(609.0, [610.0], (200.0, 4000.0), "load", "N") == ""
    assert other_unit(46.0, [], (30.0, 60.0), "length", "mm") == ""
    assert other_unit(46.0, [], (1.0, 2000.0), "length", "mm") == "", "what fits as it is is asked nothing"


def test_a_zero_is_due_after_so_many_and_what_was_read_since_stands_in_doubt_once_it_drifted():
    zero = Zero(3)
    for one in "abc":
        assert not zero.is_due
        zero.took(one)
    assert zero.is_due
    assert zero.looked_at(Shown("0.01", "mm")) == (0.0, ()), "a step is no drift"
    assert not zero.is_due
    zero.took("d")
    assert zero.looked_at(Shown("-0.03", "mm")) == (-0.03, ("d",))
    assert (zero.since, Zero(0).is_due) == ([], False)


# --- ports ---


def until(listening, wanted, for_s=8.0):
    found, began = [], time.monotonic()
    while time.monotonic() - began < for_s:
        found += listening.fetched()
        if wanted(found):
            return found
        time.sleep(0.01)
    raise AssertionError(f"never heard: {found[-5:]}")


def test_unplugged_in_mid_line_and_plugged_in_again_it_goes_on(tmp_path):
    """Its port is a link, as a gauge plugged in again gets another one of the machine's."""
    link, wire = tmp_path / "gauge", Wire()
    link.symlink_to(wire.port)
    listening = Listening(replace(FIXED, port=str(link)), again_s=0.05)
    listening.start()
    try:
        until(listening, lambda found: any(one.kind == "there" for one in found))
        time.sleep(0.2)
        os.write(wire.end, b"+0012.34 mm\r\n+0012.")
        first = until(listening, figures)
        time.sleep(0.2)
        wire.unplug()
        gone = until(listening, lambda found: any(one.kind == "gone" for one in found))
        assert "“+0012.”, is not taken" in next(one.words for one in gone if one.kind == "gone")
        wire = Wire()
        link.unlink()
        link.symlink_to(wire.port)
        until(listening, lambda found: any(one.kind == "there" for one in found))
        os.write(wire.end, b"35 mm\r\n+0012.36 mm\r\n")
        again = until(listening, figures)
        assert [one.text for one in figures(first + gone + again)] == ["12.34 mm", "12.36 mm"]
    finally:
        listening.stop()
        wire.unplug()


def test_a_gauge_that_is_asked_answers():
    wire, asked = Wire(), []

    def answer():
        with suppress(OSError):
            while (data := os.read(wire.end, 10)) and len(asked) < 40:
                asked.append(data)
                os.write(wire.end, b"+0012.34 mm\r\n")

    threading.Thread(target=answer, daemon=True).start()
    listening = Listening(replace(STREAM, port=wire.port, asks="?\\r", every_s=0.02))
    listening.start()
    try:
        heard = until(listening, lambda found: any(one.is_steady for one in found))
        assert figures(heard)[-1].text == "12.34 mm"
        assert set(b"".join(asked)) == set(b"?\r")
    finally:
        listening.stop()
        wire.unplug()


def test_what_is_not_fetched_for_long_keeps_a_figure_of_every_stand():
    """Of the way between two stands, and of a stand, the last line is enough; a stand is never joined to the next."""
    listening = Listening(STREAM)
    for stand, steady in ((0, False), (0, False), (1, True), (1, True), (1, False), (2, True), (3, True)):
        listening._hold(Heard("figure", Shown(f"{stand}.00", "mm"), is_steady=steady, stand=stand))
    assert [(one.stand, one.is_steady) for one in listening.fetched()] == [
        (0, False),
        (1, True),
        (1, False),
        (2, True),
        (3, True),
    ]
    pressed = Listening(FIXED)
    for i in range(5000):
        pressed._hold(Heard("figure", Shown(f"{i}.00", "mm"), is_steady=True, stand=i))
    heard = pressed.fetched()
    assert [one.stand for one in heard[:-1]] == list(range(4000))
    assert "1000 lines came faster than they were fetched" in heard[-1].words
    assert pressed.fetched() == []


def test_a_port_that_is_none_or_taken_is_said_once(tmp_path):
    listening = Listening(replace(FIXED, port=str(tmp_path / "none")), again_s=0.01)
    listening.start()
    time.sleep(0.3)
    listening.stop()
    heard = listening.fetched()
    assert len(heard) == 1
    assert "nothing is plugged in there" in heard[0].words
    wire = Wire()
    taken = port_of(replace(FIXED, port=wire.port))
    with pytest.raises(LineError, match="listens to it already"):
        port_of(replace(FIXED, port=wire.port))
    taken.close()
    wire.unplug()
    with pytest.raises(LineError, match="no port is chosen"):
        port_of(FIXED)


# --- recorded sessions ---


@settings(max_examples=60)
@given(st.lists(st.tuples(st.sampled_from(["got", "sent"]), st.binary(min_size=1, max_size=30)), max_size=10))
def test_a_recorded_session_plays_what_came(tmp_path_factory, steps):
    path = tmp_path_factory.mktemp("gauge") / "one.txt"
    recorder = Recorder(path, "gauge", 0.0)
    for i, (what, data) in enumerate(steps):
        recorder.note(what, data, at_s=float(i))
    recorder.close()
    replay, played = Replay(path, hurry=0.0), []
    with suppress(EOFError):
        while True:
            played.append(replay.read())
    assert [one for one in played if one] == [data for what, data in steps if what == "got"]


def test_a_session_recorded_and_played_is_heard_alike(tmp_path):
    wire, path = Wire(), tmp_path / "session.txt"
    listening = Listening(replace(FIXED, port=wire.port))
    listening.recorder = Recorder(path, "gauge")
    listening.start()
    until(listening, lambda found: any(one.kind == "there" for one in found))
    time.sleep(0.2)
    os.write(wire.end, b"+0012.34 mm\r\nrubbish\r\n+0012.35 mm\r\n")
    first = until(listening, lambda found: len(figures(found)) == 2)
    listening.stop()
    wire.unplug()
    played = Listening(replace(FIXED, port=f"replay:{path}"))
    played.start()
    again = until(played, lambda found: any(one.kind == "gone" for one in found))
    assert [(one.kind, one.shown) for one in again if one.kind in ("figure", "odd")] == [
        (one.kind, one.shown) for one in first if one.kind in ("figure", "odd")
    ]


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "does not begin"),
        ("# honest-lift gauge session 1\n0.1 fell off\n", "line 2 is no line"),
        (None, "No such"),
    ],
)
def test_a_file_that_is_no_session_is_said(tmp_path, text, says):
    path = tmp_path / "one.txt"
    if text is not None:
        path.write_text(text)
    with pytest.raises(LineError, match=says):
        Replay(path)


# --- kept ---


def test_instruments_are_kept_and_a_broken_file_is_named(tmp_path, monkeypatch):
    monkeypatch.setenv("XDG_CONFIG_HOME", str(tmp_path))
    assert kept_instruments() == ()
    keep_instruments((FIXED, replace(STREAM, name="tester")))
    assert kept_instruments() == (FIXED, replace(STREAM, name="tester"))
    for wrong, says in (({"speed": 42}, "42 baud"), ({"name": " "}, "needs a name"), ({"bits": 5}, "7 or 8 bits"),
                        ({"every_s": 0.0}, "asked every"), ({"steady_lines": 1}, "is still when"),
                        ({"steady_s": -1.0}, "0 to 10 seconds")):  # fmt: skip
        with pytest.raises(MendableError, match=says):
            keep_instruments((replace(FIXED, **wrong),))
    assert kept_instruments()[0] == FIXED
    (tmp_path / "honest-lift" / "instruments.json").write_text('[{"name": 3}]')
    with pytest.raises(MendableError, match=r"instruments\.json: can't be read"):
        kept_instruments()


# --- much of it ---


def test_two_hundred_thousand_lines_with_faults_and_nothing_lost_doubled_or_kept():
    """Every tenth line is spoiled, cut or glued, and every 10,000 the gauge is unplugged in mid-line."""
    hearing, wanted, heard, odd = Hearing(FIXED), [], [], 0
    hearing.opened(0.0)
    begun = False
    for i in range(200_000):
        line = line_of("+", i) + b"\r\n"
        if i % 10_000 == 9_999:
            list(hearing.fed(line[:5], 10.0 + i))
            hearing.lost("unplugged")
            hearing.opened(10.0 + i)
            continue
        if i % 10 == 3:
            line = (line.replace(b".", b"\x07"), line[:6] + b"\r\n", line[:-2] + b"x\r\n")[i // 10 % 3]
        else:
            wanted.append(i / 100.0)
        for one in hearing.fed(line, 20.0 + i):
            odd += one.kind == "odd"
            if one.kind == "figure":
                heard.append(one.shown.value)
        if i == 50_000:
            tracemalloc.start()
            begun = tracemalloc.get_traced_memory()[0]
    grown = tracemalloc.get_traced_memory()[0] - begun
    tracemalloc.stop()
    assert heard == wanted
    assert odd == 20_000
    assert grown < 150_000 * 64, "only the figures that this test keeps"
