"""The pressed sheet in figures: what a person wants to know of it, with where the worst is."""

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import maximum_filter, uniform_filter

from lofty_press.core.mechanics.effects import BLADE_STATES
from lofty_press.core.mechanics.forming.impression import Impression
from lofty_press.core.mechanics.forming.release import WINDOW, local_range
from lofty_press.core.sandwich.stack import BoolArray, FloatArray, covered

WORKED = 0.2  # of the peak pressure from which a part counts as pressed
COUNTS = 0.3  # of the tool's depth from which a part of it counts as relief
BLANK = 0.15  # of the tool's depth under which a part counts as blank
TOP_SHARE = 99.8  # percentile that stands for the worst: one cell of the grid alone is no finding


@dataclass(frozen=True)
class Blank:
    """Parts of the sheet without relief, by cause. [mm2]"""

    hinge: float
    uncovered: float
    window: float
    other: float


@dataclass(frozen=True)
class Worst:
    """An index with the place of its worst, along and across the bed [mm]; None where it is nothing."""

    value: float
    place: tuple[float, float] | None


@dataclass(frozen=True)
class Figures:
    """Figures of one pressed sheet.

    `depth` is what is kept on the face that shows more, `tool_depth` what the tool has, `retained_share` their ratio; None where nothing is formed. `edge_width` is
    the width over which the relief rises from 10 to 90 % [mm]. `crack`, `tear` and `buckle` are 1 where the stock is expected to give
    way. `blank_share` is over the sheet. `cut` is the length of blade in each state [mm]. `ink` is the share of the inked parts that
    printed; `dent` the depth pressed into the face [mm].
    """

    depth: float | None
    tool_depth: float | None
    retained_share: float | None
    edge_width: float | None
    crack: Worst
    tear: Worst
    buckle: Worst
    blank_share: float | None
    blank: Blank
    cut: dict[str, float]
    cut_load: float
    ink: float | None
    dent: float


def figures_of(found: Impression) -> Figures:
    """Read the figures off a pressed sheet."""
    loaded = found.loaded
    inside = loaded.panel.cover > 0.5
    tool = np.maximum(loaded.tool_side.profile, 0.0) * inside
    tool_range = local_range(tool, found.spacing)
    kept_range = np.maximum(*(local_range(face + found.curl, found.spacing) for face in (found.upper, found.lower)))
    height = float(np.percentile(tool_range, 99.5)) if inside.any() else 0.0
    pressed = loaded.pressure > WORKED * max(loaded.usual_peak, 1e-9)
    relief = inside & pressed & (tool_range > COUNTS * height) & (height > 0)
    type_ = loaded.view.sandwich.effect.kind == "letterpress"  # its mark is the dent, not the bending
    formed = found.formed is not None and bool(relief.any()) and not type_
    depth = float(np.median(kept_range[relief])) if formed else None
    tool_depth = float(np.median(tool_range[relief])) if formed else None
    share, blank = blank_parts(found, kept_range, height) if formed else (None, Blank(0.0, 0.0, 0.0, 0.0))
    dents = np.maximum(found.released - found.upper, found.lower - found.released)
    dent = float(np.percentile(dents[inside], 99.0)) if inside.any() else 0.0
    return Figures(
        depth=dent if type_ else depth,
        tool_depth=tool_depth,
        retained_share=None if depth is None or not tool_depth else depth / tool_depth,
        edge_width=edge_width(found.released, kept_range, relief, found.spacing) if formed else None,
        crack=worst(found, found.crack),
        tear=worst(found, found.tear),
        buckle=worst(found, found.buckle),
        blank_share=share,
        blank=blank,
        cut={**{state: found.cut.length(state) for state in BLADE_STATES}, "beside the sheet": found.cut.beside}
        if found.cut.state.size
        else {},
        cut_load=found.cut.cut_load,
        ink=found.ink.transfer,
        dent=dent,
    )


def edge_width(field: FloatArray, ranges: FloatArray, relief: BoolArray, spacing: float) -> float:
    """Width from 10 to 90 % of the steepest tenth of the edges: 0.8 of the height over the slope. [mm]"""
    gx, gy = np.gradient(field, spacing)
    slope = maximum_filter(np.hypot(gx, gy), max(round(WINDOW / spacing), 3))
    width = 0.8 * ranges[relief] / np.maximum(slope[relief], 1e-9)
    steep = slope[relief] >= np.percentile(slope[relief], 90)
    return float(np.median(width[steep]))


def worst(found: Impression, field: FloatArray) -> Worst:
    """The worst of an index over more than a cell, and where."""
    inside = found.loaded.panel.cover > 0.5
    if not (field[inside] > 1e-6).any():
        return Worst(0.0, None)
    value = float(np.percentile(field[inside], TOP_SHARE))
    near = uniform_filter(np.where(inside, field, 0.0), 3)
    i, j = np.unravel_index(int(np.argmax(near)), field.shape)
    return Worst(value, (float(found.loaded.panel.x[i]), float(found.loaded.panel.y[j])))


def blank_parts(found: Impression, ranges: FloatArray, height: float) -> tuple[float, Blank]:
    """Share of the sheet without relief, and why: along the hinge, beyond the tool, not pressed, or plain by design."""
    loaded, panel = found.loaded, found.loaded.panel
    inside = panel.cover > 0.5
    blank = inside & (ranges < BLANK * height)
    cell = panel.spacing**2
    placed = loaded.tool_side.tool
    assert placed is not None
    on_tool = np.asarray(covered(placed, panel.x, panel.y))
    along, _ = panel.of_item(placed, face_down=False)
    margin = placed.item.relief.hinge_margin_mm if placed.item.relief else 0.0
    hinge = on_tool & (along < -placed.item.length_mm / 2 + margin)
    bare = loaded.pressure <= WORKED * loaded.usual_peak
    parts = [blank & ~on_tool, blank & hinge, blank & on_tool & ~hinge & bare]
    areas = [float(np.count_nonzero(part) * cell) for part in parts]
    total = float(np.count_nonzero(blank) * cell)
    share = total / max(float(np.count_nonzero(inside) * cell), cell)
    return share, Blank(hinge=areas[1], uncovered=areas[0], window=areas[2], other=max(total - sum(areas), 0.0))
