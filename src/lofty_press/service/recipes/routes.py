"""HTTP for recipes: effects, the search over the shelf, other presses, and what an order of work costs."""

from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.errors import InvalidInput
from lofty_press.core.recipes.catalogue import EFFECTS
from lofty_press.core.recipes.transfer import transfer
from lofty_press.core.recipes.wish import Wish
from lofty_press.core.stack.item import Item
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.cutting_file import cutting_svg
from lofty_press.documents.order_loss import OrderLossDocument, order_loss
from lofty_press.documents.recipes import EffectDocument, RecipesDocument, answer_wish, describe_effect, describe_result
from lofty_press.service.db.connection import Pool
from lofty_press.service.dependencies import Database, EffectPictures, Reliefs
from lofty_press.service.errors import ANSWERS, NotFound
from lofty_press.service.shelf import repository as shelf

router = APIRouter(prefix="/api/recipes", tags=["recipes"], responses={k: ANSWERS[k] for k in (404, 422, 503)})
PICTURE: dict[int | str, dict[str, object]] = {200: {"description": "A picture.", "content": {"image/webp": {}}}}
SVG: dict[int | str, dict[str, object]] = {200: {"description": "A cutting file.", "content": {"image/svg+xml": {}}}}
PressId = Annotated[str, Field(min_length=1, max_length=64)]


class SearchRequest(BaseModel):
    """A wish for a press on the shelf; stock and tool are named by their place on the shelf."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    wish: Wish


class TransferRequest(BaseModel):
    """A sandwich, and the press on the shelf that it is to go through instead."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    sandwich: Sandwich


class TransferDocument(BaseModel):
    """How the presses differ, and what does the same on the other."""

    differences: list[str]
    recipes: RecipesDocument


@router.get("/effects", operation_id="listEffects")
def list_effects() -> list[EffectDocument]:
    """Every effect that can be wished for."""
    return [describe_effect(effect) for effect in EFFECTS.values()]


@router.get("/effects/{key}/picture", operation_id="effectPicture", response_class=Response, responses=PICTURE)
def effect_picture(key: str, pictures: EffectPictures) -> Response:
    """A patch of sheet with the effect, under a lamp."""
    found = pictures(key)
    if found is None:
        raise NotFound("There is no picture of this effect.")
    return Response(found, media_type="image/webp", headers={"cache-control": "private, max-age=86400"})


@router.post("/search", operation_id="searchRecipes")
def search_recipes(request: SearchRequest, pool: Database) -> RecipesDocument:
    """The sandwiches that give an effect with what is on the shelf, best first."""
    things, press = shelf_and_press(pool, request.press_id)
    return answer_wish(request.wish, things, press)


@router.post("/transfer", operation_id="transferSandwich")
def transfer_sandwich(request: TransferRequest, pool: Database) -> TransferDocument:
    """What a sandwich becomes on another press."""
    things, press = shelf_and_press(pool, request.press_id)
    found = transfer(request.sandwich, things, press)
    return TransferDocument(differences=list(found.differences), recipes=describe_result(found.result, found.wish, found.shelf, press))


@router.post("/order-loss", operation_id="orderLoss")
def loss_of_order(sandwich: Sandwich, reliefs: Reliefs) -> OrderLossDocument:
    """How much of a relief is left if the sheet is cut after it was embossed, by the same computation as the Impression."""
    return order_loss(sandwich, reliefs)


@router.post("/cutting-file", operation_id="cuttingFile", response_class=Response, responses=SVG)
def cutting_file(item: Item) -> Response:
    """A part to make, as SVG at true scale."""
    return Response(cutting_svg(item), media_type="image/svg+xml", headers={"content-disposition": "attachment; filename=cutting-file.svg"})


def shelf_and_press(pool: Pool, press_id: str) -> tuple[dict[str, Item], Press]:
    """Everything on the shelf by its place, and one press of it."""
    with pool.connection() as connection:
        entries = shelf.list_entries(connection)
    press = next((e.press for e in entries if e.id == press_id and e.press is not None), None)
    if press is None:
        raise InvalidInput("press_id", press_id, "must be a press on the shelf; it may have been taken off in the meantime")
    return {e.id: e.item for e in entries if e.item is not None}, press
