"""The shelf in the database; neither commits nor knows HTTP."""

import json
import uuid
from pathlib import Path
from typing import Any

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.errors import InvalidInput
from lofty_press.core.stack.item import Ink, Item
from lofty_press.core.stack.press import Press
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.shelf.models import Category, ShelfEntry, ShelfWrite, category_of

SQL = load_queries(Path(__file__).parent)
PRESS, ITEM, INK = TypeAdapter(Press), TypeAdapter(Item), TypeAdapter(Ink)
GONE = "This is no longer on the shelf; somebody took it off."


def unpack(write: ShelfWrite) -> tuple[Category, str, dict[str, Any]]:
    """Category, name and stored body of what was sent; its own shelf id is not part of the body."""
    given = [part for part in (write.press, write.item, write.ink) if part is not None]
    if len(given) != 1:
        raise InvalidInput("item", len(given), "exactly one of press, item and ink must be given")
    if write.press is not None:
        return "press", write.press.name, {**PRESS.dump_python(write.press, mode="json"), "shelf_id": None}
    if write.ink is not None:
        return "ink", write.ink.name, {**INK.dump_python(write.ink, mode="json"), "shelf_id": None}
    assert write.item is not None
    return category_of(write.item.kind), write.item.name, {**ITEM.dump_python(write.item, mode="json"), "shelf_id": None}


def entry_of(row: dict[str, Any]) -> ShelfEntry:
    """A row as an entry; the parts carry the id that they have on the shelf."""
    body = {**json.loads(row["body"]), "shelf_id": row["id"]}
    fixed = {"id": row["id"], "category": row["category"], "version": row["version"]}
    try:
        if row["category"] == "press":
            return ShelfEntry(press=PRESS.validate_python(body), **fixed)
        if row["category"] == "ink":
            return ShelfEntry(ink=INK.validate_python(body), **fixed)
        return ShelfEntry(item=ITEM.validate_python(body), **fixed)
    except ValidationError as error:
        raise StoredUnreadable(row["name"], error) from error


def list_entries(connection: Connection) -> list[ShelfEntry]:
    """The whole shelf, by category and name."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_entries"])
        return [entry_of(row) for row in cursor.fetchall()]


def get_entry(connection: Connection, entry_id: str) -> ShelfEntry:
    """One thing, or `NotFound`."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_entry"], {"id": entry_id})
        row = cursor.fetchone()
    if row is None:
        raise NotFound(GONE)
    return entry_of(row)


def insert_entry(connection: Connection, write: ShelfWrite) -> ShelfEntry:
    """Put a new thing on the shelf."""
    category, name, body = unpack(write)
    entry_id = str(uuid.uuid4())
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert_entry"], {"id": entry_id, "category": category, "name": name, "body": json.dumps(body)})
    return get_entry(connection, entry_id)


def update_entry(connection: Connection, entry_id: str, write: ShelfWrite, version: int) -> ShelfEntry:
    """Replace a thing if nobody replaced it since `version`.

    Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
    """
    category, name, body = unpack(write)
    values = {"id": entry_id, "category": category, "name": name, "body": json.dumps(body), "version": version}
    with connection.cursor() as cursor:
        changed = cursor.execute(SQL["update_entry"], values)
    now = get_entry(connection, entry_id)
    if not changed and unpack(now)[2] != body:
        raise Conflict("Somebody changed this on the shelf in the meantime.", current=now.model_dump(mode="json"))
    return now


def delete_entry(connection: Connection, entry_id: str, version: int) -> None:
    """Take a thing off the shelf if nobody changed it since `version`."""
    with connection.cursor() as cursor:
        if not cursor.execute(SQL["delete_entry"], {"id": entry_id, "version": version}):
            now = get_entry(connection, entry_id)
            raise Conflict("Somebody changed this on the shelf in the meantime.", current=now.model_dump(mode="json"))


def count_entries(connection: Connection) -> int:
    """How many things the shelf holds."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["count_entries"])
        return int(cursor.fetchone()["found"])
