"""Where lengths do not fit: pressed parts draw in, bare parts beside them are left too long and rise in waves."""

import math

import numpy as np
from scipy.ndimage import binary_dilation, distance_transform_edt, gaussian_filter, label, maximum_filter

from lofty_press.core.mechanics.forming.loads import Loaded
from lofty_press.core.sandwich.stack import BoolArray, FloatArray
from lofty_press.core.sandwich.stock import Section

NEAR = 4.0  # mm; relief finer than this is taken together
BARE = 0.25  # of the peak pressure, under which a part counts as not pressed
NARROWEST = 8.0  # mm
CLAMPED = 5.3  # buckling coefficient of a clamped square plate under equal stress from both sides


def half_squared_slope(u: FloatArray, spacing: float) -> FloatArray:
    """Extra length per length of a surface that rises and falls. [1]"""
    gx, gy = np.gradient(u, spacing)
    return np.asarray(0.5 * (gx**2 + gy**2))


def buckle_field(loaded: Loaded, pressed: FloatArray, released: FloatArray, strain: FloatArray) -> FloatArray:
    """Compressive misfit of a bare part over the strain at which it rises in waves. [1]

    Notes
    -----
    A pressed part needs the extra length of its relief after release, and has been stretched for good by what its strain under
    pressure leaves when its tension is gone. If it needs more than it was stretched, it draws in and leaves bare parts beside it too long.
    Such a part of width w takes the `buckling_strain` of a clamped square plate, and as much again before the wave shows.
    """
    panel, h = loaded.panel, loaded.panel.spacing
    assert loaded.forming is not None
    stretched = loaded.forming.section.lasting(strain)
    needed = half_squared_slope(released, h)
    short = gaussian_filter((needed - stretched) * panel.cover, NEAR / h, mode="constant", truncate=3.0)
    bare = enclosed((loaded.pressure < BARE * loaded.usual_peak) & (panel.cover > 0.5), panel.cover > 0.5)
    if not bare.any():
        return np.zeros(panel.shape)
    around = float(short[panel.cover > 0.5].mean())
    width = np.maximum(2.0 * inscribed(bare, h), NARROWEST)
    bears = 2.0 * buckling_strain(loaded.forming.section, width)
    return np.asarray(np.where(bare, np.maximum(around - short, 0.0) / bears, 0.0))


def buckling_strain(section: Section, width: FloatArray) -> FloatArray:
    """Strain, the same in both directions, at which a clamped square piece of a sheet buckles. [1]

    Notes
    -----
    Under equal stress from both sides it buckles at k pi^2 E t^2 / 12 (1 - nu^2) w^2 with k = 5.3, and equal strains take
    E / (1 - nu) of stress: k pi^2 t^2 / 12 (1 + nu) w^2.

    References
    ----------
    Timoshenko and Gere, Theory of Elastic Stability, section 9.9; k from memory.
    """
    poisson = section.coupling / section.reference
    return np.asarray(CLAMPED * math.pi**2 / (12.0 * (1.0 + poisson)) * (section.thickness / width) ** 2)


def enclosed(bare: BoolArray, sheet: BoolArray) -> BoolArray:
    """Bare parts that pressed ones hold all round; a part at the sheet's edge is free to move."""
    parts, _ = label(bare)
    rim = binary_dilation(~sheet) & bare
    free = np.unique(parts[rim])
    return np.asarray(bare & ~np.isin(parts, free))


def inscribed(bare: BoolArray, spacing: float) -> FloatArray:
    """Half width of the bare part that each of its cells lies in, as the largest circle near it. [mm]"""
    distance = np.asarray(distance_transform_edt(bare[::4, ::4], sampling=4 * spacing))
    widest = maximum_filter(distance, size=max(int(distance.max() / (4 * spacing)), 1))
    return np.repeat(np.repeat(widest, 4, axis=0), 4, axis=1)[: bare.shape[0], : bare.shape[1]]
