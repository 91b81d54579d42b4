"""What the second invented crew wrote down of its four on buckets. Every figure is made up; no part or engine like it exists."""

from __future__ import annotations

LAYOUT = "head: 1e 1i 2i 2e 3e 3i 4i 4e"
TEST_HEIGHTS = ("38", "36", "31", "27")  # mm on the tester for the intakes' springs
# over the retainer that is pressed with them: 2.6 mm more on the scale
TEST_HEIGHTS_EXHAUST = ("40.6", "38.6", "33.6", "29.6")

# spring, where it sits, loads in N at the heights above, bind in mm, free length in mm, what was seen of it
INTAKE_SPRINGS = (
    ("A1", "1i", "186 241 402 561", "24.8", "45.4", "reuse"),
    ("A2", "2i", "184 239 399 556", "24.9", "45.3", "reuse"),
    ("A3", "3i", "187 242 403 563", "24.8", "45.5", "suspect"),  # planted: a mark nobody has judged
    (
        "A4",
        "4i",
        "186 257 438 581",
        "24.8",
        "",
        "reuse",
    ),  # planted: its loads rise on a line, it is an exhaust's; no free length
)
EXHAUST_SPRINGS = (
    ("B1", "1e", "187 259 440 584", "25.0", "43.2", "reuse"),
    ("B2", "2e", "185 257 436 580", "25.1", "43.1", "reuse"),
    ("B3", "3e", "150 219 392 530", "25.0", "41.6", "reuse"),  # planted: it has set, and condemns its set
    ("B4", "4e", "186 258 438 582", "24.9", "43.2", "reuse"),
)
SEEN = {"A3": "a mark across the last coil", "B1": "light rust on the foot"}

# valve; number; guide clearance with a gauge zeroed on its stem at top, middle and bottom in mm; margin, head, ring's width;
# tip height; spring seat over specification; cutter's touch; out of line; lock standing out
VALVES = (
    ("1e", "8", ".054 .053 .056", "1.5", "33.0", "1.8", "42.10", "0.02", "12.42", "0.02", "0.20"),
    ("1i", "1", ".042 .041 .044", "1.3", "39.0", "1.5", "42.12", "0.01", "12.41", "0.01", "0.15"),
    ("2i", "3", ".041 .041 .043", "1.3", "39.0", "1.5", "42.11", "0.00", "12.40", "0.02", "0.18"),
    ("2e", "7", ".055 .054 .057", "1.5", "33.0", "1.8", "42.09", "0.02", "12.51", "0.02", "0.20"),  # planted: a burr
    (
        "3e",
        "6",
        ".056 .060 .118",
        "1.5",
        "33.0",
        "1.8",
        "42.11",
        "-0.01",
        "12.39",
        "0.02",
        "0.22",
    ),  # planted: worn below
    (
        "3i",
        "2",
        ".043 .042 .044",
        "1.3",
        "39.0",
        "1.6",
        "42.62",
        "0.01",
        "12.41",
        "0.01",
        "0.16",
    ),  # planted: seat cut deep
    (
        "4i",
        "4",
        ".042 .042 .043",
        "0.6",
        "38.6",
        "1.5",
        "42.10",
        "0.00",
        "12.40",
        "0.02",
        "0.17",
    ),  # planted: faced too often
    ("4e", "5", ".055 .055 .056", "1.5", "33.0", "1.8", "42.12", "0.01", "12.41", "0.02", "0.20"),
)

# valve; shim under the spring; height as read; gap from retainer to seal; lash cold; bucket shim in
SET_UP = (
    ("1e", "0.5", "36.05", "> 11.2", "0.26", "2.60"),
    ("1i", "0.5", "36.02", "> 11.2", "0.18", "2.55"),
    ("2i", "0.5", "35.98", "> 11.2", "0.19", "2.60"),
    ("2e", "0.5", "36.00", "> 11.2", "0.12", "2.70"),  # planted: its lash is gone
    ("3e", "0.5", "36.03", "> 11.2", "0.25", "2.65"),
    ("3i", "", "36.95", "> 11.2", "0.17", "2.45"),  # planted: read on the bare pad, and nobody wrote its shims down
    ("4i", "0.5", "35.97", "10.4 goes, 10.8 does not", "0.18", "2.60"),  # planted: the gauge proves too little
    ("4e", "0.5", "36.02", "> 11.2", "0.25", ""),
)

CHAMBERS = (
    ("1", "41.0 41.1"),
    ("2", "41.2 41.1"),
    ("3", "42.6 42.5"),
    ("4", "41.0 41.9"),
)  # planted: 3 is large, 4 disagrees
SOLD_AS = "40.5"
