"""The catalog of checks that hold a figure against a limit, by name, in the order a person looks for them."""

from __future__ import annotations

from honest_lift.checks.clearance.piston_valve import PISTON_VALVE, POCKET_WALL
from honest_lift.checks.clearance.retainer_seal import RETAINER_SEAL
from honest_lift.checks.clearance.squish import SQUISH
from honest_lift.checks.clearance.valve_pair import VALVE_VALVE
from honest_lift.checks.cylinder.chambers import CHAMBER_SPREAD, POURS
from honest_lift.checks.cylinder.compression import COMPRESSION, COMPRESSION_SPREAD, EFFECTIVE
from honest_lift.checks.cylinder.deck_finish import DECK_FINISH
from honest_lift.checks.finding import Check
from honest_lift.checks.head.guides import GUIDE_CLEARANCE
from honest_lift.checks.head.locks import LOCK_ANGLE, LOCK_ENGAGED, LOCK_OUT, LOCK_STEM, SPRING_ON_RETAINER
from honest_lift.checks.head.tips import TIP_HEIGHT, TIP_LEVEL
from honest_lift.checks.head.valve_heads import VALVE_MARGIN
from honest_lift.checks.rocker.geometry import HALF_LIFT, MARK_CENTRE, MARK_WIDTH, TRUE_RATIO, UNEVEN_TIP
from honest_lift.checks.rocker.seen import (
    LASH_SET,
    PLUNGER_LEFT,
    PRELOAD,
    PUSHROD_HEAD,
    RETAINER_ROCKER,
    SIDE_PLAY,
    SIDEWAYS,
    SLOT_STUD,
    WIPE_CENTRE,
    WIPE_ROOM,
)
from honest_lift.checks.spring.card import CARD_BIND, CARD_OPEN_LOAD, CARD_SEAT_LOAD
from honest_lift.checks.spring.card_lift import CARD_LIFT
from honest_lift.checks.spring.free_length import FREE_CARD, FREE_SET, SET_SHORTEST
from honest_lift.checks.spring.heights import COIL_BIND_CLEARANCE, INSTALLED_HEIGHT
from honest_lift.checks.spring.loads import OPEN_LOAD, SEAT_LOAD
from honest_lift.checks.spring.manual_load import MANUAL_LOAD
from honest_lift.checks.spring.seats import (
    CUTTER_TOUCH,
    SPRING_ON_FLOOR,
    SPRING_OVER_BOSS,
    SPRING_SEAT_LEVEL,
    SPRING_SEAT_RUNOUT,
)
from honest_lift.checks.spring.spring_set import SET_SHARE, SET_SPREAD, SET_WEAKEST
from honest_lift.checks.spring.stress import OPEN_STRESS
from honest_lift.checks.train.at_red_line import PISTON_AT_SPEED, SEATING_VELOCITY, SURGE_ORDER, TAKE_UP
from honest_lift.checks.train.float_margin import FLOAT_MARGIN
from honest_lift.checks.train.in_motion import BOUNCE_MARGIN, COILS_IN_MOTION, FLEXIBLE_FLOAT
from honest_lift.checks.train.lobe_contact import NOSE_LOAD, NOSE_PRESSURE

CHECKS: dict[str, Check] = {
    one.name: one
    for one in (
        INSTALLED_HEIGHT, COIL_BIND_CLEARANCE, RETAINER_SEAL, CARD_BIND, SET_SHORTEST, FREE_CARD, FREE_SET, CARD_LIFT,
        GUIDE_CLEARANCE, VALVE_MARGIN, TIP_LEVEL, TIP_HEIGHT, SPRING_SEAT_LEVEL, SPRING_SEAT_RUNOUT,
        SPRING_ON_FLOOR, SPRING_OVER_BOSS, SPRING_ON_RETAINER, LOCK_STEM, LOCK_OUT, RETAINER_ROCKER,
        MARK_CENTRE, MARK_WIDTH, PRELOAD, PLUNGER_LEFT, LASH_SET, PUSHROD_HEAD, SLOT_STUD, SIDEWAYS,
        SIDE_PLAY, WIPE_CENTRE, WIPE_ROOM, PISTON_VALVE, VALVE_VALVE, POCKET_WALL, SQUISH, SEAT_LOAD,
        OPEN_LOAD, CARD_SEAT_LOAD, CARD_OPEN_LOAD, MANUAL_LOAD, SET_SHARE, SET_WEAKEST, SET_SPREAD, LOCK_ENGAGED,
        LOCK_ANGLE, HALF_LIFT, UNEVEN_TIP, TRUE_RATIO, OPEN_STRESS, FLOAT_MARGIN, FLEXIBLE_FLOAT, BOUNCE_MARGIN, COILS_IN_MOTION,
        PISTON_AT_SPEED, SEATING_VELOCITY, TAKE_UP, SURGE_ORDER, NOSE_LOAD, NOSE_PRESSURE,
        POURS, CHAMBER_SPREAD, COMPRESSION, COMPRESSION_SPREAD, EFFECTIVE, DECK_FINISH, CUTTER_TOUCH,
    )
}  # fmt: skip
