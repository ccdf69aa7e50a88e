"""Tools found in a photo, as data, as pictures and as drawings in true size."""

import base64

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel

from lofty_press.core.photo import Laid, Reading, Tool, blade_of
from lofty_press.core.stack import DIES, FloatArray, ItemKind
from lofty_press.documents.words import Words

Ring = list[tuple[float, float]]
SHOWN_CELL = 0.25  # mm, of the picture to look at
AROUND = 3.0  # mm of paper round a tool in its own picture
CONTENT = "data:image/jpeg;base64,"


class ToolReading(BaseModel):
    """One tool in a photo: rings on the sheet and as a shelf keeps them, from the tool's middle along and across the feed [mm]; `blade` is an SVG drawing of
    its runs, empty where it has none; `kinds` may be what it is, the likeliest first; `picture` a data address."""

    outline_on_sheet: Ring
    windows_on_sheet: list[Ring]
    blade_on_sheet: list[Ring]
    outline: Ring
    windows: list[Ring]
    blade: str
    length_mm: float
    width_mm: float
    kinds: list[ItemKind]
    cut_off: bool
    picture: str


class PhotoReading(BaseModel):
    """What a photo shows: its window from straight above as a data address, where that is on the sheet [mm], how well the markers fit [mm], and the tools."""

    paper: str
    picture: str
    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    off_by_mm: float
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
        tools=[describe_tool(reading, tool) for tool in reading.tools],
        notes=list(reading.notes),
    )


def describe_tool(reading: Reading, tool: Tool) -> ToolReading:
    """One tool as data."""
    runs = blade_of(tool) if any(kind in DIES for kind in tool.kinds) else ()
    laid = Laid.of(tool)
    length, width = laid.size
    return ToolReading(
        outline_on_sheet=listed(tool.outline),
        windows_on_sheet=[listed(window) for window in tool.windows],
        blade_on_sheet=[listed(run) for run in runs],
        outline=listed(laid.kept(tool.outline)),
        windows=[listed(laid.kept(window)) for window in tool.windows],
        blade=drawing([laid.kept(run) for run in runs], (length, width)),
        length_mm=round(length, 2),
        width_mm=round(width, 2),
        kinds=list(tool.kinds),
        cut_off=tool.cut_off,
        picture=portrait(reading, tool),
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


def portrait(reading: Reading, tool: Tool) -> str:
    """The tool cut out of the photo from above, as a data address."""
    flat = reading.flat
    left, top, right, bottom = tool.polygon.buffer(AROUND).bounds
    columns = [int(np.clip((x - flat.left) / flat.cell, 0, flat.colors.shape[1])) for x in (left, right)]
    rows = [int(np.clip((y - flat.top) / flat.cell, 0, flat.colors.shape[0])) for y in (top, bottom)]
    return jpeg(flat.colors[rows[0] : rows[1], columns[0] : columns[1]], flat.cell / SHOWN_CELL)


def jpeg(colors: NDArray[np.uint8], scale: float) -> str:
    """A picture as a data address."""
    small = cv2.resize(colors, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    return CONTENT + base64.b64encode(cv2.imencode(".jpg", small, [cv2.IMWRITE_JPEG_QUALITY, 85])[1].tobytes()).decode()


def listed(ring: FloatArray) -> Ring:
    """Points as plain numbers, to a hundredth of a millimetre."""
    return [(round(float(x), 2), round(float(y), 2)) for x, y in ring]
