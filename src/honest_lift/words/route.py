"""What holds an item of the route up, in a few words."""

from __future__ import annotations

from honest_lift.checks.route import OnRoute

UNSEEN = "Nothing of it is measured yet: begin with it, or leave it out of this engine's route."


def held_words(one: OnRoute) -> str:
    """Say what holds an item up; "" where nothing does."""
    held = "1 finding" if len(one.held_by) == 1 else f"{len(one.held_by)} findings" if one.held_by else ""
    return ", ".join(
        part for part in (held, "mock-up" if one.left_in else "", "not measured" if one.unseen else "") if part
    )
