"""Where a sheet meets no pattern: beyond the tool, or along the hinge of a folder."""

import numpy as np
import shapely
from shapely.affinity import rotate, translate

from lofty_press.core.sandwich.stack import FloatArray, Polygon, StackView

STEP = 4.0
"""Of the points by which a place is looked for. [mm]"""


def bare_part(view: StackView) -> Polygon:
    """The part of the sheet that lies under no pattern, as it lies on the bed. [mm]"""
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None:
        return shapely.Polygon()
    item, layer = tool.item, tool.layer
    pattern = tool.polygon
    margin = item.relief.hinge_margin_mm if item.relief is not None else 0.0
    if margin:
        half = item.length_mm / 2
        strip = shapely.box(-half, -item.width_mm / 2, -half + margin, item.width_mm / 2)
        pattern = pattern.difference(translate(rotate(strip, layer.rotation_deg, origin=(0, 0)), layer.x_mm, layer.y_mm))
    return sheet.polygon.difference(pattern)


def barer(after: StackView, meant: StackView) -> float:
    """By how much more of the sheet lies bare than was meant, of all of it. [1]"""
    if after.sheet is None:
        return 0.0
    area = max(after.sheet.polygon.area, 1.0)
    return float(bare_part(after).area / area - bare_part(meant).area / max(meant.sheet.polygon.area if meant.sheet else 1.0, 1.0))


def points_in(part: Polygon) -> FloatArray:
    """Points all over a part, a few millimetres apart, shape (n, 2). [mm]"""
    if part.is_empty:
        return np.zeros((0, 2))
    low_x, low_y, high_x, high_y = part.bounds
    x, y = np.meshgrid(np.arange(low_x + STEP / 2, high_x, STEP), np.arange(low_y + STEP / 2, high_y, STEP), indexing="ij")
    inside = shapely.contains_xy(part, x, y)
    return np.column_stack([x[inside], y[inside]])
