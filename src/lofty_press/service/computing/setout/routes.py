"""HTTP for setting a press room out."""

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.sandwich.stack import Item
from lofty_press.core.working.setout import press_of
from lofty_press.service.computing.setout import jobs
from lofty_press.service.computing.setout.models import ListAnswer, ListRequest, SetOut, SetOutAnswer
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of, json_answer
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.shelf.models import ShelfWrite
from lofty_press.service.keeping.shelf.repository import kept, values_of

FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
router = APIRouter(prefix="/api/setout", tags=["set out"], responses=ANSWERS, route_class=BoundedRoute)


@router.post("/list", operation_id="readList", response_model=ListAnswer)
async def read(request: ListRequest, work: Work) -> Response:
    """What a written list comes to, part by part; nothing is put on the shelf."""
    return json_answer(await work.do(jobs.lines_of, request.text))


@router.post("/file", operation_id="listInFile", response_model=ListRequest, openapi_extra=FILE_BODY)
async def in_file(request: Request, work: Work) -> Response:
    """The list in a file, as text, a table or JSON; nothing is put on the shelf."""
    return json_answer(await work.do(jobs.text_of, await request.body()))


@router.post("", status_code=201, operation_id="setOut", response_model=SetOutAnswer)
async def set_out(wanted: SetOut, database: Database, work: Work, key: OnceKey = None) -> Response:
    """Put a press and everything of a list that could be read on the shelf, all or nothing."""
    items: list[Item] = await work.do(jobs.things_of, wanted.text, for_a_write=True)
    return await run_in_threadpool(put_out, database, wanted, items, key)


def put_out(database: connection.Database, wanted: SetOut, items: list[Item], key: str | None) -> Response:
    with database.writing() as transaction:

        def make() -> str:
            press_id = ""
            if wanted.press is not None:
                press = press_of(wanted.press.size, wanted.press.drive, wanted.press.name)
                press_id = kept.insert(transaction, values_of(ShelfWrite(press=press)))
            for item in items:
                kept.insert(transaction, values_of(ShelfWrite(item=item)))
            return press_id

        made = once(transaction, key, "set out", wanted, make)
        answer = answer_of(SetOutAnswer(press_id=made or None, things=len(items)), 201)
    return answer
