"""What cutting and pressing a line need."""

import math

import numpy as np

from lofty_press.core.basics.words import force, say, thickness
from lofty_press.core.mechanics.effects import BladeContact, mat_foundation
from lofty_press.core.mechanics.needs.need import NEVER, Need
from lofty_press.core.sandwich.stack import Placed
from lofty_press.core.sandwich.stock import WorkingSheet, creep_gain

CRUSH = 20.0  # MPa; card pressed flat between hard faces densifies and glazes from about here, from memory
LINE_DEPTH = 0.2  # mm; a pressed line is seen well from about here; common practice, no published source
STRONGER = 1.15  # one pack of a stock against another, order of magnitude from memory
LESS_SURE = 3.0  # times a stock's scatter: how well it is known what a blade lower than the sheet takes; assumption
DEEPEST_SCAR = 0.3  # mm; a plate scarred deeper is spoiled; common practice, no published source


def cutting_need(blade: BladeContact, passes: int) -> Need:
    """Cutting through; later passes add as creep does. A blade that is too low never cuts."""
    if blade.too_low:
        return Need(blade.density * blade.score_load, NEVER, NEVER, say("the blade is lower than the sheet is thick"))
    cut = blade.density * blade.cut_load / creep_gain(passes)
    scarred = (
        blade.density * (blade.cut_load + DEEPEST_SCAR / (blade.scar_compliance * blade.density)) if blade.scar_compliance else 6.0 * cut
    )
    why = say("{cut_load} on each mm of blade", cut_load=force(blade.cut_load))
    if blade.low:  # the die's body keeps the blade from the plate
        return Need(blade.density * blade.score_load, cut, max(CRUSH, 1.5 * cut), why, blur=LESS_SURE)
    return Need(blade.density * blade.score_load, cut, max(scarred, 1.5 * cut), why)


def line_need(blade: BladeContact, sheet: Placed, state: WorkingSheet) -> Need:
    """Pressing a line: past yield in bending, as deep as it is seen, and short of cutting.

    The need to be cut scatters as the stock's strength does; the pressure for it more than that, once the die's body bears a part.
    """
    sunk, mat = blade.bridge, blade.behind
    if sunk is None or mat is None:
        cut = blade.density * blade.score_load
        return Need(0.3 * cut, 0.5 * cut, cut, say("a line without a mat is a cut"))
    _, b = mat_foundation(mat, sheet.bending_stiffness)
    first_yield = 8.0 * b * sheet.bending_stiffness * state.yield_strain / sheet.thickness  # q / 4b is the moment under it (Hetenyi, 1946)
    seen = float(np.interp(LINE_DEPTH, sunk.sunk[: sunk.touches + 1], sunk.pressure(blade.density)[: sunk.touches + 1], right=NEVER))
    hard = min(blade.pressure_for(blade.score_load), CRUSH)
    weaker, stronger = (min(blade.pressure_for(blade.score_load * factor), CRUSH) for factor in (1.0 / STRONGER, STRONGER))
    return Need(
        blade.density * first_yield,
        min(max(seen, 2.0 * blade.density * first_yield), hard),
        hard,
        say("a line {deep} deep over the mat", deep=thickness(LINE_DEPTH, 1)),
        max(math.log(stronger / weaker) / (2.0 * math.log(STRONGER)), 1.0),
    )
