"""Relief maps in the database, each under the hash of its contents; neither commits nor knows HTTP."""

import hashlib
from pathlib import Path

from lofty_press.core.errors import InvalidInput
from lofty_press.core.relief.height_map import HeightMap
from lofty_press.documents.packed import pack_relief, unpack_relief
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)
LARGEST = 8_000_000  # bytes packed; the database takes 16 MB in one piece


def keep_relief(connection: Connection, name: str, relief: HeightMap, *, key: str | None = None) -> str:
    """Keep a relief and return its key: the hash of its contents, so that the same relief is kept once.

    Raises
    ------
    InvalidInput
        If it is too large to be kept.
    """
    body = pack_relief(relief)
    if len(body) > LARGEST:
        raise InvalidInput("file", len(body), "has too much detail to be kept; make it coarser")
    relief_id = key or hashlib.sha256(body).hexdigest()[:32]
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_relief"], {"id": relief_id, "name": name[:120], "body": body})
    return relief_id


def get_relief(connection: Connection, relief_id: str) -> HeightMap | None:
    """A kept relief, or None."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_relief"], {"id": relief_id})
        row = cursor.fetchone()
    return None if row is None else unpack_relief(row["body"])
