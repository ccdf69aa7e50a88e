"""Sandwiches in the database; neither commits nor knows HTTP.

A sandwich is kept whole, with the numbers of everything in it. When it is read, things that are still on the shelf are
brought up to date, so that a thickness corrected on the shelf holds in every sandwich.
"""

import json
import uuid
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.stack import Sandwich, check_sandwich
from lofty_press.documents.refusal import describe_validation
from lofty_press.documents.sandwich_file import SANDWICH
from lofty_press.documents.shapes import SHAPE, current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, token
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.sandwiches.models import SandwichPage, SandwichRecord, SandwichSummary
from lofty_press.service.shelf.repository import current_body, entry_of

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
        raise NotFound("This sandwich is not here any more; somebody deleted it.")
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
        body = current("sandwich", json.loads(row["body"]), row["shape"])
        gone = refresh(body, shelf_parts(connection, body))
        sandwich = SANDWICH.validate_python(body)
    except ValidationError as error:
        field, message = describe_validation(error.errors())
        raise StoredUnreadable(row["name"], message, field=field) from error
    except (ValueError, KeyError, TypeError, AttributeError) as error:
        raise StoredUnreadable(row["name"], f"it is damaged ({str(error)[:80]}).") from error
    return SandwichRecord(id=row["id"], version=row["version"], sandwich=sandwich, gone=gone)


def shelf_parts(connection: Connection, body: dict[str, Any]) -> dict[str, dict[str, Any]]:
    """What the shelf says now of everything in a sandwich that came from it; what cannot be read there is left out."""
    named = {item.get("shelf_id") for item in body["items"].values()} | {body["press"].get("shelf_id")}
    ids = tuple(sorted(i for i in named if isinstance(i, str) and i.isascii()))
    if not ids:
        return {}
    found = {}
    with connection.cursor() as cursor:
        cursor.execute(SQL["shelf_bodies"], {"ids": ids})
        for row in cursor.fetchall():
            if entry_of(row).unreadable is None:
                found[row["id"]] = current_body(row)
    return found


def refresh(body: dict[str, Any], shelf: dict[str, dict[str, Any]]) -> list[str]:
    """Bring the press and items of a stored sandwich up to date in place; return the keys whose original is gone."""
    gone = []
    for key, item in body["items"].items():
        shelf_id = item.get("shelf_id")
        if shelf_id in shelf and shelf[shelf_id].get("kind") == item["kind"]:
            body["items"][key] = {**shelf[shelf_id], **piece_of(item, shelf[shelf_id]), "shelf_id": shelf_id}
        elif shelf_id is not None:
            gone.append(key)
    press_id = body["press"].get("shelf_id")
    if press_id in shelf:
        body["press"] = {**shelf[press_id], "shelf_id": press_id}
    elif press_id is not None:
        gone.append("press")
    return gone


def piece_of(item: dict[str, Any], whole: dict[str, Any]) -> dict[str, float]:
    """A sheet may lie in a sandwich cut smaller than it is on the shelf; its size stays what it was cut to."""
    if item["kind"] != "sheet":
        return {}
    return {side: min(item[side], whole[side]) for side in ("width_mm", "length_mm")}


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
    raise Conflict("This sandwich was changed somewhere else in the meantime.", current=now.model_dump(mode="json"))
