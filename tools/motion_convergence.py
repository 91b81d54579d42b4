"""Writes docs/motion-convergence.svg: how little the onset of float moves with speeds, step and segments of the simulation.

.venv/bin/python tools/motion_convergence.py
"""

from __future__ import annotations

import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
sys.path[:0] = [str(ROOT / "tests"), str(ROOT / "src")]

from honest_lift.mechanics.motion.sweep import Fineness, SpringFigures, TrainFigures, swept  # noqa: E402
from trains import CASES, Train, lobe  # noqa: E402

FINEST = Fineness(segments=13, speeds=97, share=0.3, settle_s=0.12)
ROWS = {
    "segments of a spring": [
        (n, Fineness(segments=n, speeds=97, share=0.5, settle_s=0.12)) for n in (3, 4, 5, 7, 9, 13)
    ],
    "share of the longest stable step": [
        (share, Fineness(segments=7, speeds=97, share=share, settle_s=0.12))
        for share in (0.95, 0.8, 0.7, 0.5, 0.35, 0.25)
    ],
    "speeds of the sweep": [(n, Fineness(segments=7, speeds=n)) for n in (13, 19, 25, 37, 61, 97)],
}
NAMES = ("pushrod, one mass", "finger", "bucket", "progressive")
INKS = ("#14344F", "#C23B1B", "#14776A", "#C98500")
WIDE, HIGH, ROOM, MOST = 300, 220, 46, 6.0


def figures(one: Train) -> TrainFigures:
    """Give a train as the sweep takes it."""
    lift, slope = lobe(one.lift_mm, one.open_deg)
    shorter, loads, bind = one.curve
    spring = SpringFigures(shorter, loads, bind, one.active_kg, one.spring_damping)
    return TrainFigures(
        (lift - one.lash_mm).tobytes(), slope.tobytes(), (spring,), one.valve_kg, one.train_n_mm, 9000.0
    )


def main() -> None:
    """Sweep, and draw what moved."""
    trains = [figures(CASES[name]) for name in NAMES]
    finest = [one.float_rpm for one in swept(trains, FINEST)]
    parts = []
    for column, (title, tried) in enumerate(ROWS.items()):
        found = [[own.float_rpm for own in swept(trains, fineness)] for _, fineness in tried]
        parts.append(panel(column, title, [value for value, _ in tried], found, finest))
        for (value, _), onsets in zip(tried, found, strict=True):
            off = ", ".join(
                f"{name} {(own / best - 1) * 100:+.2f} %" for name, own, best in zip(NAMES, onsets, finest, strict=True)
            )
            print(f"{title} {value}: {off}")
    whole = WIDE * len(ROWS) + ROOM
    head = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {whole} {HIGH + 96}" font-family="sans-serif" font-size="11">'
    legend = "".join(
        f'<text x="{ROOM + 150 * k}" y="{HIGH + 84}" fill="{ink}">{name}</text>'
        for k, (name, ink) in enumerate(zip(NAMES, INKS, strict=True))
    )
    told = '<text x="8" y="14" fill="#1C2227">onset of float against the finest sweep, percent; the band is one percent</text>'
    body = f'{head}<rect width="100%" height="100%" fill="#F6F3EC"/>{told}{"".join(parts)}{legend}</svg>\n'
    (ROOT / "docs" / "motion-convergence.svg").write_text(body, encoding="utf-8")


def panel(column: int, title: str, values: list[float], found: list[list[float]], finest: list[float]) -> str:
    """Draw one panel: what was tried from left to right, how far off each train's onset is."""
    left, top = ROOM + WIDE * column, 28

    def y(percent: float) -> float:
        return top + HIGH / 2 - max(min(percent, MOST), -MOST) / MOST * HIGH / 2

    xs = [left + 10 + k * (WIDE - 50) / (len(values) - 1) for k in range(len(values))]
    out = [f'<rect x="{left}" y="{y(1.0)}" width="{WIDE - 30}" height="{y(-1.0) - y(1.0)}" fill="#D8D2C4"/>']
    out += [
        f'<text x="{left - 6}" y="{y(p) + 4}" text-anchor="end" fill="#6C6A62">{p:+.0f}</text>' for p in (-5, -1, 1, 5)
    ]
    out += [
        f'<text x="{x}" y="{top + HIGH + 14}" text-anchor="middle" fill="#6C6A62">{v:g}</text>'
        for x, v in zip(xs, values, strict=True)
    ]
    out.append(f'<text x="{left}" y="{top + HIGH + 32}" fill="#1C2227">{title}</text>')
    for k, ink in enumerate(INKS):
        points = " ".join(f"{x:.1f},{y((own[k] / finest[k] - 1) * 100):.1f}" for x, own in zip(xs, found, strict=True))
        out.append(f'<polyline points="{points}" fill="none" stroke="{ink}" stroke-width="2"/>')
    return "".join(out)


if __name__ == "__main__":
    main()
