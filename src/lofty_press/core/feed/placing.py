"""What moves together on the bed, and laying it elsewhere."""

import math
from dataclasses import dataclass, replace

from lofty_press.core.stack import TOOLS, Layer, Placed, Sandwich, StackView

WORDS_TURN = 45.0  # degrees from where a line of words runs rather with the feed than along the rollers


@dataclass(frozen=True)
class Placing:
    """How the work lies: its tool's middle along and across the feed [mm], and how far it is turned, counter-clockwise from above
    [degree]."""

    x: float
    y: float
    turn: float


def work_layers(view: StackView) -> frozenset[str]:
    """Ids of the layers that are turned and moved as one: tools, the sheet, masks and frames; plates, mats and shims stay."""
    return frozenset(p.id for p in view.layers if p.kind in TOOLS or p.is_sheet or p.kind in ("pressure mask", "frame"))


def lead_of(view: StackView) -> Placed | None:
    """The layer by whose middle the work is laid: the tool, or without one the sheet."""
    return view.tool or view.sheet


def placing_of(view: StackView) -> Placing | None:
    """How the work lies now; None where there is none."""
    lead = lead_of(view)
    return None if lead is None else Placing(lead.layer.x_mm, lead.layer.y_mm, lead.layer.rotation_deg)


def laid(sandwich: Sandwich, placing: Placing) -> Sandwich:
    """The sandwich with its work turned and moved as one, so that the tool lies as asked."""
    view = StackView(sandwich)
    now = placing_of(view)
    if now is None:
        return sandwich
    together = work_layers(view)
    layers = tuple(moved(layer, now, placing) if layer.id in together else layer for layer in sandwich.layers)
    return replace(sandwich, layers=layers)


def moved(layer: Layer, now: Placing, to: Placing) -> Layer:
    """One layer carried along as the tool goes from one place to another."""
    turn = math.radians(to.turn - now.turn)
    c, s = math.cos(turn), math.sin(turn)
    dx, dy = layer.x_mm - now.x, layer.y_mm - now.y
    return replace(
        layer,
        x_mm=round(to.x + c * dx - s * dy, 4),
        y_mm=round(to.y + s * dx + c * dy, 4),
        rotation_deg=wrapped(layer.rotation_deg + to.turn - now.turn),
    )


def wrapped(degrees: float) -> float:
    """The same direction from -180 (not counted) to 180. [degree]"""
    turned = (degrees + 180.0) % 360.0 - 180.0
    return 180.0 if turned == -180.0 else round(turned, 4)


def has_words(tool: Placed) -> bool:
    """True for a tool whose relief is read."""
    return tool.item.relief is not None and tool.item.relief.words_read is not None


def words_lie(view: StackView) -> str:
    """How a tool's words lie to the rollers, in a sentence; empty for a tool without words. As made, their lines run across the feed, their
    top towards the end that goes in first."""
    tool = view.tool
    if tool is None or not has_words(tool):
        return ""
    turn = wrapped(tool.layer.rotation_deg)
    if WORDS_TURN < abs(turn) < 180 - WORDS_TURN:
        return "Its words run with the feed: they come under the rollers letter by letter."
    top = "first" if abs(turn) <= WORDS_TURN else "last"
    return f"Its words run along the rollers, a whole line at a time, their top going in {top}."
