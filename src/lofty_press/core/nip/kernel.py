"""The inner loops of the nip, compiled: answer of one pile, balance of one row. Plain scalars and arrays only."""

import math
from typing import NamedTuple

import numba
import numpy as np
from numpy.typing import NDArray

FloatArray = NDArray[np.float64]

MOST_ITERATIONS = 200
SHORTEST = 1e-6  # share of a step
OVERSHOT = 0.5  # of the slope at a step's start, the other way: the step went too far

compiled = numba.njit(cache=True, fastmath=False, error_model="numpy")


def plain(values: FloatArray) -> FloatArray:
    """The same in one piece of memory that can be written to: the kernels are compiled for that and nothing else, once."""
    return np.require(values, np.float64, ["C", "W"])


class Rows(NamedTuple):
    """Rows of strips (rows, across): how far each would close [mm], its pile's number, and the share of the next pile in it [1]."""

    closing: FloatArray
    pile: NDArray[np.intp]
    mix: FloatArray


class Loads(NamedTuple):
    """Loads of piles (n, nodes) over the root of their closing in equal steps (n,). [N/mm, mm^(1/2)]"""

    values: FloatArray
    steps: FloatArray


class Modes(NamedTuple):
    """Ways in which the press gives: shapes across (ways, across) [1], and what each takes to give (ways,) [N/mm]."""

    shapes: FloatArray
    stiffness: FloatArray


@compiled
def load_of(depth: float, pile: int, mix: float, loads: FloatArray, steps: FloatArray) -> tuple[float, float]:
    """Force per width of a pile that is closed by `depth` [mm], and its slope [N/mm, N/mm2]: straight between nodes of the root of the depth.

    `loads` (n, nodes) and `steps` (n,) are the piles' curves; with `mix` the next pile counts by that share.
    """
    if depth <= 0.0:
        return 0.0, 0.0
    root = math.sqrt(depth)
    load, slope = along(root, pile, loads, steps)
    if mix > 0.0:
        load2, slope2 = along(root, pile + 1, loads, steps)
        load, slope = load + mix * (load2 - load), slope + mix * (slope2 - slope)
    return load, slope / (2.0 * root)


@compiled
def along(root: float, pile: int, loads: FloatArray, steps: FloatArray) -> tuple[float, float]:
    """Value and slope of one curve over the root of the closing."""
    place = root / steps[pile]
    n = min(int(place), loads.shape[1] - 2)
    step = loads[pile, n + 1] - loads[pile, n]
    return loads[pile, n] + (place - n) * step, step / steps[pile]


@compiled
def read_off(depth: FloatArray, pile: NDArray[np.intp], mix: FloatArray, values: FloatArray, steps: FloatArray) -> FloatArray:
    """One channel of the piles' curves (n, nodes) at every place (rows, across)."""
    found = np.zeros(depth.shape)
    for r in range(depth.shape[0]):
        for j in range(depth.shape[1]):
            if depth[r, j] > 0.0:
                root = math.sqrt(depth[r, j])
                value, _ = along(root, pile[r, j], values, steps)
                if mix[r, j] > 0.0:
                    other, _ = along(root, pile[r, j] + 1, values, steps)
                    value += mix[r, j] * (other - value)
                found[r, j] = value
    return found


@compiled
def read_between(at: FloatArray, values: FloatArray) -> FloatArray:
    """A field of a grid (nx, ny) at places (2, n) in cells (n,), straight between them; nothing beyond the grid."""
    nx, ny = values.shape
    found = np.zeros(at.shape[1])
    for n in range(found.size):
        i, j = math.floor(at[0, n]), math.floor(at[1, n])
        a, b = at[0, n] - i, at[1, n] - j
        for di in range(2):
            for dj in range(2):
                if 0 <= i + di < nx and 0 <= j + dj < ny:
                    found[n] += (a if di else 1.0 - a) * (b if dj else 1.0 - b) * values[i + di, j + dj]
    return found


@compiled
def share_among(at: FloatArray, weights: FloatArray, count: FloatArray) -> None:
    """Share weights (n,) at places (2, n) in cells among the four cells around each, into `count` (nx, ny); what falls beyond it is lost."""
    nx, ny = count.shape
    for n in range(weights.size):
        i, j = math.floor(at[0, n]), math.floor(at[1, n])
        a, b = at[0, n] - i, at[1, n] - j
        for di in range(2):
            for dj in range(2):
                if 0 <= i + di < nx and 0 <= j + dj < ny:
                    count[i + di, j + dj] += (a if di else 1.0 - a) * (b if dj else 1.0 - b) * weights[n]


@compiled
def balance_rows(
    of: Rows, curves: Loads, modes: Modes, width: float, tolerance: float
) -> tuple[FloatArray, FloatArray, FloatArray, int, float]:
    """Newton's method on the ways in which the press gives, row by row; see `balance.balance`.

    `width` is that of a strip [mm]. Returns how far each way goes (rows, ways), force (rows,), compression (rows, across), most iterations and
    worst residual.
    """
    closing, pile, mix = of
    loads, steps = curves
    shapes, stiffness = modes
    rows, across = closing.shape
    ways = shapes.shape[0]
    gone, force, compression = np.zeros((rows, ways)), np.zeros(rows), np.empty((rows, across))
    most, worst = 0, 0.0
    a = np.zeros(ways)
    for r in range(rows):
        tallest = closing[r].max()
        if tallest <= 0.0:
            compression[r] = closing[r]
            continue
        if not 0.0 < a[0] < tallest:  # the row before is a good place to start from: most are much like it
            a[:] = 0.0
        total, residual, downhill, share = 0.0, np.inf, 0.0, 1.0
        start, step = a.copy(), np.zeros_like(a)
        for iteration in range(MOST_ITERATIONS):
            a = start + share * step
            gradient, hessian = np.zeros(ways), np.zeros((ways, ways))
            total = 0.0
            for j in range(across):
                depth = closing[r, j]
                for k in range(ways):
                    depth -= a[k] * shapes[k, j]
                compression[r, j] = depth
                if depth > 0.0:
                    load, slope = load_of(depth, pile[r, j], mix[r, j], loads, steps)
                    load, slope = load * width, slope * width
                    total += load
                    for k in range(ways):
                        gradient[k] += load * shapes[k, j]
                        part = slope * shapes[k, j]
                        for m in range(k + 1):
                            hessian[k, m] += part * shapes[m, j]
            residual = 0.0
            for k in range(ways):
                gradient[k] -= stiffness[k] * a[k]
                residual += gradient[k] ** 2 / stiffness[k]
            most = max(most, iteration)
            if residual <= tolerance**2 * max(total, 1.0) ** 2 / stiffness[0]:
                break
            along_step = 0.0
            for k in range(ways):
                along_step += gradient[k] * step[k]
            if along_step < -OVERSHOT * downhill and share > SHORTEST:  # loads set in steeply: past the valley, take less of the step
                share *= min(max(downhill / (downhill - along_step), 0.1), 0.7)
                continue
            start, share, downhill = a.copy(), 1.0, 0.0
            for k in range(ways):
                hessian[k, k] += stiffness[k]
                for m in range(k):
                    hessian[m, k] = hessian[k, m]
            step[:] = np.linalg.solve(hessian, gradient)
            for k in range(ways):
                downhill += gradient[k] * step[k]
        gone[r], force[r] = a, total
        worst = max(worst, math.sqrt(residual * stiffness[0]) / max(total, 1.0))
    return gone, force, compression, most, worst
