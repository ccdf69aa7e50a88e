"""HTTP for setting a press room out."""

from fastapi import APIRouter, Request

from lofty_press.core.setout import Line, press_of, read_list
from lofty_press.documents.things_file import list_in
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.dependencies import Database
from lofty_press.service.errors import ANSWERS
from lofty_press.service.setout.models import MOST_TEXT, ListAnswer, ListLine, ListRequest, SetOut, SetOutAnswer
from lofty_press.service.shelf.models import ShelfWrite
from lofty_press.service.shelf.repository import kept, values_of

FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
router = APIRouter(prefix="/api/setout", tags=["set out"], responses=ANSWERS)


@router.post("/list", operation_id="readList")
def read(request: ListRequest) -> ListAnswer:
    """What a written list comes to, part by part; nothing is put on the shelf."""
    lines = read_list(request.text)
    return ListAnswer(lines=[told(line) for line in lines], things=sum(len(line.items) for line in lines))


@router.post("/file", operation_id="listInFile", openapi_extra=FILE_BODY)
async def in_file(request: Request) -> ListRequest:
    """The list in a file, as text, a table or JSON; nothing is put on the shelf."""
    return ListRequest(text=list_in(await request.body())[:MOST_TEXT])


def told(line: Line) -> ListLine:
    first = line.items[0] if line.items else None
    return ListLine(
        number=line.number,
        text=line.text,
        count=len(line.items),
        kind=None if first is None else first.kind,
        first=first,
        problem=line.problem,
    )


@router.post("", status_code=201, operation_id="setOut")
def set_out(wanted: SetOut, database: Database, key: OnceKey = None) -> SetOutAnswer:
    """Put a press and everything of a list that could be read on the shelf, all or nothing."""
    items = [item for line in read_list(wanted.text) for item in line.items]
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
    return SetOutAnswer(press_id=made or None, things=len(items))
