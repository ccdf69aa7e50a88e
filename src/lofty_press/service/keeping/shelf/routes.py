"""HTTP for the shelf."""

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.documents.files.shelf_file import ShelfFile
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.db.paging import After, Find, Limit
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.http.raw import RAW, raw_file
from lofty_press.service.keeping.shelf import files
from lofty_press.service.keeping.shelf.files import FileKind, ShelfTaken
from lofty_press.service.keeping.shelf.models import Category, ShelfChange, ShelfEntry, ShelfPage, ShelfWrite
from lofty_press.service.keeping.shelf.repository import kept, list_window, values_of
from lofty_press.service.work.budget import FILE

router = APIRouter(prefix="/api/shelf", tags=["shelf"], responses=ANSWERS, route_class=BoundedRoute)
Of = Annotated[str | None, Query(max_length=64)]
TEXT: dict[int | str, dict[str, object]] = {200: {"description": "The shelf.", "content": {"application/json": {}, "text/csv": {}}}}
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}


@router.get("", operation_id="listShelf")
def list_shelf(
    database: Database,
    category: Category | None = None,
    text: Find = "",
    after: After = None,
    limit: Limit = 200,
    press: Of = None,
    tool: Of = None,
) -> ShelfPage:
    """A window of the shelf, by category and name: what passes a press, and what is large enough for a tool, where one is given."""
    with database.reading() as transaction:
        return list_window(transaction, category=category, text=text, after=after, most=limit, press=press, tool=tool)


@router.get("/file/{kind}", operation_id="exportShelf", response_class=Response, responses=TEXT)
async def export_shelf(kind: FileKind, database: Database, work: Work) -> Response:
    """The whole shelf as a file, JSON or CSV."""
    text = await work.do(files.written, await run_in_threadpool(whole_shelf, database), kind, budget=FILE)
    headers = {"content-disposition": f'attachment; filename="shelf.{kind}"'}
    return Response(text, media_type=files.MEDIA[kind], headers=headers)


def whole_shelf(database: connection.Database) -> ShelfFile:
    with database.reading() as transaction:
        return files.shelf_of(transaction)


@router.post("/file", operation_id="importShelf", openapi_extra=FILE_BODY, response_model=ShelfTaken)
async def import_shelf(request: Request, database: Database, work: Work, take: bool = False, key: OnceKey = None) -> Response:
    """Read a shelf file, JSON or CSV; with `take` everything in it is put on the shelf beside what is there, all or nothing."""
    data = await request.body()
    shelf = await work.do(files.read, data, budget=FILE, for_a_write=take)
    answer = answer_of(files.described(shelf, taken=take))
    if take:
        await run_in_threadpool(take_shelf, database, data, shelf, key)
    return answer


def take_shelf(database: connection.Database, data: bytes, shelf: ShelfFile, key: str | None) -> None:
    with database.writing() as transaction:

        def make() -> str:
            files.take(transaction, shelf)
            return ""

        once(transaction, key, "shelf file", data, make)


@router.get("/{entry_id}", operation_id="getShelfEntry")
def get_shelf_entry(entry_id: str, database: Database) -> ShelfEntry:
    """One thing on the shelf."""
    with database.reading() as transaction:
        return kept.get(transaction, entry_id)


@router.get("/{entry_id}/raw", operation_id="rawShelfEntry", response_class=Response, responses=RAW)
def raw_entry(entry_id: str, database: Database) -> Response:
    """A thing exactly as it was stored, also one that cannot be read."""
    with database.reading() as transaction:
        return raw_file(kept.row(transaction, entry_id))


@router.post("", status_code=201, operation_id="addToShelf", response_model=ShelfEntry)
def add_to_shelf(write: ShelfWrite, database: Database, key: OnceKey = None) -> Response:
    """Put something new on the shelf."""
    with database.writing() as transaction:
        entry_id = once(transaction, key, "shelf", write, lambda: kept.insert(transaction, values_of(write)))
        answer = answer_of(kept.get(transaction, entry_id), 201)
    return answer


@router.post("/{entry_id}/copy", status_code=201, operation_id="copyShelfEntry", response_model=ShelfEntry)
def copy_shelf_entry(entry_id: str, database: Database, key: OnceKey = None) -> Response:
    """Put a second one like it on the shelf."""
    with database.writing() as transaction:

        def make() -> str:
            return kept.insert(transaction, values_of(kept.get(transaction, entry_id)))

        answer = answer_of(kept.get(transaction, once(transaction, key, "shelf copy", entry_id.encode(), make)), 201)
    return answer


@router.put("/{entry_id}", operation_id="changeShelfEntry", response_model=ShelfEntry)
def change_shelf_entry(entry_id: str, change: ShelfChange, database: Database) -> Response:
    """Replace a thing on the shelf."""
    with database.writing() as transaction:
        answer = answer_of(kept.update(transaction, entry_id, values_of(change), change.version))
    return answer


@router.delete("/{entry_id}", status_code=204, operation_id="deleteShelfEntry")
def delete_shelf_entry(entry_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Take something off the shelf; sandwiches that use it keep their own copy of its numbers."""
    with database.writing() as transaction:
        kept.delete(transaction, entry_id, version)
