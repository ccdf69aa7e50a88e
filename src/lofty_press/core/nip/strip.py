"""Closed forms of one strip between two rollers."""

import math

from lofty_press.core.errors import InvalidInput


def half_width(radius: float, compression: float) -> float:
    """Half of the contact length along the feed [mm] for two rollers of `radius` [mm] closing by `compression` [mm].

    Notes
    -----
    Each roller's profile is x^2 / 2R, so both together open by x^2 / R and touch out to a = sqrt(R d).

    References
    ----------
    K. L. Johnson, Contact Mechanics, 1985, section 4.3 (elastic foundation).
    """
    return math.sqrt(radius * max(compression, 0.0))


def line_load(radius: float, compression: float, compliance: float) -> float:
    """Force per width of a strip on a linear foundation.

    Parameters
    ----------
    radius : float
        Radius of each roller, > 0. [mm]
    compression : float
        Closing of the strip in the middle of the nip; nothing touches below 0. [mm]
    compliance : float
        Compression per pressure of the whole pile, > 0. [mm/MPa]

    Returns
    -------
    float
        (4/3) a p0 with p0 = d / c. [N/mm]

    Raises
    ------
    InvalidInput
        If the compliance is not positive.

    Examples
    --------
    >>> round(line_load(16.0, 0.04, 0.006), 2)
    7.11
    """
    if not compliance > 0:
        raise InvalidInput("compliance", compliance, "must be over 0 mm/MPa")
    depth = max(compression, 0.0)
    return 4.0 / 3.0 * half_width(radius, depth) * depth / compliance


def bite_limit(radius: float, friction: float) -> float:
    """Largest step [mm] that the rollers draw in by themselves: mu^2 R (rolling bite condition, both rollers)."""
    return friction**2 * radius
