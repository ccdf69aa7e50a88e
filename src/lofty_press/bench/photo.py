"""Photographs of tools: how true to size their outlines are, and how long reading takes."""

import json

import numpy as np
import shapely
from numpy.typing import NDArray

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.imaging.photo import read_tools
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.documents.photos.photo_pixels import photo_pixels
from lofty_press.setup.paths import ROOT

NAMES = ("photo_outline_median_mm", "photo_outline_p95_mm", "photo_outline_p95_lamp_mm", "photo_twelve_dies_s")
PHOTOGRAPHS = ROOT / "tests" / "photographs"
EVEN_LIGHT, BY_A_LAMP = "dies-above", "dies-aslant"
STEP = 0.25  # mm along an outline


def measure(wanted: set[str]) -> list[Figure]:
    """The figures that are asked for, from photographs that a ray tracer rendered."""
    if not set(NAMES) & wanted:
        return []
    even, lamp = outline_errors(EVEN_LIGHT), outline_errors(BY_A_LAMP)
    photo = pixels(EVEN_LIGHT)
    figures = [
        Figure("photo_outline_median_mm", float(np.median(np.concatenate([even, lamp]))), "mm", 0.1),
        Figure("photo_outline_p95_mm", float(np.percentile(even, 95)), "mm", 0.3),
        Figure("photo_outline_p95_lamp_mm", float(np.percentile(lamp, 95)), "mm", None),
        Figure("photo_twelve_dies_s", float(np.median(timed(lambda: read_tools(photo), times=3))) / 1000, "s", 5.0),
    ]
    return [figure for figure in figures if figure.name in wanted]


def pixels(name: str) -> NDArray[np.uint8]:
    """A photograph of the tests."""
    return photo_pixels((PHOTOGRAPHS / f"{name}.jpg").read_bytes())


def outline_errors(name: str) -> FloatArray:
    """How far outlines and openings are from the true ones along all of their length. [mm]"""
    tools = read_tools(pixels(name)).tools
    rings = [ring for tool in tools for ring in (tool.outline, *tool.windows)]
    found = []
    for true in json.loads((PHOTOGRAPHS / f"{name}.json").read_text())["tools"]:
        for ring in (true["outline"], *true["windows"]):
            shape = shapely.LinearRing(ring)
            places = [shape.interpolate(at) for at in np.arange(0.0, shape.length, STEP)]
            found.append(min((np.array([shapely.LinearRing(r).distance(p) for p in places]) for r in nearest(rings, ring)), key=np.median))
    return np.concatenate(found)


def nearest(rings: list[FloatArray], ring: list[list[float]]) -> list[FloatArray]:
    """The few rings whose middle and size are nearest to one."""
    low, high = np.min(ring, axis=0), np.max(ring, axis=0)
    return sorted(rings, key=lambda each: float(np.abs(each.min(axis=0) - low).sum() + np.abs(each.max(axis=0) - high).sum()))[:2]
