"""What the blade does along every millimetre of its run."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from lofty_press.core.mechanics.effects import BLADE_STATES, BladeContact, BladeState
from lofty_press.core.mechanics.forming.loads import Loaded
from lofty_press.core.mechanics.nip import blades_of
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.sandwich.stock import creep_gain


@dataclass(frozen=True)
class CutLines:
    """Pieces of the blade over the sheet: places (n, 2) on the bed [mm], load (n,) [N/mm], state (n,) as a place in `BLADE_STATES`, and the length that each
    stands for (n,) [mm]; the load that cuts [N/mm], what the blade meets behind the sheet, and how much of it meets none [mm]."""

    places: FloatArray
    load: FloatArray
    state: NDArray[np.int8]
    weights: FloatArray
    cut_load: float
    behind: str | None
    beside: float = 0.0

    def length(self, state: BladeState) -> float:
        """Length of blade in a state. [mm]"""
        return float(self.weights[self.state == BLADE_STATES.index(state)].sum())


NOTHING = CutLines(np.zeros((0, 2)), np.zeros(0), np.zeros(0, dtype=np.int8), np.zeros(0), 0.0, None)


def cut_lines(loaded: Loaded) -> CutLines:
    """Follow the blade over the sheet: what each millimetre of it bears in the nip. Passes count as creep does."""
    blade, blades = loaded.blade, loaded.nip.field.blades
    if blade is None or blades is None:
        return folder_lines(loaded) if blade is not None else NOTHING
    load, over = blade.loads(creep_gain(loaded.view.sandwich.passes) * loaded.nip.along_blades), blades.meets
    lines = told(blades.places[over], load[over], blades.weights[over], blade)
    return replace(lines, beside=float(blades.weights[~over].sum()))


def folder_lines(loaded: Loaded) -> CutLines:
    """The blade of a cutting folder is spread evenly: where its halves close, it goes through."""
    blade, panel = loaded.blade, loaded.panel
    assert blade is not None
    blades = blades_of(loaded.view, blade, loaded.library)
    at = [(blades.places[:, k] - axis[0]) / panel.spacing for k, axis in enumerate((panel.x, panel.y))]
    over = map_coordinates(panel.cover, at, order=0, mode="constant") > 0.5
    pressure = map_coordinates(loaded.pressure, at, order=1, mode="nearest")
    relief = np.array([loaded.closing.on_the_relief(float(p)) for p in np.unique(np.round(pressure, 3))])
    bears = np.interp(pressure, np.unique(np.round(pressure, 3)), relief)
    load = blade.loads(creep_gain(loaded.view.sandwich.passes) * (pressure - bears))
    return told(blades.places[over], load[over], blades.weights[over], blade)


def told(places: FloatArray, load: FloatArray, weights: FloatArray, blade: BladeContact) -> CutLines:
    """What loads make of a blade's places."""
    return CutLines(places, load, blade.states(load), weights, blade.cut_load, blade.behind.name if blade.behind else None)
