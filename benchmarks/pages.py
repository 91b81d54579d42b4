"""Peak memory of the program with the demonstration engine open and every page visited."""

import resource

from honest_lift.demo.engine import demo_book
from honest_lift.desk.application import application
from honest_lift.desk.session import Session
from honest_lift.desk.steps.order import STEPS
from honest_lift.desk.theme import load_fonts
from honest_lift.desk.window import Window
from honest_lift.facts.edits import new_id

app = application()
load_fonts()
session = Session(demo_book(new_id()))
window = Window(session)
window.show()
app.processEvents()
for step in STEPS:
    session.open_step(step)
    app.processEvents()
    sheet = window.sheets[step]
    if step == "engine":
        for page in sheet.pages:
            sheet.open_page(page)
            app.processEvents()
    elif hasattr(sheet, "pages"):
        tabs = sheet.pages if step == "head" else sheet.tabs
        for index in range(tabs.count()):
            tabs.setCurrentIndex(index)
            app.processEvents()
for position in session.engine.layout.positions:
    session.go(position.id)
    app.processEvents()
print("peak", resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024, flush=True)
session.close()
