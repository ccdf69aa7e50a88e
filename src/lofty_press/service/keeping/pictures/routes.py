"""HTTP for photos of things."""

from typing import Annotated

from fastapi import APIRouter, Path, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import say
from lofty_press.service.db import connection
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of
from lofty_press.service.http.errors import ANSWERS, NotFound
from lofty_press.service.keeping.pictures import jobs, repository
from lofty_press.service.keeping.pictures.models import KeptPicture
from lofty_press.service.work.budget import FILE

router = APIRouter(prefix="/api/pictures", tags=["pictures"], responses=ANSWERS, route_class=BoundedRoute)
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
PICTURE: dict[int | str, dict[str, object]] = {200: {"description": "A picture.", "content": {"image/jpeg": {}}}}


@router.post("", operation_id="keepPicture", openapi_extra=FILE_BODY, response_model=KeptPicture)
async def keep(request: Request, database: Database, work: Work, quarter_turns: Annotated[int, Query(ge=0, le=3)] = 0) -> Response:
    """Keep a picture of a thing: JPEG of at most 1600 pixels, without place, camera or date, turned to the right if wished. A thing names it by the key that is answered."""
    body: bytes = await work.do(jobs.bare, await request.body(), quarter_turns, budget=FILE, for_a_write=True)
    return await run_in_threadpool(kept, database, body)


def kept(database: connection.Database, body: bytes) -> Response:
    """Keep it; what is answered is written before."""
    answer = answer_of(KeptPicture(id=repository.picture_key(body)))
    with database.writing() as transaction:
        repository.keep_picture(transaction, body)
    return answer


@router.get("/{picture_id}", operation_id="picture", response_class=Response, responses=PICTURE)
def picture(picture_id: Annotated[str, Path(max_length=64)], database: Database) -> Response:
    """A kept picture."""
    with database.reading() as transaction:
        body = repository.get_picture(transaction, picture_id)
    if body is None:
        raise NotFound(say("This picture is gone."))
    return Response(body, media_type="image/jpeg", headers={"cache-control": "private, max-age=86400"})
