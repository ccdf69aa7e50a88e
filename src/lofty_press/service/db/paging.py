"""Windows of long lists: where the last one ended is carried as a token that means nothing to whoever holds it."""

import base64
import json
from collections.abc import Callable, Sequence
from typing import Annotated, Any

from fastapi import Query

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.files.foreign_json import read_json

MOST_WORDS = 6
Row = dict[str, Any]

After = Annotated[str | None, Query(max_length=800, description="The `next` of the window before.")]
Limit = Annotated[int, Query(ge=1, le=500)]
Find = Annotated[str, Query(alias="q", max_length=120, description="Words that must all be in the name or the kind.")]


def token(*values: Any) -> str:
    """A place in a list, as text."""
    return base64.urlsafe_b64encode(json.dumps(values).encode()).decode()


def window(rows: Sequence[Row], most: int, place_of: Callable[[Row], Sequence[Any]]) -> tuple[Sequence[Row], str | None]:
    """The rows of a window that was asked for with one more than it holds, and the token of its end if there are more."""
    if len(rows) <= most:
        return rows, None
    return rows[:most], token(*place_of(rows[most - 1]))


def place(after: str | None, kinds: Sequence[type]) -> tuple[Any, ...] | None:
    """A place in a list from its text; None for the beginning.

    Raises
    ------
    InvalidInput
        If the text is no place in this list.
    """
    if after is None:
        return None
    try:
        values = read_json(base64.urlsafe_b64decode(after.encode()))
        if not isinstance(values, list) or len(values) != len(kinds):
            raise ValueError
        if any(type(value) is int and not 0 <= value < 2**31 for value in values):
            raise ValueError
        if not all(type(value) is kind for value, kind in zip(values, kinds, strict=True)):
            raise ValueError
    except ValueError as error:
        raise InvalidInput("after", after, say("isn't a place in this list; start over without it")) from error
    return tuple(values)


def like_words(text: str) -> dict[str, str]:
    """Patterns w0 to w5 for LIKE, one for each typed word; those that are left over fit everything."""
    words = text.lower().split()[:MOST_WORDS]
    escaped = [word.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") for word in words]
    return {f"w{n}": f"%{escaped[n]}%" if n < len(escaped) else "%" for n in range(MOST_WORDS)}
