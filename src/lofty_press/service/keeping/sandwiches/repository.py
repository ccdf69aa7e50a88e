"""Sandwiches in the database; neither commits nor knows HTTP.

A sandwich is kept whole, with the numbers of everything in it. When it is read, things that are still on the shelf are
brought up to date, so that a thickness corrected on the shelf holds in every sandwich.
"""

from pathlib import Path

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Refresh, Sandwich, apply_edits, check_sandwich
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.files.shapes import SHAPE, read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, window
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, Versioned, readable
from lofty_press.service.keeping.sandwiches.models import SandwichPage, SandwichRecord, SandwichSummary
from lofty_press.service.keeping.shelf.models import ShelfEntry
from lofty_press.service.keeping.shelf.repository import entry_of

SQL = load_queries(Path(__file__).parent)


def list_window(connection: Connection, *, text: str, after: str | None, most: int) -> SandwichPage:
    """A window of all sandwiches, last worked on first."""
    last = place(after, (str, str, str)) or ("", "", "")
    words = like_words(text)
    which, count = ("find_window", "count_found") if text.strip() else ("list_window", "count_all")
    with connection.cursor() as cursor:
        cursor.execute(SQL[which], {"at": last[0], "name": last[1], "id": last[2], "most": most + 1, **words})
        rows = cursor.fetchall()
        cursor.execute(SQL[count], words)
        total = int(cursor.fetchone()["found"])
    rows, end = window(rows, most, lambda row: (f"{row['updated_at']:%Y-%m-%d %H:%M:%S.%f}", row["name"], row["id"]))
    return SandwichPage(sandwiches=[SandwichSummary(**row) for row in rows], next=end, total=total)


def record_of(connection: Connection, row: Row) -> SandwichRecord:
    """A row as a sandwich with what it holds as it is on the shelf now, or `StoredUnreadable`."""
    with readable(row["name"]):
        stored = read_stored(SANDWICH, "sandwich", row["body"], row["shape"])
    shelf = shelf_parts(connection, stored)
    fresh = apply_edits(stored, [Refresh(item=entry.item, press=entry.press) for entry in shelf.values()])
    return SandwichRecord(id=row["id"], version=row["version"], sandwich=fresh, gone=gone_from(shelf, fresh))


def shelf_parts(connection: Connection, sandwich: Sandwich) -> dict[str, ShelfEntry]:
    """What the shelf says now of everything in a sandwich that came from it, by its id there; what cannot be read there is left out."""
    named = {item.shelf_id for item in sandwich.items.values()} | {sandwich.press.shelf_id}
    ids = tuple(sorted(i for i in named if i is not None and i.isascii()))
    if not ids:
        return {}
    with connection.cursor() as cursor:
        cursor.execute(SQL["shelf_bodies"], {"ids": ids})
        entries = [entry_of(row) for row in cursor.fetchall()]
    return {entry.id: entry for entry in entries if entry.unreadable is None}


def gone_from(shelf: dict[str, ShelfEntry], sandwich: Sandwich) -> list[str]:
    """Keys of the things whose original is no longer on the shelf, and "press" for the press."""
    there = {(entry.id, entry.item.kind) for entry in shelf.values() if entry.item is not None}
    gone = [key for key, item in sandwich.items.items() if item.shelf_id is not None and (item.shelf_id, item.kind) not in there]
    press = sandwich.press.shelf_id
    return gone if press is None or (press in shelf and shelf[press].press is not None) else [*gone, "press"]


def values_of(sandwich: Sandwich) -> Row:
    """What is stored of a sandwich."""
    check_sandwich(sandwich)
    return {"name": sandwich.name, "body": SANDWICH.dump_json(sandwich).decode(), "shape": SHAPE}


kept = Versioned(
    queries=SQL,
    read=record_of,
    gone=say("This sandwich is gone; somebody deleted it."),
    stale=say("This sandwich has been changed somewhere else."),
)
