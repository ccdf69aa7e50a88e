"""HTTP for sandwiches."""

from dataclasses import replace
from typing import Any

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.documents.sandwich_file import read_sandwich_file, reliefs_in, write_sandwich
from lofty_press.service.db.connection import Pool
from lofty_press.service.dependencies import Database
from lofty_press.service.errors import ANSWERS
from lofty_press.service.reliefs.repository import get_relief, keep_relief
from lofty_press.service.sandwiches import repository
from lofty_press.service.sandwiches.models import SandwichChange, SandwichRecord, SandwichSummary, SandwichWrite

FILE: dict[int | str, dict[str, Any]] = {200: {"description": "The file.", "content": {"application/json": {"schema": {"type": "object"}}}}}
FILE_BODY = {"requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "object"}}}}}

router = APIRouter(prefix="/api/sandwiches", tags=["sandwiches"], responses=ANSWERS)


@router.get("", operation_id="listSandwiches")
def list_sandwiches(pool: Database) -> list[SandwichSummary]:
    """All kept sandwiches."""
    with pool.connection() as connection:
        return repository.list_sandwiches(connection)


@router.post("", status_code=201, operation_id="makeSandwich")
def make_sandwich(write: SandwichWrite, pool: Database) -> SandwichRecord:
    """Keep a new sandwich; an imported file comes in here too."""
    with pool.connection() as connection:
        record = repository.insert_sandwich(connection, write.sandwich)
        connection.commit()
        return record


@router.get("/{sandwich_id}", operation_id="getSandwich")
def get_sandwich(sandwich_id: str, pool: Database) -> SandwichRecord:
    """One sandwich, with what it holds as it is on the shelf now."""
    with pool.connection() as connection:
        return repository.get_sandwich(connection, sandwich_id)


@router.get("/{sandwich_id}/file", operation_id="exportSandwich", responses=FILE)
def export_sandwich(sandwich_id: str, pool: Database) -> Response:
    """The sandwich as a self-contained file; reliefs that do not come with every program travel inside."""
    with pool.connection() as connection:
        record = repository.get_sandwich(connection, sandwich_id)
        found = {key: get_relief(connection, key) for key in reliefs_in(record.sandwich)}
    inside = {key: relief for key, relief in found.items() if relief is not None}
    headers = {"content-disposition": 'attachment; filename="sandwich.lofty.json"'}
    return Response(write_sandwich(record.sandwich, inside), media_type="application/json", headers=headers)


@router.post("/file", status_code=201, operation_id="importSandwich", openapi_extra=FILE_BODY)
async def import_sandwich(request: Request, pool: Database) -> SandwichRecord:
    """Keep the sandwich of a file with the reliefs inside it, all or nothing."""
    return await run_in_threadpool(take_file, pool, await request.body())


def take_file(pool: Pool, data: bytes) -> SandwichRecord:
    """Read a file and keep what it holds."""
    content = read_sandwich_file(data)
    with pool.connection() as connection:
        for key, relief in content.reliefs.items():
            keep_relief(connection, content.sandwich.name, relief, key=key)
        record = repository.insert_sandwich(connection, content.sandwich)
        connection.commit()
        return record


@router.put("/{sandwich_id}", operation_id="changeSandwich")
def change_sandwich(sandwich_id: str, change: SandwichChange, pool: Database) -> SandwichRecord:
    """Replace a sandwich."""
    with pool.connection() as connection:
        record = repository.update_sandwich(connection, sandwich_id, change.sandwich, change.version)
        connection.commit()
        return record


@router.post("/{sandwich_id}/copy", status_code=201, operation_id="copySandwich")
def copy_sandwich(sandwich_id: str, pool: Database) -> SandwichRecord:
    """Keep a second sandwich like it."""
    with pool.connection() as connection:
        original = repository.get_sandwich(connection, sandwich_id).sandwich
        name = f"{original.name[:112]}, copy"
        record = repository.insert_sandwich(connection, replace(original, name=name))
        connection.commit()
        return record


@router.delete("/{sandwich_id}", status_code=204, operation_id="deleteSandwich")
def delete_sandwich(sandwich_id: str, pool: Database, version: int = Query(ge=1)) -> None:
    """Delete a sandwich."""
    with pool.connection() as connection:
        repository.delete_sandwich(connection, sandwich_id, version)
        connection.commit()
