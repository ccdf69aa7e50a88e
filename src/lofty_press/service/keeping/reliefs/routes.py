"""HTTP for reliefs: a file comes in, is shown, and is kept when wished."""

from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import say
from lofty_press.documents.files.reliefs.wish import Wish
from lofty_press.service.db import connection
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of
from lofty_press.service.http.errors import ANSWERS, NotFound
from lofty_press.service.keeping.reliefs import jobs, repository
from lofty_press.service.keeping.reliefs.models import ReliefReading, WishQuery
from lofty_press.service.work.budget import DRAWING, FILE

router = APIRouter(prefix="/api/reliefs", tags=["reliefs"], responses=ANSWERS, route_class=BoundedRoute)
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
PICTURE: dict[int | str, dict[str, object]] = {200: {"description": "A picture.", "content": {"image/png": {}}}}


@router.post("", operation_id="readRelief", openapi_extra=FILE_BODY, response_model=ReliefReading)
async def read(
    request: Request,
    database: Database,
    work: Work,
    wish: Annotated[WishQuery, Depends()],
    name: Annotated[str, Query(max_length=120)] = "Relief",
    keep: bool = False,
) -> Response:
    """Read a PNG, TIFF, SVG or STL; with `keep` it is stored, whole or not at all, and once however often it is sent."""
    found: tuple[ReliefReading, bytes] = await work.do(
        jobs.read, await request.body(), Wish(**wish.model_dump()), budget=FILE, for_a_write=keep
    )
    reading, packed = found
    return await run_in_threadpool(keep_relief, database, name, packed, reading) if keep else answer_of(reading)


def keep_relief(database: connection.Database, name: str, packed: bytes, reading: ReliefReading) -> Response:
    """Keep a packed relief; its reading is answered with its key."""
    with database.writing() as transaction:
        reading.id = repository.keep_relief(transaction, name, packed)
        answer = answer_of(reading)
    return answer


@router.get("/{relief_id}/picture", operation_id="reliefPicture", response_class=Response, responses=PICTURE)
async def picture(relief_id: str, work: Work) -> Response:
    """A kept relief under a lamp, as grey PNG."""
    found = await work.do(jobs.picture, relief_id, budget=DRAWING)
    if found is None:
        raise NotFound(say("This relief is gone."))
    return Response(found, media_type="image/png", headers={"cache-control": "private, max-age=86400"})
