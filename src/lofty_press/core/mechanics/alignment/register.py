"""How the layers lie to one another: margins on every side, what is off the middle, what lies in a hinge."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely

from lofty_press.core.basics.words import NOTHING, Message, say, size
from lofty_press.core.sandwich.stack import Placed, StackView, item_polygon

SEEN = 0.5  # mm off the middle that people see; common practice, no published source
SAME = 1.0  # mm between two openings that counts as the same


@dataclass(frozen=True, kw_only=True)
class Register:
    """How one layer lies on another.

    `lead`, `trail`, `left`, `right` are how far the lower one reaches beyond it on the side that goes in first, last, and on both sides as
    the feed sees them, negative where it sticks out [mm]; `off_x`, `off_y` how far its middle is off the other's. [mm]. `note` says what
    that means, empty if there is nothing to say; `centred` is where it would have to lie to be in register. [mm]
    """

    layer: str
    name: str
    against: str
    kind: Literal["edge line", "middle", "opening"]
    lead: float
    trail: float
    left: float
    right: float
    off_x: float
    off_y: float
    note: Message
    centred: tuple[float, float]


def register_of(view: StackView) -> tuple[Register, ...]:
    """Whatever is laid by eye: the sheet to its tool, a motif to its sheet, masks and frames to what they press, two frames to one another."""
    sheet, tool = view.sheet, view.tool
    found: list[Register] = []
    if sheet is not None and tool is not None:
        found.append(
            in_folder(view, sheet, tool)
            if view.in_folder(sheet)
            else on_middle(*((tool, sheet) if smaller(tool, sheet) else (sheet, tool)))
        )
    against = tool or sheet
    frames = [p for p in view.layers if p.kind in ("frame", "pressure mask")]
    if against is not None:
        found += [on_middle(frame, against) for frame in frames[:1]]
    found += [same_opening(one, frames[0]) for one in frames[1:] if one.item.windows and frames[0].item.windows]
    return tuple(found)


def smaller(one: Placed, other: Placed) -> bool:
    return bool(item_polygon(one.item).area < item_polygon(other.item).area)


def sides(inner: tuple[float, ...], outer: tuple[float, ...]) -> dict[str, float]:
    """Margins and offset of one bounding box in another. [mm]"""
    return {
        "lead": inner[0] - outer[0],
        "trail": outer[2] - inner[2],
        "left": inner[1] - outer[1],
        "right": outer[3] - inner[3],
        "off_x": (inner[0] + inner[2] - outer[0] - outer[2]) / 2,
        "off_y": (inner[1] + inner[3] - outer[1] - outer[3]) / 2,
    }


def on_middle(inner: Placed, outer: Placed) -> Register:
    """A layer that belongs in the middle of another."""
    found = sides(inner.bounds, outer.bounds)
    off = float(np.hypot(found["off_x"], found["off_y"]))
    centred = (inner.layer.x_mm - found["off_x"], inner.layer.y_mm - found["off_y"])
    note = NOTHING if off <= SEEN else say("{off} off the middle of {outer}.", off=size(off), outer=outer.name)
    return Register(layer=inner.id, name=inner.name, against=outer.name, kind="middle", note=note, centred=centred, **found)


def in_folder(view: StackView, sheet: Placed, folder: Placed) -> Register:
    """A sheet against a folder's edge line: what lies nearer to the hinge than the pattern starts stays blank."""
    assert folder.item.relief is not None
    margin = folder.item.relief.hinge_margin_mm
    found = sides(sheet.bounds, folder.bounds)
    turn = np.deg2rad(folder.layer.rotation_deg)
    corners = shapely.get_coordinates(sheet.polygon) - (folder.layer.x_mm, folder.layer.y_mm)
    along = corners @ (np.cos(turn), np.sin(turn))
    blank = margin - float(along.min() + folder.item.length_mm / 2)
    sideways = float(np.mean([(corners @ (-np.sin(turn), np.cos(turn))).min(), (corners @ (-np.sin(turn), np.cos(turn))).max()]))
    centred = (
        sheet.layer.x_mm + blank * float(np.cos(turn)) + sideways * float(np.sin(turn)),
        sheet.layer.y_mm + blank * float(np.sin(turn)) - sideways * float(np.cos(turn)),
    )
    note = NOTHING
    if blank > SEEN:
        note = say(
            (
                "{blank} of it is in the hinge, where there's no pattern: a blank strip. Line it up on the edge line, {margin} from "
                "the hinge."
            ),
            blank=size(blank),
            margin=size(margin),
        )
    elif blank < -SEEN:
        note = say(
            "It's {blank} behind the edge line, {margin} from the hinge. You only lose room at the open edge.",
            blank=size(-blank),
            margin=size(margin),
        )
    return Register(layer=sheet.id, name=sheet.name, against=folder.name, kind="edge line", note=note, centred=centred, **found)


def same_opening(one: Placed, other: Placed) -> Register:
    """Two frames or masks that are to have one opening: how far their openings differ as they lie."""
    openings = [p.polygon.convex_hull.difference(p.polygon) for p in (other, one)]
    found = sides(openings[1].bounds, openings[0].bounds)
    apart = float(shapely.hausdorff_distance(openings[0].boundary, openings[1].boundary, densify=0.2))
    centred = (one.layer.x_mm - found["off_x"], one.layer.y_mm - found["off_y"])
    note = (
        NOTHING
        if apart <= SAME
        else say(
            "The openings differ by up to {apart}, and that step prints. Stack both the same way round, tops marked.",
            apart=size(apart),
        )
    )
    return Register(layer=one.id, name=one.name, against=other.name, kind="opening", note=note, centred=centred, **found)
