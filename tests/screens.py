"""An X server of a test's own, and what a program that opens a window on it needs."""

import os
import subprocess


class Screen:
    """A virtual screen; `name` is its display."""

    def __init__(self):
        read, write = os.pipe()
        self.server = subprocess.Popen(
            ["Xvfb", "-displayfd", str(write), "-screen", "0", "1400x900x24", "-nolisten", "tcp"],
            pass_fds=(write,), stderr=subprocess.DEVNULL,
        )  # fmt: skip
        os.close(write)
        with os.fdopen(read) as numbers:
            self.name = f":{numbers.readline().strip()}"

    def end(self, *, at_once=False):
        self.server.kill() if at_once else self.server.terminate()
        self.server.wait(timeout=10)


def environment(screen, folder) -> dict[str, str]:
    kept = {name: value for name, value in os.environ.items() if name not in ("QT_QPA_PLATFORM", "WAYLAND_DISPLAY")}
    return {**kept, "DISPLAY": screen.name, "XDG_STATE_HOME": str(folder), "XDG_CONFIG_HOME": str(folder)}
