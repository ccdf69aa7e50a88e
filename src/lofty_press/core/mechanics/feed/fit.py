"""What does not fit through the press or on its plates, by how much, and what would make it fit."""

import math
from dataclasses import dataclass

import numpy as np
import shapely

from lofty_press.core.basics.words import Message, named, say
from lofty_press.core.mechanics.feed.placing import work_layers
from lofty_press.core.sandwich.stack import BASES, PADS, FloatArray, Placed, Polygon, StackView

SLACK = 0.5  # mm that nobody minds
CARRIERS = (*BASES, "spacer", *(kind for kind in PADS if kind != "pressure mask"))


@dataclass(frozen=True)
class Misfit:
    """A layer that does not fit.

    `over` is by how much it is too wide for what it has to pass or lie on, `where`. `turned` is the least turn either way with which it
    fits [degree], None if none does; `trim` then the width and length to which a sheet would have to be cut [mm], None for what nobody
    trims.
    """

    layer: str
    name: str
    over: float
    where: Message
    turned: float | None
    trim: tuple[float, float] | None


@dataclass(frozen=True)
class Room:
    """Where the work may lie: places along and across the feed. [mm]"""

    low_x: float
    high_x: float
    low_y: float
    high_y: float

    @property
    def length(self) -> float:
        return self.high_x - self.low_x

    @property
    def width(self) -> float:
        return self.high_y - self.low_y


def carriers_of(view: StackView) -> tuple[Placed, ...]:
    """The plates that the work lies between, as far as they do not move with it."""
    together = work_layers(view)
    return tuple(p for p in view.layers if p.kind in CARRIERS and p.id not in together)


def room_of(view: StackView) -> Room:
    """What the press passes and every plate carries."""
    half = view.press.feed_width_mm / 2
    low_x, high_x, low_y, high_y = -1000.0, 1000.0, -half, half
    for placed in carriers_of(view):
        bounds = placed.bounds
        low_x, low_y = max(low_x, bounds[0]), max(low_y, bounds[1])
        high_x, high_y = min(high_x, bounds[2]), min(high_y, bounds[3])
    return Room(low_x, max(high_x, low_x), low_y, max(high_y, low_y))


def corners_of(shape: Polygon) -> FloatArray:
    """Corners of the hull of an outline (n, 2). [mm]"""
    return np.asarray(shapely.get_coordinates(shape.convex_hull)[:-1])


def extents(corners: FloatArray, degrees: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Room along and across the feed that a hull (n, 2) takes at each turn (m,). [mm]"""
    turn = np.deg2rad(degrees)
    along = np.cos(turn)[:, None] * corners[:, 0] - np.sin(turn)[:, None] * corners[:, 1]
    across = np.sin(turn)[:, None] * corners[:, 0] + np.cos(turn)[:, None] * corners[:, 1]
    return np.ptp(along, axis=1), np.ptp(across, axis=1)


def fitting_turns(corners: FloatArray, length: float, width: float) -> FloatArray:
    """Turns at which a hull lies within a length along and a width across, nearest first (m,). [degree]"""
    edges = np.diff(np.vstack([corners, corners[:1]]), axis=0)
    flush = -np.rad2deg(np.arctan2(edges[:, 1], edges[:, 0]))  # the narrowest way lies with an edge along the feed
    turns = np.unique(np.concatenate([np.arange(-90.0, 90.5, 0.5), (flush + 90) % 180 - 90]))
    along, across = extents(corners, turns)
    fits = turns[(along <= length + SLACK) & (across <= width + SLACK)]
    return fits[np.argsort(np.abs(fits), kind="stable")]


def misfits(view: StackView) -> tuple[Misfit, ...]:
    """Everything that does not pass the press, or reaches past its plates with a blade or an edge."""
    found = []
    limit = view.press.feed_width_mm
    room, together = room_of(view), work_layers(view)
    for placed in view.layers:
        if placed.layer.half == "sunk":
            continue
        shape = placed.polygon
        low_x, low_y, high_x, high_y = shape.bounds
        if high_y - low_y > limit + SLACK:
            on_plates = placed.id in together and not placed.is_sheet and carriers_of(view)
            space = (room.length, min(room.width, limit)) if on_plates else (math.inf, limit)
            found.append(misfit(placed, shape, high_y - low_y - limit, named(view.press.name), *space))
        elif placed.id in together and not placed.is_sheet:
            over = max(room.low_x - low_x, high_x - room.high_x, room.low_y - low_y, high_y - room.high_y)
            if over > SLACK and carriers_of(view):
                found.append(misfit(placed, shape, over, say("its plates"), room.length, room.width))
    return tuple(found)


def misfit(placed: Placed, shape: Polygon, over: float, where: Message, length: float, width: float) -> Misfit:
    """One misfit, with the way out of it."""
    turns = fitting_turns(corners_of(shape), length, width)
    trim = trimmed_size(placed, width) if placed.kind == "sheet" else None
    return Misfit(placed.id, placed.name, over, where, float(turns[0]) if turns.size else None, trim)


def trimmed_size(placed: Placed, width: float) -> tuple[float, float] | None:
    """Width and length to cut a sheet to so that it passes a width as it lies: the side that lies more across is shortened. None if no strip of it
    would pass. [mm]"""
    turn = math.radians(placed.layer.rotation_deg)
    across, along = abs(math.cos(turn)), abs(math.sin(turn))  # what its width and its length take of the room
    size = placed.item.width_mm, placed.item.length_mm
    if across >= along:
        left = (width - size[1] * along) / across
        return (left, size[1]) if left > 0 else None
    left = (width - size[0] * across) / along
    return (size[0], left) if left > 0 else None
