"""What the invented crew wrote down. Every figure here is made up; no part or engine like it exists."""

from __future__ import annotations

from honest_lift.facts.place import ENGINE, at_role

SHIM_STOCK = ((".015", 40), (".020", 20), (".030", 24), (".060", 12))  # thickness, how many

# spring, loads in lbf at the test heights of its set, bind of outer and inner in inches ("" = not measured)
TEST_HEIGHTS = ("1.900", "1.800", "1.500", "1.200")
USED_SPRINGS = (
    ("1", "155 209 376 535", "1.145", "1.034"),
    ("2", "154 211 375 535", "1.149", "1.023"),
    ("3", "153 210 371 536", "1.145", "1.034"),
    ("4", "157 209 370 535", "1.151", "1.033"),
    ("5", "156 210 377 540", "1.147", "1.031"),
    ("6", "150 205 372 537", "1.150", "1.040"),
    ("7", "156 210 375 530", "1.160", "1.033"),
    ("8", "145 200 367 534", "1.150", "1.036"),
    ("9", "155 210 375 535", "1.153", "1.036"),
    ("10", "155 208 373 537", "1.157", "1.034"),
    ("11", "125 176 335 490", "1.150", "1.039"),  # planted: collapsed
    ("12", "153 209 376 540", "1.153", "1.025"),
    ("13", "153 209 369 538", "1.153", "1.028"),
    ("14", "152 210 374", "1.153", "1.109"),  # planted: its inner binds early, and it never reached 1.200
    ("15", "157 211 375 530", "1.151", "1.035"),
    ("16", "", "", ""),  # planted: nobody measured it
)
NEW_SPRINGS = (
    ("N1", "159 215 385 544", "1.149", "1.027"),
    ("N2", "166 220 390 551", "1.150", "1.033"),
    ("N3", "164 218 386 550", "1.145", "1.042"),
    ("N4", "160 215 379 548", "1.148", "1.032"),
    ("N5", "159 215 383 557", "1.155", "1.032"),
    ("N6", "160 218 379 552", "1.145", "1.034"),
    ("N7", "160 215 383 546", "1.144", "1.031"),
    ("N8", "160 218 380 550", "1.157", "1.030"),
    ("N9", "164 218 378 544", "1.153", "1.038"),
    ("N10", "160 214 378 548", "1.147", "1.036"),
    ("N11", "162 216 384 550", "1.151", "1.039"),
    ("N12", "159 220 387 550", "1.145", "1.030"),
    ("N13", "163 221 385 553", "1.153", "1.041"),
    ("N14", "162 215 380 545", "1.161", "1.039"),
    ("N15", "160 214 387 548", "1.147", "1.027"),
    ("N16", "160 215 383 546", "1.151", "1.030"),
)

# retainer to seal, valve closed, in head order
SEAL_GAPS = (
    "16.65", "16.70", "16.62", "16.68", "16.71", "16.60", "16.66", "16.73",
    "16.64", "16.69", "16.72", "16.61", "16.67", "16.63", "16.70", "16.66",
)  # fmt: skip

# position, shims in thousandths from the pad up, way, tool, what was written down
HEIGHTS = (
    ("1e", "15", "height_micrometer", "gauge", "1.803"),
    ("1i", "15", "height_micrometer", "gauge", "1.801"),
    ("3i", "15", "height_micrometer", "gauge", "1.805"),
    ("3e", "15", "height_micrometer", "gauge", "1.798"),
    ("5e", "15", "height_micrometer", "gauge", "1.802"),
    ("5i", "15 60", "height_micrometer", "gauge", "1.739"),  # planted: a spacer left in the pocket
    ("7i", "15", "height_micrometer", "gauge", "1.800"),
    ("7e", "15", "height_micrometer", "gauge", "1.804"),
    ("2e", "15", "rule", "rule", "1 51/64"),
    ("2i", "15", "height_micrometer_bare", "gauge", "1.877"),
    ("4i", "15", "height_micrometer_bare", "gauge", "1.874"),
    ("4e", "15", "height_micrometer_bare", "gauge", "1.880"),
    ("6e", "15", "height_micrometer_bare", "gauge", "1.875"),
    ("6i", "15", "height_micrometer_bare", "gauge", "1.878"),
    ("8i", "15", "caliper", "caliper", "49.05 mm"),
    ("8e", "15", "", "", ""),  # planted: nobody measured it
)

# free length of the outer in thousandths of an inch, in the order of the springs; nobody measured 16
USED_FREE = (
    2187, 2184, 2189, 2190, 2186, 2182, 2188, 2181, 2187, 2186, 2128, 2185, 2184, 2183, 2189,
)  # fmt: skip
NEW_FREE = (
    2195, 2205, 2201, 2196, 2194, 2198, 2197, 2199, 2202, 2196, 2198, 2200, 2201, 2197, 2196, 2195,
)  # fmt: skip

ROCKER = (  # quantity, text, unit, tolerance inside
    ("pivot_out", "1.490", "in", 0.1), ("valve_arm", "1.500", "in", 0.05), ("pushrod_arm", ".926", "in", 0.05),
    ("arm_angle", "165", "deg", 0.3), ("tip_radius", ".220", "in", 0.02), ("lifter_across", "4.430", "in", 0.2),
    ("lifter_below", "7.380", "in", 0.2), ("lifter_lean", "22", "deg", 0.5), ("pushrod_length", "7.600", "in", 0.05),
    ("stud_lean", "0", "deg", 1.0), ("valve_lean", "15", "deg", 0.5), ("nut_pitch", ".0417", "in", 0.0),
)  # fmt: skip

# valve drop at true TDC in head order, mm; planted: the piston of 7 was fitted turned about, its pockets are shallow
VALVE_DROPS = (
    "8.02", "8.46", "8.51", "8.05", "7.98", "8.44", "6.72", "6.31",
    "8.04", "8.49", "8.47", "8.01", "8.06", "8.43", "8.50", "7.99",
)  # fmt: skip

# cylinder: chamber as poured twice, end of the burette from 0, cc; piston below the deck at thrust and other side, thousandths of
# an inch. Planted: 4 weeps and so took more; the piston of 5 stands proud
CHAMBERS = (
    ("1", "62.0 62.2", "5 -2"), ("3", "62.4 62.2", "4 -1"), ("5", "62.2 62.0", "-4 -9"), ("7", "61.8 62.0", "5 -2"),
    ("2", "62.2 62.2", "6 -2"), ("4", "64.4 64.8", "4 0"), ("6", "62.0 61.8", "5 -3"), ("8", "62.4 62.2", "5 -1"),
)  # fmt: skip

MOVING = (  # what the springs turn round, and what a retainer has to fit: quantity, place, text, unit, tolerance inside
    ("valve_mass", at_role("intake"), "112", "g", 0.001), ("valve_mass", at_role("exhaust"), "98", "g", 0.001),
    ("retainer_mass", ENGINE, "29", "g", 0.0005), ("rocker_at_valve", ENGINE, "36", "g", 0.004),
    ("pushrod_mass", ENGINE, "58", "g", 0.001),
    ("lifter_mass", ENGINE, "96", "g", 0.001), ("train_stiffness", ENGINE, "9000", "N/mm", 900.0),
    ("stem_at_lock", ENGINE, "8.68", "mm", 0.01),
    ("retainer_under", ENGINE, "5.0", "mm", 0.05),
    ("floor_diameter", ENGINE, "1.635", "in", 0.1), ("pilot_diameter", ENGINE, ".580", "in", 0.1),
)  # fmt: skip
PISTON = (  # quantity, text, unit, tolerance inside
    ("bore", "4.091", "in", 0.02), ("gasket_bore", "4.160", "in", 0.1), ("piston_volume", "3.5", "cc", 0.2),
    ("chamber_area", "7.9", "in²", 100.0), ("top_land", ".250", "in", 0.1), ("land_clearance", ".030", "in", 0.05),
)  # fmt: skip
