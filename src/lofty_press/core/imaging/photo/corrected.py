"""A tool from a photo as somebody corrected it: its outline drawn over, its thickness measured, its blade along the band or along the edge."""

from typing import Literal

import numpy as np
import shapely
from shapely import Polygon

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo.blade import blade_of, closed
from lofty_press.core.imaging.photo.tools import Tool, lowered, mended
from lofty_press.core.sandwich.stack import FloatArray

Along = Literal["middle", "edge"]
"""Where a die's blade runs: along the middle of its band, or along its outer edge."""
LARGEST = 400.0  # mm
LEAST_AREA = 4.0  # mm2


def as_thick_as(tool: Tool, seen_from: FloatArray, was: float, now: float) -> Tool:
    """A tool whose edges were brought down to the sheet by one thickness, brought down by another.

    Parameters
    ----------
    tool : Tool
    seen_from : ndarray, shape (3,)
        Where the camera was over the sheet. [mm]
    was, now : float
        Thicknesses. [mm]

    Raises
    ------
    InvalidInput
        If its outline crosses itself, encloses nothing, or an opening is not inside it.
    """
    outline = lowered(tool.outline, seen_from, now, was)
    windows = tuple(lowered(window, seen_from, now, was, opening=True) for window in tool.windows)
    outline, windows = mended(outline, windows)
    shape = Polygon(outline, windows)
    left, top, right, bottom = shape.bounds
    if max(right - left, bottom - top) > LARGEST:
        raise InvalidInput("outline", f"{max(right - left, bottom - top):.0f} mm", say("is larger than the printed sheet"))
    if not shape.is_valid or shape.area < LEAST_AREA:
        raise InvalidInput(
            "outline", shapely.is_valid_reason(shape)[:60], say("crosses itself or an opening; draw it so each line stays apart")
        )
    return Tool(outline, windows, tool.kinds, tool.cut_off)


def blade_along(tool: Tool, along: Along) -> tuple[FloatArray, ...]:
    """Runs (n, 2) of a die's blade on the sheet [mm]; along the edge that is its outline, once round."""
    return blade_of(tool) if along == "middle" else (np.asarray(closed(tool.outline)),)
