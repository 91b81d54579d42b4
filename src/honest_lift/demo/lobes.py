"""Two lobes of cylinder 3 as the invented crew walked them: thousandths of an inch every five degrees of the wheel.

Planted for the program to find: in the intake's table 285 was written down as 258.
"""

from __future__ import annotations

from honest_lift.facts.engine import Engine
from honest_lift.facts.place import at_position
from honest_lift.facts.staleness import depends_on
from honest_lift.facts.wheel_table import WheelTable
from honest_lift.numbers.units import to_inside

_STEP_DEG = 5.0
_STOPS_DEG = (-28.0, 31.0)
_WALKED = {
    "3i": (-90.0, """
        0 0 0 0 0 0 1 2 4 6 8 11 16 24 35 50 69 88 107 126 145 163 180 197 212 229 244 258 271 258 296 307 316 325 332 339
        345 348 351 353 353 352 350 346 342 336 329 321 312 303 291 278 266 251 237 221 206 189 173 155 137 119 100 80 61
        43 29 19 13 10 8 6 4 2 1 0 0 0 0 0 0"""),
    "3e": (-310.0, """
        0 0 0 0 0 1 2 4 6 8 11 16 23 33 46 62 80 99 117 137 153 172 189 204 221 235 248 262 274 285 296 306 315 323 329 335
        339 343 345 347 347 346 344 341 336 331 325 318 309 300 289 279 266 254 240 225 210 194 178 160 139 125 105 86 68
        52 38 26 18 13 10 8 6 4 3 2 1 0 0 0 0"""),
}  # fmt: skip


def walked_lobes(engine: Engine, when: str) -> tuple[WheelTable, ...]:
    """Give the tables of both lobes."""
    tables = []
    for position, (start, thousandths) in _WALKED.items():
        lifts = tuple(to_inside(float(one), "length", "thou") for one in thousandths.split())
        place = at_position(position)
        tables.append(WheelTable(
            f"lobe-{position}", when, "Rowan", place, "lifter", tuple(start + _STEP_DEG * i for i in range(len(lifts))), lifts,
            "indicator", "wheel", _STOPS_DEG, "in", depends_on=depends_on(engine, "lobe_lift", "indicator", place),
        ))  # fmt: skip
    return tuple(tables)
