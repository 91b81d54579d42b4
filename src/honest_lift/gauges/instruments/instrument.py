"""An instrument as it is set up: its port, what its lines mean, how it is asked, when it stands still, when its zero is due.

Ports and speeds belong to the machine and the bench, not to an engine: they are kept beside the shop's own route.
"""

from __future__ import annotations

from pathlib import Path

from msgspec import Struct
from msgspec.structs import replace

from honest_lift.facts.kept_file import keep, kept
from honest_lift.gauges.instruments.pattern import Pattern
from honest_lift.numbers.mendable import MendableError

SPEEDS = (1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200)
_LARGEST_BYTES, _MOST = 1_000_000, 60


class Instrument(Struct, frozen=True, forbid_unknown_fields=True):
    """An instrument on a line.

    `port`: a serial port, a URL of one, or a recorded session. `asks`: what is sent to it to get a line, "" for one that sends by
    itself, `every_s` how often. `streams`: whether it sends all the time, so that a figure counts once it stands still:
    `steady_lines` lines over `steady_s` within `steady_steps` of its last digit. `tool`: the name of the tool in the drawer it is.
    `takes_itself`: a line is taken as it comes, as if Enter were pressed: for a button or a foot switch on the gauge.
    `zero_after`: after how many readings its zero is asked about; 0 for one without a zero.
    """

    name: str
    port: str = ""
    pattern: Pattern = Pattern()
    speed: int = 9600
    bits: int = 8
    parity: str = "N"
    asks: str = ""
    every_s: float = 0.2
    streams: bool = False
    steady_lines: int = 5
    steady_steps: int = 1
    steady_s: float = 0.3
    tool: str = ""
    takes_itself: bool = False
    zero_after: int = 16
    is_on: bool = True

    @property
    def line_s(self) -> float:
        """Give how long a line takes at its speed, at the most: a silence that long lies between two of them."""
        return max(0.06, 60 * 11 / self.speed)


PRESETS: tuple[tuple[str, Instrument], ...] = (
    ("plain number and unit per line", Instrument("gauge")),
    ("plain number and unit, all the time", Instrument("gauge", streams=True)),
    (
        "sign and fixed digits",
        Instrument("gauge", pattern=Pattern(sign="must", digits=7, decimals=3, point=False, unit="mm")),
    ),
    ("request and answer", Instrument("gauge", asks="?\\r", streams=True)),
)


def refusal(one: Instrument) -> str:
    """Say what can't be about an instrument; "" for nothing."""
    if not one.name.strip():
        return "An instrument needs a name: the one on its case."
    if one.speed not in SPEEDS:
        return f"{one.speed} baud is no speed of a gauge: {', '.join(map(str, SPEEDS))}."
    if one.bits not in (7, 8) or one.parity not in ("N", "E", "O"):
        return "A gauge sends 7 or 8 bits with parity N, E or O, as its sheet says."
    if not 0.02 <= one.every_s <= 10.0:
        return "A gauge is asked every 0.02 to 10 seconds."
    if not 0.0 <= one.steady_s <= 10.0:
        return "It is still over 0 to 10 seconds."
    if not (2 <= one.steady_lines <= 200 and 0 <= one.steady_steps <= 50 and 0 <= one.zero_after <= 1000):
        return "It is still when 2 to 200 lines lie within 0 to 50 steps; its zero is asked about after 0 to 1000 readings."
    return ""


def instruments_file() -> Path:
    """Give where the instruments of this bench are kept."""
    from platformdirs import user_config_path  # not needed before an instrument is

    return user_config_path("honest-lift", appauthor=False) / "instruments.json"


def keep_instruments(every: tuple[Instrument, ...]) -> None:
    """Keep the instruments of this bench. Raises MendableError where one can't be, or the disk does not take them."""
    for one in every:
        if why := refusal(one):
            raise MendableError(f"{one.name or 'An instrument'}: {why}")
    keep(instruments_file(), every)


def kept_instruments() -> tuple[Instrument, ...]:
    """Give the instruments of this bench; none where nobody kept any. Raises MendableError for a file that is none."""
    mend = "These are no instruments: set them up anew, or delete the file."
    every = (kept(instruments_file(), tuple[Instrument, ...], _LARGEST_BYTES, mend) or ())[:_MOST]
    return tuple(replace(one, is_on=False) if refusal(one) else one for one in every)
