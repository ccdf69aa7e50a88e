"""HTTP for practice."""

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.documents.answers.practice import Done, DrillDocument, MarkDocument, PracticeDocument, Which, practised
from lofty_press.documents.files.class_files import DrillFile, Results, ResultsRead, write_results
from lofty_press.service.db import connection
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, json_answer
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.practice import jobs, repository
from lofty_press.service.keeping.practice.models import Attempt, GivenAttempt, GivenDrill
from lofty_press.service.keeping.reliefs.repository import keep_relief, packed_of
from lofty_press.service.work.budget import FILE, SEARCH

FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
JSON_FILE: dict[int | str, dict[str, object]] = {200: {"description": "The file.", "content": {"application/json": {}}}}
router = APIRouter(prefix="/api/practice", tags=["practice"], responses=ANSWERS, route_class=BoundedRoute)


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
        repository.keep(transaction, done)


@router.post("/given/file", operation_id="writeGivenDrill", response_class=Response, responses=JSON_FILE)
async def write_given(file: DrillFile, work: Work, database: Database) -> Response:
    """A drill for others, as a file: a pile that is right, and a mistake that is put into it. It is tried before it is written; reliefs that do not come
    with every program travel inside."""
    packed = await run_in_threadpool(maps_of, database, file)
    return json_answer((await work.do(jobs.write_given, file, packed, budget=SEARCH)).encode())


def maps_of(database: connection.Database, file: DrillFile) -> dict[str, bytes]:
    with database.reading() as transaction:
        return packed_of(transaction, file.meant)


@router.post("/given", operation_id="readGivenDrill", response_model=GivenDrill, openapi_extra=FILE_BODY)
async def read_given(request: Request, work: Work, database: Database) -> Response:
    """A teacher's drill out of its file; reliefs inside it are kept."""
    found: jobs.ReadGiven = await work.do(jobs.read_given, await request.body(), budget=SEARCH, for_a_write=True)
    if found.reliefs:
        await run_in_threadpool(keep_maps, database, found)
    return json_answer(found.told)


def keep_maps(database: connection.Database, found: jobs.ReadGiven) -> None:
    with database.writing() as transaction:
        for packed in found.reliefs:
            keep_relief(transaction, found.name, packed)


@router.post("/given/attempt", operation_id="answerGivenDrill", response_model=MarkDocument)
async def attempt_given(answer: GivenAttempt, work: Work) -> Response:
    """Hold an answer against a teacher's drill; what came of it is the learner's to hand in."""
    return json_answer(await work.do(jobs.mark_given, answer, budget=SEARCH))


@router.post("/results/file", operation_id="writeResults", response_class=Response, responses=JSON_FILE)
def results_file(results: Results) -> Response:
    """What somebody made of given drills, as a file to hand in."""
    return json_answer(write_results(results).encode())


@router.post("/results", operation_id="readResults", response_model=ResultsRead, openapi_extra=FILE_BODY)
async def results(request: Request, work: Work) -> Response:
    """What somebody handed in, and whether it was changed by hand since it was written."""
    return json_answer(await work.do(jobs.read_class, await request.body(), budget=FILE))
