"""How much of a line or an area lies between the rollers at each crank position."""

from collections.abc import Sequence

import numpy as np
import shapely

from lofty_press.core.sandwich.stack import FloatArray, Polygon, rings_of

UPRIGHT = 1e-9  # mm; a segment shorter than this along the feed enters at once


def length_before(lines: Sequence[FloatArray], x: FloatArray) -> FloatArray:
    """Length of lines that lies ahead of a crank position.

    Parameters
    ----------
    lines : sequence of ndarray, each of shape (n, 2)
        Points along and across the feed. [mm]
    x : ndarray, shape (m,)
        Crank positions. [mm]

    Returns
    -------
    ndarray, shape (m,)
        Length with a smaller place along the feed. [mm]

    Notes
    -----
    Every segment adds a ramp from its first to its last place along the feed, so the sum is piecewise linear and exact at every
    point; it is evaluated at its break points and read off between them.

    Examples
    --------
    >>> length_before([np.array([[0.0, 0.0], [10.0, 0.0]])], np.array([-1.0, 4.0, 20.0])).tolist()
    [0.0, 4.0, 10.0]
    """
    starts = [line[:-1] for line in lines if len(line) > 1]
    if not starts:
        return np.zeros(x.shape)
    one = np.concatenate(starts)
    two = np.concatenate([line[1:] for line in lines if len(line) > 1])
    length = np.hypot(*(two - one).T)
    low, high = np.minimum(one[:, 0], two[:, 0]), np.maximum(one[:, 0], two[:, 0])
    high = np.maximum(high, low + UPRIGHT)
    slope = length / (high - low)
    breaks = np.concatenate([low, high])
    order = np.argsort(breaks, kind="stable")
    breaks = breaks[order]
    slopes = np.cumsum(np.concatenate([slope, -slope])[order])
    reached = np.concatenate([[0.0], np.cumsum(slopes[:-1] * np.diff(breaks))])
    return np.asarray(np.interp(x, breaks, reached))


def length_within(lines: Sequence[FloatArray], x: FloatArray, reach: float) -> FloatArray:
    """Length of lines within `reach` [mm] of crank positions (m,). [mm]"""
    return length_before(lines, x + reach) - length_before(lines, x - reach)


def chords(polygon: Polygon, x: FloatArray) -> FloatArray:
    """Width across the feed that an area takes at crank positions.

    Parameters
    ----------
    polygon : shapely polygon or multipolygon
    x : ndarray, shape (m,)
        [mm]

    Returns
    -------
    ndarray, shape (m,)
        [mm]

    Notes
    -----
    Signed crossings of all rings with each line x = const: a ring that crosses at y adds or takes y away, holes the other way round.
    """
    total = np.zeros(x.shape)
    for corners in rings_of(shapely.orient_polygons(polygon)):
        one, two = corners[:-1], corners[1:]
        low, high = np.minimum(one[:, 0], two[:, 0])[:, None], np.maximum(one[:, 0], two[:, 0])[:, None]
        crosses = (low <= x) & (x < high)
        run = two[:, 0] - one[:, 0]
        slope = (two[:, 1] - one[:, 1]) / np.where(run == 0.0, np.inf, run)  # an upright segment crosses no position
        at = one[:, 1, None] + (x - one[:, 0, None]) * slope[:, None]
        total += (crosses * np.sign(run)[:, None] * at).sum(axis=0)
    return np.abs(total)
