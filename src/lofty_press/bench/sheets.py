"""Photos of pressed sheets: how near the reader is in place, shift and sight."""

import json
import math
from functools import cache

import cv2
import numpy as np
from scipy.ndimage import map_coordinates

from lofty_press.bench.figure import Figure
from lofty_press.bench.photographed import FOLDER as PHOTOGRAPHS
from lofty_press.bench.photographed import true_heights
from lofty_press.core.imaging.sightread import CELL, SheetReading, read_sheet
from lofty_press.core.sandwich.stack import FloatArray

SHEETS = tuple(sorted(file.stem for file in PHOTOGRAPHS.glob("sheet-*.json")))
SIZE = (100.0, 76.0)  # mm


def predicted(size: tuple[float, float]) -> FloatArray:
    """The relief that every sheet was meant to have. [mm]"""
    heights, about = true_heights("relief-sheet")
    x, y = ((np.arange(round(side / CELL)) - (round(side / CELL) - 1) / 2) * CELL / about["step"] for side in size)
    places = np.meshgrid(x + (heights.shape[0] - 1) / 2, y + (heights.shape[1] - 1) / 2, indexing="ij")
    return np.asarray(map_coordinates(heights, places, order=1, mode="nearest"))


@cache
def reading(name: str) -> SheetReading:
    """What the reader says of a photo."""
    return read_sheet(np.asarray(cv2.imread(str(PHOTOGRAPHS / f"{name}.jpg")), dtype=np.uint8), predicted(SIZE), SIZE)


def measure(wanted: set[str]) -> list[Figure]:
    """The figures that are asked for."""
    if not wanted & {"read_shift_mm", "read_place_mm", "read_sight_right"}:
        return []
    shifts, places, right = [], [], []
    for name in SHEETS:
        truth, found = json.loads((PHOTOGRAPHS / f"{name}.json").read_text()), reading(name)
        shifts.append(math.dist(found.compared.shift, truth["moved"][:2]))
        right.append({one.sight for one in found.seen} == {sight for sight, *_ in truth["seen"]})
        places += [off_box(one.middle, box) for one in found.seen for _, *box in truth["seen"]]
    figures = [
        Figure("read_shift_mm", max(shifts), "mm", 0.5),
        Figure("read_place_mm", float(np.percentile(places, 90)), "mm", 5.0),
        Figure("read_sight_right", float(np.mean(right)), "", 0.8, True),
    ]
    return [figure for figure in figures if figure.name in wanted]


def off_box(place: tuple[float, float], box: list[float]) -> float:
    """How far a place is outside of a box. [mm]"""
    left, low, right, high = box
    return math.hypot(max(left - place[0], 0.0, place[0] - right), max(low - place[1], 0.0, place[1] - high))
