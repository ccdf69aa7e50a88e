"""A quick look at every turn: how much of the work lies between the rollers at once."""

from dataclasses import dataclass

import numpy as np
import shapely
from scipy.ndimage import gaussian_filter1d

from lofty_press.core.mechanics.feed.fit import SLACK, Room, corners_of, extents
from lofty_press.core.mechanics.feed.placing import placing_of
from lofty_press.core.mechanics.nip import Blades
from lofty_press.core.sandwich.stack import TOOLS, BoolArray, FloatArray, Polygon, StackView

BIN = 1.0  # mm
ACROSS = 60  # places along each side of an area


@dataclass(frozen=True)
class Work:
    """What loads the rollers, around the tool's middle and not turned: places (n, 2) [mm], each counting the same; the hull's corners of
    what has to stay on the plates (m, 2), and of the sheet, which only has to pass the press (k, 2). [mm]"""

    places: FloatArray
    corners: FloatArray
    sheet: FloatArray


def work_of(view: StackView, blades: Blades | None) -> Work | None:
    """The blades' places, or without one the area where tool and sheet lie over one another."""
    now = placing_of(view)
    if now is None:
        return None
    places = spread_over(worked_shape(view)) if blades is None else blades.places
    hard = [p for p in view.layers if p.kind in TOOLS or p.kind in ("pressure mask", "frame")] or [p for p in view.layers if p.is_sheet]
    corners = np.concatenate([corners_of(p.polygon) for p in hard])
    turn = np.deg2rad(-now.turn)
    back = np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    middle = (now.x, now.y)
    sheet = corners if view.sheet is None else corners_of(view.sheet.polygon)
    return Work(*((points - middle) @ back for points in (places, corners, sheet)))


def worked_shape(view: StackView) -> Polygon:
    """Where sheet and tool lie over one another, but for windows. [mm]"""
    shapes = [p.polygon for p in (view.sheet, view.tool) if p is not None]
    shapes += [p.polygon for p in view.layers if p.item.windows]
    shape = shapely.intersection_all(shapes)
    return shape if shape.area > 0 else shapes[0]


def spread_over(shape: Polygon) -> FloatArray:
    """Places (n, 2) evenly over an area. [mm]"""
    low_x, low_y, high_x, high_y = shape.bounds
    share = (np.arange(ACROSS) + 0.5) / ACROSS
    x, y = (a.ravel() for a in np.meshgrid(low_x + share * (high_x - low_x), low_y + share * (high_y - low_y), indexing="ij"))
    return np.asarray(np.stack([x, y], axis=1)[shapely.contains_xy(shape, x, y)])


def turned(places: FloatArray, degrees: float) -> FloatArray:
    """Places (n, 2) turned counter-clockwise. [mm]"""
    turn = np.deg2rad(degrees)
    c, s = np.cos(turn), np.sin(turn)
    return np.asarray(places @ np.array([[c, s], [-s, c]]))


def crowding(work: Work, degrees: FloatArray, spread: float) -> FloatArray:
    """Most of the work between the rollers at once, for each turn (m,); a share of all of it [1/mm]. `spread` is the nip's standard deviation along
    the feed [mm]."""
    most = np.empty(degrees.size)
    for n, angle in enumerate(degrees):
        along = turned(work.places, float(angle))[:, 0]
        start = along.min() - 4 * spread
        bins = np.bincount(((along - start) / BIN).astype(np.intp), minlength=int(8 * spread / BIN) + 2)
        most[n] = gaussian_filter1d(bins.astype(np.float64), max(spread / BIN, 0.5), mode="constant").max()
    return most / (len(work.places) * BIN)


def fits_room(work: Work, degrees: FloatArray, room: Room) -> BoolArray:
    """Whether the work stays on its plates at each turn (m,)."""
    along, across = extents(work.corners, degrees)
    return np.asarray((along <= room.length + SLACK) & (across <= room.width + SLACK))


def sheet_passes(work: Work, degrees: FloatArray, feed_width: float) -> BoolArray:
    """Whether the sheet passes between the sides of the press at each turn (m,)."""
    return np.asarray(extents(work.sheet, degrees)[1] <= feed_width + SLACK)
