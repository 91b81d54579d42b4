"""What the invented crew found on the bare heads, the day before. Every figure here is made up.

Planted: 7 intake stands high (its seat was cut deep), the spring seat of 2 exhaust stands 0.22 mm proud, and 4 exhaust weeps.
"""

from __future__ import annotations

from collections.abc import Iterator

from honest_lift.facts.place import Place, at_position
from honest_lift.facts.quantities.bare_head import DEPTHS

# position; stem top, middle, bottom and bore top, middle, bottom in ten-thousandths of an inch over 0.3400; tip height,
# valve margin and head diameter in inches; spring seat over specification and seat to guide in hundredths of a millimetre;
# lock standing out and retainer to rocker in thousandths of an inch
_VALVES = (
    ("1e", "11 11 10", "33 33 35", "2.098", ".060", "1.598", "1 2", "6 85"),
    ("1i", "15 15 15", "33 33 34", "2.099", ".055", "2.020", "2 1", "4 82"),
    ("3i", "15 14 15", "33 32 34", "2.097", ".056", "2.019", "-1 2", "5 84"),
    ("3e", "10 11 10", "34 33 35", "2.099", ".061", "1.599", "0 1", "7 88"),
    ("5e", "11 11 11", "34 34 35", "2.098", ".059", "1.598", "2 2", "5 83"),
    ("5i", "15 15 14", "33 33 33", "2.098", ".054", "2.020", "1 1", "6 86"),
    ("7i", "15 15 15", "33 34 34", "2.122", ".055", "2.020", "1 2", "5 81"),
    ("7e", "10 10 11", "33 33 34", "2.097", ".060", "1.597", "-1 1", "4 87"),
    ("2e", "11 10 11", "34 33 34", "2.099", ".060", "1.598", "22 2", "6 84"),
    ("2i", "15 15 15", "33 33 34", "2.098", ".056", "2.021", "1 1", "5 85"),
    ("4i", "14 15 15", "33 33 33", "2.097", ".055", "2.020", "2 2", "7 82"),
    ("4e", "11 11 10", "34 34 35", "2.098", ".061", "1.599", "0 1", "5 86"),
    ("6e", "10 11 11", "33 34 34", "2.099", ".060", "1.598", "1 2", "4 84"),
    ("6i", "15 14 15", "33 33 34", "2.098", ".054", "2.019", "2 1", "6 83"),
    ("8i", "15 15 15", "34 33 34", "2.097", ".056", "2.020", "-1 2", "5 85"),
    ("8e", "11 11 11", "34 34 35", "2.098", ".059", "1.597", "1 1", "7 86"),
)  # fmt: skip
_SEEN = {
    "seat_contact": ("blue", "even"), "leak_test": ("fluid", "dry"), "spring_standing": ("looked", "floor"),
    "retainer_level": ("straight_edge", "level"), "parts_condition": ("looked", "reuse"),
}  # fmt: skip

Written = tuple[str, Place, str, str, str]  # quantity, place, what was written, way, tool


def written_down() -> Iterator[Written]:
    """Give what was written down of the bare heads, a valve at a time."""
    for name, stems, bores, tip, margin, across, seat, locks in _VALVES:
        for depth, stem, bore in zip(DEPTHS, stems.split(), bores.split(), strict=True):
            place = at_position(name, depth)
            yield "stem_diameter", place, f".34{stem}", "micrometer", "micrometer"
            yield "guide_bore", place, f".34{bore}", "bore_gauge", "bore gauge"
        height, runout = seat.split()
        out, rocker = locks.split()
        place = at_position(name)
        yield "valve_margin", place, margin, "caliper", "caliper"
        yield "head_diameter", place, across, "caliper", "caliper"
        yield "stem_tip_height", place, tip, "stem_height_gauge", "stem gauge"
        yield "spring_seat_height", place, f"{int(height) / 100:.2f} mm", "indicator", "fine indicator"
        yield "spring_seat_runout", place, f"{int(runout) / 100:.2f} mm", "indicator", "fine indicator"
        yield "lock_out", place, f".00{out}", "depth_gauge", "depth gauge"
        yield "retainer_rocker", place, f".0{rocker}", "feeler", "feeler"
        for quantity, (way, word) in _SEEN.items():
            yield quantity, place, "weeping" if (name, quantity) == ("4e", "leak_test") else word, way, ""
