"""Heights along a line."""

import math

import numpy as np
from scipy.ndimage import map_coordinates

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.kept.impression_record import PanelDocument

Place = tuple[float, float]


def along_line(field: np.ndarray, panel: PanelDocument, start: Place, end: Place) -> tuple[np.ndarray, np.ndarray]:
    """Distance and value along a line between two places on the bed, a point each cell. [mm]

    Raises
    ------
    InvalidInput
        If both ends are the same.
    """
    length = math.hypot(end[0] - start[0], end[1] - start[1])
    if length < panel.spacing_mm:
        raise InvalidInput("x1", end, say("the line must be longer than a cell"))
    steps = np.linspace(0.0, 1.0, min(int(length / panel.spacing_mm) + 1, 5000))
    places = [(start[k] + steps * (end[k] - start[k]) - panel.first_mm[k]) / panel.spacing_mm for k in (0, 1)]
    return steps * length, np.asarray(map_coordinates(field, places, order=1, mode="nearest"))
