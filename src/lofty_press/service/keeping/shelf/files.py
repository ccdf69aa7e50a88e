"""The shelf as a file, out and in."""

import re
from typing import Literal

from pydantic import BaseModel

from lofty_press.core.sandwich.stack import Ink, Item, Press
from lofty_press.documents.files.shelf_csv import read_shelf_csv, write_shelf_csv
from lofty_press.documents.files.shelf_file import ShelfFile, read_shelf_file, write_shelf_file
from lofty_press.service.db.connection import Connection
from lofty_press.service.keeping.shelf.models import ShelfWrite
from lofty_press.service.keeping.shelf.repository import kept, list_entries, values_of
from lofty_press.service.work.tools import Tools

FileKind = Literal["json", "csv"]
MEDIA = {"json": "application/json", "csv": "text/csv; charset=utf-8"}


class ShelfTaken(BaseModel):
    """What a shelf file holds, by the first names of each sort; `taken` says whether it was put on the shelf."""

    presses: int
    items: int
    inks: int
    names: list[str]
    taken: bool


def shelf_of(connection: Connection) -> ShelfFile:
    """Everything on the shelf that can be read, under keys made from the names."""
    presses: dict[str, Press] = {}
    items: dict[str, Item] = {}
    inks: dict[str, Ink] = {}
    for entry in list_entries(connection):
        if entry.press is not None:
            presses[key_for(entry.name, presses)] = entry.press
        elif entry.item is not None:
            items[key_for(entry.name, items)] = entry.item
        elif entry.ink is not None:
            inks[key_for(entry.name, inks)] = entry.ink
    return ShelfFile(presses=presses, items=items, inks=inks)


def key_for(name: str, taken: dict[str, Press] | dict[str, Item] | dict[str, Ink]) -> str:
    """A plain key for a name that no other thing has."""
    plain = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:50] or "thing"
    key, number = plain, 1
    while key in taken:
        number += 1
        key = f"{plain}-{number}"
    return key


def written(_: Tools, shelf: ShelfFile, kind: FileKind) -> str:
    """The text of a shelf's file, as a worker writes it."""
    return write_shelf_csv(shelf) if kind == "csv" else write_shelf_file(shelf)


def read(_: Tools, data: bytes) -> ShelfFile:
    """The shelf in a file, as a worker reads it: JSON, else CSV."""
    return read_shelf_file(data) if data.lstrip()[:1] == b"{" else read_shelf_csv(data)


def take(connection: Connection, shelf: ShelfFile) -> None:
    """Put everything of a file on the shelf, beside what is there."""
    writes = [
        *(ShelfWrite(press=press) for press in shelf.presses.values()),
        *(ShelfWrite(item=item) for item in shelf.items.values()),
        *(ShelfWrite(ink=ink) for ink in shelf.inks.values()),
    ]
    for write in writes:
        kept.insert(connection, values_of(write))


def described(shelf: ShelfFile, *, taken: bool) -> ShelfTaken:
    """What a file holds, in short."""
    things: list[Press | Item | Ink] = [*shelf.presses.values(), *shelf.items.values(), *shelf.inks.values()]
    names = [thing.name for thing in things[:12]]
    return ShelfTaken(presses=len(shelf.presses), items=len(shelf.items), inks=len(shelf.inks), names=names, taken=taken)
