"""Evidence out of the database: ended runs, among them the piles that somebody knew before."""

import json
import logging
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.dialin import Evidence, Tried, drift_after, took_hold
from lofty_press.core.stack import Item, Press, Refresh, apply_edits
from lofty_press.core.steps import zones_of
from lofty_press.core.verdict import Zone
from lofty_press.documents.shapes import current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.runs.models import RunBody

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
MOST = 300
"""Runs that are learnt from, the newest first: older ones tell of plates that are no longer as they were."""


def seen_in(body: RunBody) -> frozenset[Zone] | None:
    """The zones that fit a run; None if it tells nothing of them."""
    if body.left_out or body.result is None:
        return None
    fits = zones_of(body.sandwich.effect.kind, body.result)
    return fits | {"hard"} if fits and body.effort == "hard" and body.result == "right" else fits


def read_lessons(connection: Connection, presses: dict[str, Press], items: dict[str, Item]) -> list[Evidence]:
    """Every run that teaches something, with what lay there as the shelf has it now; one on a press that is gone teaches nothing here."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["lessons"], {"most": MOST})
        rows = cursor.fetchall()
    found: list[Evidence] = []
    for row in rows:
        try:
            body = RunBody.model_validate(current("run", json.loads(row["body"]), row["shape"]))
            seen, press = seen_in(body), presses.get(body.sandwich.press.shelf_id or "")
            if press is None or (seen is None and (body.paper_sheets is None or body.left_out)):
                continue
            things = {item.shelf_id for item in body.sandwich.items.values()}
            edits = [Refresh(press=press), *(Refresh(item=items[key]) for key in things if key in items)]
            sandwich = apply_edits(body.sandwich, edits)
            drift = drift_after(row["days"])
            if seen is not None:
                found.append(Tried(key=row["id"], sandwich=sandwich, seen=seen, drift=drift))
            elif body.paper_sheets is not None:
                found.append(took_hold(row["id"], sandwich, body.paper_sheets, drift))
        except (ValidationError, ValueError) as error:
            log.warning("run %s teaches nothing: %s", row["id"], error)
    return found


def mark_of(connection: Connection) -> tuple[Any, ...]:
    """Something that changes whenever there is more or other evidence."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["mark"])
        row: dict[str, Any] = cursor.fetchone()
    return tuple(row.values())


def any_known(connection: Connection) -> bool:
    """True if somebody has told of a pile that was known before."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["known"])
        return bool(cursor.fetchone()["known"])
