"""What was seen in a press room: a thing that was measured, a pile that was tried."""

import math
from dataclasses import dataclass

from lofty_press.core.judging.dialin.belief import Weights
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import Sandwich


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
    """A pile that was turned through, or that somebody knows: `seen` are the zones that fit what came out. Since then its sum has drifted by `drift`
    (standard deviation) [mm]."""

    key: str
    sandwich: Sandwich
    seen: frozenset[Zone]
    drift: float = 0.0


@dataclass(frozen=True)
class Traced:
    """A pile that a motor turned through: the most that it took, as a force at the handle, and how well that is known [N]. Since then its sum has drifted by
    `drift` (standard deviation) [mm]."""

    key: str
    sandwich: Sandwich
    peak_n: float
    sd_n: float
    drift: float = 0.0


@dataclass(frozen=True)
class Cracked:
    """A pile whose sheet cracked."""

    key: str
    sandwich: Sandwich


Evidence = Measured | Tried | Traced | Cracked


DRIFT_A_YEAR = 0.05  # mm; boards get thinner, plates bow, rollers loosen; common practice, no published source


def drift_after(days: float) -> float:
    """How far a pile's sum against its press's opening has drifted after some days, as a standard deviation: at random, so with the root of time. [mm]"""
    return DRIFT_A_YEAR * math.sqrt(max(days, 0.0) / 365.0)
