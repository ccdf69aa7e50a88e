"""The inner loops of a nip's table, compiled: half widths and pressures under two rollers."""

from typing import NamedTuple

import numpy as np

from lofty_press.core.mechanics.layered.basis import EDGE, SHAPES, shapes_at, tails_at
from lofty_press.core.mechanics.layered.layer import compiled

CLOSED = 3e-4  # share of the load that a contact's edge may bear
TRIES = 40
STEEP = -2.0  # change of the edge's share of the load with the logarithm of the half width, to begin with
MOST_ROWS = 64
COLUMNS = 8  # closing, load, peak and width at the sheet, half widths, peaks under the rollers
UNKNOWNS = 2 * SHAPES  # load, the other shapes above, those below, and the edge below


class Waves(NamedTuple):
    """A pile's response at the nodes of the integrals over all waves, each times its weight over pi; and 2 (1 - nu^2) / E of its faces."""

    k: np.ndarray
    top: np.ndarray
    bottom: np.ndarray
    across: np.ndarray
    from_top: np.ndarray
    from_bottom: np.ndarray
    face_top: float
    face_bottom: float


class Universal(NamedTuple):
    """Tables that serve all piles: transforms of the shapes and tails of their products."""

    shapes: np.ndarray
    tails: np.ndarray


class Upper(NamedTuple):
    """The upper contact at a half width [mm]: transforms of its shapes at the nodes, what they do to one another, and the same times what
    comes through the pile."""

    half_width: float
    shapes: np.ndarray
    own: np.ndarray
    through: np.ndarray


@compiled
def march(
    waves: Waves, universal: Universal, radius: float, closings: tuple[float, float, float], band: float
) -> tuple[np.ndarray, np.ndarray]:
    """Rows and parts of a table from the first to past the last of `closings`, in steps of about its third.

    Each row begins from what the ones before show. It ends early where a contact changes by leaps, as that of a stiff film on a soft mat does
    when it begins to wrap round its roller. `band` is a first guess at the width of the sheet's band [mm].
    """
    first, last, step = closings
    rows, parts = np.empty((MOST_ROWS, COLUMNS)), np.empty((MOST_ROWS, UNKNOWNS - 1))
    below = np.empty((waves.k.size, EDGE + 1))
    count, slope = 0, 0.55
    wide = np.sqrt(radius * first)
    steep = STEEP
    ratio, change = 0.5 * np.log(waves.face_bottom / waves.face_top), 0.0
    while count < MOST_ROWS:
        upper = upper_contact(wide, waves, universal)
        found, steep, solution, edge = lower_contact(upper, (ratio + 0.8 * change, steep), waves, universal, radius, below)
        if count == 0 and solution[UNKNOWNS] > 1.5 * first and wide > 1e-4:
            wide *= max((first / solution[UNKNOWNS]) ** 0.6, 0.2)  # begins too wide
            continue
        change = found - ratio if count > 0 else 0.0
        ratio = found
        narrow = wide * np.exp(ratio)
        at_sheet = np.zeros(waves.k.size)
        for n in range(waves.k.size):
            up, down = solution[0] * upper.shapes[n, 0], solution[0] * below[n, 0]
            for s in range(1, SHAPES):
                up += solution[s] * upper.shapes[n, s]
                down += solution[SHAPES - 1 + s] * below[n, s]
            at_sheet[n] = waves.from_top[n] * up + waves.from_bottom[n] * down
        p_top, p_bottom = 2.0 * solution[0], 2.0 * solution[0]
        for s in range(1, SHAPES):  # U_2s(0) is (-1)^s, and so is the sign of the transform
            p_top += solution[s]
            p_bottom += solution[SHAPES - 1 + s]
        peak, closing = at_sheet.sum(), solution[UNKNOWNS]
        whole = edge < CLOSED and solution[0] > 0.0 and p_top > 0.0 and p_bottom > 0.0 and peak > 0.0
        if not whole or (count > 0 and closing <= rows[count - 1, 0]):
            break
        band = 2.0 * half_height(at_sheet, waves.k, band)
        rows[count] = (closing, solution[0], peak, band, wide, narrow, p_top / (np.pi * wide), p_bottom / (np.pi * narrow))
        parts[count] = solution[: UNKNOWNS - 1]
        count += 1
        if closing >= last:
            break
        if count > 1:
            slope = np.log(wide / rows[count - 2, 4]) / np.log(closing / rows[count - 2, 0])
        wide *= min(step**slope, 2.0)
    return rows[:count], parts[:count]


@compiled
def half_height(at_sheet: np.ndarray, k: np.ndarray, band: float) -> float:
    """Distance from the middle at which the sheet's pressure has fallen to its half. [mm]"""
    wanted = 0.5 * at_sheet.sum()
    low, high = 0.0, 0.49 * band
    value_low, value_high = wanted, (at_sheet * np.cos(k * high)).sum() - wanted
    for _ in range(60):
        if value_high < 0.0:
            break
        low, value_low, high = high, value_high, 1.05 * high if low == 0.0 else 1.5 * high
        value_high = (at_sheet * np.cos(k * high)).sum() - wanted
    middle = high
    for _ in range(20):  # Illinois' false position
        middle = (low * value_high - high * value_low) / (value_high - value_low)
        value = (at_sheet * np.cos(k * middle)).sum() - wanted
        if abs(value) < 1e-4 * wanted:
            break
        if value > 0.0:
            low, value_low, value_high = middle, value, 0.5 * value_high
        else:
            high, value_high, value_low = middle, value, 0.5 * value_low
    return middle


@compiled
def upper_contact(half_width: float, waves: Waves, universal: Universal) -> Upper:
    """The upper contact at a half width. [mm]"""
    shapes = np.empty((waves.k.size, EDGE + 1))
    shapes_at(universal.shapes, half_width, waves.k, shapes)
    own = one_face(shapes, waves.top, waves.k[-1] * half_width, waves.face_top, universal.tails)
    return Upper(half_width, shapes, own, weighted(shapes, waves.across))


@compiled
def one_face(shapes: np.ndarray, response: np.ndarray, last: float, face: float, tails: np.ndarray) -> np.ndarray:
    """What the shapes of a contact do to one another through its own face (shapes, shapes): nodes, and half-space beyond the last."""
    beyond = np.empty((EDGE + 1, EDGE + 1))
    tails_at(tails, last, beyond)
    return np.asarray(np.dot(weighted(shapes, response), shapes) + face / np.pi * beyond)


@compiled
def weighted(shapes: np.ndarray, response: np.ndarray) -> np.ndarray:
    """Shapes' transforms (n, shapes) times a response (n,), turned over: (shapes, n)."""
    found = np.empty((shapes.shape[1], shapes.shape[0]))
    for n in range(shapes.shape[0]):
        for i in range(shapes.shape[1]):
            found[i, n] = response[n] * shapes[n, i]
    return found


@compiled
def lower_contact(
    upper: Upper, guess: tuple[float, float], waves: Waves, universal: Universal, radius: float, below: np.ndarray
) -> tuple[float, float, np.ndarray, float]:
    """Logarithm of the lower half width over the upper, at which the lower contact has no edge.

    `guess` is where to begin, and how the edge's share of the load changes there. Returns both at the end, the solution, and the edge left.
    """
    x, slope = guess
    x0, f0 = x, 0.0
    solution = pressures(upper, upper.half_width * np.exp(x), waves, universal, radius, below)
    f = solution[UNKNOWNS - 1] / solution[0]
    for _ in range(TRIES):
        if abs(f) < CLOSED:
            break
        if x != x0 and f != f0:
            slope = (f - f0) / (x - x0)
        x0, f0 = x, f
        x -= min(max(f / slope, -0.4), 0.4)
        solution = pressures(upper, upper.half_width * np.exp(x), waves, universal, radius, below)
        f = solution[UNKNOWNS - 1] / solution[0]
    return x, slope, solution, abs(f)


@compiled
def pressures(upper: Upper, narrow: float, waves: Waves, universal: Universal, radius: float, below: np.ndarray) -> np.ndarray:
    """Solve for both pressures at given half widths; leaves the lower shapes' transforms in `below`.

    Returns load [N/mm], the other shapes above and below, the edge below, and last the closing [mm]: (UNKNOWNS + 1,).
    """
    shapes_at(universal.shapes, narrow, waves.k, below)
    bb = one_face(below, waves.bottom, waves.k[-1] * narrow, waves.face_bottom, universal.tails)
    tt, tb = upper.own, np.dot(upper.through, below)
    matrix, right = np.zeros((UNKNOWNS, UNKNOWNS)), np.zeros(UNKNOWNS)
    for i in range(SHAPES):  # tests that carry no load: the other shapes, then the edge
        a = i + 1
        matrix[i, 0] = tt[a, 0] + tb[a, 0]
        matrix[SHAPES + i, 0] = bb[a, 0] + tb[0, a]
        for j in range(1, SHAPES):
            matrix[i, j] = tt[a, j]
            matrix[i, SHAPES - 1 + j] = tb[a, j]
            matrix[SHAPES + i, j] = tb[j, a]
            matrix[SHAPES + i, SHAPES - 1 + j] = bb[a, j]
        matrix[i, UNKNOWNS - 1] = tb[a, EDGE]
        matrix[SHAPES + i, UNKNOWNS - 1] = bb[a, EDGE]
    # second moments of the shapes times half the rollers' curvature
    bend_top, bend_bottom = upper.half_width**2 / (2.0 * radius), narrow**2 / (2.0 * radius)
    right[0], right[SHAPES] = bend_top / 8.0, bend_bottom / 8.0
    right[SHAPES - 1], right[UNKNOWNS - 1] = -bend_top / 4.0, -bend_bottom / 4.0
    solution = np.linalg.solve(matrix, right)
    closing = solution[0] * (tt[0, 0] + bb[0, 0] + 2.0 * tb[0, 0]) + 0.25 * (bend_top + bend_bottom)
    for j in range(1, SHAPES):
        closing += solution[j] * (tt[0, j] + tb[j, 0]) + solution[SHAPES - 1 + j] * (bb[0, j] + tb[0, j])
    closing += solution[UNKNOWNS - 1] * (bb[0, EDGE] + tb[0, EDGE])
    return np.append(solution, closing)
