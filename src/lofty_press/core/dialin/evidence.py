"""What was seen in a press room: a thing that was measured, a pile that was tried."""

from dataclasses import dataclass

from lofty_press.core.dialin.belief import Weights
from lofty_press.core.stack import Sandwich
from lofty_press.core.verdict import Zone


@dataclass(frozen=True)
class Measured:
    """A thickness or an opening under a gauge, or a sum of such: `of` how much of each unknown counts in it, by how much it departs from the shelf's
    figures, and how well that is known [mm]."""

    key: str
    of: Weights
    by: float
    sd: float


@dataclass(frozen=True)
class Tried:
    """A pile that was turned through, or that somebody knows: `seen` are the zones that fit what came out."""

    key: str
    sandwich: Sandwich
    seen: frozenset[Zone]


Evidence = Measured | Tried
