"""HTTP for the feed: how a sandwich lies, how it would lie better, templates to lay under. Nothing is stored."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, ConfigDict, Field
from shapely import affinity

from lofty_press.core.alignment.flap import FlapPlace, Shape, flap_outline, place_in_flap
from lofty_press.core.feed.best import First, Words
from lofty_press.core.feed.examine import examine, look_at
from lofty_press.core.outline.overlap import goes_with
from lofty_press.core.stack.check import check_sandwich
from lofty_press.core.stack.item import DIES, Item
from lofty_press.core.stack.shape import Polygon, item_polygon
from lofty_press.core.stack.view import StackView
from lofty_press.documents.feed import FeedDocument, LyingDocument, Ring, describe_feed, describe_lying, ring_of
from lofty_press.documents.template import Template, Unit, bed_template, flap_template, template_pdf, template_svg
from lofty_press.service.assessment.routes import SandwichBody
from lofty_press.service.dependencies import Database, Reliefs, written
from lofty_press.service.errors import ANSWERS
from lofty_press.service.shelf import repository as shelf

router = APIRouter(prefix="/api/feed", tags=["feed"], responses=ANSWERS)
Kind = Literal["svg", "pdf"]
FILES: dict[int | str, dict[str, object]] = {
    200: {"description": "A drawing at true scale.", "content": {"image/svg+xml": {}, "application/pdf": {}}}
}
UnitQuery = Annotated[Unit, Query()]


class FlapRequest(BaseModel):
    """A flap, and the motif that is to sit in it: `motif` as it lies on the shelf, its own top towards the end that goes in first."""

    model_config = ConfigDict(extra="forbid")

    shape: Shape = "pointed"
    width_mm: Annotated[float, Field(gt=0, le=1000, allow_inf_nan=False)]
    depth_mm: Annotated[float, Field(gt=0, le=1000, allow_inf_nan=False)]
    tip_width_mm: Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)] = 0.0
    motif: Item


class FlapDocument(BaseModel):
    """Where a motif sits in a flap: its middle from the fold, and the room to the nearest edge, negative if it does not fit [mm]."""

    from_fold_mm: float
    room_mm: float
    flap_mm: Ring
    motif_mm: Ring


@router.post("/lying", operation_id="lying", response_model=LyingDocument)
def lying(sandwich: SandwichBody, library: Reliefs) -> Response:
    """How it lies and its load along the crank; quick enough for every step of a drag."""
    return written(describe_lying(look_at(sandwich, library)))


@router.post("", operation_id="feed")
def feed(
    sandwich: SandwichBody, library: Reliefs, first: Annotated[First, Query()] = "either", words: Annotated[Words, Query()] = "either"
) -> FeedDocument:
    """The same, and how it would lie better; `first` says what of a folder is to go in first, `words` how lines of words are to run."""
    return describe_feed(examine(sandwich, library, first=first, words=words))


@router.post("/together", operation_id="together")
def together(sandwich: SandwichBody, pool: Database) -> list[Item]:
    """Dies on the shelf that can be used in the same run as the one in a sandwich, around one middle: of a nested set, every other size."""
    check_sandwich(sandwich)
    with pool.connection() as connection:
        dies = [e.item for e in shelf.list_entries(connection) if e.item is not None and e.item.kind in DIES]
    return list(goes_with(StackView(sandwich), dies))


@router.post("/template/{kind}", operation_id="feedTemplate", response_class=Response, responses=FILES)
def template(kind: Kind, sandwich: SandwichBody, library: Reliefs, unit: UnitQuery = "mm") -> Response:
    """A template of the bed to lay under."""
    return drawn(bed_template(look_at(sandwich, library)), kind, unit)


@router.post("/flap", operation_id="flap")
def flap(request: FlapRequest) -> FlapDocument:
    """Where a motif sits in the flap of an envelope."""
    place = placed(request)
    return FlapDocument(from_fold_mm=place.from_fold, room_mm=place.room, flap_mm=ring_of(place.flap), motif_mm=ring_of(place.motif))


@router.post("/flap/template/{kind}", operation_id="flapTemplate", response_class=Response, responses=FILES)
def flap_drawing(kind: Kind, request: FlapRequest, unit: UnitQuery = "mm") -> Response:
    """A template of the flap with its motif."""
    return drawn(flap_template(placed(request)), kind, unit)


def placed(request: FlapRequest) -> FlapPlace:
    outline = flap_outline(request.shape, request.width_mm, request.depth_mm, request.tip_width_mm)
    return place_in_flap(outline, upright(item_polygon(request.motif)))


def upright(shape: Polygon) -> Polygon:
    """A thing on the bed as it is read: the end that goes in first on top."""
    return affinity.affine_transform(shape, [0, 1, -1, 0, 0, 0])


def drawn(drawing: Template, kind: Kind, unit: Unit) -> Response:
    if kind == "pdf":
        return Response(template_pdf(drawing, unit), media_type="application/pdf")
    return Response(template_svg(drawing, unit), media_type="image/svg+xml")
