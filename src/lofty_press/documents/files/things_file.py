"""A list of things out of a file: text as people write it, a table, or JSON; it comes out as the text that a list is read from."""

import csv
import io
from typing import Any

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.files import cells
from lofty_press.documents.files.foreign_json import read_json

LARGEST = 1_000_000  # bytes
COUNTS = ("count", "number", "how many", "pieces", "quantity")
THINGS = ("what", "thing", "kind", "item", "name", "stock")
APART = str.maketrans(dict.fromkeys(",;\n\r", " "))


def list_in(data: bytes) -> str:
    """The list in a file, a thing a line.

    Raises
    ------
    InvalidInput
        If it is too large, no text, or JSON that is no list of things; names the entry.
    """
    if len(data) > LARGEST:
        raise InvalidInput("file", f"over {LARGEST} bytes", say("a list of things is under {most} MB", most=LARGEST // 1_000_000))
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise InvalidInput("file", "bytes", say("isn't text in UTF-8")) from error
    if text.lstrip()[:1] in ("[", "{"):
        return from_json(text)
    try:
        rows = [
            [cells.read(cell.strip()) for cell in row] for row in csv.reader(io.StringIO(text), delimiter=cells.separator_of(text)) if row
        ]
    except csv.Error:
        return text
    return from_rows(rows) or text


def from_json(text: str) -> str:
    """The same of JSON: a list of texts, or of objects with a count and what it is."""
    try:
        content = read_json(text)
    except ValueError as error:
        raise InvalidInput("file", "text", say("isn't JSON ({reason})", reason=str(error)[:80])) from error
    entries = content.get("things") if isinstance(content, dict) else content
    if not isinstance(entries, list):
        raise InvalidInput("things", type(entries).__name__, say("must be a list of things"))
    return "\n".join(entry_in(n, entry) for n, entry in enumerate(entries))


def entry_in(n: int, entry: Any) -> str:
    """One entry of it."""
    if isinstance(entry, str):
        return entry.translate(APART)
    if isinstance(entry, dict):
        known = {str(name).lower(): value for name, value in entry.items()}
        what = next((known[name] for name in THINGS if isinstance(known.get(name), str)), None)
        count = next((known[name] for name in COUNTS if name in known), 1)
        if what is not None and isinstance(count, int) and not isinstance(count, bool) and count >= 0:
            return f"{count} {what}".translate(APART)
    raise InvalidInput(f"things.{n}", str(entry)[:60], say("must be a text, or say what it is and how many"))


def from_rows(rows: list[list[str]]) -> str | None:
    """The same of a table with a column that counts and one that says what; None where it has no such columns."""
    if not rows:
        return None
    head = [cell.lower() for cell in rows[0]]
    count = next((head.index(name) for name in COUNTS if name in head), None)
    what = next((head.index(name) for name in THINGS if name in head), None)
    if what is None:
        if not all(len(row) == 2 and row[0].isdigit() for row in rows):
            return None
        count, what = 0, 1
    else:
        rows = rows[1:]
    lines = []
    for row in rows:
        said = row[what] if what < len(row) else ""
        number = row[count] if count is not None and count < len(row) else ""
        if said:
            lines.append(f"{number} {said}".strip().translate(APART))
    return "\n".join(lines)
