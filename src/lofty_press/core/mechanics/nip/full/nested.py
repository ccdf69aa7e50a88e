"""A position solved from nothing: on the coarsest grid from where the rollers hardly touch, then from grid to grid."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from lofty_press.core.mechanics.nip.full.layout import Layout
from lofty_press.core.mechanics.nip.full.operators import Operators, operators_of
from lofty_press.core.mechanics.nip.full.position import TOLERANCE, Position, Solver, State, untouched
from lofty_press.core.mechanics.nip.full.rollers import Line
from lofty_press.core.mechanics.nip.full.window import window_at
from lofty_press.core.sandwich.stack import FloatArray, Press

WIDER = (0.8, 0.6, 0.45, 0.3, 0.2, 0.1, 0.05, 0.0)  # mm; openings through which a start from nothing goes
ROUGH = 0.1  # of the highest pressure, left without a balance on the way there
COARSEST = 8.0  # mm


@dataclass(frozen=True, eq=False)
class Grid:
    """A layout with what pile, rollers and press do on its grid."""

    layout: Layout
    press: Press

    @cached_property
    def operators(self) -> Operators:
        return operators_of(self.layout, self.press)

    @cached_property
    def coarser(self) -> "tuple[Grid, Grid] | None":
        """Every second row and column, for positions of even and of odd number; None if the grid is coarse enough or cannot be halved."""
        layout = self.layout
        if layout.spacing > 0.5 * COARSEST or layout.along % 4 or layout.y.size % 2:
            return None
        even, odd = (Grid(every_second(layout, first), self.press) for first in (0, 1))
        vars(odd)["operators"] = even.operators  # the same window, laid one row further on
        return even, odd

    def at(self, n: int) -> "Grid | None":
        """The coarser grid with a row just where row `n` is."""
        return None if self.coarser is None else self.coarser[n % 2]


def every_second(layout: Layout, first: int) -> Layout:
    """Every second row from one on, and every second column."""
    cells = slice(first, None, 2), slice(None, None, 2)
    return replace(
        layout,
        x=layout.x[first::2],
        y=layout.y[::2],
        spacing=2.0 * layout.spacing,
        along=layout.along // 2,
        opens=layout.opens[cells],
        gap=layout.gap[cells],
        law=layout.law[cells],
        density=layout.density[cells],
        work=layout.work[cells],
        under=layout.under[::2],
    )


def from_nothing(grid: Grid, n: int, tolerance: float = TOLERANCE) -> tuple[State, Position]:
    """The rollers over row `n`, from no start; look at `Position.converged` before it is believed."""
    opening, coarser, taken = grid.press.opening.mm, grid.at(n), 0.0
    if coarser is not None:
        start, _ = from_nothing(coarser, n // 2, ROUGH)
        state, position = Solver(grid.operators, window_at(grid.layout, opening, n)).solve(finer(start), tolerance=tolerance)
        if position.unbalanced < tolerance:
            return state, position
        taken = position.pairs
    state = untouched(window_at(grid.layout, opening, n))
    for solver, enough in closing_in(grid, n, tolerance):
        state, position = solver.solve(state, tolerance=enough)
        taken += position.pairs
    return state, replace(position, pairs=taken)


def closing_in(grid: Grid, n: int, tolerance: float) -> Iterator[tuple[Solver, float]]:
    """Solvers for a press that closes little by little, and how well each has to balance."""
    for wider in WIDER:
        yield Solver(grid.operators, window_at(grid.layout, grid.press.opening.mm + wider, n)), tolerance if wider == 0.0 else ROUGH


def finer(state: State) -> State:
    """A state on a grid of half the spacing."""
    opening = between_rows(between_rows(state.opening).T).T
    closing = between_rows(state.line.closing)
    none = np.zeros(closing.shape)
    return State(np.ascontiguousarray(opening), state.tilt, Line(closing, none, none, None))


def between_rows(values: FloatArray) -> FloatArray:
    """Twice as many rows: those given, and in between what lies halfway to the next one."""
    found = np.empty((2 * values.shape[0], *values.shape[1:]))
    found[::2] = values
    found[1:-1:2] = 0.5 * (values[:-1] + values[1:])
    found[-1] = values[-1]
    return found
