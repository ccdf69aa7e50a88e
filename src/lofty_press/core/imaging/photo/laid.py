"""How a tool is turned on the sheet, and the way back to its own axes."""

import math
from dataclasses import dataclass

import numpy as np

from lofty_press.core.imaging.photo.tools import Tool
from lofty_press.core.sandwich.stack import FloatArray


@dataclass(frozen=True)
class Laid:
    """A tool laid straight: nobody lays it on the sheet so.

    The `middle` of the smallest box round it on the sheet [mm], by how much that is `turned` (no more than an eighth) [rad], whether its longer side then runs
    `upright`, and its `size` along and across the feed [mm].
    """

    middle: tuple[float, float]
    turned: float
    upright: bool
    size: tuple[float, float]

    @classmethod
    def of(cls, tool: Tool) -> "Laid":
        """How a tool is turned."""
        corners = np.array(tool.polygon.minimum_rotated_rectangle.exterior.coords)[:4]
        side = corners[1] - corners[0]
        turned = (math.atan2(side[1], side[0]) + math.pi / 4) % (math.pi / 2) - math.pi / 4
        middle = corners.mean(axis=0)
        spans = np.ptp(straight(corners, middle, turned), axis=0)
        upright = bool(spans[1] >= spans[0])
        return cls((float(middle[0]), float(middle[1])), turned, upright, (float(spans.max()), float(spans.min())))

    @property
    def axes(self) -> FloatArray:
        """Directions along and across the feed on the sheet, (2, 2): each a unit vector right and down."""
        right = np.array([math.cos(self.turned), math.sin(self.turned)])
        down = np.array([-right[1], right[0]])
        return np.array([down, right] if self.upright else [right, -down])

    def kept(self, ring: FloatArray) -> FloatArray:
        """Places (n, 2) of the sheet from the tool's middle along and across the feed. [mm]

        The longer side goes along. In a picture with the hinge on top, along runs down and across right.
        """
        return np.asarray((ring - np.array(self.middle)) @ self.axes.T)

    def on_sheet(self, places: FloatArray) -> FloatArray:
        """Places (n, 2) along and across the feed from the tool's middle, as places of the sheet. [mm]"""
        return np.asarray(places @ self.axes + np.array(self.middle))


def straight(ring: FloatArray, middle: FloatArray | tuple[float, float], turned: float) -> FloatArray:
    """Places on the sheet from a middle, turned back. [mm]"""
    x, y = (ring - np.asarray(middle)).T
    return np.column_stack([x * math.cos(turned) + y * math.sin(turned), y * math.cos(turned) - x * math.sin(turned)])
