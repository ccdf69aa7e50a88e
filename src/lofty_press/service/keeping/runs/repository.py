"""Runs in the database; neither commits nor knows HTTP."""

from typing import get_args

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import check_sandwich
from lofty_press.core.working.steps import Outcome
from lofty_press.documents.files.shapes import SHAPE, read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.paging import like_words, place, window
from lofty_press.service.db.versioned import Row, Versioned, readable
from lofty_press.service.http.errors import NotFound
from lofty_press.service.keeping.runs.found_by import APART, found_by, tags_in
from lofty_press.service.keeping.runs.models import RUN_BODY, RunPage, RunQuery, RunRecord, RunSummary, RunWrite
from lofty_press.service.keeping.runs.sql import SQL

OUTCOMES: tuple[str, ...] = get_args(Outcome)


def tag_pattern(tag: str) -> str:
    """A whole tag, for LIKE."""
    escaped = tag.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_")
    return f"%{APART}{escaped}{APART}%" if tag else ""


def list_window(connection: Connection, sought: RunQuery) -> RunPage:
    """A window of the kept runs that are looked for, newest first."""
    plain = {name: getattr(sought, name) or "" for name in ("state", "sandwich", "result", "press", "tool", "stock")}
    values = {**plain, "tag": tag_pattern(sought.tag), **like_words(sought.q)}
    most = sought.limit
    last = place(sought.after, (str, str)) or ("", "")
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_window"], {**values, "at": last[0], "id": last[1], "most": most + 1})
        rows = cursor.fetchall()
        cursor.execute(SQL["count_window"], values)
        total = int(cursor.fetchone()["found"])
    rows, end = window(rows, most, lambda row: (f"{row['created_at']:%Y-%m-%d %H:%M:%S.%f}", row["id"]))
    return RunPage(runs=[summary_of(row) for row in rows], next=end, total=total)


def summary_of(row: Row) -> RunSummary:
    """A row of the list; an outcome that this version does not know is left out."""
    result = row["result"] if row["result"] in OUTCOMES else None
    told = {
        "photo": bool(row["photo"]),
        "known": str(row["known"]) in ("1", "true"),
        "note": row["note"] or "",
        "tags": tags_in(row["tags"]),
    }
    return RunSummary(**{**row, **told, "result": result})


def record_of(_: Connection, row: Row) -> RunRecord:
    """A row as a run, or `StoredUnreadable`."""
    fixed = {name: row[name] for name in ("id", "sandwich_id", "state", "version", "created_at", "updated_at")}
    with readable(row["name"]):
        return RunRecord(body=read_stored(RUN_BODY, "run", row["body"], row["shape"]), photo=bool(row["photo"]), **fixed)


def values_of(write: RunWrite) -> Row:
    """What is stored of a run."""
    check_sandwich(write.body.sandwich)
    return {
        "sandwich_id": write.sandwich_id,
        "name": write.body.sandwich.name,
        "state": write.state,
        "body": write.body.model_dump_json(),
        "shape": SHAPE,
        **found_by(write.body),
    }


kept = Versioned(
    queries=SQL,
    read=record_of,
    gone=say("This run is gone."),
    stale=say("This run has gone on somewhere else."),
)


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
        raise NotFound(say("This run has no photo."))
    return bytes(row["body"])


def delete_photo(connection: Connection, run_id: str) -> None:
    """Take the photo of a run away."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["delete_photo"], {"id": run_id})
