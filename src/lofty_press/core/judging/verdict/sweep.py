"""Pressure and handle force if the pile were thinner or thicker: the curve on which verdict, margin and certainty stand."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.basics.trade import STOCK_SCATTER
from lofty_press.core.mechanics.layered import PEAK_ABOVE, PEAK_BELOW
from lofty_press.core.mechanics.nip import Nip, balance, bite_limit, felt, steady_of
from lofty_press.core.sandwich.stack import FloatArray, Press

MOST_ROWS, MOST_WITH_BLADES = 3, 5  # blades that crowd here and there make more of a difference
COARSE = 18
FINE = 3
STRIDE = 2  # strips of which one stands for all, to see how pressure changes with thickness
MOST_OFF = 2.0  # factor by which a few rows may stand off from all of them
ONSET = np.array([0.0, 0.005, 0.01, 0.02, 0.035, 0.05, 0.07])  # mm of closing; pressure sets in steeply
STEP = 0.02  # mm; over twice this the slope is taken


@dataclass(frozen=True)
class Sweep:
    """Curves over `added` thickness (points,) [mm]: mean `pressure` at the work [MPa], by what share that may be `off_by` [1], peak `handle` and roller `force` [N],
    how far the pile is `squeezed` [mm], peak pressure under the upper and lower roller, `above` and `below` [MPa]; `now` is the mean pressure of the sandwich as it is,
    and `refuses_at` the added thickness from which it does not feed [mm]."""

    added: FloatArray
    pressure: FloatArray
    off_by: FloatArray
    handle: FloatArray
    force: FloatArray
    squeezed: FloatArray
    above: FloatArray
    below: FloatArray
    now: float
    refuses_at: float

    def added_for(self, pressure: float) -> float:
        """Added thickness at which the work sees a pressure [mm]; infinite where the sweep does not get there."""
        return float(self.added_for_each(np.array([pressure]))[0])

    def added_for_each(self, pressures: FloatArray) -> FloatArray:
        """The same for some pressures (n,)."""
        # below contact the curve is flat at zero: take its last flat point, where the rollers begin to touch
        first = max(int(np.searchsorted(self.pressure, 1e-12, side="right")) - 1, 0)
        return np.asarray(np.interp(pressures, self.pressure[first:], self.added[first:], right=np.inf))

    def pressure_spread(self, pressure: FloatArray | float, steep: float = 1.0, depth: float = 0.0) -> FloatArray:
        """Standard deviation of some pressures (n,) against what the sheet needs there: of the stock's strength, which counts `steep` times, of the pressure itself, whose error is
        taken as twice it, and of the relief's `depth`; as of `Need`. [1]"""
        off_by = np.interp(pressure, self.pressure, self.off_by)
        return np.sqrt((steep * STOCK_SCATTER.value) ** 2 + (0.5 * off_by) ** 2 + depth**2)

    def added_under(self, above: float, below: float) -> float:
        """Added thickness at which a roller first presses harder than these [mm]; infinite where none does. [MPa]"""
        over = np.maximum(self.above / above, self.below / below)
        if not over[-1] > 1.0:
            return float("inf")
        return float(np.interp(1.0, np.maximum.accumulate(over), self.added))


def sweep(nip: Nip, press: Press, targets: tuple[float, ...]) -> Sweep:
    """Follow the work's pressure over all thicknesses from just touching to past the bite.

    A coarse pass finds between which points each of the `targets` (pressures [MPa]) and the drive's limit lie, a second one
    fills those gaps. Uses a few representative cross-sections, those at even shares of the work, and is set right by what all of them show as
    the sandwich is.
    """
    limit = bite_limit(press.roller_radius_mm, press.friction)
    over = float(nip.field.columns.free.max(initial=0.0) - press.opening.mm)
    rows = Representative(nip, press)
    coarse = np.unique(np.concatenate([np.linspace(-0.05, limit * 1.15, COARSE) - over, ONSET - over, [-STEP, 0.0, STEP]]))
    curves = rows.follow(coarse)
    scale = 1.0
    here = float(np.interp(0.0, coarse, curves[0]))
    if here > 0 and nip.at_work > 0:
        scale = float(np.clip(nip.at_work / here, 1.0 / MOST_OFF, MOST_OFF))
    gaps = {int(np.searchsorted(curves[0], t / scale)) for t in targets} | {int(np.searchsorted(curves[1], press.drive.limit_n))}
    inside = [np.linspace(coarse[g - 1], coarse[g], FINE + 2)[1:-1] for g in sorted(gaps) if 0 < g < coarse.size]
    if inside:
        fine = np.concatenate(inside)
        curves = np.concatenate([curves, rows.follow(fine)], axis=1)
        order = np.argsort(grid := np.concatenate([coarse, fine]))
        coarse, curves = grid[order], curves[:, order]
    pressure, handle, force, squeezed, above, below = curves
    pressure = np.maximum.accumulate(pressure) * scale
    now = float(np.interp(0.0, coarse, pressure))
    refuses_at = refusal(coarse, handle, press.drive.limit_n, limit - over)
    return Sweep(coarse, pressure, nip.off_by_at(pressure), handle, force, squeezed, above, below, now, refuses_at)


class Representative:
    """A few cross-sections that stand for the whole sandwich while its thickness is varied."""

    def __init__(self, nip: Nip, press: Press) -> None:
        field = nip.field
        weight = nip.weight
        along = weight.sum(axis=1)
        if along.any():
            reached = (np.cumsum(along) - 0.5 * along) / along.sum()
            most = MOST_ROWS if field.density is None else MOST_WITH_BLADES
            chosen = np.unique([int(np.argmin(abs(reached - (n + 0.5) / most))) for n in range(most)])
        else:
            chosen = np.array([int(np.argmax(field.columns.free.max(axis=1)[field.row_of]))])
        _, first, again = np.unique(field.row_of[chosen], return_index=True, return_inverse=True)
        often = np.bincount(again)[:, None] / chosen.size  # equal cross-sections are followed once
        chosen = chosen[first]
        rows = field.row_of[chosen]
        self.columns, self.press = field.columns.rows(rows).strips(STRIDE), press
        self.y, self.width = field.y[::STRIDE] + 0.5 * (STRIDE - 1) * field.width, STRIDE * field.width
        steady = float(nip.turning.steady.max(initial=0.0))
        self.climbs = nip.peak_handle / steady if steady > 0 else 1.0  # edges come in alike in a pile that is a little thicker
        share = weight[chosen][:, ::STRIDE]
        if not share.any(axis=1).all():
            share = (self.columns.free >= self.columns.free.max(axis=1, keepdims=True) - 1e-9).astype(np.float64)
        self.weight, self.home = often * share / share.sum(axis=1, keepdims=True), nip.field.home
        self.crowding = nip.crowding[chosen][:, ::STRIDE]

    def follow(self, added: FloatArray) -> FloatArray:
        """Mean pressure at the work [MPa], peak handle and roller force [N], largest squeeze [mm], peaks under the rollers [MPa], (6, n), for each
        added thickness [mm]."""
        count = self.weight.shape[0]
        again = np.repeat(np.arange(count), added.size)
        rows = balance(self.columns.rows(again), self.press, self.y, self.width, added=np.tile(added, count))
        bears = felt(rows.pressure.reshape(count, added.size, -1), self.crowding[:, None, :], self.home)
        pressure = (bears * self.weight[:, None, :]).sum(axis=(0, 2))
        squeezed = np.maximum(rows.compression.max(axis=1), 0.0)
        peaks = (rows.channel(which).max(axis=1) for which in (PEAK_ABOVE, PEAK_BELOW))
        others = (steady_of(rows, self.press) * self.climbs, rows.force, squeezed, *peaks)
        return np.stack([pressure, *(values.reshape(count, added.size).max(axis=0) for values in others)])


def refusal(added: FloatArray, handle: FloatArray, most: float, bite: float) -> float:
    """Added thickness at which the press first refuses: by the bite or by the drive [mm]."""
    if handle[-1] <= most:
        return bite
    index = int(np.argmax(handle > most))
    if index == 0:
        return min(bite, float(added[0]))
    low, high = handle[index - 1], handle[index]
    return min(bite, float(added[index - 1] + (most - low) / (high - low) * (added[index] - added[index - 1])))
