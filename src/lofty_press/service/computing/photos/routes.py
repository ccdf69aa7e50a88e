"""HTTP for photographs of tools: the sheet to print, a photo in, outlines out, a series in, a relief out. Nothing is kept."""

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response

from lofty_press.core.imaging.photo import RULER, TARGETS, PaperName
from lofty_press.documents.photos.shape_photo import ShapeReading
from lofty_press.documents.photos.tool_photo import PhotoReading, ToolCorrection, ToolShape
from lofty_press.documents.printed.target_pdf import target_pdf
from lofty_press.service.computing.photos import jobs
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Work, json_answer
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.service.http.received import received
from lofty_press.service.work.budget import DRAWING, PHOTO, SERIES

router = APIRouter(prefix="/api/photos", tags=["photos"], responses=ANSWERS, route_class=BoundedRoute)
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
ZIP_BODY = {"requestBody": {"required": True, "content": {"application/zip": {"schema": {"type": "string", "format": "binary"}}}}}
PAGE: dict[int | str, dict[str, object]] = {200: {"description": "A page to print.", "content": {"application/pdf": {}}}}


@router.get("/sheet", operation_id="photoSheet", response_class=Response, responses=PAGE)
def sheet(paper: PaperName = "A4") -> Response:
    """The sheet to lay tools on, to be printed at its own size."""
    page = target_pdf(TARGETS[paper], "in" if paper == "letter" else "mm")
    name = f"lofty-photo-sheet-{paper.lower()}.pdf"
    return Response(page, media_type="application/pdf", headers={"content-disposition": f'attachment; filename="{name}"'})


@router.post("/tools", operation_id="toolsInPhoto", openapi_extra=FILE_BODY, response_model=PhotoReading)
async def tools(request: Request, work: Work, ruler_mm: Annotated[float, Query(ge=50, le=200, allow_inf_nan=False)] = RULER) -> Response:
    """The tools on the printed sheet, cut out and true to size. `ruler_mm` is how long the sheet's ruler is in print."""
    return json_answer(await work.do(jobs.tools_in, await request.body(), ruler_mm, budget=PHOTO))


@router.post("/shape", operation_id="shapeOfTool", response_model=ToolShape)
async def shape(wish: ToolCorrection, work: Work) -> Response:
    """The shape of a tool of a photo as somebody corrects it: its outline drawn over, its thickness, where its blade runs."""
    return json_answer(await work.do(jobs.shape_of, wish, budget=DRAWING))


@router.post("/relief", operation_id="reliefInPhotos", openapi_extra=ZIP_BODY, response_model=ShapeReading)
async def relief(
    request: Request,
    work: Work,
    way: jobs.Way = "torch",
    ruler_mm: Annotated[float, Query(ge=50, le=200, allow_inf_nan=False)] = RULER,
    thickness_mm: Annotated[float | None, Query(gt=0, le=60, allow_inf_nan=False)] = None,
    per_inch: Annotated[float | None, Query(ge=75, le=1200, allow_inf_nan=False)] = None,
) -> Response:
    """The relief of one tool, from a zip file of photos: by a torch held at other sides, or four scans a quarter turn apart. Nothing is kept."""
    async with received(request, OWN_WORK["reliefInPhotos"].most) as path:
        return json_answer(await work.do(jobs.shape_in, path, way, (ruler_mm, thickness_mm, per_inch), budget=SERIES))
