"""The grid over the sheet on the bed."""

import math
from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.nip import Nip
from lofty_press.core.sandwich.stack import FloatArray, Placed, covered

FINEST = 0.2  # mm
MOST_CELLS = 520_000  # an A2 card front at the finest spacing, with room to spare
BLOCK = 32  # cells; both sides are a multiple, so that five coarser grids fit
RIM = 1.2  # mm of grid beyond the sheet's edge


@dataclass(frozen=True)
class Panel:
    """Cell centres along and across the feed [mm], cell size [mm], and where the sheet lies (nx, ny), 0 to 1."""

    x: FloatArray
    y: FloatArray
    spacing: float
    cover: FloatArray

    @property
    def shape(self) -> tuple[int, int]:
        return self.x.size, self.y.size

    def mesh(self) -> tuple[FloatArray, FloatArray]:
        """Coordinates of every cell centre, each (nx, ny). [mm]"""
        x, y = np.meshgrid(self.x, self.y, indexing="ij")
        return x, y

    def of_item(self, placed: Placed, *, face_down: bool) -> tuple[FloatArray, FloatArray]:
        """Every cell centre in the coordinates of a placed thing as seen from its face. [mm]"""
        x, y = self.mesh()
        x, y = x - placed.layer.x_mm, y - placed.layer.y_mm
        turn = math.radians(placed.layer.rotation_deg)
        c, s = math.cos(turn), math.sin(turn)
        along, across = c * x + s * y, c * y - s * x
        return along, -across if face_down else across


Window = tuple[float, float, float, float]
"""Part of the bed: lowest and highest place along, lowest and highest across [mm]."""


def panel_over(sheet: Placed, *, finest: float = FINEST, window: Window | None = None) -> Panel:
    """Grid over a placed sheet, or over the part of it in a window; coarser than `finest` only where that is too large for `MOST_CELLS`."""
    low_x, low_y, high_x, high_y = sheet.bounds
    if window is not None:
        low_x, high_x = max(low_x, window[0]), min(high_x, window[1])
        low_y, high_y = max(low_y, window[2]), min(high_y, window[3])
    length, width = high_x - low_x + 2 * RIM, high_y - low_y + 2 * RIM
    spacing = max(finest, math.sqrt(length * width / MOST_CELLS))
    nx, ny = (math.ceil(size / spacing / BLOCK) * BLOCK for size in (length, width))
    x: FloatArray = (low_x + high_x) / 2 + (np.arange(nx, dtype=np.float64) - (nx - 1) / 2) * np.float64(spacing)
    y: FloatArray = (low_y + high_y) / 2 + (np.arange(ny, dtype=np.float64) - (ny - 1) / 2) * np.float64(spacing)
    return Panel(x, y, spacing, covered(sheet, x, y).astype(np.float64))


def pressure_over(panel: Panel, nip: Nip) -> FloatArray:
    """The nip's pressure at every cell of the panel, 0 beyond the nip's grid; linear between its cells. [MPa]"""
    field = nip.field
    step = float(field.x[1] - field.x[0])
    i = np.clip((panel.x - field.x[0]) / step, 0, field.x.size - 1)
    j = np.clip((panel.y - field.y[0]) / field.width, 0, field.y.size - 1)
    i0, j0 = np.minimum(i.astype(int), field.x.size - 2), np.minimum(j.astype(int), field.y.size - 2)
    a, b = (i - i0)[:, None], (j - j0)[None, :]
    p = nip.pressure
    found = (1 - a) * ((1 - b) * p[np.ix_(i0, j0)] + b * p[np.ix_(i0, j0 + 1)])
    found += a * ((1 - b) * p[np.ix_(i0 + 1, j0)] + b * p[np.ix_(i0 + 1, j0 + 1)])
    beyond_x = (panel.x < field.x[0] - step) | (panel.x > field.x[-1] + step)
    beyond_y = (panel.y < field.y[0] - field.width) | (panel.y > field.y[-1] + field.width)
    found[beyond_x, :] = 0.0
    found[:, beyond_y] = 0.0
    return np.asarray(np.maximum(found, 0.0))
