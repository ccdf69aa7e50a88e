"""The inner loops of the nip, compiled: answer of one pile, balance of one row. Plain scalars and arrays only."""

import math
from typing import NamedTuple

import numba
import numpy as np
from numpy.typing import NDArray

FloatArray = NDArray[np.float64]
Three = tuple[float, float, float]
Six = tuple[float, float, float, float, float, float]

WAYS = 3  # in which a press gives: even, tilted, bent
MOST_ITERATIONS = 200
SHORTEST = 1e-6  # share of a step
OVERSHOT = 0.5  # of the slope at a step's start, the other way: the step went too far

compiled = numba.njit(cache=True, fastmath=False, error_model="numpy")


def plain(values: FloatArray) -> FloatArray:
    """The same in one piece of memory that can be written to: the kernels are compiled for that and nothing else, once."""
    return np.require(values, np.float64, ["C", "W"])


class Rows(NamedTuple):
    """Rows of strips (rows, across), or one of them (across,): how far each would close [mm], its pile's number, and the share of the next pile in it [1]."""

    closing: FloatArray
    pile: NDArray[np.intp]
    mix: FloatArray


class Loads(NamedTuple):
    """Loads of piles (n, nodes) over the root of their closing in equal steps (n,). [N/mm, mm^(1/2)]"""

    values: FloatArray
    steps: FloatArray


class Modes(NamedTuple):
    """The three ways in which the press gives: shapes across (ways, across) [1], and what each takes to give (ways,) [N/mm]."""

    shapes: FloatArray
    stiffness: FloatArray


@compiled
def read_off(depth: FloatArray, pile: NDArray[np.intp], mix: FloatArray, values: FloatArray, steps: FloatArray) -> FloatArray:
    """Channels of the piles' curves (channels, n, nodes) at every place, (channels, rows, across)."""
    channels, _, nodes = values.shape
    rows, across = depth.shape
    found = np.zeros((channels, rows, across))
    for r in range(rows):
        for j in range(across):
            if depth[r, j] > 0.0:
                root, p, share = math.sqrt(depth[r, j]), pile[r, j], mix[r, j]
                place = root / steps[p]
                n = min(int(place), nodes - 2)
                part = place - n
                for c in range(channels):
                    found[c, r, j] = values[c, p, n] + part * (values[c, p, n + 1] - values[c, p, n])
                if share > 0.0:
                    place = root / steps[p + 1]
                    n = min(int(place), nodes - 2)
                    part = place - n
                    for c in range(channels):
                        other = values[c, p + 1, n] + part * (values[c, p + 1, n + 1] - values[c, p + 1, n])
                        found[c, r, j] += share * (other - found[c, r, j])
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
def pressed(row: Rows, curves: Loads, modes: Modes, gone: FloatArray, compression: FloatArray) -> tuple[float, Three, Six]:
    """What the strips of one row bear with each way `gone` so far (3,), per width: load, its part along each way, and how these change with the
    ways (lower triangle, row by row); writes the row's `compression` (across,) [mm].

    A pile's curve is straight between nodes of the root of its closing; with a `mix` the next pile counts by that share. Written out, for three
    ways: with loops over them and a function for the curve it takes three times as long.
    """
    closing, pile, mix = row
    loads, steps = curves
    shapes, last = modes.shapes, loads.shape[1] - 2
    even, tilt, bend = gone[0], gone[1], gone[2]
    total = g0 = g1 = g2 = h00 = h10 = h11 = h20 = h21 = h22 = 0.0
    for j in range(closing.size):
        s0, s1, s2 = shapes[0, j], shapes[1, j], shapes[2, j]
        depth = closing[j] - even * s0 - tilt * s1 - bend * s2
        compression[j] = depth
        if depth > 0.0:
            root, p, share = math.sqrt(depth), pile[j], mix[j]
            place = root / steps[p]
            n = min(int(place), last)
            rise = loads[p, n + 1] - loads[p, n]
            load, slope = loads[p, n] + (place - n) * rise, rise / steps[p]
            if share > 0.0:
                p += 1
                place = root / steps[p]
                n = min(int(place), last)
                rise = loads[p, n + 1] - loads[p, n]
                load += share * (loads[p, n] + (place - n) * rise - load)
                slope += share * (rise / steps[p] - slope)
            slope /= 2.0 * root
            total += load
            g0, g1, g2 = g0 + load * s0, g1 + load * s1, g2 + load * s2
            b0, b1, b2 = slope * s0, slope * s1, slope * s2
            h00, h10, h11 = h00 + b0 * s0, h10 + b1 * s0, h11 + b1 * s1
            h20, h21, h22 = h20 + b2 * s0, h21 + b2 * s1, h22 + b2 * s2
    return total, (g0, g1, g2), (h00, h10, h11, h20, h21, h22)


@compiled
def solved(h: Six, g: Three) -> Three:
    """h^-1 g of a positive definite matrix, given by its lower triangle row by row, after Cholesky."""
    l00 = math.sqrt(h[0])
    l10, l20 = h[1] / l00, h[3] / l00
    l11 = math.sqrt(h[2] - l10 * l10)
    l21 = (h[4] - l20 * l10) / l11
    l22 = math.sqrt(h[5] - l20 * l20 - l21 * l21)
    y0 = g[0] / l00
    y1 = (g[1] - l10 * y0) / l11
    x2 = (g[2] - l20 * y0 - l21 * y1) / l22 / l22
    x1 = (y1 - l21 * x2) / l11
    return (y0 - l10 * x1 - l20 * x2) / l00, x1, x2


@compiled
def balance_rows(
    of: Rows, curves: Loads, modes: Modes, width: float, tolerance: float
) -> tuple[FloatArray, FloatArray, FloatArray, int, float]:
    """Newton's method on the three ways in which the press gives, row by row; see `balance.balance`.

    `width` is that of a strip [mm]. Returns how far each way goes (rows, ways), force (rows,), compression (rows, across), most iterations and
    worst residual.
    """
    closing, pile, mix = of
    rows, across = closing.shape
    gone, force, compression = np.zeros((rows, WAYS)), np.zeros(rows), np.empty((rows, across))
    k0, k1, k2 = modes.stiffness[0], modes.stiffness[1], modes.stiffness[2]
    a, start, step = np.zeros(WAYS), np.zeros(WAYS), np.zeros(WAYS)
    most, worst = 0, 0.0
    for r in range(rows):
        tallest = closing[r].max()
        if tallest <= 0.0:
            compression[r] = closing[r]
            continue
        if not 0.0 < a[0] < tallest:  # the row before is a good place to start from: most are much like it
            a[:] = 0.0
        total, residual, downhill, share = 0.0, np.inf, 0.0, 1.0
        start[:], step[:] = a, 0.0
        row = Rows(closing[r], pile[r], mix[r])
        for iteration in range(MOST_ITERATIONS):
            for k in range(WAYS):
                a[k] = start[k] + share * step[k]
            load, along_ways, slopes = pressed(row, curves, modes, a, compression[r])
            total = load * width
            g0, g1, g2 = along_ways[0] * width - k0 * a[0], along_ways[1] * width - k1 * a[1], along_ways[2] * width - k2 * a[2]
            residual = g0**2 / k0 + g1**2 / k1 + g2**2 / k2
            most = max(most, iteration)
            if residual <= tolerance**2 * max(total, 1.0) ** 2 / k0:
                break
            along_step = g0 * step[0] + g1 * step[1] + g2 * step[2]
            if along_step < -OVERSHOT * downhill and share > SHORTEST:  # loads set in steeply: past the valley, take less of the step
                share *= min(max(downhill / (downhill - along_step), 0.1), 0.7)
                continue
            h00, h10, h11, h20, h21, h22 = slopes
            hessian = (h00 * width + k0, h10 * width, h11 * width + k1, h20 * width, h21 * width, h22 * width + k2)
            step[0], step[1], step[2] = solved(hessian, (g0, g1, g2))
            downhill = g0 * step[0] + g1 * step[1] + g2 * step[2]
            start[:], share = a, 1.0
        gone[r], force[r] = a, total
        worst = max(worst, math.sqrt(residual * k0) / max(total, 1.0))
    return gone, force, compression, most, worst
