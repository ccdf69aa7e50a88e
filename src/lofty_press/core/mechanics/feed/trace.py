"""The load along the crank: what the rollers press, what turning takes, and how the pile's edges are taken."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.feed.grip import grip_of
from lofty_press.core.mechanics.nip import Nip, Turning
from lofty_press.core.sandwich.stack import FloatArray, Press


@dataclass(frozen=True)
class FeedTrace:
    """One run through the rollers: the Bench's own nip, seen along the crank.

    Parameters
    ----------
    nip : Nip
        Its states under the rollers' line, and what turning takes.
    tilt : ndarray, shape (nx,)
        Of the rollers, at each crank position. [mm/mm]
    grip : ndarray, shape (nx,)
        Push that a step needs over what the rollers draw; from 1 on it does not bite by itself. [1]
    """

    nip: Nip
    tilt: FloatArray
    grip: FloatArray

    @property
    def turning(self) -> Turning:
        """What turning takes along the crank."""
        return self.nip.turning

    @property
    def x(self) -> FloatArray:
        """Crank positions (nx,): what lies under the rollers' line, from the middle of the bed. [mm]"""
        return self.turning.x

    @property
    def force(self) -> FloatArray:
        """Between the rollers (nx,). [N]"""
        return self.turning.force

    @property
    def handle(self) -> FloatArray:
        """At the handle (nx,). [N]"""
        return self.turning.handle

    @property
    def peak(self) -> float:
        """Highest force between the rollers. [N]"""
        return float(self.force.max(initial=0.0))

    @property
    def total(self) -> float:
        """Force summed over the pass. [N mm]"""
        return float(self.force.sum() * (self.x[1] - self.x[0]))

    @property
    def load_gradient(self) -> float:
        """Steepest rise of the force over the length of the contact. [N/mm]"""
        step = float(self.x[1] - self.x[0])
        over = max(round(2 * self.turning.half_contact / step), 1)
        padded = np.concatenate([np.zeros(over), self.force])
        return float((padded[over:] - padded[:-over]).max(initial=0.0) / (over * step))


def feed_trace(nip: Nip, press: Press) -> FeedTrace:
    """The Bench's own nip, seen along the crank."""
    beyond = nip.turning.inside.start
    return FeedTrace(nip, tilt=np.pad(nip.tilt, beyond), grip=np.pad(grip_of(nip, press), beyond))
