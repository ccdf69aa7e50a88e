"""Outlines of things and of things in their place, as polygons."""

from functools import lru_cache
from typing import Any

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely import affinity

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack.item import Item

FloatArray = NDArray[np.float64]
BoolArray = NDArray[np.bool_]
Polygon = Any  # shapely ships no types for its geometry classes' arithmetic
Bounds = tuple[float, float, float, float]
"""Lowest along and across, highest along and across. [mm]"""


@lru_cache(maxsize=512)
def item_polygon(item: Item) -> Polygon:
    """Outline of an item around its own middle, windows cut out [mm].

    Raises
    ------
    InvalidInput
        If the outline crosses itself or encloses nothing, or its windows leave nothing of it.
    """
    if item.outline is None:
        shell = shapely.box(-item.length_mm / 2, -item.width_mm / 2, item.length_mm / 2, item.width_mm / 2)
    else:
        shell = shapely.Polygon(item.outline)
    if not shell.is_valid or shell.area <= 0:
        raise InvalidInput("outline", item.name, say("must be a closed outline that doesn't cross itself"))
    for window in item.windows:
        hole = shapely.Polygon(window)
        if not hole.is_valid:
            raise InvalidInput("windows", item.name, say("a window must be an outline that doesn't cross itself"))
        shell = shell.difference(hole)
    if shell.area <= 0:
        raise InvalidInput("windows", item.name, say("must leave some of it"))
    return shell


@lru_cache(maxsize=1024)
def placed_polygon(item: Item, x: float, y: float, rotation: float) -> Polygon:
    """Outline of an item in its place on the bed [mm]."""
    turned = affinity.rotate(item_polygon(item), rotation, origin=(0, 0))
    return affinity.translate(turned, x, y)


@lru_cache(maxsize=1024)
def placed_bounds(item: Item, x: float, y: float, rotation: float) -> Bounds:
    """Room that an item takes in its place on the bed. [mm]"""
    low_x, low_y, high_x, high_y = placed_polygon(item, x, y, rotation).bounds
    return low_x, low_y, high_x, high_y


def rings_of(shape: Polygon) -> tuple[FloatArray, ...]:
    """Every ring of an area, each (n, 2); lines and points that come out of cutting areas are left out. [mm]"""
    parts = [part for part in getattr(shape, "geoms", [shape]) if part.geom_type == "Polygon" and not part.is_empty]
    return tuple(np.asarray(ring.coords, dtype=np.float64) for part in parts for ring in (part.exterior, *part.interiors))
