"""Drills that were done, in the database; neither commits nor knows HTTP."""

import logging
import uuid
from datetime import datetime
from pathlib import Path

from lofty_press.documents.answers.practice import DONE, Done
from lofty_press.documents.files.shapes import SHAPE, read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, readable
from lofty_press.service.http.errors import StoredUnreadable

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
OURS = uuid.UUID("b8a7c0a2-3a54-4c0b-9c55-0f5c1e0c7d11")
"""What the id of a drill is made of, so that the same drill is the same row."""
MOST = 1000
"""Drills by which somebody is judged, the latest: what was done long ago says little of today."""


def latest(connection: Connection) -> list[tuple[datetime, Done]]:
    """The latest drills with the time at which they were done, the earliest first; one that cannot be read is logged and left out."""
    found = []
    with connection.cursor() as cursor:
        cursor.execute(SQL["latest"], {"most": MOST})
        for row in cursor.fetchall():
            try:
                found.append((row["created_at"], done_of(row)))
            except StoredUnreadable as error:
                log.warning("drill %s: %s", row["id"], error)
    return found[::-1]


def done_of(row: Row) -> Done:
    """A row as a drill that was done, or `StoredUnreadable`."""
    with readable(row["name"]):
        return read_stored(DONE, "drill", row["body"], row["shape"])


def keep(connection: Connection, done: Done) -> None:
    """Keep a drill that was done; it is never changed afterwards. One that is answered again says nothing new: the first end counts."""
    which = done.which
    key = str(uuid.uuid5(OURS, f"{which.skill} {which.seed} {which.level!r}"))
    values = {"id": key, "name": done.which.skill, "body": done.model_dump_json(), "shape": SHAPE}
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert"], values)
