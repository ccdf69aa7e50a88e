"""A height map under a lamp."""

import numpy as np

from lofty_press.core.sandwich.relief.height_map import HeightMap
from lofty_press.core.sandwich.stack import FloatArray


def hillshade(heights: FloatArray, spacing: float, *, azimuth: float, altitude: float, exaggeration: float = 1.0) -> FloatArray:
    """Light that a matt surface sends back, 0 to 1.

    Parameters
    ----------
    heights : ndarray, shape (nx, ny)
        Up positive. [mm]
    spacing : float
        Cell size. [mm]
    azimuth, altitude : float
        Where the lamp stands: from the positive x axis towards y, and over the plane. [degree]
    exaggeration : float
        Factor on the slopes. [1]

    Notes
    -----
    Lambert's law: cosine between the surface's normal (-dz/dx, -dz/dy, 1) and the direction of the lamp.
    """
    gx, gy = np.gradient(heights * exaggeration, spacing)
    a, h = np.radians(azimuth), np.radians(altitude)
    lamp = (np.cos(h) * np.cos(a), np.cos(h) * np.sin(a), np.sin(h))
    light = (-gx * lamp[0] - gy * lamp[1] + lamp[2]) / np.sqrt(gx**2 + gy**2 + 1.0)
    return np.asarray(np.clip(light, 0.0, 1.0))


def light_of_relief(relief: HeightMap) -> FloatArray:
    """A height map lit from the upper left, as it lies: hinge on top. [1]"""
    slopes = np.hypot(*np.gradient(relief.heights.astype(np.float64), relief.spacing))
    steep = float(np.percentile(slopes, 99.5))
    return hillshade(
        relief.heights.astype(np.float64), relief.spacing, azimuth=225.0, altitude=45.0, exaggeration=min(1.0 / max(steep, 1e-6), 4.0)
    )
