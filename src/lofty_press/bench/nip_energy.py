"""The energy of one position of the full nip, for general minimisers to be held against."""

import numpy as np
from numpy.typing import NDArray
from scipy import fft

from lofty_press.core.mechanics.nip.full.operators import Operators
from lofty_press.core.mechanics.nip.full.position import State
from lofty_press.core.mechanics.nip.full.rollers import press_line
from lofty_press.core.mechanics.nip.full.window import Window
from lofty_press.core.sandwich.stack.shape import FloatArray


class Energy:
    """What the opening of an interface stores at a given tilt: halves, law and rollers [N/mm of spacing^-2]; with its gradient, the unbalanced
    pressure [MPa]."""

    def __init__(self, operators: Operators, window: Window, state: State) -> None:
        self.operators, self.window, self.tilt, self.line = operators, window, state.tilt, state.line
        self.roots: FloatArray = operators.step * np.arange(operators.loads.size, dtype=np.float64)
        self.rises = np.diff(operators.loads) / operators.step
        self.stored = np.concatenate([[0.0], np.cumsum(self.of_a_piece(self.roots[1:], np.arange(self.rises.size, dtype=np.intp)))])
        self.tilted = state.tilt[0] * window.ground.x[:, None] + state.tilt[1] * window.ground.y

    def pressure(self, opening: FloatArray) -> FloatArray:
        """Of the interface at an opening (along, across). [MPa]"""
        pressure, slope = np.empty(opening.shape), np.empty(opening.shape)
        self.window.close(opening, self.tilt, pressure, slope)
        return pressure

    def __call__(self, flat: FloatArray) -> tuple[float, FloatArray]:
        """Energy and gradient at an opening, flattened."""
        op = self.operators
        opening = flat.reshape(op.shape)
        waves = np.asarray(fft.rfft2(opening))
        held = np.asarray(fft.irfft2(op.stiffness * waves, s=op.shape))
        under = np.asarray(fft.irfft((op.to_line * waves).sum(axis=0), n=op.shape[1]))
        offered = self.window.offered + under + self.tilt[1] * self.window.ground.y
        self.line = press_line(op, offered, self.line)
        pressed = np.asarray(fft.irfft2(op.from_line * np.asarray(fft.rfft(self.line.load)), s=op.shape))
        gradient = held + pressed - self.pressure(opening)
        energy = 0.5 * float((opening * held).sum()) + self.of_the_law(opening) + self.of_the_rollers(offered)
        return energy, gradient.ravel()

    def of_the_law(self, opening: FloatArray) -> float:
        """Work of the interface from its first touch: its law is straight from point to point."""
        window, laws, total = self.window, self.window.laws, 0.0
        closed = np.maximum(window.ground.opens - opening - self.tilted, 0.0)
        pressure = self.pressure(opening)
        for n, count in enumerate(laws.points):
            here = (window.ground.law == n) & (closed > 0)
            at, bears = laws.closings[n, :count], laws.pressures[n, :count]
            done = np.concatenate([[0.0], np.cumsum(0.5 * (bears[1:] + bears[:-1]) * np.diff(at))])
            point = np.clip(np.searchsorted(at, closed[here], side="right") - 1, 0, count - 1)
            dense = window.ground.density[here]
            total += float((dense * done[point] + 0.5 * (dense * bears[point] + pressure[here]) * (closed[here] - at[point])).sum())
        return total

    def of_a_piece(self, root: FloatArray, n: NDArray[np.intp]) -> FloatArray:
        """Work on a place of the line from node `n` of the root of its closing on: the load goes straight over the root. [N]"""
        start, load, rise = self.roots[n], self.operators.loads[n], self.rises[n]
        return np.asarray((load - rise * start) * (root**2 - start**2) + 2.0 / 3.0 * rise * (root**3 - start**3))

    def of_the_rollers(self, offered: FloatArray) -> float:
        """Work that rollers, pile and press have stored on the line; what of the offer is still left over (under a nanometre) counts at its load."""
        load, root = self.line.load, np.sqrt(np.maximum(self.line.closing, 0.0))
        n = np.minimum((root / self.operators.step).astype(np.intp), self.rises.size - 1)
        inside = self.stored[n] + self.of_a_piece(root, n)
        given = self.operators.yielding @ load
        left = np.where(load > 0, offered - self.line.closing - given, 0.0)
        return float((inside + load * (0.5 * given + left)).sum()) / self.operators.spacing
