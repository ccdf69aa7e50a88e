"""The inner loops of the full nip, compiled: each passes once over the grid. Plain scalars and arrays only."""

import math
from typing import NamedTuple

import numba
import numpy as np

from lofty_press.core.mechanics.layered import Law, compiled, law_at

loose = numba.njit(cache=True, error_model="numpy", fastmath={"reassoc", "contract", "nsz"})  # sums in any order


class Ground(NamedTuple):
    """What lies in a window: places from the rollers' line along (nx,) and across (ny,) [mm]; how far the interface is open (nx, ny) [mm], the
    number of its law and how much of it there is [1]."""

    x: np.ndarray
    y: np.ndarray
    opens: np.ndarray
    law: np.ndarray
    density: np.ndarray


class LawTable(NamedTuple):
    """Laws of interfaces, padded to the longest: pressures over closings (laws, points) [MPa, mm], how many points count (laws,), and the slope of
    one that is shut [MPa/mm]."""

    pressures: np.ndarray
    closings: np.ndarray
    points: np.ndarray
    shut: float


@compiled
def close_interface(o: np.ndarray, tilt: np.ndarray, ground: Ground, laws: LawTable, pressure: np.ndarray, slope: np.ndarray) -> None:
    """Pressure and its slope at an opening o + tilt . (x, y) of the interface, into `pressure` and `slope`. [MPa, MPa/mm]"""
    x, y, opens, law, density = ground
    pressures, closings, points, shut = laws
    for i in range(o.shape[0]):
        for j in range(o.shape[1]):
            c = opens[i, j] - o[i, j] - tilt[0] * x[i] - tilt[1] * y[j]
            if c <= 0.0:
                pressure[i, j], slope[i, j] = 0.0, 0.0
                continue
            n = law[i, j]
            count = points[n]
            last, d = closings[n, count - 1], density[i, j]
            if c < last:
                p, s = law_at(c, Law(pressures[n, :count], closings[n, :count], shut))
                pressure[i, j], slope[i, j] = d * p, d * s
            else:
                pressure[i, j], slope[i, j] = d * pressures[n, count - 1] + shut * (c - last), shut


@loose
def sums_over(p: np.ndarray, x: np.ndarray, y: np.ndarray) -> tuple[float, float, float]:
    """The sum of a field and its moments along and across."""
    total, first, second = 0.0, 0.0, 0.0
    for i in range(p.shape[0]):
        row, moment = 0.0, 0.0
        for j in range(p.shape[1]):
            row += p[i, j]
            moment += p[i, j] * y[j]
        total += row
        first += row * x[i]
        second += moment
    return total, first, second


@loose
def waves_to_line(to_line: np.ndarray, waves: np.ndarray, line: np.ndarray) -> None:
    """What waves of the plane come to on the rollers' line (across / 2 + 1,)."""
    line[:] = 0.0
    for i in range(waves.shape[0]):
        for j in range(waves.shape[1]):
            line[j] += to_line[i, j] * waves[i, j]


@loose
def push(stiffness: np.ndarray, waves: np.ndarray, from_line: np.ndarray, line: np.ndarray, out: np.ndarray) -> None:
    """Pressure waves of an opening and of a load on the line, into `out`."""
    for i in range(waves.shape[0]):
        for j in range(waves.shape[1]):
            out[i, j] = stiffness[i, j] * waves[i, j] + from_line[i, j] * line[j]


@loose
def add_slope(
    w: np.ndarray, slope: np.ndarray, p: np.ndarray, tilt: np.ndarray, x: np.ndarray, y: np.ndarray
) -> tuple[float, float, float]:
    """Add what the interface's slope makes of a step to `w`; the step's part of the product with it, and both moments."""
    inner, first, second = 0.0, 0.0, 0.0
    none = slope.dtype.type(0)
    for i in range(w.shape[0]):
        product, row, moment, turned = none, none, none, tilt[0] * x[i]
        for j in range(w.shape[1]):
            d = slope[i, j] * (p[i, j] + turned + tilt[1] * y[j])
            w[i, j] += d
            product += p[i, j] * w[i, j]
            row += d
            moment += d * y[j]
        inner += product
        first += row * x[i]
        second += moment
    return inner, first, second


@loose
def advance(step: np.ndarray, residual: np.ndarray, p: np.ndarray, w: np.ndarray, share: float, scale: np.ndarray, out: np.ndarray) -> None:
    """Go a share along p: `step`, `residual`, and the residual times `scale` into `out`."""
    for i in range(step.shape[0]):
        for j in range(step.shape[1]):
            step[i, j] += share * p[i, j]
            residual[i, j] -= share * w[i, j]
            out[i, j] = scale[i, j] * residual[i, j]


@loose
def precondition(waves: np.ndarray, inverse: np.ndarray, to_line: np.ndarray, line_back: np.ndarray, line: np.ndarray) -> None:
    """Answer of an even pile to waves of pressure, its rollers' line included, in place."""
    line[:] = 0.0
    for i in range(waves.shape[0]):
        for j in range(waves.shape[1]):
            waves[i, j] *= inverse[i, j]
            line[j] += to_line[i, j] * waves[i, j]
    for i in range(waves.shape[0]):
        for j in range(waves.shape[1]):
            waves[i, j] -= line_back[i, j] * line[j]


@loose
def scaled_dot(z: np.ndarray, scale: np.ndarray, residual: np.ndarray) -> float:
    """z times `scale`, in place; its product with the residual."""
    total = 0.0
    for i in range(z.shape[0]):
        row = z.dtype.type(0)
        for j in range(z.shape[1]):
            z[i, j] *= scale[i, j]
            row += z[i, j] * residual[i, j]
        total += row
    return total


@loose
def turn_to(p: np.ndarray, z: np.ndarray, share: float) -> None:
    """The next direction, in place."""
    for i in range(p.shape[0]):
        for j in range(p.shape[1]):
            p[i, j] = z[i, j] + share * p[i, j]


@loose
def slope_along(
    step: np.ndarray,
    holds: tuple[np.ndarray, np.ndarray],
    share: float,
    pressure: np.ndarray,
    tilt: np.ndarray,
    levers: tuple[np.ndarray, np.ndarray],
) -> float:
    """How steeply the energy of interface and halves changes along a step, after a share of it; `holds` is what the halves hold against its start
    and against the step."""
    held, held_by = holds
    x, y = levers
    total = 0.0
    for i in range(step.shape[0]):
        for j in range(step.shape[1]):
            total += step[i, j] * (held[i, j] + share * held_by[i, j])
            total -= pressure[i, j] * (step[i, j] + tilt[0] * x[i] + tilt[1] * y[j])
    return total


@compiled
def press_places(closing: np.ndarray, loads: np.ndarray, step: float, load: np.ndarray, slope: np.ndarray) -> None:
    """Load and its slope at places of the rollers' line that are closed so far, into `load` and `slope`: straight between nodes of the root of
    the closing. [N/mm, N/mm2]"""
    for j in range(closing.size):
        if closing[j] <= 0.0:
            load[j], slope[j] = loads[0], 0.0
            continue
        root = math.sqrt(closing[j])
        place = root / step
        n = min(int(place), loads.size - 2)
        rise = loads[n + 1] - loads[n]
        load[j], slope[j] = loads[n] + (place - n) * rise, rise / (2.0 * step * max(root, 1e-9))


@compiled
def misfit_of(offered: np.ndarray, closing: np.ndarray, given: np.ndarray, slope: np.ndarray, misfit: np.ndarray) -> tuple[float, float]:
    """What is offered to the rollers' line and not taken, neither closed nor `given` by the press, into `misfit`; the largest of it where something
    presses or would, and the sum of all. [mm]"""
    worst, whole = 0.0, 0.0
    for j in range(offered.size):
        left = offered[j] - closing[j] - given[j]
        misfit[j] = left
        size = abs(left)
        whole += size
        if size > worst and (slope[j] > 0.0 or left + closing[j] > 0.0):
            worst = size
    return worst, whole
