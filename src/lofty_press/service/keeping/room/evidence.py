"""Evidence out of the database: ended runs, among them the piles that somebody knew before."""

import logging
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.judging.dialin import AWAY, Cracked, Evidence, Traced, Tried, as_of_elsewhere, drift_after, peak_of, took_hold
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import Item, Press, Refresh, Sandwich, apply_edits
from lofty_press.core.teaching.coach import lesson_of
from lofty_press.core.working.steps import zones_of
from lofty_press.documents.files.shapes import read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.keeping.runs.models import RUN_BODY, RunBody

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
MOST = 300
"""Runs that are learnt from, the newest first: older ones tell of plates that are no longer as they were."""
MOST_AWAY = 40
"""Of these, as many from other rooms: each brings a press and plates of which nothing else is known."""


def seen_in(body: RunBody) -> frozenset[Zone] | None:
    """The zones that fit a run; None if it tells nothing of them."""
    if body.left_out or body.result is None:
        return None
    fits = zones_of(body.sandwich.effect.kind, body.result)
    return fits | {"hard"} if fits and body.effort == "hard" and body.result == "right" else fits


def read_lessons(connection: Connection, presses: dict[str, Press], items: dict[str, Item]) -> list[Evidence]:
    """Every run that teaches something, with what lay there as the shelf has it now; one on a press that is not here tells of its tool and its stock."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["lessons"], {"most": MOST})
        rows = cursor.fetchall()
    found: list[Evidence] = []
    away = 0
    for row in rows:
        try:
            body = read_stored(RUN_BODY, "run", row["body"], row["shape"])
            pressed = lesson_of(body.sandwich, body.cause)
            if pressed is None:
                continue
            body = body.model_copy(update={"sandwich": pressed})
            press = presses.get(body.sandwich.press.shelf_id or "")
            away += press is None and teaches(body)
            if press is None and away > MOST_AWAY:
                continue
            found += lessons_in(row["id"], body, drift_after(row["days"]), press, items)
        except (ValidationError, ValueError) as error:
            log.warning("run %s teaches nothing: %s", row["id"], error)
    return found


def teaches(body: RunBody) -> bool:
    """True if anything was seen in a run, or sheets of paper were counted before it."""
    counted = body.paper_sheets is not None and not body.left_out
    return counted or is_cracked(body) or seen_in(body) is not None or trace_in(body) is not None


def is_cracked(body: RunBody) -> bool:
    return body.result == "cracked" and not body.left_out


def lessons_in(key: str, body: RunBody, drift: float, press: Press | None, items: dict[str, Item]) -> list[Evidence]:
    """What one run teaches; on a press that is not here, only what its tool and its stock did."""
    seen, trace, cracked = seen_in(body), trace_in(body), is_cracked(body)
    if not teaches(body) or (press is None and ((seen is None and not cracked) or not body.sandwich.layers)):
        return []
    sandwich = as_of_elsewhere(body.sandwich, items) if press is None else as_it_is_now(body.sandwich, press, items)
    found: list[Evidence] = []
    if trace is not None and press is not None:
        found.append(Traced(f"{key} trace", sandwich, *trace, drift))
    if cracked:
        found.append(Cracked(key, sandwich))
    if seen is not None:
        found.append(Tried(key=key, sandwich=sandwich, seen=seen, drift=drift))
    elif body.paper_sheets is not None and not body.left_out:
        found.append(took_hold(key, sandwich, body.paper_sheets, drift))
    return found


def trace_in(body: RunBody) -> tuple[float, float] | None:
    """Peak and its standard deviation of a run that a motor fed through to its end [N]."""
    trace = body.trace
    return None if trace is None or trace.ended != "end" or body.left_out else peak_of(trace.force_n)


def as_it_is_now(sandwich: Sandwich, press: Press, items: dict[str, Item]) -> Sandwich:
    """A sandwich with what the shelf has now."""
    things = {item.shelf_id for item in sandwich.items.values()}
    return apply_edits(sandwich, [Refresh(press=press), *(Refresh(item=items[key]) for key in things if key in items)])


def things_away(evidence: list[Evidence]) -> tuple[list[Press], list[Item]]:
    """Presses and things of other rooms that some evidence speaks of, each once."""
    presses: dict[str | None, Press] = {}
    items: dict[str | None, Item] = {}
    for piece in evidence:
        if isinstance(piece, Tried | Cracked) and (piece.sandwich.press.shelf_id or "").startswith(AWAY):
            presses.setdefault(piece.sandwich.press.shelf_id, piece.sandwich.press)
            for item in piece.sandwich.items.values():
                if (item.shelf_id or "").startswith(AWAY):
                    items.setdefault(item.shelf_id, item)
    return list(presses.values()), list(items.values())


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
