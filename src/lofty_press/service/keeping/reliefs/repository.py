"""Relief maps in the database, each under the hash of its contents; neither commits nor knows HTTP."""

import hashlib
from pathlib import Path

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.documents.files.sandwich_file import reliefs_in
from lofty_press.documents.kept.packed import plain_relief
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)
LARGEST = 8_000_000  # bytes packed; the database takes 16 MB in one piece


def relief_key(packed: bytes) -> str:
    """The key that a packed relief's contents decide, however well they were compressed."""
    return hashlib.sha256(plain_relief(packed)).hexdigest()[:32]


def keep_relief(connection: Connection, name: str, packed: bytes) -> str:
    """Keep a packed relief and return its key: the hash of its contents, so that the same relief is kept once and two never share a key.

    Raises
    ------
    InvalidInput
        If it is too large to be kept.
    """
    if len(packed) > LARGEST:
        raise InvalidInput("file", len(packed), say("has too much detail to be kept; make it coarser"))
    key = relief_key(packed)
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_relief"], {"id": key, "name": name[:120], "body": packed})
    return key


def packed_of(connection: Connection, sandwich: Sandwich) -> dict[str, bytes]:
    """Those of a sandwich's reliefs that are kept here, packed, by key."""
    found = {key: get_packed(connection, key) for key in reliefs_in(sandwich)}
    return {key: packed for key, packed in found.items() if packed is not None}


def get_packed(connection: Connection, relief_id: str) -> bytes | None:
    """A kept relief as it was packed, or None."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_relief"], {"id": relief_id})
        row = cursor.fetchone()
    return None if row is None else bytes(row["body"])
