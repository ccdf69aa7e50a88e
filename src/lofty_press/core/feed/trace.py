"""The load along the crank: what the rollers press, what turning takes, and how the pile's edges are taken."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.feed.grip import grip_of
from lofty_press.core.nip import Nip
from lofty_press.core.stack import FloatArray, Press


@dataclass(frozen=True)
class FeedTrace:
    """One run through the rollers.

    Parameters
    ----------
    nip : Nip
        Its states under the rollers' line.
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
    reach : float
        Half the length over which the rollers close on the pile. [mm]
    """

    nip: Nip
    x: FloatArray
    force: FloatArray
    steady: FloatArray
    climb: FloatArray
    tilt: FloatArray
    grip: FloatArray
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


def feed_trace(nip: Nip, press: Press) -> FeedTrace:
    """The Bench's own nip, seen along the crank."""
    turning = nip.turning
    beyond = turning.inside.start
    return FeedTrace(
        nip=nip,
        x=turning.x,
        force=turning.force,
        steady=turning.steady,
        climb=turning.climb,
        tilt=np.pad(nip.tilt, beyond),
        grip=np.pad(grip_of(nip, press), beyond),
        reach=turning.reach,
    )
