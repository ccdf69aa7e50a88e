"""Photographs as workers read them."""

from pathlib import Path
from typing import Literal

from lofty_press.core.imaging.photo import read_tools
from lofty_press.core.imaging.shading import shape_by_scans, shape_by_torch
from lofty_press.documents.photos.photo_pixels import photo_pixels
from lofty_press.documents.photos.photo_series import decoded, photos_in, scanned
from lofty_press.documents.photos.shape_photo import describe_shape
from lofty_press.documents.photos.tool_photo import ToolCorrection, corrected_shape, describe_photo
from lofty_press.service.work.tools import Tools


def tools_in(_: Tools, data: bytes, ruler_mm: float) -> bytes:
    """The tools in a photo, as JSON."""
    return describe_photo(read_tools(photo_pixels(data), ruler_mm=ruler_mm)).model_dump_json().encode()


def shape_of(_: Tools, wish: ToolCorrection) -> bytes:
    """A tool's shape as it was corrected, as JSON."""
    return corrected_shape(wish).model_dump_json().encode()


Way = Literal["torch", "scans"]


def shape_in(_: Tools, path: Path, way: Way, figures: tuple[float, float | None, float | None]) -> bytes:
    """The relief of a tool in a zip file of photos, as JSON; `figures` are the printed ruler and the tool's thickness [mm], and a scanner's pixels an inch."""
    ruler_mm, thickness_mm, per_inch = figures
    photos = photos_in(path)
    if way == "scans":
        pixels, per_mm = scanned(photos, per_inch)
        shape = shape_by_scans(pixels, per_mm=per_mm)
    else:
        shape = shape_by_torch(decoded(photos), ruler_mm=ruler_mm, thickness_mm=thickness_mm)
    return describe_shape(shape).model_dump_json().encode()
