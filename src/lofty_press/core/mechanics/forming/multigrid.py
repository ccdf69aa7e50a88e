"""A multigrid cycle for bending, tension and foundation together: the preconditioner of the inner solve.

The cycle works on del^2 (d del^2 v) - div (n grad v) + k v = f with scalar coefficients on every grid, in single precision. It is
symmetric: a polynomial smoother before and after, quadratic interpolation down and its transpose up.
"""

from typing import Any, NamedTuple

import numba
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.forming.plate import mirror

compiled = numba.njit(cache=True, fastmath=True, error_model="numpy", nogil=True)

Single = NDArray[np.float32]


class Level(NamedTuple):
    """One grid of the hierarchy; all arrays have its shape with a ghost ring. `v` solves for `f`; `weight` is the smoother's, `p` and `m` its
    memory; `ih2` is 1 / h^2."""

    ih2: float
    stiffness: Single
    tension: Single
    foundation: Single
    weight: Single
    v: Single
    f: Single
    p: Single
    m: Single


SMALLEST = 8  # cells along the shorter side of the coarsest grid
DEGREE = 2
LOWEST_OF_ALL = 0.002  # the same on the coarsest grid, where nothing takes over
LOWEST = 0.06  # share of the largest eigenvalue from which the smoother works: 1/16 is where the next coarser grid takes over


@compiled
def bend(level: Level) -> None:
    """m = d del^2 v, its ghosts too."""
    v, d, m = level.v, level.stiffness, level.m
    nx, ny = v.shape[0] - 2, v.shape[1] - 2
    scale, four = np.float32(level.ih2), np.float32(4.0)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            m[i, j] = d[i, j] * scale * (v[i + 1, j] + v[i - 1, j] + v[i, j + 1] + v[i, j - 1] - four * v[i, j])
    mirror(m, 1.0)


@compiled
def left_over(level: Level, scale: np.float32, i: int, j: int) -> np.float32:
    """f - A v in one cell."""
    v, m, n = level.v, level.m, level.tension
    w, t = v[i, j], n[i, j]
    answer = m[i + 1, j] + m[i - 1, j] + m[i, j + 1] + m[i, j - 1] - np.float32(4.0) * m[i, j]
    pull = (
        (t + n[i + 1, j]) * (w - v[i + 1, j])
        + (t + n[i - 1, j]) * (w - v[i - 1, j])
        + (t + n[i, j + 1]) * (w - v[i, j + 1])
        + (t + n[i, j - 1]) * (w - v[i, j - 1])
    )
    return np.float32(level.f[i, j] - (answer + np.float32(0.5) * pull) * scale - level.foundation[i, j] * w)


@compiled
def smooth_step(level: Level, keep: float, take: float) -> None:
    """One step of the polynomial: p = keep p + take weight (f - A v); v += p."""
    v, p, weight = level.v, level.p, level.weight
    nx, ny = v.shape[0] - 2, v.shape[1] - 2
    scale = np.float32(level.ih2)
    a, b = np.float32(keep), np.float32(take)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            p[i, j] = a * p[i, j] + b * weight[i, j] * left_over(level, scale, i, j)
        # the next row still reads this row of v, so the one before it is moved on
        if i > 1:
            for j in range(1, ny + 1):
                v[i - 1, j] += p[i - 1, j]
    for j in range(1, ny + 1):
        v[nx, j] += p[nx, j]


@compiled
def residual(level: Level) -> None:
    """p = f - A v."""
    bend(level)
    nx, ny = level.v.shape[0] - 2, level.v.shape[1] - 2
    scale = np.float32(level.ih2)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            level.p[i, j] = left_over(level, scale, i, j)


@compiled
def first_step(level: Level, take: float) -> None:
    """The first step of the polynomial from v = 0, for which A v need not be worked out."""
    v, p = level.v, level.p
    nx, ny = v.shape[0] - 2, v.shape[1] - 2
    b = np.float32(take)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            p[i, j] = b * level.weight[i, j] * level.f[i, j]
            v[i, j] = p[i, j]


@compiled
def smooth(level: Level, degree: int, from_zero: bool, lowest: float) -> None:
    """Chebyshev's polynomial over eigenvalues from `lowest` to 1."""
    theta, delta = 0.5 * (1.0 + lowest), 0.5 * (1.0 - lowest)
    sigma = theta / delta
    rho = 1.0 / sigma
    keep, take = 0.0, 1.0 / theta
    for step in range(degree):
        if step > 0:
            following = 1.0 / (2.0 * sigma - rho)
            keep, take = following * rho, 2.0 * following / delta
            rho = following
        if step == 0 and from_zero:
            first_step(level, take)
        else:
            bend(level)
            smooth_step(level, keep, take)
        mirror(level.v, 1.0)


@compiled
def weights(d: Single, k: Single, n: Single, ih2: float, out: Single) -> None:
    """Inverse of a diagonal that is never under the operator, so that all eigenvalues of their product are at most 1.

    By Cauchy's inequality (sum c v)^2 <= (sum |c|) (sum |c| v^2) for the five-point difference: A <= diag(32 d + 8 sum d_neighbours).
    """
    nx, ny = d.shape[0] - 2, d.shape[1] - 2
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            near = d[i + 1, j] + d[i - 1, j] + d[i, j + 1] + d[i, j - 1]
            pulls = n[i + 1, j] + n[i - 1, j] + n[i, j + 1] + n[i, j - 1] + 4.0 * n[i, j]
            out[i, j] = 1.0 / ((32.0 * d[i, j] + 8.0 * near) * ih2 * ih2 + pulls * ih2 + k[i, j])


@compiled
def coarsen(a: Single, harmonic: bool, out: Single) -> None:
    """Mean of each four cells; harmonic for stiffnesses, since a hinge line gives way whatever lies beside it."""
    nx, ny = out.shape[0] - 2, out.shape[1] - 2
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            p, q = 2 * i - 1, 2 * j - 1
            if harmonic:
                out[i, j] = 4.0 / (1.0 / a[p, q] + 1.0 / a[p + 1, q] + 1.0 / a[p, q + 1] + 1.0 / a[p + 1, q + 1])
            else:
                out[i, j] = 0.25 * (a[p, q] + a[p + 1, q] + a[p, q + 1] + a[p + 1, q + 1])


@compiled
def prolong_add(coarse: NDArray[Any], fine: NDArray[Any], scratch: NDArray[Any]) -> None:
    """Add the coarse correction to the fine grid by quadratic interpolation along each axis."""
    nx, ny = coarse.shape[0] - 2, coarse.shape[1] - 2
    far, mid, near = np.float32(-0.09375), np.float32(0.9375), np.float32(0.15625)
    for i in range(0, nx + 2):
        for j in range(1, ny + 1):
            before, here, after = coarse[i, j - 1], coarse[i, j], coarse[i, j + 1]
            scratch[i, 2 * j - 1] = near * before + mid * here + far * after
            scratch[i, 2 * j] = far * before + mid * here + near * after
    for i in range(1, nx + 1):
        for j in range(1, 2 * ny + 1):
            before, here, after = scratch[i - 1, j], scratch[i, j], scratch[i + 1, j]
            fine[2 * i - 1, j] += near * before + mid * here + far * after
            fine[2 * i, j] += far * before + mid * here + near * after


@compiled
def restrict(fine: Single, coarse: Single, scratch: Single) -> None:
    """Transpose of the interpolation, over four."""
    nx, ny = coarse.shape[0] - 2, coarse.shape[1] - 2
    far, mid, near = np.float32(-0.09375), np.float32(0.9375), np.float32(0.15625)
    quarter = np.float32(0.25)
    for i in range(0, nx + 2):
        for j in range(0, 2 * ny + 2):
            scratch[i, j] = np.float32(0.0)
    for i in range(1, nx + 1):
        for j in range(1, 2 * ny + 1):
            left, right = fine[2 * i - 1, j], fine[2 * i, j]
            scratch[i - 1, j] += near * left + far * right
            scratch[i, j] += mid * (left + right)
            scratch[i + 1, j] += far * left + near * right
    for j in range(1, 2 * ny + 1):
        scratch[1, j] += scratch[0, j]
        scratch[nx, j] += scratch[nx + 1, j]
    for i in range(1, nx + 1):
        for j in range(0, ny + 2):
            coarse[i, j] = np.float32(0.0)
        for j in range(1, ny + 1):
            left, right = scratch[i, 2 * j - 1], scratch[i, 2 * j]
            coarse[i, j - 1] += near * left + far * right
            coarse[i, j] += mid * (left + right)
            coarse[i, j + 1] += far * left + near * right
        coarse[i, 1] += coarse[i, 0]
        coarse[i, ny] += coarse[i, ny + 1]
        for j in range(1, ny + 1):
            coarse[i, j] *= quarter


def blank(shape: tuple[int, int]) -> Single:
    return np.zeros((shape[0] + 2, shape[1] + 2), dtype=np.float32)


def single(a: NDArray[np.float64]) -> Single:
    """A field with a ghost ring in single precision."""
    out = blank((a.shape[0], a.shape[1]))
    out[1:-1, 1:-1] = a
    return out


class Multigrid:
    """A hierarchy of grids over (nx, ny) cells of a spacing [mm]; memory is taken once and used for every solve."""

    def __init__(self, shape: tuple[int, int], spacing: float) -> None:
        self.levels: list[Level] = []
        h = spacing
        while True:
            stiffness, tension, foundation, weight, v, f, p, m = (blank(shape) for _ in range(8))
            self.levels.append(Level(1.0 / h**2, stiffness, tension, foundation, weight, v, f, p, m))
            if shape[0] % 2 or shape[1] % 2 or min(shape) // 2 < SMALLEST:
                break
            shape, h = (shape[0] // 2, shape[1] // 2), 2 * h

    def take_coefficients(self, stiffness: Single, tension: Single, foundation: Single) -> None:
        """Set the finest grid's coefficients and work out those of the coarser ones."""
        top = self.levels[0]
        top.stiffness[...], top.tension[...], top.foundation[...] = stiffness, tension, foundation
        for fine, coarse in zip(self.levels, self.levels[1:], strict=False):
            coarsen(fine.stiffness, True, coarse.stiffness)
            coarsen(fine.tension, False, coarse.tension)
            coarsen(fine.foundation, False, coarse.foundation)
        for level in self.levels:
            for field in (level.stiffness, level.tension):
                mirror(field, 1.0)
            weights(level.stiffness, level.foundation, level.tension, level.ih2, level.weight)

    def cycle(self, f: Single) -> Single:
        """Approximate solution for the right side `f`; the array returned is used again by the next call."""
        self.levels[0].f[...] = f
        self._descend(0)
        return self.levels[0].v

    def _descend(self, index: int) -> None:
        level = self.levels[index]
        if index + 1 == len(self.levels):
            smooth(level, 4 * DEGREE, True, LOWEST_OF_ALL)
            return
        below = self.levels[index + 1]
        scratch = level.m[: below.v.shape[0]]
        smooth(level, DEGREE, True, LOWEST)
        residual(level)
        restrict(level.p, below.f, scratch)
        self._descend(index + 1)
        mirror(below.v, 1.0)
        prolong_add(below.v, level.v, scratch)
        mirror(level.v, 1.0)
        smooth(level, DEGREE, False, LOWEST)
