"""The ways in which a press gives under load: its frame opens and tilts, its rollers bend."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.sandwich.stack import FloatArray, Press

STEEL = 205_000.0  # MPa; handbook value, from memory


@dataclass(frozen=True)
class Ways:
    """Ways of opening: `shapes` (ways, across), by how much the gap opens at each place for one unit of each, and the `stiffness` (ways,)
    against it. The first opens evenly [mm, N/mm], the second tilts [mm/mm, N mm], the third bends both rollers apart [mm, N/mm]."""

    shapes: FloatArray
    stiffness: FloatArray


def ways_of(press: Press, y: FloatArray) -> Ways:
    """Ways of a press at places across it.

    Parameters
    ----------
    press : Press
        With rollers that are solid steel bars between two bearings.
    y : ndarray, shape (across,)
        Places from the middle of the rollers. [mm]

    Returns
    -------
    Ways

    Notes
    -----
    Two bearings of stiffness K/2 at +-L/2 open by m + theta y: K against m, K L^2 / 4 against theta. A bar bends as v sin(n pi (y/L + 1/2)) with
    the energy E I (n pi / L)^4 v^2 L / 4; two bars alike that part by g = 2 v make it E I (n pi / L)^4 L / 4 against g. I = pi R^4 / 4. One wave is enough: the third is an 81st of the first.

    References
    ----------
    S. Timoshenko, Strength of Materials (trigonometric series for the deflection of a simply supported beam); from memory.
    """
    span = press.bearing_span_mm
    bending = STEEL * np.pi * press.roller_radius_mm**4 / 4.0
    wave = np.pi / span
    shapes = np.ones((3, y.size))
    shapes[1], shapes[2] = y, np.sin(wave * (y + span / 2))
    frame = press.frame_stiffness_n_per_mm
    return Ways(shapes, np.array([frame, frame * span**2 / 4.0, bending * wave**4 * span / 4.0]))
