"""How many sheets of which pattern: columns are made as they are wanted, and a bound says how far from the best they may be.

References
----------
Gilmore, Gomory, "A linear programming approach to the cutting stock problem", Operations Research 9, 1961; Farley, "A note on bounding a class
of linear programming problems, including cutting stock problems", Operations Research 38, 1990 (bound before the last column). From memory.
"""

from dataclasses import dataclass

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, linprog, milp

from lofty_press.core.working.plan.cutting.all_ways import MOST_SETS, are_few, maximal_patterns, of_one_sheet
from lofty_press.core.working.plan.cutting.dissect import FloatArray
from lofty_press.core.working.plan.cutting.pattern import Pattern, settings_of, without
from lofty_press.core.working.plan.cutting.sheet import Grid

ROUNDS = 80
"""Columns that are looked for, at most."""
STEPS = 1.5e9
"""Comparisons that looking for them may take, about two seconds; what is not found then is missing from the choice, and the bound says so."""
GAIN = 1e-7
NODES = 1000
"""Branches of the choice that are looked at: a count of work, so that the same job is cut alike however busy the machine is."""
LONGEST = 20.0
"""What the choice may take whatever it is at. [s]"""
EFFORT = {"node_limit": NODES, "time_limit": LONGEST}
FEW = 400
"""Columns among which the trimmer's settings are compared: jobs that people cut by hand."""
MISSING = 1e3
"""What a piece costs that comes out of no sheet; far more than any sheet."""


@dataclass(frozen=True)
class Kind:
    """Equal sheets: their grid, what one costs, and how many there are; None for as many as are wanted."""

    grid: Grid
    cost: float
    limit: int | None


@dataclass(frozen=True)
class Column:
    """A pattern of one kind of sheet, with how many of each piece it holds, shape (pieces,)."""

    kind: int
    counts: FloatArray
    pattern: Pattern


@dataclass(frozen=True)
class Cover:
    """Sheets that hold all pieces: patterns with how often each is cut; `missing` pieces fit nowhere, shape (pieces,).

    `also` is as good a choice, and likely takes fewer settings of a trimmer's stop; `cost` of all of them and the `bound` below which no other can be.
    """

    used: tuple[tuple[Column, int], ...]
    also: tuple[tuple[Column, int], ...]
    missing: FloatArray
    cost: float
    bound: float


def cover(kinds: list[Kind], demand: FloatArray) -> Cover:
    """The cheapest sheets that hold all pieces.

    Parameters
    ----------
    kinds : list of Kind
    demand : array, shape (pieces,)
        How many of each are wanted.

    Returns
    -------
    Cover

    Notes
    -----
    Where few pieces come out of a sheet, whole numbers are chosen among all its patterns, and what is found is the least. Else the linear problem over all
    patterns, whose columns are the most valuable patterns for its own prices, gives the bound; whole numbers are
    chosen among its columns, the best among `NODES` branches. Its bound holds where the grids are exact.
    """
    all_columns = every_column(kinds, demand)
    if all_columns is not None:
        return chosen(kinds, all_columns, demand, None)
    columns = [column for k, kind in enumerate(kinds) for column in plain_columns(k, kind, demand)]
    bound = 0.0
    steps = sum(kind.grid.steps for kind in kinds)
    for _ in range(max(min(ROUNDS, int(STEPS / max(steps, 1.0))), 3)):
        prices, limits, cost = relaxed(kinds, columns, demand)
        found, worst = [], 1.0
        for k, kind in enumerate(kinds):
            value, counts, pattern = kind.grid.best(prices)
            worth = kind.cost - limits[k]
            worst = max(worst, value / worth)
            if value > worth + GAIN:
                found.append(Column(k, counts, pattern))
        held = sum(limits[k] * kind.limit for k, kind in enumerate(kinds) if kind.limit is not None)
        bound = max(bound, float(prices @ demand) / worst + held)
        if not found or cost - bound < GAIN:
            break
        columns += found
    return chosen(kinds, columns, demand, bound)


def every_column(kinds: list[Kind], demand: FloatArray) -> list[Column] | None:
    """All patterns of all sheets to which nothing can be added; None where they are too many to look at."""
    if 2 ** len(demand) > MOST_SETS:
        return None
    most = [of_one_sheet(kind.grid, demand) for kind in kinds]
    if not all(are_few(each) for each in most):
        return None
    found: dict[int, list[tuple[FloatArray, Pattern]]] = {}
    for kind, each in zip(kinds, most, strict=True):
        if id(kind.grid) not in found:  # what is there and what can be bought of the same sheet is cut alike
            ways = maximal_patterns(kind.grid, each)
            if ways is None:
                return None
            found[id(kind.grid)] = ways
    return [Column(k, counts, pattern) for k, kind in enumerate(kinds) for counts, pattern in found[id(kind.grid)]]


def plain_columns(k: int, kind: Kind, demand: FloatArray) -> list[Column]:
    """Sheets of one piece each, to begin with."""
    found = []
    for piece in range(len(demand)):
        counts, pattern = kind.grid.best_of(piece)
        if counts[piece] > 0:
            found.append(Column(k, counts, pattern))
    return found


def relaxed(kinds: list[Kind], columns: list[Column], demand: FloatArray) -> tuple[FloatArray, FloatArray, float]:
    """Prices of the pieces, prices of the limits (not over 0), and the cost, where sheets could be had in parts."""
    pieces, limited = len(demand), [k for k, kind in enumerate(kinds) if kind.limit is not None]
    held = np.stack([column.counts for column in columns], axis=1) if columns else np.zeros((pieces, 0))
    rows = np.hstack([-held, -np.eye(pieces)])
    ends = np.array([[float(column.kind == k) for column in columns] + [0.0] * pieces for k in limited]).reshape(
        len(limited), rows.shape[1]
    )
    costs = np.array([kinds[column.kind].cost for column in columns] + [MISSING] * pieces)
    most = np.concatenate([-demand, [float(kinds[k].limit or 0) for k in limited]])
    found = linprog(costs, A_ub=np.vstack([rows, ends]), b_ub=most, method="highs")
    marginals = np.asarray(found.ineqlin.marginals, dtype=np.float64)
    limits = np.zeros(len(kinds))
    limits[limited] = marginals[pieces:]
    return -marginals[:pieces], limits, float(found.fun)


def chosen(kinds: list[Kind], columns: list[Column], demand: FloatArray, bound: float | None) -> Cover:
    """Whole numbers of sheets; without a `bound` the columns are all that there are, and what is chosen among them has its own."""
    pieces = len(demand)
    held = np.stack([column.counts for column in columns], axis=1) if columns else np.zeros((pieces, 0))
    rows = [LinearConstraint(np.hstack([held, np.eye(pieces)]), lb=demand, ub=np.inf)]
    for k, kind in enumerate(kinds):
        if kind.limit is not None:
            row = np.array([float(column.kind == k) for column in columns] + [0.0] * pieces)
            rows.append(LinearConstraint(row[None, :], lb=0, ub=kind.limit))
    costs = np.array([kinds[column.kind].cost for column in columns] + [MISSING] * pieces)
    room = Bounds(0, np.concatenate([np.full(len(columns), np.inf), demand]))
    found = milp(costs, constraints=rows, integrality=np.ones(len(costs)), bounds=room, options=EFFORT)
    if found.x is None:  # nothing whole in time: every piece from sheets of its own
        counts = np.zeros(len(costs))
        for piece in range(pieces):
            own = [n for n, column in enumerate(columns) if column.counts[piece] > 0 and kinds[column.kind].limit is None]
            counts[own[0] if own else len(columns) + piece] += np.ceil(demand[piece] / (columns[own[0]].counts[piece] if own else 1.0))
    else:
        counts = np.round(found.x)
    used, also = (
        tuple((column, int(n)) for column, n in zip(columns, each, strict=False) if n > 0)
        for each in (counts, fewest_settings(kinds, columns, demand, rows, room, costs, counts))
    )
    cost = sum(kinds[column.kind].cost * n for column, n in used)
    missing = counts[len(columns) :]
    if bound is None:
        bound = max(float(found.mip_dual_bound or 0.0) - MISSING * float(missing.sum()), 0.0)
    return Cover(used, also, missing, float(cost), bound)


def fewest_settings(
    kinds: list[Kind],
    columns: list[Column],
    demand: FloatArray,
    rows: list[LinearConstraint],
    room: Bounds,
    costs: FloatArray,
    counts: FloatArray,
) -> FloatArray:
    """Of all choices that cost no more the one whose sheets, one by one, take the fewest settings of a trimmer's stop; of many columns the choice as it is."""
    if len(columns) > FEW:
        return counts
    settings = np.zeros(len(costs))
    for n, column in enumerate(columns):
        wanted = kinds[column.kind].grid.wanted
        over = {each.key: int(more) for each, more in zip(wanted, column.counts - demand, strict=True) if more > 0}
        settings[n] = settings_of(without(column.pattern, over))
    no_dearer = LinearConstraint(costs[None, :], ub=float(costs @ counts) + GAIN)
    found = milp(settings, constraints=[*rows, no_dearer], integrality=np.ones(len(costs)), bounds=room, options=EFFORT)
    return counts if found.x is None else np.asarray(np.round(found.x))
