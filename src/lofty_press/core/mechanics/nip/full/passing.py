"""The whole pass: the full nip at every position of the crank, one after the other."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.mechanics.nip.full.layout import Layout
from lofty_press.core.mechanics.nip.full.nested import Grid, from_nothing
from lofty_press.core.mechanics.nip.full.position import LEAST_FORCE, Position, Solver, State
from lofty_press.core.mechanics.nip.full.window import window_at
from lofty_press.core.sandwich.stack import FloatArray, Press

LIGHT = 0.03  # of the largest force
AHEAD = 12.0  # mm; about the width of the band

Report = Callable[[float], None]


@dataclass(frozen=True, eq=False)
class Pass:
    """A sandwich rolled through.

    `peak` (nx, ny) is the highest pressure that each cell of the layout saw [MPa]; `x` (n,) the crank's positions [mm] and `force` (n,) the rollers'
    [N], `carried` (n,) what the pressures add up to [N]. `unbalanced` (n,) is the largest pressure that was left without a balance over the highest
    [1], `pairs` (n,) what each took. Positions that did not balance and where less than `LIGHT` of the largest force presses, as where an edge
    comes in, are left out of the peak; any other one makes that the pass is not `converged`, and no truth.
    """

    layout: Layout
    peak: FloatArray
    x: FloatArray
    force: FloatArray
    carried: FloatArray
    unbalanced: FloatArray
    pairs: FloatArray
    converged: bool


def roll_through(layout: Layout, press: Press, expected: float, report: Report = lambda _: None) -> Pass:
    """Solve every position, each from the one before.

    Parameters
    ----------
    layout : Layout
    press : Press
    expected : float
        About the largest force between the rollers, as the quick nip has it. [N]
    report : callable
        Told what share is done; an exception that it raises stops the run.

    Raises
    ------
    InvalidInput
        If the layers cannot be computed as a pile.
    """
    grid = Grid(layout, press)
    half, peak = layout.along // 2, np.zeros(layout.opens.shape)
    rows = touched(layout, press.opening.mm)
    found: list[Position] = []
    state: State | None = None
    before: State | None = None
    for n in rows:
        starts = [] if state is None else starts_from(state, before, layout)
        before = state
        state, position = position_at(grid, n, starts, LIGHT * expected)
        found.append(replace(position, pressure=np.zeros(0)))
        if position.force > LEAST_FORCE and position.converged:
            seen = peak[n - half : n - half + layout.along]
            np.maximum(seen, position.pressure, out=seen)
        report((n + 1 - rows.start) / len(rows))
    unbalanced = np.array([p.unbalanced for p in found])
    return Pass(
        layout=layout,
        peak=peak,
        x=layout.x[rows.start : rows.stop],
        force=np.array([p.force for p in found]),
        carried=np.array([p.carried for p in found]),
        unbalanced=unbalanced,
        pairs=np.array([p.pairs for p in found]),
        converged=all(p.converged or p.force < LIGHT * expected for p in found),
    )


def position_at(grid: Grid, n: int, starts: list[State], light: float) -> tuple[State, Position]:
    """The rollers over row `n`; without starts, or where they lead nowhere, from nothing; no more than a `light` force is not worth that. [N]"""
    taken = 0.0
    if starts:
        state, position = Solver(grid.operators, window_at(grid.layout, grid.press.opening.mm, n)).solve(*starts)
        if position.converged or position.force < light:
            return state, position
        taken = position.pairs
    state, position = from_nothing(grid, n)
    return state, replace(position, pairs=taken + position.pairs)


def touched(layout: Layout, opening: float) -> range:
    """Rows with something under the rollers that is thicker than their opening, and some more on both sides: plates carry load ahead."""
    half = layout.along // 2
    over = (layout.thickness - layout.gap + layout.opens - opening)[:, layout.under].max(axis=1) > 0
    over[:half] = over[layout.x.size - (layout.along - half) :] = False
    if not over.any():
        return range(0)
    first, last = np.flatnonzero(over)[[0, -1]]
    ahead = round(AHEAD / layout.spacing)
    return range(max(int(first) - ahead, half), min(int(last) + ahead + 1, layout.x.size - (layout.along - half)))


def starts_from(state: State, before: State | None, layout: Layout) -> list[State]:
    """Good guesses for one row further on. An even tool goes on as it was under the rollers. A blade stays where it is on the bed: as it was, or
    further on its way by as much as since the position `before`."""
    if layout.blades is None:
        return [state]
    stays = on_the_bed(state, layout)
    if before is None:
        return [stays]
    last = on_the_bed(on_the_bed(before, layout), layout)
    closing = 2.0 * state.line.closing - before.line.closing
    goes_on = State(2.0 * stays.opening - last.opening, 2.0 * state.tilt - before.tilt, replace(state.line, closing=closing))
    return [goes_on, stays]


def on_the_bed(state: State, layout: Layout) -> State:
    """A state as the window one row further on sees it."""
    opening = np.roll(state.opening, -1, axis=0)
    opening[-1] = opening[-2]
    return replace(state, opening=opening + state.tilt[0] * layout.spacing)
