"""HTTP for sandwiches."""

from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.db.paging import After, Find, Limit
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.http.raw import RAW, raw_file
from lofty_press.service.keeping.reliefs.repository import keep_relief, packed_of
from lofty_press.service.keeping.sandwiches import jobs
from lofty_press.service.keeping.sandwiches.jobs import FileContent
from lofty_press.service.keeping.sandwiches.models import SandwichChange, SandwichPage, SandwichRecord, SandwichWrite
from lofty_press.service.keeping.sandwiches.repository import kept, list_window, values_of
from lofty_press.service.work.budget import FILE

BODY: dict[int | str, dict[str, Any]] = {200: {"description": "The file.", "content": {"application/json": {"schema": {"type": "object"}}}}}
FILE_BODY = {"requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "object"}}}}}

router = APIRouter(prefix="/api/sandwiches", tags=["sandwiches"], responses=ANSWERS, route_class=BoundedRoute)


@router.get("", operation_id="listSandwiches")
def list_sandwiches(database: Database, text: Find = "", after: After = None, limit: Limit = 60) -> SandwichPage:
    """A window of the kept sandwiches, last worked on first."""
    with database.reading() as transaction:
        return list_window(transaction, text=text, after=after, most=limit)


@router.post("", status_code=201, operation_id="makeSandwich", response_model=SandwichRecord)
def make_sandwich(write: SandwichWrite, database: Database, key: OnceKey = None) -> Response:
    """Keep a new sandwich."""
    with database.writing() as transaction:
        made = once(transaction, key, "sandwich", write, lambda: kept.insert(transaction, values_of(write.sandwich)))
        answer = answer_of(kept.get(transaction, made), 201)
    return answer


@router.get("/{sandwich_id}", operation_id="getSandwich")
def get_sandwich(sandwich_id: str, database: Database) -> SandwichRecord:
    """One sandwich, with what it holds as it is on the shelf now."""
    with database.reading() as transaction:
        return kept.get(transaction, sandwich_id)


@router.get("/{sandwich_id}/raw", operation_id="rawSandwich", response_class=Response, responses=RAW)
def raw_sandwich(sandwich_id: str, database: Database) -> Response:
    """A sandwich exactly as it was stored, also one that cannot be read."""
    with database.reading() as transaction:
        return raw_file(kept.row(transaction, sandwich_id))


@router.get("/{sandwich_id}/file", operation_id="exportSandwich", response_class=Response, responses=BODY)
async def export_sandwich(sandwich_id: str, database: Database, work: Work) -> Response:
    """The sandwich as a self-contained file; reliefs that do not come with every program travel inside."""
    sandwich, packed = await run_in_threadpool(sandwich_and_reliefs, database, sandwich_id)
    text = await work.do(jobs.write_file, sandwich, packed, budget=FILE)
    headers = {"content-disposition": 'attachment; filename="sandwich.lofty.json"'}
    return Response(text, media_type="application/json", headers=headers)


def sandwich_and_reliefs(database: connection.Database, sandwich_id: str) -> tuple[Sandwich, dict[str, bytes]]:
    """A sandwich and those of its reliefs that are kept here, packed."""
    with database.reading() as transaction:
        sandwich = kept.get(transaction, sandwich_id).sandwich
        packed = packed_of(transaction, sandwich)
    return sandwich, packed


@router.post("/file", status_code=201, operation_id="importSandwich", openapi_extra=FILE_BODY, response_model=SandwichRecord)
async def import_sandwich(request: Request, database: Database, work: Work, key: OnceKey = None) -> Response:
    """Keep the sandwich of a file with the reliefs inside it, all or nothing."""
    data = await request.body()
    content = await work.do(jobs.read_file, data, budget=FILE, for_a_write=True)
    return await run_in_threadpool(take_file, database, data, content, key)


def take_file(database: connection.Database, data: bytes, content: FileContent, key: str | None) -> Response:
    """Keep what a file holds."""
    with database.writing() as transaction:
        for packed in content.reliefs:
            keep_relief(transaction, content.sandwich.name, packed)
        made = once(transaction, key, "sandwich file", data, lambda: kept.insert(transaction, values_of(content.sandwich)))
        answer = answer_of(kept.get(transaction, made), 201)
    return answer


@router.put("/{sandwich_id}", operation_id="changeSandwich", response_model=SandwichRecord)
def change_sandwich(sandwich_id: str, change: SandwichChange, database: Database) -> Response:
    """Replace a sandwich."""
    with database.writing() as transaction:
        answer = answer_of(kept.update(transaction, sandwich_id, values_of(change.sandwich), change.version))
    return answer


@router.post("/{sandwich_id}/copy", status_code=201, operation_id="copySandwich", response_model=SandwichRecord)
def copy_sandwich(sandwich_id: str, database: Database, key: OnceKey = None) -> Response:
    """Keep a second sandwich like it."""
    with database.writing() as transaction:

        def make() -> str:
            original = kept.get(transaction, sandwich_id).sandwich
            return kept.insert(transaction, values_of(replace(original, name=f"{original.name[:112]}, copy")))

        answer = answer_of(kept.get(transaction, once(transaction, key, "sandwich copy", sandwich_id.encode(), make)), 201)
    return answer


@router.delete("/{sandwich_id}", status_code=204, operation_id="deleteSandwich")
def delete_sandwich(sandwich_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Delete a sandwich."""
    with database.writing() as transaction:
        kept.delete(transaction, sandwich_id, version)
