"""Shapes of pressure under a roller, seen as waves: their transforms and what half-spaces make of them, tabled once for all piles."""

from functools import cache

import numpy as np
from scipy.special import jv

from lofty_press.core.mechanics.layered.layer import compiled
from lofty_press.core.sandwich.stack import FloatArray

SHAPES = 6  # ellipses times Chebyshev polynomials; a contact wider than its rubber needs the last ones
EDGE = SHAPES  # index of the shape with an infinite edge
FARTHEST = 420.0
STEP = 0.05
LOG_FIRST, LOG_STEP, LOG_COUNT = np.log(1e-4), 0.03, 510


@cache
def transforms() -> FloatArray:
    """Transforms of the shapes over t = k a in steps of `STEP`, (SHAPES + 1, n). [1]

    Notes
    -----
    Shape n is sqrt(1 - s^2) U_2n(s) with s = x / a, its transform up to a factor (2n + 1) J_(2n+1)(t) / t; shape 0 is scaled to carry a load of
    one. The last is 1 / sqrt(1 - s^2) less its load: the edge of a flat punch, which a roller may not have.
    """
    t = STEP * np.arange(1, int(FARTHEST / STEP) + 4)
    found = np.stack([2 * jv(1, t) / t, *((2 * n + 1) * jv(2 * n + 1, t) / t for n in range(1, SHAPES)), jv(0, t) - 2 * jv(1, t) / t])
    start = np.zeros((SHAPES + 1, 1))
    start[0] = 1.0
    return np.ascontiguousarray(np.concatenate([start, found], axis=1))


@cache
def tails() -> FloatArray:
    """Integrals of two shapes' transforms over dt / t from a t on to infinity, over ln t, (n, SHAPES + 1, SHAPES + 1). [1]"""
    at = np.exp(LOG_FIRST + LOG_STEP * np.arange(LOG_COUNT))
    nodes, weights = np.polynomial.legendre.leggauss(8)
    edges = np.unique(np.concatenate([at[at < 1.0], np.arange(1.0, 2000.0, 0.5), at[at >= 1.0]]))
    middle, half = 0.5 * (edges[1:] + edges[:-1]), 0.5 * (edges[1:] - edges[:-1])
    t = (middle[:, None] + half[:, None] * nodes).ravel()
    weight = (half[:, None] * weights).ravel() / t
    shapes = np.stack([2 * jv(1, t) / t, *((2 * n + 1) * jv(2 * n + 1, t) / t for n in range(1, SHAPES)), jv(0, t) - 2 * jv(1, t) / t])
    panels = np.einsum("it,jt,t->tij", shapes, shapes, weight).reshape(middle.size, nodes.size, SHAPES + 1, SHAPES + 1).sum(axis=1)
    beyond = np.zeros((SHAPES + 1, SHAPES + 1))
    beyond[EDGE, EDGE] = 1.0 / (np.pi * edges[-1])  # J0^2 is 1 / (pi t) on average
    summed = np.concatenate([np.cumsum(panels[::-1], axis=0)[::-1], np.zeros((1, SHAPES + 1, SHAPES + 1))]) + beyond
    return np.ascontiguousarray(summed[np.searchsorted(edges, at)])


@compiled
def shapes_at(table: np.ndarray, a: float, k: np.ndarray, out: np.ndarray) -> None:
    """Transforms of all shapes of half width `a` [mm] at wavenumbers `k` (n,) [1/mm] into `out` (n, shapes), by cubic interpolation."""
    for n in range(k.size):
        place = k[n] * a / STEP
        i = min(int(place), table.shape[1] - 3)
        f = place - i
        before = abs(i - 1)  # even functions: mirrored at zero
        c0, c1, c2, c3 = -f * (f - 1) * (f - 2) / 6, (f + 1) * (f - 1) * (f - 2) / 2, -(f + 1) * f * (f - 2) / 2, (f + 1) * f * (f - 1) / 6
        for s in range(table.shape[0]):
            out[n, s] = c0 * table[s, before] + c1 * table[s, i] + c2 * table[s, i + 1] + c3 * table[s, i + 2]


@compiled
def tails_at(table: np.ndarray, t: float, out: np.ndarray) -> None:
    """Tails from `t` on into `out` (shapes, shapes), linear in ln t; below the table's first t they grow by its logarithm alone."""
    place = (np.log(t) - LOG_FIRST) / LOG_STEP
    i = min(max(int(place), 0), table.shape[0] - 2)
    f = min(place - i, 1.0)
    out[:, :] = (1.0 - f) * table[i] + f * table[i + 1]
