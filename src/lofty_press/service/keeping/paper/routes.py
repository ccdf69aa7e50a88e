"""HTTP for the sheets that are owned."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from lofty_press.documents.answers.plan.job_file import told_stock
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, answer_of
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.paper.models import PaperChange, PaperList, PaperRecord, PaperWrite
from lofty_press.service.keeping.paper.repository import keep, kept, list_all, values_of

router = APIRouter(prefix="/api/paper", tags=["plan"], responses=ANSWERS, route_class=BoundedRoute)


@router.get("", operation_id="listPaper")
def list_paper(database: Database) -> PaperList:
    """All stocks with their sheets, whole ones and off-cuts."""
    with database.reading() as transaction:
        return list_all(transaction)


@router.post("", operation_id="keepPaper", response_model=PaperRecord)
def keep_paper(write: PaperWrite, database: Database) -> Response:
    """Keep a stock and its sheets, in place of what there was of that name."""
    with database.writing() as transaction:
        answer = answer_of(kept.get(transaction, keep(transaction, told_stock(write.stock, write.unit))))
    return answer


@router.put("/{paper_id}", operation_id="changePaper", response_model=PaperRecord)
def change_paper(paper_id: str, change: PaperChange, database: Database) -> Response:
    """Count the sheets of a stock anew."""
    with database.writing() as transaction:
        answer = answer_of(kept.update(transaction, paper_id, values_of(told_stock(change.stock, change.unit)), change.version))
    return answer


@router.delete("/{paper_id}", status_code=204, operation_id="deletePaper")
def delete_paper(paper_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Take a stock out."""
    with database.writing() as transaction:
        kept.delete(transaction, paper_id, version)
