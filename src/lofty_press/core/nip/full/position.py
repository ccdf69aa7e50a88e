"""The nip at one position of the crank: an interface that opens and closes between two elastic halves, under a line of rollers."""

from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from scipy import fft

from lofty_press.core.layered import between
from lofty_press.core.nip.full.kernel import (
    Ground,
    LawTable,
    add_slope,
    advance,
    close_interface,
    precondition,
    push,
    scaled_dot,
    slope_along,
    sums_over,
    turn_to,
    waves_to_line,
)
from lofty_press.core.nip.full.layout import Layout
from lofty_press.core.nip.full.operators import ComplexArray, Operators
from lofty_press.core.nip.full.rollers import Line, changed, factor_of, press_line
from lofty_press.core.stack import FloatArray

TOLERANCE = 5e-3  # of the highest pressure, in each cell
MOST_STEPS, MOST_INNER = 40, 150
INNER = 0.1, 0.01  # by how much one linear system is solved before its law is looked at anew: at first, and where that does not lead on
EASY = 4  # steps
LINE_STEPS, DOWN_ENOUGH = 25, 0.3
USUAL_SLOPE = 30.0  # MPa/mm, or the halves' stiffness where that is less; interfaces steeper than this are scaled down to it
EVEN = 0.1, 0.03  # of that, taken as the even interface: with blades, and without
LEVER = 30.0  # mm; in which tilts are counted
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
class Window:
    """What lies in the window at one position: as `Layout` has it, with places from the rollers' line."""

    ground: Ground
    laws: LawTable
    offered: FloatArray
    bladed: bool

    def close(self, opening: FloatArray, tilt: FloatArray, pressure: FloatArray, slope: FloatArray) -> None:
        """Pressure and slope of the interface, into two fields."""
        close_interface(opening, tilt, self.ground, self.laws, pressure, slope)


def window_at(layout: Layout, opening: float, n: int) -> Window:
    """The window with the rollers over row `n`; `opening` of the press [mm]."""
    first = n - layout.along // 2
    rows = slice(first, first + layout.along)
    offered = np.where(layout.under, layout.thickness - layout.gap[n] - opening, -np.inf)
    return Window(
        ground=Ground(
            x=np.asarray((np.arange(layout.along) - layout.along // 2) * layout.spacing, dtype=np.float64),
            y=layout.y,
            opens=np.ascontiguousarray(layout.opens[rows]),
            law=np.ascontiguousarray(layout.law[rows]),
            density=np.ascontiguousarray(layout.density[rows]),
        ),
        laws=layout.laws,
        offered=np.where(np.isfinite(offered), offered, -1e3),
        bladed=layout.runs is not None,
    )


def untouched(window: Window) -> State:
    """The two halves lying on one another, no roller near."""
    none, opens = np.zeros(window.ground.y.size), window.ground.opens
    return State(np.full(opens.shape, float(opens.max())), np.zeros(2), Line(none, none, none, None))


class Solver:
    """Newton's method on one window; the linear systems by conjugate gradients, which an even pile's answer preconditions.

    Notes
    -----
    For the opening o of the interface, a tilt of one half against the other, and the rollers' load q

        K o + T q = P(o),   closing + gives . q = offered + T' o,

    with no moment left over. All are the gradient of one convex energy, so that any step downhill leads to the one solution.
    """

    def __init__(self, operators: Operators, window: Window) -> None:
        self.op, self.window = operators, window
        self.pairs = 0.0
        shape = operators.shape
        self.waves = np.empty((shape[0], shape[1] // 2 + 1), dtype=np.complex128)
        self.on_line = np.empty(shape[1] // 2 + 1, dtype=np.complex128)
        self.levers = window.ground.x / LEVER, window.ground.y / LEVER
        self.usual = min(USUAL_SLOPE, float(np.median(operators.stiffness)))

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

    def solve(self, start: State) -> tuple[State, Position]:
        """Solve from a start; look at `Position.converged` before it is believed."""
        op, window = self.op, self.window
        opening, tilt = start.opening, start.tilt
        waves = self.forward(opening)
        under = self.under(waves)
        held = self.back(op.stiffness * waves)
        line = press_line(op, window.offered + under + tilt[1] * window.ground.y, start.line)
        pressure, slope, other, other_slope = (np.empty(op.shape) for _ in range(4))
        window.close(opening, tilt, pressure, slope)
        steps, unbalanced, force, carried = 0, np.inf, 0.0, 0.0
        for steps in range(MOST_STEPS):
            residual = pressure - held - self.back(op.from_line * np.asarray(fft.rfft(line.load)))
            total, *moments = sums_over(pressure, *self.levers)
            moments[1] -= float(line.load @ self.levers[1]) / op.spacing
            force, carried = float(line.load.sum()) * op.spacing, total * op.spacing**2
            if force < LEAST_FORCE:
                return start, Position(np.zeros(op.shape), 0.0, 0.0, 0.0, steps, self.pairs)
            highest = max(float(pressure.max()), force / (op.spacing * window.ground.y.size) * abs(op.from_line[0, 0]), 1e-6)
            unbalanced = max(float(np.abs(residual).max()) / highest, max(map(abs, moments)) / max(total, 1e-6))
            if unbalanced < TOLERANCE:
                break
            factor = factor_of(op, line.slope)
            step, turn = self.step(residual, np.array(moments), slope, line, factor, INNER[steps > EASY])
            step_waves = self.forward(step)
            step_under = self.under(step_waves) + turn[1] * self.levers[1]
            held_by = self.back(op.stiffness * step_waves)
            here = State(opening, tilt, line)
            share, line = self.down(here, (step, turn), (held, held_by), (under, step_under), factor, (other, other_slope))
            opening, tilt = opening + share * step, tilt + share * turn / LEVER
            held, under = held + share * held_by, under + share * (step_under - turn[1] * self.levers[1])
            pressure, slope, other, other_slope = other, other_slope, pressure, slope
        return State(opening, tilt, line), Position(pressure, force, carried, unbalanced, steps, self.pairs)

    def step(
        self, residual: FloatArray, moments: FloatArray, slope: FloatArray, line: Line, factor: Any, inner_tolerance: float
    ) -> tuple[FloatArray, FloatArray]:
        """One linear step of opening and tilt (in levers)."""
        op, (x, y) = self.op, self.levers
        scale = np.sqrt(self.usual / (self.usual + slope))
        inverse = 1.0 / (op.stiffness + self.usual * EVEN[0 if self.window.bladed else 1])
        loaded = float((line.slope * line.load).sum() / max(float(line.load.sum()), 1e-9))
        usual = 1.0 / max(loaded, 1e-3)
        own = np.maximum(usual + op.softer, 0.05 * usual) * op.spacing + (op.transfer**2 * inverse).sum(axis=0) / op.shape[0]
        line_back = op.from_line * op.spacing * inverse / own
        across = changed(line, factor, y) / op.spacing
        matrix = np.array(
            [
                [float(x**2 @ slope.sum(axis=1)), float(x @ slope @ y)],
                [float(x @ slope @ y), float(slope.sum(axis=0) @ y**2) + float(across @ y)],
            ]
        )
        tilts = np.linalg.inv(matrix + 1e-6 * np.eye(2))
        scaled = scale * residual
        step, turn, left, left_turn = np.zeros(op.shape), np.zeros(2), residual.copy(), moments.copy()
        way, way_turn, before, first = np.zeros(op.shape), np.zeros(2), 1.0, 0.0
        for n in range(MOST_INNER):
            waves = self.forward(scaled)
            precondition(waves, inverse, op.to_line, line_back, self.on_line)
            answer = self.back(waves)
            answer_turn = tilts @ left_turn
            found = scaled_dot(answer, scale, left) + float(left_turn @ answer_turn)
            first = first or found
            if found < inner_tolerance**2 * first and n:
                break
            turn_to(way, answer, found / before)
            way_turn, before = answer_turn + found / before * way_turn, found
            waves = self.forward(way)
            pressed = changed(line, factor, self.under(waves) + way_turn[1] * y)
            push(op.stiffness, waves, op.from_line, np.asarray(fft.rfft(pressed)), self.waves)
            answer = self.back(self.waves)
            inner, *turned = add_slope(answer, slope, way, way_turn, x, y)
            turned[1] += float(pressed @ y) / op.spacing
            share = found / (inner + float(way_turn @ turned))
            advance(step, left, way, answer, share, scale, scaled)
            turn += share * way_turn
            left_turn -= share * np.array(turned)
        return step, turn

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
