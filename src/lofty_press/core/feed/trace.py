"""The load along the crank: what the rollers press, what turning takes, and how the pile's edges are taken."""

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import convolve1d

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.feed.grip import grip_of
from lofty_press.core.feed.resolved import Nearness
from lofty_press.core.nip.balance import Balance, balance
from lofty_press.core.nip.columns import Columns, Field
from lofty_press.core.nip.solve import handle_of
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.shape import FloatArray


@dataclass(frozen=True)
class FeedTrace:
    """One run through the rollers.

    Parameters
    ----------
    x : ndarray, shape (nx,)
        Crank positions: what lies under the rollers' line, from the middle of the bed; from a little before the first layer to a little
        behind the last. [mm]
    force : ndarray, shape (nx,)
        Between the rollers. [N]
    steady, climb : ndarray, shape (nx,)
        At the handle: against losses and cutting, and to press the pile into the nip where more of it comes in. [N]
    tilt : ndarray, shape (nx,)
        Of the rollers. [mm/mm]
    grip : ndarray, shape (nx,)
        Push that a step needs over what the rollers draw; from 1 on it does not bite by itself. [1]
    pressure : ndarray, shape (along, across)
        On the grid of `field`. [MPa]
    reach : float
        Half the length of the contact. [mm]
    """

    field: Field
    x: FloatArray
    force: FloatArray
    steady: FloatArray
    climb: FloatArray
    tilt: FloatArray
    grip: FloatArray
    pressure: FloatArray
    reach: float

    @property
    def handle(self) -> FloatArray:
        """Force at the handle. [N]"""
        return self.steady + self.climb

    @property
    def peak(self) -> float:
        """Highest force between the rollers. [N]"""
        return float(self.force.max(initial=0.0))

    @property
    def total(self) -> float:
        """Force summed over the pass. [N mm]"""
        return float(self.force.sum() * (self.x[1] - self.x[0]))

    @property
    def jerk(self) -> float:
        """Steepest rise of the force over the length of the contact. [N/mm]"""
        step = float(self.x[1] - self.x[0])
        over = max(round(2 * self.reach / step), 1)
        padded = np.concatenate([np.zeros(over), self.force])
        return float((padded[over:] - padded[:-over]).max(initial=0.0) / (over * step))


def feed_trace(field: Field, press: Press, blade: BladeContact | None, near: Nearness) -> FeedTrace:
    """Follow the rollers over the whole bed.

    Notes
    -----
    The same balance of piles and press as the Bench (`nip.balance`), at every position. Turning has to make up for losses, cut, and
    store energy wherever more comes into the nip: dE/ds for every mm of feed, which acts at the rollers' radius. E is the press frame's
    K m^2 / 2 + (K L^2 / 4) theta^2 / 2 and the piles' (8/15) c p0^2 a per width (the parabola's mean square), with c what gives back.
    Where energy comes out again the handle is pushed, not pulled: shown as 0.
    """
    rows = balance(field.columns, press, field.y, field.width)
    at = field.row_of
    step = float(field.x[1] - field.x[0])
    energy = stored(field.columns, rows, press, field.width)[at]
    weights = parabola(near.reach, step)
    beyond = weights.size // 2 + 2  # the nip reaches what comes before its line is there
    x = field.x[0] + (np.arange(-beyond, field.x.size + beyond)) * step
    rise = np.gradient(convolve1d(np.pad(energy, beyond), weights, mode="constant"), step)
    lever = press.drive.gear_ratio * press.drive.handle_radius_mm
    return FeedTrace(
        field=field,
        x=x,
        force=np.pad(rows.force[at], beyond),
        steady=np.pad(handle_of(rows, press, field.work.sum(axis=1) * field.width, blade)[at], beyond),
        climb=np.maximum(rise, 0.0) * press.roller_radius_mm / lever,
        tilt=np.pad(rows.tilt[at], beyond),
        grip=np.pad(grip_of(field, rows, press), beyond),
        pressure=rows.pressure[at],
        reach=near.reach,
    )


def stored(columns: Columns, rows: Balance, press: Press, width: float) -> FloatArray:
    """Energy that frame and piles hold at every row and would give back. [N mm]"""
    depth = np.maximum(rows.compression, 0.0)
    contact = np.sqrt(press.roller_radius_mm * depth)
    giving = columns.linear.copy()
    for k, (thickness, modulus) in enumerate(columns.elastomers):
        confined = 1.0 + 2.0 * press.roller_radius_mm * depth / thickness**2
        giving += columns.elastomer_presence[..., k] * thickness / modulus / confined
    piles = (8.0 / 15.0 * giving * rows.pressure**2 * contact).sum(axis=1) * width
    turning = press.frame_stiffness_n_per_mm * press.bearing_span_mm**2 / 4.0
    return np.asarray(piles + 0.5 * press.frame_stiffness_n_per_mm * rows.give**2 + 0.5 * turning * rows.tilt**2)


def parabola(reach: float, step: float) -> FloatArray:
    """The nip's pressure along the feed as weights that sum to 1."""
    cells = max(int(reach / step), 0)
    places = np.arange(-cells, cells + 1) * step
    weights = np.maximum(1.0 - (places / max(reach, step)) ** 2, 0.0)
    return np.asarray(weights / weights.sum())
