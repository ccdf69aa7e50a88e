"""Newton's method on one grid: contact and yield are piecewise smooth, the energy is convex, each step lowers it."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import partial

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.forming import plate
from lofty_press.core.mechanics.forming.multigrid import Multigrid, blank, single
from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.sandwich.stack import FloatArray

GROUND = 1e-3  # of the stiffness D / L^4 of the whole sheet: holds down what touches nothing, far below any pressure that is looked at
MOST_INNER = 60
MOST_HALVINGS = 24
LONGEST_STEP = 1.0  # mm; a sheet that touches nothing yet would fall for ever
LEAST_PRESSING = 1e-6  # MPa; a sheet that is pressed by less is not pressed
ROUNDING = 1e-9  # of the energy; sums of single-precision fields tell no smaller difference

Watch = Callable[[int, float], None]
"""Called often with the number of outer steps and the relative residual; may raise to stop the run."""


@dataclass
class State:
    """Deflection of the mid-surface (nx, ny) and height of the upper surface [mm]."""

    deflection: FloatArray
    offset: float


@dataclass(frozen=True)
class Solved:
    """What a solve came to: residual relative to the pressing, outer and inner steps, energy after each outer step [N mm / cell]."""

    state: State
    residual: float
    outer: int
    inner: int
    energies: tuple[float, ...]
    converged: bool


def padded(a: FloatArray) -> NDArray[np.float64]:
    out = np.zeros((a.shape[0] + 2, a.shape[1] + 2))
    out[1:-1, 1:-1] = a
    return out


class Grid:
    """A forming problem on one grid with all its working memory."""

    def __init__(self, forming: Forming) -> None:
        self.forming = forming
        section = forming.section
        shape = forming.shape
        self.cover, self.whole = single(forming.cover), single(np.ones(shape))
        self.faces = plate.Faces(
            lower=single(forming.lower),
            upper=single(forming.upper),
            k_lower=single(forming.k_lower * forming.cover),
            k_upper=single(forming.k_upper * forming.cover),
            load=blank(shape) if forming.load is None else single(forming.load),
            ground=GROUND * section.reference / (max(shape) * forming.spacing) ** 4,
        )
        self.bending = plate.Bending(
            d11=section.along,
            d22=section.across,
            d12=section.coupling,
            d66=section.twist,
            reference=section.reference,
            yields=min(section.yield_curvature, 1e30),
            hardening=section.hardening,
            saturates=min(section.saturates * section.yield_curvature, 1e30),
        )
        yields = min(section.yield_strain, 1e30)
        self.stretching = plate.Stretching(section.membrane, yields, section.hardening, min(section.saturates * yields, 1e30))
        self.plastic = math.isfinite(section.yield_curvature)
        self.reach = max(round((forming.draw_in / forming.spacing - 1) / 2), 0)
        self.moments = plate.Moments(blank(shape), blank(shape), blank(shape))
        self.strain, self.tension, self.scratch = (blank(shape) for _ in range(3))
        self.multigrid = Multigrid(shape, forming.spacing)
        self.tangent = plate.Tangent(*(blank(shape) for _ in range(7)))
        self.pull = blank(shape)
        self.r, self.p, self.ap, self.step = (blank(shape) for _ in range(4))

    def evaluate(self, u: NDArray[np.float64], offset: float, out: NDArray[np.float64]) -> tuple[float, float, float]:
        """Gradient into `out`; returns energy, its slope over the offset, and the norm of the pressing, all per cell area."""
        forming, section, h = self.forming, self.forming.section, self.forming.spacing
        plate.mirror(u, 1.0)
        bent = plate.moments(u, self.whole, h, self.bending, self.moments)
        self.mirror_moments()
        stretched = 0.0
        if section.membrane > 0:
            plate.slope_energy(u, h, self.tension)
            plate.running_mean(self.tension, self.reach, self.scratch, self.strain)
            stretched = plate.stretch(self.strain, self.cover, self.stretching, self.pull)
            plate.running_mean(self.pull, self.reach, self.scratch, self.tension)
        rest, force, square = plate.balance(u, offset, self.faces, self.tension, h, self.moments, out)
        wanted = forming.pressure * u[1:-1, 1:-1].size
        slope = 0.0 if forming.held else wanted - force
        return bent + stretched + rest + (0.0 if forming.held else wanted * offset), slope, math.sqrt(square)

    def linearise(self, u: NDArray[np.float64], offset: float) -> float:
        """Prepare the second derivative and its preconditioner; returns the sum of pressing stiffness."""
        forming, h = self.forming, self.forming.spacing
        total: float = plate.linearise(u, offset, self.whole, self.faces, h, self.bending, self.tangent)
        self.pull[...] = self.tension
        plate.mirror(self.pull, 1.0)
        self.multigrid.take_coefficients(self.tangent.smooth, self.pull, self.tangent.active)
        return 0.0 if forming.held else total

    def product(self, v: NDArray[np.float32], shift: float, out: NDArray[np.float32]) -> tuple[float, float]:
        """Second derivative times (v, shift): into `out`, returning v . out and the sum of pressing times v."""
        h = self.forming.spacing
        plate.mirror(v, 1.0)
        plate.tangent_moments(v, h, self.bending, self.tangent, self.plastic, self.moments)
        self.mirror_moments()
        found: tuple[float, float] = plate.tangent_balance(v, shift, self.tangent, self.pull, h, self.moments, out)
        return found

    def mirror_moments(self) -> None:
        """Their ghosts: the twisting one with its sign turned."""
        for field, sign in zip(self.moments, (1.0, 1.0, -1.0), strict=True):
            plate.mirror(field, sign)

    def newton_step(
        self, gradient: NDArray[np.float64], slope: float, tolerance: float, press: float, tick: Callable[[], None] = lambda: None
    ) -> tuple[float, int]:
        """Solve for the step by preconditioned conjugate gradients; the step is left in `self.step`.

        The offset of the upper surface is one more unknown: the energy is convex in it too. Returns its change and the steps taken;
        `tick` is called at each and may raise.
        """
        r, p, ap, step = self.r, self.p, self.ap, self.step
        r[...] = gradient
        np.negative(r, out=r)
        step[...] = 0.0
        moves = press > 0
        r0, step0, p0 = -slope, 0.0, 0.0
        scale = 2.0 / press if moves else 0.0  # half of the pressing is lost to the sheet giving way below it
        start = math.sqrt(plate.inner_product(r, r) + r0 * r0 * scale)
        old = 0.0
        for count in range(1, MOST_INNER + 1):
            tick()
            z = self.multigrid.cycle(r)
            z0 = scale * r0
            new = plate.inner_product(r, z) + r0 * z0
            beta = new / old if count > 1 else 0.0
            plate.turn(p, z, beta)
            p0 = z0 + beta * p0
            old = new
            vap, pressed = self.product(p, p0, ap)
            ap0 = (press * p0 - pressed) if moves else 0.0
            curvature = vap + p0 * ap0
            if not curvature > 0:
                break
            alpha = new / curvature
            step0 += alpha * p0
            r0 -= alpha * ap0
            left = plate.advance(step, p, r, ap, alpha)
            if math.sqrt(left + r0 * r0 * scale) <= tolerance * start:
                break
        return step0, count


def first_guess(forming: Forming) -> State:
    """The sheet on the lower surface, the upper one let down until it would press as wanted if nothing gave way."""
    gap = (forming.lower - forming.upper)[forming.k_upper > 0]
    stiffness = forming.k_upper[forming.k_upper > 0]
    if forming.held or gap.size == 0:
        return State(forming.lower.copy(), 0.0)
    wanted = forming.pressure * forming.k_upper.size
    high = float(gap.max())
    low = float(gap.min()) - wanted / float(stiffness.sum()) - 1e-6
    for _ in range(40):
        middle = 0.5 * (low + high)
        pressing = float((stiffness * np.maximum(gap - middle, 0.0)).sum())
        low, high = (middle, high) if pressing > wanted else (low, middle)
    return State(forming.lower.copy(), 0.5 * (low + high))


def solve_grid(grid: Grid, start: State, *, tolerance: float, most: int, watch: Watch) -> Solved:
    """Lower the energy until its gradient is under `tolerance` of the pressing.

    The relative residual is the norm of all unbalanced pressure over the norm of the pressing, both over the grid.
    """
    u, offset = padded(start.deflection), start.offset
    gradient, trial_gradient = np.zeros_like(u), np.zeros_like(u)
    trial = np.zeros_like(u)
    energy, slope, pressing = grid.evaluate(u, offset, gradient)
    cells = u[1:-1, 1:-1].size
    wanted = grid.forming.pressure * math.sqrt(cells)
    energies = [energy]
    inner_total = 0
    outer = 0
    residual = math.inf
    while True:
        norm = float(np.linalg.norm(gradient[1:-1, 1:-1]))
        unit = max(pressing, wanted, LEAST_PRESSING * math.sqrt(cells))
        residual = math.hypot(norm, slope / math.sqrt(cells)) / unit
        watch(outer, residual)
        if residual <= tolerance or outer >= most:
            break
        press = grid.linearise(u, offset)
        forcing = min(0.1, max(0.02, 0.3 * tolerance / residual)) if residual < 0.1 else 0.1
        change, inner = grid.newton_step(gradient, slope, forcing, press, partial(watch, outer, residual))
        inner_total += inner
        outer += 1
        downhill = float(np.vdot(gradient[1:-1, 1:-1], grid.step[1:-1, 1:-1])) + slope * change
        length = min(1.0, LONGEST_STEP / max(float(np.abs(grid.step).max()), abs(change), 1e-12))
        for _ in range(MOST_HALVINGS):
            np.multiply(grid.step, length, out=trial)
            trial += u
            now, now_slope, now_pressing = grid.evaluate(trial, offset + length * change, trial_gradient)
            if now <= energy + 1e-4 * length * downhill:
                break
            # where both energies are the same in this arithmetic, the smaller gradient tells
            same = now - energy <= ROUNDING * abs(energy)
            if same and np.linalg.norm(trial_gradient[1:-1, 1:-1]) + abs(now_slope) < norm + abs(slope):
                break
            length *= 0.5
        else:
            break  # no lower energy can be told apart in this arithmetic
        u, trial = trial, u
        gradient, trial_gradient = trial_gradient, gradient
        offset += length * change
        energy, slope, pressing = now, now_slope, now_pressing
        energies.append(energy)
    state = State(u[1:-1, 1:-1].copy(), offset)
    return Solved(state, residual, outer, inner_total, tuple(energies), residual <= tolerance)
