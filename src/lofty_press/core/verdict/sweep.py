"""Pressure and handle force if the pile were thinner or thicker: the curve on which verdict, margin and certainty stand."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.nip.balance import balance
from lofty_press.core.nip.columns import Columns, Field, IndexArray
from lofty_press.core.nip.solve import handle_of
from lofty_press.core.nip.strip import bite_limit
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.shape import BoolArray, FloatArray

MOST_ROWS = 2
COARSE = 40
FINE = 4
ONSET = np.array([0.0, 0.005, 0.01, 0.02, 0.035, 0.05, 0.07])  # mm of closing; pressure sets in steeply
STEP = 0.02  # mm; over twice this the slope is taken


@dataclass(frozen=True)
class Sweep:
    """Curves over `added` thickness (points,) [mm]: mean `pressure` at the work [MPa], peak `handle` and roller `force` [N], how far the pile
    is `squeezed` [mm]; `now` is the mean pressure of the sandwich as it is, and `refuses_at` the added thickness from which it does not feed
    [mm]."""

    added: FloatArray
    pressure: FloatArray
    handle: FloatArray
    force: FloatArray
    squeezed: FloatArray
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
        return float(self.slope_at(np.zeros(1))[0])

    def slope_at(self, added: FloatArray) -> FloatArray:
        """Change of pressure with thickness at some added thicknesses (n,) [MPa/mm]."""
        high, low = np.interp(added + STEP, self.added, self.pressure), np.interp(added - STEP, self.added, self.pressure)
        return np.asarray((high - low) / (2.0 * STEP))


def sweep(field: Field, press: Press, blade: BladeContact | None, targets: tuple[float, ...]) -> Sweep:
    """Follow the work's pressure over all thicknesses from just touching to past the bite.

    A coarse pass finds between which points each of the `targets` (pressures [MPa]) and the drive's limit lie, a second one
    fills those gaps. Uses a few representative cross-sections: those with work in them, at the quarters of their length.
    """
    limit = bite_limit(press.roller_radius_mm, press.friction)
    over = float(field.columns.free.max() - press.opening.mm)
    rows = Representative(field, press, blade)
    coarse = np.unique(np.concatenate([np.linspace(-0.05, limit * 1.15, COARSE) - over, ONSET - over, [-STEP, 0.0, STEP]]))
    curves = rows.follow(coarse)
    gaps = {int(np.searchsorted(curves[0], t)) for t in targets} | {int(np.searchsorted(curves[1], press.drive.limit_n))}
    inside = [np.linspace(coarse[g - 1], coarse[g], FINE + 2)[1:-1] for g in sorted(gaps) if 0 < g < coarse.size]
    if inside:
        fine = np.concatenate(inside)
        curves = np.concatenate([curves, rows.follow(fine)], axis=1)
        order = np.argsort(grid := np.concatenate([coarse, fine]))
        coarse, curves = grid[order], curves[:, order]
    pressure, handle, force, squeezed = curves
    pressure = np.maximum.accumulate(pressure)
    now = float(np.interp(0.0, coarse, pressure))
    return Sweep(coarse, pressure, handle, force, squeezed, now, refusal(coarse, handle, press.drive.limit_n, limit - over))


class Representative:
    """A few cross-sections that stand for the whole sandwich while its thickness is varied.

    Where a cross-section is symmetric the rollers do not tilt, and equal piles are taken together as one wide one.
    """

    def __init__(self, field: Field, press: Press, blade: BladeContact | None) -> None:
        counts = np.bincount(field.row_of, minlength=field.work.shape[0]) * field.work.sum(axis=1)
        working = np.flatnonzero(counts)
        tallest = field.columns.free.max(axis=1)
        if working.size == 0:
            working = np.array([int(np.argmax(tallest))])
        chosen = working[np.unique((working.size * (np.arange(MOST_ROWS) + 0.5) / MOST_ROWS).astype(int))]
        work = field.work[chosen]
        self.working_width = work.sum(axis=1) * field.width
        if not work.any():
            work = field.columns.free[chosen] >= tallest[chosen][:, None] - 1e-9
        columns, self.y = field.columns.rows(chosen), field.y
        self.columns, self.widths, taken = together(columns, work, field.width)
        if taken is not None:
            work, self.y = np.take_along_axis(work, taken, axis=1), np.zeros(taken.shape[1])
        share = work * self.widths
        weight = np.maximum(counts[chosen], 1)[:, None] * share / np.maximum(share.sum(axis=1, keepdims=True), 1e-12)
        self.press, self.blade = press, blade
        total = float(weight.sum())  # zero where everything is narrower than numbers tell apart
        self.weight = weight / total if total > 0 else np.full(weight.shape, 1.0 / weight.size)

    def follow(self, added: FloatArray) -> FloatArray:
        """Mean pressure at the work [MPa], peak handle and roller force [N] and largest squeeze [mm], (4, n), for each added thickness [mm]."""
        count = self.widths.shape[0]
        again = np.tile(np.arange(count), added.size)
        rows = balance(self.columns.rows(again), self.press, self.y, self.widths[again], added=np.repeat(added, count))
        pressure = (rows.pressure.reshape(added.size, count, -1) * self.weight).sum(axis=(1, 2))
        handle = handle_of(rows, self.press, self.working_width[again], self.blade)
        squeezed = np.maximum(rows.compression.max(axis=1), 0.0)
        return np.stack([pressure, *(values.reshape(added.size, count).max(axis=1) for values in (handle, rows.force, squeezed))])


def together(columns: Columns, work: BoolArray, width: float) -> tuple[Columns, FloatArray, IndexArray | None]:
    """Equal piles of each row taken together: the columns, the width of each (rows, classes) [mm], and which old column stands for each.

    Rows that are not their own mirror image stay as they are, and the last part is None then.
    """
    parts = (columns.free[..., None], columns.linear[..., None], columns.elastomer_presence, columns.yielding_presence, work[..., None])
    piles = np.concatenate([np.asarray(part, dtype=np.float64) for part in parts], axis=-1)
    if not np.array_equal(piles, piles[:, ::-1]):
        return columns, np.full(columns.free.shape, width), None
    starts = np.ones(piles.shape[:2], dtype=np.bool_)
    starts[:, 1:] = (piles[:, 1:] != piles[:, :-1]).any(axis=-1)
    half = piles.shape[1] // 2 + piles.shape[1] % 2
    classes = int(starts[:, :half].sum(axis=1).max())
    taken = np.zeros((piles.shape[0], classes), dtype=np.intp)
    widths = np.zeros((piles.shape[0], classes))
    for r, row in enumerate(starts):
        first = np.flatnonzero(row[:half])
        run = np.diff(np.append(first, half)) * 2.0
        run[-1] -= piles.shape[1] % 2
        taken[r, : first.size], widths[r, : first.size] = first, run * width
    taken_3d = taken[..., None]
    merged = Columns(
        np.take_along_axis(columns.free, taken, axis=1),
        np.take_along_axis(columns.linear, taken, axis=1),
        columns.elastomers,
        np.take_along_axis(columns.elastomer_presence, taken_3d, axis=1),
        columns.yielding,
        np.take_along_axis(columns.yielding_presence, taken_3d, axis=1),
    )
    return merged, widths, taken


def refusal(added: FloatArray, handle: FloatArray, most: float, bite: float) -> float:
    """Added thickness at which the press first refuses: by the bite or by the drive [mm]."""
    if handle[-1] <= most:
        return bite
    index = int(np.argmax(handle > most))
    if index == 0:
        return min(bite, float(added[0]))
    low, high = handle[index - 1], handle[index]
    return min(bite, float(added[index - 1] + (most - low) / (high - low) * (added[index] - added[index - 1])))
