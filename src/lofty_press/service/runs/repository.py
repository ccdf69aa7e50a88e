"""Runs in the database; neither commits nor knows HTTP."""

import json
import uuid
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.stack.check import check_sandwich
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.errors import Conflict, NotFound, StoredUnreadable
from lofty_press.service.runs.models import RunBody, RunRecord, RunSummary, RunWrite

SQL = load_queries(Path(__file__).parent)
GONE = "This run is not kept here (any more)."
MOST_LISTED = 200


def list_runs(connection: Connection) -> list[RunSummary]:
    """The newest runs first."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_runs"], {"most": MOST_LISTED})
        return [RunSummary(**{**row, "photo": bool(row["photo"])}) for row in cursor.fetchall()]


def get_run(connection: Connection, run_id: str) -> RunRecord:
    """One run, or `NotFound`."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_run"], {"id": run_id})
        row = cursor.fetchone()
    if row is None:
        raise NotFound(GONE)
    fixed = {name: row[name] for name in ("id", "sandwich_id", "state", "version", "created_at", "updated_at")}
    content = json.loads(row["body"])
    try:
        return RunRecord(body=RunBody.model_validate(content), photo=bool(row["photo"]), **fixed)
    except ValidationError as error:
        raise StoredUnreadable(content.get("sandwich", {}).get("name", run_id), error) from error


def values_of(write: RunWrite) -> dict[str, Any]:
    """What is stored of a run."""
    check_sandwich(write.body.sandwich)
    body = write.body.model_dump(mode="json")
    return {"sandwich_id": write.sandwich_id, "name": write.body.sandwich.name, "state": write.state, "body": json.dumps(body)}


def insert_run(connection: Connection, write: RunWrite) -> RunRecord:
    """Keep a new run."""
    run_id = str(uuid.uuid4())
    with connection.cursor() as cursor:
        cursor.execute(SQL["insert_run"], {"id": run_id, **values_of(write)})
    return get_run(connection, run_id)


def update_run(connection: Connection, run_id: str, write: RunWrite, version: int) -> RunRecord:
    """Replace a run if nobody replaced it since `version`.

    Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
    """
    with connection.cursor() as cursor:
        changed = cursor.execute(SQL["update_run"], {"id": run_id, "version": version, **values_of(write)})
    now = get_run(connection, run_id)
    if not changed and (now.state, now.body) != (write.state, write.body):
        raise Conflict("This run went on somewhere else in the meantime.", current=now.model_dump(mode="json"))
    return now


def delete_run(connection: Connection, run_id: str, version: int) -> None:
    """Forget a run if nobody changed it since `version`."""
    with connection.cursor() as cursor:
        if not cursor.execute(SQL["delete_run"], {"id": run_id, "version": version}):
            now = get_run(connection, run_id)
            raise Conflict("This run went on somewhere else in the meantime.", current=now.model_dump(mode="json"))


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
        raise NotFound("There is no photo of this run.")
    return bytes(row["body"])


def delete_photo(connection: Connection, run_id: str) -> None:
    """Take the photo of a run away."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["delete_photo"], {"id": run_id})
