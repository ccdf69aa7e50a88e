"""The pile over every point of the bed: how thick it is when free and how it gives under pressure."""

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.effects import BladeContact, dies_at_work
from lofty_press.core.mechanics.layered import Compliant, Curve, loss_share
from lofty_press.core.mechanics.nip.blades import Blades, blade_density, blades_of
from lofty_press.core.mechanics.nip.grading import grading_length
from lofty_press.core.mechanics.nip.local_law import LocalLaw
from lofty_press.core.mechanics.nip.piles import BEYOND, DENSER, NEVER, Curves, Interface, Pile, blade_law, curve_under, pile_of, table_of
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import DIES, BoolArray, FloatArray, StackView, covered

IndexArray = NDArray[np.intp]

WHOLE = ("motif", "letterpress plate")  # tools that work with their whole face, as dies do
LEAST_SPAN = 0.1  # mm
CELLS_ALONG = 96
CELLS_ACROSS = 48
FAINTEST = 0.02  # of the mean blade per area; where there is less, the sheet is taken to close on the die's body after as little load
USUAL = 1.0  # MPa at the sheet, where the band's width is read; it hardly depends on it
FWHM = 2.3548  # of a bell curve, over its standard deviation
LEAST_SPREAD, NARROWEST = 1.0, 0.05  # mm


@dataclass(frozen=True)
class Columns:
    """Piles over a grid; arrays have the shape (rows, across).

    `free` free thickness, and `shut` the same with every interface closed [mm]. `pile` says which of the `curves` answers, `mix` how far on the
    way to the next of them it is [1].
    """

    free: FloatArray
    shut: FloatArray
    pile: IndexArray
    mix: FloatArray
    curves: Curves

    def rows(self, chosen: IndexArray) -> "Columns":
        """The same piles for some rows only."""
        return Columns(self.free[chosen], self.shut[chosen], self.pile[chosen], self.mix[chosen], self.curves)

    def strips(self, stride: int) -> "Columns":
        """The same with every so many strips only."""
        every = slice(None), slice(None, None, stride)
        return Columns(self.free[every], self.shut[every], self.pile[every], self.mix[every], self.curves)


@dataclass(frozen=True)
class Field:
    """The bed under the rollers as a grid.

    `x` (nx,) and `y` (ny,) are cell centres along and across the feed [mm], `width` is the cell size across [mm]. `row_of` (nx,)
    maps each position along the feed to a row of `columns`: equal cross-sections are kept once. `work` (rows, ny) marks where
    tool and sheet lie over one another, `bare` (rows, ny) where the tool has no sheet although it is to work there; `fade` is the grading
    length at windows [mm]. With a die that cuts, `blades` says where its blade lies and `density` (nx, ny) how much of it the nip meets, beside its `mean_density` [1/mm], and
    `home` is the pressure on a mean blade at which it is all the way in [MPa]; `on_mat` tells that a mat lies behind it. `opens` is how far a folder stands open [mm].
    """

    x: FloatArray
    y: FloatArray
    width: float
    row_of: IndexArray
    columns: Columns
    work: BoolArray
    bare: BoolArray
    fade: float = 0.0
    blades: Blades | None = None
    density: FloatArray | None = None
    mean_density: float | None = None
    opens: float = 0.0
    home: float = math.inf
    on_mat: bool = False

    @property
    def step(self) -> float:
        """Cell size along the feed. [mm]"""
        return float(self.x[1] - self.x[0])

    @cached_property
    def cells_of_blades(self) -> FloatArray:
        """Where the places along the blades lie on the grid (2, n), in cells."""
        assert self.blades is not None
        return np.stack([(self.blades.places[:, 0] - self.x[0]) / self.step, (self.blades.places[:, 1] - self.y[0]) / self.width])


def build_field(view: StackView, blade: BladeContact | None, interface: Interface, library: Library) -> Field:
    """Lay the sandwich out on a grid over everything but the bed, as wide as the rollers.

    Parameters
    ----------
    view : StackView
    blade : BladeContact or None
    interface : Interface
        How sheet and tool close.
    library : callable
        Finds the maps that show where blades run; without one a blade follows its die's outline.

    Raises
    ------
    InvalidInput
        If the layers cannot be computed as a pile; names what.
    """
    x, y, width = grid_of(view)
    masks = [covered(p, x, y) for p in view.layers]
    work = working_area(view, masks, (x.size, y.size))
    combination = combinations(masks, work)
    first, row_of = equal_rows(combination)
    stacks, stack_of = taken_apart(combination[first], len(masks) + 1)
    thickness = np.array([p.thickness for p in view.layers])
    heights = stacks[:, :-1] @ thickness if thickness.size else np.zeros(len(stacks))
    tables = Tables(view, blade, interface, float((heights + interface.opens * stacks[:, -1])[stack_of].max(initial=0.0)))
    blades = density = mean = crowding = None
    if blade is not None and blade.die.kind in DIES:
        blades, mean = blades_of(view, blade, library), blade.density
        density = blade_density(blades, x, y, tables.spread(stacks))
        crowding = np.where(work, np.maximum(density / mean, FAINTEST), 0.0)
        first, together = equal_rows(np.column_stack([row_of, crowding]))
        stack_of, row_of, crowding = stack_of[row_of[first]], together, crowding[first]
    shut = heights[stack_of]
    free = shut + interface.opens * stacks[:, -1][stack_of]
    columns = tables.columns(free, shut, stacks, stack_of, crowding)
    return Field(
        x,
        y,
        width,
        row_of,
        columns,
        work[first],
        bare_area(view, masks, work.shape)[first],
        max((grading_length(view, p.index) for p in view.layers if p.item.windows), default=0.0),
        blades,
        density,
        mean,
        interface.opens,
        math.inf if density is None or blade is None else float(blade_law(blade).pressure[-1]),
        blade is not None and blade.backing == "soft",
    )


def band_of(view: StackView, blade: BladeContact | None, interface: Interface) -> float:
    """Standard deviation of the band of pressure at the sheet, along the feed, in the pile of all that lies over the tool. [mm]"""
    lead = view.tool or view.sheet
    present = tuple(p for p in view.layers if lead is not None and p.polygon.intersection(lead.polygon).area > 0)
    if not present:
        return LEAST_SPREAD
    return spread_of(view, pile_of(view, present, blade, interface if view.sheet in present else None))


def spread_of(view: StackView, pile: Pile) -> float:
    """The same of one pile: where its interface has closed by half, or, rigid, at a usual pressure. [mm]"""
    return spread_under(table_of(view, pile), pile.law)


@lru_cache(maxsize=2048)
def spread_under(table: Compliant, law: LocalLaw) -> float:
    """The same of one table and law. [mm]"""
    half = USUAL if law.travel == 0.0 else float(law.pressure_at(np.array([0.5 * law.travel]))[0])
    return curve_under(table, law).band(half) / FWHM


def combinations(masks: list[BoolArray], work: BoolArray) -> IndexArray:
    """Which layers lie where, and whether the tool works: a bit for each layer and one for work (nx, ny)."""
    code = np.zeros(work.shape, dtype=np.int64)
    for n, mask in enumerate([*masks, work]):
        code |= mask.astype(np.int64) << n
    return code


def taken_apart(code: IndexArray, bits: int) -> tuple[BoolArray, IndexArray]:
    """The different combinations as rows of bits (n, bits), and which of them each cell is, of the code's shape."""
    found, place = np.unique(code, return_inverse=True)
    return (found[:, None] >> np.arange(bits) & 1).astype(np.bool_), place.reshape(code.shape)


class Tables:
    """The curves of all piles of one sandwich, made as they are asked for."""

    def __init__(self, view: StackView, blade: BladeContact | None, interface: Interface, tallest: float) -> None:
        self.view, self.blade, self.interface = view, blade, interface
        self.least = tallest - BEYOND * bite_limit(view.press.roller_radius_mm, view.press.friction)
        self.curves: list[Curve] = [NEVER]
        self.losses = [0.0]
        self.piles: dict[bytes, Pile] = {}

    def pile(self, stack: BoolArray) -> Pile:
        """The pile of one combination of layers."""
        key = stack.tobytes()
        if key not in self.piles:
            present = tuple(p for p, there in zip(self.view.layers, stack[:-1], strict=True) if there)
            works = bool(stack[-1]) and self.view.sheet is not None and bool(stack[self.view.sheet.index])
            self.piles[key] = pile_of(self.view, present, self.blade if works else None, self.interface if works else None)
        return self.piles[key]

    def spread(self, stacks: BoolArray) -> float:
        """Standard deviation of the band in which a pile shares its load among blades, where the tool works: that of its halves alone, for how
        a blade gives is in each strip's own law. [mm]"""
        working = [stack for stack in stacks if stack[-1] and self.view.sheet is not None and stack[self.view.sheet.index]]
        if not working:
            return LEAST_SPREAD
        tallest = max(working, key=lambda stack: int(stack.sum()))
        return table_of(self.view, self.pile(tallest)).rigid.band(USUAL) / FWHM

    def columns(self, free: FloatArray, shut: FloatArray, stacks: BoolArray, stack_of: IndexArray, crowding: FloatArray | None) -> Columns:
        """Which curve answers where; `crowding` (rows, across) is how much more blade than the mean is met there [1]."""
        pile = np.zeros(free.shape, dtype=np.intp)
        mix = np.zeros(free.shape)
        for n, stack in enumerate(stacks):
            cells = stack_of == n
            if not stack[:-1].any() or free[cells].max() < self.least:
                continue
            found = self.pile(stack)
            table = table_of(self.view, found)
            loss = loss_share(found.layers, found.losses, round(1.0 / max(spread_of(self.view, found), NARROWEST), 2))
            if crowding is None or self.blade is None or not stack[-1] or found.law.travel == 0.0:
                pile[cells] = self.add(curve_under(table, found.law), loss)
                continue
            place = np.log(crowding[cells]) / np.log(DENSER)
            lowest, highest = math.floor(place.min()), math.floor(place.max()) + 1
            first = len(self.curves)
            for power in range(lowest, highest + 1):
                self.add(curve_under(table, found.law.times(DENSER**power)), loss)
            whole = np.floor(place)
            pile[cells] = first + whole.astype(np.intp) - lowest
            mix[cells] = place - whole
        steps = np.array([c.step for c in self.curves])
        return Columns(
            free,
            shut,
            pile,
            mix,
            Curves(np.ascontiguousarray(np.stack([c.values.T for c in self.curves], axis=1)), steps, np.array(self.losses)),
        )

    def add(self, curve: Curve, loss: float) -> int:
        """Keep one more curve; returns its index."""
        self.curves.append(curve)
        self.losses.append(loss)
        return len(self.curves) - 1


def grid_of(view: StackView) -> tuple[FloatArray, FloatArray, float]:
    """Cell centres along and across the feed, and the cell width across [mm]."""
    half = view.press.feed_width_mm / 2
    lying = [p for p in view.layers if p.kind != "bed"] or list(view.layers)
    outlines = [p.bounds for p in lying] or [(-half, -half, half, half)]
    low_x, low_y, high_x, high_y = (f(b[i] for b in outlines) for i, f in enumerate((min, min, max, max)))
    low_y, high_y = max(low_y, -half), min(high_y, half)
    if high_y <= low_y:
        low_y, high_y = -half, half
    along, across = CELLS_ALONG, CELLS_ACROSS
    if high_x - low_x < LEAST_SPAN:  # things too small to be anything still make a grid
        low_x, high_x = low_x - LEAST_SPAN / 2, high_x + LEAST_SPAN / 2
    if high_y - low_y < LEAST_SPAN:
        low_y, high_y = low_y - LEAST_SPAN / 2, high_y + LEAST_SPAN / 2
    width = (high_y - low_y) / across
    x = low_x + (np.arange(along) + 0.5) * (high_x - low_x) / along
    y: FloatArray = low_y + (np.arange(across, dtype=np.float64) + 0.5) * np.float64(width)
    return x, y, width


def equal_rows(signature: NDArray[Any]) -> tuple[list[int], IndexArray]:
    """First index of each different row, and for every row the place of its like."""
    places: dict[bytes, int] = {}
    first: list[int] = []
    row_of = np.empty(len(signature), dtype=np.intp)
    for n, row in enumerate(signature):
        row_of[n] = place = places.setdefault(row.tobytes(), len(first))
        if place == len(first):
            first.append(n)
    return first, row_of


def working_area(view: StackView, masks: list[BoolArray], shape: tuple[int, int]) -> BoolArray:
    """Where the sheet and the tool (or, without one, the sheet alone) lie, every die that cuts at once; a window is there to be left out."""
    area = np.ones(shape, dtype=np.bool_)
    dies = dies_at_work(view)
    together = dies if view.tool in dies else ()
    for placed in view.layers:
        if placed in together:
            continue
        if placed in (view.sheet, view.tool) or placed.item.windows:
            area &= masks[placed.index]
    if together:
        area &= np.logical_or.reduce([masks[die.index] for die in together])
    return area if area.any() or view.sheet is None else masks[view.sheet.index]


def bare_area(view: StackView, masks: list[BoolArray], shape: tuple[int, int]) -> BoolArray:
    """Where a die, a motif or type is to work and has no sheet. A folder or a texture works on whatever sheet is laid in it."""
    area = np.zeros(shape, dtype=np.bool_)
    if view.sheet is None or view.tool is None:
        return area
    dies = dies_at_work(view)
    for placed in dies if view.tool in dies else (view.tool,) if view.tool.kind in WHOLE else ():
        area |= masks[placed.index]
    for placed in view.layers:
        if placed.item.windows and placed not in (view.sheet, view.tool, *dies):
            area &= masks[placed.index]
    return area & ~masks[view.sheet.index]
