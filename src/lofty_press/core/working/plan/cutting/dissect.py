"""The most valuable way to cut a sheet from edge to edge.

References
----------
Gilmore, Gomory, "Multistage cutting stock problems of two and more dimensions", Operations Research 13, 1965: the recursion over both cuts.
Herz, "Recursive computational procedure for two-dimensional stock cutting", IBM Journal 16, 1972: cuts at sums of pieces are enough. Both
from memory.
"""

import numpy as np
from numba import njit
from numpy.typing import NDArray

FloatArray = NDArray[np.float64]
IntArray = NDArray[np.int64]

NOTHING, WHOLE, ACROSS, UPRIGHT = -1, 0, 1, 2
"""What is done with a part of a sheet: left over, one piece, a cut along its width, a cut along its height."""


def places(sizes: IntArray, longest: int) -> IntArray:
    """Sums of some sizes up to a length, 0 among them: where a cut can be worth making.

    Parameters
    ----------
    sizes : integers, shape (pieces,)
    longest : int

    Returns
    -------
    integers, shape (places,), ascending

    Examples
    --------
    >>> places(np.array([3, 5]), 10).tolist()
    [0, 3, 5, 6, 8, 9, 10]
    """
    reached = np.zeros(longest + 1, dtype=bool)
    reached[0] = True
    for size in np.unique(sizes[sizes <= longest]):
        for start in range(int(size), longest + 1):
            if reached[start - size]:
                reached[start] = True
    return np.flatnonzero(reached)


@njit(cache=True)
def best_values(across, upright, down_x, down_y, widths, heights, values):  # type: ignore[no-untyped-def]
    """Best value of every part of a sheet, and how it is reached.

    `across`, `upright` are the places of cuts; `down_x[d]` is the last place at or below d; pieces in all the ways they may lie. Returns the
    values and, for each part, what is done with it and at which place or by which piece.
    """
    nx, ny = len(across), len(upright)
    best = np.zeros((nx, ny))
    act = np.full((nx, ny), -1)
    at = np.full((nx, ny), -1)
    for i in range(1, nx):
        x = across[i]
        for j in range(1, ny):
            y = upright[j]
            value, how, where = 0.0, -1, -1
            for k in range(len(values)):
                if widths[k] <= x and heights[k] <= y and values[k] > value:
                    value, how, where = values[k], 0, k
            for m in range(1, nx):
                if 2 * across[m] > x:
                    break
                sum_ = best[m, j] + best[down_x[x - across[m]], j]
                if sum_ > value + 1e-12:
                    value, how, where = sum_, 1, m
            for m in range(1, ny):
                if 2 * upright[m] > y:
                    break
                sum_ = best[i, m] + best[i, down_y[y - upright[m]]]
                if sum_ > value + 1e-12:
                    value, how, where = sum_, 2, m
            best[i, j], act[i, j], at[i, j] = value, how, where
    return best, act, at


def last_at_or_below(spots: IntArray, longest: int) -> IntArray:
    """For every length the last place that is not beyond it, as its number; shape (longest + 1,)."""
    return np.searchsorted(spots, np.arange(longest + 1), side="right") - 1


def piece_counts(act: IntArray, at: IntArray, across: IntArray, upright: IntArray, kinds: int, owner: IntArray) -> FloatArray:
    """How many of each kind the best pattern of the whole sheet holds, shape (kinds,)."""
    counts = np.zeros(kinds)
    down_x, down_y = last_at_or_below(across, int(across[-1])), last_at_or_below(upright, int(upright[-1]))
    waiting = [(len(across) - 1, len(upright) - 1)]
    while waiting:
        i, j = waiting.pop()
        if act[i, j] == WHOLE:
            counts[owner[at[i, j]]] += 1
        elif act[i, j] == ACROSS:
            m = at[i, j]
            waiting += [(m, j), (int(down_x[across[i] - across[m]]), j)]
        elif act[i, j] == UPRIGHT:
            m = at[i, j]
            waiting += [(i, m), (i, int(down_y[upright[j] - upright[m]]))]
    return counts
