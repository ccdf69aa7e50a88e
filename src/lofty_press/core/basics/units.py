"""Lengths as people write them: millimetres and fractions of an inch."""

import math
from fractions import Fraction

from lofty_press.core.basics.errors import InvalidInput

MM_PER_INCH = 25.4
FINEST = 64


def inch_to_mm(inches: float | Fraction) -> float:
    """Convert inches to millimetres, exactly to rounding.

    Examples
    --------
    >>> inch_to_mm(Fraction(17, 4))
    107.95
    """
    return float(Fraction(inches) * Fraction(254, 10))


def mm_to_inch(length: float) -> float:
    """Convert a length [mm] to inches."""
    return length / MM_PER_INCH


def inch_fraction(length: float, *, finest: int = FINEST) -> Fraction:
    """Nearest fraction of an inch to a length.

    Parameters
    ----------
    length : float
        Finite length. [mm]
    finest : int
        Largest denominator, a power of two. [1]

    Returns
    -------
    Fraction
        Length rounded to 1/`finest` and reduced. [in]

    Raises
    ------
    InvalidInput
        If the length is not finite.

    Examples
    --------
    >>> inch_fraction(107.95)
    Fraction(17, 4)
    """
    if not math.isfinite(length):
        raise InvalidInput("length", length, "must be finite")
    return Fraction(round(Fraction(length) / Fraction(254, 10) * finest), finest)
