"""Cautions, each shown at the step where the danger is, and all of them on one page."""

from __future__ import annotations

CAUTIONS = (
    "A compressed valve spring can put an eye out: eye protection on, the tool square on the retainer, never over "
    "the face.",
    "An engine turned by hand crushes fingers: plugs out, loose clothing clear. Bumping it with the starter: ignition "
    "off, hands clear.",
    "Solvent, alcohol and fuel used for volume checks burn: ventilate, no flame.",
    "An engine that drops a valve at speed throws metal. A figure on a screen never replaces turning the engine over "
    "by hand twice and measuring.",
    "Makers' manuals, local rules, and licensed or qualified people go before anything this program says.",
)
