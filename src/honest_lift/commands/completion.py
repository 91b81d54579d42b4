"""What makes bash, zsh or fish complete the commands, written from the parsers themselves."""

from __future__ import annotations

import argparse
from collections.abc import Callable, Iterator
from typing import Any

_SHELLS = ("bash", "zsh", "fish")
Parsers = dict[str, argparse.ArgumentParser]


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument(
        "shell", choices=_SHELLS,
        help="bash: into ~/.local/share/bash-completion/completions/honest-lift; zsh: _honest-lift into a folder of $fpath; "
        "fish: into ~/.config/fish/completions/honest-lift.fish",
    )  # fmt: skip


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Print it, and give the exit status."""
    print(completion(options.shell), end="")
    return 0


def completion(shell: str) -> str:
    """Give the script of a shell."""
    from honest_lift.commands.line import parsers

    makers: dict[str, Callable[[Parsers], Iterator[str]]] = {"bash": _bash, "zsh": _zsh, "fish": _fish}
    return "\n".join(makers[shell](parsers()[1])) + "\n"


def options_of(parser: argparse.ArgumentParser) -> Iterator[argparse.Action]:
    """Give what a command takes by name."""
    return (one for one in parser._actions if one.option_strings)


def choices_of(parser: argparse.ArgumentParser) -> dict[str, list[str]]:
    """Give what may stand after an option, or in the command's own place under "", where the choice is closed."""
    return {
        (one.option_strings or [""])[-1]: [str(own) for own in one.choices] for one in parser._actions if one.choices
    }


def _bash(commands: Parsers) -> Iterator[str]:
    yield "# honest-lift: completion for bash"
    yield "_honest_lift() {"
    yield "    local word=${COMP_WORDS[COMP_CWORD]} before=${COMP_WORDS[COMP_CWORD-1]} words="
    yield '    if [ "$COMP_CWORD" = 1 ]; then'
    yield f'        words="{" ".join((*commands, "--demo", "--help", "--version"))}"'
    yield "    else"
    yield '        case "${COMP_WORDS[1]} $before" in'
    for name, parser in commands.items():
        for option, choices in choices_of(parser).items():
            yield f'        "{name} {option or name}") words="{" ".join(choices)}" ;;'
    yield "        esac"
    yield '        [ -n "$words" ] || case "${COMP_WORDS[1]}" in'
    for name, parser in commands.items():
        yield f'        {name}) words="{" ".join(own for one in options_of(parser) for own in one.option_strings)}" ;;'
    yield "        esac"
    yield "    fi"
    yield '    mapfile -t COMPREPLY < <(compgen -W "$words" -- "$word"; compgen -f -- "$word")'
    yield "}"
    yield "complete -o filenames -F _honest_lift honest-lift"


def _zsh(commands: Parsers) -> Iterator[str]:
    yield "#compdef honest-lift"
    yield "_honest_lift() {"
    yield "    local -a commands"
    yield "    commands=("
    for name, parser in commands.items():
        yield f"        '{name}:{_plain(parser.description)}'"
    yield "    )"
    yield "    if (( CURRENT == 2 )); then"
    yield "        _describe command commands"
    yield "        _files"
    yield "        return"
    yield "    fi"
    yield "    case $words[2] in"
    for name, parser in commands.items():
        told = " ".join(f"'{one.option_strings[-1]}[{_plain(one.help)}]{_value(one)}'" for one in options_of(parser))
        own = choices_of(parser).get("")
        rest = f"choice:({' '.join(own)})" if own else "file:_files"
        yield f"    {name}) _arguments {told} '*:{rest}' ;;"
    yield "    esac"
    yield "}"
    yield '_honest_lift "$@"'


def _fish(commands: Parsers) -> Iterator[str]:
    yield "# honest-lift: completion for fish"
    none = "not __fish_seen_subcommand_from " + " ".join(commands)
    for name, parser in commands.items():
        yield f"complete -c honest-lift -n '{none}' -a {name} -d '{_plain(parser.description)}'"
    for name, parser in commands.items():
        seen = f"complete -c honest-lift -n '__fish_seen_subcommand_from {name}'"
        if own := choices_of(parser).get(""):
            yield f"{seen} -a '{' '.join(own)}'"
        for one in options_of(parser):
            long = next(own for own in one.option_strings if own.startswith("--"))
            value = f" -x -a '{' '.join(map(str, one.choices))}'" if one.choices else " -r" if one.nargs != 0 else ""
            yield f"{seen} -l {long[2:]}{value} -d '{_plain(one.help)}'"


def _value(one: argparse.Action) -> str:
    if one.nargs == 0:
        return ""
    return f":choice:({' '.join(map(str, one.choices))})" if one.choices else ":value:_files"


def _plain(words: Any) -> str:
    """Give words that no shell reads anything into: the first clause, without quotes, brackets and colons."""
    first = str(words or "").partition(";")[0].partition(": ")[0]
    return "".join(letter for letter in first if letter not in "'\"`$[]():\\")
