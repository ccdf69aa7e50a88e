"""The shelf in the database; neither commits nor knows HTTP."""

import hashlib
import json
from pathlib import Path
from typing import get_args

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import named, say
from lofty_press.core.sandwich.stack import Ink, Item, Press, check_item
from lofty_press.core.working.setout import likeness
from lofty_press.documents.answers.refusal import at_field
from lofty_press.documents.files.shapes import SHAPE, Kind, current, stored_text
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, window
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, Versioned
from lofty_press.service.http.errors import StoredUnreadable
from lofty_press.service.keeping.shelf.models import Category, ShelfEntry, ShelfPage, ShelfWrite, category_of

SQL = load_queries(Path(__file__).parent)
PRESS, ITEM, INK = TypeAdapter(Press), TypeAdapter(Item), TypeAdapter(Ink)
CATEGORIES: tuple[str, ...] = get_args(Category)
SLACK = 0.5  # mm that nobody measures


def values_of(write: ShelfWrite) -> Row:
    """What is stored of what was sent; its own shelf id is not part of the body.

    Raises
    ------
    InvalidInput
        If not exactly one thing was sent, or an item lacks what makes it what it is.
    """
    given = [part for part in (write.press, write.item, write.ink) if part is not None]
    if len(given) != 1:
        raise InvalidInput("item", len(given), say("exactly one of press, item and ink must be given"))
    if write.press is not None:
        return columns("press", write.press.name, PRESS.dump_python(write.press, mode="json"))
    if write.ink is not None:
        return columns("ink", write.ink.name, INK.dump_python(write.ink, mode="json"))
    assert write.item is not None
    check_item("item", write.item)
    return columns(category_of(write.item.kind), write.item.name, ITEM.dump_python(write.item, mode="json"))


def columns(category: Category, name: str, body: Row) -> Row:
    """The columns of a thing."""
    return {"category": category, "name": name, "body": stored_text({**body, "shelf_id": None}), "shape": SHAPE}


def body_kind(category: str) -> Kind:
    """Which sort of body a category's rows hold."""
    return "press" if category == "press" else "ink" if category == "ink" else "item"


def current_body(row: Row) -> Row:
    """The body of a row in today's shape, with the id that it has on the shelf.

    Raises
    ------
    InvalidInput, ValueError
        If it cannot be read.
    """
    return {**current(body_kind(row["category"]), json.loads(row["body"]), row["shape"]), "shelf_id": row["id"]}


def entry_of(row: Row) -> ShelfEntry:
    """A row as an entry; one that this version cannot read says so and keeps its place."""
    fixed = {name: row[name] for name in ("id", "category", "version", "name")}
    try:
        body = current_body(row)
        if row["category"] == "press":
            return ShelfEntry(press=PRESS.validate_python(body), **fixed)
        if row["category"] == "ink":
            return ShelfEntry(ink=INK.validate_python(body), **fixed)
        item = ITEM.validate_python(body)
        like = likeness(item)
        return ShelfEntry(item=item, twins=None if like is None else hashlib.sha256(repr(like).encode()).hexdigest()[:16], **fixed)
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
    values: Row = {"category": category or "", **like_words(text), **fits(connection, press, tool)}
    with connection.cursor() as cursor:
        where = {"rank": last[0], "name": last[1], "id": last[2], "most": most + 1}
        cursor.execute(SQL["list_window"], {**values, **where})
        rows = cursor.fetchall()
        cursor.execute(SQL["count_window"], values)
        counted = cursor.fetchone()
    rows, end = window(rows, most, lambda row: (CATEGORIES.index(row["category"]) + 1, row["name"], row["id"]))
    entries = [entry_of(row) for row in rows]
    return ShelfPage(entries=entries, next=end, total=counted["found"], measured=int(counted["measured"]))


def fits(connection: Connection, press: str | None, tool: str | None) -> dict[str, float]:
    """Limits of what passes a press and covers a tool [mm]; 0 where it does not matter."""
    limits = {"widest": 0.0, "covers_across": 0.0, "covers_along": 0.0}
    if press is not None:
        chosen = find_press(connection, press)
        if chosen is None:
            raise InvalidInput("press", press, say("must be a press on the shelf; it may have been taken off since"))
        limits["widest"] = chosen.feed_width_mm + SLACK
    if tool is not None:
        row = kept.find(connection, tool)
        item = None if row is None else entry_of(row).item
        if item is None:
            raise InvalidInput("tool", tool, say("isn't on the shelf; it may have been taken off since"))
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
    row = kept.find(connection, press_id)
    return None if row is None else entry_of(row).press


def readable_entry(_: Connection, row: Row) -> ShelfEntry:
    """A row as an entry, or `StoredUnreadable`."""
    entry = entry_of(row)
    if entry.unreadable is not None:
        raise StoredUnreadable(entry.name, entry.unreadable)
    return entry


kept = Versioned(
    queries=SQL,
    read=readable_entry,
    gone=say("This is gone from the shelf; somebody took it off."),
    stale=say("Somebody else changed this on the shelf in the meantime."),
)


def count_entries(connection: Connection) -> int:
    """How many things the shelf holds."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["count_entries"])
        return int(cursor.fetchone()["found"])
