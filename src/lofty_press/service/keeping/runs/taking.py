"""Runs out of a file: JSON as this program writes it, or a table of what came out."""

import csv
import io
import json
import uuid
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from typing import Any

from pydantic import BaseModel, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, Press, Sandwich, WantedEffect, typical_press
from lofty_press.core.working.steps import OUTCOMES
from lofty_press.documents.answers.refusal import invalid
from lofty_press.documents.files import cells
from lofty_press.documents.files.foreign_json import read_json
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.files.shapes import current
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.versioned import Row
from lofty_press.service.keeping.runs.known_cause import known_cause
from lofty_press.service.keeping.runs.models import RunWrite
from lofty_press.service.keeping.runs.repository import values_of
from lofty_press.service.keeping.runs.sql import SQL
from lofty_press.service.work.tools import Tools

MOST = 10_000  # runs in a file
NAMED = 12  # of which the first are told by name
AT_ONCE = 500
ASKED = ("name", "result")
TAKEN = (*ASKED, "id", "sandwich_id", "state", "press", "effect", "passes", "turns", "note", "tags", "created_at", "updated_at")
OURS = uuid.UUID("5e0b2a54-9d0e-4a5e-8c1b-6f6c7f3a1d20")
"""What ids are made of where a file has none, so that the same file makes the same runs."""


class RunsTaken(BaseModel):
    """What a file of runs holds: how many, how many of them are `here` already, the first `names`, and columns that nothing reads; `taken` says whether the
    others were kept."""

    runs: int
    here: int
    names: list[str]
    unread: list[str]
    taken: bool


@dataclass(frozen=True)
class ReadRuns:
    """Rows to be kept, and columns that nothing reads."""

    rows: list[Row]
    unread: list[str]


def read(_: Tools, data: bytes, presses: Mapping[str, Press]) -> ReadRuns:
    """The runs in a file, as a worker reads it; `presses` are those on the shelf, by their names in small letters.

    Raises
    ------
    InvalidInput
        If it is neither JSON nor a table, or something in it cannot be right; names the run or the line.
    """
    if data.lstrip()[:1] == b"[":
        return ReadRuns(rows=list(from_json(data)), unread=[])
    return from_table(data, presses)


def from_json(data: bytes) -> Iterator[Row]:
    """Rows of a JSON file."""
    try:
        content = read_json(data)
    except ValueError as error:
        raise InvalidInput("runs", "text", say("isn't JSON ({reason})", reason=str(error)[:80])) from error
    if not content:
        raise InvalidInput("runs", "nothing", say("has no runs"))
    few_enough(len(content))
    for n, entry in enumerate(content):
        if not isinstance(entry, dict) or not isinstance(entry.get("body"), dict):
            raise InvalidInput(f"run {n + 1}", type(entry).__name__, say("must be a run with its body"))
        try:
            body = current("run", entry["body"], int(entry.get("shape") or 0))
            yield row_of(f"run {n + 1}", {**entry, "body": body})
        except (ValueError, TypeError, KeyError, AttributeError, OverflowError) as error:
            if isinstance(error, InvalidInput):
                raise
            raise InvalidInput(f"run {n + 1}", "run", say("is damaged ({reason})", reason=str(error)[:80])) from error


def few_enough(count: int) -> None:
    """Refuse a file with too many runs."""
    if count > MOST:
        raise InvalidInput("runs", count, say("may be {most} in one file; cut it into several", most=MOST))


def from_table(data: bytes, presses: Mapping[str, Press]) -> ReadRuns:
    """Rows of a table, whatever separates its cells."""
    try:
        text = data.decode("utf-8-sig")
        reader = csv.DictReader(io.StringIO(text, newline=""), delimiter=cells.separator_of(text))
        columns = [name.strip().lower() for name in reader.fieldnames or []]
        if not set(ASKED) <= set(columns) or len(columns) > 100 or len(set(columns)) < len(columns):
            raise InvalidInput("line 1", "header", say("must name the columns once each, among them name and result"))
        reader.fieldnames = columns
        rows: list[Row] = []
        for line in reader:
            few_enough(len(rows) + 1)
            field = f"line {reader.line_num}"
            if None in line:
                raise InvalidInput(field, "cells", say("has more cells than the header"))
            rows.append(row_of(field, run_of(field, {name: cells.read((cell or "").strip()) for name, cell in line.items()}, presses)))
    except (UnicodeDecodeError, csv.Error) as error:
        raise InvalidInput("runs", "file", say("isn't a table in UTF-8 ({reason})", reason=str(error)[:80])) from error
    return ReadRuns(rows=rows, unread=[name for name in columns if name not in TAKEN])


def run_of(field: str, line: Mapping[str, str], presses: Mapping[str, Press]) -> dict[str, Any]:
    """A line as a run with a pile that nobody noted: it tells, and teaches nothing."""
    effect, name = effect_in(f"{field}, effect", line.get("effect") or "emboss"), line.get("press", "")
    press = presses.get(name.lower()) or typical_press()
    if name and press.name.lower() != name.lower():
        press = replace(press, name=name)
    passes = whole(f"{field}, passes", line.get("passes", ""), 1)
    pile = Sandwich(name=line["name"] or "Run", press=press, effect=effect, items={}, layers=(), passes=passes)
    body = {
        "sandwich": SANDWICH.dump_python(pile, mode="json"),
        "result": outcome_in(f"{field}, result", line["result"]),
        "turns": whole(f"{field}, turns", line.get("turns", ""), 0),
        "note": line.get("note", ""),
        "tags": [tag for part in line.get("tags", "").split(",") if (tag := part.strip())],
    }
    return {**line, "state": line.get("state") or "finished", "body": body}


def effect_in(field: str, text: str) -> WantedEffect:
    """An effect by its key."""
    kind = next((kind for kind in EFFECT_TRAITS if kind == text.lower()), None)
    if kind is None:
        raise InvalidInput(
            field,
            text[:40],
            say("isn't one of the effects ({effects}); leave it empty if you don't know", effects=", ".join(EFFECT_TRAITS)),
        )
    return WantedEffect(kind=kind)


def whole(field: str, text: str, otherwise: int) -> int:
    """A whole number in a cell."""
    try:
        return int(text) if text else otherwise
    except ValueError as error:
        raise InvalidInput(field, text[:40], say("must be a whole number")) from error


def outcome_in(field: str, text: str) -> str | None:
    """An outcome by its key or its words; none for an empty cell."""
    if not text:
        return None
    for outcome, words in OUTCOMES.items():
        if text.lower() in (outcome, words.lower()):
            return outcome
    raise InvalidInput(field, text[:40], say("isn't one of the outcomes ({outcomes})", outcomes=", ".join(OUTCOMES)))


def row_of(field: str, entry: Mapping[str, Any]) -> Row:
    """What is stored of a run of a file, with the moment at which it was made."""
    try:
        write = RunWrite.model_validate(
            {"sandwich_id": entry.get("sandwich_id") or None, "state": entry.get("state", "finished"), "body": entry["body"]}
        )
    except ValidationError as error:
        raise invalid(error, within=field) from error
    known_cause(write.body.cause, f"{field}, body.cause")
    values = values_of(write)
    made = moment_in(f"{field}, created_at", entry.get("created_at"))
    return {**values, "id": id_of(entry.get("id"), values, made), "created_at": f"{made:%Y-%m-%d %H:%M:%S.%f}"}


def moment_in(field: str, text: Any) -> datetime:
    """A moment, by the clock of the world where none is named; now if there is none."""
    if not text:
        return datetime.now(UTC)
    try:
        found = datetime.fromisoformat(str(text).strip())
        found = found.astimezone(UTC) if found.tzinfo else found.replace(tzinfo=UTC)
        if not 1971 <= found.year <= 2037:
            raise ValueError
    except (ValueError, OverflowError) as error:
        raise InvalidInput(field, str(text)[:40], say("must be a date as 2026-11-05, or with a time as 2026-11-05 14:30")) from error
    return found


def id_of(given: Any, values: Row, made: datetime) -> str:
    """The id of a run: its own, else one that the same run always gets."""
    try:
        return str(uuid.UUID(str(given)))
    except ValueError:
        body = json.dumps(json.loads(values["body"]))  # spelled as it always was, so that a file of then makes the runs of then
        return str(uuid.uuid5(OURS, f"{body}{made:%Y-%m-%d %H:%M}"))


def here_already(connection: Connection, rows: list[Row]) -> set[str]:
    """Which runs of a file are kept here."""
    found: set[str] = set()
    with connection.cursor() as cursor:
        for chunk in chunks(rows):
            cursor.execute(SQL["here_of"], {"ids": [row["id"] for row in chunk]})
            found |= {row["id"] for row in cursor.fetchall()}
    return found


def keep(connection: Connection, rows: list[Row]) -> None:
    """Keep the runs of a file beside what is there; those that are here stay as they are."""
    with connection.cursor() as cursor:
        for chunk in chunks(rows):
            cursor.executemany(SQL["insert_as_of"], chunk)


def chunks(rows: list[Row]) -> Iterable[list[Row]]:
    return (rows[n : n + AT_ONCE] for n in range(0, len(rows), AT_ONCE))
