"""HTTP for run cards, and for what to do when something goes wrong at the press."""

from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request, Response
from pydantic import BaseModel, ConfigDict
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import Unit
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.working.steps import Seen
from lofty_press.documents.answers.run_card import CardDocument, ResponseDocument
from lofty_press.service.computing.cards import jobs
from lofty_press.service.devices.sensor import Sensor
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Certainty, FormingRuns, PressRoom, SandwichBody, Work, json_answer, summary_of
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.work.budget import DRAWING

router = APIRouter(prefix="/api/cards", tags=["cards"], responses=ANSWERS, route_class=BoundedRoute)
PDF: dict[int | str, dict[str, object]] = {200: {"description": "One page.", "content": {"application/pdf": {}}}}
TEXT: dict[int | str, dict[str, object]] = {200: {"description": "Plain text.", "content": {"text/plain": {}}}}
UnitQuery = Annotated[Unit, Query()]


class TroubleRequest(BaseModel):
    """What was seen at the press with a sandwich."""

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich
    seen: Seen


async def around(sandwich: SandwichBody, runs: FormingRuns, certainty: Certainty, request: Request) -> jobs.Around:
    """What is known around the sandwich that was sent."""
    sensor: Sensor = request.app.state.sensor
    return jobs.Around(await summary_of(runs, sandwich), certainty, await run_in_threadpool(lambda: sensor.air))


Around = Annotated[jobs.Around, Depends(around)]


@router.post("", operation_id="runCard", response_model=CardDocument)
async def run_card(sandwich: SandwichBody, work: Work, around: Around) -> Response:
    """The run card of a sandwich."""
    return json_answer(await work.do(jobs.card_json, sandwich, around, budget=DRAWING))


@router.post("/text", operation_id="runCardText", response_class=Response, responses=TEXT)
async def run_card_text(sandwich: SandwichBody, work: Work, around: Around, unit: UnitQuery = "mm") -> Response:
    """The run card as plain text."""
    text = await work.do(jobs.card_as_text, sandwich, around, unit, budget=DRAWING)
    return Response(text, media_type="text/plain; charset=utf-8")


@router.post("/pdf", operation_id="runCardPdf", response_class=Response, responses=PDF)
async def run_card_as_pdf(sandwich: SandwichBody, work: Work, around: Around, unit: UnitQuery = "mm") -> Response:
    """The run card for the wall, on one page."""
    page = await work.do(jobs.card_pdf, sandwich, around, unit, budget=DRAWING)
    return Response(page, media_type="application/pdf")


@router.post("/trouble", operation_id="trouble", response_model=ResponseDocument)
async def trouble(request: TroubleRequest, work: Work, runs: FormingRuns, room: PressRoom) -> Response:
    """What to do about it, worked out for this sandwich and what is believed of its things; without the database, with typical parts in place of the
    shelf's."""
    sandwich = room.believed(request.sandwich)
    found = await summary_of(runs, sandwich)
    return json_answer(await work.do(jobs.advice, sandwich, found, room.certainty(sandwich), request.seen, budget=DRAWING))
