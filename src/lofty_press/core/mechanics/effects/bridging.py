"""A sheet between a blade and a mat: how it sinks in until the die's body lies on it, and bridges the corner beside the blade after."""

from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

import numba
import numpy as np

from lofty_press.core.basics.errors import NoBalance
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.sandwich.stock import bending_energy, secant_and_tangent

compiled = numba.njit(cache=True, error_model="numpy")

NODES = 81
AWAY = 6.0  # reciprocal lengths of the strip on the mat, from the blade to where nothing of it is felt
TRAVELS = 10  # steps in which the blade sinks in
PRESSURES = 18  # at which the body lies on the sheet
HIGHEST = 60.0  # MPa; beyond every press
UNCUT = 1e-3  # of the blade's height a sheet gives way under it before it begins to be cut: next to nothing
CLOSE = 1e-8  # of the energy
LEAST = 1e-9  # N; no energy at all
MOST_ITERATIONS = 200
SECANT = (1e-3, 10.0)  # least share of the secant in a slope, and by what it grows where steps have to be shortened
SHORTEST = 1e-6  # of a step


class Strip(NamedTuple):
    """Half a strip of sheet on a mat.

    `bending` is its stiffness [N mm], `yields` and `saturates` the curvatures between which it hardens by `hardening` [1/mm, 1], `foundation` what the mat
    stands for each mm that the sheet goes down, `body` what the sheet itself does for each mm that the die's body squeezes it [N/mm3]. The blade stands
    `height` out of the body [mm], does not cut up to `score` [N/mm], and then goes in by `entry` for each N/mm more [mm2/N].
    """

    bending: float
    yields: float
    hardening: float
    saturates: float
    foundation: float
    body: float
    height: float
    score: float
    entry: float


@dataclass(frozen=True, eq=False)
class Bridge:
    """What a blade bears, `load` (n,) [N/mm], while the mat presses with `away` (n,) where no blade is near [MPa] and with `beside` (n,) more, in all, next
    to each mm of it [N/mm]; `sunk` (n,) is how far the sheet goes down under the blade [mm]. The body touches after the place `touches`."""

    load: FloatArray
    away: FloatArray
    beside: FloatArray
    sunk: FloatArray
    touches: int

    def pressure(self, density: float) -> FloatArray:
        """Mean pressure on a die with so much blade for its area [1/mm] (n,), rising. [MPa]"""
        return np.maximum.accumulate(self.away + density * self.beside)


@lru_cache(maxsize=256)
def bridge(strip: Strip) -> Bridge:
    """Sink a blade into a sheet on a mat, and go on pressing once the die's body lies on it.

    Notes
    -----
    The sheet is a strip that bends elastically and plastically (Section) on a mat of independent springs (Hetenyi, Beams on Elastic Foundation, 1946);
    loading goes one way, so that energies of deformation serve. Sinking, the blade bears all. Once the body lies on the sheet the mat presses everywhere,
    and what it presses on the piece beside the blade that does not reach the body, the blade bears too. That piece gets shorter as the pressure rises and
    the sheet yields. Stretching of the sheet and the blade's own width are left out.

    Raises
    ------
    NoBalance
        If Newton's method does not close the balance.
    """
    h = AWAY * (4.0 * strip.bending / strip.foundation) ** 0.25 / (NODES - 1)
    travels = strip.height * np.arange(1, TRAVELS + 1) / TRAVELS
    pressures = np.geomspace(0.02 * strip.foundation * strip.height, max(HIGHEST, strip.foundation * strip.height), PRESSURES)
    steps = np.concatenate(
        [np.stack([travels, np.zeros(TRAVELS)], axis=1), np.stack([np.full(PRESSURES, strip.height), pressures], axis=1)]
    )
    found, left = pressed(strip, h, steps)
    if not left <= CLOSE:
        raise NoBalance(MOST_ITERATIONS, left)
    first = np.zeros((1, 4))
    load, away, beside, sunk = np.concatenate([first, found]).T
    return Bridge(np.maximum.accumulate(load), away, beside, sunk, TRAVELS)


@compiled
def pressed(strip: Strip, h: float, steps: FloatArray) -> tuple[FloatArray, float]:
    """Load, pressure away, force beside, and how far the sheet sinks (n, 4) for each travel of the blade and pressure of the mat in `steps` (n, 2); and
    what the last step would still gain of the energy at most [1]."""
    n = NODES
    w, trial, force, step = np.zeros(n), np.zeros(n), np.zeros(n), np.zeros(n)
    bands = np.zeros((3, n))
    found, left = np.zeros((steps.shape[0], 4)), 0.0
    for s in range(steps.shape[0]):
        travel, pressure = at = steps[s, 0], steps[s, 1]
        floor, gains = 0.0, 0.0
        energy = forces(strip, h, at, w, floor, force, bands)
        for _ in range(MOST_ITERATIONS):
            solve(bands, force, step)
            size, slope = 1.0, np.dot(force, step)
            gains = slope / max(abs(energy), LEAST)
            if gains <= CLOSE:
                break
            while True:
                trial[:] = w - size * step
                tried = forces(strip, h, at, trial, floor, force, bands)
                if tried <= energy - 1e-4 * size * slope or size < SHORTEST:
                    break
                size *= 0.5
            w[:], energy = trial, tried
            floor = min(max(floor, SECANT[0]) * SECANT[1], 1.0) if size < 1.0 else floor / SECANT[1]
        left = max(left, gains)
        away = pressure + strip.foundation * w[n - 1] if pressure > 0.0 else 0.0
        beside = 0.0
        for i in range(n):
            beside += (2.0 if i > 0 else 1.0) * h * (strip.foundation * w[i] + pressure - away)
        found[s] = (on_blade(strip, travel - w[0])[0], away, beside, w[0])
    return found, left


@compiled
def on_blade(strip: Strip, entered: float) -> tuple[float, float, float]:
    """Load of a blade that has gone into the sheet so far, its slope and the work of it. [N/mm, N/mm2, N]"""
    if entered <= 0.0:
        return 0.0, 0.0, 0.0
    slight = UNCUT * strip.height
    stiff = strip.score / slight
    if entered <= slight:
        return stiff * entered, stiff, 0.5 * stiff * entered**2
    more = entered - slight
    return (
        strip.score + more / strip.entry,
        1.0 / strip.entry,
        0.5 * strip.score * slight + strip.score * more + 0.5 * more**2 / strip.entry,
    )


@compiled
def forces(strip: Strip, h: float, at: tuple[float, float], w: FloatArray, floor: float, force: FloatArray, bands: FloatArray) -> float:
    """Energy of half a strip at deflections `w` (n,) towards the mat [N]; fills its gradient (n,) and the diagonals of its second derivative (3, n)."""
    travel, pressure = at
    n = w.shape[0]
    force[:] = 0.0
    bands[:] = 0.0
    energy = 0.0
    for i in range(n):
        part = h if 0 < i < n - 1 else 0.5 * h
        squeezed = min(w[i], 0.0) if pressure > 0.0 else 0.0
        touching = strip.body if squeezed < 0.0 else 0.0
        energy += part * (0.5 * strip.foundation * w[i] ** 2 + pressure * w[i] + 0.5 * strip.body * squeezed**2)
        force[i] += part * (strip.foundation * w[i] + pressure + strip.body * squeezed)
        bands[0, i] += part * (strip.foundation + touching)
    for i in range(n - 1):
        part = h if i > 0 else 0.5 * h
        before = w[i - 1] if i > 0 else w[1]
        curvature = (before - 2.0 * w[i] + w[i + 1]) / h**2
        secant, tangent = secant_and_tangent(abs(curvature), strip.yields, strip.hardening, strip.saturates)
        energy += part * strip.bending * bending_energy(abs(curvature), strip.yields, strip.hardening, strip.saturates)
        moment = part * strip.bending * secant * curvature / h**2
        steep = part * strip.bending * max(tangent, floor * secant) / h**4
        if i > 0:
            force[i - 1] += moment
            force[i] -= 2.0 * moment
            force[i + 1] += moment
            bands[0, i - 1] += steep
            bands[0, i] += 4.0 * steep
            bands[0, i + 1] += steep
            bands[1, i - 1] -= 2.0 * steep
            bands[1, i] -= 2.0 * steep
            bands[2, i - 1] += steep
        else:
            force[0] -= 2.0 * moment
            force[1] += 2.0 * moment
            bands[0, 0] += 4.0 * steep
            bands[0, 1] += 4.0 * steep
            bands[1, 0] -= 4.0 * steep
    load, slope, work = on_blade(strip, travel - w[0])
    energy += 0.5 * work
    force[0] -= 0.5 * load
    bands[0, 0] += 0.5 * slope
    return energy


@compiled
def solve(bands: FloatArray, right: FloatArray, found: FloatArray) -> None:
    """Solve a symmetric positive system of five diagonals (3, n), upper ones given, by L D L^T; `bands` is used up."""
    n = right.shape[0]
    found[:] = right
    for i in range(n):
        pivot = bands[0, i]
        for k in (1, 2):
            if i + k >= n:
                break
            share = bands[k, i] / pivot
            bands[0, i + k] -= share * bands[k, i]
            if k == 1 and i + 2 < n:
                bands[1, i + 1] -= share * bands[2, i]
            found[i + k] -= share * found[i]
    for i in range(n - 1, -1, -1):
        value = found[i] / bands[0, i]
        for k in (1, 2):
            if i + k < n:
                value -= bands[k, i] / bands[0, i] * found[i + k]
        found[i] = value
