"""Short names for the figures in a text: each makes a quantity of its kind from a value in the stored unit."""

from lofty_press.core.basics.words.message import Quantity

MOST_SURE = 0.99


def size(value: float, digits: int | None = None) -> Quantity:
    """A length trimmed or laid by a ruler [mm]."""
    return Quantity(value, "size", digits)


def ruled(value: float) -> Quantity:
    """A length that is read off a ruler at the press, to half a millimetre or a sixteenth of an inch [mm]."""
    return Quantity(value, "ruled")


def marked(value: float) -> Quantity:
    """A length down to the finest mark of a ruler, 0.1 mm or 1/64 in. [mm]"""
    return Quantity(value, "marked")


def thickness(value: float, digits: int | None = None) -> Quantity:
    """A thickness, as a caliper shows it [mm]."""
    return Quantity(value, "thickness", digits)


def area(value: float) -> Quantity:
    """An area [mm2]."""
    return Quantity(value, "area")


def angle(value: float) -> Quantity:
    """A turn [degrees]."""
    return Quantity(value, "angle")


def force(value: float, digits: int | None = None) -> Quantity:
    """A force [N]."""
    return Quantity(value, "force", digits)


def line_load(value: float, digits: int | None = None) -> Quantity:
    """A force on each millimetre of a line [N/mm]."""
    return Quantity(value, "line load", digits)


def pressure(value: float, digits: int | None = None) -> Quantity:
    """A pressure [MPa]."""
    return Quantity(value, "pressure", digits)


def share(value: float) -> Quantity:
    """A share of a whole [1], shown in per cent."""
    return Quantity(value, "share")


def chance(value: float) -> Quantity:
    """A chance as it is told: nothing is certain. [1]"""
    return share(min(value, MOST_SURE))


def seconds(value: float) -> Quantity:
    """A time [s]."""
    return Quantity(value, "seconds")


def minutes(value: float) -> Quantity:
    """A time [s], shown in minutes."""
    return Quantity(value, "minutes")


def metres(value: float) -> Quantity:
    """A long length [mm], shown in metres."""
    return Quantity(value, "metres")


def number(value: float, digits: int | None = None) -> Quantity:
    """A bare number [1]."""
    return Quantity(value, "number", digits)


def spelled(value: int) -> Quantity:
    """A count, as a word where it is small."""
    return Quantity(value, "spelled")
