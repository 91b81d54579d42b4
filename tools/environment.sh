# Makes the project's own environment in the checkout, once. Sourced by ./honest-lift and ./run-tests.
# The second time only a stamp is compared, so that a start costs nothing.

environment="$here/.venv"

say() { printf 'honest-lift: %s\n' "$*" >&2; }

# install_debian PACKAGE...: install where it may, else print the exact line and fail.
install_debian() {
    if command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
        say "installing $*"
        { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@"; } \
            >/dev/null 2>&1 && return 0
        say "apt-get could not install them."
    fi
    say "needed, please run:  sudo apt-get install -y $*"
    return 1
}

find_python() {
    for name in python3 python3.14 python3.13 python3.12 python3.11; do
        if command -v "$name" >/dev/null && "$name" -c 'import sys; sys.exit(sys.version_info < (3, 11))'; then
            printf '%s\n' "$name"
            return 0
        fi
    done
    return 1
}

# Which Debian package carries a library that Qt misses.
package_of() {
    case "$1" in
        libEGL.so.1) echo libegl1 ;;
        libGL.so.1) echo libgl1 ;;
        libGLX.so.0 | libOpenGL.so.0) echo libopengl0 ;;
        libxkbcommon.so.0) echo libxkbcommon0 ;;
        libxkbcommon-x11.so.0) echo libxkbcommon-x11-0 ;;
        libfontconfig.so.1) echo libfontconfig1 ;;
        libfreetype.so.6) echo libfreetype6 ;;
        libdbus-1.so.3) echo libdbus-1-3 ;;
        libglib-2.0.so.0 | libgthread-2.0.so.0) echo libglib2.0-0 ;;
        libX11.so.6) echo libx11-6 ;;
        libX11-xcb.so.1) echo libx11-xcb1 ;;
        libxcb.so.1) echo libxcb1 ;;
        libxcb-render-util.so.0) echo libxcb-render-util0 ;;
        libxcb-xinput.so.0) echo libxcb-xinput0 ;;
        libxcb-*.so.*) # libxcb-cursor.so.0 -> libxcb-cursor0
            name="${1%%.so.*}"
            echo "${name}${1##*.so.}"
            ;;
        libstdc++.so.6) echo libstdc++6 ;;
        *) echo "$1" ;;
    esac
}

# Name and, where it may, install the system libraries that Qt misses: first those of any window, drawn or not,
# then those of a window on an X display.
qt_libraries() {
    qt=$("$environment/bin/python" -c 'import importlib.util as u; print(u.find_spec("PyQt6").submodule_search_locations[0])')/Qt6
    # A library that comes in may need another, so look again after each round.
    for _ in 1 2 3; do
        missing=$(ldd "$qt"/lib/libQt6Gui.so.6 "$qt"/lib/libQt6Widgets.so.6 "$qt"/lib/libQt6DBus.so.6 \
            "$qt"/plugins/platforms/libqoffscreen.so "$qt"/plugins/platforms/libqxcb.so 2>/dev/null |
            awk '/not found/ {print $1}' | grep -v '^libQt6' | sort -u)
        [ -z "$missing" ] && return 0
        packages=$(for one in $missing; do package_of "$one"; done | sort -u | tr '\n' ' ')
        # shellcheck disable=SC2086
        install_debian $packages || return 1
    done
}

# make_environment KIND: KIND is "run" or "test". Two stamps: one for the packages, one for Qt's system libraries, so
# that a machine where those can't be installed is told so at every start, and nothing else is done again.
make_environment() {
    stamp="$environment/.made-$1"
    libraries="$environment/.qt-libraries"
    if ! { [ -e "$stamp" ] && [ "$(cat "$stamp")" = "$here" ] && [ ! "$here/pyproject.toml" -nt "$stamp" ] &&
        [ ! "$here/constraints.txt" -nt "$stamp" ]; }; then
        install_packages "$1" || return 2
        rm -f "$libraries"
        printf '%s' "$here" >"$stamp"
    fi
    if [ ! -e "$libraries" ]; then
        if qt_libraries; then
            : >"$libraries"
        else
            say "without them no window can open; “check” works all the same."
        fi
    fi
    return 0
}

install_packages() {
    python=$(find_python) || { install_debian python3 python3-venv && python=$(find_python); } || {
        say "Python 3.11 or newer is needed."
        return 1
    }
    if ! "$python" -c 'import ensurepip, venv' 2>/dev/null; then
        install_debian python3-venv || return 1
    fi
    say "making the environment in ${environment##*/}, once; this takes a minute or two"
    [ -x "$environment/bin/python" ] && [ "$(cat "$environment"/.made-* 2>/dev/null | head -c "${#here}")" = "$here" ] ||
        rm -rf "$environment"
    "$python" -m venv "$environment" || return 1
    what="$here"
    [ "$1" = test ] && what="$here[test]"
    "$environment/bin/python" -m pip install --quiet --disable-pip-version-check \
        --constraint "$here/constraints.txt" --editable "$what" >&2 || {
        say "the packages could not be installed; the lines above say why. Is the network there?"
        return 1
    }
    # the program's own files as bytecode, also where Python is told to write none
    "$environment/bin/python" -m compileall -q "$here/src" >/dev/null 2>&1
    return 0
}
