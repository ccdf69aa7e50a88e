"""Pressure and line load of the piles for a given compression."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.nip.columns import Columns
from lofty_press.core.stack.footprint import FloatArray

SMALLEST_COMPLIANCE = 1e-6  # mm/MPa; stands in where no layer lies, so that nothing divides by zero


@dataclass(frozen=True)
class Response:
    """Answer of the piles: peak `pressure` [MPa], `load` [N/mm] and its `slope` [N/mm2]; shapes as the compression."""

    pressure: FloatArray
    load: FloatArray
    slope: FloatArray


def respond(columns: Columns, compression: FloatArray, radius: float) -> Response:
    """Pressure and load of each pile.

    Parameters
    ----------
    columns : Columns
        Piles of shape (rows, across).
    compression : ndarray, shape (rows, across)
        Closing of the rollers against the free pile; negative where they do not touch. [mm]
    radius : float
        Radius of each roller. [mm]

    Notes
    -----
    A rubber layer is confined by a strip as wide as the nip: shape factor S = a / t with a^2 = R d (Gent and Lindley), so
    its compliance is t / (E (1 + 2 R d / t^2)). Elements that give only so far make pressure a broken line of the
    compression, p = sum_j g_j (d - d_j)+, and since every piece is linear the strip's load is (4/3) sqrt(R) sum_j g_j
    (d - d_j)+^(3/2). The slope leaves out that the break points move with the rubber's stiffness: it serves Newton's
    method, whose result does not depend on it.
    """
    depth = np.maximum(compression, 0.0)
    stiff = np.maximum(columns.linear, SMALLEST_COMPLIANCE)
    stiffening = np.zeros_like(depth)
    for layer, presence in columns.elastomers:
        growth = 2.0 * radius / layer.thickness**2
        confined = 1.0 + growth * depth
        part = presence * (layer.thickness / layer.modulus) / confined
        stiff = stiff + part
        stiffening += part * growth / confined
    total = stiff
    for element, presence in columns.yielding:
        total = total + element.compliance * presence
    gain = 1.0 / total
    root = np.sqrt(depth)
    pressure, load, slope = depth * gain, depth * root * gain, 1.5 * root * gain
    start = np.zeros_like(depth)
    reached = 0.0
    remaining = total
    for element, presence in columns.yielding:
        start = start + (element.full_at - reached) * remaining
        reached = element.full_at
        stiffer = remaining - element.compliance * presence
        step = 1.0 / stiffer - 1.0 / remaining
        beyond = np.maximum(depth - start, 0.0)
        root = np.sqrt(beyond)
        pressure = pressure + step * beyond
        load = load + step * beyond * root
        slope = slope + 1.5 * step * root
        remaining = stiffer
    scale = 4.0 / 3.0 * np.sqrt(radius)
    return Response(pressure, scale * load, scale * (slope + load * stiffening / total))
