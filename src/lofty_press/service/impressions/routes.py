"""HTTP for pressed sheets."""

from typing import Annotated, Any, Literal

import numpy as np
from fastapi import APIRouter, Body, Query, Response

from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.impression_files import height_tiff, profile_csv, shaded_png, sheet_stl
from lofty_press.documents.impression_record import FieldName, PanelDocument
from lofty_press.documents.packed import unpack
from lofty_press.service.dependencies import FormingRuns
from lofty_press.service.errors import ANSWERS, NotFound
from lofty_press.service.impressions.models import ImpressionAnswer
from lofty_press.service.impressions.probe import along_line
from lofty_press.service.impressions.runs import Runs

router = APIRouter(prefix="/api/impressions", tags=["impressions"], responses={k: ANSWERS[k] for k in (404, 422, 503)})
GONE = "This pressed sheet is not kept any more; open its sandwich and it is computed again."
BYTES: dict[int | str, dict[str, Any]] = {200: {"description": "The bytes.", "content": {"application/octet-stream": {}}}}
Lamp = Annotated[float, Query(ge=-360, le=360)]
Place = Annotated[float, Query(ge=-2000, le=2000)]


@router.post("", operation_id="pressSheet")
def press_sheet(
    sandwich: Annotated[Sandwich, Body()], runs: FormingRuns, tab: Annotated[str, Query(max_length=64)] = ""
) -> ImpressionAnswer:
    """Press a sandwich's sheet: answers with a kept result, or with a coarse one while the full one is computed.

    A tab's newer wish stops its older one.
    """
    return runs.ask(sandwich, tab)


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
    found = [runs.field(key, name) for name in names]
    if any(field is None for field in found):
        raise NotFound(GONE)
    body = b"".join(len(field).to_bytes(4, "little") + field for field in found if field is not None)
    return Response(body, media_type="application/octet-stream", headers={"cache-control": "no-store"})


def heights_of(runs: Runs, key: str, name: FieldName) -> np.ndarray:
    """A field of heights, or `NotFound`. [mm]"""
    found = runs.field(key, name)
    if found is None:
        raise NotFound(GONE)
    return unpack(found).values.astype(np.float64)


def panel_of(runs: Runs, key: str) -> PanelDocument:
    """The grid of a result, or `NotFound`."""
    found = runs.look(key)
    if found is None or found.result is None:
        raise NotFound(GONE)
    return found.result.panel


@router.get("/{key}/files/{kind}", operation_id="exportImpression", response_class=Response, responses=BYTES)
def export(
    key: str,
    kind: Literal["tiff", "png", "stl"],
    runs: FormingRuns,
    face: Literal["front", "back"] = "front",
    azimuth: Lamp = 225.0,
    altitude: Lamp = 40.0,
) -> Response:
    """A face as height map (TIFF, 16 bit, scale in its description) or picture, or the whole sheet as a solid (STL)."""
    panel = panel_of(runs, key)
    upper, lower = heights_of(runs, key, "upper"), heights_of(runs, key, "lower")
    sheet = heights_of(runs, key, "pressure") > -0.5
    looks_up = (face == "front") == (panel.front == "upper")
    heights, cover = (upper, sheet) if looks_up else (-lower[:, ::-1], sheet[:, ::-1])
    if kind == "tiff":
        body, media = height_tiff(heights, cover, panel.spacing_mm, face), "image/tiff"
    elif kind == "png":
        colour = panel.colour if face == "front" or panel.core_colour is None else panel.core_colour
        body, media = shaded_png(heights, cover, panel.spacing_mm, colour, azimuth=azimuth, altitude=max(altitude, 5.0)), "image/png"
    else:
        body, media = sheet_stl(upper, lower, sheet, panel.spacing_mm, panel.thickness_mm), "model/stl"
    name = "sheet.stl" if kind == "stl" else f"{face}.{kind}"
    return Response(body, media_type=media, headers={"content-disposition": f'attachment; filename="{name}"'})


@router.get(
    "/{key}/profile",
    operation_id="exportProfile",
    response_class=Response,
    responses={200: {"description": "CSV.", "content": {"text/csv": {}}}},
)
def export_profile(key: str, runs: FormingRuns, x0: Place, y0: Place, x1: Place, y1: Place) -> Response:
    """Tool, pressed and released heights along a line on the bed, as CSV. [mm]"""
    panel = panel_of(runs, key)
    columns: dict[str, Any] = {}
    names: tuple[FieldName, ...] = ("tool", "pressed", "released")
    for name in names:
        distance, columns[name] = along_line(heights_of(runs, key, name), panel, (x0, y0), (x1, y1))
    return Response(
        profile_csv(distance, columns), media_type="text/csv", headers={"content-disposition": 'attachment; filename="profile.csv"'}
    )
