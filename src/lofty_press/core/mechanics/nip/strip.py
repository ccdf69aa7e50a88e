"""Closed forms of one strip between two rollers."""

import math


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


def bite_limit(radius: float, friction: float) -> float:
    """Largest step [mm] that the rollers draw in by themselves: mu^2 R (rolling bite condition, both rollers)."""
    return friction**2 * radius
