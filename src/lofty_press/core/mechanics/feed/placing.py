"""What moves together on the bed, and laying it elsewhere."""

from dataclasses import dataclass

from lofty_press.core.basics.words import NOTHING, Message, say
from lofty_press.core.sandwich.stack import TOOLS, Lay, Placed, Sandwich, StackView, apply_edits, wrapped

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


def laying(view: StackView, placing: Placing) -> tuple[Lay, ...]:
    """The edit that turns and moves the work as one, so that the tool lies as asked; none where there is no work."""
    lead = lead_of(view)
    if lead is None:
        return ()
    layers = tuple(p.id for p in view.layers if p.id in work_layers(view))
    return (Lay(layers=layers, lead=lead.id, x_mm=placing.x, y_mm=placing.y, rotation_deg=wrapped(placing.turn)),)


def laid(sandwich: Sandwich, placing: Placing) -> Sandwich:
    """The sandwich with its work laid so."""
    return apply_edits(sandwich, laying(StackView(sandwich), placing))


def has_words(tool: Placed) -> bool:
    """True for a tool whose relief is read."""
    return tool.item.relief is not None and tool.item.relief.words_read is not None


def words_lie(view: StackView) -> Message:
    """How a tool's words lie to the rollers, in a sentence; empty for a tool without words. As made, their lines run across the feed, their
    top towards the end that goes in first."""
    tool = view.tool
    if tool is None or not has_words(tool):
        return NOTHING
    turn = wrapped(tool.layer.rotation_deg)
    if WORDS_TURN < abs(turn) < 180 - WORDS_TURN:
        return say("Its words run with the feed, letter by letter.")
    if abs(turn) <= WORDS_TURN:
        return say("Its words run along the rollers, one whole line at a time, tops first.")
    return say("Its words run along the rollers, one whole line at a time, tops last.")
