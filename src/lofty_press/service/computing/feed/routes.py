"""HTTP for the feed: how a sandwich lies, how it would lie better, templates to lay under. Nothing is stored."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from lofty_press.core.basics.words import Unit
from lofty_press.core.mechanics.feed import First, Words
from lofty_press.core.sandwich.stack import Item
from lofty_press.documents.answers.feed import FeedDocument, LyingDocument
from lofty_press.service.computing.feed import jobs
from lofty_press.service.computing.feed.jobs import Kind
from lofty_press.service.computing.feed.models import FlapDocument, FlapRequest
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import FormingRuns, SandwichBody, Work, json_answer, summary_of
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.work.budget import DRAWING, SEARCH

router = APIRouter(prefix="/api/feed", tags=["feed"], responses=ANSWERS, route_class=BoundedRoute)
FILES: dict[int | str, dict[str, object]] = {
    200: {"description": "A drawing at true scale.", "content": {"image/svg+xml": {}, "application/pdf": {}}}
}
MEDIA = {"svg": "image/svg+xml", "pdf": "application/pdf"}
UnitQuery = Annotated[Unit, Query()]


@router.post("/lying", operation_id="lying", response_model=LyingDocument)
async def lying(sandwich: SandwichBody, work: Work, runs: FormingRuns) -> Response:
    """How it lies and its load along the crank; quick enough for every step of a drag."""
    return json_answer(await work.do(jobs.lying, sandwich, await summary_of(runs, sandwich)))


@router.post("", operation_id="feed", response_model=FeedDocument)
async def feed(
    sandwich: SandwichBody,
    work: Work,
    runs: FormingRuns,
    first: Annotated[First, Query()] = "either",
    words: Annotated[Words, Query()] = "either",
) -> Response:
    """The same, and how it would lie better; `first` says what of a folder is to go in first, `words` how lines of words are to run."""
    return json_answer(await work.do(jobs.feed, sandwich, await summary_of(runs, sandwich), first, words, budget=SEARCH))


@router.post("/together", operation_id="together", response_model=list[Item])
async def together(sandwich: SandwichBody, work: Work) -> Response:
    """Dies on the shelf that can be used in the same run as the one in a sandwich, around one middle: of a nested set, every other size."""
    return json_answer(await work.do(jobs.together, sandwich, budget=DRAWING))


@router.post("/template/{kind}", operation_id="feedTemplate", response_class=Response, responses=FILES)
async def template(kind: Kind, sandwich: SandwichBody, work: Work, unit: UnitQuery = "mm") -> Response:
    """A template of the bed to lay under."""
    return Response(await work.do(jobs.template, sandwich, kind, unit, budget=DRAWING), media_type=MEDIA[kind])


@router.post("/flap", operation_id="flap", response_model=FlapDocument)
async def flap(request: FlapRequest, work: Work) -> Response:
    """Where a motif sits in the flap of an envelope."""
    return json_answer(await work.do(jobs.flap, request))


@router.post("/flap/template/{kind}", operation_id="flapTemplate", response_class=Response, responses=FILES)
async def flap_drawing(kind: Kind, request: FlapRequest, work: Work, unit: UnitQuery = "mm") -> Response:
    """A template of the flap with its motif."""
    return Response(await work.do(jobs.flap_drawing, request, kind, unit, budget=DRAWING), media_type=MEDIA[kind])
