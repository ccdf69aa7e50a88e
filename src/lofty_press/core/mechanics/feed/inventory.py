"""What of each blade, ridge and edge lies between the rollers at every crank position."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely

from lofty_press.core.mechanics.forming import stand_in_relief
from lofty_press.core.sandwich.outline import blade_runs, chords, length_within, on_the_bed
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import TOOLS, FloatArray, Item, Placed, StackView, rings_of

Part = Literal["blade", "ridges", "edge"]
FINE = 1.0  # mm between the places at which ridges are looked for


@dataclass(frozen=True)
class InNip:
    """How much of one part of a layer is in the nip along the crank (nx,): blades and edges in mm, ridges in mm2. `all` is how much there
    is of it."""

    layer: str
    name: str
    part: Part
    amount: FloatArray
    all: float


def in_the_nip(view: StackView, library: Library, x: FloatArray, half_contact: float) -> tuple[InNip, ...]:
    """List blades, ridges and edges of everything but the bed, plates and mats; a folder once."""
    found = []
    for placed in view.layers:
        if placed.kind not in TOOLS and placed.kind not in ("pressure mask", "frame") and not placed.is_sheet:
            continue
        if placed.layer.half == "sunk":
            continue
        if placed.item.blade is not None:
            lines, _ = blade_runs(placed, library)
            length = float(sum(np.hypot(*np.diff(line, axis=0).T).sum() for line in lines))
            share = placed.item.blade.length_mm / length
            found.append(InNip(placed.id, placed.name, "blade", length_within(lines, x, half_contact) * share, placed.item.blade.length_mm))
        if placed.item.relief is not None:
            places = on_the_bed(raised_places(placed.item, library), placed)
            near = np.searchsorted(np.sort(places[:, 0]), np.stack([x - half_contact, x + half_contact]))
            found.append(InNip(placed.id, placed.name, "ridges", (near[1] - near[0]) * FINE**2, len(places) * FINE**2))
        rings = rings_of(placed.polygon)
        found.append(InNip(placed.id, placed.name, "edge", length_within(rings, x, half_contact), float(shapely.length(placed.polygon))))
    return tuple(found)


def raised_places(item: Item, library: Library) -> FloatArray:
    """Places of a relief, as seen from its face, that stand up by more than half its height (n, 2). [mm]"""
    assert item.relief is not None
    x, y = (np.arange(-size / 2 + FINE / 2, size / 2, FINE) for size in (item.length_mm, item.width_mm))
    along, across = np.meshgrid(x, y, indexing="ij")
    found = library(item.relief.map) if item.relief.map else None
    heights = stand_in_relief(item, along, across) if found is None else found.sample(along, across)
    raised = heights > 0.5 * item.relief.height_mm
    return np.stack([along[raised], across[raised]], axis=1)


def leading_edge(placed: Placed, *, behind: float = 2.0) -> float:
    """Width of a thing a little behind its first point: small where a point leads, its whole width where an edge does. [mm]"""
    shape = placed.polygon
    return float(chords(shape, np.array([shape.bounds[0] + behind]))[0])
