"""A shelf as a table: one thing a row, its fields in columns named by their path, such as `thickness.mm`."""

import csv
import io
import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Ink, Item, Press, check_item
from lofty_press.documents.answers.refusal import invalid
from lofty_press.documents.files import cells
from lofty_press.documents.files.foreign_json import read_json
from lofty_press.documents.files.shelf_file import LARGEST_SHELF, MOST, ShelfFile

FIRST = ("is", "key", "kind", "name", "thickness.mm", "thickness.sd_mm", "thickness.source", "width_mm", "length_mm", "material")
TEXTS = ("name", "note", "kind", "material")
SORTS: dict[str, TypeAdapter[Any]] = {"press": TypeAdapter(Press), "item": TypeAdapter(Item), "ink": TypeAdapter(Ink)}
PLURAL = {"press": "presses", "item": "items", "ink": "inks"}
MOST_COLUMNS = 200


def write_shelf_csv(shelf: ShelfFile) -> str:
    """A shelf as CSV; `read_shelf_csv` gives back an equal one."""
    table = []
    for sort, adapter in SORTS.items():
        for key, thing in getattr(shelf, PLURAL[sort]).items():
            table.append({"is": sort, "key": key, **flat(adapter.dump_python(thing, mode="json"))})
    columns = [name for name in FIRST if any(name in row for row in table) or name in ("is", "key")]
    columns += sorted({name for row in table for name in row} - set(columns))
    out = io.StringIO()
    writer = csv.DictWriter(out, columns, lineterminator="\r\n")
    writer.writeheader()
    for row in table:
        writer.writerow({name: cell(value) for name, value in row.items()})
    return out.getvalue()


def flat(thing: dict[str, Any], path: str = "") -> dict[str, Any]:
    """Fields by their dotted path, without those that are empty."""
    found: dict[str, Any] = {}
    for name, value in thing.items():
        if isinstance(value, dict):
            found |= flat(value, f"{path}{name}.")
        elif value not in (None, "", []):
            found[path + name] = value
    return found


def cell(value: Any) -> str:
    """A value as a cell: plain text as it is, everything else as JSON."""
    if isinstance(value, str) and not reads_as_json(value):
        return cells.written(value)
    return json.dumps(value, ensure_ascii=False)


def reads_as_json(text: str) -> bool:
    try:
        json.loads(text)
    except ValueError:
        return False
    return True


def read_shelf_csv(data: bytes) -> ShelfFile:
    """Read a shelf from CSV.

    Raises
    ------
    InvalidInput
        If it is too large, no CSV, or a row cannot be right; names the line and the column.
    """
    if len(data) > LARGEST_SHELF:
        raise InvalidInput(
            "shelf",
            f"over {LARGEST_SHELF} bytes",
            say("a shelf file is under {largest_shelf} MB", largest_shelf=LARGEST_SHELF // 1_000_000),
        )
    try:
        text = data.decode("utf-8-sig")
        reader = csv.DictReader(io.StringIO(text, newline=""), delimiter=cells.separator_of(text))
        columns = reader.fieldnames or []
        if "is" not in columns or len(columns) > MOST_COLUMNS or len(set(columns)) < len(columns):
            raise InvalidInput("line 1", "header", say('must name the columns once each; the first is "is": press, item or ink'))
        found: dict[str, dict[str, Any]] = {"presses": {}, "items": {}, "inks": {}}
        for row in reader:
            sort = (row.get("is") or "").strip()
            field = f"line {reader.line_num}"
            if sort not in SORTS or row.get(None):
                raise InvalidInput(field, sort, say("must be a press, an item or an ink, with no more cells than the header"))
            key = (row.get("key") or "").strip() or f"line-{reader.line_num}"
            things = found[PLURAL[sort]]
            if key in things or len(things) >= MOST:
                raise InvalidInput(
                    f"{field}, key", key, say("must differ from those above, and there may be {most} things at most", most=MOST)
                )
            things[key] = thing_of(field, sort, {n: v for n, v in row.items() if n not in ("is", "key") and v not in (None, "")})
    except (UnicodeDecodeError, csv.Error) as error:
        raise InvalidInput("shelf", "file", say("isn't CSV in UTF-8 ({reason})", reason=str(error))) from error
    return ShelfFile(presses=found["presses"], items=found["items"], inks=found["inks"])


def thing_of(field: str, sort: str, row: dict[str, str]) -> Any:
    """One row as a thing."""
    body: dict[str, Any] = {}
    for path, text in row.items():
        *way, last = path.split(".")
        part = body
        for name in way:
            part = part.setdefault(name, {})
            if not isinstance(part, dict):
                raise InvalidInput(f"{field}, {path}", text, say("is part of something already given whole"))
        part[last] = value_of(last, text)
    try:
        thing = SORTS[sort].validate_python(body)
    except ValidationError as error:
        raise invalid(error, within=field) from error
    if isinstance(thing, Item):
        check_item(field, thing)
    return thing


def value_of(name: str, text: str) -> Any:
    """A cell as a value; in a column of texts a number is a text."""
    try:
        value = read_json(text)
    except ValueError:
        return cells.read(text)
    return text if name in TEXTS and not isinstance(value, str) else value
