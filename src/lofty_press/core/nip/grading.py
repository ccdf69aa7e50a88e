"""How the plates between a window and the sheet soften the window's edge."""

import numpy as np
from scipy.fft import dctn, idctn

from lofty_press.core.stack.footprint import BoolArray, FloatArray
from lofty_press.core.stack.view import Placed, StackView


def bending_stiffness(placed: Placed) -> float:
    """Plate stiffness E t^3 / 12 (1 - nu^2) of a layer. [N mm]"""
    nu = placed.material.poisson
    modulus = placed.modulus if placed.item.stock is None else placed.item.stock.modulus
    return modulus * placed.thickness**3 / (12.0 * (1.0 - nu**2))


def grading_length(view: StackView, index: int) -> float:
    """Length (D/k)^(1/4) [mm] over which pressure fades at the edge of a window in layer `index`.

    D is the bending stiffness of the layers between the window and the sheet, k the foundation of those beyond it.
    """
    sheet = view.sheet
    if sheet is None or sheet.index == index:
        return 0.0
    low, high = sorted((sheet.index, index))
    bending = sum(bending_stiffness(p) for p in view.layers[low + 1 : high])
    beyond = view.layers[: sheet.index] if index > sheet.index else view.layers[sheet.index + 1 :]
    compliance = sum(p.thickness / p.material.confined(p.modulus) for p in beyond)
    return float((bending * compliance) ** 0.25) if bending > 0 and compliance > 0 else 0.0


def graded_presence(view: StackView, index: int, mask: BoolArray, x: FloatArray, width: float) -> FloatArray:
    """Presence of a layer with windows as the sheet feels it, from 0 to 1, on the grid's own shape.

    Notes
    -----
    Solves D del^4 w + k w = k f for the presence f with free edges by a cosine transform; the small overshoot of the exact
    solution outside 0 to 1 is cut off, since layers cannot pull.
    """
    length = grading_length(view, index)
    presence = mask.astype(np.float64)
    if length <= 0:
        return presence
    spacing = (float(x[1] - x[0]), width)
    waves = [np.pi * np.arange(n) / (n * h) for n, h in zip(mask.shape, spacing, strict=True)]
    square = waves[0][:, None] ** 2 + waves[1][None, :] ** 2
    spectrum = dctn(presence, type=2, norm="ortho") / (1.0 + length**4 * square**2)
    return np.asarray(np.clip(idctn(spectrum, type=2, norm="ortho"), 0.0, 1.0))
