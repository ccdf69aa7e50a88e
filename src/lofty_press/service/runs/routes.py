"""HTTP for runs at the press."""

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.documents.photo import read_photo
from lofty_press.service.db.connection import Pool
from lofty_press.service.dependencies import Database, Reliefs
from lofty_press.service.errors import ANSWERS
from lofty_press.service.plates import repository as plates
from lofty_press.service.plates.remember import remember
from lofty_press.service.runs import repository
from lofty_press.service.runs.models import RunChange, RunRecord, RunSummary, RunWrite

router = APIRouter(prefix="/api/runs", tags=["runs"], responses=ANSWERS)

PHOTO_BODY = {
    "requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}
}
PHOTO: dict[int | str, dict[str, object]] = {200: {"description": "A photo.", "content": {"image/jpeg": {}}}}


@router.get("", operation_id="listRuns")
def list_runs(pool: Database) -> list[RunSummary]:
    """The newest runs first."""
    with pool.connection() as connection:
        return repository.list_runs(connection)


@router.get("/{run_id}", operation_id="getRun")
def get_run(run_id: str, pool: Database) -> RunRecord:
    """One run: where it is on its card, or what came of it."""
    with pool.connection() as connection:
        return repository.get_run(connection, run_id)


@router.post("", status_code=201, operation_id="startRun")
def start_run(write: RunWrite, pool: Database) -> RunRecord:
    """Begin a run."""
    with pool.connection() as connection:
        record = repository.insert_run(connection, write)
        connection.commit()
        return record


@router.put("/{run_id}", operation_id="changeRun")
def change_run(run_id: str, change: RunChange, pool: Database, library: Reliefs) -> RunRecord:
    """A step further, a change of the sandwich, or the end: then what it left on the plates is noted too."""
    with pool.connection() as connection:
        plates.read_newest(connection)
        record = repository.update_run(connection, run_id, change, change.version)
        if record.state != "open":
            passes = record.body.turns if record.state == "given up" else max(record.body.turns, 1)
            remember(connection, run_id, record.body.sandwich, passes, library)
        connection.commit()
        return record


@router.delete("/{run_id}", status_code=204, operation_id="deleteRun")
def delete_run(run_id: str, pool: Database, version: int = Query(ge=1)) -> None:
    """Forget a run and its photo."""
    with pool.connection() as connection:
        repository.delete_run(connection, run_id, version)
        connection.commit()


@router.put("/{run_id}/photo", status_code=204, operation_id="keepRunPhoto", openapi_extra=PHOTO_BODY)
async def keep_photo(run_id: str, request: Request, pool: Database) -> None:
    """Keep a photo of what came out, made smaller and without what the camera wrote into it."""
    data = await request.body()
    await run_in_threadpool(take_photo, pool, run_id, data)


def take_photo(pool: Pool, run_id: str, data: bytes) -> None:
    """Read it before anything is stored: a file that is no photo touches nothing."""
    with pool.connection() as connection:
        repository.get_run(connection, run_id)
    photo = read_photo(data)
    with pool.connection() as connection:
        repository.keep_photo(connection, run_id, photo)
        connection.commit()


@router.get("/{run_id}/photo", operation_id="runPhoto", response_class=Response, responses=PHOTO)
def photo(run_id: str, pool: Database) -> Response:
    """The photo of a run."""
    with pool.connection() as connection:
        body = repository.get_photo(connection, run_id)
    return Response(body, media_type="image/jpeg", headers={"cache-control": "private, no-cache"})


@router.delete("/{run_id}/photo", status_code=204, operation_id="deleteRunPhoto")
def delete_photo(run_id: str, pool: Database) -> None:
    """Take the photo away; without one nothing happens."""
    with pool.connection() as connection:
        repository.get_run(connection, run_id)
        repository.delete_photo(connection, run_id)
        connection.commit()
