"""A pressed sheet's shading beside the one that its predicted relief would have: how it is moved, and how much of the relief is there."""

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import gaussian_filter, map_coordinates
from scipy.optimize import minimize

from lofty_press.core.imaging.sightread.corners import CELL
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

LOW_PASS, NEAR = 5.0, 3.0  # mm over which the room's light is taken to be even; over which a share is worked out
SMOOTH = 1.0  # cells over which predicted slopes are evened out
TURNS = np.radians(np.arange(-4.0, 4.01, 1.0))
FARTHEST = 8.0  # mm that a sheet may be moved
USUAL = 80  # percentile of the shares that stands for a whole relief
STRONG = 0.12  # of the strongest predicted shading, from which a place says anything
RIM = 3.0  # mm along the sheet's edge that say nothing: the edge's own shading


@dataclass(frozen=True)
class Compared:
    """A sheet beside its prediction.

    `shift` along and across the feed [mm] and `turn` [rad] by which the pressed relief is off the predicted one; `fits` is the share of the shading that it explains
    (R squared) [1]; `share` (nx, ny) how much of the predicted relief is there, 1 for all of it, where `known`; `expected` (nx, ny) the shading that it should have.
    """

    shift: tuple[float, float]
    turn: float
    fits: float
    share: FloatArray
    known: BoolArray
    expected: FloatArray


def compared(light: FloatArray, heights: FloatArray) -> Compared:
    """Compare a sheet's light with the light of its predicted heights.

    Parameters
    ----------
    light : ndarray, shape (nx, ny)
        Light of the sheet from above, along and across the feed, in cells of `CELL`.
    heights : ndarray, shape (nx, ny)
        Predicted heights of its front on the same cells. [mm]

    Notes
    -----
    By a window a matte sheet's light, over its own low pass, is a plane in its slopes: b p + c q. The two unknowns follow by least squares for every shift at once
    (cross correlation by Fourier transforms), turn by turn; then finely. The same regression under a bell curve says how much of the relief is where.
    """
    shaded, inner = shading(light)
    coarse = laid_coarsely(light, heights)

    def misfit(pose: FloatArray) -> float:
        return -explained(shaded, *slopes(heights, (pose[0], pose[1]), pose[2] / 50.0), inner)

    start = np.array([coarse[1], coarse[2], 50.0 * coarse[3]])
    simplex = start + np.vstack([np.zeros(3), 0.4 * np.eye(3)])
    best = minimize(misfit, start, method="Nelder-Mead", options={"initial_simplex": simplex, "xatol": 0.01, "fatol": 1e-5, "maxiter": 150})
    p, q = slopes(heights, (best.x[0], best.x[1]), best.x[2] / 50.0)
    b, c = weights_of(shaded, p, q, inner)
    expected = np.where(inner, b * p + c * q, 0.0)
    cells = NEAR / CELL
    strength = gaussian_filter(expected**2, cells)
    known = inner & (strength > STRONG * float(np.percentile(strength[inner], 95)))
    share = np.where(known, gaussian_filter(expected * shaded, cells) / np.maximum(strength, 1e-12), 0.0)
    whole = max(float(np.percentile(share[known], USUAL)), 1e-6) if known.any() else 1.0
    return Compared((float(best.x[0]), float(best.x[1])), float(best.x[2] / 50.0), float(-best.fun), share / whole, known, expected)


def laid_coarsely(light: FloatArray, heights: FloatArray) -> tuple[float, float, float, float]:
    """The greatest share of a sheet's shading that a prediction explains, moved by whole cells and turned by halves of a degree: share, shift and turn. [1, mm, mm, rad]"""
    shaded, _ = shading(light)
    found = [(*coarsely(shaded, *slopes(heights, (0.0, 0.0), float(turn))), float(turn)) for turn in TURNS]
    return max(found, key=lambda each: each[0])


def shading(light: FloatArray) -> tuple[FloatArray, BoolArray]:
    """A sheet's shading, and where it says something: not along its edge."""
    rows, columns = np.indices(light.shape)
    rim = RIM / CELL
    inner = (rows > rim) & (rows < light.shape[0] - rim) & (columns > rim) & (columns < light.shape[1] - rim)
    return np.where(inner, over_low_pass(light), 0.0), np.asarray(inner)


def over_low_pass(light: FloatArray) -> FloatArray:
    """Light over what it is round about, less one; single bright and dark specks count no more than a slope could."""
    usual = gaussian_filter(light, LOW_PASS / CELL, mode="reflect")
    return np.asarray(np.clip(light / np.maximum(usual, 1e-6) - 1.0, -0.6, 0.6))


def slopes(heights: FloatArray, shift: tuple[float, float], turn: float) -> tuple[FloatArray, FloatArray]:
    """Slopes along and across the feed of heights that were moved [mm] and turned about the middle [rad]."""
    nx, ny = heights.shape
    x, y = np.meshgrid(np.arange(nx) - (nx - 1) / 2, np.arange(ny) - (ny - 1) / 2, indexing="ij")
    x, y = x - shift[0] / CELL, y - shift[1] / CELL
    c, s = np.cos(turn), np.sin(turn)
    there = map_coordinates(heights, [c * x + s * y + (nx - 1) / 2, -s * x + c * y + (ny - 1) / 2], order=1, mode="nearest")
    p, q = np.gradient(gaussian_filter(there, SMOOTH), CELL)
    return p, q


def coarsely(shaded: FloatArray, p: FloatArray, q: FloatArray) -> tuple[float, float, float]:
    """The greatest share that slopes explain over all shifts, and that shift. [1, mm, mm]"""
    image = np.fft.rfft2(shaded)
    found = [np.fft.irfft2(image * np.conj(np.fft.rfft2(slope)), s=shaded.shape) for slope in (p, q)]
    gram = np.array([[np.sum(p * p), np.sum(p * q)], [np.sum(p * q), np.sum(q * q)]]) + 1e-9 * np.eye(2)
    inverse = np.linalg.inv(gram)
    whole = float(np.sum(shaded**2)) + 1e-12
    fits = (inverse[0, 0] * found[0] ** 2 + 2 * inverse[0, 1] * found[0] * found[1] + inverse[1, 1] * found[1] ** 2) / whole
    rows, columns = (np.fft.fftfreq(n, 1.0 / n) * CELL for n in shaded.shape)
    fits[(np.abs(rows)[:, None] > FARTHEST) | (np.abs(columns)[None, :] > FARTHEST)] = 0.0
    i, j = np.unravel_index(int(np.argmax(fits)), fits.shape)
    return float(fits[i, j]), float(rows[i]), float(columns[j])


def weights_of(shaded: FloatArray, p: FloatArray, q: FloatArray, inner: BoolArray) -> tuple[float, float]:
    """How the light answers to slopes along and across."""
    terms = np.column_stack([p[inner], q[inner]])
    b, c = np.linalg.lstsq(terms, shaded[inner], rcond=None)[0]
    return float(b), float(c)


def explained(shaded: FloatArray, p: FloatArray, q: FloatArray, inner: BoolArray) -> float:
    """R squared of the light by slopes."""
    b, c = weights_of(shaded, p, q, inner)
    left = shaded[inner] - b * p[inner] - c * q[inner]
    return 1.0 - float(np.sum(left**2)) / max(float(np.sum(shaded[inner] ** 2)), 1e-12)
