"""Runs in the database; neither commits nor knows HTTP."""

import json
import uuid
from pathlib import Path
from typing import Any, get_args

from pydantic import ValidationError

from lofty_press.core.stack import check_sandwich
from lofty_press.core.words import say
from lofty_press.documents.refusal import at_field, field_of
from lofty_press.documents.shapes import SHAPE, current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import place, token
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.runs.models import Outcome, RunBody, RunPage, RunRecord, RunSummary, RunWrite, Wanted

SQL = load_queries(Path(__file__).parent)
GONE = say("This run is not kept here (any more).")
OUTCOMES: tuple[str, ...] = get_args(Outcome)


def list_window(connection: Connection, *, wanted: Wanted, after: str | None, most: int) -> RunPage:
    """A window of the kept runs, newest first."""
    last = place(after, (str, str)) or ("", "")
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_window"], {"wanted": wanted, "at": last[0], "id": last[1], "most": most + 1})
        rows = cursor.fetchall()
        cursor.execute(SQL["count_window"], {"wanted": wanted})
        total = int(cursor.fetchone()["found"])
    more, rows = len(rows) > most, rows[:most]
    end = token(f"{rows[-1]['created_at']:%Y-%m-%d %H:%M:%S.%f}", rows[-1]["id"]) if more else None
    return RunPage(runs=[summary_of(row) for row in rows], next=end, total=total)


def summary_of(row: dict[str, Any]) -> RunSummary:
    """A row of the list; an outcome that this version does not know is left out."""
    result = row["result"] if row["result"] in OUTCOMES else None
    return RunSummary(**{**row, "photo": bool(row["photo"]), "result": result})


def stored_row(connection: Connection, run_id: str) -> dict[str, Any]:
    """A row as it was stored, or `NotFound`."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_run"], {"id": run_id})
        row: dict[str, Any] | None = cursor.fetchone()
    if row is None:
        raise NotFound(GONE)
    return row


def get_run(connection: Connection, run_id: str) -> RunRecord:
    """One run, `NotFound` or `StoredUnreadable`."""
    row = stored_row(connection, run_id)
    fixed = {name: row[name] for name in ("id", "sandwich_id", "state", "version", "created_at", "updated_at")}
    try:
        content = current("run", json.loads(row["body"]), row["shape"])
        return RunRecord(body=RunBody.model_validate(content), photo=bool(row["photo"]), **fixed)
    except ValidationError as error:
        raise StoredUnreadable(row["name"], at_field(error), field=field_of(error)) from error
    except ValueError as error:
        raise StoredUnreadable(row["name"], say("it is damaged ({reason}).", reason=str(error)[:80])) from error


def values_of(write: RunWrite) -> dict[str, Any]:
    """What is stored of a run."""
    check_sandwich(write.body.sandwich)
    body = write.body.model_dump(mode="json")
    return {
        "sandwich_id": write.sandwich_id,
        "name": write.body.sandwich.name,
        "state": write.state,
        "body": json.dumps(body),
        "shape": SHAPE,
    }


def insert_run(connection: Connection, write: RunWrite) -> str:
    """Keep a new run and return its id."""
    run_id = str(uuid.uuid4())
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert_run"], {"id": run_id, **values_of(write)})
    return run_id


def update_run(connection: Connection, run_id: str, write: RunWrite, version: int) -> RunRecord:
    """Replace a run if nobody replaced it since `version`.

    Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
    """
    with connection.cursor() as cursor:
        changed = cursor.execute(SQL["update_run"], {"id": run_id, "version": version, **values_of(write)})
    now = get_run(connection, run_id)
    if not changed and (now.state, now.body) != (write.state, write.body):
        raise Conflict(say("This run went on somewhere else in the meantime."), current=now.model_dump(mode="json"))
    return now


def delete_run(connection: Connection, run_id: str, version: int) -> None:
    """Forget a run if nobody changed it since `version`."""
    with connection.cursor() as cursor:
        if not cursor.execute(SQL["delete_run"], {"id": run_id, "version": version}):
            now = get_run(connection, run_id)
            raise Conflict(say("This run went on somewhere else in the meantime."), current=now.model_dump(mode="json"))


def keep_photo(connection: Connection, run_id: str, photo: bytes) -> None:
    """Keep the photo of a run, in place of an older one."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_photo"], {"id": run_id, "body": photo})


def get_photo(connection: Connection, run_id: str) -> bytes:
    """The photo of a run, or `NotFound`."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_photo"], {"id": run_id})
        row = cursor.fetchone()
    if row is None:
        raise NotFound(say("There is no photo of this run."))
    return bytes(row["body"])


def delete_photo(connection: Connection, run_id: str) -> None:
    """Take the photo of a run away."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["delete_photo"], {"id": run_id})
