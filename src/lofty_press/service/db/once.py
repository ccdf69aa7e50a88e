"""Making a thing once, however often the request for it arrives."""

import hashlib
from collections.abc import Callable
from pathlib import Path
from typing import Annotated

from fastapi import Header
from pydantic import BaseModel

from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.http.errors import KeyUsed

SQL = load_queries(Path(__file__).parent)
REMEMBERED_DAYS = 30

OnceKey = Annotated[
    str | None,
    Header(
        alias="idempotency-key",
        min_length=8,
        max_length=64,
        pattern=r"^[!-~]+$",
        description="Chosen by who asks, a new one for each thing to be made; repeating the request with it makes nothing twice.",
    ),
]


def once(connection: Connection, key: str | None, what: str, asked: BaseModel | bytes, make: Callable[[], str]) -> str:
    """Id of the thing that a request makes, or that the same request made before.

    Parameters
    ----------
    key : str or None
        The request's key; without one the thing is made in any case.
    what : str
        Which sort of thing; part of what a key stands for.
    asked : model or bytes
        The request's contents.
    make : callable
        Makes the thing in the same transaction and returns its id.

    Raises
    ------
    KeyUsed
        If the key stood for other contents before.
    """
    if key is None:
        return make()
    content = asked if isinstance(asked, bytes) else asked.model_dump_json().encode()
    digest = hashlib.sha256(what.encode() + b"\0" + content).hexdigest()
    with connection.cursor() as cursor:  # a twin that is under way holds the row: this waits until it has ended one way or the other
        if cursor.execute(SQL["take_key"], {"key": key, "digest": digest}):
            made = make()
            cursor.execute(SQL["note_made"], {"key": key, "made": made})
            return made
        cursor.execute(SQL["read_key"], {"key": key})
        row = cursor.fetchone()
    if row is None or row["digest"] != digest:
        raise KeyUsed()
    return str(row["made"])


def forget_old_keys(connection: Connection) -> None:
    """Let go of keys that nobody repeats any more."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["forget_keys"], {"days": REMEMBERED_DAYS})
