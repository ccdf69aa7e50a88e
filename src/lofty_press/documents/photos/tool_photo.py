"""Tools found in a photo, as data, as pictures and as drawings in true size."""

import base64
import math
from typing import Annotated

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.imaging.photo import Along, Laid, Reading, Tool, as_thick_as, blade_along
from lofty_press.core.sandwich.stack import DIES, KIND_TRAITS, FloatArray, ItemKind
from lofty_press.documents.answers.words import Words

MOST_POINTS, MOST_WINDOWS = 4000, 40
Coordinate = Annotated[float, Field(ge=-3000, le=3000)]
Drawn = Annotated[list[tuple[Coordinate, Coordinate]], Field(min_length=3, max_length=MOST_POINTS)]
Ring = list[tuple[float, float]]
SHOWN_CELL = 0.25  # mm, of the picture to look at
AROUND = 2.0  # mm of white round a tool in its own picture
FINER = 2  # times finer it is cut out than it is shown
EDGE = 0.4  # mm round its outline that still belong to it
CONTENT = "data:image/jpeg;base64,"


class ToolShape(BaseModel):
    """The shape of a tool in a photo: rings on the sheet and as a shelf keeps them, from the tool's middle along and across the feed [mm]; `blade` is an SVG
    drawing of its runs, empty where it has none."""

    outline_on_sheet: Ring
    windows_on_sheet: list[Ring]
    blade_on_sheet: list[Ring]
    outline: Ring
    windows: list[Ring]
    blade: str
    length_mm: float
    width_mm: float


class ToolReading(ToolShape):
    """One tool in a photo: `kinds` may be what it is, the likeliest first; `taken_as_mm` is the thickness that its edges were brought down to the sheet by;
    `picture` a data address."""

    kinds: list[ItemKind]
    cut_off: bool
    taken_as_mm: float
    picture: str


class ToolCorrection(BaseModel):
    """A tool of a photo as somebody corrects it: its rings on the sheet, brought down to it by `taken_as_mm` from a camera at `seen_from`; how thick it is,
    where its blade runs, and which of those runs are none."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    outline_on_sheet: Drawn
    windows_on_sheet: Annotated[list[Drawn], Field(max_length=MOST_WINDOWS)] = []
    seen_from: tuple[
        Annotated[float, Field(ge=-3000, le=3000)], Annotated[float, Field(ge=-3000, le=3000)], Annotated[float, Field(ge=100, le=5000)]
    ]
    taken_as_mm: Annotated[float, Field(ge=0, le=60)]
    thickness_mm: Annotated[float, Field(ge=0, le=60)]
    along: Along | None = None
    without: Annotated[list[Annotated[int, Field(ge=0)]], Field(max_length=400)] = []


class PhotoReading(BaseModel):
    """What a photo shows: its window from straight above as a data address, where that is on the sheet [mm], how well the markers fit [mm], where the camera
    was over the sheet [mm], and the tools."""

    paper: str
    picture: str
    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    off_by_mm: float
    seen_from: tuple[float, float, float]
    tools: list[ToolReading]
    notes: list[Words]


def describe_photo(reading: Reading) -> PhotoReading:
    """What a photo showed, as data."""
    flat = reading.flat
    high, wide = flat.colors.shape[:2]
    return PhotoReading(
        paper=reading.target.paper,
        picture=jpeg(flat.colors, flat.cell / SHOWN_CELL),
        left_mm=round(flat.left, 2),
        top_mm=round(flat.top, 2),
        width_mm=round(wide * flat.cell, 2),
        height_mm=round(high * flat.cell, 2),
        off_by_mm=round(reading.camera.off_by, 3),
        seen_from=tuple(round(float(each), 1) for each in reading.camera.place),  # type: ignore[arg-type]
        tools=[describe_tool(reading, tool) for tool in reading.tools],
        notes=list(reading.notes),
    )


def describe_tool(reading: Reading, tool: Tool) -> ToolReading:
    """One tool as data."""
    laid = Laid.of(tool)
    runs = blade_along(tool, "middle") if any(kind in DIES for kind in tool.kinds) else ()
    return ToolReading(
        **shape_of(tool, laid, runs).model_dump(),
        kinds=list(tool.kinds),
        cut_off=tool.cut_off,
        taken_as_mm=KIND_TRAITS[tool.kinds[0]].mm,
        picture=portrait(reading, tool, laid),
    )


def corrected_shape(wish: ToolCorrection) -> ToolShape:
    """The shape of a tool as it was corrected.

    Raises
    ------
    InvalidInput
        If its outline is none.
    """
    drawn = Tool(np.array(wish.outline_on_sheet), tuple(np.array(window) for window in wish.windows_on_sheet), (), cut_off=False)
    tool = as_thick_as(drawn, np.array(wish.seen_from), wish.taken_as_mm, wish.thickness_mm)
    runs = () if wish.along is None else blade_along(tool, wish.along)
    return shape_of(tool, Laid.of(tool), tuple(run for n, run in enumerate(runs) if n not in wish.without))


def shape_of(tool: Tool, laid: Laid, runs: tuple[FloatArray, ...]) -> ToolShape:
    """A tool's shape as data, with the runs of its blade on the sheet."""
    length, width = laid.size
    return ToolShape(
        outline_on_sheet=listed(tool.outline),
        windows_on_sheet=[listed(window) for window in tool.windows],
        blade_on_sheet=[listed(run) for run in runs],
        outline=listed(laid.kept(tool.outline)),
        windows=[listed(laid.kept(window)) for window in tool.windows],
        blade=drawing([laid.kept(run) for run in runs], (length, width)),
        length_mm=round(length, 2),
        width_mm=round(width, 2),
    )


def tool_svg(found: ToolReading) -> str:
    """Outline, openings and blade of a tool as a drawing in mm."""
    rings = [np.array([*ring, ring[0]]) for ring in (found.outline, *found.windows)]
    return drawing(rings, (found.length_mm, found.width_mm))


def drawing(lines: list[FloatArray], size: tuple[float, float]) -> str:
    """Lines along and across the feed of something of some length and width as SVG in mm, the feed running down; empty without lines."""
    if not lines:
        return ""
    high, wide = size
    paths = "".join(
        f'<path d="M{" L".join(f"{across:.3f},{along:.3f}" for along, across in line)}" fill="none" stroke="#000" stroke-width="0.1"/>'
        for line in lines
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.3f}mm" height="{high:.3f}mm" '
        f'viewBox="{-wide / 2:.3f} {-high / 2:.3f} {wide:.3f} {high:.3f}">{paths}</svg>\n'
    )


def portrait(reading: Reading, tool: Tool, laid: Laid) -> str:
    """The tool cut out of the photo from above and laid straight, along the feed from top to bottom, on white; as a data address."""
    flat, cell = reading.flat, SHOWN_CELL / FINER
    high, wide = (FINER * math.ceil((side + 2 * AROUND) / SHOWN_CELL) for side in laid.size)
    middle = np.array([wide, high]) / 2
    places = np.array([[0.0, 0.0], [laid.size[0] / 2, 0.0], [0.0, laid.size[1] / 2]])  # its middle, and the ends of its axes
    seen = (laid.on_sheet(places) - [flat.left, flat.top]) / flat.cell
    way = cv2.getAffineTransform(seen.astype(np.float32), (middle + places[:, ::-1] / cell).astype(np.float32))
    colors = cv2.warpAffine(flat.colors, way, (wide, high), flags=cv2.INTER_LINEAR, borderValue=(255, 255, 255))
    inside = np.zeros((high, wide), np.uint8)
    shape = tool.polygon.buffer(EDGE)
    for ring, value in ((shape.exterior, 255), *((hole, 0) for hole in shape.interiors)):
        cv2.fillPoly(inside, [np.round(middle + laid.kept(np.array(ring.coords))[:, ::-1] / cell).astype(np.int32)], value)
    share = cv2.GaussianBlur(inside, (0, 0), FINER)[..., None] / 255.0
    return jpeg(np.asarray(share * colors + (1.0 - share) * 255.0, dtype=np.uint8), 1.0 / FINER)


def jpeg(colors: NDArray[np.uint8], scale: float) -> str:
    """A picture as a data address."""
    small = cv2.resize(colors, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    return CONTENT + base64.b64encode(cv2.imencode(".jpg", small, [cv2.IMWRITE_JPEG_QUALITY, 85])[1].tobytes()).decode()


def listed(ring: FloatArray) -> Ring:
    """Points as plain numbers, to a hundredth of a millimetre."""
    return [(round(float(x), 2), round(float(y), 2)) for x, y in ring]
