"""HTTP for reliefs: a file comes in, is shown, and is kept when wished."""

import base64
from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request, Response
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool

from lofty_press.core.relief.height_map import HeightMap
from lofty_press.core.relief.picture import light_of_relief
from lofty_press.documents.impression_files import grey_png
from lofty_press.documents.reliefs.read import read_relief
from lofty_press.documents.reliefs.wish import ReadRelief, Use, Wish
from lofty_press.service.db.connection import Pool
from lofty_press.service.dependencies import Database, Reliefs
from lofty_press.service.errors import ANSWERS, NotFound
from lofty_press.service.reliefs import repository

router = APIRouter(prefix="/api/reliefs", tags=["reliefs"], responses={k: ANSWERS[k] for k in (404, 422, 503)})


class ReliefReading(BaseModel):
    """What came of a file: size [mm], what was mended, a picture, an outline or windows for the bench; `id` only if it was kept."""

    id: str | None
    length_mm: float
    width_mm: float
    depth_mm: float
    blade_mm: float
    raised_share: float
    span_mm: float
    notes: list[str]
    outline: list[tuple[float, float]] | None
    windows: list[list[tuple[float, float]]]
    picture: str


class WishQuery(BaseModel):
    """How the file is to be read."""

    use: Use = "relief"
    width_mm: Annotated[float | None, Query(ge=1, le=2000)] = None
    depth_mm: Annotated[float, Query(gt=0, le=60)] = 0.5
    shoulder_mm: Annotated[float, Query(ge=0, le=10)] = 0.2
    quarter_turns: Annotated[int, Query(ge=0, le=3)] = 0
    invert: bool = False
    mirror: bool = False


FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}


@router.post("", operation_id="readRelief", openapi_extra=FILE_BODY)
async def read(
    request: Request,
    pool: Database,
    wish: Annotated[WishQuery, Depends()],
    name: Annotated[str, Query(max_length=120)] = "Relief",
    keep: bool = False,
) -> ReliefReading:
    """Read a PNG, TIFF, SVG or STL; with `keep` it is stored, whole or not at all."""
    data = await request.body()
    return await run_in_threadpool(take, pool, data, wish, name, keep)


def take(pool: Pool, data: bytes, wish: WishQuery, name: str, keep: bool) -> ReliefReading:
    """Read, and keep if wished."""
    read_as = Wish(**wish.model_dump())
    found = read_relief(data, read_as)
    relief_id = None
    if keep:
        with pool.connection() as connection:
            relief_id = repository.keep_relief(connection, name, found.relief)
            connection.commit()
    return reading_of(found, relief_id)


def reading_of(found: ReadRelief, relief_id: str | None) -> ReliefReading:
    """A reading as it is answered."""
    relief = found.relief
    length, width = relief.size
    picture = base64.b64encode(grey_png(light_of_relief(relief))).decode()
    return ReliefReading(
        id=relief_id,
        length_mm=round(length, 2),
        width_mm=round(width, 2),
        depth_mm=round(float(relief.heights.max()), 3),
        blade_mm=round(relief.blade_length, 1),
        raised_share=round(min(max(relief.raised_share, 0.01), 1.0), 3),
        span_mm=round(relief.finest_span, 2),
        notes=list(found.notes),
        outline=None if found.outline is None else list(found.outline),
        windows=[list(window) for window in found.windows],
        picture=f"data:image/png;base64,{picture}",
    )


PICTURE: dict[int | str, dict[str, object]] = {200: {"description": "A picture.", "content": {"image/png": {}}}}


@router.get("/{relief_id}/picture", operation_id="reliefPicture", response_class=Response, responses=PICTURE)
def picture(relief_id: str, library: Reliefs) -> Response:
    """A kept relief under a lamp, as grey PNG."""
    found: HeightMap | None = library(relief_id)
    if found is None:
        raise NotFound("This relief is not kept here (any more).")
    return Response(grey_png(light_of_relief(found)), media_type="image/png", headers={"cache-control": "private, max-age=86400"})
