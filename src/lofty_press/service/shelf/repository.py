"""The shelf in the database; neither commits nor knows HTTP."""

import json
import uuid
from pathlib import Path
from typing import Any, get_args

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.errors import InvalidInput
from lofty_press.core.stack import Ink, Item, Press, check_item
from lofty_press.core.words import named, say
from lofty_press.documents.refusal import at_field
from lofty_press.documents.shapes import SHAPE, Kind, current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, token
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.shelf.models import Category, ShelfEntry, ShelfPage, ShelfWrite, category_of

SQL = load_queries(Path(__file__).parent)
PRESS, ITEM, INK = TypeAdapter(Press), TypeAdapter(Item), TypeAdapter(Ink)
CATEGORIES: tuple[str, ...] = get_args(Category)
SLACK = 0.5  # mm that nobody measures
GONE = say("This is no longer on the shelf; somebody took it off.")
STALE = say("Somebody changed this on the shelf in the meantime.")


def unpack(write: ShelfWrite) -> tuple[Category, str, dict[str, Any]]:
    """Category, name and stored body of what was sent; its own shelf id is not part of the body.

    Raises
    ------
    InvalidInput
        If not exactly one thing was sent, or an item lacks what makes it what it is.
    """
    given = [part for part in (write.press, write.item, write.ink) if part is not None]
    if len(given) != 1:
        raise InvalidInput("item", len(given), say("exactly one of press, item and ink must be given"))
    if write.press is not None:
        return "press", write.press.name, {**PRESS.dump_python(write.press, mode="json"), "shelf_id": None}
    if write.ink is not None:
        return "ink", write.ink.name, {**INK.dump_python(write.ink, mode="json"), "shelf_id": None}
    assert write.item is not None
    check_item("item", write.item)
    return category_of(write.item.kind), write.item.name, {**ITEM.dump_python(write.item, mode="json"), "shelf_id": None}


def body_kind(category: str) -> Kind:
    """Which sort of body a category's rows hold."""
    return "press" if category == "press" else "ink" if category == "ink" else "item"


def current_body(row: dict[str, Any]) -> dict[str, Any]:
    """The body of a row in today's shape, with the id that it has on the shelf.

    Raises
    ------
    InvalidInput, ValueError
        If it cannot be read.
    """
    return {**current(body_kind(row["category"]), json.loads(row["body"]), row["shape"]), "shelf_id": row["id"]}


def entry_of(row: dict[str, Any]) -> ShelfEntry:
    """A row as an entry; one that this version cannot read says so and keeps its place."""
    fixed = {name: row[name] for name in ("id", "category", "version", "name")}
    try:
        body = current_body(row)
        if row["category"] == "press":
            return ShelfEntry(press=PRESS.validate_python(body), **fixed)
        if row["category"] == "ink":
            return ShelfEntry(ink=INK.validate_python(body), **fixed)
        return ShelfEntry(item=ITEM.validate_python(body), **fixed)
    except ValidationError as error:
        return ShelfEntry(unreadable=at_field(error), **fixed)
    except ValueError as error:
        return ShelfEntry(unreadable=named(str(error)), **fixed)


def list_window(
    connection: Connection,
    *,
    category: Category | None,
    text: str,
    after: str | None,
    most: int,
    press: str | None = None,
    tool: str | None = None,
) -> ShelfPage:
    """A window of the shelf, by category and name: what passes a press, and what is large enough for a tool, where one is given."""
    last = place(after, (int, str, str)) or (0, "", "")
    values: dict[str, Any] = {"category": category or "", **like_words(text), **fits(connection, press, tool)}
    with connection.cursor() as cursor:
        where = {"rank": last[0], "name": last[1], "id": last[2], "most": most + 1}
        cursor.execute(SQL["list_window"], {**values, **where})
        rows = cursor.fetchall()
        cursor.execute(SQL["count_window"], values)
        counted = cursor.fetchone()
    more, rows = len(rows) > most, rows[:most]
    end = token(CATEGORIES.index(rows[-1]["category"]) + 1, rows[-1]["name"], rows[-1]["id"]) if more else None
    entries = [entry_of(row) for row in rows]
    return ShelfPage(entries=entries, next=end, total=counted["found"], measured=int(counted["measured"]))


def fits(connection: Connection, press: str | None, tool: str | None) -> dict[str, float]:
    """Limits of what passes a press and covers a tool [mm]; 0 where it does not matter."""
    limits = {"widest": 0.0, "covers_across": 0.0, "covers_along": 0.0}
    if press is not None:
        chosen = find_press(connection, press)
        if chosen is None:
            raise InvalidInput("press", press, say("must be a press on the shelf; it may have been taken off in the meantime"))
        limits["widest"] = chosen.feed_width_mm + SLACK
    if tool is not None:
        row = find_row(connection, tool)
        item = None if row is None else entry_of(row).item
        if item is None:
            raise InvalidInput("tool", tool, say("is not on the shelf; it may have been taken off in the meantime"))
        limits |= {"covers_across": item.width_mm - SLACK, "covers_along": item.length_mm - SLACK}
    return limits


def list_entries(connection: Connection) -> list[ShelfEntry]:
    """The whole shelf, by category and name."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_all"])
        return [entry_of(row) for row in cursor.fetchall()]


def readable_items(connection: Connection) -> dict[str, Item]:
    """Everything that can lie in a sandwich, by its id; what cannot be read is left out."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_items"])
        found = [entry_of(row) for row in cursor.fetchall()]
    return {entry.id: entry.item for entry in found if entry.item is not None}


def items_of_kind(connection: Connection, kind: str) -> list[Item]:
    """Every readable thing of one kind."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_kind"], {"kind": kind})
        return [entry.item for row in cursor.fetchall() if (entry := entry_of(row)).item is not None]


def find_press(connection: Connection, press_id: str) -> Press | None:
    """A press on the shelf, or None."""
    row = find_row(connection, press_id)
    return None if row is None else entry_of(row).press


def find_row(connection: Connection, entry_id: str) -> dict[str, Any] | None:
    """A row as it was stored, or None."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_entry"], {"id": entry_id})
        row: dict[str, Any] | None = cursor.fetchone()
    return row


def stored_row(connection: Connection, entry_id: str) -> dict[str, Any]:
    """A row as it was stored, or `NotFound`."""
    row = find_row(connection, entry_id)
    if row is None:
        raise NotFound(GONE)
    return row


def get_entry(connection: Connection, entry_id: str) -> ShelfEntry:
    """One thing, `NotFound` or `StoredUnreadable`."""
    entry = entry_of(stored_row(connection, entry_id))
    if entry.unreadable is not None:
        raise StoredUnreadable(entry.name, entry.unreadable)
    return entry


def insert_entry(connection: Connection, write: ShelfWrite, *, entry_id: str | None = None) -> str:
    """Put a new thing on the shelf and return its id."""
    category, name, body = unpack(write)
    entry_id = entry_id or str(uuid.uuid4())
    values = {"id": entry_id, "category": category, "name": name, "body": json.dumps(body), "shape": SHAPE}
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert_entry"], values)
    return entry_id


def update_entry(connection: Connection, entry_id: str, write: ShelfWrite, version: int) -> ShelfEntry:
    """Replace a thing if nobody replaced it since `version`.

    Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
    """
    category, name, body = unpack(write)
    values = {"id": entry_id, "category": category, "name": name, "body": json.dumps(body), "version": version, "shape": SHAPE}
    with connection.cursor() as cursor:
        changed = cursor.execute(SQL["update_entry"], values)
    now = get_entry(connection, entry_id)
    if not changed and unpack(now)[2] != body:
        raise Conflict(STALE, current=now.model_dump(mode="json"))
    return now


def delete_entry(connection: Connection, entry_id: str, version: int) -> None:
    """Take a thing off the shelf if nobody changed it since `version`; it need not be readable."""
    with connection.cursor() as cursor:
        if not cursor.execute(SQL["delete_entry"], {"id": entry_id, "version": version}):
            now = entry_of(stored_row(connection, entry_id))
            raise Conflict(STALE, current=now.model_dump(mode="json"))


def count_entries(connection: Connection) -> int:
    """How many things the shelf holds."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["count_entries"])
        return int(cursor.fetchone()["found"])
