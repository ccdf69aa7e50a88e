"""HTTP for everything out and everything in."""

from datetime import UTC, datetime
from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from fastapi.responses import FileResponse
from starlette.background import BackgroundTask
from starlette.concurrency import run_in_threadpool

from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, json_answer
from lofty_press.service.http.errors import ANSWERS, DiskFull
from lofty_press.service.http.received import received, scratch_file
from lofty_press.service.keeping.archive.collect import collect
from lofty_press.service.keeping.archive.merging import merging
from lofty_press.service.keeping.archive.models import ArchiveAnswer, Choice
from lofty_press.service.keeping.archive.restore import merge
from lofty_press.service.keeping.runs.found_by import fill_in_if_possible
from lofty_press.service.work.budget import ARCHIVE

router = APIRouter(prefix="/api/archive", tags=["archive"], responses=ANSWERS, route_class=BoundedRoute)
FILE_BODY = {"requestBody": {"required": True, "content": {"application/zip": {"schema": {"type": "string", "format": "binary"}}}}}
ZIP: dict[int | str, dict[str, object]] = {200: {"description": "The archive.", "content": {"application/zip": {}}}}


@router.get("", operation_id="backup", response_class=Response, responses=ZIP)
def backup(request: Request, database: Database) -> FileResponse:
    """Everything in one archive: shelf, presses, reliefs, sandwiches, runs with photos, plates with their marks, settings."""
    path = scratch_file(request)
    try:
        with database.reading() as transaction:
            collect(transaction, path)
    except BaseException as error:
        path.unlink(missing_ok=True)
        if isinstance(error, OSError) and error.errno == 28:
            raise DiskFull from error
        raise
    name = f"lofty-press-{datetime.now(UTC):%Y-%m-%d}.zip"
    return FileResponse(path, media_type="application/zip", filename=name, background=BackgroundTask(path.unlink, missing_ok=True))


@router.post("/look", operation_id="lookAtArchive", response_model=ArchiveAnswer, openapi_extra=FILE_BODY)
async def look(request: Request, database: Database, work: Work) -> Response:
    """What an archive holds beside what is here; nothing is changed."""
    async with received(request) as path:
        return json_answer(await work.do(merge, path, False, "keep", budget=ARCHIVE, session=merging(database, write=False)))


@router.post("", operation_id="restore", response_model=ArchiveAnswer, openapi_extra=FILE_BODY)
async def restore(request: Request, database: Database, work: Work, clashes: Annotated[Choice, Query()] = "keep") -> Response:
    """Take an archive in, all of it or nothing. What is here and differs stays as it is, unless `clashes` is "take"."""
    async with received(request) as path:
        told = await work.do(merge, path, True, clashes, budget=ARCHIVE, for_a_write=True, session=merging(database, write=True))
    await run_in_threadpool(fill_in_if_possible, database)
    return json_answer(told)
