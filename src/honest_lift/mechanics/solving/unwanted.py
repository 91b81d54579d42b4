"""How a long sum ends where nobody waits for it any more. Source: none, it is no sum."""


class Unwanted(Exception):  # noqa: N818 - nothing went wrong
    """Nobody waits for it any more."""
