"""How each dimension is written, told where an entry was not understood."""

from __future__ import annotations

from honest_lift.numbers.units import LENGTH, TEMPERATURE, TURNS

EXAMPLES = {
    LENGTH: "Lengths are written 1.783, 1 25/32, 45.35 mm, 37 thou or 1.865-.085.",
    "load": "Loads are written 213, 213 lbf, 95 kg or 950 N.",
    "rate": "Rates are written 52.5 N/mm or 300 lb/in.",
    "volume": "Volumes are written 64.2, 64.2 ml or 4.0 ci.",
    "mass": "Masses are written 12.5 g, 0.44 oz or 0.0125 kg.",
    "angle": "Angles are written 108.5 or 108.5 deg.",
    "ratio": "Ratios are written 1.6 or 1.6:1.",
    "percent": "Percentages are written 10 or 10 %.",
    "pressure": "Pressures are written 1.2 bar, 18 psi or 120 kPa.",
    "time": "Times are written 90 s or 1.5 min.",
    TURNS: "Turns are written 3/4, 1 1/2 turn, 270 deg or 2 flats.",
    TEMPERATURE: "Temperatures are written 21 C or 70 F.",
    "speed": "Speeds are written 7200 or 7200 rpm.",
    "torque": "Torques are written 70 lb ft or 95 Nm.",
    "area": "Areas are written 7.9 in2, 51 cm2 or 5100 mm2.",
    "flow": "Flows are written 240 cfm, 113 l/s or 408 m3/h.",
    "roughness": "Finishes are written 50 µin, 50 uin or 1.2 um.",
    "velocity": "Velocities are written 0.45 m/s or 18 in/s.",
    "frequency": "Frequencies are written 480 or 480 Hz.",
    "stress": "Stresses are written 1100 MPa or 160 ksi.",
    "observed": "Observations are one of the words in the hint.",
}
