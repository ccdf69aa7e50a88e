"""The inner loops of a cross-section whose interface gives, compiled: plain scalars and arrays only."""

import math
from typing import Any, NamedTuple

import numpy as np

from lofty_press.core.mechanics.layered.layer import compiled

STATES = 3
FORCE, MIDDLE, BAND = range(STATES)
MOST_STEPS = 200
CLOSE = 1e-6  # of the pressure in the middle
LINE_STEPS = 30
DOWN_ENOUGH = 0.3  # of the slope at a step's start, to either side of the valley


class Law(NamedTuple):
    """An interface's law: pressure over closing (points,) [MPa, mm], and its slope once it is shut [MPa/mm]."""

    pressure: np.ndarray
    closing: np.ndarray
    shut: float


class Rollers(NamedTuple):
    """Loads of a pile with its interface shut (nodes,), over the root of its closing in equal steps. [N/mm, mm^(1/2)]"""

    loads: np.ndarray
    step: float


@compiled
def law_at(c: float, law: Law) -> tuple[float, float]:
    """Pressure on an interface that is closed by c [mm], and its slope [MPa, MPa/mm]; straight between points, stiff once it is shut."""
    pressure, closing, shut = law
    last = closing.size - 1
    if c <= 0.0:
        return 0.0, 0.0
    if c >= closing[last]:
        return pressure[last] + shut * (c - closing[last]), shut
    a, b = 0, last
    while b - a > 1:
        middle = (a + b) // 2
        if closing[middle] <= c:
            a = middle
        else:
            b = middle
    slope = (pressure[b] - pressure[a]) / (closing[b] - closing[a])
    return pressure[a] + slope * (c - closing[a]), slope


@compiled
def rollers_at(e: float, rollers: Rollers) -> tuple[float, float]:
    """Load on a pile that is closed by e with its interface shut, and its slope. [N/mm, N/mm2]"""
    loads, step = rollers
    if e <= 0.0:
        return 0.0, 0.0
    root = math.sqrt(e)
    place = root / step
    n = min(int(place), loads.size - 2)
    rise = loads[n + 1] - loads[n]
    return loads[n] + (place - n) * rise, rise / (step * 2.0 * root)


@compiled
def between(low: float, low_slope: float, high: float, high_slope: float) -> float:
    """Where a line search looks next: on the chord of the slopes at both ends of the bracket, and not too near to either."""
    share = low - low_slope * (high - low) / (high_slope - low_slope)
    return min(max(share, low + 0.05 * (high - low)), low + 0.9 * (high - low))


@compiled
def close_section(
    stiffness: np.ndarray,
    transfer: np.ndarray,
    spacing: float,
    rollers: Rollers,
    closings: np.ndarray,
    law: Law,
) -> tuple[np.ndarray, float]:
    """Close the rollers step by step; see `compliant.Compliant.curve`.

    Parameters
    ----------
    stiffness : (n, n), transfer : (n,), spacing
        Of the cross-section [MPa/mm, 1/mm, mm].
    rollers : Rollers
        Of the rigid pile.
    closings : (m,)
        Rising. [mm]
    law : Law
        Of the interface.

    Returns
    -------
    ndarray, shape (m, STATES)
        Load [N/mm], pressure in the middle of the nip [MPa], width of the band over half of it [mm].
    float
        The largest unbalanced pressure over that in the middle. [1]
    """
    n = transfer.size
    found, worst = np.zeros((closings.size, STATES)), 0.0
    c, p, slope = np.full(n, -0.0), np.zeros(n), np.zeros(n)
    trial, matrix = np.zeros(n), np.empty((n, n))
    w = 2.0 * spacing
    pulled = np.zeros(n)
    for m in range(closings.size):
        unbalanced = 0.0
        for _ in range(MOST_STEPS):
            given = 0.0
            for i in range(n):
                p[i], slope[i] = law_at(c[i], law)
                given += w * transfer[i] * c[i]
            load, rise = rollers_at(closings[m] - given, rollers)
            pulled[:] = stiffness @ c
            residual = load * transfer - p - pulled
            scale = max(p.max(), load * transfer[0], 1e-9)
            unbalanced = np.abs(residual).max() / scale
            if unbalanced < CLOSE:
                break
            for i in range(n):
                for j in range(n):
                    matrix[i, j] = stiffness[i, j] + w * rise * transfer[i] * transfer[j]
                matrix[i, i] += slope[i] + 1e-9
            move = np.linalg.solve(matrix, residual)
            held = stiffness @ move
            along, least, share, low, high_slope = 0.0, 0.0, 1.0, 0.0, 0.0
            given_by = 0.0
            for i in range(n):
                least -= move[i] * residual[i]
                given_by += w * transfer[i] * move[i]
            low_slope, high = least, 1.0
            for _ in range(LINE_STEPS):
                load, rise = rollers_at(closings[m] - given - share * given_by, rollers)
                along = -load * given_by / w
                for i in range(n):
                    trial[i] = c[i] + share * move[i]
                    value, _ = law_at(trial[i], law)
                    along += move[i] * (pulled[i] + share * held[i] + value)
                if abs(along) <= -DOWN_ENOUGH * least or (along < 0.0 and share == 1.0):
                    break
                if along < 0.0:
                    low, low_slope = share, along
                else:
                    high, high_slope = share, along
                share = between(low, low_slope, high, high_slope)
            c[:] = trial
        worst = max(worst, unbalanced)
        load, rise = rollers_at(closings[m] - w * (transfer * c).sum(), rollers)
        found[m, FORCE] = load
        top = max((9.0 * p[0] - p[1]) / 8.0, p.max())  # the first place lies half a step beside the middle
        found[m, MIDDLE] = top
        found[m, BAND] = 2.0 * half_of(p, top, spacing)
    return found, worst


@compiled
def half_of(p: np.ndarray, top: float, spacing: float) -> Any:
    """How far from the middle the pressure has fallen by half. [mm]"""
    before, x_before = top, 0.0
    for i in range(p.size):
        x = (i + 0.5) * spacing
        if p[i] < 0.5 * top:
            return x_before + (x - x_before) * (before - 0.5 * top) / max(before - p[i], 1e-12)
        before, x_before = p[i], x
    return x_before
