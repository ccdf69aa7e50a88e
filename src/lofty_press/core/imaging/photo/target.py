"""The printed sheet that tools are photographed on: where its markers, its ruler and its gray wedge are."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from lofty_press.core.sandwich.stack import FloatArray

MARKER = 12.0  # mm
EDGE = 9.0  # mm from the paper's edge to a marker: home printers leave the outermost 6 mm white
CLEAR = 4.0  # mm between markers and window
STRIP = 13.0  # mm below the window, for ruler and wedge
RULER = 100.0  # mm; long enough to see a printer's scale of a third of a percent with a school ruler
GRAYS = (0.0, 0.2, 0.4, 0.6, 0.8, 1.0)  # of the wedge, black to white
WEDGE = 6.0  # mm, each of its fields
PaperName = Literal["A4", "letter"]


@dataclass(frozen=True)
class Target:
    """A printed sheet. Places run right and down from its upper left corner, all lengths in mm.

    `columns` and `rows` of markers stand round the window, numbered from `first` clockwise from the upper left.
    """

    paper: PaperName
    width: float
    height: float
    columns: int
    rows: int
    first: int

    @property
    def markers(self) -> dict[int, tuple[float, float]]:
        """Upper left corner of every marker by its number. [mm]"""
        across = np.linspace(EDGE, self.width - EDGE - MARKER, self.columns)
        down = np.linspace(EDGE, self.height - EDGE - MARKER, self.rows)
        top = [(x, down[0]) for x in across]
        right = [(across[-1], y) for y in down[1:]]
        bottom = [(x, down[-1]) for x in across[-2::-1]]
        left = [(across[0], y) for y in down[-2:0:-1]]
        return {self.first + n: (float(x), float(y)) for n, (x, y) in enumerate((*top, *right, *bottom, *left))}

    def corners(self, number: int) -> FloatArray:
        """Corners of a marker, clockwise from its upper left, shape (4, 2). [mm]"""
        x, y = self.markers[number]
        return np.array([(x, y), (x + MARKER, y), (x + MARKER, y + MARKER), (x, y + MARKER)])

    @property
    def window(self) -> tuple[float, float, float, float]:
        """Left, top, right and bottom of where tools are laid. [mm]"""
        inset = EDGE + MARKER + CLEAR
        return inset, inset, self.width - inset, self.height - inset - STRIP

    @property
    def ruler(self) -> tuple[float, float]:
        """Left end of the ruler. [mm]"""
        left, _, _, bottom = self.window
        return left, bottom + 6.0

    @property
    def wedge(self) -> tuple[tuple[float, float, float], ...]:
        """Left, top and gray of every field of the wedge. [mm, mm, 1]"""
        left, top = self.ruler[0] + RULER + 8.0, self.window[3] + 3.0
        return tuple((left + n * WEDGE, top, gray) for n, gray in enumerate(GRAYS))


METRIC = Target("A4", 210.0, 297.0, 6, 8, 0)
LETTER = Target("letter", 215.9, 279.4, 6, 8, 50)
TARGETS: dict[PaperName, Target] = {target.paper: target for target in (METRIC, LETTER)}
