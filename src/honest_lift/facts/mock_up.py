"""What is fitted only to try: parts of the mock-up, which go out again before anything is signed off.

A reading that was taken with one in says so. Common practice, no source.
"""

from __future__ import annotations

MOCK_UP: dict[str, str] = {
    "checking springs": "weak springs that let a valve be pushed by hand",
    "solid lifter": "a lifter that cannot bleed down, in place of a hydraulic one",
    "checking pushrod": "one of adjustable length; under real springs it flexes and hides lift",
    "throw-away gasket": "one that is crushed to try, or none: its thickness is added",
    "dummy valve": "a valve in place of the real one",
}


def with_mock_up(fitted: tuple[str, ...], note: str) -> str:
    """Give the note of a reading with what of the mock-up was in.

    >>> with_mock_up(("checking springs",), "second try")
    'mock-up: checking springs; second try'
    """
    told = f"mock-up: {', '.join(fitted)}" if fitted else ""
    return "; ".join(part for part in (told, note) if part)
