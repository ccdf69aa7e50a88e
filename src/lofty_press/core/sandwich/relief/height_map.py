"""The relief of a tool as heights on a grid, and where its blade runs."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, size, thickness
from lofty_press.core.sandwich.stack import FloatArray

LARGEST = 4_000_000  # cells; an A4 sheet at 0.15 mm
FINEST, COARSEST = 0.02, 2.0  # mm
DEEPEST = 60.0  # mm

Line = NDArray[np.float64]
"""A run of a blade: points (n, 2) along and across the feed [mm]."""


@dataclass(frozen=True, eq=False)
class HeightMap:
    """Heights over a tool's ground, around its middle, seen from its face.

    Parameters
    ----------
    heights : ndarray, shape (nx, ny)
        Height over the ground at cell centres, along and across the feed, >= 0. [mm]
    spacing : float
        Cell size. [mm]
    lines : tuple of ndarray, each of shape (n, 2)
        Where a blade runs, in the same coordinates; none for a tool without one. [mm]

    Raises
    ------
    InvalidInput
        If a height is not a finite number from 0 to 60 mm, or the grid is empty, too large or too fine.
    """

    heights: NDArray[np.float32]
    spacing: float
    lines: tuple[Line, ...] = ()

    def __post_init__(self) -> None:
        if self.heights.ndim != 2 or min(self.heights.shape) < 2:
            raise InvalidInput("heights", self.heights.shape, say("must be a grid of at least 2 by 2 cells"))
        if self.heights.size > LARGEST:
            raise InvalidInput("heights", self.heights.size, say("must have at most {largest} cells; make it coarser", largest=LARGEST))
        if not FINEST <= self.spacing <= COARSEST:
            raise InvalidInput(
                "spacing",
                self.spacing,
                say("must be {finest} to {coarsest}; give the size it really has", finest=thickness(FINEST), coarsest=size(COARSEST)),
            )
        if not np.isfinite(self.heights).all():
            raise InvalidInput("heights", "NaN", say("must be finite everywhere"))
        if self.heights.min() < 0 or self.heights.max() > DEEPEST:
            raise InvalidInput("heights", float(self.heights.max()), say("must be 0 to {deepest}", deepest=size(DEEPEST)))

    @property
    def size(self) -> tuple[float, float]:
        """Extent along and across the feed. [mm]"""
        nx, ny = self.heights.shape
        return nx * self.spacing, ny * self.spacing

    @property
    def blade_length(self) -> float:
        """Length of all runs of the blade. [mm]"""
        return float(sum(np.hypot(*np.diff(line, axis=0).T).sum() for line in self.lines))

    @property
    def raised_share(self) -> float:
        """Share of the area that stands up by more than half. [1]"""
        return float(np.mean(self.heights > 0.5 * self.heights.max()))

    @property
    def finest_span(self) -> float:
        """Width over which its steepest parts rise to full height. [mm]"""
        slope = np.hypot(*np.gradient(self.heights.astype(np.float64), self.spacing))
        return float(self.heights.max() / max(np.percentile(slope[slope > 0], 98), 1e-6)) if (slope > 0).any() else 1.0

    def sample(self, x: FloatArray, y: FloatArray) -> FloatArray:
        """Heights at points given in the map's own coordinates, 0 beyond its edge; linear between cells. [mm]"""
        nx, ny = self.heights.shape
        places = [x / self.spacing + (nx - 1) / 2, y / self.spacing + (ny - 1) / 2]
        return np.asarray(map_coordinates(self.heights, places, order=1, mode="constant", cval=0.0, output=np.float64))


Library = Callable[[str], HeightMap | None]
"""Finds a height map by its key; None if there is none."""


def no_library(_: str) -> None:
    """The library without a map."""
    return None
