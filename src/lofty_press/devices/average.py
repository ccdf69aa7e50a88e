"""Several readings of one thing: their middle, their scatter, and slips left out."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

TO_SD = 1.4826  # standard deviation over the median distance from the median, of a normal distribution
FAR = 4.0  # standard deviations from the median, from which a reading is a slip
FINEST = 0.01  # mm; two readings of one thing differ by about that with a workshop gauge, whoever takes them
ROUNDING = 1e-9  # mm
ENOUGH = 3  # readings, from which one of them can be told to be a slip


@dataclass(frozen=True)
class Average:
    """Mean of `count` readings and its standard deviation [mm]; `slips` more were left out."""

    mm: float
    sd_mm: float
    count: int
    slips: int


def average(readings: Sequence[float]) -> Average | None:
    """Average readings of one thing [mm]; None of none.

    Notes
    -----
    A reading further from the median than four standard deviations is a slip, the standard deviation being taken from the median distance to it
    (Hampel's identifier, from memory) and at least what a gauge scatters anyway. The mean of n readings is known to s / n^(1/2), and no better than half of
    that scatter: what is wrong with all of them stays.
    """
    if not readings:
        return None
    found = np.asarray(readings, dtype=np.float64)
    away = np.abs(found - np.median(found))
    scatter = max(TO_SD * float(np.median(away)), FINEST)
    kept = found[away <= FAR * scatter + ROUNDING] if found.size >= ENOUGH else found
    spread = max(float(kept.std(ddof=1)) if kept.size > 1 else FINEST, FINEST)
    return Average(float(kept.mean()), max(spread / kept.size**0.5, 0.5 * FINEST), int(kept.size), int(found.size - kept.size))
