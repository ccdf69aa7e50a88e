"""One chance that a sheet comes out good: it feeds, is pressed right over the whole work, and neither cracks, tears nor buckles.

How much a relief stretches the sheet rises with the same added thickness that decides how hard it is pressed, so that the chance is one average over that
thickness and not a product of two chances.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from scipy.special import ndtr

from lofty_press.core.judging.verdict.cracking import crack_chance_of, crack_spread
from lofty_press.core.judging.verdict.sweep import Sweep
from lofty_press.core.mechanics.forming import Closing, FormingSummary, summary_at
from lofty_press.core.sandwich.stack import FloatArray, StackView

Spoil = Literal["too thin", "too hard", "does not feed", "uneven", "cracks", "tears", "buckles"]
"""What a sheet is spoiled by; the sheet of a pile that is slack or faint is too thinly pressed, an uneven one in a part of the work or too hard there."""

BREAKING: tuple[Spoil, ...] = ("cracks", "tears", "buckles")
"""What happens to a sheet that is pressed right."""
AT = (-0.4, -0.2, -0.1, 0.0, 0.1, 0.2, 0.4)
"""Added thicknesses at which the stretch of a sheet is looked up. [mm]"""
BREAKS = 0.25
"""So many sheets crack, tear or buckle before that is what is said of the pile."""
LEAST = 1e-6
"""A share of what a sheet bears under which nothing is told apart."""


@dataclass(frozen=True, eq=False)
class Stretch:
    """How far a sheet is stretched against what it bears, over the thickness that is `added` to its pile (k,) [mm]: logarithms of the indices at which it
    cracks and tears, `crack` and `tear` (k,), and the standard deviation of either, `spread` [1]; `buckles` is the chance that it folds at a window [1]."""

    added: FloatArray
    crack: FloatArray
    tear: FloatArray
    spread: float
    buckles: float = 0.0

    def spoiled(self, added: FloatArray, more: float = 0.0) -> tuple[FloatArray, FloatArray]:
        """Chances that a sheet cracks, and that it tears, with some thickness added (n,) [mm]; `more` is what is unknown of its strength besides. [1]

        One strength decides both: a sheet that is stretched further towards its tear than towards its crack tears.
        """
        spread = math.hypot(self.spread, more)
        crack, tear = (np.interp(added, self.added, log) for log in (self.crack, self.tear))
        chance = ndtr(np.maximum(crack, tear) / spread)
        return np.where(tear < crack, chance, 0.0), np.where(tear < crack, 0.0, chance)


@dataclass(frozen=True)
class Good:
    """The `chance` of a good sheet, and what it is spoiled by otherwise: `parts` add up to what is missing from 1."""

    chance: float
    parts: dict[Spoil, float]

    @property
    def worst(self) -> Spoil:
        """What spoils it most often."""
        return max(self.parts, key=self.parts.__getitem__)

    @property
    def likely_to_break(self) -> Spoil | None:
        """What breaks the sheet often enough to be said first; None where it seldom does."""
        often: Spoil = max(BREAKING, key=self.parts.__getitem__)
        return often if self.breaks >= BREAKS else None

    @property
    def breaks(self) -> float:
        """Chance that it feeds, is pressed right, and cracks, tears or buckles."""
        return sum(self.parts[spoil] for spoil in BREAKING)


def stretch_of(view: StackView, closing: Closing, curve: Sweep, formed: FormingSummary | None) -> Stretch | None:
    """How far the sheet of a pile is stretched over added thickness; None where nothing is formed. A full computation, where there is one, says where the
    curve stands, and the table of the relief how it goes on."""
    added = np.array(AT)
    pressures = np.interp(added, curve.added, curve.pressure)
    found = [summary_at(view, closing, float(pressure)) for pressure in pressures]
    if formed is None and found[AT.index(0.0)] is None:
        return None
    crack, tear = (log_of([None if each is None else getattr(each, name) for each in found]) for name in ("crack", "tear"))
    if formed is not None and not formed.estimate:
        here = AT.index(0.0)
        crack, tear = moved(crack, here, formed.crack), moved(tear, here, formed.tear)
        return Stretch(added, crack, tear, crack_spread(formed.off_by), crack_chance_of(formed.buckle, 1.0) if formed.buckle else 0.0)
    off_by = next((each.off_by for each in found if each is not None), 1.0)
    return Stretch(added, crack, tear, crack_spread(off_by))


def log_of(indices: list[float | None]) -> FloatArray:
    """Logarithms of indices; the least for one that there is not."""
    return np.asarray(np.log(np.maximum([index or 0.0 for index in indices], LEAST)))


def moved(log: FloatArray, here: int, index: float | None) -> FloatArray:
    """A curve moved to where a full computation found it."""
    return np.asarray(log + (math.log(max(index or 0.0, LEAST)) - log[here]))


def good_of(chances: Sequence[float], stretch: Stretch | None, whole: FloatArray, added: FloatArray, more: float = 0.0) -> Good:
    """The chance of a good sheet.

    Parameters
    ----------
    chances : sequence of float
        Of the zones: slack, faint, right, hard, refuses; they add up to 1. [1]
    stretch : Stretch or None
        Of the sheet; None where nothing is stretched.
    whole : array, shape (n,)
        At n points, the chance of that point and that the whole work is right there. [1]
    added : array, shape (n,)
        Thickness that is added at each point. [mm]
    more : float
        Standard deviation of what is unknown of the stock's strength, as a logarithm. [1]
    """
    slack, faint, pressed, hard, refuses = chances
    even = min(float(whole.sum()), pressed)
    cracks = tears = buckles = 0.0
    if stretch is not None and even > 0.0:
        crack, tear = stretch.spoiled(added, more)
        cracks, tears = (float(each @ whole) * even / float(whole.sum()) for each in (crack, tear))
        buckles = (even - cracks - tears) * stretch.buckles
    parts: dict[Spoil, float] = {
        "too thin": slack + faint,
        "too hard": hard,
        "does not feed": refuses,
        "uneven": pressed - even,
        "cracks": cracks,
        "tears": tears,
        "buckles": buckles,
    }
    return Good(max(even - cracks - tears - buckles, 0.0), parts)
