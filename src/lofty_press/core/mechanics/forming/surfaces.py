"""What lies against each face of the sheet: a tool's relief, a mat, or something flat."""

from dataclasses import dataclass

import numpy as np
import shapely
from scipy.ndimage import grey_dilation, grey_erosion, map_coordinates

from lofty_press.core.mechanics.effects import DIE_RELIEF_SPAN, is_soft, mat_foundation
from lofty_press.core.mechanics.forming.panel import Panel
from lofty_press.core.sandwich.outline import blade_lines
from lofty_press.core.sandwich.relief import FLANK, Library, Line, distance_to_lines
from lofty_press.core.sandwich.stack import DIES, EffectKind, FloatArray, Item, Placed, Side, StackView, covered, item_polygon

NOMINAL_CARD = 0.25  # mm; makers leave about this between the halves of a folder; common practice, no published source
LOCAL_DEPTH = 1.0  # mm of a rigid layer that gives locally
RIM = 2.0  # mm of a tool that stay plain where its relief was never shown to the program
ROUGHNESS = 5e-4  # mm/MPa; surfaces meet within some thousandths of a millimetre; order of magnitude, from memory


@dataclass(frozen=True)
class Face:
    """What the sheet meets on one side: `profile` is how far it stands towards the sheet over its ground (nx, ny) [mm], `compliance`
    how it gives under pressure [mm/MPa]; `stand_in` if the tool has no relief map and a plain one of its figures is used."""

    tool: Placed | None
    profile: FloatArray
    compliance: float
    stand_in: bool


def face_on(view: StackView, panel: Panel, library: Library, side: Side) -> Face:
    """Look from the sheet to one side, through whatever is soft, up to the first thing that is not."""
    met, compliance = look(view, side)
    flat = np.zeros(panel.shape)
    if met is None:
        return Face(None, flat, compliance, False)
    profile, stand_in = profile_of(view.sandwich.effect.kind, met, panel, library, side)
    return Face(None, flat, compliance, False) if profile is None else Face(met, profile, compliance, stand_in)


def look(view: StackView, side: Side) -> tuple[Placed | None, float]:
    """The first thing beside the sheet that is neither soft nor a sheet, and how all that lies before it and its own face give. [mm/MPa]"""
    sheet = view.sheet
    assert sheet is not None
    compliance, bending = ROUGHNESS + 0.5 * sheet.thickness / sheet.young, sheet.bending_stiffness
    for placed in view.neighbours(sheet, side):
        if is_soft(placed) and placed.kind not in DIES:
            foundation, _ = mat_foundation(placed, bending)
            compliance += 1.0 / foundation
        elif placed.kind == "sheet":
            compliance += placed.thickness / placed.young
            bending += placed.bending_stiffness
        else:
            return placed, compliance + min(placed.thickness, LOCAL_DEPTH) / placed.confined
    return None, compliance


def profile_of(effect: EffectKind, placed: Placed, panel: Panel, library: Library, side: Side) -> tuple[FloatArray | None, bool]:
    """How far a tool stands towards the sheet [mm], and whether a stand-in had to be used; None for what is flat."""
    item = placed.item
    down = side == "up"  # a thing above the sheet looks down
    along, across = panel.of_item(placed, face_down=down)
    if placed.layer.half == "sunk":
        return None, False  # worked out from its partner
    if item.relief is not None and (placed.layer.half or placed.kind == "motif" or (placed.active_side == "down") == down):
        found = library(item.relief.map) if item.relief.map else None
        profile = found.sample(along, across) if found is not None else stand_in_relief(item, along, across)
        if placed.kind == "motif":
            profile = profile * (placed.thickness / item.relief.height_mm)
        elif not placed.layer.half:
            profile = np.where(covered(placed, panel.x, panel.y), profile, item.relief.height_mm - placed.thickness)
        return profile, found is None
    if item.blade is not None and placed.kind in DIES:
        lines, drawn = blade_lines(item, library)
        faces = (placed.active_side == "down") == down
        distance = distance_over(lines, along, across, panel.spacing)
        if effect in ("emboss in die", "metal") or not faces:
            share = np.clip(1.0 - (distance / (DIE_RELIEF_SPAN / 2)) ** 2, 0.0, 1.0) ** 2
            return np.asarray(item.blade.height_mm * share), not drawn
        ridge = np.maximum(item.blade.height_mm - FLANK * distance, 0.0)
        return np.where(covered(placed, panel.x, panel.y), ridge, item.blade.height_mm - placed.thickness), not drawn
    return None, False


def distance_over(lines: tuple[Line, ...], along: FloatArray, across: FloatArray, spacing: float) -> FloatArray:
    """Distance to the nearest blade at points that may lie turned to the panel's grid. [mm]"""
    reach = 3.0
    asked = (along, across)
    lows = [max(min(line[:, k].min() for line in lines), asked[k].min()) - reach for k in (0, 1)]
    highs = [max(min(max(line[:, k].max() for line in lines), asked[k].max()) + reach, lows[k] + 2 * spacing) for k in (0, 1)]
    x, y = (np.arange(low, high, spacing) for low, high in zip(lows, highs, strict=True))
    distance = np.minimum(distance_to_lines(lines, x, y), 1e3)
    places = [(along - x[0]) / spacing, (across - y[0]) / spacing]
    return np.asarray(map_coordinates(distance, places, order=1, mode="constant", cval=1e3))


def stand_in_relief(item: Item, along: FloatArray, across: FloatArray) -> FloatArray:
    """Ridges of a tool's own height, flank and raised share, for a tool whose relief was never shown to the program. [mm]"""
    relief = item.relief
    assert relief is not None
    inside = np.asarray(shapely.contains_xy(item_polygon(item).buffer(-RIM), along, across))
    edge = np.minimum(item.length_mm / 2 - np.abs(along), item.width_mm / 2 - np.abs(across))
    if relief.raised_share >= 0.85:
        return np.asarray(relief.height_mm * np.clip(edge / 0.3, 0.0, 1.0) * inside)
    period = 2 * relief.span_mm / (1 - relief.raised_share)
    flat = 0.5 * max(relief.raised_share * period - relief.span_mm, 0.0)
    from_ridge = np.abs((across / period + 0.5) % 1.0 - 0.5) * period
    within = np.minimum(edge - RIM, along + item.length_mm / 2 - relief.hinge_margin_mm)  # ridges run out as gently as they rise
    rises = np.clip(np.minimum(1.0 - (from_ridge - flat) / relief.span_mm, within / relief.span_mm), 0.0, 1.0)
    return np.asarray(relief.height_mm * rises * inside)


def ball(radius: float, spacing: float) -> FloatArray | None:
    """Cap of a ball as a structuring element, heights <= 0 with 0 in the middle; None if it is under half a cell. [mm]"""
    reach = int(radius / spacing)
    if reach < 1:
        return None
    steps = np.arange(-reach, reach + 1) * spacing
    square = steps[:, None] ** 2 + steps[None, :] ** 2
    return np.where(square <= radius**2, np.sqrt(np.maximum(radius**2 - square, 0.0)) - radius, -np.inf)


def rolled_over(surface: FloatArray, radius: float, spacing: float) -> FloatArray:
    """Where a ball that rolls over a surface from above touches last: what lies `radius` from the surface, let down by it. [mm]"""
    cap = ball(radius, spacing)
    if cap is None:
        return surface
    return np.asarray(grey_dilation(surface, footprint=np.isfinite(cap), structure=np.where(np.isfinite(cap), cap, 0.0), mode="nearest"))


def rolled_under(surface: FloatArray, radius: float, spacing: float) -> FloatArray:
    """The same from below."""
    cap = ball(radius, spacing)
    if cap is None:
        return surface
    return np.asarray(grey_erosion(surface, footprint=np.isfinite(cap), structure=np.where(np.isfinite(cap), cap, 0.0), mode="nearest"))


def facing_surfaces(view: StackView, panel: Panel, lower: Face, upper: Face) -> tuple[FloatArray, FloatArray]:
    """Heights at which the mid-surface of the sheet meets what lies below and above it. [mm]

    A sheet has thickness: its middle keeps half of it from either surface, which rounds ridges and narrows hollows. The sunk half of
    a folder is the raised half offset by the card it was made for.
    """
    sheet = view.sheet
    assert sheet is not None
    below, above = lower.profile, -upper.profile
    if view.in_folder(sheet):
        if lower.tool is not None:
            above = partner_of(below, panel.spacing)
        elif upper.tool is not None:
            below = rolled_under(above, NOMINAL_CARD, panel.spacing)
    return around_sheet(below, above, sheet.thickness, panel.spacing)


def partner_of(raised: FloatArray, spacing: float) -> FloatArray:
    """The sunk half of a folder over its raised one, a card's thickness above it. [mm]"""
    return rolled_over(raised, NOMINAL_CARD, spacing)


def around_sheet(below: FloatArray, above: FloatArray, thickness: float, spacing: float) -> tuple[FloatArray, FloatArray]:
    """Heights at which the middle of a sheet meets the surfaces below and above it. [mm]"""
    return rolled_over(below, thickness / 2, spacing), rolled_under(above, thickness / 2, spacing)


def flank_of(tool: Placed | None) -> float:
    """Length over which a tool rises from ground to height; an edge of a blade or of a cut motif has none. [mm]"""
    relief = tool.item.relief if tool is not None else None
    return 0.0 if relief is None or tool is None or tool.kind in ("motif", "letterpress plate") else relief.span_mm
