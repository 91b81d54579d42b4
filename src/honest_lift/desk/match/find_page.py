"""Find: the search over the shelf, its candidates, why a part is left out, accepting one, and its shopping list."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from msgspec.structs import replace
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QHBoxLayout, QLineEdit, QVBoxLayout, QWidget

from honest_lift.desk.engine.page import button, scrolled
from honest_lift.desk.grid_view import GridView
from honest_lift.desk.label import Label
from honest_lift.desk.match.candidates_grid import FILTERS, SORTS, CandidatesGrid
from honest_lift.desk.match.shelf_here import ShelfHere
from honest_lift.desk.session import Session
from honest_lift.desk.workers import Errand
from honest_lift.facts.edits import EditError
from honest_lift.numbers.mendable import MendableError
from honest_lift.numbers.units import in_words

if TYPE_CHECKING:
    from honest_lift.plans.match.accept import Chosen
    from honest_lift.plans.match.at_speed import InTrain
    from honest_lift.plans.match.match import Answer, Candidate, Match

_CUTS_IN = (0.0, 0.020, 0.040, 0.060)
_WIDTHS = {0: 60, 1: 60, 2: 58, 3: 62, 5: 38, 6: 70, 7: 60, 8: 60, 9: 56, 10: 66, 11: 36}


class FindPage(QWidget):
    """The search runs beside the window: what it has found so far is listed while it goes on."""

    compared = pyqtSignal(object)  # the candidate to set beside others

    def __init__(self, session: Session, here: ShelfHere) -> None:
        super().__init__()
        self.session, self.here = session, here
        self.match: Match | None = None
        self.answer: Answer | None = None
        self._for: object = None
        self._errand: Errand | None = None
        self._build()
        self._lay_out()
        self.shelves.activated.connect(self._choose_shelf)
        self.sort.activated.connect(self._sort)
        self.asked.returnPressed.connect(self.ask_why)
        here.changed.connect(self._shelf_changed)
        self.grid.chosen.connect(lambda *_: self._say())

    def _build(self) -> None:
        self.shelves, self.cuts, self.sort = QComboBox(), QComboBox(), QComboBox()
        self.shelves.setAccessibleName(self.tr("Shelf to search"))
        self.cuts.setAccessibleName(self.tr("How deep pockets may be cut"))
        self.sort.setAccessibleName(self.tr("Order of the candidates"))
        self.sort.addItems([self.tr(name) for name in SORTS])
        self.filters = {name: QCheckBox(self.tr(name)) for name in FILTERS}
        for box in self.filters.values():
            box.clicked.connect(self._filter)
        self.model, self.grid = CandidatesGrid(self.session), GridView()
        self.grid.setModel(self.model)
        self.grid.fix(_WIDTHS)
        self.grid.setAccessibleName(self.tr("Candidates"))
        self.asked = QLineEdit()
        self.asked.setPlaceholderText(self.tr("number: why not?"))
        self.asked.setAccessibleName(self.tr("Part to ask about"))
        self.told, self.why = Label(), Label()
        for label in (self.told, self.why):
            label.setWordWrap(True)
        self.told.setAccessibleName(self.tr("What the search comes to"))
        self.why.setAccessibleName(self.tr("Why a part is not used"))

    def _lay_out(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        above, beside, below = QHBoxLayout(), QHBoxLayout(), QHBoxLayout()
        above.addWidget(self.shelves)
        above.addWidget(self.cuts)
        above.addWidget(button(self.tr("Search"), self.find))
        above.addWidget(self.sort)
        above.addStretch(1)
        for box in self.filters.values():
            beside.addWidget(box)
        beside.addStretch(1)
        for words, does in (
            (self.tr("Set beside others"), self.compare), (self.tr("Apply to engine"), self.take),
            (self.tr("Save its list…"), self.save_list), (self.tr("Print it…"), self.print_list),
        ):  # fmt: skip
            below.addWidget(button(words, does))
        below.addWidget(self.asked, 1)
        column.addLayout(above)
        column.addLayout(beside)
        column.addWidget(self.grid, 6)
        column.addLayout(below)
        column.addWidget(self.why)
        column.addWidget(scrolled(self.told), 2)

    def dress(self, theme, zoom: float) -> None:
        """Take a theme and a zoom."""
        self.grid.dress(theme, zoom)

    # --- following ---

    def refresh(self) -> None:
        """Follow the session: candidates of another state are no longer listed."""
        self._fill_shelves()
        unit = self.session.unit("length")
        words = [
            self.tr("cut pockets up to {0}").format(in_words(one * 25.4, "length", unit))
            if one
            else self.tr("cut no pocket")
            for one in _CUTS_IN
        ]
        if [self.cuts.itemText(i) for i in range(self.cuts.count())] != words:
            before = max(self.cuts.currentIndex(), 0)
            self.cuts.clear()
            self.cuts.addItems(words)
            self.cuts.setCurrentIndex(before)
        if self.match is not None and self._for is not self.session.book:
            self._forget(self.tr("Something has changed since. Search again."))
        elif self.match is None and not self.told.text():
            self.told.setText(self.here.trouble or self.tr(
                "Looks through every spring, retainer and pair of locks on the shelf, with every stack of shims, for what lies "
                "between all limits at every pocket as measured. Cards prove nothing; what is found counts once it is measured."
            ))  # fmt: skip

    def _fill_shelves(self) -> None:
        names = self.here.shelf.names()
        words = [self.tr("all shelves"), *(name for name, _ in names)]
        if [self.shelves.itemText(i) for i in range(self.shelves.count())] != words:
            self.shelves.clear()
            self.shelves.addItems(words)
            self.shelves.setCurrentIndex(max(self.shelves.findText(self.here.chosen), 0))

    def _shelf_changed(self) -> None:
        self._fill_shelves()
        if self.match is not None:
            self._forget(self.tr("The shelf has changed since. Search again."))

    def _choose_shelf(self) -> None:
        self.here.chosen = self.shelves.currentText() if self.shelves.currentIndex() > 0 else ""
        self._forget(self.tr("Another shelf was opened. Search again."))

    def _forget(self, words: str) -> None:
        self.match, self.answer = None, None
        self.model.show(())
        self.told.setText(words)
        self.why.clear()

    def _sort(self) -> None:
        self.model.order = list(SORTS)[self.sort.currentIndex()]
        self.model.refresh()

    def _filter(self) -> None:
        self.model.filters = frozenset(name for name, box in self.filters.items() if box.isChecked())
        self.model.refresh()

    # --- finding ---

    def laid_out(self) -> Match | None:
        """Lay the question out for the engine as it stands; what is missing is said."""
        from honest_lift.plans.match.match import Match

        try:
            return Match(self.session.book, self.here.read(), _CUTS_IN[max(self.cuts.currentIndex(), 0)] * 25.4)
        except MendableError as error:
            self._forget(f"Not known yet: {error}.")
            return None

    @property
    def is_searching(self) -> bool:
        """Tell whether a search goes on."""
        return self._errand is not None and not self._errand.is_over

    def find(self) -> None:
        """Search, beside the window; what is found is listed as it comes."""
        match = self.laid_out()
        if match is None:
            return
        if self._errand is not None:
            self.session.searches.cancel(self._errand)  # of another question
        self.match, self._for = match, self.session.book
        self.told.setText(self.tr("looking…"))
        errand = self.session.searches.start(
            "search_match", *match.question(), told=lambda found: self._show(match, match.answer(found))
        )
        self._errand = errand
        errand.ended.connect(lambda: self._searched(match, errand))

    def _searched(self, match: Match, errand: Errand) -> None:
        """Have the best of what was found moved, beside the window as well."""
        if errand.error:
            self._forget(self.tr("It was not searched: {0}.").format(errand.error))
        elif match is self.match and self.answer is not None and self.answer.is_complete:
            self._move(match)

    def _move(self, match: Match) -> None:
        moving, sweeps = self._in_train(match), dict[Any, Any]()
        if moving.asked:
            self._errand = self.session.searches.start(
                "solve", moving.asked, told=lambda pair: sweeps.update({pair[0].key: pair[1]}),
                done=lambda _: self._take_speeds(match, moving, sweeps),
            )  # fmt: skip

    def _in_train(self, match: Match) -> InTrain:
        from honest_lift.plans.match.at_speed import in_train

        seen = self.session.examination
        return in_train(match, seen.moved if seen is not None else None, self.answer.listed if self.answer else ())

    def _take_speeds(self, match: Match, moving: InTrain, sweeps: dict[Any, Any]) -> None:
        """List what was moved with its speed; the candidate that was chosen stays so."""
        if match is not self.match or self.answer is None:
            return
        chosen = self.current
        listed = moving.with_speeds(sweeps, self.answer.listed)
        self.answer = replace(self.answer, listed=listed)
        self.model.show(listed)
        again = [row for row, one in enumerate(self.model.shown) if chosen is not None and one.parts == chosen.parts]
        if again:
            self.grid.selectRow(again[0])

    def find_and_wait(self) -> None:
        """Search while the caller waits, and list what is found (pictures)."""
        from honest_lift.estimates.solved import answers_to

        if match := self.laid_out():
            self.match, self._for = match, self.session.book
            for answer in match.search():
                self._show(match, answer)
            moving = self._in_train(match)
            sweeps = zip((one.key for one in moving.asked), answers_to(moving.asked), strict=True)
            self._take_speeds(match, moving, dict(sweeps))

    def _show(self, match: Match, answer: Answer) -> None:
        if match is not self.match:
            return
        self.answer = answer
        self.model.show(answer.listed)
        self._say()
        if answer.is_complete and answer.listed and not self.grid.currentIndex().isValid():
            self.grid.selectRow(0)

    def _say(self) -> None:
        """Say what is found, and the shim plan of the candidate that is chosen."""
        from honest_lift.words.spring.match import answer_words, endurance_words, plan_words

        if self.match is None or self.answer is None:
            return
        chosen: tuple[str, ...] = ()
        if (one := self.current) is not None:
            engine, parts = self.session.engine, self.parts(one)
            tires = endurance_words(engine, self.match, one, parts) if parts else ()
            chosen = (*tires, plan_words(engine, self.match, one))
        notes = (f"{note[:1].upper()}{note[1:]}." for note in self.match.notes)
        self.told.setText("\n".join((answer_words(self.match, self.answer), *notes, *chosen)))

    @property
    def current(self) -> Candidate | None:
        """Give the candidate that is chosen."""
        row = self.grid.currentIndex().row()
        return self.model.shown[row] if 0 <= row < len(self.model.shown) else None

    def _chosen(self) -> tuple[Match, Candidate, Chosen] | None:
        """Give the chosen candidate with its parts; what is missing is said."""
        one = self.current
        parts = self.parts(one) if one else None
        if one is None or parts is None or self.match is None:
            self.session.told.emit(self.tr("Find what suits, and choose a candidate first."))
            return None
        return self.match, one, parts

    def parts(self, one: Candidate) -> Chosen | None:
        """Give the parts of a candidate off the shelf; None where one was taken away since."""
        from honest_lift.plans.match.accept import Chosen
        from honest_lift.shelf.kinds import PARTS

        found = [self.here.part(PARTS[kind], key) for kind, key in
                 (("springs", one.spring), ("retainers", one.retainer), ("locks", one.locks))]  # fmt: skip
        return Chosen(*found) if all(found) else None

    # --- what is done with one ---

    def compare(self) -> None:
        """Set the chosen candidate beside others."""
        if self._chosen() and self.current:
            self.compared.emit(self.current)

    def take(self) -> None:
        """Fit the chosen candidate, as one edit."""
        from honest_lift.plans.match.accept import accept

        if not (chosen := self._chosen()):
            return
        match, one, parts = chosen
        try:
            done = self.session.do(accept(self.session.engine, match, one, parts))
        except EditError as error:
            self.session.warned.emit(str(error))
            return
        if done:
            self.session.told.emit(
                self.tr("Accepted: nothing of it is proven before it is measured. F2 starts with that.")
            )

    def list_words(self) -> str:
        """Give the shopping and machining list of the chosen candidate."""
        from honest_lift.words.spring.match import list_text

        chosen = self._chosen()
        return list_text(self.session.engine, *chosen) if chosen else ""

    def print_list(self) -> None:
        """Print the list."""
        from honest_lift.desk.printing import print_text

        if words := self.list_words():
            print_text(self, words, self.tr("Shopping and machining"))

    def save_list(self) -> None:
        """Write the list as text, or as a PDF."""
        from honest_lift.desk.printing import save_text

        if words := self.list_words():
            save_text(self, self.session, words, self.tr("Shopping and machining"))

    def ask_why(self) -> None:
        """Say why the typed part is left out."""
        from honest_lift.plans.match.left_out import why
        from honest_lift.words.spring.match import reason_words

        wanted = self.asked.text().strip()
        match = self.match or self.laid_out()
        if not wanted or match is None:
            return
        found = [
            (kind, key) for kind, keys in match.found.keys.items() for key in keys if key[1].lower() == wanted.lower()
        ]
        lines = [f"{key[1]}: {reason_words(self.session.engine, why(match, kind, key))}." for kind, key in found]
        none = self.tr("No spring, retainer or pair of locks “{0}” lies on this shelf.").format(wanted[:40])
        self.why.setText("\n".join(lines) or none)
