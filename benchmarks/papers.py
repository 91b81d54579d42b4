"""The build sheet of 16 and of 48 valves as PDF: of an engine that was examined, as from the window, and from nothing."""

from __future__ import annotations

import time

from valves48 import engine_of_48

from honest_lift.demo.demonstrations import demonstration
from honest_lift.desk.application import application
from honest_lift.desk.paper import pdf_of_paper
from honest_lift.desk.theme import load_fonts
from honest_lift.facts.memory.remember import forget_all
from honest_lift.sheets.papers import build_sheet

app = application()
load_fonts()
for valves, book, most_ms in ((16, demonstration("eight"), 3000), (48, engine_of_48().book, 8000)):
    forget_all()
    for how, target in (("from_nothing", 0), ("examined", most_ms)):
        start = time.monotonic()
        data = pdf_of_paper(build_sheet(book))
        print(f"build_sheet_of_{valves}_valves,_{how}", 1000 * (time.monotonic() - start), target)
        assert data.startswith(b"%PDF")
