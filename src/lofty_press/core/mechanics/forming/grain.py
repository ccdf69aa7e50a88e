"""Which way a relief stretches a sheet: along its grain, where card is weak, or across it."""

import math

import numpy as np
from scipy.ndimage import uniform_filter

from lofty_press.core.sandwich.stack import FloatArray

GRAINS = (0.0, 45.0, 90.0, 135.0)  # degrees between tool and grain that are told apart
WEAKER = 1.3  # how much more a stretch along the grain counts here than one across it: about that of card
TOP_SHARE = 99.8  # percentile that stands for the worst: one cell of the grid alone is no finding


def counted(strain: FloatArray, along: FloatArray) -> FloatArray:
    """A stretch with the part of it that lies along the grain counted more. [1]"""
    return np.asarray(strain + WEAKER * along)


def worst(field: FloatArray) -> float:
    """The worst of a field over more than a point."""
    return float(np.percentile(field, TOP_SHARE))


def slopes_stretch(profile: FloatArray, spacing: float, over: float) -> FloatArray:
    """What following a relief closely would stretch a sheet at worst: without a grain, and counted with a grain at each of `GRAINS`
    (1 + GRAINS,). [1]

    Read off the slopes of the relief itself, evened out `over` a length [mm]: no sheet is pressed.
    """
    x, y = (np.asarray(slope, dtype=np.float64) for slope in np.gradient(profile, spacing))
    size = max(round(over / spacing), 1)

    def evened(field: FloatArray) -> FloatArray:
        return np.asarray(uniform_filter(0.5 * field, size, mode="constant"))

    strain = evened(x**2 + y**2)
    along = (evened((math.cos(turn) * x + math.sin(turn) * y) ** 2) for turn in map(math.radians, GRAINS))
    return np.array([worst(strain), *(worst(counted(strain, part)) for part in along)])
