"""The nip of a whole sandwich: pressure map, load along the crank, what the drive has to give."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.mechanics.layered import PEAK_ABOVE, PEAK_BELOW
from lofty_press.core.mechanics.nip.balance import Balance, balance
from lofty_press.core.mechanics.nip.blades import between_cells
from lofty_press.core.mechanics.nip.columns import FAINTEST, Field
from lofty_press.core.mechanics.nip.grading import spread_by_bending
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.mechanics.nip.turning import Turning, turning_of
from lofty_press.core.sandwich.stack import FloatArray, Press

# by what share each nip may be off, measured over the demo world; tests hold it
QUICK_FORCE = 0.10  # the quick one's force
QUICK_EVEN, QUICK_DEEP = 0.10, 0.25  # its mean at the work, and that in a deep relief
QUICK_BLADES = 0.30  # that under blades with something hard behind them
# and with a mat behind them, at so many times the pressure that drives them home: it is too high by this (its cause isn't known)
HOME_TIMES, QUICK_MAT = (1.0, 1.5, 2.0, 2.5, 5.0, 6.5, 10.0), (0.32, 0.55, 0.60, 0.78, 0.78, 0.52, 0.40)
DEEP = 0.5  # mm that a folder stands open; plates then bend around its sides and ends, which a cross-section does not see
FULL = 0.03  # the full one's mean at the work: half its cells change it by less
LEAST = 1e-3  # of a cell that works; a place has some of it, or nothing presses there
BLADED = 0.15  # of the mean blade per area, from which a place counts as cut


@dataclass(frozen=True, eq=False)
class Exact:
    """What the full nip says: `intensity` (nx, ny) as `Nip.intensity` [MPa], the same `along_blades` (n,) at the places of the field's blades (None
    without a die), and the rollers' `force` (nx,) [N]."""

    intensity: FloatArray
    along_blades: FloatArray | None
    force: FloatArray


@dataclass(frozen=True, eq=False)
class Nip:
    """State of the nip over one run.

    `pressure` (nx, ny) is the highest pressure each point sees [MPa]; `force`, `handle`, `give`, `tilt` (nx,) follow the crank [N,
    N, mm, mm/mm]. `interference` is the largest thickness over the opening, every interface closed [mm]. Where the full computation of the same
    sandwich is at hand, `exact` is what it says, and pressure and force are its.
    """

    field: Field
    rows: Balance
    pressure: FloatArray
    turning: Turning
    force: FloatArray
    handle: FloatArray
    give: FloatArray
    tilt: FloatArray
    interference: float
    bites_up_to: float
    exact: Exact | None = None

    @property
    def contact(self) -> float:
        """Half of the longest contact with a roller. [mm]"""
        return float(self.rows.half_width.max(initial=0.0))

    @property
    def squeezed(self) -> float:
        """How far the pile is closed where it is closed most. [mm]"""
        return float(np.maximum(self.rows.compression, 0.0).max(initial=0.0))

    @property
    def under_rollers(self) -> tuple[float, float]:
        """Highest pressure under the upper and the lower roller. [MPa]"""
        above, below = (float(self.rows.channel(which).max(initial=0.0)) for which in (PEAK_ABOVE, PEAK_BELOW))
        return above, below

    @property
    def off_by(self) -> float:
        """By what share the mean at the work may be off. [1]"""
        return float(self.off_by_at(np.array(self.at_work)))

    def off_by_at(self, mean: FloatArray) -> FloatArray:
        """The same where the rollers, set nearer or wider, give another mean at the work [MPa]. [1]"""
        if self.exact is not None:
            return np.full(mean.shape, FULL)
        if self.field.density is None:
            return np.full(mean.shape, QUICK_DEEP if self.field.opens > DEEP else QUICK_EVEN)
        if self.field.on_mat:
            return np.asarray(np.interp(mean / self.field.home, HOME_TIMES, QUICK_MAT))
        return np.full(mean.shape, QUICK_BLADES)

    @property
    def force_off_by(self) -> float:
        """By what share the rollers' force may be off. [1]"""
        return QUICK_FORCE if self.exact is None else FULL

    @cached_property
    def crowding(self) -> FloatArray:
        """How much more blade than its die's mean the nip meets at each place (nx, ny), 1 without one. [1]"""
        field = self.field
        if field.density is None or field.mean_density is None:
            return np.ones(self.pressure.shape)
        return np.maximum(field.density / field.mean_density, FAINTEST)

    @cached_property
    def weight(self) -> FloatArray:
        """How much of the work lies at each place (nx, ny): area, or where a die cuts its blade. [1]"""
        work = self.field.work[self.field.row_of].astype(np.float64)
        if self.field.density is None or self.field.mean_density is None:
            return work
        return np.where(self.crowding >= BLADED, work * self.crowding, 0.0)

    @cached_property
    def intensity(self) -> FloatArray:
        """What each place of the work feels (nx, ny): the pressure, or where a die cuts the load on its blade times its mean density. [MPa]"""
        return felt(self.pressure, self.crowding, self.field.home) if self.exact is None else self.exact.intensity

    @cached_property
    def along_blades(self) -> FloatArray:
        """Pressure along the blades of the field (n,), as of a die with its mean blade everywhere; none beyond the sheet. [MPa]"""
        field, exact = self.field, self.exact
        if field.blades is None or field.density is None:
            return np.zeros(0)
        if exact is not None and exact.along_blades is not None:
            return exact.along_blades
        works = field.work[field.row_of].astype(np.float64)
        pressed, there = between_cells(field.cells_of_blades, self.intensity * works, works)
        return np.where(field.blades.meets, pressed / np.maximum(there, LEAST), 0.0)

    @cached_property
    def at_work(self) -> float:
        """The mean of that over the work. [MPa]"""
        total = float(self.weight.sum())
        return float((self.intensity * self.weight).sum() / total) if total > 0 else 0.0

    @property
    def peak_force(self) -> float:
        return float(self.force.max(initial=0.0))

    @property
    def peak_handle(self) -> float:
        return float(self.turning.handle.max(initial=0.0))

    @property
    def bites(self) -> bool:
        return self.interference <= self.bites_up_to


def felt(pressure: FloatArray, crowding: FloatArray, home: FloatArray | float) -> FloatArray:
    """What a die's mean blade would bear under some pressures (nx, ny) [MPa] where blades crowd by so much (nx, ny) [1]; once a blade is `home` [MPa], which is
    of the mean, the die's body bears the rest everywhere alike."""
    blades = np.minimum(pressure, home * crowding)
    return np.asarray(blades / crowding + (pressure - blades))


def carried(intensity: FloatArray, crowding: FloatArray, home: float) -> FloatArray:
    """The pressure under which a mean blade bears so much: the way back from `felt`. [MPa]"""
    return np.asarray(np.where(intensity <= home, intensity * crowding, intensity + home * (crowding - 1.0) if home < np.inf else 0.0))


def solve_nip(field: Field, press: Press) -> Nip:
    """Balance every position along the crank."""
    rows = balance(field.columns, press, field.y, field.width)
    at = field.row_of
    turning = turning_of(field, rows, press)
    return Nip(
        field=field,
        rows=rows,
        pressure=spread_by_bending(rows.pressure[at], field.fade, (field.step, field.width)),
        turning=turning,
        force=rows.force[at],
        handle=turning.handle[turning.inside],
        give=rows.give[at],
        tilt=rows.tilt[at],
        interference=float(field.columns.shut.max(initial=0.0) - press.opening.mm),
        bites_up_to=bite_limit(press.roller_radius_mm, press.friction),
    )
