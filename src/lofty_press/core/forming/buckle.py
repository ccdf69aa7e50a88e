"""Where lengths do not fit: pressed parts draw in, bare parts beside them are left too long and rise in waves."""

import math

import numpy as np
from scipy.ndimage import binary_dilation, distance_transform_edt, gaussian_filter, label, maximum_filter

from lofty_press.core.forming.loads import Loaded
from lofty_press.core.stack import BoolArray, FloatArray

NEAR = 4.0  # mm; relief finer than this is taken together
BARE = 0.25  # of the peak pressure, under which a part counts as not pressed
NARROWEST = 8.0  # mm


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
    What such a part of width w takes is the buckling strain of a clamped square plate pressed from both sides,
    5.3 pi^2 t^2 / 12 (1 - nu^2) w^2 (Timoshenko and Gere, from memory), and as much again before the wave, as high as a quarter of the
    sheet is thick, is seen: (pi t / 4 w)^2 / 4 is small beside it.
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
    bears = 2.0 * 5.3 * math.pi**2 / 12 * (loaded.sheet.thickness / width) ** 2
    return np.asarray(np.where(bare, np.maximum(around - short, 0.0) / bears, 0.0))


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
