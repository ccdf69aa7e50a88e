"""HTTP for what plates remember."""

import numpy as np
from fastapi import APIRouter

from lofty_press.core.assess import assess
from lofty_press.core.feed.best import setting_of
from lofty_press.core.plates.bow import bow_of
from lofty_press.core.plates.mark import FACES, Face
from lofty_press.core.plates.next_run import NextRun, next_run
from lofty_press.core.plates.propose import History, Proposal
from lofty_press.core.plates.wear import CELL, Wear
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.feed import PlacingDocument
from lofty_press.documents.plate_words import state_sentences
from lofty_press.service.assessment.routes import SandwichBody
from lofty_press.service.db.connection import Connection
from lofty_press.service.dependencies import Database, FormingRuns, Reliefs
from lofty_press.service.errors import ANSWERS, NotFound
from lofty_press.service.plates import repository
from lofty_press.service.plates.models import (
    FaceSummary,
    MeasuredBow,
    NextRunDocument,
    OptionDocument,
    PlateSummary,
    StateDocument,
    WearDocument,
)

router = APIRouter(prefix="/api/plates", tags=["plates"], responses=ANSWERS)
NEW = "This plate has not been cut on since it was new, or it is not on the shelf."


@router.get("", operation_id="listPlates")
def list_plates(pool: Database) -> list[PlateSummary]:
    """Every plate in use that has been cut on."""
    with pool.connection() as connection:
        return [summary_of(connection, life) for life in repository.current_lives(connection)]


@router.get("/{item_id}/faces/{face}", operation_id="plateWear")
def wear(item_id: str, face: Face, pool: Database) -> WearDocument:
    """Wear of one face of a plate."""
    with pool.connection() as connection:
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


@router.put("/{item_id}/bow", operation_id="measureBow")
def measure_bow(item_id: str, bow: MeasuredBow, pool: Database) -> PlateSummary:
    """Keep a measured bow: from then on the model is corrected by it."""
    with pool.connection() as connection:
        life = life_or_not_found(connection, item_id)
        repository.keep_bow(connection, life, bow.measured_mm, repository.modelled_bow(repository.read_wear(connection, life)))
        summary = summary_of(connection, life_or_not_found(connection, item_id))
        connection.commit()
        return summary


@router.post("/{item_id}/retire", status_code=204, operation_id="retirePlate")
def retire(item_id: str, pool: Database) -> None:
    """A new plate takes this one's place on the shelf: what the old one remembers is put away with it."""
    with pool.connection() as connection:
        repository.end_life(connection, life_or_not_found(connection, item_id))
        connection.commit()


@router.post("/next-run", operation_id="nextRun")
def next_on_plates(sandwich: SandwichBody, pool: Database, library: Reliefs, runs: FormingRuns) -> NextRunDocument | None:
    """What a run would leave on the plate that its blade meets, and how it would better lie; null where no blade meets one that was used."""
    assessment = assess(sandwich, runs.summary(sandwich))
    margin = assessment.verdict.margin.thinner_mm if assessment.verdict else None
    with pool.connection() as connection:
        histories = histories_of(connection, sandwich)
    found = next_run(sandwich, setting_of(sandwich, library), histories, margin=margin)
    return None if found is None else describe_next(found, sandwich)


def histories_of(connection: Connection, sandwich: Sandwich) -> dict[str, History]:
    """What the plates of a sandwich remember, by their keys in it."""
    found = {}
    for key, item in sandwich.items.items():
        life = None if item.shelf_id is None else repository.current_life(connection, item.shelf_id)
        if life is not None:
            found[key] = repository.read_wear(connection, life).history
    return found


def life_or_not_found(connection: Connection, item_id: str) -> repository.Life:
    life = repository.current_life(connection, item_id)
    if life is None:
        raise NotFound(NEW)
    return life


def summary_of(connection: Connection, life: repository.Life) -> PlateSummary:
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


def describe_next(found: NextRun, sandwich: Sandwich) -> NextRunDocument:
    """The next run as a document."""
    return NextRunDocument(
        layer=found.plate.id,
        item_id=sandwich.items[found.mark.item].shelf_id or "",
        name=found.plate.name,
        face=found.face,
        scar_mm=round(found.mark.depth, 4),
        as_it_lies=state_of(found.as_it_lies),
        options=[
            OptionDocument(
                placing=PlacingDocument(x_mm=o.placing.x, y_mm=o.placing.y, turn_deg=o.placing.turn),
                turned_over=o.turned_over,
                after=state_of(o.proposal),
                sandwich=o.sandwich,
            )
            for o in found.options
        ],
        says=state_sentences(found),
    )


def state_of(proposal: Proposal) -> StateDocument:
    return StateDocument(worst=round(proposal.worst, 3), bow_mm=round(proposal.bow, 3))
