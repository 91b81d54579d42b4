"""Libraries of the system that Qt needs and a machine lacks, by the names Debian's packages have; told in one line.

Needs no Qt and nothing that is installed beside Python: it is asked when Qt itself can't be loaded. As a program
(`python -m honest_lift.system_pieces`) it prints the packages, for the checkout's own set-up.
"""

from __future__ import annotations

import re
import shutil
import subprocess
import sys
from collections.abc import Iterable, Sequence
from importlib.util import find_spec
from pathlib import Path

_ANY_WINDOW = ("lib/libQt6Gui.so.6", "lib/libQt6Widgets.so.6", "lib/libQt6DBus.so.6", "lib/libQt6Svg.so.6",
               "plugins/platforms/libqoffscreen.so")  # fmt: skip
_ON_X = ("plugins/platforms/libqxcb.so",)
_BESIDE = ("lib/libQt6WaylandClient.so.6", "plugins/platforms/libqwayland.so", "lib/libQt6PrintSupport.so.6",
           "plugins/printsupport/libcupsprintersupport.so")  # fmt: skip
_PACKAGES = {
    "libEGL.so.1": "libegl1", "libGL.so.1": "libgl1", "libGLX.so.0": "libopengl0", "libOpenGL.so.0": "libopengl0",
    "libxkbcommon.so.0": "libxkbcommon0", "libxkbcommon-x11.so.0": "libxkbcommon-x11-0", "libfontconfig.so.1": "libfontconfig1",
    "libfreetype.so.6": "libfreetype6", "libdbus-1.so.3": "libdbus-1-3", "libglib-2.0.so.0": "libglib2.0-0",
    "libgthread-2.0.so.0": "libglib2.0-0", "libX11.so.6": "libx11-6", "libX11-xcb.so.1": "libx11-xcb1", "libxcb.so.1": "libxcb1",
    "libxcb-render-util.so.0": "libxcb-render-util0", "libxcb-xinput.so.0": "libxcb-xinput0", "libstdc++.so.6": "libstdc++6",
    "libcups.so.2": "libcups2", "libwayland-client.so.0": "libwayland-client0", "libwayland-cursor.so.0": "libwayland-cursor0",
    "libwayland-egl.so.1": "libwayland-egl1",
}  # fmt: skip
_XCB = re.compile(r"(libxcb-[a-z0-9-]+)\.so\.(\d+)")
_MISSING = re.compile(r"^\s*(\S+) => not found", re.MULTILINE)


def package_of(library: str) -> str:
    """Name the Debian package of a library; the library itself where it is not known.

    >>> package_of("libEGL.so.1"), package_of("libxcb-cursor.so.0"), package_of("libother.so.3")
    ('libegl1', 'libxcb-cursor0', 'libother.so.3')
    """
    xcb = _XCB.fullmatch(library)
    return _PACKAGES.get(library) or (f"{xcb[1]}{xcb[2]}" if xcb else library)


def missing(*, beside: bool = True) -> tuple[str, ...]:
    """Give the libraries that are missing for a window; `beside`: and for native Wayland and printing."""
    spec = find_spec("PyQt6")
    if spec is None or not spec.submodule_search_locations or not shutil.which("ldd"):
        return ()
    qt = Path(next(iter(spec.submodule_search_locations))) / "Qt6"
    wanted = (*_ANY_WINDOW, *_ON_X, *(_BESIDE if beside else ()))
    return missing_of([qt / one for one in wanted])


def missing_of(libraries: Iterable[Path]) -> tuple[str, ...]:
    """Give what libraries need and do not find, without Qt's own."""
    there = [str(one) for one in libraries if one.exists()]
    if not there:
        return ()
    told = subprocess.run(["ldd", *there], capture_output=True, text=True, check=False, timeout=30).stdout
    return tuple(sorted({one for one in _MISSING.findall(told) if not one.startswith("libQt6")}))


def words(libraries: Sequence[str], *, needed: bool = True) -> str:
    """Say in one line what is missing, and what puts it in place. `needed`: without it no window opens."""
    packages = " ".join(sorted({package_of(one) for one in libraries}))
    what = "no window can open" if needed else "windows open, but not natively on Wayland or not to print"
    return f"missing of this system: {', '.join(libraries)}; {what}. On Debian: sudo apt-get install -y {packages}"


def look_once(stamp: Path) -> str:
    """Say what is missing beside what every window needs; "" for nothing, and where that was looked at before (the stamp)."""
    if stamp.exists():
        return ""
    lacking = missing()
    try:
        stamp.parent.mkdir(parents=True, exist_ok=True)
        stamp.touch()
    except OSError:
        pass  # it is looked at again the next time
    return words(lacking, needed=False) if lacking else ""


if __name__ == "__main__":
    print(" ".join(sorted({package_of(one) for one in missing(beside="--all" in sys.argv)})))
