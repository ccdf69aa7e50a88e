"""Everything that the database holds of a person's own, into an archive. What is computed (pressed sheets, wear) is computed anew."""

import json
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path
from typing import Any

from lofty_press.documents.files.archive.manifest import SETTINGS
from lofty_press.documents.files.archive.write import ArchiveWriter
from lofty_press.documents.files.wear_file import pattern_steps
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)


def collect(connection: Connection, path: Path) -> None:
    """Write an archive of one state of everything; `connection` has to be in a reading transaction."""
    with ArchiveWriter(path) as archive:
        for folder in ("shelf", "sandwiches", "jobs", "paper", "practice", "runs"):
            for row in rows(connection, f"{folder}_after"):
                archive.put_json(f"{folder}/{row.pop('id')}.json", told(row))
        for row in rows(connection, "reliefs_after"):
            archive.put_relief(row["id"], row["name"], bytes(row["body"]))
        for row in rows(connection, "photos_after"):
            archive.put(f"runs/{row['id']}.jpg", bytes(row["body"]))
        for row in rows(connection, "pictures_after"):
            archive.put(f"pictures/{row['id']}.jpg", bytes(row["body"]))
        for row in rows(connection, "patterns_after"):
            places, weight = pattern_steps(bytes(row["body"]))
            content = {"name": row["name"], "weight": weight, "places": places.tolist()}
            archive.put_json(f"plates/patterns/{row['id']}.json", content)
        for row in rows(connection, "lives_after"):
            life = row.pop("id")
            archive.put_json(f"plates/{life}.json", {**told(row), "marks": [told(mark) for mark in marks_of(connection, life)]})
        with connection.cursor() as cursor:
            cursor.execute(SQL["settings"])
            archive.put_json(SETTINGS, {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()})


def rows(connection: Connection, query: str) -> Iterator[dict[str, Any]]:
    """All rows of a table by their ids, a few at a time."""
    after = ""
    while True:
        with connection.cursor() as cursor:
            cursor.execute(SQL[query], {"after": after})
            found = cursor.fetchall()
        if not found:
            return
        after = found[-1]["id"]
        yield from found


def marks_of(connection: Connection, life: str) -> list[dict[str, Any]]:
    with connection.cursor() as cursor:
        cursor.execute(SQL["marks_of"], {"life_id": life})
        return list(cursor.fetchall())


def told(row: dict[str, Any]) -> dict[str, Any]:
    """A row as JSON: times with their zone, bodies as what they hold."""
    return {name: plain(name, value) for name, value in row.items()}


def plain(name: str, value: Any) -> Any:
    if isinstance(value, datetime):
        return value.isoformat(timespec="milliseconds")
    return json.loads(value) if name in ("body", "item") else value
