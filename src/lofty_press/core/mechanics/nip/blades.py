"""Where the blades at work run on the bed, and how much blade the nip meets at each place."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from scipy.ndimage import gaussian_filter

from lofty_press.core.mechanics.effects import BladeContact, dies_at_work
from lofty_press.core.mechanics.nip.kernel import plain, read_between, share_among
from lofty_press.core.sandwich.outline import blade_lines, on_the_bed, walk
from lofty_press.core.sandwich.relief import HeightMap, Library
from lofty_press.core.sandwich.stack import DIES, BoolArray, FloatArray, Item, Placed, StackView


@dataclass(frozen=True, eq=False)
class Blades:
    """The blades at work on the bed: places (n, 2) and the length that each stands for (n,) [mm]; `of` says which of them belong to which
    die, `meets` (n,) which lie under the rollers and on the sheet."""

    places: FloatArray
    weights: FloatArray
    of: tuple[tuple[Placed, slice], ...]
    meets: BoolArray


def blades_of(view: StackView, blade: BladeContact, library: Library) -> Blades:
    """Walk along every blade at work; each is as long as its maker or owner says."""
    places, weights, of, start = [], [], [], 0
    for die in dies_at_work(view) if blade.die.kind in DIES else (blade.die,):
        assert die.item.blade is not None
        key = die.item.blade.map
        walked = on_the_bed(walked_along(die.item, library(key) if key else None), die)
        places.append(walked)
        weights.append(np.full(len(walked), die.item.blade.length_mm / len(walked)))
        of.append((die, slice(start, start + len(walked))))
        start += len(walked)
    everywhere = np.concatenate(places)
    return Blades(everywhere, np.concatenate(weights), tuple(of), meeting(view, everywhere))


def meeting(view: StackView, places: FloatArray) -> BoolArray:
    """Which places (n, 2) lie under the rollers and on the sheet (n,). [mm]"""
    under = np.abs(places[:, 1]) <= 0.5 * view.press.feed_width_mm
    if view.sheet is None:
        return np.zeros(len(places), dtype=np.bool_)
    item, layer = view.sheet.item, view.sheet.layer
    if item.outline is None and not item.windows and layer.rotation_deg % 90 == 0:
        length, width = (item.length_mm, item.width_mm) if layer.rotation_deg % 180 == 0 else (item.width_mm, item.length_mm)
        away = np.abs(places - (layer.x_mm, layer.y_mm))
        return np.asarray(under & (away[:, 0] <= length / 2) & (away[:, 1] <= width / 2))
    return np.asarray(under & shapely.intersects_xy(view.sheet.polygon, places[:, 0], places[:, 1]))


@lru_cache(maxsize=256)
def walked_along(item: Item, found: HeightMap | None) -> FloatArray:
    """Places along a blade, as seen from its die's face (n, 2). [mm]"""
    return walk(blade_lines(item, lambda _: found)[0])


def between_cells(at: FloatArray, *fields: FloatArray) -> list[FloatArray]:
    """Fields of a grid (nx, ny) read at places (2, n) in cells, straight between them; nothing beyond the grid."""
    return [read_between(plain(at), plain(values)) for values in fields]


def blade_density(blades: Blades, x: FloatArray, y: FloatArray, spread: float) -> FloatArray:
    """Blade per area as the nip meets it.

    Parameters
    ----------
    blades : Blades
    x, y : ndarray, shapes (nx,) and (ny,)
        Even cell centres along and across the feed. [mm]
    spread : float
        Standard deviation of the band over which a pile shares its load among blades. [mm]

    Returns
    -------
    ndarray, shape (nx, ny)
        [mm/mm2]; its sum times the cell's area is the length of blade on the grid.
    """
    cell = (float(x[1] - x[0]), float(y[1] - y[0]))
    at = np.stack([(blades.places[:, k] - axis[0]) / cell[k] for k, axis in enumerate((x, y))])
    count = np.zeros((x.size, y.size))
    share_among(at, plain(blades.weights), count)
    spreads = (spread / cell[0], spread / cell[1])
    return np.asarray(gaussian_filter(count, spreads, mode="constant", truncate=3.0) / (cell[0] * cell[1]))
