"""The rollers' line: what they press at each place across, for an interface that is open so far under them."""

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy.linalg.lapack import dgetrf, dgetrs

from lofty_press.core.mechanics.nip.full.kernel import misfit_of, press_places
from lofty_press.core.mechanics.nip.full.operators import Operators
from lofty_press.core.sandwich.stack import FloatArray

CLOSE = 1e-6  # mm
MOST_STEPS, SHORTEST = 60, 1e-3
AGAIN = 0.6  # of the last misfit, over which a factor is too old


@dataclass(frozen=True, eq=False)
class Line:
    """Closing of the shut pile under the rollers (ny,) [mm], the load there [N/mm] and its slope [N/mm2]; `factor` answers for small changes."""

    closing: FloatArray
    load: FloatArray
    slope: FloatArray
    factor: "Factor | None"


def load_of(operators: Operators, closing: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Load and slope of the shut pile (ny,). [N/mm, N/mm2]"""
    load, slope = np.empty(closing.shape), np.empty(closing.shape)
    press_places(closing, operators.loads, operators.step, load, slope)
    return load, slope


def press_line(operators: Operators, offered: FloatArray, start: Line) -> Line:
    """Close the rollers on what is offered to them (ny,) [mm]: closing + yielding . load = offered, by Newton's method with shortened steps."""
    closing, factor, last = start.closing, start.factor, np.inf
    load, slope = load_of(operators, closing)
    misfit, other = np.empty(closing.shape), np.empty(closing.shape)
    worst, whole = misfit_of(offered, closing, operators.yielding @ load, slope, misfit)
    for _ in range(MOST_STEPS):
        if worst < CLOSE:
            break
        if factor is None or worst > AGAIN * last:
            factor = factor_of(operators, slope)
        last, share = worst, 1.0
        step, enough = answer_of(factor, misfit), whole
        while True:
            tried = closing + share * step
            load, slope = load_of(operators, tried)
            worst, whole = misfit_of(offered, tried, operators.yielding @ load, slope, other)
            if share < SHORTEST or whole < (1.0 - 0.2 * share) * enough:
                break
            share *= 0.5
        closing, misfit, other = tried, other, misfit
    return Line(closing, load, slope, factor)


@dataclass(frozen=True, eq=False)
class Factor:
    """What a small change of the closing takes. Only places that `bear` something move others: `moved` (ny, bearing) is by how much [1]; `factors`
    and `pivots` are those of the bearing places' own equations."""

    bear: NDArray[np.intp]
    moved: FloatArray
    factors: FloatArray
    pivots: Any


def factor_of(operators: Operators, slope: FloatArray) -> Factor:
    """Factors of what a small change of the closing takes."""
    bear = np.flatnonzero(slope > 0)
    moved = operators.yielding[:, bear] * slope[bear]
    matrix = moved[bear]
    matrix.flat[:: bear.size + 1] += 1.0
    factors, pivots = (matrix, np.zeros(0)) if bear.size == 0 else dgetrf(matrix)[:2]
    return Factor(bear, moved, factors, pivots)


def answer_of(factor: Factor, offered: FloatArray) -> FloatArray:
    """Change of the closing with a small change of what is offered (ny,) [mm]; LAPACK without the checks that take longer than it."""
    if factor.bear.size == 0:
        return offered
    answer = dgetrs(factor.factors, factor.pivots, offered[factor.bear])[0]
    found = offered - factor.moved @ answer
    found[factor.bear] = answer
    return np.asarray(found)


def changed(line: Line, factor: Factor, offered: FloatArray) -> FloatArray:
    """Change of the load with a small change of what is offered (ny,). [N/mm]"""
    found = np.zeros(offered.shape)
    if factor.bear.size:
        answer = dgetrs(factor.factors, factor.pivots, offered[factor.bear])[0]
        found[factor.bear] = line.slope[factor.bear] * answer
    return found
