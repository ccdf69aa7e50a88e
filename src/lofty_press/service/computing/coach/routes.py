"""HTTP for spoiled sheets."""

from typing import Annotated

from fastapi import APIRouter, Query, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import Unit
from lofty_press.core.sandwich.stack import check_sandwich
from lofty_press.documents.answers.coach import CoachDocument
from lofty_press.service.computing.coach import jobs
from lofty_press.service.computing.coach.models import PictureAnswer, Spoiled, Teaching
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, PressRoom, SandwichBody, Work, json_answer
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.plates.histories import kept_histories
from lofty_press.service.work.budget import COARSE, DRAWING, SEARCH

PDF: dict[int | str, dict[str, object]] = {200: {"description": "One page.", "content": {"application/pdf": {}}}}
UnitQuery = Annotated[Unit, Query()]
router = APIRouter(prefix="/api/coach", tags=["coach"], responses=ANSWERS, route_class=BoundedRoute)


@router.post("", operation_id="coach", response_model=CoachDocument)
async def coach(spoiled: Spoiled, work: Work, room: PressRoom, database: Database) -> Response:
    """What can have gone wrong with a sheet, likeliest first: each mistake put into the sandwich and judged, each cure tried."""
    believed = spoiled.model_copy(update={"sandwich": room.believed(spoiled.sandwich)})
    histories = await run_in_threadpool(kept_histories, database, believed.sandwich)
    return json_answer(await work.do(jobs.causes, believed, room.certainty(believed.sandwich), histories, budget=SEARCH))


@router.post("/picture", operation_id="coachPicture", response_model=PictureAnswer)
async def picture(
    sandwich: SandwichBody,
    work: Work,
    fine: Annotated[bool, Query()] = False,
    cracked: Annotated[bool, Query()] = False,
    cause: Annotated[str | None, Query(max_length=40)] = None,
) -> Response:
    """The sheet as it comes out of a pile, with its cuts and its cracks, of which there are some if it is known to have `cracked`, and with what a `cause`
    left on it: coarse and at once, or a step finer for whoever has it already."""
    check_sandwich(sandwich)
    return json_answer(await work.do(jobs.picture, sandwich, fine, cracked, cause, budget=SEARCH if fine else COARSE))


@router.post("/sheet", operation_id="teachingSheet", response_class=Response, responses=PDF)
async def sheet(wanted: Teaching, work: Work, room: PressRoom, unit: UnitQuery = "mm") -> Response:
    """One page to teach with: the pile, the right and the wrong sheet under the same lamp, what to do."""
    sandwich = room.believed(wanted.sandwich)
    check_sandwich(sandwich)
    believed = wanted.model_copy(update={"sandwich": sandwich})
    page = await work.do(jobs.teaching_sheet, believed, room.certainty(sandwich), unit, budget=DRAWING)
    return Response(page, media_type="application/pdf")
