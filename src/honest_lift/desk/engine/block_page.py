"""The block: crank, bore, piston and gasket; what lies between the valves and the piston; and the masses that move."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from honest_lift.desk.engine.page import Page
from honest_lift.desk.engine.stated_table import StatedTable
from honest_lift.desk.following import follow
from honest_lift.desk.session import Session

_ROLES = ("intake", "exhaust")
_BLOCK = dict.fromkeys((
    "stroke", "rod_length", "pin_offset", "bore", "deck_clearance", "gasket_thickness", "gasket_bore", "gasket_volume",
    "chamber_as_sold",
    "piston_volume", "pocket_volume", "top_land", "land_clearance", "crevice_volume", "head_register", "chamber_area",
    "check_lift", "fill_time", "water_temperature", "chain_crank", "chain_cam", "chain_between",
), ("",))  # fmt: skip
_OVER = {
    **dict.fromkeys(("rod_stretch", "bearing_room", "heat_room"), ("",)),
    "valve_recess": _ROLES, "pocket_depth": _ROLES, "pocket_radius": _ROLES, "pocket_offset": _ROLES,
    "pocket_lean": ("", *_ROLES), "valve_lean": ("", *_ROLES),
    "heads_over": ("",), "heads_step": ("",), "lean_toward": _ROLES, "lean_across": ("", *_ROLES), "face_angle": ("", *_ROLES),
}  # fmt: skip
_MASSES = {
    "red_line": ("",), "valve_mass": _ROLES, "retainer_mass": ("", *_ROLES), "rocker_at_valve": ("", *_ROLES),
    "pushrod_mass": ("", *_ROLES), "lifter_mass": ("", *_ROLES), "port_pressure": ("", "intake"),
    "train_stiffness": ("", *_ROLES), "train_damping": ("",), "spring_damping": ("",), "lobe_width": ("", *_ROLES),
    "base_circle": ("", *_ROLES), "follower_radius": ("", *_ROLES),
}  # fmt: skip
_BLOCK_HINT = (
    "Crank, bore, piston and gasket. The rod is measured centre to centre; the pin's offset counts positive toward "
    "the side the crankpin moves to ATDC, and is none where nothing is stated. What differs from cylinder to cylinder is read "
    "under Chambers."
)
_OVER_HINT = (
    "What lies between piston and valve, which counts where no valve drop is measured at TDC; how two heads lie to each other; "
    "and what is allowed for at speed."
)


_MASSES_HINT = (
    "The red line, and the masses the spring must decelerate over the nose; a spring's own mass is on its card, or is weighed. "
    "Found from them: the float speed of a rigid train, which is more than any real one reaches. With the stiffness, that of a "
    "train that bends; with the lobe's width and radii, the pressure on its nose."
)


class BlockPage(Page):
    """One table of stated figures."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _BLOCK_HINT)
        _fill(self, _BLOCK, self.tr("Block"))


class OverPistonPage(Page):
    """One table of stated figures."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _OVER_HINT)
        _fill(self, _OVER, self.tr("Pockets and allowances"))


class MassesPage(Page):
    """One table of stated figures."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, _MASSES_HINT)
        _fill(self, _MASSES, self.tr("Masses"))


def _fill(page: Page, places: Mapping[str, Sequence[str]], title: str) -> None:
    stated = StatedTable(page.session, places, title, 330)
    page.facts = page.follow(stated.view, lambda row: None)
    page.column.addWidget(page.facts, 1)
    follow(page, (page.session.changed,), stated.refresh)
    stated.refresh()
