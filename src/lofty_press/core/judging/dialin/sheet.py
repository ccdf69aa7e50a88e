"""What else makes a sheet good that is pressed right on the whole: that it is so everywhere, and holds."""

import math
from dataclasses import dataclass

import numpy as np

from lofty_press.core.judging.dialin import room
from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.verdict import Shares, Stretch
from lofty_press.core.sandwich.stack import FloatArray, StackView

NOWHERE = math.log(1e4)
"""Logarithm of a factor of pressure that no press gets to."""


@dataclass(frozen=True, eq=False)
class SheetLimits:
    """The whole work is right from a pressure that is higher by `least` and up to one that is lower by `most`, logarithms of factors of those of its mean
    (`least` >= 0, `most` <= 0); the sheet is stretched by `stretch` (None where nothing is), and what its `stock` (the unknown's key) bears is known as well as the room knows it."""

    least: float
    most: float
    stretch: Stretch | None
    stock: str | None

    def unknown(self, belief: Belief) -> float:
        """Standard deviation of what the stock bears, as a logarithm. [1]"""
        return belief.of({self.stock: 1.0})[1] if self.stock is not None and self.stock in belief.index else 0.0

    def holds(self, added: FloatArray, belief: Belief) -> FloatArray:
        """Chance that the sheet neither cracks, tears nor buckles with some thickness added (n,) [mm]. [1]"""
        if self.stretch is None:
            return np.ones(added.shape)
        crack, tear = self.stretch.spoiled(added, self.unknown(belief))
        return np.asarray((1.0 - crack - tear) * (1.0 - self.stretch.buckles))


def limits_of(view: StackView, shares: Shares, pressure: float, stretch: Stretch | None) -> SheetLimits:
    """What a pile asks of its sheet at the mean pressure that it has. [MPa]"""
    stock = None if view.sheet is None else room.cracking_of(view.sheet.item)
    least, most = shares.factors(pressure)
    return SheetLimits(math.log(least) if least < math.inf else NOWHERE, math.log(most), stretch, stock)
