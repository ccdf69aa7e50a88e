"""HTTP for what plates remember."""

import numpy as np
from fastapi import APIRouter, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.plates import CELL, FACES, Face, Wear, bow_of
from lofty_press.service.db.connection import Connection
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, FormingRuns, SandwichBody, Work, answer_of, json_answer, summary_of
from lofty_press.service.http.errors import ANSWERS, NotFound
from lofty_press.service.keeping.plates import jobs, repository
from lofty_press.service.keeping.plates.histories import kept_histories
from lofty_press.service.keeping.plates.models import FaceSummary, MeasuredBow, NextRunDocument, PlateSummary, WearDocument
from lofty_press.service.work.budget import SEARCH

router = APIRouter(prefix="/api/plates", tags=["plates"], responses=ANSWERS, route_class=BoundedRoute)
NEW = say("This plate hasn't been cut on since it was new, or it isn't on the shelf.")


@router.get("", operation_id="listPlates")
def list_plates(database: Database) -> list[PlateSummary]:
    """Every plate in use that has been cut on."""
    with database.reading() as connection:
        return [summary_of_plate(connection, life) for life in repository.current_lives(connection)]


@router.get("/{item_id}/faces/{face}", operation_id="plateWear")
def wear(item_id: str, face: Face, database: Database) -> WearDocument:
    """Wear of one face of a plate."""
    with database.reading() as connection:
        kept = repository.read_wear(connection, life_or_not_found(connection, item_id))
    found, history = kept.history.of(face), kept.history
    bow = bow_of(history.face, history.back, history.thickness, correction=history.correction)
    return WearDocument(
        item_id=item_id,
        face=face,
        cell_mm=CELL,
        crossed=found.crossed.astype(np.float64).round(3).tolist(),
        deepest_mm=found.deepest.astype(np.float64).round(4).tolist(),
        bow_along_mm=bow.along.round(4).tolist(),
        bow_across_mm=(bow.across if face == "face" else bow.across[::-1]).round(4).tolist(),
    )


@router.put("/{item_id}/bow", operation_id="measureBow", response_model=PlateSummary)
def measure_bow(item_id: str, bow: MeasuredBow, database: Database) -> Response:
    """Keep a measured bow: from then on the model is corrected by it."""
    with database.writing() as connection:
        life = life_or_not_found(connection, item_id)
        repository.keep_bow(connection, life, bow.measured_mm, repository.modelled_bow(repository.read_wear(connection, life)))
        answer = answer_of(summary_of_plate(connection, life_or_not_found(connection, item_id)))
    return answer


@router.post("/{item_id}/retire", status_code=204, operation_id="retirePlate")
def retire(item_id: str, database: Database) -> None:
    """A new plate takes this one's place on the shelf: what the old one remembers is put away with it."""
    with database.writing() as connection:
        repository.end_life(connection, life_or_not_found(connection, item_id))


@router.post("/next-run", operation_id="nextRun", response_model=NextRunDocument | None)
async def next_on_plates(sandwich: SandwichBody, database: Database, work: Work, runs: FormingRuns) -> Response:
    """What a run would leave on the plate that its blade meets, and how it would better lie; null where no blade meets one that was used."""
    histories = await run_in_threadpool(kept_histories, database, sandwich)
    return json_answer(await work.do(jobs.next_on_plates, sandwich, await summary_of(runs, sandwich), histories, budget=SEARCH))


def life_or_not_found(connection: Connection, item_id: str) -> repository.Life:
    life = repository.current_life(connection, item_id)
    if life is None:
        raise NotFound(NEW)
    return life


def summary_of_plate(connection: Connection, life: repository.Life) -> PlateSummary:
    """A plate in a list."""
    kept = repository.read_wear(connection, life)
    return PlateSummary(
        item_id=life.item_id,
        name=life.item.name,
        kind=life.item.kind,
        faces=[face_summary(face, kept.history.of(face)) for face in FACES],
        bow_mm=round(kept.history.bow(), 3),
        measured_bow_mm=life.measured_bow,
        measured_at=life.measured_at,
        began_at=life.began_at,
        past_lives=repository.past_lives(connection, life.item_id),
        missing=repository.count_missing(connection, life),
    )


def face_summary(face: Face, found: Wear) -> FaceSummary:
    return FaceSummary(
        face=face,
        marks=found.runs,
        worst=round(found.worst, 3),
        scarred=round(float(np.percentile(found.scarred, 90)), 3),
        deepest_mm=round(float(found.deepest.max(initial=0.0)), 4),
    )
