"""Cells that a spreadsheet would run instead of showing: told on the way in, made harmless on the way out."""

from __future__ import annotations

import re

_STARTS = ("=", "+", "-", "@", "\t", "\r", "\n")
_FIGURE = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?", re.ASCII)


def is_formula(cell: str) -> bool:
    """Tell whether a spreadsheet may run a cell; a plain figure with its sign it does not.

    >>> is_formula("=1+1"), is_formula("-.002"), is_formula("@cmd"), is_formula("1/8")
    (True, False, True, False)
    """
    return cell.lstrip(" ").startswith(_STARTS) and not _FIGURE.fullmatch(cell.strip(" "))


def defused(cell: str) -> str:
    """Give a cell that every spreadsheet shows as it stands: with an apostrophe before what it would run.

    >>> defused('=HYPERLINK("x")'), defused("-12.5")
    ('\\'=HYPERLINK("x")', '-12.5')
    """
    return f"'{cell}" if is_formula(cell) else cell
