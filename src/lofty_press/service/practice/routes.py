"""HTTP for practice."""

from fastapi import APIRouter, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.documents.practice import Done, DrillDocument, MarkDocument, PracticeDocument, Which, practised
from lofty_press.service.db import connection
from lofty_press.service.dependencies import Database, Work, json_answer
from lofty_press.service.errors import ANSWERS
from lofty_press.service.practice import jobs, repository
from lofty_press.service.practice.models import Attempt
from lofty_press.service.work.budget import SEARCH

router = APIRouter(prefix="/api/practice", tags=["practice"], responses=ANSWERS)


@router.get("", operation_id="getPractice")
def practice(database: Database) -> PracticeDocument:
    """Every skill, how somebody stands in it and when it is due again."""
    with database.reading() as transaction:
        done = repository.latest(transaction)
    return practised(done)


@router.post("/drill", operation_id="makeDrill", response_model=DrillDocument)
async def drill(which: Which, work: Work) -> Response:
    """A drill of a skill, by its seed and how hard it is to be: the same three make the same one."""
    return json_answer(await work.do(jobs.drill, which, budget=SEARCH))


@router.post("/attempt", operation_id="answerDrill", response_model=MarkDocument)
async def attempt(answer: Attempt, work: Work, database: Database) -> Response:
    """Hold an answer against its drill; one that ends it is kept."""
    marked: jobs.Marked = await work.do(jobs.mark, answer, budget=SEARCH)
    if marked.done is not None:
        await run_in_threadpool(keep, database, marked.done)
    return json_answer(marked.told)


def keep(database: connection.Database, done: Done) -> None:
    with database.writing() as transaction:
        repository.kept.insert(transaction, repository.values_of(done))
