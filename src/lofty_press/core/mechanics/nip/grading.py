"""How the layers between a window and the sheet soften the pressure at the window's edge."""

import numpy as np
from scipy.fft import dctn, idctn

from lofty_press.core.sandwich.stack import FloatArray, StackView


def grading_length(view: StackView, index: int) -> float:
    """Length (D/k)^(1/4) [mm] over which pressure fades at the edge of a window in layer `index`.

    D is the bending stiffness of the layers between the window and the sheet, k the foundation that the sheet and what lies
    beyond it make.
    """
    sheet = view.sheet
    if sheet is None or sheet.index == index:
        return 0.0
    low, high = sorted((sheet.index, index))
    bending = sum(p.bending_stiffness for p in view.layers[low + 1 : high])
    beyond = view.layers[: sheet.index + 1] if index > sheet.index else view.layers[sheet.index :]
    compliance = sum(p.thickness / p.confined for p in beyond)
    return float((bending * compliance) ** 0.25)


def spread_by_bending(pressure: FloatArray, length: float, spacing: tuple[float, float]) -> FloatArray:
    """Pressure below bent layers from the pressure above them.

    Parameters
    ----------
    pressure : ndarray, shape (nx, ny)
        Pressure on the upper side. [MPa]
    length : float
        Grading length (D/k)^(1/4), >= 0. [mm]
    spacing : tuple of float
        Cell sizes along both axes. [mm]

    Returns
    -------
    ndarray, shape (nx, ny)
        Pressure on the lower side. [MPa]

    Notes
    -----
    D del^4 w + k w = p with free edges, p_below = k w, by a cosine transform; the total force stays. The exact solution turns
    slightly negative beside an edge, where the layers would lift off; that is cut off.
    """
    if length < 0.2 * min(spacing):
        return pressure
    waves = [np.pi * np.arange(n) / (n * h) for n, h in zip(pressure.shape, spacing, strict=True)]
    square = waves[0][:, None] ** 2 + waves[1][None, :] ** 2
    spectrum = dctn(pressure, type=2, norm="ortho") / (1.0 + length**4 * square**2)
    return np.asarray(np.maximum(idctn(spectrum, type=2, norm="ortho"), 0.0))
