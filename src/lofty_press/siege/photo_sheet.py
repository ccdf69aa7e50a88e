"""A picture of the printed sheet with one gray square on it, as a scanner would see it."""

import cv2
import numpy as np

from lofty_press.core.imaging.photo import MARKER, METRIC, Target, marker_cells
from lofty_press.core.sandwich.stack import FloatArray

PER_MM = 5
SQUARE = (60.0, 80.0, 40.0)  # left, top, side on the sheet [mm]


def scanned_sheet(target: Target = METRIC, *, square: bool = True) -> FloatArray:
    """Gray values (height, width), 0 to 255."""
    picture = np.full((round(target.height * PER_MM), round(target.width * PER_MM)), 235, dtype=np.uint8)
    side = round(MARKER * PER_MM)
    for number, (x, y) in target.markers.items():
        cells = np.where(marker_cells(number), 20, 235).astype(np.uint8)
        left, top = round(x * PER_MM), round(y * PER_MM)
        picture[top : top + side, left : left + side] = cv2.resize(cells, (side, side), interpolation=cv2.INTER_NEAREST)
    if square:
        left, top, wide = (round(value * PER_MM) for value in SQUARE)
        picture[top : top + wide, left : left + wide] = 120
    return np.asarray(cv2.GaussianBlur(picture, (0, 0), 0.8))


def sheet_on_a_table(length: float, width: float) -> FloatArray:
    """A plain light sheet of some size [mm] on a dark table, blue, green, red, 0 to 255."""
    picture = np.full((round((length + 40) * PER_MM), round((width + 40) * PER_MM), 3), (30, 35, 40), dtype=np.uint8)
    edge = 20 * PER_MM
    picture[edge:-edge, edge:-edge] = (180, 205, 200)
    return np.asarray(cv2.GaussianBlur(picture, (0, 0), 0.8))


def as_png(picture: FloatArray) -> bytes:
    """A picture as a PNG file."""
    return bytes(cv2.imencode(".png", picture)[1].tobytes())
