"""HTTP for judging sandwiches; needs no database but for what the shelf can supply to a fix."""

from functools import cache
from typing import Annotated

from fastapi import APIRouter, Body, Query, Response
from pydantic import BaseModel, Field

from lofty_press.core.assess import assess, preview_fixes
from lofty_press.core.stack.edits import Edit, apply_edits
from lofty_press.core.stack.item import Item
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.core.stack.typical import Supply
from lofty_press.core.verdict.zones import Zone
from lofty_press.documents.assessment import AssessmentDocument, describe
from lofty_press.service.db.connection import Pool
from lofty_press.service.dependencies import Database, FormingRuns, written
from lofty_press.service.errors import ANSWERS, DatabaseAway
from lofty_press.service.shelf import repository as shelf

router = APIRouter(prefix="/api", tags=["assessment"], responses={422: ANSWERS[422]})

SandwichBody = Annotated[Sandwich, Body()]


class Mended(BaseModel):
    """What a finding's fix would lead to; `calls` counts the findings left that are not mere care."""

    code: str
    layer: str | None
    label: str
    zone: Zone | None
    sentence: str
    pressure_mpa: float | None
    interference_mm: float
    stops: int
    calls: int


class EditRequest(BaseModel):
    """Edits to carry out on a sandwich."""

    sandwich: Sandwich
    edits: Annotated[list[Edit], Field(min_length=1, max_length=40)]


@router.post("/assess", operation_id="assess", response_model=AssessmentDocument)
def assess_sandwich(sandwich: SandwichBody, runs: FormingRuns, with_map: Annotated[bool, Query(alias="map")] = False) -> Response:
    """Judge a whole sandwich; what was computed of its sheet is taken into account, if there is any."""
    return written(describe(assess(sandwich, runs.summary(sandwich)), with_map=with_map))


@router.post("/assess/fixes", operation_id="previewFixes")
def preview(sandwich: SandwichBody, pool: Database, runs: FormingRuns) -> list[Mended]:
    """Carry out every proposed fix by itself and say what would become of the sandwich."""
    previews = preview_fixes(assess(sandwich, runs.summary(sandwich)), supply_from(pool))
    return [
        Mended(
            code=p.code,
            layer=p.layer,
            label=p.label,
            zone=p.after.verdict.zone if p.after.verdict else None,
            sentence=p.after.sentence,
            pressure_mpa=p.after.verdict.pressure if p.after.verdict else None,
            interference_mm=p.after.nip.interference,
            stops=sum(f.severity == "stop" for f in p.after.findings),
            calls=sum(f.severity != "care" for f in p.after.findings),
        )
        for p in previews
    ]


@router.post("/edit", operation_id="edit")
def edit_sandwich(request: EditRequest, pool: Database) -> Sandwich:
    """Carry edits out and give the sandwich back; nothing is stored."""
    return apply_edits(request.sandwich, request.edits, supply_from(pool))


def supply_from(pool: Pool) -> Supply:
    """Lists things for a fix from the shelf, which is read once; one that cannot be reached supplies nothing."""

    @cache
    def items() -> list[Item]:
        try:
            with pool.connection() as connection:
                return [entry.item for entry in shelf.list_entries(connection) if entry.item is not None]
        except DatabaseAway:
            return []

    return lambda kind: [item for item in items() if item.kind == kind]
