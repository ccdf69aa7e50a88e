"""Basis weight, as paper is sold by the ream, and grammage."""

from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say

Grade = Literal["cover", "bristol", "index", "text", "bond", "watercolour"]

GRAMS_PER_POUND = 453.59237
SQUARE_METRES_PER_SQUARE_INCH = 0.0254**2
SHEETS_PER_REAM = 500
BASIC_SIZE: dict[Grade, tuple[float, float]] = {
    "cover": (20, 26),
    "bristol": (22.5, 28.5),
    "index": (25.5, 30.5),
    "text": (25, 38),
    "bond": (17, 22),
    "watercolour": (22, 30),
}


def grammage_per_pound(grade: Grade) -> float:
    """Grammage of one pound of basis weight in a grade [g/m2 per lb].

    Raises
    ------
    InvalidInput
        If the grade is none of these.
    """
    if grade not in BASIC_SIZE:
        raise InvalidInput("grade", grade, say("must be one of {choices}", choices=", ".join(BASIC_SIZE)))
    width, height = BASIC_SIZE[grade]
    return GRAMS_PER_POUND / (SHEETS_PER_REAM * width * height * SQUARE_METRES_PER_SQUARE_INCH)


def grammage(pounds: float, grade: Grade) -> float:
    """Mass per area of a sheet from its basis weight.

    Parameters
    ----------
    pounds : float
        Weight of a ream of 500 sheets in the grade's basic size, > 0. [lb]
    grade : Grade
        Which basic size applies.

    Returns
    -------
    float
        Mass per area. [g/m2]

    Raises
    ------
    InvalidInput
        If the weight is not positive or the grade unknown.

    References
    ----------
    Basic sizes of the United States paper trade; the definition itself, so nothing is fitted. That of watercolour paper from memory.

    Examples
    --------
    >>> round(grammage(80, "cover"))
    216
    """
    if not pounds > 0:
        raise InvalidInput("pounds", pounds, say("must be over 0 lb"))
    return pounds * grammage_per_pound(grade)


def basis_weight(grams: float, grade: Grade) -> float:
    """Basis weight [lb] of a sheet of the given grammage [g/m2] in a grade; inverse of `grammage`."""
    if not grams > 0:
        raise InvalidInput("grams", grams, say("must be over 0 g/m2"))
    return grams / grammage_per_pound(grade)


def caliper(grams: float, bulk: float) -> float:
    """Thickness of a sheet from its grammage and its bulk.

    Parameters
    ----------
    grams : float
        Mass per area, > 0. [g/m2]
    bulk : float
        Specific volume, > 0; about 1.2 to 1.4 for uncoated card. [cm3/g]

    Returns
    -------
    float
        Thickness. [mm]

    Examples
    --------
    >>> round(caliper(216, 1.3), 2)
    0.28
    """
    if not grams > 0 or not bulk > 0:
        raise InvalidInput("bulk", bulk, say("grammage and bulk must be over 0"))
    return grams * bulk / 1000.0
