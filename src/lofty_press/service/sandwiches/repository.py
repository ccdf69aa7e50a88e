"""Sandwiches in the database; neither commits nor knows HTTP.

A sandwich is kept whole, with the numbers of everything in it. When it is read, things that are still on the shelf are
brought up to date, so that a thickness corrected on the shelf holds in every sandwich.
"""

import json
import uuid
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.stack import Refresh, Sandwich, apply_edits, check_sandwich
from lofty_press.core.words import say
from lofty_press.documents.refusal import at_field, field_of
from lofty_press.documents.sandwich_file import SANDWICH
from lofty_press.documents.shapes import SHAPE, current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, token
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.sandwiches.models import SandwichPage, SandwichRecord, SandwichSummary
from lofty_press.service.shelf.models import ShelfEntry
from lofty_press.service.shelf.repository import entry_of

SQL = load_queries(Path(__file__).parent)


def list_window(connection: Connection, *, text: str, after: str | None, most: int) -> SandwichPage:
    """A window of all sandwiches, last worked on first."""
    last = place(after, (str, str, str)) or ("", "", "")
    words = like_words(text)
    window, count = ("find_window", "count_found") if text.strip() else ("list_window", "count_all")
    with connection.cursor() as cursor:
        cursor.execute(SQL[window], {"at": last[0], "name": last[1], "id": last[2], "most": most + 1, **words})
        rows = cursor.fetchall()
        cursor.execute(SQL[count], words)
        total = int(cursor.fetchone()["found"])
    more, rows = len(rows) > most, rows[:most]
    end = token(f"{rows[-1]['updated_at']:%Y-%m-%d %H:%M:%S.%f}", rows[-1]["name"], rows[-1]["id"]) if more else None
    return SandwichPage(sandwiches=[SandwichSummary(**row) for row in rows], next=end, total=total)


def stored_row(connection: Connection, sandwich_id: str) -> dict[str, Any]:
    """A row as it was stored, or `NotFound`."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_sandwich"], {"id": sandwich_id})
        row: dict[str, Any] | None = cursor.fetchone()
    if row is None:
        raise NotFound(say("This sandwich is not here any more; somebody deleted it."))
    return row


def get_sandwich(connection: Connection, sandwich_id: str) -> SandwichRecord:
    """A sandwich with what it holds as it is on the shelf now.

    Raises
    ------
    NotFound, StoredUnreadable
        If it is not there, or this version of the program cannot read it.
    """
    row = stored_row(connection, sandwich_id)
    try:
        stored = SANDWICH.validate_python(current("sandwich", json.loads(row["body"]), row["shape"]))
    except ValidationError as error:
        raise StoredUnreadable(row["name"], at_field(error), field=field_of(error)) from error
    except (ValueError, KeyError, TypeError, AttributeError) as error:
        raise StoredUnreadable(row["name"], say("it is damaged ({reason}).", reason=str(error)[:80])) from error
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


def body_of(sandwich: Sandwich) -> str:
    """What is stored of a sandwich."""
    check_sandwich(sandwich)
    return json.dumps(SANDWICH.dump_python(sandwich, mode="json"))


def insert_sandwich(connection: Connection, sandwich: Sandwich) -> str:
    """Keep a new sandwich and return its id."""
    sandwich_id = str(uuid.uuid4())
    values = {"id": sandwich_id, "name": sandwich.name, "body": body_of(sandwich), "shape": SHAPE}
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert_sandwich"], values)
    return sandwich_id


def update_sandwich(connection: Connection, sandwich_id: str, sandwich: Sandwich, version: int) -> SandwichRecord:
    """Replace a sandwich if nobody replaced it since `version`.

    Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
    """
    body = body_of(sandwich)
    values = {"id": sandwich_id, "name": sandwich.name, "body": body, "version": version, "shape": SHAPE}
    with connection.cursor() as cursor:
        changed = cursor.execute(SQL["update_sandwich"], values)
    if not changed and json.loads(stored_row(connection, sandwich_id)["body"]) != json.loads(body):
        refuse_stale(connection, sandwich_id)
    return get_sandwich(connection, sandwich_id)


def delete_sandwich(connection: Connection, sandwich_id: str, version: int) -> None:
    """Delete a sandwich if nobody changed it since `version`; it need not be readable."""
    with connection.cursor() as cursor:
        if not cursor.execute(SQL["delete_sandwich"], {"id": sandwich_id, "version": version}):
            refuse_stale(connection, sandwich_id)


def refuse_stale(connection: Connection, sandwich_id: str) -> None:
    """Raise the conflict, with the newest state in hand."""
    now = get_sandwich(connection, sandwich_id)
    raise Conflict(say("This sandwich was changed somewhere else in the meantime."), current=now.model_dump(mode="json"))
