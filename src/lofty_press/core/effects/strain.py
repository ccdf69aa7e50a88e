"""A quick estimate of how much a sheet is stretched where the relief is steepest."""

import math

from lofty_press.core.effects.needs import effective_relief, forming_pressure
from lofty_press.core.stack.view import StackView
from lofty_press.core.stock.moisture import WorkingSheet

DRAW_IN = 1.0  # mm; stretch evens out over about this length of sheet
ESTIMATE_SPREAD = 0.4  # relative; edge width and strain at break are each known to about a quarter


def crack_index(view: StackView, state: WorkingSheet, pressure: float) -> float | None:
    """Membrane strain over strain at break at the steepest edge [1]; at 1 the sheet parts.

    Notes
    -----
    The sheet goes up the height h over a width l, with slope h / l, and is stretched by half the slope squared, averaged over
    the draw-in length. Between matched halves l is the tool's own span once the pressure forms it; over a one-sided relief l is
    the width that the pressure can bridge, from the same plastic balance as `forming_pressure`. An estimate to about 40 %.
    """
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None or pressure <= 0:
        return None
    relief = effective_relief(tool, view.sandwich.effect.kind)
    if relief is None or view.sandwich.effect.kind == "letterpress":
        return None
    thickness = sheet.thickness
    width = math.sqrt(forming_pressure(state.yield_stress, thickness, relief.height_mm, 1.0) / pressure)
    floor = relief.span_mm if tool.kind != "motif" else thickness
    width = max(width, floor)
    strain = 0.5 * (relief.height_mm / width) ** 2 * min(1.0, width / DRAW_IN)
    return strain / state.break_strain
