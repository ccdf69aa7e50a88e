"""Pressure and handle force if the pile were thinner or thicker: the curve on which verdict, margin and certainty stand."""

from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.nip.balance import balance
from lofty_press.core.nip.columns import Field
from lofty_press.core.nip.solve import handle_of
from lofty_press.core.nip.strip import bite_limit
from lofty_press.core.stack.footprint import FloatArray
from lofty_press.core.stack.press import Press

MOST_ROWS = 2
COARSE = 11
FINE = 4


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


def sweep(field: Field, press: Press, blade: BladeContact | None, targets: tuple[float, ...]) -> Sweep:
    """Follow the work's pressure over all thicknesses from just touching to past the bite.

    A coarse pass finds between which points each of the `targets` (pressures [MPa]) and the drive's limit lie, a second one
    fills those gaps. Uses a few representative cross-sections: those with work in them, at the quarters of their length.
    """
    limit = bite_limit(press.roller_radius_mm, press.friction)
    over = float(field.columns.free.max() - press.opening.mm)
    rows = Representative(field, press, blade)
    coarse = np.unique(np.concatenate([np.linspace(-0.05, limit * 1.15, COARSE) - over, [0.0]]))
    pressure, handle = rows.follow(coarse)
    gaps = {int(np.searchsorted(pressure, t)) for t in targets} | {int(np.searchsorted(handle, press.drive.limit_n))}
    inside = [np.linspace(coarse[g - 1], coarse[g], FINE + 2)[1:-1] for g in sorted(gaps) if 0 < g < coarse.size]
    if inside:
        fine = np.concatenate(inside)
        more_pressure, more_handle = rows.follow(fine)
        order = np.argsort(grid := np.concatenate([coarse, fine]))
        coarse = grid[order]
        pressure = np.concatenate([pressure, more_pressure])[order]
        handle = np.concatenate([handle, more_handle])[order]
    pressure = np.maximum.accumulate(pressure)
    now = float(np.interp(0.0, coarse, pressure))
    return Sweep(coarse, pressure, handle, now, refusal(coarse, handle, press.drive.limit_n, limit - over))


class Representative:
    """A few cross-sections that stand for the whole sandwich while its thickness is varied."""

    def __init__(self, field: Field, press: Press, blade: BladeContact | None) -> None:
        counts = np.bincount(field.row_of, minlength=field.work.shape[0]) * field.work.sum(axis=1)
        working = np.flatnonzero(counts)
        tallest = field.columns.free.max(axis=1)
        if working.size == 0:
            working = np.array([int(np.argmax(tallest))])
        chosen = working[np.unique((working.size * (np.arange(MOST_ROWS) + 0.5) / MOST_ROWS).astype(int))]
        work = field.work[chosen].astype(np.float64)
        if not work.any():
            work = (field.columns.free[chosen] >= tallest[chosen][:, None] - 1e-9).astype(np.float64)
        weight = np.maximum(counts[chosen], 1)[:, None] * work / np.maximum(work.sum(axis=1, keepdims=True), 1.0)
        self.field, self.press, self.blade = field, press, blade
        self.chosen = chosen
        self.weight = weight / weight.sum()

    def follow(self, added: FloatArray) -> tuple[FloatArray, FloatArray]:
        """Mean pressure at the work [MPa] and peak handle force [N] for each added thickness [mm]."""
        again = np.tile(self.chosen, added.size)
        shape = (added.size, self.chosen.size)
        field = replace(self.field, columns=self.field.columns.rows(again), work=self.field.work[again])
        rows = balance(field.columns, self.press, field.y, field.width, added=np.repeat(added, self.chosen.size))
        pressure = (rows.pressure.reshape(*shape, -1) * self.weight).sum(axis=(1, 2))
        return pressure, handle_of(rows, self.press, field, self.blade).reshape(shape).max(axis=1)


def refusal(added: FloatArray, handle: FloatArray, most: float, bite: float) -> float:
    """Added thickness at which the press first refuses: by the bite or by the drive [mm]."""
    if handle[-1] <= most:
        return bite
    index = int(np.argmax(handle > most))
    if index == 0:
        return min(bite, float(added[0]))
    low, high = handle[index - 1], handle[index]
    return min(bite, float(added[index - 1] + (most - low) / (high - low) * (added[index] - added[index - 1])))
