"""What every millimetre of a blade bears in a nip."""

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.nip.solve import Nip
from lofty_press.core.sandwich.stack import FloatArray


def blade_loads(nip: Nip, blade: BladeContact) -> FloatArray:
    """Load on each place along the blades of a nip's field (n,) [N/mm]; none beyond the sheet and where the rollers do not reach.

    The pressure there is what blades bear together, until the die's body lies on the sheet too.
    """
    return blade.loads(nip.along_blades)


def cut_share(load: FloatArray, blade: BladeContact, gain: float = 1.0) -> float:
    """Share of the blade that is through; passes `gain` as creep does. [1]"""
    return float(np.mean(gain * load >= blade.cut_load)) if load.size else 0.0
