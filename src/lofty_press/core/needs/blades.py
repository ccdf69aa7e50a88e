"""What cutting and pressing a line need."""

from lofty_press.core.effects import BladeContact
from lofty_press.core.needs.need import NEVER, Need
from lofty_press.core.stack import Placed
from lofty_press.core.stock import WorkingSheet, creep_gain
from lofty_press.core.words import force, say, thickness

CRUSH = 20.0  # MPa; card pressed flat between hard faces densifies and glazes from about here, from memory
LINE_DEPTH = 0.2  # mm; a pressed line is seen well from about here; common practice, no published source
DEEPEST_SCAR = 0.3  # mm; a plate scarred deeper is spoiled; common practice, no published source


def cutting_need(blade: BladeContact, passes: int) -> Need:
    """Cutting through; later passes add as creep does. A blade that is too low never cuts."""
    if blade.too_low:
        return Need(blade.density * blade.score_load, NEVER, NEVER, say("the blade is lower than the sheet is thick"))
    cut = blade.density * blade.cut_load / creep_gain(passes)
    scarred = (
        blade.density * (blade.cut_load + DEEPEST_SCAR / (blade.scar_compliance * blade.density)) if blade.scar_compliance else 6.0 * cut
    )
    return Need(
        blade.density * blade.score_load,
        cut,
        max(scarred, 1.5 * cut),
        say("{cut_load} on each mm of blade", cut_load=force(blade.cut_load)),
    )


def line_need(blade: BladeContact, sheet: Placed, state: WorkingSheet) -> Need:
    """Pressing a line: past yield in bending, as deep as it is seen, and short of cutting."""
    if blade.backing != "soft":
        cut = blade.density * blade.score_load
        return Need(0.3 * cut, 0.5 * cut, cut, say("a line without a mat is a cut"))
    b = (1.0 / (8.0 * sheet.bending_stiffness * blade.deflection_per_load)) ** (1.0 / 3.0)
    first_yield = 8.0 * b * sheet.bending_stiffness * state.yield_strain / sheet.thickness
    seen = LINE_DEPTH / blade.deflection_per_load
    hard = blade.density * blade.score_load if blade.bottom_load >= blade.score_load else CRUSH
    return Need(
        blade.density * first_yield,
        blade.density * max(seen, 2.0 * first_yield),
        hard,
        say("a line {deep} deep over the mat", deep=thickness(LINE_DEPTH, 1)),
    )
