"""How a camera turns light into pixel values: near the standard of displays, bent by what each maker does to contrast."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.imaging.photo import GAMMA
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

KNOTS = (0.02, 0.12, 0.25, 0.4, 0.6, 0.8)  # pixel values at which the curve may leave the standard; at 1 it doesn't
MOST_STANDS = len(KNOTS)
CURVE, POWER, BRIGHT = (
    0.4,
    0.005,
    2,
)  # what the logarithm of light usually is off by at a knot, by contrast that cameras add; by how much the power of its bright part, from so many knots on, varies
DARKEST, CLIPPED = 0.015, 0.975  # pixel values beyond which a place says nothing


@dataclass(frozen=True)
class Response:
    """How far the logarithm of light is from the standard at each of `KNOTS`. [1]"""

    stands: tuple[float, ...] = (0.0,) * MOST_STANDS

    @staticmethod
    def known(values: FloatArray) -> BoolArray:
        """Where values are neither black nor clipped."""
        return np.asarray((values > DARKEST) & (values < CLIPPED))

    def unusual(self) -> FloatArray:
        """How far it is from what cameras do, over their spread: at each knot, and in the power of the whole, which paper lit by a torch says nothing of."""
        bend = np.array([*self.stands, 0.0])
        logs = np.log(np.array(KNOTS[BRIGHT:]))
        power = float(logs @ bend[BRIGHT:-1] / (logs @ logs))
        return np.array([*(bend[:-1] / CURVE), power / POWER])

    @cached_property
    def table(self) -> FloatArray:
        """Logarithm of light of 1024 values from 0 to 1."""
        value = np.linspace(0.0, 1.0, 1024)
        bend = np.interp(value, (*KNOTS, 1.0), (*self.stands, 0.0))
        return np.asarray(GAMMA * np.log(np.maximum(value, 1e-4)) + bend)

    def log_light(self, values: FloatArray) -> FloatArray:
        """Logarithm of the light of values from 0 to 1."""
        return np.asarray(np.interp(values, np.linspace(0.0, 1.0, 1024), self.table))

    def answers(self, values: FloatArray) -> FloatArray:
        """By how much a value grows when the logarithm of light does by 1."""
        rises = np.maximum(np.gradient(self.table, 1.0 / 1023), 0.5)
        return np.asarray(1.0 / np.interp(values, np.linspace(0.0, 1.0, 1024), rises))

    def light(self, values: FloatArray) -> FloatArray:
        """Light of values from 0 to 1. [1 for white]"""
        return np.asarray(np.exp(self.log_light(values)))
