"""A JSON Schema drawn from the program reads alike on every Python: since 3.13 docstrings come without their indentation."""

from __future__ import annotations

from inspect import cleandoc
from typing import Any


def plainly(schema: Any) -> Any:
    """Give a schema with its descriptions without indentation.

    >>> plainly({"description": "One.\\n\\n    Two.\\n    ", "items": [1, {"description": "x"}]})
    {'description': 'One.\\n\\nTwo.', 'items': [1, {'description': 'x'}]}
    """
    if isinstance(schema, dict):
        return {
            key: cleandoc(one) if key == "description" and isinstance(one, str) else plainly(one)
            for key, one in schema.items()
        }
    return [plainly(one) for one in schema] if isinstance(schema, list) else schema
