"""How layers, places and faces are said on a run card."""

from lofty_press.core.basics.words import NOTHING, Message, angle, listed, named, ruled, say
from lofty_press.core.sandwich.stack import DIES, FOLDERS, Placed

CENTRED = 0.6  # mm off the middle that nobody can see


def measures(placed: Placed) -> Message:
    """Width by length of a layer."""
    return say("{width} by {length}", width=ruled(placed.item.width_mm), length=ruled(placed.item.length_mm))


def how_many(placed: Placed) -> Message:
    """A layer's name, with how many lie there."""
    return named(placed.name) if placed.layer.count == 1 else say("{count} of {name}", count=placed.layer.count, name=placed.name)


def facing(placed: Placed) -> Message:
    """Which way a layer looks, to follow its name; empty where it does not matter."""
    if placed.is_sheet:
        return say(", front down") if placed.layer.turned else say(", front up")
    if placed.layer.half is not None:
        return NOTHING
    if placed.kind in DIES:
        return say(", blade down") if placed.active_side == "down" else say(", blade up")
    if placed.item.relief is not None:
        return say(", face down") if placed.active_side == "down" else say(", face up")
    return NOTHING


def lying(placed: Placed) -> Message:
    """Where a layer lies and how it is turned."""
    layer, said = placed.layer, []
    along, across = layer.x_mm, layer.y_mm
    if along > CENTRED:
        said.append(say("its middle {length} behind the middle of the bed", length=ruled(along)))
    if along < -CENTRED:
        said.append(say("its middle {length} before the middle of the bed", length=ruled(-along)))
    if across > CENTRED:
        said.append(say("{length} to the left as you look at the rollers", length=ruled(across)))
    if across < -CENTRED:
        said.append(say("{length} to the right as you look at the rollers", length=ruled(-across)))
    turn = layer.rotation_deg % 360
    if turn and not (placed.kind in FOLDERS or turn == 180):
        said.append(say("turned by {turn}", turn=angle(min(turn, 360 - turn))))
    return listed(said) if said else say("in the middle, square to the rollers")
