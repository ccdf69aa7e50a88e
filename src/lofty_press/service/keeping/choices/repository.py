"""A person's choices in the database."""

import json
from pathlib import Path

from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)


def chosen(connection: Connection) -> dict[str, str]:
    """All choices that were made, by their names; what is none is left out."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_settings"])
        found = {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()}
    return {name: value for name, value in found.items() if isinstance(value, str)}


def keep(connection: Connection, name: str, value: str) -> None:
    """Keep a choice."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["put_setting"], {"name": name, "body": json.dumps(value)})
