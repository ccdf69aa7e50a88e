"""The bed under the rollers with every blade where it runs, in place of spread evenly over its die."""

import math
from dataclasses import dataclass

import numpy as np
from scipy.ndimage import gaussian_filter

from lofty_press.core.effects.blade import BladeContact, dies_at_work
from lofty_press.core.feed.placing import lead_of
from lofty_press.core.nip.balance import balance
from lofty_press.core.nip.columns import Field, bare_area, build_field, grid_of, pile_up, working_area
from lofty_press.core.nip.strip import half_width
from lofty_press.core.outline.blade_runs import blade_runs, walk
from lofty_press.core.relief.height_map import Library
from lofty_press.core.stack.footprint import covered
from lofty_press.core.stack.item import DIES
from lofty_press.core.stack.shape import BoolArray, FloatArray
from lofty_press.core.stack.view import Placed, StackView

FINER = 2
FAINTEST = 0.02  # of the mean blade per area; where there is less, the sheet is taken to close on the die's body after as little load
FLAMANT = math.pi / 2  # width over depth of the pressure under a line load: q / sigma with sigma = 2 q / (pi h)
MOST_SPREAD = 8.0  # mm


@dataclass(frozen=True)
class Nearness:
    """Over what the nip evens blades out: standard deviations along and across the feed, and half the nip's contact length. [mm]"""

    along: float
    across: float
    reach: float


def nearness_of(view: StackView, blade: BladeContact | None) -> Nearness:
    """How far the load on a blade spreads on its way to the nearer roller, and how long the contact is.

    Notes
    -----
    Under a line load q a half-space carries 2 q / (pi h) at depth h (Flamant), as if it were spread over pi h / 2; a bell curve with that
    peak has a standard deviation of pi h / 2 / sqrt(2 pi). Along the feed the nip's own parabola of half length a adds its variance a^2/5.
    The nearer roller decides: both ends of a line of force carry the same. The contact is that of everything that lies over the tool, as wide as the tool.
    """
    lead = lead_of(view) if blade is None else blade.die
    columns = pile_up(view, [np.full((1, 1), float(lies_over(p, lead))) for p in view.layers], blade, np.ones((1, 1), dtype=np.bool_))
    width = view.press.feed_width_mm if lead is None else min(lead.item.width_mm, view.press.feed_width_mm)
    rows = balance(columns, view.press, np.zeros(1), width)
    reach = half_width(view.press.roller_radius_mm, float(rows.compression.max(initial=0.0)))
    depth = 0.0 if blade is None else depth_of(view, blade.die)
    spread = min(FLAMANT * depth / math.sqrt(2 * math.pi), MOST_SPREAD)
    return Nearness(math.hypot(spread, reach / math.sqrt(5)), spread, reach)


def lies_over(placed: Placed, lead: Placed | None) -> bool:
    """True for what lies on the work or under it; another die beside it or inside it does not."""
    return lead is None or bool(placed.polygon.intersection(lead.polygon).area > 0)


def depth_of(view: StackView, die: Placed) -> float:
    """Thickness between a die's blade and the nearer roller. [mm]"""
    below = sum(p.thickness for p in view.layers[: die.index] if lies_over(p, die))
    above = sum(p.thickness for p in view.layers[die.index + 1 :] if lies_over(p, die))
    return min(below, above) + (die.thickness if (die.active_side == "up") == (below < above) else 0.0)


def blade_density(points: FloatArray, weights: FloatArray, x: FloatArray, y: FloatArray, near: Nearness) -> FloatArray:
    """Blade per area as the nip meets it.

    Parameters
    ----------
    points : ndarray, shape (n, 2)
        Places along all runs of the blade, on the bed. [mm]
    weights : ndarray, shape (n,)
        Length that each stands for. [mm]
    x, y : ndarray, shapes (nx,) and (ny,)
        Even cell centres along and across the feed. [mm]
    near : Nearness

    Returns
    -------
    ndarray, shape (nx, ny)
        [mm/mm2]; its sum times the cell's area is the length of blade on the grid.
    """
    cell = (float(x[1] - x[0]), float(y[1] - y[0]))
    i, j = (np.rint((points[:, k] - axis[0]) / cell[k]).astype(np.intp) for k, axis in enumerate((x, y)))
    inside = (i >= 0) & (i < x.size) & (j >= 0) & (j < y.size)
    count = np.bincount(i[inside] * y.size + j[inside], weights[inside], minlength=x.size * y.size).reshape(x.size, y.size)
    widths = (near.along / cell[0], near.across / cell[1])
    return np.asarray(gaussian_filter(count, widths, mode="constant", truncate=3.0) / (cell[0] * cell[1]))


@dataclass(frozen=True)
class Runs:
    """Runs of the blades on the bed: places (n, 2) and the length that each stands for (n,) [mm]; `of` says which of them belong to which
    die."""

    places: FloatArray
    weights: FloatArray
    of: tuple[tuple[Placed, slice], ...]


def runs_of(view: StackView, blade: BladeContact, library: Library) -> Runs:
    """Walk along every blade at work; each is as long as its maker or owner says."""
    places, weights, of, start = [], [], [], 0
    for die in dies_at_work(view) if blade.die.kind in DIES else (blade.die,):
        assert die.item.blade is not None
        walked = walk(blade_runs(die, library)[0])
        places.append(walked)
        weights.append(np.full(len(walked), die.item.blade.length_mm / len(walked)))
        of.append((die, slice(start, start + len(walked))))
        start += len(walked)
    return Runs(np.concatenate(places), np.concatenate(weights), tuple(of))


def resolved_field(view: StackView, blade: BladeContact | None, runs: Runs | None, near: Nearness, *, finer: int = FINER) -> Field:
    """The bed as a grid, like `columns.build_field`, with the blade where it runs.

    Where the nip meets g times the mean blade per area, the blade gives 1/g as easily and is used up at g times the pressure. Only dies
    are resolved: in a cutting folder the closed halves carry most of the load. Without a die it is the Bench's own field, finer.
    """
    if blade is None or runs is None or blade.die.kind not in DIES:
        return build_field(view, blade, finer=finer)
    x, y, width = grid_of(view, finer)
    masks: list[BoolArray] = [covered(p, x, y) for p in view.layers]
    work = working_area(view, masks, (x.size, y.size))
    density = blade_density(runs.places, runs.weights, x, y, near)
    ease = 1.0 / np.maximum(density / blade.density, FAINTEST)
    columns = pile_up(view, [m.astype(np.float64) for m in masks], blade, work, ease)
    return Field(x, y, width, np.arange(x.size), columns, work, bare_area(view, masks, (x.size, y.size)))
