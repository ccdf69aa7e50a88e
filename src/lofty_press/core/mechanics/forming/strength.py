"""What a sheet withstands before it follows a relief, in closed form, and over what length its stretch evens out."""

import numpy as np

FRICTION = 0.3  # card on plastic or rubber under pressure; handbook magnitude, from memory
SHORTEST_DRAW, LONGEST_DRAW = 0.6, 6.0  # mm


def collapse_pressure(yield_stress: float, thickness: float, height: float, span: float) -> float:
    """Pressure that collapses a clamped strip of sheet into a relief: the scale of pressures in forming, and no more than that.

    Parameters
    ----------
    yield_stress : float
        In-plane yield stress of the sheet as it is pressed. [MPa]
    thickness : float
        Thickness of the sheet. [mm]
    height : float
        Height of the relief, >= 0. [mm]
    span : float
        Width over which the sheet goes from ground to height. [mm]

    Returns
    -------
    float
        Pressure. [MPa]

    Notes
    -----
    A clamped strip collapses in bending at 16 M / l^2 with M = sigma t^2 / 4, and carries 8 N h / l^2 as a membrane with sag h and
    N = sigma t: together 4 sigma t (t + 2 h) / l^2. An upper bound: it lets nothing draw in from the sides. The forming solver finds that a
    folder needs a fifth to a third of it.

    References
    ----------
    Plastic collapse of a clamped beam and the parabolic cable, any mechanics textbook; from memory.

    Examples
    --------
    >>> round(collapse_pressure(16.0, 0.28, 0.4, 2.2), 2)
    4.0
    """
    return 4.0 * yield_stress * thickness * (thickness + 2.0 * height) / span**2


def draw_in_length(yield_stress: float, thickness: float, pressure: float, flank: float) -> float:
    """Length over which stretch evens out [mm]: a tool's flank, along which nothing holds the sheet, and beyond its ends as far as
    friction on both faces takes to carry the yield tension, sigma t / (2 mu p). Held within 0.6 to 6 mm."""
    return float(np.clip(flank + yield_stress * thickness / (2 * FRICTION * max(pressure, 1e-3)), SHORTEST_DRAW, LONGEST_DRAW))
