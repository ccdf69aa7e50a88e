"""Wear of one face of a plate, added up run by run."""

from collections.abc import Iterable
from dataclasses import dataclass

import numba
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.plates.mark import Pattern
from lofty_press.core.sandwich.stack import FloatArray, Item

CELL = 2.0  # mm; about the width that a plate spreads a blade's load over
MOST_CELLS = 400  # along a side

compiled = numba.njit(cache=True, error_model="numpy")


@dataclass(frozen=True)
class Laid:
    """Where a pattern lay on a face [mm, mm, degree], and how deep its scars are. [mm]"""

    x: float
    y: float
    turn: float
    depth: float


@dataclass(eq=False)
class Wear:
    """Wear of a face over a grid of cells of `CELL`, along and across, around the plate's middle; seen from that face.

    Parameters
    ----------
    crossed : ndarray, shape (nx, ny)
        How often a place was cut over on average: blade length per area times the width of its scar, summed over all runs. [1]
    deepest : ndarray, shape (nx, ny)
        Deepest scar. [mm]
    runs : int
        How many marks are in it. [1]
    """

    crossed: NDArray[np.float32]
    deepest: NDArray[np.float32]
    runs: int = 0

    @property
    def scarred(self) -> FloatArray:
        """Share of the surface that a scar has gone over, if scars fall independently: 1 - exp(-crossed). [1]"""
        return np.asarray(1.0 - np.exp(-self.crossed.astype(np.float64)))

    @property
    def worst(self) -> float:
        """Most that any place was cut over. [1]"""
        return float(self.crossed.max(initial=0.0))


def no_wear(plate: Item) -> Wear:
    """A new plate's face."""
    nx, ny = (min(max(round(size / CELL), 1), MOST_CELLS) for size in (plate.length_mm, plate.width_mm))
    return Wear(np.zeros((nx, ny), dtype=np.float32), np.zeros((nx, ny), dtype=np.float32))


def axes_of(wear: Wear) -> tuple[FloatArray, FloatArray]:
    """Cell centres along and across. [mm]"""
    nx, ny = wear.crossed.shape
    return (np.arange(nx) - (nx - 1) / 2) * CELL, (np.arange(ny) - (ny - 1) / 2) * CELL


def add_marks(wear: Wear, pattern: Pattern, laid: Iterable[Laid]) -> None:
    """Add what a die left on a face, in place.

    Parameters
    ----------
    wear : Wear
    pattern : Pattern
        The die's.
    laid : iterable of Laid
        Every run of it.

    Notes
    -----
    A scar of depth h by a 90 degree edge is 2 h wide, so a blade length L in a cell of area A crosses 2 h L / A of it. What lies beyond
    the plate is left out.
    """
    rows = np.array([(m.x, m.y, np.deg2rad(m.turn), m.depth) for m in laid], dtype=np.float64).reshape(-1, 4)
    scatter(wear.crossed, wear.deepest, np.ascontiguousarray(pattern.places), pattern.weight, rows, CELL)
    wear.runs += len(rows)


@compiled
def scatter(
    crossed: NDArray[np.float32], deepest: NDArray[np.float32], places: FloatArray, weight: float, rows: FloatArray, cell: float
) -> None:
    """Add every place of a pattern, mirrored as the plate sees it, for every row of (x, y, turn, depth)."""
    nx, ny = crossed.shape
    for r in range(rows.shape[0]):
        c, s, depth = np.cos(rows[r, 2]), np.sin(rows[r, 2]), rows[r, 3]
        share = 2.0 * depth * weight / cell**2
        for n in range(places.shape[0]):
            px, py = places[n, 0], -places[n, 1]
            i = int(np.floor((rows[r, 0] + c * px - s * py) / cell + nx / 2))
            j = int(np.floor((rows[r, 1] + s * px + c * py) / cell + ny / 2))
            if 0 <= i < nx and 0 <= j < ny:
                crossed[i, j] += share
                deepest[i, j] = max(deepest[i, j], depth)
