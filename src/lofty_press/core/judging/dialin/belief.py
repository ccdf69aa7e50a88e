"""What is believed of a press room: a joint normal distribution over everything about it that nobody knows."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.sandwich.stack import FloatArray

Weights = Mapping[str, float]
"""How much of each unknown, by its key, goes into a quantity."""


SIZES = ("opening:", "thing:", "kind:")
"""How the keys of unknowns begin that are thicknesses."""


@dataclass(frozen=True, eq=False)
class Belief:
    """Means (n,) and covariances (n, n) of the unknowns `keys`, each as a departure from the figure that stands on the shelf: thicknesses and
    openings in mm, all else as the logarithm of a factor."""

    keys: tuple[str, ...]
    mean: FloatArray
    cov: FloatArray

    @cached_property
    def index(self) -> dict[str, int]:
        return {key: n for n, key in enumerate(self.keys)}

    def row(self, weights: Weights) -> FloatArray:
        """Weights of all unknowns (n,); what nothing is believed of counts nothing."""
        found = np.zeros(len(self.keys))
        for key, weight in weights.items():
            if key in self.index:
                found[self.index[key]] += weight
        return found

    def of(self, weights: Weights) -> tuple[float, float]:
        """Mean and standard deviation of a quantity."""
        row = self.row(weights)
        return float(row @ self.mean), math.sqrt(max(float(row @ self.cov @ row), 0.0))

    def measured(self, weights: Weights, value: float, sd: float) -> "Belief":
        """The same once a quantity was measured, by Kalman's formula."""
        row = self.row(weights)
        through = self.cov @ row
        gain = through / (row @ through + sd**2)
        mean = self.mean + gain * (value - row @ self.mean)
        return Belief(self.keys, mean, self.cov - np.outer(gain, through))

    def from_here(self) -> "Belief":
        """The same of things that carry what is believed of them."""
        return Belief(self.keys, np.zeros_like(self.mean), self.cov)

    def of_sizes(self) -> "Belief":
        """The same where thicknesses and openings are all that is unsure."""
        sizes = np.array([key.startswith(SIZES) for key in self.keys], dtype=np.float64)
        return Belief(self.keys, self.mean, self.cov * np.outer(sizes, sizes))


def independent(sds: Mapping[str, float]) -> Belief:
    """Nothing seen yet: every unknown by itself, at the figure that stands on the shelf."""
    return Belief(tuple(sds), np.zeros(len(sds)), np.diag(np.array([sd**2 for sd in sds.values()], dtype=np.float64)))
