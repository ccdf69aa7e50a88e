"""All runs as a file, a window at a time, so that no number of them fills the memory."""

import csv
import io
import json
from collections.abc import Iterator
from typing import Any, Literal

from lofty_press.documents.files.cells import written
from lofty_press.service.db.connection import Database
from lofty_press.service.keeping.runs.sql import SQL

FileKind = Literal["json", "csv"]
MEDIA = {"json": "application/json", "csv": "text/csv; charset=utf-8"}
COLUMNS = ("id", "sandwich_id", "name", "state", "result", "press", "effect", "passes", "turns", "note", "tags", "created_at", "updated_at")


def pieces(database: Database, kind: FileKind) -> Iterator[str]:
    """The text of the file, a window of runs at a time; each window is a transaction of its own."""
    yield "[" if kind == "json" else line(COLUMNS)
    first, at, last = True, "", ""
    while True:
        with database.reading() as connection, connection.cursor() as cursor:
            cursor.execute(SQL["list_before"], {"at": at, "id": last})
            rows = cursor.fetchall()
        if not rows:
            break
        at, last = f"{rows[-1]['created_at']:%Y-%m-%d %H:%M:%S.%f}", rows[-1]["id"]
        if kind == "csv":
            yield "".join(line(cells(row)) for row in rows)
        else:
            yield ("" if first else ",") + ",".join(json.dumps(whole(row), ensure_ascii=False) for row in rows)
        first = False
    yield "]" if kind == "json" else ""


def whole(row: dict[str, Any]) -> dict[str, Any]:
    """A run with its body, times with their zone."""
    times = {name: row[name].isoformat(timespec="milliseconds") for name in ("created_at", "updated_at")}
    return {**row, **times, "body": body_of(row)}


def body_of(row: dict[str, Any]) -> Any:
    try:
        return json.loads(row["body"])
    except ValueError:
        return row["body"]  # as it was stored, whatever that is


def cells(row: dict[str, Any]) -> list[str]:
    """The columns of one run."""
    run, body = whole(row), body_of(row)
    body = body if isinstance(body, dict) else {}
    inner = body.get("sandwich")
    sandwich: dict[str, Any] = inner if isinstance(inner, dict) else {}
    known = {
        **run,
        **{name: body.get(name) for name in ("result", "turns", "note")},
        "press": part(sandwich, "press", "name"),
        "effect": part(sandwich, "effect", "kind"),
        "passes": sandwich.get("passes"),
    }
    known["tags"] = ", ".join(tags) if isinstance(tags := body.get("tags"), list) and all(isinstance(tag, str) for tag in tags) else None
    return ["" if known.get(name) is None else written(str(known[name])) for name in COLUMNS]


def part(body: dict[str, Any], name: str, inner: str) -> Any:
    found = body.get(name)
    return found.get(inner) if isinstance(found, dict) else None


def line(values: Any) -> str:
    out = io.StringIO()
    csv.writer(out, lineterminator="\r\n").writerow(values)
    return out.getvalue()
