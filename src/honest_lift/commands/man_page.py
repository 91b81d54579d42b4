"""The manual page honest-lift(1), written from the parsers themselves."""

from __future__ import annotations

import argparse
from collections.abc import Iterator

from honest_lift import __version__


def man_page() -> str:
    """Give the page as roff."""
    from honest_lift.commands.line import parsers

    whole, commands = parsers()
    return "\n".join(_lines(whole, commands)) + "\n"


def _lines(whole: argparse.ArgumentParser, commands: dict[str, argparse.ArgumentParser]) -> Iterator[str]:
    yield f'.TH HONEST-LIFT 1 "" "Honest Lift {__version__}" "User commands"'
    yield ".SH NAME"
    yield "honest\\-lift \\- prove valve springs, heights and clearances from real measurements"
    yield ".SH SYNOPSIS"
    yield ".B honest\\-lift"
    yield "[command] ..."
    yield ".SH DESCRIPTION"
    yield _text(whole.description or "")
    yield ".SH COMMANDS"
    for name, parser in commands.items():
        yield f".SS {_text(name)}"
        yield _text(parser.description or "")
        for one in parser._actions:
            if one.help == argparse.SUPPRESS:
                continue
            named = ", ".join(one.option_strings) or one.metavar or one.dest
            value = "" if one.nargs == 0 or not one.option_strings else f" {_metavar(one)}"
            yield ".TP"
            yield f".B {_text(f'{named}{value}')}"
            yield _text(one.help or "")
    yield ".SH EXAMPLES AND EXIT STATUS"
    yield ".nf"
    yield from (_text(line) for line in (whole.epilog or "").splitlines())
    yield ".fi"
    yield ".SH FILES"
    for path, what in _FILES:
        yield ".TP"
        yield f".I {_text(path)}"
        yield _text(what)


_FILES = (
    ("*.liftbook", "an engine: readings, facts, findings' limits and the book of all that was done, as JSON"),
    ("*.liftbook.bak", "what stood there before it was saved last"),
    ("~/.local/state/honest-lift", "journals of what is not saved yet, and the log"),
    ("~/.local/share/honest-lift", "your shelf of parts, your route, results of practice"),
    ("~/.config/honest-lift", "how the window was left"),
)


def _metavar(one: argparse.Action) -> str:
    if one.choices:
        return "{" + ",".join(map(str, one.choices)) + "}"
    return str(one.metavar or one.dest.upper())


def _text(words: str) -> str:
    """Give words that roff reads nothing into."""
    safe = words.replace("\\", "\\e").replace("-", "\\-")
    return f"\\&{safe}" if safe.startswith((".", "'")) else safe
