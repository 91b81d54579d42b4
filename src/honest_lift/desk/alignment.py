"""Where words stand in their box, as the plain numbers Qt takes: joining its flags costs more than drawing the words.

Source: Qt 6 documentation, Qt::AlignmentFlag.
"""

from __future__ import annotations

LEFT, RIGHT, MIDDLE, VCENTER = 0x0001, 0x0002, 0x0004, 0x0080
CENTER = MIDDLE | VCENTER
