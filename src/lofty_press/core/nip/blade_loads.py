"""What every millimetre of a blade bears in a nip."""

import numpy as np
from scipy.ndimage import map_coordinates

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.nip.solve import Nip
from lofty_press.core.stack.shape import FloatArray


def blade_loads(nip: Nip, blade: BladeContact) -> FloatArray:
    """Load on each place along the blades of a nip's field (n,) [N/mm]; none beyond the sheet and where the rollers do not reach.

    The pressure there is what blades bear together, up to the load at which the die's body lies on the sheet.
    """
    field = nip.field
    if field.runs is None or field.density is None:
        return np.zeros(0)
    if nip.exact is not None and nip.exact.along_blades is not None:
        return np.minimum(nip.exact.along_blades / blade.density, blade.bottom_load)
    at = [(field.runs.places[:, 0] - field.x[0]) / field.step, (field.runs.places[:, 1] - field.y[0]) / field.width]
    works = field.work[field.row_of].astype(np.float64)
    there = map_coordinates(works, at, order=1, mode="constant")
    found = map_coordinates(nip.intensity * works, at, order=1, mode="constant") / np.maximum(there, 1e-9)
    return np.where(there > 0.25, np.minimum(found / blade.density, blade.bottom_load), 0.0)


def cut_share(load: FloatArray, blade: BladeContact, gain: float = 1.0) -> float:
    """Share of the blade that is through; passes `gain` as creep does. [1]"""
    return float(np.mean(gain * load >= blade.cut_load)) if load.size else 0.0
