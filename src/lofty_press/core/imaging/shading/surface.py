"""From slopes to heights over flat ground."""

import numpy as np
from scipy.fft import dctn, idctn
from scipy.ndimage import distance_transform_edt, gaussian_filter

from lofty_press.core.sandwich.stack import FloatArray

RIM, BORDER = 1.2, 6.0  # mm from a tool's edge: what is nearer is its edge; up to where it is flat on most tools
ROUNDS = 6
LEVEL, LEVEL_OVER = 0.2, 0.6  # of the steepest slopes, under which a place is level; mm over which they are evened out for that
LOW, ENOUGH = 0.35, 0.12  # of the tallest, under which a level place is ground; share of a face that must be ground before it is made flat


def integrated(along: FloatArray, across: FloatArray, spacing: float) -> FloatArray:
    """Heights whose slopes come nearest to those given, up to a constant.

    Parameters
    ----------
    along, across : ndarray, shape (nx, ny)
        Rise over run along the rows and columns. [1]
    spacing : float
        Cell size. [mm]

    Returns
    -------
    ndarray, shape (nx, ny)
        Mean 0. [mm]

    Notes
    -----
    Least squares over differences of neighbours: Poisson's equation with free edges, exactly solved by cosine transforms.

    References
    ----------
    Simchony, Chellappa, Shao, "Direct analytical methods for solving Poisson equations in computer vision problems", IEEE PAMI 12, 1990.
    """
    nx, ny = along.shape
    right = np.zeros((nx, ny))
    step = 0.5 * spacing * (along[1:] + along[:-1])
    right[:-1] -= step
    right[1:] += step
    step = 0.5 * spacing * (across[:, 1:] + across[:, :-1])
    right[:, :-1] -= step
    right[:, 1:] += step
    x, y = (2.0 - 2.0 * np.cos(np.pi * np.arange(n) / n) for n in (nx, ny))
    bends = x[:, None] + y[None, :]
    bends[0, 0] = 1.0
    modes = dctn(right, norm="ortho") / bends
    modes[0, 0] = 0.0
    return np.asarray(idctn(modes, norm="ortho"))


def depth_inside(inside: FloatArray, spacing: float) -> FloatArray:
    """How far each place is from a tool's edge, 0 beyond it. [mm]"""
    return np.asarray(distance_transform_edt(np.pad(inside, 1)))[1:-1, 1:-1] * spacing


def border_of(deep: FloatArray) -> FloatArray:
    """The strip along a tool's edge that is flat on most of them, from how far places are inside it [mm]."""
    widest = float(deep.max())
    return np.asarray((deep > min(RIM, 0.2 * widest)) & (deep < min(BORDER, 0.4 * widest)))


def trend(values: FloatArray, strip: FloatArray, degree: int) -> FloatArray:
    """A plane or quadric through values (nx, ny) where `strip` is true; what stands off it counts less, round by round."""
    nx, ny = values.shape
    x, y = np.meshgrid(np.linspace(-1, 1, nx), np.linspace(-1, 1, ny), indexing="ij")
    powers = [(i, j) for i in range(degree + 1) for j in range(degree + 1 - i)]
    terms = np.stack([x**i * y**j for i, j in powers], axis=-1)
    at, seen = terms[strip], values[strip]
    if len(seen) < 10 * len(powers):
        return np.zeros_like(values)
    weights = np.ones(len(seen))
    fit = np.zeros(len(powers))
    for _ in range(ROUNDS):
        fit = np.linalg.lstsq(at * weights[:, None], seen * weights, rcond=None)[0]
        off = np.abs(seen - at @ fit)
        weights = 1.0 / (1.0 + (off / max(1.5 * float(np.median(off)), 1e-9)) ** 2)
    return np.asarray(terms @ fit)


def levelled(along: FloatArray, across: FloatArray, inside: FloatArray, spacing: float) -> FloatArray:
    """Heights over a tool's flat ground, 0 at its rim and beyond. [mm]

    Notes
    -----
    Slopes are first set right by those of the border: what a lamp's place is off by tilts and bends everything alike. Then what is level and low is made flat: most
    tools are flat there, and slow bends are what shading knows least of. A face without such ground keeps its bends.
    """
    deep = depth_inside(inside, spacing)
    strip = border_of(deep)
    within = deep > min(RIM, 0.2 * float(deep.max()))
    flat = [np.where(within, slope - trend(slope, strip, 1), 0.0) for slope in (along, across)]
    heights = integrated(flat[0], flat[1], spacing)
    heights = heights - trend(heights, strip, 2)
    steep = gaussian_filter(np.hypot(*flat), LEVEL_OVER / spacing)
    level = within & (steep < LEVEL * float(np.percentile(steep[within], 98)))
    for degree, low in ((2, np.inf), (4, LOW), (4, LOW), (4, LOW)):
        tall = float(np.percentile(np.abs(heights[within]), 99))
        ground = level & (np.abs(heights) < low * tall)
        if ground.sum() < ENOUGH * within.sum():
            break
        heights = heights - trend(heights, ground, degree)
    return np.where(within, heights, 0.0)
