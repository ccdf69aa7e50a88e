"""The pile over every point of the bed: how thick it is when free and how it gives under pressure."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.effects.blade import BladeContact, dies_at_work
from lofty_press.core.nip.grading import grading_length
from lofty_press.core.stack.footprint import covered
from lofty_press.core.stack.shape import BoolArray, FloatArray
from lofty_press.core.stack.view import Placed, StackView

IndexArray = NDArray[np.intp]

WHOLE = ("motif", "letterpress plate")  # tools that work with their whole face, as dies do
LEAST_SPAN = 0.1  # mm
CELLS_ALONG = 96
CELLS_ACROSS = 48
FOAM_STIFFENING = 20.0  # solid foam over soft foam: order of magnitude, from memory


@dataclass(frozen=True)
class Elastomer:
    """A rubber-like layer, whose stiffness grows as the nip widens over its thickness [mm, MPa]."""

    thickness: float
    modulus: float


@dataclass(frozen=True)
class Yielding:
    """A soft element that gives `compliance` [mm/MPa] until it has gone `travel` [mm], and nothing after."""

    compliance: float
    travel: float

    @property
    def full_at(self) -> float:
        """Pressure at which the travel is used up. [MPa]"""
        return self.travel / self.compliance


@dataclass(frozen=True)
class Columns:
    """Piles over a grid; arrays have the shape (rows, across).

    `free` free thickness [mm], `linear` compliance of the linear layers [mm/MPa]. `elastomers` (n, 2) lists thickness and modulus
    [mm, MPa], `yielding` (m, 2) compliance and the pressure at which it is used up [mm/MPa, MPa]. Presence of elastomers (rows,
    across, n) goes from 0 to 1; that of yielding elements (rows, across, m) says how easily each gives, see `kernel.pile_answer`.
    """

    free: FloatArray
    linear: FloatArray
    elastomers: FloatArray
    elastomer_presence: FloatArray
    yielding: FloatArray
    yielding_presence: FloatArray

    def rows(self, chosen: IndexArray) -> "Columns":
        """The same piles for some rows only."""
        soft, stops = self.elastomer_presence[chosen], self.yielding_presence[chosen]
        return Columns(self.free[chosen], self.linear[chosen], self.elastomers, soft, self.yielding, stops)


@dataclass(frozen=True)
class Field:
    """The bed under the rollers as a grid.

    `x` (nx,) and `y` (ny,) are cell centres along and across the feed [mm], `width` is the cell size across [mm]. `row_of` (nx,)
    maps each position along the feed to a row of `columns`: equal cross-sections are kept once. `work` (rows, ny) marks where
    tool and sheet lie over one another, `bare` (rows, ny) where the tool has no sheet although it is to work there; `fade` is the grading
    length at windows [mm].
    """

    x: FloatArray
    y: FloatArray
    width: float
    row_of: IndexArray
    columns: Columns
    work: BoolArray
    bare: BoolArray
    fade: float = 0.0


def build_field(view: StackView, blade: BladeContact | None, *, finer: int = 1) -> Field:
    """Lay the sandwich out on a grid over everything but the bed, as wide as the rollers; `finer` divides the usual cells."""
    x, y, width = grid_of(view, finer)
    masks = [covered(p, x, y) for p in view.layers]
    work = working_area(view, masks, (x.size, y.size))
    bare = bare_area(view, masks, (x.size, y.size))
    signature = np.concatenate([np.packbits(m, axis=1) for m in (*masks, work)], axis=1)
    kept, row_of = unique_rows(signature)
    presence = [m[kept].astype(np.float64) for m in masks]
    columns = pile_up(view, presence, blade, work[kept])
    fade = max((grading_length(view, p.index) for p in view.layers if p.item.windows), default=0.0)
    return Field(x, y, width, row_of, columns, work[kept], bare[kept], fade)


def grid_of(view: StackView, finer: int = 1) -> tuple[FloatArray, FloatArray, float]:
    """Cell centres along and across the feed, and the cell width across [mm]."""
    half = view.press.feed_width_mm / 2
    lying = [p for p in view.layers if p.kind != "bed"] or list(view.layers)
    outlines = [p.bounds for p in lying] or [(-half, -half, half, half)]
    low_x, low_y, high_x, high_y = (f(b[i] for b in outlines) for i, f in enumerate((min, min, max, max)))
    low_y, high_y = max(low_y, -half), min(high_y, half)
    if high_y <= low_y:
        low_y, high_y = -half, half
    along, across = finer * CELLS_ALONG, finer * CELLS_ACROSS
    if high_x - low_x < LEAST_SPAN:  # things too small to be anything still make a grid
        low_x, high_x = low_x - LEAST_SPAN / 2, high_x + LEAST_SPAN / 2
    if high_y - low_y < LEAST_SPAN:
        low_y, high_y = low_y - LEAST_SPAN / 2, high_y + LEAST_SPAN / 2
    width = (high_y - low_y) / across
    x = low_x + (np.arange(along) + 0.5) * (high_x - low_x) / along
    y: FloatArray = low_y + (np.arange(across, dtype=np.float64) + 0.5) * np.float64(width)
    return x, y, width


def unique_rows(signature: NDArray[np.uint8]) -> tuple[IndexArray, IndexArray]:
    """First index of each different row, and for every row the place of its like."""
    packed = np.ascontiguousarray(signature).view(np.dtype((np.void, signature.shape[1]))).ravel()
    _, first, inverse = np.unique(packed, return_index=True, return_inverse=True)
    return first, inverse


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


def pile_up(
    view: StackView, presence: list[FloatArray], blade: BladeContact | None, work: BoolArray, ease: FloatArray | float = 1.0
) -> Columns:
    """Add the layers up; `ease` is how much easier the blade gives at each place than where it is spread evenly over its die."""
    free = np.zeros(work.shape)
    linear = np.zeros(work.shape)
    elastomers: list[tuple[Elastomer, FloatArray]] = []
    yielding: list[tuple[Yielding, FloatArray]] = []
    for placed, there in zip(view.layers, presence, strict=True):
        free += placed.thickness * there
        compliance, extra = layer_behaviour(placed)
        linear += compliance * there
        if isinstance(extra, Elastomer):
            elastomers.append((extra, there))
        elif extra is not None:
            yielding.append((extra, there))
    if blade is not None:
        worked = work.astype(np.float64) * ease
        yielding.append((Yielding(blade.compliance, blade.travel), worked))
        if blade.scar_travel > 0:
            yielding.append((Yielding(blade.scar_compliance, blade.scar_travel), worked))
    soft = [(e.thickness, e.modulus) for e, _ in elastomers]
    stops = [(e.compliance, e.full_at) for e, _ in yielding]
    presences = (stacked([p for _, p in elastomers], work.shape), stacked([p for _, p in yielding], work.shape))
    return Columns(free, linear, np.array(soft).reshape(-1, 2), presences[0], np.array(stops).reshape(-1, 2), presences[1])


def stacked(arrays: list[FloatArray], shape: tuple[int, ...]) -> FloatArray:
    """Arrays of one shape side by side along a new last axis, also when there are none."""
    return np.stack(arrays, axis=-1) if arrays else np.zeros((*shape, 0))


def layer_behaviour(placed: Placed) -> tuple[float, Elastomer | Yielding | None]:
    """Linear compliance of a layer [mm/MPa] and, for rubber and foam, its other part."""
    material, thickness, modulus = placed.material, placed.thickness, placed.modulus
    if material.family == "elastomer":
        return 0.0, Elastomer(thickness, modulus)
    if material.family == "foam":
        solid = modulus * FOAM_STIFFENING
        return thickness / solid, Yielding(thickness * (1 / modulus - 1 / solid), material.collapse * thickness)
    confined = material.confined(modulus) if placed.item.modulus_mpa is None else modulus
    return thickness / confined, None
