"""HTTP for the shelf."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.db.paging import After, Find, Limit
from lofty_press.service.dependencies import Database
from lofty_press.service.errors import ANSWERS
from lofty_press.service.raw import RAW, raw_file
from lofty_press.service.shelf import repository
from lofty_press.service.shelf.models import Category, ShelfChange, ShelfEntry, ShelfPage, ShelfWrite

router = APIRouter(prefix="/api/shelf", tags=["shelf"], responses=ANSWERS)


@router.get("", operation_id="listShelf")
def list_shelf(database: Database, category: Category | None = None, text: Find = "", after: After = None, limit: Limit = 200) -> ShelfPage:
    """A window of the shelf, by category and name."""
    with database.reading() as connection:
        return repository.list_window(connection, category=category, text=text, after=after, most=limit)


@router.get("/{entry_id}", operation_id="getShelfEntry")
def get_shelf_entry(entry_id: str, database: Database) -> ShelfEntry:
    """One thing on the shelf."""
    with database.reading() as connection:
        return repository.get_entry(connection, entry_id)


@router.get("/{entry_id}/raw", operation_id="rawShelfEntry", response_class=Response, responses=RAW)
def raw_entry(entry_id: str, database: Database) -> Response:
    """A thing exactly as it was stored, also one that cannot be read."""
    with database.reading() as connection:
        return raw_file(repository.stored_row(connection, entry_id))


@router.post("", status_code=201, operation_id="addToShelf")
def add_to_shelf(write: ShelfWrite, database: Database, key: OnceKey = None) -> ShelfEntry:
    """Put something new on the shelf."""
    with database.writing() as connection:
        entry_id = once(connection, key, "shelf", write, lambda: repository.insert_entry(connection, write))
        entry = repository.get_entry(connection, entry_id)
    return entry


@router.post("/{entry_id}/copy", status_code=201, operation_id="copyShelfEntry")
def copy_shelf_entry(entry_id: str, database: Database, key: OnceKey = None) -> ShelfEntry:
    """Put a second one like it on the shelf."""
    with database.writing() as connection:

        def make() -> str:
            return repository.insert_entry(connection, repository.get_entry(connection, entry_id))

        entry = repository.get_entry(connection, once(connection, key, "shelf copy", entry_id.encode(), make))
    return entry


@router.put("/{entry_id}", operation_id="changeShelfEntry")
def change_shelf_entry(entry_id: str, change: ShelfChange, database: Database) -> ShelfEntry:
    """Replace a thing on the shelf."""
    with database.writing() as connection:
        entry = repository.update_entry(connection, entry_id, change, change.version)
    return entry


@router.delete("/{entry_id}", status_code=204, operation_id="deleteShelfEntry")
def delete_shelf_entry(entry_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Take something off the shelf; sandwiches that use it keep their own copy of its numbers."""
    with database.writing() as connection:
        repository.delete_entry(connection, entry_id, version)
