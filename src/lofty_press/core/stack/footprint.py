"""Which part of the bed each layer covers."""

from functools import lru_cache
from typing import Any

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely import affinity

from lofty_press.core.errors import InvalidInput
from lofty_press.core.stack.item import Item
from lofty_press.core.stack.view import Placed

FloatArray = NDArray[np.float64]
BoolArray = NDArray[np.bool_]
Polygon = Any  # shapely ships no types for its geometry classes' arithmetic


@lru_cache(maxsize=512)
def item_polygon(item: Item) -> Polygon:
    """Outline of an item around its own middle, windows cut out [mm].

    Raises
    ------
    InvalidInput
        If the outline crosses itself or encloses nothing.
    """
    if item.outline is None:
        shell = shapely.box(-item.length_mm / 2, -item.width_mm / 2, item.length_mm / 2, item.width_mm / 2)
    else:
        shell = shapely.Polygon(item.outline)
    if not shell.is_valid or shell.area <= 0:
        raise InvalidInput("outline", item.name, "must be a closed outline that does not cross itself")
    for window in item.windows:
        hole = shapely.Polygon(window)
        if not hole.is_valid:
            raise InvalidInput("windows", item.name, "a window must be an outline that does not cross itself")
        shell = shell.difference(hole)
    return shell


@lru_cache(maxsize=1024)
def placed_polygon(item: Item, x: float, y: float, rotation: float) -> Polygon:
    """Outline of an item in its place on the bed [mm]."""
    turned = affinity.rotate(item_polygon(item), rotation, origin=(0, 0))
    return affinity.translate(turned, x, y)


def polygon_of(placed: Placed) -> Polygon:
    """Outline of a placed layer on the bed [mm]."""
    layer = placed.layer
    return placed_polygon(placed.item, layer.x_mm, layer.y_mm, layer.rotation_deg)


def rings_of(shape: Polygon) -> tuple[FloatArray, ...]:
    """Every ring of an area, each (n, 2); lines and points that come out of cutting areas are left out. [mm]"""
    parts = [part for part in getattr(shape, "geoms", [shape]) if part.geom_type == "Polygon" and not part.is_empty]
    return tuple(np.asarray(ring.coords, dtype=np.float64) for part in parts for ring in (part.exterior, *part.interiors))


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
