"""Where on its sheet something is wrong, and how likely somebody points there."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.judging.assess import Assessment
from lofty_press.core.sandwich.stack import FloatArray, StackView
from lofty_press.core.teaching.coach.bare import bare_part, barer, points_in
from lofty_press.core.teaching.coach.sights import BARE

OFF = 15.0
"""How far off somebody points. [mm]"""
ANYWHERE = 0.1
"""How often somebody points to something else than what the mistake did. [1]; common practice, no published source"""
MOST = 300
"""Points by which a place is known."""
STEP = 10.0
"""Of the points by which places are compared. [mm]"""


@dataclass(frozen=True, eq=False)
class Place:
    """Where a sheet is wrong: `wrong` points of it (n, 2), as it was meant to lie, and its `bounds`. [mm]"""

    wrong: FloatArray
    bounds: tuple[float, float, float, float]

    @property
    def anywhere(self) -> float:
        """Chance of each place of a sheet that is wrong nowhere or everywhere. [1/mm2]"""
        low_x, low_y, high_x, high_y = self.bounds
        return 1.0 / max((high_x - low_x) * (high_y - low_y), 1.0)

    def pointed(self, at: FloatArray) -> FloatArray:
        """How likely somebody points to each of some places (m, 2) [mm]: around where it is wrong, or anywhere (m,). [1/mm2]"""
        if not len(self.wrong):
            return np.full(len(at), self.anywhere)
        away = ((at[:, None, :] - self.wrong[None, :, :]) ** 2).sum(axis=2)
        near = np.exp(-0.5 * away / OFF**2).mean(axis=1) / (2.0 * math.pi * OFF**2)
        return np.asarray((1.0 - ANYWHERE) * near + ANYWHERE * self.anywhere)

    @cached_property
    def shares(self) -> FloatArray:
        """How much of the pointing goes to each of a few places all over the sheet; sums to 1."""
        low_x, low_y, high_x, high_y = self.bounds
        x, y = np.arange(low_x + STEP / 2, high_x, STEP), np.arange(low_y + STEP / 2, high_y, STEP)
        grid = np.stack(np.meshgrid(x, y, indexing="ij"), axis=-1).reshape(-1, 2)
        if not len(grid):
            return np.ones(1)
        found = self.pointed(grid)
        return np.asarray(found / found.sum())

    def alike(self, other: "Place") -> float:
        """How much two sheets are wrong in the same places: the Bhattacharyya coefficient of where somebody points, 1 for the same."""
        return float(np.sqrt(self.shares * other.shares).sum())


def place_of(after: Assessment, meant: Assessment) -> Place:
    """Where a sheet is wrong, as it was meant to lie; it may have lain elsewhere, and what is pointed to moves with it."""
    before, then = StackView(meant.sandwich).sheet, StackView(after.sandwich).sheet
    assert before is not None
    wrong = wrong_places(after, meant)
    if then is not None and len(wrong):
        wrong = wrong - np.array([then.layer.x_mm - before.layer.x_mm, then.layer.y_mm - before.layer.y_mm])
    return Place(wrong[:: max(len(wrong) // MOST, 1)], before.bounds)


def wrong_places(after: Assessment, meant: Assessment) -> FloatArray:
    """Points of a pile where too little or too much is pressed, or the sheet lies bare and was not meant to, shape (n, 2). [mm]"""
    parts = after.verdict.shares.parts if after.verdict is not None else ()
    places = [np.zeros((0, 2))]
    for part in parts:
        i, j = np.nonzero(part.cells)
        places.append(np.column_stack([part.field.x[i], part.field.y[j]]))
    then = StackView(after.sandwich)
    if barer(then, StackView(meant.sandwich)) > BARE:
        places.append(points_in(bare_part(then)))
    return np.concatenate(places)
