"""Texts as data, and the one place that puts them into words."""

from lofty_press.core.words.asked import APART, Asked
from lofty_press.core.words.figures import figure
from lofty_press.core.words.kinds import KINDS, NUMBERS, UNITS, KindKey, Reading, Unit
from lofty_press.core.words.message import NOTHING, Message, Quantity, Value, and_last, beside, listed, named, say, term, together
from lofty_press.core.words.quantities import (
    angle,
    area,
    force,
    line_load,
    metres,
    minutes,
    number,
    pressure,
    ruled,
    seconds,
    share,
    size,
    spelled,
    thickness,
)

__all__ = [
    "APART",
    "KINDS",
    "NOTHING",
    "NUMBERS",
    "UNITS",
    "Asked",
    "KindKey",
    "Message",
    "Quantity",
    "Reading",
    "Unit",
    "Value",
    "and_last",
    "angle",
    "area",
    "beside",
    "figure",
    "force",
    "line_load",
    "listed",
    "metres",
    "minutes",
    "named",
    "number",
    "pressure",
    "ruled",
    "say",
    "seconds",
    "share",
    "size",
    "spelled",
    "term",
    "thickness",
    "together",
]
