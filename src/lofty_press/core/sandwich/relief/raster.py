"""From outlines to heights: blades as ridges, plateaus with a shoulder."""

import math

import numpy as np
import shapely
from scipy.ndimage import distance_transform_edt

from lofty_press.core.sandwich.relief.height_map import LARGEST, HeightMap, Line
from lofty_press.core.sandwich.stack import FloatArray, Polygon

FINEST = 0.2  # mm
MOST_FINE = 12_000_000  # cells of the threefold grid; beyond that the distance is taken on the grid itself
FLANK = 1.0  # rise over run of a blade's flank: an edge of 90 degrees, as in the cutting mechanics


def grid_over(length: float, width: float, spacing: float) -> tuple[FloatArray, FloatArray]:
    """Cell centres along and across the feed of a grid around the middle. [mm]"""
    nx, ny = max(round(length / spacing), 2), max(round(width / spacing), 2)
    return np.asarray((np.arange(nx) - (nx - 1) / 2) * spacing), np.asarray((np.arange(ny) - (ny - 1) / 2) * spacing)


def spacing_for(length: float, width: float) -> float:
    """The finest usual cell with which a tool of this size [mm] still has as many cells as a height map may. [mm]"""
    return max(FINEST, math.sqrt(length * width / (0.98 * LARGEST)))


def distance_to_lines(lines: tuple[Line, ...], x: FloatArray, y: FloatArray) -> FloatArray:
    """Distance from each cell centre to the nearest line, to about a third of a cell, on very large tools to a cell. [mm]

    The lines are laid on a grid three times as fine, whose exact distance transform is taken and read at the centres.
    """
    h = float(x[1] - x[0])
    finer = 3 if 9 * x.size * y.size <= MOST_FINE else 1
    fine = h / finer
    shape = (finer * x.size, finer * y.size)
    marks = np.ones(shape, dtype=bool)
    for line in lines:
        run = np.hypot(*np.diff(line, axis=0).T)
        along = np.concatenate([[0.0], np.cumsum(run)])
        steps = np.arange(0.0, along[-1] + fine / 2, fine / 2)
        i = np.round((np.interp(steps, along, line[:, 0]) - x[0]) / fine + finer // 2).astype(int)
        j = np.round((np.interp(steps, along, line[:, 1]) - y[0]) / fine + finer // 2).astype(int)
        inside = (i >= 0) & (i < shape[0]) & (j >= 0) & (j < shape[1])
        marks[i[inside], j[inside]] = False
    if marks.all():
        return np.full((x.size, y.size), np.inf)
    return np.asarray(distance_transform_edt(marks, sampling=fine))[finer // 2 :: finer, finer // 2 :: finer]


def blade_map(lines: tuple[Line, ...], *, length: float, width: float, height: float, spacing: float | None = None) -> HeightMap:
    """A die's blade as a ridge with flanks of 45 degrees.

    Parameters
    ----------
    lines : tuple of ndarray
        Runs of the blade. [mm]
    length, width : float
        Size of the die along and across the feed. [mm]
    height : float
        How far the edge stands above the die's body. [mm]
    spacing : float or None
        Cell size; None for the finest that is usual. [mm]
    """
    spacing = spacing or spacing_for(length, width)
    x, y = grid_over(length, width, spacing)
    heights = np.maximum(height - FLANK * distance_to_lines(lines, x, y), 0.0)
    return HeightMap(heights.astype(np.float32), spacing, lines)


def plateau_map(shape: Polygon, *, length: float, width: float, height: float, shoulder: float, spacing: float | None = None) -> HeightMap:
    """A plateau over a polygon, falling off over a `shoulder` [mm] inside its edge; `height` in mm."""
    spacing = spacing or spacing_for(length, width)
    x, y = grid_over(length, width, spacing)
    shapely.prepare(shape)
    across, along = np.meshgrid(y, x)
    inside = np.asarray(shapely.contains_xy(shape, along, across))
    depth = np.asarray(distance_transform_edt(np.pad(inside, 1), sampling=spacing))[1:-1, 1:-1]
    share = np.clip((depth - 0.5 * spacing) / max(shoulder, spacing), 0.0, 1.0)
    return HeightMap((height * share).astype(np.float32), spacing)
