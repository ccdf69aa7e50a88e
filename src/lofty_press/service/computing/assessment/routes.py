"""HTTP for judging sandwiches; needs no database but for what the shelf can supply to a fix."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from lofty_press.core.judging.explain import About
from lofty_press.documents.answers.assessment import AssessmentDocument
from lofty_press.documents.answers.explanation import ExplanationDocument
from lofty_press.documents.answers.suggestion import OfferDocument
from lofty_press.service.computing.assessment import jobs
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Certainty, FormingRuns, SandwichBody, Work, json_answer, summary_of
from lofty_press.service.http.errors import ANSWERS

router = APIRouter(prefix="/api", tags=["assessment"], responses=ANSWERS, route_class=BoundedRoute)


@router.post("/assess", operation_id="assess", response_model=AssessmentDocument)
async def assess_sandwich(
    sandwich: SandwichBody, work: Work, runs: FormingRuns, certainty: Certainty, with_map: Annotated[bool, Query(alias="map")] = False
) -> Response:
    """Judge a whole sandwich; what was computed of its sheet is taken into account, if there is any."""
    return json_answer(await work.do(jobs.judge, sandwich, await summary_of(runs, sandwich), with_map, certainty))


@router.post("/assess/fixes", operation_id="listFixes", response_model=list[OfferDocument])
async def mend(sandwich: SandwichBody, work: Work, runs: FormingRuns, certainty: Certainty) -> Response:
    """Carry out each proposed fix by itself, and list those that help with what they lead to."""
    return json_answer(await work.do(jobs.mend, sandwich, await summary_of(runs, sandwich), certainty))


@router.post("/assess/why", operation_id="explainVerdict", response_model=ExplanationDocument)
async def why(
    sandwich: SandwichBody, work: Work, runs: FormingRuns, certainty: Certainty, about: Annotated[About, Query()] = "verdict"
) -> Response:
    """Why a judgement says what it says: a short chain from measures to what follows, each link with its equation and small changes to try."""
    return json_answer(await work.do(jobs.why, sandwich, await summary_of(runs, sandwich), about, certainty))
