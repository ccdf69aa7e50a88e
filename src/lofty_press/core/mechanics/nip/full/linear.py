"""One linear step of the full nip: how opening, tilt and line change together when something is left without a balance."""

from functools import cached_property
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy import fft

from lofty_press.core.mechanics.nip.full.kernel import add_slope, advance, precondition, push, scaled_dot, turn_to, waves_to_line
from lofty_press.core.mechanics.nip.full.operators import Operators
from lofty_press.core.mechanics.nip.full.rollers import Line, changed
from lofty_press.core.mechanics.nip.full.window import Window
from lofty_press.core.sandwich.stack import FloatArray

MOST_INNER = 150
USUAL_SLOPE = 30.0  # MPa/mm, or the halves' stiffness where that is less; interfaces steeper than this are scaled down to it
EVEN = 0.1, 0.03  # of that, taken as the even interface: with blades, and without


class Linear:
    """The system at one state, solved by conjugate gradients that an even pile's answer preconditions; in single precision, which is more than a
    step needs whose end is looked at anew.

    Parameters
    ----------
    operators : Operators
    window : Window
    slope : ndarray, shape (along, across)
        Of the interface's law. [MPa/mm]
    line : Line
    factor : Any
        Of what a small change of the line's closing takes, from `factor_of`.
    """

    def __init__(self, operators: Operators, window: Window, slope: FloatArray, line: Line, factor: Any) -> None:
        self.op, self.window, self.line, self.factor = operators, window, line, factor
        self.levers = window.levers
        self.arms = tuple(arm.astype(np.float32) for arm in self.levers)
        single = operators.single
        steep = min(USUAL_SLOPE, operators.usual)
        self.slope = slope.astype(np.float32)
        self.scale = np.sqrt(steep / (steep + self.slope))
        self.inverse = 1.0 / (single.stiffness + np.float32(steep * EVEN[0 if window.bladed else 1]))
        loaded = float((line.slope * line.load).sum() / max(float(line.load.sum()), 1e-9))
        usual = 1.0 / max(loaded, 1e-3)
        own = np.maximum(usual + operators.softer, 0.05 * usual) * operators.spacing
        own += (single.transfer**2 * self.inverse).sum(axis=0) / operators.shape[0]
        self.line_back = single.from_line * self.inverse * (operators.spacing / own).astype(np.float32)

    @cached_property
    def tilts(self) -> FloatArray:
        """How the two tilts answer moments. (2, 2)"""
        x, y = self.levers
        across = changed(self.line, self.factor, y) / self.op.spacing
        both = float(x @ self.slope @ y)
        matrix = [[float(x**2 @ self.slope.sum(axis=1)), both], [both, float(self.slope.sum(axis=0) @ y**2) + float(across @ y)]]
        return np.asarray(np.linalg.inv(np.array(matrix) + 1e-6 * np.eye(2)))

    def solve(self, residual: FloatArray, moments: FloatArray, tolerance: float) -> tuple[NDArray[np.float32], FloatArray, float]:
        """Step of opening [mm] and tilt (in levers) against unbalanced pressure [MPa] and moments, and the pairs of transforms it took."""
        op, single, y = self.op, self.op.single, self.levers[1]
        left, left_turn = residual.astype(np.float32), moments.copy()
        scaled = self.scale * left
        step, way, turn, way_turn = np.zeros_like(left), np.zeros_like(left), np.zeros(2), np.zeros(2)
        on_line, pressing = np.empty(single.stiffness.shape[1], dtype=np.complex64), np.empty(single.stiffness.shape, dtype=np.complex64)
        before, first, pairs = 1.0, 0.0, 0.0
        for n in range(MOST_INNER):
            waves = fft.rfft2(scaled)
            precondition(waves, self.inverse, single.to_line, self.line_back, on_line)
            answer = fft.irfft2(waves, s=op.shape, overwrite_x=True)
            answer_turn = self.tilts @ left_turn
            found = scaled_dot(answer, self.scale, left) + float(left_turn @ answer_turn)
            first, pairs = first or found, pairs + 1.0
            if found < tolerance**2 * first and n:
                break
            turn_to(way, answer, found / before)
            way_turn, before = answer_turn + found / before * way_turn, found
            waves = fft.rfft2(way)
            waves_to_line(single.to_line, waves, on_line)
            pressed = changed(self.line, self.factor, fft.irfft(on_line, n=op.shape[1]) + way_turn[1] * y)
            push(single.stiffness, waves, single.from_line, fft.rfft(pressed.astype(np.float32)), pressing)
            answer, pairs = fft.irfft2(pressing, s=op.shape), pairs + 1.0
            inner, *turned = add_slope(answer, self.slope, way, way_turn.astype(np.float32), *self.arms)
            turned[1] += float(pressed @ y) / op.spacing
            share = found / (inner + float(way_turn @ turned))
            advance(step, left, way, answer, share, self.scale, scaled)
            turn += share * way_turn
            left_turn -= share * np.array(turned)
        return step, turn, pairs
