"""JSON that somebody sends: read strictly, since what it holds is kept, computed with and sent on."""

import re
from typing import Any

from pydantic_core import from_json

MOST_PARTS = 3_000_000  # commas and brackets; the largest that this program writes has a tenth of it
BEYOND_FLOATS = re.compile(rb"[0-9][eE]\+?[0-9]{3}")


def read_json(data: bytes | str) -> Any:
    """The contents of a JSON text.

    Raises
    ------
    ValueError
        If it is none: also where only some readers would take it, as `NaN`, numbers beyond what floats hold, half a character (a lone surrogate), nesting
        without end, or more parts than anything of this program has.

    Examples
    --------
    >>> read_json('{"a": [1, 2.5]}')
    {'a': [1, 2.5]}
    >>> read_json('[1e999]')
    Traceback (most recent call last):
    ValueError: a number is beyond 1e308
    """
    raw = data.encode("utf-8", "surrogatepass") if isinstance(data, str) else data
    if parts_of(raw) > MOST_PARTS:
        raise ValueError(f"it has over {MOST_PARTS} parts")
    content = from_json(raw.removeprefix(b"\xef\xbb\xbf"), allow_inf_nan=False)
    if BEYOND_FLOATS.search(raw) and holds_infinity(content):
        raise ValueError("a number is beyond 1e308")
    return content


def parts_of(data: bytes) -> int:
    """About how many values a JSON text has, without reading it: its commas and opening brackets."""
    return data.count(b",") + data.count(b"[") + data.count(b"{")


def holds_infinity(content: Any) -> bool:
    """True if a number anywhere in it is infinite."""
    waiting = [content]
    while waiting:
        one = waiting.pop()
        if isinstance(one, dict):
            waiting += one.values()
        elif isinstance(one, list):
            waiting += one
        elif isinstance(one, float) and one in (float("inf"), float("-inf")):
            return True
    return False
