"""The pressure that an effect needs on a stock: from where it marks, from where it is right, from where it is too much."""

import math
from dataclasses import dataclass, replace

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.stack.effect import CUTTING
from lofty_press.core.stack.item import Relief
from lofty_press.core.stack.view import Placed, StackView
from lofty_press.core.stock.moisture import WorkingSheet, creep_gain, working_sheet

CRUSH = 20.0  # MPa; card pressed flat between hard faces densifies and glazes from about here, from memory
TOOL_LIMIT = 0.3  # of the indentation hardness: about the yield stress of a plastic (hardness ~ 3 x yield, Tabor)
LINE_DEPTH = 0.2  # mm; a pressed line is seen well from about here; common practice, no published source
NEVER = 1e4  # MPa; stands for a pressure that no press gives
DEEPEST_SCAR = 0.3  # mm; a plate scarred deeper is spoiled; common practice, no published source
DIE_RELIEF_SPAN = 2.5  # mm; wider than this a rim no longer reads as a line; common practice, no published source


@dataclass(frozen=True)
class Need:
    """Nominal pressures at the sheet [MPa] at which the effect begins, is right, and is overdone; `why` in a few words."""

    mark: float
    right: float
    hard: float
    why: str


def forming_pressure(yield_stress: float, thickness: float, height: float, span: float) -> float:
    """Pressure that presses a sheet into a relief.

    Parameters
    ----------
    yield_stress : float
        In-plane yield stress of the sheet as it is pressed. [MPa]
    thickness : float
        Thickness of the sheet. [mm]
    height : float
        Height of the relief, >= 0. [mm]
    span : float
        Width over which the sheet goes from ground to height. [mm]

    Returns
    -------
    float
        Pressure. [MPa]

    Notes
    -----
    A clamped strip collapses in bending at 16 M / l^2 with M = sigma t^2 / 4, and carries 8 N h / l^2 as a membrane with sag h and
    N = sigma t: together 4 sigma t (t + 2 h) / l^2. An upper bound: it lets nothing draw in from the sides.

    References
    ----------
    Plastic collapse of a clamped beam and the parabolic cable, any mechanics textbook; from memory.

    Examples
    --------
    >>> round(forming_pressure(16.0, 0.28, 0.4, 2.2), 2)
    4.0
    """
    return 4.0 * yield_stress * thickness * (thickness + 2.0 * height) / span**2


def effective_relief(tool: Placed, effect: str) -> Relief | None:
    """The relief that the sheet is pressed into; a cut die's rim counts as one."""
    if tool.item.relief is not None:
        if tool.kind == "motif":
            relief = tool.item.relief
            return Relief(height_mm=tool.thickness, span_mm=relief.span_mm, raised_share=relief.raised_share)
        return tool.item.relief
    if tool.item.blade is not None and effect in ("emboss in die", "metal"):
        return Relief(height_mm=tool.item.blade.height_mm, span_mm=DIE_RELIEF_SPAN, raised_share=0.2)
    return None


def state_of_sheet(view: StackView) -> WorkingSheet | None:
    """Strength of the worked sheet as it enters the nip."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None:
        return None
    return working_sheet(sheet.item.stock, sheet.layer.mist_age_s, passes=view.sandwich.passes)


def need_of(view: StackView, blade: BladeContact | None) -> Need | None:
    """What the wanted effect needs, or None while sheet or tool is missing or the tool cannot give this effect."""
    sheet, tool, state = view.sheet, view.tool, state_of_sheet(view)
    if sheet is None or tool is None or state is None:
        return None
    kind = view.sandwich.effect.kind
    needs = []
    if kind in CUTTING:
        if blade is None:
            return None
        cutting = cutting_need(blade, view.sandwich.passes)
        if kind == "cut and emboss" and blade.scar_travel < DEEPEST_SCAR:  # its halves close before the blade can go too deep
            cutting = replace(cutting, hard=math.inf)
        needs.append(cutting)
    if kind == "line":
        return None if blade is None else line_need(blade, sheet, state)
    if kind not in ("cut", "stencil"):
        relief = effective_relief(tool, kind)
        if relief is None:
            return None
        needs.append(printing_need(sheet, relief) if kind == "letterpress" else shaping_need(sheet, tool, relief, state))
    first = needs[0]
    if len(needs) == 1:
        return first
    second = needs[1]
    return Need(max(first.mark, second.mark), max(first.right, second.right), min(first.hard, second.hard), f"{first.why}; {second.why}")


def shaping_need(sheet: Placed, tool: Placed, relief: Relief, state: WorkingSheet) -> Need:
    """Pressing a sheet into a relief until bending and stretching are plastic."""
    thickness = sheet.thickness
    mark = forming_pressure(state.yield_stress, thickness, 0.0, relief.span_mm)
    right = forming_pressure(state.yield_stress, thickness, relief.height_mm, relief.span_mm)
    return Need(
        mark,
        right,
        limit_pressure(sheet, tool),
        f"{relief.height_mm:.2f} mm of relief over {relief.span_mm:.1f} mm in {thickness:.2f} mm stock",
    )


def limit_pressure(sheet: Placed, tool: Placed) -> float:
    """Pressure that crushes the sheet (if it is of paper) or dents the tool, whichever is less. [MPa]"""
    limits = [CRUSH] if sheet.material.family == "paper" else []
    if tool.material.family == "rigid":
        limits.append(TOOL_LIMIT * tool.material.hardness)
    return min(limits, default=CRUSH)


def printing_need(sheet: Placed, relief: Relief) -> Need:
    """Pressing the type's faces into the sheet: a tenth of its thickness gives a print that can be felt."""
    stiffness = sheet.modulus * relief.raised_share
    return Need(0.03 * stiffness, 0.10 * stiffness, 0.6 * stiffness, f"type over {relief.raised_share:.0%} of the plate")


def cutting_need(blade: BladeContact, passes: int) -> Need:
    """Cutting through; later passes add as creep does. A blade that is too low never cuts."""
    if blade.too_low:
        return Need(blade.density * blade.score_load, NEVER, NEVER, "the blade is lower than the sheet is thick")
    cut = blade.density * blade.cut_load / creep_gain(passes)
    scarred = (
        blade.density * (blade.cut_load + DEEPEST_SCAR / (blade.scar_compliance * blade.density)) if blade.scar_compliance else 6.0 * cut
    )
    return Need(blade.density * blade.score_load, cut, max(scarred, 1.5 * cut), f"{blade.cut_load:.0f} N on each mm of blade")


def line_need(blade: BladeContact, sheet: Placed, state: WorkingSheet) -> Need:
    """Pressing a line: past yield in bending, as deep as it is seen, and short of cutting."""
    if blade.backing != "soft":
        cut = blade.density * blade.score_load
        return Need(0.3 * cut, 0.5 * cut, cut, "a line without a mat is a cut")
    b = (1.0 / (8.0 * sheet.bending_stiffness * blade.deflection_per_load)) ** (1.0 / 3.0)
    first_yield = 8.0 * b * sheet.bending_stiffness * state.yield_strain / sheet.thickness
    seen = LINE_DEPTH / blade.deflection_per_load
    hard = blade.density * blade.score_load if blade.bottom_load >= blade.score_load else CRUSH
    return Need(
        blade.density * first_yield, blade.density * max(seen, 2.0 * first_yield), hard, f"a line {LINE_DEPTH} mm deep over the mat"
    )
