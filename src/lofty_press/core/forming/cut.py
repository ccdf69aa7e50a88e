"""What the blade does along every millimetre of its run."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import gaussian_filter, map_coordinates

from lofty_press.core.forming.loads import Loaded
from lofty_press.core.outline.blade_runs import STEP, blade_runs, walk
from lofty_press.core.stack.shape import FloatArray
from lofty_press.core.stock.moisture import creep_gain

SPREAD = 4.0  # mm; plates and sheet share the load among blades that lie closer than about this; assumption, no published source
States = Literal["untouched", "line", "part cut", "cut"]
STATES: tuple[States, ...] = ("untouched", "line", "part cut", "cut")


@dataclass(frozen=True)
class CutLines:
    """Pieces of the blade over the sheet: places (n, 2) on the bed [mm], load (n,) [N/mm], state (n,) as an index into `STATES`; the load
    that cuts [N/mm], and what the blade meets behind the sheet."""

    places: FloatArray
    load: FloatArray
    state: NDArray[np.int8]
    cut_load: float
    behind: str | None

    def length(self, state: States) -> float:
        """Length of blade in a state. [mm]"""
        return float(np.count_nonzero(self.state == STATES.index(state)) * STEP)


NOTHING = CutLines(np.zeros((0, 2)), np.zeros(0), np.zeros(0, dtype=np.int8), 0.0, None)


def cut_lines(loaded: Loaded) -> CutLines:
    """Follow the blade over the sheet.

    Notes
    -----
    The nip's pressure carries the blades that lie within `SPREAD` of one another: the load on each millimetre is pressure over the
    blade length per area there, up to the load at which the die's body lies on the sheet. Passes count as creep does.
    """
    blade = loaded.blade
    if blade is None or loaded.sheet is None:
        return NOTHING
    lines, _ = blade_runs(blade.die, loaded.library)
    places = walk(lines) if lines else np.zeros((0, 2))
    panel = loaded.panel
    i = (places[:, 0] - panel.x[0]) / panel.spacing
    j = (places[:, 1] - panel.y[0]) / panel.spacing
    inside = (i > -0.5) & (j > -0.5) & (i < panel.x.size - 0.5) & (j < panel.y.size - 0.5)
    i, j, places = i[inside], j[inside], places[inside]
    over = panel.cover[np.round(i).astype(int), np.round(j).astype(int)] > 0.5
    i, j, places = i[over], j[over], places[over]
    count = np.zeros(panel.shape)
    np.add.at(count, (np.round(i).astype(int), np.round(j).astype(int)), STEP)
    density = gaussian_filter(count, SPREAD / panel.spacing, mode="constant", truncate=3.0) / panel.spacing**2
    local = map_coordinates(density, [i, j], order=1, mode="nearest")
    pressure = map_coordinates(loaded.pressure, [i, j], order=1, mode="nearest")
    gain = creep_gain(loaded.view.sandwich.passes)
    load = np.minimum(gain * pressure / np.maximum(local, 1e-9), blade.bottom_load)
    state = np.zeros(load.size, dtype=np.int8)
    for threshold, index in ((0.05 * blade.cut_load, 1), (blade.score_load, 2), (blade.cut_load, 3)):
        state[load >= threshold] = index
    return CutLines(places, load, state, blade.cut_load, blade.behind.name if blade.behind else None)
