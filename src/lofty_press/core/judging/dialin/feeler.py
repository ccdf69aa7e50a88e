"""Paper as a feeler gauge: how many sheets lie on a pile of plates when the rollers just take hold."""

import math
from dataclasses import replace

from lofty_press.core.basics.trade import COPY_PAPER
from lofty_press.core.basics.words import say
from lofty_press.core.judging.dialin.evidence import Measured
from lofty_press.core.judging.dialin.response import thickness_weights
from lofty_press.core.sandwich.stack import PLATES, Sandwich, StackView

HOLDS = 0.02  # mm by which rollers squeeze what they just take hold of; about
MOST_SHEETS = 80
NAME = say("Plates and paper")


def took_hold(key: str, sandwich: Sandwich, sheets: int, drift: float = 0.0) -> Measured:
    """What it tells that the rollers took hold with so many sheets of copy paper on a pile, and not with one less: the opening, less what lies in it. Since
    then that has drifted by `drift` (standard deviation) [mm]."""
    view = StackView(sandwich)
    free = sum(placed.thickness for placed in view.layers)
    by = view.press.opening.mm - free - (sheets - 0.5) * COPY_PAPER.value
    return Measured(key, thickness_weights(view), by, reading_sd(sheets, drift))


def plates_of(sandwich: Sandwich) -> Sandwich | None:
    """The plates of a sandwich by themselves, to count paper on; None where the gap that they leave is not one for paper."""
    layers = tuple(layer for layer in sandwich.layers if sandwich.items[layer.item].kind in PLATES)
    items = {layer.item: sandwich.items[layer.item] for layer in layers}
    found = replace(sandwich, name=str(NAME), layers=layers, items=items, recipe=None)
    free = sum(placed.thickness for placed in StackView(found).layers)
    return found if layers and 0.0 < sandwich.press.opening.mm - free <= MOST_SHEETS * COPY_PAPER.value else None


def reading_sd(sheets: int, drift: float = 0.0) -> float:
    """How far what so many sheets tell may be off, as a standard deviation. [mm]"""
    return math.hypot(COPY_PAPER.value / math.sqrt(12.0), HOLDS, sheets * COPY_PAPER.sd, drift)


def expected_sheets(sandwich: Sandwich) -> int:
    """How many sheets of copy paper are likely to lie on a pile when the rollers take hold, by the thicknesses that it carries, about. [1]"""
    view = StackView(sandwich)
    gap = view.press.opening.mm - sum(placed.thickness for placed in view.layers)
    return min(max(math.ceil(gap / COPY_PAPER.value), 1), MOST_SHEETS)
