"""What a person can mend, and what no bug may be dressed as."""

from __future__ import annotations


class MendableError(ValueError):
    """Something a person gave, or has not given yet: the message is a sentence saying what is wrong and what would be right."""
