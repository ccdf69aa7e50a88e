"""Coarse grids first: each solution is the first guess for the next finer grid, and a picture to show meanwhile."""

from collections.abc import Callable
from dataclasses import dataclass

from lofty_press.core.mechanics.forming.newton import Grid, Solved, State, Watch, first_guess, solve_grid
from lofty_press.core.mechanics.forming.problem import Forming, twice_as_fine

TOLERANCE = 1e-3
COARSE_TOLERANCE = 2e-2
MOST_STEPS = 40


@dataclass(frozen=True)
class Progress:
    """Where a run stands: cells of the present grid along both axes, outer steps on it, relative residual."""

    shape: tuple[int, int]
    step: int
    residual: float


Report = Callable[[Progress], None]
"""Told about every outer step; may raise to stop the run."""


@dataclass(frozen=True)
class Formed:
    """A formed sheet on its finest grid, with the steps that every grid took, coarsest first."""

    forming: Forming
    state: State
    residual: float
    converged: bool
    grids: tuple[Solved, ...]

    @property
    def inner(self) -> int:
        return sum(s.inner for s in self.grids)


def grids_of(forming: Forming) -> list[Forming]:
    """The problem on every grid, finest first."""
    found = [forming]
    while found[-1].can_coarsen:
        found.append(found[-1].coarser())
    return found


def form(
    forming: Forming,
    *,
    tolerance: float = TOLERANCE,
    report: Report = lambda _: None,
) -> Formed:
    """Form a sheet.

    Parameters
    ----------
    forming : Forming
        The problem on its finest grid.
    tolerance : float
        Largest norm of unbalanced pressure over that of the pressing on the finest grid. [1]
    report : callable
        Told about every outer step; an exception that it raises stops the run and passes through.

    Returns
    -------
    Formed
        With `converged` False, and the residual that was reached, if the steps did not suffice.

    Notes
    -----
    Minimises the energy of bending and stretching of the sheet, of both one-sided foundations and of the pressing force over the
    deflection and the height of the upper surface; the energy is convex, so there is one minimum.
    """
    problems = grids_of(forming)
    state: State | None = None
    solved: list[Solved] = []
    for problem in reversed(problems):
        finest = problem is forming
        guess = first_guess(problem) if state is None else State(twice_as_fine(state.deflection), state.offset)
        aim = tolerance if finest else max(COARSE_TOLERANCE, tolerance)
        found = solve_grid(Grid(problem), guess, tolerance=aim, most=MOST_STEPS, watch=watcher(problem.shape, report))
        solved.append(found)
        state = found.state
    last = solved[-1]
    return Formed(forming, last.state, last.residual, last.converged, tuple(solved))


def watcher(shape: tuple[int, int], report: Report) -> Watch:
    """Passes the steps on one grid on."""
    return lambda step, residual: report(Progress(shape, step, residual))
