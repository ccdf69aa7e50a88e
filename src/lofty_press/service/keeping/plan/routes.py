"""HTTP for jobs and their plans."""

import time
from datetime import datetime
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Unit, say
from lofty_press.core.working.plan import FORMATS
from lofty_press.documents.answers.plan.job_file import JobFile, StockFile
from lofty_press.documents.answers.plan.plan import PlanDocument
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, Work, answer_of, json_answer
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.http.raw import RAW, raw_file
from lofty_press.service.keeping.paper.repository import keep as keep_stock
from lofty_press.service.keeping.paper.repository import list_all as list_paper
from lofty_press.service.keeping.plan import jobs
from lofty_press.service.keeping.plan.begin import first_job
from lofty_press.service.keeping.plan.models import (
    FormatAnswer,
    FormatsAnswer,
    JobChange,
    JobList,
    JobRecord,
    JobSeen,
    JobWrite,
    Resize,
    SizesAnswer,
    Start,
)
from lofty_press.service.keeping.plan.piles import with_piles
from lofty_press.service.keeping.plan.repository import kept, list_all, values_of
from lofty_press.service.keeping.plan.tempo import took_before
from lofty_press.service.keeping.shelf.repository import readable_items
from lofty_press.service.work.budget import PLAN, QUICK

TYPES = {"pdf": "application/pdf", "svg": "image/svg+xml", "ics": "text/calendar"}
FILES: dict[int | str, dict[str, Any]] = {
    200: {"description": "The file.", "content": {kind: {"schema": {"type": "string"}} for kind in TYPES.values()}}
}

YEARS = range(1971, 2101)
"""That a calendar may begin in."""

router = APIRouter(prefix="/api/jobs", tags=["plan"], responses=ANSWERS, route_class=BoundedRoute)


@router.get("", operation_id="listJobs")
def list_jobs(database: Database) -> JobList:
    """The kept jobs, last worked on first."""
    with database.reading() as transaction:
        return list_all(transaction)


@router.get("/formats", operation_id="listFormats")
def list_formats() -> FormatsAnswer:
    """Formats of cards, sheets and envelopes to begin with."""
    return FormatsAnswer(
        formats=[
            FormatAnswer(key=f.key, title=f.title, use=f.use, unit=f.unit, width_mm=float(f.width), height_mm=float(f.height))
            for f in FORMATS.values()
        ]
    )


@router.post("", status_code=201, operation_id="makeJob", response_model=JobRecord)
def make_job(write: JobWrite, database: Database, key: OnceKey = None) -> Response:
    """Keep a new job."""
    with database.writing() as transaction:
        made = once(transaction, key, "job", write, lambda: kept.insert(transaction, values_of(write.job)))
        answer = answer_of(kept.get(transaction, made), 201)
    return answer


@router.post("/begin", status_code=201, operation_id="beginJob", response_model=JobRecord)
def begin_job(start: Start, database: Database, key: OnceKey = None) -> Response:
    """Keep a new job: a card in a format with a layer on it, from the paper that is owned, then from what is on the shelf."""
    with database.writing() as transaction:
        owned = [record.stock for record in list_paper(transaction).paper]
        job = first_job(start, list(readable_items(transaction).values()), owned)
        made = once(transaction, key, "job begun", start, lambda: kept.insert(transaction, values_of(job)))
        answer = answer_of(kept.get(transaction, made), 201)
    return answer


@router.post("/sizes", operation_id="sizesOfJob", response_model=SizesAnswer)
async def sizes(job: JobFile, work: Work) -> Response:
    """Sizes of all pieces, and what the finished card is for the post; quick enough to follow a change."""
    return json_answer(await work.do(jobs.sizes, job, budget=QUICK))


@router.post("/resize", operation_id="resizePiece")
async def resize(wanted: Resize, work: Work) -> JobFile:
    """The job in which a piece has another size, and the others follow."""
    changed: JobFile = await work.do(jobs.resized, wanted, budget=QUICK)
    return changed


@router.post("/envelope", operation_id="envelopeForJob")
async def envelope(job: JobFile, work: Work) -> JobFile:
    """The job with an envelope that fits the card, and its liner."""
    changed: JobFile = await work.do(jobs.with_envelope, job, budget=QUICK)
    return changed


@router.post("/plan", operation_id="planJob", response_model=PlanDocument)
async def plan(job: JobFile, database: Database, work: Work) -> Response:
    """The whole plan as it stands now: sizes, cut list, order, timetable and post; hours as work took before."""
    took = await run_in_threadpool(took_before, database)
    job = await run_in_threadpool(with_piles, database, job)
    return json_answer(await work.do(jobs.plan, job, took, time.time(), budget=PLAN))


@router.get("/{job_id}", operation_id="getJob")
def get_job(job_id: str, database: Database) -> JobRecord:
    """One job."""
    with database.reading() as transaction:
        return kept.get(transaction, job_id)


@router.get("/{job_id}/raw", operation_id="rawJob", response_class=Response, responses=RAW)
def raw_job(job_id: str, database: Database) -> Response:
    """A job exactly as it was stored, also one that cannot be read."""
    with database.reading() as transaction:
        return raw_file(kept.row(transaction, job_id))


@router.get("/{job_id}/file", operation_id="fileOfJob", response_class=Response, responses=FILES)
async def file_of_job(
    job_id: str,
    database: Database,
    work: Work,
    kind: Literal["pdf", "svg", "ics"],
    unit: Unit = "mm",
    begin: Annotated[str, Query(max_length=40)] = "2026-01-01T09:00",
) -> Response:
    """The plan as pages, as a drawing, or as a calendar from a point in time on."""
    job = (await run_in_threadpool(record_in, database, job_id)).job
    try:
        moment = datetime.fromisoformat(begin)
        if moment.year not in YEARS:
            raise ValueError
    except ValueError as error:
        raise InvalidInput("begin", begin, say("must be a date and time, such as 2026-12-05T13:00")) from error
    took = await run_in_threadpool(took_before, database)
    job = await run_in_threadpool(with_piles, database, job)
    body = await work.do(jobs.file_of, job, jobs.FileWish(kind, moment, unit), took, time.time(), budget=PLAN)
    headers = {"content-disposition": f'attachment; filename="plan.{kind}"'}
    return Response(body, media_type=TYPES[kind], headers=headers)


def record_in(database: connection.Database, job_id: str) -> JobRecord:
    """A kept job."""
    with database.reading() as transaction:
        return kept.get(transaction, job_id)


@router.post("/{job_id}/put-away", operation_id="putJobAway", response_model=JobRecord)
async def put_away(job_id: str, seen: JobSeen, database: Database, work: Work) -> Response:
    """The job is done: what is left of its sheets, off-cuts among it, is kept as the paper that there is."""
    record = await run_in_threadpool(record_in, database, job_id)
    if record.job.put_away:
        raise InvalidInput("put_away", True, say("was done before; count your paper again on the page with all plans"))
    left: list[StockFile] = await work.do(jobs.left_of, record.job, budget=PLAN, for_a_write=True)
    return await run_in_threadpool(keep_put_away, database, record, left, seen.version)


def keep_put_away(database: connection.Database, record: JobRecord, left: list[StockFile], version: int) -> Response:
    """Keep the job as put away and its paper, or neither."""
    done = record.job.model_copy(update={"put_away": True})
    with database.writing() as transaction:
        if record.version != version:  # what was worked out is of another state than was seen
            kept.refuse(transaction, kept.row(transaction, record.id))
        changed = kept.update(transaction, record.id, values_of(done), version)
        for stock in left:
            keep_stock(transaction, stock)
        answer = answer_of(changed)
    return answer


@router.put("/{job_id}", operation_id="changeJob", response_model=JobRecord)
def change_job(job_id: str, change: JobChange, database: Database) -> Response:
    """Replace a job."""
    with database.writing() as transaction:
        answer = answer_of(kept.update(transaction, job_id, values_of(change.job), change.version))
    return answer


@router.delete("/{job_id}", status_code=204, operation_id="deleteJob")
def delete_job(job_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Delete a job."""
    with database.writing() as transaction:
        kept.delete(transaction, job_id, version)
