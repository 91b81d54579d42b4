"""The program put into a person's own desktop: menu entry, file type, icons, metadata, manual page, completions; and out again."""

from __future__ import annotations

import argparse
import os
import shutil
import subprocess
import sys
from collections.abc import Iterator
from importlib.resources import files
from pathlib import Path

from honest_lift.commands.given import FAULT

_REFRESH = (("update-desktop-database", "applications"), ("update-mime-database", "mime"))


def fill(parser: argparse.ArgumentParser) -> None:
    """Say what it takes."""
    parser.add_argument(
        "--user", action="store_true", help="for yourself, under ~/.local/share; no other way is offered"
    )
    parser.add_argument("--remove", action="store_true", help="take it out again; engines, shelf and settings stay")


def run(options: argparse.Namespace, parser: argparse.ArgumentParser) -> int:
    """Do it, and give the exit status."""
    if not options.user:
        parser.error("say --user: it is put in place for yourself, and nothing of the system is touched.")
    from honest_lift.facts import disk
    from honest_lift.facts.written_out import TargetError, write_out

    try:
        for path, data in placed():
            if options.remove:
                path.unlink(missing_ok=True)
            else:
                disk.make_folder(path.parent)
                write_out(path, data, agreed=True)
                print(path)
    except TargetError as error:
        print(f"honest-lift: {error}", file=sys.stderr)
        return FAULT
    except OSError as error:
        print(f"honest-lift: {error.filename or path}: {disk.why(error)}.", file=sys.stderr)
        return FAULT
    _refresh()
    print(
        "Taken out of the desktop." if options.remove else "In the desktop's menu from now on; --remove takes it out."
    )
    return 0


def placed() -> Iterator[tuple[Path, bytes]]:
    """Give every file with where it goes."""
    from honest_lift.commands.completion import completion
    from honest_lift.commands.man_page import man_page

    data, shipped = _home("XDG_DATA_HOME", ".local/share"), files("honest_lift.desktop")
    entry = shipped.joinpath("honest-lift.desktop").read_text(encoding="utf-8")
    yield data / "applications/honest-lift.desktop", entry.replace("Exec=honest-lift", f"Exec={_starts()}").encode()
    yield data / "mime/packages/honest-lift.xml", shipped.joinpath("honest-lift.xml").read_bytes()
    yield data / "metainfo/honest-lift.metainfo.xml", shipped.joinpath("honest-lift.metainfo.xml").read_bytes()
    for icon in sorted(shipped.joinpath("icons").iterdir(), key=lambda one: one.name):
        stem, _, size = icon.name.rpartition(".")[0].rpartition("-")
        kind = "mimetypes" if icon.name.startswith("application-x") else "apps"
        if icon.name.endswith(".svg"):
            yield data / f"icons/hicolor/scalable/{kind}/{icon.name}", icon.read_bytes()
        else:
            yield data / f"icons/hicolor/{size}x{size}/{kind}/{stem}.png", icon.read_bytes()
    yield data / "man/man1/honest-lift.1", man_page().encode()
    yield data / "bash-completion/completions/honest-lift", completion("bash").encode()
    yield data / "zsh/site-functions/_honest-lift", completion("zsh").encode()
    yield _home("XDG_CONFIG_HOME", ".config") / "fish/completions/honest-lift.fish", completion("fish").encode()


def _home(name: str, usual: str) -> Path:
    return Path(os.environ.get(name) or Path.home() / usual)


def _starts() -> str:
    """Give the line that starts this very program, quoted as the desktop reads it."""
    called = Path(sys.argv[0])
    if called.name == "honest-lift" and called.is_file():
        return _quoted(str(called.resolve()))
    return f"{_quoted(sys.executable)} -m honest_lift"


def _quoted(word: str) -> str:
    r"""Quote a word for an Exec line.

    >>> print(_quoted("/opt/plain"), _quoted("/opt/my engines/$x"))
    /opt/plain "/opt/my engines/\\$x"
    """
    if not set(word) & set(" \t\n\"'\\><~|&;$*?#()`%"):
        return word
    escaped = "".join(f"\\\\{one}" if one in '"`$' else "\\\\\\\\" if one == "\\" else one for one in word)
    return '"' + escaped.replace("%", "%%") + '"'


def _refresh() -> None:
    """Tell the desktop, where it has the means; without them it sees to it by itself, sooner or later."""
    data = _home("XDG_DATA_HOME", ".local/share")
    for tool, folder in _REFRESH:
        if shutil.which(tool) and (data / folder).is_dir():
            subprocess.run([tool, str(data / folder)], check=False, capture_output=True)
