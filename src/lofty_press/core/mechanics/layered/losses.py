"""How the energy that a pile stores is shared among its layers, and what of it is lost."""

from functools import lru_cache

import numpy as np

from lofty_press.core.mechanics.layered.layer import Layer, packed
from lofty_press.core.mechanics.layered.response import faces_and_sheet
from lofty_press.core.sandwich.stack import FloatArray

STIFFER = 0.01  # relative; by which one layer is made stiffer to see what it bears


def energy_shares(layers: tuple[Layer, ...], wave: float) -> FloatArray:
    """Share of the pile's elastic energy that each layer stores under a wave of pressure [1/mm] (n,). [1]

    Notes
    -----
    For a given pressure the energy is half of it times the compliance, and the layer's part is -dC / d ln E. All of them add up to C, for C is
    inverse to a common factor of all moduli (Euler's theorem). Taken at the one `wave` that stands for the band of pressure at the sheet.
    """
    pile = packed(layers)
    k = np.array([wave])

    def closing(moduli: FloatArray) -> float:
        changed = pile.copy()
        changed[:, 1] = moduli
        top, bottom, across, *_ = faces_and_sheet(changed, 0, k)
        return float(top[0] + bottom[0] + 2.0 * across[0])

    whole = closing(pile[:, 1])
    stiffer = pile[:, 1] * (1.0 + STIFFER * np.eye(len(layers)))
    found = np.maximum([whole - closing(moduli) for moduli in stiffer], 0.0)
    total = float(found.sum())
    return np.asarray(found / total if total > 0 else np.full(found.size, 1.0 / found.size))


@lru_cache(maxsize=2048)
def loss_share(layers: tuple[Layer, ...], losses: tuple[float, ...], wave: float) -> float:
    """Share of the pile's elastic energy that is lost when it is let go, from the share that each layer loses. [1]"""
    if len(layers) == 0:
        return 0.0
    return float(energy_shares(layers, wave) @ np.asarray(losses))
