"""A sandwich laid out on a fine grid: where its interface closes, by which law, and how much blade lies there."""

from dataclasses import dataclass

import numpy as np
from scipy.fft import next_fast_len

from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.layered import SHUT, softened
from lofty_press.core.mechanics.nip.blades import Blades, blade_density, blades_of
from lofty_press.core.mechanics.nip.columns import IndexArray, combinations, taken_apart, working_area
from lofty_press.core.mechanics.nip.full.kernel import LawTable
from lofty_press.core.mechanics.nip.local_law import RIGID, LocalLaw
from lofty_press.core.mechanics.nip.piles import Interface, Pile, pile_of
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import DIES, BoolArray, FloatArray, StackView, covered

WINDOW = 128.0  # mm along the feed that are looked at together; plates bend and tilt within it
HALVED = 8  # a multiple of it makes that every second cell, three times over, is a grid too
MARGIN = 15.0  # mm beyond both ends of the rollers, so that one side does not see the other


@dataclass(frozen=True, eq=False)
class Layout:
    """A sandwich on a grid of square cells.

    `x` (nx,) and `y` (ny,) are cell centres along and across the feed, `spacing` their distance [mm]; `along` is how many of them are looked at
    together. All layers that lie over the commonest place of the work make the one `pile` of `thickness` [mm] that stands for all; what misses
    elsewhere is an opening of the interface or, if it is nearer to a roller, a gap there. `opens` (nx, ny) is how far the interface is open where
    it is first touched [mm], by the law number `law` (nx, ny) of `laws` times `density` (nx, ny) [1]; `gap` (nx, ny) is what misses at the rollers
    [mm]. `work` (nx, ny) marks where tool and sheet lie over one another, `under` (ny,) where the rollers reach. `blades` are the blades.
    """

    x: FloatArray
    y: FloatArray
    spacing: float
    along: int
    pile: Pile
    thickness: float
    opens: FloatArray
    gap: FloatArray
    law: IndexArray
    laws: LawTable
    density: FloatArray
    work: BoolArray
    under: BoolArray
    blades: Blades | None


def lay_out(view: StackView, blade: BladeContact | None, interface: Interface, library: Library, spacing: float) -> Layout | None:
    """Lay a sandwich out; None where no tool works on a sheet.

    Raises
    ------
    InvalidInput
        If the outline of a layer is none.
    """
    width = view.press.feed_width_mm
    lying = [p for p in view.layers if p.kind != "bed"]
    if view.sheet is None or not lying:
        return None
    along, across = (HALVED * next_fast_len(int(np.ceil(length / spacing / HALVED)), real=True) for length in (WINDOW, width + 2 * MARGIN))
    low, high = min(p.bounds[0] for p in lying), max(p.bounds[2] for p in lying)
    x = np.arange(low - 0.5 * along * spacing, high + (0.5 * along + 1) * spacing, spacing)
    y = (np.arange(across) - 0.5 * (across - 1)) * spacing
    masks = [covered(p, x, y) for p in view.layers]
    work = working_area(view, masks, (x.size, y.size))
    stacks, stack_of = taken_apart(combinations(masks, work), len(masks) + 1)
    often = np.bincount(stack_of.ravel(), minlength=len(stacks)) * (stacks[:, -1] & stacks[:, view.sheet.index])
    if not often.any():
        return None
    whole = stacks[int(np.argmax(often))]
    thickness = np.array([p.thickness for p in view.layers])
    misses = [missing(whole[:-1], stack[:-1], thickness, view.sheet.index) for stack in stacks]
    inside, outside = (np.array([m[k] for m in misses]) for k in (0, 1))
    laws = [law_of(view, stack, blade, interface) for stack in stacks]
    pile = pile_at(view, whole, blade, interface)
    blades, density = None, np.ones(work.shape)
    if blade is not None and blade.die.kind in DIES:
        blades = blades_of(view, blade, library)
        density = np.where(work, blade_density(blades, x, y, 0.0) / blade.density, 1.0)
    return Layout(
        x=x,
        y=y,
        spacing=spacing,
        along=along,
        pile=pile,
        thickness=float(thickness[whole[:-1]].sum()),
        opens=interface.opens * work - inside[stack_of],
        gap=outside[stack_of],
        law=np.ascontiguousarray(stack_of, dtype=np.intp),
        laws=padded(laws),
        density=density,
        work=work & masks[view.sheet.index],
        under=np.abs(y) <= 0.5 * width,
        blades=blades,
    )


def missing(whole: BoolArray, stack: BoolArray, thickness: FloatArray, sheet: int) -> tuple[float, float]:
    """What of the whole pile's thickness is not there, at the interface and at the rollers: each layer at whichever is nearer. [mm]"""
    inside = outside = 0.0
    for n in np.flatnonzero(whole != stack):
        gone = float(thickness[n]) * (1.0 if whole[n] else -1.0)
        between = slice(n + 1, sheet) if n < sheet else slice(sheet + 1, n)
        beyond = slice(0, n) if n < sheet else slice(n + 1, None)
        to_interface, to_roller = (float(thickness[part][stack[part]].sum()) for part in (between, beyond))
        if n != sheet and to_roller < to_interface:
            outside += gone
        else:
            inside += gone
    return inside, outside


def pile_at(view: StackView, stack: BoolArray, blade: BladeContact | None, interface: Interface) -> Pile:
    """The pile of one combination of layers; with its interface where the tool works on the sheet."""
    present = tuple(p for p, there in zip(view.layers, stack[:-1], strict=True) if there)
    works = bool(stack[-1]) and view.sheet is not None and bool(stack[view.sheet.index])
    return pile_of(view, present, blade if works else None, interface if works else None)


def law_of(view: StackView, stack: BoolArray, blade: BladeContact | None, interface: Interface) -> LocalLaw:
    """The law of one combination of layers."""
    return pile_at(view, stack, blade, interface).law if stack[:-1].any() else RIGID


def padded(laws: list[LocalLaw]) -> LawTable:
    """Laws side by side, none steeper than a shut interface."""
    points = np.array([law.pressure.size if law.travel > 0 else 1 for law in laws], dtype=np.intp)
    pressure, closing = np.zeros((len(laws), int(points.max()))), np.zeros((len(laws), int(points.max())))
    for n, law in enumerate(laws):
        if law.travel > 0:
            pressure[n, : points[n]], closing[n, : points[n]] = softened(law.pressure, law.closing)
    return LawTable(pressure, closing, points, SHUT)
