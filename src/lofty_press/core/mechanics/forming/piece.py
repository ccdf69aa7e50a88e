"""A representative piece of a tool's relief: large enough to show what it does to a sheet, small enough to be pressed a few dozen times."""

import hashlib
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from lofty_press.core.mechanics.effects import effective_relief
from lofty_press.core.mechanics.forming.grain import slopes_stretch
from lofty_press.core.mechanics.forming.panel import Panel
from lofty_press.core.mechanics.forming.surfaces import flank_of, profile_of
from lofty_press.core.sandwich.relief import HeightMap, Library
from lofty_press.core.sandwich.stack import FOLDERS, EffectKind, FloatArray, Item, Layer, Placed, Thickness

CELLS = 48
COARSEST, FINEST = 0.5, 0.1  # mm
PER_SPAN = 7.0  # cells over which the tool rises
ANY = Thickness(mm=1.0)
LOOKED = 1.0  # mm between the places at which a piece is looked for
MOST_LOOKED = 300  # such places along either side
LEAST_HEIGHT = 0.01  # mm
STEEP = 90  # percentile of the slopes that stands for a relief's steep parts
BUSY = 0.3  # of the busiest piece, from which one counts as relief


@dataclass(frozen=True, eq=False)
class Piece:
    """A piece of a tool: how far it stands over its ground (CELLS, CELLS) and the size of a cell [mm], whether the sheet lies between `matched`
    halves, its height and the width over which its steep parts rise to it, and the tool's flank [mm]. `beyond` (1 + GRAINS,) is
    by how much the slopes of the whole tool would stretch a sheet further than those of the piece, without a grain and with one at each angle [1]. `key` tells it from any other."""

    profile: FloatArray
    spacing: float
    matched: bool
    height: float
    span: float
    flank: float
    beyond: FloatArray
    key: str


@dataclass(frozen=True)
class Found:
    """A height map, told from others by what it is and not by what it holds."""

    map: HeightMap | None

    def __call__(self, _: str) -> HeightMap | None:
        return self.map


def piece_of(tool: Placed, effect: EffectKind, library: Library) -> Piece | None:
    """A representative piece of a tool's relief; None for a tool that has none."""
    relief = effective_relief(tool, effect)
    if relief is None:
        return None
    item = tool.item
    key = tool.item.relief.map if tool.item.relief is not None else tool.item.blade.map if tool.item.blade is not None else None
    plain = effect if tool.item.relief is None else "emboss"
    found = Found(library(key) if key else None)
    if found.map is not None and item.kind in FOLDERS and item.relief is not None:  # all that counts of it is its map
        item = replace(item, name="", note="", shelf_id=None, thickness=ANY, relief=replace(item.relief, height_mm=ANY.mm, sd_mm=0.0))
    return cut_out(item, tool.layer.count, plain, found)


@lru_cache(maxsize=512)
def cut_out(item: Item, count: int, effect: EffectKind, found: Found) -> Piece | None:
    """Look over the whole tool and take the piece that is busy in the middle of all that show relief; None where nothing stands up."""
    folder = item.kind in FOLDERS
    tool = Placed(0, Layer(id="tool", item="tool", half="raised" if folder else None, count=count), item)
    relief = effective_relief(tool, effect)
    assert relief is not None
    spacing = float(np.clip(relief.span_mm / PER_SPAN, FINEST, COARSEST))
    size = CELLS * spacing
    looked = max(min(LOOKED, spacing), max(item.length_mm, item.width_mm) / MOST_LOOKED)
    whole = panel_around(0.0, 0.0, (item.length_mm, item.width_mm), looked)
    around, _ = profile_of(effect, tool, whole, found, "down")
    if around is None:
        return None
    part = busy_part(np.hypot(*np.gradient(around, looked)), max(round(size / looked), 1))
    if part is None:
        return None
    panel = panel_around(float(whole.x[part[0]].mean()), float(whole.y[part[1]].mean()), (size, size), spacing)
    taken, _ = profile_of(effect, tool, panel, found, "down")
    assert taken is not None
    profile = np.asarray(np.round(np.maximum(taken, 0.0), 4), dtype=np.float64)
    slope = np.hypot(*np.gradient(profile, spacing))
    height, flank = float(profile.max()), flank_of(tool)
    if not height > LEAST_HEIGHT:
        return None
    span = float(height / max(np.percentile(slope[slope > 0], STEEP), 1e-3))
    digest = hashlib.sha256(profile.tobytes() + repr((spacing, folder, flank)).encode()).hexdigest()
    stands = np.maximum(around, 0.0)
    in_piece = np.maximum(slopes_stretch(stands[part], looked, span), 1e-9)  # seen as coarsely as all of it
    return Piece(profile, spacing, folder, height, span, flank, slopes_stretch(stands, looked, span) / in_piece, digest)


def busy_part(slope: FloatArray, cells: int) -> tuple[slice, slice] | None:
    """Of all parts of so many cells each way that show relief the one that is busy in the middle; None where nothing slopes."""
    parts = [
        (slice(i, i + cells), slice(j, j + cells))
        for i in range(0, max(slope.shape[0] - cells, 0) + 1, max(cells // 2, 1))
        for j in range(0, max(slope.shape[1] - cells, 0) + 1, max(cells // 2, 1))
    ]
    level = np.array([float(slope[part].mean()) for part in parts])
    if not level.max() > 0:
        return None
    shown = np.flatnonzero(level >= BUSY * level.max())
    return parts[int(shown[np.argsort(level[shown], kind="stable")[shown.size // 2]])]


def panel_around(x: float, y: float, size: tuple[float, float], spacing: float) -> Panel:
    """A grid of cells around a place of the tool, wholly covered. [mm]"""
    nx, ny = (max(round(s / spacing), 4) for s in size)
    along = x + (np.arange(nx, dtype=np.float64) - (nx - 1) / 2) * spacing
    across = y + (np.arange(ny, dtype=np.float64) - (ny - 1) / 2) * spacing
    return Panel(along, across, spacing, np.ones((nx, ny)))
