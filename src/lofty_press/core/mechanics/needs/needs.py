"""The pressure that an effect needs on a stock: from where it marks, from where it is right, from where it is too much."""

import math
from dataclasses import replace

from lofty_press.core.basics.words import listed, say, share, size, thickness
from lofty_press.core.mechanics.effects import effective_relief
from lofty_press.core.mechanics.forming import Closing, Formation
from lofty_press.core.mechanics.needs.blades import CRUSH, DEEPEST_SCAR, cutting_need, line_need
from lofty_press.core.mechanics.needs.need import NEVER, Need
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, FOLDERS, Placed, Relief, StackView

TOOL_LIMIT = 0.3  # of the indentation hardness: about the yield stress of a plastic (hardness ~ 3 x yield, Tabor)
MARKS, SEEN = 0.3, 0.2  # of the best relief that can be kept, and of the tool's depth: whichever is less is a mark
GOOD = 0.9  # of the best relief that can be kept
LEAST, LEAST_BY_MAT = (
    0.6,
    0.4,
)  # of the tool's depth, asked of a good one besides; a mat cannot press a sheet to the ground as a second half does


def need_of(view: StackView, closing: Closing) -> Need | None:
    """What the wanted effect needs, or None while sheet or tool is missing or the tool cannot give this effect."""
    sheet, tool, state = view.sheet, view.tool, closing.state
    if sheet is None or tool is None or state is None:
        return None
    kind, blade = view.sandwich.effect.kind, closing.blade
    if kind == "line":
        return None if blade is None else line_need(blade, sheet, state)
    needs = []
    traits = EFFECT_TRAITS[kind]
    if traits.cuts:
        if blade is None:
            return None
        cutting = cutting_need(blade, view.sandwich.passes)
        if kind == "cut and emboss" and blade.scar_travel < DEEPEST_SCAR:  # its halves close before the blade can go too deep
            cutting = replace(cutting, hard=math.inf)
        needs.append(cutting)
    if not traits.only_cuts:
        relief = effective_relief(tool, kind)
        if relief is None:
            return None
        if kind == "letterpress":
            needs.append(printing_need(sheet, relief))
        elif closing.formation is not None:
            needs.append(shaping_need(sheet, tool, relief, closing.formation))
    if not needs:
        return None
    if len(needs) == 1:
        return needs[0]
    cut, shape = needs  # both close together and share the pressure: the relief marks first, and neither is done before the other
    return Need(
        shape.mark, cut.right + shape.right, cut.right + min(cut.hard, shape.hard), listed((cut.why, shape.why), "; "), depth=shape.depth
    )


def shaping_need(sheet: Placed, tool: Placed, relief: Relief, formed: Formation) -> Need:
    """Pressing a sheet into a relief until it keeps nearly all that it can; a sheet that never keeps enough is never right."""
    best = max(formed.best, 1e-9)
    mark = formed.pressure_for(min(MARKS, SEEN / best))
    least = LEAST if tool.kind in FOLDERS else LEAST_BY_MAT
    right = NEVER if best < least else formed.pressure_for(max(GOOD, least / best))
    why = say(
        "{height} of relief over {span} in {thickness} stock, which keeps {best} at best",
        height=thickness(relief.height_mm),
        span=size(relief.span_mm),
        thickness=thickness(sheet.thickness),
        best=share(best),
    )
    return Need(mark, right, max(limit_pressure(sheet, tool), right), why, depth=scatter_by_depth(sheet.thickness, relief))


def scatter_by_depth(thickness: float, relief: Relief) -> float:
    """Standard deviation of the logarithm of the pressure that shapes a sheet, by what is unknown of its relief's height [1]: that pressure goes as
    t + 2 h, as `collapse_pressure` does."""
    return 2.0 * relief.sd_mm / (thickness + 2.0 * relief.height_mm)


def limit_pressure(sheet: Placed, tool: Placed) -> float:
    """Pressure that crushes the sheet (if it is of paper) or dents the tool, whichever is less. [MPa]"""
    limits = [CRUSH] if sheet.material.family == "paper" else []
    if tool.material.family == "rigid":
        limits.append(TOOL_LIMIT * tool.material.hardness)
    return min(limits, default=CRUSH)


def printing_need(sheet: Placed, relief: Relief) -> Need:
    """Pressing the type's faces into the sheet: a tenth of its thickness gives a print that can be felt."""
    stiffness = sheet.young * relief.raised_share
    return Need(
        0.03 * stiffness,
        0.10 * stiffness,
        0.6 * stiffness,
        say("type over {raised_share} of the plate", raised_share=share(relief.raised_share)),
    )
