"""The shims in stock: what stacks can be made of."""

from __future__ import annotations

from typing import Literal

from msgspec import Struct

from honest_lift.facts.parts import MemberName

Fits = Literal["both", "outer", "inner"]


class ShimSize(Struct, frozen=True, forbid_unknown_fields=True):
    """A size of shim. `count`: how many there are, None where nobody counts them. `fits`: under which member it goes.

    `hardened`: it may lie on a bare aluminium pad.
    """

    id: str
    thickness_mm: float
    count: int | None = None
    fits: Fits = "both"
    hardened: bool = False

    def is_for(self, member: MemberName) -> bool:
        """Tell whether it goes under a member."""
        return self.fits in ("both", member)
