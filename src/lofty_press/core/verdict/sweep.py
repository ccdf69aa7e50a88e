"""Pressure and handle force if the pile were thinner or thicker: the curve on which verdict, margin and certainty stand."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.nip.balance import balance
from lofty_press.core.nip.columns import Field
from lofty_press.core.nip.solve import handle_of
from lofty_press.core.nip.strip import bite_limit
from lofty_press.core.stack.footprint import FloatArray
from lofty_press.core.stack.press import Press

MOST_ROWS = 2
POINTS = 17


@dataclass(frozen=True)
class Sweep:
    """Curves over `added` thickness (points,) [mm]: mean `pressure` at the work [MPa], peak `handle` force [N]; `now` is the mean
    pressure of the sandwich as it is, and `refuses_at` the added thickness from which it does not feed [mm]."""

    added: FloatArray
    pressure: FloatArray
    handle: FloatArray
    now: float
    refuses_at: float

    def added_for(self, pressure: float) -> float:
        """Added thickness at which the work sees a pressure [mm]; infinite where the sweep does not get there."""
        if pressure > self.pressure[-1]:
            return float("inf")
        # below contact the curve is flat at zero: take its last flat point, where the rollers begin to touch
        first = max(int(np.searchsorted(self.pressure, 1e-12, side="right")) - 1, 0)
        return float(np.interp(pressure, self.pressure[first:], self.added[first:]))

    def slope(self) -> float:
        """Change of pressure with thickness at the present point [MPa/mm]."""
        return float(np.interp(0.0, self.added, np.gradient(self.pressure, self.added)))


def sweep(field: Field, press: Press, blade: BladeContact | None) -> Sweep:
    """Follow the work's pressure over all thicknesses from just touching to past the bite.

    Uses a few representative cross-sections: those with work in them, spread evenly over their length.
    """
    counts = np.bincount(field.row_of, minlength=field.work.shape[0]) * field.work.sum(axis=1)
    working = np.flatnonzero(counts)
    if working.size == 0:
        working = np.array([int(np.argmax(field.columns.free.max(axis=1)))])
        counts = np.ones(field.work.shape[0], dtype=np.int64)
    chosen = working[np.unique(np.linspace(0, working.size - 1, MOST_ROWS).round().astype(int))]
    limit = bite_limit(press.roller_radius_mm, press.friction)
    over = float(field.columns.free.max() - press.opening.mm)
    grid = np.unique(np.concatenate([np.linspace(-0.05, limit * 1.15, POINTS - 1) - over, [0.0]]))
    columns = field.columns.rows(np.tile(chosen, grid.size))
    added = np.repeat(grid, chosen.size)
    rows = balance(columns, press, field.y, field.width, added=added)
    shape = (grid.size, chosen.size)
    work = field.work[chosen].astype(np.float64)
    if not work.any():
        work = (field.columns.free[chosen] >= field.columns.free[chosen].max() - 1e-9).astype(np.float64)
    pressures = rows.pressure.reshape(*shape, -1)
    share = counts[chosen][:, None] * work / np.maximum(work.sum(axis=1, keepdims=True), 1.0)
    mean = np.maximum.accumulate((pressures * share).sum(axis=(1, 2)) / share.sum())
    handle = handle_of(rows, press, Field(field.x, field.y, field.width, field.row_of, columns, np.tile(field.work[chosen], (grid.size, 1))), blade)
    peak = handle.reshape(shape).max(axis=1)
    now = float(np.interp(0.0, grid, mean))
    return Sweep(grid, mean, peak, now, refusal(grid, peak, press.drive.limit_n, limit - over))


def refusal(added: FloatArray, handle: FloatArray, most: float, bite: float) -> float:
    """Added thickness at which the press first refuses: by the bite or by the drive [mm]."""
    if handle[-1] <= most:
        return bite
    index = int(np.argmax(handle > most))
    if index == 0:
        return min(bite, float(added[0]))
    low, high = handle[index - 1], handle[index]
    return min(bite, float(added[index - 1] + (most - low) / (high - low) * (added[index] - added[index - 1])))
