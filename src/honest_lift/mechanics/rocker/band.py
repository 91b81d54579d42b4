"""A band that a contact rubs: its two ends on a line, mm from the line's middle; figures or arrays of one shape.

Source: the definitions.
"""

from __future__ import annotations

from dataclasses import dataclass

from honest_lift.numbers.doubt import Array


@dataclass(frozen=True, slots=True)
class Band:
    """From `inner` to `outer`, the larger."""

    inner: Array
    outer: Array

    @property
    def width(self) -> Array:
        """Give its width."""
        return self.outer - self.inner

    @property
    def middle(self) -> Array:
        """Give its middle."""
        return (self.outer + self.inner) / 2.0
