"""Whatever befalls the program or its disk, nothing confirmed is lost. Short runs; the long ones: docs/validation.md."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

TOOLS = Path(__file__).parents[2] / "tools"


@pytest.mark.parametrize(
    ("tool", "size", "last"),
    [
        ("kill_loop.py", ["6", "1"], " 0 lost\n"),
        ("power_cut.py", ["1", "1"], " 0 lost\n"),
        ("disk_faults.py", ["8", "1"], "nothing lost, nothing slipped\n"),
        ("odd_files.py", ["24", "6", "1"], "nothing slipped\n"),
    ],
    ids=["killed", "power cut", "a disk that fails", "damaged files"],
)
def test_nothing_confirmed_is_lost_and_nothing_slips(tool, size, last, tmp_path):
    """By a seed of its own, so that a run says the same twice; the tools by themselves take a fresh one each time."""
    done = subprocess.run(
        [sys.executable, str(TOOLS / tool), *size],
        capture_output=True, text=True, timeout=240, cwd=tmp_path,
        env={**os.environ, "SLOWNESS": "8", "QT_QPA_PLATFORM": "offscreen"},
    )  # fmt: skip
    assert done.returncode == 0, done.stdout + done.stderr
    assert done.stdout.endswith(last)
