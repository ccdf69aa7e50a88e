"""How layers, lengths and faces are said on a run card."""

from typing import Literal

from lofty_press.core.stack import DIES, FOLDERS, Placed
from lofty_press.core.units import inch_fraction, mm_to_inch

Unit = Literal["mm", "in"]
CENTRED = 0.6  # mm off the middle that nobody can see


def length(value: float, unit: Unit) -> str:
    """A length as people read it off a ruler: whole or half millimetres, or the nearest sixteenth of an inch.

    Examples
    --------
    >>> length(107.95, "in"), length(107.95, "mm")
    ('4 1/4 in', '108 mm')
    """
    if unit == "mm":
        return f"{round(value * 2) / 2:g} mm"
    whole, part = divmod(inch_fraction(value, finest=16), 1)
    return " ".join(str(p) for p in (whole, part) if p or (p is whole and not part)) + " in"


def thickness(value: float, unit: Unit) -> str:
    """A thickness: finer than fractions go, so inches are thousandths, as a caliper shows them.

    Examples
    --------
    >>> thickness(0.762, "in"), thickness(0.762, "mm")
    ('0.030 in', '0.76 mm')
    """
    return f"{value:.2f} mm" if unit == "mm" else f"{mm_to_inch(value):.3f} in"


def size(placed: Placed, unit: Unit) -> str:
    """Width by length of a layer."""
    return f"{length(placed.item.width_mm, unit)} by {length(placed.item.length_mm, unit)}"


def how_many(placed: Placed) -> str:
    """A layer's name, with how many lie there."""
    return placed.name if placed.layer.count == 1 else f"{placed.layer.count} of {placed.name}"


def facing(placed: Placed) -> str:
    """Which way a layer looks, to follow its name; empty where it does not matter."""
    if placed.is_sheet:
        return ", front down" if placed.layer.turned else ", front up"
    if placed.layer.half is not None:
        return ""
    if placed.kind in DIES:
        return ", blade down" if placed.active_side == "down" else ", blade up"
    if placed.item.relief is not None:
        return ", face down" if placed.active_side == "down" else ", face up"
    return ""


def lying(placed: Placed, unit: Unit) -> str:
    """Where a layer lies and how it is turned."""
    layer, said = placed.layer, []
    along, across = layer.x_mm, layer.y_mm
    if abs(along) > CENTRED:
        said.append(f"its middle {length(abs(along), unit)} {'behind' if along > 0 else 'before'} the middle of the bed")
    if abs(across) > CENTRED:
        said.append(f"{length(abs(across), unit)} to the {'left' if across > 0 else 'right'} as you look at the rollers")
    turn = layer.rotation_deg % 360
    if turn and not (placed.kind in FOLDERS or turn == 180):
        said.append(f"turned by {min(turn, 360 - turn):g}°")
    return ", ".join(said) if said else "in the middle, square to the rollers"
