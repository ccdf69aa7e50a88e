"""The nip at one position of the crank: an interface that opens and closes between two elastic halves, under a line of rollers."""

from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from scipy import fft

from lofty_press.core.mechanics.layered import between
from lofty_press.core.mechanics.nip.full.kernel import slope_along, sums_over, waves_to_line
from lofty_press.core.mechanics.nip.full.linear import Linear
from lofty_press.core.mechanics.nip.full.operators import ComplexArray, Operators
from lofty_press.core.mechanics.nip.full.rollers import Line, changed, factor_of, press_line
from lofty_press.core.mechanics.nip.full.window import LEVER, Window
from lofty_press.core.sandwich.stack import FloatArray

TOLERANCE = 5e-3  # of the highest pressure, in each cell
MOST_STEPS = 40
INNER = 0.1, 0.01  # by how much one linear system is solved before its law is looked at anew: at first, and where that does not lead on
EASY = 4  # steps
LINE_STEPS, DOWN_ENOUGH = 25, 0.3
LEAST_FORCE = 1.0  # N; less is no contact


@dataclass(frozen=True, eq=False)
class State:
    """Where a solution starts: opening of the interface over the window (along, across) [mm], tilt of one half against the other along and across
    [mm/mm], and the rollers' line."""

    opening: FloatArray
    tilt: FloatArray
    line: Line


@dataclass(frozen=True, eq=False)
class Position:
    """A solved position: `pressure` at the interface over the window (along, across) [MPa], the rollers' `force` and that of all pressures [N]; the
    largest `unbalanced` pressure over the highest [1], Newton's `steps`, and the transforms of the whole grid it took, to and fro, in `pairs`."""

    pressure: FloatArray
    force: float
    carried: float
    unbalanced: float
    steps: int
    pairs: float

    @property
    def converged(self) -> bool:
        return self.unbalanced < TOLERANCE


@dataclass(frozen=True, eq=False)
class Held:
    """A state with what goes with it: `under` the rollers the opening's part of the closing (across,) [mm], what the `halves` hold against the
    opening, and the interface's `pressure` and its `slope` (along, across) [MPa, MPa/mm]."""

    state: State
    under: FloatArray
    halves: FloatArray
    pressure: FloatArray
    slope: FloatArray


def untouched(window: Window) -> State:
    """The two halves lying on one another, no roller near."""
    none, opens = np.zeros(window.ground.y.size), window.ground.opens
    return State(np.full(opens.shape, float(opens.max())), np.zeros(2), Line(none, none, none, None))


class Solver:
    """Newton's method on one window; the linear systems by conjugate gradients, which an even pile's answer preconditions.

    Notes
    -----
    For the opening o of the interface, a tilt of one half against the other, and the rollers' load q

        K o + T q = P(o),   closing + yielding . q = offered + T' o,

    with no moment left over. All are the gradient of one convex energy, so that any step downhill leads to the one solution.
    """

    def __init__(self, operators: Operators, window: Window) -> None:
        self.op, self.window = operators, window
        self.pairs = 0.0
        shape = operators.shape
        self.on_line = np.empty(shape[1] // 2 + 1, dtype=np.complex128)
        self.levers = window.levers

    def forward(self, field: FloatArray) -> ComplexArray:
        self.pairs += 0.5
        return np.asarray(fft.rfft2(field))

    def back(self, waves: ComplexArray) -> FloatArray:
        self.pairs += 0.5
        return np.asarray(fft.irfft2(waves, s=self.op.shape, overwrite_x=True))

    def under(self, waves: ComplexArray) -> FloatArray:
        """What an opening adds to the closing under the rollers (ny,). [mm]"""
        waves_to_line(self.op.to_line, waves, self.on_line)
        return np.asarray(fft.irfft(self.on_line, n=self.op.shape[1]))

    def begin(self, start: State) -> "Held":
        """What halves, rollers and interface hold against a start."""
        op, window = self.op, self.window
        waves = self.forward(start.opening)
        under = self.under(waves)
        line = press_line(op, window.offered + under + start.tilt[1] * window.ground.y, start.line)
        pressure, slope = np.empty(op.shape), np.empty(op.shape)
        window.close(start.opening, start.tilt, pressure, slope)
        return Held(replace(start, line=line), under, self.back(op.stiffness * waves), pressure, slope)

    def left_over(self, held: "Held") -> FloatArray:
        """What is left without a balance in each cell. [MPa]"""
        pressing = self.op.from_line * np.asarray(fft.rfft(held.state.line.load))
        return held.pressure - held.halves - self.back(pressing)

    def solve(self, *starts: State, tolerance: float = TOLERANCE) -> tuple[State, Position]:
        """Solve from the best of some starts until what is left is less than a share of the highest pressure; look at `Position.converged` before
        it is believed."""
        op, window = self.op, self.window
        held, residual = min(
            ((held, self.left_over(held)) for held in map(self.begin, starts)), key=lambda begun: float(np.abs(begun[1]).sum())
        )
        (opening, tilt, line), under, halves = (held.state.opening, held.state.tilt, held.state.line), held.under, held.halves
        pressure, slope = held.pressure, held.slope
        other, other_slope = np.empty(op.shape), np.empty(op.shape)
        steps, unbalanced, force, carried = 0, np.inf, 0.0, 0.0
        for steps in range(MOST_STEPS):
            if steps:
                residual = self.left_over(Held(State(opening, tilt, line), under, halves, pressure, slope))
            total, *moments = sums_over(pressure, *self.levers)
            moments[1] -= float(line.load @ self.levers[1]) / op.spacing
            force, carried = float(line.load.sum()) * op.spacing, total * op.spacing**2
            if force < LEAST_FORCE:
                return starts[0], Position(np.zeros(op.shape), 0.0, 0.0, 0.0, steps, self.pairs)
            highest = max(float(pressure.max()), force / (op.spacing * window.ground.y.size) * abs(op.from_line[0, 0]), 1e-6)
            unbalanced = max(float(np.abs(residual).max()) / highest, max(map(abs, moments)) / max(total, 1e-6))
            if unbalanced < tolerance:
                break
            factor = factor_of(op, line.slope)
            linear = Linear(op, window, slope, line, factor)
            found, turn, pairs = linear.solve(residual, np.array(moments), INNER[steps > EASY])
            step = found.astype(np.float64)
            self.pairs += pairs
            step_waves = self.forward(step)
            step_under = self.under(step_waves) + turn[1] * self.levers[1]
            halves_by = self.back(op.stiffness * step_waves)
            here = State(opening, tilt, line)
            share, line = self.down(here, (step, turn), (halves, halves_by), (under, step_under), factor, (other, other_slope))
            opening, tilt = opening + share * step, tilt + share * turn / LEVER
            halves, under = halves + share * halves_by, under + share * (step_under - turn[1] * self.levers[1])
            pressure, slope, other, other_slope = other, other_slope, pressure, slope
        return State(opening, tilt, line), Position(pressure, force, carried, unbalanced, steps, self.pairs)

    def down(
        self,
        start: State,
        step: tuple[FloatArray, FloatArray],
        held: tuple[FloatArray, FloatArray],
        under: tuple[FloatArray, FloatArray],
        factor: Any,
        out: tuple[FloatArray, FloatArray],
    ) -> tuple[float, Line]:
        """How much of a step leads downhill, and the line there; pressure and slope at its end are left in `out`."""
        op, window, line = self.op, self.window, start.line
        way, turn = step
        offered = window.offered + under[0] + start.tilt[1] * window.ground.y
        moved = np.where(line.slope > 0, changed(line, factor, under[1]) / np.maximum(line.slope, 1e-12), under[1])
        low, high, share = 0.0, 1.0, 1.0
        window.close(start.opening, start.tilt, *out)
        first = low_slope = slope_along(way, held, 0.0, out[0], turn, self.levers) + float(under[1] @ line.load) / op.spacing
        tried = line
        for _ in range(LINE_STEPS):
            window.close(start.opening + share * way, start.tilt + share * turn / LEVER, *out)
            tried = press_line(op, offered + share * under[1], replace(line, closing=line.closing + share * moved, factor=factor))
            found = slope_along(way, held, share, out[0], turn, self.levers) + float(under[1] @ tried.load) / op.spacing
            if abs(found) <= DOWN_ENOUGH * abs(first) or (found < 0.0 and share == 1.0):
                break
            if found < 0.0:
                low, low_slope = share, found
            else:
                high, high_slope = share, found
            share = between(low, low_slope, high, high_slope)
        return share, tried
