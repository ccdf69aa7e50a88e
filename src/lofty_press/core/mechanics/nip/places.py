"""One place of the nip, told so that another model can be held against it: its layers, and how they stand under the load that acts there."""

from dataclasses import dataclass, replace

import numpy as np
import shapely
from scipy.optimize import brentq

from lofty_press.core.mechanics.layered import Layer, Line, line_table
from lofty_press.core.mechanics.nip.piles import as_layer
from lofty_press.core.mechanics.nip.solve import Nip
from lofty_press.core.sandwich.stack import StackView

NOTHING = Line(0.0, 0.0, 0.0, 0.0, (0.0, 0.0), (0.0, 0.0))
LEAST_LOAD = 1e-6  # N/mm


@dataclass(frozen=True)
class Place:
    """A place along and across the feed [mm]: layers from the bottom up with the index of the sheet (None where none lies), how these alone stand
    under the load that acts there, by how much the interface has closed besides [mm], and the highest pressure that the sheet there gets [MPa]."""

    x: float
    y: float
    layers: tuple[Layer, ...]
    sheet: int | None
    line: Line
    interface: float
    pressure: float


def place_at(view: StackView, nip: Nip, along: int, across: int) -> Place:
    """The place of one cell of a nip's grid."""
    field, rows = nip.field, nip.rows
    x, y, row = float(field.x[along]), float(field.y[across]), int(field.row_of[along])
    there = [p for p in view.layers if shapely.intersects_xy(p.polygon, x, y)]
    sheet = next((n for n, p in enumerate(there) if p is view.sheet), None)
    layers = tuple(replace(as_layer(p), name=p.name) for p in there)
    closed, load = float(max(rows.compression[row, across], 0.0)), float(rows.load[row, across])
    line = NOTHING
    if load > LEAST_LOAD and layers:
        table = line_table(layers, sheet or 0, view.press.roller_radius_mm, max(closed, 0.01))
        low = 1e-6
        high = closed if table.at(closed).load > load else 4.0 * closed
        line = table.at(float(brentq(lambda d: table.at(d).load - load, low, high, xtol=1e-9)))
    return Place(x, y, layers, sheet, line, closed - line.closing, float(nip.pressure[along, across]))


def middle_and_worst(nip: Nip) -> tuple[tuple[int, int], tuple[int, int]]:
    """Cells of the grid: the one of the work that lies most in its middle, and the one where what the work feels is least."""
    weight = nip.weight if nip.weight.any() else np.ones(nip.pressure.shape)
    along, across = np.nonzero(weight > 0)
    x, y = nip.field.x[along], nip.field.y[across]
    middle = int(np.argmin((x - x.mean()) ** 2 + (y - y.mean()) ** 2))
    worst = int(np.argmin(nip.intensity[along, across]))
    return (int(along[middle]), int(across[middle])), (int(along[worst]), int(across[worst]))
