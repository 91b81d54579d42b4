# Makes the project's own environment in the checkout, once. Sourced by ./honest-lift and ./run-tests.
# The second time only a stamp is compared, so that a start costs nothing.
# shellcheck shell=bash

: "${here:?is set by whoever sources this}"
environment="$here/.venv"
if [ ! -e "$environment" ] && [ ! -w "$here" ]; then # a checkout one may only read: the environment goes where one may write
    environment="${XDG_CACHE_HOME:-$HOME/.cache}/honest-lift/environment-$(printf %s "$here" | cksum | cut -d' ' -f1)"
fi

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

# Name and, where it may, install the system libraries that Qt misses (src/honest_lift/system_pieces.py knows them).
qt_libraries() {
    # A library that comes in may need another, so look again after each round.
    for _ in 1 2 3; do
        packages=$("$environment/bin/python" "$here/src/honest_lift/system_pieces.py")
        [ -z "$packages" ] && break
        # shellcheck disable=SC2086
        install_debian $packages || return 1
    done
    [ -z "$packages" ] || return 1
    # Native Wayland and printing: a set-up that may install leaves nothing to be missed; elsewhere no window waits for them.
    if [ "$(id -u)" = 0 ]; then
        packages=$("$environment/bin/python" "$here/src/honest_lift/system_pieces.py" --all)
        # shellcheck disable=SC2086
        [ -z "$packages" ] || install_debian $packages || say "windows open all the same."
    fi
    return 0
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
            say "without them no window can open; check works all the same."
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
    [ -w "$here" ] || say "this checkout can't be written to, so it is made in ${environment%/*}; or install it: pipx install $here"
    mkdir -p "${environment%/*}" || {
        say "${environment%/*} can't be written to: copy the checkout to a folder of your own, or set XDG_CACHE_HOME."
        return 1
    }
    [ -x "$environment/bin/python" ] && [ "$(cat "$environment"/.made-* 2>/dev/null | head -c "${#here}")" = "$here" ] ||
        rm -rf "$environment"
    "$python" -m venv "$environment" || return 1
    what="$here"
    [ "$1" = test ] && what="${here}[test]"
    "$environment/bin/python" -m pip install --quiet --disable-pip-version-check \
        --constraint "$here/constraints.txt" --editable "$what" >&2 || {
        say "the packages could not be installed; the lines above say why. Is the network there?"
        return 1
    }
    # the program's own files as bytecode, also where Python is told to write none
    "$environment/bin/python" -m compileall -q "$here/src" >/dev/null 2>&1
    return 0
}
