"""What a later flat pass leaves of a relief: why a sheet is cut first and embossed afterwards."""

from dataclasses import replace

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.forming.impression import Impression
from lofty_press.core.mechanics.forming.nested import form
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.mechanics.forming.release import spring_back
from lofty_press.core.sandwich.stack import FloatArray

CUTTING_PRESSURE = 2.0  # MPa; mean over a sheet between plates while a die cuts it: a cut of 12 N/mm with 0.15 mm of blade on each mm2


def cut_after(found: Impression) -> Impression:
    """The sheet once it was cut between flat plates; unchanged where nothing was formed."""
    if found.formed is None:
        return found
    left = pressed_flat(found, CUTTING_PRESSURE)
    sunk = left - found.released
    return replace(found, released=left, upper=found.upper + sunk, lower=found.lower + sunk)


def pressed_flat(found: Impression, pressure: float) -> FloatArray:
    """Relief that is left when an embossed sheet goes through once more between flat plates.

    Parameters
    ----------
    found : Impression
        The embossed sheet.
    pressure : float
        Mean pressure of the flat pass, > 0. [MPa]

    Returns
    -------
    ndarray, shape (nx, ny)
        Height of the mid-surface after release, up positive. [mm]

    Raises
    ------
    InvalidInput
        If nothing was formed, or the pressure is not positive.

    Notes
    -----
    The released relief u0 is free of stress, so a further deflection w bends it by k(w): between flat plates w meets the surfaces
    -u0, yields, and springs back in part. Stretch and hardening from the first pass are left out.
    """
    if found.formed is None or not pressure > 0:
        raise InvalidInput("pressure", pressure, say("an embossed sheet and a pressure over 0 MPa are needed"))
    first = found.formed.forming
    stiff = max(float(first.k_lower.max()), float(first.k_upper.max()))
    even = np.full(first.shape, stiff)
    problem = replace(
        first,
        section=replace(first.section, membrane=0.0),
        lower=-found.released,
        upper=-found.released,
        k_lower=even,
        k_upper=even,
        pressure=pressure,
    )
    pressed = form(problem).state.deflection
    return np.asarray(found.released + pressed - spring_back(Grid(problem), pressed).displacement)
