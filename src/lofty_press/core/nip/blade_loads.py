"""What every millimetre of a blade bears in a nip."""

import numpy as np
from scipy.ndimage import map_coordinates

from lofty_press.core.effects import BladeContact
from lofty_press.core.nip.solve import Nip
from lofty_press.core.stack import FloatArray

LEAST = 1e-3  # of a cell that works; a place has some of it, or nothing presses there


def blade_loads(nip: Nip, blade: BladeContact) -> FloatArray:
    """Load on each place along the blades of a nip's field (n,) [N/mm]; none beyond the sheet and where the rollers do not reach.

    The pressure there is what blades bear together, up to the load at which the die's body lies on the sheet.
    """
    return np.minimum(along_blades(nip) / blade.density, blade.bottom_load)


def along_blades(nip: Nip) -> FloatArray:
    """Pressure along the blades of a nip's field (n,), as of a die with its mean blade everywhere; none beyond the sheet. [MPa]"""
    field = nip.field
    if field.runs is None or field.density is None:
        return np.zeros(0)
    if nip.exact is not None and nip.exact.along_blades is not None:
        return nip.exact.along_blades
    works = field.work[field.row_of].astype(np.float64)
    return np.where(field.runs.meets, read_at(nip, nip.intensity * works) / np.maximum(read_at(nip, works), LEAST), 0.0)


def read_at(nip: Nip, values: FloatArray) -> FloatArray:
    """Values of the field's cells (nx, ny) at the places along its blades (n,); nothing beyond the grid."""
    at = cells_of(nip)
    return np.asarray(map_coordinates(values, at, order=1, mode="constant"))


def cells_of(nip: Nip) -> FloatArray:
    """Where the places along the blades lie on the field's grid (2, n), in cells."""
    field = nip.field
    assert field.runs is not None
    return np.stack([(field.runs.places[:, 0] - field.x[0]) / field.step, (field.runs.places[:, 1] - field.y[0]) / field.width])


def cut_share(load: FloatArray, blade: BladeContact, gain: float = 1.0) -> float:
    """Share of the blade that is through; passes `gain` as creep does. [1]"""
    return float(np.mean(gain * load >= blade.cut_load)) if load.size else 0.0
