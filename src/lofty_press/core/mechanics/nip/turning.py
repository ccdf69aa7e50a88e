"""What turning the rollers takes along the crank: against what is lost, and to close the nip on more of the pile."""

from dataclasses import dataclass, replace

import numpy as np
from scipy.ndimage import convolve1d

from lofty_press.core.mechanics.nip.balance import Balance
from lofty_press.core.mechanics.nip.columns import Field
from lofty_press.core.mechanics.nip.strip import half_width
from lofty_press.core.sandwich.stack import FloatArray, Press

FAINT = 0.05  # of the highest force, under which losses are taken at their usual proportion


@dataclass(frozen=True, eq=False)
class Turning:
    """Along crank positions `x` (nx,) [mm], from a little before the first layer to a little behind the last, of which the field's own are in
    `inside`: `force` between the rollers, and at the handle `steady` against losses and `climb` to press the pile into the nip where more of it
    comes in [N]. `half_contact` is half the length over which the rollers close on the pile [mm], `stored` the most that press and pile hold [N mm], and
    `pull` the force at the handle for each N between the rollers' faces along the feed [1]."""

    x: FloatArray
    inside: slice
    force: FloatArray
    steady: FloatArray
    climb: FloatArray
    half_contact: float
    stored: float
    pull: float

    @property
    def handle(self) -> FloatArray:
        """Force at the handle. [N]"""
        return self.steady + self.climb

    def under(self, force: FloatArray) -> "Turning":
        """The same pile under a force between the rollers that is known better (positions of `inside`,) [N].

        Notes
        -----
        Losses go with the force, at each place in the proportion in which they stood there; what press and pile store goes with its square, as
        in springs.
        """
        known = np.zeros(self.x.size)
        known[self.inside] = force
        most = float(self.force.max(initial=0.0))
        if most <= 0.0:
            return replace(self, force=known)
        usual = float(self.steady.sum() / self.force.sum())
        loss = np.where(self.force > FAINT * most, self.steady / np.maximum(self.force, FAINT * most), usual)
        rise = np.gradient(self.stored * (known / most) ** 2, float(self.x[1] - self.x[0]))
        return replace(self, force=known, steady=known * loss, climb=np.maximum(rise, 0.0) * self.pull)


def steady_of(rows: Balance, press: Press) -> FloatArray:
    """Force at the handle for each balanced row against what is lost (rows,). [N]"""
    return np.asarray(rows.torque(press) / lever_of(press))


def lever_of(press: Press) -> float:
    """Torque on the rollers over force at the handle. [mm]"""
    return press.drive.gear_ratio * press.drive.handle_radius_mm


def turning_of(field: Field, rows: Balance, press: Press) -> Turning:
    """Follow the rollers over the whole bed.

    Notes
    -----
    Turning has to make up for losses, and store energy wherever more comes into the nip: dE/ds for every mm of feed, which acts at the rollers'
    radius, with E what press and piles hold (`Balance.stored`), taken together over the length from where a corner first meets the rollers,
    sqrt(R d). Where energy comes out again the handle is pushed, not pulled: shown as 0.
    """
    at = field.row_of
    half_contact = half_width(press.roller_radius_mm, float(np.maximum(rows.compression, 0.0).max(initial=0.0)))
    weights = parabola(half_contact, field.step)
    beyond = weights.size // 2 + 2  # the nip reaches what comes before its line is there
    x = field.x[0] + np.arange(-beyond, field.x.size + beyond) * field.step
    inside = slice(beyond, beyond + field.x.size)
    stored = rows.stored()
    force, steady, held = np.zeros((3, x.size))
    force[inside], steady[inside], held[inside] = rows.force[at], steady_of(rows, press)[at], stored[at]
    rise = np.gradient(convolve1d(held, weights, mode="constant"), field.step)
    return Turning(
        x=x,
        inside=inside,
        force=force,
        steady=steady,
        climb=np.maximum(rise, 0.0) * press.roller_radius_mm / lever_of(press),
        half_contact=half_contact,
        stored=float(stored.max(initial=0.0)),
        pull=press.roller_radius_mm / lever_of(press),
    )


def parabola(half_contact: float, step: float) -> FloatArray:
    """How the nip closes along the feed, as weights that sum to 1."""
    cells = max(int(half_contact / step), 0)
    places = np.arange(-cells, cells + 1) * step
    weights = np.maximum(1.0 - (places / max(half_contact, step)) ** 2, 0.0)
    return np.asarray(weights / weights.sum())
