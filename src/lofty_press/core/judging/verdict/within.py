"""How well the pressure at the work is known: by the solver, and by all that it was given."""

import math

import numpy as np

from lofty_press.core.judging.verdict.sweep import Sweep
from lofty_press.core.mechanics.nip import Nip
from lofty_press.core.sandwich.stack import StackView

FRAME_GAUGED, FRAME_GUESSED = 0.15, 0.5
"""Standard deviations of the logarithm of a frame's stiffness: of a press that somebody put a gauge to, and of another; common practice, no published source."""
LAYERS, MATS = 0.2, 0.3
"""The same of what lies in a pile: plates and card, and mats; values from memory."""
FAINTEST = 0.05
"""Of the pressure, under which thinner piles count no more."""


def pressure_within(view: StackView, nip: Nip, sweep: Sweep, spread: float) -> float:
    """Relative standard deviation of the mean pressure at the work. [1]

    Parameters
    ----------
    view : StackView
    nip : Nip
    sweep : Sweep
        Pressure over added thickness.
    spread : float
        Standard deviation of the pile's thickness against the opening. [mm]

    Notes
    -----
    What gives way by c under a force, and is stiffer by a share s, does as c s of thickness more would; so frame and layers move the pressure along the same
    curve as a thickness does. The parts are independent, and add up by their squares. The solver's own error is taken as twice its standard deviation.
    """
    if not (sweep.now > 0.0 and nip.bites):
        return 0.0

    def moved(by: float) -> float:
        """Logarithm of the pressure that so much thickness more or less makes of it, on average of both. [1]"""
        if by <= 0.0:
            return 0.0
        low, high = np.interp([-by, by], sweep.added, sweep.pressure)
        return 0.5 * math.log(max(float(high), FAINTEST * sweep.now) / max(float(low), FAINTEST * sweep.now))

    frame = FRAME_GAUGED if view.press.opening.source == "gauge" else FRAME_GUESSED
    layers = MATS if view.mats else LAYERS
    gives = float(nip.give.max(initial=0.0))
    return math.hypot(0.5 * nip.off_by, moved(spread), moved(frame * gives), moved(layers * nip.squeezed))
