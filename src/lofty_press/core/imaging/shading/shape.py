"""What shading says of a tool's face: heights, and how sure they are."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

Side = Literal["top", "right", "bottom", "left"]
SIDES: tuple[Side, ...] = ("right", "top", "left", "bottom")
SIDE_WORDS = {"right": say("right"), "top": say("top"), "left": say("left"), "bottom": say("bottom")}
HIGHEST, GROUND = 99.7, 0.5  # percentiles of the heights
MOSTLY = 0.15  # of the depth that the pattern may go down from the flat before it counts


@dataclass(frozen=True)
class Shape:
    """A tool's face.

    Parameters
    ----------
    heights : ndarray, shape (nx, ny)
        Over the flat border, along and across the feed. [mm]
    spacing : float
        Cell size. [mm]
    inside : ndarray of bool, shape (nx, ny)
        Where the tool is.
    face : ndarray, shape (nx, ny, 3)
        Its picture, blue, green, red. [0 to 1]
    sides : tuple of float
        Where it was lit from: 0 right, 90 towards the top of the sheet. [degree]
    depth_spread : float
        Standard deviation of its depth by shading alone, as a share; infinite where shading says nothing of it. [1]
    notes : tuple of Message
        What is to be said of it, what is missing first.
    """

    heights: FloatArray
    spacing: float
    inside: BoolArray
    face: FloatArray
    sides: tuple[float, ...]
    depth_spread: float
    notes: tuple[Message, ...]

    @property
    def depth(self) -> float:
        """From the ground to the highest part, by shading alone. [mm]"""
        low, high = self.reach
        return high - low

    @property
    def reach(self) -> tuple[float, float]:
        """How far it goes down from the flat border, 0 or less, and up, 0 or more. [mm]"""
        values = self.heights[self.inside]
        low, high = np.percentile(values, (100 - HIGHEST, HIGHEST))
        low, high = min(float(low), 0.0), max(float(high), 0.0)
        whole = high - low
        return (low if -low > MOSTLY * whole else 0.0), (high if high > MOSTLY * whole else 0.0)

    @property
    def sunk(self) -> bool:
        """True where the pattern goes down from the flat border."""
        low, high = self.reach
        return -low > high

    def relief(self, depth: float) -> HeightMap:
        """Its heights over the ground with a depth that was measured. [mm]"""
        low, high = self.reach
        share = (np.clip(self.heights, low, high) - low) / max(high - low, 1e-9)
        return HeightMap((depth * np.where(self.inside, share, 0.0)).astype(np.float32), self.spacing)


def sides_missing(azimuths: tuple[float, ...]) -> tuple[Side, ...]:
    """Sides of the sheet that no lamp was held at, within an eighth of a turn."""
    lit = {SIDES[round(azimuth / 90.0) % 4] for azimuth in azimuths}
    return tuple(side for side in SIDES if side not in lit)
