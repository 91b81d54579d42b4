"""The gear that an engine has, from the side: rocker and pushrod, or finger."""

from __future__ import annotations

from honest_lift.drawings.rocker.finger import finger_scene
from honest_lift.drawings.rocker.pushrod_rocker import side_scene
from honest_lift.drawings.scene import Scene
from honest_lift.estimates.rocker.gear import Rocker
from honest_lift.facts.engine import Book
from honest_lift.words.rocker.finger import finger_side
from honest_lift.words.rocker.gear import side_of_gear


def side_drawn(book: Book, rocker: Rocker, share: float) -> Scene:
    """Draw a gear at a share of its lift; in a plausible shape where its dimensions are not stated."""
    finger = finger_side(book, rocker, share)
    if finger is not None:
        return finger_scene(finger)
    return side_scene(side_of_gear(book, rocker, share), "its dimensions are not stated yet")
