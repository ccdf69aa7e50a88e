"""HTTP for run cards, and for what to do when something goes wrong at the press."""

from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, ConfigDict

from lofty_press.core.assess import assess
from lofty_press.core.feed.best import setting_of
from lofty_press.core.feed.second_pass import second_turn
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.core.steps.card import Card
from lofty_press.core.steps.trouble import Seen, respond
from lofty_press.core.steps.words import Unit
from lofty_press.core.steps.write import write_card
from lofty_press.documents.run_card import CardDocument, ResponseDocument, card_text, describe_card, describe_response
from lofty_press.documents.run_card_pdf import run_card_pdf
from lofty_press.service.assessment.routes import SandwichBody, supply_from
from lofty_press.service.dependencies import Database, FormingRuns
from lofty_press.service.errors import ANSWERS
from lofty_press.service.impressions.runs import Runs

router = APIRouter(prefix="/api/cards", tags=["cards"], responses={422: ANSWERS[422]})
PDF: dict[int | str, dict[str, object]] = {200: {"description": "One page.", "content": {"application/pdf": {}}}}
TEXT: dict[int | str, dict[str, object]] = {200: {"description": "Plain text.", "content": {"text/plain": {}}}}
UnitQuery = Annotated[Unit, Query()]


class TroubleRequest(BaseModel):
    """What was seen at the press with a sandwich."""

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich
    seen: Seen


def card_of(sandwich: Sandwich, runs: Runs, unit: Unit) -> Card:
    turn = second_turn(sandwich, setting_of(sandwich, runs.library)) if sandwich.passes > 1 else None
    return write_card(assess(sandwich, runs.summary(sandwich)), unit=unit, second_turn=turn)


@router.post("", operation_id="runCard")
def run_card(sandwich: SandwichBody, runs: FormingRuns, unit: UnitQuery = "mm") -> CardDocument:
    """The run card of a sandwich."""
    return describe_card(card_of(sandwich, runs, unit))


@router.post("/text", operation_id="runCardText", response_class=Response, responses=TEXT)
def run_card_text(sandwich: SandwichBody, runs: FormingRuns, unit: UnitQuery = "mm") -> Response:
    """The run card as plain text."""
    return Response(card_text(card_of(sandwich, runs, unit)), media_type="text/plain; charset=utf-8")


@router.post("/pdf", operation_id="runCardPdf", response_class=Response, responses=PDF)
def run_card_as_pdf(sandwich: SandwichBody, runs: FormingRuns, unit: UnitQuery = "mm") -> Response:
    """The run card for the wall, on one page."""
    return Response(run_card_pdf(card_of(sandwich, runs, unit), sandwich), media_type="application/pdf")


@router.post("/trouble", operation_id="trouble")
def trouble(request: TroubleRequest, runs: FormingRuns, pool: Database) -> ResponseDocument:
    """What to do about it, worked out for this sandwich; without the database, with typical parts in place of the shelf's."""
    assessment = assess(request.sandwich, runs.summary(request.sandwich))
    return describe_response(respond(assessment, request.seen, supply_from(pool)))
