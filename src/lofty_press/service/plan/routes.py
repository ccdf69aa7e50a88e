"""HTTP for jobs and their plans."""

from datetime import datetime
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.errors import InvalidInput
from lofty_press.core.plan import FORMATS
from lofty_press.core.words import Unit, say
from lofty_press.documents.plan.job_file import JobFile
from lofty_press.documents.plan.plan import PlanDocument
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.dependencies import Database, Work, json_answer
from lofty_press.service.errors import ANSWERS
from lofty_press.service.plan import jobs
from lofty_press.service.plan.begin import first_job
from lofty_press.service.plan.models import (
    FormatAnswer,
    FormatsAnswer,
    JobChange,
    JobList,
    JobRecord,
    JobWrite,
    Resize,
    SizesAnswer,
    Start,
)
from lofty_press.service.plan.repository import kept, list_all, values_of
from lofty_press.service.raw import RAW, raw_file
from lofty_press.service.shelf.repository import readable_items
from lofty_press.service.work.budget import QUICK, SEARCH

TYPES = {"pdf": "application/pdf", "svg": "image/svg+xml", "ics": "text/calendar"}
FILES: dict[int | str, dict[str, Any]] = {
    200: {"description": "The file.", "content": {kind: {"schema": {"type": "string"}} for kind in TYPES.values()}}
}

router = APIRouter(prefix="/api/jobs", tags=["plan"], responses=ANSWERS)


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


@router.post("", status_code=201, operation_id="makeJob")
def make_job(write: JobWrite, database: Database, key: OnceKey = None) -> JobRecord:
    """Keep a new job."""
    with database.writing() as transaction:
        made = once(transaction, key, "job", write, lambda: kept.insert(transaction, values_of(write.job)))
        record = kept.get(transaction, made)
    return record


@router.post("/begin", status_code=201, operation_id="beginJob")
def begin_job(start: Start, database: Database, key: OnceKey = None) -> JobRecord:
    """Keep a new job: a card in a format with a layer on it, from the first card stock on the shelf."""
    with database.writing() as transaction:
        job = first_job(start, list(readable_items(transaction).values()))
        made = once(transaction, key, "job begun", start, lambda: kept.insert(transaction, values_of(job)))
        record = kept.get(transaction, made)
    return record


@router.post("/sizes", operation_id="sizesOfJob", response_model=SizesAnswer)
async def sizes(job: JobFile, work: Work) -> Response:
    """Sizes of all pieces, and what the finished card is for the post; quick enough to follow a change."""
    return json_answer(await work.do(jobs.sizes, job, budget=QUICK))


@router.post("/resize", operation_id="resizePiece")
async def resize(wanted: Resize, work: Work) -> JobFile:
    """The job in which a piece has another size, and the others follow."""
    changed: JobFile = await work.do(jobs.resized, wanted, budget=QUICK)
    return changed


@router.post("/plan", operation_id="planJob", response_model=PlanDocument)
async def plan(job: JobFile, work: Work) -> Response:
    """The whole plan: sizes, cut list, order, timetable and post."""
    return json_answer(await work.do(jobs.plan, job, budget=SEARCH))


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
    """The plan as pages at true scale, as a drawing, or as a calendar from a point in time on."""
    job = await run_in_threadpool(job_in, database, job_id)
    try:
        moment = datetime.fromisoformat(begin)
    except ValueError as error:
        raise InvalidInput("begin", begin, say("must be a point in time, such as 2026-12-05T13:00")) from error
    body = await work.do(jobs.file_of, job, kind, moment, unit, budget=SEARCH)
    headers = {"content-disposition": f'attachment; filename="plan.{kind}"'}
    return Response(body, media_type=TYPES[kind], headers=headers)


def job_in(database: connection.Database, job_id: str) -> JobFile:
    """A kept job."""
    with database.reading() as transaction:
        return kept.get(transaction, job_id).job


@router.put("/{job_id}", operation_id="changeJob")
def change_job(job_id: str, change: JobChange, database: Database) -> JobRecord:
    """Replace a job."""
    with database.writing() as transaction:
        record = kept.update(transaction, job_id, values_of(change.job), change.version)
    return record


@router.delete("/{job_id}", status_code=204, operation_id="deleteJob")
def delete_job(job_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Delete a job."""
    with database.writing() as transaction:
        kept.delete(transaction, job_id, version)
