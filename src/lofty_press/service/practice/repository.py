"""Drills that were done, in the database; neither commits nor knows HTTP."""

import json
import logging
import uuid
from datetime import datetime
from pathlib import Path

from lofty_press.documents.practice import Done
from lofty_press.documents.shapes import SHAPE
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, readable
from lofty_press.service.errors import StoredUnreadable

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
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
        return Done.model_validate(json.loads(row["body"]))


def keep(connection: Connection, done: Done) -> None:
    """Keep a drill that was done; it is never changed afterwards."""
    values = {"id": str(uuid.uuid4()), "name": done.which.skill, "body": done.model_dump_json(), "shape": SHAPE}
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert"], values)
