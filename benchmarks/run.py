"""Prints every benchmark with its target: ./run-tests --bench. Ratios within one run, timed in turn."""

from __future__ import annotations

import statistics
import subprocess
import sys
import time
from pathlib import Path

HERE = Path(__file__).parent
RUNS = 9
UNITS = {"memory": "MB", "times_quicker": "times"}  # of what is not timed


def run(script: str, *more: str) -> tuple[float, dict[str, list[float]]]:
    """Run a script in a process of its own; give when it was started and what it said."""
    start = time.monotonic()
    done = subprocess.run(
        [sys.executable, str(HERE / script), *more], capture_output=True, text=True, timeout=120, check=True
    )
    said = (line.split() for line in done.stdout.splitlines())
    return start, {words[0]: [float(one) for one in words[1:]] for words in said if words}


def line(what: str, figure: str, target: str, met: bool) -> None:
    """Print a figure with its target."""
    print(f"{what:<58} {figure:>14}   target {target:<12} {'met' if met else 'MISSED'}", flush=True)


def start_up() -> None:
    """Time the bare window and the demonstration in turn."""
    bare, painted, figures = [], [], []
    run("bare.py"), run("demo_start.py")  # warm the disk
    for _ in range(RUNS):
        start, said = run("bare.py")
        bare.append(said["painted"][0] - start)
        start, said = run("demo_start.py")
        painted.append(said["painted"][0] - start)
        figures.append(said["figures"][0] - start)
    base = statistics.median(bare)
    print(f"bare Qt window, painted after {base * 1000:.0f} ms (median of {RUNS}, interleaved)")
    for what, times, most in (("first painted window", painted, 3.0), ("every figure on it", figures, 6.0)):
        ratio = statistics.median(times) / base
        line(
            f"demo, {what}: {statistics.median(times) * 1000:.0f} ms",
            f"{ratio:.2f} times",
            f"{most:g} times",
            ratio <= most,
        )


def main() -> None:
    """Print all figures."""
    start_up()
    _, said = run("typed_reading.py")
    median, late = (1000 * one for one in said["typed"])
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
    line("peak memory, demo open, every page visited", f"{said['peak'][0]:.0f} MB", "180 MB", said["peak"][0] < 180)


if __name__ == "__main__":
    main()
