"""What a worn face still does: where it no longer cuts, and where its scars would print."""

import math
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely import affinity

from lofty_press.core.mechanics.plates.mark import Pattern
from lofty_press.core.mechanics.plates.sliding import overlap_with
from lofty_press.core.mechanics.plates.wear import CELL, Laid, Wear, axes_of
from lofty_press.core.sandwich.stack import BoolArray, FloatArray, Polygon

PRINTS = 0.02  # mm; scars from about this depth show on foil and mirror card; common practice, no published source


@dataclass(frozen=True)
class Cleanness:
    """How scars would print on a sheet: share of what lies bare on the plate that is over scars, as it lies and at the cleanest place
    (along, across [mm], seen from the face)."""

    printed: float
    cleanest: float
    place: tuple[float, float]


def lowered(wear: Wear) -> FloatArray:
    """How far a blade falls short on average because it meets old scars: their depth times the share that they cover (nx, ny). [mm]"""
    return np.asarray(wear.deepest * wear.scarred)


def no_longer_cuts(wear: Wear, margin: float) -> BoolArray:
    """Where a face is too worn to cut on (nx, ny): where old scars take more than the `margin` [mm] that pile has before it gets faint.

    Notes
    -----
    A blade that comes down in an old scar has to go as much deeper as that is deep. The margin is the verdict's; without shims it is all
    that there is.
    """
    return np.asarray(lowered(wear) > max(margin, 0.0))


def share_on(cells: BoolArray, pattern: Pattern, laid: Laid) -> float:
    """Share of a blade's run that comes down on marked cells of a face (nx, ny). [1]"""
    along, across = runs_over(pattern, laid)
    nx, ny = cells.shape
    i, j = np.floor(along / CELL + nx / 2).astype(int), np.floor(across / CELL + ny / 2).astype(int)
    inside = (i >= 0) & (i < nx) & (j >= 0) & (j < ny)
    return float(np.mean(cells[np.clip(i, 0, nx - 1), np.clip(j, 0, ny - 1)] & inside))


def runs_over(pattern: Pattern, laid: Laid) -> tuple[FloatArray, FloatArray]:
    """Where a blade comes down on a face, along and across (n,), (n,). [mm]"""
    turn = math.radians(laid.turn)
    px, py = pattern.places[:, 0], -pattern.places[:, 1]
    return laid.x + math.cos(turn) * px - math.sin(turn) * py, laid.y + math.sin(turn) * px + math.cos(turn) * py


def on_face(shape: Polygon, x: FloatArray, y: FloatArray) -> BoolArray:
    """Cells of a face that a shape covers. [mm]"""
    along, across = np.meshgrid(x, y, indexing="ij")
    shapely.prepare(shape)
    return np.asarray(shapely.contains_xy(shape, along, across))


def cleanness(wear: Wear, sheet: Polygon, die: Polygon) -> Cleanness:
    """Whether a sheet that shows scars lies on clean plate where the die does not cover it.

    Parameters
    ----------
    wear : Wear
    sheet, die : shapely polygon
        Where they lie, seen from the face. [mm]

    Returns
    -------
    Cleanness
        The cleanest place keeps sheet and die together, the whole sheet on the plate.
    """
    x, y = axes_of(wear)
    scarred = wear.deepest > PRINTS
    bare = on_face(sheet.difference(die), x, y)
    if not bare.any():
        return Cleanness(0.0, 0.0, (0.0, 0.0))
    printed = float(np.mean(scarred[bare]))
    middle = sheet.centroid
    there = on_face(affinity.translate(sheet.difference(die), -middle.x, -middle.y), x, y)
    under = np.clip(overlap_with(scarred.astype(np.float64), there[::-1, ::-1].astype(np.float64), mode="same"), 0.0, None)
    low_x, low_y, high_x, high_y = sheet.bounds
    room_x = (x - (high_x - low_x) / 2 >= x[0] - CELL / 2) & (x + (high_x - low_x) / 2 <= x[-1] + CELL / 2)
    room_y = (y - (high_y - low_y) / 2 >= y[0] - CELL / 2) & (y + (high_y - low_y) / 2 <= y[-1] + CELL / 2)
    allowed: NDArray[np.bool_] = room_x[:, None] & room_y[None, :]
    if not allowed.any():
        return Cleanness(printed, printed, (middle.x, middle.y))
    nearest = 1e-6 * np.hypot(x[:, None] - middle.x, y[None, :] - middle.y)
    at = np.unravel_index(int(np.argmin(np.where(allowed, np.round(under) + nearest, np.inf))), under.shape)
    least = float(round(under[at]) / np.count_nonzero(there))
    return Cleanness(printed, min(least, printed), (float(x[at[0]]), float(y[at[1]])))
