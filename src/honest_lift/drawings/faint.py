"""A drawing of what nobody has measured: the same part in a plausible shape, thin, and without a figure."""

from __future__ import annotations

from collections.abc import Iterable

from msgspec.structs import replace

from honest_lift.drawings.scene import Scene, Stroke, Words


def faintly(strokes: Iterable[Stroke]) -> list[Stroke]:
    """Give strokes thin and without their words: a shape carries no figure where nothing was measured."""
    return [replace(one, ink="faint") for one in strokes if not isinstance(one, Words)]


def not_known(scene: Scene, words: str) -> Scene:
    """Give a scene as a plausible shape, and in words below it what is missing."""
    lines = words.split(": ", 1)
    x, low = (scene.left + scene.right) / 2, scene.bottom
    step = 0.13 * (scene.top - low)
    told = [Words(x, low - step * (i + 0.6), line) for i, line in enumerate(lines)]
    return replace(scene, strokes=(*faintly(scene.strokes), *told), bottom=low - step * (len(lines) + 0.2))
