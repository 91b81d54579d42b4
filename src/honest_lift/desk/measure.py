"""What is done with readings and springs beyond typing: moving, noting, striking out, exchanging, fitting."""

from __future__ import annotations

from PyQt6.QtWidgets import QWidget

from honest_lift.desk import questions
from honest_lift.desk.reading_bar import ReadingBar
from honest_lift.desk.session import Session
from honest_lift.facts.edits import Fit, MoveReading, NoteReading, StrikeOut, fit_springs, fitment
from honest_lift.facts.fitments import CHANGEABLE, SCOPES, WHOLE
from honest_lift.facts.ledger import Standing
from honest_lift.facts.place import Place, at_position, of_spring, position_title


class Measure:
    """Answers the actions of the Measure menu for one window."""

    def __init__(self, window: QWidget, session: Session, bar: ReadingBar) -> None:
        self.window, self.session, self.bar, self.tr = window, session, bar, window.tr

    def readings_here(self) -> None:
        """Show every reading of the current quantity and place."""
        from honest_lift.desk.readings_here import ReadingsHere

        task, place = self.bar.task, self.bar.place
        if task and place:
            ReadingsHere(self.window, self, self.session, task.quantity, place, task.at).exec()

    def _reading(self, given: Standing | None) -> Standing | None:
        """Give a reading to act on: the one given, else the last that counts in the reading bar's place."""
        standing = given or next(iter(reversed(self.bar.standing())), None)
        if standing is None:
            self.session.warned.emit(self.tr("There is no reading here."))
        return standing

    def move_reading(self, given: Standing | None = None) -> None:
        """Move a reading typed at the wrong place."""
        standing = self._reading(given)
        if standing is None:
            return
        places = self._places_like(standing.place)
        titles = [place.title for place in places]
        question = self.tr("{0} belongs to").format(standing.reading.text)
        answer = questions.choose(self.window, self.tr("Move the reading"), question, titles)
        if answer:
            self.session.do(MoveReading(standing.reading.id, places[titles.index(answer)]))

    def _places_like(self, place: Place) -> list[Place]:
        if place.kind == "spring":
            return [of_spring(one.id, place.member) for one in self.session.engine.springs if one.id != place.name]
        return [
            at_position(one.id, place.member) for one in self.session.engine.layout.positions if one.id != place.name
        ]

    def note_reading(self, given: Standing | None = None) -> None:
        """Put a note on a reading."""
        standing = self._reading(given)
        if standing:
            note = questions.words(
                self.window, self.tr("Note"), self.tr("Note on {0}:").format(standing.reading.text), standing.note
            )
            if note is not None:
                self.session.do(NoteReading(standing.reading.id, note))

    def strike_reading(self, given: Standing | None = None) -> None:
        """Strike a reading out, with the reason."""
        standing = self._reading(given)
        if standing:
            why = questions.words(
                self.window, self.tr("Strike out"), self.tr("Why does {0} not count?").format(standing.reading.text)
            )
            if why is not None:
                self.session.do(StrikeOut(standing.reading.id, why or "struck out"))

    def sign_finding(self) -> None:
        """Sign for the finding that is chosen on the ladder, with the reason; what was signed already can be taken back."""
        from honest_lift.checks.signed import HOLDS, signature_of, to_sign
        from honest_lift.checks.wording import title
        from honest_lift.facts.book.log_edits import TakeBack

        finding = self.window.ladder.rungs.chosen
        if finding is None or finding.verdict not in HOLDS:
            self.session.warned.emit(
                self.tr("Choose a finding that fails or is unproven first: what passes needs no signature.")
            )
            return
        signed = signature_of(self.session.book, finding)
        if signed is not None and signed.holds:
            if questions.ask(self.window, self.tr("Sign"), f"{title(finding)}. {signed.words}", self.tr("Withdraw")):
                self.session.do(TakeBack(signed.entry.id))
            return
        question = self.tr("{0}: {1}. Why is it gone on with? The verdict stays.").format(
            title(finding), finding.verdict.word
        )
        why = questions.words(self.window, self.tr("Sign"), question)
        if why is not None:
            self.session.do(to_sign(self.session.book, finding, why))

    def swap_springs(self) -> None:
        """Exchange the current valve's spring with another one's."""
        engine, here = self.session.engine, self.session.position
        others = [p.id for p in engine.layout.positions if p.id != here and engine.spring_at(p.id)]
        if not here or not engine.spring_at(here) or not others:
            self.session.warned.emit(self.tr("Two valves with a spring each are needed to exchange springs."))
            return
        titles = [self.tr("{0}, spring {1}").format(position_title(one), engine.spring_at(one)) for one in others]
        question = self.tr("Spring {0} of {1} changes places with").format(engine.spring_at(here), position_title(here))
        answer = questions.choose(self.window, self.tr("Exchange springs"), question, titles)
        if answer:
            other = others[titles.index(answer)]
            places = {here: engine.spring_at(other), other: engine.spring_at(here)}
            self.session.do(
                fit_springs(engine, places, f"springs of {position_title(here)} and {position_title(other)} exchanged")
            )

    def fit_set(self) -> None:
        """Fit a whole set in head order."""
        from honest_lift.desk.engine.fitting import ask_where_to_fit

        sets = self.session.engine.sets
        if not sets:
            self.session.warned.emit(
                self.tr("There is no set of springs yet: add one under Engine and parts, Springs.")
            )
            return
        names = [one.name for one in sets]
        answer = questions.choose(self.window, self.tr("Fit a set"), self.tr("Set to fit"), names, len(names) - 1)
        if answer:
            ask_where_to_fit(self.window, self.session, sets[names.index(answer)])

    def valves_here(self) -> None:
        """Show the valves that were tried in the current seat."""
        from honest_lift.desk.valves_here import ValvesHere

        if self.session.position:
            ValvesHere(self.window, self.session).exec()

    def record_change(self) -> None:
        """Write down that something was changed at the current valve, its head or the engine.

        What depended on it goes stale, and undo brings it back.
        """
        here = self.session.position
        if not here:
            return
        titles = list(CHANGEABLE.values())
        answer = questions.choose(
            self.window, self.tr("Changed at {0}").format(position_title(here)), self.tr("What was changed?"), titles
        )
        if not answer:
            return
        slot = next(key for key, title in CHANGEABLE.items() if title == answer)
        note = questions.words(
            self.window, self.tr("Changed"), self.tr("In a few words, for the reading that goes stale:"), answer
        )
        if note is not None:
            engine = self.session.engine
            scope = SCOPES.get(slot, "position")
            layout = engine.layout
            holders = {"head": layout.head_of(here), "cylinder": layout.cylinder_of(here), "engine": WHOLE}
            holder = holders.get(scope, here)
            names = {"head": f"the {holder} head", "cylinder": f"cylinder {holder}", "engine": "the engine"}
            where = names.get(scope, position_title(here))
            self.session.do(Fit((fitment(engine, slot, holder, note=note),), f"{answer} at {where}"))
