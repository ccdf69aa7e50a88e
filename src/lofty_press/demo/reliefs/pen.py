"""Drawing tools for reliefs: a page in mm seen from the tool's face, right and down from its middle, and shapes that stand up on it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import shapely
from scipy.ndimage import distance_transform_edt

from lofty_press.core.sandwich.relief import HeightMap, Line, distance_to_lines, grid_over
from lofty_press.core.sandwich.stack import FloatArray, Polygon

SPACING = 0.2
Points = Sequence[tuple[float, float]]


@dataclass(frozen=True)
class Page:
    """A tool's face: `down` and `right` are coordinates of every cell (nx, ny) [mm]; down is along the feed, the hinge is at the top."""

    length: float
    width: float
    down: FloatArray
    right: FloatArray
    x: FloatArray
    y: FloatArray

    def blank(self) -> FloatArray:
        return np.zeros(self.down.shape)

    def from_line(self, *runs: Points) -> FloatArray:
        """Distance to runs of (right, down) points. [mm]"""
        return distance_to_lines(as_lines(*runs), self.x, self.y)

    def inside(self, shape: Polygon) -> FloatArray:
        """Depth inside a polygon of (right, down) points, 0 outside. [mm]"""
        shapely.prepare(shape)
        mask = shapely.contains_xy(shape, self.right, self.down)
        return np.asarray(distance_transform_edt(mask, sampling=SPACING))

    def map(self, heights: FloatArray, lines: tuple[Line, ...] = ()) -> HeightMap:
        return HeightMap(np.maximum(heights, 0.0).astype(np.float32), SPACING, lines)


def page(length: float, width: float) -> Page:
    """A page of a size along and across the feed [mm]."""
    x, y = grid_over(length, width, SPACING)
    down, right = np.meshgrid(x, y, indexing="ij")
    return Page(length, width, down, right, x, y)


def as_lines(*runs: Points) -> tuple[Line, ...]:
    """Runs of (right, down) points as lines along and across the feed."""
    return tuple(np.asarray(run, dtype=np.float64)[:, ::-1].copy() for run in runs)


def ridge(distance: FloatArray, half_width: float, height: float) -> FloatArray:
    """A rounded ridge: a squared cosine that ends flat."""
    share = np.clip(distance / half_width, 0.0, 1.0)
    return np.asarray(height * np.cos(0.5 * np.pi * share) ** 2)


def rope(page_: Page, distance: FloatArray, along: FloatArray, half_width: float, height: float) -> FloatArray:
    """A ridge with the twist of a laid rope."""
    twist = 0.82 + 0.18 * np.cos(2 * np.pi * (along / 3.2 + 0.35 * distance / half_width))
    return ridge(distance, half_width, height) * twist


def plateau(depth: FloatArray, shoulder: float, height: float) -> FloatArray:
    """A flat top that falls off over a rounded shoulder inside the edge."""
    share = np.clip(depth / shoulder, 0.0, 1.0)
    return np.asarray(height * np.sin(0.5 * np.pi * share) ** 2)


def circle(
    right: float, down: float, radius: float, *, start: float = 0.0, stop: float = 360.0, corners: int = 72
) -> list[tuple[float, float]]:
    """Points on a circle or an arc, angles clockwise from the right [degree]."""
    angles = np.radians(np.linspace(start, stop, corners))
    return [(right + radius * math.cos(a), down + radius * math.sin(a)) for a in angles]


def box(right: float, down: float, width: float, height: float, *, clipped: float = 0.0) -> list[tuple[float, float]]:
    """A closed rectangle around a middle, corners cut off by `clipped`."""
    w, h, c = width / 2, height / 2, clipped
    corners = [(-w + c, -h), (w - c, -h), (w, -h + c), (w, h - c), (w - c, h), (-w + c, h), (-w, h - c), (-w, -h + c), (-w + c, -h)]
    return [(right + a, down + b) for a, b in corners]
