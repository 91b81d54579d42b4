"""Quantities of a running engine: what its springs still bear, read with the head on."""

from __future__ import annotations

from honest_lift.facts.quantity import Quantity, Way

ROWS: tuple[Quantity, ...] = (
    Quantity("seat_load_engine", "seat load on the engine", "Fe", "load", ("position",), (5.0, 20000.0), (100.0, 3000.0),
             (Way("lever", "lever tester, valve just moving", ("spring_tester",),
                 ("spring", "shims", "retainer", "locks", "valve", "seat", "locator", "pocket"),
                  howto="Valve on its base circle (Turn plan), rocker off or slack. Pull until the valve just moves, read, three "
                        "times. Always the same tool, the same way, the same hand: what counts is the change.",
                  short="lever tester"),),
             "What the spring bears shut, by a lever tester on the engine. It tells a change, and never stands in for a curve.",
             "Eye protection on; the tool square on the retainer, never over the face."),
)  # fmt: skip
