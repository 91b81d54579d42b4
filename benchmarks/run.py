"""Prints every benchmark with its target: ./run-tests --bench. Ratios within one run, timed in turn."""

from __future__ import annotations

import os
import shutil
import statistics
import subprocess
import sys
import tempfile
import time
from pathlib import Path

HERE = Path(__file__).parent
RUNS = 9
UNITS = {"memory": "MB", "times_quicker": "times"}  # of what is not timed


def run(script: str, *more: str, cache: str = "") -> tuple[float, dict[str, list[float]]]:
    """Run a script in a process of its own; give when it was started and what it said. `cache`: its cache folder."""
    start = time.monotonic()
    own = {**os.environ, "XDG_CACHE_HOME": cache} if cache else None
    done = subprocess.run(
        [sys.executable, str(HERE / script), *more], capture_output=True, text=True, timeout=120, check=True, env=own
    )
    said = (line.split() for line in done.stdout.splitlines())
    return start, {words[0]: [float(one) for one in words[1:]] for words in said if words}


def line(what: str, figure: str, target: str, met: bool) -> None:
    """Print a figure with its target."""
    print(f"{what:<58} {figure:>14}   target {target:<12} {'met' if met else 'MISSED'}", flush=True)


STARTS = (  # what, its key, whether lobes are kept from an earlier run, target in bare windows
    ("first painted window", "painted", True, 3.0),
    ("every figure that needs no lobe, first start", "figures", False, 6.0),
    ("every figure, first start", "every", False, 10.0),
    ("every figure, later starts", "every", True, 7.0),
)


def start_up() -> None:
    """Time the bare window and the demonstration in turn, with lobes kept from an earlier run and without."""
    with tempfile.TemporaryDirectory() as folder:
        kept, fresh = Path(folder) / "kept", Path(folder) / "fresh"
        took: dict[object, list[float]] = {"bare": []}
        run("bare.py"), run("demo_start.py", cache=str(kept))  # warm the disk
        for _ in range(RUNS):
            start, said = run("bare.py")
            took["bare"].append(said["painted"][0] - start)
            for is_kept, cache in ((True, kept), (False, fresh)):
                start, said = run("demo_start.py", cache=str(cache))
                shutil.rmtree(fresh, ignore_errors=True)
                for name, (at, *_) in said.items():
                    took.setdefault((name, is_kept), []).append(at - start)
    base = statistics.median(took["bare"])
    print(f"bare Qt window, painted after {base * 1000:.0f} ms (median of {RUNS}, interleaved)")
    for what, name, is_kept, most in STARTS:
        median = statistics.median(took[name, is_kept])
        ratio = median / base
        line(f"demo, {what}: {median * 1000:.0f} ms", f"{ratio:.2f} times", f"{most:g} times", ratio <= most)


def main() -> None:
    """Print all figures."""
    start_up()
    _, said = run("typed_reading.py")
    median, late = (1000 * one for one in said["typed"])
    free = 1000 * said["free"][0]
    line("typed reading, entry free and next place shown", f"{free:.1f} ms", "16 ms", free < 16)
    line("typed reading to repainted screen, median", f"{median:.1f} ms", "30 ms", median < 30)
    line("the same, 95th percentile", f"{late:.1f} ms", "30 ms", late < 30)
    print(f"from Enter to the reading flushed to the disk: {1000 * said['flushed'][0]:.1f} ms (on a thread of its own)")
    for script, before in (
        ("valves48.py", "48 valves, "),
        ("lobes.py", ""),
        ("rocker.py", ""),
        ("turn.py", ""),
        ("ripple.py", ""),
        ("match.py", ""),
        ("shims.py", ""),
        ("motion.py", ""),
        ("gauge_lines.py", ""),
        ("papers.py", ""),
    ):
        _, said = run(script)
        for name, (took, *target) in said.items():
            what = f"{before}{name.replace('_', ' ')}"
            unit = next((unit for word, unit in UNITS.items() if word in name), "ms")
            if target and target[0]:
                line(what, f"{took:.1f} {unit}", f"{target[0]:g} {unit}", took <= target[0])
            else:
                print(f"{what}: {took:.1f} {unit}")
    _, said = run("pages.py")
    line("peak memory, demo open, every page visited", f"{said['peak'][0]:.0f} MB", "150 MB", said["peak"][0] < 150)


if __name__ == "__main__":
    main()
