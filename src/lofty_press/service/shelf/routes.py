"""HTTP for the shelf."""

from fastapi import APIRouter, Query

from lofty_press.service.dependencies import Database
from lofty_press.service.errors import ANSWERS
from lofty_press.service.shelf import repository
from lofty_press.service.shelf.models import ShelfChange, ShelfEntry, ShelfWrite

router = APIRouter(prefix="/api/shelf", tags=["shelf"], responses=ANSWERS)


@router.get("", operation_id="listShelf")
def list_shelf(pool: Database) -> list[ShelfEntry]:
    """Everything on the shelf."""
    with pool.connection() as connection:
        return repository.list_entries(connection)


@router.get("/{entry_id}", operation_id="getShelfEntry")
def get_shelf_entry(entry_id: str, pool: Database) -> ShelfEntry:
    """One thing on the shelf."""
    with pool.connection() as connection:
        return repository.get_entry(connection, entry_id)


@router.post("", status_code=201, operation_id="addToShelf")
def add_to_shelf(write: ShelfWrite, pool: Database) -> ShelfEntry:
    """Put something new on the shelf."""
    with pool.connection() as connection:
        entry = repository.insert_entry(connection, write)
        connection.commit()
        return entry


@router.post("/{entry_id}/copy", status_code=201, operation_id="copyShelfEntry")
def copy_shelf_entry(entry_id: str, pool: Database) -> ShelfEntry:
    """Put a second one like it on the shelf."""
    with pool.connection() as connection:
        original = repository.get_entry(connection, entry_id)
        entry = repository.insert_entry(connection, original)
        connection.commit()
        return entry


@router.put("/{entry_id}", operation_id="changeShelfEntry")
def change_shelf_entry(entry_id: str, change: ShelfChange, pool: Database) -> ShelfEntry:
    """Replace a thing on the shelf."""
    with pool.connection() as connection:
        entry = repository.update_entry(connection, entry_id, change, change.version)
        connection.commit()
        return entry


@router.delete("/{entry_id}", status_code=204, operation_id="deleteShelfEntry")
def delete_shelf_entry(entry_id: str, pool: Database, version: int = Query(ge=1)) -> None:
    """Take something off the shelf; sandwiches that use it keep their own copy of its numbers."""
    with pool.connection() as connection:
        repository.delete_entry(connection, entry_id, version)
        connection.commit()
