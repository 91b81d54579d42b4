"""The package: its version stands in one place, it is typed, it runs as a module, and its licences are named and there."""

import subprocess
import sys
import tomllib
from pathlib import Path

from honest_lift import __version__

ROOT = Path(__file__).parents[2]
PROJECT = tomllib.loads((ROOT / "pyproject.toml").read_text())


def test_it_runs_as_a_module_and_says_its_version():
    done = subprocess.run(
        [sys.executable, "-m", "honest_lift", "--version"], capture_output=True, text=True, timeout=60
    )
    assert done.stdout.strip() == f"Honest Lift {__version__}"
    assert PROJECT["project"]["dynamic"] == ["version"]


def test_its_licences_are_named_and_there():
    assert PROJECT["project"]["license"] == "GPL-3.0-or-later AND OFL-1.1"
    for one in PROJECT["project"]["license-files"]:
        assert len((ROOT / one).read_text(encoding="utf-8")) > 1000
    assert (ROOT / "src" / "honest_lift" / "py.typed").exists()


def test_every_dependency_has_the_version_it_was_tested_with():
    wanted = [*PROJECT["project"]["dependencies"], *PROJECT["project"]["optional-dependencies"]["test"]]
    named = {one.split(">=")[0].split("[")[0].lower().replace("_", "-") for one in wanted}
    pinned = {
        line.split("==")[0].lower().replace("_", "-")
        for line in (ROOT / "constraints.txt").read_text().splitlines()
        if "==" in line
    }
    assert named - pinned == set()
