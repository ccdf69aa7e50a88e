"""Photos of things in the database, each under the hash of its contents; neither commits nor knows HTTP."""

import hashlib
from pathlib import Path

from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)


def picture_key(body: bytes) -> str:
    """The key that a picture's contents decide."""
    return hashlib.sha256(body).hexdigest()[:32]


def keep_picture(connection: Connection, body: bytes) -> str:
    """Keep a picture and return its key; the same one is kept once."""
    key = picture_key(body)
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_picture"], {"id": key, "body": body})
    return key


def get_picture(connection: Connection, key: str) -> bytes | None:
    """A kept picture, or None."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_picture"], {"id": key})
        row = cursor.fetchone()
    return None if row is None else bytes(row["body"])
