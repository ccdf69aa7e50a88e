"""HTTP for spoiled sheets."""

from fastapi import APIRouter, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.stack import check_sandwich
from lofty_press.documents.coach import CoachDocument
from lofty_press.service.coach import jobs
from lofty_press.service.coach.models import PictureAnswer, Spoiled
from lofty_press.service.dependencies import Database, PressRoom, SandwichBody, Work, json_answer
from lofty_press.service.errors import ANSWERS
from lofty_press.service.plates.histories import kept_histories
from lofty_press.service.work.budget import COARSE, SEARCH

router = APIRouter(prefix="/api/coach", tags=["coach"], responses=ANSWERS)


@router.post("", operation_id="coach", response_model=CoachDocument)
async def coach(spoiled: Spoiled, work: Work, room: PressRoom, database: Database) -> Response:
    """What can have gone wrong with a sheet, likeliest first: each mistake put into the sandwich and judged, each cure tried."""
    believed = spoiled.model_copy(update={"sandwich": room.believed(spoiled.sandwich)})
    histories = await run_in_threadpool(kept_histories, database, believed.sandwich)
    return json_answer(await work.do(jobs.causes, believed, room.certainty(believed.sandwich), histories, budget=SEARCH))


@router.post("/picture", operation_id="coachPicture", response_model=PictureAnswer)
async def picture(sandwich: SandwichBody, work: Work) -> Response:
    """The sheet as it comes out of a pile, coarse and at once."""
    check_sandwich(sandwich)
    return json_answer(await work.do(jobs.picture, sandwich, budget=COARSE))
