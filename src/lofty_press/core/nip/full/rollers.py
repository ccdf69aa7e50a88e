"""The rollers' line: what they press at each place across, for an interface that is open so far under them."""

from dataclasses import dataclass
from typing import Any

import numpy as np
from scipy.linalg.lapack import dgetrf, dgetrs

from lofty_press.core.nip.full.operators import Operators
from lofty_press.core.stack import FloatArray

CLOSE = 1e-6  # mm
MOST_STEPS, SHORTEST = 60, 1e-3
AGAIN = 0.6  # of the last misfit, over which a factor is too old


@dataclass(frozen=True, eq=False)
class Line:
    """Closing of the shut pile under the rollers (ny,) [mm], the load there [N/mm] and its slope [N/mm2]; `factor` answers for small changes."""

    closing: FloatArray
    load: FloatArray
    slope: FloatArray
    factor: Any


def load_of(operators: Operators, closing: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Load and slope of the shut pile (ny,) [N/mm, N/mm2]: straight between nodes of the root of the closing."""
    root = np.sqrt(np.maximum(closing, 0.0))
    place = root / operators.step
    n = np.minimum(place.astype(np.intp), operators.loads.size - 2)
    rise = operators.loads[n + 1] - operators.loads[n]
    return operators.loads[n] + (place - n) * rise, np.where(closing > 0, rise / (2.0 * operators.step * np.maximum(root, 1e-9)), 0.0)


def press_line(operators: Operators, offered: FloatArray, start: Line) -> Line:
    """Close the rollers on what is offered to them (ny,) [mm]: closing + yielding . load = offered, by Newton's method with shortened steps."""
    closing, factor, last = start.closing, start.factor, np.inf
    load, slope = load_of(operators, closing)
    for _ in range(MOST_STEPS):
        misfit = offered - closing - operators.yielding @ load
        worst = float(np.abs(misfit)[(slope > 0) | (misfit + closing > 0)].max(initial=0.0))
        if worst < CLOSE:
            break
        if factor is None or worst > AGAIN * last:
            factor = factor_of(operators, slope)
        last, share = worst, 1.0
        step, whole = answer_of(factor, misfit), float(np.abs(misfit).sum())
        while True:
            tried = closing + share * step
            load, slope = load_of(operators, tried)
            if share < SHORTEST or np.abs(offered - tried - operators.yielding @ load).sum() < (1.0 - 0.2 * share) * whole:
                break
            share *= 0.5
        closing = tried
    return Line(closing, load, slope, factor)


def factor_of(operators: Operators, slope: FloatArray) -> Any:
    """Factors of what a small change of the closing takes."""
    matrix = operators.yielding * slope
    matrix.flat[:: matrix.shape[0] + 1] += 1.0
    factors, pivots, _ = dgetrf(matrix)
    return factors, pivots


def answer_of(factor: Any, offered: FloatArray) -> FloatArray:
    """Change of the closing with a small change of what is offered (ny,) [mm]; LAPACK without the checks that take longer than it."""
    return np.asarray(dgetrs(*factor, offered)[0])


def changed(line: Line, factor: Any, offered: FloatArray) -> FloatArray:
    """Change of the load with a small change of what is offered (ny,). [N/mm]"""
    return np.asarray(line.slope * answer_of(factor, offered))
