"""Throw damaged and malicious engine files at the program, by the thousand, with a fresh seed each time.

    python tools/odd_files.py 2000 500         two thousand through `check`, five hundred through the window

Each must be refused with a sentence, or examined, within two seconds and a gigabyte; nothing may slip, and what was read must
be written and read again as the same.
"""

from __future__ import annotations

import contextlib
import io
import json
import os
import random
import resource
import sys
import tempfile
import time
from pathlib import Path
from typing import Any

MOST_S, MOST_MB = 2.0, 1000
WORDS: list[Any] = [
    "", "zz", "1e", "9i", "\x00", "\x1b[2J", "\u202e", "<img src='/nowhere/x.png'>", "=cmd()", "NaN", "é" * 300, "new", "engine",
    "position", "spring_load", "installed_height", "role", "intake", "in", "furlong", None, True, [], {},
]  # fmt: skip
NUMBERS: list[Any] = [0, 1, -1, 1e-9, 45.0, 1e6, 1e308, -1e308, 2**70, 0.1, float("nan"), float("inf"), None, "1", []]


def leaves(value: Any, path: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
    """Give the path of every single value, record and list in a document."""
    children = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    return [path, *(found for key, child in children for found in leaves(child, (*path, key)))] if path else [
        found for key, child in children for found in leaves(child, (key,))
    ]  # fmt: skip


def damaged(document: Any, paths: list[tuple[Any, ...]], hand: random.Random) -> bytes:
    """Give a document with a few things in it changed, taken out, doubled, nested or multiplied, or its bytes damaged."""
    document = json.loads(json.dumps(document))
    for path in hand.sample(paths, hand.choice([1, 1, 2, 3, 8])):
        with contextlib.suppress(KeyError, IndexError, TypeError):
            holder = document
            for key in path[:-1]:
                holder = holder[key]
            old, dice = holder[path[-1]], hand.random()
            single = not isinstance(old, dict | list)
            if dice < (0.9 if single else 0.2):
                alike = [one for one in (*WORDS, *NUMBERS) if type(one) is type(old)] or WORDS
                holder[path[-1]] = hand.choice(alike if hand.random() < 0.95 else [*WORDS, *NUMBERS])
            elif dice < 0.5:
                del holder[path[-1]]
            elif dice < 0.65 and isinstance(old, list) and old:
                holder[path[-1]] = old * hand.choice([2, 50, 3000])
            elif dice < 0.8 and isinstance(old, list) and old and isinstance(old[0], dict):
                holder[path[-1]] = [{**hand.choice(old), "id": f"n{i}"} for i in range(hand.choice([10, 1500, 20000]))]
            elif dice < 0.9:
                nested: Any = old
                for _ in range(hand.choice([3, 500, 20000])):
                    nested = [nested]
                holder[path[-1]] = nested if len(paths) else old
            else:
                holder[f"x{hand.random()}" if isinstance(holder, dict) else path[-1]] = "\ud800"
    try:
        data = bytearray(json.dumps(document).encode())
    except RecursionError:
        data = bytearray(b"[" * 100_000)
    if hand.random() < 0.1:
        for _ in range(hand.choice([1, 4, 60])):
            at = hand.randrange(len(data))
            match hand.randrange(4):
                case 0:
                    data[at] = hand.randrange(256)
                case 1:
                    del data[at : at + hand.randrange(200)]
                case 2:
                    data[at:at] = hand.randbytes(hand.randrange(8))
                case 3:
                    data[at:at] = data[at : at + hand.randrange(2000)]
    return bytes(data)


def checked(path: Path) -> str:
    """Examine a file as the command line does; say what is wrong with how that went."""
    from honest_lift.cli import main

    out, err = io.StringIO(), io.StringIO()
    began = time.monotonic()
    with contextlib.redirect_stdout(out), contextlib.redirect_stderr(err):
        status = main(["check", str(path)])
    took = time.monotonic() - began
    if "Traceback" in err.getvalue() or status not in (0, 1, 2, 3):
        return f"status {status}: {err.getvalue()[-1500:]}"
    if status == 2 and not err.getvalue().startswith("honest-lift: "):
        return f"refused without a sentence: {err.getvalue()[:300]!r}"
    if any(ord(letter) < 32 and letter not in "\n\t" for letter in out.getvalue() + err.getvalue()):
        return "a control character on the terminal"
    if took > MOST_S * _SLOWNESS:
        return f"{took:.1f} s"
    return _written_again(path) if status != 2 else ""


def _written_again(path: Path) -> str:
    from honest_lift.facts.file import decode_book, encode_book, read_book

    book = read_book(path)
    return "" if decode_book(encode_book(book), "x") == book else "it reads back as something else"


def shown(window: Any, path: Path, slipped: list[str]) -> str:
    """Open a file in the window and walk through it; say what slipped."""
    from PyQt6.QtWidgets import QApplication

    window.files.open_path(path)
    for step in ("springs", "engine", "cam", "turn", "squeeze", "readings", "heights"):
        window.session.open_step(step)
        window.session.walk(1)
        QApplication.processEvents()
    return "; ".join(slipped)


_SLOWNESS = float(os.environ.get("SLOWNESS", "1.5"))  # of a machine with other work to do


def main(files: int, windows: int, seed: int) -> int:
    """Throw them; print how many were refused and how many opened."""
    hand = random.Random(seed)
    with tempfile.TemporaryDirectory() as name:
        os.environ.update(dict.fromkeys(("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME"), name))
        os.environ["QT_QPA_PLATFORM"] = "offscreen"
        from honest_lift.demo.engine import demo_book
        from honest_lift.facts.file import FileError, encode_book, read_book

        document = json.loads(encode_book(demo_book()))
        paths, path = leaves(document), Path(name) / "odd.liftbook"
        path.write_bytes(encode_book(demo_book()))
        checked(path)  # what is loaded only once is not timed
        refused = 0
        for number in range(files):
            path.write_bytes(damaged(document, paths, hand))
            if wrong := checked(path):
                kept = Path.cwd() / f"odd-{seed}-{number}.liftbook"
                kept.write_bytes(path.read_bytes())
                print(f"seed {seed}, file {number}, kept as {kept.name}: {wrong}")
                return 1
            try:
                read_book(path)
            except FileError:
                refused += 1
        if windows and (wrong := _through_the_window(windows, document, paths, path, hand)):
            print(f"seed {seed}: {wrong}")
            return 1
    most = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1000
    print(
        f"seed {seed}: {files} files checked, {refused} refused; {windows} shown; at most {most:.0f} MB; nothing slipped"
    )
    return 0 if most < MOST_MB else 1


def _through_the_window(
    count: int, document: Any, paths: list[tuple[Any, ...]], path: Path, hand: random.Random
) -> str:
    from honest_lift.desk import questions
    from honest_lift.desk.application import application
    from honest_lift.desk.session import Session
    from honest_lift.desk.theme import load_fonts
    from honest_lift.desk.window import Window

    app = application()
    load_fonts()
    questions.tell = lambda parent, title, words: None  # type: ignore[assignment]
    questions.recover = lambda parent, question: "later"  # type: ignore[assignment]
    slipped: list[str] = []
    sys.excepthook = lambda kind, error, where: slipped.append(f"{kind.__name__}: {error}")
    window = Window(Session())
    window.show()
    app.processEvents()
    for number in range(count):
        path.write_bytes(damaged(document, paths, hand))
        if wrong := shown(window, path, slipped):
            kept = Path.cwd() / f"shown-{number}.liftbook"
            kept.write_bytes(path.read_bytes())
            return f"shown file {number}, kept as {kept.name}: {wrong}"
    return ""


if __name__ == "__main__":
    given = [int(one) for one in sys.argv[1:]]
    sys.exit(
        main(*(*given[:2], *(2000, 500)[len(given[:2]) :]), given[2] if len(given) > 2 else random.randrange(10**6))
    )
