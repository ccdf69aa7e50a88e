"""Which part of the bed each layer covers."""

from functools import lru_cache

import numpy as np
import shapely

from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.shape import BoolArray, FloatArray, placed_polygon
from lofty_press.core.sandwich.stack.view import Placed


def covered(placed: Placed, x: FloatArray, y: FloatArray) -> BoolArray:
    """Where a layer covers the points of a grid.

    Parameters
    ----------
    placed : Placed
    x, y : ndarray, shapes (nx,) and (ny,)
        Cell centres along and across the feed. [mm]

    Returns
    -------
    ndarray of bool, shape (nx, ny)
    """
    item, layer = placed.item, placed.layer
    if item.outline is None and not item.windows and layer.rotation_deg % 90 == 0:
        length, width = item.length_mm, item.width_mm
        if layer.rotation_deg % 180:
            length, width = width, length
        along = np.abs(x - layer.x_mm) <= length / 2
        across = np.abs(y - layer.y_mm) <= width / 2
        return along[:, None] & across[None, :]
    return _covered_polygon(item, layer.x_mm, layer.y_mm, layer.rotation_deg, tuple(x), tuple(y))


@lru_cache(maxsize=256)
def _covered_polygon(item: Item, x0: float, y0: float, rotation: float, x: tuple[float, ...], y: tuple[float, ...]) -> BoolArray:
    polygon = placed_polygon(item, x0, y0, rotation)
    shapely.prepare(polygon)
    across, along = np.meshgrid(np.asarray(y), np.asarray(x))
    mask = np.asarray(shapely.intersects_xy(polygon, along, across), dtype=np.bool_)
    mask.setflags(write=False)
    return mask
