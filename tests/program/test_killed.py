"""The real program, killed at random moments: no confirmed reading is lost. The long run: docs/validation.md."""

import subprocess
import sys
from pathlib import Path

LOOP = Path(__file__).parents[2] / "tools" / "kill_loop.py"


def test_nothing_confirmed_is_lost_when_the_program_is_killed():
    done = subprocess.run([sys.executable, str(LOOP), "4"], capture_output=True, text=True, timeout=120)
    assert done.returncode == 0, done.stdout + done.stderr
    assert done.stdout.endswith(" 0 lost\n")
