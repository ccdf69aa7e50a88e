"""Slopes of a surface from its light under several lamps."""

import numpy as np

from lofty_press.core.sandwich.stack import FloatArray

SHADOW = 1 / 3  # of the median light of a place, under which it is in a shadow
ENOUGH = 5  # lamps, from which the brightest sample of a place is left out: it may be a highlight
EVEN = 0.06  # of a place's light, by which a sample may be off before it counts less
ROUNDS = 3
STEEPEST = 3.0  # rise over run; what is steeper is seen by too few lamps


def facing(light: FloatArray, towards: FloatArray) -> FloatArray:
    """What a surface throws back times the way it faces, at every place.

    Parameters
    ----------
    light : ndarray, shape (k, n)
        Light at n places under k lamps, over what a surface facing the lamp would get; NaN where it is not known.
    towards : ndarray, shape (k, n, 3)
        Unit vectors to the lamps.

    Returns
    -------
    ndarray, shape (n, 3)

    Notes
    -----
    Lambert's law, I = rho n . s, by weighted least squares at each place; shadows and, of five lamps or more, the brightest sample are left out, and samples
    that don't fit the others count less.

    References
    ----------
    Woodham, "Photometric method for determining surface orientation from multiple images", Optical Engineering 19, 1980.
    """
    known = np.isfinite(light)
    level = np.where(known, light / np.maximum(towards[..., 2], 0.05), np.nan)
    with np.errstate(all="ignore"):
        usual = np.nanmedian(level, axis=0)
    weights = np.where(known & (level > SHADOW * usual), 1.0, 1e-4)
    if len(light) >= ENOUGH:
        brightest = np.argmax(np.where(known, level, -np.inf), axis=0)
        weights[brightest, np.arange(light.shape[1])] = 1e-3
    samples = np.where(known, light, 0.0)
    weights = np.where(known, weights, 0.0)
    start = weights.copy()
    found = solved(samples, towards, weights)
    for _ in range(ROUNDS if len(light) > 3 else 0):
        off = (samples - np.einsum("knc,nc->kn", towards, found)) / np.maximum(EVEN * np.linalg.norm(found, axis=1), 1e-9)
        weights = start / (1.0 + off**2)
        found = solved(samples, towards, weights)
    return found


def solved(samples: FloatArray, towards: FloatArray, weights: FloatArray) -> FloatArray:
    """Weighted least squares at every place, (n, 3)."""
    matrix = np.einsum("kn,kna,knb->nab", weights, towards, towards) + 1e-6 * np.eye(3)
    right = np.einsum("kn,kna->na", weights * samples, towards)
    return np.asarray(np.linalg.solve(matrix, right[..., None])[..., 0])


def slopes_of(faces: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Rise over run along the two directions of the plane, (n,) each."""
    up = np.maximum(faces[:, 2], 1e-9)
    return (
        np.clip(-faces[:, 0] / up, -STEEPEST, STEEPEST),
        np.clip(-faces[:, 1] / up, -STEEPEST, STEEPEST),
    )
