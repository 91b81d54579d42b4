"""How fast keys come: a gauge that types like a keyboard types faster than any hand."""

from __future__ import annotations

_FAST_S = 0.035  # between two keys: a fast typist's are 0.08 s apart. From memory
LEAST = 3  # keys: fewer may fall together under one hand


class Pace:
    """Counts the last keys that came without a hand's pause between them."""

    def __init__(self) -> None:
        self._last_s, self._run = -1.0, 0

    def key(self, at_s: float) -> None:
        """Take a key that put a sign."""
        self._run = self._run + 1 if at_s - self._last_s <= _FAST_S else 1
        self._last_s = at_s

    def burst(self, at_s: float) -> int:
        """Give how many signs a gauge typed that ended its line now; 0 where a hand did.

        >>> pace = Pace()
        >>> for i in range(4): pace.key(1.0 + 0.01 * i)
        >>> pace.burst(1.04), pace.burst(1.2)
        (4, 0)
        """
        return self._run if self._run >= LEAST and at_s - self._last_s <= _FAST_S else 0

    def forget(self) -> None:
        """Begin anew: the entry was emptied, or a hand changed what stands there."""
        self._last_s, self._run = -1.0, 0
