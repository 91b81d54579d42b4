"""The program without a window, as a person calls it."""

import json
import os
import subprocess
import sys
from pathlib import Path

import jsonschema
import msgspec
import pytest

from engines import Bench, demo
from honest_lift import __version__
from honest_lift.cli import main
from honest_lift.facts.edits import Describe
from honest_lift.facts.file import encode_book, write_book
from honest_lift.facts.job import EVERY, Job
from honest_lift.numbers.doubt import Ground
from honest_lift.numbers.verdict import Verdict

ROOT = Path(__file__).parents[2]


def saved(tmp_path, book, name="engine.liftbook") -> str:
    path = tmp_path / name
    write_book(book, path)
    return str(path)


def failing() -> Bench:
    return Bench().complete().height("1e", 43.0)


def close() -> Bench:
    return Bench().complete().height("1e", 44.5)


def unproven() -> Bench:
    return Bench("head: 1e 1i 2i 2e 3e 3i").complete().shims("1e", 0.4)


@pytest.mark.parametrize(
    ("bench", "status", "last"),
    [
        (lambda: Bench().complete(), 0, "0 fail, 0 unproven, 0 close, 104 pass"),
        (close, 0, "0 fail, 0 unproven, 1 close, 103 pass"),
        (failing, 1, None),
        (unproven, 3, None),
    ],
)
def test_exit_status_of_check(tmp_path, capsys, bench, status, last):
    assert main(["check", saved(tmp_path, bench().book)]) == status
    lines = capsys.readouterr().out.splitlines()
    assert lines[0].startswith("bench: ")
    assert last is None or lines[-1] == last


def test_every_finding_has_its_line_and_reason(capsys):
    assert main(["check", "demo"]) == 1
    out = capsys.readouterr().out
    assert "fails     5 intake, installed height: 1.739 ±0.002 in; 1.780 to 1.820 in" in out
    assert "look for a spacer someone left in." in out
    assert "no published source); margin -0.041 in. 0.041 in below 1.780 to 1.820 in" in out
    assert "unproven  8 exhaust, coil-bind clearance: –; min 0.060 in" in out
    assert "Not fitted, and so without a say in the engine:" in out
    assert "passes    spring N1, card seat load" in out


@pytest.mark.parametrize("more", [[], ["--json"]])
def test_a_full_device_is_a_fault_of_the_machine_and_no_verdict(more):
    with Path("/dev/full").open("w") as full:
        done = subprocess.run(
            [sys.executable, "-m", "honest_lift.cli", "check", "demo", *more], stdout=full, stderr=subprocess.PIPE, text=True,
            timeout=120, check=False,
        )  # fmt: skip
    assert done.returncode == 2
    assert done.stderr.strip() == "honest-lift: not everything could be written: No space left on device."


def test_a_fault_of_the_program_is_never_taken_for_a_failing_engine(monkeypatch, capsys):
    monkeypatch.setattr("honest_lift.checks.examine.examine", lambda book: 1 / 0)
    assert main(["check", "demo"]) == 2
    assert capsys.readouterr().err.strip().endswith("a fault of the program, and says nothing of the engine.")


def test_the_schema_enumerates_what_the_program_knows():
    known = json.loads((ROOT / "docs" / "findings.schema.json").read_text(encoding="utf-8"))["$defs"]
    assert set(known["RestsOn"]["enum"]) == {one.name.lower() for one in Ground if one}
    assert set(known["VerdictWord"]["enum"]) == {one.word for one in Verdict}
    page = (ROOT / "docs" / "findings.md").read_text(encoding="utf-8")
    assert all(f"`{one}`" in page for one in known["RestsOn"]["enum"])


def test_the_json_follows_its_published_schema(capsys):
    assert main(["check", "demo", "--json"]) == 1
    report = json.loads(capsys.readouterr().out)
    jsonschema.validate(report, json.loads((ROOT / "docs" / "findings.schema.json").read_text(encoding="utf-8")))
    assert (report["schema"], report["version"], report["verdict"]) == ("honest-lift/findings", 1, "fails")
    spacer = next(f for f in report["findings"] if (f["place"], f["check"]) == ("5i", "installed_height"))
    assert spacer["figure"] == pytest.approx(1.739 * 25.4)
    assert spacer["limit"]["lowest"] == pytest.approx(1.780 * 25.4)
    assert spacer["margin"] == pytest.approx(-0.041 * 25.4)
    assert spacer["inputs"][0]["tool"] == "height micrometer no. 2"
    missing = next(f for f in report["findings"] if (f["place"], f["check"]) == ("8e", "seat_load"))
    assert (missing["figure"], missing["margin"], missing["verdict"]) == (None, None, "unproven")
    assert missing["rests_on"][0] == "missing" or "missing" in missing["rests_on"]
    spare = [f for f in report["findings"] if not f["fitted"]]
    assert {f["place"] for f in spare} == {f"N{i}" for i in range(1, 17)}
    assert sum(report["counts"].values()) == len(report["findings"]) - len(spare)


def test_a_file_that_can_not_be_read(tmp_path, capsys):
    path = tmp_path / "broken.liftbook"
    path.write_text('{"format": "honest-lift/liftbook",\n "version": 1,,}')
    assert main(["check", str(path)]) == 2
    said = capsys.readouterr().err
    assert "broken.liftbook, line 2, column 15" in said
    assert main(["check", str(tmp_path / "none.liftbook")]) == 2
    assert "No such file" in capsys.readouterr().err


def test_values_set_aside_are_named(tmp_path, capsys):
    path = saved(tmp_path, Bench().complete().height("1e", 45.125).book)
    Path(path).write_text(Path(path).read_text().replace('"value": 45.125', '"value": -3'))
    assert main(["check", path]) in (0, 1, 3)
    assert (
        "set aside: 1 exhaust, installed height: 45.125 (-3.0 inside): it lies outside 5 to 150"
        in capsys.readouterr().out
    )


def test_no_display_is_one_line_and_status_2(capsys, monkeypatch):
    for name in ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM"):
        monkeypatch.delenv(name, raising=False)
    assert main(["--demo"]) == 2
    said = capsys.readouterr().err
    assert said.count("\n") == 1
    assert "--platform offscreen" in said


@pytest.mark.parametrize(
    ("more", "display"),
    [(["--platform", "xcb"], ":97"), (["--platform", "typewriter"], ""), (["none.liftbook"], "offscreen")],
)
def test_what_can_not_be_opened_is_one_line_and_status_2(more, display, monkeypatch):
    monkeypatch.setenv("DISPLAY", display)
    if display == "offscreen":
        monkeypatch.setenv("QT_QPA_PLATFORM", display)
    command = [sys.executable, "-m", "honest_lift.cli", *more]
    done = subprocess.run(command, capture_output=True, text=True, timeout=60)
    assert done.returncode == 2
    assert done.stderr.startswith("honest-lift: ")
    assert done.stderr.count("\n") == 1


@pytest.mark.parametrize("call", [["--version"], ["--help"], ["check", "--help"], ["shots", "--help"]])
def test_help_and_version(call, capsys):
    with pytest.raises(SystemExit) as ended:
        main(call)
    assert ended.value.code == 0
    out = capsys.readouterr().out
    assert (__version__ if call == ["--version"] else "honest-lift") in out
    if call == ["--help"]:
        assert "honest-lift check demo --json" in out


def test_a_call_that_is_wrong(capsys):
    with pytest.raises(SystemExit) as ended:
        main(["check"])
    assert ended.value.code == 2
    assert "file" in capsys.readouterr().err


def test_a_reader_that_has_seen_enough_is_no_error():
    command = f"{sys.executable} -m honest_lift.cli check demo --json | head -2; exit ${{PIPESTATUS[0]}}"
    done = subprocess.run(["bash", "-c", command], capture_output=True, text=True, timeout=60)
    assert "Traceback" not in done.stderr
    assert done.returncode in (0, 1)


def test_the_launcher_starts_the_program():
    done = subprocess.run([str(ROOT / "honest-lift"), "--version"], capture_output=True, text=True, timeout=300)
    assert done.stdout.strip() == f"Honest Lift {__version__}"


def test_shots_draws_every_main_view(tmp_path):
    folder = tmp_path / "pictures"
    done = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "shots", str(folder)], capture_output=True, text=True, timeout=120
    )
    assert done.returncode == 0, done.stderr
    names = {path.name for path in folder.iterdir()}
    assert names == {path.name for path in (ROOT / "docs" / "screenshots").iterdir()}
    assert all(path.read_bytes().startswith(b"\x89PNG") for path in folder.iterdir())


def test_shots_into_a_file_is_explained(tmp_path):
    blocked = tmp_path / "file"
    blocked.write_text("")
    done = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "shots", str(blocked)], capture_output=True, text=True, timeout=60
    )
    assert done.returncode == 2
    assert "pictures can't be written" in done.stderr


def test_the_demonstration_is_always_the_same():
    assert demo().journal == demo().journal


def test_curves_are_printed_with_their_units_or_it_says_what_is_missing(capsys, tmp_path):
    assert main(["curves", "demo", "--valve", "3i"]) == 0
    told = capsys.readouterr().out.splitlines()
    assert told[0].startswith("crank angle (deg from overlap TDC),intake valve lift (in; measured),")
    assert len(told) == 722
    assert main(["curves", "demo"]) == 0
    assert "card, shape assumed" in capsys.readouterr().out.splitlines()[0]
    assert main(["curves", "demo", "--valve", "9x"]) == 2
    assert "is no valve of this engine" in capsys.readouterr().err
    path = tmp_path / "bare.liftbook"
    path.write_bytes(encode_book(Bench().book))
    assert main(["curves", str(path)]) == 3
    assert "state two durations or more" in capsys.readouterr().err
    assert main(["curves", str(tmp_path / "gone")]) == 2


STEERING = "\x1b[31mred \x9b2J \u202egnp.exe\x07"


def named_oddly(tmp_path) -> str:
    bench = Bench().complete().height("1e", 43.0)
    return saved(
        tmp_path, msgspec.structs.replace(bench.book, engine=msgspec.structs.replace(bench.engine, name=STEERING))
    )


@pytest.mark.parametrize("encoding", ["ascii", "latin-1", "utf-8"])
@pytest.mark.parametrize("more", [[], ["--json"]])
def test_check_prints_on_any_terminal_and_nothing_of_a_file_steers_it(tmp_path, encoding, more):
    done = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "check", named_oddly(tmp_path), *more],
        capture_output=True, env={**os.environ, "PYTHONIOENCODING": encoding}, timeout=60,
    )  # fmt: skip
    assert (done.returncode, done.stderr) == (1, b"")
    out = done.stdout.decode(encoding)
    assert not [one for one in out if one in "\x1b\x07\x9b\u202e"]
    if more:
        assert json.loads(out)["engine"] == STEERING
    else:
        assert out.startswith(r"\x1b[31mred \x9b2J \u202egnp.exe\x07: fails")
        assert ("±" if encoding != "ascii" else "+/-") in out


@pytest.mark.parametrize("kind", ["fifo", "device", "folder"])
def test_what_is_no_file_is_refused_at_once(tmp_path, kind):
    path = {"fifo": tmp_path / "pipe", "device": Path("/dev/zero"), "folder": tmp_path}[kind]
    if kind == "fifo":
        os.mkfifo(path)
    done = subprocess.run(
        [sys.executable, "-m", "honest_lift.cli", "check", str(path)], capture_output=True, text=True, timeout=20
    )
    assert done.returncode == 2
    assert ("it is a folder" if kind == "folder" else "it is a pipe or a device") in done.stderr


@pytest.mark.parametrize(
    ("line", "said"),
    [
        (["chek", "demo"], "2 files were given (chek, demo); one is opened at a time. Was the command “check” meant?"),
        (["chekc"], "chekc: there is no such file. Was the command “check” meant?"),
        (["a.liftbook", "b.liftbook"], "2 files were given (a.liftbook, b.liftbook); one is opened at a time."),
        (["--demo", "river.liftbook"], "both --demo and river.liftbook were given: one of them is opened."),
        (["check"], "the following arguments are required: file"),
        (["check", "demo", "--jsn"], "unrecognized arguments: --jsn"),
    ],
)
def test_a_line_that_is_no_call_says_what_would_be(capsys, line, said):
    with pytest.raises(SystemExit) as ended:
        main(line)
    assert ended.value.code == 2
    assert said in " ".join(capsys.readouterr().err.split())


def test_help_names_every_command(capsys):
    with pytest.raises(SystemExit) as ended:
        main(["--help"])
    out = capsys.readouterr().out
    assert ended.value.code == 0
    assert all(f"\n    {name} " in out for name in ("open", "check", "curves", "shots"))
    assert "honest-lift check river.liftbook" in out


def test_the_exit_status_follows_the_job_and_what_is_not_asked_is_said_once(tmp_path, capsys):
    made = Bench().complete()
    besides = ("set_share", "set_weakest", "set_spread", "spring_condition", "leak_test")
    made.do(Describe({"job": Job("check-up", less=besides)}, "job"))
    path = tmp_path / "engine.liftbook"
    write_book(made.book, path)
    assert main(["check", str(path)]) == 3, "lash was stated, and nobody has read it"
    said = capsys.readouterr().out
    assert "job: check-up, changed" in said
    assert said.count("not asked in this job") == 1
    assert "Guide clearance" in said
    made.do(Describe({"job": Job("own", more=("seat_load",), less=tuple(EVERY - {"seat_load"}))}, "job"))
    write_book(made.book, path)
    assert main(["check", str(path), "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    assert (told["job"]["preset"], {one["check"] for one in told["findings"]}) == ("own", {"seat_load"})
    assert "Coil-bind clearance" in told["job"]["not_asked"]


def test_the_bench_is_listed_and_a_case_that_is_none_is_said(tmp_path, capsys):
    assert main(["gauges", "--list"]) == 0
    assert capsys.readouterr().out.count("not yet") == 12
    assert main(["gauges", "99", "--platform", "offscreen"]) == 2
    assert "“99” is no case of the course, 1 to 12" in capsys.readouterr().err
    broken = tmp_path / "case.json"
    broken.write_text("{}")
    assert main(["gauges", str(broken), "--platform", "offscreen"]) == 2
    assert "no practice case" in capsys.readouterr().err
    results = tmp_path / "xdg_data_home" / "honest-lift" / "practice.json"
    results.parent.mkdir(parents=True)
    results.write_text("no")
    assert main(["gauges", "--list"]) == 2
    assert "It holds no results" in capsys.readouterr().err
