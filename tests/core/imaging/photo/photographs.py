"""Photographs that a ray tracer made, with what lay there; see `tests/photographs/render.py`."""

import json
from functools import cache
from pathlib import Path

import cv2
import numpy as np
import shapely
from shapely.geometry import Polygon

from lofty_press.core.imaging.photo import read_tools

FOLDER = Path(__file__).parents[3] / "photographs"


def pixels(name):
    return cv2.imread(str(FOLDER / f"{name}.jpg"))


@cache
def reading(name):
    return read_tools(pixels(name))


def truth(name):
    return json.loads((FOLDER / f"{name}.json").read_text())["tools"]


def pairs(name):
    """Every tool that lay there with the one that was found for it."""
    for true in truth(name):
        shape = Polygon(true["outline"], true["windows"])
        yield true, max(reading(name).tools, key=lambda tool: tool.polygon.buffer(0).intersection(shape).area)


def off(found, true):
    """Distances of a ring from a true one, every quarter of a millimetre. [mm]"""
    ring, other = shapely.LinearRing(found), shapely.LinearRing(true)
    return np.array([other.distance(ring.interpolate(at)) for at in np.arange(0, ring.length, 0.25)])


def outline_errors(name):
    """Distances of every outline and opening from the true ones. [mm]"""
    found = []
    for true, tool in pairs(name):
        found.append(off(tool.outline, true["outline"]))
        for window in tool.windows:
            found.append(min((off(window, other) for other in true["windows"]), key=np.median))
    return np.concatenate(found)
