"""The inner loops of the nip, compiled: answer of one pile, balance of one row. Plain scalars and arrays only."""

import math

import numba
import numpy as np
from numpy.typing import NDArray

FloatArray = NDArray[np.float64]

SMALLEST_COMPLIANCE = 1e-6  # mm/MPa; stands in where no layer lies, so that nothing divides by zero
MOST_ITERATIONS = 80
GUESS_STEPS = 4

compiled = numba.njit(cache=True, fastmath=False, error_model="numpy")


@compiled
def pile_answer(
    depth: float,
    linear: float,
    elastomers: FloatArray,
    elastomer_presence: FloatArray,
    yielding: FloatArray,
    yielding_presence: FloatArray,
    radius: float,
) -> tuple[float, float, float]:
    """Answer of one pile to being closed.

    Parameters
    ----------
    depth : float
        Closing of the rollers against the free pile; nothing answers below 0. [mm]
    linear : float
        Compliance of the linear layers. [mm/MPa]
    elastomers : ndarray, shape (n, 2)
        Thickness and Young's modulus of the rubber-like layers. [mm, MPa]
    yielding : ndarray, shape (m, 2)
        Compliance of elements that give only so far, and the pressure at which they are used up. [mm/MPa, MPa]
    elastomer_presence : ndarray, shape (n,)
        How much of each is here, 0 to 1. [1]
    yielding_presence : ndarray, shape (m,)
        How easily each gives here, 0 where it is not: its compliance times this, used up at its pressure over this, so that what it gives in
        all stays the same. [1]
    radius : float
        Radius of each roller. [mm]

    Returns
    -------
    pressure, load, slope : float
        Peak pressure in the nip [MPa], force per width [N/mm], its change with depth [N/mm2].

    Notes
    -----
    A rubber layer is confined by a strip as wide as the nip: shape factor S = a / t with a^2 = R d (Gent and Lindley), so
    its compliance is t / (E (1 + 2 R d / t^2)). Elements that give only so far make pressure a broken line of the
    compression, p = sum_j g_j (d - d_j)+, and since every piece is linear the strip's load is (4/3) sqrt(R) sum_j g_j
    (d - d_j)+^(3/2). The slope leaves out that the break points move with the rubber's stiffness.

    Examples
    --------
    >>> none = np.zeros((0, 2)), np.zeros(0)
    >>> pressure, load, _ = pile_answer(0.04, 0.006, *none, *none, 16.0)
    >>> round(pressure, 2), round(load, 2)
    (6.67, 7.11)
    """
    if depth <= 0.0:
        return 0.0, 0.0, 0.0
    remaining = max(linear, SMALLEST_COMPLIANCE)
    stiffening = 0.0
    for k in range(elastomers.shape[0]):
        growth = 2.0 * radius / elastomers[k, 0] ** 2
        confined = 1.0 + growth * depth
        part = elastomer_presence[k] * elastomers[k, 0] / elastomers[k, 1] / confined
        remaining += part
        stiffening += part * growth / confined
    for k in range(yielding.shape[0]):
        remaining += yielding[k, 0] * yielding_presence[k]
    total = remaining
    root = math.sqrt(depth)
    pressure = depth / total
    load = pressure * root
    slope = 1.5 * root / total
    start = 0.0
    reached = 0.0
    k = -1
    for _ in range(yielding.shape[0]):
        k, full = next_used_up(yielding, yielding_presence, reached, k)
        if k < 0:
            break
        start += (full - reached) * remaining
        reached = full
        if depth <= start:
            break
        stiffer = remaining - yielding[k, 0] * yielding_presence[k]
        step = 1.0 / stiffer - 1.0 / remaining
        beyond = depth - start
        root = math.sqrt(beyond)
        pressure += step * beyond
        load += step * beyond * root
        slope += 1.5 * step * root
        remaining = stiffer
    scale = 4.0 / 3.0 * math.sqrt(radius)
    return pressure, scale * load, scale * (slope + load * stiffening / total)


@compiled
def next_used_up(yielding: FloatArray, presence: FloatArray, after: float, last: int) -> tuple[int, float]:
    """Index of the element that is used up next after the `last` one at pressure `after`, and at which pressure; -1 if none is. [MPa]"""
    found, at = -1, np.inf
    for k in range(yielding.shape[0]):
        if presence[k] > 0.0:
            full = yielding[k, 1] / presence[k]
            if (full > after or (full == after and k > last)) and full < at:
                found, at = k, full
    return found, at


@compiled
def balance_rows(
    closing: FloatArray,
    linear: FloatArray,
    elastomers: FloatArray,
    elastomer_presence: FloatArray,
    yielding: FloatArray,
    yielding_presence: FloatArray,
    y: FloatArray,
    width: FloatArray,
    radius: float,
    stiffness: float,
    span: float,
    tolerance: float,
) -> tuple[FloatArray, FloatArray, FloatArray, FloatArray, FloatArray, int, float]:
    """Newton's method on give and tilt, row by row; see `balance.balance`.

    Returns give, tilt, force (rows,), compression and pressure (rows, across), most iterations and worst residual.
    """
    rows, across = closing.shape
    give, tilt, force = np.zeros(rows), np.zeros(rows), np.zeros(rows)
    compression, pressure = np.empty((rows, across)), np.zeros((rows, across))
    turning = stiffness * span**2 / 4.0
    most, worst, m, theta = 0, 0.0, 0.0, 0.0
    for r in range(rows):
        tallest = closing[r].max()
        scale, residual = 1.0, np.inf
        near = r > 0 and 0.0 < m < tallest  # the row before is a good place to start from: most are much like it
        if not near:
            m, theta = 0.0, 0.0
        for iteration in range(MOST_ITERATIONS):
            f = g = k00 = k01 = k11 = 0.0
            for j in range(across):
                depth = closing[r, j] - m - theta * y[j]
                p, w, s = pile_answer(depth, linear[r, j], elastomers, elastomer_presence[r, j], yielding, yielding_presence[r, j], radius)
                compression[r, j], pressure[r, j] = depth, p
                w, s = w * width[r, j], s * width[r, j]
                f += w
                g += w * y[j]
                k00 += s
                k01 += s * y[j]
                k11 += s * y[j] * y[j]
            if iteration == 0:
                scale = max(f, 1.0)
                if not near and tallest > 0.0 and f > 0.0:
                    m = first_guess(f, tallest, stiffness)
                    continue
            out_force, out_moment = f - stiffness * m, g - turning * theta
            residual = abs(out_force) / scale + abs(out_moment) / (scale * span)
            most = max(most, iteration)
            if residual < tolerance:
                break
            k00, k11 = k00 + stiffness, k11 + turning
            determinant = k00 * k11 - k01 * k01
            damping = 1.0 if iteration < MOST_ITERATIONS // 2 else 0.5
            m += damping * (out_force * k11 - out_moment * k01) / determinant
            theta += damping * (out_moment * k00 - out_force * k01) / determinant
        give[r], tilt[r], force[r] = m, theta, f
        worst = max(worst, residual)
    return give, tilt, force, compression, pressure, most, worst


@compiled
def first_guess(force: float, depth: float, stiffness: float) -> float:
    """Give of the frame [mm] if every pile of a row were like its tallest.

    With F(m) = F0 (1 - m/d)^(3/2) and s^2 = 1 - m/d the balance K m = F(m) is F0 s^3 + K d s^2 = K d; a few Newton steps from
    s = 1 come close enough to start from.
    """
    target = stiffness * depth
    s = 1.0
    for _ in range(GUESS_STEPS):
        s -= (force * s**3 + target * (s**2 - 1.0)) / (3.0 * force * s**2 + 2.0 * target * s)
    return depth * (1.0 - s**2)
