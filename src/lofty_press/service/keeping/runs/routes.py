"""HTTP for runs at the press."""

import logging
from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from fastapi.responses import StreamingResponse
from starlette.concurrency import run_in_threadpool

from lofty_press.core.sandwich.stack import Press, differences
from lofty_press.service.db import connection
from lofty_press.service.db.once import OnceKey, once
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, FormingRuns, PressRoom, Work, Workers, answer_of, summary_of
from lofty_press.service.http.errors import ANSWERS, NoResult, OverBudget, Refused
from lofty_press.service.http.raw import RAW, raw_file
from lofty_press.service.keeping.impressions.runs import Runs
from lofty_press.service.keeping.plates import jobs as plate_jobs
from lofty_press.service.keeping.plates import repository as plates
from lofty_press.service.keeping.plates.jobs import LeftMark
from lofty_press.service.keeping.runs import files, found_by, jobs, repository, taking
from lofty_press.service.keeping.runs.files import FileKind
from lofty_press.service.keeping.runs.known_cause import known_cause
from lofty_press.service.keeping.runs.models import RunChange, RunFilters, RunPage, RunQuery, RunRecord, RunsCompared, RunWrite
from lofty_press.service.keeping.runs.repository import kept, list_window, values_of
from lofty_press.service.keeping.runs.taking import RunsTaken
from lofty_press.service.keeping.shelf.repository import list_entries
from lofty_press.service.work.budget import FILE, MARKS

log = logging.getLogger("lofty_press")
router = APIRouter(prefix="/api/runs", tags=["runs"], responses=ANSWERS, route_class=BoundedRoute)

FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
PHOTO_BODY = {
    "requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}
}
TEXT: dict[int | str, dict[str, object]] = {200: {"description": "The runs.", "content": {"application/json": {}, "text/csv": {}}}}
PHOTO: dict[int | str, dict[str, object]] = {200: {"description": "A photo.", "content": {"image/jpeg": {}}}}


@router.get("", operation_id="listRuns")
def list_runs(database: Database, sought: Annotated[RunQuery, Query()]) -> RunPage:
    """A window of the kept runs, newest first: those of some words, of a sandwich, of an outcome, on a press, with a tool, a stock, a tag."""
    with database.reading() as transaction:
        return list_window(transaction, sought)


@router.get("/filters", operation_id="runFilters")
def run_filters(database: Database) -> RunFilters:
    """What runs can be filtered by."""
    with database.reading() as transaction:
        return RunFilters(**found_by.filters(transaction))


@router.get("/file/{kind}", operation_id="exportRuns", response_class=Response, responses=TEXT)
def export_runs(kind: FileKind, database: Database) -> StreamingResponse:
    """Every run, newest first: CSV with what came out, or JSON with all of it."""
    headers = {"content-disposition": f'attachment; filename="runs.{kind}"'}
    return StreamingResponse(files.pieces(database, kind), media_type=files.MEDIA[kind], headers=headers)


@router.post("/file", operation_id="importRuns", openapi_extra=FILE_BODY, response_model=RunsTaken)
async def import_runs(request: Request, database: Database, work: Work, room: PressRoom, take: bool = False) -> Response:
    """Read a file of runs, JSON or a table; with `take` those that are not here yet are kept, all or nothing."""
    data = await request.body()
    presses = await run_in_threadpool(presses_by_name, database)
    found = await work.do(taking.read, data, presses, budget=FILE, for_a_write=take)
    answer = await run_in_threadpool(take_runs, database, found, take)
    if take:
        await room.learn_if_possible()
    return answer


def presses_by_name(database: connection.Database) -> dict[str, Press]:
    with database.reading() as transaction:
        return {entry.name.lower(): entry.press for entry in list_entries(transaction) if entry.press is not None}


def take_runs(database: connection.Database, found: taking.ReadRuns, take: bool) -> Response:
    names = [row["name"] for row in found.rows[: taking.NAMED]]
    with database.writing() if take else database.reading() as transaction:
        here = taking.here_already(transaction, found.rows)
        if take:
            taking.keep(transaction, found.rows)
        answer = answer_of(RunsTaken(runs=len(found.rows), here=len(here), names=names, unread=found.unread, taken=take))
    return answer


@router.get("/compared", operation_id="compareRuns")
def compare_runs(
    one: Annotated[str, Query(max_length=64)], other: Annotated[str, Query(max_length=64)], database: Database
) -> RunsCompared:
    """Two runs side by side: each, and what was different the second time."""
    with database.reading() as transaction:
        first, second = kept.get(transaction, one), kept.get(transaction, other)
    return RunsCompared(one=first, other=second, differences=list(differences(first.body.sandwich, second.body.sandwich)))


@router.get("/{run_id}", operation_id="getRun")
def get_run(run_id: str, database: Database) -> RunRecord:
    """One run: where it is on its card, or what came of it."""
    with database.reading() as transaction:
        return kept.get(transaction, run_id)


@router.get("/{run_id}/raw", operation_id="rawRun", response_class=Response, responses=RAW)
def raw_run(run_id: str, database: Database) -> Response:
    """A run exactly as it was stored, also one that cannot be read."""
    with database.reading() as transaction:
        return raw_file(kept.row(transaction, run_id))


@router.post("", status_code=201, operation_id="startRun", response_model=RunRecord)
def start_run(write: RunWrite, database: Database, key: OnceKey = None) -> Response:
    """Begin a run, or note one that somebody knew before."""
    known_cause(write.body.cause)
    with database.writing() as transaction:
        made = once(transaction, key, "run", write, lambda: kept.insert(transaction, values_of(write)))
        answer = answer_of(kept.get(transaction, made), 201)
    return answer


@router.put("/{run_id}", operation_id="changeRun", response_model=RunRecord)
async def change_run(run_id: str, change: RunChange, database: Database, work: Work, runs: FormingRuns, room: PressRoom) -> Response:
    """A step further, a change of the sandwich, or the end: then what it left on the plates is noted too, with it or not at all."""
    known_cause(change.body.cause)
    left: list[LeftMark] = []
    if change.state != "open" and not change.body.known and not await run_in_threadpool(is_noted, database, run_id):
        left = await marks_left(run_id, change, work, runs)
    answer = await run_in_threadpool(keep_change, database, run_id, change, left)
    if change.state != "open":
        await room.learn_if_possible()
    return answer


def is_noted(database: connection.Database, run_id: str) -> bool:
    with database.reading() as transaction:
        return plates.is_noted(transaction, run_id)


async def marks_left(run_id: str, change: RunChange, work: Workers, runs: Runs) -> list[LeftMark]:
    """What the run left; what cannot be worked out is left out and logged: the run itself is kept in any case."""
    passes = change.body.turns if change.state == "given up" else max(change.body.turns, 1)
    if passes < 1 or not any(item.blade is not None for item in change.body.sandwich.items.values()):
        return []
    try:
        formed = await summary_of(runs, change.body.sandwich)
        found: list[LeftMark] = await work.do(plate_jobs.marks_left, change.body.sandwich, passes, formed, budget=MARKS, for_a_write=True)
    except (Refused, NoResult, OverBudget) as error:
        log.warning("no marks of run %s: %s", run_id, error)
        return []
    return found


def keep_change(database: connection.Database, run_id: str, change: RunChange, left: list[LeftMark]) -> Response:
    """Keep the new state of a run; a run whose note is changed later is not noted again, on whatever plate lies there now."""
    with database.writing() as transaction:
        record = kept.update(transaction, run_id, values_of(change), change.version)
        if left and not plates.is_noted(transaction, run_id):
            for number, mark in enumerate(left, start=1):
                plates.record(transaction, run_id, number, mark)
        answer = answer_of(record)
    return answer


@router.delete("/{run_id}", status_code=204, operation_id="deleteRun")
def delete_run(run_id: str, database: Database, version: Annotated[int, Query(ge=1)]) -> None:
    """Forget a run and its photo."""
    with database.writing() as transaction:
        kept.delete(transaction, run_id, version)


@router.put("/{run_id}/photo", status_code=204, operation_id="keepRunPhoto", openapi_extra=PHOTO_BODY)
async def keep_photo(run_id: str, request: Request, database: Database, work: Work) -> None:
    """Keep a photo of what came out, made smaller and without what the camera wrote into it. A file that is no photo touches nothing."""
    data = await request.body()
    await run_in_threadpool(look_for, database, run_id)
    photo = await work.do(jobs.photo, data, budget=FILE, for_a_write=True)
    await run_in_threadpool(store_photo, database, run_id, photo)


def look_for(database: connection.Database, run_id: str) -> None:
    with database.reading() as transaction:
        kept.row(transaction, run_id)


def store_photo(database: connection.Database, run_id: str, photo: bytes) -> None:
    with database.writing() as transaction:
        kept.row(transaction, run_id)
        repository.keep_photo(transaction, run_id, photo)


@router.get("/{run_id}/photo", operation_id="runPhoto", response_class=Response, responses=PHOTO)
def photo(run_id: str, database: Database) -> Response:
    """The photo of a run."""
    with database.reading() as transaction:
        body = repository.get_photo(transaction, run_id)
    return Response(body, media_type="image/jpeg", headers={"cache-control": "private, no-cache"})


@router.delete("/{run_id}/photo", status_code=204, operation_id="deleteRunPhoto")
def delete_photo(run_id: str, database: Database) -> None:
    """Take the photo away; without one nothing happens."""
    with database.writing() as transaction:
        kept.row(transaction, run_id)
        repository.delete_photo(transaction, run_id)
