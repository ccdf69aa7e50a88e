"""HTTP for pressed sheets."""

from collections.abc import Sequence
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import check_sandwich
from lofty_press.documents.kept.impression_record import FieldName, PanelDocument
from lofty_press.documents.photos.sheet_photo import SheetPhotoReading
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import FormingRuns, SandwichBody, Work, json_answer
from lofty_press.service.http.errors import ANSWERS, NotFound
from lofty_press.service.keeping.impressions import jobs
from lofty_press.service.keeping.impressions.jobs import FileKind
from lofty_press.service.keeping.impressions.models import ImpressionAnswer, Lit
from lofty_press.service.keeping.impressions.runs import Runs
from lofty_press.service.work.budget import COARSE, DRAWING, PHOTO

router = APIRouter(prefix="/api/impressions", tags=["impressions"], responses=ANSWERS, route_class=BoundedRoute)
GONE = say("This pressed sheet is gone. Open its sandwich and it's computed again.")
BYTES: dict[int | str, dict[str, Any]] = {200: {"description": "The bytes.", "content": {"application/octet-stream": {}}}}
FILE_BODY = {"requestBody": {"required": True, "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}}
Place = Annotated[float, Query(ge=-2000, le=2000)]


@router.post("", operation_id="pressSheet")
async def press_sheet(
    sandwich: SandwichBody, work: Work, runs: FormingRuns, tab: Annotated[str, Query(max_length=64)] = ""
) -> ImpressionAnswer:
    """Press a sandwich's sheet: answers with a kept result, or with a coarse one while the full one is computed.

    A tab's newer wish stops its older one, and a run that no page has asked after for a while is let go.
    """
    check_sandwich(sandwich)
    found = await run_in_threadpool(runs.known, sandwich, tab)
    if found is None:
        coarse = await work.do(jobs.coarse, sandwich, budget=COARSE)
        found = await run_in_threadpool(runs.begin, sandwich, tab, coarse)
    return found


@router.get("/{key}", operation_id="getImpression")
def get_impression(key: str, runs: FormingRuns) -> ImpressionAnswer:
    """How far it is."""
    found = runs.look(key)
    if found is None:
        raise NotFound(GONE)
    return found


@router.delete("/{key}/run", status_code=204, operation_id="stopImpression")
def stop(key: str, runs: FormingRuns) -> None:
    """Stop the computation; the coarse result stays."""
    if not runs.stop(key):
        raise NotFound(GONE)


@router.get("/{key}/fields/{name}", operation_id="getImpressionField", response_class=Response, responses=BYTES)
def get_field(key: str, name: FieldName, runs: FormingRuns) -> Response:
    """A field: a header's length (4 bytes, little-endian), the header as JSON, then 16-bit steps of the field's range by rows."""
    found = runs.field(key, name)
    if found is None:
        raise NotFound(GONE)
    return Response(found, media_type="application/octet-stream", headers={"cache-control": "no-store"})


@router.get("/{key}/fields", operation_id="getImpressionFields", response_class=Response, responses=BYTES)
def get_fields(key: str, names: Annotated[list[FieldName], Query(min_length=1, max_length=11)], runs: FormingRuns) -> Response:
    """Several fields of one result at once, each as above behind its length in bytes (4 bytes, little-endian)."""
    body = b"".join(len(field).to_bytes(4, "little") + field for field in fields_of(runs, key, names).values())
    return Response(body, media_type="application/octet-stream", headers={"cache-control": "no-store"})


def fields_of(runs: Runs, key: str, names: Sequence[FieldName]) -> dict[str, bytes]:
    """Packed fields of a result, or `NotFound`."""
    found = {name: runs.field(key, name) for name in names}
    there: dict[str, bytes] = {name: packed for name, packed in found.items() if packed is not None}
    if len(there) < len(found):
        raise NotFound(GONE)
    return there


def panel_of(runs: Runs, key: str) -> PanelDocument:
    """The grid of a result, or `NotFound`."""
    found = runs.look(key)
    if found is None or found.result is None:
        raise NotFound(GONE)
    return found.result.panel


@router.get("/{key}/files/{kind}", operation_id="exportImpression", response_class=Response, responses=BYTES)
async def export(
    key: str,
    kind: FileKind,
    runs: FormingRuns,
    work: Work,
    lit: Annotated[Lit, Query()],
) -> Response:
    """A face as height map (TIFF, 16 bit, scale in its description) or picture, or the whole sheet as a solid (STL)."""
    panel, fields = await run_in_threadpool(panel_and_fields, runs, key, ("upper", "lower", "pressure"))
    body, media = await work.do(jobs.sheet_file, kind, panel, fields, lit, budget=DRAWING)
    name = "sheet.stl" if kind == "stl" else f"{lit.face}.{kind}"
    return Response(body, media_type=media, headers={"content-disposition": f'attachment; filename="{name}"'})


@router.get(
    "/{key}/profile",
    operation_id="exportProfile",
    response_class=Response,
    responses={200: {"description": "CSV.", "content": {"text/csv": {}}}},
)
async def export_profile(key: str, runs: FormingRuns, work: Work, x0: Place, y0: Place, x1: Place, y1: Place) -> Response:
    """Tool, pressed and released heights along a line on the bed, as CSV. [mm]"""
    panel, fields = await run_in_threadpool(panel_and_fields, runs, key, ("tool", "pressed", "released"))
    rows = await work.do(jobs.profile, panel, fields, (x0, y0), (x1, y1), budget=DRAWING)
    return Response(rows, media_type="text/csv", headers={"content-disposition": 'attachment; filename="profile.csv"'})


@router.post("/{key}/photo", operation_id="readSheetPhoto", openapi_extra=FILE_BODY, response_model=SheetPhotoReading)
async def read_photo(key: str, request: Request, runs: FormingRuns, work: Work) -> Response:
    """What a photo of the pressed sheet shows beside the computed one: fainter, cut or cracked places, and how far the pattern is off. Nothing is kept."""
    data = await request.body()
    panel, fields = await run_in_threadpool(panel_and_fields, runs, key, ("upper", "lower", "pressure"))
    return json_answer(await work.do(jobs.photo_of, data, panel, fields, budget=PHOTO))


def panel_and_fields(runs: Runs, key: str, names: Sequence[FieldName]) -> tuple[PanelDocument, dict[str, bytes]]:
    """The grid of a result and some of its fields."""
    return panel_of(runs, key), fields_of(runs, key, names)
