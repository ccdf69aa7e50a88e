"""All ways in which a few pieces come out of one sheet by cuts from edge to edge.

References
----------
Stockmeyer, "Optimal orientations of cells in slicing floorplan designs", Information and Control 57, 1983: of what is put together by cuts from edge to edge
only the sizes count that no other is within. From memory.
"""

from fractions import Fraction

import numpy as np
from numba import njit
from numpy.typing import NDArray

from lofty_press.core.working.plan.cutting.dissect import FloatArray, IntArray
from lofty_press.core.working.plan.cutting.pattern import Part, Pattern, Split
from lofty_press.core.working.plan.cutting.sheet import Grid

MOST_SETS = 8192
"""Choices of pieces, each as often as it is wanted at most, up to which all are looked at."""
MOST_PAIRS = 3e7
"""Ways to take all of them apart in two, likewise: some two seconds."""
MOST_SIZES = 48
"""Sizes that are kept of one choice; with as many the search is given up."""
BESIDE, ABOVE = 1, 2
"""How two parts are put together; a piece by itself is 0."""


def of_one_sheet(grid: Grid, demand: FloatArray) -> IntArray:
    """How many of each piece are wanted of one sheet at most: what is wanted at all, and what it holds of that piece alone, shape (pieces,)."""
    return np.array(
        [min(int(wanted), int(grid.best_of(k)[0][k])) if (grid.owner == k).any() else 0 for k, wanted in enumerate(demand)], dtype=np.int64
    )


def are_few(most: IntArray) -> bool:
    """True if all choices of so many pieces can be looked at."""
    return float(np.prod(most + 1.0)) <= MOST_SETS and float(np.prod((most + 1.0) * (most + 2.0) / 2)) <= MOST_PAIRS


def maximal_patterns(grid: Grid, most: IntArray) -> list[tuple[FloatArray, Pattern]] | None:
    """How many of each piece come out of a sheet together, shape (pieces,), and how; only choices to which nothing can be added.

    None where a choice has more sizes than are kept: then some way may be missing.
    """
    digits = digits_of(most)
    area = grid.widths * grid.heights
    pieces = np.array([int(area[grid.owner == k][0]) if (grid.owner == k).any() else 0 for k in range(len(most))], dtype=np.int64)
    size = np.array([int(grid.width // grid.unit), int(grid.height // grid.unit)], dtype=np.int64)
    many, sizes = put_together(digits, pieces, grid.owner, grid.widths, grid.heights, size)
    if many.max() >= MOST_SIZES:
        return None
    return [
        (digits[chosen].astype(np.float64), Pattern(grid.width, grid.height, part_of(grid, sizes, int(chosen))))
        for chosen in np.flatnonzero(maximal(digits, most, many > 0))
    ]


def digits_of(most: IntArray) -> IntArray:
    """All choices, shape (choices, pieces): the number of a choice is how many it holds of each, the first piece counting least."""
    counts = np.indices(tuple(most[::-1] + 1)).reshape(len(most), -1)
    return np.ascontiguousarray(counts[::-1].T.astype(np.int64))


def maximal(digits: IntArray, most: IntArray, possible: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """True for choices that come out of a sheet and would not with any piece more."""
    steps = np.concatenate([[1], np.cumprod(most[:-1] + 1)])
    kept = possible.copy()
    for k, step in enumerate(steps):
        more = np.flatnonzero(digits[:, k] < most[k])
        kept[more] &= ~possible[more + step]
    return kept


@njit(cache=True)
def put_together(digits, areas, owner, widths, heights, size):  # type: ignore[no-untyped-def]
    """Sizes of every choice of pieces that come out of a sheet together, none within another.

    Returns how many there are, shape (choices,), and each as width, height, how it is put together, and of which choice in which of its sizes, twice; shape
    (choices, sizes, 7). For a piece by itself the first of those is the way in which it lies.
    """
    choices, kinds = digits.shape
    many = np.zeros(choices, dtype=np.int64)
    sizes = np.zeros((choices, MOST_SIZES, 7), dtype=np.int64)
    for chosen in range(1, choices):
        room, count, alone = size[0] * size[1], 0, -1
        for k in range(kinds):
            room -= digits[chosen, k] * areas[k]
            count += digits[chosen, k]
            if digits[chosen, k]:
                alone = k
        if room < 0:
            continue
        if count == 1:
            for way in range(len(owner)):
                if owner[way] == alone and widths[way] <= size[0] and heights[way] <= size[1]:
                    many[chosen] = kept(sizes[chosen], many[chosen], (widths[way], heights[way], 0, way, 0, 0, 0))
            continue
        for one in range(1, chosen // 2 + 1):
            other = chosen - one
            if many[one] == 0 or many[other] == 0 or not within(digits[one], digits[chosen]):
                continue
            for a in range(many[one]):
                for b in range(many[other]):
                    w1, h1, w2, h2 = sizes[one, a, 0], sizes[one, a, 1], sizes[other, b, 0], sizes[other, b, 1]
                    if w1 + w2 <= size[0] and max(h1, h2) <= size[1]:
                        many[chosen] = kept(sizes[chosen], many[chosen], (w1 + w2, max(h1, h2), BESIDE, one, a, other, b))
                    if max(w1, w2) <= size[0] and h1 + h2 <= size[1]:
                        many[chosen] = kept(sizes[chosen], many[chosen], (max(w1, w2), h1 + h2, ABOVE, one, a, other, b))
    return many, sizes


@njit(cache=True)
def within(one, other):  # type: ignore[no-untyped-def]
    """True if a choice holds no more of any piece than another."""
    more = 0
    for k in range(len(one)):
        more += one[k] > other[k]
    return more == 0


@njit(cache=True)
def kept(sizes, many, found):  # type: ignore[no-untyped-def]
    """Keep a size unless another is within it, and drop those that it is within; how many there are then."""
    for n in range(many):
        if sizes[n, 0] <= found[0] and sizes[n, 1] <= found[1]:
            return many
    left = 0
    for n in range(many):
        if sizes[n, 0] < found[0] or sizes[n, 1] < found[1]:
            sizes[left] = sizes[n]
            left += 1
    if left == MOST_SIZES:
        return left
    for k in range(7):
        sizes[left, k] = found[k]
    return left + 1


def part_of(grid: Grid, sizes: IntArray, chosen: int) -> Part:
    """The cuts that bring a choice out of a sheet, with their true places."""

    def part(choice: int, number: int, x: Fraction, y: Fraction, width: Fraction, height: Fraction) -> Part:
        _, _, how, one, one_size, other, other_size = (int(value) for value in sizes[choice, number])
        if how not in (BESIDE, ABOVE):
            return grid.piece(one, x, y, width, height)
        along = how == BESIDE
        at = int(sizes[one, one_size, 0 if along else 1]) * grid.unit
        if along:
            low, high = (x, y, at, height), (x + at, y, width - at, height)
        else:
            low, high = (x, y, width, at), (x, y + at, width, height - at)
        return Split(x, y, width, height, along, at, part(one, one_size, *low), part(other, other_size, *high))

    return part(chosen, 0, Fraction(0), Fraction(0), grid.width, grid.height)
