"""The front of a pressed sheet, as somebody looks at it: what a mistake leaves on it is put on here."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.sandwich.stack import BoolArray, FloatArray

NO_STAIN = "#000000"


@dataclass(frozen=True, eq=False)
class Front:
    """Fields (nx, ny) down and to the right of a front that is looked at.

    Parameters
    ----------
    heights : ndarray
        Towards who looks. [mm]
    ink, cut, stain : ndarray
        How much of a place is inked, cut through, and stained in `stain_colour`, 0 to 1; no ink is all 0.
    crack : ndarray
        Stretch over what the stock bears. [1]
    cover : ndarray
        Where the sheet is, 0 to 1.
    tool : ndarray of bool
        Where the tool lay over it.
    spacing : float
        Cell size. [mm]
    stain_colour : str
    """

    heights: FloatArray
    ink: FloatArray
    cut: FloatArray
    stain: FloatArray
    crack: FloatArray
    cover: FloatArray
    tool: BoolArray
    spacing: float
    stain_colour: str = NO_STAIN

    def mesh(self) -> tuple[FloatArray, FloatArray]:
        """Places down and to the right of the middle of the sheet, each (nx, ny). [mm]"""
        i, j = np.nonzero(self.cover > 0.5)
        middle = (float(i.min() + i.max()) / 2, float(j.min() + j.max()) / 2) if i.size else (0.0, 0.0)
        nx, ny = self.cover.shape
        down, right = np.meshgrid((np.arange(nx) - middle[0]) * self.spacing, (np.arange(ny) - middle[1]) * self.spacing, indexing="ij")
        return down, right

    @property
    def size(self) -> tuple[float, float]:
        """Extent of the sheet, down and to the right. [mm]"""
        i, j = np.nonzero(self.cover > 0.5)
        return (float(np.ptp(i)) * self.spacing, float(np.ptp(j)) * self.spacing) if i.size else (0.0, 0.0)
