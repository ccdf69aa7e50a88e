"""What lies under the rollers and near them at one position of the crank."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.nip.full.kernel import Ground, LawTable, close_interface
from lofty_press.core.mechanics.nip.full.layout import Layout
from lofty_press.core.sandwich.stack import FloatArray

LEVER = 30.0  # mm; in which tilts are counted


@dataclass(frozen=True, eq=False)
class Window:
    """What lies in the window at one position: as `Layout` has it, with places from the rollers' line."""

    ground: Ground
    laws: LawTable
    offered: FloatArray
    bladed: bool

    @property
    def levers(self) -> tuple[FloatArray, FloatArray]:
        """Arms of tilts along and across, in `LEVER`. [1]"""
        return self.ground.x / LEVER, self.ground.y / LEVER

    def close(self, opening: FloatArray, tilt: FloatArray, pressure: FloatArray, slope: FloatArray) -> None:
        """Pressure and slope of the interface, into two fields."""
        close_interface(opening, tilt, self.ground, self.laws, pressure, slope)


def window_at(layout: Layout, opening: float, n: int) -> Window:
    """The window with the rollers over row `n`; `opening` of the press [mm]."""
    first = n - layout.along // 2
    rows = slice(first, first + layout.along)
    offered = np.where(layout.under, layout.thickness - layout.gap[n] - opening, -np.inf)
    return Window(
        ground=Ground(
            x=np.asarray((np.arange(layout.along) - layout.along // 2) * layout.spacing, dtype=np.float64),
            y=layout.y,
            opens=np.ascontiguousarray(layout.opens[rows]),
            law=np.ascontiguousarray(layout.law[rows]),
            density=np.ascontiguousarray(layout.density[rows]),
        ),
        laws=layout.laws,
        offered=np.where(np.isfinite(offered), offered, -1e3),
        bladed=layout.blades is not None,
    )
