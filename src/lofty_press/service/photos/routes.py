"""HTTP for photographs of tools: the sheet to print, and a photo in, outlines out. Nothing is kept."""

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response

from lofty_press.core.photo import RULER, TARGETS, PaperName
from lofty_press.documents.target_pdf import target_pdf
from lofty_press.documents.tool_photo import PhotoReading
from lofty_press.service.bodies import BoundedRoute
from lofty_press.service.dependencies import Work, json_answer
from lofty_press.service.errors import ANSWERS
from lofty_press.service.photos import jobs
from lofty_press.service.work.budget import PHOTO

router = APIRouter(prefix="/api/photos", tags=["photos"], responses=ANSWERS, route_class=BoundedRoute)
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
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
