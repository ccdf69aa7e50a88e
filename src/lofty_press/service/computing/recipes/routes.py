"""HTTP for recipes: effects, the search over the shelf, other presses, and what an order of work costs."""

from typing import Annotated

from fastapi import APIRouter, Body, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Item, Press, Sandwich
from lofty_press.core.working.recipes import EFFECTS
from lofty_press.documents.answers.order_loss import OrderLossDocument
from lofty_press.documents.answers.recipes import EffectDocument, RecipesDocument, describe_effect
from lofty_press.documents.pictures.shipped_pictures import picture_of
from lofty_press.service.computing.recipes import jobs
from lofty_press.service.computing.recipes.models import DepthDocument, DepthRequest, SearchRequest, TransferDocument, TransferRequest
from lofty_press.service.db import connection
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database, PressRoom, Work, json_answer
from lofty_press.service.http.errors import ANSWERS, NotFound
from lofty_press.service.keeping.shelf import repository as shelf
from lofty_press.service.work.budget import DRAWING, SEARCH

router = APIRouter(prefix="/api/recipes", tags=["recipes"], responses=ANSWERS, route_class=BoundedRoute)
PICTURE: dict[int | str, dict[str, object]] = {200: {"description": "A picture.", "content": {"image/webp": {}}}}
SVG: dict[int | str, dict[str, object]] = {200: {"description": "A cutting file.", "content": {"image/svg+xml": {}}}}


@router.get("/effects", operation_id="listEffects")
def list_effects() -> list[EffectDocument]:
    """Every effect that can be wished for."""
    return [describe_effect(effect) for effect in EFFECTS.values()]


@router.get("/effects/{key}/picture", operation_id="effectPicture", response_class=Response, responses=PICTURE)
def effect_picture(key: str) -> Response:
    """A patch of sheet with the effect, under a lamp."""
    found = picture_of(key)
    if found is None:
        raise NotFound(say("There's no picture of this effect."))
    return Response(found, media_type="image/webp", headers={"cache-control": "private, max-age=86400"})


@router.post("/search", operation_id="searchRecipes", response_model=RecipesDocument)
async def search_recipes(request: SearchRequest, database: Database, work: Work, room: PressRoom) -> Response:
    """The sandwiches that give an effect with what is on the shelf, best first."""
    things, press = await run_in_threadpool(shelf_and_press, database, request.press_id)
    return json_answer(await work.do(jobs.search, request.wish, things, press, room.belief, budget=SEARCH))


@router.post("/transfer", operation_id="transferSandwich", response_model=TransferDocument)
async def transfer_sandwich(request: TransferRequest, database: Database, work: Work, room: PressRoom) -> Response:
    """What a sandwich becomes on another press, by what is believed of both."""
    things, press = await run_in_threadpool(shelf_and_press, database, request.press_id)
    return json_answer(await work.do(jobs.to_other_press, request.sandwich, things, press, room.belief, budget=SEARCH))


@router.post("/depth", operation_id="depthOfTool", response_model=DepthDocument)
async def depth_of_tool(request: DepthRequest, database: Database, work: Work) -> Response:
    """How deep a tool is by a sheet that was pressed in it: the model puts back what the sheet lost."""
    things, press = await run_in_threadpool(shelf_and_press, database, request.press_id)
    sheet = request.stock, request.depth_mm, request.spread_mm
    return json_answer(await work.do(jobs.depth_of, request.tool, sheet, things, press, budget=SEARCH))


@router.post("/order-loss", operation_id="orderLoss", response_model=OrderLossDocument)
async def loss_of_order(sandwich: Annotated[Sandwich, Body()], work: Work) -> Response:
    """How much of a relief is left if the sheet is cut after it was embossed, by the same computation as the Impression."""
    return json_answer(await work.do(jobs.loss_of_order, sandwich, budget=SEARCH))


@router.post("/cutting-file", operation_id="cuttingFile", response_class=Response, responses=SVG)
async def cutting_file(item: Annotated[Item, Body()], work: Work) -> Response:
    """A part to make, as SVG at true scale."""
    drawing = await work.do(jobs.cutting_file, item, budget=DRAWING)
    return Response(drawing, media_type="image/svg+xml", headers={"content-disposition": "attachment; filename=cutting-file.svg"})


def shelf_and_press(database: connection.Database, press_id: str) -> tuple[dict[str, Item], Press]:
    """Everything on the shelf by its place, and one press of it."""
    with database.reading() as transaction:
        items, press = shelf.readable_items(transaction), shelf.find_press(transaction, press_id)
    if press is None:
        raise InvalidInput("press_id", press_id, say("must be a press on the shelf; it may have been taken off since"))
    return items, press
