"""The command line: the window, and the same answers without one.

Exit status of `check`: 0 when all pass or are close, 1 when something fails, 3 when nothing fails but
something is unproven, 2 when the file can't be read, the call is wrong, or the machine or the program is at fault.
"""

from __future__ import annotations

import signal
import sys
import traceback

from honest_lift.commands.given import FAULT
from honest_lift.commands.line import parsers
from honest_lift.commands.stopping import ended_in_order, write_no_more


def main(arguments: list[str] | None = None) -> int:
    """Run the program and give its exit status."""
    arguments = list(sys.argv[1:] if arguments is None else arguments)
    try:
        with ended_in_order():
            status = _run(arguments)
        sys.stdout.flush()  # what can't be written is said here, not while Python ends
    except KeyboardInterrupt as stopped:
        write_no_more()
        print("honest-lift: stopped. What it had finished writing stands; nothing is half written.", file=sys.stderr)
        return int(128 + (stopped.args[0] if stopped.args else signal.SIGINT))
    except BrokenPipeError:  # the reader, such as head, has seen enough before the answer was known
        write_no_more()
        return 128 + signal.SIGPIPE
    except OSError as error:  # a full device, say: that is a fault of the machine, and no verdict of an engine
        write_no_more()
        print(f"honest-lift: not everything could be written: {error.strerror or error}.", file=sys.stderr)
        return FAULT
    except Exception:  # a bug must not look like a failing engine
        traceback.print_exc()
        print("honest-lift: this is a fault of the program, and says nothing of the engine.", file=sys.stderr)
        return FAULT
    return status


def _run(arguments: list[str]) -> int:
    parser, commands = parsers()
    if not arguments or arguments[0] not in (*commands, "-h", "--help", "--version"):
        arguments = ["open", *arguments]  # what most people want needs no command
    options = parser.parse_args(arguments)
    return int(options.run(options, commands[options.command]))


if __name__ == "__main__":
    sys.exit(main())
