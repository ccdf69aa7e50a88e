"""One kind of sheet on a grid of whole numbers, and its best patterns for given values of the pieces."""

from dataclasses import dataclass
from fractions import Fraction
from math import gcd, lcm

import numpy as np

from lofty_press.core.working.plan.cutting.dissect import (
    ACROSS,
    NOTHING,
    WHOLE,
    FloatArray,
    IntArray,
    best_values,
    last_at_or_below,
    piece_counts,
    places,
)
from lofty_press.core.working.plan.cutting.pattern import Laid, Part, Pattern, Rest, Split
from lofty_press.core.working.plan.cutting.wanted import Wanted

MOST_PLACES = 420
"""Places of cuts along a side; where there would be more, pieces are taken a little larger and fewer places looked at."""


def unit_of(wanted: list[Wanted]) -> Fraction:
    """The longest length of which all sides are whole multiples. [mm]"""
    sides = [side for each in wanted for side in (each.width, each.height)]
    below = lcm(*(side.denominator for side in sides))
    return Fraction(gcd(*(int(side * below) for side in sides)), below)


@dataclass(frozen=True)
class Grid:
    """A sheet and the ways in which pieces lie on it, in whole units of `unit` [mm]."""

    wanted: tuple[Wanted, ...]
    width: Fraction
    height: Fraction
    unit: Fraction
    exact: bool
    across: IntArray
    upright: IntArray
    widths: IntArray
    heights: IntArray
    owner: IntArray

    @classmethod
    def of(cls, wanted: list[Wanted], width: Fraction, height: Fraction) -> "Grid":
        """Lay the grid; coarser where it would have too many places."""
        unit = unit_of(wanted)
        exact = True
        while True:
            ways = [
                (k, -(-w // unit), -(-h // unit))
                for k, each in enumerate(wanted)
                for w, h in {(each.width, each.height), *([(each.height, each.width)] if each.turns else [])}
                if w <= width and h <= height
            ]
            owner, widths, heights = (np.array([way[n] for way in ways], dtype=np.int64) for n in range(3))
            across, upright = places(widths, int(width // unit)), places(heights, int(height // unit))
            if max(len(across), len(upright)) <= MOST_PLACES:
                return cls(tuple(wanted), width, height, unit, exact, across, upright, widths, heights, owner)
            unit, exact = unit * 2, False

    @property
    def steps(self) -> float:
        """Comparisons that one search for the best pattern takes. [1]"""
        across, upright = len(self.across), len(self.upright)
        return across * upright * ((across + upright) / 2 + len(self.owner))

    def best(self, values: FloatArray) -> tuple[float, FloatArray, Pattern]:
        """The most valuable pattern: its value, how many of each piece it holds, shape (pieces,), and the pattern."""
        down_x, down_y = last_at_or_below(self.across, int(self.across[-1])), last_at_or_below(self.upright, int(self.upright[-1]))
        each = values[self.owner] if len(self.owner) else np.zeros(0)
        best, act, at = best_values(self.across, self.upright, down_x, down_y, self.widths, self.heights, each)
        counts = piece_counts(act, at, self.across, self.upright, len(self.wanted), self.owner)
        return float(best[-1, -1]), counts, Pattern(self.width, self.height, self._part(act, at, (down_x, down_y)))

    def best_of(self, piece: int) -> tuple[FloatArray, Pattern]:
        """The pattern that holds most of one piece alone: how many of each, shape (pieces,), and the pattern. Its own sums are few, so it is found at once."""
        _, count, pattern = Grid.of([self.wanted[piece]], self.width, self.height).best(np.ones(1))
        counts = np.zeros(len(self.wanted))
        counts[piece] = count[0]
        return counts, pattern

    def _part(self, act: IntArray, at: IntArray, down: tuple[IntArray, IntArray]) -> Part:
        """The cuts of the best pattern, with their true places."""

        def part(i: int, j: int, x: Fraction, y: Fraction, w: Fraction, h: Fraction) -> Part:
            how = act[i, j]
            if how == NOTHING or w <= 0 or h <= 0:
                return Rest(x, y, w, h)
            if how == WHOLE:
                return self.piece(int(at[i, j]), x, y, w, h)
            m = int(at[i, j])
            if how == ACROSS:
                cut = int(self.across[m]) * self.unit
                rest = int(down[0][self.across[i] - self.across[m]])
                return Split(x, y, w, h, True, cut, part(m, j, x, y, cut, h), part(rest, j, x + cut, y, w - cut, h))
            cut = int(self.upright[m]) * self.unit
            rest = int(down[1][self.upright[j] - self.upright[m]])
            return Split(x, y, w, h, False, cut, part(i, m, x, y, w, cut), part(i, rest, x, y + cut, w, h - cut))

        return part(len(self.across) - 1, len(self.upright) - 1, Fraction(0), Fraction(0), self.width, self.height)

    def piece(self, way: int, x: Fraction, y: Fraction, w: Fraction, h: Fraction) -> Part:
        """A piece at the corner of a part, and what is cut off beside and above it."""
        each = self.wanted[int(self.owner[way])]
        turned = -(-each.width // self.unit) != self.widths[way] or -(-each.height // self.unit) != self.heights[way]
        wide, high = (each.height, each.width) if turned else (each.width, each.height)
        found: Part = Laid(each.key, x, y, wide, high, turned)
        if high < h:
            found = Split(x, y, wide, h, False, high, found, Rest(x, y + high, wide, h - high))
        if wide < w:
            found = Split(x, y, w, h, True, wide, found, Rest(x + wide, y, w - wide, h))
        return found
